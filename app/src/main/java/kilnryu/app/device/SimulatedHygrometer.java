package kilnryu.app.device;

import java.time.Clock;
import java.time.Instant;
import org.springframework.stereotype.Component;

/**
 * A stand-in for the hygrometer of a drying room: a set temperature and humidity with the swing of a day round them,
 * warmest and driest in the afternoon.
 */
@Component
public class SimulatedHygrometer implements Hygrometer {
    private static final double WARMEST_HOUR = 15;
    /** Air that warms by a kelvin without taking up water dries by about this, %. */
    private static final double DRIER_PER_K = 2.8;

    private final HygrometerStore store;
    private final Clock clock;

    SimulatedHygrometer(HygrometerStore store, Clock clock) {
        this.store = store;
        this.clock = clock;
    }

    /** How it is set: the middle of the day's course, and how far it swings to each side, K. */
    public record Setting(double celsius, double humidity, double swing) {}

    @Override
    public Reading read(long studio) {
        return at(setting(studio), clock.instant());
    }

    static Reading at(Setting set, Instant when) {
        double hour = when.getEpochSecond() % 86_400 / 3600.0;
        double off = set.swing * Math.cos((hour - WARMEST_HOUR) * Math.PI / 12);
        double humidity = Math.max(2, Math.min(100, set.humidity - DRIER_PER_K * off));
        return new Reading(Math.round((set.celsius + off) * 10) / 10.0, Math.round(humidity));
    }

    public Setting setting(long studio) {
        return store.of(studio);
    }

    public void set(long studio, Setting to) {
        store.keep(studio, to, clock.instant());
    }
}
