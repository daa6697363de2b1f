package kilnryu.app.foresight;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import kilnryu.app.account.Account;
import kilnryu.app.piece.PieceParts;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Stage;
import kilnryu.app.simulation.Question;
import kilnryu.app.simulation.Simulations;
import kilnryu.core.foresight.CastCells;
import kilnryu.core.foresight.Foresight;
import kilnryu.core.gating.Form;
import kilnryu.core.gating.GatingPlanner;
import kilnryu.core.gating.GatingQuestion;
import kilnryu.core.gating.Member;
import kilnryu.core.gating.Use;
import kilnryu.core.kiln.Watch;
import kilnryu.core.mesh.Mesh;
import kilnryu.core.mesh.Vec;
import kilnryu.core.solid.Inflow;
import org.springframework.stereotype.Component;

/**
 * A piece by itself, poured from its highest place: with each of its six sides up, how much air each way traps, how much
 * stays unfed, how far the metal runs; and as it hangs solid or hollow, whole or in sections.
 */
@Component
class WaysUp {
    private static final int CELLS = 20_000;
    /** Walls are to be several cells thick. */
    private static final int FINE = 150_000;

    private static final int MOST_SECTIONS = 3;
    private static final double HOUR_S = 3600;
    private static final double BAND_MM = 15;

    private final PieceParts pieces;
    private final Simulations simulations;

    WaysUp(PieceParts pieces, Simulations simulations) {
        this.pieces = pieces;
        this.simulations = simulations;
    }

    /** @param present whether it hangs like that now */
    record Way(String words, double trapped, double unfed, double run, boolean present) {
        public String air() {
            return said(trapped);
        }

        public String lacks() {
            return said(unfed);
        }

        public String far() {
            return String.format(Locale.ROOT, "%.0f mm", run);
        }

        private static String said(double cm3) {
            return cm3 < 0.01 ? "none" : String.format(Locale.ROOT, "%.2f cm³", cm3);
        }
    }

    /**
     * How else it could be cast.
     *
     * @param metal cm3, of all its parts
     * @param unfed cm3 that stays hollow inside
     * @param drawn cm3 that is to be fed through the gate
     * @param seconds until the last of it is solid
     */
    record Cast(String words, double metal, double unfed, double drawn, double seconds) {
        public String takes() {
            return String.format(Locale.ROOT, "%.0f cm³", metal);
        }

        public String lacks() {
            return Way.said(unfed);
        }

        public String feeds() {
            return Way.said(drawn);
        }

        public String solid() {
            return Double.isFinite(seconds) ? ForesightPage.minutes(seconds) + " min" : "never";
        }
    }

    /** All that is compared, the best way up first. */
    record Compared(List<Way> ways, List<Cast> casts) {
        static final Compared NONE = new Compared(List.of(), List.of());
    }

    /** The side of the mesh that is up, and its name. */
    private record Side(String words, Vec up) {}

    private static final List<Side> SIDES = List.of(
            new Side("top of the file up", new Vec(0, 0, 1)),
            new Side("bottom up", new Vec(0, 0, -1)),
            new Side("left up", new Vec(-1, 0, 0)),
            new Side("right up", new Vec(1, 0, 0)),
            new Side("front up", new Vec(0, -1, 0)),
            new Side("back up", new Vec(0, 1, 0)));

    /** The first piece with a mesh; nothing where none has one. */
    Compared of(Account account, Plans.Saved saved) {
        if (Foresights.missing(saved.plan()).isPresent()) {
            return Compared.NONE;
        }
        GatingQuestion q = saved.plan().gating().orElseThrow().plan().question();
        Map<String, String> tree = saved.sheets().get(Stage.TREE).fields();
        for (Member m : q.assembly().of(Use.PIECE)) {
            String linked = tree.getOrDefault("parts[" + m.key() + "].piece", "");
            if (linked.matches("\\d{1,18}") && m.form() instanceof Form.Body body) {
                Optional<PieceParts.Shape> shape = pieces.shape(account, Long.parseLong(linked));
                if (shape.isPresent()) {
                    return simulations.of(
                            account.studioId(),
                            new Turned(
                                    shape.get().id() + " " + body.length() + " " + account.studioId(),
                                    m.name(),
                                    q,
                                    shape.get(),
                                    body.length(),
                                    pieces.aim(account, Long.parseLong(linked))));
                }
            }
        }
        return Compared.NONE;
    }

