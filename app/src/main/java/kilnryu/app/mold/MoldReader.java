package kilnryu.app.mold;

import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.school.Schools;
import kilnryu.app.sheet.Declared;
import kilnryu.app.sheet.Fields;
import kilnryu.core.flask.Flask;
import kilnryu.core.flask.FlaskPlan;
import kilnryu.core.flask.FlaskPlanner;
import kilnryu.core.flask.ImpossibleFlask;
import kilnryu.core.flask.MixSchool;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Measure;
import kilnryu.core.quantity.Temperature;
import kilnryu.core.quantity.Volume;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;

/** Reads a flask from its fields; the tree's volume comes from the tree, or from a field of its own in the API. */
public final class MoldReader {

    private final Fields fields;

    private MoldReader(Fields fields) {
        this.fields = fields;
    }

    /** What only the plan's page asks: the school of mixing and the tree's size measured with a ruler. */
    public record Extras(
            MixSchool school,
            OptionalDouble treeWidth,
            OptionalDouble treeHeight,
            double tilt,
            double lift,
            String flaskName,
            boolean perforated,
            Kind kind) {
        public boolean block() {
            return kind == Kind.BLOCK;
        }

        public boolean shell() {
            return kind == Kind.SHELL;
        }
    }

    /** What a mold's body is. */
    public enum Kind {
        FLASK,
        BLOCK,
        SHELL
    }

    /** The plan for a tree volume that is a field. */
    public static Optional<FlaskPlan> read(Fields fields, Factors factors) {
        MoldReader reader = new MoldReader(fields);
        OptionalDouble tree = fields.required(MoldFields.TREE_VOLUME);
        double volume = tree.orElse(0);
        Figure figure = Figure.given("tree", "volume of the tree", volume, Measure.CUBIC_CENTIMETRE, Known.MEASURED, 0);
        return reader.plan(figure, MoldFields.TREE_VOLUME, factors);
    }

    /** The plan for a tree that is planned already. */
    public static Optional<FlaskPlan> read(Fields fields, Figure tree, Factors factors) {
        return new MoldReader(fields).plan(tree, MoldFields.INNER, factors);
    }

    public static Extras extras(Fields fields, Schools schools) {
        return new Extras(
                fields.choice(MoldFields.MIX_SCHOOL, key -> MixSchool.named(schools.based(key)))
                        .orElse(MixSchool.VACUUM),
                fields.quantity(MoldFields.TREE_WIDTH),
                fields.quantity(MoldFields.TREE_HEIGHT),
                fields.quantity(MoldFields.TILT).orElse(0),
                fields.quantity(MoldFields.LIFT).orElse(0),
                fields.text(MoldFields.FLASK_NAME).orElse(""),
                fields.choice(MoldFields.STEEL).orElse(false),
                fields.choice(MoldFields.KIND).orElse(Kind.FLASK));
    }

    /** @param blamed the field that is remarked when the tree leaves no room */
    private Optional<FlaskPlan> plan(Figure tree, Declared blamed, Factors factors) {
        OptionalDouble diameter = fields.required(MoldFields.INNER);
        OptionalDouble height = fields.required(MoldFields.HEIGHT);
        OptionalDouble other = fields.quantity(MoldFields.OTHER);
        if (other.isPresent() && diameter.isPresent() && other.getAsDouble() > diameter.getAsDouble()) {
            fields.error(MoldFields.OTHER, "The short way of an oval; the long way stands before it.");
        }
        Optional<InvestmentSystem> system = fields.chosen(MoldFields.SYSTEM, "Choose the investment.");
        OptionalDouble base = fields.quantity(MoldFields.BASE);
        OptionalDouble ratio = ratio();
        OptionalDouble density = fields.quantity(MoldFields.DENSITY);
        OptionalDouble overfill = fields.quantity(MoldFields.OVERFILL);
        OptionalDouble collar = fields.quantity(MoldFields.COLLAR);
        OptionalDouble water = fields.quantity(MoldFields.WATER_C);
        if (fields.hasErrors()) {
            return Optional.empty();
        }
        Flask flask = new Flask(
                Length.millimetres(diameter.getAsDouble()),
                Length.millimetres(height.getAsDouble()),
                Volume.cubicCentimetres(tree.value()),
                boxed(base).map(Volume::cubicCentimetres),
                system.get(),
                ratio,
                density,
                overfill,
                boxed(collar).map(Length::millimetres),
                boxed(water).map(Temperature::celsius),
                boxed(other).map(Length::millimetres));
        try {
            return Optional.of(new FlaskPlanner(factors).plan(flask, tree));
        } catch (ImpossibleFlask e) {
            fields.error(e.field().equals("tree_volume") ? blamed.path() : e.field(), e.getMessage());
            return Optional.empty();
        }
    }

    /** Water per 100 of powder; 0.4 is what some write for 40, and is asked back instead of guessed. */
    private OptionalDouble ratio() {
        OptionalDouble ratio = fields.quantity(MoldFields.WATER_RATIO);
        if (fields.hasError(MoldFields.WATER_RATIO)) {
            fields.error(
                    MoldFields.WATER_RATIO,
                    "Water to 100 parts of powder by mass, 10 to 150: type 40 for 40:100 or 0.40.");
        }
        return ratio;
    }

    private static Optional<Double> boxed(OptionalDouble value) {
        return value.isPresent() ? Optional.of(value.getAsDouble()) : Optional.empty();
    }
}
