package kilnryu.core.burnout;

import java.time.Duration;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;

/**
 * A program counted back from the hour of the pour. Lengths are elapsed time, so a change of the clock in the night
 * moves the hands, not the mold.
 */
public record BackPlan(BurnoutProgram program, ZonedDateTime pour, List<Clocked> duties, Findings findings) {
    /** From here to {@link #NIGHT_TO} nobody should have to get up. */
    private static final LocalTime NIGHT_FROM = LocalTime.of(22, 30);

    private static final LocalTime NIGHT_TO = LocalTime.of(5, 30);
    private static final int HALF_HOURS_TRIED = 48;
    private static final int LONGEST_WAIT_MIN = 600;

    /** A duty at its hour. */
    public record Clocked(Duty duty, ZonedDateTime at) {}

    /** Part of a night. */
    public record Night(ZonedDateTime from, ZonedDateTime until) {}

    /** The nights between two instants, the first and the last cut where they begin and end. */
    public static List<Night> nights(ZonedDateTime from, ZonedDateTime until) {
        List<Night> nights = new ArrayList<>();
        ZonedDateTime evening = from.minusDays(1).with(NIGHT_FROM);
        for (; evening.isBefore(until); evening = evening.plusDays(1)) {
            ZonedDateTime morning = evening.plusDays(1).with(NIGHT_TO);
            if (morning.isAfter(from)) {
                nights.add(
                        new Night(evening.isBefore(from) ? from : evening, morning.isAfter(until) ? until : morning));
            }
        }
        return nights;
    }

    public static BackPlan of(BurnoutProgram program, ZonedDateTime pour) {
        List<Clocked> clocked = clocked(program, pour);
        List<Finding> found = new ArrayList<>();
        List<Clocked> atNight = clocked.stream().filter(c -> night(c.at)).toList();
        if (!atNight.isEmpty()) {
            found.add(night(program, pour, atNight));
        }
        return new BackPlan(program, pour, clocked, new Findings(found));
    }

    /**
     * The same with a wait at the pour, in half hours, so long that nobody has to get up at night; as it is where none helps or
     * none is needed. The pour keeps its hour, so the kiln is closed sooner.
     */
    public static BackPlan asleep(BurnoutProgram program, ZonedDateTime pour) {
        for (int wait = 0; wait <= LONGEST_WAIT_MIN; wait += 30) {
            BurnoutProgram waiting = program.waiting(wait);
            boolean kiln = clocked(waiting, pour).stream()
                    .filter(c -> c.duty.minute() >= 0)
                    .noneMatch(c -> night(c.at));
            if (kiln) {
                return of(waiting, pour);
            }
        }
        return of(program, pour);
    }

    /** When a minute of the program falls. */
    public ZonedDateTime at(double minute) {
        return at(program, pour, minute);
    }

    private static List<Clocked> clocked(BurnoutProgram program, ZonedDateTime pour) {
        return program.duties().stream()
                .map(d -> new Clocked(d, at(program, pour, d.minute())))
                .sorted(Comparator.comparing(Clocked::at))
                .toList();
    }

    private static ZonedDateTime at(BurnoutProgram program, ZonedDateTime pour, double minute) {
        long seconds = Math.round((program.minutes() - minute) * 60);
        return pour.minus(Duration.ofSeconds(seconds));
    }

    private static Finding night(BurnoutProgram program, ZonedDateTime pour, List<Clocked> atNight) {
        String what = atNight.get(0).duty.kind().label();
        String more = atNight.size() > 1 ? " and " + (atNight.size() - 1) + " more" : "";
        String remedy = sleepSafe(program, pour)
                .map(p -> "Pour at " + p.toLocalTime().withSecond(0).withNano(0)
                        + (p.toLocalDate().equals(pour.toLocalDate()) ? "" : " the next day")
                        + " instead and nobody has to get up.")
                .orElse("No hour of the pour avoids it: share the watch between two people.");
        return Finding.note(
                "night-duty",
                "pour",
                "Someone has to be there in the night: " + what + " at "
                        + atNight.get(0).at.toLocalTime().withSecond(0).withNano(0) + more + ".",
                "A tired hand forgets the tray, and hot wax burns.",
                remedy);
    }

    /** The next hour of the pour, in half hours up to a day, at which nobody has to get up; empty when nobody has to now. */
    public Optional<ZonedDateTime> instead() {
        boolean kept = duties.stream().noneMatch(c -> night(c.at));
        return kept ? Optional.empty() : sleepSafe(program, pour);
    }

    private static Optional<ZonedDateTime> sleepSafe(BurnoutProgram program, ZonedDateTime pour) {
        for (int i = 1; i <= HALF_HOURS_TRIED; i++) {
            ZonedDateTime later = pour.plusMinutes(30L * i);
            if (clocked(program, later).stream().noneMatch(c -> night(c.at))) {
                return Optional.of(later);
            }
        }
        return Optional.empty();
    }

    private static boolean night(ZonedDateTime at) {
        LocalTime time = at.toLocalTime();
        return time.isAfter(NIGHT_FROM) || time.isBefore(NIGHT_TO);
    }
}
