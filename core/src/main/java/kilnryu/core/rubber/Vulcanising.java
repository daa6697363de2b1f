package kilnryu.core.rubber;

import java.util.ArrayList;
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
 * Rubber that is cured in a hot press (handbook 27): small models of metal or of resin that bears the heat.
 *
 * @param minutes in the press
 * @param unknown what was not judged, in words
 */
public record Vulcanising(Figure minutes, List<String> unknown, Findings findings) {
    /** Minutes in the press for each 3 mm of the frame, 7 to 8 (handbook 27). */
    public static final Constant EACH_3_MM = new Constant(
            "vulcanise.each_3_mm",
            "each",
            "in the press, for each 3 mm",
            7.5,
            7,
            8,
            Measure.MINUTE,
            Mark.T,
            "handbook 27");

    private static final Formula MINUTES = Formula.rule("thick / 3 * each");
    private static final double USUAL_C = 150;
    private static final double OFF_K = 10;

    /**
     * @param thickMm of the frame, all through
     * @param pressC of its plates; empty where not read
     * @param bearsHeat whether the model stays as it is at that heat; empty where not known
     */
    public static Vulcanising of(double thickMm, OptionalDouble pressC, Optional<Boolean> bearsHeat, Factors factors) {
        if (!(thickMm > 0)) {
            throw new IllegalArgumentException("a frame is thick");
        }
        List<Finding> found = new ArrayList<>();
        List<String> unknown = new ArrayList<>();
        if (bearsHeat.isEmpty()) {
            unknown.add("whether its model bears 150 °C and the press");
        } else if (!bearsHeat.get()) {
            found.add(Finding.stop(
                    "model-melts",
                    "bears_heat",
                    "Its model does not bear the press.",
                    "Wax, clay and most prints soften at 150 °C and are crushed.",
                    "Silicone that cures in the room, or a model of metal."));
        }
        if (pressC.isEmpty()) {
            unknown.add("how hot its press is");
        } else if (Math.abs(pressC.getAsDouble() - USUAL_C) > OFF_K) {
            boolean hot = pressC.getAsDouble() > USUAL_C;
            found.add(Finding.warn(
                    hot ? "press-hot" : "press-cold",
                    "press_C",
                    String.format(Locale.ROOT, "The press is at %.0f °C; about 150 °C is usual.", pressC.getAsDouble()),
                    hot
                            ? "Rubber scorches at its faces before the middle is cured."
                            : "The middle stays raw and tacky.",
                    "Set it to what the rubber's sheet says, and wait until both plates are there."));
        }
        return new Vulcanising(
                Figure.computed("press", "in the press", Measure.MINUTE)
                        .mark(Mark.T, "handbook 27: 7 to 8 min for each 3 mm")
                        .by(
                                MINUTES,
                                Figure.given("thick", "frame, thick", thickMm, Measure.MILLIMETRE, Known.CHOSEN, 0),
                                factors.of(EACH_3_MM)),
                List.copyOf(unknown),
                new Findings(found));
    }
}
