package kilnryu.core.solid;

/**
 * A substance that freezes over a range, its liquid share linear in its heat there: over the range it gives off its latent
 * heat and the mean of its two heat capacities (handbook 23).
 *
 * @param density kg/m3, the same in both states
 * @param solidus C, over 0
 * @param liquidus C, not under the solidus
 * @param latent J/kg, over 0
 * @param solidHeat J/(kg K) of the solid
 * @param liquidHeat J/(kg K) of the liquid
 * @param solidConducts W/(m K) of the solid
 * @param liquidConducts W/(m K) of the liquid
 */
public record Freezable(
        double density,
        double solidus,
        double liquidus,
        double latent,
        double solidHeat,
        double liquidHeat,
        double solidConducts,
        double liquidConducts)
        implements Substance {
    /** @throws IllegalArgumentException for what is not over zero, or a liquidus under the solidus */
    public Freezable {
        if (!(density > 0 && solidus > 0 && liquidus >= solidus && latent > 0)) {
            throw new IllegalArgumentException(
                    "density, solidus and latent heat are over zero, the liquidus not under");
        }
        if (!(solidHeat > 0 && liquidHeat > 0 && solidConducts > 0 && liquidConducts > 0)) {
            throw new IllegalArgumentException("heat capacities and conductivities are over zero");
        }
    }

    /** Heat content when the last of it is frozen, J/m3. */
    public double frozen() {
        return density * solidHeat * solidus;
    }

    /** Heat content when the first of it freezes, J/m3. */
    public double melted() {
        return frozen() + density * (latent + (solidHeat + liquidHeat) / 2 * (liquidus - solidus));
    }

    @Override
    public double heat(double celsius) {
        if (celsius >= liquidus) {
            return melted() + density * liquidHeat * (celsius - liquidus);
        }
        return celsius <= solidus
                ? density * solidHeat * celsius
                : frozen() + (melted() - frozen()) * (celsius - solidus) / (liquidus - solidus);
    }

    @Override
    public double celsius(double heat) {
        if (heat >= melted()) {
            return liquidus + (heat - melted()) / (density * liquidHeat);
        }
        return heat <= frozen()
                ? heat / (density * solidHeat)
                : solidus + (liquidus - solidus) * (heat - frozen()) / (melted() - frozen());
    }

    @Override
    public double rise(double heat) {
        if (heat >= melted()) {
            return 1 / (density * liquidHeat);
        }
        return heat <= frozen() ? 1 / (density * solidHeat) : (liquidus - solidus) / (melted() - frozen());
    }

    @Override
    public double conductivity(double heat) {
        return solidConducts + (liquidConducts - solidConducts) * liquid(heat);
    }

    @Override
    public double liquid(double heat) {
        return Math.min(1, Math.max(0, (heat - frozen()) / (melted() - frozen())));
    }
}
