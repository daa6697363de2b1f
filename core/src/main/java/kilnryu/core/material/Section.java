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
    THIN("thin", "thin, under 5 mm", 0),
    MEDIUM("medium", "medium, 5 to 12 mm", 0.5),
    HEAVY("heavy", "heavy, over 12 mm", 1);

    private static final double THIN_TO_MM = 5;
    private static final double MEDIUM_TO_MM = 12;
    private static final Formula POUR = Formula.of("min(liquidus + superheat, most)");
    private static final Formula BETWEEN = Formula.of("fine + share * (heavy - fine)");

    private final String key;
    private final String label;
    private final double towardsHeavy;

    Section(String key, String label, double towardsHeavy) {
        this.key = key;
        this.label = label;
        this.towardsHeavy = towardsHeavy;
    }

    public static Optional<Section> named(String key) {
        return Arrays.stream(values()).filter(s -> s.key.equals(key)).findFirst();
    }

    public static List<Constant> constants() {
        return Superheat.constants();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    /** Whether a wall of so many mm is of this kind. */
    static Section ofWall(double mm) {
        return mm < THIN_TO_MM ? THIN : mm <= MEDIUM_TO_MM ? MEDIUM : HEAVY;
    }

    /** Temperature of the metal at the pour, C, never over the alloy's own limit; empty where its melting range is not tabled. */
    public Optional<Figure> pourTemperature(Alloy alloy, Factors factors) {
        if (!alloy.isTabled()) {
            return Optional.empty();
        }
        return Optional.of(Figure.computed("pour", "metal at the pour", Measure.DEGREE_CELSIUS)
                .mark(Mark.T, "handbook 2, pour temperature")
                .by(
                        POUR,
                        table(
                                "liquidus",
                                "liquidus of " + alloy.label(),
                                alloy.melting().liquidus()),
                        factors.of(alloy.superheat().of(this)),
                        table("most", "at most, " + alloy.label(), alloy.mostC())));
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
