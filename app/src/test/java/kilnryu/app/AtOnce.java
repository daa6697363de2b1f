package kilnryu.app;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;

/** Several fingers on one button. */
final class AtOnce {
    private AtOnce() {}

    static <T> List<T> times(int times, Callable<T> tap) throws Exception {
        List<Callable<T>> taps = new ArrayList<>();
        for (int i = 0; i < times; i++) {
            taps.add(tap);
        }
        return all(taps);
    }

    static <T> List<T> all(List<Callable<T>> taps) throws Exception {
        ExecutorService fingers = Executors.newFixedThreadPool(taps.size());
        try {
            CountDownLatch go = new CountDownLatch(1);
            List<Future<T>> down = new ArrayList<>();
            for (Callable<T> tap : taps) {
                down.add(fingers.submit(() -> {
                    go.await();
                    return tap.call();
                }));
            }
            go.countDown();
            List<T> answers = new ArrayList<>();
            for (Future<T> tap : down) {
                answers.add(tap.get());
            }
            return answers;
        } finally {
            fingers.shutdownNow();
        }
    }
}
