package kilnryu.core.sum;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import kilnryu.core.quantity.Measure;

/**
 * Whether a formula holds whatever the units are: with kilograms, metres, seconds and kelvins made larger or smaller its
 * result has to follow its own unit. A number in it that carries a unit shows by that it does not. Prefixes do not matter:
 * grams and kilograms grow together.
 */
final class Dimensions {
    private static final double[][] SCALES = {{1.7, 1.3, 0.6, 1.2}, {0.8, 1.9, 1.4, 0.7}};
    private static final double TOLERANCE = 1e-6;
    /** Of formulas and units that were found to agree, so that each is looked at once. */
    private static final Set<String> AGREED = ConcurrentHashMap.newKeySet();

    private Dimensions() {}

    /** @param unit of the result */
    static boolean agree(Formula formula, List<Figure> inputs, Measure unit) {
        StringBuilder key = new StringBuilder(formula.text()).append(unit);
        inputs.forEach(f -> key.append(' ').append(f.symbol()).append(f.unit()));
        if (AGREED.contains(key.toString())) {
            return true;
        }
        double value = formula.value(inputs);
        if (!Double.isFinite(value)) {
            return true;
        }
        for (double[] scale : SCALES) {
            double scaled = formula.value(scaled(inputs, scale));
            double expected = value * factor(unit, scale);
            if (!Double.isFinite(scaled)
                    || Math.abs(scaled - expected) > TOLERANCE * Math.max(1e-9, Math.abs(expected))) {
                return false;
            }
        }
        AGREED.add(key.toString());
        return true;
    }

    private static List<Figure> scaled(List<Figure> inputs, double[] scale) {
        List<Figure> scaled = new ArrayList<>();
        for (Figure f : inputs) {
            scaled.add(Figure.given(f.symbol(), f.name(), f.value() * factor(f.unit(), scale), f.unit(), f.known(), 0));
        }
        return scaled;
    }

    private static double factor(Measure unit, double[] scale) {
        double[] exponents = unit.dimension();
        double factor = 1;
        for (int i = 0; i < scale.length; i++) {
            factor *= Math.pow(scale[i], exponents[i]);
        }
        return factor;
    }
}
