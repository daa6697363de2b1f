package kilnryu.app.mixing;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import kilnryu.app.plan.Plan;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.block.BlockPlan;
import kilnryu.core.flask.FlaskPlan;
import kilnryu.core.flask.FlaskPlanner;
import kilnryu.core.flask.MixSchool;
import kilnryu.core.flask.MixSession;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;

/** The steps of a mixing, made from the plan at the moment work starts. */
final class MixSteps {
    private static final double SECONDS = 60;
    private static final String SILICA = "Respirable silica: P100 or FFP3 mask, no dry sweeping.";

    private final Units units;
    private final OptionalDouble scaleMost;
    private final List<Step> steps = new ArrayList<>();

    private MixSteps(Units units, OptionalDouble scaleMost) {
        this.units = units;
        this.scaleMost = scaleMost;
    }

    /** What a step is about, which decides what its page asks. */
    enum Kind {
        PREPARE,
        WEIGH,
        POWDER_IN,
        MOVE,
        VACUUM,
        LEAVE,
        STAND,
        TURN
    }

    /**
     * One step as it was planned.
     *
     * @param big the large figure, may be empty
     * @param grams planned weight of a weighing step, 0 elsewhere
     * @param seconds length of the step's own clock, 0 where it has none
     * @param mark which way the cup looks, "up" or "down"; empty where it does not matter
     */
    record Step(
            Kind kind,
            String title,
            String big,
            String unit,
            String care,
            String done,
            double grams,
            long seconds,
            String mark) {
        boolean isWater() {
            return title.toLowerCase(Locale.ROOT).contains("water");
        }
    }

    /** Minutes from powder meeting water to gloss-off; of a block by the ratio of its backup and water as usual. */
    static double working(Plan plan) {
        Factors factors = plan.reading().factors();
        return plan.flask()
                .map(FlaskPlan::workingTime)
                .orElseGet(() -> plan.block()
                        .map(b -> FlaskPlanner.workingTime(
                                given("T", "water", FlaskPlanner.USUAL_WATER_C, Measure.DEGREE_CELSIUS),
                                given(
                                        "W",
                                        "water per 100",
                                        b.backup().water().value()
                                                / b.backup().powder().value()
                                                * 100,
                                        Measure.PER_100),
                                factors.of(InvestmentSystem.PLASTER_SILICA
                                        .waterPer100()
                                        .orElseThrow()),
                                factors))
                        .orElse(factors.of(FlaskPlanner.WORKING_TIME_21)))
                .value();
    }

    private static Figure given(String symbol, String name, double value, Measure unit) {
        return Figure.given(symbol, name, value, unit, Known.COMPUTED, 0);
    }

    /** One mold of its own: a flask, or a block in two mixes. */
    static List<Step> of(Plan plan, Units units, OptionalDouble scaleMost) {
        MixSteps steps = new MixSteps(units, scaleMost);
        if (soft(plan)) {
            steps.plain(
                    Kind.PREPARE,
                    "Chill the tree",
                    "There is soft wax on it. 15 to 30 min in a refrigerator, not a freezer; dry off what condenses before it is invested.",
                    "Cold and dry");
        }
        plan.block().ifPresentOrElse(b -> steps.block(b, plan), () -> steps.flask(plan));
        return steps.steps;
    }

    private void flask(Plan plan) {
        FlaskPlan flask = plan.flask().orElseThrow();
        MixSchool school = plan.moldExtras().school();
        prepare(school);
        if (plan.moldExtras().perforated()) {
            plain(
                    Kind.PREPARE,
                    "Sleeve or tape on",
                    "Close every hole of the flask, and let it stand 20 to 25 mm over the rim for the rise.",
                    "Closed all round");
        }
        weigh("Weigh the water", flask.water().value(), water(flask));
        weigh("Weigh the powder", flask.powder().value(), SILICA);
        powderIn(flask.powder().value());
        for (MixSchool.Move move : school.moves(plan.reading().factors())) {
            move(move.key(), move.label(), move.minutes(), move.hint());
        }
        leave();
        stand(flask.stand().value());
        if (plan.moldExtras().perforated()) {
            plain(
                    Kind.PREPARE,
                    "Sleeve or tape off",
                    "Before the kiln: tape burns and chokes the holes. Scrape the overfill level.",
                    "Off and level");
        }
        kiln();
    }

    private void block(BlockPlan block, Plan plan) {
        plain(
                Kind.PREPARE,
                "Make ready",
                "Pattern degreased and dry, cup down on a sealed board, wall of the form oiled. Mask on before the bag is opened.",
                "All ready");
        mix("face coat", block.fine());
        move("mix", "Mix the face coat", 3, "Slow, without whipping air in.");
        move(
                "face",
                "Flick and brush the face coat on",
                4,
                "Thin into every corner first, then to its thickness; fill the core.");
        leave();
        if (block.support().chaplets() > 0) {
            plain(
                    Kind.PREPARE,
                    "Chaplets",
                    block.support().chaplets() + " of them, three on each of "
                            + block.support().levels() + " levels, through the wall into the core.",
                    "All set");
        }
        if (block.support().bands() > 0) {
            plain(Kind.PREPARE, "Mesh and form", "Wire mesh 15 mm off the face, form closed and sealed.", "Closed");
        }
        clean(block);
        mix("backup", block.backup());
        move("mix", "Mix the backup", 3, "Grog last; no lumps.");
        move("pour", "Fill the form", 4, "Down one side, without a break; tap the form.");
        leave();
        stand(block.cure().value() * SECONDS);
        kiln();
    }

