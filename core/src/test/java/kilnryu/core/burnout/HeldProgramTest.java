package kilnryu.core.burnout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kilnryu.core.burnout.OwnProgram.Line;
import kilnryu.core.finding.Finding;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.kiln.KilnRun;
import kilnryu.core.kiln.Mold;
import kilnryu.core.kiln.Setting;
import org.junit.jupiter.api.Test;

class HeldProgramTest {
    private static final Mold SMALL = Mold.flask(0.06, 0.10, Setting.GYPSUM);
    private static final Mold LARGE = Mold.flask(0.10, 0.15, Setting.GYPSUM);
    private static final List<Line> TYPED =
            List.of(new Line(150, 150, 120), new Line(100, 370, 60), new Line(150, 730, 120), new Line(200, 540, 60));

    private static HeldProgram.Question question(Mold mold, boolean lengthen) {
        return question(mold, lengthen, Optional.empty());
    }

    private static HeldProgram.Question question(Mold mold, boolean lengthen, Optional<Kiln> kiln) {
        return new HeldProgram.Question(
                List.of(new HeldProgram.Fired(new KilnRun.Charge("flask", mold, 1, 1, 1), 60, false)),
                kiln,
                20,
                KilnRun.Detail.QUICK,
                lengthen);
    }

    @Test
    void aTypedProgramIsReadByItsTemperatures() {
        assertThat(OwnProgram.of(TYPED))
                .extracting(Segment::stage)
                .containsExactly(Stage.DRY_OUT, Stage.CARBON, Stage.BURN_OUT, Stage.DESCEND);
        assertThat(OwnProgram.of(TYPED))
                .extracting(Segment::until)
                .containsExactly(Until.DRY, Until.CHARS, Until.BURNT, Until.WITHIN);
        assertThat(OwnProgram.of(List.of(new Line(100, 730, 60), new Line(100, 60, 10), new Line(100, 600, 30))))
                .extracting(Segment::stage)
                .containsExactly(Stage.BURN_OUT, Stage.ASH_OUT, Stage.REHEAT);
    }

    @Test
    void leftAloneEveryHoldStaysAsTyped() {
        HeldProgram held = HeldProgram.of(OwnProgram.of(TYPED), question(LARGE, false));
        assertThat(held.segments()).extracting(Segment::hold).containsExactly(120, 60, 120, 60);
        assertThat(held.run().time() / 60)
                .isCloseTo(130 / 150.0 * 60 + 120 + 132 + 60 + 144 + 120 + 57 + 60, within(1e-6));
    }

    /** One hour of a firing is measured; the rest is foreseen under the eyes of the one who asked, and ends when he says so. */
    @Test
    void howAFiringGoesOnIsWatchedAndCanBeEnded() {
        Progress.State state = new Progress.State(
                OwnProgram.of(TYPED),
                List.of(new Progress.Sample(0, 20), new Progress.Sample(3600, 150)),
                3600,
                3600,
                List.of(800.0));
        List<Double> seen = new ArrayList<>();
        Progress progress = Progress.of(question(SMALL, false), state, seen::add);
        assertThat(seen).isSorted().hasSizeGreaterThan(20);
        assertThat(seen.get(seen.size() - 1)).isCloseTo(progress.finish() * 60, within(1e-6));
        int size = seen.size();
        progress.run().go(progress.run().time() + 600, t -> 540);
        assertThat(seen).as("what it hands on is not watched").hasSize(size);
        assertThatThrownBy(() -> Progress.of(question(SMALL, false), state, second -> {
                    if (second > 7200) {
                        throw new IllegalStateException("stopped");
                    }
                }))
                .hasMessage("stopped");
    }

