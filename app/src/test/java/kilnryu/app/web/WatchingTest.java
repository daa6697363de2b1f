package kilnryu.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.Test;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Pages that watch are told of each change once, of silence now and then, and let go when they are closed. */
class WatchingTest {
    private final AtomicReference<String> mark = new AtomicReference<>("1");
    private final AtomicReference<Instant> now = new AtomicReference<>(Instant.EPOCH);
    private final List<Long> asked = new ArrayList<>();
    private final Watching watching = new Watching(
            id -> {
                asked.add(id);
                return mark.get();
            },
            new Clock() {
                @Override
                public ZoneOffset getZone() {
                    return ZoneOffset.UTC;
                }

                @Override
                public Clock withZone(java.time.ZoneId zone) {
                    return this;
                }

                @Override
                public Instant instant() {
                    return now.get();
                }
            },
            1000);

    @Test
    void nothingIsLookedAtWhileNobodyWatches() {
        watching.tell();
        assertThat(asked).isEmpty();
    }

    @Test
    void eachThingIsLookedAtOnceForAllItsPages() {
        SseEmitter one = watching.watch(7);
        SseEmitter two = watching.watch(7);
        watching.watch(8);
        watching.tell();
        assertThat(asked).containsExactlyInAnyOrder(7L, 8L);
        assertThat(one).isNotSameAs(two);
        assertThat(one.getTimeout()).isEqualTo(30 * 60_000L);
    }

    @Test
    void aPageThatIsGoneDoesNotStopTheOthers() {
        SseEmitter gone = watching.watch(7);
        gone.complete();
        watching.watch(7);
        watching.tell();
        mark.set("2");
        watching.tell();
        now.set(Instant.EPOCH.plusSeconds(5));
        watching.tell();
        assertThat(asked).containsExactly(7L, 7L, 7L);
    }

    /** A studio watches some thousand firings in ten years: nothing of them stays. */
    @Test
    void ofWhatNobodyWatchesAnyMoreNothingIsRemembered() {
        SseEmitter page = watching.watch(7);
        watching.watch(8);
        watching.tell();
        assertThat(watching.watched()).isEqualTo(2);
        watching.left(7, page);
        watching.tell();
        assertThat(watching.watched()).isEqualTo(1);
        assertThat(asked).containsExactlyInAnyOrder(7L, 8L, 8L);
    }
}
