package kilnryu.core.wax;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;
import org.hipparchus.analysis.solvers.BrentSolver;
import org.hipparchus.special.Erf;

/**
 * A wall of wax that freezes on the face of a mold while it stands full (handbook 27, Schwarz's solution): thick as the root of
 * the time. Mold and wax count as deep, so that a thin rubber on a cold jacket, or one warmed through, is off; measured walls
 * bring the studio's own factor.
 *
 * @param coefficient thickness in the first second, mm; empty where nothing freezes
 * @param layers one for each pour
 * @param wax asked, without what stays in the pot; empty where no area is known
 * @param findings what to mind; a stop where nothing freezes
 */
public record Slush(Optional<Figure> coefficient, List<Layer> layers, Optional<Figure> wax, Findings findings) {
    /** The studio's own walls over the model's. */
    public static final Constant OWN = new Constant(
                    "slush.own",
                    "own",
                    "your walls over the model's",
                    1,
                    0.7,
                    1.4,
                    Measure.TIMES,
                    Mark.M,
                    "handbook 27")
            .asChoice();

    private static final Formula COEFFICIENT = Formula.of("own * 2 * phi * sqrt(k / (rho * c)) * 1000");
    private static final Formula DWELL = Formula.of("(to^2 - from^2) / coefficient^2");
    private static final Formula WAX = Formula.of("area * (to - from) / 10 * rho / 1000");
    private static final double LEAST_PHI = 1e-9;
    private static final double MOST_PHI = 8;
    /** A wall that stays out of reach takes longer than this, s. */
    private static final double LONGEST_S = 3600;

    private static final double SHORTEST_S = 10;
    /** Rubber is taken as cold again when it is within so much of the room, K. */
    private static final double COLD_K = 3;
    /** Both faces of an open mold in still air, W/(m2 K); our own figure. */
    private static final double AIR = 10;

    /**
     * One pour.
     *
     * @param from wall before, mm
     * @param to wall after, mm
     * @param dwell s
     * @param moldC face of the mold as it is poured
     * @param cools s until the mold is near the room again; empty where its thickness is not known
     */
    public record Layer(double from, double to, Figure dwell, double moldC, OptionalDouble cools) {}

    /**
     * @param pourC of the wax; empty for wax that is just liquid
     * @param moldC of the mold before the first pour
     * @param areaCm2 of the piece; empty where not known
     * @param target wall, mm
     * @param pours in how many pours, 1 or more
     * @param start wall that is there already, mm
     * @param rubberMm how thick the mold is, for its warming; empty to leave it out
     * @param waited s between two pours; empty to let the mold come back to the room
     * @param thinnestMm of the piece itself, to see where the wax meets itself; empty where not known
     */
    public record Question(
            Wax wax,
            OptionalDouble pourC,
            Heated mold,
            double moldC,
            OptionalDouble areaCm2,
            double target,
            int pours,
            double start,
            OptionalDouble rubberMm,
            OptionalDouble waited,
            OptionalDouble thinnestMm) {
        public Question {
            if (!(target > start) || start < 0 || pours < 1) {
                throw new IllegalArgumentException("a wall grows from what is there, in one pour or more");
            }
        }
    }

    public static Slush of(Question q, Factors factors) {
        List<Finding> found = new ArrayList<>();
        hot(q, found);
        thick(q, found);
        if (q.moldC >= q.wax.melts()) {
            found.add(Finding.stop(
                    "never-freezes",
                    "mold_C",
                    String.format(
                            Locale.ROOT,
                            "A mold at %.0f °C freezes no wax that melts at %.0f °C.",
                            q.moldC,
                            q.wax.melts()),
                    "It stays liquid against the wall and runs out again.",
                    "Let the mold cool to the room, or chill it."));
            return new Slush(Optional.empty(), List.of(), Optional.empty(), new Findings(found));
        }
        List<Layer> layers = new ArrayList<>();
        double moldC = q.moldC;
        for (int i = 0; i < q.pours; i++) {
            double from = q.start + (q.target - q.start) * i / q.pours;
            double to = q.start + (q.target - q.start) * (i + 1) / q.pours;
            if (moldC >= q.wax.melts() - 1) {
                found.add(warmed(i + 1));
                break;
            }
            Figure dwell = dwell(coefficient(q, moldC, factors), from, to);
            double warmer = moldC + warming(q, to - from, moldC);
            layers.add(new Layer(from, to, dwell, moldC, cools(q, warmer)));
            moldC = after(q, warmer);
        }
        Figure coefficient = coefficient(q, q.moldC, factors);
        paced(layers, found);
        return new Slush(
                Optional.of(coefficient),
                List.copyOf(layers),
                q.areaCm2.isPresent() ? Optional.of(asked(q)) : Optional.empty(),
                new Findings(found));
    }

