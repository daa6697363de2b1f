package kilnryu.core.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.shell.SlurryCare.Reading;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Replacement;
import org.junit.jupiter.api.Test;

/** A bucket of 300 mm, 400 deep: 70 686 mm2, a millimetre is 70.686 cm3. */
class TankTest {
    private static Tank tank(double level) {
        return new Tank("backup", false, 300, 400, level, 1.68);
    }

    private static List<String> found(Tank.Dip dip) {
        return dip.findings().all().stream().map(Finding::id).toList();
    }

    /** 706.86 cm3 lift the level by 10 mm; 250 high and 20 over it, 200 + 10 there: 60 mm are lacking, 7.125 kg. */
    @Test
    void whatIsLackingIsToppedUp() {
        Tank.Dip dip = tank(200).dip(150, 250, 706.858);
        assertThat(dip.rise().value()).isCloseTo(10, within(1e-4));
        assertThat(dip.lacks().value()).isCloseTo(60, within(1e-3));
        assertThat(dip.topUp().value()).isCloseTo(60 * 70.6858 * 1.68, within(0.5));
        assertThat(found(dip)).containsExactly("tank-low");
        assertThat(dip.immerses()).isTrue();
        assertThat(found(tank(262).dip(150, 250, 706.858))).isEmpty();
    }

    @Test
    void tooNarrowTooShallowTooFull() {
        assertThat(found(tank(262).dip(251, 250, 700))).containsExactly("tank-narrow");
        assertThat(tank(262).dip(251, 250, 700).immerses()).isFalse();
        // 400 less 40 of freeboard and 20 over it leave 340
        assertThat(found(tank(262).dip(150, 341, 700))).containsExactly("tank-shallow");
        assertThat(found(tank(350).dip(150, 300, 100))).isEmpty();
        assertThat(found(tank(350).dip(150, 340, 100))).containsExactly("tank-low");
        assertThat(found(tank(355).dip(150, 300, 706.858))).containsExactly("tank-full");
    }

    @Test
    void itsOwnMass() {
        assertThat(tank(200).mass()).isCloseTo(200 * 70.6858 * 1.68, within(0.5));
    }

    private static Reading read(double day, double flow, double density) {
        return new Reading(day, OptionalDouble.of(flow), OptionalDouble.of(density), 0);
    }

    private static List<String> care(boolean prime, List<Reading> readings, double age) {
        Findings found = SlurryCare.check(prime, readings, age, Factors.HANDBOOK);
        return found.all().stream().map(Finding::id).toList();
    }

    @Test
    void theCupAndTheDensityHaveTheirBands() {
        assertThat(care(false, List.of(read(1, 12, 1.68)), 5)).isEmpty();
        assertThat(care(false, List.of(read(1, 16, 1.68)), 5)).containsExactly("slurry-thick");
        assertThat(care(false, List.of(read(1, 9, 1.55)), 5)).containsExactly("slurry-thin", "slurry-density");
        assertThat(care(true, List.of(read(1, 24, 2.7)), 5)).isEmpty();
        assertThat(care(true, List.of(read(1, 24, 1.68)), 5)).containsExactly("slurry-density");
    }

    /** The last reading counts; an own value moves the band with it. */
    @Test
    void theLastReadingCounts() {
        assertThat(care(false, List.of(read(1, 20, 1.68), read(2, 12, 1.68)), 5))
                .isEmpty();
        Factors thick = new Factors(java.util.Map.of("slurry.cup.backup", new Replacement(18, "other cup")));
        assertThat(SlurryCare.check(false, List.of(read(1, 18, 1.68)), 5, thick).all())
                .isEmpty();
    }

    /** 12 s, then 15.5 s at the same density: over a quarter thicker without more flour. */
    @Test
    void thickerWithoutMoreFlourIsGel() {
        assertThat(care(false, List.of(read(1, 11, 1.68), read(30, 14.5, 1.68)), 30))
                .containsExactly("slurry-gel");
        assertThat(care(false, List.of(read(1, 11, 1.66), read(30, 14.5, 1.70)), 30))
                .isEmpty();
        assertThat(care(false, List.of(read(1, 12, 1.68)), 91)).containsExactly("slurry-old");
    }
}
