package kilnryu.app.melt;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.core.melt.MakeUp;
import kilnryu.core.melt.Stock;
import kilnryu.core.quantity.Measure;

/** Reads a lot of metal, and what is taken from it or put back. */
final class MetalReader {
    static final Range IN_STORE = new Range(Measure.GRAM, 0, 1e8);
    private static final int LONGEST_NAME = 80;
    private static final int LONGEST_NOTE = 400;

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
        Optional<String> name = fields.text("name", LONGEST_NAME);
        if (name.isEmpty()) {
            fields.missing("name", "Give the lot a name.");
        }
        Optional<Stock.Type> type = fields.choice("kind", Stock.Type::named);
        if (type.isEmpty()) {
            fields.missing("kind", "Say what kind of metal it is.");
        }
        Optional<MakeUp> makeUp = MakeUps.line(fields, "make_up");
        boolean unknown = type.filter(t -> t == Stock.Type.UNKNOWN).isPresent();
        if (makeUp.isEmpty() && !unknown && !fields.hasError("make_up")) {
            fields.missing("make_up", "Say what it is made of, or choose unknown scrap.");
        }
        OptionalDouble grams = fresh ? fields.required("mass_g", IN_STORE) : OptionalDouble.empty();
        OptionalDouble piece = fields.quantity("piece_g", Range.MASS);
        OptionalDouble price = fields.quantity("price", ChargeQuestionReader.PRICE);
        date(fields);
        fields.text("of_casting", LONGEST_NAME);
        fields.text("place", LONGEST_NAME);
        fields.text("note", LONGEST_NOTE);
        return fields.hasErrors()
                ? Optional.empty()
                : Optional.of(
                        new Lot(name.get(), type.get(), unknown ? Optional.empty() : makeUp, grams, piece, price));
    }

    private static void date(Fields fields) {
        fields.text("got_on", 10).ifPresent(d -> {
            try {
                LocalDate.parse(d);
            } catch (DateTimeParseException e) {
                fields.error("got_on", "Write the day as 2026-03-31.");
            }
        });
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

        static Optional<Move> named(String key) {
            return java.util.Arrays.stream(values())
                    .filter(m -> m.key.equals(key))
                    .findFirst();
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
        Optional<Move> move = fields.choice("move", Move::named);
        if (move.isEmpty()) {
            fields.missing("move", "Say what happened.");
        }
        OptionalDouble grams = fields.required("grams", IN_STORE);
        String note = fields.text("move_note", LONGEST_NOTE).orElse("");
        return fields.hasErrors() ? Optional.empty() : Optional.of(new Moved(move.get(), grams.getAsDouble(), note));
    }
}
