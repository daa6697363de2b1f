package kilnryu.core.melt;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * What melts the metal.
 *
 * @param kilowatts rated
 * @param efficiency its own, measured, %; empty for what is usual of its kind
 * @param most C; empty where not known
 */
public record Furnace(double kilowatts, Heating heating, OptionalDouble efficiency, OptionalDouble most) {
    public Furnace {
        if (!(kilowatts > 0) || efficiency.orElse(1) <= 0 || efficiency.orElse(1) > 100) {
            throw new IllegalArgumentException("no furnace is like this");
        }
    }

    /** How it heats, and what share of its power reaches the metal (handbook 16). */
    public enum Heating {
        RESISTANCE("resistance", "electric resistance", 55, 45, 65),
        INDUCTION("induction", "induction", 65, 55, 75),
        GAS("gas", "gas", 20, 12, 28),
        CHARCOAL("charcoal", "charcoal", 10, 6, 15);

        private final String label;
        private final Constant efficiency;

        Heating(String key, String label, double percent, double low, double high) {
            this.label = label;
            efficiency = new Constant(
                    "furnace." + key,
                    "efficiency",
                    "share of the power that reaches the metal, " + label,
                    percent,
                    low,
                    high,
                    Measure.PERCENT,
                    Mark.T,
                    "handbook 16");
        }

        public static Optional<Heating> named(String key) {
            return Arrays.stream(values()).filter(h -> h.key().equals(key)).findFirst();
        }

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        public String label() {
            return label;
        }

        public Constant efficiency() {
            return efficiency;
        }

        /** Burns fuel: carbon monoxide. */
        public boolean burns() {
            return this == GAS || this == CHARCOAL;
        }
    }

    /** What is usual of each kind, and of what a charge may be made. */
    public static List<Constant> constants() {
        return Stream.concat(
                        Arrays.stream(Heating.values()).map(Heating::efficiency),
                        Stream.of(ChargeQuestion.RETURNS, ChargeQuestion.UNKNOWN))
                .toList();
    }

    Figure share(Factors factors) {
        return efficiency.isPresent()
                ? Figure.given(
                        "efficiency",
                        "share of the power that reaches the metal, its own",
                        efficiency.getAsDouble(),
                        Measure.PERCENT,
                        Known.MEASURED,
                        0)
                : factors.of(heating.efficiency());
    }
}
