package kilnryu.app.mold;

import static kilnryu.app.Typing.over;
import static kilnryu.app.Typing.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import kilnryu.app.school.Schools;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Units;
import kilnryu.core.flask.FlaskPlan;
import kilnryu.core.flask.MixSchool;
import kilnryu.core.sum.Factors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A flask as typed. */
class MoldReaderTest {
    private static final Map<String, String> FLASK = typed(
            "tree_volume_cm3", "60",
            "inner_diameter_mm", "100",
            "height_mm", "150",
            "system", "gypsum-jewelry",
            "overfill_pct", "0");

    private static FlaskPlan plan(Map<String, String> fields) {
        return MoldReader.read(Fields.typed(fields, Units.METRIC), Factors.HANDBOOK)
                .orElseThrow();
    }

    private static Map<String, String> errors(Map<String, String> typed) {
        Fields fields = Fields.typed(typed, Units.METRIC);
        assertThat(MoldReader.read(fields, Factors.HANDBOOK)).isEmpty();
        return fields.errors();
    }

    /**
     * pi/4 x 10 x 10 x 15 = 1178.10 cm3, less 60 = 1118.10; at W/P 0.40 and 2.65 g/cm3 powder is
     * 1118.10 / (1/2.65 + 0.40/0.9982...) g: with water at 1 g/cm3, 1118.10 / 0.77736 = 1438.3.
     */
    @Test
    void aFlaskByHand() {
        FlaskPlan plan = plan(FLASK);
        assertThat(plan.fill().value()).isCloseTo(1118.10, within(0.01));
        assertThat(plan.powder().value()).isCloseTo(1438.3, within(3.0));
        assertThat(plan.water().value()).isCloseTo(plan.powder().value() * 0.4, within(1e-6));
    }

    /** An oval of 100 by 60: pi/4 x 10 x 6 x 15 = 706.86; a dome of 20 cm3 takes its room. */
    @Test
    void ovalAndDome() {
        FlaskPlan oval = plan(over(FLASK, "other_diameter_mm", "60", "base_volume_cm3", "20"));
        assertThat(oval.fill().value()).isCloseTo(706.858 - 60 - 20, within(0.01));
    }

    /** W/P as 0.42 written for 42 is asked back, not guessed. */
    @Test
    void waterToHundredOfPowder() {
        assertThat(plan(over(FLASK, "water_per_100", "42")).waterPer100().value())
                .isEqualTo(42);
        assertThat(errors(over(FLASK, "water_per_100", "5")).get("water_per_100"))
                .contains("type 40 for 40:100");
        assertThat(errors(over(FLASK, "water_per_100", "400"))).containsOnlyKeys("water_per_100");
    }

    @ParameterizedTest
    @CsvSource({
        "inner_diameter_mm, '', inner_diameter_mm",
        "height_mm, tall, height_mm",
        "system, mud, system",
        "system, '', system",
        "other_diameter_mm, 140, other_diameter_mm",
        "tree_volume_cm3, 5000, tree_volume_cm3",
        "tree_volume_cm3, -1, tree_volume_cm3",
        "base_volume_cm3, 5000, tree_volume_cm3",
        "water_C, 70, water_C",
        "water_C, 0, water_C",
        "collar_mm, -1, collar_mm",
        "overfill_pct, 101, overfill_pct",
        "powder_density, 0.5, powder_density"
    })
    void whatCannotBeIsSaidAtItsField(String path, String text, String at) {
        assertThat(errors(over(FLASK, path, text))).containsOnlyKeys(at);
    }

    /** Plaster of one's own has no density of its own: it has to be said. */
    @Test
    void whatOnlyTheSupplierKnowsIsAsked() {
        assertThat(errors(over(FLASK, "system", "shop-plaster"))).containsOnlyKeys("powder_density");
        assertThat(plan(over(FLASK, "system", "shop-plaster", "powder_density", "2.7"))
                        .powderDensity()
                        .value())
                .isEqualTo(2.7);
    }

    @Test
    void whatOnlyThePageAsks() {
        Fields fields = Fields.typed(
                typed(
                        "mold_kind", "shell",
                        "mix_school", "hand",
                        "tilt_deg", "-20",
                        "lift_mm", "12",
                        "steel", "perforated",
                        "flask_name", "tall one",
                        "tree_width_mm", "7 cm"),
                Units.METRIC);
        MoldReader.Extras extras = MoldReader.extras(fields, Schools.NONE);
        assertThat(extras.shell()).isTrue();
        assertThat(extras.block()).isFalse();
        assertThat(extras.tilt()).isEqualTo(-20);
        assertThat(extras.lift()).isEqualTo(12);
        assertThat(extras.perforated()).isTrue();
        assertThat(extras.flaskName()).isEqualTo("tall one");
        assertThat(extras.treeWidth()).hasValue(70);
        assertThat(extras.treeHeight()).isEmpty();
    }

    @Test
    void nothingTypedIsAPlainFlaskUnderVacuum() {
        Fields fields = Fields.typed(Map.of(), Units.METRIC);
        MoldReader.Extras extras = MoldReader.extras(fields, Schools.NONE);
        assertThat(extras.kind()).isEqualTo(MoldReader.Kind.FLASK);
        assertThat(extras.school()).isEqualTo(MixSchool.VACUUM);
        assertThat(extras.perforated()).isFalse();
        assertThat(fields.hasErrors()).isFalse();
        Fields odd = Fields.typed(
                typed("mold_kind", "bag", "steel", "soft", "tilt_deg", "80", "mix_school", "monks"), Units.METRIC);
        MoldReader.extras(odd, Schools.NONE);
        assertThat(odd.errors()).containsOnlyKeys("mold_kind", "steel", "tilt_deg", "mix_school");
    }
}
