package kilnryu.app.load;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import kilnryu.app.device.KilnController;
import kilnryu.app.load.FiringStore.Measured;
import kilnryu.core.burnout.HeldProgram;
import kilnryu.core.burnout.Progress;
import kilnryu.core.kiln.KilnRun;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.EnableScheduling;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Firings that run: takes what the controllers report into the log, in one transaction with how they then stand, so that
 * nothing is lost or comes twice; and reckons how each firing stands.
 */
@Service
@EnableScheduling
class Runs {
    private static final Logger LOG = LoggerFactory.getLogger(Runs.class);
    static final int DRAWN_PARTS = 420;
    private static final int MOST_KEPT = 40;

    private final FiringStore store;
    private final KilnController controller;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final Map<Long, HeldProgram> planned = lately();
    private final Map<String, Standing> standings = lately();

    Runs(FiringStore store, KilnController controller, TransactionTemplate transaction, Clock clock) {
        this.store = store;
        this.controller = controller;
        this.transaction = transaction;
        this.clock = clock;
    }

    private static <K, V> Map<K, V> lately() {
        return Collections.synchronizedMap(new LinkedHashMap<>(16, 0.75f, true) {
            private static final long serialVersionUID = 1L;

            @Override
            protected boolean removeEldestEntry(Map.Entry<K, V> eldest) {
                return size() > MOST_KEPT;
            }
        });
    }

    /** How a firing stands. */
    record Standing(
            KilnController.Status status, Measured measured, Progress progress, HeldProgram plan, double second) {}

    /** Whatever runs anywhere is asked for its readings; a row that another node has is left to it. */
    @Scheduled(fixedDelay = 1_000)
    void listen() {
        for (long id : store.running()) {
            try {
                hear(id);
            } catch (RuntimeException e) {
                LOG.warn("the controller of firing {} could not be heard: {}", id, e.toString());
            }
        }
    }

    /** Takes in what a controller has to report. */
    KilnController.Status hear(long id) {
        return transaction.execute(t -> {
            KilnController.Report report = controller.report(id, clock.instant());
            Map<Double, Double> samples = new LinkedHashMap<>();
            report.fresh().forEach(r -> r.celsius().ifPresent(c -> samples.put(r.second(), c)));
            if (!samples.isEmpty()) {
                store.reported(id, samples);
            }
            return report.status();
        });
    }

    /** The plan as it was frozen, simulated once. */
    HeldProgram plan(FiringStore.Row row) {
        return planned.computeIfAbsent(row.id(), id -> {
            Frozen frozen = row.frozen().orElseThrow();
            return HeldProgram.of(frozen.segments(), frozen.question(KilnRun.Detail.QUICK, false));
        });
    }

    Standing standing(FiringStore.Row row) {
        KilnController.Status status = row.running() ? hear(row.id()) : done(row);
        return standings.computeIfAbsent(row.id() + " " + store.mark(row.id()) + " " + status.second(), k -> {
            Frozen frozen = row.frozen().orElseThrow();
            Measured measured = store.measured(row.id(), DRAWN_PARTS);
            double last = measured.samples().isEmpty()
                    ? 0
                    : measured.samples().get(measured.samples().size() - 1).second();
            double second = Math.max(status.second(), last);
            double into = row.running() ? status.into() : frozen.minutes() * 60;
            Progress progress = Progress.of(
                    frozen.question(KilnRun.Detail.QUICK, row.running()),
                    new Progress.State(frozen.segments(), measured.samples(), second, into, frozen.limits()));
            return new Standing(status, measured, progress, plan(row), second);
        });
    }

    private KilnController.Status done(FiringStore.Row row) {
        Instant ended = row.endedAt() == null ? clock.instant() : row.endedAt();
        double second = Duration.between(row.startedAt(), ended).toSeconds();
        double last = store.lastSecond(row.id()).orElse(second);
        return new KilnController.Status(last, last, true, "", 1);
    }
}
