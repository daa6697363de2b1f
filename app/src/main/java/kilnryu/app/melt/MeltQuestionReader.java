package kilnryu.app.melt;

import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Declared;
import kilnryu.app.sheet.Fields;
import kilnryu.core.material.Alloy;
import kilnryu.core.melt.Furnace;
import kilnryu.core.melt.MeltQuestion;
import kilnryu.core.melt.PotCooling;
import kilnryu.core.quantity.Solids;
import kilnryu.core.sum.Factors;
import kilnryu.core.tree.Crucible;

/** Reads what is melted in which furnace, as the API says it. */
public final class MeltQuestionReader {
    private MeltQuestionReader() {}

    /** A question with the constants it is answered by. */
    public record MeltRequest(MeltQuestion question, Factors factors) {}

    public static Optional<MeltRequest> read(Fields fields, Factors factors) {
        Optional<Alloy> alloy = fields.chosen(MeltFields.ALLOY, "Choose the alloy.");
        OptionalDouble grams = fields.required(MeltFields.CHARGED);
        double start = fields.quantity(MeltFields.FROM).orElse(MeltQuestion.ROOM_C);
        OptionalDouble pour = fields.required(MeltFields.POUR);
        alloy.ifPresent(a -> liquid(fields, a, MeltFields.ALLOY, MeltFields.POUR));
        Optional<Furnace> furnace = furnace(fields);
        Crucible crucible = crucible(fields);
        Optional<MeltQuestion.Carry> carry = carry(fields);
        if (fields.hasErrors() || furnace.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(new MeltRequest(
                new MeltQuestion(
                        alloy.orElseThrow(),
                        grams.getAsDouble(),
                        start,
                        pour.getAsDouble(),
                        furnace.get(),
                        crucible,
                        carry),
                factors));
    }

    /** A word at the field where the alloy's melting is not tabled, or it is not all liquid as it is poured. */
    public static void liquid(Fields fields, Alloy alloy, Declared alloyField, Declared.Quantity pourField) {
        if (!alloy.isTabled()) {
            fields.error(alloyField, "The melting of " + alloy.label() + " is not tabled.");
            return;
        }
        OptionalDouble pour = fields.quantity(pourField);
        if (pour.isPresent() && pour.getAsDouble() < alloy.melting().liquidus()) {
            fields.error(
                    pourField,
                    "It is not all liquid under " + Math.round(alloy.melting().liquidus()) + " °C.");
        }
    }

    private static Optional<Furnace> furnace(Fields fields) {
        OptionalDouble power = fields.required(MeltFields.FURNACE_POWER);
        Optional<Furnace.Heating> kind =
                fields.chosen(MeltFields.FURNACE_KIND, "Say how it heats: resistance, induction, gas or charcoal.");
        OptionalDouble share = fields.quantity(MeltFields.FURNACE_SHARE);
        OptionalDouble most = fields.quantity(MeltFields.FURNACE_MOST);
        return power.isEmpty() || kind.isEmpty()
                ? Optional.empty()
                : Optional.of(new Furnace(power.getAsDouble(), kind.get(), share, most));
    }

    private static Crucible crucible(Fields fields) {
        return new Crucible(fields.quantity(MeltFields.HOLDS), fields.quantity(MeltFields.RATED));
    }

    private static Optional<MeltQuestion.Carry> carry(Fields fields) {
        if (!fields.hasBelow("carry")) {
            return Optional.empty();
        }
        OptionalDouble seconds = fields.required(MeltFields.CARRY_SECONDS);
        OptionalDouble mouth = fields.required(MeltFields.MOUTH);
        OptionalDouble wall = fields.required(MeltFields.WALL);
        boolean covered = fields.flag(MeltFields.COVERED).orElse(false);
        if (seconds.isEmpty() || mouth.isEmpty() || wall.isEmpty()) {
            return Optional.empty();
        }
        double d = mouth.getAsDouble() / 1000;
        return Optional.of(new MeltQuestion.Carry(
                seconds.getAsDouble(),
                new PotCooling(Solids.disc(d), wall.getAsDouble() / 1e4, covered, MeltQuestion.ROOM_C)));
    }
}
