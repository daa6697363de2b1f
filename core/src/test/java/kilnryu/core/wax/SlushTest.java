package kilnryu.core.wax;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import kilnryu.core.finding.Finding;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Replacement;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The check of handbook 27 and what follows from it. */
class SlushTest {
    private static final OptionalDouble NONE = OptionalDouble.empty();

    private static Slush.Question asked(double moldC, double target, int pours) {
        return new Slush.Question(
                Wax.SCULPTURE, NONE, Heated.SILICONE, moldC, NONE, target, pours, 0, NONE, NONE, NONE);
    }

    private static Slush of(Slush.Question q) {
        return Slush.of(q, Factors.HANDBOOK);
    }

    private static List<String> ids(Slush s) {
        return s.findings().all().stream().map(Finding::id).toList();
    }

    /** Mold at 22 C, rubber: 0.1600 mm for root of a second; 1.24 mm in 60 s, 2.77 mm in 300 s. */
    @Test
    void theCheckOfTheHandbook() {
        Slush s = of(asked(22, 3, 1));
        assertThat(s.coefficient().orElseThrow().value()).isEqualTo(0.1600, within(5e-5));
        assertThat(s.wall(60)).isEqualTo(1.24, within(0.005));
        assertThat(s.wall(300)).isEqualTo(2.77, within(0.005));
        // (3 / 0.16)^2 = 351.6 s
        assertThat(s.layers().get(0).dwell().value()).isEqualTo(351.6, within(0.4));
        assertThat(s.coefficient().orElseThrow().formula()).contains("phi");
    }

    /** phi solves its relation: put back in, both sides are the same. */
    @Test
    void theRootIsOne() {
        Slush s = of(asked(15, 3, 1));
        double phi = s.coefficient().orElseThrow().value() / 1000 / 2 / Math.sqrt(0.25 / 900 / 2300);
        double left = 2300 * 55 / (Math.sqrt(Math.PI) * 170_000);
        double b = Math.sqrt(0.25 * 900 * 2300) / Math.sqrt(0.22 * 1150 * 1300);
        double right = phi * Math.exp(phi * phi) * (org.hipparchus.special.Erf.erf(phi) + b);
        assertThat(right).isEqualTo(left, within(1e-9));
    }

    /** A layer on what is there: the time for all of it less the time for what was there. */
    @Test
    void aFurtherLayerBeginsWhereTheLastWouldBe() {
        double k = of(asked(22, 4, 1)).coefficient().orElseThrow().value();
        List<Slush.Layer> two = of(asked(22, 4, 2)).layers();
        assertThat(two).hasSize(2);
        assertThat(two.get(0).dwell().value()).isEqualTo(4 / (k * k), within(1e-6));
        assertThat(two.get(1).dwell().value()).isEqualTo((16 - 4) / (k * k), within(1e-6));
        Slush.Question on = new Slush.Question(
                Wax.SCULPTURE, NONE, Heated.SILICONE, 22, OptionalDouble.of(500), 4, 1, 2, NONE, NONE, NONE);
        assertThat(of(on).layers().get(0).dwell().value()).isEqualTo(12 / (k * k), within(1e-6));
        // 500 cm2 by 0.2 cm by 0.9
        assertThat(of(on).wax().orElseThrow().value()).isEqualTo(90, within(1e-9));
    }

    /** At 90 C it gives off 170 + 0.5 x 2.5 x 20 = 195 kJ/kg: as wax of that latent heat would. */
    @Test
    void superheatIsMoreHeatToCarryOff() {
        Slush hot = of(new Slush.Question(
                Wax.SCULPTURE, OptionalDouble.of(90), Heated.SILICONE, 22, NONE, 3, 1, 0, NONE, NONE, NONE));
        Slush heavier = of(new Slush.Question(
                new Wax(Wax.SCULPTURE.heat(), 195_000, 70),
                NONE,
                Heated.SILICONE,
                22,
                NONE,
                3,
                1,
                0,
                NONE,
                NONE,
                NONE));
        assertThat(hot.coefficient().orElseThrow().value())
                .isEqualTo(heavier.coefficient().orElseThrow().value(), within(1e-12))
                .isLessThan(0.16);
    }

    /** Plaster takes heat faster than rubber: b of 742 against 573. */
    @Test
    void plasterFreezesThickerThanRubber() {
        Slush plaster =
                of(new Slush.Question(Wax.SCULPTURE, NONE, Heated.PLASTER, 22, NONE, 3, 1, 0, NONE, NONE, NONE));
        assertThat(Heated.PLASTER.giving()).isEqualTo(741.6, within(0.1));
        assertThat(Heated.SILICONE.giving()).isEqualTo(573.5, within(0.1));
        assertThat(plaster.coefficient().orElseThrow().value()).isGreaterThan(0.16);
    }

