package kilnryu.app.device;

import java.time.Duration;
import java.time.Instant;
import java.util.Random;
import org.springframework.stereotype.Component;

/**
 * A stand-in for a pyrometer: a dipped probe takes some ten seconds to come to rest and trembles by a few kelvins; one that
 * looks at the glow with the emissivity of a cover instead of a clean skin reads some eighty kelvins low.
 */
@Component
class SimulatedPyrometer implements Pyrometer {
    private static final double SETTLES_S = 2.5;
    private static final double STEADY_S = 9;
    private static final double TREMBLE_K = 4;
    private static final double COLD = 20;
    /** Of the kelvins over absolute zero: the fourth root of 0.8, what glass makes of an emissivity taken too large. */
    private static final double TOO_LOW = 0.9457;

    @Override
    public Reading read(double metal, Instant dipped, Instant now, boolean wrongGlow) {
        double seconds = Math.max(0, Duration.between(dipped, now).toMillis() / 1000.0);
        double tremble = TREMBLE_K * (new Random(now.toEpochMilli() / 500).nextDouble() - 0.5);
        if (wrongGlow) {
            return new Reading((metal + 273.15) * TOO_LOW - 273.15 + tremble, true);
        }
        double settled = 1 - Math.exp(-seconds / SETTLES_S);
        return new Reading(COLD + (metal - COLD) * settled + tremble, seconds > STEADY_S);
    }
}
