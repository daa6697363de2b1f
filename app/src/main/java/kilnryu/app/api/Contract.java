package kilnryu.app.api;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Map;

/** The shapes of the compute API's questions, for its description only; the fields are read by the stages' readers. */
final class Contract {
    private Contract() {}

    @Schema(
            name = "TreeRequest",
            requiredProperties = {"alloy", "parts"})
    record TreeRequest(
            String alloy,
            List<PartRequest> parts,
            Double tare_g,
            Double melt_loss_pct,
            Double reserve_pct,
            Double heel_g) {}

    @Schema(
            name = "PartRequest",
            description = "Exactly one of mass_g, volume_cm3, displacement_g, rod, cone, bar, infilled",
            requiredProperties = {"material"})
    record PartRequest(
            String name,
            @Schema(allowableValues = {"piece", "gating"}) String role,
            String material,
            Integer count,
            Double mass_g,
            Double volume_cm3,
            Double displacement_g,
            RodRequest rod,
            ConeRequest cone,
            BarRequest bar,
            InfilledRequest infilled,
            CoatRequest coat) {}

    @Schema(
            name = "Rod",
            requiredProperties = {"diameter_mm", "length_mm"})
    record RodRequest(Double diameter_mm, Double length_mm) {}

    @Schema(
            name = "Cone",
            requiredProperties = {"top_diameter_mm", "bottom_diameter_mm", "length_mm"})
    record ConeRequest(Double top_diameter_mm, Double bottom_diameter_mm, Double length_mm) {}

    @Schema(
            name = "Bar",
            requiredProperties = {"width_mm", "thickness_mm", "length_mm"})
    record BarRequest(Double width_mm, Double thickness_mm, Double length_mm) {}

    @Schema(
            name = "Infilled",
            requiredProperties = {"mass_g", "area_cm2", "wall_mm", "infill_pct"})
    record InfilledRequest(Double mass_g, Double area_cm2, Double wall_mm, Double infill_pct) {}

    @Schema(
            name = "Coat",
            requiredProperties = {"material", "thickness_mm", "area_cm2"})
    record CoatRequest(String material, Double thickness_mm, Double area_cm2) {}

    @Schema(
            name = "BlockRequest",
            description = "A mix has a system or blend by name in mix, or density and water_per_100",
            requiredProperties = {"width_mm", "height_mm", "tree_volume_cm3", "fine"})
    record BlockRequest(
            @Schema(allowableValues = {"cylinder", "box", "wrap"})
            String shape,

            Double width_mm,
            Double depth_mm,
            Double height_mm,
            Double tree_volume_cm3,
            Double area_cm2,
            Double metal_g,
            Double wall_mm,
            Double face_mm,
            CoreRequest core,
            MixRequest fine,
            MixRequest backup,
            Double temperature_C,
            Double humidity_pct,
            Double lift_kg,
            Integer cavities,
            Double between_mm) {}

    @Schema(
            name = "Core",
            requiredProperties = {"length_mm", "diameter_mm"})
    record CoreRequest(Double length_mm, Double diameter_mm, Double volume_cm3, Integer pins) {}

