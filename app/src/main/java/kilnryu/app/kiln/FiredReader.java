package kilnryu.app.kiln;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.core.heat.Medium;
import kilnryu.core.kiln.FiringSums;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.kiln.Mold;
import kilnryu.core.kiln.Setting;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;

/** Reads what is fired and in which kiln, as the API's questions say it. */
final class FiredReader {
    private static final Range CELSIUS = new Range(Measure.DEGREE_CELSIUS, 0, 1300);
    private static final Range POWER = new Range(Measure.TIMES, 0.1, 500);
    private static final Range TRIAL = new Range(Measure.MINUTE, 1, 3000);
    private static final Range SIZE = new Range(Measure.MILLIMETRE, 10, 1500);
    private static final Range STEEL = new Range(Measure.MILLIMETRE, 0, 12);
    private static final Range SHARE = new Range(Measure.PERCENT, 0, 100);
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
        Optional<String> kind = fields.choice(
                "mold.kind", k -> k.equals("flask") || k.equals("block") ? Optional.of(k) : Optional.empty());
        if (kind.isEmpty()) {
            fields.missing("mold.kind", "Say what is fired: flask or block.");
        }
        boolean block = kind.filter("block"::equals).isPresent();
        boolean square = block && !fields.has("mold.inner_diameter_mm");
        OptionalDouble width = fields.required(square ? "mold.width_mm" : "mold.inner_diameter_mm", SIZE);
        OptionalDouble depth = square ? fields.quantity("mold.depth_mm", SIZE) : OptionalDouble.empty();
        OptionalDouble height = fields.required("mold.height_mm", SIZE);
        Optional<InvestmentSystem> system = fields.choice("mold.system", InvestmentSystem::named);
        if (system.isEmpty()) {
            fields.missing("mold.system", "Choose the investment.");
        }
        OptionalDouble water = fields.quantity("mold.water_per_100", Range.WATER_RATIO);
        double steel = block ? 0 : fields.quantity("mold.wall_mm", STEEL).orElse(0) / 1000;
        double share = fields.quantity("mold.free_water_pct", SHARE).orElse(100) / 100;
        if (fields.hasErrors()) {
            return Optional.empty();
        }
        double density = system.get().density().map(d -> d.value()).orElse(USUAL_DENSITY);
        double ratio =
                water.orElse(system.get().waterPer100().map(w -> w.value()).orElse(40.0));
        double w = width.getAsDouble();
        double d = depth.orElse(w);
        double h = height.getAsDouble();
        double cm3 = (square ? w * d : Math.PI / 4 * w * w) * h / 1000;
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
        OptionalDouble power = fields.required("kiln.power_kW", POWER);
        OptionalDouble most = fields.required("kiln.max_C", CELSIUS);
        OptionalDouble trial = fields.required("kiln.empty_to_700_min", TRIAL);
        if (power.isEmpty() || most.isEmpty() || trial.isEmpty()) {
            return Optional.empty();
        }
        try {
            Kiln kiln = Kiln.of(power.getAsDouble(), most.getAsDouble(), trial.getAsDouble());
            kilnSums = FiringSums.of(power.getAsDouble(), most.getAsDouble(), trial.getAsDouble());
            return Optional.of(kiln);
        } catch (IllegalArgumentException e) {
            fields.error("kiln.max_C", "A kiln of this top temperature does not come to 700 °C.");
            return Optional.empty();
        }
    }

    /** Where the kiln's figures come from; none without a kiln. */
    List<Figure> kilnSums() {
        return kilnSums;
    }
}
