package kilnryu.core.burnout;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import kilnryu.core.quantity.Temperature;
import kilnryu.core.sum.Figure;

/**
 * What a program is wanted for: molds that share a kiln.
 *
 * @param load at least one
 * @param kilnMax highest the kiln reaches, empty when not known
 * @param drainC where plastics drain, C, when the caster chooses it
 */
public record BurnoutQuestion(
        List<Subject> load, BurnoutSchool school, Optional<Temperature> kilnMax, Optional<Double> drainC) {
    /** Where the kiln starts, C. */
    public static final double START_C = 20;

    public BurnoutQuestion {
        load = List.copyOf(load);
        if (load.isEmpty()) {
            throw new IllegalArgumentException("an empty kiln needs no program");
        }
    }

    /** Plastics drain where the school says. */
    public BurnoutQuestion(List<Subject> load, BurnoutSchool school, Optional<Temperature> kilnMax) {
        this(load, school, kilnMax, Optional.empty());
    }

    /** One mold alone. */
    public BurnoutQuestion(Subject alone, BurnoutSchool school, Optional<Temperature> kilnMax) {
        this(List.of(alone), school, kilnMax);
    }

    /** The widest mold: it sets the ramps. */
    Subject widest() {
        return load.stream().max(Comparator.comparingDouble(Subject::diameter)).orElseThrow();
    }

    private boolean any(Predicate<Subject> what) {
        return load.stream().anyMatch(what);
    }

    boolean anyChar() {
        return any(Subject::anyChar);
    }

    boolean anyHotDrain() {
        return any(Subject::anyHotDrain);
    }

    boolean anyWax() {
        return any(Subject::anyWax);
    }

    /** Burnout temperature of the load: the lowest of its systems; NaN where a supplier's sheet rules. */
    double top() {
        return load.stream().mapToDouble(s -> s.system().burnoutC()).min().orElseThrow();
    }

    /** Temperatures of the pours, falling; molds within the same few kelvins are poured together. */
    List<Figure> pours() {
        return PourGroups.of(load.stream().flatMap(s -> s.pour().stream()).toList());
    }

    boolean allPour() {
        return load.stream().allMatch(s -> s.pour().isPresent());
    }

    double diameter() {
        return widest().diameter();
    }
}
