package kilnryu.app.piece;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.atomic.AtomicReference;
import kilnryu.app.account.Account;
import kilnryu.app.simulation.Question;
import kilnryu.app.simulation.Simulations;
import kilnryu.app.web.Svg;
import kilnryu.core.mesh.Mesh;
import kilnryu.core.mesh.Necks;
import kilnryu.core.mesh.Silhouette;
import kilnryu.core.mesh.Undercuts;
import kilnryu.core.mesh.Undercuts.Undercut;
import kilnryu.core.mesh.Vec;
import kilnryu.core.mesh.Watch;
import kilnryu.core.quantity.Solids;
import org.springframework.stereotype.Component;

/** How a piece comes out of a mold of two parts that open along a direction, by its mesh. */
@Component
public class PieceOpenings {
    private static final double WIDE = 320;
    private static final double HIGH = 300;
    private static final double EDGE = 16;

    private final PieceParts parts;
    private final MeshStore meshes;
    private final Simulations simulations;

    PieceOpenings(PieceParts parts, MeshStore meshes, Simulations simulations) {
        this.simulations = simulations;
        this.parts = parts;
        this.meshes = meshes;
    }

    /** Ways a mold of two parts is opened. */
    public enum Way {
        FRONT("front", "front and back", new Vec(0, 1, 0)),
        SIDE("side", "left and right", new Vec(1, 0, 0)),
        TOP("top", "top and bottom", new Vec(0, 0, 1));

        private final String key;
        private final String label;
        private final Vec along;

        Way(String key, String label, Vec along) {
            this.key = key;
            this.label = label;
            this.along = along;
        }

        public static Optional<Way> named(String key) {
            return Arrays.stream(values()).filter(w -> w.key.equals(key)).findFirst();
        }

        public String key() {
            return key;
        }

        public String label() {
            return label;
        }
    }

    /** @param cubicCm of the opening that rubber would fill; @param parts which ways parts of their own go out, in words */
    public record Locked(int number, double depthMm, double cubicCm, List<String> parts) {
        public boolean locks() {
            return parts.isEmpty();
        }
    }

    /** The rims of its shadow along an opening, mm, x to the right and y up. */
    public record Outline(List<List<double[]>> rims, double width, double height) {}

    /** A narrow place between two bodies. @param x in the outline, mm; @param y up */
    public record Necked(double x, double y, double wideMm, double deepMm) {}

    /** @param drawing the outline as it is parted, with what is locked */
    public record Seen(Way way, List<Locked> locked, List<Necked> necks, Outline outline, String drawing) {}

    /** As it is chosen; else the way that locks least; empty where no closed mesh is measured. */
    public Optional<Seen> chosen(Account account, long piece, String way) {
        List<Seen> all = of(account, piece);
        return all.stream()
                .filter(s -> s.way.key.equals(way))
                .findFirst()
                .or(() -> all.stream().findFirst());
    }

    /** Each way it may be opened, the one that locks least first; empty where no closed mesh is measured. */
    public List<Seen> of(Account account, long piece) {
        return measured(account, piece)
                .flatMap(m -> scale(account, piece, m).map(mm -> opened(account, m.id(), mm)))
                .orElse(List.of());
    }

    private List<Seen> opened(Account account, long mesh, double mm) {
        return simulations
                .known(new Opened(mesh, mm, null))
                .orElseGet(() ->
                        simulations.of(account.studioId(), new Opened(mesh, mm, new AtomicReference<>(view(mesh)))));
    }

    /**
     * How a mesh opens.
     *
     * @param view its triangles, let go once they have been looked at; null where only a known answer is looked for
     */
    private record Opened(long mesh, double mm, AtomicReference<Mesh> view) implements Question<List<Seen>> {
        @Override
        public List<Seen> answer(kilnryu.core.kiln.Watch watch) {
            return seen(view.getAndSet(null), mm);
        }

        @Override
        public String words() {
            return "how a piece comes out of its mold";
        }

        /** A mesh does not change once it is measured. */
        @Override
        public boolean equals(Object other) {
            return other instanceof Opened o && mesh == o.mesh && mm == o.mm;
        }

        @Override
        public int hashCode() {
            return Long.hashCode(mesh) * 31 + Double.hashCode(mm);
        }
    }

    /** Thinnest wall of the piece by its mesh, mm; empty where it was not measured. */
    public OptionalDouble thinnest(Account account, long piece) {
        return measured(account, piece)
                .filter(m -> m.summary().walls() != null
                        && Double.isFinite(m.summary().walls().thinnest()))
                .flatMap(m ->
                        scale(account, piece, m).map(mm -> m.summary().walls().thinnest() * mm))
                .map(OptionalDouble::of)
                .orElse(OptionalDouble.empty());
    }

