package kilnryu.app.kiln;

import java.sql.ResultSet;
import java.time.Clock;
import java.util.Map;
import kilnryu.app.sheet.ThingStore;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Programs of a studio's own, as typed. */
@Repository
public class ProgramStore extends ThingStore<ProgramStore.Row> {
    ProgramStore(JdbcClient jdbc, Clock clock) {
        super(jdbc, clock, "own_program");
    }

    /** As typed. */
    public record Row(long id, Map<String, String> fields, int version) {
        public String name() {
            return fields.getOrDefault("name", "program");
        }
    }

    @Override
    protected Row of(Thing thing, ResultSet rs) {
        return new Row(thing.id(), thing.fields(), thing.version());
    }
}
