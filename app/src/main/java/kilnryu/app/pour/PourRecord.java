package kilnryu.app.pour;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import kilnryu.app.account.Account;
import kilnryu.app.melt.MelterStore;
import kilnryu.app.plan.Plan;
import kilnryu.app.plan.PlanRecord;
import kilnryu.app.record.Poured;
import kilnryu.app.record.Records;
import kilnryu.app.record.WorkRecord;
import kilnryu.app.web.Spoken;
import kilnryu.core.finding.Finding;
import kilnryu.core.melt.PotCooling;
import kilnryu.core.pour.CarryWindow;
import kilnryu.core.pour.PourPlan;

/** A pour as it goes into its record when it begins. */
final class PourRecord {
    /** So far apart are the moments that are kept of a mold's cooling, s. */
    private static final double KEPT_S = 5;

    private static final int MOST_KEPT = 400;

    private PourRecord() {}

    /** @param overruled reasons by the id of the stop */
    static WorkRecord of(Account account, PourSheet sheet, Map<String, String> overruled) {
        PourPlan plan = sheet.plan().orElseThrow();
        PotCooling cooling = sheet.pot().orElseThrow().cooling();
        List<Poured.Lot> charge = new ArrayList<>();
        Map<String, Double> after = new LinkedHashMap<>();
        sheet.charge().ifPresent(c -> {
            c.shares()
                    .forEach(s -> charge.add(
                            new Poured.Lot(s.lot().name(), s.lot().type().key(), s.grams())));
            c.after().forEach((e, f) -> after.put(e.symbol(), f.value()));
        });
        Poured poured = new Poured(
                sheet.alloy().orElseThrow().key(),
                sheet.at().map(a -> a.toOffsetDateTime().toString()).orElse(""),
                sheet.pourC().orElseThrow().value(),
                sheet.melt().orElseThrow().tap().value(),
                sheet.needed().orElseThrow().value(),
                sheet.melt().get().minutes().value(),
                sheet.furnaceRow().map(MelterStore.Row::name).orElse(""),
                sheet.crucibleRow().map(MelterStore.Row::name).orElse(""),
                charge,
                after,
                new Poured.Crew(
                        sheet.crew().carry(),
                        sheet.crew().seat(),
                        sheet.crew().between(),
                        sheet.crew().skim(),
                        sheet.crew().together()),
                new Poured.Pot(
                        cooling.face(),
                        cooling.wall(),
                        cooling.covered(),
                        sheet.charge()
                                .map(c -> c.melt().value())
                                .orElse(sheet.needed().get().value()),
                        sheet.alloy().get().melting().cpLiquid()),
                molds(sheet, plan),
                sheet.countdown().steps().stream()
                        .map(s -> new Poured.Step(s.key(), s.words(), s.why(), s.minutes(), s.safety()))
                        .toList(),
                sheet.findings().all().stream().map(f -> said(f, account)).toList(),
                overruled.entrySet().stream()
                        .map(e -> new WorkRecord.Overruled(e.getKey(), e.getValue()))
                        .toList());
        return Records.of(
                sheet.row().name(),
                sheet.molds().stream()
                        .map(m -> PlanRecord.of(m.id(), m.saved().plan()))
                        .toList(),
                poured);
    }

    private static WorkRecord.Said said(Finding f, Account account) {
        return new WorkRecord.Said(
                f.severity().name().toLowerCase(Locale.ROOT),
                Spoken.in(f.message(), account.units()),
                Spoken.in(f.remedy(), account.units()));
    }

    private static List<Poured.Mold> molds(PourSheet sheet, PourPlan plan) {
        List<Poured.Mold> all = new ArrayList<>();
        for (int i = 0; i < plan.legs().size(); i++) {
            PourPlan.Leg l = plan.legs().get(i);
            CastMold m = sheet.molds().get(i);
            all.add(new Poured.Mold(
                    m.id(),
                    m.name(),
                    m.kind(),
                    l.of().grams(),
                    l.out(),
                    l.start(),
                    l.full(),
                    l.metal(),
                    l.of().least(),
                    l.of().group(),
                    l.of().limit(),
                    l.of().window().seconds().isPresent()
                            ? l.of().window().seconds().getAsDouble()
                            : null,
                    l.margin().isPresent() ? l.margin().getAsDouble() : null,
                    l.pot(),
                    l.again(),
                    sheet.vacuum(m),
                    Math.max(1, m.people()),
                    bears(m.saved().plan()),
                    course(l.of().window())));
        }
        return all;
    }

    /** Whether no stop of safety stands against this metal in this mold. */
    private static boolean bears(Plan plan) {
        return plan.findings().stops().stream().noneMatch(Finding::safety);
    }

    private static List<List<Double>> course(CarryWindow window) {
        List<List<Double>> kept = new ArrayList<>();
        double next = 0;
        int last = window.course().size() - 1;
        double apart = Math.max(KEPT_S, window.course().get(last).second() / MOST_KEPT);
        for (int i = 0; i <= last; i++) {
            CarryWindow.Moment m = window.course().get(i);
            if (m.second() >= next || i == last) {
                kept.add(List.of(m.second(), Math.round(m.cavity() * 10) / 10.0));
                next = m.second() + apart;
            }
        }
        return kept;
    }
}
