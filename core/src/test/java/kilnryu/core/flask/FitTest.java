package kilnryu.core.flask;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import kilnryu.core.finding.Finding;
import kilnryu.core.flask.Fit.Shop;
import kilnryu.core.flask.Fit.Stand;
import kilnryu.core.flask.Fit.Table;
import kilnryu.core.flask.Fit.Verdict;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Volume;
import kilnryu.core.sum.Factors;
import org.junit.jupiter.api.Test;

/** A tree held against the flasks of a studio; clearances of handbook 4: 10 mm to D 100, 15 over; ends 15 and 25. */
class FitTest {
    private static final OptionalDouble NO = OptionalDouble.empty();
    private static final Shop ANY = new Shop(NO, NO, NO, NO, NO, Table.NONE);
    private static final StudioFlask SMALL = round("D 80 × 120", 80, 120);
    private static final StudioFlask MIDDLE = round("D 100 × 150", 100, 150);
    private static final StudioFlask LARGE = round("D 150 × 200", 150, 200);

    private static StudioFlask round(String name, double inner, double height) {
        return new StudioFlask(name, name, inner, Optional.empty(), height, 2, false, 1, 0);
    }

    private static Flask mix(double tree) {
        return new Flask(
                Length.millimetres(1),
                Length.millimetres(1),
                Volume.cubicCentimetres(tree),
                Optional.empty(),
                InvestmentSystem.GYPSUM_JEWELRY,
                NO,
                NO,
                NO,
                Optional.empty(),
                Optional.empty());
    }

    private static Stand upright(double width, double height) {
        return new Stand(width, width, height, 0, 0, 12);
    }

    private static Fit fit(Stand stand, Shop shop, MixSchool school, StudioFlask... flasks) {
        return Fit.of(List.of(flasks), stand, shop, mix(20), school, Factors.HANDBOOK);
    }

    private static Fit fit(Stand stand, StudioFlask... flasks) {
        return fit(stand, ANY, MixSchool.VACUUM, flasks);
    }

    private static List<String> against(Fit fit, int flask) {
        return fit.verdicts().get(flask).against().stream()
                .map(Finding::message)
                .toList();
    }

    /** 60 wide and 105 high: in D 80 just 10 to the wall and 15 to the end. */
    @Test
    void theSmallestThatFitsIsChosen() {
        Fit fit = fit(upright(60, 105), LARGE, SMALL, MIDDLE);
        assertThat(fit.verdicts()).extracting(v -> v.flask().name()).startsWith("D 80 × 120");
        assertThat(fit.chosen().orElseThrow().flask()).isEqualTo(SMALL);
        assertThat(fit.changes()).isEmpty();
        Fit wider = fit(upright(61, 105), LARGE, SMALL, MIDDLE);
        assertThat(wider.chosen().orElseThrow().flask()).isEqualTo(MIDDLE);
        assertThat(against(wider, 0)).containsExactly("too near the wall by 1 mm");
        assertThat(against(fit(upright(60, 110), SMALL), 0)).containsExactly("too near the open end by 5 mm");
    }

    @Test
    void aTreeWiderThanTheFlaskDoesNotGoIn() {
        assertThat(against(fit(upright(90, 60), SMALL), 0)).containsExactly("5 mm too large at the wall");
    }

    /** 150 + 25 for the rise against 170 under the bell. */
    @Test
    void theBellHasToCloseOverTheRise() {
        Shop bell = new Shop(OptionalDouble.of(200), OptionalDouble.of(170), NO, NO, NO, Table.NONE);
        assertThat(against(fit(upright(50, 60), bell, MixSchool.VACUUM, MIDDLE), 0))
                .containsExactly("does not go under the bell jar: 5 mm too high with room to rise");
        assertThat(fit(upright(50, 60), bell, MixSchool.SLOW_POUR, MIDDLE).chosen())
                .isPresent();
        Shop narrow = new Shop(OptionalDouble.of(100), NO, NO, NO, NO, Table.NONE);
        assertThat(against(fit(upright(50, 60), narrow, MixSchool.VACUUM, MIDDLE), 0))
                .containsExactly("does not go under the bell jar: 4 mm too wide");
    }

    /**
     * D 150 x 200 is 3534 cm3; less 20 of tree and 4 % over it takes 3655 cm3, 4703 g powder and 1881 g water, with 19 g
     * of tree and 1500 g of steel 8.1 kg.
     */
    @Test
    void whatIsTooHeavyIsRejected() {
        Verdict verdict = fit(upright(60, 100), LARGE).verdicts().get(0);
        assertThat(verdict.flask().steel()).isCloseTo(1499.5, within(1.0));
        assertThat(verdict.filled()).isCloseTo(8.1, within(0.05));
        Shop eight = new Shop(NO, NO, NO, NO, OptionalDouble.of(8), Table.NONE);
        assertThat(against(fit(upright(60, 100), eight, MixSchool.VACUUM, LARGE), 0))
                .containsExactly("8 kg filled; 8 are carried here");
    }

    @Test
    void theKilnHasToTakeIt() {
        Shop low = new Shop(NO, NO, OptionalDouble.of(150), OptionalDouble.of(190), NO, Table.NONE);
        assertThat(against(fit(upright(60, 100), low, MixSchool.VACUUM, LARGE), 0))
                .containsExactly("the kiln is 10 mm too low for it", "the kiln is 4 mm too narrow for it");
    }

