package kilnryu.core.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;

/**
 * A round tank of slurry.
 *
 * @param prime whether it holds the fine slurry
 * @param diameter inside, mm
 * @param depth inside, mm
 * @param level of the slurry now, mm from the bottom
 * @param density of the slurry, g/cm3
 */
public record Tank(String name, boolean prime, double diameter, double depth, double level, double density) {
    /** Room over the slurry for splash and drip, mm. */
    static final double FREEBOARD = 40;

    private static final double COVER = 20;
    private static final double BESIDE = 25;

    private static final Formula RISE = Formula.of("displaced * 1000 / (pi / 4 * D^2)");
    private static final Formula LACKS = Formula.of("max(0, height + cover - level - rise)");
    private static final Formula TOP_UP = Formula.of("lacks * pi / 4 * D^2 / 1000 * density");

    /**
     * A piece over a tank.
     *
     * @param rise of the slurry when the piece is in, mm
     * @param lacks slurry over the piece to cover it, mm
     * @param topUp slurry to be added for it, g
     * @param immerses whether it can be dipped whole, after topping up
     */
    public record Dip(Figure rise, Figure lacks, Figure topUp, boolean immerses, Findings findings) {}

    /** Slurry in it now, g. */
    public double mass() {
        return Math.PI / 4 * diameter * diameter * level / 1000 * density;
    }

    /**
     * Whether a piece can be dipped whole.
     *
     * @param width greatest, with the shell so far, mm
     * @param height of what goes under, mm
     * @param displaced volume of pattern and shell so far, cm3
     */
    public Dip dip(double width, double height, double displaced) {
        Figure d = mm("D", "inside of the tank", diameter);
        Figure rise = Figure.computed("rise", "the slurry rises", Measure.MILLIMETRE)
                .by(
                        RISE,
                        Figure.given(
                                "displaced",
                                "pattern and shell",
                                displaced,
                                Measure.CUBIC_CENTIMETRE,
                                Known.COMPUTED,
                                0),
                        d);
        Figure lacks = Figure.computed("lacks", "slurry too low by", Measure.MILLIMETRE)
                .by(
                        LACKS,
                        mm("height", "height of the piece", height),
                        mm("cover", "over it", COVER),
                        mm("level", "level", level),
                        rise);
        Figure topUp = Figure.computed("top_up", "top up " + name, Measure.GRAM)
                .by(
                        TOP_UP,
                        lacks,
                        d,
                        Figure.given("density", "slurry", density, Measure.GRAM_PER_CM3, Known.MEASURED, 0));
        boolean wide = width + 2 * BESIDE > diameter;
        boolean tall = height + COVER > depth - FREEBOARD;
        return new Dip(rise, lacks, topUp, !wide && !tall, new Findings(against(width, height, rise, lacks, topUp)));
    }

    private List<Finding> against(double width, double height, Figure rise, Figure lacks, Figure topUp) {
        List<Finding> found = new ArrayList<>();
        boolean wide = width + 2 * BESIDE > diameter;
        boolean tall = height + COVER > depth - FREEBOARD;
        double full = Math.max(level + rise.value(), height + COVER);
        if (wide) {
            found.add(Finding.stop(
                            "tank-narrow",
                            "shell.tank",
                            say(
                                    "%s is %.0f mm wide; the piece is %.0f and wants 25 on each side.",
                                    name, diameter, width),
                            "It scrapes its wet coat off at the rim.",
                            "Pour the slurry over it from a jug, over a tub; or a wider tank.")
                    .from(rise));
        }
        if (tall && !wide) {
            found.add(Finding.warn(
                            "tank-shallow",
                            "shell.tank",
                            say(
                                    "%s takes %.0f mm under slurry; the piece is %.0f high.",
                                    name, Math.max(0, depth - FREEBOARD - COVER), height),
                            "What is not covered gets no coat.",
                            "Dip both ends, the second over the first by a hand's width; or pour over.")
                    .from(rise));
        }
        if (!tall && !wide && full > depth - FREEBOARD + 1e-9) {
            found.add(Finding.warn(
                            "tank-full",
                            "shell.tank",
                            say("%s would stand %.0f mm under its rim.", name, depth - full),
                            "It runs over when the piece goes in.",
                            say("Take out slurry for %.0f mm first.", full - depth + FREEBOARD))
                    .from(rise));
        }
        if (!tall && !wide && lacks.value() > 0) {
            found.add(Finding.note(
                            "tank-low",
                            "shell.tank",
                            say("%s is %.0f mm too low to cover it.", name, lacks.value()),
                            "The top stays bare.",
                            say("Top up %.1f kg of the same slurry, mixed for a day.", topUp.value() / 1000))
                    .from(topUp));
        }
        return found;
    }

    private static Figure mm(String symbol, String name, double value) {
        return Figure.given(symbol, name, value, Measure.MILLIMETRE, Known.MEASURED, 0);
    }

    private static String say(String words, Object... values) {
        return String.format(Locale.ROOT, words, values);
    }
}
