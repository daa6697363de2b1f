package kilnryu.app.firing;

import static kilnryu.app.Typing.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.Map;
import kilnryu.app.school.Schools;
import kilnryu.app.sheet.Fields;
import kilnryu.app.tree.TreeReader;
import kilnryu.app.web.Units;
import kilnryu.core.burnout.BurnoutSchool;
import kilnryu.core.burnout.Handling;
import kilnryu.core.burnout.Subject;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.material.Section;
import kilnryu.core.sum.Factors;
import kilnryu.core.tree.TreePlan;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is typed of a firing, before there is a program. */
class FiringReaderTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");

    private static FiringReader.Choices choices(Fields fields) {
        return FiringReader.choices(fields, ZONE, Schools.NONE);
    }

    private static FiringReader.Choices choices(String... pairs) {
        Fields fields = Fields.typed(typed(pairs), Units.METRIC);
        FiringReader.Choices choices = choices(fields);
        assertThat(fields.errors()).isEmpty();
        return choices;
    }

    private static TreePlan tree(String... more) {
        Map<String, String> fields = typed(
                "alloy",
                "si-bronze",
                "parts[a].name",
                "leaf",
                "parts[a].material",
                "injection-wax",
                "parts[a].mass_g",
                "20");
        fields.putAll(typed(more));
        return TreeReader.read(Fields.typed(fields, Units.METRIC), Factors.HANDBOOK)
                .orElseThrow();
    }

    @Test
    void nothingTypedIsTheUsual() {
        FiringReader.Choices usual = choices();
        assertThat(usual.section()).isEqualTo(Section.MEDIUM);
        assertThat(usual.school()).isEqualTo(BurnoutSchool.STANDARD);
        assertThat(usual.chosen()).isFalse();
        assertThat(usual.pour()).isEmpty();
        assertThat(usual.handling()).isEqualTo(Handling.COLD);
        assertThat(usual.own().wet()).isEqualTo(1);
        assertThat(FiringReader.drain(usual)).isEmpty();
    }

    /** A pour on the tenth of June, 11:30 in Lisbon, is 10:30 in Greenwich. */
    @Test
    void theHourOfThePour() {
        FiringReader.Choices typed = choices("pour_at", "2026-06-10 11:30", "school", "slow-block", "mold_C", "1000 F");
        assertThat(typed.pour().orElseThrow()).isEqualTo(ZonedDateTime.of(2026, 6, 10, 11, 30, 0, 0, ZONE));
        assertThat(typed.pour().orElseThrow().toInstant()).hasToString("2026-06-10T10:30:00Z");
        assertThat(typed.chosen()).isTrue();
        // (1000 - 32) / 1.8
        assertThat(typed.mold().orElseThrow().celsius()).isCloseTo(537.78, within(0.01));
    }

    @ParameterizedTest
    @CsvSource({
        "pour_at, tomorrow, Type day and hour",
        "pour_at, 2026-06-31 10:00, Type day and hour",
        "pour_at, 2026-03-29 01:30, it does not exist that night",
        "pour_at, 1999-12-31 23:59, A year from 2000",
        "pour_at, 2101-01-01 00:00, A year from 2000",
        "school, monks, is not known here",
        "section, huge, is not known here",
        "mold_C, 1300, at most 1200",
        "kiln_max_C, 50, at least 100",
        "pour_C, 2000, at most 1800",
        "drain_C, 100, at least 180",
        "free_water_pct, 120, at most 100",
        "shell_school, warm, is not known here"
    })
    void whatCannotBeIsSaidAtItsField(String path, String text, String word) {
        Fields fields = Fields.typed(typed(path, text), Units.METRIC);
        choices(fields);
        assertThat(fields.errors()).containsOnlyKeys(path);
        assertThat(fields.errors().get(path)).contains(word);
    }

    /** What the caster types goes before the handbook's rows, and is called chosen. */
    @Test
    void ownTemperatures() {
        TreePlan tree = tree();
        FiringReader.Choices own = choices("pour_C", "1120", "mold_C", "500", "drain_C", "220", "free_water_pct", "20");
        assertThat(own.metal(tree, Factors.HANDBOOK).orElseThrow().value()).isEqualTo(1120);
        assertThat(own.pours(tree).orElseThrow().value()).isEqualTo(500);
        assertThat(own.shellPours(tree).orElseThrow().value()).isEqualTo(500);
        assertThat(FiringReader.drain(own)).contains(220.0);
        assertThat(own.own().wet()).isCloseTo(0.2, within(1e-12));
        // a medium section of silicon bronze: flask 595 to 480 by the handbook's row, a shell hotter
        double flask = choices().pours(tree).orElseThrow().value();
        assertThat(flask).isBetween(480.0, 595.0);
        assertThat(choices().shellPours(tree).orElseThrow().value()).isGreaterThan(flask);
        assertThat(choices("section", "thin").pours(tree).orElseThrow().value()).isGreaterThanOrEqualTo(flask);
        assertThat(choices("section", "heavy").pours(tree).orElseThrow().value())
                .isLessThanOrEqualTo(flask);
    }

    /** What has to burn out is every part and every coat on one. */
    @Test
    void whatIsInTheMold() {
        Subject.Tree what = FiringReader.what(
                choices("free_water_pct", "50"),
                tree(
                        "parts[b].name",
                        "print",
                        "parts[b].material",
                        "filament-pla",
                        "parts[b].volume_cm3",
                        "4",
                        "parts[b].coat.material",
                        "beeswax",
                        "parts[b].coat.thickness_mm",
                        "1",
                        "parts[b].coat.area_cm2",
                        "20"));
        assertThat(what.patterns())
                .containsExactlyInAnyOrder(
                        PatternMaterial.INJECTION_WAX,
                        PatternMaterial.named("filament-pla").orElseThrow(),
                        PatternMaterial.BEESWAX);
        assertThat(what.wet()).isCloseTo(0.5, within(1e-12));
    }
}
