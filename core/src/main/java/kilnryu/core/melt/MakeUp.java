package kilnryu.core.melt;

import java.util.Comparator;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;

/**
 * What a metal is made of.
 *
 * @param percent mass % of each element, over 0; they sum to 100
 */
public record MakeUp(Map<Element, Double> percent) {
    /** What a sheet's figures may sum to beside 100, for rounding and traces. */
    public static final double ROUNDING = 0.5;

    /** @throws IllegalArgumentException when a share is under 0, or they do not sum to 100 within {@link #ROUNDING} */
    public MakeUp {
        double sum = percent.values().stream().mapToDouble(Double::doubleValue).sum();
        if (!(Math.abs(sum - 100) <= ROUNDING + 1e-9)
                || percent.values().stream().anyMatch(p -> !(p >= 0))) {
            throw new IllegalArgumentException(String.format(
                    Locale.ROOT,
                    "The make-up sums to %.1f %%, not to 100: %s.",
                    sum,
                    sum < 100 ? "an element is missing or too small" : "an element is there twice or too large"));
        }
        EnumMap<Element, Double> scaled = new EnumMap<>(Element.class);
        percent.forEach((e, p) -> {
            if (p > 0) {
                scaled.put(e, p * 100 / sum);
            }
        });
        percent = java.util.Collections.unmodifiableMap(scaled);
    }

    public static MakeUp pure(Element element) {
        return new MakeUp(Map.of(element, 100.0));
    }

    /** Mass %, 0 where there is none of it. */
    public double of(Element element) {
        return percent.getOrDefault(element, 0.0);
    }

    boolean isPure() {
        return percent.size() == 1;
    }

    /** What is left of 1 g of it after the melt, by what each element loses, %. */
    double keeps(ToDoubleFunction<Element> loss) {
        return percent.entrySet().stream()
                .mapToDouble(e -> e.getValue() / 100 * (1 - loss.applyAsDouble(e.getKey()) / 100))
                .sum();
    }

    /** Largest share first, as "Cu 95 Si 4 Mn 1". */
    @Override
    public String toString() {
        return percent.entrySet().stream()
                .sorted(Map.Entry.<Element, Double>comparingByValue(Comparator.reverseOrder())
                        .thenComparing(Map.Entry::getKey))
                .map(e -> e.getKey().symbol() + " " + digits(e.getValue()))
                .collect(Collectors.joining(" "));
    }

    private static String digits(double percent) {
        String text = String.format(Locale.ROOT, percent < 0.1 ? "%.3f" : "%.2f", percent);
        return text.replaceAll("0+$", "").replaceAll("\\.$", "");
    }
}
