package kilnryu.core.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/** Condition of a tank's slurry by what was read of it (handbook 6, slurry care). */
public final class SlurryCare {
    private static final String SOURCE = "usual; the supplier's sheet of binder and cup wins";
    private static final Constant PRIME_CUP =
            new Constant("slurry.cup.prime", "s", "flow cup, fine slurry", 24, 20, 30, Measure.SECONDS, Mark.T, SOURCE);
    private static final Constant BACKUP_CUP = new Constant(
            "slurry.cup.backup", "s", "flow cup, backup slurry", 12, 10, 15, Measure.SECONDS, Mark.T, SOURCE);
    private static final Constant PRIME_DENSITY = new Constant(
            "slurry.density.prime",
            "d",
            "fine slurry with zircon",
            2.7,
            2.5,
            2.9,
            Measure.GRAM_PER_CM3,
            Mark.T,
            "handbook 6");
    private static final Constant BACKUP_DENSITY = new Constant(
            "slurry.density.backup", "d", "backup slurry", 1.68, 1.6, 1.76, Measure.GRAM_PER_CM3, Mark.T, "handbook 6");
    private static final Constant OLDEST = new Constant(
                    "slurry.age",
                    "days",
                    "age at which a slurry is watched for gel",
                    90,
                    30,
                    180,
                    Measure.TIMES,
                    Mark.M,
                    "our own limit")
            .asChoice();
    private static final double GEL_RISE = 1.25;

    private SlurryCare() {}

    /** What was read of a tank at one time; empty where it was not. */
    public record Reading(double day, OptionalDouble flow, OptionalDouble density, double waterAdded) {}

    public static List<Constant> constants() {
        return List.of(PRIME_CUP, BACKUP_CUP, PRIME_DENSITY, BACKUP_DENSITY, OLDEST);
    }

    public static Constant cup(boolean prime) {
        return prime ? PRIME_CUP : BACKUP_CUP;
    }

    public static Constant density(boolean prime) {
        return prime ? PRIME_DENSITY : BACKUP_DENSITY;
    }

    /**
     * @param readings in order of time, days since the slurry was made
     * @param ageDays now
     */
    public static Findings check(boolean prime, List<Reading> readings, double ageDays, Factors factors) {
        List<Finding> found = new ArrayList<>();
        readings.stream()
                .filter(r -> r.flow.isPresent())
                .reduce((a, b) -> b)
                .ifPresent(r -> flow(prime, r, factors, found));
        readings.stream()
                .filter(r -> r.density.isPresent())
                .reduce((a, b) -> b)
                .ifPresent(r -> density(prime, r, factors, found));
        gel(readings, found);
        double oldest = factors.value(OLDEST);
        if (ageDays > oldest) {
            found.add(Finding.note(
                            "slurry-old",
                            "tank",
                            say("The slurry is %.0f days old.", ageDays),
                            "Binder gels with age and with every day it stands warm or unmixed.",
                            "Test a dried film: it should not soften in water. Read the cup before every dip.")
                    .from(Figure.given("age", "age, days", ageDays, Measure.TIMES, Known.COMPUTED, 0)));
        }
        return new Findings(found);
    }

    /** Bands move with the studio's own value. */
    private static double[] band(Constant usual, Factors factors) {
        double own = factors.value(usual) / usual.value();
        return new double[] {usual.low() * own, usual.high() * own};
    }

    private static void flow(boolean prime, Reading r, Factors factors, List<Finding> found) {
        double[] band = band(cup(prime), factors);
        double s = r.flow.getAsDouble();
        if (s < band[0] || s > band[1]) {
            boolean thick = s > band[1];
            found.add(Finding.warn(
                            thick ? "slurry-thick" : "slurry-thin",
                            "tank",
                            say("The cup runs %.0f s; %.0f to %.0f are usual here.", s, band[0], band[1]),
                            thick
                                    ? "Thick slurry bridges corners and cracks in drying."
                                    : "Thin slurry leaves a thin, weak coat.",
                            thick
                                    ? "Water, a little at a time, mixed an hour; read again. Note what was added."
                                    : "Let it settle with the lid off and take water from the top, or add flour.")
                    .from(Figure.given("s", "flow cup", s, Measure.SECONDS, Known.MEASURED, 0)));
        }
    }

    private static void density(boolean prime, Reading r, Factors factors, List<Finding> found) {
        double[] band = band(density(prime), factors);
        double d = r.density.getAsDouble();
        if (d < band[0] || d > band[1]) {
            found.add(Finding.warn(
                            "slurry-density",
                            "tank",
                            say("It weighs %.2f g/cm³; %.2f to %.2f are usual here.", d, band[0], band[1]),
                            d < band[0] ? "Too little flour: it was watered or it has settled." : "Water has left it.",
                            d < band[0]
                                    ? "Mix it up from the bottom, read again, then add flour."
                                    : "Add water, mix, read again.")
                    .from(Figure.given("d", "density", d, Measure.GRAM_PER_CM3, Known.MEASURED, 0)));
        }
    }

    /** Thicker although the density did not rise: the binder gels. */
    private static void gel(List<Reading> readings, List<Finding> found) {
        List<Reading> whole = readings.stream()
                .filter(r -> r.flow.isPresent() && r.density.isPresent())
                .toList();
        if (whole.size() < 2) {
            return;
        }
        Reading first = whole.get(0);
        Reading last = whole.get(whole.size() - 1);
        boolean thicker = last.flow.getAsDouble() > GEL_RISE * first.flow.getAsDouble();
        if (thicker && last.density.getAsDouble() <= first.density.getAsDouble() + 0.005) {
            found.add(Finding.warn(
                            "slurry-gel",
                            "tank",
                            say(
                                    "It runs %.0f s where it ran %.0f, at no more density.",
                                    last.flow.getAsDouble(), first.flow.getAsDouble()),
                            "Thicker without more flour means that the binder gels: shells of it are weak.",
                            "Dip a test bar, fire it and break it; renew the slurry rather than water it.")
                    .from(Figure.given("s", "flow cup", last.flow.getAsDouble(), Measure.SECONDS, Known.MEASURED, 0)));
        }
    }

    private static String say(String words, Object... values) {
        return String.format(Locale.ROOT, words, values);
    }
}