    /**
     * The wall by the model alone, without what the studio has learned of it, mm.
     *
     * @param start wall that was there before, mm
     * @param seconds all pours have stood
     */
    public static double byModel(Figure coefficient, double start, double seconds) {
        double own = coefficient.inputs().stream()
                .filter(f -> f.symbol().equals("own"))
                .mapToDouble(Figure::value)
                .findFirst()
                .orElse(1);
        double model = coefficient.value() / own;
        return Math.sqrt(start * start + model * model * seconds);
    }

    /** Wall after a time in one pour, mm. */
    public double wall(double seconds) {
        return coefficient.map(c -> c.value() * Math.sqrt(seconds)).orElse(0.0);
    }

    /** The factor of {@link #of} for a mold at a temperature, mm for the root of a second. */
    private static Figure coefficient(Question q, double moldC, Factors factors) {
        return Figure.computed("coefficient", "wall in the first second", Measure.MM_PER_ROOT_SECOND)
                .mark(Mark.P, "handbook 27: Schwarz's solution; superheat M")
                .by(
                        COEFFICIENT,
                        factors.of(OWN),
                        phi(q, moldC),
                        given("k", "wax conducts", q.wax.heat().k(), Measure.WATT_PER_M_K),
                        given("rho", "wax, density", q.wax.heat().rho(), Measure.KG_PER_M3),
                        given("c", "wax, heat", q.wax.heat().c(), Measure.JOULE_PER_KG_K));
    }

    /** c (T_m - T_0) / (sqrt(pi) L) = phi exp(phi^2) (erf(phi) + b_wax / b_mold), solved for phi. */
    private static Figure phi(Question q, double moldC) {
        Wax wax = q.wax;
        double gives = wax.givesOff(q.pourC.orElse(wax.melts()));
        double stefan = wax.heat().c() * (wax.melts() - moldC) / (Math.sqrt(Math.PI) * gives);
        double ratio = wax.heat().giving() / q.mold.giving();
        double phi = new BrentSolver(1e-12)
                .solve(200, p -> p * Math.exp(p * p) * (Erf.erf(p) + ratio) - stefan, LEAST_PHI, MOST_PHI);
        return Figure.simulated(
                "phi",
                "root of Schwarz's relation",
                phi,
                Measure.TIMES,
                String.format(
                        Locale.ROOT,
                        "handbook 27: from the wax at %.0f °C, the mold at %.0f °C and %.0f kJ/kg to be carried off",
                        q.pourC.orElse(wax.melts()),
                        moldC,
                        gives / 1000));
    }

    private static Figure given(String symbol, String name, double value, Measure unit) {
        return Figure.given(symbol, name, value, unit, Known.DEFAULT, 0);
    }

    private static Figure dwell(Figure coefficient, double from, double to) {
        return Figure.computed("dwell", "time to stand full", Measure.SECONDS)
                .mark(Mark.P, "handbook 27: as the root of the time")
                .by(
                        DWELL,
                        coefficient.as("coefficient"),
                        Figure.given("from", "wall before", from, Measure.MILLIMETRE, Known.CHOSEN, 0),
                        Figure.given("to", "wall after", to, Measure.MILLIMETRE, Known.CHOSEN, 0));
    }

    private static Figure asked(Question q) {
        return Figure.computed("wax", "wax on the wall", Measure.GRAM)
                .mark(Mark.P, "handbook 27: area by wall by density; what stays in the pot comes on top")
                .by(
                        WAX,
                        Figure.given(
                                "area", "area", q.areaCm2.getAsDouble(), Measure.SQUARE_CENTIMETRE, Known.COMPUTED, 0),
                        Figure.given("from", "wall before", q.start, Measure.MILLIMETRE, Known.CHOSEN, 0),
                        Figure.given("to", "wall after", q.target, Measure.MILLIMETRE, Known.CHOSEN, 0),
                        given("rho", "wax, density", q.wax.heat().rho(), Measure.KG_PER_M3));
    }

