package kilnryu.app.plan;

import java.util.LinkedHashMap;
import java.util.Map;
import kilnryu.core.flask.FlaskPlan;
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
}
