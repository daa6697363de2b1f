package kilnryu.app.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Base64;
import java.util.Optional;
import kilnryu.app.web.Frame;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.MediaType;
import org.springframework.security.authentication.DisabledException;
import org.springframework.security.authentication.LockedException;
import org.springframework.security.authentication.ProviderManager;
import org.springframework.security.config.Customizer;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.config.annotation.web.configurers.HeadersConfigurer;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.AuthenticationEntryPoint;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.AuthenticationSuccessHandler;
import org.springframework.security.web.authentication.LoginUrlAuthenticationEntryPoint;
import org.springframework.security.web.authentication.SavedRequestAwareAuthenticationSuccessHandler;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.XorCsrfTokenRequestAttributeHandler;
import org.springframework.security.web.savedrequest.CookieRequestCache;

/**
 * Two ways in: HTTP Basic without session under /api, a form with session elsewhere. The token against forged requests
 * lives in a cookie, so that a visit to the login form makes no session.
 */
@Configuration
class SecurityConfig {
    private static final String POLICY = "default-src 'self'; script-src 'self' 'sha256-" + hash(Frame.IMPORT_MAP)
            + "'; img-src 'self' data:; object-src 'none'; base-uri 'none'; "
            + "form-action 'self'; frame-ancestors 'none'";
    private static final String[] OPEN = {
        "/login",
        "/first",
        "/actuator/health/**",
        "/css/**",
        "/js/**",
        "/fonts/**",
        "/webjars/**",
        "/favicon.svg",
        "/sw.js",
        "/away.html",
        "/error"
    };

    @Bean
    PasswordEncoder passwordEncoder() {
        return new BCryptPasswordEncoder(10);
    }

    @Bean
    @Order(1)
    SecurityFilterChain api(HttpSecurity http, SignIn signIn) throws Exception {
        return http.securityMatcher("/api/**")
                .authenticationManager(new ProviderManager(signIn))
                .authorizeHttpRequests(a -> a.anyRequest().authenticated())
                .sessionManagement(s -> s.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .csrf(AbstractHttpConfigurer::disable)
                .requestCache(AbstractHttpConfigurer::disable)
                .headers(SecurityConfig::strict)
                .httpBasic(b -> b.authenticationEntryPoint(SecurityConfig::problem))
                .exceptionHandling(e -> e.authenticationEntryPoint(SecurityConfig::problem))
                .build();
    }

    @Bean
    @Order(2)
    SecurityFilterChain pages(HttpSecurity http, SignIn signIn) throws Exception {
        return http.authenticationManager(new ProviderManager(signIn))
                .authorizeHttpRequests(
                        a -> a.requestMatchers(OPEN).permitAll().anyRequest().authenticated())
                .csrf(c -> c.csrfTokenRepository(new CookieCsrfTokenRepository())
                        .csrfTokenRequestHandler(new XorCsrfTokenRequestAttributeHandler()))
                .requestCache(c -> c.requestCache(wanted()))
                .headers(SecurityConfig::strict)
                .formLogin(f -> f.loginPage("/login")
                        .successHandler(signedIn())
                        .failureHandler((request, response, why) ->
                                response.sendRedirect(request.getContextPath() + "/login?" + reason(why))))
                .logout(l -> l.logoutSuccessUrl("/login?left"))
                .exceptionHandling(e -> e.authenticationEntryPoint(toLogin()))
                .build();
    }

    /** Where the account is signed in is kept with its session, for the list of them. */
    private static AuthenticationSuccessHandler signedIn() {
        SavedRequestAwareAuthenticationSuccessHandler back = new SavedRequestAwareAuthenticationSuccessHandler();
        back.setDefaultTargetUrl("/");
        back.setRequestCache(wanted());
        return (request, response, authentication) -> {
            request.getSession().setAttribute(SignedIn.FROM, SignedIn.from(request));
            back.onAuthenticationSuccess(request, response, authentication);
        };
    }

    private static String hash(String script) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(script.getBytes(StandardCharsets.UTF_8));
            return Base64.getEncoder().encodeToString(digest);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /**
     * Whoever signs in goes on to the page they wanted: one that a person opened, not a part of it that a page fetched by
     * itself after its session was over.
     */
    private static CookieRequestCache wanted() {
        CookieRequestCache cache = new CookieRequestCache();
        cache.setRequestMatcher(r -> r.getMethod().equals("GET")
                && Optional.ofNullable(r.getHeader("Accept"))
                        .filter(a -> a.contains("text/html"))
                        .isPresent()
                && r.getHeader("HX-Request") == null
                && r.getHeader("X-Requested-With") == null);
        return cache;
    }

    private static void strict(HeadersConfigurer<HttpSecurity> headers) {
        headers.contentSecurityPolicy(p -> p.policyDirectives(POLICY));
        headers.referrerPolicy(Customizer.withDefaults());
    }

    private static String reason(AuthenticationException why) {
        if (why instanceof LockedException) {
            return "wait";
        }
        return why instanceof DisabledException ? "closed" : "wrong";
    }

    /** An expired sign-in asks a partial request for a whole page, so that no login form lands inside another page. */
    private static AuthenticationEntryPoint toLogin() {
        LoginUrlAuthenticationEntryPoint login = new LoginUrlAuthenticationEntryPoint("/login");
        return (request, response, why) -> {
            if (request.getHeader("HX-Request") != null) {
                response.setHeader("HX-Redirect", request.getContextPath() + "/login?again");
                response.setStatus(HttpServletResponse.SC_UNAUTHORIZED);
            } else {
                login.commence(request, response, why);
            }
        };
    }

    private static void problem(HttpServletRequest request, HttpServletResponse response, AuthenticationException why)
            throws IOException {
        boolean wait = why instanceof LockedException;
        response.setStatus(wait ? 429 : 401);
        if (wait) {
            response.setHeader("Retry-After", String.valueOf(SignIn.WINDOW.toSeconds()));
        } else {
            response.setHeader("WWW-Authenticate", "Basic realm=\"Kiln Ryu\"");
        }
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.getWriter()
                .write(
                        wait
                                ? "{\"type\":\"about:blank\",\"title\":\"Too many failed sign-ins: wait ten minutes\",\"status\":429}"
                                : "{\"type\":\"about:blank\",\"title\":\"An account is needed: HTTP Basic\",\"status\":401}");
    }
}
