package kilnryu.app.kiln;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import kilnryu.app.sheet.Fields;
import kilnryu.core.burnout.BurnoutQuestion;
import kilnryu.core.burnout.BurnoutSchool;
import kilnryu.core.burnout.Subject;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.HeatChecks;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.material.Section;
import kilnryu.core.quantity.Measure;
import kilnryu.core.quantity.Temperature;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;

/** Reads what a burnout program is wanted for. */
public final class ProgramQuestionReader {

    private ProgramQuestionReader() {}

    /**
     * What is asked.
     *
     * @param pour metal and mold at the pour, for the checks and the answer
     */
    public record ProgramRequest(
            BurnoutQuestion question, Optional<Kiln> kiln, HeatChecks.Pour pour, Factors factors) {}

    public static Optional<ProgramRequest> read(Fields fields, Factors factors) {
        FiredReader what = new FiredReader(fields);
        Optional<FiredReader.Fired> fired = what.mold();
        Optional<PatternMaterial> pattern = fields.chosen(FiredFields.PATTERN, "Say what the pattern is of.");
        Optional<Alloy> alloy = fields.chosen(FiredFields.ALLOY, "Choose the alloy.");
        Optional<Section> section =
                fields.chosen(FiredFields.SECTIONS, "Say how thick the sections are: heavy, medium or thin.");
        Optional<BurnoutSchool> school = fields.choice(FiredFields.SCHOOL);
        Optional<Kiln> kiln = what.kiln();
        OptionalDouble top = fields.hasBelow("kiln") ? fields.quantity(FiredFields.KILN_MAX) : OptionalDouble.empty();
        OptionalDouble metalC = fields.quantity(FiredFields.POUR_C);
        OptionalDouble moldC = fields.quantity(FiredFields.MOLD_C);
        OptionalDouble drainC = fields.quantity(FiredFields.DRAIN_C);
        if (fields.hasErrors()) {
            return Optional.empty();
        }
        FiredReader.Fired f = fired.orElseThrow();
        Optional<Figure> mold =
                typed("mold", "mold at the pour", moldC).or(() -> section.get().flaskTemperature(alloy.get()));
        Optional<Figure> metal = typed("pour", "metal at the pour", metalC)
                .or(() -> section.get().pourTemperature(alloy.get(), factors));
        Subject subject = new Subject(
                "the mold",
                f.system(),
                f.across(),
                f.height(),
                f.kilograms(),
                f.block(),
                given("W", "water per 100 powder", f.ratio(), Measure.PER_100),
                given("d", "true density of the powder", f.density(), Measure.GRAM_PER_CM3),
                0,
                f.mold(f.medium()),
                Set.of(pattern.get()),
                alloy.get(),
                mold);
        return Optional.of(new ProgramRequest(
                new BurnoutQuestion(
                        java.util.List.of(subject),
                        school.orElse(BurnoutSchool.usual(f.block())),
                        top.isPresent() ? Optional.of(Temperature.celsius(top.getAsDouble())) : Optional.empty(),
                        drainC.isPresent() ? Optional.of(drainC.getAsDouble()) : Optional.empty()),
                kiln,
                new HeatChecks.Pour(alloy.get(), section.get(), false, metal, mold),
                factors));
    }

    private static Optional<Figure> typed(String symbol, String name, OptionalDouble celsius) {
        return celsius.isPresent()
                ? Optional.of(given(symbol, name, celsius.getAsDouble(), Measure.DEGREE_CELSIUS))
                : Optional.empty();
    }

    private static Figure given(String symbol, String name, double value, Measure unit) {
        return Figure.given(symbol, name, value, unit, Known.CHOSEN, 0);
    }
}
