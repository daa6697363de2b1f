package kilnryu.app.simulation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import kilnryu.core.kiln.Watch;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/** Each question once, studios in turn, and a way out. */
@Timeout(60)
class SimulationsTest {
    private static final long ONE = 1;
    private static final long OTHER = 2;

    private final Simulations simulations = new Simulations(Clock.systemUTC(), 1);

    @AfterEach
    void close() {
        simulations.close();
    }

    /** A question that can be held, and counts how often it is answered. */
    private static final class Held implements Question<String> {
        private final String name;
        private final int weight;
        private final AtomicInteger answered = new AtomicInteger();
        private final CountDownLatch begun = new CountDownLatch(1);
        private final CountDownLatch free;
        private final List<String> order;

        Held(String name, int weight, boolean free, List<String> order) {
            this.name = name;
            this.weight = weight;
            this.free = new CountDownLatch(free ? 0 : 1);
            this.order = order;
        }

        static Held free(String name) {
            return new Held(name, 1, true, Collections.synchronizedList(new ArrayList<>()));
        }

        static Held held(String name) {
            return new Held(name, 1, false, Collections.synchronizedList(new ArrayList<>()));
        }

        @Override
        public String answer(Watch watch) {
            answered.incrementAndGet();
            order.add(name);
            begun.countDown();
            double second = 0;
            while (free.getCount() > 0) {
                second += 3600;
                watch.at(second);
                pause();
            }
            return "answer to " + name;
        }

        private void pause() {
            try {
                free.await(5, TimeUnit.MILLISECONDS);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException(e);
            }
        }

        @Override
        public int weight() {
            return weight;
        }

        @Override
        public String words() {
            return name;
        }

        @Override
        public boolean equals(Object other) {
            return other instanceof Held h && name.equals(h.name);
        }

        @Override
        public int hashCode() {
            return name.hashCode();
        }
    }

    private CompletableFuture<String> ask(long studio, Held question) {
        return CompletableFuture.supplyAsync(() -> simulations.of(studio, question), r -> new Thread(r).start());
    }

    private void waiting(long studio, int many) throws InterruptedException {
        while (simulations.running(studio).size() < many) {
            Thread.sleep(2);
        }
    }

    @Test
    void whoAsksTheSameAtTheSameMomentWaitsForOneAnswer() throws Exception {
        Held first = Held.held("load");
        Held second = Held.held("load");
        CompletableFuture<String> a = ask(ONE, first);
        first.begun.await();
        CompletableFuture<String> b = ask(OTHER, second);
        first.free.countDown();
        assertThat(a.get()).isEqualTo("answer to load");
        assertThat(b.get()).isEqualTo("answer to load");
        assertThat(first.answered.get() + second.answered.get()).isEqualTo(1);
        assertThat(simulations.known(Held.free("load"))).contains("answer to load");
        assertThat(simulations.running(ONE)).isEmpty();
    }

    @Test
    void aStudioThatAsksForMuchWaitsBehindItself() throws Exception {
        List<String> order = Collections.synchronizedList(new ArrayList<>());
        Held running = new Held("running", 1, false, order);
        List<CompletableFuture<String>> all = new ArrayList<>();
        all.add(ask(ONE, running));
        running.begun.await();
        for (int i = 1; i <= 3; i++) {
            all.add(ask(ONE, new Held("one's " + i, 1, true, order)));
            waiting(ONE, i + 1);
        }
        all.add(ask(OTHER, new Held("the other's", 1, true, order)));
        waiting(OTHER, 1);
        running.free.countDown();
        for (CompletableFuture<String> answer : all) {
            answer.get();
        }
        assertThat(order.indexOf("the other's")).isLessThan(order.indexOf("one's 2"));
        assertThat(order).containsSubsequence("one's 1", "one's 2", "one's 3");
    }

