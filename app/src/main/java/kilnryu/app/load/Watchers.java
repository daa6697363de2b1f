package kilnryu.app.load;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Pages that watch a firing: each is told when something was measured or happened, whichever node took it in. */
@Component
class Watchers {
    private static final long LONGEST_MS = 30 * 60_000L;

    private static final long LEAST_MS = 5_000;

    private final FiringStore store;
    private final Clock clock;
    private final Map<Long, List<SseEmitter>> pages = new ConcurrentHashMap<>();
    private final Map<Long, String> told = new ConcurrentHashMap<>();

    Watchers(FiringStore store, Clock clock) {
        this.store = store;
        this.clock = clock;
    }

    SseEmitter watch(long firing) {
        SseEmitter page = new SseEmitter(LONGEST_MS);
        List<SseEmitter> all = pages.computeIfAbsent(firing, f -> new CopyOnWriteArrayList<>());
        all.add(page);
        Runnable gone = () -> all.remove(page);
        page.onCompletion(gone);
        page.onTimeout(page::complete);
        page.onError(e -> gone.run());
        return page;
    }

    @Scheduled(fixedDelay = 1_000)
    void tell() {
        pages.forEach((firing, all) -> {
            if (all.isEmpty()) {
                return;
            }
            // a kiln that is silent has to be looked at too
            String mark = store.mark(firing) + "-" + clock.millis() / LEAST_MS;
            if (!mark.equals(told.put(firing, mark))) {
                all.forEach(p -> send(p, mark));
            }
        });
    }

    /** Lets go of all pages, so that a stop need not wait for them. */
    @PreDestroy
    void close() {
        pages.values().forEach(all -> all.forEach(SseEmitter::complete));
    }

    private static void send(SseEmitter page, String mark) {
        try {
            page.send(SseEmitter.event().name("now").data(mark));
        } catch (IOException | IllegalStateException e) {
            page.completeWithError(e);
        }
    }
}
