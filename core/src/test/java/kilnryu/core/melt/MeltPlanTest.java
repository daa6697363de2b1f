package kilnryu.core.melt;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.material.Alloy;
import kilnryu.core.sum.Factors;
import kilnryu.core.tree.Crucible;
import org.junit.jupiter.api.Test;

class MeltPlanTest {
    private static final Crucible SMALL = new Crucible(OptionalDouble.of(200), OptionalDouble.empty());
    private static final Furnace THREE_KW =
            new Furnace(3, Furnace.Heating.RESISTANCE, OptionalDouble.empty(), OptionalDouble.of(1200));

    private static MeltPlan plan(double grams, Furnace furnace, Optional<MeltQuestion.Carry> carry) {
        return MeltPlan.of(new MeltQuestion(Alloy.SI_BRONZE, grams, 20, 1100, furnace, SMALL, carry), Factors.HANDBOOK);
    }

    @Test
    void aKiloOfSiliconBronzeByHand() {
        // 0.42 x 950 + 205 + 0.5 x 130 = 669 kJ; at 55 % of 3 kW: 405.45 s
        MeltPlan melt = plan(1000, THREE_KW, Optional.empty());
        assertThat(melt.tap().value()).isEqualTo(1100);
        assertThat(melt.heat().value()).isCloseTo(669, within(1e-9));
        assertThat(melt.minutes().value()).isCloseTo(6.7576, within(1e-4));
        assertThat(melt.energy().value()).isCloseTo(0.33788, within(1e-5));
        assertThat(melt.heats()).isEqualTo(1);
        // 1000 / (8.36 x 0.955) = 125.25 cm3 of 200
        assertThat(melt.volume().value()).isCloseTo(125.25, within(0.01));
        assertThat(melt.fill().orElseThrow().value()).isCloseTo(62.63, within(0.01));
        assertThat(melt.findings().all()).isEmpty();
    }

    @Test
    void twoHeatsAndAFurnaceThatCannotReachItAreSaid() {
        MeltPlan melt = plan(
                2500,
                new Furnace(3, Furnace.Heating.GAS, OptionalDouble.of(25), OptionalDouble.of(1050)),
                Optional.empty());
        // 313.1 cm3 over 170
        assertThat(melt.heats()).isEqualTo(2);
        assertThat(melt.fill().orElseThrow().value()).isCloseTo(78.28, within(0.01));
        assertThat(melt.findings().all()).extracting(Finding::id).containsExactly("furnace-too-weak", "heats", "fuel");
        assertThat(melt.minutes().value()).isCloseTo(2500 * 0.669 / 0.75 / 60, within(1e-6));
    }

    @Test
    void aFurnaceThatJustReachesItIsTightAndOneOfUnknownReachNotJudged() {
        Furnace tight = new Furnace(3, Furnace.Heating.INDUCTION, OptionalDouble.empty(), OptionalDouble.of(1120));
        assertThat(plan(1000, tight, Optional.empty()).findings().has("furnace-tight"))
                .isTrue();
        Furnace silent = new Furnace(3, Furnace.Heating.CHARCOAL, OptionalDouble.empty(), OptionalDouble.empty());
        assertThat(plan(1000, silent, Optional.empty()).findings().all())
                .extracting(Finding::message)
                .contains("Not yet judged: how hot the furnace gets.");
    }

    @Test
    void metalIsTappedSoMuchHotterAsItLosesOnItsWay() {
        PotCooling pot = new PotCooling(0.002, 0.02, false, 20);
        MeltPlan melt = plan(1000, THREE_KW, Optional.of(new MeltQuestion.Carry(60, pot)));
        assertThat(melt.tap().value()).isGreaterThan(1120);
        assertThat(pot.after(melt.tap().value(), 1000, Alloy.SI_BRONZE, 60)).isCloseTo(1100, within(1e-3));
        assertThat(melt.heat().value()).isGreaterThan(669);
    }

