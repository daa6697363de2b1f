package kilnryu.app.device;

import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Random;
import kilnryu.core.quantity.Measure;
import org.springframework.stereotype.Component;

/**
 * A stand-in for a bench scale: it settles in about two seconds, drifts a little, trembles in its last digit, and has a
 * unit button that is easily hit by mistake.
 */
@Component
public class SimulatedScale implements Scale {
    static final List<Measure> UNITS =
            List.of(Measure.GRAM, Measure.OUNCE, Measure.TROY_OUNCE, Measure.PENNYWEIGHT, Measure.POUND);
    private static final double SETTLING_SECONDS = 0.45;
    private static final double DRIFT_PER_MINUTE = 0.01;
    private static final double TREMBLE = 0.03;
    private static final double MOST_DRIFT = 0.3;

    private final ScaleStore store;
    private final Clock clock;

    SimulatedScale(ScaleStore store, Clock clock) {
        this.store = store;
        this.clock = clock;
    }

    @Override
    public Reading read(long studio) {
        ScaleStore.State state = store.of(studio);
        double seconds = Duration.between(state.placedAt(), clock.instant()).toMillis() / 1000.0;
        double settled = 1 - Math.exp(-seconds / SETTLING_SECONDS);
        double drift = Math.min(MOST_DRIFT, DRIFT_PER_MINUTE * seconds / 60);
        double tremble = TREMBLE * (new Random(Math.round(seconds * 4)).nextDouble() - 0.5);
        double grams = state.load() * settled + (state.load() > 0 ? drift : 0) - state.tare() + tremble;
        double step = step(state.unit());
        double digits = Math.rint(Measure.GRAM.to(state.unit(), grams) / step) * step;
        return new Reading(digits, state.unit(), seconds > 4 * SETTLING_SECONDS);
    }

    /** Last digit of the display. */
    private static double step(Measure unit) {
        return switch (unit) {
            case OUNCE, TROY_OUNCE -> 0.005;
            case PENNYWEIGHT -> 0.05;
            case POUND -> 0.0005;
            default -> 0.1;
        };
    }

    /** Puts a load on the pan, in grams; 0 takes it off. */
    public void load(long studio, double grams) {
        store.keep(studio, store.of(studio).withLoad(grams, clock.instant()));
    }

    /** What a finished tree may weigh when so much was planned: joints and fillets differ from tree to tree. */
    public double asBuilt(double planned, long tree) {
        return planned * (1.005 + 0.02 * new Random(tree).nextDouble());
    }

    /** What lies on the pan now counts as nothing. */
    public void tare(long studio) {
        ScaleStore.State state = store.of(studio);
        store.keep(studio, state.withTare(state.load()));
    }

    /** The next unit, as the button does. */
    public void nextUnit(long studio) {
        ScaleStore.State state = store.of(studio);
        int next = (UNITS.indexOf(state.unit()) + 1) % UNITS.size();
        store.keep(studio, state.withUnit(UNITS.get(next)));
    }
}
