package kilnryu.app.run;

import jakarta.annotation.PreDestroy;
import java.time.Clock;
import kilnryu.app.web.Watching;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Pages that watch a firing. */
@Component
class Watchers {
    private static final long LEAST_MS = 5_000;

    private final Watching watching;

    Watchers(FiringStore store, Clock clock) {
        watching = new Watching(store::mark, clock, LEAST_MS);
    }

    SseEmitter watch(long firing) {
        return watching.watch(firing);
    }

    @Scheduled(fixedDelay = 1_000, scheduler = "pageScheduler")
    void tell() {
        watching.tell();
    }

    @PreDestroy
    void close() {
        watching.close();
    }
}
