package kilnryu.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import java.io.IOException;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.jdbc.CannotGetJdbcConnectionException;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

/** A database that is away is told from a failure of ours. */
class AwayTest {
    @ParameterizedTest
    @CsvSource({
        "08000, true",
        "08001, true",
        "08006, true",
        "57P01, true",
        "57P02, true",
        "57P03, true",
        "57014, false",
        "23505, false",
        "42P01, false"
    })
    void byTheStateOfTheFailure(String state, boolean away) {
        SQLException failure = new SQLException("it failed", state);
        assertThat(Away.isAway(failure)).isEqualTo(away);
        assertThat(Away.isAway(new IllegalStateException(new RuntimeException(failure))))
                .isEqualTo(away);
    }

    @Test
    void whenNoConnectionIsToBeHad() {
        assertThat(Away.isAway(
                        new CannotGetJdbcConnectionException("none", new SQLTransientConnectionException("timed out"))))
                .isTrue();
        assertThat(Away.isAway(new IllegalStateException("ours"))).isFalse();
        assertThat(Away.isAway(new SQLException("no state"))).isFalse();
    }

    private static MockHttpServletResponse asked(String method, String address, FilterChain chain)
            throws ServletException, IOException {
        MockHttpServletResponse response = new MockHttpServletResponse();
        new Away().doFilter(new MockHttpServletRequest(method, address), response, chain);
        return response;
    }

    private static final FilterChain GONE = (request, response) -> {
        throw new ServletException(new SQLTransientConnectionException("timed out"));
    };

    @Test
    void aPageOfOurOwn() throws Exception {
        MockHttpServletResponse page = asked("GET", "/trees", GONE);
        assertThat(page.getStatus()).isEqualTo(503);
        assertThat(page.getHeader("Retry-After")).isEqualTo("5");
        assertThat(page.getContentAsString())
                .contains("The database is away", "Nothing you saved is lost", "/js/away.js");
        assertThat(page.getContentAsString()).doesNotContain("data-sent");
        assertThat(asked("POST", "/trees/0/tree", GONE).getContentAsString()).contains("data-sent=\"yes\"");
        MockHttpServletResponse program = asked("POST", "/api/compute/tree", GONE);
        assertThat(program.getContentType()).startsWith("application/problem+json");
        assertThat(program.getContentAsString()).contains("\"status\":503");
    }

    @Test
    void whatIsOursIsNotCalledAway() {
        assertThatThrownBy(() -> asked("GET", "/trees", (request, response) -> {
                    throw new ServletException(new IllegalStateException("ours"));
                }))
                .isInstanceOf(ServletException.class);
        assertThatThrownBy(() -> asked("GET", "/trees", (request, response) -> {
                    response.flushBuffer();
                    throw new ServletException(new SQLTransientConnectionException("timed out"));
                }))
                .isInstanceOf(ServletException.class);
    }

    @Test
    void whatWorksPassesThrough() throws Exception {
        MockHttpServletResponse page = asked(
                "GET", "/trees", (request, response) -> response.getWriter().write("fine"));
        assertThat(page.getContentAsString()).isEqualTo("fine");
    }
}
