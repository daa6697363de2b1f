package kilnryu.core.pattern;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * What a chip of an unknown material showed in fire, outdoors, before a whole pattern of it goes into a mold (handbook 2).
 *
 * @param ash of the chip that stayed, %; empty where it was not weighed
 * @param unknown what was not tried, in words
 */
public record BurnTest(Optional<Figure> ash, List<String> unknown, Findings findings) {
    private static final Formula ASH = Formula.of("left / chip * 100");
    /** More than this stays in the mold and has to be blown out, %; ours. */
    private static final double MUCH_ASH = 1;

    /** Steps of it, in order, with what can hurt. */
    public static final List<String> STEPS = List.of(
            "Outdoors, wind from behind, water at hand; nobody smells at it, nobody stands downwind.",
            "A hot copper wire is touched to the material and held into a flame: a green flame is chlorine. Then stop.",
            "Cut a chip of 1 to 5 g and weigh it. Hold it with long tongs in a metal dish over a burner.",
            "Watch: does it melt and run, sag, char, or burn as it is? Does it swell?",
            "Burn it to the end, red hot, with air. Weigh what is left when it is cold.");

    /** What a chip does when it is warmed. */
    public enum Does {
        RUNS("runs", "melts and runs"),
        SWELLS("swells", "swells, then runs or burns"),
        CHARS("chars", "chars without running"),
        CLEAN("clean", "burns without melting"),
        NOT("not", "does not burn");

        private final String key;
        private final String label;

        Does(String key, String label) {
            this.key = key;
            this.label = label;
        }

        public static Optional<Does> named(String key) {
            return Arrays.stream(values()).filter(d -> d.key.equals(key)).findFirst();
        }

        public String key() {
            return key;
        }

        public String label() {
            return label;
        }
    }

    /**
     * @param green whether the copper wire burned green; empty where it was not tried
     * @param does empty where it was not tried
     * @param chipG before; empty where it was not weighed
     * @param leftG what was left of it; empty likewise
     */
    public record Question(Optional<Boolean> green, Optional<Does> does, OptionalDouble chipG, OptionalDouble leftG) {
        public Question {
            if (chipG.isPresent() && leftG.isPresent() && leftG.getAsDouble() > chipG.getAsDouble()) {
                throw new IllegalArgumentException("what is left weighs no more than the chip");
            }
        }
    }

    public static BurnTest of(Question q) {
        List<Finding> found = new ArrayList<>();
        List<String> unknown = new ArrayList<>();
        green(q, found, unknown);
        q.does.ifPresentOrElse(d -> does(d, found), () -> unknown.add("whether it runs, chars or swells"));
        Optional<Figure> ash = ash(q);
        ash.ifPresentOrElse(a -> left(a.value(), found), () -> unknown.add("how much ash it leaves"));
        return new BurnTest(ash, List.copyOf(unknown), new Findings(found));
    }

    private static void green(Question q, List<Finding> found, List<String> unknown) {
        if (q.green.isEmpty()) {
            unknown.add("whether it holds chlorine");
        } else if (q.green.get()) {
            found.add(Finding.safetyStop(
                    "chlorine",
                    "green",
                    "The copper wire burned green: it holds chlorine.",
                    "Burned it gives off hydrogen chloride, which eats lungs, kiln and elements.",
                    "Never into a kiln. Mold it in rubber and cast a wax of it."));
        }
    }

    private static void does(Does does, List<Finding> found) {
        switch (does) {
            case SWELLS ->
                found.add(Finding.warn(
                        "swells",
                        "does",
                        "It swells before it runs or burns.",
                        "It cracks a shell and a weak block.",
                        "A wax coating of 0.3 mm or more, a thin wall, drains, slow heat."));
            case CHARS, CLEAN ->
                found.add(Finding.note(
                        "does-not-run",
                        "does",
                        "It does not run out: all of it has to burn.",
                        "It needs air in the mold from 370 °C on, and longer at the top.",
                        "Vents, and a burnout for unknown material."));
            case NOT ->
                found.add(Finding.stop(
                        "does-not-burn",
                        "does",
                        "It does not burn.",
                        "It stays in the mold.",
                        "Mold it in rubber and cast a wax of it."));
            case RUNS -> {}
        }
    }

    private static Optional<Figure> ash(Question q) {
        if (q.chipG.isEmpty() || q.leftG.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(Figure.computed("ash", "ash left", Measure.PERCENT)
                .mark(Mark.P, "a chip, weighed")
                .by(
                        ASH,
                        Figure.given("left", "left of it", q.leftG.getAsDouble(), Measure.GRAM, Known.MEASURED, 0),
                        Figure.given("chip", "chip", q.chipG.getAsDouble(), Measure.GRAM, Known.MEASURED, 0)));
    }

    private static void left(double percent, List<Finding> found) {
        if (percent > MUCH_ASH) {
            found.add(Finding.warn(
                    "ash-much",
                    "left_g",
                    String.format(Locale.ROOT, "%.1f %% of it is left as ash or char.", percent),
                    "It lies in the mold and casts as pits.",
                    "A drain at the lowest place, burn out with air, blow it out with the mold upside down."));
        }
    }
}
