package kilnryu.app.today;

import java.time.Duration;
import java.time.ZonedDateTime;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kilnryu.app.today.Day.Group;
import kilnryu.app.today.Day.Press;
import kilnryu.app.today.Day.Task;
import kilnryu.app.today.Day.Waiting;
import kilnryu.app.today.Day.Window;
import kilnryu.app.tree.Face;
import kilnryu.app.tree.TreeStore;
import kilnryu.app.web.Show;

/** The day as its page shows it. */
public record DayPage(
        String date,
        String mark,
        String sentence,
        String strip,
        List<Card> cards,
        int moreCards,
        List<Queue> queues,
        List<MoldRow> molds,
        boolean moreMolds,
        boolean reckoning) {
    private static final int MOST_CARDS = 6;
    private static final int MOST_WAITING = 6;

    /** Something to be done, with one button to the step. */
    public record Card(
            String press,
            String word,
            String when,
            String what,
            String of,
            String why,
            String button,
            String address,
            boolean first) {}

    /** Those that wait for the same. */
    public record Queue(String label, List<Waiting> lines, int more) {}

    /** A mold in work. */
    public record MoldRow(
            long id,
            String name,
            String mold,
            String face,
            String flow,
            TreeStore.Stand stand,
            String far,
            String pour,
            String mark,
            String word) {}

    /** @param rows one more than are shown where there are more */
    static DayPage of(Window window, Day day, List<TreeStore.Row> rows, int mostRows) {
        List<Task> tasks = day.tasks().stream()
                .sorted(Comparator.comparing(Task::press).thenComparing(Task::at))
                .toList();
        List<Card> cards = tasks.stream()
                .filter(t -> t.press() != Press.LATER || window.shows(t.at()))
                .limit(MOST_CARDS)
                .map(t -> card(t, window.now(), t == tasks.get(0)))
                .toList();
        return new DayPage(
                Show.dayAndClock(window.now()),
                mark(tasks),
                sentence(tasks, window) + (day.reckoning() ? " Hours of a load are still being reckoned." : ""),
                Strip.of(window, day.lanes(), day.tasks()),
                cards,
                Math.max(
                        0,
                        (int) tasks.stream()
                                        .filter(t -> t.press() != Press.LATER)
                                        .count()
                                - MOST_CARDS),
                Arrays.stream(Group.values())
                        .map(g -> queue(g, day.waiting()))
                        .filter(q -> !q.lines.isEmpty())
                        .toList(),
                rows.stream().limit(mostRows).map(r -> row(r, window.now())).toList(),
                rows.size() > mostRows,
                day.reckoning());
    }

    private static Card card(Task t, ZonedDateTime now, boolean first) {
        boolean late = t.press() == Press.LATE;
        Duration off = Duration.between(now, t.at()).abs();
        String word = switch (t.press()) {
            case STOP -> "Stop";
            case LATE -> Show.distance(off) + " late";
            case WARNING -> "Warning";
            case DUE -> off.toMinutes() < 1 || t.at().isBefore(now) ? "Now" : "In " + Show.distance(off);
            case LATER -> "In " + Show.distance(off);
        };
        String when = t.press() == Press.DUE && t.at().isBefore(now)
                ? "since " + Show.weekday(t.at())
                : (late ? "due " : "") + Show.dayAndClock(t.at());
        return new Card(
                t.press().name().toLowerCase(Locale.ROOT),
                word,
                when,
                t.what(),
                t.of(),
                t.why(),
                t.button(),
                t.address(),
                first);
    }

    private static String mark(List<Task> tasks) {
        Optional<Press> worst = tasks.stream().map(Task::press).min(Comparator.naturalOrder());
        return worst.map(p -> switch (p) {
                    case STOP -> "stop";
                    case LATE -> "late";
                    case WARNING -> "warn";
                    default -> "good";
                })
                .orElse("good");
    }

    private static String sentence(List<Task> tasks, Window window) {
        long late = tasks.stream().filter(t -> t.press() == Press.LATE).count();
        List<Task> coming = tasks.stream()
                .filter(t ->
                        t.duty() && t.press() != Press.LATE && !t.at().isBefore(window.now()) && window.shows(t.at()))
                .sorted(Comparator.comparing(Task::at))
                .toList();
        String behind = late == 0 ? "" : late == 1 ? "One duty is late. " : late + " duties are late. ";
        if (coming.isEmpty()) {
            return behind + "Nobody has to be anywhere by the clock in these 48 hours.";
        }
        String next = "Next " + coming.get(0).what().toLowerCase(Locale.ENGLISH) + " "
                + Show.weekday(coming.get(0).at());
        return behind
                + next
                + (coming.size() == 1
                        ? "."
                        : ", then " + (coming.size() - 1) + " more, the last "
                                + Show.weekday(coming.get(coming.size() - 1).at()) + ".");
    }

    private static Queue queue(Group group, List<Waiting> all) {
        List<Waiting> mine = all.stream().filter(w -> w.group() == group).toList();
        return new Queue(
                group.label(), mine.stream().limit(MOST_WAITING).toList(), Math.max(0, mine.size() - MOST_WAITING));
    }

    private static MoldRow row(TreeStore.Row r, ZonedDateTime now) {
        Optional<ZonedDateTime> pour = r.stand()
                .poured(now.getZone())
                .or(() -> Optional.ofNullable(r.pourAt()).map(p -> p.atZone(now.getZone())));
        boolean poured = r.stand().station() >= Flow.STATIONS;
        boolean late = pour.filter(now::isAfter).isPresent() && r.stand().station() < 4;
        String mark = late ? "late" : r.mark() == null ? "note" : r.mark();
        String word = switch (mark) {
            case "late" -> "Late";
            case "stop" -> "Stop";
            case "warn" -> "Warning";
            case "good" -> "";
            default -> "Not yet judged";
        };
        return new MoldRow(
                r.id(),
                r.name(),
                r.flask() == null ? "no mold yet" : r.flask(),
                Face.drawn(r.face()),
                Flow.of(r.stand().station(), poured ? "good" : mark, r.stand().words()),
                r.stand(),
                poured
                        ? ""
                        : pour.map(p -> late ? Show.distance(Duration.between(p, now)) + " late" : Show.away(now, p))
                                .orElse("no hour yet"),
                poured ? "" : pour.map(Show::dayAndClock).orElse(""),
                mark,
                poured ? "" : word);
    }
}
