package kilnryu.app.account;

import java.net.InetAddress;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.authentication.AuthenticationProvider;
import org.springframework.security.authentication.BadCredentialsException;
import org.springframework.security.authentication.DisabledException;
import org.springframework.security.authentication.LockedException;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.authentication.WebAuthenticationDetails;
import org.springframework.stereotype.Component;

/**
 * Checks login and password, for the form and for HTTP Basic alike. After too many failures from one address it waits;
 * the count is kept in the database, so any node knows it. The demo account is refused unless bound to loopback.
 */
@Component
class SignIn implements AuthenticationProvider {
    static final Duration WINDOW = Duration.ofMinutes(10);

    /** How often it may be tried within the window. */
    record Limits(int pair, int address, int login, Duration window) {}

    private static final Limits LIMITS = new Limits(6, 24, 30, WINDOW);
    private static final int LONGEST_INPUT = 200;

    private final AccountStore accounts;
    private final PasswordEncoder passwords;
    private final boolean loopback;
    /** Compared when the login is unknown, so that the answer takes as long. */
    private final String nobody;

    SignIn(AccountStore accounts, PasswordEncoder passwords, @Value("${server.address}") InetAddress address) {
        this.accounts = accounts;
        this.passwords = passwords;
        this.loopback = address.isLoopbackAddress();
        this.nobody = passwords.encode("nobody");
    }

    @Override
    public Authentication authenticate(Authentication asked) {
        String login = shortened(asked.getName()).toLowerCase(Locale.ROOT);
        String address = asked.getDetails() instanceof WebAuthenticationDetails d ? d.getRemoteAddress() : "";
        if (login.chars().anyMatch(Character::isISOControl)) {
            throw new BadCredentialsException("no such login");
        }
        if (!accounts.mayTry(login, address, LIMITS)) {
            SecurityTrail.said("throttled", login, address, "");
            throw new LockedException("too many failures");
        }
        var found = accounts.byLogin(login);
        String hash = found.map(AccountStore.Credentials::passwordHash).orElse(nobody);
        if (!passwords.matches(shortened(String.valueOf(asked.getCredentials())), hash) || found.isEmpty()) {
            SecurityTrail.said("failed", login, address, "");
            throw new BadCredentialsException("wrong login or password");
        }
        Account account = found.get().account();
        if (account.demo() && !loopback || accounts.isDisabled(account)) {
            SecurityTrail.said("shut out", login, address, "");
            throw new DisabledException("this account is shut out");
        }
        accounts.signedIn(account, address, WINDOW);
        SecurityTrail.said("signed in", login, address, "");
        return UsernamePasswordAuthenticationToken.authenticated(
                account, null, List.of(new SimpleGrantedAuthority("ROLE_OWNER")));
    }

    @Override
    public boolean supports(Class<?> authentication) {
        return UsernamePasswordAuthenticationToken.class.isAssignableFrom(authentication);
    }

    private static String shortened(String text) {
        return text.length() > LONGEST_INPUT ? text.substring(0, LONGEST_INPUT) : text;
    }
}
