package kilnryu.core.sum;

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

    public double value(Constant constant) {
        Replacement own = replaced.get(constant.key());
        return own == null ? constant.value() : own.value();
    }
}
