package kilnryu.core.burnout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kilnryu.core.burnout.OwnProgram.Line;
import kilnryu.core.burnout.Progress.Sample;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.kiln.KilnRun;
import kilnryu.core.kiln.Mold;
import kilnryu.core.kiln.Setting;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Programs just at their limits: how a typed line is read, who gets up at night, what a hold waits for and says. */
class BurnoutLimitsTest {
    private static final Mold SMALL = Mold.flask(0.06, 0.10, Setting.GYPSUM);
    private static final Mold LARGE = Mold.flask(0.10, 0.15, Setting.GYPSUM);

    private static Figure minutes(double value) {
        return Figure.given("hold", "hold", value, Measure.MINUTE, Known.CHOSEN, 0);
    }

    private static Segment segment(Stage stage, double rate, double target, int hold, Until until) {
        return new Segment(stage, rate, target, hold, until, minutes(hold), "asked");
    }

    private static HeldProgram.Fired fired(String name, Mold mold, double residue, boolean flows, double drained) {
        return new HeldProgram.Fired(new KilnRun.Charge(name, mold, 1, residue, 1), 60, flows, drained);
    }

    private static HeldProgram.Question question(boolean lengthen, Optional<Kiln> kiln, HeldProgram.Fired... load) {
        return new HeldProgram.Question(List.of(load), kiln, 20, KilnRun.Detail.QUICK, lengthen);
    }

    private static HeldProgram held(boolean lengthen, HeldProgram.Fired load, Segment... segments) {
        return HeldProgram.of(List.of(segments), question(lengthen, Optional.empty(), load));
    }

    // ---- typed lines

    /** Below and above each border: 165, 300, 575 and a hand's 90. */
    @ParameterizedTest
    @CsvSource({
        "165, 60, DRY_OUT, DRY",
        "165, 0, DRY_OUT, NOTHING",
        "166, 60, DRAIN, FLOWS",
        "300, 60, DRAIN, FLOWS",
        "300, 0, INVERSION, NOTHING",
        "301, 60, CARBON, CHARS",
        "575, 60, CARBON, CHARS",
        "575, 0, CARBON, NOTHING",
        "576, 60, BURN_OUT, BURNT",
        "576, 0, BURN_OUT, NOTHING"
    })
    void aLineOnItsWayUp(double target, double hold, Stage stage, Until until) {
        List<Segment> read = OwnProgram.of(List.of(new Line(100, target, hold), new Line(100, 730, 60)));
        assertThat(read.get(0).stage()).isEqualTo(stage);
        assertThat(read.get(0).until()).isEqualTo(until);
        assertThat(read.get(0).hold()).isEqualTo((int) hold);
        assertThat(read.get(0).holdSum().value()).isEqualTo(hold);
    }

    @ParameterizedTest
    @CsvSource({"165, DRY_OUT", "166, CARBON", "575, CARBON", "576, BURN_OUT"})
    void theTopLine(double top, Stage stage) {
        assertThat(OwnProgram.of(List.of(new Line(100, top, 60))).get(0).stage())
                .isEqualTo(stage);
    }

    /** After the top: cooled to a hand's warmth, heated again, or down to the pour. */
    @ParameterizedTest
    @CsvSource({"90, 10, ASH_OUT, COLD", "90, 0, ASH_OUT, NOTHING", "91, 10, DESCEND, WITHIN", "540, 0, DESCEND, WITHIN"
    })
    void aLineOnItsWayDown(double target, double hold, Stage stage, Until until) {
        List<Segment> read = OwnProgram.of(List.of(new Line(100, 730, 60), new Line(100, target, hold)));
        assertThat(read.get(1).stage()).isEqualTo(stage);
        assertThat(read.get(1).until()).isEqualTo(until);
    }

    @Test
    void heatedAgain() {
        List<Segment> read = OwnProgram.of(
                List.of(new Line(100, 730, 60), new Line(100, 60, 10), new Line(100, 500, 0), new Line(100, 540, 20)));
        assertThat(read)
                .extracting(Segment::stage)
                .containsExactly(Stage.BURN_OUT, Stage.ASH_OUT, Stage.REHEAT, Stage.REHEAT);
        // on its way it waits for nothing, at the last for the middle
        assertThat(read)
                .extracting(Segment::until)
                .containsExactly(Until.BURNT, Until.COLD, Until.NOTHING, Until.WITHIN);
    }