    @Test
    void aPotThatOnlyLosesToTheAirCoolsByAnExponential() {
        // 25 x 0.02 W/K over 2 kg x 500 J/(kg K): exp(-0.05) after 100 s
        PotCooling wall = new PotCooling(0, 0.02, false, 20);
        assertThat(wall.after(1120, 2000, Alloy.SI_BRONZE, 100)).isCloseTo(20 + 1100 * Math.exp(-0.05), within(1e-6));
    }

    @Test
    void aFaceThatOnlyRadiatesIntoTheColdOfSpaceCoolsByTheThirdPower() {
        PotCooling face = new PotCooling(0.01, 0, true, -273.15);
        double k = 0.9 * 5.670374419e-8 * 0.01 / (2 * 500);
        double t = 1120 + 273.15;
        assertThat(face.after(1120, 2000, Alloy.SI_BRONZE, 120))
                .isCloseTo(Math.pow(Math.pow(t, -3) + 3 * k * 120, -1 / 3.0) - 273.15, within(1e-4));
    }

    @Test
    void moreMetalNeverCoolsFasterInTheSamePotAndACoverRadiatesMore() {
        PotCooling pot = new PotCooling(0.004, 0.03, false, 20);
        double before = 0;
        for (int grams = 200; grams <= 20_000; grams += 300) {
            double after = pot.after(1150, grams, Alloy.GUNMETAL, 90);
            assertThat(after).isGreaterThan(before);
            before = after;
        }
        assertThat(new PotCooling(0.004, 0.03, true, 20).after(1150, 2000, Alloy.GUNMETAL, 90))
                .isLessThan(pot.after(1150, 2000, Alloy.GUNMETAL, 90));
    }

    @Test
    void whatThePotLosesIsWhatTheMetalHad() {
        PotCooling pot = new PotCooling(0.004, 0.03, false, 20);
        double lost = 0;
        double t = 1150;
        for (int s = 0; s < 600; s++) {
            double next = pot.after(t, 3000, Alloy.GUNMETAL, 1);
            lost += (pot.watts(t) + pot.watts(next)) / 2;
            t = next;
        }
        assertThat(lost).isCloseTo(3 * 480 * (1150 - t), within(1.0));
    }

    @Test
    void aColdLadleTakesItsOwnHeatFirst() {
        // 5 kg of 480 and 2 kg of 490 at 20: (2400 x 1150 + 980 x 20) / 3380
        assertThat(PotCooling.inLadle(1150, 5000, Alloy.GUNMETAL, new PotCooling.Ladle(2000, 490, 20)))
                .isCloseTo(822.37, within(0.01));
    }

    @Test
    void finenessUpAndDownByTheSimpleRule() {
        assertThat(Fineness.fineToAdd(100, 80, 92.5).value()).isCloseTo(166.667, within(1e-3));
        assertThat(Fineness.alloyToAdd(100, 99.9, 92.5).value()).isCloseTo(8.0, within(1e-3));
        assertThatThrownBy(() -> Fineness.fineToAdd(100, 95, 92.5)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Fineness.alloyToAdd(100, 90, 92.5)).isInstanceOf(IllegalArgumentException.class);
        var tin = Fineness.part(2500, 10, "tin");
        assertThat(tin.value()).isEqualTo(250);
        assertThat(Fineness.rest(2500, tin, "copper").value()).isEqualTo(2250);
        assertThat(tin.substituted()).isEqualTo("2500 g × 10 %");
    }

    @Test
    void anAlloyThatIsNotTabledIsNotReckoned() {
        assertThatThrownBy(() -> MeltPlan.of(
                        new MeltQuestion(Alloy.STEEL, 1000, 20, 1600, THREE_KW, SMALL, Optional.empty()),
                        Factors.HANDBOOK))
                .hasMessage("The melting of stainless steel is not tabled.");
    }
}
