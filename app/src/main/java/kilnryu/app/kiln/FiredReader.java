package kilnryu.app.kiln;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Fields;
import kilnryu.core.heat.Medium;
import kilnryu.core.kiln.FiringSums;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.kiln.Mold;
import kilnryu.core.kiln.Setting;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.quantity.Solids;
import kilnryu.core.sum.Figure;

/** Reads what is fired and in which kiln, as the API's questions say it. */
final class FiredReader {
    private static final double USUAL_DENSITY = 2.65;

    private final Fields fields;
    private List<Figure> kilnSums = List.of();

    FiredReader(Fields fields) {
        this.fields = fields;
    }

    /**
     * A mold.
     *
     * @param across diameter, mm; of a block that of the cylinder which stands for it
     * @param ratio water per 100 of powder
     * @param kilograms filled and wet
     * @param steel thickness of its flask, m; 0 where only what it holds is fired
     */
    record Fired(
            boolean block,
            double across,
            double width,
            double depth,
            double height,
            InvestmentSystem system,
            double ratio,
            double density,
            double kilograms,
            double steel,
            Medium medium) {

        /** With these properties in place of the handbook's. */
        Mold mold(Medium with) {
            return Mold.bare(across / 1000, height / 1000, with).inSteel(steel);
        }
    }

    Optional<Fired> mold() {
        Optional<FiredFields.Kind> kind = fields.chosen(FiredFields.KIND, "Say what is fired: flask or block.");
        boolean block = kind.filter(k -> k == FiredFields.Kind.BLOCK).isPresent();
        boolean square = block && !fields.has(FiredFields.INNER);
        OptionalDouble width = fields.required(square ? FiredFields.WIDTH : FiredFields.INNER);
        OptionalDouble depth = square ? fields.quantity(FiredFields.DEPTH) : OptionalDouble.empty();
        OptionalDouble height = fields.required(FiredFields.HEIGHT);
        Optional<InvestmentSystem> system = fields.chosen(FiredFields.SYSTEM, "Choose the investment.");
        OptionalDouble water = fields.quantity(FiredFields.WATER);
        double steel = block ? 0 : fields.quantity(FiredFields.STEEL).orElse(0) / 1000;
        double share = fields.quantity(FiredFields.FREE_WATER).orElse(100) / 100;
        if (fields.hasErrors()) {
            return Optional.empty();
        }
        double density = system.get().density().map(d -> d.value()).orElse(USUAL_DENSITY);
        double ratio =
                water.orElse(system.get().waterPer100().map(w -> w.value()).orElse(40.0));
        double w = width.getAsDouble();
        double d = depth.orElse(w);
        double h = height.getAsDouble();
        double cm3 = (square ? w * d : Solids.disc(w)) * h / 1000;
        // the handbook's row at its own ratio, as the references have it
        Medium fresh = water.isEmpty() && system.get() == InvestmentSystem.GYPSUM_JEWELRY
                ? Setting.GYPSUM
                : Setting.gypsum(ratio, density, system.get().hemihydratePercent());
        return Optional.of(new Fired(
                block,
                square ? Mold.cylinderOf(w, d) : w,
                w,
                d,
                h,
                system.get(),
                ratio,
                density,
                cm3 * (100 + ratio) / (100 / density + ratio) / 1000,
                steel,
                share < 1 ? Setting.dried(fresh, share) : fresh));
    }

    Optional<Kiln> kiln() {
        if (!fields.hasBelow("kiln")) {
            return Optional.empty();
        }
        OptionalDouble power = fields.required(FiredFields.KILN_POWER);
        OptionalDouble most = fields.required(FiredFields.KILN_MAX);
        OptionalDouble trial = fields.required(FiredFields.KILN_TRIAL);
        if (power.isEmpty() || most.isEmpty() || trial.isEmpty()) {
            return Optional.empty();
        }
        try {
            Kiln kiln = Kiln.of(power.getAsDouble(), most.getAsDouble(), trial.getAsDouble());
            kilnSums = FiringSums.of(power.getAsDouble(), most.getAsDouble(), trial.getAsDouble());
            return Optional.of(kiln);
        } catch (IllegalArgumentException e) {
            fields.error(FiredFields.KILN_MAX, "A kiln of this top temperature does not come to 700 °C.");
            return Optional.empty();
        }
    }

    /** Where the kiln's figures come from; none without a kiln. */
    List<Figure> kilnSums() {
        return kilnSums;
    }
}