    // ---- steps instead of ramps

    /** 130 K in steps of at most 50 are three of 43.3; at 100 K/h each stands for 26 min, 30 in fives, the last holds on. */
    @Test
    void stepsOfARamp() {
        List<Segment> steps = Steps.of(List.of(segment(Stage.DRY_OUT, 100, 150, 120, Until.DRY)), 50, 20);
        assertThat(steps).hasSize(3);
        assertThat(steps.get(0).target()).isCloseTo(63.33, within(0.01));
        assertThat(steps.get(1).target()).isCloseTo(106.67, within(0.01));
        assertThat(steps.get(2).target()).isCloseTo(150, within(1e-9));
        assertThat(steps).extracting(Segment::hold).containsExactly(30, 30, 150);
        assertThat(steps).extracting(Segment::until).containsExactly(Until.NOTHING, Until.NOTHING, Until.DRY);
        assertThat(steps).allSatisfy(s -> assertThat(s.rate()).isInfinite());
        assertThat(steps.get(0).ruledBy()).isEqualTo("step instead of a ramp");
        assertThat(steps.get(2).ruledBy()).isEqualTo("asked, after the step");
        assertThat(steps.get(0).holdSum().value()).isCloseTo(26, within(1e-9));
        assertThat(steps.get(2).holdSum().value()).isEqualTo(120);
        // a segment without a hold ends with its wait
        List<Segment> bare = Steps.of(List.of(segment(Stage.CARBON, 100, 70, 0, Until.NOTHING)), 50, 20);
        assertThat(bare).hasSize(1);
        assertThat(bare.get(0).hold()).isEqualTo(30);
        assertThat(bare.get(0).holdSum().value()).isCloseTo(30, within(1e-9));
        assertThat(bare.get(0).ruledBy()).isEqualTo("step instead of a ramp");
        // down again in steps as well
        assertThat(Steps.of(List.of(segment(Stage.DESCEND, 100, 50, 60, Until.WITHIN)), 50, 150))
                .extracting(Segment::target)
                .containsExactly(100.0, 50.0);
        assertThat(Steps.of(List.of(segment(Stage.DESCEND, 100, 150, 60, Until.WITHIN)), 50, 150))
                .hasSize(1);
    }

    // ---- words

    @ParameterizedTest
    @EnumSource(BurnoutSchool.class)
    void schoolsHaveNames(BurnoutSchool school) {
        assertThat(BurnoutSchool.named(school.key())).contains(school);
        assertThat(school.label()).isNotBlank();
        assertThat(school.says()).endsWith(".");
        assertThat(school.rules()).isNotEmpty();
        assertThat(school.dryBefore()).isBetween(100.0, 800.0);
    }

    @Test
    void whatSchoolsDo() {
        assertThat(BurnoutSchool.named("own")).isEmpty();
        assertThat(BurnoutSchool.usual(true)).isEqualTo(BurnoutSchool.SLOW_BLOCK);
        assertThat(BurnoutSchool.usual(false)).isEqualTo(BurnoutSchool.STANDARD);
        assertThat(BurnoutSchool.STANDARD.sleeps()).isFalse();
        assertThat(List.of(BurnoutSchool.values()).stream().filter(BurnoutSchool::sleeps))
                .isNotEmpty();
        assertThat(List.of(BurnoutSchool.values()).stream().filter(BurnoutSchool::bySteps))
                .isNotEmpty();
    }

    @ParameterizedTest
    @EnumSource(Handling.class)
    void handlingsHaveNames(Handling handling) {
        assertThat(Handling.named(handling.key())).contains(handling);
        assertThat(handling.label()).startsWith(handling.key());
        assertThat(handling.says()).endsWith(".");
        assertThat(Handling.named("warm")).isEmpty();
    }

    // ---- who gets up at night

    /** A program of ten hours with duties at 0, 2 h and the pour. */
    private static BurnoutProgram ten() {
        return program(600, 0, 120, 600);
    }

    private static BurnoutProgram program(double total, double... duties) {
        List<Duty> all = new ArrayList<>();
        Duty.Kind[] kinds = {Duty.Kind.CLOSE_KILN, Duty.Kind.DRAIN_TRAY, Duty.Kind.POUR, Duty.Kind.LOOK};
        for (int i = 0; i < duties.length; i++) {
            all.add(new Duty(kinds[i % kinds.length], duties[i], "careful"));
        }
        return new BurnoutProgram(
                20,
                List.of(segment(Stage.DRY_OUT, 130, 150, (int) total - 60, Until.DRY)),
                minutes(total),
                Figure.given("mold", "mold", 150, Measure.DEGREE_CELSIUS, Known.CHOSEN, 0),
                all,
                Findings.NONE);
    }

