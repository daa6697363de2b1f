package kilnryu.core.wax;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * Wax in a pot, new and recovered, melted together: what goes in mixes with what is there, what is taken out is of the mixture.
 * Limits are ours [M]: what casters say of old wax is that it darkens, gets brittle, and carries ash.
 *
 * @param grams that are in it
 * @param recovered share of it that was in a mold before, %; empty for an empty pot
 * @param times how often it was used before, on average; empty likewise
 */
public record PotOfWax(Figure grams, Optional<Figure> recovered, Optional<Figure> times, Findings findings) {
    private static final Formula GRAMS = Formula.of("into - taken");
    private static final Formula SHARE = Formula.of("old / (old + new) * 100");
    private static final Formula TIMES = Formula.of("uses / (old + new)");
    private static final Formula NEW_WAX = Formula.of("old * (100 / most - 1)");
    private static final Formula HELD = Formula.of("pi / 4 * wide^2 * level / 1000 * density");
    /** Of liquid wax, g/cm3: solid 0.9, and about 9 % larger as it melts (handbook 6). */
    private static final double LIQUID = 0.9 / 1.09;
    /** Recovered wax over this is kept off faces that are seen, %. */
    public static final double MOST_RECOVERED = 60;

    private static final double MOST_TIMES = 4;
    private static final double OLD_DAYS = 730;
    /** A pot is full to this share of its height: it grows by 9 % as it melts, and must not run over. */
    private static final double FULL = 0.85;

    private static final double WARM = 10;

    /**
     * Wax that goes in, in the order of time.
     *
     * @param grams below 0 for what was taken out
     * @param timesUsed 0 for new wax
     * @param ageDays since it was bought or first melted; of what was taken out without meaning
     */
    public record Move(double grams, double timesUsed, double ageDays) {}

    /**
     * @param moves in the order of time
     * @throws IllegalArgumentException where more is taken than is there
     */
    public static PotOfWax of(List<Move> moves) {
        double fresh = 0;
        double old = 0;
        double uses = 0;
        double days = 0;
        double into = 0;
        double taken = 0;
        for (Move m : moves) {
            double there = fresh + old;
            if (m.grams < 0) {
                if (-m.grams > there + 1e-6) {
                    throw new IllegalArgumentException("no more is taken than is there");
                }
                double left = there <= 0 ? 0 : Math.max(0, 1 + m.grams / there);
                fresh *= left;
                old *= left;
                uses *= left;
                days *= left;
                taken -= m.grams;
            } else {
                into += m.grams;
                uses += m.grams * m.timesUsed;
                days += m.grams * m.ageDays;
                if (m.timesUsed > 0) {
                    old += m.grams;
                } else {
                    fresh += m.grams;
                }
            }
        }
        Figure grams = Figure.computed("grams", "in the pot by its log", Measure.GRAM)
                .mark(Mark.P, "what went in, less what was taken")
                .by(GRAMS, known("into", "went in", into), known("taken", "taken out", taken));
        if (fresh + old < 1e-6) {
            return new PotOfWax(grams, Optional.empty(), Optional.empty(), Findings.NONE);
        }
        Figure share = Figure.computed("share", "recovered wax in it", Measure.PERCENT)
                .mark(Mark.P, "mixed by mass")
                .by(SHARE, known("old", "recovered wax", old), known("new", "new wax", fresh));
        Figure times = Figure.computed("times", "used before, on average", Measure.TIMES)
                .mark(Mark.P, "mixed by mass")
                .by(
                        TIMES,
                        known("uses", "grams by times used", uses),
                        known("old", "recovered wax", old),
                        known("new", "new wax", fresh));
        return new PotOfWax(
                grams, Optional.of(share), Optional.of(times), findings(share, times, days / (fresh + old)));
    }

    private static Figure known(String symbol, String name, double grams) {
        return Figure.given(symbol, name, grams, Measure.GRAM, Known.MEASURED, 0);
    }

