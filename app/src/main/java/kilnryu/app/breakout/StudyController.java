package kilnryu.app.breakout;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import kilnryu.app.account.Account;
import kilnryu.app.diagnosis.WhyView;
import kilnryu.app.plan.Plans;
import kilnryu.core.diagnosis.Cause;
import kilnryu.core.diagnosis.DefectKind;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** To learn from the log: where a piece fails on its own outline, cases to train on, a refresher after a long time. */
@Controller
class StudyController {
    private static final int MOST = 60;
    private static final int MOST_PINS = 2000;
    private static final Duration LONG = Duration.ofDays(45);

    private final BreakOutStore store;
    private final BreakOuts breakOuts;
    private final Plans plans;
    private final java.time.Clock clock;

    StudyController(BreakOutStore store, BreakOuts breakOuts, Plans plans, java.time.Clock clock) {
        this.store = store;
        this.breakOuts = breakOuts;
        this.plans = plans;
        this.clock = clock;
    }

    /** A kind of defect on the outline. */
    public record Seen(String label, int castings, String colour, String sign) {}

    private static final String[] COLOURS = {"#a2382a", "#8a560c", "#4d5f70", "#27685d", "#6b3f73", "#2a2220"};

    @GetMapping("/log/map")
    String map(@AuthenticationPrincipal Account account, @RequestParam(defaultValue = "") String of, Model model) {
        List<String> names = store.names(account.studioId(), MOST);
        String chosen = names.contains(of) ? of : names.isEmpty() ? "" : names.get(0);
        List<BreakOutStore.Pinned> pins = store.pins(account.studioId(), chosen, MOST_PINS);
        Map<DefectKind, List<BreakOutStore.Pinned>> by = new EnumMap<>(DefectKind.class);
        pins.forEach(p -> DefectKind.named(p.kind())
                .ifPresent(k -> by.computeIfAbsent(k, x -> new ArrayList<>()).add(p)));
        List<DefectKind> kinds = by.keySet().stream()
                .sorted(Comparator.comparingInt((DefectKind k) -> -by.get(k).size()))
                .toList();
        model.addAttribute("names", names);
        model.addAttribute("chosen", chosen);
        model.addAttribute(
                "seen",
                kinds.stream()
                        .map(k -> new Seen(
                                k.label(),
                                (int) by.get(k).stream()
                                        .map(p -> p.breakOut() + "-" + p.casting())
                                        .distinct()
                                        .count(),
                                COLOURS[kinds.indexOf(k) % COLOURS.length],
                                Signs.of(k)))
                        .toList());
        model.addAttribute("castings", chosen.isEmpty() ? 0 : store.castings(account.studioId(), chosen));
        model.addAttribute(
                "drawing",
                store.tile(account.studioId(), chosen)
                        .map(t -> drawing(t, by, kinds))
                        .orElse(""));
        return "breakout/map";
    }

    /** All castings laid over each other with their gate at the left: those that hung left of the sprue are turned round. */
    private static String drawing(Tile tile, Map<DefectKind, List<BreakOutStore.Pinned>> by, List<DefectKind> kinds) {
        StringBuilder svg = new StringBuilder(String.format(
                Locale.ROOT,
                "<svg viewBox=\"0 0 %.0f %.0f\" role=\"img\" aria-label=\"The casting with all that was found on it\" class=\"cast\">",
                Tile.WIDE,
                Tile.HIGH));
        svg.append(
                        tile.left()
                                ? String.format(
                                        Locale.ROOT, "<g transform=\"translate(%.0f,0) scale(-1,1)\">", Tile.WIDE)
                                : "<g>")
                .append("<path class=\"body\" d=\"")
                .append(tile.path())
                .append("\"/></g>");
        for (DefectKind kind : kinds) {
            for (BreakOutStore.Pinned p : by.get(kind)) {
                double x = p.casting() % 2 == 1 ? 1 - p.x() : p.x();
                svg.append(String.format(
                        Locale.ROOT,
                        "<circle cx=\"%.1f\" cy=\"%.1f\" r=\"2.6\" fill=\"%s\" fill-opacity=\"0.6\"/>",
                        x * Tile.WIDE,
                        p.y() * Tile.HIGH,
                        COLOURS[kinds.indexOf(kind) % COLOURS.length]));
            }
        }
        return svg.append("</svg>").toString();
    }

    /** A case in the list, its answer hidden. */
    public record Case(long tree, String seen, String when) {}

