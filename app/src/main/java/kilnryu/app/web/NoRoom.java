package kilnryu.app.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** On a full disk nothing is taken in, and that is said; what is there can be read, and questions are answered. */
@Component
@Order(Ordered.LOWEST_PRECEDENCE - 900)
class NoRoom extends OncePerRequestFilter {
    private static final Set<String> ALWAYS = Set.of("/login", "/logout");

    private final Room room;

    NoRoom(Room room) {
        this.room = room;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        String address =
                request.getRequestURI().substring(request.getContextPath().length());
        boolean reads = Set.of("GET", "HEAD", "OPTIONS").contains(request.getMethod());
        return reads || ALWAYS.contains(address) || address.startsWith("/api/compute/");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (!room.fits(request.getContentLengthLong())) {
            response.sendError(HttpStatus.INSUFFICIENT_STORAGE.value());
        } else {
            chain.doFilter(request, response);
        }
    }
}
