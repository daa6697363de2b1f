package kilnryu.core.foresight;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.CancellationException;
import java.util.function.DoubleUnaryOperator;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.gating.GatingPlanner;
import kilnryu.core.gating.InMold;
import kilnryu.core.gating.SectionFreezing;
import kilnryu.core.gating.Use;
import kilnryu.core.material.Alloy;
import kilnryu.core.mesh.Vec;
import kilnryu.core.quantity.Measure;
import kilnryu.core.solid.Freezable;
import kilnryu.core.solid.Freezing;
import kilnryu.core.solid.Freezing.Frozen;
import kilnryu.core.solid.Inert;
import kilnryu.core.solid.Inflow;
import kilnryu.core.solid.Pools;
import kilnryu.core.solid.Surroundings;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Mark;

/**
 * A tree filled and frozen before it is poured (handbook 23).
 *
 * @param thinnest the thinnest wall that matters, mm; NaN where none is known
 * @param troubles the gravest first
 * @param figures times and volumes, in the order they are shown
 */
public record Foresight(
        CastCells cells,
        Inflow.Filled filled,
        Frozen frozen,
        Pools.Found pools,
        double thinnest,
        List<Trouble> troubles,
        List<Figure> figures,
        Findings findings) {
    /** What no sum here knows (handbook 23). */
    public static final String NOT_KNOWN =
            "Not known here: jets and splashing, dissolved gas, movement of the mold, surface tension under 1 mm. Cup and open feeders are taken as covered: they lose no heat upward.";

    private static final double KILO = 1000;

    static final Constant LEAK = new Constant(
            "foresight.leak",
            "leak",
            "air through a wall of mold, mm in a second for each kPa",
            0.003,
            0.001,
            0.3,
            Measure.MILLIMETRE,
            Mark.M,
            "our own estimate, low on purpose: air grows as it is heated, and the mold gives off gas of its own (handbook 23)");
    static final Constant LACKS = new Constant(
                    "foresight.lacks",
                    "lacks",
                    "hollow in a casting that is warned of",
                    0.5,
                    0.2,
                    2,
                    Measure.PERCENT,
                    Mark.M,
                    "handbook 23")
            .asChoice();
    static final Constant HOLLOW = new Constant(
                    "foresight.hollow",
                    "hollow",
                    "hollow in a casting that stops it",
                    3,
                    1,
                    6,
                    Measure.PERCENT,
                    Mark.M,
                    "handbook 23")
            .asChoice();

    /**
     * @param pourC of the metal as it is poured
     * @param moldC of the mold then
     * @param outside what is outside the mold that is followed
     * @param inflow cm3/s by how far the metal stands under the rim, mm
     * @param drawn Pa under the air's pressure behind the wall, by the height over the lowest metal, mm
     * @param shrinks share of its volume that the metal loses as it freezes
     * @param sleeved whether feeders stand in insulating sleeves
     * @param thinnest wall that matters, mm; NaN where none is known
     */
    public record Question(
            CastCells cells,
            Freezable metal,
            double pourC,
            Inert mold,
            double moldC,
            double border,
            Surroundings outside,
            DoubleUnaryOperator inflow,
            double leak,
            DoubleUnaryOperator drawn,
            double shrinks,
            boolean sleeved,
            double thinnest,
            double warnPercent,
            double stopPercent) {

        /** With all that follows from what is cast of what in what, and from the constants in force. */
        public static Question of(
                CastCells cells,
                Casting casting,
                DoubleUnaryOperator inflow,
                DoubleUnaryOperator drawn,
                boolean sleeved,
                double thinnest) {
            Factors factors = casting.factors;
            return new Question(
                    cells,
                    GatingPlanner.metal(casting.alloy, factors),
                    casting.pourC,
                    casting.in.fired(factors),
                    casting.moldC,
                    SectionFreezing.border(factors),
                    casting.in.outside(casting.moldC, casting.band),
                    inflow,
                    factors.value(LEAK),
                    drawn,
                    GatingPlanner.shrinks(casting.alloy, factors),
                    sleeved,
                    thinnest,
                    factors.value(LACKS),
                    factors.value(HOLLOW));
        }
    }

    /** What is cast in what. @param band of mold that is followed, mm */
    public record Casting(Alloy alloy, double pourC, double moldC, InMold in, double band, Factors factors) {}

    /** Told how far it is, a share; asked whether to go on. */
    @FunctionalInterface
    public interface Goes {
        boolean on(double share);
    }

    /** It was told to stop. */
    public static final class Stopped extends CancellationException {
        private static final long serialVersionUID = 1L;

        Stopped() {
            super("stopped");
        }
    }

    public static List<Constant> constants() {
        return List.of(LEAK, LACKS, HOLLOW);
    }

    /** @throws Stopped when told to */
    public static Foresight of(Question q, Goes goes) {
        CastCells c = q.cells;
        double depth = lowest(c);
        Inflow.Filled filled = Inflow.of(
                new Inflow.Question(
                        c.grid(),
                        c.kind(),
                        c.entry(),
                        c.open(),
                        q.metal,
                        q.pourC,
                        q.mold,
                        q.moldC,
                        q.border,
                        c.areaShare(),
                        height -> q.inflow.applyAsDouble(Math.max(0, c.grid().nz() * c.edge() - KILO * height))
                                / 1e6
                                / c.volumeShare(),
                        q.leak / KILO / KILO,
                        height -> q.drawn.applyAsDouble(KILO * height - depth)),
                share -> goes.on(0.15 * share));
        if (filled.stopped()) {
            throw new Stopped();
        }
        byte[] kind = c.kind().clone();
        boolean[] air = new boolean[kind.length];
        for (int i = 0; i < kind.length; i++) {
            // what no metal reaches is no metal; the mold's heat is taken in its place
            kind[i] = kind[i] == Freezing.BODY && Float.isInfinite(filled.arrives()[i]) ? Freezing.MOLD : kind[i];
            air[i] = c.open()[i] && kind[i] == Freezing.BODY;
        }
        Frozen frozen = Freezing.of(
                new Freezing.Question(
                        c.grid(),
                        kind,
                        q.metal,
                        cell -> filled.celsius()[cell],
                        q.mold,
                        q.moldC,
                        q.border,
                        c.areaShare(),
                        1 / 1.5,
                        c.volumeShare(),
                        q.sleeved ? feeders(c) : new boolean[0],
                        q.outside),
                share -> goes.on(0.15 + 0.8 * share));
        if (frozen.stopped()) {
            throw new Stopped();
        }
        Pools.Found pools = Pools.of(c.grid(), kind, frozen, air, q.shrinks);
        goes.on(1);
        return told(q, filled, frozen, pools);
    }

    private static boolean[] feeders(CastCells c) {
        boolean[] feeders = new boolean[c.kind().length];
        for (int i = 0; i < feeders.length; i++) {
            feeders[i] = c.part()[i] >= 0 && c.of(i).use() == Use.FEEDER;
        }
        return feeders;
    }

    private static double lowest(CastCells c) {
        for (int i = 0; i < c.kind().length; i++) {
            if (c.kind()[i] == Freezing.BODY) {
                return c.grid().place(2, i) * c.edge();
            }
        }
        return 0;
    }

    private static Foresight told(Question q, Inflow.Filled filled, Frozen frozen, Pools.Found pools) {
        List<Trouble> troubles = new Troubles(q, filled, frozen, pools).all();
        List<Figure> figures = new ArrayList<>();
        String how = String.format(
                Locale.ROOT,
                "handbook 23: %,d cells of %.2f mm, metal at %.0f °C into a mold at %.0f °C",
                q.cells.grid().cells(),
                q.cells.edge(),
                q.pourC,
                q.moldC);
        figures.add(Figure.simulated("fill", "full after", filled.seconds(), Measure.SECONDS, how));
        if (Double.isFinite(frozen.seconds())) {
            figures.add(Figure.simulated("freeze", "last solid after", frozen.seconds() / 60, Measure.MINUTE, how));
        }
        double lacks = troubles.stream().mapToDouble(Trouble::volume).sum();
        figures.add(Figure.simulated("lacks", "lacks in castings", lacks, Measure.CUBIC_CENTIMETRE, how));
        return new Foresight(
                q.cells,
                filled,
                frozen,
                pools,
                q.thinnest,
                troubles,
                figures,
                new Findings(findings(q, frozen, troubles)));
    }

    private static List<Finding> findings(Question q, Frozen frozen, List<Trouble> troubles) {
        List<Finding> found = new ArrayList<>();
        for (Trouble t : troubles) {
            String remedy = t.helps().isEmpty()
                    ? "Try another place for gate or feeder."
                    : "Try: " + t.helps().get(0).words() + ".";
            String id = "foresight." + t.kind().name().toLowerCase(Locale.ROOT) + "." + t.key() + "." + t.number();
            String place = "member." + t.key();
            found.add(
                    switch (t.severity()) {
                        case STOP -> Finding.stop(id, place, t.title() + ".", t.says(), remedy);
                        case WARN -> Finding.warn(id, place, t.title() + ".", t.says(), remedy);
                        default -> Finding.note(id, place, t.title() + ".", t.says(), remedy);
                    });
        }
        found.addAll(new Doubts(q, frozen).all());
        return found;
    }

    /** Whether nothing that matters was left out. */
    public boolean judged() {
        return findings.all().stream().noneMatch(f -> Doubts.open(f.id()));
    }

    /** Where the last of it is solid, mm; empty where it never is. */
    public java.util.Optional<Vec> lastPlace() {
        return frozen.last() < 0 ? java.util.Optional.empty() : java.util.Optional.of(cells.middle(frozen.last()));
    }
}
