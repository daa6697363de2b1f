package kilnryu.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Function;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/** What is asked once while a page is made, and where it is asked anew. */
class InRequestTest {
    private final AtomicInteger asked = new AtomicInteger();

    @AfterEach
    void gone() {
        RequestContextHolder.resetRequestAttributes();
    }

    private static void page(String method) {
        RequestContextHolder.setRequestAttributes(
                new ServletRequestAttributes(new MockHttpServletRequest(method, "/trees")));
    }

    private int ask(String key) {
        return InRequest.once(key, asked::incrementAndGet);
    }

    @Test
    void aPageThatReadsAsksOnceForEachKey() {
        page("GET");
        assertThat(ask("a")).isEqualTo(1);
        assertThat(ask("a")).isEqualTo(1);
        assertThat(ask("b")).isEqualTo(2);
        // the next page asks anew
        page("GET");
        assertThat(ask("a")).isEqualTo(3);
    }

    @Test
    void whatWritesAndWhatHasNoPageAsksAnew() {
        page("POST");
        assertThat(ask("a")).isEqualTo(1);
        assertThat(ask("a")).isEqualTo(2);
        RequestContextHolder.resetRequestAttributes();
        InRequest.know("a", 7);
        assertThat(ask("a")).isEqualTo(3);
    }

    @Test
    void nothingFoundIsKnownToo() {
        page("GET");
        assertThat(InRequest.<Object>once("none", () -> null)).isNull();
        assertThat(InRequest.<Object>once("none", asked::incrementAndGet)).isNull();
        InRequest.know("seen", 5);
        InRequest.know("seen", 6);
        assertThat(ask("seen")).isEqualTo(5);
        assertThat(asked).hasValue(0);
    }

    @Test
    void manyAreAskedForAtOnceAndOnlyThoseThatAreNotKnown() {
        page("GET");
        InRequest.know("mold 1", "known");
        List<List<Long>> questions = new ArrayList<>();
        Function<List<Long>, Map<Long, String>> ask = ids -> {
            questions.add(ids);
            return Map.of(2L, "two");
        };
        InRequest.foresee("mold ", List.of(1L, 2L, 3L, 2L), "none", ask);
        InRequest.foresee("mold ", List.of(3L, 2L), "none", ask);
        assertThat(questions).containsExactly(List.of(2L, 3L));
        assertThat(InRequest.<String>known("mold 1")).contains("known");
        assertThat(InRequest.<String>known("mold 2")).contains("two");
        assertThat(InRequest.<String>known("mold 3")).contains("none");
        page("POST");
        InRequest.foresee("mold ", List.of(9L), "none", ask);
        assertThat(questions).hasSize(1);
        assertThat(InRequest.known("mold 9")).isEmpty();
        assertThat(InRequest.reading()).isFalse();
    }

    @Test
    void whatAPageWritesByTheWayIsKnownFromThenOn() {
        page("GET");
        assertThat(ask("hours")).isEqualTo(1);
        InRequest.renew("hours", 7);
        assertThat(ask("hours")).isEqualTo(7);
        page("POST");
        InRequest.renew("hours", 9);
        assertThat(ask("hours")).isEqualTo(2);
    }
}
