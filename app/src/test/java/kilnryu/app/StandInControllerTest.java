package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import kilnryu.app.device.KilnController;
import kilnryu.app.device.KilnController.Reading;
import kilnryu.app.device.KilnController.Report;
import kilnryu.app.device.KilnController.Step;
import kilnryu.app.device.SimulatedController;
import kilnryu.app.device.SimulatedController.Trouble;
import kilnryu.app.run.FiringIntake;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.kiln.KilnRun;
import kilnryu.core.kiln.Mold;
import kilnryu.core.kiln.Setting;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.ApplicationContext;

/** The stand-in for a kiln's controller, with a clock that the test moves. */
class StandInControllerTest extends AppTest {
    private static final Instant START = Instant.parse("2026-05-08T18:00:00Z");

    @Autowired
    SimulatedController controller;

    @Autowired
    FiringIntake intake;

    @Autowired
    ApplicationContext context;

    private long firing;

    @BeforeEach
    void aJobOfTwoHours() {
        firing = planned();
        begin(Kiln.of(6, 1150, 70));
    }

    /** A row for it, which nobody else listens to because it does not run. */
    private long planned() {
        return intake.firing(owner, intake.kiln(owner, Map.of("name", "brick kiln")), List.of(), Map.of("name", "Ebb"));
    }

    /** Up 300 K in an hour, an hour of hold. */
    private void begin(Kiln kiln) {
        KilnRun.Charge flask = new KilnRun.Charge("a", Mold.flask(0.06, 0.10, Setting.GYPSUM), 1, 1, 1);
        controller.start(
                firing, new KilnController.Job(List.of(new Step(300, 320, 60)), 20, kiln, List.of(flask)), START);
    }

    /** Reported and taken. */
    private Report heard(Instant now) {
        Report report = controller.report(firing, now);
        assertThat(controller.taken(firing, report)).isTrue();
        return report;
    }

    private static Instant after(double minutes) {
        return START.plus(Duration.ofMillis(Math.round(minutes * 60_000)));
    }

    private static double last(Report report) {
        return report.fresh().get(report.fresh().size() - 1).celsius().orElseThrow();
    }

    /** Every five seconds at the pace of the clock, each once; 300 K/h are 5 K a minute. */
    @Test
    void itReportsEveryFiveSecondsAndNothingTwice() {
        Report first = heard(after(2));
        assertThat(first.fresh()).extracting(Reading::second).containsExactlyElementsOf(seconds(5, 120, 5));
        assertThat(first.fresh().get(23).asked()).isCloseTo(30, within(1e-6));
        assertThat(heard(after(2)).fresh()).isEmpty();
        Report next = heard(after(2.5));
        assertThat(next.fresh()).extracting(Reading::second).containsExactlyElementsOf(seconds(125, 150, 5));
        assertThat(next.status().second()).isEqualTo(150);
        assertThat(next.status().ended()).isFalse();
    }

    /** Nothing is lost where what was reported could not be put on record, and nothing is taken twice. */
    @Test
    void whatWasNotTakenIsReportedAgain() {
        heard(after(1));
        Report lost = controller.report(firing, after(2));
        Report again = controller.report(firing, after(2.5));
        assertThat(lost.fresh()).extracting(Reading::second).containsExactlyElementsOf(seconds(65, 120, 5));
        assertThat(again.fresh()).extracting(Reading::second).containsExactlyElementsOf(seconds(65, 150, 5));
        assertThat(again.fresh().subList(0, 12)).isEqualTo(lost.fresh());
        assertThat(controller.taken(firing, lost)).isTrue();
        assertThat(controller.taken(firing, again)).as("someone was faster").isFalse();
        assertThat(heard(after(3)).fresh()).extracting(Reading::second).containsExactlyElementsOf(seconds(125, 180, 5));
    }

    /** The scheduler and three pages ask at once: each reading is taken once. */
    @Test
    void whoeverAsksAtTheSameMomentNothingIsTakenTwice() throws Exception {
        List<Double> taken = Collections.synchronizedList(new ArrayList<>());
        AtOnce.times(8, () -> {
            for (int i = 1; i <= 5; i++) {
                Report report = controller.report(firing, after(i));
                if (controller.taken(firing, report)) {
                    report.fresh().forEach(r -> taken.add(r.second()));
                }
            }
            return null;
        });
        assertThat(taken).doesNotHaveDuplicates();
        heard(after(6));
        assertThat(taken).containsExactlyInAnyOrderElementsOf(seconds(5, 300, 5));
    }

    private static List<Double> seconds(int from, int to, int every) {
        List<Double> all = new ArrayList<>();
        for (int s = from; s <= to; s += every) {
            all.add((double) s);
        }
        return all;
    }