    private static ZonedDateTime day(int day, int hour, int minute) {
        return ZonedDateTime.of(2026, 5, day, hour, minute, 0, 0, ZoneId.of("Europe/Lisbon"));
    }

    /** Closed at 8:00, tray at 10:00, poured at 18:00: nobody gets up. */
    @Test
    void byDay() {
        BackPlan plan = BackPlan.of(ten(), day(8, 18, 0));
        assertThat(plan.findings().all()).isEmpty();
        assertThat(plan.at(0)).isEqualTo(day(8, 8, 0));
        assertThat(plan.at(120)).isEqualTo(day(8, 10, 0));
        assertThat(plan.duties()).extracting(c -> c.at()).containsExactly(day(8, 8, 0), day(8, 10, 0), day(8, 18, 0));
    }

    /** Poured at 9:00 the kiln is closed at 23:00 and the tray is due at 1:00; poured at 15:30, closed at 5:30, nobody gets up. */
    @Test
    void byNight() {
        BackPlan plan = BackPlan.of(ten(), day(9, 9, 0));
        Finding night = plan.findings().all().get(0);
        assertThat(night.message())
                .isEqualTo("Someone has to be there in the night: close the kiln, vent open at 23:00 and 1 more.");
        assertThat(night.remedy()).isEqualTo("Pour at 15:30 instead and nobody has to get up.");
        // half past ten is still evening, a minute later is night; half past five is morning
        assertThat(BackPlan.of(program(600, 0, 600), day(9, 8, 30)).findings().all())
                .isEmpty();
        assertThat(BackPlan.of(program(600, 0, 600), day(9, 8, 31)).findings().all())
                .hasSize(1);
        assertThat(BackPlan.of(program(600, 0, 600), day(9, 15, 30)).findings().all())
                .isEmpty();
        assertThat(BackPlan.of(program(600, 0, 600), day(9, 15, 29)).findings().all())
                .hasSize(1);
        assertThat(BackPlan.of(program(600, 0, 600), day(9, 8, 31))
                        .findings()
                        .all()
                        .get(0)
                        .message())
                .endsWith("at 22:31.");
    }

    /** Closed at 23:00 and poured at 18:00 two days later: the rest of one night and the whole of the next, from 22:30 to 5:30. */
    @Test
    void nightsAreCutWhereTheFiringBeginsAndEnds() {
        assertThat(BackPlan.nights(day(8, 23, 0), day(10, 18, 0)))
                .containsExactly(
                        new BackPlan.Night(day(8, 23, 0), day(9, 5, 30)),
                        new BackPlan.Night(day(9, 22, 30), day(10, 5, 30)));
        assertThat(BackPlan.nights(day(9, 1, 0), day(9, 3, 0)))
                .containsExactly(new BackPlan.Night(day(9, 1, 0), day(9, 3, 0)));
        assertThat(BackPlan.nights(day(9, 5, 30), day(9, 22, 30))).isEmpty();
    }

    /** What is offered as a button is what the remedy says; nothing is offered where nobody has to get up. */
    @Test
    void anotherHourIsOffered() {
        assertThat(BackPlan.of(ten(), day(9, 9, 0)).instead()).contains(day(9, 15, 30));
        assertThat(BackPlan.of(ten(), day(8, 18, 0)).instead()).isEmpty();
    }

    /** Poured at 23:00 with one duty at the pour: at 5:30 the next day. */
    @Test
    void theNextDay() {
        assertThat(BackPlan.of(program(600, 600), day(8, 23, 0))
                        .findings()
                        .all()
                        .get(0)
                        .remedy())
                .isEqualTo("Pour at 05:30 the next day instead and nobody has to get up.");
        // duties all round the clock: no hour helps
        assertThat(BackPlan.of(program(1440, 0, 360, 720, 1080, 1440), day(9, 9, 0))
                        .findings()
                        .all()
                        .get(0)
                        .remedy())
                .startsWith("No hour of the pour avoids it");
    }

