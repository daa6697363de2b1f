package kilnryu.app.breakout;

import java.time.Clock;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Streams;
import kilnryu.app.pour.FullMolds;
import kilnryu.app.pour.PouredMold;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.web.Show;
import kilnryu.core.breakout.MetalCooling;
import kilnryu.core.breakout.Quenching;
import kilnryu.core.heat.Face;
import kilnryu.core.pour.Outside;
import kilnryu.core.quantity.Measure;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** How a full mold cools, when it may go into water or be shaken out, and how it is taken out. */
@Controller
class CoolingController {
    private static final double ROOM_C = 20;
    private static final Range AROUND = new Range(Measure.DEGREE_CELSIUS, -30, 700);
    private static final Range WATER = new Range(Measure.DEGREE_CELSIUS, 0, 79);
    private static final Range WIDE = new Range(Measure.MILLIMETRE, 50, 2000);
    /** Water that boils at a hot face, W/(m2 K); our own figure. */
    private static final Face IN_WATER = new Face(500, 0);

    private final BreakOutStore store;
    private final BreakOuts breakOuts;
    private final FullMolds molds;
    private final Plans plans;
    private final Streams streams;
    private final Clock clock;

    CoolingController(
            BreakOutStore store, BreakOuts breakOuts, FullMolds molds, Plans plans, Streams streams, Clock clock) {
        this.store = store;
        this.breakOuts = breakOuts;
        this.molds = molds;
        this.plans = plans;
        this.streams = streams;
        this.clock = clock;
    }

    /** What is asked of it, as typed. */
    private record CoolingForm(Outside outside, Quenching.Bucket bucket, Map<String, String> errors) {}

    private static CoolingForm asked(Account account, Map<String, String> form) {
        Fields fields = Fields.typed(form, account.units());
        String stands = form.getOrDefault("stands", "room");
        double around = fields.quantity("around_C", AROUND).orElse(ROOM_C);
        OptionalDouble bucket = fields.quantity("bucket", Range.VOLUME);
        OptionalDouble wide = fields.quantity("bucket_mm", WIDE);
        double water = fields.quantity("water_C", WATER).orElse(15);
        Outside outside = stands.equals("sand")
                ? Outside.sand(around)
                : stands.equals("water") ? new Outside(IN_WATER, Math.min(around, 99)) : Outside.air(around);
        return new CoolingForm(outside, new Quenching.Bucket(bucket, wide, water), fields.errors());
    }

    private record Cooled(FullMolds.Full full, MetalCooling cooling, Quenching quench) {}

    private Optional<Cooled> cooled(Account account, long tree, Optional<PouredMold> poured, CoolingForm asked) {
        return molds.of(account, tree, poured, asked.outside).map(full -> {
            MetalCooling cooling = MetalCooling.of(full.mold());
            return new Cooled(full, cooling, full.quenching(cooling, asked.bucket));
        });
    }

    @GetMapping("/breakout/{tree:\\d+}/cooling")
    String show(
            @AuthenticationPrincipal Account account,
            @PathVariable long tree,
            @RequestParam Map<String, String> form,
            Model model) {
        Plans.Saved saved = plans.find(account, tree);
        streams.of(account, saved, saved.plan(), "cooling").into(model);
        Optional<PouredMold> poured = breakOuts.poured(account, tree);
        Optional<Instant> since = poured.flatMap(PouredMold::poured);
        CoolingForm asked = asked(account, form);
        boolean wire =
                saved.plan().shell().filter(s -> s.plan().wire().isPresent()).isPresent();
        model.addAttribute("name", saved.row().name());
        model.addAttribute("id", tree);
        model.addAttribute(
                "alloy", saved.plan().tree().map(t -> t.tree().alloy().label()).orElse(""));
        model.addAttribute(
                "since",
                since.map(i -> Show.dayAndClock(i.atZone(account.zoneId()))).orElse(""));
        model.addAttribute("typed", new LinkedHashMap<>(form));
        model.addAttribute("errors", asked.errors);
        model.addAttribute(
                "view",
                cooled(account, tree, poured, asked)
                        .map(c -> CoolingView.of(
                                account, c.cooling, c.quench, c.full.kind(), wire, since, clock.instant()))
                        .orElse(null));
        model.addAttribute("out", store.takenOut(tree).orElse(null));
        return "breakout/cooling";
    }

    /** It went into water, or was shaken out: the moment counts for what is found on it later. */
    @PostMapping("/breakout/{tree:\\d+}/out")
    String out(
            @AuthenticationPrincipal Account account,
            @PathVariable long tree,
            @RequestParam String how,
            RedirectAttributes redirect) {
        plans.find(account, tree);
        Optional<PouredMold> poured = breakOuts.poured(account, tree);
        Optional<Instant> since = poured.flatMap(PouredMold::poured);
        if (!how.equals("water") && !how.equals("air") || since.isEmpty()) {
            redirect.addFlashAttribute(
                    "fault", "No pour of this mold is on record: from when its clock runs is not known.");
            return "redirect:/breakout/" + tree + "/cooling";
        }
        double passed =
                Math.max(0, clock.instant().getEpochSecond() - since.get().getEpochSecond());
        Optional<Cooled> cooled = cooled(account, tree, poured, asked(account, Map.of()));
        OptionalDouble button = cooled.isPresent()
                ? OptionalDouble.of(cooled.get().cooling.at(passed).button())
                : OptionalDouble.empty();
        boolean early = cooled.filter(c -> c.cooling.solid().orElse(Double.MAX_VALUE) > passed)
                .isPresent();
        if (!store.takeOut(account, tree, how, button, early)) {
            redirect.addFlashAttribute("fault", "It was taken out already: the first moment counts.");
        }
        return "redirect:/breakout/" + tree + "/cooling";
    }
}
