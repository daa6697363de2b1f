package kilnryu.app.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.time.Duration;
import java.util.HexFormat;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** A sign-in does not last for ever, however busy it is kept; and each knows from where it came. */
@Component
@Order(Ordered.LOWEST_PRECEDENCE - 1000)
class SignedIn extends OncePerRequestFilter {
    static final String FROM = "signed_in_from";
    private static final int LONGEST = 120;

    private final Clock clock;
    private final Duration longest;

    SignedIn(Clock clock, @Value("${kilnryu.session.longest:30d}") Duration longest) {
        this.clock = clock;
        this.longest = longest;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getUserPrincipal() != null) {
            request.setAttribute(SecurityTrail.WHO, request.getUserPrincipal().getName());
        }
        HttpSession session = request.getSession(false);
        if (session != null && session.getCreationTime() + longest.toMillis() < clock.millis()) {
            session.invalidate();
            if (request.getHeader("HX-Request") != null) {
                response.setHeader("HX-Redirect", request.getContextPath() + "/login?again");
                response.setStatus(HttpServletResponse.SC_UNAUTHORIZED);
            } else {
                response.sendRedirect(request.getContextPath() + "/login?again");
            }
            return;
        }
        chain.doFilter(request, response);
    }

    /** What a browser says of itself, in a line; and where it stands. */
    static String from(HttpServletRequest request) {
        String agent = request.getHeader("User-Agent");
        String plain = (agent == null ? "" : agent).replaceAll("[^\\x20-\\x7e]", "");
        String system = plain.contains("Android")
                ? "Android"
                : plain.contains("iPhone") || plain.contains("iPad")
                        ? "iOS"
                        : plain.contains("Windows")
                                ? "Windows"
                                : plain.contains("Mac OS") ? "macOS" : plain.contains("Linux") ? "Linux" : "a program";
        String from = request.getRemoteAddr() + ", " + system;
        return from.length() > LONGEST ? from.substring(0, LONGEST) : from;
    }

    /** Names a session on a page without giving it away. */
    static String key(String session) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(session.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest, 0, 12);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