    /** Poured at 9:00 with a wait of two and a half hours the kiln is closed at 20:30 and the tray is out by 22:30. */
    @Test
    void aWaitAtThePour() {
        BackPlan asleep = BackPlan.asleep(ten(), day(9, 9, 0));
        assertThat(asleep.findings().all()).isEmpty();
        assertThat(asleep.at(0)).isEqualTo(day(8, 20, 30));
        assertThat(asleep.at(120)).isEqualTo(day(8, 22, 30));
        // none needed, none made
        assertThat(BackPlan.asleep(ten(), day(8, 18, 0)).program().minutes()).isEqualTo(600);
        // none helps: as it is
        BurnoutProgram round = program(1440, 0, 360, 720, 1080, 1440);
        assertThat(BackPlan.asleep(round, day(9, 9, 0)).program().minutes()).isEqualTo(1440);
        // what is due before the kiln is closed is not the kiln's
        BackPlan mixed = BackPlan.asleep(program(600, -600, 0), day(8, 18, 0));
        assertThat(mixed.program().minutes()).isEqualTo(600);
    }

    // ---- what a hold waits for

    @Test
    void withoutAMoldOrAProgramThereIsNothing() {
        assertThatThrownBy(() -> held(false, fired("a", SMALL, 0, false, 0))).hasMessageContaining("nothing to fire");
        assertThatThrownBy(() -> HeldProgram.of(
                        List.of(segment(Stage.DRY_OUT, 100, 150, 60, Until.DRY)), question(false, Optional.empty())))
                .hasMessageContaining("nothing to fire");
    }

    /** Ten minutes at each: none has what it waits for, each is said in its words. */
    @ParameterizedTest
    @CsvSource({
        "DRY, 150, short-dry",
        "DRAINED, 150, short-drained",
        "FLOWS, 250, short-flows",
        "CHARS, 450, short-chars",
        "BURNT, 730, short-burnt",
        "WITHIN, 540, short-within",
        "THROUGH, 700, short-through"
    })
    void tooShortAHold(Until until, double target, String id) {
        HeldProgram.Fired load = fired("heron", LARGE, 1, true, 70);
        HeldProgram held = held(false, load, segment(Stage.DRY_OUT, Double.POSITIVE_INFINITY, target, 10, until));
        assertThat(held.unmet()).containsExactly(new HeldProgram.Unmet(0, "heron"));
        assertThat(held.segments().get(0).hold()).isEqualTo(10);
        assertThat(id).isEqualTo("short-" + until.name().toLowerCase(java.util.Locale.ROOT));
        // what waits for nothing misses nothing
        assertThat(held(false, load, segment(Stage.DRY_OUT, 500, target, 10, Until.NOTHING))
                        .unmet())
                .isEmpty();
    }

    /** Lengthened each has it, says so, and is a multiple of five minutes. */
    @ParameterizedTest
    @CsvSource({"DRY, 150", "DRAINED, 150", "FLOWS, 250", "CHARS, 450", "WITHIN, 540", "THROUGH, 700", "EVEN, 300"})
    void lengthened(Until until, double target) {
        HeldProgram.Fired load = fired("heron", SMALL, 1, true, 70);
        HeldProgram held = held(true, load, segment(Stage.DRY_OUT, 2000, target, 10, until));
        assertThat(held.never()).isEmpty();
        assertThat(held.unmet()).isEmpty();
        Segment s = held.segments().get(0);
        assertThat(s.hold() % 5).isZero();
        assertThat(s.hold()).isGreaterThan(10);
        assertThat(s.ruledBy()).isEqualTo(until.label());
        assertThat(s.holdSum().name()).isEqualTo("hold at " + Math.round(target) + " °C");
        // not a minute more than asked: ten before, it is not so yet
        HeldProgram shorter = held(false, load, segment(Stage.DRY_OUT, 2000, target, s.hold() - 10, until));
        assertThat(shorter.unmet()).hasSize(1);
    }

    /** A hold that is long enough stays, at its minimum. */
    @Test
    void longEnough() {
        HeldProgram held =
                held(true, fired("heron", SMALL, 1, false, 0), segment(Stage.DRY_OUT, 100, 150, 900, Until.DRY));
        assertThat(held.segments().get(0).hold()).isEqualTo(900);
        assertThat(held.segments().get(0).ruledBy()).isEqualTo("asked, at its minimum");
    }

