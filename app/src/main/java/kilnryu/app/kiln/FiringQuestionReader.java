package kilnryu.app.kiln;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.ToDoubleBiFunction;
import kilnryu.app.sheet.Declared;
import kilnryu.app.sheet.Fields;
import kilnryu.core.burnout.ProgramGenerator;
import kilnryu.core.heat.Face;
import kilnryu.core.heat.Medium;
import kilnryu.core.kiln.Firing;
import kilnryu.core.kiln.FiringChecks;
import kilnryu.core.kiln.FiringProgram;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.kiln.Mold;
import kilnryu.core.kiln.Setting;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;

/** Reads what is asked of a firing. */
public final class FiringQuestionReader {
    private static final int MOST_SEGMENTS = 200;
    private static final double LONGEST_S = 30 * 86_400;

    private final Fields fields;

    private FiringQuestionReader(Fields fields) {
        this.fields = fields;
    }

    /**
     * What is asked, and what it is judged by.
     *
     * @param of what it is judged by
     * @param highest target of the program
     * @param kilnSums where the kiln's figures come from; none without a kiln
     */
    public record BurnoutRequest(Firing.Question question, FiringChecks.Of of, double highest, List<Figure> kilnSums) {}

    /** @param unused constants of the studio; the simulation goes by the handbook's */
    public static Optional<BurnoutRequest> read(Fields fields, Factors unused) {
        return new FiringQuestionReader(fields).read();
    }

    private Optional<BurnoutRequest> read() {
        FiredReader what = new FiredReader(fields);
        Optional<FiredReader.Fired> fired = what.mold();
        double start = fields.quantity(FiredFields.START).orElse(20);
        Face face = new Face(
                fields.quantity(FiredFields.FACE).orElse(10),
                fields.quantity(FiredFields.EMISSIVITY).orElse(0.9));
        Medium medium = thermal(fields, "", fired.map(FiredReader.Fired::medium).orElse(Setting.GYPSUM));
        List<FiringProgram.Segment> segments = segments();
        Optional<Kiln> kiln = what.kiln();
        double residue = fields.choice(FiredFields.PATTERN)
                .map(PatternMaterial::charPercent)
                .orElse(Setting.UNKNOWN_RESIDUE);
        if (fields.hasErrors() || segments.isEmpty() || fired.isEmpty()) {
            return Optional.empty();
        }
        FiringProgram program = FiringProgram.of(start, segments);
        if (program.seconds() <= 0 || program.seconds() > LONGEST_S) {
            fields.error("program", "A program takes from a moment to 30 days.");
            return Optional.empty();
        }
        FiredReader.Fired f = fired.get();
        Mold bare = f.mold(medium);
        Mold mold = new Mold(
                bare.across(),
                bare.along(),
                false,
                medium,
                face.within(bare.side().skin()),
                face,
                face,
                true);
        return Optional.of(new BurnoutRequest(
                new Firing.Question(mold, program, kiln, residue, 1),
                new FiringChecks.Of(
                        "",
                        f.system().maxC(),
                        true,
                        ProgramGenerator.fastestRamp(f.block(), f.across(), f.kilograms())),
                segments.stream()
                        .mapToDouble(FiringProgram.Segment::target)
                        .max()
                        .orElse(0),
                what.kilnSums()));
    }

    /**
     * A material as it is, or with the constants that are typed of it.
     *
     * @param prefix of their paths, such as {@code mold.}
     */
    public static Medium thermal(Fields fields, String prefix, Medium usual) {
        if (!fields.hasBelow(prefix + "thermal")) {
            return usual;
        }
        ToDoubleBiFunction<Declared.Quantity, Double> typed =
                (field, as) -> fields.quantity(field.under(prefix)).orElse(as);
        double dry = typed.applyAsDouble(FiredFields.K_DRY, usual.kDry());
        double hot = typed.applyAsDouble(FiredFields.K_HOT, dry + usual.kSlope() * 600);
        // set investment leads better when hotter: a value under the dry one is the growth that the handbook writes
        double growth = hot < dry ? hot : hot - dry;
        return new Medium(
                typed.applyAsDouble(FiredFields.RHO, usual.density()),
                typed.applyAsDouble(FiredFields.CP0, usual.cp0()),
                typed.applyAsDouble(FiredFields.CP1, usual.cp1()),
                typed.applyAsDouble(FiredFields.FREE, usual.freeWater()),
                typed.applyAsDouble(FiredFields.BOUND, usual.boundWater()),
                typed.applyAsDouble(FiredFields.K_WET, usual.kWet()),
                dry,
                growth / 600);
    }

    private List<FiringProgram.Segment> segments() {
        List<FiringProgram.Segment> segments = new ArrayList<>();
        List<String> keys = fields.keys("program");
        if (keys.isEmpty()) {
            fields.missing("program", "Give the program at least one segment.");
        }
        if (keys.size() > MOST_SEGMENTS) {
            fields.error("program", "At most " + MOST_SEGMENTS + " segments.");
            return segments;
        }
        for (String key : keys) {
            OptionalDouble rate = fields.required(ProgramFields.RATE.in(key));
            OptionalDouble target = fields.required(ProgramFields.TARGET.in(key));
            double hold = fields.quantity(ProgramFields.HOLD.in(key)).orElse(0);
            // what /program says of a segment beside it
            fields.text(ProgramFields.STAGE.in(key));
            fields.text(ProgramFields.LIMITED_BY.in(key));
            if (rate.isPresent() && target.isPresent()) {
                segments.add(new FiringProgram.Segment(rate.getAsDouble(), target.getAsDouble(), hold));
            }
        }
        return segments;
    }
}
