package kilnryu.app.dipping;

import java.time.Instant;
import java.util.List;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Units;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Wax that ran out of shells, as it was weighed. */
@Repository
public class DewaxedStore {
    private static final TypeReference<java.util.LinkedHashMap<String, String>> TEXTS = new TypeReference<>() {};

    private final JdbcClient jdbc;
    private final JsonMapper json = JsonMapper.builder().build();

    DewaxedStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param run the shell it came from; @param grams as it was weighed last */
    public record Dewaxed(long run, String name, double grams, Instant at) {}

    /** Of the last shells, the latest first. */
    public List<Dewaxed> last(long studio, int most) {
        return jdbc
                .sql("""
                        select * from (select distinct on (r.id) r.id, r.name, e.fields, e.at
                          from shell_event e join shell_run r on r.id = e.run_id
                         where r.studio_id = :studio and e.kind = 'dewax' order by r.id, e.at desc, e.id desc) d
                         order by at desc limit :most
                        """)
                .param("studio", studio)
                .param("most", most)
                .query((rs, n) -> new Dewaxed(
                        rs.getLong("id"),
                        rs.getString("name"),
                        grams(rs.getString("fields")),
                        rs.getTimestamp("at").toInstant()))
                .list()
                .stream()
                .filter(d -> d.grams > 0)
                .toList();
    }

    private double grams(String fields) {
        OptionalDouble grams =
                Fields.typed(json.readValue(fields, TEXTS), Units.METRIC).quantity(DipFields.RECOVERED);
        return grams.orElse(0);
    }
}
