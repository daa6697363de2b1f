package kilnryu.app.kiln;

import static kilnryu.app.Typing.over;
import static kilnryu.app.Typing.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Units;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A kiln of the studio as typed, and what is fired as a program asks it. */
class KilnReaderTest {
    private static final Map<String, String> KILN = typed(
            "name", "brick kiln",
            "plan", "round",
            "width_mm", "460",
            "height_mm", "450",
            "shelves_mm", "0, 230 mm",
            "control", "ramp",
            "power_kW", "6",
            "max_C", "1150",
            "to_700_min", "70",
            "tariff", "0.25",
            "money", "€");

    private static StudioKiln kiln(Map<String, String> typed) {
        return KilnReader.read(Fields.typed(typed, Units.METRIC)).orElseThrow();
    }

    private static Map<String, String> errors(Map<String, String> typed) {
        Fields fields = Fields.typed(typed, Units.METRIC);
        assertThat(KilnReader.read(fields)).isEmpty();
        return fields.errors();
    }

    /** 6000 W over 1.15 x 1150 - 20 K are 4.607 W/K. */
    @Test
    void aRoundKiln() {
        StudioKiln kiln = kiln(KILN);
        assertThat(kiln.heat().orElseThrow().lossPerK()).isCloseTo(4.6065, within(1e-3));
        assertThat(kiln.chamber().shelves()).containsExactly(0.0, 230.0);
        assertThat(kiln.chamber().round()).isTrue();
        assertThat(kiln.chamber().depth()).isEqualTo(460);
        assertThat(kiln.tariff()).hasValue(0.25);
        assertThat(kiln.sums()).isNotEmpty();
    }

    @Test
    void aSquareOneHasADepth() {
        assertThat(errors(over(KILN, "plan", "square"))).containsOnlyKeys("depth_mm");
        StudioKiln square = kiln(over(KILN, "plan", "square", "depth_mm", "500"));
        assertThat(square.chamber().round()).isFalse();
        assertThat(square.chamber().depth()).isEqualTo(500);
    }

    /** What burns has no plate; what has one says its power and one trial. */
    @Test
    void gasAndElectricity() {
        StudioKiln gas = kiln(over(KILN, "control", "fire", "power_kW", "", "to_700_min", ""));
        assertThat(gas.heat()).isEmpty();
        assertThat(errors(over(KILN, "power_kW", "", "to_700_min", ""))).containsOnlyKeys("power_kW", "to_700_min");
        assertThat(kiln(over(KILN, "shelves_mm", "")).chamber().shelves()).containsExactly(0.0);
    }

    @ParameterizedTest
    @CsvSource({
        "name, '', name",
        "plan, oval, plan",
        "width_mm, 50, width_mm",
        "height_mm, '', height_mm",
        "shelves_mm, high, shelves_mm",
        "shelves_mm, 460, shelves_mm",
        "shelves_mm, -1, shelves_mm",
        "shelves_mm, '0,1,2,3,4,5,6', shelves_mm",
        "control, magic, control",
        "segments, 0, segments",
        "power_kW, 600, power_kW",
        "max_C, 500, max_C",
        "to_700_min, 1, to_700_min",
        "tariff, -1, tariff",
        "money, far too long, money"
    })
    void whatCannotBeIsSaidAtItsField(String path, String text, String at) {
        assertThat(errors(over(KILN, path, text))).containsOnlyKeys(at);
    }

    private static final Map<String, String> FLASK = typed(
            "mold.kind", "flask",
            "mold.inner_diameter_mm", "100",
            "mold.height_mm", "150",
            "mold.system", "gypsum-jewelry");

    /** pi/4 x 10 x 10 x 15 = 1178.1 cm3; 140 g in 100 / 2.65 + 40 cm3 are 1.801 g/cm3: 2.12 kg. */
    @Test
    void whatIsFired() {
        FiredReader.Fired fired =
                new FiredReader(Fields.typed(FLASK, Units.METRIC)).mold().orElseThrow();
        assertThat(fired.kilograms()).isCloseTo(2.1217, within(0.001));
        assertThat(fired.across()).isEqualTo(100);
        assertThat(fired.steel()).isZero();
        FiredReader.Fired steel = new FiredReader(
                        Fields.typed(over(FLASK, "mold.wall_mm", "1.6", "mold.free_water_pct", "50"), Units.METRIC))
                .mold()
                .orElseThrow();
        assertThat(steel.steel()).isCloseTo(0.0016, within(1e-12));
        assertThat(steel.medium().freeWater()).isCloseTo(fired.medium().freeWater() / 2, within(1e-9));
    }

    /** A square block of 100 stands for a cylinder of 108. */
    @Test
    void aBlockStandsForACylinder() {
        Map<String, String> block = typed(
                "mold.kind", "block", "mold.width_mm", "100", "mold.height_mm", "150", "mold.system", "plaster-silica");
        FiredReader.Fired fired =
                new FiredReader(Fields.typed(block, Units.METRIC)).mold().orElseThrow();
        assertThat(fired.block()).isTrue();
        assertThat(fired.across()).isCloseTo(108.3, within(0.2));
        assertThat(fired.depth()).isEqualTo(100);
    }

    @ParameterizedTest
    @CsvSource({
        "mold.kind, bag, mold.kind",
        "mold.kind, '', mold.kind",
        "mold.inner_diameter_mm, 5, mold.inner_diameter_mm",
        "mold.height_mm, '', mold.height_mm",
        "mold.system, mud, mold.system",
        "mold.wall_mm, 13, mold.wall_mm",
        "mold.free_water_pct, 101, mold.free_water_pct",
        "mold.water_per_100, 5, mold.water_per_100"
    })
    void whatAProgramAsksWrongly(String path, String text, String at) {
        Fields fields = Fields.typed(over(FLASK, path, text), Units.METRIC);
        assertThat(new FiredReader(fields).mold()).isEmpty();
        assertThat(fields.errors()).containsOnlyKeys(at);
    }

    @Test
    void aKilnOfAQuestion() {
        assertThat(new FiredReader(Fields.typed(FLASK, Units.METRIC)).kiln()).isEmpty();
        Map<String, String> asked =
                over(FLASK, "kiln.power_kW", "6", "kiln.max_C", "1150", "kiln.empty_to_700_min", "70");
        FiredReader reader = new FiredReader(Fields.typed(asked, Units.METRIC));
        assertThat(reader.kiln().orElseThrow().watts()).isEqualTo(6000);
        assertThat(reader.kilnSums()).isNotEmpty();
        Fields cool = Fields.typed(over(asked, "kiln.max_C", "600"), Units.METRIC);
        assertThat(new FiredReader(cool).kiln()).isEmpty();
        assertThat(cool.errors().get("kiln.max_C")).contains("does not come to 700");
        Fields half = Fields.typed(over(asked, "kiln.power_kW", ""), Units.METRIC);
        assertThat(new FiredReader(half).kiln()).isEmpty();
        assertThat(half.errors()).containsOnlyKeys("kiln.power_kW");
    }
}
