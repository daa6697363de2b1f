package kilnryu.core.sum;

import java.util.HashMap;
import java.util.Map;

/** The studio's replacements of constants, by key; empty for the handbook as it stands. */
public record Factors(Map<String, Replacement> replaced) {
    public static final Factors HANDBOOK = new Factors(Map.of());

    public Factors {
        replaced = Map.copyOf(replaced);
    }

    /** The constant as this studio uses it. */
    public Figure of(Constant constant) {
        Replacement own = replaced.get(constant.key());
        return own == null ? Figure.of(constant) : Figure.replaced(constant, own);
    }

    /** The same with other replacements over them: those of a named school over the studio's. */
    public Factors under(Map<String, Replacement> others) {
        Map<String, Replacement> all = new HashMap<>(replaced);
        all.putAll(others);
        return new Factors(all);
    }

    public double value(Constant constant) {
        Replacement own = replaced.get(constant.key());
        return own == null ? constant.value() : own.value();
    }
}
