package kilnryu.core.rubber;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.rubber.RubberMold.Box;
import kilnryu.core.rubber.RubberMold.Jacket;
import kilnryu.core.rubber.RubberMold.Kind;
import kilnryu.core.rubber.RubberMold.Question;
import kilnryu.core.sum.Factors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The tern's body of 1200 cm2 in silicone, by hand. */
class RubberMoldTest {
    private static final OptionalDouble NONE = OptionalDouble.empty();

    private static Question brushed(double area, List<Double> coats, double hardener) {
        return new Question(
                Kind.BRUSHED,
                Material.TIN_SILICONE,
                OptionalDouble.of(area),
                coats,
                NONE,
                NONE,
                OptionalDouble.of(hardener),
                Optional.empty(),
                Optional.of(new Jacket(true, 20)));
    }

    private static RubberMold of(Question q) {
        return RubberMold.of(q, Factors.HANDBOOK);
    }

    private static List<String> ids(Question q) {
        return of(q).findings().all().stream().map(Finding::id).toList();
    }

    /** 1200 cm2 by 0.5 cm by 1.15 by 1.1 = 759 g; at 100 : 10 that is 690 of base and 69 of hardener. */
    @Test
    void rubberIsAreaByThicknessAndItsTwoPartsAddUp() {
        RubberMold mold = of(brushed(1200, List.of(0.6, 1.8, 1.6, 1.0), 10));
        assertThat(mold.rubber().value()).isEqualTo(759, within(1e-9));
        assertThat(mold.base().orElseThrow().value()).isEqualTo(690, within(1e-9));
        assertThat(mold.hardener().orElseThrow().value()).isEqualTo(69, within(1e-9));
        assertThat(mold.coats()).hasSize(4);
        // the first coat: 1200 x 0.06 x 1.15 x 1.1 = 91.08; base 82.8, hardener 8.28
        assertThat(mold.coats().get(0).rubber().value()).isEqualTo(91.08, within(1e-9));
        assertThat(mold.coats().get(0).base().orElseThrow().value()).isEqualTo(82.8, within(1e-9));
        assertThat(mold.coats().get(0).hardener().orElseThrow().value()).isEqualTo(8.28, within(1e-9));
        // jacket: 1200 x 2 x 1.7
        assertThat(mold.jacket().orElseThrow().value()).isEqualTo(4080, within(1e-9));
        assertThat(mold.findings().all()).isEmpty();
    }

    /** A box of 12 x 10 x 8 with 210 cm3 in it: 750 x 1.05 x 1.1 = 866.25 g, at 1 : 1 two halves. */
    @Test
    void aBlockIsItsBoxLessItsModel() {
        RubberMold mold = of(new Question(
                Kind.BLOCK,
                Material.URETHANE,
                NONE,
                List.of(),
                NONE,
                NONE,
                OptionalDouble.of(100),
                Optional.of(new Box(960, 210)),
                Optional.empty()));
        assertThat(mold.rubber().value()).isEqualTo(866.25, within(1e-9));
        assertThat(mold.base().orElseThrow().value())
                .isEqualTo(mold.hardener().orElseThrow().value(), within(1e-9));
        assertThat(mold.coats()).isEmpty();
        assertThat(mold.jacket()).isEmpty();
    }

    @Test
    void densityAndLossMayBeTyped() {
        RubberMold mold = of(new Question(
                Kind.GLOVE,
                Material.PLATINUM_SILICONE,
                OptionalDouble.of(500),
                List.of(6.0),
                OptionalDouble.of(1.2),
                OptionalDouble.of(0),
                OptionalDouble.of(100),
                Optional.empty(),
                Optional.of(new Jacket(false, 4))));
        assertThat(mold.rubber().value()).isEqualTo(360, within(1e-9));
        // resin and glass: 500 x 0.4 x 1.4
        assertThat(mold.jacket().orElseThrow().value()).isEqualTo(280, within(1e-9));
        assertThat(mold.findings().all()).extracting(Finding::id).containsExactly("cure-poisoned");
    }

    @Test
    void vulcanisedRubberHasNoHardener() {
        RubberMold mold = of(new Question(
                Kind.VULCANISED,
                Material.VULCANISED,
                NONE,
                List.of(),
                NONE,
                NONE,
                NONE,
                Optional.of(new Box(100, 20)),
                Optional.empty()));
        assertThat(mold.base()).isEmpty();
        assertThat(mold.hardener()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "1200, 0.6, 1.8, 10, rubber-thin",
        "4000, 0.6, 1.8, 10, rubber-thin",
        "1200, 1.5, 2.4, 10, print-coat-thick",
        "1200, 0.6, 3.0, 10, coat-runs",
        "1200, 0.6, 2.4, 120, hardener-over-base",
        "1200, 0.6, 2.4, 16, hardener-much"
    })
    void whatIsOffIsSaid(double area, double first, double others, double hardener, String id) {
        assertThat(ids(brushed(area, List.of(first, others, others), hardener))).contains(id);
    }

