package kilnryu.app.lesson;

import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDateTime;
import java.time.ZonedDateTime;
import java.time.format.DateTimeParseException;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import kilnryu.app.account.Account;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Streams;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.web.Show;
import kilnryu.app.web.Svg;
import kilnryu.app.web.Verdict;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Severity;
import kilnryu.core.lesson.Timetable;
import kilnryu.core.quantity.Measure;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** A tree made in a class: its steps in sessions, with what happens between them. */
@Controller
class LessonController {
    private static final int MOST = 40;
    private static final double WIDE = 520;
    private static final double HIGH = 10;
    private static final Range LENGTH = new Range(Measure.HOUR, 0.5, 24);
    private static final Range MINUTES = new Range(Measure.MINUTE, 1, 6000);

    private final Plans plans;
    private final Streams streams;
    private final TreeSteps steps;
    private final Clock clock;

    LessonController(Plans plans, Streams streams, TreeSteps steps, Clock clock) {
        this.plans = plans;
        this.streams = streams;
        this.steps = steps;
        this.clock = clock;
    }

    /** @param bar its length with the work drawn in; @param between what happens after it, until the next */
    public record Session(int number, String when, String until, String bar, List<Work> work, List<String> between) {}

    public record Work(String name, String from, String until, String note) {}

    @GetMapping("/trees/{id:\\d+}/class")
    String show(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            Model model) {
        Plans.Saved saved = plans.find(account, id);
        streams.of(account, saved, saved.plan(), "class").into(model);
        Fields fields = Fields.typed(form, account.units());
        ZonedDateTime first = first(account, form, fields);
        double hours = fields.quantity("hours", LENGTH).orElse(3);
        int every = fields.whole("every", 1, 60).orElse(7);
        int count = fields.whole("count", 1, MOST).orElse(6);
        TreeSteps.Steps asked = steps.of(account, saved, hands(fields));
        List<Timetable.Session> sessions = IntStream.range(0, count)
                .mapToObj(i -> first.plusDays((long) i * every))
                .map(from -> new Timetable.Session(from, from.plusMinutes(Math.round(hours * 60))))
                .toList();
        Timetable table = Timetable.of(asked.all(), sessions);
        model.addAttribute("id", id);
        model.addAttribute("name", saved.row().name());
        model.addAttribute("typed", new LinkedHashMap<>(form));
        model.addAttribute(
                "first", first.toLocalDateTime().withSecond(0).withNano(0).toString());
        model.addAttribute("errors", fields.errors());
        model.addAttribute("unknown", asked.unknown());
        model.addAttribute("findings", table.findings().all());
        model.addAttribute("verdict", verdict(table, asked));
        model.addAttribute("sessions", view(account, sessions, table));
        return "lesson/class";
    }

    private ZonedDateTime first(Account account, Map<String, String> form, Fields fields) {
        ZonedDateTime saturday = ZonedDateTime.ofInstant(clock.instant(), account.zoneId())
                .with(TemporalAdjusters.next(DayOfWeek.SATURDAY))
                .withHour(10)
                .withMinute(0)
                .withSecond(0)
                .withNano(0);
        String typed = form.getOrDefault("first", "").strip();
        if (typed.isEmpty()) {
            return saturday;
        }
        try {
            LocalDateTime at = LocalDateTime.parse(typed);
            if (at.getYear() >= 2000 && at.getYear() < 2200) {
                return at.atZone(account.zoneId());
            }
        } catch (DateTimeParseException e) {
            // said below
        }
        fields.error("first", "A day and an hour, as 2027-03-06T10:00.");
        return saturday;
    }

    private static TreeSteps.Hands hands(Fields fields) {
        TreeSteps.Hands usual = TreeSteps.Hands.USUAL;
        return new TreeSteps.Hands(
                fields.quantity("wax_min", MINUTES).orElse(usual.wax()),
                fields.quantity("mix_min", MINUTES).orElse(usual.mix()),
                fields.quantity("coat_min", MINUTES).orElse(usual.coat()),
                fields.quantity("pour_min", MINUTES).orElse(usual.pour()),
                fields.quantity("out_min", MINUTES).orElse(usual.out()),
                fields.quantity("finish_min", MINUTES).orElse(usual.finish()));
    }

