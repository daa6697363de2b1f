package kilnryu.app.learning;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import kilnryu.app.web.Show;
import kilnryu.core.learning.Learned;
import kilnryu.core.sum.Constant;

/**
 * What was learned of one thing.
 *
 * @param what it stands for in plans, or why it is only shown
 * @param lead its value in words; empty for actual over planned
 * @param learned of what was planned as the handbook has it, or as the studio typed it
 * @param addresses of the records behind it
 * @param places that it would be put in, together; empty where it is only shown
 * @param taken whether it stands there now
 */
record Offer(
        String key,
        String name,
        String what,
        String unit,
        Lead lead,
        Learned learned,
        Map<Learned.Pair, String> addresses,
        List<Place> places,
        boolean taken) {

    /** A constant with what stands there without the log, and what would with it. */
    record Place(Constant constant, double now, double would) {}

    /** How its value is said: as so many times the plan, or as something of its own for which no plan was before. */
    record Lead(double one, String of) {
        static final Lead TIMES = new Lead(Double.NaN, "");

        boolean rate() {
            return !Double.isNaN(one);
        }

        String value(Learned learned) {
            return rate() ? Show.digits(one * learned.value()) + of : "× " + three(learned.value());
        }

        String interval(Learned learned) {
            if (learned.half().isEmpty()) {
                return "";
            }
            return (rate()
                            ? Show.digits(one * learned.low()) + " to " + Show.digits(one * learned.high()) + of
                            : three(learned.low()) + " to " + three(learned.high()))
                    + ", nine times in ten";
        }

        private static String three(double value) {
            return String.format(Locale.ROOT, "%.3f", value);
        }
    }

    /** Whether there are enough, it makes sense, and it would change something. */
    boolean takeable() {
        return !places.isEmpty()
                && learned.offered()
                && (lead.rate() || learned.differs())
                && places.stream().allMatch(p -> p.constant.bears(p.would));
    }

    String now() {
        return lead.rate() ? "nothing" : said(false);
    }

    String would() {
        return said(true);
    }

    private String said(boolean would) {
        return String.join(
                ", ",
                places.stream()
                        .map(p -> (fine(would ? p.would : p.now) + " "
                                        + p.constant.unit().symbol())
                                .strip())
                        .toList());
    }

    /** A digit more than is shown elsewhere: factors change by little. */
    private static String fine(double value) {
        return new BigDecimal(value)
                .round(new MathContext(4))
                .stripTrailingZeros()
                .toPlainString();
    }
}
