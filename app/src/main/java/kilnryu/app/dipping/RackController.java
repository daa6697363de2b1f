package kilnryu.app.dipping;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import kilnryu.app.account.Account;
import kilnryu.app.dipping.ShellState.Phase;
import kilnryu.app.plan.Plans;
import kilnryu.app.web.Late;
import kilnryu.app.web.Show;
import kilnryu.app.web.Spoken;
import kilnryu.core.shell.Air;
import kilnryu.core.shell.Climate;
import kilnryu.core.shell.DipCalendar;
import kilnryu.core.shell.DipCalendar.Job;
import kilnryu.core.shell.DipCalendar.Rack;
import kilnryu.core.shell.Drying;
import kilnryu.core.sum.Factors;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The bench of the racks: what is ready to dip, one tap for a dip; and the calendar of all that is to come. */
@Controller
class RackController {
    private static final int WAITING = 60;

    private static final int MOST_HOOKS = 40;

    private final Shells shells;
    private final DipStore dips;
    private final Plans plans;
    private final Clock clock;

    RackController(Shells shells, DipStore dips, Plans plans, Clock clock) {
        this.shells = shells;
        this.dips = dips;
        this.plans = plans;
        this.clock = clock;
    }

    /** A shell on its rack. */
    public record Card(
            long id,
            String name,
            int on,
            int of,
            String next,
            String phase,
            String state,
            String when,
            int progress,
            boolean tap,
            boolean wire,
            String weight) {}

    /** A shell that cannot be reckoned anew. */
    public record KeptShell(long id, String name, String rack, String why) {}

    /** A rack with its shells. */
    public record RackView(String name, String places, int of, List<Card> cards, List<KeptShell> kept) {
        /** Its hooks from the left: whether something hangs there. */
        public List<Boolean> hooks() {
            int taken = cards.size() + kept.size();
            return java.util.stream.IntStream.range(0, Math.min(MOST_HOOKS, Math.max(of, taken)))
                    .mapToObj(i -> i < taken)
                    .toList();
        }
    }

    /** A tree whose shell is planned but not begun. */
    public record Waiting(long tree, String name) {}

    /** A dip of the calendar. */
    public record Line(
            String at, String name, String coat, String rack, String dry, String by, boolean late, long shell) {}

    /** A day of the calendar. */
    public record Day(String name, List<Line> lines) {}

    @GetMapping("/shells")
    String racks(@AuthenticationPrincipal Account account, Model model) {
        Room room = shells.room(account);
        List<ShellState> open = shells.open(account);
        List<KeptShell> kept = shells.kept(account).stream()
                .map(k -> new KeptShell(k.run().id(), k.run().name(), k.run().rack(), k.why()))
                .toList();
        Map<String, List<ShellState>> byRack = new LinkedHashMap<>();
        room.racks().forEach(r -> byRack.put(r.name(), new ArrayList<>()));
        kept.forEach(k -> byRack.computeIfAbsent(k.rack(), name -> new ArrayList<>()));
        open.forEach(s ->
                byRack.computeIfAbsent(s.run().rack(), k -> new ArrayList<>()).add(s));
        Map<String, Integer> places = new LinkedHashMap<>();
        room.racks().forEach(r -> places.merge(r.name(), r.places(), Integer::sum));
        model.addAttribute(
                "racks",
                byRack.entrySet().stream()
                        .map(e -> new RackView(
                                e.getKey(),
                                e.getValue().size()
                                        + kept.stream()
                                                .filter(k -> k.rack().equals(e.getKey()))
                                                .count()
                                        + " of " + places.getOrDefault(e.getKey(), 0) + " places",
                                places.getOrDefault(e.getKey(), 0),
                                e.getValue().stream()
                                        .sorted(Comparator.comparing(RackController::urgency))
                                        .map(s -> card(account, s))
                                        .toList(),
                                kept.stream()
                                        .filter(k -> k.rack().equals(e.getKey()))
                                        .toList()))
                        .toList());
        model.addAttribute("waiting", waiting(account));
        model.addAttribute("air", shells.air(account));
        model.addAttribute("swing", swing(account, room));
        model.addAttribute("ended", dips.ended(account.studioId()));
        model.addAttribute(
                "ready",
                open.stream()
                        .filter(s -> s.phase() == Phase.READY || s.phase() == Phase.LATE || s.phase() == Phase.WIRE)
                        .count());
        return "dipping/racks";
    }

