package kilnryu.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.atomic.AtomicInteger;
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
}
