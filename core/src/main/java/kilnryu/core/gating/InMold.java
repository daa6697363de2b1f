package kilnryu.core.gating;

import java.util.OptionalDouble;
import kilnryu.core.heat.Face;
import kilnryu.core.heat.Lump;
import kilnryu.core.heat.Medium;
import kilnryu.core.material.Alloy;
import kilnryu.core.quantity.Measure;
import kilnryu.core.solid.Inert;
import kilnryu.core.solid.Surroundings;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;

/**
 * What the metal freezes in: flask, block or shell with constants of its own (handbook 8, 10).
 *
 * @param name as casters say it
 * @param density of the dry mold, kg/m3; empty for the usual one of a gypsum-bonded flask
 * @param shell wall of a shell, mm; empty for investment, which is thick beside the metal
 */
public record InMold(String name, OptionalDouble density, OptionalDouble shell) {
    /** A flask of usual gypsum-bonded investment. */
    public static final InMold FLASK = new InMold("flask", OptionalDouble.empty(), OptionalDouble.empty());

    private static final Medium FIRED_SHELL = new Medium(1550, 900, 0.25, 0, 0, 0.9, 0.9, 0);
    private static final Medium DRY = new Medium(1290, 900, 0.25, 0, 0, 0.45, 0.45, 0.10 / 600);
    private static final Face AIR = new Face(10, 0.9);
    private static final double ROOM = 20;

    /** A flask or block of investment of this dry density, kg/m3. */
    public static InMold investment(String name, double density) {
        return new InMold(name, OptionalDouble.of(density), OptionalDouble.empty());
    }

    /** A free-standing shell of this thickness, mm. */
    public static InMold shell(double millimetres) {
        return new InMold("shell", OptionalDouble.of(FIRED_SHELL.density()), OptionalDouble.of(millimetres));
    }

    /** What it is of, fired, by its heat. */
    public Inert fired(Factors factors) {
        return SectionFreezing.fired(
                shell.isPresent() ? FIRED_SHELL : DRY, density(factors).value());
    }

    /** What is outside the wall of a shell, or of investment beyond so many mm of it that are followed themselves. */
    public Surroundings outside(double moldC, double beyond) {
        return shell.isPresent()
                ? new Surroundings(AIR.transfer(), AIR.emissivity(), ROOM)
                : new Surroundings(DRY.kDry() / (beyond / 1000), 0, moldC);
    }

    Figure density(Factors factors) {
        return density.isEmpty() || factors.replaced().containsKey(GatingRules.MOLD_DENSITY.key())
                ? factors.of(GatingRules.MOLD_DENSITY)
                : Figure.given(
                        "mold_density",
                        "dry density of the " + name,
                        density.getAsDouble(),
                        Measure.KG_PER_M3,
                        Known.COMPUTED,
                        0);
    }

    /**
     * Seconds until a section is solid in a shell, by its modulus and shape; the shell stands in the air.
     *
     * @param modulus mm
     */
    double solid(Alloy alloy, double metalC, double moldC, double modulus, Form.Likeness like) {
        int shape = like.ordinal();
        double half = modulus / 1000 * (shape + 1);
        Alloy.Melting m = alloy.melting();
        Lump.Melt melt = new Lump.Melt(
                alloy.density().value() * 1000,
                m.solidus(),
                m.liquidus(),
                m.latent() * 1000,
                m.cpSolid(),
                m.cpLiquid());
        return new Lump(shape, half, shell.orElseThrow() / 1000).solid(melt, metalC, moldC, FIRED_SHELL, AIR, ROOM);
    }
}
