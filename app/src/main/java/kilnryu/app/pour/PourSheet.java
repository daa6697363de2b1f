package kilnryu.app.pour;

import java.time.ZonedDateTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.melt.MelterReader;
import kilnryu.app.melt.MelterStore;
import kilnryu.app.melt.MetalStore;
import kilnryu.app.sheet.Fields;
import kilnryu.core.finding.Findings;
import kilnryu.core.material.Alloy;
import kilnryu.core.melt.Charge;
import kilnryu.core.melt.Charging;
import kilnryu.core.melt.Furnace;
import kilnryu.core.melt.MeltPlan;
import kilnryu.core.pour.Countdown;
import kilnryu.core.pour.PourCrew;
import kilnryu.core.pour.PourPlan;
import kilnryu.core.pour.PourWay;
import kilnryu.core.sum.Figure;

/**
 * All that can be said of a pour from what is typed so far.
 *
 * @param molds in the order in which they are poured
 * @param alloy of all of them; empty where they differ or none is there
 * @param needed metal after melting, with reserve and heel
 * @param lots what is in store, in the order of the charge's question
 * @param charging empty until the alloy is known
 * @param charge what is weighed: as the program has it, or as the scale said
 * @param plan empty until every mold, furnace and crucible is known
 * @param pourC temperature at the first mold
 * @param at hour at which the first metal flows; empty until one is typed
 * @param missing what could not be judged
 */
record PourSheet(
        PourStore.Row row,
        Fields fields,
        List<CastMold> molds,
        Optional<Alloy> alloy,
        Optional<Figure> needed,
        List<MetalStore.Lot> lots,
        Optional<Charging> charging,
        Optional<Charge> charge,
        Optional<MelterStore.Row> furnaceRow,
        Optional<Furnace> furnace,
        Optional<MelterStore.Row> crucibleRow,
        Optional<MelterReader.Pot> pot,
        Optional<MeltPlan> melt,
        Optional<Figure> pourC,
        PourCrew crew,
        Optional<PourPlan> plan,
        Countdown countdown,
        Optional<ZonedDateTime> at,
        Findings findings,
        List<String> missing,
        Map<Long, MetalStore.Taken> weighed) {

    /** How flasks are poured; empty where nothing else is said than that they are. */
    Optional<PourWay> way() {
        return PourWay.named(fields.written().getOrDefault("way", ""));
    }

    /** Whether a mold stands on a vacuum. */
    boolean vacuum(CastMold mold) {
        return mold.vacuum() && way().map(PourWay::vacuum).orElse(true);
    }

    boolean sand() {
        return fields.written().getOrDefault("outside", "").equals("sand");
    }

    /** Findings by the place they are pinned to, the plan's and the melt's apart. */
    Map<String, Findings> byPage() {
        Map<String, Findings> pages = new LinkedHashMap<>();
        pages.put("charge", charge.map(Charge::findings).orElse(Findings.NONE));
        pages.put("melt", melt.map(MeltPlan::findings).orElse(Findings.NONE));
        pages.put("plan", plan.map(PourPlan::findings).orElse(Findings.NONE));
        return pages;
    }
}
