package kilnryu.core.kiln;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kilnryu.core.finding.Finding;
import kilnryu.core.kiln.Firing.Moment;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;

/**
 * Whether the water of a mold leaves as steam faster than its wall lets it through (handbook 7, [M]): a body that still holds
 * over a fifth of its free water while its face rises over 400 C, or whose face is over 200 C in a ramp of over twice the limit
 * of its size; over half of the water it spalls. A ramp is the kiln's mean over half an hour, so that small steps by hand are
 * no ramp.
 *
 * @param water most free water left at such a moment, %; 0 where there is none
 * @param at that moment, minutes; NaN likewise
 * @param hot whether it was the face over 400 C, and not the ramp
 */
public record Steam(double water, double at, boolean hot) {
    private static final double HOT_C = 400;
    private static final double WARM_C = 200;
    private static final double WARN = 20;
    private static final double STOP = 50;
    private static final double MEAN_MIN = 30;
    private static final double MOVED_K = 1;

    /** @param ramp fastest ramp of the mold's size, K/h; NaN where not known: then only the face over 400 C is judged */
    public static Steam of(Firing firing, double ramp) {
        Steam most = new Steam(0, Double.NaN, false);
        List<Moment> trace = firing.trace();
        int before = 0;
        for (int i = 1; i < trace.size(); i++) {
            Moment now = trace.get(i);
            while (trace.get(before + 1).minute() <= now.minute() - MEAN_MIN) {
                before++;
            }
            Moment then = trace.get(before);
            double span = Math.max(MEAN_MIN, now.minute() - then.minute()) / 60;
            boolean hot =
                    now.surface() > HOT_C && now.surface() > trace.get(i - 1).surface() + MOVED_K;
            boolean fast = now.surface() > WARM_C && (now.kiln() - then.kiln()) / span > 2 * ramp;
            if ((hot || fast) && now.water() > most.water) {
                most = new Steam(now.water(), now.minute(), hot);
            }
        }
        return most;
    }

    Optional<Finding> finding(String mold) {
        if (!(water > WARN)) {
            return Optional.empty();
        }
        String message = String.format(
                Locale.ROOT,
                hot
                        ? "%s still holds %.0f %% of its free water while its face rises over 400 °C."
                        : "%s still holds %.0f %% of its free water while its face is over 200 °C in a ramp of over twice its limit.",
                mold.isEmpty() ? "The mold" : mold,
                water);
        String reason = "Steam that cannot leave fast enough blows pieces off the face and cracks the mold.";
        String remedy = "Hold below 370 °C until it is dry, or ramp slower there.";
        Figure figure = Figure.given("water", "free water left", water, Measure.PERCENT, Known.COMPUTED, 0);
        return Optional.of((water > STOP
                        ? Finding.stop("steam", "program", message, reason, remedy)
                        : Finding.warn("steam", "program", message, reason, remedy))
                .from(figure));
    }
}
