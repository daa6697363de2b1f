package kilnryu.app.diagnosis;

import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.plan.Berth;
import kilnryu.app.plan.Plans;
import kilnryu.app.pour.PouredMold;
import kilnryu.app.pour.PouredMolds;
import kilnryu.app.record.Poured;
import kilnryu.core.diagnosis.Fact.How;
import kilnryu.core.diagnosis.FactKey;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** What was tapped at the pour, beside what was planned for it. */
@Component
@Order(10)
class PourFacts implements FactSource {
    private static final double REACHED_KPA = 80;

    private final PouredMolds poured;
    private final Berth.Source berths;

    PourFacts(PouredMolds poured, Berth.Source berths) {
        this.poured = poured;
        this.berths = berths;
    }

    @Override
    public void tell(Account account, Plans.Saved tree, OnRecord found) {
        Optional<PouredMold> mold = poured.of(account.studioId(), tree.row().id());
        mold.ifPresent(m -> of(m, found));
        berths.of(account, tree.row().id(), false)
                .filter(Berth::through)
                .ifPresent(b -> found.word(FactKey.DRY, "assumed", How.MEASURED, b.address()));
    }

    private static void of(PouredMold m, OnRecord found) {
        String day = "/pours/" + m.pour() + "/day";
        String plan = "/pours/" + m.pour();
        Poured.Mold p = m.mold();
        m.metal().ifPresent(c -> found.number(FactKey.METAL_C, c, How.MEASURED, day));
        found.number(FactKey.METAL_PLANNED_C, p.metalC(), How.PLANNED, plan);
        m.stood().ifPresent(s -> found.number(FactKey.CARRY_S, s, How.MEASURED, day));
        if (p.windowS() != null) {
            found.number(FactKey.CARRY_WINDOW_S, p.windowS(), How.PLANNED, plan);
        }
        // reckoned from the kiln's planned heat and the seconds that were tapped: nobody measured it
        m.moldC().ifPresent(c -> found.number(FactKey.MOLD_C, c, How.PLANNED, day));
        if (!p.course().isEmpty()) {
            found.number(FactKey.MOLD_PLANNED_C, p.cavityAt(p.startS() - p.outS()), How.PLANNED, plan);
        }
        if (p.margin() != null) {
            found.number(FactKey.FILL_MARGIN, p.margin(), How.PLANNED, plan);
        }
        vacuum(m, found, day);
        if (m.clean()) {
            found.word(FactKey.BLOWN_OUT, "yes", How.MEASURED, day);
        }
        if (m.warm()) {
            found.word(FactKey.CHARGE_WARMED, "yes", How.MEASURED, day);
        }
        if (!m.plan().charge().isEmpty()) {
            found.number(FactKey.RETURNS_PCT, returns(m.plan()), How.MEASURED, plan + "/charge");
        }
    }

    private static void vacuum(PouredMold m, OnRecord found, String day) {
        if (!m.mold().vacuum()) {
            found.word(FactKey.VACUUM, "none", How.MEASURED, day);
            return;
        }
        m.gauge().ifPresent(g -> found.number(FactKey.GAUGE_KPA, g, How.MEASURED, day));
        if (!m.noVacuum().isEmpty()) {
            found.word(FactKey.VACUUM, "failed", How.MEASURED, day);
        } else {
            m.gauge()
                    .ifPresent(g ->
                            found.word(FactKey.VACUUM, g >= REACHED_KPA ? "reached" : "failed", How.MEASURED, day));
        }
    }

    private static double returns(Poured plan) {
        double all = plan.charge().stream().mapToDouble(Poured.Lot::grams).sum();
        double back = plan.charge().stream()
                .filter(l -> l.kind().equals("return") || l.kind().equals("unknown"))
                .mapToDouble(Poured.Lot::grams)
                .sum();
        return all <= 0 ? Double.NaN : back / all * 100;
    }
}
