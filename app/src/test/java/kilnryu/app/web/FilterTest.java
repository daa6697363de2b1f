package kilnryu.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpSession;

/** What a list was narrowed to is there at the next visit. */
class FilterTest {
    private final MockHttpSession session = new MockHttpSession();

    private String visited(String asked) {
        return Filter.stays(session, "trees.mark", asked, "", List.of("", "stop", "warn"));
    }

    @Test
    void itStaysUntilItIsChosenOtherwise() {
        assertThat(visited(null)).isEmpty();
        assertThat(visited("stop")).isEqualTo("stop");
        assertThat(visited(null)).isEqualTo("stop");
        assertThat(visited("")).isEmpty();
        assertThat(visited(null)).isEmpty();
    }

    @Test
    void whatIsNotKnownIsTheUsual() {
        visited("warn");
        assertThat(visited("'; drop table")).isEmpty();
        assertThat(visited(null)).isEmpty();
        session.setAttribute("filter.trees.mark", 17);
        assertThat(visited(null)).isEmpty();
    }

    @Test
    void listsDoNotShareIt() {
        visited("warn");
        assertThat(Filter.stays(session, "firings.state", null, "", List.of("", "warn")))
                .isEmpty();
    }
}