    /** What has waited too long comes first, then what is ready, then what dries soonest. */
    private static Instant urgency(ShellState s) {
        return switch (s.phase()) {
            case LATE -> Instant.MIN;
            case READY, WIRE -> Instant.EPOCH;
            case DRYING -> s.ready().orElse(Instant.MAX);
            default -> Instant.MAX;
        };
    }

    /** Empty while the room keeps within 2 K over the last day. */
    private String swing(Account account, Room room) {
        Climate climate = shells.climate(account, room);
        double swing = climate.swing(clock.instant().minus(Duration.ofDays(1)), clock.instant())
                .orElse(0);
        return swing > 4 ? Show.digits(swing) : "";
    }

    private List<Waiting> waiting(Account account) {
        List<DipStore.Run> begun = dips.open(account.studioId());
        return plans.shellNames(account, WAITING).entrySet().stream()
                .filter(t -> begun.stream().noneMatch(run -> run.treeId() == t.getKey()))
                .map(t -> new Waiting(t.getKey(), t.getValue()))
                .toList();
    }

    Card card(Account account, ShellState s) {
        Instant now = clock.instant();
        return new Card(
                s.run().id(),
                s.run().name(),
                s.on(),
                s.shell().layers().size(),
                s.next().map(c -> c.label()).orElse(""),
                s.phase().name().toLowerCase(java.util.Locale.ROOT),
                s.phase().label(),
                when(account, s, now),
                (int) Math.round(s.progress() * 100),
                s.next().isPresent() && (s.phase() == Phase.READY || s.phase() == Phase.LATE),
                s.wireNow(),
                s.byWeight().isPresent()
                        ? Math.round(s.byWeight().getAsDouble() * 100) + " % of its water is gone by weight"
                        : "");
    }

    private static String when(Account account, ShellState s, Instant now) {
        return switch (s.phase()) {
            case DRYING ->
                s.ready()
                        .map(r -> "dry in " + Show.length(Duration.between(now, r)) + ", at "
                                + Show.dayAndClock(r.atZone(account.zoneId())))
                        .orElse("");
            case LATE ->
                "should have been dipped by "
                        + Show.dayAndClock(s.latest().orElseThrow().atZone(account.zoneId()));
            case READY ->
                s.latest()
                        .map(l -> "dip it by " + Show.dayAndClock(l.atZone(account.zoneId())))
                        .orElse(s.on() == 0 ? "degreased, weighed, hook firm" : "");
            case FINAL ->
                s.fireFrom()
                        .map(f -> "fire from " + Show.dayAndClock(f.atZone(account.zoneId())))
                        .orElse("");
            case WIRE -> "wrap it, twist it tight where it crosses, then tick it";
            case NEVER -> "drier air, a fan, a window into the hollow";
            default -> "";
        };
    }

    @PostMapping("/shells/{id:\\d+}/dip")
    String tap(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam int on,
            @RequestParam(defaultValue = "") String from,
            RedirectAttributes redirect) {
        String back = from.equals("page") ? "/shells/" + id : "/shells";
        try {
            redirect.addFlashAttribute("logged", shells.tap(account, id, on) + ": coat " + (on + 1) + " is on.");
        } catch (Late late) {
            throw new Late(late.getMessage(), back);
        }
        return "redirect:" + back;
    }

