package kilnryu.core.flask;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.sum.Factors;

/** What a school of mixing asks of a flask, and what it lets through (handbook 4). */
public final class SchoolChecks {
    private static final double USUAL_WITHIN_K = 1;

    private SchoolChecks() {}

    public static Findings check(FlaskPlan plan, MixSchool school, Factors factors) {
        List<Finding> found = new ArrayList<>();
        boolean collar = plan.flask().collar().filter(c -> c.millimetres() > 0).isPresent();
        if (school.drawsFlask() && !collar) {
            found.add(Finding.note(
                            "collar",
                            "collar_mm",
                            "No collar is planned for the rise under vacuum.",
                            "The mix rises over the rim and falls back; what spills is missing in the mold.",
                            "20 to 25 mm of tape or sleeve over the rim.")
                    .from(plan.fill()));
        }
        if (school == MixSchool.SLOW_POUR) {
            found.add(Finding.warn(
                            "nodules",
                            "mix_school",
                            "Poured without vacuum on the flask: expect nodules under ledges and in blind corners.",
                            "Bubbles that the pour carries in cling to the wax; each becomes a bead of metal.",
                            "Wet the tree, brush the first mix on, pour a thread down the tilted wall, tap from below;"
                                    + " or a flask that goes under the bell.")
                    .from(plan.fill()));
        }
        return new Findings(found).and(timing(plan, school, factors));
    }

    /** Whether the school's moves end within the working time, and else what the water does to it. */
    public static Findings timing(FlaskPlan plan, MixSchool school, Factors factors) {
        double needed = school.minutesToLastMove(factors);
        double celsius = celsius(plan);
        if (plan.workingTime().value() < needed) {
            return new Findings(List.of(Finding.stop(
                            "school-too-long",
                            "mix_school",
                            String.format(
                                    Locale.ROOT,
                                    "At %.0f °C the mix can be worked %.1f min; the school's moves take %.1f.",
                                    celsius,
                                    plan.workingTime().value(),
                                    needed),
                            "A mix moved after it begins to set breaks up and fins.",
                            "Cooler water, 20 to 22 °C, shorter moves, or another school.")
                    .from(plan.workingTime())));
        }
        if (Math.abs(celsius - FlaskPlanner.USUAL_WATER_C) <= USUAL_WITHIN_K) {
            return Findings.NONE;
        }
        return new Findings(List.of(Finding.warn(
                        "water-temperature",
                        "water_C",
                        String.format(Locale.ROOT, "The water is at %.0f °C; 20 to 22 is usual.", celsius),
                        celsius > FlaskPlanner.USUAL_WATER_C
                                ? "It sets sooner."
                                : "It sets later; water may rise and leave streaks if moved too soon.",
                        "Bring the water to 21 °C, or watch the clock given here.")
                .from(plan.workingTime())));
    }

    private static double celsius(FlaskPlan plan) {
        return plan.flask().water().map(t -> t.celsius()).orElse(FlaskPlanner.USUAL_WATER_C);
    }

    /** What the water's temperature does, in one line. */
    public static String effect(FlaskPlan plan) {
        double celsius = celsius(plan);
        double minutes = plan.workingTime().value();
        if (celsius > FlaskPlanner.USUAL_WATER_C + 1) {
            return String.format(
                    Locale.ROOT, "Warm water: it sets sooner, %.1f min to work it, and a little coarser.", minutes);
        }
        return celsius < FlaskPlanner.USUAL_WATER_C - 1
                ? String.format(
                        Locale.ROOT,
                        "Cool water: it sets later, %.1f min to work it; let it stand longer, it may weep.",
                        minutes)
                : String.format(Locale.ROOT, "Water as usual: %.1f min to work it.", minutes);
    }
}