    /** The last look before the cavity is covered: what lies loose in it ends in the metal. */
    private void clean(BlockPlan block) {
        String between = block.partition()
                .map(p -> " Partitions between the " + p.cavities() + " patterns stand firm and keep their "
                        + Show.value(p.between().value(), Measure.MILLIMETRE, units, false) + ".")
                .orElse("");
        plain(
                Kind.PREPARE,
                "Look before it is covered",
                "No loose grit, crumbs of face coat or wax shavings: blow or brush them off. No sharp thin edges of"
                        + " face coat at gates and cup: round them, metal breaks them off." + between,
                "Clean and firm");
    }

    private void mix(String which, BlockPlan.Quantity quantity) {
        weigh("Weigh the water, " + which, quantity.water().value(), "20 to 22 °C. By weight, not by cup.");
        weigh("Weigh the powder, " + which, quantity.powder().value(), quantity.mix() + ". " + SILICA);
        powderIn(quantity.powder().value());
    }

    /** Several molds in one go, bowl after bowl. */
    static List<Step> of(MixSession session, MixSchool school, Units units, OptionalDouble scaleMost) {
        MixSteps steps = new MixSteps(units, scaleMost);
        steps.prepare(school);
        int number = 0;
        for (MixSession.Batch batch : session.batches()) {
            number++;
            String bowl = "bowl " + number + " of " + session.batches().size();
            String names = String.join(
                    ", ", batch.molds().stream().map(MixSession.Mold::name).toList());
            String several = batch.bowls() > 1 ? " In " + batch.bowls() + " bowls at once, as many people." : "";
            steps.weigh("Weigh the water, " + bowl, batch.water().value(), "For " + names + "." + several);
            steps.weigh("Weigh the powder, " + bowl, batch.powder().value(), SILICA);
            steps.powderIn(batch.powder().value());
            for (MixSession.Moved moved : batch.moves()) {
                String on = moved.mold().isEmpty() ? "" : ": " + moved.mold();
                String key = moved.what().startsWith("Vacuum") ? "vacuum" : "move";
                steps.move(key, moved.what() + on, moved.to() - moved.from(), "");
            }
            steps.leave();
        }
        steps.kiln();
        return steps.steps;
    }

    private void move(String key, String label, double minutes, String hint) {
        boolean vacuum = key.startsWith("vacuum");
        long seconds = Math.round(minutes * SECONDS);
        steps.add(new Step(vacuum ? Kind.VACUUM : Kind.MOVE, label, "", "", hint, "Done, next", 0, seconds, ""));
    }

    private void prepare(MixSchool school) {
        String tools = school == MixSchool.BRUSH ? "Brush and vibrator at hand. " : "Pump runs and the gasket is dry. ";
        plain(
                Kind.PREPARE,
                "Make ready",
                "Tree wetted or degreased, joints flush and rounded, no crumbs on tree or base. Holes taped, base sealed,"
                        + " number and way up marked. " + tools + "Mask on before the bag is opened.",
                "All ready");
    }

    private void weigh(String title, double grams, String care) {
        Show.Shown shown = Show.value(grams, Measure.GRAM, units, false);
        String lots = "";
        if (scaleMost.isPresent() && grams > scaleMost.getAsDouble()) {
            int parts = (int) Math.ceil(grams / scaleMost.getAsDouble());
            lots = " The scale bears " + Show.value(scaleMost.getAsDouble(), Measure.GRAM, units, false) + ": in "
                    + parts + " lots of " + Show.value(grams / parts, Measure.GRAM, units, false) + "; type the sum.";
        }
        String done = title.contains("water") ? "Water weighed" : "Powder weighed";
        steps.add(new Step(Kind.WEIGH, title, shown.digits(), shown.unit(), care + lots, done, grams, 0, ""));
    }

    private void powderIn(double grams) {
        Show.Shown powder = Show.value(grams, Measure.GRAM, units, false);
        steps.add(new Step(
                Kind.POWDER_IN,
                "Powder into the water",
                powder.digits(),
                powder.unit(),
                "Never water into powder: it lumps. The clock starts with the powder.",
                "Poured in, start stirring",
                0,
                0,
                ""));
    }

    private void leave() {
        steps.add(new Step(
                Kind.LEAVE,
                "Leave it alone",
                "",
                "",
                "Level, cup down. Move it no more until it is matt and hard.",
                "Matt: gloss-off seen",
                0,
                0,
                "down"));
    }

    private void stand(double minutes) {
        steps.add(new Step(
                Kind.STAND,
                "Let it stand",
                "",
                "",
                "Undisturbed, no draught. Then base off, and mark which way is up. Wet mold is heavy: two people for a lift.",
                "It has stood",
                0,
                Math.round(minutes * SECONDS),
                ""));
    }

    private void kiln() {
        steps.add(new Step(
                Kind.TURN,
                "Into the kiln, cup down",
                "",
                "",
                "Look at the button: it looks down, over the tray. Cup brushed clean of grit, its edge rounded: what falls"
                        + " in is cast. Stays the mold overnight before heat, wrap it wet.",
                "Cup is down: seen",
                0,
                0,
                "down"));
    }

    private void plain(Kind kind, String title, String care, String done) {
        steps.add(new Step(kind, title, "", "", care, done, 0, 0, ""));
    }

    private static boolean soft(Plan plan) {
        return plan.tree().orElseThrow().tree().parts().stream()
                .anyMatch(p -> p.material() == PatternMaterial.SOFT_WAX
                        || p.coat()
                                .filter(c -> c.material() == PatternMaterial.SOFT_WAX)
                                .isPresent());
    }

    private String water(FlaskPlan flask) {
        double celsius = flask.flask().water().map(t -> t.celsius()).orElse(21.0);
        return "At " + Show.value(celsius, Measure.DEGREE_CELSIUS, units, false) + ". By weight, not by cup.";
    }
}
