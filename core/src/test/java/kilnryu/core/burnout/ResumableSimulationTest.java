package kilnryu.core.burnout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import kilnryu.core.burnout.OwnProgram.Line;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.kiln.KilnRun;
import kilnryu.core.kiln.Mold;
import kilnryu.core.kiln.Setting;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A program taken up where another left it must be the program fired from cold. */
class ResumableSimulationTest {
    private static final List<Line> TYPED =
            List.of(new Line(150, 150, 240), new Line(75, 280, 0), new Line(150, 730, 120), new Line(200, 540, 60));

    private static HeldProgram.Question question(boolean lengthen, double... diameters) {
        List<HeldProgram.Fired> load = new ArrayList<>();
        for (double d : diameters) {
            KilnRun.Charge charge = new KilnRun.Charge("flask of " + d, Mold.flask(d, 0.12, Setting.GYPSUM), 1, 1, 1);
            load.add(new HeldProgram.Fired(charge, 60, false));
        }
        return new HeldProgram.Question(load, Optional.of(Kiln.of(3, 1100, 80)), 20, KilnRun.Detail.QUICK, lengthen);
    }

    private static void same(HeldProgram taken, HeldProgram cold) {
        assertThat(taken.segments().stream().map(ResumableSimulationTest::words).toList())
                .isEqualTo(cold.segments().stream()
                        .map(ResumableSimulationTest::words)
                        .toList());
        assertThat(taken.unmet()).isEqualTo(cold.unmet());
        assertThat(taken.run().energy()).isEqualTo(cold.run().energy());
        assertThat(taken.run().behind()).isEqualTo(cold.run().behind());
        assertThat(taken.run().kilnAt()).isEqualTo(cold.run().kilnAt());
        for (int i = 0; i < cold.run().charges().size(); i++) {
            assertThat(taken.run().firing(i)).isEqualTo(cold.run().firing(i));
        }
    }

    private static String words(Segment s) {
        return s.stage() + " " + s.rate() + " " + s.target() + " " + s.hold() + " " + s.until();
    }

    private static List<Segment> with(int line, Line other) {
        List<Line> lines = new ArrayList<>(TYPED);
        lines.set(line, other);
        return OwnProgram.of(lines);
    }

    @Test
    void everyCornerMayMove() {
        HeldProgram.Question question = question(false, 0.06, 0.08);
        ResumableSimulation trail = new ResumableSimulation();
        same(trail.tried(OwnProgram.of(TYPED), question), HeldProgram.of(OwnProgram.of(TYPED), question));
        List<List<Segment>> others = List.of(
                with(0, new Line(150, 150, 200)),
                with(0, new Line(150, 150, 330)),
                with(0, new Line(150, 150, 335)),
                with(0, new Line(150, 150, 0)),
                with(0, new Line(100, 150, 240)),
                with(1, new Line(75, 280, 45)),
                with(1, new Line(75, 300, 0)),
                with(2, new Line(150, 730, 30)),
                with(3, new Line(200, 480, 60)),
                with(3, new Line(200, 480, 60)),
                OwnProgram.of(TYPED.subList(0, 2)),
                OwnProgram.of(TYPED));
        for (List<Segment> other : others) {
            same(trail.tried(other, question), HeldProgram.of(other, question));
        }
    }

    /** A hundred moves of a hand that cannot decide. */
    @ParameterizedTest
    @ValueSource(longs = {3, 7})
    void aLongDragIsTheSameToo(long seed) {
        Random random = new Random(seed);
        HeldProgram.Question question = question(false, 0.05);
        ResumableSimulation trail = new ResumableSimulation();
        List<Line> lines = new ArrayList<>(TYPED);
        for (int i = 0; i < 20; i++) {
            int at = random.nextInt(lines.size());
            Line is = lines.get(at);
            lines.set(
                    at,
                    random.nextBoolean()
                            ? new Line(is.rate(), is.target(), 5 * random.nextInt(60))
                            : new Line(50 + 10 * random.nextInt(20), is.target() + random.nextInt(9) - 4, is.hold()));
            List<Segment> program = OwnProgram.of(lines);
            same(trail.tried(program, question), HeldProgram.of(program, question));
        }
    }

    @Test
    void anotherLoadOrKilnStartsCold() {
        ResumableSimulation trail = new ResumableSimulation();
        List<Segment> program = OwnProgram.of(TYPED);
        trail.tried(program, question(false, 0.06));
        same(trail.tried(program, question(false, 0.07)), HeldProgram.of(program, question(false, 0.07)));
        HeldProgram.Question exact = new HeldProgram.Question(
                question(false, 0.07).load(), Optional.empty(), 20, KilnRun.Detail.QUICK, false);
        same(trail.tried(program, exact), HeldProgram.of(program, exact));
    }

    @Test
    void holdsThatFollowTheHeatAreFoundFromCold() {
        ResumableSimulation trail = new ResumableSimulation();
        List<Segment> program = OwnProgram.of(TYPED);
        trail.tried(program, question(false, 0.06));
        HeldProgram.Question lengthened = question(true, 0.06);
        same(trail.tried(program, lengthened), HeldProgram.of(program, lengthened));
    }

