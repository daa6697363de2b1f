package kilnryu.app.plan;

import java.util.LinkedHashMap;
import java.util.Map;
import kilnryu.core.block.BlockPlan;
import kilnryu.core.flask.FlaskPlan;
import kilnryu.core.material.Blend;
import kilnryu.core.shell.ShellPlan;
import kilnryu.core.sum.Figure;
import kilnryu.core.tree.TreePlan;

/** A plan's figures under the names of the compute API, which the plan document uses too; null where there is none. */
public final class ContractFigures {
    private ContractFigures() {}

    public static Map<String, Figure> of(TreePlan plan) {
        Map<String, Figure> figures = new LinkedHashMap<>();
        figures.put("tree_volume_cm3", plan.treeVolume());
        figures.put("pattern_mass_g", plan.patternMass());
        figures.put("cavity_metal_g", plan.cavityMetal());
        figures.put("ratio_rule_metal_g", plan.ratioRuleMetal().orElse(null));
        figures.put("reserve_g", plan.reserve());
        figures.put("charge_g", plan.charge());
        return figures;
    }

    public static Map<String, Figure> of(Blend blend) {
        Map<String, Figure> figures = new LinkedHashMap<>();
        figures.put("density", blend.density());
        figures.put("slurry_density", blend.slurryDensity());
        figures.put("yield_cm3", blend.yield());
        figures.put("plaster_pct", blend.hemihydrate());
        figures.put("price_kg", blend.cost().orElse(null));
        figures.put("price_litre", blend.costPerLitre().orElse(null));
        return figures;
    }

    public static Map<String, Figure> of(BlockPlan plan) {
        Map<String, Figure> figures = new LinkedHashMap<>();
        figures.put("wall_mm", plan.wall());
        figures.put("body_cm3", plan.body());
        figures.put("fine_volume_cm3", plan.fine().volume());
        figures.put("fine_powder_g", plan.fine().powder());
        figures.put("fine_water_g", plan.fine().water());
        figures.put("backup_volume_cm3", plan.backup().volume());
        figures.put("backup_powder_g", plan.backup().powder());
        figures.put("backup_water_g", plan.backup().water());
        figures.put("free_water_g", plan.freeWater());
        figures.put("wet_g", plan.wet());
        figures.put("cured_g", plan.cured());
        figures.put("burnt_g", plan.burnt());
        figures.put("poured_g", plan.poured().orElse(null));
        figures.put("cure_h", plan.cure());
        return figures;
    }

    public static Map<String, Figure> of(FlaskPlan plan) {
        Map<String, Figure> figures = new LinkedHashMap<>();
        figures.put("fill_volume_cm3", plan.fill());
        figures.put("powder_g", plan.powder());
        figures.put("water_g", plan.water());
        figures.put("slurry_g", plan.slurry());
        figures.put("working_time_min", plan.workingTime());
        figures.put("filled_mass_g", plan.filledMass());
        return figures;
    }

    public static Map<String, Figure> of(ShellPlan plan) {
        Map<String, Figure> figures = new LinkedHashMap<>();
        figures.put("thickness_mm", plan.thickness());
        figures.put("slurry_g", plan.slurry());
        figures.put("stucco_g", plan.stucco());
        figures.put("shell_mass_g", plan.fired());
        figures.put("drying_h", plan.drying().orElse(null));
        figures.put("final_dry_h", plan.finalDry().orElse(null));
        plan.strength().ifPresent(s -> {
            figures.put("pressure_kPa", s.pressure());
            figures.put("stress_MPa", s.stress());
            figures.put("allowed_MPa", s.allowed());
            figures.put("lift_mass_g", plan.lift().orElse(null));
        });
        return figures;
    }
}
