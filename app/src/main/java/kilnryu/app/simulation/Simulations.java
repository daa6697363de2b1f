package kilnryu.app.simulation;

import com.github.benmanes.caffeine.cache.AsyncCache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.Weigher;
import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ForkJoinPool;
import java.util.concurrent.ForkJoinTask;
import java.util.concurrent.PriorityBlockingQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import kilnryu.core.kiln.Watch;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Answers questions to the simulation. Equal questions are reckoned once, whoever asks, and their answers are kept until
 * they weigh too much. So many run at once as the machine has processors, in threads of their own; what one of them splits
 * among threads stays among these. Nothing gives up on a timer: what takes long says how far it is, and can be stopped.
 */
@Service
public class Simulations {
    private static final Logger LOG = LoggerFactory.getLogger(Simulations.class);

    /** About as many molds as answers are kept of, some tens of megabytes. */
    private static final int MOST_WEIGHT = 3_000;

    private static final int MOST_WAITING = 500;

    private final Clock clock;
    private final AsyncCache<Question<?>, Object> answers;
    private final Map<Long, Flight> flights = new ConcurrentHashMap<>();
    private final AtomicLong number = new AtomicLong();
    private final Turns turns = new Turns();
    private final ThreadPoolExecutor pool;
    private final ForkJoinPool shared;

    @Autowired
    Simulations(Clock clock) {
        this(clock, Runtime.getRuntime().availableProcessors());
    }

    Simulations(Clock clock, int atOnce) {
        this.clock = clock;
        Weigher<Question<?>, Object> weigher = (question, answer) -> question.weight();
        answers = Caffeine.newBuilder()
                .maximumWeight(MOST_WEIGHT)
                .weigher(weigher)
                .executor(Runnable::run)
                .buildAsync();
        shared = new ForkJoinPool(atOnce);
        pool = new ThreadPoolExecutor(atOnce, atOnce, 30, TimeUnit.SECONDS, new PriorityBlockingQueue<>(), runs -> {
            Thread thread = new Thread(runs, "simulation-" + number.incrementAndGet());
            thread.setDaemon(true);
            return thread;
        });
        pool.allowCoreThreadTimeOut(true);
    }

    /**
     * One that runs or waits.
     *
     * @param hours of what is simulated that are behind it
     * @param far the same in words
     */
    public record Running(long id, String words, double hours, String far, Duration since) {}

    /**
     * The answer, reckoned now unless it is known; waits for it.
     *
     * @param studio on whose behalf it is asked
     * @throws Stopped when someone of the studio stopped it
     * @throws Crowded when too many wait
     */
    public <A> A of(long studio, Question<A> question) {
        if (ForkJoinTask.getPool() == shared) {
            // asked by an answer on its way: it has a thread already, and must not wait for another
            return known(question).orElseGet(() -> question.answer(Watch.NOBODY));
        }
        if (TransactionSynchronizationManager.isActualTransactionActive()
                && known(question).isEmpty()) {
            LOG.debug("{} is simulated while a transaction waits", question.words());
        }
        while (true) {
            AtomicBoolean mine = new AtomicBoolean();
            CompletableFuture<Object> answer = answers.get(question, (q, executor) -> {
                mine.set(true);
                return ahead(studio, question);
            });
            if (!mine.get() && answer.isCompletedExceptionally()) {
                // what failed or was stopped before this was asked is no answer to it
                answers.asMap().remove(question, answer);
                continue;
            }
            try {
                return cast(answer.join());
            } catch (Stopped e) {
                if (e.studio() == studio) {
                    throw e;
                }
                // another studio asked the same and thought better of it
            } catch (CompletionException e) {
                throw e.getCause() instanceof RuntimeException r ? r : e;
            }
        }
    }

    /** The answer if it is known already. */
    public <A> Optional<A> known(Question<A> question) {
        CompletableFuture<Object> there = answers.getIfPresent(question);
        return there == null || !there.isDone() || there.isCompletedExceptionally()
                ? Optional.empty()
                : Optional.of(cast(there.join()));
    }

    /** What runs or waits for a studio, the longest first. */
    public List<Running> running(long studio) {
        Instant now = clock.instant();
        return flights.values().stream()
                .filter(f -> f.turn.studio() == studio)
                .sorted()
                .map(f -> new Running(
                        f.id, f.question.words(), f.hours, f.question.far(f.hours), Duration.between(f.asked, now)))
                .toList();
    }

    /** Stops one that runs or waits for a studio. */
    public boolean stop(long studio, long id) {
        Flight flight = flights.get(id);
        if (flight == null || flight.turn.studio() != studio) {
            return false;
        }
        flight.stopped = true;
        if (pool.remove(flight)) {
            turns.leave(flight.turn);
            flight.land(null, new Stopped(studio));
        }
        return true;
    }

    /** Lets go now of what weighs too much; it is let go by itself a little after it does. */
    void forget() {
        answers.synchronous().cleanUp();
    }

    @PreDestroy
    void close() {
        flights.values().forEach(f -> f.stopped = true);
        pool.shutdownNow();
        shared.shutdownNow();
    }

    private <A> CompletableFuture<Object> ahead(long studio, Question<A> question) {
        if (pool.getQueue().size() >= MOST_WAITING) {
            throw new Crowded();
        }
        Flight flight = new Flight(number.incrementAndGet(), turns.take(studio), question, clock.instant());
        flights.put(flight.id, flight);
        pool.execute(flight);
        return flight.answer;
    }

    @SuppressWarnings("unchecked")
    private static <A> A cast(Object answer) {
        return (A) answer;
    }

    /** A question on its way to its answer. */
    private final class Flight implements Runnable, Watch, Comparable<Flight> {
        private final long id;
        private final Turns.Turn turn;
        private final Question<?> question;
        private final Instant asked;
        private final CompletableFuture<Object> answer = new CompletableFuture<>();
        private volatile double hours;
        private volatile boolean stopped;

        Flight(long id, Turns.Turn turn, Question<?> question, Instant asked) {
            this.id = id;
            this.turn = turn;
            this.question = question;
            this.asked = asked;
        }

        @Override
        public void run() {
            turns.serve(turn);
            try {
                at(0);
                shared.submit(this::answered).join();
            } catch (RuntimeException | Error e) {
                land(null, e);
            }
        }

        /** In a thread of those that share the work of one answer; what it throws is told as it was thrown. */
        private void answered() {
            try {
                land(question.answer(this), null);
            } catch (RuntimeException | Error e) {
                land(null, e);
            }
        }

        private void land(Object found, Throwable failed) {
            flights.remove(id);
            if (failed == null) {
                answer.complete(found);
            } else {
                answer.completeExceptionally(failed);
            }
        }

        @Override
        public void at(double second) {
            hours = second / 3600;
            if (stopped) {
                throw new Stopped(turn.studio());
            }
        }

        @Override
        public int compareTo(Flight other) {
            return turn.compareTo(other.turn);
        }
    }
}