    private static Findings findings(Figure share, Figure times, double days) {
        List<Finding> found = new ArrayList<>();
        if (share.value() > MOST_RECOVERED) {
            found.add(Finding.note(
                    "wax-recovered",
                    "share",
                    String.format(Locale.ROOT, "%.0f %% of it was in a mold before.", share.value()),
                    "Old wax is brittle and dark, and its ash marks a fine face.",
                    "Gates, cups and inner layers; new wax with it for the first layer of a face."));
        }
        if (times.value() > MOST_TIMES) {
            found.add(Finding.note(
                    "wax-worn",
                    "times",
                    String.format(Locale.ROOT, "It was used %.1f times before, on average.", times.value()),
                    "Each melt drives oils off: it breaks at edges and shrinks otherwise than your factors have it.",
                    "Gates and cups only, or a third of new wax."));
        }
        if (days > OLD_DAYS) {
            found.add(Finding.note(
                    "wax-old",
                    "age",
                    String.format(Locale.ROOT, "It is %.0f days old on average.", days),
                    "Kept hot it oxidises and hardens.",
                    "Try a thin strip: where it breaks before it bends, use it for gates."));
        }
        return new Findings(found);
    }

    /** New wax that goes with so much recovered wax, so that no more than a share of it is old. */
    public static Figure newWax(double recoveredG, double mostPercent) {
        return Figure.computed("fresh", "new wax to go with it", Measure.GRAM)
                .mark(Mark.P, "mixed by mass")
                .by(
                        NEW_WAX,
                        known("old", "recovered wax", recoveredG),
                        Figure.given("most", "recovered at the most", mostPercent, Measure.PERCENT, Known.CHOSEN, 0));
    }

    /** What a round pot holds at a level, as it is liquid. */
    public static Figure held(double insideMm, double levelMm) {
        return Figure.computed("held", "in the pot by its level", Measure.GRAM)
                .mark(Mark.P, "a round pot")
                .by(
                        HELD,
                        Figure.given("wide", "pot, inside", insideMm, Measure.MILLIMETRE, Known.MEASURED, 0),
                        Figure.given("level", "level", levelMm, Measure.MILLIMETRE, Known.MEASURED, 0),
                        Figure.given("density", "wax, liquid", LIQUID, Measure.GRAM_PER_CM3, Known.COMPUTED, 0));
    }

    /**
     * What a reading of the pot says.
     *
     * @param keepC what it is kept at; empty where not said
     * @param highMm of the pot; empty where not known
     * @param levelMm empty where not read
     */
    public static Findings read(
            Wax wax, double celsius, OptionalDouble keepC, OptionalDouble levelMm, OptionalDouble highMm) {
        List<Finding> found = new ArrayList<>();
        if (celsius > Wax.SMOKES) {
            found.add(Finding.safetyStop(
                    "pot-smokes",
                    "pot",
                    String.format(Locale.ROOT, "The pot is at %.0f °C: wax smokes over %.0f °C.", celsius, Wax.SMOKES),
                    "Its fume burns at the next flame, and hurts lungs.",
                    "Heat off, lid on, open air, no flame near. Never water on hot or burning wax."));
        } else if (celsius < wax.melts()) {
            found.add(Finding.note(
                    "pot-solid",
                    "pot",
                    String.format(Locale.ROOT, "The pot is at %.0f °C: its wax is not liquid.", celsius),
                    "A skin over liquid wax holds pressure and bursts as it is heated from below.",
                    "Warm it slowly, from the sides; a rod through the skin lets it breathe."));
        } else if (keepC.isPresent() && Math.abs(celsius - keepC.getAsDouble()) > WARM) {
            found.add(Finding.warn(
                    "pot-off",
                    "pot",
                    String.format(
                            Locale.ROOT, "The pot is at %.0f °C; it is kept at %.0f °C.", celsius, keepC.getAsDouble()),
                    "Walls come out thinner from hot wax, and cold folds from cold.",
                    "Wait until it is there."));
        }
        if (levelMm.isPresent() && highMm.isPresent() && levelMm.getAsDouble() > FULL * highMm.getAsDouble()) {
            found.add(Finding.warn(
                    "pot-full",
                    "level",
                    String.format(
                            Locale.ROOT,
                            "It stands %.0f mm high in a pot of %.0f mm.",
                            levelMm.getAsDouble(),
                            highMm.getAsDouble()),
                    "Wax grows by 9 % as it melts and runs over onto the heater: fire.",
                    "Take some out: to 85 % of its height."));
        }
        return new Findings(found);
    }
}
