package kilnryu.app.web;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/**
 * What a page asks of the database more than once is asked once while it is made: a page that only reads sees one state of it.
 * Anything that writes, and any work without a page, asks anew each time.
 */
public final class InRequest {
    private static final String KNOWN = InRequest.class.getName();

    private InRequest() {}

    /** Whether a page is made that only reads. */
    public static boolean reading() {
        return known().isPresent();
    }

    /** @param key what is asked, with all that it depends on */
    @SuppressWarnings("unchecked")
    public static <T> T once(String key, Supplier<T> ask) {
        Optional<Map<String, Object>> known = known();
        if (known.isEmpty()) {
            return ask.get();
        }
        if (!known.get().containsKey(key)) {
            T answer = ask.get();
            known.get().put(key, answer);
            return answer;
        }
        return (T) known.get().get(key);
    }

    /** What is known already; empty where it was not asked. */
    @SuppressWarnings("unchecked")
    public static <T> Optional<T> known(String key) {
        return known().map(k -> (T) k.get(key));
    }

    /**
     * Asks at once for many that a page will ask for one by one.
     *
     * @param prefix of their keys, before the number
     * @param none what is known of those the answer leaves out
     * @param ask is given those that are not known yet
     */
    public static void foresee(
            String prefix, Collection<Long> ids, Object none, Function<List<Long>, ? extends Map<Long, ?>> ask) {
        Map<String, Object> known = known().orElse(null);
        if (known == null) {
            return;
        }
        List<Long> unknown = ids.stream()
                .distinct()
                .filter(id -> !known.containsKey(prefix + id))
                .toList();
        if (!unknown.isEmpty()) {
            Map<Long, ?> found = ask.apply(unknown);
            unknown.forEach(id -> known.put(prefix + id, found.containsKey(id) ? found.get(id) : none));
        }
    }

    /** What was asked for many at once: each of them is known from then on. */
    public static void know(String key, Object answer) {
        known().ifPresent(k -> k.putIfAbsent(key, answer));
    }

    /** What a page that reads wrote down by the way, such as what it had reckoned: known from then on in the place of what was. */
    public static void renew(String key, Object answer) {
        known().ifPresent(k -> k.put(key, answer));
    }

    /** Empty where nothing is kept: in what writes, and outside a page. */
    @SuppressWarnings("unchecked")
    private static Optional<Map<String, Object>> known() {
        RequestAttributes request = RequestContextHolder.getRequestAttributes();
        if (!(request instanceof ServletRequestAttributes page)
                || !page.getRequest().getMethod().equals("GET")) {
            return Optional.empty();
        }
        Map<String, Object> known = (Map<String, Object>) request.getAttribute(KNOWN, RequestAttributes.SCOPE_REQUEST);
        if (known == null) {
            known = new HashMap<>();
            request.setAttribute(KNOWN, known, RequestAttributes.SCOPE_REQUEST);
        }
        return Optional.of(known);
    }
}
