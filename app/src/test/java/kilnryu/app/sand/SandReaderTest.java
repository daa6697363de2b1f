package kilnryu.app.sand;

import static kilnryu.app.Typing.over;
import static kilnryu.app.Typing.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Units;
import kilnryu.core.block.SilicateSand;
import kilnryu.core.sum.Factors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A mold of silicate sand as typed, and what is logged of it. */
class SandReaderTest {
    private static final Map<String, String> BOX = typed(
            "name", "oar bracket", "length_mm", "200", "width_mm", "150", "height_mm", "100", "pattern_cm3", "400");

    private static SilicateSand sand(Map<String, String> typed) {
        return SandReader.read(Fields.typed(typed, Units.METRIC), Factors.HANDBOOK)
                .orElseThrow();
    }

    /** 2600 cm3 at 1.6 are 4160 g, 4000 of sand and 160 of silicate. */
    @Test
    void aBoxByHand() {
        assertThat(sand(BOX).sand().value()).isCloseTo(4000, within(1e-6));
        assertThat(sand(BOX).silicate().value()).isCloseTo(160, within(1e-6));
        assertThat(sand(BOX).hardener()).isEmpty();
        assertThat(sand(over(BOX, "harden", "ester")).hardener().orElseThrow().value())
                .isCloseTo(16, within(1e-6));
        // five percent and a tenth to spare: 4576 g, 4358.1 and 217.9
        assertThat(sand(over(BOX, "silicate_pct", "5", "spare_pct", "10"))
                        .silicate()
                        .value())
                .isCloseTo(217.9, within(0.05));
        assertThat(sand(over(BOX, "packed_density", "1.5")).packed().value()).isCloseTo(3900, within(1e-6));
        assertThat(sand(over(BOX, "freeze_h", "2")).findings().has("frozen")).isTrue();
    }

    @ParameterizedTest
    @CsvSource({
        "name, '', name",
        "length_mm, '', length_mm",
        "width_mm, wide, width_mm",
        "height_mm, 0, height_mm",
        "pattern_cm3, 3000, pattern_cm3",
        "silicate_pct, 60, silicate_pct",
        "packed_density, 0.5, packed_density",
        "harden, glue, harden",
        "freeze_h, 0, freeze_h",
        "spare_pct, 101, spare_pct"
    })
    void whatCannotBeIsSaidAtItsField(String path, String text, String at) {
        Fields fields = Fields.typed(over(BOX, path, text), Units.METRIC);
        assertThat(SandReader.read(fields, Factors.HANDBOOK)).isEmpty();
        assertThat(fields.errors()).containsOnlyKeys(at);
    }

    private static Map<String, String> entry(String... pairs) {
        Fields fields = Fields.typed(typed(pairs), Units.METRIC);
        SandReader.entry(fields);
        return fields.errors();
    }

    @Test
    void whatIsLogged() {
        assertThat(entry("done", "gassed", "for_min", "2")).isEmpty();
        assertThat(entry("done", "frozen", "at_C", "-40")).isEmpty();
        assertThat(entry("done", "rammed", "mass_g", "4.1 kg")).isEmpty();
        assertThat(entry("done", "rammed")).containsOnlyKeys("mass_g");
        assertThat(entry("done", "weighed")).containsOnlyKeys("mass_g");
        assertThat(entry()).containsOnlyKeys("done");
        assertThat(entry("done", "blessed")).containsOnlyKeys("done");
        assertThat(entry("done", "stood", "for_min", "-1")).containsOnlyKeys("for_min");
        assertThat(entry("done", "warmed", "at_C", "1000")).containsOnlyKeys("at_C");
        for (SandReader.Done done : SandReader.Done.values()) {
            assertThat(SandReader.Done.named(done.key())).contains(done);
            assertThat(done.label()).isNotBlank();
        }
    }
}
