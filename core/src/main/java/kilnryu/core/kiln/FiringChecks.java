package kilnryu.core.kiln;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;

/** What stands against a firing as it is foreseen (handbook 8, criteria). */
public final class FiringChecks {
    /** Difference of growth over a mold that is warned of, and that stops, % (handbook 8). */
    public static final double WARN_MISMATCH = 0.9;

    private static final double STOP_MISMATCH = 1.1;
    private static final double CLEAN = 0.02;
    private static final double CORE_C = 680;

    private FiringChecks() {}

    /**
     * What a mold may see.
     *
     * @param name said before each finding; empty for a mold alone
     * @param maxC highest the investment may see
     * @param burnsOut whether a pattern has to burn away in it
     * @param ramp its fastest ramp, K/h; NaN where that is not known
     */
    public record Of(String name, double maxC, boolean burnsOut, double ramp) {
        private String say(String words) {
            return name.isEmpty() ? words : name + ": " + Character.toLowerCase(words.charAt(0)) + words.substring(1);
        }
    }

    /**
     * One mold alone.
     *
     * @param highest target of the program, C
     */
    public static Findings check(Firing firing, Of of, double highest, Optional<Kiln> kiln) {
        return check(firing, of).and(reaches(highest, kiln));
    }

    /** Whether a kiln comes to the highest target of its program. */
    public static Findings reaches(double highest, Optional<Kiln> kiln) {
        return new Findings(kiln
                .filter(k -> k.highest() < highest)
                .map(k -> Finding.stop(
                                "kiln-too-cool",
                                "kiln",
                                say("The kiln reaches %.0f °C empty; the program asks %.0f.", k.highest(), highest),
                                "It never comes there, and the program waits or runs on without it.",
                                "A lower program, or another kiln.")
                        .from(celsius("highest", k.highest())))
                .stream()
                .toList());
    }

    /** One mold of a load. */
    public static Findings check(Firing firing, Of of) {
        List<Finding> found = new ArrayList<>();
        if (firing.hottest() > of.maxC + 0.5) {
            found.add(Finding.safetyStop(
                            "overheated",
                            "program",
                            of.say(say(
                                    "The mold's face comes to %.0f °C; it may see %.0f.", firing.hottest(), of.maxC)),
                            "Gypsum breaks down and gives off sulphur gas; the face is rough and the metal porous.",
                            "A lower top; longer holds.")
                    .from(celsius("hottest", firing.hottest())));
        }
        mismatch(firing, of, found);
        Steam.of(firing, of.ramp).finding(of.name).ifPresent(found::add);
        if (firing.trace().get(firing.trace().size() - 1).water() > 0.5) {
            found.add(Finding.safetyStop(
                            "still-wet",
                            "program",
                            of.say("There is free water in the mold at the end."),
                            "Metal on a wet mold explodes.",
                            "Hold at 150 °C until the middle is past 105 °C.")
                    .from(celsius("core", firing.end())));
        }
        if (of.burnsOut && firing.past().get(2).isEmpty()) {
            found.add(Finding.warn(
                            "core-below-680",
                            "program",
                            of.say(say(
                                    "The middle comes to %.0f °C only; 680 are asked for the burnout.", firing.most())),
                            "What the pattern left does not burn away in the middle.",
                            "A longer hold at the top.")
                    .from(celsius("core_max", firing.most())));
        }
        if (of.burnsOut && firing.residue() > CLEAN && firing.most() >= CORE_C) {
            found.add(Finding.warn(
                            "residue",
                            "program",
                            of.say(say(
                                    "%.2f %% of the pattern is left as char; clean is under %.2f.",
                                    firing.residue(), CLEAN)),
                            "Char in the cavity makes gas holes and a rough face.",
                            "Hold longer at the top, with air.")
                    .from(Figure.given("residue", "residue", firing.residue(), Measure.PERCENT, Known.COMPUTED, 0)));
        }
        return new Findings(found);
    }

    private static void mismatch(Firing firing, Of of, List<Finding> found) {
        if (firing.mismatch() <= WARN_MISMATCH) {
            return;
        }
        boolean stop = firing.mismatch() > STOP_MISMATCH;
        String message =
                of.say(say("Parts of the mold differ by %.2f %% in their growth at one time.", firing.mismatch()));
        String reason = "The cristobalite of the hot face has grown while the middle has not: it cracks.";
        String remedy =
                "Slower where the face passes 200 to 280 °C and 550 to 600, or a hold before it until the middle follows.";
        Figure from =
                Figure.given("mismatch", "difference of growth", firing.mismatch(), Measure.PERCENT, Known.COMPUTED, 0);
        found.add((stop
                        ? Finding.stop("strain", "program", message, reason, remedy)
                        : Finding.warn("strain", "program", message, reason, remedy))
                .from(from));
    }

    private static Figure celsius(String symbol, double value) {
        return Figure.given(symbol, "temperature", value, Measure.DEGREE_CELSIUS, Known.COMPUTED, 0);
    }

    private static String say(String words, Object... values) {
        return String.format(Locale.ROOT, words, values);
    }
}
