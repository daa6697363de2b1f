package kilnryu.app.device;

import java.time.Clock;
import java.time.Duration;
import org.springframework.stereotype.Component;

/**
 * A stand-in for a vacuum gauge: it rises when its pump is switched on and the gasket seals, stays low over a gasket
 * that does not, hangs halfway over a leak, and falls when the pump is off.
 */
@Component
public class SimulatedGauge implements Gauge {
    private static final double GOOD = 97;
    private static final double LEAKING = 58;
    private static final double OPEN = 12;
    private static final double SECONDS = 1.2;

    private final GaugeStore store;
    private final Clock clock;

    SimulatedGauge(GaugeStore store, Clock clock) {
        this.store = store;
        this.clock = clock;
    }

    @Override
    public double read(long studio) {
        return shown(store.of(studio));
    }

    private double shown(GaugeStore.State state) {
        double to = !state.pumpOn() ? 0 : !state.seals() ? OPEN : state.leaks() ? LEAKING : GOOD;
        double seconds = Duration.between(state.since(), clock.instant()).toMillis() / 1000.0;
        return to + (state.from() - to) * Math.exp(-Math.max(0, seconds) / SECONDS);
    }

    /** What can be done to the stand-in. */
    public enum Button {
        PUMP,
        GASKET,
        LEAK
    }

    public void press(long studio, Button button) {
        GaugeStore.State s = store.of(studio);
        store.keep(
                studio,
                new GaugeStore.State(
                        s.pumpOn() ^ button == Button.PUMP,
                        s.seals() ^ button == Button.GASKET,
                        s.leaks() ^ button == Button.LEAK,
                        shown(s),
                        clock.instant()));
    }

    public boolean pumpOn(long studio) {
        return store.of(studio).pumpOn();
    }

    /** In words: how the gasket lies and whether it leaks. */
    public String says(long studio) {
        GaugeStore.State s = store.of(studio);
        return (s.pumpOn() ? "pump on" : "pump off")
                + (s.seals() ? ", gasket seals" : ", gasket does not seal")
                + (s.leaks() ? ", leaks" : "");
    }
}
