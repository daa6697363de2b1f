package kilnryu.app.device;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.springframework.stereotype.Component;

/**
 * A stand-in for a melting furnace: at full power until the tap, where it holds; it may be told to run 1 to 600 times the
 * clock, that its burner is out, its thermocouple open or its power cut. Its figures are no measurements.
 */
@Component
public class SimulatedFurnace implements MeltFurnace {
    public static final List<Integer> SPEEDS = List.of(1, 10, 60, 600);
    private static final double COLD = 20;
    /** Without heat it cools with this time constant, min. */
    private static final double COOLS_MIN = 25;

    private static final double STEP_S = 2;
    private static final int MOST_STEPS = 40_000;

    /** What can be wrong with it. */
    public enum Fault {
        BURNER_OUT("burner out"),
        THERMOCOUPLE_OPEN("thermocouple open"),
        POWER_CUT("power cut");

        private final String label;

        Fault(String label) {
            this.label = label;
        }

        public String key() {
            return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
        }

        public String label() {
            return label;
        }
    }

    /** How it stands while changes are gone through. */
    private static final class Standing {
        private final Melt melt;
        private double heat;
        private boolean on;
        private double speed = 1;
        private final java.util.Set<String> faults = new java.util.TreeSet<>();

        Standing(Melt melt) {
            this.melt = melt;
        }

        void change(String what) {
            if (what.equals("on") || what.equals("off")) {
                on = what.equals("on");
            } else if (what.startsWith("speed ")) {
                speed = Double.parseDouble(what.substring(6));
            } else if (!faults.remove(what)) {
                faults.add(what);
            }
        }

        boolean heats() {
            return on && !faults.contains(Fault.BURNER_OUT.key()) && !faults.contains(Fault.POWER_CUT.key());
        }

        void go(double clockSeconds) {
            double all = clockSeconds * speed;
            int steps = (int) Math.min(MOST_STEPS, Math.ceil(all / STEP_S));
            double dt = steps == 0 ? 0 : all / steps;
            double power = full() / (melt.minutes() * 60);
            for (int i = 0; i < steps; i++) {
                if (heats()) {
                    heat = Math.min(full(), heat + power * dt);
                } else {
                    heat -= heat * dt / (COOLS_MIN * 60);
                }
            }
        }

        double full() {
            return molten() + melt.perLiquid() * (melt.tap() - melt.liquidus());
        }

        private double solid() {
            return melt.perSolid() * (melt.solidus() - COLD);
        }

        private double molten() {
            return melt.perSolid() * (melt.liquidus() - COLD) + melt.latent();
        }

        double celsius() {
            if (heat <= solid()) {
                return COLD + heat / melt.perSolid();
            }
            if (heat <= molten()) {
                double part = (heat - solid()) / Math.max(1e-9, molten() - solid());
                return melt.solidus() + part * (melt.liquidus() - melt.solidus());
            }
            return melt.liquidus() + (heat - molten()) / melt.perLiquid();
        }

        Reading reading() {
            String says = faults.isEmpty()
                    ? on ? heat >= full() * 0.999 ? "holds at the tap" : "heats" : "off"
                    : String.join(", ", faults).replace('-', ' ');
            return new Reading(
                    faults.contains(Fault.THERMOCOUPLE_OPEN.key())
                            ? OptionalDouble.empty()
                            : OptionalDouble.of(celsius()),
                    says);
        }
    }

    @Override
    public Reading read(Melt melt, List<Change> changes, Instant now) {
        Standing standing = new Standing(melt);
        Instant at = null;
        for (Change c : changes) {
            if (c.at().isAfter(now)) {
                break;
            }
            if (at != null) {
                standing.go(Duration.between(at, c.at()).toMillis() / 1000.0);
            }
            standing.change(c.what());
            at = c.at();
        }
        if (at != null) {
            standing.go(Duration.between(at, now).toMillis() / 1000.0);
        }
        return standing.reading();
    }

    @Override
    public List<double[]> course(Melt melt, List<Change> changes, Instant now, int most) {
        List<double[]> points = new ArrayList<>();
        if (changes.isEmpty()) {
            return points;
        }
        Instant from = changes.get(0).at();
        double all = Math.max(1, Duration.between(from, now).toMillis() / 1000.0);
        for (int i = 0; i <= most; i++) {
            Instant at = from.plusMillis(Math.round(all * 1000 * i / most));
            read(melt, changes, at)
                    .celsius()
                    .ifPresent(c ->
                            points.add(new double[] {Duration.between(from, at).toMillis() / 60_000.0, c}));
        }
        return points;
    }
}
