package kilnryu.app.dipping;

import static kilnryu.app.Typing.over;
import static kilnryu.app.Typing.typed;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.ZoneId;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Units;
import kilnryu.core.shell.Air;
import kilnryu.core.shell.Coat;
import kilnryu.core.shell.Tank;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Dips, flaws, dewax and tanks as they are typed at the rack. */
class DipReaderTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");
    private static final Instant NOW = Instant.parse("2026-05-08T10:00:00Z");
    private static final Air USUAL = new Air(21, 55, 0.5);

    private static Optional<DipStore.Logged> dip(Fields fields) {
        return DipReader.dip(fields, USUAL, NOW, ZONE);
    }

    private static Fields fields(String... pairs) {
        return Fields.typed(typed(pairs), Units.METRIC);
    }

    /** Without an hour it is now, in the room's usual air. */
    @Test
    void aBareTap() {
        DipStore.Logged logged = dip(fields("coat", "prime")).orElseThrow();
        assertThat(logged.coat()).isEqualTo(Coat.PRIME);
        assertThat(logged.at()).isEqualTo(NOW);
        assertThat(logged.air()).isEqualTo(USUAL);
        assertThat(logged.note()).isEmpty();
    }

    /** 09:10 in Lisbon's summer is 08:10 in Greenwich. */
    @Test
    void withAllThatWasRead() {
        DipStore.Logged logged = dip(fields(
                        "coat", "backup",
                        "at", "2026-05-08 09:10",
                        "temperature_C", "70 F",
                        "humidity_pct", "48",
                        "air_m_s", "2",
                        "flow_s", "12",
                        "density", "1.7",
                        "thickness_mm", "1.2",
                        "mass_g", "2.4 kg",
                        "note", "smooth"))
                .orElseThrow();
        assertThat(logged.at()).isEqualTo(Instant.parse("2026-05-08T08:10:00Z"));
        assertThat(logged.air().humidity()).isEqualTo(48);
        assertThat(logged.air().celsius()).isCloseTo(21.11, org.assertj.core.api.Assertions.within(0.01));
        assertThat(logged.readings().mass()).hasValue(2400);
        assertThat(logged.readings().flow()).hasValue(12);
        assertThat(logged.note()).isEqualTo("smooth");
    }

    @ParameterizedTest
    @CsvSource({
        "coat, '', coat, Which coat",
        "coat, mud, coat, not known",
        "at, soon, at, Type day and hour",
        "at, 2026-05-08 11:10, at, lies ahead",
        "at, 2025-12-01 10:00, at, four months",
        "at, 2026-03-29 01:20, at, does not exist",
        "humidity_pct, 101, humidity_pct, too large",
        "flow_s, 0.5, flow_s, too small",
        "density, 7, density, too large",
        "thickness_mm, 0, thickness_mm, zero",
        "mass_g, -2, mass_g, negative",
        "air_m_s, fast, air_m_s, ''"
    })
    void whatCannotBeIsSaidAtItsField(String path, String text, String at, String word) {
        Fields fields = Fields.typed(over(typed("coat", "prime"), path, text), Units.METRIC);
        assertThat(dip(fields)).isEmpty();
        assertThat(fields.errors()).containsOnlyKeys(at);
        assertThat(fields.errors().get(at)).contains(word);
    }

    /** Five minutes of a clock that goes ahead are borne: 11:04 is 10:04 in Greenwich. */
    @Test
    void aClockThatGoesAhead() {
        assertThat(dip(fields("coat", "prime", "at", "2026-05-08 11:04"))).isPresent();
        assertThat(dip(fields("coat", "prime", "at", "2026-05-08 11:06"))).isEmpty();
    }

    private static Map<String, String> event(String kind, String... pairs) {
        Fields fields = fields(pairs);
        DipReader.event(kind, fields);
        return fields.errors();
    }

    @Test
    void flawsDewaxAndLooks() {
        assertThat(event("flaw", "where", "left wing", "depth_mm", "0", "found", "fire", "refired", "yes"))
                .isEmpty();
        assertThat(event("flaw")).containsOnlyKeys("where");
        assertThat(event("flaw", "where", "x", "depth_mm", "-1")).containsOnlyKeys("depth_mm");
        assertThat(event("flaw", "where", "x", "found", "later")).containsOnlyKeys("found");
        assertThat(event("flaw", "where", "x", "dried_h", "0")).containsOnlyKeys("dried_h");
        assertThat(event("flaw", "where", "x", "refired", "often")).containsOnlyKeys("refired");
        assertThat(event("dewax", "recovered_g", "0")).isEmpty();
        assertThat(event("dewax")).containsOnlyKeys("recovered_g");
        assertThat(event("dewax", "recovered_g", "all")).containsOnlyKeys("recovered_g");
        assertThat(event("look", "tap", "yes", "light", "no", "note", "rings")).isEmpty();
        assertThat(event("look", "tap", "loud")).containsOnlyKeys("tap");
        assertThat(event("look", "note", "x".repeat(401))).containsOnlyKeys("note");
    }

    private static final Map<String, String> TANK =
            typed("name", "backup", "holds", "backup", "diameter_mm", "300", "depth_mm", "400", "level_mm", "250");

    @Test
    void aTank() {
        Tank tank = TankReader.read(Fields.typed(TANK, Units.METRIC)).orElseThrow();
        assertThat(tank.prime()).isFalse();
        assertThat(tank.depth()).isEqualTo(400);
        // the usual density of a backup slurry
        assertThat(tank.density()).isEqualTo(1.68);
        assertThat(TankReader.read(Fields.typed(over(TANK, "holds", "prime"), Units.METRIC))
                        .orElseThrow()
                        .density())
                .isEqualTo(2.7);
        assertThat(TankReader.read(Fields.typed(over(TANK, "density", "1.72"), Units.METRIC))
                        .orElseThrow()
                        .density())
                .isEqualTo(1.72);
    }

    @ParameterizedTest
    @CsvSource({
        "name, '', name",
        "holds, wax, holds",
        "diameter_mm, '', diameter_mm",
        "depth_mm, deep, depth_mm",
        "level_mm, 401, level_mm",
        "level_mm, -1, level_mm",
        "density, 0.5, density"
    })
    void aTankThatCannotBe(String path, String text, String at) {
        Fields fields = Fields.typed(over(TANK, path, text), Units.METRIC);
        assertThat(TankReader.read(fields)).isEmpty();
        assertThat(fields.errors()).containsOnlyKeys(at);
    }

    /** One of what is read, added or seen is enough; nothing is nothing. */
    @Test
    void whatWasReadOfATank() {
        assertThat(TankReader.entry(fields("flow_s", "13"), NOW).orElseThrow().flow())
                .hasValue(13);
        assertThat(TankReader.entry(fields("read_density", "1.66"), NOW)).isPresent();
        assertThat(TankReader.entry(fields("water_g", "300"), NOW)).isPresent();
        assertThat(TankReader.entry(fields("note", "stirred"), NOW)
                        .orElseThrow()
                        .note())
                .isEqualTo("stirred");
        Fields none = fields();
        assertThat(TankReader.entry(none, NOW)).isEmpty();
        assertThat(none.errors()).containsOnlyKeys("flow_s");
        Fields wrong = fields("water_g", "-1", "flow_s", "1000");
        assertThat(TankReader.entry(wrong, NOW)).isEmpty();
        assertThat(wrong.errors()).containsOnlyKeys("water_g", "flow_s");
    }
}
