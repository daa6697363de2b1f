package kilnryu.app.wax;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.material.PatternMaterial;

/** How a printed, carved or found pattern stands, and what runs: its wash, its cure. */
final class PatternView {
    private PatternView() {}

    static String stands(PatternSheet sheet, WaxCourse course) {
        PatternCourse p = course.pattern();
        if (p.washing().isPresent()) {
            return "in the wash";
        }
        if (p.curing().isPresent()) {
            return "under the lamp";
        }
        if (sheet.resin() && !p.cured()) {
            return p.washed() ? "washed, to be cured" : "to be washed";
        }
        return course.grams().isPresent() ? "weighed, to be signed off" : "to be looked over";
    }

    /** Of its wash and cure; empty when there is none to do. */
    static String next(PatternSheet sheet, PatternCourse course) {
        if (course.washing().isPresent()) {
            return "washed";
        }
        if (course.curing().isPresent()) {
            return "cured";
        }
        return !sheet.resin() || course.cured() ? "" : course.washed() ? "cure" : "wash";
    }

    /** When what runs is over; empty where nothing runs, or its sheet says no time. */
    static Optional<Instant> until(PatternSheet sheet, PatternCourse course) {
        OptionalDouble minutes = course.washing().isPresent() ? sheet.washMinutes() : sheet.cureMinutes();
        return course.washing()
                .or(course::curing)
                .filter(since -> minutes.isPresent())
                .map(since -> since.plusSeconds(Math.round(minutes.getAsDouble() * 60)));
    }

    static WaxView.Clock clock(PatternSheet sheet, PatternCourse course, Instant now) {
        boolean washes = course.washing().isPresent();
        if (!washes && course.curing().isEmpty()) {
            return null;
        }
        Optional<Instant> until = until(sheet, course);
        if (until.isEmpty()) {
            return new WaxView.Clock("Its sheet says no time: as the resin's own sheet has it.", null, "note");
        }
        if (now.isBefore(until.get())) {
            return new WaxView.Clock(
                    washes ? "left in the wash" : "left under the lamp",
                    Math.max(1, Duration.between(now, until.get()).toSeconds()),
                    "note");
        }
        return washes
                ? new WaxView.Clock("Out of the wash now: resin swells and cracks in it.", null, "warn")
                : new WaxView.Clock(
                        "Its time is over: turn it, look into it, then say it is cured through.", null, "good");
    }

    /** What can hurt with it. */
    static List<String> cautions(PatternSheet sheet) {
        if (sheet.resin()) {
            return List.of(
                    "Gloves and glasses: uncured resin is taken up through skin, and one gets sensitised to it.",
                    "The wash is solvent: open air, no flame, no heat gun.",
                    "Never look into the curing lamp.");
        }
        return sheet.material()
                .map(PatternMaterial::caution)
                .filter(c -> !c.isBlank())
                .map(List::of)
                .orElse(List.of());
    }
}
