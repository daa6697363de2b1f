package kilnryu.app.firing;

import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeParseException;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import kilnryu.app.school.Schools;
import kilnryu.app.sheet.Fields;
import kilnryu.app.shell.ShellReader;
import kilnryu.core.block.BlockPlan;
import kilnryu.core.burnout.BackPlan;
import kilnryu.core.burnout.BurnoutProgram;
import kilnryu.core.burnout.BurnoutQuestion;
import kilnryu.core.burnout.BurnoutSchool;
import kilnryu.core.burnout.Handling;
import kilnryu.core.burnout.ShellFiring;
import kilnryu.core.burnout.Subject;
import kilnryu.core.flask.FlaskPlan;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.material.Section;
import kilnryu.core.quantity.Measure;
import kilnryu.core.quantity.Temperature;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import kilnryu.core.tree.TreePlan;

/** Reads the firing from its fields and generates its program. */
public final class FiringReader {
    private static final int FIRST_YEAR = 2000;
    private static final int LAST_YEAR = 2100;

    private FiringReader() {}

    /**
     * What the caster knows or wants otherwise than it is usual.
     *
     * @param metal at the pour, C
     * @param drain where plastics drain, C
     * @param wet share of the free water that the mold still holds, 0 to 1, proved by weighing
     */
    public record Own(Optional<Temperature> metal, Optional<Temperature> drain, double wet) {}

    /** What the plan's page asks before there is a program. */
    public record Choices(
            Section section,
            BurnoutSchool school,
            boolean chosen,
            Optional<Temperature> mold,
            Optional<Temperature> kilnMax,
            Optional<ZonedDateTime> pour,
            Handling handling,
            Own own) {

        /** Temperature of the metal at the pour: as typed, or usual for metal and section. */
        public Optional<Figure> metal(TreePlan tree, Factors factors) {
            return own.metal
                    .map(t -> Figure.given(
                            "pour", "metal at the pour", t.celsius(), Measure.DEGREE_CELSIUS, Known.CHOSEN, 0))
                    .or(() -> section.pourTemperature(tree.tree().alloy(), factors));
        }

        /** Temperature of a shell at the pour: as typed, or usual for metal and section. */
        public Optional<Figure> shellPours(TreePlan tree) {
            return mold.map(t -> Figure.given(
                            "mold", "shell at the pour", t.celsius(), Measure.DEGREE_CELSIUS, Known.CHOSEN, 0))
                    .or(() -> section.shellTemperature(tree.tree().alloy()));
        }

        /** Temperature of a flask or block at the pour: as typed, or usual for metal and section. */
        public Optional<Figure> pours(TreePlan tree) {
            return mold.map(t -> Figure.given(
                            "mold", "mold at the pour", t.celsius(), Measure.DEGREE_CELSIUS, Known.CHOSEN, 0))
                    .or(() -> section.flaskTemperature(tree.tree().alloy()));
        }
    }

    /** A program, and its clock when the hour of the pour is known. */
    public record Firing(Choices choices, BurnoutProgram program, Optional<BackPlan> clock) {}

    public static Choices choices(Fields fields, ZoneId zone, Schools schools) {
        Optional<BurnoutSchool> school =
                fields.choice(FiringFields.SCHOOL, key -> BurnoutSchool.named(schools.based(key)));
        return new Choices(
                fields.choice(FiringFields.SECTION).orElse(Section.MEDIUM),
                school.orElse(BurnoutSchool.STANDARD),
                school.isPresent(),
                temperature(fields.quantity(FiringFields.MOLD_C)),
                temperature(fields.quantity(FiringFields.KILN_MAX_C)),
                pour(fields, zone),
                fields.choice(FiringFields.HANDLING).orElse(Handling.COLD),
                new Own(
                        temperature(fields.quantity(FiringFields.METAL_C)),
                        temperature(fields.quantity(FiringFields.DRAIN_C)),
                        fields.quantity(FiringFields.FREE_WATER).orElse(100) / 100));
    }

