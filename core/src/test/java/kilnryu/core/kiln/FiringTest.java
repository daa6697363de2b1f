package kilnryu.core.kiln;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import kilnryu.core.finding.Finding;
import kilnryu.core.heat.Face;
import kilnryu.core.heat.Medium;
import kilnryu.core.kiln.FiringProgram.Segment;
import kilnryu.core.material.PatternMaterial;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FiringTest {
    private static final Mold FLASK = Mold.flask(0.076, 0.120, Setting.GYPSUM);

    private static Firing fired(Optional<Kiln> kiln, Segment... segments) {
        return Firing.of(new Firing.Question(FLASK, FiringProgram.of(20, List.of(segments)), kiln, 1, 1));
    }

    private static List<String> found(Firing firing, double highest, Optional<Kiln> kiln) {
        return FiringChecks.check(firing, new FiringChecks.Of("", 750, true, 200), highest, kiln).all().stream()
                .map(Finding::id)
                .toList();
    }

    /** 3 kW and 1100 C: 1265 at infinity, 3000 / 1245 = 2.4096 W/K; to 700 in an hour 10980 J/K. */
    @Test
    void aKilnByItsPlateAndOneTrial() {
        Kiln kiln = Kiln.of(3, 1100, 60);
        assertThat(kiln.lossPerK()).isCloseTo(2.40964, within(1e-5));
        assertThat(kiln.capacity()).isCloseTo(10_979.7, within(1.0));
        assertThat(kiln.highest()).isCloseTo(1265, within(1e-9));
        assertThatThrownBy(() -> Kiln.of(3, 600, 60)).isInstanceOf(IllegalArgumentException.class);
    }

    /** 130 K at 130 K/h take an hour, then half an hour of hold. */
    @Test
    void aProgramIsRampsAndHolds() {
        FiringProgram program = FiringProgram.of(20, List.of(new Segment(130, 150, 30), new Segment(100, 50, 0)));
        assertThat(program.seconds()).isCloseTo(9000, within(1e-9));
        assertThat(program.at(1800)).isCloseTo(85, within(1e-9));
        assertThat(program.at(4500)).isEqualTo(150);
        assertThat(program.at(7200)).isCloseTo(100, within(1e-9));
        assertThat(program.at(1e9)).isEqualTo(50);
        assertThatThrownBy(() -> FiringProgram.of(20, List.of())).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> FiringProgram.of(20, List.of(new Segment(0, 100, 0))))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest
    @CsvSource({"20, 0", "110, 0.025", "200, 0.05", "240, 0.40", "280, 0.75", "575, 1.05", "700, 1.15", "-5, 0"})
    void growthByTheHandbooksCurve(double celsius, double percent) {
        assertThat(Expansion.percent(celsius)).isCloseTo(percent, within(1e-9));
    }

    /** 3 per hour at 700 C, a third of it closed; at 600 C exp(-140000 / R (1/873.15 - 1/973.15)) of it, 0.138. */
    @Test
    void charBurnsByArrhenius() {
        assertThat(Char.rate(700, 1) * 3600).isCloseTo(3, within(1e-9));
        assertThat(Char.rate(700, 0.3) * 3600).isCloseTo(0.9, within(1e-9));
        assertThat(Char.rate(600, 1) / Char.rate(700, 1)).isCloseTo(0.1378, within(0.0005));
    }

    /** W/P 40 and 2.65: (40 - 5.58) / 77.736 = 0.4428 g/cm3 free; W/P 45: 39.42 / 82.736 = 0.4765. */
    @Test
    void moreWaterInTheMixIsMoreToDry() {
        assertThat(Setting.gypsum(40, 2.65).freeWater()).isCloseTo(442.8, within(0.1));
        assertThat(Setting.gypsum(40, 2.65).density()).isCloseTo(1290, within(1e-9));
        assertThat(Setting.gypsum(45, 2.65).freeWater()).isCloseTo(476.5, within(0.1));
        assertThat(Setting.gypsum(45, 2.65).density()).isCloseTo(1290 * 77.7358 / 82.7358, within(0.01));
    }

    /** Handbook 2: resin 1 to 4 % of char and no ash; plants 2 to 6 % of ash, which no heat takes away. */
    @Test
    void charAndMineralAshAreTwoThings() {
        assertThat(PatternMaterial.CASTABLE_RESIN.charPercent()).isEqualTo(2.5);
        assertThat(PatternMaterial.CASTABLE_RESIN.ashPercent()).isZero();
        assertThat(PatternMaterial.ORGANIC.ashPercent()).isBetween(2.0, 6.0);
        assertThat(PatternMaterial.FILAMENT_PLA.ashPercent()).isBetween(0.1, 0.5);
        assertThat(PatternMaterial.INJECTION_WAX.charPercent()).isEqualTo(0.2);
    }

    @Test
    void aFlaskDriesBurnsOutAndComesDown() {
        Firing firing = fired(
                Optional.empty(),
                new Segment(150, 150, 330),
                new Segment(30, 290, 0),
                new Segment(100, 730, 240),
                new Segment(200, 540, 120));
        assertThat(firing.past().get(0)).isPresent();
        assertThat(firing.past().get(1).getAsDouble())
                .isGreaterThan(firing.past().get(0).getAsDouble());
        assertThat(firing.most()).isCloseTo(730, within(1.0));
        assertThat(firing.end()).isCloseTo(540, within(3.0));
        assertThat(firing.trace().get(0).water()).isEqualTo(100);
        assertThat(firing.trace().get(firing.trace().size() - 1).water()).isZero();
        assertThat(firing.residue()).isLessThan(0.02);
        assertThat(firing.energy()).isEmpty();
        assertThat(found(firing, 730, Optional.empty())).isEmpty();
    }

    @Test
    void aSmallKilnLagsItsProgram() {
        Optional<Kiln> weak = Optional.of(Kiln.of(1.2, 1000, 120));
        Firing firing = fired(weak, new Segment(600, 700, 60));
        double behind = firing.trace().stream()
                .mapToDouble(m -> m.program() - m.kiln())
                .max()
                .orElseThrow();
        assertThat(behind).isGreaterThan(50);
        assertThat(firing.energy().getAsDouble()).isBetween(0.5, 1.2 * firing.minutes() / 60 + 1e-9);
        assertThat(firing.trace()).allSatisfy(m -> assertThat(m.kiln()).isLessThan(m.program() + 2));
    }

    /** 0.3 kW and 620 C at most lose at 700 what they have at 713: 650 C is all a loaded program gets in its time. */
    @Test
    void aKilnThatCannotComeThereSaysHowFarItComes() {
        Optional<Kiln> cool = Optional.of(Kiln.of(2, 620, 200));
        Firing firing = fired(cool, new Segment(300, 740, 30));
        assertThat(found(firing, 740, cool)).contains("kiln-too-cool");
    }

    @Test
    void whatGoesWrongIsSaid() {
        assertThat(found(fired(Optional.empty(), new Segment(150, 100, 30)), 100, Optional.empty()))
                .contains("still-wet", "core-below-680");
        assertThat(found(fired(Optional.empty(), new Segment(150, 790, 300)), 790, Optional.empty()))
                .contains("overheated");
        assertThat(found(fired(Optional.empty(), new Segment(6000, 730, 300)), 730, Optional.empty()))
                .contains("strain");
        assertThat(found(fired(Optional.empty(), new Segment(150, 690, 60)), 690, Optional.empty()))
                .contains("residue");
    }

    /** A longer hold at drying heat never leaves it wetter, whatever the program. */
    @Test
    void aLongerHoldIsNeverWetter() {
        Random random = new Random(6);
        for (int i = 0; i < 8; i++) {
            double rate = 60 + 300 * random.nextDouble();
            double target = 105 + 60 * random.nextDouble();
            double hold = 20 + 120 * random.nextDouble();
            double less = left(fired(Optional.empty(), new Segment(rate, target, hold)));
            double more = left(fired(Optional.empty(), new Segment(rate, target, hold + 20)));
            assertThat(more)
                    .as("%.0f K/h to %.0f C, %.0f min", rate, target, hold)
                    .isLessThanOrEqualTo(less);
        }
    }

    private static double left(Firing firing) {
        return firing.trace().get(firing.trace().size() - 1).water();
    }

    @Test
    void aMediumThatIsNoSolidIsRefused() {
        assertThatThrownBy(() -> new Medium(0, 900, 0, 0, 0, 1, 1, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Medium(1000, 900, 0, -1, 0, 1, 1, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Face(-1, 0)).isInstanceOf(IllegalArgumentException.class);
    }

    /** Half of 442.8 kg of water left: a conductivity half way between wet and dry, all else as it was. */
    @Test
    void aMoldThatHasDriedHoldsLessWater() {
        Medium half = Setting.dried(Setting.gypsum(40, 2.65), 0.5);
        assertThat(half.freeWater()).isCloseTo(221.4, within(0.1));
        assertThat(half.kWet()).isCloseTo(0.725, within(1e-9));
        assertThat(half.boundWater()).isEqualTo(70);
        Segment[] program = {new Segment(150, 150, 600)};
        Mold fresh = Mold.bare(0.076, 0.120, Setting.GYPSUM);
        Mold dried = Mold.bare(0.076, 0.120, Setting.dried(Setting.GYPSUM, 0.3));
        assertThat(dry(dried, program)).isLessThan(dry(fresh, program) - 60);
    }

    private static double dry(Mold mold, Segment... segments) {
        return Firing.of(new Firing.Question(mold, FiringProgram.of(20, List.of(segments)), Optional.empty(), 1, 1))
                .past()
                .get(0)
                .getAsDouble();
    }

    /** 200 K/h is the limit of 76 mm: 600 from 150 up on a wet mold is three times it; dried before, nothing is said. */
    @Test
    void steamOfAFastRampOnAWetMoldIsSaid() {
        List<String> fast = found(
                fired(
                        Optional.empty(),
                        new Segment(150, 150, 20),
                        new Segment(600, 730, 300),
                        new Segment(200, 540, 90)),
                730,
                Optional.empty());
        assertThat(fast).contains("steam");
        List<String> dried = found(
                fired(
                        Optional.empty(),
                        new Segment(150, 150, 500),
                        new Segment(200, 730, 300),
                        new Segment(200, 540, 90)),
                730,
                Optional.empty());
        assertThat(dried).doesNotContain("steam");
    }

    /** Over half of the water with the face over 400 C stops, over a fifth is warned of. */
    @Test
    void howMuchWaterDecidesHowBadSteamIs() {
        Firing early = fired(Optional.empty(), new Segment(900, 730, 300));
        Steam much = Steam.of(early, 200);
        assertThat(much.water()).isGreaterThan(50);
        assertThat(FiringChecks.check(early, new FiringChecks.Of("", 750, true, 200))
                        .stops())
                .extracting(Finding::id)
                .contains("steam");
        Firing later = fired(Optional.empty(), new Segment(200, 150, 180), new Segment(200, 730, 300));
        double water = Steam.of(later, 200).water();
        assertThat(FiringChecks.check(later, new FiringChecks.Of("", 750, true, 200))
                        .has("steam"))
                .isEqualTo(water > 20);
        assertThat(water).isLessThan(much.water());
    }
}