    /** Leaning by 30 degrees, 20 wide and 100 high: 20 cos + 100 sin = 67.3 wide, 86.6 + 10 = 96.6 high. */
    @Test
    void aLeaningTreeIsWiderAndLower() {
        Stand leaning = new Stand(20, 20, 100, 30, 0, 1);
        Verdict verdict = fit(leaning, MIDDLE).verdicts().get(0);
        assertThat(verdict.wall()).isCloseTo((100 - 67.32) / 2, within(0.01));
        assertThat(verdict.end()).isCloseTo(150 - 96.60, within(0.01));
    }

    /** An oval of 100 by 60 takes a tree of 80 by 40 with 10 each way, the wide side along the long way. */
    @Test
    void anOvalIsFilledTheLongWay() {
        StudioFlask oval = new StudioFlask("o", "oval", 100, Optional.of(60.0), 120, 2, true, 1, 0);
        assertThat(fit(new Stand(40, 80, 60, 0, 0, 1), oval).verdicts().get(0).wall())
                .isCloseTo(10, within(1e-9));
        assertThat(fit(new Stand(80, 62, 60, 0, 0, 1), oval).verdicts().get(0).wall())
                .isCloseTo(-1, within(1e-9));
        // pi / 4 * 100 * 60 * 120 / 1000
        assertThat(oval.volume()).isCloseTo(565.49, within(0.01));
    }

    @Test
    void whatFitsNowhereIsToldWhatWouldChangeIt() {
        Fit nowhere = fit(upright(70, 150), SMALL, MIDDLE);
        assertThat(nowhere.chosen()).isEmpty();
        assertThat(nowhere.changes().get(0)).isEqualTo("15 mm shorter: it goes into D 100 × 150.");
        assertThat(nowhere.changes().get(1)).startsWith("Two trees of half the pieces, about 75 mm high, in D 100");
        assertThat(nowhere.changes()).anyMatch(c -> c.contains("block")).anyMatch(c -> c.contains("shell"));
        assertThat(fit(upright(90, 100), MIDDLE).changes().get(0))
                .isEqualTo("10 mm narrower: it goes into D 100 × 150.");
        assertThat(fit(new Stand(60, 60, 150, 0, 0, 1), SMALL).changes()).noneMatch(c -> c.contains("Two trees"));
    }

    @Test
    void aTreeLargerThanTheFlaskIsSaid() {
        Fit fit = Fit.of(List.of(SMALL), upright(60, 100), ANY, mix(700), MixSchool.VACUUM, Factors.HANDBOOK);
        assertThat(against(fit, 0)).contains("the tree is larger than the flask");
    }

    /** Whatever the flask, powder, water and tree account for its volume: (powder / d + water) / 1.04 + tree is the inside. */
    @Test
    void powderWaterAndTreeFillTheFlaskExactly() {
        Random random = new Random(3);
        for (int i = 0; i < 100; i++) {
            StudioFlask flask = new StudioFlask(
                    "f",
                    "f",
                    60 + 100 * random.nextDouble(),
                    random.nextBoolean() ? Optional.empty() : Optional.of(50.0),
                    80 + 200 * random.nextDouble(),
                    2,
                    false,
                    1,
                    0);
            FlaskPlan plan =
                    fit(upright(30, 40), flask).verdicts().get(0).plan().orElseThrow();
            double slurry = plan.powder().value() / 2.65 + plan.water().value();
            assertThat(slurry / 1.04 + 20).isCloseTo(flask.volume(), within(1e-6 * flask.volume()));
        }
    }

    @Test
    void aPerforatedFlaskIsLighter() {
        List<StudioFlask> two = new ArrayList<>();
        for (boolean holes : new boolean[] {false, true}) {
            two.add(new StudioFlask("f", "f", 100, Optional.empty(), 150, 2, holes, 1, 0));
        }
        assertThat(two.get(1).steel()).isCloseTo(0.7 * two.get(0).steel(), within(1e-9));
    }

    private static List<String> beside(StudioFlask flask, Table table) {
        return fit(upright(60, 100), new Shop(NO, NO, NO, NO, NO, table), MixSchool.VACUUM, flask)
                .verdicts()
                .get(0)
                .beside()
                .stream()
                .map(Finding::message)
                .toList();
    }

    /** D 100 is 104 outside; a tree of 100 in it ends 50 mm from the base and 20 from the wall. */
    @Test
    void theVacuumOfThePourReachesOnlySoFar() {
        assertThat(beside(MIDDLE, new Table(OptionalDouble.of(103), OptionalDouble.of(50))))
                .isEmpty();
        assertThat(beside(MIDDLE, new Table(OptionalDouble.of(104), OptionalDouble.of(49))))
                .containsExactly(
                        "does not cover the pouring table's opening of 104 mm",
                        "the vacuum of the pour reaches 49 mm; the tree ends 50 mm from the base");
        StudioFlask holes = new StudioFlask("p", "p", 100, Optional.empty(), 150, 2, true, 1, 0);
        assertThat(beside(holes, new Table(NO, OptionalDouble.of(49)))).isEmpty();
        assertThat(beside(holes, new Table(NO, OptionalDouble.of(19))))
                .containsExactly("the vacuum of the pour reaches 19 mm; the tree ends 20 mm from the wall");
    }

    @Test
    void whatThePourTableSaysRejectsNoFlask() {
        Table table = new Table(OptionalDouble.of(500), OptionalDouble.of(1));
        assertThat(fit(upright(60, 100), new Shop(NO, NO, NO, NO, NO, table), MixSchool.VACUUM, MIDDLE)
                        .chosen())
                .isPresent();
    }
}