    /** Sixty times as fast a minute is an hour; the program of two hours is through after two. */
    @Test
    void itMayRunFasterThanTheClock() {
        controller.speed(firing, 60, START);
        Report hour = heard(after(1));
        assertThat(hour.status().second()).isEqualTo(3600);
        assertThat(hour.fresh()).extracting(Reading::second).containsExactlyElementsOf(seconds(30, 3600, 30));
        assertThat(last(hour)).isCloseTo(320, within(2.0));
        assertThat(heard(after(1.98)).status().ended()).isFalse();
        Report through = heard(after(2));
        assertThat(through.status().ended()).isTrue();
        // it holds its last temperature
        assertThat(last(heard(after(3)))).isCloseTo(320, within(2.0));
    }

    @Test
    void noFasterThanSixHundredTimes() {
        controller.speed(firing, 1e6, START);
        assertThat(heard(after(0.1)).status().second()).isEqualTo(3600);
        assertThat(heard(after(0.1)).status().speed()).isEqualTo(SimulatedController.FASTEST);
        controller.speed(firing, 0, after(0.1));
        assertThat(heard(after(0.1)).status().speed()).isEqualTo(1);
    }

    /** Without power nothing is reported, the program stands still and the kiln falls; then it goes on where it was. */
    @Test
    void aPowerCut() {
        controller.speed(firing, 60, START);
        double before = last(heard(after(1)));
        controller.fault(firing, Trouble.POWER);
        Report dark = heard(after(1.5));
        assertThat(dark.fresh()).isEmpty();
        assertThat(dark.status().trouble()).isEqualTo("no power");
        assertThat(dark.status().second()).isEqualTo(5400);
        assertThat(dark.status().into()).isEqualTo(3600);
        controller.fault(firing, Trouble.POWER);
        Report back = heard(after(2));
        assertThat(back.status().trouble()).isEmpty();
        assertThat(back.fresh().get(0).celsius().orElseThrow()).isLessThan(before - 30);
        assertThat(back.status().into()).isEqualTo(5400);
        assertThat(heard(after(2.49)).status().ended()).isFalse();
        assertThat(heard(after(2.5)).status().ended()).isTrue();
    }

    @Test
    void anOpenThermocoupleIsAReadingWithoutATemperature() {
        controller.speed(firing, 60, START);
        heard(after(0.5));
        controller.fault(firing, Trouble.THERMOCOUPLE);
        Report blind = heard(after(0.6));
        assertThat(blind.fresh()).isNotEmpty().allMatch(r -> r.celsius().isEmpty());
        assertThat(blind.status().trouble()).contains("thermocouple open");
        assertThat(blind.status().into()).isEqualTo(1800);
    }

    /** 1.2 kW for what takes 0.9: with half its elements or the door ajar the same kiln stays behind. */
    @Test
    void halfTheElementsOrADoorAjarLeaveItBehind() {
        double sound = atTheEndOfTheRamp(null);
        assertThat(sound).isCloseTo(320, within(3.0));
        assertThat(atTheEndOfTheRamp(Trouble.ELEMENT)).isLessThan(sound - 20);
        assertThat(atTheEndOfTheRamp(Trouble.DOOR)).isLessThan(sound - 5);
    }

    private double atTheEndOfTheRamp(Trouble trouble) {
        firing = planned();
        begin(Kiln.of(1.8, 1100, 75));
        controller.speed(firing, 60, START);
        if (trouble != null) {
            controller.fault(firing, trouble);
        }
        return last(heard(after(1)));
    }

    /** Another process takes over what is stored: same second, same kiln, nothing reported twice. */
    @Test
    void anotherProcessGoesOnWhereThisOneStopped() {
        controller.speed(firing, 60, START);
        heard(after(0.4));
        controller.fault(firing, Trouble.DOOR);
        double here = last(heard(after(0.7)));
        SimulatedController other = context.getAutowireCapableBeanFactory().createBean(SimulatedController.class);
        assertThat(other.report(firing, after(0.7)).fresh()).isEmpty();
        Report on = other.report(firing, after(0.75));
        assertThat(other.taken(firing, on)).isTrue();
        assertThat(on.fresh().get(0).second()).isEqualTo(42 * 60 + 30);
        assertThat(on.fresh().get(0).celsius().orElseThrow()).isCloseTo(here, within(6.0));
        assertThat(on.status().trouble()).isEqualTo("the door stands ajar");
        // and back again
        Report back = heard(after(0.8));
        assertThat(back.fresh().get(0).second()).isEqualTo(45 * 60 + 30);
    }

    @Test
    void stoppedItReportsNothingMore() {
        heard(after(1));
        controller.stop(firing);
        Report stopped = heard(after(60));
        assertThat(stopped.fresh()).isEmpty();
        assertThat(stopped.status().second()).isEqualTo(60);
        assertThat(controller.report(firing + 1_000_000, after(1))).isEqualTo(Report.NONE);
    }
}