    /** Sixty molds, a hold of a week, forty segments: less is kept, and what comes out is the same. */
    @Test
    void whatIsTooMuchToKeepIsFiredFromCold() {
        double[] many = new double[60];
        java.util.Arrays.fill(many, 0.03);
        List<Line> lines = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            lines.add(new Line(300, 60 + i, 5));
            lines.add(new Line(300, 40 + i, 5));
        }
        List<Segment> jagged = OwnProgram.of(lines);
        List<Segment> lasting = with(0, new Line(150, 150, 7 * 24 * 60));
        HeldProgram.Question large = question(false, many);
        ResumableSimulation full = new ResumableSimulation();
        same(full.tried(jagged, large), HeldProgram.of(jagged, large));
        assertThat(full.way().kept()).as("600 states of a mold, 60 molds").hasSize(10);
        full.tried(jagged, large);
        assertThat(full.way().from()).isLessThan(full.way().kept().get(9) + 1e-6);
        HeldProgram.Question small = question(false, 0.03);
        ResumableSimulation trail = new ResumableSimulation();
        for (List<Segment> program : List.of(jagged, lasting, with(2, new Line(150, 730, 60)), jagged)) {
            same(trail.tried(program, small), HeldProgram.of(program, small));
        }
    }

    /** What was given out stays as it was when the trail goes on. */
    @Test
    void anAnswerIsNotChangedByTheNext() {
        HeldProgram.Question question = question(false, 0.06);
        ResumableSimulation trail = new ResumableSimulation();
        HeldProgram first = trail.tried(OwnProgram.of(TYPED), question);
        double end = first.run().time();
        double core = first.run().core(0);
        trail.tried(with(2, new Line(150, 730, 300)), question);
        assertThat(first.run().time()).isEqualTo(end);
        assertThat(first.run().core(0)).isEqualTo(core);
    }

    /**
     * 130 K at 150 K/h are 52 min, then 240; 130 at 75 are 104; 450 at 150 are 180, then 120; 190 at 200 are 57, then 60: holds
     * from 52 to 292, at 396, from 576 to 696, from 753 to 813. Kept are both ends of each hold and every half hour in it.
     */
    @Test
    void whereItIsTakenUp() {
        HeldProgram.Question question = question(false, 0.06);
        ResumableSimulation trail = new ResumableSimulation();
        trail.tried(OwnProgram.of(TYPED), question);
        assertThat(trail.way().from()).isZero();
        List<Double> kept = trail.way().kept();
        assertThat(kept).isSorted().doesNotHaveDuplicates();
        for (double end : new double[] {292, 396, 696, 813}) {
            assertThat(kept).anySatisfy(k -> assertThat(k).isCloseTo(end, within(1e-6)));
        }
        // a state about every half hour, the last of each hold at its end
        assertThat(kept.stream().filter(k -> k <= 292 + 1e-6)).hasSizeBetween(8, 10);
        assertThat(kept.stream().filter(k -> k > 576 && k <= 696 + 1e-6)).hasSizeBetween(4, 6);
        assertThat(kept.stream().filter(k -> k > 753)).hasSizeBetween(2, 4);
        for (int i = 1; i < kept.size(); i++) {
            double apart = kept.get(i) - kept.get(i - 1);
            boolean ramp = kept.get(i) > 292 && kept.get(i - 1) <= 292 + 1e-6
                    || kept.get(i) > 396 && kept.get(i - 1) <= 396 + 1e-6
                    || kept.get(i) > 696 && kept.get(i - 1) <= 696 + 1e-6;
            assertThat(ramp || apart <= 32)
                    .as("%.1f to %.1f", kept.get(i - 1), kept.get(i))
                    .isTrue();
        }
        // the same again: nothing is simulated
        assertThat(from(trail, question, OwnProgram.of(TYPED))).isCloseTo(813, within(1e-6));
        // a longer last hold goes on before the step that ended it
        assertThat(from(trail, question, with(3, new Line(200, 540, 90)))).isBetween(780.0, 812.9);
        // the third hold cut to a quarter: from half an hour into it, at the most
        assertThat(from(trail, question, with(2, new Line(150, 730, 30)))).isBetween(576.0, 606.001);
        // another way to the third: from the end of the second
        assertThat(from(trail, question, with(2, new Line(120, 730, 120)))).isCloseTo(396, within(1e-6));
        assertThat(from(trail, question, with(1, new Line(75, 290, 0)))).isCloseTo(292, within(1e-6));
        // the first hold half as long, then much longer
        assertThat(from(trail, question, with(0, new Line(150, 150, 120)))).isBetween(140.0, 172.001);
        assertThat(from(trail, question, with(0, new Line(150, 150, 400)))).isBetween(140.0, 172.001);
        // another ramp at the very beginning, another load, or holds that are lengthened: from cold
        assertThat(from(trail, question, with(0, new Line(100, 150, 400)))).isZero();
        assertThat(from(trail, question(false, 0.07), with(0, new Line(100, 150, 400))))
                .isZero();
        assertThat(from(trail, question(false, 0.07), with(0, new Line(100, 150, 400))))
                .isGreaterThan(700);
        trail.tried(OwnProgram.of(TYPED), question(true, 0.05));
        assertThat(trail.way().from())
                .as("a lengthened one leaves the trail as it was")
                .isGreaterThan(700);
    }

    private static double from(ResumableSimulation trail, HeldProgram.Question question, List<Segment> program) {
        trail.tried(program, question);
        return trail.way().from();
    }

    /** A hold of fifty hours keeps some two dozen states, not a hundred. */
    @Test
    void neverMoreIsKeptThanSaid() {
        ResumableSimulation trail = new ResumableSimulation();
        trail.tried(OwnProgram.of(List.of(new Line(150, 150, 3000))), question(false, 0.06));
        assertThat(trail.way().kept()).hasSizeBetween(20, 27);
    }
}
