package kilnryu.app.blend;

import static kilnryu.app.Typing.over;
import static kilnryu.app.Typing.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Units;
import kilnryu.core.material.Blend;
import kilnryu.core.sum.Factors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Blends as casters tell them: by percent, by parts on the scale, by scoops. */
class BlendReaderTest {
    /** Half plaster at 2.6, half a sand of one's own at 2.65. */
    private static final Map<String, String> HALF = typed(
            "name", "harbour mix",
            "water_per_100", "55",
            "parts[a].name", "plaster from the yard",
            "parts[a].density", "2.6",
            "parts[a].share_pct", "50",
            "parts[b].name", "dune sand",
            "parts[b].density", "2.65",
            "parts[b].role", "refractory",
            "parts[b].share_pct", "50");

    private static BlendReader.Read read(Map<String, String> typed) {
        return BlendReader.read(Fields.typed(typed, Units.METRIC), Factors.HANDBOOK);
    }

    private static Map<String, String> errors(Map<String, String> typed) {
        Fields fields = Fields.typed(typed, Units.METRIC);
        assertThat(BlendReader.read(fields, Factors.HANDBOOK).blend().isPresent() && !fields.hasErrors())
                .isFalse();
        return fields.errors();
    }

    private static Blend blend(Map<String, String> typed) {
        return read(typed).blend().orElseThrow();
    }

    /** 1 / (0.5 / 2.6 + 0.5 / 2.65) = 2.6248 g/cm3. */
    @Test
    void densityOfTheWhole() {
        assertThat(blend(HALF).density().value()).isCloseTo(2.62476, within(1e-4));
        assertThat(blend(HALF).waterPer100().value()).isEqualTo(55);
        assertThat(read(HALF).sum()).isEqualTo(100);
        assertThat(read(HALF).name()).isEqualTo("harbour mix");
    }

    /** Three parts to one by weight are 75 and 25 %. */
    @Test
    void partsByWeight() {
        Blend blend = blend(over(HALF, "told", "weight", "parts[a].share_pct", "3", "parts[b].share_pct", "1"));
        assertThat(blend.shares()).extracting(Blend.Share::percent).containsExactly(75.0, 25.0);
    }

    /** Scoops of 0.8 and 1.6 g/cm3 loosely: three to one are 2.4 to 1.6 g, 60 and 40 %. */
    @Test
    void partsByVolume() {
        Blend blend = blend(over(
                HALF,
                "told",
                "volume",
                "parts[a].share_pct",
                "3",
                "parts[a].loose",
                "0.8",
                "parts[b].share_pct",
                "1",
                "parts[b].loose",
                "1.6"));
        assertThat(blend.shares().get(0).percent()).isCloseTo(60, within(1e-9));
        assertThat(blend.shares().get(1).percent()).isCloseTo(40, within(1e-9));
        // what nobody told is a gram to the cm3
        Blend usual = blend(over(HALF, "told", "volume", "parts[a].share_pct", "3", "parts[b].share_pct", "1"));
        assertThat(usual.shares().get(0).percent()).isCloseTo(75, within(1e-9));
    }

    /** Shares that are no whole say what is missing; parts are always one. */
    @Test
    void whatIsMissing() {
        assertThat(errors(over(HALF, "parts[b].share_pct", "40")).get("parts"))
                .isEqualTo("The shares sum to 90 %: 10 % is missing.");
        assertThat(errors(over(HALF, "parts[b].share_pct", "52.5")).get("parts"))
                .isEqualTo("The shares sum to 102.5 %: 2.5 % too much.");
        assertThat(errors(typed("name", "nothing"))).containsOnlyKeys("parts");
        assertThat(errors(typed("name", "blank", "parts[a].share_pct", " "))).containsOnlyKeys("parts");
    }

    @ParameterizedTest
    @CsvSource({
        "name, '', name",
        "water_per_100, 5, water_per_100",
        "water_per_100, wet, water_per_100",
        "told, by eye, told",
        "parts[a].share_pct, '', parts[a].share_pct",
        "parts[a].share_pct, -1, parts[a].share_pct",
        "parts[a].density, '', parts[a].density",
        "parts[a].density, 40, parts[a].density",
        "parts[a].name, '', parts[a].ingredient",
        "parts[a].ingredient, moon dust, parts[a].ingredient",
        "parts[a].role, hero, parts[a].role",
        "parts[a].price, -3, parts[a].price",
        "parts[a].loose, 0, parts[a].loose"
    })
    void whatCannotBeIsSaidAtItsField(String path, String text, String at) {
        assertThat(errors(over(HALF, path, text))).containsKey(at);
    }

    /** Without refractory, or with cement, a mix holds small pieces only. */
    @Test
    void smallPiecesOnly() {
        assertThat(read(HALF).smallOnly()).isFalse();
        assertThat(read(over(HALF, "parts[b].role", "filler")).smallOnly()).isTrue();
        assertThat(read(over(HALF, "parts[a].role", "cement")).smallOnly()).isTrue();
        assertThat(read(over(HALF, "parts[b].share_pct", "40")).smallOnly()).isFalse();
    }

    /** A recipe as it is told; what is no ingredient known here keeps its name. */
    @Test
    void aRecipeAsItIsTold() {
        Map<String, String> rows = BlendReader.told("3 parts plaster, 2 sand and 1,5 moon dust by volume");
        assertThat(rows)
                .containsEntry("told", "volume")
                .containsEntry("parts[k1].share_pct", "3")
                .containsEntry("parts[k2].share_pct", "2")
                .containsEntry("parts[k3].share_pct", "1.5")
                .containsEntry("parts[k3].name", "moon dust");
        assertThat(rows.get("parts[k1].ingredient")).contains("plaster");
        assertThat(BlendReader.told("2 plaster + 1 sand").get("told")).isEqualTo("weight");
        assertThat(BlendReader.told("two cups of 1 plaster").get("told")).isEqualTo("volume");
        assertThat(BlendReader.told("as always")).isEmpty();
        assertThat(BlendReader.told("")).isEmpty();
    }

    @Test
    void whatCameOfATrial() {
        Fields good =
                Fields.typed(typed("outcome", "held", "top_C", "730", "piece_g", "2 kg", "cure_h", "24"), Units.METRIC);
        BlendReader.trial(good);
        assertThat(good.errors()).isEmpty();
        Fields odd =
                Fields.typed(typed("outcome", "sang", "top_C", "50", "piece_g", "-2", "heat_h", "long"), Units.METRIC);
        BlendReader.trial(odd);
        assertThat(odd.errors()).containsOnlyKeys("outcome", "top_C", "piece_g", "heat_h");
        for (BlendReader.Outcome outcome : BlendReader.Outcome.values()) {
            assertThat(BlendReader.Outcome.named(outcome.key())).contains(outcome);
            assertThat(outcome.label()).isNotBlank();
        }
        for (BlendReader.Told told : BlendReader.Told.values()) {
            assertThat(BlendReader.Told.named(told.key())).contains(told);
            assertThat(told.label()).isNotBlank();
        }
    }

    /** Shares alone, without a name, for a program that asks. */
    @Test
    void sharesAlone() {
        Map<String, String> nameless = over(HALF, "name", "");
        assertThat(BlendReader.shares(Fields.typed(nameless, Units.METRIC), Factors.HANDBOOK))
                .isPresent();
        assertThat(BlendReader.shares(
                        Fields.typed(over(nameless, "water_per_100", "9"), Units.METRIC), Factors.HANDBOOK))
                .isEmpty();
    }
}
