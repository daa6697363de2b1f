package kilnryu.app.piece;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.io.InputStream;
import java.time.Duration;
import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.equipment.EquipmentReader;
import kilnryu.app.factor.FactorStore;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.mesh.Mesh;
import kilnryu.core.mesh.Pockets;
import kilnryu.core.mesh.Profile;
import kilnryu.core.mesh.Vec;
import kilnryu.core.sum.Figure;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** A piece as a part of a tree: what is known of it, written as a caster would type it. */
@Component
public class PieceParts {
    private static final Logger LOG = LoggerFactory.getLogger(PieceParts.class);
    private static final int MOST_PROFILES = 300;

    private static final Duration FACES_TAKE = Duration.ofMillis(300);

    private final PieceStore pieces;
    private final MeshStore meshes;
    private final FactorStore factors;
    private final Cache<String, Profile> profiles =
            Caffeine.newBuilder().maximumSize(MOST_PROFILES).build();

    PieceParts(PieceStore pieces, MeshStore meshes, FactorStore factors) {
        this.pieces = pieces;
        this.meshes = meshes;
        this.factors = factors;
    }

    /** Fields of the part, and the alloy wanted; empty when the studio has no such piece. */
    public Optional<Map<String, String>> asPart(Account account, long id) {
        return pieces.find(account.studioId(), id).map(row -> part(account, row));
    }

    /** Asks for several pieces and their meshes at once, before a page goes through them one by one. */
    public void foresee(Account account, Collection<Long> ids) {
        if (ids.size() > 1) {
            pieces.foresee(account.studioId(), ids);
            meshes.foresee(account.studioId(), ids);
        }
    }

    /** Area of one of a piece by its mesh, cm2; empty without a measured mesh. */
    public Optional<Double> area(Account account, long id) {
        return pieces.find(account.studioId(), id)
                .flatMap(row -> read(account, row, measured(account, row)).area())
                .map(Figure::value);
    }

    /** A piece's shape as it is shown, and which of its sides is up as it hangs. @param id of the mesh */
    public record Shape(long id, Mesh mesh, Vec up) {}

    /** The shape of a piece by its mesh; empty without a measured one that can be read. */
    public Optional<Shape> shape(Account account, long piece) {
        return meshes.ofPiece(account.studioId(), piece)
                .filter(m -> m.state().equals("measured"))
                .flatMap(m -> {
                    try (InputStream view = meshes.open(m.id(), "view")) {
                        return Optional.of(new Shape(m.id(), SilhouetteDrawing.mesh(view), MeshSummary.side(m.up())));
                    } catch (IOException | IllegalArgumentException e) {
                        LOG.warn("mesh {} cannot be frozen: {}", m.id(), e.toString());
                        return Optional.empty();
                    }
                });
    }

    /** Wall that is aimed at where a piece is hollow, mm; of what is usual the middle where none is said. */
    public double aim(Account account, long piece) {
        return pieces.find(account.studioId(), piece)
                .map(row -> Fields.typed(row.fields(), Units.METRIC).quantity(PieceFields.AIM))
                .orElse(OptionalDouble.empty())
                .orElse(PieceReader.USUAL_AIM);
    }

    /** The mesh that a piece has now; 0 for none that is measured. */
    public long meshOf(Account account, long piece) {
        return meshes.ofPiece(account.studioId(), piece)
                .filter(m -> m.state().equals("measured"))
                .map(MeshStore.Row::id)
                .orElse(0L);
    }

    /** The shadow of a piece by its mesh, to draw it by; empty without a measured one. */
    public Optional<Profile> profile(Account account, long id) {
        return meshes.ofPiece(account.studioId(), id)
                .filter(m -> m.state().equals("measured"))
                .flatMap(m -> {
                    String key = m.id() + " " + m.up();
                    Profile known = profiles.getIfPresent(key);
                    if (known == null) {
                        known = seen(m);
                        if (known != null) {
                            profiles.put(key, known);
                        }
                    }
                    return Optional.ofNullable(known);
                });
    }

    /**
     * Outlines of pieces with a measured mesh, by the mesh. What is not kept yet is made, as long as the page can wait for it;
     * the rest has one the next time.
     */
    Map<Long, String> faces(Account account, Collection<MeshStore.Row> shapes) {
        Map<Long, String> faces = new HashMap<>(meshes.faces(account.studioId()));
        long end = System.nanoTime() + FACES_TAKE.toNanos();
        for (MeshStore.Row m : shapes) {
            if (m.state().equals("measured") && !faces.containsKey(m.id()) && System.nanoTime() < end) {
                profile(account, m.pieceId()).ifPresent(p -> {
                    Vec size = m.summary().box().size();
                    String face = PieceFace.path(p, new double[] {size.x(), size.y(), size.z()});
                    meshes.keepFace(m.id(), face);
                    faces.put(m.id(), face);
                });
            }
        }
        return faces;
    }

