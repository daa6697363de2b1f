package kilnryu.app.pour;

import jakarta.annotation.PreDestroy;
import java.time.Clock;
import kilnryu.app.web.Watching;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Phones and screens at a pour: all see the same state within a second. */
@Component
class PourWatchers {
    private static final long LEAST_MS = 5_000;

    private final Watching watching;

    PourWatchers(PourStore store, Clock clock) {
        watching = new Watching(store::mark, clock, LEAST_MS);
    }

    SseEmitter watch(long pour) {
        return watching.watch(pour);
    }

    @Scheduled(fixedDelay = 400, scheduler = "pageScheduler")
    void tell() {
        watching.tell();
    }

    @PreDestroy
    void close() {
        watching.close();
    }
}