    private Optional<MeshStore.Row> measured(Account account, long piece) {
        return meshes.ofPiece(account.studioId(), piece)
                .filter(m -> m.state().equals("measured") && m.summary().closed());
    }

    /** Millimetres of one unit of its mesh, by the area that counts. */
    private Optional<Double> scale(Account account, long piece, MeshStore.Row mesh) {
        return parts.area(account, piece)
                .map(area -> Solids.scale(area * 100, mesh.summary().area()));
    }

    private static List<Seen> seen(Mesh view, double mm) {
        return Arrays.stream(Way.values())
                .map(w -> seen(w, view, Undercuts.ofView(view, w.along, Watch.NONE), mm))
                .sorted(java.util.Comparator.comparingDouble(PieceOpenings::burden))
                .toList();
    }

    /** What is locked counts ten times what a part of its own frees. */
    private static double burden(Seen seen) {
        return seen.locked.stream()
                .mapToDouble(l -> l.cubicCm * (l.locks() ? 10 : 1))
                .sum();
    }

    private Mesh view(long mesh) {
        try (InputStream in = meshes.open(mesh, "view")) {
            return SilhouetteDrawing.mesh(in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Seen seen(Way way, Mesh view, Undercuts undercuts, double mm) {
        List<Undercut> all = undercuts.all();
        List<Locked> locked = new java.util.ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            Undercut u = all.get(i);
            locked.add(new Locked(
                    i + 1,
                    u.depth() * mm,
                    u.volume() * mm * mm * mm / 1000,
                    u.frees().stream().map(PieceOpenings::words).toList()));
        }
        Vec up = way == Way.TOP ? new Vec(0, 1, 0) : new Vec(0, 0, 1);
        Silhouette outline = Silhouette.of(view, up, way.along);
        List<Necked> necks = Necks.ofView(view, way.along).all().stream()
                .map(n -> {
                    double[] at = outline.shown(n.at());
                    return new Necked(at[0] * mm, at[1] * mm, n.wide() * mm, n.deep() * mm);
                })
                .toList();
        return new Seen(way, List.copyOf(locked), necks, inMillimetres(outline, mm), drawing(way, outline, all));
    }

    private static Outline inMillimetres(Silhouette outline, double mm) {
        List<List<double[]>> rims = outline.rims().stream()
                .map(rim -> rim.stream()
                        .map(p -> new double[] {p[0] * mm, p[1] * mm})
                        .toList())
                .toList();
        return new Outline(rims, outline.width() * mm, outline.height() * mm);
    }

    /** A way out in words, by the side that is nearest. */
    private static String words(Vec way) {
        double x = Math.abs(way.x());
        double y = Math.abs(way.y());
        double z = Math.abs(way.z());
        if (z >= x && z >= y) {
            return way.z() > 0 ? "up" : "down";
        }
        return x >= y ? way.x() > 0 ? "to the right" : "to the left" : way.y() > 0 ? "to the back" : "to the front";
    }

    /** The outline as it is seen along the opening: where the two parts meet. */
    private static String drawing(Way way, Silhouette outline, List<Undercut> all) {
        double scale = Math.min((WIDE - 2 * EDGE) / outline.width(), (HIGH - 2 * EDGE) / outline.height());
        double high = outline.height() * scale + 2 * EDGE;
        Svg svg =
                new Svg(WIDE, high, "Where the two parts meet, opened " + way.label + "; numbers are what would lock");
        StringBuilder path = new StringBuilder();
        for (List<double[]> rim : outline.rims()) {
            for (int i = 0; i < rim.size(); i++) {
                path.append(Svg.point(
                                i == 0 ? "M" : "L", EDGE + rim.get(i)[0] * scale, high - EDGE - rim.get(i)[1] * scale))
                        .append(' ');
            }
            path.append("Z ");
        }
        svg.path(
                path.toString(),
                "fill=\"#f2dfb9\" fill-rule=\"evenodd\" stroke=\"" + Svg.VERDIGRIS + "\" stroke-width=\"3\"");
        for (int i = 0; i < all.size(); i++) {
            double[] at = outline.shown(all.get(i).at());
            double x = EDGE + at[0] * scale;
            double y = high - EDGE - at[1] * scale;
            String colour = all.get(i).locks() ? Svg.OXIDE : Svg.OCHRE;
            svg.ellipse(x, y, 10, 10, "fill=\"" + Svg.PAPER + "\" stroke=\"" + colour + "\" stroke-width=\"2\"");
            svg.text(
                    x,
                    y + 4.5,
                    Integer.toString(i + 1),
                    "font-size=\"13\" text-anchor=\"middle\" fill=\"" + colour + "\"");
        }
        return svg.done();
    }
}
