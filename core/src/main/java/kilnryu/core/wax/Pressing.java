package kilnryu.core.wax;

import java.util.ArrayList;
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
 * How hard and how long wax is pressed into a mold: held until its gate is frozen, no wax is drawn back out of the pattern as it
 * shrinks (handbook 27). Bands of pressure are ours [M].
 *
 * @param hold until the gate is set, s; empty where the gate is not known
 * @param unknown what was not judged, in words
 */
public record Pressing(Optional<Figure> hold, List<String> unknown, Findings findings) {
    private static final Formula HOLD = Formula.of("(gate / (2 * coefficient))^2");
    private static final double LEAST_BAR = 0.15;
    private static final double MOST_RUBBER_BAR = 1;
    private static final double MOST_BAR = 30;

    /**
     * @param rubber whether the mold gives: rubber, not metal or plaster
     * @param bar over the air; empty where not said
     * @param holdS that the nozzle is held on; empty where not said
     * @param gateMm of the passage that freezes last between nozzle and pattern; empty where not known
     * @param coefficient wall in the first second in this mold, mm for the root of a second; empty where nothing freezes
     */
    public record Question(
            boolean rubber,
            OptionalDouble bar,
            OptionalDouble holdS,
            OptionalDouble gateMm,
            Optional<Figure> coefficient) {}

    public static Pressing of(Question q) {
        List<Finding> found = new ArrayList<>();
        List<String> unknown = new ArrayList<>();
        pressure(q, found, unknown);
        Optional<Figure> hold = q.coefficient
                .filter(c -> q.gateMm.isPresent())
                .map(c -> Figure.computed("hold", "hold until its gate is set", Measure.SECONDS)
                        .mark(Mark.M, "handbook 27: half the gate from either side")
                        .by(
                                HOLD,
                                Figure.given(
                                        "gate", "gate", q.gateMm.getAsDouble(), Measure.MILLIMETRE, Known.CHOSEN, 0),
                                c.as("coefficient")));
        if (hold.isEmpty() || q.holdS.isEmpty()) {
            unknown.add("whether it is held until its gate is set");
        } else if (q.holdS.getAsDouble() < hold.get().value()) {
            found.add(Finding.warn(
                    "hold-short",
                    "hold_s",
                    String.format(
                            Locale.ROOT,
                            "It is held %.0f s; its gate is set after %.0f s.",
                            q.holdS.getAsDouble(),
                            Math.ceil(hold.get().value())),
                    "Wax runs back out of the gate as the pattern shrinks: it sinks at its thickest place.",
                    "Hold it longer, or a thinner gate."));
        }
        return new Pressing(hold, List.copyOf(unknown), new Findings(found));
    }

    private static void pressure(Question q, List<Finding> found, List<String> unknown) {
        if (q.bar.isEmpty()) {
            unknown.add("its pressure");
            return;
        }
        double bar = q.bar.getAsDouble();
        if (bar > (q.rubber ? MOST_RUBBER_BAR : MOST_BAR)) {
            found.add(Finding.warn(
                    "pressure-high",
                    "pressure_bar",
                    String.format(
                            Locale.ROOT,
                            "%.2g bar is much for a mold of %s.",
                            bar,
                            q.rubber ? "rubber" : "metal or plaster"),
                    q.rubber
                            ? "Rubber gives: the pattern comes out thicker than the original, with flash at its seam."
                            : "The clamp lifts, and hot wax sprays from the seam.",
                    q.rubber
                            ? "0.2 to 0.7 bar, boards on both sides, and vents."
                            : "Less pressure, and a clamp that holds it."));
        } else if (bar < LEAST_BAR) {
            found.add(Finding.note(
                    "pressure-low",
                    "pressure_bar",
                    String.format(Locale.ROOT, "%.2g bar hardly pushes wax into thin places.", bar),
                    "They stay short.",
                    "0.2 bar and more, or warmer wax."));
        }
    }
}
