package kilnryu.core.burnout;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.kiln.Firing;
import kilnryu.core.kiln.FiringChecks;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.sum.Factors;

/** What stands against a program that was tried on its load. */
final class HeldChecks {
    private static final double LEFT_WET = 3;
    private static final double OVER_K = 5;

    private HeldChecks() {}

    static Findings check(BurnoutQuestion question, HeldProgram held, Optional<Kiln> kiln, Factors factors) {
        double highest =
                held.segments().stream().mapToDouble(Segment::target).max().orElse(0);
        Findings empty = FiringChecks.reaches(highest, kiln);
        Findings found = (empty.all().isEmpty() ? reaches(question, highest) : empty)
                .and(never(held))
                .and(unmet(held))
                .and(climbsWet(question, held));
        boolean alone = question.load().size() == 1;
        for (int i = 0; i < question.load().size(); i++) {
            Subject s = question.load().get(i);
            found = found.and(FiringChecks.check(
                    held.run().firing(i),
                    new FiringChecks.Of(
                            alone ? "" : s.name(), s.system().maxC(), true, BurnoutRules.rampOf(s, factors))));
        }
        return found;
    }

    private static Findings reaches(BurnoutQuestion question, double highest) {
        return new Findings(question
                .kilnMax()
                .filter(max -> max.celsius() < highest)
                .map(max -> Finding.stop(
                        "kiln-too-cool",
                        "kiln_max",
                        String.format(
                                Locale.ROOT,
                                "The kiln reaches %.0f °C; this burnout needs %.0f °C.",
                                max.celsius(),
                                highest),
                        "The middle passes 680 °C late or never, and what the pattern left does not burn.",
                        "Use a hotter kiln."))
                .stream()
                .toList());
    }

    /** Whether a face passes what its school allows while there is water in the mold. */
    private static Findings climbsWet(BurnoutQuestion question, HeldProgram held) {
        double limit = question.school().dryBefore();
        List<Finding> found = new ArrayList<>();
        for (int i = 0; i < question.load().size(); i++) {
            double water = 0;
            double before = Double.POSITIVE_INFINITY;
            for (Firing.Moment m : held.run().firing(i).trace()) {
                if (m.surface() > limit + OVER_K && m.surface() > before) {
                    water = Math.max(water, m.water());
                }
                before = m.surface();
            }
            if (water > LEFT_WET) {
                found.add(Finding.warn(
                        "climbs-wet",
                        "program",
                        String.format(
                                Locale.ROOT,
                                "The face of %s passes %.0f °C with %.0f %% of its free water; \"%s\" has it dry by then.",
                                question.load().get(i).name(),
                                limit,
                                water,
                                question.school().label()),
                        "The rest leaves as steam on the way up and can crack a weak or large mold.",
                        "Hold longer below, or let the holds be lengthened to suit the load."));
            }
        }
        return new Findings(found);
    }

    private static Findings unmet(HeldProgram held) {
        List<Finding> found = new ArrayList<>();
        for (HeldProgram.Unmet u : held.unmet()) {
            Segment s = held.segments().get(u.segment());
            if (s.until() == Until.EVEN) {
                continue;
            }
            found.add(Finding.warn(
                    "short-" + s.until().name().toLowerCase(Locale.ROOT),
                    "program[" + u.segment() + "]",
                    String.format(
                            Locale.ROOT,
                            "The hold at %.0f °C ends before this is so in %s: %s.",
                            s.target(),
                            u.mold(),
                            s.until().label()),
                    Character.toUpperCase(s.until().risk().charAt(0))
                            + s.until().risk().substring(1) + ".",
                    "Lengthen holds to suit the load, or hold longer there."));
        }
        return new Findings(found);
    }

    private static Findings never(HeldProgram held) {
        List<Finding> found = new ArrayList<>();
        for (int index : held.never()) {
            Segment s = held.segments().get(index);
            found.add(Finding.stop(
                    "never-" + s.until().name().toLowerCase(Locale.ROOT),
                    "program",
                    String.format(
                            Locale.ROOT,
                            "However long it holds at %.0f °C: not %s. The kiln comes to %.0f °C there.",
                            s.target(),
                            s.until().label(),
                            reached(held, index)),
                    "Otherwise: " + s.until().risk() + ".",
                    "A kiln with more power or a higher top, fewer molds, or a higher hold."));
        }
        return new Findings(found);
    }

    private static double reached(HeldProgram held, int index) {
        double end = 0;
        double from = BurnoutQuestion.START_C;
        for (int i = 0; i <= index; i++) {
            Segment s = held.segments().get(i);
            end += s.rampMinutes(from) + s.hold();
            from = s.target();
        }
        double until = end + 1;
        return held.run().kilnAt().stream()
                .filter(k -> k.minute() <= until)
                .reduce((a, b) -> b)
                .map(k -> k.kiln())
                .orElse(from);
    }
}
