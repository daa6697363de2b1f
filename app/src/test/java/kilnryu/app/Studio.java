package kilnryu.app;

import java.util.concurrent.atomic.AtomicInteger;
import kilnryu.app.account.Account;
import kilnryu.app.account.AccountStore;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors;
import org.springframework.test.web.servlet.request.RequestPostProcessor;

/** A studio of its own for each test, so that tests need not clean up after each other. */
final class Studio {
    static final String PASSWORD = "a long sentence";
    private static final AtomicInteger NUMBER = new AtomicInteger((int) (System.nanoTime() & 0xfffffff));

    private Studio() {}

    static Account owner(AccountStore accounts, PasswordEncoder passwords) {
        return accounts.createWithStudio(person(passwords, "Owner"));
    }

    static Account colleague(AccountStore accounts, PasswordEncoder passwords, Account of) {
        return accounts.createIn(of.studioId(), person(passwords, "Colleague"));
    }

    private static AccountStore.NewOwner person(PasswordEncoder passwords, String name) {
        String login = name.toLowerCase(java.util.Locale.ROOT) + NUMBER.incrementAndGet();
        return new AccountStore.NewOwner(
                "Mudflat Castings", "Europe/Lisbon", login, passwords.encode(PASSWORD), name, false);
    }

    static RequestPostProcessor as(Account account) {
        return SecurityMockMvcRequestPostProcessors.authentication(UsernamePasswordAuthenticationToken.authenticated(
                account, null, AuthorityUtils.createAuthorityList("ROLE_OWNER")));
    }
}
