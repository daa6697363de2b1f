package kilnryu.core.kiln;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Mark;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FiringSumsTest {
    private static final List<FiringProgram.Segment> PROGRAM = List.of(
            new FiringProgram.Segment(150, 150, 90),
            new FiringProgram.Segment(200, 730, 60),
            new FiringProgram.Segment(190, 540, 0));

    private static Figure named(List<Figure> all, String symbol) {
        return all.stream().filter(f -> f.symbol().equals(symbol)).findFirst().orElseThrow();
    }

    /**
     * 1.15 x 1100 = 1265 C; 3000 / 1245 = 2.4096 W/K; 2.4096 x 3600 / ln(1245 / 565) = 8674.7 / 0.79006 = 10.980 kJ/K;
     * 2.4096 x 680 = 1.6386 kW. The kiln itself goes by the same figures.
     */
    @Test
    void aTrialAndAPlateSayWhatAKilnTakes() {
        List<Figure> sums = FiringSums.of(3, 1100, 60);
        assertThat(named(sums, "hottest").value()).isCloseTo(1265, within(1e-9));
        assertThat(named(sums, "loss").value()).isCloseTo(2.40964, within(1e-5));
        assertThat(named(sums, "lining").value()).isCloseTo(10.980, within(0.001));
        assertThat(named(sums, "steady").value()).isCloseTo(1.63855, within(1e-5));
        Kiln kiln = Kiln.of(3, 1100, 60);
        assertThat(kiln.lossPerK()).isCloseTo(named(sums, "loss").value(), within(1e-12));
        assertThat(kiln.capacity() / 1000).isCloseTo(named(sums, "lining").value(), within(1e-9));
        assertThat(named(sums, "lining").substituted()).contains("ln(").contains("60");
    }

    /** 130 K at 150 an hour 52 min, 90; 580 at 200 174 min, 60; 190 at 190 60 min: 436. */
    @Test
    void theLengthOfAProgramIsItsRampsAndHolds() {
        FiringProgram program = FiringProgram.of(20, PROGRAM);
        Figure length = program.length();
        assertThat(length.inputs()).extracting(Figure::value).containsExactly(52.0, 90.0, 174.0, 60.0, 60.0);
        assertThat(length.value()).isCloseTo(436, within(1e-9));
        assertThat(length.value() * 60).isCloseTo(program.seconds(), within(1e-9));
        assertThat(length.inputs().get(4).substituted()).isEqualTo("(730 °C − 540 °C) ÷ 190 K/h × 60");
    }

    /** What was drawn from the mains went through the wall, into the lining and into the molds: nothing is lost on the way. */
    @ParameterizedTest
    @CsvSource({"3, 1100, 60", "1.2, 1000, 150", "9, 1280, 45"})
    void theEnergyOfAFiringIsWhereItWent(double kilowatts, double maxC, double minutes) {
        KilnRun.Charge flask = new KilnRun.Charge("a", Mold.flask(0.08, 0.12, Setting.GYPSUM), 3, 1, 1);
        KilnRun run =
                new KilnRun(List.of(flask), Optional.of(Kiln.of(kilowatts, maxC, minutes)), 20, KilnRun.Detail.QUICK);
        run.go(FiringProgram.of(20, PROGRAM));
        Firing.Spent spent = run.spent().orElseThrow();
        assertThat(spent.whole())
                .isCloseTo(
                        run.energy().getAsDouble(), within(1e-9 * run.energy().getAsDouble()));
        assertThat(spent.molds()).isPositive();
        // the lining keeps what it holds over the room
        double kept = Kiln.of(kilowatts, maxC, minutes).capacity() * (run.kilnC() - 20) / 3.6e6;
        assertThat(spent.lining()).isCloseTo(kept, within(1e-6));
        assertThat(FiringSums.energy(spent).inputs()).hasSize(3);
    }

    @Test
    void whatIsSimulatedSaysSo() {
        Firing firing = Firing.of(new Firing.Question(
                Mold.flask(0.05, 0.06, Setting.GYPSUM), FiringProgram.of(20, PROGRAM), Optional.empty(), 1, 1));
        List<Figure> sums = FiringSums.of(firing);
        assertThat(sums).extracting(Figure::mark).containsOnly(Mark.M);
        assertThat(sums).allMatch(f -> f.source().length() > 10);
        assertThat(sums)
                .extracting(Figure::symbol)
                .contains("past_105", "strain", "residue")
                .doesNotContain("energy");
        // never past 680 where the program ends at 400
        Firing low = Firing.of(new Firing.Question(
                Mold.flask(0.05, 0.06, Setting.GYPSUM),
                FiringProgram.of(20, List.of(new FiringProgram.Segment(200, 400, 120))),
                Optional.empty(),
                1,
                1));
        assertThat(FiringSums.of(low)).extracting(Figure::symbol).doesNotContain("past_680");
    }
}
