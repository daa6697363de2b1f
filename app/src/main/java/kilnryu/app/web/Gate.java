package kilnryu.app.web;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * One gate before all handlers: characters that no keyboard makes and no database keeps are refused with a word, in
 * names and values alike. Line breaks and tabs are let through.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 20)
class Gate extends OncePerRequestFilter {

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getDispatcherType() == DispatcherType.REQUEST
                && request.getRequestURI().equals(request.getContextPath() + "/error")) {
            response.sendError(HttpStatus.NOT_FOUND.value());
        } else if (hasParameters(request) && unwritable(request.getParameterMap())) {
            response.sendError(HttpStatus.BAD_REQUEST.value());
        } else {
            chain.doFilter(request, response);
        }
    }

    /** What is sent as a file or as JSON is read by its own reader. */
    private static boolean hasParameters(HttpServletRequest request) {
        String type = request.getContentType();
        return type == null || type.startsWith("application/x-www-form-urlencoded");
    }

    private static boolean unwritable(Map<String, String[]> parameters) {
        for (Map.Entry<String, String[]> entry : parameters.entrySet()) {
            if (!isWritable(entry.getKey())) {
                return true;
            }
            for (String value : entry.getValue()) {
                if (!isWritable(value)) {
                    return true;
                }
            }
        }
        return false;
    }

    /** Whether a database can keep it and a page can show it. */
    public static boolean isWritable(String text) {
        for (int i = 0; text != null && i < text.length(); i++) {
            char c = text.charAt(i);
            if (c < ' ' && c != '\n' && c != '\r' && c != '\t') {
                return false;
            }
        }
        return true;
    }
}
