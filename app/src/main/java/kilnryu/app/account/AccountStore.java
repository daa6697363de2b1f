package kilnryu.app.account;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Optional;
import kilnryu.app.web.Units;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
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
        return createIn(studio, owner);
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

    void recordFailure(String login, String address) {
        jdbc.sql("insert into login_failure (login, address, at) values (:login, :address, :now)")
                .param("login", login)
                .param("address", address)
                .param("now", now())
                .update();
    }

    void forgetFailures(String login, Duration olderThan) {
        jdbc.sql("delete from login_failure where login = :login or at < :before")
                .param("login", login)
                .param("before", now().minus(olderThan))
                .update();
    }

    long failuresSince(String login, String address, Duration window) {
        return jdbc.sql("""
                        select greatest(count(*) filter (where login = :login and address = :address),
                                        count(*) filter (where address = :address) / 4)
                          from login_failure where at > :since
                        """)
                .param("login", login)
                .param("address", address)
                .param("since", now().minus(window))
                .query(Long.class)
                .single();
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
