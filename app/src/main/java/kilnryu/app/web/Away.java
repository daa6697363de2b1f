package kilnryu.app.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLTransientConnectionException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * The database is away: said within seconds on a page that needs nothing of it, and that goes on by itself when the
 * database is back.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
public class Away extends OncePerRequestFilter {
    private static final int RETRY_S = 5;
    private final String page;

    Away() throws IOException {
        page = new ClassPathResource("static/away.html").getContentAsString(StandardCharsets.UTF_8);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        try {
            chain.doFilter(request, response);
        } catch (ServletException | IOException | RuntimeException e) {
            if (!isAway(e) || response.isCommitted()) {
                throw e;
            }
            said(request, response);
        }
    }

    private void said(HttpServletRequest request, HttpServletResponse response) throws IOException {
        response.reset();
        response.setStatus(HttpStatus.SERVICE_UNAVAILABLE.value());
        response.setHeader(HttpHeaders.RETRY_AFTER, Integer.toString(RETRY_S));
        response.setHeader(HttpHeaders.CACHE_CONTROL, "no-store");
        response.setCharacterEncoding(StandardCharsets.UTF_8);
        if (request.getRequestURI().startsWith(request.getContextPath() + "/api/")) {
            response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
            response.getWriter()
                    .write("{\"type\":\"about:blank\",\"title\":\"The database is away\",\"status\":503,"
                            + "\"detail\":\"Nothing that was saved is lost. Ask again in some seconds.\"}");
            return;
        }
        response.setContentType(MediaType.TEXT_HTML_VALUE);
        boolean sent = request.getMethod().equals("POST");
        response.getWriter()
                .write(sent ? page.replace("<html lang=\"en\">", "<html lang=\"en\" data-sent=\"yes\">") : page);
    }

    /** Whether a failure comes of a database that cannot be reached, stops or starts. */
    public static boolean isAway(Throwable failure) {
        int deep = 0;
        for (Throwable cause = failure; cause != null && deep < 20; cause = cause.getCause(), deep++) {
            if (cause instanceof SQLTransientConnectionException
                    || cause instanceof SQLNonTransientConnectionException) {
                return true;
            }
            if (cause instanceof SQLException sql && sql.getSQLState() != null) {
                String state = sql.getSQLState();
                // connection failures; a server that shuts down, crashed, or cannot take connections now
                if (state.startsWith("08") || state.startsWith("57P")) {
                    return true;
                }
            }
        }
        return false;
    }
}
