package kilnryu.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.springframework.web.util.UriComponentsBuilder;

/** A list that may be long, page by page. */
class ListPageTest {
    private static ListPage<Integer> page(int number, int rows, String address) {
        List<Integer> all = IntStream.rangeClosed(1, rows).boxed().toList();
        return ListPage.of(
                number,
                span -> all.stream().skip(span.from()).limit(span.most()).toList(),
                UriComponentsBuilder.fromUriString(address));
    }

    @Test
    void aShortListHasNoOtherPage() {
        ListPage<Integer> short1 = page(1, 50, "/firings");
        assertThat(short1.rows()).hasSize(50);
        assertThat(short1.alone()).isTrue();
        assertThat(page(1, 0, "/firings").alone()).isTrue();
    }

    @Test
    void aLongOneGoesOnWithAllElseItWasAsked() {
        ListPage<Integer> second = page(2, 120, "/trees?q=maple%20keys&page=2&sort=name");
        assertThat(second.rows()).startsWith(51).endsWith(100).hasSize(50);
        assertThat(second.first()).isEqualTo(51);
        assertThat(second.last()).isEqualTo(100);
        assertThat(second.before()).isEqualTo("/trees?q=maple%20keys&sort=name&page=1");
        assertThat(second.after()).isEqualTo("/trees?q=maple%20keys&sort=name&page=3");
        assertThat(second.map(n -> "n" + n).rows()).contains("n77");
    }

    @Test
    void theLastPageEnds() {
        ListPage<Integer> last = page(3, 120, "/firings");
        assertThat(last.rows()).hasSize(20);
        assertThat(last.before()).isEqualTo("/firings?page=2");
        assertThat(last.after()).isEmpty();
    }

    @Test
    void beyondTheEndIsThePageBefore() {
        ListPage<Integer> beyond = page(9, 120, "/firings");
        assertThat(beyond.rows()).isEmpty();
        assertThat(beyond.before()).isEqualTo("/firings?page=8");
    }
}