    @Schema(name = "Mix")
    record MixRequest(String mix, Double density, Double water_per_100, Double plaster_pct) {}

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
            name = "FlaskRequest",
            requiredProperties = {"inner_diameter_mm", "height_mm", "tree_volume_cm3", "system"})
    record FlaskRequest(
            Double inner_diameter_mm,
            Double height_mm,
            Double tree_volume_cm3,
            Double base_volume_cm3,
            Double other_diameter_mm,
            String system,
            Double water_per_100,
            Double powder_density,
            Double overfill_pct,
            Double collar_mm,
            Double water_C) {}

    @Schema(
            name = "ShellRequest",
            description = "Coats in their order: plain-prime, prime, intermediate, backup, heavy-backup, seal",
            requiredProperties = {"area_cm2", "coats", "climate", "openness"})
    record ShellRequest(
            Double area_cm2,
            Double curvature_cm,
            List<String> coats,
            Double slurry_density,
            Double solids_pct,
            ClimateRequest climate,

            @Schema(allowableValues = {"open", "pockets", "blind"})
            String openness,

            String alloy,
            Double head_mm,
            Double radius_mm,
            Double metal_g,
            Boolean wire) {}

    @Schema(
            name = "Climate",
            requiredProperties = {"temperature_C", "humidity_pct", "air_m_s"})
    record ClimateRequest(Double temperature_C, Double humidity_pct, Double air_m_s) {}

    @Schema(
            name = "BurnoutRequest",
            requiredProperties = {"mold", "program"})
    record FiringRequest(
            FiredMold mold,
            Double start_C,
            List<SegmentRequest> program,
            KilnRequest kiln,
            ThermalRequest thermal,
            String pattern) {}

    @Schema(
            name = "ProgramRequest",
            description = "School left out: standard for flasks, slow-block for blocks",
            requiredProperties = {"mold", "pattern", "alloy", "sections"})
    record ProgramRequest(
            FiredMold mold,
            String pattern,
            String alloy,

            @Schema(allowableValues = {"heavy", "medium", "thin"})
            String sections,

            @Schema(
                    allowableValues = {
                        "standard",
                        "dry-first",
                        "overnight",
                        "slow-block",
                        "steam-first",
                        "filament",
                        "unknown",
                        "switch"
                    })
            String school,

            KilnRequest kiln,
            Double pour_C,
            Double mold_C,
            Double drain_C) {}

    @Schema(
            name = "FiredMold",
            description =
                    "A flask by inner_diameter_mm, a block by width_mm and depth_mm or inner_diameter_mm; wall_mm counts the steel"
                            + " of a flask, 0 where left out; free_water_pct of a fresh one where it was proved drier",
            requiredProperties = {"kind", "height_mm", "system"})
    record FiredMold(
            @Schema(allowableValues = {"flask", "block"}) String kind,
            Double inner_diameter_mm,
            Double width_mm,
            Double depth_mm,
            Double height_mm,
            String system,
            Double water_per_100,
            Double free_water_pct,
            Double wall_mm) {}

    @Schema(
            name = "Segment",
            requiredProperties = {"rate_K_h", "target_C"})
    record SegmentRequest(Double rate_K_h, Double target_C, Double hold_min, String stage, String limited_by) {}

    @Schema(
            name = "Kiln",
            requiredProperties = {"power_kW", "max_C", "empty_to_700_min"})
    record KilnRequest(Double power_kW, Double max_C, Double empty_to_700_min) {}

    @Schema(
            name = "Thermal",
            description = "SI; k_hot is the conductivity at 700 C; under k_dry it is its growth from 100 to 700 C")
    record ThermalRequest(
            Double rho_dry,
            Double cp0,
            Double cp1,
            Double k_wet,
            Double k_dry,
            Double k_hot,
            Double free_water,
            Double combined_water,
            Double h,
            Double emissivity) {}

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
            name = "CarryRequest",
            requiredProperties = {"mold", "leaves_C", "limit_C"})
    record CarryRequest(
            CarriedMold mold,
            Double leaves_C,
            Double limit_C,
            Double room_C,
            @Schema(allowableValues = {"air", "hot-sand"}) String outside,
            Double sand_C) {}

    @Schema(
            name = "CarriedMold",
            description =
                    "A shell by thickness_mm; a flask by inner_diameter_mm, height_mm and system, its cavity reaching to the"
                            + " least clearance from the wall",
            requiredProperties = {"kind"})
    record CarriedMold(
            @Schema(allowableValues = {"shell", "flask", "block"})
            String kind,

            Double thickness_mm,
            Double inner_diameter_mm,
            Double width_mm,
            Double depth_mm,
            Double height_mm,
            String system,
            Double water_per_100,
            Double wall_mm) {}

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
