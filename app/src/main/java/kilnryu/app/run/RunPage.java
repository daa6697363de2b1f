package kilnryu.app.run;

import java.time.Duration;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import kilnryu.app.account.Account;
import kilnryu.app.firing.Incandescence;
import kilnryu.app.load.LoadCurve;
import kilnryu.app.run.FiringStore.Event;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.FindingView;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.app.web.Verdict;
import kilnryu.core.burnout.BurnoutQuestion;
import kilnryu.core.kiln.Firing;
import kilnryu.core.quantity.Measure;

/** A firing that runs or has run, as its pages show it. */
public record RunPage(
        String curve,
        Verdict verdict,
        Glow glow,
        List<Now> now,
        List<DutyView> duties,
        List<MoldNow> molds,
        List<FindingView> findings,
        List<Rest> rest,
        List<Entry> entries,
        String trouble,
        boolean through,
        String speed,
        String readings,
        boolean standIn) {
    private static final double SOON_MIN = 15;

    /**
     * The kiln as it is now.
     *
     * @param colour in which it glows
     * @param digits without the unit
     * @param says its colour in words, what is asked, where it goes
     */
    public record Glow(String colour, String digits, String unit, String says) {}

    /** A large number. */
    public record Now(String value, String what) {}

    /**
     * A duty of the frozen plan.
     *
     * @param seconds by the clock on the wall until it is due, negative when it is late
     * @param late as in "1 h 16 min late", empty for one that is not due
     */
    public record DutyView(
            String key,
            int number,
            String at,
            String what,
            String caution,
            String state,
            String done,
            boolean next,
            long seconds,
            String late) {}

    /** What is asked first: the longest late, else what comes next. */
    public Optional<DutyView> asked() {
        return duties.stream().filter(d -> !d.state.equals("done")).findFirst();
    }

    /** What is late beside the first that is asked. */
    public List<DutyView> alsoDue() {
        return duties.stream().filter(d -> d.state.equals("due")).skip(1).toList();
    }

    public long overdue() {
        return duties.stream().filter(d -> d.state.equals("due")).count();
    }

    /** A mold now. */
    public record MoldNow(
            int number, String name, String core, String water, String residue, String planned, String cup) {}

    /** A hold that is still to come, and what is foreseen for it. */
    public record Rest(String what, String planned, String foreseen, boolean longer) {}

    /** Something that happened. */
    public record Entry(String at, String what, String by) {}

    public static RunPage of(FiringStore.Row row, Runs.Standing standing, List<Event> events, Account account) {
        return new Maker(row, standing, events, account).make();
    }

    /** Makes the views. */
    private static final class Maker {
        private final FiringStore.Row row;
        private final Frozen frozen;
        private final Runs.Standing standing;
        private final List<Event> events;
        private final Units units;
        private final ZonedDateTime start;
        private final double now;

        Maker(FiringStore.Row row, Runs.Standing standing, List<Event> events, Account account) {
            this.row = row;
            frozen = row.frozen().orElseThrow();
            this.standing = standing;
            this.events = events;
            units = account.units();
            start = row.startedAt().atZone(account.zoneId());
            now = standing.second() / 60;
        }

        RunPage make() {
            FigureView.Maker views = new FigureView.Maker(units, false);
            return new RunPage(
                    curve(),
                    Verdict.over(standing.progress().findings().all(), missing(), units, List.of()),
                    glow(),
                    nowLines(),
                    duties(),
                    molds(),
                    standing.progress().findings().all().stream()
                            .map(f -> FindingView.of(f, views, 0))
                            .toList(),
                    row.running() ? rest() : List.of(),
                    entries(),
                    standing.status().trouble(),
                    standing.status().ended(),
                    String.format(Locale.ROOT, "%.0f", standing.status().speed()),
                    String.format(Locale.ROOT, "%,d", standing.measured().all()),
                    standing.measured().standIn());
        }

        private ZonedDateTime at(double minute) {
            return start.plus(Duration.ofSeconds(Math.round(minute * 60)));
        }

        private String celsius(double value) {
            return Show.value(value, Measure.DEGREE_CELSIUS, units, false).toString();
        }

        private String curve() {
            List<Firing> molds = new ArrayList<>();
            for (int i = 0; i < frozen.load().size(); i++) {
                molds.add(standing.progress().run().firing(i));
            }
            int slowest = 0;
            for (int i = 1; i < molds.size(); i++) {
                double here = molds.get(i).past().get(0).orElse(Double.MAX_VALUE);
                slowest = here > molds.get(slowest).past().get(0).orElse(Double.MAX_VALUE) ? i : slowest;
            }
            return LoadCurve.of(
                    new LoadCurve.Data(
                            BurnoutQuestion.START_C,
                            frozen.segments(),
                            standing.plan().run().kilnAt(),
                            molds,
                            slowest,
                            Optional.of(start),
                            marks(),
                            List.of(),
                            List.of(),
                            standing.measured().samples(),
                            row.running() ? now : -1,
                            false,
                            Optional.empty(),
                            frozen.load().stream().map(l -> l.charge().name()).toList()),
                    units);
        }

        private List<LoadCurve.Mark> marks() {
            Map<String, Event> ticked = ticked();
            List<LoadCurve.Mark> marks = new ArrayList<>();
            List<Frozen.At> sorted = inOrder();
            int number = 0;
            for (Frozen.At d : sorted) {
                if (d.minute() >= 0) {
                    marks.add(new LoadCurve.Mark(++number, d.minute(), ticked.containsKey(key(sorted, d))));
                }
            }
            return marks;
        }

        private List<Frozen.At> inOrder() {
            return frozen.duties().stream()
                    .sorted(java.util.Comparator.comparingDouble(Frozen.At::minute))
                    .toList();
        }

        private static String key(List<Frozen.At> all, Frozen.At duty) {
            return duty.kind().name().toLowerCase(Locale.ROOT) + "-" + all.indexOf(duty);
        }

        private Map<String, Event> ticked() {
            return events.stream()
                    .filter(e -> e.kind().equals("duty"))
                    .collect(Collectors.toMap(Event::subject, e -> e, (a, b) -> a));
        }

        /** What of a firing is not known: a stand-in measures nothing. */
        private List<String> missing() {
            if (standing.measured().samples().isEmpty()) {
                return List.of("the kiln (nothing was heard of it)");
            }
            return standing.measured().standIn()
                    ? List.of("what the kiln really does (a stand-in reports)")
                    : List.of();
        }

        private Glow glow() {
            var samples = standing.measured().samples();
            String unit = Show.value(0, Measure.DEGREE_CELSIUS, units, false).unit();
            if (samples.isEmpty()) {
                return new Glow(Incandescence.at(BurnoutQuestion.START_C), "–", unit, "no reading yet");
            }
            double is = samples.get(samples.size() - 1).celsius();
            List<String> says = new ArrayList<>(List.of(Incandescence.word(is)));
            if (row.running()) {
                says.add("asked " + celsius(frozen.asked(standing.status().into())));
                rest().stream().findFirst().ifPresent(r -> says.add("then " + r.what() + " for " + r.foreseen()));
            }
            return new Glow(
                    Incandescence.at(is),
                    Show.value(is, Measure.DEGREE_CELSIUS, units, false).digits(),
                    unit,
                    String.join(" · ", says));
        }

        private List<Now> nowLines() {
            List<Now> lines = new ArrayList<>();
            if (row.running()) {
                if (!standing.status().ended()) {
                    lines.add(new Now(day(standing.progress().finish()), "all done, foreseen now"));
                }
                lines.add(new Now(day(frozen.minutes()), "planned"));
                lines.add(new Now(day(now), "the kiln's clock"));
            }
            return lines;
        }

        /** Day of the week and hour. */
        private String day(double minute) {
            return Show.dayAndClock(at(minute)).replaceAll(" .*, ", " ");
        }

        private List<DutyView> duties() {
            Map<String, Event> ticked = ticked();
            List<DutyView> all = new ArrayList<>();
            List<Frozen.At> sorted = inOrder();
            int number = 0;
            boolean first = true;
            for (Frozen.At d : sorted) {
                if (d.minute() < 0) {
                    continue;
                }
                String key = key(sorted, d);
                Event done = ticked.get(key);
                String state = done != null
                        ? "done"
                        : d.minute() <= now ? "due" : d.minute() <= now + SOON_MIN ? "soon" : "later";
                boolean next = first && state.equals("later");
                first &= !next;
                all.add(new DutyView(
                        key,
                        ++number,
                        day(d.minute()),
                        d.kind().label(),
                        d.caution(),
                        state,
                        done == null ? "" : "done at " + Show.weekday(at(done.second() / 60)) + " by " + done.by(),
                        next,
                        Math.round((d.minute() - now)
                                * 60
                                / Math.max(1, standing.status().speed())),
                        d.minute() <= now ? late(now - d.minute()) : ""));
            }
            return all;
        }

        private static String late(double minutes) {
            return minutes < 1 ? "now" : Show.length(Duration.ofMinutes(Math.round(minutes))) + " late";
        }

        private List<MoldNow> molds() {
            List<MoldNow> all = new ArrayList<>();
            boolean turned = ticked().keySet().stream().anyMatch(k -> k.startsWith("turn_flask"));
            for (int i = 0; i < frozen.load().size(); i++) {
                all.add(new MoldNow(
                        i + 1,
                        frozen.load().get(i).charge().name(),
                        celsius(standing.progress().cores().get(i)),
                        Math.round(standing.progress().waters().get(i)) + " %",
                        Show.digits(standing.progress().residues().get(i)) + " %",
                        celsius(planned(i)),
                        turned ? "up" : "down"));
            }
            return all;
        }

        /** The middle at this time by the plan. */
        private double planned(int mold) {
            return standing.plan().run().firing(mold).trace().stream()
                    .filter(m -> m.minute() <= now)
                    .reduce((a, b) -> b)
                    .map(Firing.Moment::core)
                    .orElse(BurnoutQuestion.START_C);
        }

        private List<Rest> rest() {
            List<Rest> all = new ArrayList<>();
            var rest = standing.progress().rest();
            int skipped = frozen.segments().size() - rest.size();
            for (int i = 0; i < rest.size(); i++) {
                var s = rest.get(i);
                int planned = frozen.segments().get(skipped + i).hold();
                if (s.hold() > 0) {
                    boolean first = i == 0;
                    all.add(new Rest(
                            s.stage().label() + ", " + celsius(s.target()),
                            length(planned),
                            length(s.hold()) + (first ? " more" : ""),
                            !first && s.hold() > planned));
                }
            }
            return all;
        }

        private static String length(int minutes) {
            return Show.length(Duration.ofMinutes(minutes));
        }

        private List<Entry> entries() {
            return events.stream()
                    .filter(e -> !e.kind().equals("deviation"))
                    .map(e -> new Entry(when(e), words(e), e.by() == null ? "" : e.by()))
                    .toList();
        }

        /** By the kiln's clock; what comes after the firing by that on the wall. */
        private String when(Event e) {
            return Show.weekday(e.kind().equals("log") ? e.at().atZone(start.getZone()) : at(e.second() / 60));
        }

        private static String duty(Event e) {
            return e.subject().replaceAll("-\\d+$", "").replace('_', ' ');
        }

        private static String words(Event e) {
            String note = e.data().getOrDefault("note", e.data().getOrDefault("why", ""));
            String what = switch (e.kind()) {
                case "duty" -> duty(e) + ": done";
                case "ticked by mistake", "taken back" -> duty(e) + ": " + e.kind();
                case "loaded" ->
                    e.subject() + " stands " + e.data().getOrDefault("stood", "")
                            + (e.data().getOrDefault("mark", "").isEmpty()
                                    ? ""
                                    : ", mark to " + e.data().get("mark"));
                case "overruled" -> "overruled: " + e.subject();
                case "fault" -> "stand-in: " + e.subject();
                case "speed" -> "stand-in: " + e.subject() + " times as fast";
                default -> e.kind() + " " + e.subject();
            };
            return note.isEmpty() ? what : what + " (" + note + ")";
        }
    }
}
