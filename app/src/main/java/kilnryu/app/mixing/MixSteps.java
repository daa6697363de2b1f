package kilnryu.app.mixing;

import java.util.ArrayList;
import java.util.List;
import kilnryu.app.plan.Plan;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.flask.FlaskPlan;
import kilnryu.core.flask.MixSchool;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.quantity.Measure;

/** The steps of a mixing, made from the plan at the moment work starts. */
final class MixSteps {
    private static final double SECONDS = 60;

    private MixSteps() {}

    /** What a step is about, which decides what its page asks. */
    enum Kind {
        PREPARE,
        WEIGH,
        POWDER_IN,
        MOVE,
        LEAVE,
        STAND
    }

    /**
     * One step as it was planned.
     *
     * @param big the large figure, may be empty
     * @param grams planned weight of a weighing step, 0 elsewhere
     * @param seconds length of the step's own clock, 0 where it has none
     */
    record Step(
            Kind kind, String title, String big, String unit, String care, String done, double grams, long seconds) {}

    static List<Step> of(Plan plan, Units units) {
        FlaskPlan flask = plan.flask().orElseThrow();
        MixSchool school = plan.moldExtras().school();
        List<Step> steps = new ArrayList<>();
        if (soft(plan)) {
            steps.add(chill());
        }
        steps.add(prepare(school));
        steps.add(weigh("Weigh the water", flask.water().value(), units, water(flask, units), "Water weighed"));
        steps.add(weigh(
                "Weigh the powder",
                flask.powder().value(),
                units,
                "Respirable silica: P100 or FFP3 mask, no dry sweeping.",
                "Powder weighed"));
        Show.Shown powder = Show.value(flask.powder().value(), Measure.GRAM, units, false);
        steps.add(new Step(
                Kind.POWDER_IN,
                "Powder into the water",
                powder.digits(),
                powder.unit(),
                "Never water into powder: it lumps. The clock starts with the powder.",
                "Poured in, start stirring",
                0,
                0));
        for (MixSchool.Move move : school.moves(plan.reading().factors())) {
            long seconds = Math.round(move.minutes() * SECONDS);
            steps.add(new Step(Kind.MOVE, move.label(), "", "", move.hint(), "Done, next", 0, seconds));
        }
        steps.add(new Step(
                Kind.LEAVE,
                "Leave it alone",
                "",
                "",
                "Level, cup down. Move it no more until it is matt and hard.",
                "Matt: gloss-off seen",
                0,
                0));
        steps.add(new Step(
                Kind.STAND,
                "Let it stand",
                "",
                "",
                "Undisturbed, no draught. Then base off, and mark which way is up. Wet mold is heavy: two people for a lift.",
                "It has stood: to the kiln",
                0,
                Math.round(flask.stand().value() * SECONDS)));
        return steps;
    }

    private static boolean soft(Plan plan) {
        return plan.tree().orElseThrow().tree().parts().stream()
                .anyMatch(p -> p.material() == PatternMaterial.SOFT_WAX
                        || p.coat()
                                .filter(c -> c.material() == PatternMaterial.SOFT_WAX)
                                .isPresent());
    }

    /** Soft wax sags in a warm room and under the weight of the mix. */
    private static Step chill() {
        return new Step(
                Kind.PREPARE,
                "Chill the tree",
                "",
                "",
                "There is soft wax on it. 15 to 30 min in a refrigerator, not a freezer; dry off what condenses before it is invested.",
                "Cold and dry",
                0,
                0);
    }

    private static Step prepare(MixSchool school) {
        String tools =
                school == MixSchool.VACUUM ? "Pump runs and the gasket is dry. " : "Brush and vibrator at hand. ";
        return new Step(
                Kind.PREPARE,
                "Make ready",
                "",
                "",
                "Holes taped, base sealed, number and way up marked. " + tools + "Mask on before the bag is opened.",
                "All ready",
                0,
                0);
    }

    private static Step weigh(String title, double grams, Units units, String care, String done) {
        Show.Shown shown = Show.value(grams, Measure.GRAM, units, false);
        return new Step(Kind.WEIGH, title, shown.digits(), shown.unit(), care, done, grams, 0);
    }

    private static String water(FlaskPlan flask, Units units) {
        double celsius = flask.flask().water().map(t -> t.celsius()).orElse(21.0);
        return "At " + Show.value(celsius, Measure.DEGREE_CELSIUS, units, false) + ". By weight, not by cup.";
    }
}
