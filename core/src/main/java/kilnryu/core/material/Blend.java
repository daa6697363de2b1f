package kilnryu.core.material;

import static kilnryu.core.quantity.Measure.CUBIC_CENTIMETRE;
import static kilnryu.core.quantity.Measure.GRAM_PER_CM3;
import static kilnryu.core.quantity.Measure.PERCENT;
import static kilnryu.core.quantity.Measure.PER_100;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Predicate;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.material.Ingredient.Role;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * An investment mixed by the studio from ingredients by mass (handbook 2), and what follows for its mix.
 *
 * @param density true density of the powder, g/cm3: one over the sum of share over density
 * @param slurryDensity of the fresh mix, g/cm3
 * @param yield slurry from a kilogram of powder, cm3
 * @param hemihydrate share of plaster that takes up water, %
 * @param cost of a kilogram of powder, in the studio's money; empty while a price is missing
 * @param costPerLitre of slurry
 */
public record Blend(
        List<Share> shares,
        Figure density,
        Figure waterPer100,
        Figure slurryDensity,
        Figure yield,
        Figure hemihydrate,
        Optional<Figure> cost,
        Optional<Figure> costPerLitre,
        Findings findings) {
    private static final double WHOLE = 100;
    /** Shares may miss 100 % by this much: what a kitchen scale rounds away. */
    private static final double ROUNDING = 0.05;

    private static final Formula SLURRY = Formula.rule("(100 + W) / (100 / d + W)");
    private static final Formula YIELD = Formula.rule("(100 / d + W) * 10");
    private static final Formula LITRE = Formula.rule("price * 1000 / yield");
    private static final Constant MOST_BINDER = limit("binder", "most binder before it cracks", 60, 50, 70);
    private static final Constant MOST_SAND = limit("sand", "most free sand before it is weak", 75, 65, 85);

    /** The limits a studio may replace. */
    public static List<Constant> constants() {
        return List.of(MOST_BINDER, MOST_SAND);
    }

    /**
     * One ingredient.
     *
     * @param percent by mass
     * @param density true density, g/cm3
     * @param freeSand whether it is loose sand, which weakens a blend that holds too much of it
     * @param price of a kilogram, NaN where it is not known
     */
    public record Share(String name, double percent, double density, Role role, boolean freeSand, double price) {}

    /** How far shares are from a whole, %: 0 when they are within what rounding explains. */
    public static double missing(List<Share> shares) {
        double sum = shares.stream().mapToDouble(Share::percent).sum();
        return Math.abs(sum - WHOLE) <= ROUNDING ? 0 : WHOLE - sum;
    }

    /**
     * @param water parts of water to 100 of powder by mass
     * @throws IllegalArgumentException for shares that do not sum to 100 %
     */
    public static Blend of(List<Share> shares, Figure water, Factors factors) {
        if (shares.isEmpty() || missing(shares) != 0) {
            throw new IllegalArgumentException("the shares are no whole");
        }
        Figure density = density(shares);
        Figure w = water.as("W");
        Figure d = density.as("d");
        Figure yield = Figure.computed("yield", "slurry from 1 kg of powder", CUBIC_CENTIMETRE)
                .by(YIELD, d, w);
        Optional<Figure> cost = cost(shares);
        Figure hemihydrate = share("hemihydrate", "plaster that takes up water", shares, s -> s.role == Role.BINDER);
        return new Blend(
                List.copyOf(shares),
                density,
                water,
                Figure.computed("slurry_density", "fresh mix", GRAM_PER_CM3).by(SLURRY, d, w),
                yield,
                hemihydrate,
                cost,
                cost.map(c -> Figure.computed("litre", "price of a litre of slurry", Measure.TIMES)
                        .by(LITRE, c.as("price"), yield)),
                new Findings(findings(shares, factors)));
    }

    private static Figure density(List<Share> shares) {
        StringBuilder sum = new StringBuilder();
        List<Figure> inputs = new ArrayList<>();
        for (int i = 0; i < shares.size(); i++) {
            Share s = shares.get(i);
            sum.append(i == 0 ? "" : " + ").append("s").append(i).append(" / d").append(i);
            inputs.add(Figure.given("s" + i, s.name, s.percent, PERCENT, Known.CHOSEN, 0));
            inputs.add(Figure.given("d" + i, s.name + ", true density", s.density, GRAM_PER_CM3, Known.DEFAULT, 0));
        }
        return Figure.computed("density", "true density of the powder", GRAM_PER_CM3)
                .by(Formula.of("100 / (" + sum + ")"), inputs);
    }

    private static Figure share(String symbol, String name, List<Share> shares, Predicate<Share> which) {
        return Figure.computed(symbol, name, PERCENT)
                .total(shares.stream()
                        .filter(which)
                        .map(s -> Figure.given(symbol, s.name, s.percent, PERCENT, Known.CHOSEN, 0))
                        .toList());
    }

    private static Optional<Figure> cost(List<Share> shares) {
        if (shares.stream().anyMatch(s -> Double.isNaN(s.price))) {
            return Optional.empty();
        }
        List<Figure> prices = shares.stream()
                .map(s -> Figure.given("price", s.name, s.percent / WHOLE * s.price, Measure.TIMES, Known.CHOSEN, 0))
                .toList();
        return Optional.of(Figure.computed("cost", "price of a kilogram of powder", Measure.TIMES)
                .total(prices));
    }

    private static List<Finding> findings(List<Share> shares, Factors factors) {
        List<Finding> found = new ArrayList<>();
        Figure refractory = share("refractory", "refractory", shares, s -> s.role == Role.REFRACTORY);
        Figure binder = share("binder", "binder", shares, s -> s.role == Role.BINDER);
        Figure sand = share("sand", "free sand", shares, Share::freeSand);
        Figure cement = share("cement", "cement", shares, s -> s.role == Role.CEMENT);
        double glue = binder.value() + cement.value();
        if (refractory.value() == 0) {
            found.add(warn(
                    "no-refractory",
                    "There is no refractory in it.",
                    "Plaster alone shrinks in the fire and cracks through.",
                    "Half of it silica flour, sand or grog, by mass.",
                    refractory));
        }
        if (glue == 0) {
            found.add(warn(
                    "no-binder",
                    "There is no binder in it: nothing makes it set.",
                    "It stays a heap of wet sand.",
                    "Add plaster, 30 % or more.",
                    binder));
        }
        if (binder.value() > factors.value(MOST_BINDER)) {
            found.add(muchBinder(binder, factors));
        }
        if (sand.value() > factors.value(MOST_SAND)) {
            found.add(warn(
                    "much-sand",
                    say("%.0f %% free sand: over %.0f %% it is weak.", sand, factors.value(MOST_SAND)),
                    "Grains that hardly touch binder wash into the metal.",
                    "Less sand, or part of it as flour, and a fine face coat.",
                    sand));
        }
        if (cement.value() > 0) {
            found.add(warn(
                    "cement-in-fire",
                    say("%.0f %% cement: under fire it spalls.", cement, 0),
                    "Its bound water leaves late and bursts pieces off; small parts only.",
                    "Plaster as binder for anything larger than a fist.",
                    cement));
        }
        return found;
    }

    /** What stands against a mix of which only the share of plaster is known, %. */
    public static Findings ofPlaster(double percent, Factors factors) {
        Figure binder = Figure.given("binder", "binder", percent, PERCENT, Known.CHOSEN, 0);
        return percent > factors.value(MOST_BINDER)
                ? new Findings(List.of(muchBinder(binder, factors)))
                : Findings.NONE;
    }

    private static Finding muchBinder(Figure binder, Factors factors) {
        return warn(
                "much-binder",
                say("%.0f %% binder: over %.0f %% it is likely to crack.", binder, factors.value(MOST_BINDER)),
                "Plaster shrinks as its water leaves; the refractory has to hold it open.",
                "More silica or grog, less plaster.",
                binder);
    }

    private static Finding warn(String id, String message, String reason, String remedy, Figure from) {
        return Finding.warn(id, "blend", message, reason, remedy).from(from);
    }

    private static String say(String words, Figure is, double asked) {
        return String.format(Locale.ROOT, words, is.value(), asked);
    }

    private static Constant limit(String key, String name, double percent, double low, double high) {
        return new Constant(
                "blend." + key, "asked", name, percent, low, high, PERCENT, Mark.M, "our own limit, handbook 2");
    }

    /** A ratio as it was chosen. */
    public static Figure ratio(double water) {
        return Figure.given("W", "water per 100 powder", water, PER_100, Known.CHOSEN, 0);
    }

    /** What a ratio does, in one line, held against the usual of such a system. */
    public static String effect(double water, double usual) {
        if (water > usual * 1.05) {
            return "Wetter than usual: flows better and sets later, but weaker, more porous, rougher face.";
        }
        return water < usual * 0.95
                ? "Drier than usual: stronger and finer, but stiff, sets sooner and traps bubbles."
                : "The usual ratio: flows round the pattern and still sets hard.";
    }
}