    @Test
    void whatRunsSaysHowFarItIsAndCanBeStopped() throws Exception {
        Held long1 = Held.held("long");
        CompletableFuture<String> answer = ask(ONE, long1);
        long1.begun.await();
        while (simulations.running(ONE).get(0).hours() < 2) {
            Thread.sleep(2);
        }
        Simulations.Running running = simulations.running(ONE).get(0);
        assertThat(running.words()).isEqualTo("long");
        assertThat(simulations.running(OTHER)).isEmpty();
        assertThat(simulations.stop(OTHER, running.id())).as("not theirs").isFalse();
        assertThat(simulations.stop(ONE, running.id())).isTrue();
        assertThatThrownBy(answer::join).hasCauseInstanceOf(Stopped.class);
        assertThat(simulations.running(ONE)).isEmpty();
        assertThat(simulations.of(ONE, Held.free("long"))).as("asked again").isEqualTo("answer to long");
    }

    @Test
    void whatWaitsCanBeStoppedBeforeItsTurn() throws Exception {
        Held running = Held.held("running");
        ask(ONE, running);
        running.begun.await();
        Held waits = Held.free("waits");
        CompletableFuture<String> answer = ask(ONE, waits);
        waiting(ONE, 2);
        assertThat(simulations.stop(ONE, simulations.running(ONE).get(1).id())).isTrue();
        assertThatThrownBy(answer::join).hasCauseInstanceOf(Stopped.class);
        assertThat(waits.answered.get()).isZero();
        running.free.countDown();
    }

    /** Two studios wait for one answer: the first may think better of it, the other still gets its answer. */
    @Test
    void nobodyStopsWhatAnotherStudioAsked() throws Exception {
        Held first = Held.held("load");
        CompletableFuture<String> mine = ask(ONE, first);
        first.begun.await();
        CompletableFuture<String> theirs = ask(OTHER, Held.free("load"));
        Thread.sleep(30);
        simulations.stop(ONE, simulations.running(ONE).get(0).id());
        assertThatThrownBy(mine::join).hasCauseInstanceOf(Stopped.class);
        assertThat(theirs.get()).isEqualTo("answer to load");
    }

    @Test
    void aFailureIsToldToWhoAskedAndNotKept() {
        Question<String> fails = new Question<>() {
            private int times;

            @Override
            public String answer(Watch watch) {
                if (times++ == 0) {
                    throw new IllegalArgumentException("no mold");
                }
                return "now";
            }

            @Override
            public String words() {
                return "fails once";
            }
        };
        assertThatThrownBy(() -> simulations.of(ONE, fails)).isInstanceOf(IllegalArgumentException.class);
        assertThat(simulations.of(ONE, fails)).isEqualTo("now");
    }

    @Test
    void whatWeighsTooMuchTogetherIsForgotten() {
        for (int i = 0; i < 40; i++) {
            simulations.of(ONE, new Held("heavy " + i, 100, true, new ArrayList<>()));
        }
        simulations.forget();
        long kept = 0;
        for (int i = 0; i < 40; i++) {
            kept += simulations.known(Held.free("heavy " + i)).isPresent() ? 1 : 0;
        }
        assertThat(kept).isBetween(20L, 30L);
    }

    @Test
    void anAnswerMayAskForAnother() {
        Question<String> outer = new Question<>() {
            @Override
            public String answer(Watch watch) {
                return "in it the " + simulations.of(ONE, Held.free("inner"));
            }

            @Override
            public String words() {
                return "outer";
            }
        };
        assertThat(simulations.of(ONE, outer)).isEqualTo("in it the answer to inner");
    }

    @Test
    void ofStudiosThatDoNotWaitNothingIsRemembered() {
        Turns turns = new Turns();
        Turns.Turn a = turns.take(ONE);
        Turns.Turn b = turns.take(ONE);
        Turns.Turn c = turns.take(OTHER);
        assertThat(b.round()).isGreaterThan(a.round());
        assertThat(c.round()).isEqualTo(a.round());
        turns.serve(a);
        turns.leave(b);
        turns.serve(c);
        assertThat(turns.studios()).isZero();
    }
}