    @GetMapping("/log/cases")
    String cases(@AuthenticationPrincipal Account account, Model model) {
        List<Case> cases = new ArrayList<>();
        List<BreakOutStore.Solved> solved = store.solved(account.studioId(), MOST);
        Map<Long, BreakOutStore.Row> rows = store.of(
                account.studioId(),
                solved.stream().map(BreakOutStore.Solved::tree).toList());
        Map<Long, List<BreakOutStore.Event>> events =
                store.events(rows.values().stream().map(BreakOutStore.Row::id).toList());
        for (BreakOutStore.Solved s : solved) {
            BreakOutStore.Row row = rows.get(s.tree());
            Groups groups = Groups.of(BreakOutCourse.of(row.tiles(), events.getOrDefault(row.id(), List.of())));
            if (!groups.all().isEmpty()) {
                cases.add(new Case(
                        s.tree(),
                        groups.all().stream().map(Groups.Group::title).collect(Collectors.joining("; ")),
                        kilnryu.app.web.Show.dayAndClock(row.begunAt().atZone(account.zoneId()))));
            }
        }
        model.addAttribute("cases", cases);
        return "breakout/cases";
    }

    @GetMapping("/log/cases/{tree:\\d+}")
    String solve(
            @AuthenticationPrincipal Account account,
            @PathVariable long tree,
            @RequestParam(defaultValue = "") String answer,
            Model model) {
        BreakOutStore.Row row =
                store.of(account.studioId(), tree).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        BreakOutCourse course = breakOuts.course(row);
        Optional<Groups.Group> group = Groups.of(course).all().stream().findFirst();
        if (course.cause().isEmpty() || group.isEmpty()) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        Plans.Saved saved = plans.find(account, tree);
        List<Cause> table = breakOuts.table(account).all();
        Optional<Cause> was =
                table.stream().filter(c -> c.id().equals(course.cause())).findFirst();
        Optional<Cause> said = table.stream().filter(c -> c.id().equals(answer)).findFirst();
        model.addAttribute("id", tree);
        model.addAttribute("seen", group.get().title());
        model.addAttribute(
                "mold",
                (saved.row().alloy() == null ? "" : saved.row().alloy() + ", ")
                        + (saved.row().flask() == null
                                ? "no mold on record"
                                : saved.row().flask()));
        model.addAttribute("facts", breakOuts.facts(account, saved, row, course, group.get()));
        model.addAttribute(
                "choices",
                table.stream()
                        .filter(c ->
                                c.makes().keySet().stream().anyMatch(group.get().kinds()::contains))
                        .sorted(Comparator.comparing(Cause::name))
                        .toList());
        model.addAttribute("answer", answer);
        if (said.isPresent()) {
            WhyView why =
                    breakOuts.why(account, saved, row, course, group.get()).orElseThrow();
            model.addAttribute("right", said.get().id().equals(course.cause()));
            model.addAttribute("was", was.map(Cause::name).orElse(course.cause()));
            model.addAttribute("change", was.map(Cause::change).orElse(""));
            model.addAttribute(
                    "evidence",
                    java.util.stream.Stream.of(why.leading(), why.others(), why.out())
                            .flatMap(List::stream)
                            .filter(c -> c.id().equals(course.cause()))
                            .flatMap(c -> c.speaksFor().stream())
                            .map(WhyView.Line::words)
                            .toList());
        }
        return "breakout/case";
    }

    /** What went wrong here before. */
    public record Before(String cause, int times, String change) {}

    @GetMapping("/log/refresher")
    String refresher(@AuthenticationPrincipal Account account, Model model) {
        Optional<Instant> last = store.lastOpened(account.studioId());
        Instant now = clock.instant();
        model.addAttribute(
                "away",
                last.map(l -> Duration.between(l, now).toDays())
                        .map(d -> d + (d == 1 ? " day" : " days"))
                        .orElse(""));
        model.addAttribute(
                "long",
                last.filter(l -> Duration.between(l, now).compareTo(LONG) > 0).isPresent());
        Map<String, Integer> found = breakOuts.table(account).confirmed();
        model.addAttribute(
                "before",
                found.entrySet().stream()
                        .sorted(Map.Entry.<String, Integer>comparingByValue().reversed())
                        .limit(5)
                        .flatMap(e -> breakOuts.table(account).named(e.getKey()).stream()
                                .map(c -> new Before(c.name(), e.getValue(), c.change())))
                        .toList());
        return "breakout/refresher";
    }
}
