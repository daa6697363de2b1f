package kilnryu.app.account;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import kilnryu.app.web.Units;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

@Repository
public class AccountStore {
    private static final String SELECT = """
            select a.id, a.studio_id, s.name as studio, a.login, a.shown_name, a.unit_system, a.troy, s.zone, a.demo,
                   a.password_hash
              from account a join studio s on s.id = a.studio_id
            """;
    /** Guards the making of the first account against two visitors at once. */
    private static final long FIRST_ACCOUNT_LOCK = 20260508L;

    private final JdbcClient jdbc;
    private final Clock clock;

    AccountStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** An account with the hash its password is checked against. */
    record Credentials(Account account, String passwordHash) {}

    Optional<Credentials> byLogin(String login) {
        return jdbc.sql(SELECT + " where a.login = :login")
                .param("login", login)
                .query((rs, n) -> new Credentials(account(rs), rs.getString("password_hash")))
                .optional();
    }

    boolean none() {
        return !jdbc.sql("select exists (select 1 from account)")
                .query(Boolean.class)
                .single();
    }

    /** Someone of a studio. */
    record Person(long id, String login, String shown, boolean owner, boolean disabled) {}

    List<Person> people(long studio) {
        return jdbc.sql("""
                        select id, login, shown_name, owner, disabled_at is not null as disabled from account
                         where studio_id = :studio order by owner desc, lower(shown_name), id
                        """)
                .param("studio", studio)
                .query((rs, n) -> new Person(
                        rs.getLong("id"),
                        rs.getString("login"),
                        rs.getString("shown_name"),
                        rs.getBoolean("owner"),
                        rs.getBoolean("disabled")))
                .list();
    }

    boolean isOwner(Account account) {
        return jdbc.sql("select owner from account where id = :id")
                .param("id", account.id())
                .query(Boolean.class)
                .single();
    }

    boolean isDisabled(Account account) {
        return jdbc.sql("select disabled_at is not null from account where id = :id")
                .param("id", account.id())
                .query(Boolean.class)
                .single();
    }

    String hash(Account account) {
        return jdbc.sql("select password_hash from account where id = :id")
                .param("id", account.id())
                .query(String.class)
                .single();
    }

    void password(long studio, long id, String hash) {
        jdbc.sql("update account set password_hash = :hash where id = :id and studio_id = :studio")
                .param("hash", hash)
                .param("id", id)
                .param("studio", studio)
                .update();
    }

    void disable(long studio, long id, boolean away) {
        jdbc.sql("""
                        update account set disabled_at = case when :away then :now end
                         where id = :id and studio_id = :studio and not owner
                        """)
                .param("away", away)
                .param("now", now())
                .param("id", id)
                .param("studio", studio)
                .update();
    }

    /** A new account to be made, with its studio. */
    public record NewOwner(
            String studio, String zone, String login, String passwordHash, String shownName, boolean demo) {}

    /** Makes studio and owner; empty when an account exists already. */
    @Transactional
    public Optional<Account> createFirst(NewOwner owner) {
        jdbc.sql("select 1 from (select pg_advisory_xact_lock(:key)) as locked")
                .param("key", FIRST_ACCOUNT_LOCK)
                .query(Integer.class)
                .single();
        return none() ? Optional.of(createWithStudio(owner)) : Optional.empty();
    }

    /** Makes another studio with its owner, for a host of several. */
    @Transactional
    public Account createWithStudio(NewOwner owner) {
        long studio = jdbc.sql("insert into studio (name, zone) values (:name, :zone) returning id")
                .param("name", owner.studio)
                .param("zone", owner.zone)
                .query(Long.class)
                .single();
        Account made = createIn(studio, owner);
        jdbc.sql("update account set owner = true where id = :id")
                .param("id", made.id())
                .update();
        return made;
    }

    /** Makes a further account in a studio. */
    @Transactional
    public Account createIn(long studio, NewOwner owner) {
        jdbc.sql("""
                        insert into account (studio_id, login, password_hash, shown_name, demo, created_at)
                        values (:studio, :login, :hash, :shown, :demo, :now)
                        """)
                .param("studio", studio)
                .param("login", owner.login)
                .param("hash", owner.passwordHash)
                .param("shown", owner.shownName)
                .param("demo", owner.demo)
                .param("now", now())
                .update();
        return byLogin(owner.login).orElseThrow().account();
    }

    void chooseUnits(Account account, Units units) {
        jdbc.sql("update account set unit_system = :system, troy = :troy where id = :id")
                .param("system", units.system().name())
                .param("troy", units.troy())
                .param("id", account.id())
                .update();
    }

    /**
     * Counts a try before it is looked at, so that many at once do not all slip through: by the pair of login and address,
     * by the address for all logins, and by the login for addresses it was never signed in from. Whoever attacks from
     * elsewhere shuts himself out and not the house.
     *
     * @return whether it may be looked at
     */
    @Transactional(propagation = Propagation.REQUIRES_NEW)
    public boolean mayTry(String login, String address, SignIn.Limits limits) {
        // one at a time for a login and for an address, always in the same order
        jdbc.sql("""
                        select count(*) from (select pg_advisory_xact_lock(k) from
                          (select unnest(array[hashtextextended('login ' || :login, 1),
                                               hashtextextended('address ' || :address, 1)]) as k order by 1) as keys) as l
                        """)
                .param("login", login)
                .param("address", address)
                .query(Long.class)
                .single();
        boolean may = jdbc.sql("""
                        select count(*) filter (where f.login = :login and f.address = :address) < :pair
                           and count(*) filter (where f.address = :address) < :ofAddress
                           and (count(*) filter (where f.login = :login) < :ofLogin
                                or exists (select 1 from login_known k join account a on a.id = k.account_id
                                            where a.login = :login and k.address = :address))
                          from login_failure f where f.at > :since and (f.login = :login or f.address = :address)
                        """)
                .param("login", login)
                .param("address", address)
                .param("pair", limits.pair())
                .param("ofAddress", limits.address())
                .param("ofLogin", limits.login())
                .param("since", now().minus(limits.window()))
                .query(Boolean.class)
                .single();
        if (may) {
            jdbc.sql("insert into login_failure (login, address, at) values (:login, :address, :now)")
                    .param("login", login)
                    .param("address", address)
                    .param("now", now())
                    .update();
        }
        return may;
    }

    /** It was the right one: its tries from there are forgotten, and the address is known. */
    @Transactional
    public void signedIn(Account account, String address, Duration window) {
        jdbc.sql("delete from login_failure where login = :login and address = :address or at < :before")
                .param("login", account.login())
                .param("address", address)
                .param("before", now().minus(window))
                .update();
        jdbc.sql("""
                        insert into login_known (account_id, address, at) values (:account, :address, :now)
                        on conflict (account_id, address) do update set at = excluded.at
                        """)
                .param("account", account.id())
                .param("address", address)
                .param("now", now())
                .update();
    }

    private OffsetDateTime now() {
        return OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC);
    }

    private static Account account(ResultSet rs) throws SQLException {
        return new Account(
                rs.getLong("id"),
                rs.getLong("studio_id"),
                rs.getString("studio"),
                rs.getString("login"),
                rs.getString("shown_name"),
                rs.getString("unit_system"),
                rs.getBoolean("troy"),
                rs.getString("zone"),
                rs.getBoolean("demo"));
    }
}