    private static Verdict verdict(Timetable table, TreeSteps.Steps asked) {
        if (!table.left().isEmpty()) {
            return new Verdict(
                    "stop", "Not enough sessions", table.findings().all().get(0).message(), 0, List.of());
        }
        if (!asked.unknown().isEmpty()) {
            return new Verdict("note", "Not yet judged", String.join(" ", asked.unknown()), 0, List.of());
        }
        int last = table.placed().get(table.placed().size() - 1).session();
        Optional<Finding> warn = table.findings().all().stream()
                .filter(f -> f.severity() == Severity.WARN)
                .findFirst();
        return warn.map(f -> new Verdict("warn", "It waits too long", f.message(), 0, List.of()))
                .orElseGet(() -> new Verdict(
                        "good",
                        "It fits",
                        last == 1 ? "All of it in one session." : "Done in session " + last + ".",
                        0,
                        List.of()));
    }

    private static List<Session> view(Account account, List<Timetable.Session> sessions, Timetable table) {
        List<Session> view = new ArrayList<>();
        for (int i = 0; i < sessions.size(); i++) {
            int number = i + 1;
            Timetable.Session s = sessions.get(i);
            List<Timetable.Placed> here =
                    table.placed().stream().filter(p -> p.session() == number).toList();
            view.add(new Session(
                    number,
                    Show.dayAndClock(s.from()),
                    Show.clock(s.until()),
                    bar(s, here),
                    here.stream()
                            .map(p -> new Work(
                                    p.step().name(),
                                    Show.clock(p.from()),
                                    Show.clock(p.until()),
                                    p.goesOn() ? "goes on in the next" : ""))
                            .toList(),
                    between(account, number, table)));
        }
        return view;
    }

    private static String bar(Timetable.Session session, List<Timetable.Placed> here) {
        double whole = session.until().toEpochSecond() - session.from().toEpochSecond();
        Svg svg = new Svg(WIDE, HIGH, "How the session is used");
        svg.rect(0, 0, WIDE, HIGH, "fill=\"" + Svg.RULE + "\"");
        for (Timetable.Placed p : here) {
            double x = (p.from().toEpochSecond() - session.from().toEpochSecond()) / whole * WIDE;
            double wide = (p.until().toEpochSecond() - p.from().toEpochSecond()) / whole * WIDE;
            svg.rect(x, 0, Math.max(1, wide - 2), HIGH, "fill=\"" + Svg.VERDIGRIS + "\"");
        }
        return svg.done();
    }

    /** What is waited for after a session, and what the teacher does then. */
    private static List<String> between(Account account, int session, Timetable table) {
        List<String> lines = new ArrayList<>();
        OptionalDouble waited = OptionalDouble.empty();
        for (Timetable.Placed p : table.placed()) {
            boolean next = p.session() > session
                    && table.placed().stream().noneMatch(o -> o.session() > session && o.session() < p.session());
            if (!next || p.waited() <= 0 || waited.isPresent()) {
                continue;
            }
            waited = OptionalDouble.of(p.waited());
            boolean here = table.placed().stream().anyMatch(o -> o.session() == session);
            if (here && !p.step().meanwhile().isEmpty() && p.step().least() > 0) {
                lines.add(p.step().meanwhile() + " It needs "
                        + Timetable.words(p.step().least()) + ", it has " + Timetable.words(p.waited()) + ".");
            }
            if (here && p.step().kiln() > 0) {
                lines.add(
                        "Teacher: kiln closed " + Show.dayAndClock(p.kilnFrom().withZoneSameInstant(account.zoneId()))
                                + ", " + Timetable.words(p.step().kiln()) + " before the pour.");
            }
        }
        return lines;
    }
}
