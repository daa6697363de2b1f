package kilnryu.app.melt;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Fields;
import kilnryu.core.material.Alloy;
import kilnryu.core.melt.Bands;
import kilnryu.core.melt.ChargeQuestion;
import kilnryu.core.melt.MakeUp;
import kilnryu.core.melt.Stock;
import kilnryu.core.sum.Factors;

/** Reads what charge is wanted and what is in store, as the API says it. */
public final class ChargeQuestionReader {
    private static final int MOST_LOTS = 500;

    private ChargeQuestionReader() {}

    public static Optional<ChargeQuestion> read(Fields fields, Factors factors) {
        Optional<Alloy> alloy = fields.chosen(MeltFields.ALLOY, "Choose the alloy.");
        Optional<Bands> bands = alloy.flatMap(Bands::of);
        if (alloy.isPresent() && bands.isEmpty()) {
            fields.error(
                    MeltFields.ALLOY, "The make-up of " + alloy.get().label() + " is not tabled: no charge is judged.");
        }
        OptionalDouble needed = fields.required(MeltFields.NEEDED);
        double returns = fields.quantity(MeltFields.RETURNS).orElse(factors.value(ChargeQuestion.RETURNS));
        double unknown = fields.quantity(MeltFields.UNKNOWN_RETURNS).orElse(factors.value(ChargeQuestion.UNKNOWN));
        List<Stock> stock = stock(fields);
        if (fields.hasErrors() || bands.isEmpty() || needed.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(new ChargeQuestion(alloy.get(), bands.get(), needed.getAsDouble(), stock, returns, unknown));
    }

    private static List<Stock> stock(Fields fields) {
        List<String> keys = fields.keys("stock");
        if (keys.isEmpty()) {
            fields.missing("stock", "Say what is in store: at least one lot.");
        }
        if (keys.size() > MOST_LOTS) {
            fields.error("stock", "At most " + MOST_LOTS + " lots.");
            return List.of();
        }
        List<Stock> all = new ArrayList<>();
        for (String key : keys) {
            lot(fields, key).ifPresent(all::add);
        }
        return all;
    }

    private static Optional<Stock> lot(Fields fields, String key) {
        String at = "stock[" + key + "].";
        Optional<String> name = fields.named(MeltFields.STOCK.in(key), "Give the lot a name.");
        OptionalDouble available = fields.required(MeltFields.AVAILABLE.in(key));
        OptionalDouble price = fields.quantity(MeltFields.STOCK_PRICE.in(key));
        OptionalDouble piece = fields.quantity(MeltFields.STOCK_PIECE.in(key));
        Stock.Type type = fields.choice(MeltFields.STOCK_KIND.in(key)).orElse(Stock.Type.INGOT);
        Optional<MakeUp> makeUp = MakeUps.shares(fields, at + "composition");
        if (makeUp.isEmpty() && !fields.hasError(at + "composition") && !isBack(type)) {
            fields.missing(at + "composition", "Say what it is made of, in mass %; only a return may be unknown.");
        }
        if (name.isEmpty() || available.isEmpty() || fields.hasErrors()) {
            return Optional.empty();
        }
        return Optional.of(
                new Stock(name.get(), available.getAsDouble(), price, makeUp, type, piece, OptionalDouble.empty()));
    }

    private static boolean isBack(Stock.Type type) {
        return type == Stock.Type.RETURN || type == Stock.Type.UNKNOWN;
    }
}
