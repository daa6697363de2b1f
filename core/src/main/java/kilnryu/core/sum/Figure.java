package kilnryu.core.sum;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.quantity.Measure;
import org.jspecify.annotations.Nullable;

/**
 * A number that knows how it came about. Values are in the trade's working unit, which is the one its formula is right
 * in; conversion for display is the page's business.
 */
public final class Figure {
    private final String symbol;
    private final String name;
    private final double value;
    private final Measure unit;
    private final Mark mark;
    private final Known known;
    private final double spread;
    private final String source;
    private final @Nullable Constant constant;
    private final @Nullable Formula formula;
    private final List<Figure> inputs;

    private Figure(Leaf leaf, @Nullable Constant constant) {
        this.symbol = leaf.symbol;
        this.name = leaf.name;
        this.value = leaf.value;
        this.unit = leaf.unit;
        this.mark = leaf.mark;
        this.known = leaf.known;
        this.spread = leaf.spread;
        this.source = leaf.source;
        this.constant = constant;
        this.formula = null;
        this.inputs = List.of();
    }

    private Figure(Computation how, double value, List<Figure> inputs) {
        this.symbol = how.symbol;
        this.name = how.name;
        this.value = value;
        this.unit = how.unit;
        this.mark = how.mark;
        this.known = Known.COMPUTED;
        this.spread = Double.NaN;
        this.source = how.source;
        this.constant = null;
        this.formula = how.formula;
        this.inputs = List.copyOf(inputs);
    }

    /** An input. {@code spread} is one standard deviation in the figure's unit, 0 when it is exact or unknown. */
    public static Figure given(String symbol, String name, double value, Measure unit, Known known, double spread) {
        return new Figure(new Leaf(symbol, name, value, unit, Mark.P, known, spread, known.label()), null);
    }

    /** What a simulation of our own gives; {@code how} says what it followed until what. */
    public static Figure simulated(String symbol, String name, double value, Measure unit, String how) {
        return new Figure(new Leaf(symbol, name, value, unit, Mark.M, Known.COMPUTED, 0, how), null);
    }

    /** A constant as the handbook has it; its usual range is taken as four standard deviations wide. */
    public static Figure of(Constant c) {
        double spread = c.choice() ? 0 : (c.high() - c.low()) / 4;
        return new Figure(
                new Leaf(c.symbol(), c.name(), c.value(), c.unit(), c.mark(), Known.DEFAULT, spread, c.source()), c);
    }

    /** A constant the studio replaced; the handbook's own value stays readable through {@link #constant()}. */
    public static Figure replaced(Constant c, Replacement own) {
        return new Figure(
                new Leaf(c.symbol(), c.name(), own.value(), c.unit(), c.mark(), Known.REPLACED, 0, own.reason()), c);
    }

    /** Begins a computed figure: {@code Figure.computed("powder", "powder", GRAM).by(FORMULA, inputs)}. */
    public static Computation computed(String symbol, String name, Measure unit) {
        return new Computation(symbol, name, unit);
    }

    public String symbol() {
        return symbol;
    }

    public String name() {
        return name;
    }

    public double value() {
        return value;
    }

    public Measure unit() {
        return unit;
    }

    public Mark mark() {
        return mark;
    }

    public Known known() {
        return known;
    }

    /** Where it comes from, in words. */
    public String source() {
        return source;
    }

    public boolean isComputed() {
        return formula != null;
    }

    /** The formula as written, empty for inputs and constants. */
    public String formula() {
        return formula == null ? "" : formula.text();
    }

    /** The formula with the values put in, empty for inputs and constants. */
    public String substituted() {
        return formula == null ? "" : formula.substituted(inputs);
    }

    public List<Figure> inputs() {
        return inputs;
    }

    /** The handbook's constant behind it, whether replaced or not. */
    public Optional<Constant> constant() {
        return Optional.ofNullable(constant);
    }

    /** The spread that was stated for an input; empty for computed figures, which {@link Spread} follows. */
    OptionalDouble statedSpread() {
        return Double.isNaN(spread) ? OptionalDouble.empty() : OptionalDouble.of(spread);
    }

    /** The same figure under another symbol, for use in a formula where its own would clash. */
    public Figure as(String otherSymbol) {
        if (formula == null) {
            return new Figure(new Leaf(otherSymbol, name, value, unit, mark, known, spread, source), constant);
        }
        Computation how = new Computation(otherSymbol, name, unit);
        how.mark = mark;
        how.source = source;
        how.formula = formula;
        return new Figure(how, value, inputs);
    }

    double slope(int input) {
        return formula == null ? 0 : formula.slope(inputs, input);
    }

    @Override
    public String toString() {
        return symbol + " = " + value + " " + unit.symbol();
    }

    private record Leaf(
            String symbol,
            String name,
            double value,
            Measure unit,
            Mark mark,
            Known known,
            double spread,
            String source) {}

    /** A computed figure in the making. */
    public static final class Computation {
        private final String symbol;
        private final String name;
        private final Measure unit;
        private Mark mark = Mark.P;
        private String source = "";
        private @Nullable Formula formula;

        private Computation(String symbol, String name, Measure unit) {
            this.symbol = symbol;
            this.name = name;
            this.unit = unit;
        }

        public Computation mark(Mark itsMark, String itsSource) {
            mark = itsMark;
            source = itsSource;
            return this;
        }

        /**
         * The formula evaluated on the inputs, found by their symbols. Where assertions are on, as in all tests, a formula that
         * is no rule has to hold whatever the units are.
         */
        public Figure by(Formula itsFormula, Figure... inputs) {
            return by(itsFormula, List.of(inputs));
        }

        public Figure by(Formula itsFormula, List<Figure> inputs) {
            formula = itsFormula;
            assert itsFormula.isRule() || Dimensions.agree(itsFormula, inputs, unit)
                    : "the formula " + symbol + " [" + unit.symbol() + "] = " + itsFormula.text() + " of " + inputs
                            + " does not hold in other units; is it a rule?";
            return new Figure(this, itsFormula.value(inputs), inputs);
        }

        /** The total of the inputs, which share the figure's unit. */
        public Figure total(List<Figure> inputs) {
            return by(Formula.TOTAL, inputs);
        }
    }
}
