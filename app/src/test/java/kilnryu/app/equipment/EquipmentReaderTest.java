package kilnryu.app.equipment;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Units;
import kilnryu.core.flask.StudioFlask;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a studio has, read from its fields. */
class EquipmentReaderTest {
    private static EquipmentReader.Workshop workshop(Map<String, String> typed) {
        return EquipmentReader.workshop(typed);
    }

    private static Map<String, String> fields(String... pairs) {
        Map<String, String> fields = new java.util.LinkedHashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            fields.put(pairs[i], pairs[i + 1]);
        }
        return fields;
    }

    @Test
    void nothingTypedNothingKnown() {
        EquipmentReader.Workshop none = workshop(Map.of());
        assertThat(none.flasks()).isEmpty();
        assertThat(none.bowls()).isEmpty();
        assertThat(none.places()).isEqualTo(1);
        assertThat(none.crucible().known()).isFalse();
        assertThat(none.equipment()).isEqualTo(EquipmentReader.none());
        assertThat(EquipmentReader.prices(Map.of())).isEmpty();
        assertThat(EquipmentReader.money(Map.of())).isEmpty();
    }

    /** A crucible of 1.2 l rated for 8 kg. */
    @Test
    void crucibleAndLift() {
        EquipmentReader.Workshop shop =
                workshop(fields("crucible_cm3", "1.2 l", "crucible_rated_g", "8 kg", "lift_kg", "55 lb"));
        assertThat(shop.crucible().capacity()).hasValue(1200);
        assertThat(shop.crucible().rated()).hasValue(8000);
        assertThat(shop.crucible().known()).isTrue();
        // 55 x 0.45359237
        assertThat(shop.equipment().lift().getAsDouble())
                .isCloseTo(24.9476, org.assertj.core.api.Assertions.within(1e-4));
        assertThat(shop.equipment().crucible()).hasValue(1200);
    }

    /** The longer way of an oval is its diameter, whichever is typed first; the largest flask listed counts. */
    @Test
    void flasks() {
        EquipmentReader.Workshop shop = workshop(fields(
                "flasks[a].inner_mm", "90 mm",
                "flasks[a].other_mm", "160 mm",
                "flasks[a].height_mm", "140 mm",
                "flasks[b].name", "tall",
                "flasks[b].inner_mm", "4 in",
                "flasks[b].height_mm", "230 mm",
                "flasks[b].steel", "perforated",
                "flasks[b].count", "3",
                "flasks[b].dome_cm3", "20 cm³",
                "flasks[c].steel", "solid",
                "flask_diameter_mm", "300 mm"));
        assertThat(shop.flasks()).hasSize(2);
        StudioFlask oval = shop.flasks().get(0);
        assertThat(oval.inner()).isEqualTo(160);
        assertThat(oval.other()).hasValue(90.0);
        assertThat(oval.name()).isEqualTo("D 160 / 90 × 140");
        assertThat(oval.wall()).isEqualTo(2);
        StudioFlask tall = shop.flasks().get(1);
        assertThat(tall.inner()).isEqualTo(101.6);
        assertThat(tall.perforated()).isTrue();
        assertThat(tall.count()).isEqualTo(3);
        assertThat(tall.dome()).isEqualTo(20);
        assertThat(shop.equipment().flaskDiameter()).hasValue(160);
        assertThat(shop.equipment().flaskHeight()).hasValue(230);
    }

    @ParameterizedTest
    @CsvSource({
        "crucible_cm3, 0",
        "crucible_cm3, large",
        "crucible_rated_g, -3 kg",
        "lift_kg, 9000 kg",
        "bell_places, 0",
        "scale_step_g, none",
        "slurry_price, cheap",
        "money, far too long for a currency"
    })
    void whatCannotBeIsSaidAtItsField(String path, String typed) {
        Fields fields = Fields.typed(Map.of(path, typed), Units.METRIC);
        EquipmentReader.workshop(fields);
        assertThat(fields.errors()).containsOnlyKeys(path);
        assertThat(fields.errors().get(path)).isNotBlank();
    }

    @Test
    void halfAFlaskIsNoFlask() {
        Fields fields = Fields.typed(Map.of("flasks[a].inner_mm", "80 mm"), Units.METRIC);
        assertThat(EquipmentReader.workshop(fields).flasks()).isEmpty();
        assertThat(fields.errors()).containsKey("flasks[a].height_mm");
    }

    @Test
    void bowlsAndPrices() {
        Map<String, String> typed = fields(
                "bowls[a].volume_cm3", "5 l",
                "bowls[a].count", "2",
                "bowls[b].name", "bucket",
                "bowls[b].volume_cm3", "12 l",
                "slurry_price", "3.4",
                "stucco_price", "1.1",
                "money", " € ");
        EquipmentReader.Workshop shop = workshop(typed);
        assertThat(shop.bowls()).hasSize(2);
        assertThat(shop.bowls().get(0).volume()).isEqualTo(5000);
        assertThat(shop.bowls().get(1).name()).isEqualTo("bucket");
        assertThat(EquipmentReader.prices(typed).orElseThrow().slurry()).isEqualTo(3.4);
        assertThat(EquipmentReader.money(typed)).isEqualTo("€");
        typed.remove("stucco_price");
        assertThat(EquipmentReader.prices(typed)).isEmpty();
    }

    /** Lines that are emptied go, whatever their select still says. */
    @Test
    void emptyLinesAreNotKept() {
        Fields fields = Fields.typed(
                fields("flasks[a].steel", "perforated", "flasks[a].name", " ", "lift_kg", "25 kg"), Units.METRIC);
        EquipmentReader.workshop(fields);
        assertThat(EquipmentReader.kept(fields)).containsOnlyKeys("lift_kg");
    }

    @Test
    void farTooManyLinesAreRefused() {
        Map<String, String> typed = new HashMap<>();
        for (int i = 0; i < 230; i++) {
            typed.put("bowls[k" + i + "].volume_cm3", "1 l");
        }
        Fields fields = Fields.typed(typed, Units.METRIC);
        assertThat(EquipmentReader.workshop(fields).bowls()).hasSize(200);
        assertThat(fields.errors().get("bowls")).contains("200");
    }
}
