package kilnryu.core.learning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Sums by hand; t from a printed table. */
class LearnedTest {

    private static Learned.Pair pair(double planned, double actual) {
        return new Learned.Pair("a casting", planned, actual);
    }

    @Test
    void theFactorAndItsIntervalByHand() {
        Learned l = Learned.of(List.of(pair(100, 103), pair(200, 204), pair(300, 303)));
        // sum xy = 10300 + 40800 + 90900 = 142000; sum xx = 140000; k = 1.0142857
        assertThat(l.value()).isEqualTo(142.0 / 140, within(1e-12));
        // off: 1.571429, 1.142857, -1.285714; squares 2.469388 + 1.306122 + 1.653061 = 5.428571
        // error = sqrt(5.428571 / 2 / 140000) = 0.00440316; t(0.95, 2) = 2.920
        assertThat(l.half().orElseThrow()).isEqualTo(2.920 * 0.00440316, within(2e-6));
        assertThat(l.differs()).isTrue();
    }

    @Test
    void itIsOfferedFromFiveCastingsOn() {
        List<Learned.Pair> four = List.of(pair(100, 102), pair(120, 121), pair(80, 82), pair(95, 97));
        assertThat(Learned.of(four).offered()).isFalse();
        List<Learned.Pair> five = new ArrayList<>(four);
        five.add(pair(110, 112));
        assertThat(Learned.of(five).offered()).isTrue();
        assertThat(Learned.of(List.of()).offered()).isFalse();
        assertThat(Learned.of(List.of(pair(100, 102))).half()).isEmpty();
        assertThat(Learned.of(List.of(pair(100, 102))).differs()).isFalse();
    }

    @Test
    void aFactorOfThreeIsAMistakenUnitAndNotOffered() {
        List<Learned.Pair> ounces =
                List.of(pair(10, 28.3), pair(12, 34), pair(9, 25.5), pair(11, 31.2), pair(10, 28.4));
        Learned l = Learned.of(ounces);
        assertThat(l.offered()).isFalse();
        assertThat(l.senseless()).isTrue();
    }

    @Test
    void anOutlierIsMarkedAndNotDropped() {
        List<Learned.Pair> pairs = new ArrayList<>(
                List.of(pair(100, 101), pair(100, 102), pair(100, 101.5), pair(100, 100.5), pair(100, 101.2)));
        Learned.Pair odd = pair(100, 140);
        pairs.add(odd);
        Learned l = Learned.of(pairs);
        assertThat(l.far().test(odd)).isTrue();
        assertThat(pairs.stream().filter(l.far())).containsExactly(odd);
        assertThat(l.count()).isEqualTo(6);
        // (101 + 102 + 101.5 + 100.5 + 101.2 + 140) / 600
        assertThat(l.value()).isEqualTo(646.2 / 600, within(1e-12));
    }

    @Test
    void theIntervalHoldsTheTruthNineTimesInTen() {
        Random dice = new Random(18);
        int held = 0;
        int tries = 2000;
        for (int i = 0; i < tries; i++) {
            List<Learned.Pair> pairs = new ArrayList<>();
            for (int j = 0; j < 8; j++) {
                pairs.add(pair(100, 100 * (1.03 + 0.02 * dice.nextGaussian())));
            }
            Learned l = Learned.of(pairs);
            held += l.low() <= 1.03 && l.high() >= 1.03 ? 1 : 0;
        }
        // 0.9 give or take three times sqrt(0.9 x 0.1 / 2000)
        assertThat(held / (double) tries).isEqualTo(0.9, within(0.0202));
    }

    @Test
    void nothingIsLearnedFromNoMass() {
        assertThatThrownBy(() -> pair(0, 5)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> pair(5, -1)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void howOftenItComesGood() {
        // 9 of 12 in a studio where 0.8 come good: (9 + 3.2) / (12 + 4)
        Yield y = new Yield(9, 12, 0.8);
        assertThat(y.next()).isEqualTo(12.2 / 16, within(1e-12));
        assertThat(y.low()).isLessThan(y.next());
        assertThat(y.high()).isGreaterThan(y.next());
        // nothing made of it yet: what the studio does elsewhere
        assertThat(new Yield(0, 0, 0.8).next()).isEqualTo(0.8, within(1e-12));
        // all spoiled is no certainty
        assertThat(new Yield(0, 3, 0.5).next()).isEqualTo(2.0 / 7, within(1e-12));
        assertThat(new Yield(0, 3, 0).high()).isLessThan(1);
        assertThat(Yield.overall(0, 0)).isEqualTo(0.5, within(1e-12));
        assertThat(Yield.overall(8, 8)).isEqualTo(0.9, within(1e-12));
        assertThatThrownBy(() -> new Yield(4, 3, 0.5)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aBetaOfTwoAndTwoHasItsTwentiethAtAnEighth() {
        // Beta(2, 2): 3 x2 - 2 x3 = 0.05 at x = 0.135350
        Yield y = new Yield(0, 0, 0.5);
        assertThat(y.low()).isEqualTo(0.135350, within(1e-5));
        assertThat(y.high()).isEqualTo(1 - 0.135350, within(1e-5));
    }

    /** Five alike at a ratio: its interval is nothing, and its edges are those of what makes sense. */
    private static Learned five(double ratio) {
        return Learned.of(java.util.Collections.nCopies(5, pair(100, 100 * ratio)));
    }

    @Test
    void aHalfAndTwiceStillMakeSense() {
        assertThat(five(0.5).offered()).isTrue();
        assertThat(five(2).offered()).isTrue();
        assertThat(five(0.49).offered()).isFalse();
        assertThat(five(2.01).offered()).isFalse();
        assertThat(five(0.49).senseless()).isTrue();
        assertThat(five(2.01).senseless()).isTrue();
        assertThat(five(0.5).senseless()).isFalse();
        assertThat(five(2).senseless()).isFalse();
        assertThat(Learned.of(List.of()).senseless()).isFalse();
    }

    @Test
    void itDiffersOnBothSidesAndNotAtOne() {
        assertThat(five(0.9).differs()).isTrue();
        assertThat(five(1.1).differs()).isTrue();
        assertThat(five(1).differs()).isFalse();
        assertThat(pair(80, 100).ratio()).isEqualTo(1.25);
    }

    /**
     * Ratios 0.98, 0.99, 1, 1.01, 1.02 and one more: their middle is 1.005 and what they lie off it 0.005, 0.005, 0.015, 0.015,
     * 0.025 and the sixth's own; the middle of those is 0.015. Far off is 3.5 x 1.4826 x 0.015 = 0.0778 from 1.005.
     */
    @Test
    void farOffIsThreeAndAHalfTimesTheUsualScatter() {
        List<Learned.Pair> usual =
                new ArrayList<>(List.of(pair(100, 102), pair(100, 98), pair(100, 100), pair(100, 101), pair(100, 99)));
        Learned.Pair near = pair(100, 108.2);
        Learned.Pair far = pair(100, 108.4);
        List<Learned.Pair> with = new ArrayList<>(usual);
        with.add(near);
        assertThat(Learned.of(with).far().test(near)).isFalse();
        with.set(5, far);
        assertThat(Learned.of(with).far().test(far)).isTrue();
        assertThat(usual.stream().noneMatch(Learned.of(usual).far())).isTrue();
        // under five nothing is called far off
        List<Learned.Pair> four = List.of(pair(100, 100), pair(100, 100), pair(100, 100), pair(100, 190));
        assertThat(Learned.of(four).far().test(four.get(3))).isFalse();
    }
}
