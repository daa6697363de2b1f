package kilnryu.app.freezing;

import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.kiln.FiringQuestionReader;
import kilnryu.app.melt.MeltQuestionReader;
import kilnryu.app.sheet.Fields;
import kilnryu.core.gating.SectionFreezing;
import kilnryu.core.heat.Medium;
import kilnryu.core.kiln.Setting;
import kilnryu.core.material.Alloy;
import kilnryu.core.solid.Radial;
import kilnryu.core.solid.Surroundings;
import kilnryu.core.sum.Factors;

/** Reads which section freezes in which mold, as the API says it. */
public final class FreezeQuestionReader {
    private FreezeQuestionReader() {}

    /** A question with the constants it is answered by. */
    public record FreezeRequest(SectionFreezing.Question question, Factors factors) {}

    public static Optional<FreezeRequest> read(Fields fields, Factors factors) {
        Optional<Alloy> alloy = fields.chosen(FreezeFields.ALLOY, "Choose the alloy.");
        OptionalDouble pour = fields.required(FreezeFields.POUR);
        OptionalDouble moldC = fields.required(FreezeFields.MOLD_C);
        Optional<Radial.Shape> shape = fields.chosen(FreezeFields.SHAPE, "Say its shape: plate, cylinder or sphere.");
        OptionalDouble half = fields.required(FreezeFields.HALF_THICK);
        Optional<Medium> mold = mold(fields);
        OptionalDouble thick = fields.required(FreezeFields.THICK);
        Surroundings outside = fields.choice(FreezeFields.OUTSIDE).orElse(Surroundings.INSULATED);
        alloy.ifPresent(a -> MeltQuestionReader.liquid(fields, a, FreezeFields.ALLOY, FreezeFields.POUR));
        if (fields.hasErrors() || mold.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(new FreezeRequest(
                new SectionFreezing.Question(
                        alloy.orElseThrow(),
                        pour.getAsDouble(),
                        moldC.getAsDouble(),
                        shape.orElseThrow(),
                        half.getAsDouble(),
                        mold.get(),
                        thick.getAsDouble(),
                        outside),
                factors));
    }

    /** By its system, or by its own constants, what is left out as gypsum. */
    private static Optional<Medium> mold(Fields fields) {
        Optional<Medium> system = fields.choice(FreezeFields.SYSTEM);
        if (system.isEmpty() && !fields.hasBelow("mold.thermal")) {
            fields.missing(FreezeFields.SYSTEM, "Say what the mold is of, or its thermal constants.");
            return system;
        }
        return Optional.of(FiringQuestionReader.thermal(fields, "mold.", system.orElse(Setting.GYPSUM)));
    }
}
