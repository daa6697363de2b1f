package kilnryu.app.mold;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.school.Schools;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
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
    private static final Range LEAN = new Range(Measure.DEGREE, -60, 60);
    private static final int LONGEST_NAME = 60;

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
        SHELL;

        static Optional<Kind> named(String key) {
            return Arrays.stream(values())
                    .filter(k -> k.name().toLowerCase(Locale.ROOT).equals(key))
                    .findFirst();
        }
    }

    private static Optional<Boolean> steel(String key) {
        return key.equals("perforated") || key.equals("solid")
                ? Optional.of(key.equals("perforated"))
                : Optional.empty();
    }

    /** The plan for a tree volume that is a field. */
    public static Optional<FlaskPlan> read(Fields fields, Factors factors) {
        MoldReader reader = new MoldReader(fields);
        OptionalDouble tree = fields.required("tree_volume_cm3", Range.VOLUME_OR_NONE);
        double volume = tree.orElse(0);
        Figure figure = Figure.given("tree", "volume of the tree", volume, Measure.CUBIC_CENTIMETRE, Known.MEASURED, 0);
        return reader.plan(figure, "tree_volume_cm3", factors);
    }

    /** The plan for a tree that is planned already. */
    public static Optional<FlaskPlan> read(Fields fields, Figure tree, Factors factors) {
        return new MoldReader(fields).plan(tree, "inner_diameter_mm", factors);
    }

    public static Extras extras(Fields fields, Schools schools) {
        return new Extras(
                fields.choice("mix_school", key -> MixSchool.named(schools.based(key)))
                        .orElse(MixSchool.VACUUM),
                fields.quantity("tree_width_mm", Range.LENGTH),
                fields.quantity("tree_height_mm", Range.LENGTH),
                fields.quantity("tilt_deg", LEAN).orElse(0),
                fields.quantity("lift_mm", Range.LENGTH_OR_NONE).orElse(0),
                fields.text("flask_name", LONGEST_NAME).orElse(""),
                fields.choice("steel", MoldReader::steel).orElse(false),
                fields.choice("mold_kind", Kind::named).orElse(Kind.FLASK));
    }

    /** @param blamed the field that is remarked when the tree leaves no room */
    private Optional<FlaskPlan> plan(Figure tree, String blamed, Factors factors) {
        OptionalDouble diameter = fields.required("inner_diameter_mm", Range.LENGTH);
        OptionalDouble height = fields.required("height_mm", Range.LENGTH);
        OptionalDouble other = fields.quantity("other_diameter_mm", Range.LENGTH);
        if (other.isPresent() && diameter.isPresent() && other.getAsDouble() > diameter.getAsDouble()) {
            fields.error("other_diameter_mm", "The short way of an oval; the long way stands before it.");
        }
        Optional<InvestmentSystem> system = fields.choice("system", InvestmentSystem::named);
        if (system.isEmpty()) {
            fields.missing("system", "Choose the investment.");
        }
        OptionalDouble base = fields.quantity("base_volume_cm3", Range.VOLUME_OR_NONE);
        OptionalDouble ratio = ratio();
        OptionalDouble density = fields.quantity("powder_density", Range.POWDER_DENSITY);
        OptionalDouble overfill = fields.quantity("overfill_pct", Range.OVERFILL);
        OptionalDouble collar = fields.quantity("collar_mm", Range.LENGTH_OR_NONE);
        OptionalDouble water = fields.quantity("water_C", Range.WATER_TEMPERATURE);
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
            String path = e.field().equals("tree_volume") ? blamed : e.field();
            fields.error(path, e.getMessage());
            return Optional.empty();
        }
    }

    /** Water per 100 of powder; 0.4 is what some write for 40, and is asked back instead of guessed. */
    private OptionalDouble ratio() {
        OptionalDouble ratio = fields.quantity("water_per_100", Range.WATER_RATIO);
        if (fields.hasError("water_per_100")) {
            fields.error(
                    "water_per_100", "Water to 100 parts of powder by mass, 10 to 150: type 40 for 40:100 or 0.40.");
        }
        return ratio;
    }

    private static Optional<Double> boxed(OptionalDouble value) {
        return value.isPresent() ? Optional.of(value.getAsDouble()) : Optional.empty();
    }
}
