package kilnryu.core.lesson;

import java.time.Duration;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import org.jspecify.annotations.Nullable;

/**
 * Steps of a casting set one after another into the sessions of a class, each as soon as it may be done (need 142). Lengths are
 * elapsed time, so a change of the clock between two sessions moves the hands and not the mold.
 *
 * @param placed in the order they are done; a step that is split stands in several sessions
 * @param left for which there is no session, in their order
 */
public record Timetable(List<Placed> placed, List<Step> left, Findings findings) {
    /** When the class meets. */
    public record Session(ZonedDateTime from, ZonedDateTime until) {
        /** @throws IllegalArgumentException where it ends before it begins */
        public Session {
            if (!until.isAfter(from)) {
                throw new IllegalArgumentException("a session ends after it begins");
            }
        }

        double minutes() {
            return between(from, until);
        }

        boolean holds(ZonedDateTime at) {
            return !at.isBefore(from) && !at.isAfter(until);
        }
    }

    /**
     * A step, or a part of it, in its session.
     *
     * @param session from 1
     * @param waited min since the step before was done; 0 for the first and for what is taken up again
     * @param goesOn whether the rest of it comes in a later session
     */
    public record Placed(
            Step step, int session, ZonedDateTime from, ZonedDateTime until, double waited, boolean goesOn) {
        /** When its kiln is closed. */
        public ZonedDateTime kilnFrom() {
            return after(from, -step.kiln());
        }
    }

    private static final double TOO_SHORT = 10;

    public Timetable {
        placed = List.copyOf(placed);
        left = List.copyOf(left);
    }

    /** @param sessions in their order, none over another */
    public static Timetable of(List<Step> steps, List<Session> sessions) {
        return new Walk(sessions).all(steps);
    }

    /** From the end of the last session before it in which the class still works. */
    private static final class Walk {
        private final List<Session> sessions;
        private final List<Placed> placed = new ArrayList<>();
        private final List<Finding> found = new ArrayList<>();
        private int at;
        private @Nullable ZonedDateTime free;
        private @Nullable ZonedDateTime done;

        Walk(List<Session> sessions) {
            this.sessions = sessions;
        }

        Timetable all(List<Step> steps) {
            for (int i = 0; i < steps.size(); i++) {
                if (!place(steps.get(i))) {
                    List<Step> left = steps.subList(i, steps.size());
                    found.add(0, none(left));
                    return new Timetable(placed, left, new Findings(found));
                }
            }
            return new Timetable(placed, List.of(), new Findings(found));
        }

        private boolean place(Step step) {
            double rest = step.hands();
            @Nullable ZonedDateTime earliest = done == null ? null : after(done, step.least());
            boolean first = true;
            for (; at < sessions.size(); at++) {
                Session session = sessions.get(at);
                ZonedDateTime from = latest(session.from(), free, first ? earliest : null);
                double room = between(from, session.until());
                if (room >= rest - 1e-6 || step.splits() && room >= TOO_SHORT) {
                    double part = Math.min(rest, room);
                    rest -= part;
                    Placed here = new Placed(
                            step,
                            at + 1,
                            from,
                            after(from, part),
                            first && done != null ? between(done, from) : 0,
                            rest > 1e-6);
                    placed.add(here);
                    if (first) {
                        look(here);
                    }
                    first = false;
                    free = here.until();
                    if (rest <= 1e-6) {
                        done = here.until();
                        return true;
                    }
                }
            }
            return false;
        }

        private void look(Placed p) {
            Step step = p.step();
            if (step.most().isPresent() && p.waited() > step.most().getAsDouble() + 1e-6) {
                found.add(Finding.warn(
                        "waits-too-long." + placed.size(),
                        "session " + p.session(),
                        step.name() + " waits " + words(p.waited()) + " for its session; it bears "
                                + words(step.most().getAsDouble()) + ".",
                        step.spoils(),
                        "Let the sessions follow closer, or let the teacher do it between them."));
            }
            if (step.kiln() > 0 && sessions.stream().noneMatch(s -> s.holds(p.kilnFrom()))) {
                found.add(Finding.note(
                        "kiln-between." + placed.size(),
                        "session " + p.session(),
                        "The kiln works " + words(step.kiln()) + " before " + lower(step.name())
                                + " and is closed between the sessions.",
                        "The class is not there then.",
                        "The teacher closes it, looks at it, and is there while it smokes."));
            }
        }

        private Finding none(List<Step> left) {
            Step step = left.get(0);
            double longest =
                    sessions.stream().mapToDouble(Session::minutes).max().orElse(0);
            boolean never = !step.splits() && step.hands() > longest;
            return Finding.stop(
                    "no-session",
                    step.name(),
                    "There is no session for " + lower(step.name())
                            + (left.size() > 1 ? " and " + (left.size() - 1) + " more" : "") + ".",
                    never
                            ? "It takes " + words(step.hands()) + " without a stop, the longest session is "
                                    + words(longest) + "."
                            : "It takes " + words(step.hands()) + ", and the sessions are over.",
                    never ? "Make a session longer." : "Add a session, or make each longer.");
        }
    }

    private static ZonedDateTime latest(ZonedDateTime one, @Nullable ZonedDateTime two, @Nullable ZonedDateTime three) {
        ZonedDateTime late = two != null && two.isAfter(one) ? two : one;
        return three != null && three.isAfter(late) ? three : late;
    }

    static double between(ZonedDateTime from, ZonedDateTime until) {
        return Duration.between(from, until).toMillis() / 60_000.0;
    }

    static ZonedDateTime after(ZonedDateTime at, double minutes) {
        return at.plus(Duration.ofMillis(Math.round(minutes * 60_000)));
    }

    private static String lower(String name) {
        return name.substring(0, 1).toLowerCase(Locale.ROOT) + name.substring(1);
    }

    /** As in 45 min, 13 h, 6.9 days. */
    public static String words(double minutes) {
        return minutes < 90
                ? Math.round(minutes) + " min"
                : minutes < 48 * 60 ? short1(minutes / 60) + " h" : short1(minutes / 1440) + " days";
    }

    private static String short1(double value) {
        return String.format(Locale.ROOT, "%.1f", value).replaceFirst("\\.0$", "");
    }
}
