package kilnryu.app.foresight;

import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicReference;
import kilnryu.app.account.Account;
import kilnryu.app.piece.PieceParts;
import kilnryu.app.plan.Plan;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Stage;
import kilnryu.app.simulation.Question;
import kilnryu.app.simulation.Simulations;
import kilnryu.app.tree.GatingFields;
import kilnryu.core.foresight.CastCells;
import kilnryu.core.foresight.Foresight;
import kilnryu.core.gating.Form;
import kilnryu.core.gating.GatingPlan;
import kilnryu.core.gating.GatingPlanner;
import kilnryu.core.gating.GatingQuestion;
import kilnryu.core.gating.InMold;
import kilnryu.core.gating.Member;
import kilnryu.core.gating.Use;
import kilnryu.core.kiln.Watch;
import kilnryu.core.mesh.Mesh;
import kilnryu.core.mesh.Vec;
import kilnryu.core.sum.Factors;
import org.springframework.stereotype.Component;

/** Asks for looks ahead: of a tree as it is typed, with the meshes of its pieces, in the turn of the studio. */
@Component
public class Foresights {
    /** While something is dragged. */
    public static final int COARSE = 20_000;

    private static final double BAND_COARSE = 15;
    private static final double BAND_MM = 25;
    private static final int WEIGHS = 4_000;

    private final Simulations simulations;
    private final PieceParts pieces;

    Foresights(Simulations simulations, PieceParts pieces) {
        this.simulations = simulations;
        this.pieces = pieces;
    }

    /** What is missing before a tree can be filled and frozen; empty where nothing is. */
    static Optional<String> missing(Plan plan) {
        if (plan.tree().isEmpty()) {
            return Optional.of("name an alloy and the parts");
        }
        if (plan.gating().isEmpty()) {
            return Optional.of("lay the tree out on the Gating page");
        }
        GatingQuestion q = plan.gating().get().plan().question();
        if (!q.alloy().isTabled()) {
            return Optional.of("the melting of " + q.alloy().label() + " is not tabled");
        }
        if (q.metal().isEmpty() || q.mold().isEmpty()) {
            return Optional.of("say how hot metal and mold are at the pour, on the Firing page");
        }
        if (q.assembly().of(Use.CUP).isEmpty()) {
            return Optional.of("place a cup that the rest hangs on");
        }
        if (q.assembly().of(Use.PIECE).isEmpty()) {
            return Optional.of("give the tree a piece");
        }
        return q.mold().get().value() >= q.alloy().melting().solidus()
                ? Optional.of("the mold is hotter than the metal freezes")
                : Optional.empty();
    }

    /** The pieces that parts come from, by the part's key. */
    private static Map<String, Long> linked(Map<String, String> tree) {
        Map<String, Long> linked = new TreeMap<>();
        tree.forEach((path, text) -> {
            if (path.startsWith("parts[") && path.endsWith("].piece") && text.matches("\\d{1,18}")) {
                linked.put(path.substring("parts[".length(), path.length() - "].piece".length()), Long.parseLong(text));
            }
        });
        return linked;
    }

    String state(Account account, Plans.Saved saved) {
        return state(account, saved.sheets().get(Stage.TREE).fields(), saved.plan());
    }

    /**
     * All that a look ahead depends on: the tree's fields, meshes, constants, metal and mold at the pour, what it is cast in. A
     * note why it was changed is no change, the hour of the pour neither.
     */
    String state(Account account, Map<String, String> tree, Plan plan) {
        Map<String, String> fields = new TreeMap<>(tree);
        fields.remove("change_note");
        fields.values().removeIf(String::isBlank);
        StringBuilder state = new StringBuilder(fields.toString());
        linked(tree)
                .forEach((key, piece) ->
                        state.append(pieces.meshOf(account, piece)).append(' '));
        plan.gating().map(g -> g.plan().question()).ifPresent(q -> {
            q.metal().ifPresent(m -> state.append(m.value()).append(' '));
            q.mold().ifPresent(m -> state.append(m.value()).append(' '));
            state.append(q.in());
        });
        return number(
                state.append(new TreeMap<>(plan.reading().factors().replaced())).toString());
    }

    private static String number(String of) {
        return UUID.nameUUIDFromBytes(of.getBytes(StandardCharsets.UTF_8)).toString();
    }

    /**
     * Reckons it now unless it is known; waits for it.
     *
     * @param typed what the plan was read from
     * @param cells about so many
     */
    Outlook of(Account account, Plan plan, Map<Stage, Map<String, String>> typed, int cells) {
        Map<String, Long> linked = linked(typed.getOrDefault(Stage.TREE, Map.of()));
        StringBuilder key = new StringBuilder();
        typed.forEach((stage, fields) -> key.append(stage).append(new TreeMap<>(fields)));
        linked.values()
                .forEach(piece -> key.append(pieces.meshOf(account, piece)).append(' '));
        key.append(new TreeMap<>(plan.reading().factors().replaced())).append(cells);
        GatingPlan gating = plan.gating().orElseThrow().plan();
        boolean sleeved =
                plan.fields().get(Stage.TREE).choice(GatingFields.SLEEVED).orElse(false);
        Ask bare = new Ask(
                number(key.toString()), cells, plan.name(), gating, sleeved, new AtomicReference<>(Shapes.NONE));
        return simulations
                .known(bare)
                .orElseGet(() -> simulations.of(account.studioId(), bare.with(shapes(account, linked))));
    }

