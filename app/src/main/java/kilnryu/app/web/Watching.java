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
        pages.compute(id, (f, open) -> {
            List<SseEmitter> all = open == null ? new CopyOnWriteArrayList<>() : open;
            all.add(page);
            return all;
        });
        Runnable gone = () -> left(id, page);
        page.onCompletion(gone);
        page.onTimeout(page::complete);
        page.onError(e -> gone.run());
        return page;
    }

    /** A page watches no longer. */
    void left(long id, SseEmitter page) {
        pages.computeIfPresent(id, (f, open) -> {
            open.remove(page);
            return open.isEmpty() ? null : open;
        });
    }

    /** Looks whether anything happened, and says so. */
    public void tell() {
        pages.forEach((id, all) -> {
            // what is silent has to be looked at too
            String mark = marks.apply(id) + "-" + clock.millis() / leastMs;
            if (!mark.equals(told.put(id, mark))) {
                all.forEach(p -> send(p, mark));
            }
        });
        told.keySet().retainAll(pages.keySet());
    }

    /** How many things are watched; nothing is remembered of those that nobody watches any more. */
    int watched() {
        return Math.max(pages.size(), told.size());
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
