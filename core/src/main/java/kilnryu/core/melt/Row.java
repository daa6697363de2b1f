package kilnryu.core.melt;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.ToDoubleFunction;

/**
 * One condition of a charge, over masses in parts of what is needed.
 *
 * @param name of the band or lot, as it is said when it cannot be met; empty for what is asked itself
 */
record Row(String name, double[] by, Sense sense, double value) {
    /** Bands are met with so much to spare, as a share: what rounding takes stays inside. */
    private static final double INSIDE = 1e-8;

    enum Sense {
        LEAST,
        MOST,
        EQUAL
    }

    /** All conditions of a question; {@code whole} lets the melt end over what is asked. */
    static List<Row> of(ChargeQuestion q, boolean whole) {
        List<Row> rows = new ArrayList<>();
        rows.add(new Row("", over(q, q::keeps), whole ? Sense.LEAST : Sense.EQUAL, 1));
        q.bands().bands().forEach((element, band) -> band(q, element, band, rows));
        traces(q, rows);
        returns(q, rows);
        for (int i = 0; i < q.stock().size(); i++) {
            Stock lot = q.stock().get(i);
            double[] one = new double[q.stock().size()];
            one[i] = 1;
            double most = q.usable(lot) ? lot.available() / q.needed() : 0;
            rows.add(new Row(lot.name(), one, Sense.MOST, most));
            if (lot.fixed().isPresent()) {
                rows.add(new Row(lot.name(), one, Sense.EQUAL, lot.fixed().getAsDouble() / q.needed()));
            }
        }
        return rows;
    }

    private static void band(ChargeQuestion q, Element element, Bands.Band band, List<Row> rows) {
        double inside = (band.high() - band.low()) * q.inside() / 100;
        if (band.low() > 0) {
            double low = band.low() / 100 + inside + INSIDE;
            rows.add(new Row(element.symbol(), share(q, element, low), Sense.LEAST, 0));
        }
        if (band.high() < 100) {
            double high = Math.max(0, band.high() / 100 - inside - INSIDE);
            rows.add(new Row(element.symbol(), share(q, element, high), Sense.MOST, 0));
        }
    }

    private static void traces(ChargeQuestion q, List<Row> rows) {
        Set<Element> strangers = EnumSet.noneOf(Element.class);
        q.stock().forEach(s -> strangers.addAll(q.takenFor(s).percent().keySet()));
        strangers.removeIf(e -> !q.bands().trace(e));
        double most = q.bands().traces() / 100 - INSIDE;
        for (Element e : strangers) {
            if (e.poison()) {
                rows.add(new Row(e.symbol(), share(q, e, Bands.POISON / 100 - INSIDE), Sense.MOST, 0));
            } else if (q.bands().traceEach()) {
                rows.add(new Row(e.symbol(), share(q, e, most), Sense.MOST, 0));
            }
        }
        if (!q.bands().traceEach() && !strangers.isEmpty()) {
            rows.add(new Row(
                    "others",
                    over(
                            q,
                            s -> strangers.stream()
                                            .mapToDouble(e -> q.keeps(s, e))
                                            .sum()
                                    - most * q.keeps(s)),
                    Sense.MOST,
                    0));
        }
    }

    private static void returns(ChargeQuestion q, List<Row> rows) {
        rows.add(new Row("returns", over(q, s -> (s.comesBack() ? 1 : 0) - q.mostReturns() / 100), Sense.MOST, 0));
        if (q.stock().stream().anyMatch(Stock::isUnknown)) {
            rows.add(new Row(
                    "unknown make-up", over(q, s -> (s.isUnknown() ? 1 : 0) - q.mostUnknown() / 100), Sense.MOST, 0));
        }
    }

    private static double[] share(ChargeQuestion q, Element element, double limit) {
        return over(q, s -> q.keeps(s, element) - limit * q.keeps(s));
    }

    static double[] over(ChargeQuestion q, ToDoubleFunction<Stock> of) {
        return q.stock().stream().mapToDouble(of).toArray();
    }
}