    /** Of two molds the slower one rules and is named. */
    @Test
    void theSlowerMoldRules() {
        HeldProgram held = HeldProgram.of(
                List.of(segment(Stage.DRY_OUT, 150, 150, 10, Until.DRY)),
                question(
                        true,
                        Optional.empty(),
                        fired("limpet", SMALL, 0, false, 0),
                        fired("heron", LARGE, 0, false, 0)));
        assertThat(held.segments().get(0).ruledBy()).isEqualTo(Until.DRY.label() + ": heron");
        HeldProgram alone =
                held(true, fired("heron", LARGE, 0, false, 0), segment(Stage.DRY_OUT, 150, 150, 10, Until.DRY));
        assertThat(held.segments().get(0).hold())
                .isEqualTo(alone.segments().get(0).hold());
    }

    /** At 90 C no water boils: it never dries, and no program climbs on. */
    @Test
    void neverDryAndNoFurther() {
        HeldProgram held = held(
                true,
                fired("heron", SMALL, 0, false, 0),
                segment(Stage.DRY_OUT, 150, 90, 10, Until.DRY),
                segment(Stage.BURN_OUT, 150, 730, 10, Until.BURNT));
        assertThat(held.never()).containsExactly(0);
        assertThat(held.segments()).hasSize(1);
        assertThat(held.segments().get(0).ruledBy()).isEqualTo("never: " + Until.DRY.label());
    }

    /** A pattern that runs at 70 C is through when the middle passes it; of two the later counts; none is none. */
    @Test
    void whenThePatternIsThrough() {
        Segment dry = segment(Stage.DRY_OUT, 150, 150, 300, Until.DRY);
        double small = HeldProgram.of(List.of(dry), question(false, Optional.empty(), fired("a", SMALL, 0, false, 70)))
                .drained()
                .getAsDouble();
        HeldProgram both = HeldProgram.of(
                List.of(dry),
                question(false, Optional.empty(), fired("a", SMALL, 0, false, 70), fired("b", LARGE, 0, false, 70)));
        assertThat(both.drained().getAsDouble()).isGreaterThan(small);
        HeldProgram.Fired bare = new HeldProgram.Fired(new KilnRun.Charge("c", SMALL, 1, 0, 1), 60, false);
        assertThat(HeldProgram.of(List.of(dry), question(false, Optional.empty(), bare))
                        .drained())
                .isEmpty();
        HeldProgram mixed =
                HeldProgram.of(List.of(dry), question(false, Optional.empty(), bare, fired("a", SMALL, 0, false, 70)));
        assertThat(mixed.drained().getAsDouble()).isCloseTo(small, within(1.0));
        // 300 C are never reached
        assertThat(HeldProgram.of(List.of(dry), question(false, Optional.empty(), fired("a", SMALL, 0, false, 300)))
                        .drained())
                .isEmpty();
    }

    /** A large block rushed through the inversion grows unevenly: it waits there first, then goes slower, each time at half. */
    @Test
    void slowerThroughTheInversion() {
        Mold block = Mold.block(0.3, 0.3, 0.35, Setting.dried(Setting.GYPSUM, 0));
        Segment[] rushed = {
            segment(Stage.INVERSION, 400, 300, 0, Until.NOTHING),
            segment(Stage.CARBON, 400, 480, 0, Until.NOTHING),
            segment(Stage.BURN_OUT, 400, 730, 30, Until.NOTHING)
        };
        HeldProgram asIs = held(false, fired("block", block, 0, false, 0), rushed);
        HeldProgram eased = held(true, fired("block", block, 0, false, 0), rushed);
        assertThat(asIs.mismatch()).isGreaterThan(HeldProgram.WARN_MISMATCH);
        assertThat(asIs.slowed()).isZero();
        assertThat(eased.slowed()).isPositive();
        assertThat(eased.mismatch()).isLessThan(asIs.mismatch());
        assertThat(eased.segments().get(0).until()).isEqualTo(Until.EVEN);
        assertThat(eased.segments().get(0).hold()).isPositive();
        // the burn-out's own rate stays
        assertThat(eased.segments().get(2).rate()).isEqualTo(400);
        if (eased.slowed() > 1) {
            assertThat(eased.segments().get(0).rate()).isEqualTo(400 / Math.pow(2, eased.slowed() - 1));
            assertThat(eased.segments().get(0).ruledBy()).contains("even").isNotBlank();
        }
    }

