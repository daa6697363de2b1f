package kilnryu.app.web;

import java.io.IOException;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.LongFunction;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Pages that watch something: each is told when it changed, whichever node took the change in. */
public final class Watching {
    private static final long LONGEST_MS = 30 * 60_000L;

    private final LongFunction<String> marks;
    private final Clock clock;
    private final long leastMs;
    private final Map<Long, List<SseEmitter>> pages = new ConcurrentHashMap<>();
    private final Map<Long, String> told = new ConcurrentHashMap<>();

    /**
     * @param marks changes with whatever happens to the thing
     * @param leastMs they are told so often even when nothing happens
     */
    public Watching(LongFunction<String> marks, Clock clock, long leastMs) {
        this.marks = marks;
        this.clock = clock;
        this.leastMs = leastMs;
    }

    public SseEmitter watch(long id) {
        SseEmitter page = new SseEmitter(LONGEST_MS);
        List<SseEmitter> all = pages.computeIfAbsent(id, f -> new CopyOnWriteArrayList<>());
        all.add(page);
        Runnable gone = () -> all.remove(page);
        page.onCompletion(gone);
        page.onTimeout(page::complete);
        page.onError(e -> gone.run());
        return page;
    }

    /** Looks whether anything happened, and says so. */
    public void tell() {
        pages.forEach((id, all) -> {
            if (all.isEmpty()) {
                return;
            }
            // what is silent has to be looked at too
            String mark = marks.apply(id) + "-" + clock.millis() / leastMs;
            if (!mark.equals(told.put(id, mark))) {
                all.forEach(p -> send(p, mark));
            }
        });
    }

    /** Lets go of all pages, so that a stop need not wait for them. */
    public void close() {
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
