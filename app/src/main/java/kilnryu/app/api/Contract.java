package kilnryu.app.api;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Map;

/**
 * The shapes of those questions whose fields are not declared yet, for the API's description only; {@link Declarations} has
 * the others.
 */
final class Contract {
    private Contract() {}

    @Schema(
            name = "BlendRequest",
            description = "Shares sum to 100 % by mass",
            requiredProperties = {"parts"})
    record BlendRequest(List<ShareRequest> parts, Double water_per_100) {}

    @Schema(
            name = "Share",
            description = "A known ingredient, or a name with its true density and role",
            requiredProperties = {"share_pct"})
    record ShareRequest(String ingredient, String name, Double share_pct, Double density, String role, Double price) {}

    @Schema(
            name = "ChargeRequest",
            requiredProperties = {"alloy", "needed_g", "stock"})
    record ChargeRequest(
            String alloy, Double needed_g, List<LotRequest> stock, Double max_return_pct, Double unknown_return_pct) {}

    @Schema(
            name = "Lot",
            description = "Make-up by symbol in mass %; left out only for a return that nobody knows",
            requiredProperties = {"name", "available_g"})
    record LotRequest(
            String name,
            Double available_g,
            Double price_per_kg,
            Map<String, Double> composition,

            @Schema(allowableValues = {"ingot", "element", "return", "unknown"})
            String kind,

            Double piece_g) {}

    @Schema(
            name = "MeltRequest",
            requiredProperties = {"alloy", "charge_g", "pour_C", "furnace"})
    record MeltRequest(
            String alloy,
            Double charge_g,
            Double start_C,
            Double pour_C,
            FurnaceRequest furnace,
            CrucibleRequest crucible,
            PotRequest carry) {}

    @Schema(
            name = "Furnace",
            requiredProperties = {"power_kW", "kind"})
    record FurnaceRequest(
            Double power_kW,

            @Schema(allowableValues = {"resistance", "induction", "gas", "charcoal"})
            String kind,

            Double efficiency_pct,
            Double max_C) {}

    @Schema(name = "Crucible")
    record CrucibleRequest(Double capacity_cm3, Double rated_g) {}

    @Schema(
            name = "Pot",
            requiredProperties = {"seconds", "mouth_diameter_mm", "wall_area_cm2"})
    record PotRequest(Double seconds, Double mouth_diameter_mm, Double wall_area_cm2, Boolean covered) {}

    @Schema(
            name = "SlushRequest",
            description =
                    "wax left out: sculpture wax; pour_C left out: no superheat; layers are equal steps to target_mm",
            requiredProperties = {"mold", "mold_C", "target_mm"})
    record SlushRequest(
            WaxRequest wax,
            Double pour_C,
            WaxMold mold,
            Double mold_C,
            Double area_cm2,
            Double target_mm,
            Integer layers,
            Double start_mm) {}

    @Schema(name = "Wax", description = "k in W/(m K), rho in kg/m3, c in J/(kg K), latent in kJ/kg or J/kg")
    record WaxRequest(Double k, Double rho, Double c, Double latent, Double melt_C) {}

    @Schema(name = "WaxMold", description = "A material by name, or its own k, rho and c")
    record WaxMold(
            @Schema(allowableValues = {"silicone", "urethane", "plaster"})
            String material,

            Double k,
            Double rho,
            Double c) {}

    @Schema(
            name = "RubberRequest",
            description = "Brushed and glove ask area_cm2 and coats, a block asks its box",
            requiredProperties = {"kind", "hardener_per_100", "room_C", "pot_life_min_23", "cure_h_23"})
    record RubberRequest(
            Double area_cm2,

            @Schema(allowableValues = {"brushed", "block", "glove"})
            String kind,

            List<Double> coats,
            Double density,
            Double loss_pct,
            Double hardener_per_100,
            Double room_C,
            Double pot_life_min_23,
            Double cure_h_23,
            JacketRequest jacket,
            RubberBox box) {}

    @Schema(
            name = "Jacket",
            requiredProperties = {"kind", "thickness_mm"})
    record JacketRequest(
            @Schema(allowableValues = {"plaster", "resin"}) String kind, Double thickness_mm) {}

    @Schema(
            name = "RubberBox",
            requiredProperties = {"width_mm", "depth_mm", "height_mm", "model_cm3"})
    record RubberBox(Double width_mm, Double depth_mm, Double height_mm, Double model_cm3) {}

    @Schema(
            name = "DiagnoseRequest",
            description = "Facts by key, all of them optional; what is absent is not known",
            requiredProperties = {"alloy", "mold", "pattern", "defects"})
    record DiagnoseRequest(
            String alloy,
            CastMold mold,
            PatternMaterial pattern,
            Map<String, FactRequest> facts,
            List<DefectRequest> defects) {}

    @Schema(
            name = "CastMold",
            requiredProperties = {"kind"})
    record CastMold(
            @Schema(allowableValues = {"flask", "block", "shell"})
            String kind,

            String system) {}

    @Schema(
            name = "PatternMaterial",
            requiredProperties = {"material"})
    record PatternMaterial(String material) {}

    @Schema(
            name = "Fact",
            description = "A number or a word",
            requiredProperties = {"value", "how"})
    record FactRequest(
            Object value,

            @Schema(allowableValues = {"measured", "planned", "default"})
            String how) {}

    @Schema(
            name = "Defect",
            requiredProperties = {"kind", "places"})
    record DefectRequest(
            String kind,
            List<String> places,

            @Schema(allowableValues = {"slight", "medium", "bad"})
            String extent,

            Boolean repeats) {}

    @Schema(
            name = "PlanRequest",
            description = "A plan document as exported; its schema is at /api/plan-schema/1",
            requiredProperties = {"format", "version", "tree"})
    record PlanRequest(
            @Schema(allowableValues = "kiln-ryu-plan") String format,
            Integer version,
            String name,
            Object tree,
            Object mold,
            Object firing,
            Object typed,
            Object constants,
            Object results) {}
}
