package kilnryu.app.mixing;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.plan.Plan;
import kilnryu.app.plan.Plans;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.FindingView;
import kilnryu.app.web.Show;
import kilnryu.core.block.Moisture;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** How dry a mold is: by the clock of its cure, and by its weight. */
@Component
class Drying {
    private final DryingStore store;
    private final MixStore mixes;
    private final Clock clock;

    Drying(DryingStore store, MixStore mixes, Clock clock) {
        this.store = store;
        this.mixes = mixes;
        this.clock = clock;
    }

    /** A weighing in the list. */
    public record Line(String at, String mass, String what) {}

    void keep(Account account, long tree, double grams, boolean filled) {
        store.keep(account.studioId(), tree, grams, filled, account.id());
    }

    void show(Account account, Plans.Saved saved, Model model) {
        Plan plan = saved.plan();
        Instant began = mixes.last(saved.row().id()).orElseThrow().startedAt();
        List<DryingStore.Weighing> all = store.of(saved.row().id(), began);
        model.addAttribute(
                "weighings",
                all.stream()
                        .map(w -> new Line(
                                Show.dayAndClock(w.at().atZone(account.zoneId())),
                                Show.value(w.grams(), Measure.GRAM, account.units(), false)
                                        .toString(),
                                (w.filled() ? "just filled" : "drying") + ", " + w.by()))
                        .toList());
        plan.block().ifPresent(b -> {
            Instant earliest = began.plus(Duration.ofMinutes(Math.round(b.cure().value() * 60)));
            model.addAttribute("earliest", Show.dayAndClock(earliest.atZone(account.zoneId())));
            model.addAttribute("tooSoon", earliest.isAfter(clock.instant()));
        });
        moisture(plan, all).ifPresent(moisture -> {
            FigureView.Maker views = new FigureView.Maker(account.units(), false);
            model.addAttribute("moisture", views.of(moisture.share()));
            model.addAttribute("dry", moisture.dry());
            model.addAttribute(
                    "dryFindings",
                    moisture.findings().all().stream()
                            .map(f -> FindingView.of(f, views, 0))
                            .toList());
        });
        model.addAttribute("drying", true);
    }

    /** Share of the free water that is left by the last weighing, %, as far as the scale can tell; empty until it was weighed twice. */
    Optional<Double> share(Plans.Saved saved) {
        return mixes.last(saved.row().id())
                .flatMap(m -> moisture(saved.plan(), store.of(saved.row().id(), m.startedAt())))
                .map(m -> Math.max(0, Math.min(100, m.share().value())));
    }

    /** By the last weighing just after filling and the last one since; empty until it was weighed twice. */
    private static Optional<Moisture> moisture(Plan plan, List<DryingStore.Weighing> all) {
        Optional<DryingStore.Weighing> first =
                all.stream().filter(DryingStore.Weighing::filled).reduce((a, b) -> b);
        Optional<DryingStore.Weighing> now =
                all.stream().filter(w -> !w.filled()).reduce((a, b) -> b);
        return first.isEmpty() || now.isEmpty()
                ? Optional.empty()
                : free(plan)
                        .map(free -> Moisture.of(
                                free,
                                first.get().grams(),
                                now.get().grams(),
                                plan.reading().factors()));
    }

    private static Optional<Figure> free(Plan plan) {
        return plan.block()
                .map(b -> b.freeWater())
                .or(() -> plan.flask()
                        .map(f -> Moisture.freeWater(
                                f.powder(), f.waterPer100(), f.flask().system().hemihydratePercent())));
    }
}
