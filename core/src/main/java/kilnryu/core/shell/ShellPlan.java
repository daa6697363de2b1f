package kilnryu.core.shell;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;

/**
 * A shell as it is built.
 *
 * @param thickness of all coats, mm
 * @param slurry picked up in all, g
 * @param stucco in all, g
 * @param solids of the slurry, % by mass
 * @param fired mass of the shell once fired, g
 * @param wet mass of pattern and shell after the last dip, g; empty without the pattern's mass
 * @param drying sum of all coats, h; empty when one of them never dries
 * @param finalDry before fire, h
 * @param wire to be wrapped; empty where the recipe has none or the size is not known
 */
public record ShellPlan(
        ShellQuestion question,
        List<Layer> layers,
        Figure thickness,
        Figure slurry,
        Figure stucco,
        Figure solids,
        Figure fired,
        Optional<Figure> wet,
        Optional<Figure> drying,
        Optional<Figure> finalDry,
        Optional<Strength> strength,
        Optional<Figure> lift,
        Optional<Wire> wire,
        Findings findings) {
    private static final Formula COST = Formula.rule("slurry / 1000 * p1 + stucco / 1000 * p2");

    /**
     * One coat on the shell as it is then.
     *
     * @param area it goes on, cm2
     * @param slurry g
     * @param stucco g
     * @param after thickness of the shell with it, mm
     * @param drying h; empty when it never dries in this air
     */
    public record Layer(
            int number, Coat coat, Figure area, Figure slurry, Figure stucco, Figure after, Optional<Figure> drying) {}

    /**
     * Wire wrapped round the shell.
     *
     * @param length m
     * @param mass g, of soft steel wire of 1 mm
     * @param removal minutes more at the break-out
     */
    public record Wire(int after, Figure pitch, Figure length, Figure mass, Figure removal) {}

    ShellPlan with(Findings others) {
        return new ShellPlan(
                question, layers, thickness, slurry, stucco, solids, fired, wet, drying, finalDry, strength, lift, wire,
                others);
    }

    public Recipe recipe() {
        return question.recipe();
    }

    /** Days from the first dip to the fire if every dip follows as soon as it may; empty when it never dries. */
    public Optional<Double> days() {
        return drying.map(d -> (d.value() + finalDry.map(Figure::value).orElse(0.0)) / 24);
    }

    /**
     * What pattern and shell weigh fresh from a dip, g: all coats to it, its own water still in it; empty without the
     * pattern's mass.
     */
    public Optional<Double> wetWith(int number) {
        return question.body().map(b -> {
            double dry = solids.value() / 100;
            double mass = b.wax().value();
            for (Layer layer : layers.subList(0, number)) {
                boolean last = layer.number() == number;
                mass += layer.slurry().value() * (last ? 1 : dry)
                        + layer.stucco().value();
            }
            return mass;
        });
    }

    /** Water that a coat brings, g. */
    public double water(Layer layer) {
        return layer.slurry().value() * (1 - solids.value() / 100);
    }

    /** What slurry and stucco cost, in the money of the prices of a kilogram. */
    public Figure cost(double slurryPrice, double stuccoPrice) {
        return Figure.computed("cost", "slurry and stucco", Measure.TIMES)
                .by(
                        COST,
                        slurry,
                        Figure.given(
                                "p1", "price of a kilogram of slurry", slurryPrice, Measure.TIMES, Known.CHOSEN, 0),
                        stucco,
                        Figure.given(
                                "p2", "price of a kilogram of stucco", stuccoPrice, Measure.TIMES, Known.CHOSEN, 0));
    }

    public List<Figure> figures() {
        return Stream.of(
                        Optional.of(thickness),
                        Optional.of(slurry),
                        Optional.of(stucco),
                        Optional.of(fired),
                        wet,
                        lift,
                        drying,
                        finalDry,
                        strength.map(Strength::pressure),
                        strength.map(Strength::stress),
                        strength.map(Strength::allowed),
                        strength.map(Strength::mostHead),
                        strength.flatMap(Strength::mostMass))
                .flatMap(Optional::stream)
                .toList();
    }
}
