package kilnryu.core.breakout;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.Quench;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * Whether and when a mold may go into water, and how much water that takes; else when it is shaken out (handbook 18).
 *
 * @param window seconds since it was full in which the face of its button is as the alloy asks; empty where it is not quenched
 * @param water that the bucket has to hold, g
 * @param rise of that water, or of the bucket's where it is known, K
 * @param shakeOut seconds since it was full from which it may be shaken out in the air; empty where not within a day
 * @param findings why not, what to mind
 */
public record Quenching(
        Optional<Window> window, Figure water, Figure rise, OptionalDouble shakeOut, Findings findings) {
    /** Metal over this is not quenched, g. */
    private static final double MOST_G = 3000;

    private static final double MOST_SECTIONS = 4;
    private static final double MOST_WATER_C = 80;
    private static final double WATER_TIMES = 3;
    private static final double SHAKE_SHARE = 0.6;
    private static final double KELVIN = 273.15;
    private static final double SMALL_ALUMINIUM_S = 2 * 3600.0;
    private static final double OVERNIGHT_G = 10_000;
    private static final double OVERNIGHT_S = 12 * 3600.0;
    private static final Formula WATER = Formula.of("3 * (m_mold + m_metal)");
    /** Water that stands over the flask, mm; our own figure. */
    private static final double OVER_MM = 30;

    private static final Formula COVER =
            Formula.of("(pi / 4 * wide^2 * (high + over) - pi / 4 * across^2 * high) / 1000");
    private static final Formula RISE = Formula.rule(
            "(m_metal * cp_metal * (T_metal - T_water) + m_mold * cp_mold * (T_mold - T_water)) / (m_water * 4186)");

    /** Seconds since the mold was full. */
    public record Window(double from, double to) {}

    /** How the mold is made. */
    public enum Kind {
        FLASK,
        BLOCK,
        SHELL
    }

    /**
     * @param cores whether a core is in it; empty where nobody said
     * @param moldG the mold without its metal, g; 0 where not known
     * @param sections thickest over thinnest place; empty where not known
     * @param flask its outside, where it is a round one that is planned
     * @param bucket that stands ready
     */
    public record Question(
            MetalCooling cooling,
            Kind kind,
            Optional<Boolean> cores,
            double moldG,
            OptionalDouble sections,
            Optional<Upright> flask,
            Bucket bucket) {}

    /** A flask as it stands, mm. */
    public record Upright(double across, double high) {
        double face() {
            return Math.PI / 4 * across * across;
        }
    }

    /**
     * A bucket of water.
     *
     * @param grams in it; empty where not said
     * @param across inside, mm; empty where not said
     * @param celsius of its water
     */
    public record Bucket(OptionalDouble grams, OptionalDouble across, double celsius) {
        /** Of which only the water's temperature is known. */
        public static Bucket of(double celsius) {
            return new Bucket(OptionalDouble.empty(), OptionalDouble.empty(), celsius);
        }
    }

    public static Quenching of(Question q) {
        FullMold full = q.cooling.mold();
        List<Finding> found = new ArrayList<>();
        Figure metal = Figure.given("m_metal", "metal in it", full.grams(), Measure.GRAM, Known.COMPUTED, 0);
        Figure mold = Figure.given("m_mold", "mold without its metal", q.moldG, Measure.GRAM, Known.COMPUTED, 0);
        Figure water = Figure.computed("m_water", "water in the bucket, at least", Measure.GRAM)
                .mark(Mark.T, "handbook 18: three times flask and metal")
                .by(WATER, metal, mold);
        Optional<Window> window = refusals(q, found) ? Optional.empty() : window(q, found);
        double at = window.map(Window::from).orElse(0.0);
        Figure rise = rise(q, metal, mold, water, q.cooling.at(at));
        if (window.isPresent()) {
            bucket(q, water, rise, found);
            covered(q, found);
        }
        return new Quenching(window, water, rise, shakeOut(q), new Findings(found));
    }

    /** Whether it must not go into water at all. */
    private static boolean refusals(Question q, List<Finding> found) {
        int before = found.size();
        Alloy alloy = q.cooling.mold().alloy();
        if (alloy.quench() == Quench.NEVER) {
            found.add(no("alloy", alloy.label() + " is never quenched.", "It warps and cracks."));
        }
        if (alloy.quench() == Quench.UNTABLED) {
            found.add(no(
                    "untabled",
                    "No quench window is tabled for " + alloy.label() + ".",
                    "Its supplier's sheet says whether it is quenched, and from what heat."));
        }
        if (q.kind == Kind.SHELL) {
            found.add(no("shell", "A shell is not quenched.", "Water in its pores bursts it; it is knocked off cold."));
        }
        if (q.kind == Kind.BLOCK) {
            found.add(no(
                    "block",
                    "A block is not quenched.",
                    "It holds more heat than a bucket takes, and its cores crack the metal."));
        }
        if (q.kind == Kind.FLASK && q.cores.orElse(false)) {
            found.add(no(
                    "core", "There is a core in it.", "Metal that shrinks onto a core while it is quenched cracks."));
        }
        if (q.cooling.mold().grams() > MOST_G) {
            found.add(no("heavy", "There are over 3 kg of metal in it.", "So much heat makes a burst of steam."));
        }
        if (q.sections.orElse(0) > MOST_SECTIONS) {
            found.add(no(
                    "sections",
                    String.format(
                            Locale.ROOT, "Its thickest place is %.1f times its thinnest.", q.sections.getAsDouble()),
                    "The thin place is cold before the thick one, and tears from it."));
        }
        if (q.bucket.grams().isPresent() && q.bucket.grams().getAsDouble() < q.moldG) {
            found.add(
                    no("bucket", "The mold weighs more than the bucket's water.", "It would boil dry over the hands."));
        }
        return found.size() > before;
    }

    private static Finding no(String id, String message, String reason) {
        return Finding.warn("no-quench-" + id, "quench", message, reason, "Let it cool in the air.");
    }

    private static Optional<Window> window(Question q, List<Finding> found) {
        Quench limits = q.cooling.mold().alloy().quench();
        OptionalDouble from = q.cooling.buttonUnder(limits.high());
        OptionalDouble to = q.cooling.buttonUnder(limits.low());
        OptionalDouble solid = q.cooling.solid();
        if (from.isEmpty() || to.isEmpty() || solid.isEmpty()) {
            return Optional.empty();
        }
        if (solid.getAsDouble() > to.getAsDouble()) {
            found.add(no(
                    "liquid",
                    "Its middle is still liquid when the button is as cold as it is quenched at.",
                    "Water would break a skin over liquid metal."));
            return Optional.empty();
        }
        if (q.sections.isEmpty()) {
            found.add(Finding.note(
                    "quench-sections-unknown",
                    "quench",
                    "How thick and thin it is was not judged: nothing is drawn.",
                    "Over four to one the thin place tears from the thick one.",
                    "Look at the piece; over four to one let it cool in the air."));
        }
        return Optional.of(new Window(Math.max(from.getAsDouble(), solid.getAsDouble()), to.getAsDouble()));
    }

    /** Heat that is in mold and metal, given to the water; the mold's mean is taken between its outside and its metal [M]. */
    private static Figure rise(Question q, Figure metal, Figure mold, Figure water, MetalCooling.Moment at) {
        return Figure.computed("rise", "warming of the bucket", Measure.STEP_KELVIN)
                .mark(Mark.P, "handbook 18: the heat that is in it")
                .by(
                        RISE,
                        metal,
                        mold,
                        Figure.given(
                                "cp_metal",
                                "heat of the metal",
                                q.cooling.mold().alloy().melting().cpSolid(),
                                Measure.JOULE_PER_KG_K,
                                Known.DEFAULT,
                                0),
                        Figure.given("cp_mold", "heat of the mold", 1000, Measure.JOULE_PER_KG_K, Known.DEFAULT, 0),
                        Figure.given("T_metal", "metal then", at.metal(), Measure.DEGREE_CELSIUS, Known.COMPUTED, 0),
                        Figure.given(
                                "T_mold",
                                "mold then, its mean",
                                (at.metal() + at.outside()) / 2,
                                Measure.DEGREE_CELSIUS,
                                Known.COMPUTED,
                                0),
                        Figure.given(
                                "T_water", "water before", q.bucket.celsius(), Measure.DEGREE_CELSIUS, Known.CHOSEN, 0),
                        q.bucket.grams().isPresent()
                                ? Figure.given(
                                        "m_water",
                                        "water in the bucket",
                                        q.bucket.grams().getAsDouble(),
                                        Measure.GRAM,
                                        Known.MEASURED,
                                        0)
                                : water);
    }

    private static void bucket(Question q, Figure water, Figure rise, List<Finding> found) {
        if (q.bucket.grams().isPresent() && q.bucket.grams().getAsDouble() < water.value()) {
            found.add(Finding.warn(
                            "bucket-small",
                            "quench",
                            String.format(
                                    Locale.ROOT,
                                    "The bucket holds %.1f kg of water; %.1f kg are asked.",
                                    q.bucket.grams().getAsDouble() / 1000,
                                    water.value() / 1000),
                            "Too little water boils and spits.",
                            "A larger bucket of steel, filled so that the flask is covered.")
                    .from(water));
        }
        if (q.bucket.celsius() + rise.value() > MOST_WATER_C) {
            found.add(Finding.stop(
                            "bucket-hot",
                            "quench",
                            String.format(
                                    Locale.ROOT, "The water would reach %.0f °C.", q.bucket.celsius() + rise.value()),
                            "Over 80 °C it boils at the flask and throws hot sludge.",
                            "More water, or wait: later in the window there is less heat in it.")
                    .from(rise));
        }
    }

    /** Whether the water closes over the flask (handbook 18). */
    private static void covered(Question q, List<Finding> found) {
        if (q.flask.isEmpty() || q.bucket.across().isEmpty() || q.bucket.grams().isEmpty()) {
            found.add(Finding.note(
                    "bucket-cover-unknown",
                    "quench",
                    "Whether the water closes over the flask was not judged: "
                            + (q.flask.isEmpty()
                                    ? "no round flask is planned."
                                    : "how wide and full the bucket is was not said."),
                    "A flask that stands out of the water spits at its edge.",
                    "Stand the cold flask in the empty bucket and see how high the water has to stand."));
            return;
        }
        Upright flask = q.flask.get();
        double wide = q.bucket.across().getAsDouble();
        if (wide <= flask.across) {
            found.add(Finding.stop(
                    "bucket-narrow",
                    "quench",
                    String.format(Locale.ROOT, "The flask is %.0f mm wide, the bucket %.0f mm.", flask.across, wide),
                    "It does not go in.",
                    "A wider bucket of steel."));
            return;
        }
        Figure asked = cover(flask, wide);
        if (q.bucket.grams().getAsDouble() < asked.value()) {
            found.add(Finding.warn(
                            "bucket-shallow",
                            "quench",
                            String.format(
                                    Locale.ROOT,
                                    "With the flask of %.0f mm in it the water stands %.0f mm high; %.0f mm are asked.",
                                    flask.high,
                                    level(flask, wide, q.bucket.grams().getAsDouble()),
                                    flask.high + OVER_MM),
                            "A flask that stands out of the water spits at its edge and cools from one end.",
                            String.format(
                                    Locale.ROOT, "Fill it to %.1f l, or lay the flask down.", asked.value() / 1000))
                    .from(asked));
        }
    }

    /** How high water stands with a flask in it, mm: round its side first, then over it. */
    private static double level(Upright flask, double wide, double grams) {
        double bucket = Math.PI / 4 * wide * wide;
        double round = (bucket - flask.face()) * flask.high / 1000;
        return grams <= round ? grams * 1000 / (bucket - flask.face()) : flask.high + (grams - round) * 1000 / bucket;
    }

    private static Figure cover(Upright flask, double wide) {
        return Figure.computed("cover", "water that closes over the flask", Measure.CUBIC_CENTIMETRE)
                .mark(Mark.M, "handbook 18: the flask covered; 30 mm over it are ours")
                .by(
                        COVER,
                        Figure.given("wide", "bucket, inside", wide, Measure.MILLIMETRE, Known.MEASURED, 0),
                        Figure.given("high", "flask, high", flask.high, Measure.MILLIMETRE, Known.MEASURED, 0),
                        Figure.given("over", "water over it", OVER_MM, Measure.MILLIMETRE, Known.CHOSEN, 0),
                        Figure.given("across", "flask, across", flask.across, Measure.MILLIMETRE, Known.MEASURED, 0));
    }

    /** Its hottest place under 0.6 of its solidus in kelvin; aluminium at least 2 h, bronze over 10 kg overnight. */
    private static OptionalDouble shakeOut(Question q) {
        FullMold full = q.cooling.mold();
        double limit = SHAKE_SHARE * (full.alloy().melting().solidus() + KELVIN) - KELVIN;
        OptionalDouble cold = q.cooling.metalUnder(limit);
        if (cold.isEmpty()) {
            return cold;
        }
        double least = full.alloy().family() == Alloy.Family.ALUMINIUM
                ? SMALL_ALUMINIUM_S
                : full.grams() > OVERNIGHT_G ? OVERNIGHT_S : 0;
        return OptionalDouble.of(Math.max(least, cold.getAsDouble()));
    }
}