    /** The constants that a program is made by, and where it comes from. */
    public record By(Factors factors, Programs programs) {}

    /** The burnout of a flask. */
    public static Firing firing(Choices choices, TreePlan tree, FlaskPlan flask, By by) {
        return burnout(choices, choices.school(), Subject.of(what(choices, tree), flask), by);
    }

    /** The burnout of a block: slowly where no school was chosen. */
    public static Firing firing(Choices choices, TreePlan tree, BlockPlan block, By by) {
        BurnoutSchool school = choices.chosen() ? choices.school() : BurnoutSchool.usual(true);
        return burnout(choices, school, Subject.of(what(choices, tree), block), by);
    }

    private static Firing burnout(Choices choices, BurnoutSchool school, Subject subject, By by) {
        BurnoutProgram program = by.programs.of(
                new BurnoutQuestion(java.util.List.of(subject), school, choices.kilnMax(), drain(choices)), by.factors);
        return clocked(choices, program, school.sleeps());
    }

    /** Where plastics drain, where the caster chose it, C. */
    public static Optional<Double> drain(Choices choices) {
        return choices.own().drain().map(Temperature::celsius);
    }

    /** What a program asks of a tree. */
    public static Subject.Tree what(Choices choices, TreePlan tree) {
        Set<PatternMaterial> patterns = new java.util.HashSet<>();
        tree.tree().parts().forEach(p -> {
            patterns.add(p.material());
            p.coat().ifPresent(c -> patterns.add(c.material()));
        });
        return new Subject.Tree(
                "the mold",
                patterns,
                tree.tree().alloy(),
                choices.pours(tree),
                choices.own().wet());
    }

    /** The fire of a ceramic shell. */
    public static Firing firing(Choices choices, TreePlan tree, ShellReader.Built shell, By by) {
        return clocked(choices, by.programs.of(asked(choices, tree, shell), by.factors), false);
    }

    /** What the program of a shell is wanted for. */
    public static ShellFiring.Question asked(Choices choices, TreePlan tree, ShellReader.Built shell) {
        return new ShellFiring.Question(
                shell.plan(),
                shell.dewax(),
                tree.tree().alloy(),
                choices.section(),
                choices.handling(),
                choices.mold(),
                choices.kilnMax());
    }

    private static Firing clocked(Choices choices, BurnoutProgram program, boolean sleeps) {
        Optional<BackPlan> clock = program.segments().isEmpty()
                ? Optional.empty()
                : choices.pour().map(pour -> sleeps ? BackPlan.asleep(program, pour) : BackPlan.of(program, pour));
        return new Firing(choices, clock.map(BackPlan::program).orElse(program), clock);
    }

    private static Optional<ZonedDateTime> pour(Fields fields, ZoneId zone) {
        Optional<String> text = fields.text(FiringFields.POUR_AT);
        if (text.isEmpty()) {
            return Optional.empty();
        }
        try {
            LocalDateTime local = LocalDateTime.parse(text.get().replace(' ', 'T'));
            if (local.getYear() < FIRST_YEAR || local.getYear() > LAST_YEAR) {
                fields.error(FiringFields.POUR_AT, "A year from " + FIRST_YEAR + " to " + LAST_YEAR + ".");
                return Optional.empty();
            }
            ZonedDateTime pour = local.atZone(zone);
            if (!pour.toLocalDateTime().equals(local)) {
                fields.error(
                        FiringFields.POUR_AT, "The clocks go forward over this hour: it does not exist that night.");
                return Optional.empty();
            }
            return Optional.of(pour);
        } catch (DateTimeParseException e) {
            fields.error(FiringFields.POUR_AT, "Type day and hour like 2026-05-08 10:50.");
            return Optional.empty();
        }
    }

    private static Optional<Temperature> temperature(OptionalDouble celsius) {
        return celsius.isPresent() ? Optional.of(Temperature.celsius(celsius.getAsDouble())) : Optional.empty();
    }
}
