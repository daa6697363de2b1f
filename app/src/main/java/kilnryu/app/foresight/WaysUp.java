package kilnryu.app.foresight;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
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
 * A piece by itself, poured from its highest place with each of its six sides up: how much air each way traps, how much
 * stays unfed, how far the metal runs.
 */
@Component
class WaysUp {
    private static final int CELLS = 20_000;
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

    /** The side of the mesh that is up, and its name. */
    private record Side(String words, Vec up) {}

    private static final List<Side> SIDES = List.of(
            new Side("top of the file up", new Vec(0, 0, 1)),
            new Side("bottom up", new Vec(0, 0, -1)),
            new Side("left up", new Vec(-1, 0, 0)),
            new Side("right up", new Vec(1, 0, 0)),
            new Side("front up", new Vec(0, -1, 0)),
            new Side("back up", new Vec(0, 1, 0)));

    /** The first piece with a mesh, each way up, the best first; empty where none has one. */
    List<Way> of(Account account, Plans.Saved saved) {
        if (Foresights.missing(saved.plan()).isPresent()) {
            return List.of();
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
                                    body.length()));
                }
            }
        }
        return List.of();
    }

    /** All six, known by the mesh, its size and what it is cast of. */
    private record Turned(String key, String name, GatingQuestion q, PieceParts.Shape shape, double length)
            implements Question<List<Way>> {
        @Override
        public List<Way> answer(Watch watch) {
            List<Way> ways = new ArrayList<>();
            for (Side side : SIDES) {
                double done = ways.size();
                ways.add(way(side, share -> {
                    watch.at(3600 * (done + share) / SIDES.size());
                    return true;
                }));
            }
            ways.sort(Comparator.comparingDouble((Way w) -> w.trapped + w.unfed).thenComparingDouble(Way::run));
            return List.copyOf(ways);
        }

        private Way way(Side side, Foresight.Goes goes) {
            Mesh up = turned(shape.mesh(), side.up, length);
            double mold = q.mold().orElseThrow().value();
            CastCells cells =
                    CastCells.of(up, List.of(), new CastCells.Size(CELLS, BAND_MM), kilnryu.core.mesh.Watch.NONE);
            Foresight f = Foresight.of(
                    Foresight.Question.of(
                            cells,
                            new Foresight.Casting(
                                    q.alloy(), q.metal().orElseThrow().value(), mold, q.in(), BAND_MM, q.factors()),
                            GatingPlanner.inflow(java.util.OptionalDouble.empty(), q.alloy(), q.factors()),
                            over -> 0,
                            false,
                            Double.NaN),
                    goes);
            double trapped = f.filled().pockets().stream()
                            .mapToDouble(Inflow.Pocket::volume)
                            .sum()
                    * 1e6;
            double unfed =
                    f.pools().pools().stream().mapToDouble(p -> p.shrinks()).sum() * 1e6;
            return new Way(
                    side.words, trapped, unfed, run(f), side.up.dot(shape.up().unit()) > 0.9);
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
            return Math.round(100 * share) + " % of its ways up";
        }

        @Override
        public String words() {
            return name + " turned";
        }

        @Override
        public boolean equals(Object other) {
            return other instanceof Turned t
                    && t.key.equals(key)
                    && t.q.alloy() == q.alloy()
                    && t.q.mold().equals(q.mold())
                    && t.q.metal().equals(q.metal());
        }

        @Override
        public int hashCode() {
            return key.hashCode();
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
