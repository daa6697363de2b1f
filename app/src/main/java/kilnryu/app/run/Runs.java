package kilnryu.app.run;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import kilnryu.app.device.KilnController;
import kilnryu.app.load.TriedOnLoad;
import kilnryu.app.run.FiringLogStore.Measured;
import kilnryu.app.simulation.Question;
import kilnryu.app.simulation.Simulations;
import kilnryu.core.burnout.HeldProgram;
import kilnryu.core.burnout.Progress;
import kilnryu.core.kiln.KilnRun;
import kilnryu.core.kiln.Watch;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Firings that run: takes what the controllers report into the log, in one transaction with how they then stand, so that
 * nothing is lost or comes twice; and reckons how each firing stands.
 */
@Service
public class Runs {
    private static final Logger LOG = LoggerFactory.getLogger(Runs.class);
    static final int DRAWN_PARTS = 420;
    private static final int MOST_KEPT = 40;

    private final FiringStore store;
    private final FiringLogStore readings;
    private final KilnController controller;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final Simulations simulations;
    private final Cache<String, Standing> standings =
            Caffeine.newBuilder().maximumSize(MOST_KEPT).build();

    Runs(
            FiringStore store,
            FiringLogStore readings,
            KilnController controller,
            TransactionTemplate transaction,
            Simulations simulations,
            Clock clock) {
        this.simulations = simulations;
        this.store = store;
        this.readings = readings;
        this.controller = controller;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** How a firing stands. */
    public record Standing(
            KilnController.Status status, Measured measured, Progress progress, HeldProgram plan, double second) {}

    /** Whatever runs anywhere is asked for its readings; a row that another node has is left to it. */
    @Scheduled(fixedDelay = 1_000, scheduler = "controllerScheduler")
    void listen() {
        for (long id : store.running()) {
            try {
                hear(id);
            } catch (RuntimeException e) {
                LOG.warn("the controller of firing {} could not be heard: {}", id, e.toString());
            }
        }
    }

    KilnController.Status hear(long id) {
        return hear(id, clock.instant());
    }

    /** Takes in what a controller has to report; what it takes to report is no part of the transaction. */
    KilnController.Status hear(long id, Instant now) {
        KilnController.Report report = controller.report(id, now);
        Map<Double, Double> samples = new LinkedHashMap<>();
        report.fresh().forEach(r -> r.celsius().ifPresent(c -> samples.put(r.second(), c)));
        transaction.executeWithoutResult(t -> {
            if (controller.taken(id, report) && !samples.isEmpty()) {
                readings.reported(id, samples);
            }
        });
        return report.status();
    }

    /** The plan as it was frozen, simulated once. */
    HeldProgram plan(FiringStore.Row row) {
        Frozen frozen = row.frozen().orElseThrow();
        return simulations.of(
                row.studio(), new TriedOnLoad(frozen.segments(), frozen.question(KilnRun.Detail.QUICK, false)));
    }

    public Standing standing(FiringStore.Row row) {
        KilnController.Status status = row.running() ? hear(row.id()) : done(row);
        String key = row.id() + " " + store.mark(row.id()) + " " + status.second();
        Standing known = standings.getIfPresent(key);
        if (known != null) {
            return known;
        }
        Frozen frozen = row.frozen().orElseThrow();
        Measured measured = readings.measured(row.id(), DRAWN_PARTS);
        double last = measured.samples().isEmpty()
                ? 0
                : measured.samples().get(measured.samples().size() - 1).second();
        double second = Math.max(status.second(), last);
        double into = row.running() ? status.into() : frozen.minutes() * 60;
        Progress progress = simulations.of(
                row.studio(),
                new GoneSoFar(
                        key,
                        frozen.question(KilnRun.Detail.QUICK, row.running()),
                        new Progress.State(frozen.segments(), measured.samples(), second, into, frozen.limits())));
        Standing standing = new Standing(status, measured, progress, plan(row), second);
        standings.put(key, standing);
        return standing;
    }

    /** How a firing has gone by what was measured, and how it goes on. */
    private record GoneSoFar(String key, HeldProgram.Question load, Progress.State state)
            implements Question<Progress> {
        @Override
        public Progress answer(Watch watch) {
            return Progress.of(load, state, watch);
        }

        @Override
        public String words() {
            return "how a firing goes on";
        }

        /** The mark of the firing and its second stand for all that was measured of it. */
        @Override
        public boolean equals(Object other) {
            return other instanceof GoneSoFar g && key.equals(g.key);
        }

        @Override
        public int hashCode() {
            return key.hashCode();
        }
    }

    private KilnController.Status done(FiringStore.Row row) {
        Instant ended = row.endedAt() == null ? clock.instant() : row.endedAt();
        double second = Duration.between(row.startedAt(), ended).toSeconds();
        double last = readings.lastSecond(row.id()).orElse(second);
        return new KilnController.Status(last, last, true, "", 1);
    }
}