    @Test
    void aColderMoldNeverMakesAThinnerWall() {
        Random random = new Random(27);
        for (int i = 0; i < 300; i++) {
            double warm = 5 + 60 * random.nextDouble();
            double cold = warm - 5 * random.nextDouble();
            double seconds = 5 + 900 * random.nextDouble();
            assertThat(of(asked(cold, 3, 1)).wall(seconds))
                    .isGreaterThanOrEqualTo(of(asked(warm, 3, 1)).wall(seconds));
        }
    }

    @Test
    void aMoldAsWarmAsTheWaxMeltsNeverFreezesIt() {
        for (double mold : new double[] {70, 75, 200}) {
            Slush s = of(asked(mold, 3, 2));
            assertThat(s.coefficient()).isEmpty();
            assertThat(s.layers()).isEmpty();
            assertThat(s.wall(1000)).isZero();
            assertThat(ids(s)).contains("never-freezes");
        }
        assertThat(of(asked(69.9, 0.1, 1)).coefficient().orElseThrow().value()).isPositive();
    }

    /**
     * 2 mm of wax give 900 x 0.002 x 170000 = 306 kJ/m2; 8 mm of rubber take 1150 x 1300 x 0.008 = 11960 J/(m2 K): 25.6 K.
     * It loses it by 10 W/(m2 K) in 1196 s to a share of e: under 3 K after 1196 ln(25.6 / 3) = 2564 s.
     */
    @Test
    void aLayerWarmsItsMoldAndTheWaitIsSaid() {
        Slush.Question q = new Slush.Question(
                Wax.SCULPTURE, NONE, Heated.SILICONE, 22, NONE, 4, 2, 0, OptionalDouble.of(8), NONE, NONE);
        Slush.Layer first = of(q).layers().get(0);
        double warmer = 306_000 / 11_960.0;
        assertThat(first.cools().orElseThrow()).isEqualTo(1196 * Math.log(warmer / 3), within(0.5));
        // left to come back it is poured on a cold mold again
        assertThat(of(q).layers().get(1).moldC()).isEqualTo(22);
        Slush.Question hurried = new Slush.Question(
                Wax.SCULPTURE,
                NONE,
                Heated.SILICONE,
                22,
                NONE,
                4,
                2,
                0,
                OptionalDouble.of(8),
                OptionalDouble.of(600),
                NONE);
        Slush.Layer second = of(hurried).layers().get(1);
        assertThat(second.moldC()).isEqualTo(22 + warmer * Math.exp(-600 / 1196.0), within(0.01));
        assertThat(second.dwell().value())
                .isGreaterThan(of(q).layers().get(1).dwell().value());
    }

    @Test
    void aThinMoldThatIsNotLeftToCoolFreezesNoMore() {
        Slush s = of(new Slush.Question(
                Wax.SCULPTURE,
                NONE,
                Heated.SILICONE,
                22,
                NONE,
                9,
                3,
                0,
                OptionalDouble.of(3),
                OptionalDouble.of(0),
                NONE));
        assertThat(s.layers()).hasSize(1);
        assertThat(ids(s)).contains("mold-warmed");
    }

    @ParameterizedTest
    @CsvSource({"121, 3, 20, wax-smokes", "90, 5.1, 10, fills-up", "70, 0.3, 20, too-quick", "70, 10, 40, too-slow"})
    void whatIsToBeMindedIsSaid(double pour, double target, double thinnest, String id) {
        Slush s = of(new Slush.Question(
                Wax.SCULPTURE,
                OptionalDouble.of(pour),
                Heated.SILICONE,
                22,
                NONE,
                target,
                1,
                0,
                NONE,
                NONE,
                OptionalDouble.of(thinnest)));
        assertThat(ids(s)).containsExactly(id);
    }

    @Test
    void aPieceWhoseThinnestPlaceIsNotKnownIsNotJudged() {
        assertThat(ids(of(asked(22, 3, 1)))).containsExactly("fills-unknown");
    }

    @Test
    void theStudiosOwnFactorMovesTheWall() {
        Factors own = new Factors(Map.of(Slush.OWN.key(), new Replacement(1.1, "yours")));
        assertThat(Slush.of(asked(22, 3, 1), own).coefficient().orElseThrow().value())
                .isEqualTo(0.1600 * 1.1, within(1e-4));
    }

    @Test
    void whatCannotBeIsRefused() {
        assertThatThrownBy(() -> asked(22, 0, 1)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> asked(22, 3, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Heated(0, 1, 1)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Wax(Heated.PLASTER, 0, 70)).isInstanceOf(IllegalArgumentException.class);
    }
}
