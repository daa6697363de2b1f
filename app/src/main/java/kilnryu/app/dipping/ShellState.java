package kilnryu.app.dipping;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.dipping.DipStore.Dip;
import kilnryu.app.dipping.DipStore.Run;
import kilnryu.app.dipping.DipStore.Weighing;
import kilnryu.app.plan.Plan;
import kilnryu.core.shell.Climate;
import kilnryu.core.shell.Coat;
import kilnryu.core.shell.DipCalendar.Job;
import kilnryu.core.shell.DipCalendar.Planned;
import kilnryu.core.shell.Drying;
import kilnryu.core.shell.ShellPlan;
import kilnryu.core.shell.ShellPlanner;
import kilnryu.core.shell.ShellQuestion;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Replacement;

/**
 * How a shell stands: the plan of its start with the coats as they were laid, corrected by what was measured.
 *
 * @param shell coats laid and coats to come
 * @param corrected measured thickness over the estimated, 1 without a measurement
 * @param next the coat to be laid, empty when all are on
 * @param ready when the last coat is dry; empty when it never is
 * @param latest when the next coat should be on
 * @param byWeight share of the last coat's water that is gone by weight, 0 to 1
 * @param wired whether its wire was ticked
 */
record ShellState(
        Run run,
        Plan plan,
        ShellPlan shell,
        Factors factors,
        List<Dip> dips,
        double corrected,
        Optional<Coat> next,
        Optional<Instant> ready,
        Optional<Instant> latest,
        double progress,
        OptionalDouble byWeight,
        boolean wired,
        Phase phase) {
    private static final double DRY_BY_WEIGHT = 0.95;
    private static final double LEAST_SENSE = 0.1;

    /** What can be done with it now. */
    enum Phase {
        READY("ready to dip"),
        WIRE("dry: wire goes on first"),
        DRYING("drying"),
        LATE("has waited too long"),
        NEVER("never dries in this air"),
        FINAL("last coat dry, standing before fire"),
        FIRE("may be fired"),
        ENDED("ended");

        private final String label;

        Phase(String label) {
            this.label = label;
        }

        String label() {
            return label;
        }
    }

    /** What was logged of a shell. */
    record Log(List<Dip> dips, List<Weighing> weighings, boolean wired) {}

    static ShellState of(Run run, Plan plan, Log log, Climate climate, Instant now) {
        ShellPlan planned = plan.shell().orElseThrow().plan();
        List<Coat> coats = new ArrayList<>();
        log.dips.forEach(d -> coats.add(d.logged().coat()));
        int on = coats.size();
        coats.addAll(run.coats()
                .subList(Math.min(on, run.coats().size()), run.coats().size()));
        Factors base = plan.reading().factors();
        double corrected = corrected(planned, coats, log.dips, base);
        Factors factors = corrected == 1 ? base : scaled(base, corrected);
        ShellPlan shell = new ShellPlanner(factors).plan(with(planned, coats));
        Optional<Coat> next = on < coats.size() ? Optional.of(coats.get(on)) : Optional.empty();
        if (on == 0) {
            return new ShellState(
                    run,
                    plan,
                    shell,
                    factors,
                    log.dips,
                    corrected,
                    next,
                    Optional.of(run.begunAt()),
                    Optional.empty(),
                    1,
                    OptionalDouble.empty(),
                    log.wired,
                    run.endedAt() != null ? Phase.ENDED : Phase.READY);
        }
        Dip last = log.dips.get(on - 1);
        double dose = dose(shell, on - 1, factors);
        Optional<Instant> dry = climate.dry(last.logged().at(), dose);
        Optional<Instant> latest = last.logged().coat().isPrime() && next.isPresent()
                ? Optional.of(last.logged().at().plusSeconds(Math.round(factors.value(Drying.PRIME_LATEST) * 3600)))
                : Optional.empty();
        OptionalDouble byWeight = byWeight(shell, last, on, log.weighings);
        ShellState state = new ShellState(
                run,
                plan,
                shell,
                factors,
                log.dips,
                corrected,
                next,
                dry,
                latest,
                climate.progress(last.logged().at(), now, dose),
                byWeight,
                log.wired,
                Phase.READY);
        return state.in(state.phase(now));
    }

    private static ShellQuestion with(ShellPlan planned, List<Coat> coats) {
        ShellQuestion q = planned.question();
        return coats.isEmpty() ? q : q.by(q.recipe().with(coats));
    }

    /** The last thickness measured on a test bar over what the coats should have built by then. */
    private static double corrected(ShellPlan planned, List<Coat> coats, List<Dip> dips, Factors factors) {
        double built = 0;
        double corrected = 1;
        for (Dip dip : dips) {
            built += factors.value(dip.logged().coat().build());
            OptionalDouble measured = dip.logged().readings().thickness();
            if (measured.isPresent()) {
                corrected = measured.getAsDouble() / built;
            }
        }
        return corrected;
    }

    private static Factors scaled(Factors base, double by) {
        Map<String, Replacement> builds = new HashMap<>();
        for (Coat coat : Coat.values()) {
            Constant build = coat.build();
            builds.put(build.key(), new Replacement(base.value(build) * by, "as measured on the test bar"));
        }
        return base.under(builds);
    }

    private static double dose(ShellPlan shell, int index, Factors factors) {
        return Drying.dose(
                new Drying.Wet(
                        shell.layers().get(index).coat(),
                        index,
                        shell.question().aired(),
                        shell.solids()),
                factors);
    }

    /**
     * A coat that its weight found dry.
     *
     * @param place from 0
     * @param planned hours that were foreseen, by the air as it was
     * @param dried hours it took, between the weighings by a straight line
     * @param tail that was planned with
     */
    record Dried(int place, Coat coat, double planned, double dried, double tail) {}

    /** Its last coat, once a weighing found it dry and its drying was foreseen; empty before. */
    Optional<Dried> dried(List<Weighing> weighings) {
        if (dips.isEmpty() || ready.isEmpty() || byWeight.orElse(0) < DRY_BY_WEIGHT) {
            return Optional.empty();
        }
        Dip last = dips.get(on() - 1);
        Instant dipped = last.logged().at();
        double first = last.logged().readings().mass().orElseThrow();
        double water = shell.water(shell.layers().get(on() - 1));
        double before = 0;
        double hoursBefore = 0;
        for (Weighing w : weighings) {
            double hours = Duration.between(dipped, w.at()).toMillis() / 3.6e6;
            double share = (first - w.grams()) / water;
            if (hours > 0 && share >= DRY_BY_WEIGHT) {
                double part = (DRY_BY_WEIGHT - before) / Math.max(1e-9, share - before);
                double planned = Duration.between(dipped, ready.get()).toMillis() / 3.6e6;
                double dried = hoursBefore + part * (hours - hoursBefore);
                // a coat that is dry in no time was weighed wrong: it teaches nothing
                return planned > 0 && dried > planned * LEAST_SENSE
                        ? Optional.of(
                                new Dried(on() - 1, last.logged().coat(), planned, dried, factors.value(Drying.TAIL)))
                        : Optional.empty();
            }
            if (hours > 0) {
                before = Math.max(before, share);
                hoursBefore = hours;
            }
        }
        return Optional.empty();
    }

    /** Weighed after the dip and again since: the loss against the water that the coat brought. */
    private static OptionalDouble byWeight(ShellPlan shell, Dip last, int on, List<Weighing> weighings) {
        OptionalDouble first = last.logged().readings().mass();
        Optional<Weighing> now = weighings.stream()
                .filter(w -> w.at().isAfter(last.logged().at()))
                .reduce((a, b) -> b);
        if (first.isEmpty() || now.isEmpty()) {
            return OptionalDouble.empty();
        }
        ShellPlan.Layer layer = shell.layers().get(on - 1);
        double water = shell.water(layer);
        return OptionalDouble.of((first.getAsDouble() - now.get().grams()) / water);
    }

    private Phase phase(Instant now) {
        if (run.endedAt() != null) {
            return Phase.ENDED;
        }
        boolean dryByWeight = byWeight.isPresent() && byWeight.getAsDouble() >= DRY_BY_WEIGHT;
        if (ready.isEmpty() && !dryByWeight) {
            return Phase.NEVER;
        }
        boolean dry = dryByWeight || !ready.get().isAfter(now);
        if (!dry) {
            return Phase.DRYING;
        }
        if (next.isEmpty()) {
            return fireFrom().filter(f -> !f.isAfter(now)).isPresent() ? Phase.FIRE : Phase.FINAL;
        }
        if (wireNow()) {
            return Phase.WIRE;
        }
        return latest.filter(now::isAfter).isPresent() ? Phase.LATE : Phase.READY;
    }

    private ShellState in(Phase other) {
        return new ShellState(
                run, plan, shell, factors, dips, corrected, next, ready, latest, progress, byWeight, wired, other);
    }

    /** What a coat's drying asks of the air, kg/m2. */
    double dose(int index) {
        return dose(shell, index, factors);
    }

    int on() {
        return dips.size();
    }

    /** Earliest fire: the final dry after the last coat is dry. */
    Optional<Instant> fireFrom() {
        double hours = shell.finalDry().map(Figure::value).orElse(24.0);
        return next.isPresent()
                ? Optional.empty()
                : ready.map(r -> r.plus(Duration.ofSeconds(Math.round(hours * 3600))));
    }

    /** Whether the wire goes on now, before the next dip. */
    boolean wireNow() {
        return !wired
                && next.isPresent()
                && shell.recipe().wireAfter() > 0
                && shell.recipe().wireAfter() == on();
    }

    /** What is still to be done with it, for the calendar. */
    Job job(String key) {
        List<Planned> coming = new ArrayList<>();
        for (int i = on(); i < shell.layers().size(); i++) {
            boolean wire = !wired && i > 0 && i == shell.recipe().wireAfter();
            coming.add(new Planned(i + 1, shell.layers().get(i).coat(), dose(shell, i, factors), wire));
        }
        return new Job(
                key,
                coming,
                ready.orElse(run.begunAt()),
                latest,
                Optional.of(run.rack()),
                shell.finalDry().map(Figure::value).orElse(24.0));
    }

    /** The same for a plan that is not begun. */
    static Job waiting(String key, Plan plan, Instant from) {
        ShellPlan shell = plan.shell().orElseThrow().plan();
        Factors factors = plan.reading().factors();
        List<Planned> coming = new ArrayList<>();
        for (int i = 0; i < shell.layers().size(); i++) {
            boolean wire = i > 0 && i == shell.recipe().wireAfter();
            coming.add(new Planned(i + 1, shell.layers().get(i).coat(), dose(shell, i, factors), wire));
        }
        return new Job(
                key,
                coming,
                from,
                Optional.empty(),
                Optional.empty(),
                shell.finalDry().map(Figure::value).orElse(24.0));
    }
}