    @PostMapping("/shells/{id:\\d+}/wire")
    String wire(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "true") boolean on,
            @RequestParam(defaultValue = "") String from) {
        shells.wire(account, id, on);
        return from.equals("page") ? "redirect:/shells/" + id : "redirect:/shells";
    }

    @GetMapping("/shells/calendar")
    String calendar(
            @AuthenticationPrincipal Account account, @RequestParam(defaultValue = "yes") String waiting, Model model) {
        Room room = shells.room(account);
        Map<String, String> names = new LinkedHashMap<>();
        Map<String, Long> ids = new LinkedHashMap<>();
        List<Job> jobs = new ArrayList<>();
        for (ShellState s : shells.open(account)) {
            String key = "shell-" + s.run().id();
            names.put(key, s.run().name());
            ids.put(key, s.run().id());
            jobs.add(s.job(key));
        }
        if (waiting.equals("yes")) {
            later(account, names, jobs);
        }
        List<Rack> racks = room.racks();
        DipCalendar calendar = DipCalendar.of(
                jobs,
                new DipCalendar.Shop(
                        room.crew(), racks, shells.climate(account, room), Factors.HANDBOOK.value(Drying.PRIME_LATEST)),
                clock.instant());
        model.addAttribute("days", days(account, calendar, names, ids));
        model.addAttribute(
                "fires",
                calendar.fire().entrySet().stream()
                        .sorted(Map.Entry.comparingByValue())
                        .map(e -> new Line(
                                Show.dayAndClock(e.getValue().atZone(account.zoneId())),
                                names.get(e.getKey()),
                                "",
                                calendar.racks().getOrDefault(e.getKey(), ""),
                                "",
                                "",
                                false,
                                ids.getOrDefault(e.getKey(), 0L)))
                        .toList());
        List<String> against = new ArrayList<>();
        Air air = shells.air(account);
        if (air.cold()) {
            against.add("The room is at " + Show.digits(air.celsius())
                    + " °C: under 10 °C coats dry many times slower and wax cracks. Warm it before the next dip.");
        }
        calendar.findings()
                .all()
                .forEach(f -> against.add(
                        names.get(f.place()) + ": " + Spoken.in(f.message() + " " + f.remedy(), account.units())));
        model.addAttribute("against", against);
        model.addAttribute("withWaiting", waiting.equals("yes"));
        model.addAttribute("air", air);
        return "dipping/calendar";
    }

    /** Jobs of the shells that wait to be begun, and their names. */
    private void later(Account account, Map<String, String> names, List<Job> jobs) {
        List<Waiting> later = waiting(account);
        Map<Long, Plans.Saved> plan = plans
                .find(account, later.stream().map(Waiting::tree).toList())
                .stream()
                .collect(Collectors.toMap(p -> p.row().id(), p -> p));
        for (Waiting w : later) {
            Plans.Saved saved = plan.get(w.tree());
            if (saved != null && saved.plan().shell().isPresent()) {
                names.put("tree-" + w.tree(), w.name() + ", not begun");
                jobs.add(ShellState.waiting("tree-" + w.tree(), saved.plan(), clock.instant()));
            }
        }
    }

    private static List<Day> days(
            Account account, DipCalendar calendar, Map<String, String> names, Map<String, Long> ids) {
        Map<String, List<Line>> days = new LinkedHashMap<>();
        for (DipCalendar.Dip dip : calendar.dips()) {
            var at = dip.at().atZone(account.zoneId());
            String day =
                    at.format(java.time.format.DateTimeFormatter.ofPattern("EEEE d MMMM", java.util.Locale.ENGLISH));
            dip.wire()
                    .ifPresent(w -> days.computeIfAbsent(day, k -> new ArrayList<>())
                            .add(new Line(
                                    Show.weekday(w.atZone(account.zoneId())),
                                    names.get(dip.job()),
                                    "wire",
                                    calendar.racks().getOrDefault(dip.job(), ""),
                                    "",
                                    "",
                                    false,
                                    ids.getOrDefault(dip.job(), 0L))));
            days.computeIfAbsent(day, k -> new ArrayList<>())
                    .add(new Line(
                            Show.weekday(at),
                            names.get(dip.job()),
                            dip.number() + " " + dip.coat().label(),
                            calendar.racks().getOrDefault(dip.job(), ""),
                            Show.dayAndClock(dip.dry().atZone(account.zoneId())),
                            dip.latest()
                                    .map(l -> Show.dayAndClock(l.atZone(account.zoneId())))
                                    .orElse("–"),
                            dip.late(),
                            ids.getOrDefault(dip.job(), 0L)));
        }
        return days.entrySet().stream()
                .map(e -> new Day(e.getKey(), e.getValue()))
                .toList();
    }
}
