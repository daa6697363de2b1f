package kilnryu.app.melt;

import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Fields;
import kilnryu.core.melt.MakeUp;
import kilnryu.core.melt.Stock;

/** Reads a lot of metal, and what is taken from it or put back. */
final class MetalReader {
    private MetalReader() {}

    /** @param grams at first; only of a new lot */
    record Lot(
            String name,
            Stock.Type type,
            Optional<MakeUp> makeUp,
            OptionalDouble grams,
            OptionalDouble piece,
            OptionalDouble price) {}

    /** @param fresh whether the lot is new, so that its mass is asked */
    static Optional<Lot> read(Fields fields, boolean fresh) {
        Optional<String> name = fields.named(MeltFields.NAME, "Give the lot a name.");
        Optional<Stock.Type> type = fields.chosen(MeltFields.KIND, "Say what kind of metal it is.");
        Optional<MakeUp> makeUp = MakeUps.line(fields, MeltFields.MAKE_UP);
        boolean unknown = type.filter(t -> t == Stock.Type.UNKNOWN).isPresent();
        if (makeUp.isEmpty() && !unknown && !fields.hasError(MeltFields.MAKE_UP)) {
            fields.missing(MeltFields.MAKE_UP, "Say what it is made of, or choose unknown scrap.");
        }
        OptionalDouble grams = fresh ? fields.required(MeltFields.MASS) : OptionalDouble.empty();
        OptionalDouble piece = fields.quantity(MeltFields.PIECE);
        OptionalDouble price = fields.quantity(MeltFields.COSTS);
        fields.look(MeltFields.SINCE, MeltFields.OF_CASTING, MeltFields.LIES, MeltFields.NOTE);
        return fields.hasErrors()
                ? Optional.empty()
                : Optional.of(
                        new Lot(name.get(), type.get(), unknown ? Optional.empty() : makeUp, grams, piece, price));
    }

    /** What happens to a lot by hand. */
    enum Move {
        BACK("back", "came back", 1),
        BOUGHT("bought", "bought more", 1),
        USED("used", "used elsewhere", -1),
        LOST("lost", "sold or lost", -1),
        COUNTED("counted", "weighed again: there are", 0);

        private final String key;
        private final String label;
        private final int sign;

        Move(String key, String label, int sign) {
            this.key = key;
            this.label = label;
            this.sign = sign;
        }

        String key() {
            return key;
        }

        String label() {
            return label;
        }
    }

    /** @param grams by which it changes; where it was weighed again what there is */
    record Moved(Move move, double grams, String note) {
        /** By how much it changes, given what there is, g. */
        double change(double remaining) {
            return move == Move.COUNTED ? grams - remaining : move.sign * grams;
        }
    }

    static Optional<Moved> move(Fields fields) {
        Optional<Move> move = fields.chosen(MeltFields.MOVE, "Say what happened.");
        OptionalDouble grams = fields.required(MeltFields.MOVED);
        String note = fields.text(MeltFields.MOVE_NOTE).orElse("");
        return fields.hasErrors() ? Optional.empty() : Optional.of(new Moved(move.get(), grams.getAsDouble(), note));
    }
}