    /** By how much a layer warms a mold of known thickness through, K [M]. */
    private static double warming(Question q, double mm, double moldC) {
        if (q.rubberMm.isEmpty()) {
            return 0;
        }
        double gives = q.wax.givesOff(q.pourC.orElse(q.wax.melts()));
        double heat = q.wax.heat().rho() * mm / 1000 * gives;
        double takes = q.mold.rho() * q.mold.c() * q.rubberMm.getAsDouble() / 1000;
        return Math.min(heat / takes, q.wax.melts() - moldC);
    }

    /** Seconds in which the rubber loses a share of e of what it is over the room, by its open face [M]. */
    private static double slow(Question q) {
        return q.mold.rho() * q.mold.c() * q.rubberMm.getAsDouble() / 1000 / AIR;
    }

    private static OptionalDouble cools(Question q, double warmer) {
        if (q.rubberMm.isEmpty()) {
            return OptionalDouble.empty();
        }
        double over = warmer - q.moldC;
        return OptionalDouble.of(over <= COLD_K ? 0 : slow(q) * Math.log(over / COLD_K));
    }

    /** As warm as it is when the next layer is poured. */
    private static double after(Question q, double warmer) {
        return q.rubberMm.isEmpty() || q.waited.isEmpty()
                ? q.moldC
                : q.moldC + (warmer - q.moldC) * Math.exp(-q.waited.getAsDouble() / slow(q));
    }

    private static void hot(Question q, List<Finding> found) {
        double pour = q.pourC.orElse(q.wax.melts());
        if (pour > Wax.SMOKES) {
            found.add(Finding.safetyStop(
                    "wax-smokes",
                    "pour_C",
                    String.format(Locale.ROOT, "Wax at %.0f °C smokes.", pour),
                    "Its fume takes fire from any flame or element, and burns skin deep.",
                    "Let it cool under 100 °C, lid at hand, nobody leaves the pot."));
        }
    }

    private static void thick(Question q, List<Finding> found) {
        if (q.thinnestMm.isEmpty()) {
            found.add(Finding.note(
                    "fills-unknown",
                    "thinnest_mm",
                    "Whether the wax meets itself was not judged: the thinnest place of the piece is not known.",
                    "A place thinner than two walls comes out solid.",
                    "Measure its thinnest limb; under two walls feed it as a solid one."));
        }
        if (q.thinnestMm.isPresent() && q.target > q.thinnestMm.getAsDouble() / 2) {
            found.add(Finding.warn(
                    "fills-up",
                    "target_mm",
                    String.format(
                            Locale.ROOT,
                            "A wall of %.1f mm fills places of %.1f mm.",
                            q.target,
                            q.thinnestMm.getAsDouble()),
                    "Wax meets itself there: the place is solid, and heavy in metal.",
                    "A thinner wall, or let it be solid and feed it."));
        }
    }

    private static Finding warmed(int layer) {
        return Finding.stop(
                "mold-warmed",
                "waited",
                "For layer " + layer + " the mold is as warm as the wax melts.",
                "Nothing freezes on it, and the layers before come off.",
                "Wait longer between the pours, or open the mold and fan it.");
    }

    private static void paced(List<Layer> layers, List<Finding> found) {
        for (int i = 0; i < layers.size(); i++) {
            double dwell = layers.get(i).dwell.value();
            if (dwell < SHORTEST_S) {
                found.add(Finding.note(
                        "too-quick",
                        "layer-" + (i + 1),
                        String.format(Locale.ROOT, "Layer %d is there in %.0f s.", i + 1, dwell),
                        "By hand it cannot be poured and emptied so evenly.",
                        "Fewer, thicker layers, or a warmer mold."));
            }
            if (dwell > LONGEST_S) {
                found.add(Finding.warn(
                        "too-slow",
                        "layer-" + (i + 1),
                        String.format(Locale.ROOT, "Layer %d takes %.0f min.", i + 1, dwell / 60),
                        "The wax in the middle is cold before it is as thick.",
                        "More layers, each on a mold that is cold again."));
            }
        }
    }
}