    @Test
    void aLargePieceAsksMoreRubber() {
        List<Double> six = List.of(0.6, 1.8, 1.8, 1.8);
        assertThat(ids(brushed(3000, six, 10))).isEmpty();
        assertThat(ids(brushed(3001, six, 10))).containsExactly("rubber-thin");
    }

    /** 23 C as the sheet says; 33 halves it, 13 doubles it. */
    @ParameterizedTest
    @CsvSource({"23, 40, 16", "33, 20, 8", "13, 80, 32", "28, 28.2843, 11.3137"})
    void warmthHalvesAndColdDoublesTheTime(double room, double pot, double cured) {
        Cure cure = Cure.of(40, 16, room);
        assertThat(cure.potLife().value()).isEqualTo(pot, within(1e-4));
        assertThat(cure.cured().value()).isEqualTo(cured, within(1e-4));
        // twice the pot life until it no longer runs; half of the cure until it is no longer tacky
        assertThat(cure.earliest().value()).isEqualTo(2 * pot, within(1e-3));
        assertThat(cure.latest().value()).isEqualTo(cured * 30, within(1e-2));
    }

    @Test
    void quickRubberStillHasAWindow() {
        // cures in an hour: half of it is 30 min, less than three pot lives of 15
        Cure cure = Cure.of(15, 1, 23);
        assertThat(cure.latest().value()).isEqualTo(45, within(1e-9));
        assertThat(cure.latest().value()).isGreaterThan(cure.earliest().value());
    }

    /** 50 g to 5.5: a tenth too much of hardener at 100 : 10. */
    @Test
    void aWeighedCupIsHeldAgainstItsRatio() {
        assertThat(RubberMold.off(50, 5.5, 10)).isEqualTo(10, within(1e-9));
        assertThat(RubberMold.off(50, 4.5, 10)).isEqualTo(-10, within(1e-9));
    }

    @Test
    void whatCannotBeIsRefused() {
        assertThatThrownBy(() -> Cure.of(0, 16, 23)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Cure.of(40, 0, 23)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Box(100, 100)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Jacket(true, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> brushed(1200, List.of(), 10)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> brushed(1200, List.of(0.0), 10)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> brushed(1200, List.of(1.0), 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Question(
                        Kind.BLOCK,
                        Material.URETHANE,
                        OptionalDouble.of(100),
                        List.of(),
                        NONE,
                        NONE,
                        NONE,
                        Optional.empty(),
                        Optional.empty()))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void materialsSayWhatCanHurt() {
        for (Material m : Material.values()) {
            assertThat(m.cautions()).isNotEmpty();
            assertThat(Material.named(m.key())).contains(m);
            assertThat(m.pullsTo()).isGreaterThan(m.pullsFrom());
        }
        assertThat(Material.URETHANE.cautions()).anyMatch(c -> c.contains("Isocyanate"));
        assertThat(Material.PLATINUM_SILICONE.poisons()).contains("sulphur");
        assertThat(Kind.named("glove")).contains(Kind.GLOVE);
        assertThat(Kind.BLOCK.jacketed()).isFalse();
    }

    /** A jacket that holds 800 cm3 around a model of 500: 300 x 1.15 x 1.1 = 379.5 g, and no coats. */
    @Test
    void aGloveIsReckonedByWhatItsJacketHolds() {
        RubberMold glove = of(new Question(
                Kind.GLOVE,
                Material.TIN_SILICONE,
                NONE,
                List.of(),
                NONE,
                NONE,
                OptionalDouble.of(10),
                Optional.of(new Box(800, 500)),
                Optional.empty()));
        assertThat(glove.rubber().value()).isEqualTo(379.5, within(1e-9));
        assertThat(glove.coats()).isEmpty();
        assertThat(glove.base().orElseThrow().value()).isEqualTo(345, within(1e-9));
    }

    /** 5 % of 1200 cm2 by 0.18 cm by 1.15 by 1.1 = 273.24 g are 13.66 g. */
    @Test
    void thickenerGoesByTheMassOfItsCoat() {
        RubberMold mold = of(brushed(1200, List.of(0.6, 1.8), 10));
        assertThat(RubberMold.thickener(mold.coats().get(1), 5).value()).isEqualTo(13.662, within(1e-9));
    }
}
