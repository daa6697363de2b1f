package kilnryu.core.shell;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * Getting the pattern out of a shell: the steps of a method, and what should run out.
 *
 * @param wax in the pattern, g
 * @param expected what should be recovered at the least, g
 */
public record Dewax(Method method, Figure wax, Figure expected, List<Step> steps, Findings findings) {
    private static final Constant LEAST = new Constant(
            "dewax.least",
            "least",
            "pattern recovered, at the least",
            80,
            75,
            95,
            Measure.PERCENT,
            Mark.T,
            "handbook 6, dewax");
    private static final Constant TRAY = new Constant(
                    "dewax.tray",
                    "most",
                    "a tray is filled at most",
                    50,
                    30,
                    70,
                    Measure.PERCENT,
                    Mark.M,
                    "our own limit")
            .asChoice();
    private static final Formula EXPECTED = Formula.of("wax * least / 100");
    private static final Formula INSIDE = Formula.of("wax - recovered");
    private static final Formula LENGTH = Formula.rule("base + each * wax / 100");
    private static final double WAX_DENSITY = 0.95;

    /** How the pattern is brought out; minutes to begin with and for each 100 g. */
    public enum Method {
        FLASH("flash", "flash: into a kiln at 700 to 1000 °C", 10, 2, false),
        AUTOCLAVE("autoclave", "autoclave: steam at 6 to 8 bar", 6, 0.5, false),
        STEAM("steam", "steam pot, about 100 °C", 30, 8, false),
        SLOW_MELT("slow-melt", "slow melt-out at 200 to 260 °C, for filament plastics", 60, 15, true);

        private final String key;
        private final String label;
        private final boolean forPlastics;
        private final Constant base;
        private final Constant each;

        Method(String key, String label, double base, double each, boolean forPlastics) {
            this.key = key;
            this.label = label;
            this.forPlastics = forPlastics;
            this.base = minutes(key + ".base", "base", "dewax, " + key.replace('-', ' ') + ", to begin with", base);
            this.each = minutes(key + ".each", "each", "dewax, " + key.replace('-', ' ') + ", for 100 g more", each);
        }

        private static Constant minutes(String key, String symbol, String name, double value) {
            return new Constant(
                    "dewax." + key,
                    symbol,
                    name,
                    value,
                    value / 2,
                    value * 2,
                    Measure.MINUTE,
                    Mark.M,
                    "our own estimate");
        }

        public static Optional<Method> named(String key) {
            return Arrays.stream(values()).filter(m -> m.key.equals(key)).findFirst();
        }

        public String key() {
            return key;
        }

        public String label() {
            return label;
        }

        /** Whether it brings plastics out that only flow at 200 °C and more. */
        boolean forPlastics() {
            return forPlastics || this == FLASH;
        }
    }

    /** One step, with its minutes where it has a clock. */
    public record Step(String title, String care, OptionalDouble minutes) {}

    /**
     * What is to be brought out.
     *
     * @param wax g
     * @param plastic whether some of it only flows hot
     * @param lowPockets low places from which nothing drains, by the tree's gating
     * @param tray volume of the tray, cm3; empty when not known
     */
    public record Question(Method method, Figure wax, boolean plastic, List<String> lowPockets, OptionalDouble tray) {}

    public static List<Constant> constants() {
        List<Constant> all = new ArrayList<>(List.of(LEAST, TRAY));
        Arrays.stream(Method.values()).forEach(m -> all.addAll(List.of(m.base, m.each)));
        return all;
    }

    public static Dewax of(Question q, Factors factors) {
        Figure expected = Figure.computed("expected", "to be recovered at the least", Measure.GRAM)
                .mark(Mark.T, "handbook 6, dewax")
                .by(EXPECTED, q.wax.as("wax"), factors.of(LEAST));
        double minutes = Figure.computed("length", "time out", Measure.MINUTE)
                .mark(Mark.M, "our own estimate")
                .by(LENGTH, factors.of(q.method.base), factors.of(q.method.each), q.wax.as("wax"))
                .value();
        if (q.method == Method.AUTOCLAVE) {
            minutes = Math.min(15, minutes);
        }
        return new Dewax(q.method, q.wax, expected, steps(q.method, minutes), new Findings(findings(q, factors)));
    }

    private static List<Step> steps(Method method, double minutes) {
        OptionalDouble no = OptionalDouble.empty();
        List<Step> steps = new ArrayList<>();
        steps.add(new Step(
                "Cup cut open, its edge brushed clean, drains open",
                "Dust of the shell is silica: mask, damp cloth. A closed drain bursts the shell.",
                no));
        melting(method, minutes, steps);
        steps.add(new Step("Weigh what came out", "What is missing is still inside, or went up as smoke.", no));
        steps.add(new Step(
                "Look for cracks before the fire",
                "Against a lamp; tap it: a clear ring is whole, a dull one cracked.",
                no));
        return steps;
    }