    // ---- a firing that runs

    private static final List<Segment> FROZEN = List.of(
            segment(Stage.DRY_OUT, 130, 150, 120, Until.NOTHING), segment(Stage.BURN_OUT, 290, 730, 60, Until.NOTHING));

    /** 1 h up, 2 h at 150, 2 h up, 1 h at 730: six hours. */
    private static Progress progress(double at, double into, Sample... samples) {
        return Progress.of(
                question(
                        false,
                        Optional.empty(),
                        fired("heron", SMALL, 0, false, 0),
                        fired("limpet", LARGE, 0, false, 0)),
                new Progress.State(FROZEN, List.of(samples), at, into, List.of(750.0, 750.0)));
    }

    private static List<Sample> followed(double until, double off) {
        List<Sample> samples = new ArrayList<>();
        for (double second = 0; second <= until; second += 60) {
            double hours = second / 3600;
            double asked = hours < 1 ? 20 + 130 * hours : hours < 3 ? 150 : hours < 5 ? 150 + 290 * (hours - 3) : 730;
            samples.add(new Sample(second, asked + off));
        }
        return samples;
    }

    private static List<String> found(Progress progress) {
        return progress.findings().all().stream()
                .map(f -> f.id() + ": " + f.message())
                .toList();
    }

    private static Progress followed(double hours, double into, double off, double after) {
        return progress(
                hours * 3600, into * 3600, followed((hours - after) * 3600, off).toArray(Sample[]::new));
    }

    /** In the middle of the first hold an hour of it and all after it are left; it is ready when planned. */
    @Test
    void halfWayThroughAHold() {
        Progress now = followed(2, 2, 0, 0);
        assertThat(found(now)).isEmpty();
        assertThat(now.rest()).extracting(Segment::hold).containsExactly(60, 60);
        assertThat(now.finish()).isCloseTo(360, within(0.5));
        assertThat(now.cores()).hasSize(2);
        assertThat(now.cores().get(0)).isGreaterThan(now.cores().get(1));
    }

    /** On the ramp to 730 at 440 C: the ramp and its hold are left. */
    @Test
    void halfWayUpARamp() {
        Progress now = followed(4, 4, 0, 0);
        assertThat(now.rest()).extracting(Segment::hold).containsExactly(60);
        assertThat(now.finish()).isCloseTo(360, within(0.5));
        Progress over = followed(7, 6, 0, 0);
        assertThat(over.rest()).isEmpty();
    }

    /** 25 K behind are borne, 26 are said with both figures. */
    @Test
    void behindTheProgram() {
        assertThat(found(followed(2, 2, -25, 0))).noneMatch(f -> f.startsWith("behind"));
        assertThat(found(followed(2, 2, -26, 0))).contains("behind: 26 K behind the program: 124 °C, 150 are asked.");
    }

    /** It stood still for twenty minutes: twenty late; ten are borne. */
    @Test
    void laterThanPlanned() {
        assertThat(found(followed(2, 2 - 10.0 / 60, 0, 0))).noneMatch(f -> f.startsWith("late"));
        assertThat(found(followed(2, 2 - 20.0 / 60, 0, 0)))
                .contains("late: Foreseen to be ready 20 minutes later than planned.");
    }

    /** Ten minutes of silence are borne; after eleven it is taken to cool, and the coldest middle is named. */
    @Test
    void silence() {
        assertThat(found(followed(2, 2, 0, 10.0 / 60))).noneMatch(f -> f.startsWith("silent"));
        Progress silent = followed(2, 2, 0, 20.0 / 60);
        assertThat(found(silent)).contains("silent: Nothing was heard of the kiln for 20 minutes.");
        assertThat(silent.findings().all().get(0).reason())
                .contains(String.format(
                        java.util.Locale.ROOT,
                        "The middle of limpet is foreseen at %.0f °C.",
                        silent.cores().get(1)));
    }

    /** 61 K under and 8 and more lower than a quarter of an hour ago it falls; steady it is only behind. */
    @Test
    void falling() {
        List<Sample> samples = followed(7200 - 900, 0);
        samples.add(new Sample(7200, 88));
        Progress falls = progress(7200, 7200, samples.toArray(Sample[]::new));
        assertThat(found(falls)).contains("falling: The kiln falls: 88 °C, 150 are asked.");
        assertThat(found(followed(2, 2, -62, 0)))
                .anyMatch(f -> f.startsWith("behind"))
                .noneMatch(f -> f.startsWith("falling"));
        List<Sample> nearly = followed(7200 - 900, -55);
        nearly.add(new Sample(7200, 88));
        assertThat(found(progress(7200, 7200, nearly.toArray(Sample[]::new)))).noneMatch(f -> f.startsWith("falling"));
    }

