package kilnryu.app.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.regex.Pattern;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** A log of its own: who signed in and failed to, what was taken out, what was refused. It holds no password. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 15)
class SecurityTrail extends OncePerRequestFilter {
    /** Under which a request carries its login, once it is known. */
    static final String WHO = SecurityTrail.class.getName() + ".who";

    private static final Logger LOG = LoggerFactory.getLogger("security");
    private static final Pattern EXPORT = Pattern.compile(".*(\\.(csv|json|pdf|svg|ics)|/export)");

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        chain.doFilter(request, response);
        int status = response.getStatus();
        String address =
                request.getRequestURI().substring(request.getContextPath().length());
        Object login = request.getAttribute(WHO);
        String who = login == null ? "-" : login.toString();
        if (status == 403
                || status == 429
                || status == 400
                || status == 401 && request.getHeader("Authorization") != null) {
            said("refused " + status + " " + request.getMethod(), who, request.getRemoteAddr(), address);
        } else if (status == 200
                && request.getMethod().equals("GET")
                && !who.equals("-")
                && EXPORT.matcher(address).matches()
                && !address.startsWith("/api/")) {
            said("export", who, request.getRemoteAddr(), address);
        }
    }

    static void said(String what, String who, String from, String more) {
        LOG.info("{} login={} from={} {}", what, plain(who), plain(from), plain(more));
    }

    /** One line of plain words, whatever was sent. */
    private static String plain(String text) {
        String words = text.replaceAll("[^\\x21-\\x7e]+", "_");
        return words.length() > 200 ? words.substring(0, 200) : words;
    }
}
