package kilnryu.app.foresight;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.concurrent.CancellationException;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;

/** Many cells one after another, few beside them. */
class CellRoomTest {
    @Test
    void asManyAsTheMemoryBears() {
        // 35 % of 1 GiB at 110 bytes each
        assertThat(CellRoom.most(1L << 30)).isEqualTo(3_435_973);
        assertThat(CellRoom.most(1L << 36)).isEqualTo(8_000_000);
        assertThat(CellRoom.tooMany()).contains("cells at most");
    }

    @Test
    void manyWaitForEachOtherFewDoNot() throws Exception {
        ExecutorService threads = Executors.newFixedThreadPool(3);
        CountDownLatch in = new CountDownLatch(1);
        CountDownLatch go = new CountDownLatch(1);
        CountDownLatch asked = new CountDownLatch(1);
        try {
            Future<String> first = threads.submit(() -> CellRoom.alone(1_000_000, s -> {}, () -> {
                in.countDown();
                try {
                    go.await();
                } catch (InterruptedException e) {
                    throw new IllegalStateException(e);
                }
                return "first";
            }));
            in.await();
            assertThat(CellRoom.<String>alone(20_000, s -> {}, () -> "few")).isEqualTo("few");
            Future<String> second =
                    threads.submit(() -> CellRoom.alone(1_000_000, s -> asked.countDown(), () -> "second"));
            assertThatThrownBy(() -> CellRoom.alone(
                            1_000_000,
                            s -> {
                                throw new CancellationException("stopped");
                            },
                            () -> "third"))
                    .isInstanceOf(CancellationException.class);
            assertThat(second.isDone()).isFalse();
            asked.await();
            go.countDown();
            assertThat(first.get()).isEqualTo("first");
            assertThat(second.get()).isEqualTo("second");
        } finally {
            threads.shutdownNow();
        }
    }
}
