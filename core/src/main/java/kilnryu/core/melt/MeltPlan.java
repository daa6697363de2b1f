package kilnryu.core.melt;

import static kilnryu.core.quantity.Measure.CUBIC_CENTIMETRE;
import static kilnryu.core.quantity.Measure.DEGREE_CELSIUS;
import static kilnryu.core.quantity.Measure.GRAM;
import static kilnryu.core.quantity.Measure.JOULE_PER_KG_K;
import static kilnryu.core.quantity.Measure.KILOJOULE_PER_KG;
import static kilnryu.core.quantity.Measure.KILOWATT;
import static kilnryu.core.quantity.Measure.KILOWATT_HOUR;
import static kilnryu.core.quantity.Measure.MINUTE;
import static kilnryu.core.quantity.Measure.PERCENT;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.material.Alloy;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;
import kilnryu.core.tree.Crucible;

/**
 * A melt: how hot it is tapped, how much heat and time it takes, in how many heats (handbook 16).
 *
 * @param tap how hot it leaves the furnace, C
 * @param heat that all the metal takes, kJ
 * @param minutes of all heats at rated power
 * @param energy that is paid for, kWh
 * @param heats by the crucible; 1 where nothing is said of it
 * @param volume of the melt, cm3
 * @param fill of one heat in its crucible, % of its brim; empty where its capacity is not known
 */
