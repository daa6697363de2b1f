package kilnryu.core.kiln;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import kilnryu.core.heat.Face;
import kilnryu.core.kiln.FiringProgram.Segment;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;

class KilnRunTest {
    private static KilnRun.Charge flask(String name, double diameter) {
        return new KilnRun.Charge(name, Mold.flask(diameter, 0.12, Setting.GYPSUM), 1, 1, 1);
    }

    private static KilnRun run(List<KilnRun.Charge> load, Optional<Kiln> kiln, Segment... segments) {
        KilnRun run = new KilnRun(load, kiln, 20, KilnRun.Detail.QUICK);
        run.go(FiringProgram.of(20, List.of(segments)));
        return run;
    }

    /** A square of 100 mm: 4.8097 / (pi sqrt(2)) x 100 = 108.3; a slab of 100 by very much: 153.1. */
    @Test
    void aBlockIsTheCylinderThatTakesAsLong() {
        assertThat(Mold.cylinderOf(100, 100)).isCloseTo(108.26, within(0.01));
        assertThat(Mold.cylinderOf(100, 1e6)).isCloseTo(153.10, within(0.01));
    }

    /** Half hemihydrate: (55 - 9.3) / (100/2.63 + 55) = 0.4912 g/cm3 free; bound 70 x 50/30 by the powder in it. */
    @Test
    void plasterAndSilicaHoldsMoreBoundWater() {
        var medium = Setting.gypsum(55, 2.63, 50);
        double mix = 100 / 2.63 + 55;
        assertThat(medium.freeWater()).isCloseTo((55 - 9.3) / mix * 1000, within(1e-6));
        assertThat(medium.boundWater()).isCloseTo(70 * (100 / 2.65 + 40) / mix * 5 / 3, within(1e-6));
    }

    @Test
    void eachMoldOfALoadGoesAsItWouldAlone() {
        Segment[] program = {new Segment(150, 150, 300), new Segment(150, 730, 120)};
        KilnRun both = run(List.of(flask("a", 0.06), flask("b", 0.09)), Optional.empty(), program);
        KilnRun alone = run(List.of(flask("b", 0.09)), Optional.empty(), program);
        assertThat(both.core(1)).isCloseTo(alone.core(0), within(1e-9));
        assertThat(both.core(0)).isGreaterThan(both.core(1) - 1e-9);
        assertThat(both.energy()).isEmpty();
    }

    /** Two alike reckoned once take what two take. */
    @Test
    void alikeMoldsAreReckonedOnce() {
        Optional<Kiln> kiln = Optional.of(Kiln.of(3, 1100, 90));
        Segment[] program = {new Segment(150, 150, 300), new Segment(150, 730, 60)};
        KilnRun two = run(List.of(flask("a", 0.08), flask("b", 0.08)), kiln, program);
        KilnRun.Charge pair = new KilnRun.Charge("both", Mold.flask(0.08, 0.12, Setting.GYPSUM), 2, 1, 1);
        KilnRun once = run(List.of(pair), kiln, program);
        assertThat(once.energy().getAsDouble())
                .isCloseTo(
                        two.energy().getAsDouble(), within(0.001 * two.energy().getAsDouble()));
        assertThat(once.core(0)).isCloseTo(two.core(0), within(0.2));
    }

    /** Empty, steady at 700: 2.40964 W/K x 680 K = 1638.6 W, a kilowatt-hour and 0.64 each hour. */
    @Test
    void anEmptyKilnPaysForItsWall() {
        KilnRun run = new KilnRun(List.of(), Optional.of(Kiln.of(3, 1100, 60)), 700, KilnRun.Detail.QUICK);
        run.go(10 * 3600, t -> 700);
        assertThat(run.energy().getAsDouble()).isCloseTo(16.386, within(0.001));
        assertThat(run.kilnC()).isCloseTo(700, within(1e-6));
    }

    @Test
    void aDoorAjarCostsAndAKilnWithoutPowerFalls() {
        Kiln kiln = Kiln.of(3, 1100, 60);
        KilnRun ajar = new KilnRun(List.of(), Optional.of(kiln.ajar()), 500, KilnRun.Detail.QUICK);
        ajar.go(3600, t -> 400);
        KilnRun shut = new KilnRun(List.of(), Optional.of(kiln), 400, KilnRun.Detail.QUICK);
        shut.go(3600, t -> 400);
        assertThat(ajar.energy().getAsDouble()).isGreaterThan(2 * shut.energy().getAsDouble());
        KilnRun dead = new KilnRun(List.of(), Optional.of(kiln.atPower(0)), 700, KilnRun.Detail.QUICK);
        dead.go(3600, t -> 700);
        // 20 + 680 exp(-3600 x 2.40964 / 10979.7) = 328.6
        assertThat(dead.kilnC()).isCloseTo(328.6, within(8.0));
        assertThat(dead.behind()).isGreaterThan(350);
    }