    /** Null where the view of the mesh cannot be read any more: it is then drawn by its measures. */
    private Profile seen(MeshStore.Row mesh) {
        try (InputStream view = meshes.open(mesh.id(), "view")) {
            return Profile.of(SilhouetteDrawing.mesh(view), MeshSummary.side(mesh.up()));
        } catch (IOException | IllegalArgumentException e) {
            LOG.warn("mesh {} is drawn by its measures: {}", mesh.id(), e.toString());
            return null;
        }
    }

    /**
     * How often a tree has to be made for what is wanted of its pieces.
     *
     * @param times trees in all
     * @param spare castings more than wanted
     */
    public record Wanted(String piece, int wanted, int onTree, int times, int spare) {}

    /** The piece of a tree that asks for most trees; empty where none comes from a piece of which more are wanted. */
    public Optional<Wanted> wanted(Account account, Map<String, String> tree) {
        return tree.entrySet().stream()
                .filter(e -> e.getKey().endsWith("].piece") && e.getValue().matches("\\d{1,18}"))
                .flatMap(e -> pieces.find(account.studioId(), Long.parseLong(e.getValue())).stream()
                        .flatMap(row -> wanted(row, tree.get(e.getKey().replaceFirst("piece$", "count"))).stream()))
                .max(java.util.Comparator.comparingInt(Wanted::times));
    }

    private static Optional<Wanted> wanted(PieceStore.Row row, String count) {
        int wanted = whole(row.fields().getOrDefault("count", "1"));
        int onTree = Math.max(1, whole(count == null || count.isBlank() ? "1" : count));
        int times = (wanted + onTree - 1) / onTree;
        return times < 2
                ? Optional.empty()
                : Optional.of(new Wanted(row.name(), wanted, onTree, times, times * onTree - wanted));
    }

    private static int whole(String text) {
        return text.strip().matches("\\d{1,5}") ? Integer.parseInt(text.strip()) : 0;
    }

    private Optional<MeshStore.Row> measured(Account account, PieceStore.Row row) {
        return meshes.ofPiece(account.studioId(), row.id())
                .filter(m -> m.state().equals("measured"));
    }

    private PieceReader.Piece read(Account account, PieceStore.Row row, Optional<MeshStore.Row> measured) {
        return PieceReader.read(
                Fields.typed(row.fields(), Units.METRIC),
                measured.map(MeshStore.Row::summary),
                EquipmentReader.none(),
                factors.of(account.studioId()),
                LocalDate.EPOCH);
    }

    private Map<String, String> part(Account account, PieceStore.Row row) {
        Optional<MeshStore.Row> measured = measured(account, row);
        PieceReader.Piece piece = read(account, row, measured);
        Map<String, String> part = new LinkedHashMap<>();
        part.put("name", row.name());
        part.put("alloy", row.fields().getOrDefault("alloy", ""));
        part.put("role", "piece");
        part.put("use", "piece");
        part.put("piece", Long.toString(row.id()));
        part.put("material", row.fields().getOrDefault("material", ""));
        // what is wanted is a count of castings; how many go onto one tree is for its builder to say
        part.put("count", "1");
        if (piece.bare().isPresent()) {
            part.put("how", "volume_cm3");
            part.put("volume_cm3", Show.exact(piece.bare().get().value()) + " cm³");
        } else {
            part.put("how", "mass_g");
            part.put("mass_g", row.fields().getOrDefault("mass_g", ""));
        }
        piece.coating().ifPresent(c -> {
            part.put("coat.material", c.material().key());
            part.put("coat.thickness_mm", mm(c.thickness()));
            part.put("coat.area_cm2", Show.exact(c.area()) + " cm²");
        });
        piece.area().ifPresent(a -> part.put("area_cm2", Show.exact(a.value()) + " cm²"));
        String[] sides = {"box.length_mm", "box.width_mm", "box.thickness_mm"};
        for (int i = 0; i < sides.length; i++) {
            if (Double.isFinite(piece.sizes()[i])) {
                part.put(sides[i], mm(piece.sizes()[i]));
            }
        }
        wall(piece.thinnest(), "wall.thin_mm", part);
        wall(piece.thickest(), "wall.thick_mm", part);
        measured.map(m -> m.summary().sides().get(m.up())).ifPresent(pockets -> {
            part.put("traps.high", further(pockets.high()));
            part.put("traps.low", further(pockets.low()));
        });
        return part;
    }

    /** Those beside the very top or bottom, which a tree judges by how the piece hangs. */
    private static String further(List<Pockets.Pocket> points) {
        return Long.toString(points.stream().filter(p -> !p.outermost()).count());
    }

    private static void wall(OptionalDouble wall, String field, Map<String, String> part) {
        if (wall.isPresent()) {
            part.put(field, mm(wall.getAsDouble()));
        }
    }

    private static String mm(double value) {
        return Show.exact(value) + " mm";
    }
}
