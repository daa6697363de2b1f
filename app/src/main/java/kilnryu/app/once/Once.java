package kilnryu.app.once;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Collections;
import java.util.Enumeration;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.ThreadLocalRandom;
import kilnryu.app.account.Account;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.ContentCachingResponseWrapper;

/**
 * Counts a form once however often it is sent. Each form of a page carries a key; the key is written in one transaction
 * with all that the form does, so that either both are there or neither, whatever is killed in between. A second sending
 * waits for the first and is led where that one led. The same key with other words in it is another form: someone went
 * back and corrected.
 */
@Component
class Once extends OncePerRequestFilter {
    static final String KEY = "_once";
    private static final int LONGEST_KEY = 64;
    private static final int SELDOM = 200;

    private final SentFormStore forms;
    private final TransactionTemplate transaction;

    Once(SentFormStore forms, TransactionTemplate transaction) {
        this.forms = forms;
        this.transaction = transaction;
    }

    /** A key for a form that is about to be shown. */
    static String key() {
        return UUID.randomUUID().toString();
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !request.getMethod().equals("POST") || isMultipart(request);
    }

    /** A file is kept or not by its own handler; a form beside it may be sent again. */
    private static boolean isMultipart(HttpServletRequest request) {
        String type = request.getContentType();
        return type != null && type.startsWith("multipart/");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        HttpServletRequest plain = new WithoutKey(request);
        Optional<SentFormStore.Sent> form = isSent(request) ? form(request) : Optional.empty();
        if (form.isEmpty()) {
            chain.doFilter(plain, response);
            return;
        }
        ContentCachingResponseWrapper answer = new ContentCachingResponseWrapper(response);
        try {
            transaction.executeWithoutResult(t -> {
                try {
                    boolean stays = once(form.get(), plain, answer, chain);
                    // what came late or was refused deeper down has undone itself and is not sent again
                    if (!stays || t.isRollbackOnly()) {
                        t.setRollbackOnly();
                    }
                } catch (ServletException | IOException e) {
                    throw new Undone(e);
                }
            });
        } catch (Undone e) {
            if (e.getCause() instanceof IOException io) {
                throw io;
            }
            throw (ServletException) e.getCause();
        }
        // nothing is said before all of it is kept
        answer.copyBodyToResponse();
    }

    /** A failure that undoes what was written. */
    private static final class Undone extends RuntimeException {
        private static final long serialVersionUID = 1L;

        Undone(Exception cause) {
            super(cause);
        }
    }

    /** @return whether what was done stays */
    private boolean once(
            SentFormStore.Sent form, HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (ThreadLocalRandom.current().nextInt(SELDOM) == 0) {
            forms.forget();
        }
        if (!forms.first(form)) {
            response.sendRedirect(forms.led(form).orElse(request.getContextPath() + "/"));
            return true;
        }
        chain.doFilter(request, response);
        HttpStatus status = HttpStatus.resolve(response.getStatus());
        if (status == null || status.is5xxServerError()) {
            return false;
        }
        if (status.is3xxRedirection()) {
            forms.done(form, response.getHeader(HttpHeaders.LOCATION));
        } else {
            forms.release(form);
        }
        return true;
    }

    /** Sent by a person from a page, and not asked by a script while something is being typed. */
    private static boolean isSent(HttpServletRequest request) {
        String mode = request.getHeader("Sec-Fetch-Mode");
        return request.getHeader("HX-Request") == null && (mode == null || mode.equals("navigate"));
    }

    private static Optional<SentFormStore.Sent> form(HttpServletRequest request) {
        String key = request.getParameter(KEY);
        Authentication signedIn = SecurityContextHolder.getContext().getAuthentication();
        return key == null
                        || key.isEmpty()
                        || key.length() > LONGEST_KEY
                        || signedIn == null
                        || !(signedIn.getPrincipal() instanceof Account account)
                ? Optional.empty()
                : Optional.of(new SentFormStore.Sent(account.id(), key, digest(request)));
    }

    private static String digest(HttpServletRequest request) {
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            digest.update(request.getRequestURI().getBytes(StandardCharsets.UTF_8));
            new TreeMap<>(request.getParameterMap()).forEach((name, values) -> {
                if (!name.equals(KEY) && !name.equals("_csrf")) {
                    for (String value : values) {
                        digest.update((byte) 0);
                        digest.update(name.getBytes(StandardCharsets.UTF_8));
                        digest.update((byte) 1);
                        digest.update(value.getBytes(StandardCharsets.UTF_8));
                    }
                }
            });
            return HexFormat.of().formatHex(digest.digest());
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The form as its handler asked for it. */
    private static final class WithoutKey extends HttpServletRequestWrapper {
        WithoutKey(HttpServletRequest request) {
            super(request);
        }

        @Override
        public String getParameter(String name) {
            return name.equals(KEY) ? null : super.getParameter(name);
        }

        @Override
        public String[] getParameterValues(String name) {
            return name.equals(KEY) ? null : super.getParameterValues(name);
        }

        @Override
        public Map<String, String[]> getParameterMap() {
            Map<String, String[]> all = super.getParameterMap();
            if (!all.containsKey(KEY)) {
                return all;
            }
            Map<String, String[]> rest = new LinkedHashMap<>(all);
            rest.remove(KEY);
            return rest;
        }

        @Override
        public Enumeration<String> getParameterNames() {
            return Collections.enumeration(getParameterMap().keySet());
        }
    }
}
