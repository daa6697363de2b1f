package kilnryu.app.device;

import java.time.Clock;
import java.time.Duration;
import java.util.Collection;
import org.springframework.stereotype.Component;

/** A stand-in for a pot's thermometer and float: it follows its knob in some ten minutes. */
@Component
public class SimulatedWaxPot implements WaxPot {
    private static final double FOLLOWS_S = 240;
    private static final double HOTTEST = 200;
    private static final double ROOM = 20;
    private static final double DEEPEST = 5000;

    private final WaxPotStore store;
    private final Clock clock;

    SimulatedWaxPot(WaxPotStore store, Clock clock) {
        this.store = store;
        this.clock = clock;
    }

    @Override
    public Reading read(long pot) {
        WaxPotStore.State s = store.of(pot);
        return new Reading(shown(s), s.levelMm());
    }

    private double shown(WaxPotStore.State s) {
        double seconds =
                Math.max(0, Duration.between(s.since(), clock.instant()).toMillis() / 1000.0);
        return s.setC() + (s.fromC() - s.setC()) * Math.exp(-seconds / FOLLOWS_S);
    }

    /** What its knob is set to, C. */
    public double set(long pot) {
        return store.of(pot).setC();
    }

    /** Its knob, in kelvins up or down; its float likewise in mm. */
    public void turn(long pot, double kelvins, double mm) {
        WaxPotStore.State s = store.of(pot);
        store.keep(
                pot,
                new WaxPotStore.State(
                        Math.max(ROOM, Math.min(HOTTEST, s.setC() + kelvins)),
                        shown(s),
                        Math.max(0, Math.min(DEEPEST, s.levelMm() + mm)),
                        clock.instant()));
    }

    @Override
    public void foresee(Collection<Long> pots) {
        store.foresee(pots);
    }
}