    private static void melting(Method method, double minutes, List<Step> steps) {
        OptionalDouble no = OptionalDouble.empty();
        switch (method) {
            case FLASH -> {
                steps.add(new Step(
                        "Kiln at 900 °C, tray of steel under the grate, hood on",
                        "Wax smoke and flame: outdoors or under a hood, nothing that burns within 3 m.",
                        no));
                steps.add(new Step(
                        "In, cup down, quickly; door to a gap",
                        "The skin of the wax has to melt before the body grows. Long tongs, face shield, two people for a heavy one.",
                        OptionalDouble.of(minutes)));
                steps.add(new Step(
                        "Flame gone from the drain", "Never water on burning wax; lid and dry sand at hand.", no));
            }
            case AUTOCLAVE -> {
                steps.add(new Step(
                        "Vessel hot, shell in, cup down, door locked",
                        "A vessel made and tested for this pressure, its relief valve free; never one of your own making.",
                        no));
                steps.add(new Step(
                        "To pressure within seconds",
                        "6 to 8 bar; slow pressure cracks the shell.",
                        OptionalDouble.of(minutes)));
                steps.add(new Step(
                        "Let off slowly, open when the gauge is at zero",
                        "Steam and hot wax: gloves, face shield, stand aside.",
                        no));
            }
            case STEAM -> {
                steps.add(new Step(
                        "Pot at full steam, shell cup down on the grate",
                        "It never boils dry; steam burns, open away from you.",
                        OptionalDouble.of(minutes)));
                steps.add(new Step(
                        "Nothing drips any more: out, still cup down",
                        "The shell is wet again: dry it before fire.",
                        no));
            }
            default -> {
                steps.add(new Step(
                        "Kiln up to 200 °C, at 60 K/h", "It swells before it flows: slowly, wired, drains low.", no));
                steps.add(new Step(
                        "Hold at 200 to 260 °C until nothing runs",
                        "Below its smoke; hood on. It lights over about 350 °C.",
                        OptionalDouble.of(minutes)));
                steps.add(new Step("Take the tray with the melt out", "Before it burns. Long tongs, gloves.", no));
            }
        }
    }

    private static List<Finding> findings(Question q, Factors factors) {
        List<Finding> found = new ArrayList<>();
        if (q.plastic && !q.method.forPlastics()) {
            found.add(Finding.stop(
                            "does-not-flow",
                            "shell.dewax",
                            "There is plastic in the pattern; it does not flow in steam.",
                            "It softens, swells and stays, or cracks the shell.",
                            "Slow melt-out at 200 to 260 °C, then fire.")
                    .from(q.wax));
        }
        for (String pocket : q.lowPockets) {
            found.add(Finding.warn(
                            "low-pocket",
                            "shell.dewax",
                            pocket,
                            "Wax that cannot run out boils and breaks the shell, or burns there to soot.",
                            "A drain at its lowest place as it hangs in the dewax, closed with a plug afterwards.")
                    .from(q.wax));
        }
        q.tray.ifPresent(tray -> {
            double volume = q.wax.value() / WAX_DENSITY;
            double most = factors.value(TRAY) / 100 * tray;
            if (volume > most) {
                found.add(Finding.warn(
                                "tray-small",
                                "shell.tray",
                                String.format(
                                        Locale.ROOT,
                                        "%.0f cm³ of wax for a tray of %.0f: at most %.0f in it.",
                                        volume,
                                        tray,
                                        most),
                                "A tray that runs over sets the kiln alight.",
                                "A larger tray, or empty it in between: kiln off, lid at hand.")
                        .from(q.wax));
            }
        });
        return found;
    }

    /** What is still inside, judged by what was weighed (need: pattern in, recovered out). */
    public Findings weighed(double recoveredGrams) {
        Figure inside = Figure.computed("inside", "not recovered", Measure.GRAM)
                .by(
                        INSIDE,
                        wax.as("wax"),
                        Figure.given("recovered", "recovered", recoveredGrams, Measure.GRAM, Known.MEASURED, 0));
        double share = recoveredGrams / wax.value() * 100;
        if (recoveredGrams > wax.value() * 1.02) {
            return new Findings(List.of(Finding.warn(
                            "more-than-in",
                            "recovered",
                            String.format(Locale.ROOT, "%.0f %% of the wax came out.", share),
                            "More than was in it: another piece in the tray, water, or a wrong weighing.",
                            "Weigh again, the tray taken off.")
                    .from(inside)));
        }
        if (recoveredGrams < expected.value()) {
            return new Findings(List.of(Finding.warn(
                            "still-inside",
                            "recovered",
                            String.format(Locale.ROOT, "%.0f %% came out; %.0f g are missing.", share, inside.value()),
                            "What is still inside burns in the fire: flame at the cup, soot, pressure.",
                            "Back in with its drain lower, or expect flame: hood, vent open, nobody at the door.")
                    .from(inside)));
        }
        return Findings.NONE;
    }
}