    /** All of it, known by the mesh, its size and what it is cast of. @param wall mm where it is hollow */
    private record Turned(String key, String name, GatingQuestion q, PieceParts.Shape shape, double length, double wall)
            implements Question<Compared> {
        @Override
        public Compared answer(Watch watch) {
            Part part = new Part(watch, SIDES.size() + 1 + MOST_SECTIONS * (MOST_SECTIONS + 1) / 2);
            List<Way> ways = new ArrayList<>();
            for (Side side : SIDES) {
                ways.add(way(side, part.next()));
            }
            ways.sort(Comparator.comparingDouble((Way w) -> w.trapped + w.unfed).thenComparingDouble(Way::run));
            CastCells solid = cells(shape.up(), FINE);
            List<Cast> casts = new ArrayList<>();
            casts.add(cast("solid, whole", List.of(solid.gated()), part));
            casts.add(
                    cast(String.format(Locale.ROOT, "hollow, %.1f mm wall", wall), List.of(solid.hollow(wall)), part));
            for (int n = 2; n <= MOST_SECTIONS; n++) {
                int of = n;
                casts.add(cast(
                        "in " + n + " sections",
                        IntStream.range(0, n)
                                .mapToObj(k -> solid.section(k, of))
                                .toList(),
                        part));
            }
            return new Compared(List.copyOf(ways), List.copyOf(casts));
        }

        private CastCells cells(Vec up, int cells) {
            return CastCells.of(
                    turned(shape.mesh(), up, length),
                    List.of(),
                    new CastCells.Size(cells, BAND_MM),
                    kilnryu.core.mesh.Watch.NONE);
        }

        private Foresight frozen(CastCells cells, Foresight.Goes goes) {
            return Foresight.of(
                    Foresight.Question.of(
                            cells,
                            new Foresight.Casting(
                                    q.alloy(),
                                    q.metal().orElseThrow().value(),
                                    q.mold().orElseThrow().value(),
                                    q.in(),
                                    BAND_MM,
                                    q.factors()),
                            GatingPlanner.inflow(java.util.OptionalDouble.empty(), q.alloy(), q.factors()),
                            over -> 0,
                            false,
                            Double.NaN),
                    goes);
        }

        private Way way(Side side, Foresight.Goes goes) {
            Foresight f = frozen(cells(side.up, CELLS), goes);
            double trapped = f.filled().pockets().stream()
                            .mapToDouble(Inflow.Pocket::volume)
                            .sum()
                    * 1e6;
            double unfed =
                    f.pools().pools().stream().mapToDouble(p -> p.shrinks()).sum() * 1e6;
            return new Way(
                    side.words, trapped, unfed, run(f), side.up.dot(shape.up().unit()) > 0.9);
        }

        private Cast cast(String words, List<CastCells> bodies, Part part) {
            double metal = 0;
            double unfed = 0;
            double drawn = 0;
            double seconds = 0;
            for (CastCells c : bodies) {
                Foresight f = frozen(c, part.next());
                metal += c.cell() * c.counts()[0];
                unfed += c.cell() * count(f.pools().hollow());
                drawn += c.cell() * count(f.pools().sunk());
                seconds = Math.max(seconds, f.frozen().seconds());
            }
            return new Cast(words, metal, unfed, drawn, seconds);
        }

        private static int count(boolean[] of) {
            int count = 0;
            for (boolean is : of) {
                count += is ? 1 : 0;
            }
            return count;
        }

        /** The longest way that metal takes, mm. */
        private static double run(Foresight f) {
            int[] from = f.filled().from();
            int longest = 0;
            for (int i = 0; i < from.length; i++) {
                if (Float.isFinite(f.filled().arrives()[i])) {
                    int steps = 0;
                    for (int at = i; at >= 0 && steps <= 2000; at = from[at]) {
                        steps++;
                    }
                    longest = Math.max(longest, steps);
                }
            }
            return longest * f.cells().edge();
        }

        @Override
        public String far(double share) {
            return Math.round(100 * share) + " % of what is compared";
        }

        @Override
        public String words() {
            return name + " turned";
        }

        @Override
        public boolean equals(Object other) {
            return other instanceof Turned t
                    && t.key.equals(key)
                    && t.wall == wall
                    && t.q.alloy() == q.alloy()
                    && t.q.mold().equals(q.mold())
                    && t.q.metal().equals(q.metal());
        }

        @Override
        public int hashCode() {
            return key.hashCode();
        }
    }

    /** How far all of it is, part by part. */
    private static final class Part {
        private final Watch watch;
        private final int of;
        private int begun;

        Part(Watch watch, int of) {
            this.watch = watch;
            this.of = of;
        }

        Foresight.Goes next() {
            double done = begun++;
            return share -> {
                watch.at(HOUR_S * (done + share) / of);
                return true;
            };
        }
    }

    /** A mesh in mm, its longest side as long as the piece, with a side of it up. */
    static Mesh turned(Mesh mesh, Vec up, double length) {
        Vec span = mesh.box().size();
        double scale = length / Math.max(span.x(), Math.max(span.y(), span.z()));
        Vec across = Math.abs(up.x()) > 0.5 ? new Vec(0, 1, 0) : new Vec(1, 0, 0);
        Vec along = up.cross(across);
        float[] corners = mesh.corners();
        for (int i = 0; i < corners.length; i += 3) {
            Vec v = new Vec(corners[i], corners[i + 1], corners[i + 2]).times(scale);
            corners[i] = (float) v.dot(across);
            corners[i + 1] = (float) v.dot(along);
            corners[i + 2] = (float) v.dot(up);
        }
        return Mesh.of(corners, mesh.triangles());
    }
}
