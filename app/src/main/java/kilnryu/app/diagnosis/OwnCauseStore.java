package kilnryu.app.diagnosis;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.sheet.SettingsStore;
import kilnryu.core.diagnosis.Cause;
import kilnryu.core.diagnosis.Causes;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** A studio's own causes and weights, and how often it found which cause to be the one. */
@Repository
class OwnCauseStore {
    private static final TypeReference<LinkedHashMap<String, String>> TEXTS = new TypeReference<>() {};

    private final JdbcClient jdbc;
    private final Clock clock;
    private final SettingsStore settings;
    private final JsonMapper json = JsonMapper.builder().build();

    OwnCauseStore(JdbcClient jdbc, Clock clock, SettingsStore settings) {
        this.settings = settings;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** One as it was typed. @param cause its id: one of the table's where only its weight is the studio's */
    record Row(long id, String cause, Map<String, String> fields, int version, boolean archived, String by) {}

    List<Row> rows(long studio) {
        return settings.of(studio, "own causes", () -> asked(studio));
    }

    private List<Row> asked(long studio) {
        return jdbc.sql("""
                        select o.*, a.shown_name from own_cause o join account a on a.id = o.account_id
                         where o.studio_id = :studio order by o.archived, o.id
                        """)
                .param("studio", studio)
                .query((rs, n) -> new Row(
                        rs.getLong("id"),
                        rs.getString("cause"),
                        json.readValue(rs.getString("fields"), TEXTS),
                        rs.getInt("version"),
                        rs.getBoolean("archived"),
                        rs.getString("shown_name")))
                .list();
    }

    /** @return false when someone else saved in between */
    boolean save(Account account, String cause, Map<String, String> fields, int version) {
        return jdbc.sql("""
                        insert into own_cause (studio_id, cause, fields, account_id, at)
                        select :studio, :cause, :fields::json, :account, :now
                         where :version = 0 or exists (select 1 from own_cause where studio_id = :studio and cause = :cause)
                        on conflict (studio_id, cause) do update
                        set fields = excluded.fields, account_id = excluded.account_id, at = excluded.at,
                            version = own_cause.version + 1, archived = false
                        where own_cause.version = :version or own_cause.archived and :version = 0
                        """)
                        .param("studio", account.studioId())
                        .param("cause", cause)
                        .param("fields", json.writeValueAsString(fields))
                        .param("account", account.id())
                        .param("version", version)
                        .param("now", OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC))
                        .update()
                == 1;
    }

    boolean archive(long studio, String cause, boolean away) {
        return jdbc.sql("""
                        update own_cause set archived = :away, version = version + 1
                         where studio_id = :studio and cause = :cause
                        """)
                        .param("away", away)
                        .param("studio", studio)
                        .param("cause", cause)
                        .update()
                == 1;
    }

    /** How often each cause was found to be the one, by the last word at each break-out. */
    Map<String, Integer> confirmed(long studio) {
        Map<String, Integer> counts = new HashMap<>();
        jdbc.sql("""
                        select last.cause, count(*) as n from (
                            select distinct on (e.break_out_id) e.fields->>'cause' as cause
                              from break_out_event e join break_out b on b.id = e.break_out_id
                             where b.studio_id = :studio and e.kind = 'cause' order by e.break_out_id, e.id desc) last
                         where last.cause <> '' group by last.cause
                        """)
                .param("studio", studio)
                .query((rs, n) -> counts.put(rs.getString("cause"), rs.getInt("n")))
                .list();
        return counts;
    }

    /** The table as this studio uses it. */
    Causes table(long studio) {
        List<Cause> own = new ArrayList<>();
        for (Row row : rows(studio)) {
            if (!row.archived) {
                Optional<Cause> read = OwnCause.read(row.cause, row.fields);
                read.ifPresent(own::add);
            }
        }
        return Causes.handbook().with(own).found(confirmed(studio));
    }
}