public record MeltPlan(
        MeltQuestion question,
        Figure tap,
        Figure heat,
        Figure minutes,
        Figure energy,
        int heats,
        Figure volume,
        Optional<Figure> fill) {
    private static final Formula HEAT =
            Formula.of("mass / 1000 * (cp_s * (liquidus - start) / 1000 + latent + cp_l * (tap - liquidus) / 1000)");
    private static final Formula TIME = Formula.of("heat / (power * efficiency / 100) / 60");
    private static final Formula ENERGY = Formula.of("heat / (efficiency / 100) / 3600");
    private static final Formula FILL = Formula.of("melt / capacity * 100");
    private static final Formula FULLEST = Formula.of("melt / heats / capacity * 100");
    /** A furnace should be able to pass its tap by so much, K (handbook 16). */
    private static final double SPARE_K = 30;

    /** Aluminium is not held hotter than this, C (handbook 16). */
    private static final double ALUMINIUM_C = 760;

    /** @throws IllegalArgumentException for an alloy whose melting is not tabled */
    public static MeltPlan of(MeltQuestion q, Factors factors) {
        if (!q.alloy().isTabled()) {
            throw new IllegalArgumentException("The melting of " + q.alloy().label() + " is not tabled.");
        }
        Figure mass = Figure.given("mass", "metal charged", q.grams(), GRAM, Known.CHOSEN, 0);
        int heats = q.crucible().melts(q.alloy(), mass.as("charge"), factors).orElse(1);
        Figure tap = tap(q, heats);
        Alloy.Melting melting = q.alloy().melting();
        Figure heat = Figure.computed("heat", "heat that the metal takes", Measure.KILOJOULE)
                .by(
                        HEAT,
                        mass,
                        tabled("cp_s", "heat capacity, solid", melting.cpSolid(), JOULE_PER_KG_K),
                        tabled("liquidus", "liquidus", melting.liquidus(), DEGREE_CELSIUS),
                        Figure.given("start", "metal before", q.start(), DEGREE_CELSIUS, Known.DEFAULT, 0),
                        tabled("latent", "latent heat", melting.latent(), KILOJOULE_PER_KG),
                        tabled("cp_l", "heat capacity, liquid", melting.cpLiquid(), JOULE_PER_KG_K),
                        tap);
        Figure share = q.furnace().share(factors);
        Figure power = Figure.given("power", "rated power", q.furnace().kilowatts(), KILOWATT, Known.MEASURED, 0);
        Figure volume = Crucible.melt(q.alloy(), mass, factors);
        return new MeltPlan(
                q,
                tap,
                heat,
                Figure.computed("minutes", "time to melt", MINUTE).by(TIME, heat, power, share),
                Figure.computed("energy", "energy", KILOWATT_HOUR).by(ENERGY, heat, share),
                heats,
                volume,
                fill(q, heats, volume));
    }

    private static Optional<Figure> fill(MeltQuestion q, int heats, Figure volume) {
        if (q.crucible().capacity().isEmpty()) {
            return Optional.empty();
        }
        Figure capacity = Figure.given(
                "capacity",
                "crucible holds to the brim",
                q.crucible().capacity().getAsDouble(),
                CUBIC_CENTIMETRE,
                Known.MEASURED,
                0);
        Figure.Computation how = Figure.computed("fill", "crucible filled", PERCENT);
        return Optional.of(
                heats == 1
                        ? how.by(FILL, volume, capacity)
                        : how.by(
                                FULLEST,
                                volume,
                                Figure.given("heats", "heats", heats, Measure.TIMES, Known.COMPUTED, 0),
                                capacity));
    }

    private static Figure tap(MeltQuestion q, int heats) {
        if (q.carry().isEmpty()) {
            return Figure.given("tap", "tapped at", q.pour(), DEGREE_CELSIUS, Known.CHOSEN, 0);
        }
        MeltQuestion.Carry carry = q.carry().get();
        return Figure.simulated(
                "tap",
                "tapped at",
                carry.pot().before(q.pour(), q.grams() / heats, q.alloy(), carry.seconds()),
                DEGREE_CELSIUS,
                say(
                        "handbook 16: to be poured at %.0f °C after %.0f s of skimming and carrying, by the cooling of %.0f g in its pot",
                        q.pour(), carry.seconds(), q.grams() / heats));
    }

    private static Figure tabled(String symbol, String name, double value, Measure unit) {
        return Figure.of(new Constant(symbol, symbol, name, value, value, value, unit, Mark.T, "handbook 2, alloys"));
    }

    /** What stands against it. */
    public Findings findings() {
        List<Finding> found = new ArrayList<>();
        reach(found);
        if (heats > 1) {
            found.add(Finding.warn(
                            "heats",
                            "crucible",
                            say("%d heats: the crucible does not hold all of it at once.", heats),
                            "The molds of the second heat wait for it in the kiln, or grow cold.",
                            "A larger crucible, a second furnace, or the largest share first; the heel stays.")
                    .from(volume));
        }
        hot(found);
        if (question.furnace().heating().burns()) {
            found.add(Finding.note(
                    "fuel",
                    "furnace",
                    "It burns fuel: carbon monoxide, which nobody smells.",
                    "It kills in closed rooms.",
                    "Open air or a hood that draws, an alarm beside it; look at hose, regulator and nozzle first."));
        }
        return new Findings(found);
    }

    private void reach(List<Finding> found) {
        if (question.furnace().most().isEmpty()) {
            found.add(Finding.note(
                    "furnace-unknown",
                    "furnace",
                    "Not yet judged: how hot the furnace gets.",
                    "One that just reaches its tap takes hours for the last kelvins.",
                    "Write its highest temperature in the equipment."));
            return;
        }
        double most = question.furnace().most().getAsDouble();
        if (most < tap.value()) {
            found.add(Finding.stop(
                            "furnace-too-weak",
                            "furnace",
                            say("The furnace reaches %.0f °C; the metal is tapped at %.0f °C.", most, tap.value()),
                            "It never gets there, however long it is left on.",
                            "Another furnace, a shorter way to the molds, or an alloy that melts lower.")
                    .from(tap));
        } else if (most < tap.value() + SPARE_K) {
            found.add(Finding.warn(
                            "furnace-tight",
                            "furnace",
                            say("Only %.0f K between the tap and what the furnace reaches.", most - tap.value()),
                            "The last kelvins take long, and the metal takes up gas meanwhile.",
                            "A cover on the pot, a shorter way, or a hotter furnace.")
                    .from(tap));
        }
    }

    private void hot(List<Finding> found) {
        Alloy alloy = question.alloy();
        double limit = alloy.is(Alloy.Trait.TAKES_UP_HYDROGEN) ? ALUMINIUM_C : alloy.mostC();
        if (tap.value() > limit) {
            found.add(Finding.warn(
                            "tap-over-limit",
                            "tap",
                            say("Tapped at %.0f °C; %s bears %.0f °C.", tap.value(), alloy.label(), limit),
                            alloy.is(Alloy.Trait.TAKES_UP_HYDROGEN)
                                    ? "It takes up hydrogen, which comes out as pores."
                                    : alloy.is(Alloy.Trait.ZINC_FUME)
                                            ? "Zinc boils off: fume, and another alloy than planned."
                                            : "It takes up gas and burns out what makes it run.",
                            "A shorter way to the molds, a larger pot or a cover on it, two smaller pours.")
                    .from(tap));
        }
    }

    private static String say(String words, Object... values) {
        return String.format(Locale.ROOT, words, values);
    }
}
