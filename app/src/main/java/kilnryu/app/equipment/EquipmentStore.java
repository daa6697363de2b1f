package kilnryu.app.equipment;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import kilnryu.app.sheet.SettingsStore;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** A studio's equipment, one sheet of fields. */
@Repository
public class EquipmentStore {
    private static final TypeReference<LinkedHashMap<String, String>> TEXTS = new TypeReference<>() {};

    private final JdbcClient jdbc;
    private final SettingsStore settings;
    private final JsonMapper json = JsonMapper.builder().build();

    EquipmentStore(JdbcClient jdbc, SettingsStore settings) {
        this.settings = settings;
        this.jdbc = jdbc;
    }

    /** As saved; version 0 with nothing typed when it never was. */
    public record Sheet(Map<String, String> fields, int version) {
        public Sheet {
            fields = Collections.unmodifiableMap(fields);
        }
    }

    public Sheet of(long studio) {
        return settings.of(
                studio,
                "equipment",
                () -> jdbc.sql("select fields, version from equipment where studio_id = :studio")
                        .param("studio", studio)
                        .query((rs, n) ->
                                new Sheet(json.readValue(rs.getString("fields"), TEXTS), rs.getInt("version")))
                        .optional()
                        .orElse(new Sheet(Map.of(), 0)));
    }

    /** @return false when someone else saved in between */
    public boolean save(long studio, int baseVersion, Map<String, String> fields) {
        return jdbc.sql("""
                        insert into equipment (studio_id, fields, version) values (:studio, :fields::json, 1)
                        on conflict (studio_id) do update set fields = excluded.fields, version = equipment.version + 1
                         where equipment.version = :version
                        """)
                        .param("studio", studio)
                        .param("fields", json.writeValueAsString(fields))
                        .param("version", baseVersion)
                        .update()
                == 1;
    }
}
