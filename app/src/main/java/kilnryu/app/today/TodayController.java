package kilnryu.app.today;

import java.time.Clock;
import java.time.Duration;
import java.util.List;
import kilnryu.app.account.Account;
import kilnryu.app.equipment.EquipmentStore;
import kilnryu.app.plan.Plans;
import kilnryu.app.today.Day.Window;
import kilnryu.app.tree.TreeStore;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;

/** The first page: the day. */
@Controller
class TodayController {
    private static final int MOLDS = 24;
    private static final Duration LATELY = Duration.ofHours(36);
    private static final Duration SOON = Duration.ofDays(14);

    private final List<Day.Source> sources;
    private final TreeStore trees;
    private final Plans plans;
    private final EquipmentStore equipment;
    private final Clock clock;

    TodayController(List<Day.Source> sources, TreeStore trees, Plans plans, EquipmentStore equipment, Clock clock) {
        this.sources = sources;
        this.trees = trees;
        this.plans = plans;
        this.equipment = equipment;
        this.clock = clock;
    }

    @GetMapping("/")
    String today(@AuthenticationPrincipal Account account, Model model) {
        fill(account, model);
        return "today/today";
    }

    /** What changes while it is looked at. */
    @GetMapping("/today/inside")
    String inside(@AuthenticationPrincipal Account account, Model model) {
        fill(account, model);
        return "today/today :: inside";
    }

    /** Reckons one thing that takes longer than a page may, and shows the day with it. */
    @PostMapping("/today/reckon")
    String reckon(@AuthenticationPrincipal Account account, Model model) {
        Window window = Window.at(clock.instant().atZone(account.zoneId()));
        sources.stream().anyMatch(s -> s.reckon(account, window));
        return inside(account, model);
    }

    private void fill(Account account, Model model) {
        Window window = Window.at(clock.instant().atZone(account.zoneId()));
        Day day = Day.all(sources.stream().map(s -> s.of(account, window)).toList());
        List<TreeStore.Row> rows = plans.withFaces(
                account,
                trees.inWork(
                        account.studioId(),
                        window.now().minus(LATELY).toInstant(),
                        window.now().plus(SOON).toInstant(),
                        MOLDS + 1));
        model.addAttribute("page", DayPage.of(window, day, rows, MOLDS));
        boolean empty = rows.isEmpty() && trees.count(account.studioId(), false) == 0;
        model.addAttribute("empty", empty);
        if (empty) {
            var fields = equipment.of(account.studioId()).fields();
            model.addAttribute("flasks", fields.keySet().stream().anyMatch(k -> k.startsWith("flasks[")));
        }
    }
}