    /** At 750 nothing is damaged yet; at 751 both are named with their limit. */
    @Test
    void overheated() {
        assertThat(found(progress(7200, 7200, new Sample(0, 20), new Sample(7200, 750))))
                .noneMatch(f -> f.startsWith("over-limit"));
        assertThat(found(progress(7200, 7200, new Sample(0, 20), new Sample(7200, 751))))
                .contains("over-limit: The kiln was at 751 °C; heron, limpet may see 750.");
    }

    /** Between readings a straight line: after an hour from 20 to 150 the middle stands where the program's own would. */
    @Test
    void betweenReadings() {
        double steady = progress(7200, 7200, new Sample(0, 20), new Sample(3600, 150), new Sample(7200, 150))
                .cores()
                .get(0);
        double minutely = followed(2, 2, 0, 0).cores().get(0);
        assertThat(steady).isCloseTo(minutely, within(0.3));
        // nothing heard at all: it stands at the start
        assertThat(progress(3600, 3600).cores().get(0)).isCloseTo(20, within(0.01));
        assertThat(found(progress(3600, 3600))).isEmpty();
    }

    // ---- what is dragged

    /** A corner dragged gives the very program that is made anew; nothing before it is simulated again, whatever changed. */
    @Test
    void aTrailGivesTheSame() {
        HeldProgram.Question asked = question(false, Optional.empty(), fired("heron", SMALL, 1, false, 0));
        List<Segment> base = List.of(
                segment(Stage.DRY_OUT, 150, 150, 120, Until.DRY),
                segment(Stage.CARBON, 150, 370, 60, Until.CHARS),
                segment(Stage.BURN_OUT, 150, 730, 120, Until.BURNT));
        ResumableSimulation trail = new ResumableSimulation();
        same(trail.tried(base, asked), HeldProgram.of(base, asked));
        int[][] changes = {{0, 121}, {0, 60}, {0, 300}, {1, 61}, {1, 0}, {1, 200}, {2, 60}, {2, 121}, {0, 120}};
        List<Segment> now = base;
        for (int[] change : changes) {
            List<Segment> dragged = new ArrayList<>(now);
            Segment s = dragged.get(change[0]);
            dragged.set(change[0], segment(s.stage(), s.rate(), s.target(), change[1], s.until()));
            now = dragged;
            same(trail.tried(now, asked), HeldProgram.of(now, asked));
        }
        List<Segment> hotter = new ArrayList<>(base);
        hotter.set(1, segment(Stage.CARBON, 150, 400, 60, Until.CHARS));
        same(trail.tried(hotter, asked), HeldProgram.of(hotter, asked));
        List<Segment> faster = new ArrayList<>(base);
        faster.set(2, segment(Stage.BURN_OUT, 300, 730, 120, Until.BURNT));
        same(trail.tried(faster, asked), HeldProgram.of(faster, asked));
        same(trail.tried(base.subList(0, 1), asked), HeldProgram.of(base.subList(0, 1), asked));
        same(trail.tried(base, asked), HeldProgram.of(base, asked));
        HeldProgram.Question other = question(false, Optional.empty(), fired("heron", LARGE, 1, false, 0));
        same(trail.tried(base, other), HeldProgram.of(base, other));
    }

    private static void same(HeldProgram is, HeldProgram should) {
        assertThat(is.segments()).isEqualTo(should.segments());
        assertThat(is.unmet()).isEqualTo(should.unmet());
        assertThat(is.never()).isEqualTo(should.never());
        assertThat(is.run().time()).isCloseTo(should.run().time(), within(1e-6));
        assertThat(is.run().core(0)).isCloseTo(should.run().core(0), within(1e-9));
        assertThat(is.run().water(0)).isCloseTo(should.run().water(0), within(1e-12));
        assertThat(is.run().residue(0)).isCloseTo(should.run().residue(0), within(1e-12));
        assertThat(is.run().firing(0).trace())
                .hasSameSizeAs(should.run().firing(0).trace());
    }
}
