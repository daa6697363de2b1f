package kilnryu.app.melt;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Units;
import kilnryu.core.material.Alloy;
import kilnryu.core.melt.Bands;
import kilnryu.core.melt.Charge;
import kilnryu.core.melt.ChargeQuestion;
import kilnryu.core.melt.Element;
import kilnryu.core.melt.Furnace;
import kilnryu.core.melt.MakeUp;
import kilnryu.core.melt.Stock;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MelterReaderTest {
    private static Fields typed(String... pairs) {
        Map<String, String> all = new HashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            all.put(pairs[i], pairs[i + 1]);
        }
        return Fields.typed(all, Units.METRIC);
    }

    @Test
    void aFurnaceInWhateverUnit() {
        Fields fields = typed(
                "name",
                "yard burner",
                "power_kW",
                "45",
                "heating",
                "gas",
                "max_C",
                "2550 °F",
                "efficiency_pct",
                "18 %");
        Furnace furnace = MelterReader.furnace(fields).orElseThrow();
        assertThat(furnace.kilowatts()).isEqualTo(45);
        assertThat(furnace.heating()).isEqualTo(Furnace.Heating.GAS);
        assertThat(furnace.most().orElseThrow()).isCloseTo(1398.9, within(0.1));
        assertThat(furnace.efficiency()).hasValue(18);
        assertThat(furnace.heating().burns()).isTrue();
    }

    @ParameterizedTest
    @CsvSource({
        "power_kW, 0, This cannot be zero.",
        "power_kW, -2, This cannot be negative.",
        "max_C, 40, at least 100 °C",
        "efficiency_pct, 140, at most 100 %",
        "heating, steam, is not known here",
    })
    void aFurnaceThatCannotBe(String field, String value, String message) {
        Map<String, String> all = new HashMap<>(Map.of("name", "f", "power_kW", "3", "heating", "gas"));
        all.put(field, value);
        Fields wrong = Fields.typed(all, Units.METRIC);
        assertThat(MelterReader.furnace(wrong)).isEmpty();
        assertThat(wrong.errors().get(field)).contains(message);
    }

    /** 1000 cm3 in a pot 1.3 times as tall as its mouth: d3 = 4000 / (pi 1.3), d = 9.93 cm; mouth 77.4 cm2, wall 480 cm2. */
    @Test
    void aPotWithoutMeasuresIsTakenForAUsualOne() {
        MelterReader.Pot pot = MelterReader.crucible(typed("name", "pot", "capacity_cm3", "1 l"), 3)
                .orElseThrow();
        assertThat(pot.cooling().face() * 1e4).isCloseTo(77.4, within(0.2));
        assertThat(pot.cooling().wall() * 1e4).isCloseTo(480, within(1.5));
        assertThat(pot.kept().uses()).isEqualTo(3);
        assertThat(pot.kept().keptFor()).isEmpty();
        assertThat(pot.crucible().rated()).isEmpty();
    }

    @Test
    void aPotAsItIsKept() {
        MelterReader.Pot pot = MelterReader.crucible(
                        typed(
                                "name", "silver dish",
                                "capacity_cm3", "60",
                                "mouth_mm", "50",
                                "wall_cm2", "70",
                                "family", "silver",
                                "of", "iron",
                                "held_lead", "yes",
                                "covered", "yes",
                                "uses", "31"),
                        2)
                .orElseThrow();
        assertThat(pot.kept().keptFor()).contains(Alloy.Family.SILVER);
        assertThat(pot.kept().iron()).isTrue();
        assertThat(pot.kept().heldLead()).isTrue();
        assertThat(pot.kept().uses()).isEqualTo(33);
        assertThat(pot.cooling().covered()).isTrue();
        assertThat(pot.cooling().wall()).isCloseTo(0.007, within(1e-9));
        assertThat(pot.cooling().face()).isCloseTo(Math.PI / 4 * 0.05 * 0.05, within(1e-9));
    }

    @Test
    void aDayThatIsNoneIsSaid() {
        Fields fields = typed("name", "pot", "capacity_cm3", "60", "looked_on", "last spring");
        assertThat(MelterReader.crucible(fields, 0)).isEmpty();
        assertThat(fields.errors()).containsOnlyKeys("looked_on");
    }

    @Test
    void whatHappensToALot() {
        Fields used = typed("move", "used", "grams", "7 oz");
        assertThat(MetalReader.move(used).orElseThrow().change(1000)).isCloseTo(-198.4, within(0.1));
        assertThat(MetalReader.move(typed("move", "back", "grams", "250"))
                        .orElseThrow()
                        .change(0))
                .isEqualTo(250);
        assertThat(MetalReader.move(typed("move", "counted", "grams", "900"))
                        .orElseThrow()
                        .change(1000))
                .isEqualTo(-100);
        Fields none = typed("grams", "some");
        assertThat(MetalReader.move(none)).isEmpty();
        assertThat(none.errors()).containsOnlyKeys("move", "grams");
    }

    @Test
    void aLotByTheKeyOfAnAlloyIsItsMiddle() {
        Fields fields = typed(
                "name",
                "ingots",
                "kind",
                "ingot",
                "make_up",
                "sn-bronze-90-10",
                "mass_g",
                "2 kg",
                "got_on",
                "2026-02-30");
        assertThat(MetalReader.read(fields, true)).isEmpty();
        assertThat(fields.errors()).containsEntry("got_on", "Write the day as 2026-03-31.");
        Fields right = typed("name", "ingots", "kind", "ingot", "make_up", "sn-bronze-90-10", "mass_g", "2 kg");
        assertThat(MetalReader.read(right, true)
                        .orElseThrow()
                        .makeUp()
                        .orElseThrow()
                        .of(Element.SN))
                .isEqualTo(10);
        Fields unknown = typed("name", "box", "kind", "unknown", "make_up", "Cu 100", "mass_g", "2 kg");
        assertThat(MetalReader.read(unknown, true).orElseThrow().makeUp()).isEmpty();
    }

    /** A charge inside its bands is drawn with dots, one outside with a square and a word. */
    @Test
    void theBandsAreDrawnWithWhereTheChargeIs() {
        Bands bands = Bands.of(Alloy.SI_BRONZE).orElseThrow();
        Stock stock = new Stock(
                "ingots",
                5000,
                OptionalDouble.empty(),
                Optional.of(new MakeUp(Map.of(Element.CU, 95.0, Element.SI, 4.0, Element.MN, 1.0))),
                Stock.Type.INGOT,
                OptionalDouble.empty(),
                OptionalDouble.empty());
        Stock copper = new Stock(
                "copper",
                5000,
                OptionalDouble.empty(),
                Optional.of(MakeUp.pure(Element.CU)),
                Stock.Type.ELEMENT,
                OptionalDouble.empty(),
                OptionalDouble.empty());
        ChargeQuestion q = new ChargeQuestion(Alloy.SI_BRONZE, bands, 1000, java.util.List.of(stock, copper), 50, 10);
        String inside = MakeUpDrawing.beside(bands, new Charge(q, java.util.List.of(1006.0, 0.0), true));
        assertThat(inside).contains("Si  silicon", "3.3 %", "4.5 %", "the rest").doesNotContain("too little");
        String outside = MakeUpDrawing.beside(bands, new Charge(q, java.util.List.of(500.0, 506.0), true));
        // 500 x 4 % x 0.99 = 19.8 g of 500 x 0.9946 + 506 x 0.995 = 1000.8
        assertThat(outside).contains("1.98 %, too little");
        assertThat(MakeUpDrawing.of(stock.makeUp().orElseThrow())).contains("aria-label=\"Cu 95 Si 4 Mn 1\"", ">Cu<");
    }
}
