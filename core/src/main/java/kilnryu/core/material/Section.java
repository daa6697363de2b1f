package kilnryu.core.material;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * How thick the sections of a casting are, which decides how hot metal and mold must be (handbook 2): thin and small
 * hotter, thick and large cooler.
 */
public enum Section {
    THIN("thin", "thin, under 5 mm", 200, 160, 250, 0),
    MEDIUM("medium", "medium, 5 to 12 mm", 140, 120, 160, 0.5),
    HEAVY("heavy", "heavy, over 12 mm", 100, 80, 120, 1);

    /** Zinc boils off above this superheat. */
    private static final Constant ZINC_LIMIT = new Constant(
            "superheat.zinc",
            "zinc_limit",
            "most superheat with zinc",
            130,
            100,
            130,
            Measure.STEP_KELVIN,
            Mark.T,
            "handbook 2, pour temperature");

    private static final Formula POUR = Formula.of("liquidus + superheat");
    private static final Formula POUR_WITH_ZINC = Formula.of("liquidus + min(superheat, zinc_limit)");
    private static final Formula BETWEEN = Formula.of("fine + share * (heavy - fine)");

    private final String key;
    private final String label;
    private final double towardsHeavy;
    private final Constant superheat;

    Section(String key, String label, double superheat, double low, double high, double towardsHeavy) {
        this.key = key;
        this.label = label;
        this.towardsHeavy = towardsHeavy;
        this.superheat = new Constant(
                "superheat." + key,
                "superheat",
                "superheat, " + key + " sections",
                superheat,
                low,
                high,
                Measure.STEP_KELVIN,
                Mark.T,
                "handbook 2, pour temperature");
    }

    public static Optional<Section> named(String key) {
        return Arrays.stream(values()).filter(s -> s.key.equals(key)).findFirst();
    }

    public static List<Constant> constants() {
        return List.of(THIN.superheat, MEDIUM.superheat, HEAVY.superheat, ZINC_LIMIT);
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    /** Temperature of the metal at the pour, C; empty for alloys whose melting range is not tabled. */
    public Optional<Figure> pourTemperature(Alloy alloy, Factors factors) {
        if (!alloy.isTabled()) {
            return Optional.empty();
        }
        Figure liquidus = table(
                "liquidus", "liquidus of " + alloy.label(), alloy.melting().liquidus());
        Figure.Computation pour = Figure.computed("pour", "metal at the pour", Measure.DEGREE_CELSIUS)
                .mark(Mark.T, "handbook 2, pour temperature");
        return Optional.of(
                alloy.family() == Alloy.Family.ZINC_BEARING
                        ? pour.by(POUR_WITH_ZINC, liquidus, factors.of(superheat), factors.of(ZINC_LIMIT))
                        : pour.by(POUR, liquidus, factors.of(superheat)));
    }

    /** Temperature of a flask at the pour, C, between the alloy's fine and heavy ends; empty where not tabled. */
    public Optional<Figure> flaskTemperature(Alloy alloy) {
        return between(
                "flask", alloy, alloy.preheat().flaskFine(), alloy.preheat().flaskHeavy());
    }

    /** The same of a ceramic shell. */
    public Optional<Figure> shellTemperature(Alloy alloy) {
        return between(
                "shell", alloy, alloy.preheat().shellFine(), alloy.preheat().shellHeavy());
    }

    private Optional<Figure> between(String mold, Alloy alloy, double fine, double heavy) {
        if (Double.isNaN(fine)) {
            return Optional.empty();
        }
        return Optional.of(Figure.computed("mold", "mold at the pour", Measure.DEGREE_CELSIUS)
                .mark(Mark.T, "handbook 2, " + mold + " preheat of " + alloy.label())
                .by(
                        BETWEEN,
                        table("fine", mold + " for fine sections", fine),
                        table("heavy", mold + " for heavy sections", heavy),
                        Figure.given("share", "place between them", towardsHeavy, Measure.FRACTION, Known.CHOSEN, 0)));
    }

    private static Figure table(String symbol, String name, double celsius) {
        return Figure.of(new Constant(
                symbol, symbol, name, celsius, celsius, celsius, Measure.DEGREE_CELSIUS, Mark.T, "handbook 2, alloys"));
    }
}