    /** On a shelf, in its steel, or with neighbours it dries later; never sooner. */
    @Test
    void whatKeepsHeatAwayMakesItDryLater() {
        Mold bare = Mold.bare(0.08, 0.12, Setting.GYPSUM);
        double free = dry(bare);
        assertThat(dry(bare.onShelf())).isGreaterThan(free);
        assertThat(dry(bare.inSteel(0.0016))).isGreaterThan(free);
        assertThat(dry(bare.beside(0.6))).isGreaterThan(free);
        assertThat(new Face(10, 0.9).behind(10).equals(new Face(10, 0.9))).isFalse();
    }

    private static double dry(Mold mold) {
        KilnRun run =
                run(List.of(new KilnRun.Charge("m", mold, 1, 1, 1)), Optional.empty(), new Segment(200, 150, 1500));
        return run.firing(0).past().get(0).getAsDouble();
    }

    /** 10 mm of shell: its inside behind the kiln by minutes, not by hours; its wall holds 1550 kg/m3. */
    @Test
    void aShellIsThroughInMinutes() {
        KilnRun run = run(
                List.of(new KilnRun.Charge("shell", Mold.shell(0.010, 0.05), 1, 0.2, 1)),
                Optional.empty(),
                new Segment(300, 900, 30));
        assertThat(run.core(0)).isCloseTo(900, within(2.0));
        assertThat(run.firing(0).lag()).isBetween(5.0, 80.0);
        assertThat(run.mismatch(0)).isZero();
        assertThat(run.water(0)).isZero();
    }

    @Test
    void picturesAreTakenOnTheWay() {
        KilnRun run = new KilnRun(List.of(flask("a", 0.08)), Optional.empty(), 20, KilnRun.Detail.QUICK.pictures(1800));
        run.go(4 * 3600, t -> 150);
        List<KilnRun.Section> sections = run.sections(0);
        assertThat(sections).hasSizeBetween(8, 9);
        KilnRun.Section last = sections.get(sections.size() - 1);
        assertThat(last.celsius()).hasSize(last.rings() * last.layers());
        // the rim is dry first
        assertThat(last.wet()[last.rings() - 1]).isLessThanOrEqualTo(last.wet()[0]);
    }

    @Test
    void aMoldTakenOutFallsUnderItsLimitAtTheFaceFirst() {
        Mold small = Mold.flask(0.06, 0.10, Setting.GYPSUM);
        Cooling cooling = Cooling.of(small, 0.02, 600, 500);
        assertThat(cooling.face().getAsDouble()).isLessThan(cooling.core().getAsDouble());
        // what the metal meets lies between: 10 mm under the outside it has minutes more
        assertThat(cooling.cavity().getAsDouble())
                .isGreaterThan(cooling.face().getAsDouble() + 60)
                .isLessThan(cooling.core().getAsDouble());
        assertThat(Cooling.of(Mold.flask(0.1, 0.15, Setting.GYPSUM), 0.03, 600, 500)
                        .core()
                        .getAsDouble())
                .isGreaterThan(cooling.core().getAsDouble());
        assertThat(Cooling.of(small, 0.02, 600, 700).core()).isEmpty();
        assertThatThrownBy(() -> new KilnRun.Charge("x", small, 0, 1, 1)).isInstanceOf(IllegalArgumentException.class);
    }

    /**
     * What it takes to warm a flask of 63 by 75 mm evenly to 680 C: its steel, 1.6 mm of 7850 kg/m3 and 490 J/(kg K), takes
     * 6154 J/(m2 K) over 0.014844 m2 and 660 K: 60.3 kJ, some tenth of the whole.
     */
    @Test
    void theSteelOfAFlaskTakesATenthOfItsHeat() {
        double bare = heat(Mold.bare(0.063, 0.075, Setting.GYPSUM));
        double flask = heat(Mold.flask(0.063, 0.075, Setting.GYPSUM));
        assertThat(flask - bare).isCloseTo(60_300, within(400.0));
        assertThat((flask - bare) / flask).isBetween(0.08, 0.13);
    }

    private static double heat(Mold mold) {
        kilnryu.core.heat.Conduction body = mold.body(16, 20, kilnryu.core.heat.Conduction.Fineness.USUAL);
        body.advance(100_000, s -> 680);
        assertThat(body.heatTaken()).isCloseTo(body.heatIn(), within(1e-9 * body.heatIn()));
        return body.heatIn() * mold.times(body);
    }

    /** Shells in still air beside a fine 1D solution (reference/carry.csv), to 3 % or a second. */
    @ParameterizedTest
    @CsvFileSource(resources = "/reference/carry.csv", numLinesToSkip = 1)
    void anEmptyShellCoolsAsTheReference(double shell, double leaves, double below, double seconds) {
        Cooling cooling = Cooling.of(Mold.shell(shell / 1000, 0.05), 0, leaves, below);
        assertThat(cooling.cavity().getAsDouble()).isCloseTo(seconds, within(Math.max(1, 0.03 * seconds)));
    }
}
