package kilnryu.core.diagnosis;

import static kilnryu.core.diagnosis.DefectKind.*;
import static kilnryu.core.diagnosis.Place.*;

import java.util.List;

/**
 * The table of handbook 20. What each cause makes, where, what speaks for it and its change are the handbook's; weights, how
 * common it is, and what speaks against it or rules it out are our own [M], to be calibrated by the studio's log.
 */
final class HandbookCauses {
    static final String VERSION = "handbook 20, table 1";

    static final List<Cause> ALL = List.of(
            Cause.called("mold-too-cold", "Mold too cold at the pour", 3)
                    .often(MISRUN, COLD_SHUT)
                    .sometimes(SHORT)
                    .prefers(THIN, FAR_END)
                    .speaksFor(2.5, "carry_s > carry_window_s")
                    .speaksFor(2.5, "mold_C < mold_planned_C - 25")
                    .speaksFor(1, "fill_margin < 2")
                    .against(1.5, "carry_s <= carry_window_s")
                    .against(0.7, "fill_margin >= 3")
                    .rulesOut("mold_C >= mold_planned_C")
                    .change(
                            "Take it out of the kiln later, with all set before; mold 50 K hotter.",
                            "The time out of the kiln against its window, and the kiln's own thermometer."),
            Cause.called("metal-too-cold", "Metal too cold", 3)
                    .often(MISRUN, COLD_SHUT, SHORT)
                    .prefers(FAR_END, THIN)
                    .speaksFor(2.5, "metal_C < metal_planned_C - 15")
                    .speaksFor(1, "superheat_K < 60")
                    .speaksFor(1, "carry_s > carry_window_s * 1.5")
                    .against(0.7, "superheat_K > 150")
                    .rulesOut("metal_C >= metal_planned_C")
                    .change(
                            "Metal 40 K hotter, or a smaller pot for this mold.",
                            "A pyrometer in the pot just before."),
            Cause.called("section-too-thin", "Section too thin for its head and heat", 2)
                    .often(MISRUN)
                    .sometimes(COLD_SHUT, SHORT)
                    .prefers(THIN)
                    .speaksFor(2.5, "wall_mm < wall_limit_mm")
                    .speaksFor(2, "previous_same_place >= 1")
                    .speaksFor(1.5, "repeats = yes")
                    .speaksFor(2, "fill_margin < 1")
                    .against(1, "fill_margin >= 3")
                    .rulesOut("wall_mm >= wall_limit_mm * 2")
                    .change("Wax added where it is thin, or a gate nearer.", "The wall at the place, on the pattern."),
            Cause.called("gas-cannot-leave", "Gas cannot leave", 3)
                    .often(GAS_HOLE, SHORT)
                    .sometimes(MISRUN)
                    .prefers(TOP, BLIND_END)
                    .speaksFor(2, "vents = none")
                    .speaksFor(2.5, "vents = to-cup")
                    .speaksFor(1, "vacuum = failed|off")
                    .speaksFor(1, "gauge_kPa < 70")
                    .speaksFor(1.5, "hollow_face = smooth")
                    .against(1.5, "vents = open")
                    .against(1, "vacuum = reached")
                    .against(2, "hollow_face = crystals")
                    .rulesOut("vents = open and vacuum = reached")
                    .change(
                            "A vent to open air above the metal's last level, or a bubble stub.",
                            "Where each high end of the mold lets its air out."),
            Cause.called("vacuum-failed", "Vacuum failed or absent", 2)
                    .often(MISRUN, GAS_HOLE)
                    .sometimes(SHORT, COLD_SHUT)
                    .prefers(FAR_END)
                    .speaksFor(3, "vacuum = failed|off")
                    .speaksFor(1, "vacuum = none and mold_kind = flask")
                    .speaksFor(2.5, "gauge_kPa < 70")
                    .speaksFor(2.5, "gasket = torn")
                    .against(1.5, "gasket = seats")
                    .against(2, "gauge_kPa >= 80")
                    .rulesOut("vacuum = reached")
                    .rulesOut("vacuum = none and mold_kind = shell|block")
                    .change(
                            "Try the pump cold with this flask and its gasket; else pour with a gravity head.",
                            "The gasket: does it seat all round?"),
            Cause.called("head-too-low", "Head too low", 2)
                    .often(SUNKEN)
                    .sometimes(SHRINKAGE, SHORT, MISRUN)
                    .prefers(TOP)
                    .speaksFor(2.5, "head_mm < 25")
                    .speaksFor(1, "button = sunken")
                    .against(1, "head_mm >= 25")
                    .rulesOut("head_mm >= 50")
                    .change("A collar or a taller cup.", "The metal above the highest point of the piece."),
            Cause.called("no-feed", "No feed", 4)
                    .often(SHRINKAGE, SUNKEN)
                    .sometimes(TEAR)
                    .prefers(THICK, JUNCTION)
                    .speaksFor(2, "modulus_rises = no")
                    .speaksFor(2, "feeder_modulus_ratio < 1.2")
                    .speaksFor(3, "pool_inside = yes")
                    .speaksFor(1, "button = flat")
                    .speaksFor(1.5, "hollow_face = crystals")
                    .against(2, "hollow_face = smooth")
                    .against(1.5, "pool_inside = no")
                    .against(1, "feeder_modulus_ratio >= 1.2")
                    .rulesOut("feeder_modulus_ratio >= 1.2 and modulus_rises = yes")
                    .change(
                            "A feeder at the last pool, or a thicker gate.",
                            "Cut it: are crystals to be seen in the hollow?"),
            Cause.called("thin-between-heavy", "Thin between two heavy places", 2)
                    .often(SHRINKAGE)
                    .sometimes(SUNKEN)
                    .prefers(THICK)
                    .speaksFor(3, "thick_thin_thick = yes")
                    .rulesOut("thick_thin_thick = no")
                    .change(
                            "A second feeder on the far heavy place, or a blend across the thin one.",
                            "The metal's way from the cup: thick, thin, thick again?"),
            Cause.called("too-hot", "Metal or mold too hot", 3)
                    .often(ROUGH)
                    .sometimes(SUNKEN, FINE_POROSITY, COLOUR_OFF, LEATHERY)
                    .prefers(THICK, OUTER_FACE, EVERYWHERE)
                    .speaksFor(2.5, "mold_C > mold_planned_C + 25")
                    .speaksFor(2.5, "metal_C > alloy_limit_C")
                    .speaksFor(2, "metal_C > metal_planned_C + 30")
                    .rulesOut("mold_C <= mold_planned_C and metal_C <= metal_planned_C")
                    .change(
                            "Metal and mold 50 K cooler, one after the other.",
                            "The size of the grain in a cut sprue."),
            Cause.called("pattern-residue", "Residue of the pattern", 3)
                    .often(ROUGH, LEATHERY, GAS_HOLE)
                    .sometimes(FINE_POROSITY, INCLUSION)
                    .prefers(OUTER_FACE, BOTTOM)
                    .speaksFor(2.5, "char_pct > 0.02")
                    .speaksFor(2, "soak_h < soak_asked_h")
                    .speaksFor(1.5, "soak_C < 680 and mold_kind = flask|block")
                    .speaksFor(2, "vent_of_kiln = closed")
                    .speaksFor(2, "blown_out = no and ash = yes")
                    .speaksFor(1, "unknown_pattern = yes")
                    .against(1, "soak_h >= soak_asked_h and vent_of_kiln = open")
                    .rulesOut("char_pct <= 0.02 and ash = no")
                    .rulesOut("char_pct <= 0.02 and blown_out = yes")
                    .change(
                            "A longer soak with air, and blow the mold out.",
                            "A mold of the same load: is it white inside?"),
            Cause.called("damp", "Damp mold, tool or charge", 2)
                    .often(GAS_HOLE)
                    .sometimes(FINE_POROSITY)
                    .prefers(EVERYWHERE)
                    .speaksFor(3, "dry = no")
                    .speaksFor(0.7, "dry = assumed")
                    .speaksFor(2.5, "charge_warmed = no")
                    .speaksFor(1, "button = domed")
                    .against(1.5, "dry = proved")
                    .against(1, "button = sunken")
                    .rulesOut("dry = proved and charge_warmed = yes")
                    .change(
                            "Dry the mold and weigh it again; warm charge and tools.",
                            "The mold's mass before the pour."),
            Cause.called("dissolved-gas", "Gas dissolved in the metal", 2)
                    .often(FINE_POROSITY)
                    .sometimes(GAS_HOLE)
                    .prefers(THICK, EVERYWHERE)
                    .speaksFor(2, "metal_C > alloy_limit_C")
                    .speaksFor(2, "time_at_heat_min > 20")
                    .speaksFor(1.5, "returns_pct > 50")
                    .speaksFor(1, "aluminium = yes")
                    .speaksFor(1.5, "button = domed")
                    .against(1.5, "button = sunken")
                    .against(1, "time_at_heat_min <= 10")
                    .rulesOut("metal_C <= metal_planned_C and time_at_heat_min <= 10 and returns_pct <= 20")
                    .change("Cooler, degassed, with fresh metal.", "The button: did its top puff up as it froze?"),
            Cause.called("bubbles-in-mix", "Bubbles in the mix", 4)
                    .often(BEADS)
                    .prefers(UNDERSIDE, CORE)
                    .speaksFor(2.5, "bubbles_removed = none")
                    .speaksFor(0.5, "bubbles_removed = vibration")
                    .speaksFor(2, "over_working_time = yes")
                    .against(1.5, "bubbles_removed = vacuum")
                    .rulesOut("bubbles_removed = vacuum and over_working_time = no")
                    .change(
                            "Vacuum the mix, and brush the first coat on.",
                            "Undersides and letters: do beads sit there?"),
            Cause.called("water-too-much", "Water too much, or the mix segregated", 2)
                    .often(ROUGH)
                    .sometimes(FINS, CRUMBLED, LEATHERY)
                    .prefers(TOP)
                    .speaksFor(2.5, "water_per_100 > water_most")
                    .speaksFor(1, "over_working_time = yes")
                    .against(1.5, "water_per_100 <= water_most")
                    .rulesOut("mold_kind = shell")
                    .rulesOut("water_per_100 <= water_usual and over_working_time = no")
                    .change(
                            "Weigh powder and water; leave it still from gloss-off on.",
                            "Top against bottom of the mold: softer?"),
            Cause.called("heated-too-fast", "Heated too fast or wet", 3)
                    .often(FINS, CRUMBLED)
                    .sometimes(RUN_OUT, INCLUSION)
                    .prefers(OUTER_FACE, THICK)
                    .speaksFor(2.5, "ramp_K_h > ramp_limit_K_h")
                    .speaksFor(2, "cure_h < cure_asked_h")
                    .speaksFor(2.5, "dry = no")
                    .speaksFor(1, "mold_cracked = yes")
                    .against(1.5, "mold_cracked = no")
                    .against(1, "ramp_K_h <= ramp_limit_K_h")
                    .rulesOut("ramp_K_h <= ramp_limit_K_h and dry = proved")
                    .change("A slower ramp and a longer cure.", "The broken mold: does the fin follow a crack?"),
            Cause.called("overfired", "Overfired, or the wrong refractory", 1.5)
                    .often(CRUMBLED, ROUGH)
                    .sometimes(SIZE_OFF, COLOUR_OFF, INCLUSION)
                    .prefers(EVERYWHERE)
                    .speaksFor(3, "mold_max_C > mold_limit_C")
                    .speaksFor(2.5, "refractory_pct < 25")
                    .against(1, "refractory_pct >= 40")
                    .rulesOut("mold_max_C <= mold_limit_C and refractory_pct >= 25")
                    .change(
                            "Stay under the mold's limit; silica in the mix.",
                            "The mold beside the casting: soft, yellow, smelling?"),
            Cause.called("shell-cracked", "Shell cracked in the dewax", 3)
                    .often(FINS, RUN_OUT)
                    .prefers(OUTER_FACE)
                    .speaksFor(2, "dewax = slow")
                    .speaksFor(1.5, "plastic = yes and mold_kind = shell")
                    .speaksFor(1, "wire = no and mold_kind = shell")
                    .speaksFor(1, "shell_mm < shell_needed_mm")
                    .speaksFor(1.5, "mold_cracked = yes and mold_kind = shell")
                    .against(1, "dewax = flash|autoclave")
                    .against(0.7, "wire = yes")
                    .rulesOut("mold_kind = flask|block")
                    .rulesOut("mold_cracked = no")
                    .change(
                            "Flash it, with drains low, wire, and a wax coating on plastics.",
                            "The shell after the dewax: any line?"),
            Cause.called("shell-too-thin", "Shell too thin for its head", 2)
                    .often(RUN_OUT)
                    .sometimes(SIZE_OFF, FINS)
                    .prefers(BOTTOM)
                    .speaksFor(3, "shell_mm < shell_needed_mm")
                    .rulesOut("mold_kind = flask|block")
                    .rulesOut("shell_mm >= shell_needed_mm")
                    .change(
                            "More coats, or a full bed of sand.",
                            "A broken piece of the shell: measure its wall low down."),
            Cause.called("inclusions", "Loose inclusions", 3)
                    .often(INCLUSION)
                    .prefers(BOTTOM, NEAR_GATE)
                    .speaksFor(2, "joints_closed = no")
                    .speaksFor(2, "covered = no")
                    .speaksFor(1.5, "blown_out = no")
                    .speaksFor(1.5, "sand_in_pits = yes")
                    .against(2, "sand_in_pits = no")
                    .rulesOut("joints_closed = yes and covered = yes and blown_out = yes")
                    .change(
                            "Close the webs at the joints, blow out, cover.",
                            "The pits under a lens: sand or ash in them?"),
            Cause.called("turbulent-fill", "Turbulent fill", 2)
                    .often(INCLUSION)
                    .sometimes(COLD_SHUT, GAS_HOLE, ROUGH, FINE_POROSITY)
                    .prefers(FAR_END)
                    .speaksFor(2, "fill_way = top")
                    .speaksFor(1.5, "aluminium = yes")
                    .against(1.5, "fill_way = bottom")
                    .against(1, "sand_in_pits = yes")
                    .rulesOut("fill_way = bottom and aluminium = no")
                    .change("Fill from the bottom, with the choke early.", "Folds of dross opposite the gate?"),
            Cause.called("quenched-hot", "Moved, or quenched hot", 2)
                    .often(TEAR, CRACK)
                    .prefers(THIN, JUNCTION)
                    .speaksFor(3, "quench_C > quench_most_C")
                    .speaksFor(2.5, "moved_early = yes")
                    .against(1, "quench_C <= quench_most_C")
                    .rulesOut("quench_C <= quench_most_C and moved_early = no")
                    .change("Wait until the window of this alloy.", "The crack: dark with oxide, or bright?"),
            Cause.called("mold-restrains", "Mold restrains it", 1.5)
                    .often(TEAR)
                    .sometimes(CRACK)
                    .prefers(THIN, MIDDLE)
                    .speaksFor(2, "thick_thin_thick = yes")
                    .rulesOut("thick_thin_thick = no")
                    .change("A softer mold there, or a feeder bar along the limb.", "A long limb held at both ends?"),
            Cause.called("shrinkage-factor", "Shrinkage factor", 3)
                    .often(SIZE_OFF)
                    .prefers(EVERYWHERE, CORE)
                    .speaksFor(3, "scale_pair_pct > 0.3")
                    .speaksFor(0.7, "repeats = yes")
                    .rulesOut("scale_pair_pct <= 0.1")
                    .change("The factor of these measured pairs.", "Casting and pattern at three places, one a bore."),
            Cause.called("pattern-wrong", "Pattern wrong", 2)
                    .often(SIZE_OFF)
                    .sometimes(ROUGH, WALL_UNEVEN)
                    .speaksFor(3, "print_off_pct > 0.3")
                    .speaksFor(2.5, "mark_on_pattern = yes")
                    .speaksFor(1.5, "scale_pair_pct <= 0.1")
                    .speaksFor(0.7, "repeats = yes")
                    .rulesOut("print_off_pct <= 0.1 and mark_on_pattern = no")
                    .change(
                            "The pattern, before anything else.",
                            "The pattern against its drawing, and for the same mark."),
            Cause.called("core-moved", "Core moved or burst", 3)
                    .often(WALL_UNEVEN)
                    .sometimes(MISRUN)
                    .prefers(Place.CORE)
                    .speaksFor(2.5, "pins < 3")
                    .speaksFor(2, "core_slenderness > 4")
                    .against(1, "core_slenderness <= 4")
                    .rulesOut("core = no")
                    .rulesOut("pins >= 3 and core_slenderness <= 4")
                    .change("More pins on another level, or a rod in the core.", "The wall at both sides of the core."),
            Cause.called("alloy-off", "Alloy off", 2)
                    .often(COLOUR_OFF)
                    .sometimes(CRACK, ROUGH)
                    .prefers(EVERYWHERE)
                    .speaksFor(3, "make_up = off")
                    .speaksFor(2, "returns_pct > 50")
                    .against(1, "returns_pct <= 20")
                    .rulesOut("make_up = in-band")
                    .rulesOut("returns_pct <= 0")
                    .change("Fresh metal of known make-up.", "A filed spot beside one of a good casting."),
            Cause.called("pattern-handling", "Handling of the pattern", 2)
                    .sometimes(SHORT, MISRUN, FINS, BEADS, CRACK, ROUGH, SIZE_OFF)
                    .speaksFor(2.5, "mark_on_pattern = yes")
                    .against(1.5, "repeats = yes")
                    .rulesOut("mark_on_pattern = no")
                    .change(
                            "Mend that place of the pattern before it is gated.",
                            "The picture of the pattern, and what was mended on it."));

    private HandbookCauses() {}
}