    /** Never shorter than typed, and half a hold is never drier than the whole. */
    @Test
    void lengthenedHoldsAreNeverShorter() {
        List<Segment> typed = OwnProgram.of(TYPED);
        HeldProgram held = HeldProgram.of(typed, question(LARGE, true));
        for (int i = 0; i < typed.size(); i++) {
            assertThat(held.segments().get(i).hold())
                    .isGreaterThanOrEqualTo(typed.get(i).hold());
        }
        assertThat(held.segments().get(0).hold()).isGreaterThan(400);
        assertThat(held.never()).isEmpty();
        List<Segment> half = new ArrayList<>(held.segments());
        Segment first = half.get(0);
        half.set(0, new Segment(first.stage(), first.rate(), first.target(), first.hold() / 2, first.holdSum(), ""));
        HeldProgram wet = HeldProgram.of(half, question(LARGE, false));
        double at = (130 / 150.0 * 60 + first.hold() / 2.0);
        double left = wet.run().firing(0).trace().stream()
                .filter(m -> m.minute() <= at)
                .reduce((a, b) -> b)
                .orElseThrow()
                .water();
        assertThat(left).isGreaterThan(20);
    }

    @Test
    void nothingToFireIsRefused() {
        HeldProgram.Question empty =
                new HeldProgram.Question(List.of(), Optional.empty(), 20, KilnRun.Detail.QUICK, true);
        assertThatThrownBy(() -> HeldProgram.of(OwnProgram.of(TYPED), empty))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> HeldProgram.of(List.of(), question(SMALL, true)))
                .isInstanceOf(IllegalArgumentException.class);
    }

    /** To itself nothing grows; to a larger flask holds and ramps do, and at each end its middle is as far. */
    @Test
    void aKnownProgramForALargerFlask() {
        List<Segment> known =
                HeldProgram.of(OwnProgram.of(TYPED), question(SMALL, true)).segments();
        Conversion same = Conversion.of(known, SMALL, SMALL);
        assertThat(same.lines()).allMatch(l -> l.grows().isEmpty());
        assertThat(same.minutes()[1]).isCloseTo(same.minutes()[0], within(1e-6));
        Conversion larger = Conversion.of(known, SMALL, LARGE);
        // (60 / 100)2 = 0.36 of 150 K/h
        assertThat(larger.segments().get(0).rate()).isCloseTo(54, within(1e-9));
        assertThat(larger.segments().get(0).hold())
                .isGreaterThan(2 * known.get(0).hold());
        assertThat(larger.lines().get(0).grows()).contains("150 to 54 K/h").contains("min");
        HeldProgram tried = HeldProgram.of(larger.segments(), question(LARGE, false));
        assertThat(tried.run().firing(0).past().get(0)).isPresent();
        assertThat(tried.run().burnt(0)).isGreaterThan(58);
    }

    private static List<Progress.Sample> samples(KilnRun run, double toMinute, double less) {
        return run.kilnAt().stream()
                .filter(k -> k.minute() <= toMinute)
                .map(k -> new Progress.Sample(k.minute() * 60, k.kiln() - less))
                .toList();
    }

    /** As planned so far, it ends when planned. */
    @Test
    void aFiringThatGoesAsPlannedEndsAsPlanned() {
        HeldProgram held = HeldProgram.of(OwnProgram.of(TYPED), question(SMALL, true));
        double at = 300 * 60;
        Progress progress = Progress.of(
                question(SMALL, true),
                new Progress.State(held.segments(), samples(held.run(), 300, 0), at, at, List.of(750.0)));
        assertThat(progress.finish()).isCloseTo(held.run().time() / 60, within(11.0));
        assertThat(progress.findings().all()).isEmpty();
        double core = held.run().firing(0).trace().stream()
                .filter(m -> m.minute() >= 299)
                .findFirst()
                .orElseThrow()
                .core();
        assertThat(progress.cores().get(0)).isCloseTo(core, within(2.0));
    }

    /** Forty kelvins behind all the while: still wetter, later, and said. */
    @Test
    void aFiringBehindItsProgramIsForeseenLater() {
        HeldProgram held = HeldProgram.of(OwnProgram.of(TYPED), question(SMALL, true));
        double at = 300 * 60;
        Progress progress = Progress.of(
                question(SMALL, true),
                new Progress.State(held.segments(), samples(held.run(), 300, 40), at, at, List.of(750.0)));
        assertThat(progress.finish()).isGreaterThan(held.run().time() / 60 + 20);
        assertThat(progress.findings().all()).extracting(Finding::id).contains("behind", "late");
        assertThat(progress.waters().get(0)).isGreaterThan(0);
    }

    @Test
    void tooHotAndSilentAreStops() {
        HeldProgram held = HeldProgram.of(OwnProgram.of(TYPED), question(SMALL, true));
        List<Progress.Sample> hot = List.of(new Progress.Sample(0, 20), new Progress.Sample(3600, 768));
        Progress progress = Progress.of(
                question(SMALL, true), new Progress.State(held.segments(), hot, 5400, 5400, List.of(750.0)));
        assertThat(progress.findings().all()).extracting(Finding::id).contains("over-limit", "silent");
        assertThat(progress.findings().all())
                .filteredOn(f -> f.id().equals("over-limit"))
                .allMatch(Finding::safety);
    }

    /** Of three molds one may see 1100 and two 750: at 768 one stop names both and not the third. */
    @Test
    void oneStopForAllMoldsOfALimit() {
        List<HeldProgram.Fired> load = new ArrayList<>();
        for (String name : List.of("sandpiper", "shell", "dunlin")) {
            load.add(new HeldProgram.Fired(new KilnRun.Charge(name, SMALL, 1, 1, 1), 60, false));
        }
        HeldProgram.Question question =
                new HeldProgram.Question(load, Optional.empty(), 20, KilnRun.Detail.QUICK, false);
        List<Progress.Sample> hot = List.of(new Progress.Sample(0, 20), new Progress.Sample(3600, 768));
        Progress progress = Progress.of(
                question, new Progress.State(OwnProgram.of(TYPED), hot, 3600, 3600, List.of(750.0, 1100.0, 750.0)));
        assertThat(progress.findings().all())
                .filteredOn(f -> f.id().equals("over-limit"))
                .singleElement()
                .satisfies(f -> assertThat(f.message())
                        .contains("768", "sandpiper, dunlin may see 750")
                        .doesNotContain("shell"));
    }

    /** Silent for two hours at heat it is taken to cool: 20 + 680 exp(-7200 UA / C) of the empty kiln, less with a mold. */
    @Test
    void aSilentKilnIsTakenToCool() {
        Kiln kiln = Kiln.of(3, 1100, 90);
        HeldProgram held = HeldProgram.of(OwnProgram.of(TYPED), question(SMALL, true, Optional.of(kiln)));
        List<Progress.Sample> hot = List.of(new Progress.Sample(0, 700), new Progress.Sample(20_000, 700));
        Progress progress = Progress.of(
                question(SMALL, true, Optional.of(kiln)),
                new Progress.State(held.segments(), hot, 27_200, 20_000, List.of(750.0)));
        double empty = 20 + 680 * Math.exp(-7200 * kiln.lossPerK() / kiln.capacity());
        assertThat(progress.cores().get(0)).isBetween(empty - 20, 640.0);
        assertThat(progress.findings().all())
                .filteredOn(f -> f.id().equals("silent"))
                .allMatch(f -> f.reason().contains("The middle of flask is foreseen at"));
    }

    /** Without power it falls, and the foreseen state of the coldest mold is said. */
    @Test
    void aPowerCutSaysWhatTheMoldsAre() {
        Kiln kiln = Kiln.of(3, 1100, 90);
        HeldProgram held = HeldProgram.of(OwnProgram.of(TYPED), question(SMALL, true, Optional.of(kiln)));
        double burning = held.run().kilnAt().stream()
                .filter(k -> k.kiln() > 700)
                .findFirst()
                .orElseThrow()
                .minute();
        List<Progress.Sample> cut = new ArrayList<>(samples(held.run(), burning, 0));
        double from = cut.get(cut.size() - 1).second();
        for (int i = 1; i <= 60; i++) {
            cut.add(new Progress.Sample(from + i * 60, 700 - i * 4));
        }
        Progress progress = Progress.of(
                question(SMALL, true, Optional.of(kiln)),
                new Progress.State(held.segments(), cut, from + 3600, from, List.of(750.0)));
        Finding falling = progress.findings().all().stream()
                .filter(f -> f.id().equals("falling"))
                .findFirst()
                .orElseThrow();
        assertThat(falling.reason()).contains("The middle of flask is foreseen at");
        assertThat(progress.finish()).isGreaterThan(held.run().time() / 60 + 55);
    }
}