    /** Meshes of pieces and which way is up in them, by the part's key; let go once they are cells. */
    private record Shapes(Map<String, Mesh> meshes, Map<String, Vec> ups) {
        static final Shapes NONE = new Shapes(Map.of(), Map.of());
    }

    private Shapes shapes(Account account, Map<String, Long> linked) {
        Map<String, Mesh> meshes = new HashMap<>();
        Map<String, Vec> ups = new HashMap<>();
        Map<Long, Optional<PieceParts.Shape>> shapes = new HashMap<>();
        linked.forEach((key, piece) -> shapes.computeIfAbsent(piece, p -> pieces.shape(account, p))
                .ifPresent(shape -> {
                    meshes.put(key, shape.mesh());
                    ups.put(key, shape.up());
                }));
        return new Shapes(meshes, ups);
    }

    static Foresight.Question question(
            GatingPlan gating, boolean sleeved, Map<String, Mesh> meshes, Map<String, Vec> ups, int cells) {
        GatingQuestion q = gating.question();
        InMold in = q.in();
        Factors factors = q.factors();
        double mold = q.mold().orElseThrow().value();
        double band = in.shell().orElse(cells <= COARSE ? BAND_COARSE : BAND_MM);
        CastCells cast =
                CastCells.of(gating, meshes, ups, new CastCells.Size(cells, band), kilnryu.core.mesh.Watch.NONE);
        return Foresight.Question.of(
                cast,
                new Foresight.Casting(q.alloy(), q.metal().orElseThrow().value(), mold, in, band, factors),
                GatingPlanner.inflow(gating),
                q.vacuum().map(v -> GatingPlanner.felt(v.value(), factors)).orElse(over -> 0),
                sleeved,
                thinnest(gating));
    }

    /** The thinnest wall of any piece, mm; NaN where one's is not known. */
    private static double thinnest(GatingPlan gating) {
        double thinnest = Double.POSITIVE_INFINITY;
        List<Member> all = gating.assembly().of(Use.PIECE);
        for (Member m : all) {
            boolean known = m.form() instanceof Form.Body b && b.walls().isPresent();
            thinnest = known
                    ? Math.min(
                            thinnest,
                            ((Form.Body) m.form()).walls().orElseThrow().thinnest())
                    : Double.NaN;
            if (!known) {
                return Double.NaN;
            }
        }
        return all.isEmpty() ? Double.NaN : thinnest;
    }

    /** One look ahead, known by all that it depends on. */
    private static final class Ask implements Question<Outlook> {
        private final String key;
        private final int cells;
        private final String name;
        private final GatingPlan gating;
        private final boolean sleeved;
        private final AtomicReference<Shapes> shapes;

        Ask(String key, int cells, String name, GatingPlan gating, boolean sleeved, AtomicReference<Shapes> shapes) {
            this.key = key;
            this.cells = cells;
            this.name = name;
            this.gating = gating;
            this.sleeved = sleeved;
            this.shapes = shapes;
        }

        Ask with(Shapes read) {
            return new Ask(key, cells, name, gating, sleeved, new AtomicReference<>(read));
        }

        @Override
        public Outlook answer(Watch watch) {
            return CellRoom.alone(cells, watch, () -> looked(watch));
        }

        private Outlook looked(Watch watch) {
            Shapes of = shapes.getAndSet(Shapes.NONE);
            Foresight.Question question = question(gating, sleeved, of.meshes, of.ups, cells);
            Foresight f = Foresight.of(question, share -> {
                watch.at(3600 * share);
                return true;
            });
            return new Outlook(Told.of(f, question), FrozenCells.of(f));
        }

        @Override
        public int weight() {
            return Math.max(1, cells / WEIGHS);
        }

        @Override
        public String far(double share) {
            return Math.round(100 * share) + " % of it filled and frozen";
        }

        @Override
        public String words() {
            return name + " in " + String.format(java.util.Locale.ROOT, "%,d", cells) + " cells";
        }

        @Override
        public boolean equals(Object other) {
            return other instanceof Ask a && a.key.equals(key);
        }

        @Override
        public int hashCode() {
            return key.hashCode();
        }
    }

    /** A tree's fields with a change in them; the same where it has nothing to change. */
    static Map<Stage, Map<String, String>> changed(
            Map<Stage, Map<String, String>> typed, Plan plan, kilnryu.core.foresight.Change change) {
        Map<Stage, Map<String, String>> all = new LinkedHashMap<>(typed);
        Map<String, String> tree = new LinkedHashMap<>(typed.getOrDefault(Stage.TREE, Map.of()));
        Map<String, String> firing = new LinkedHashMap<>(typed.getOrDefault(Stage.FIRING, Map.of()));
        new Taking(plan, tree, firing).take(change);
        all.put(Stage.TREE, tree);
        all.put(Stage.FIRING, firing);
        return all;
    }
}
