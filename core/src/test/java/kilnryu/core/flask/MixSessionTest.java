package kilnryu.core.flask;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.stream.IntStream;
import kilnryu.core.finding.Finding;
import kilnryu.core.flask.MixSession.Batch;
import kilnryu.core.flask.MixSession.Bowl;
import kilnryu.core.flask.MixSession.Mold;
import kilnryu.core.flask.MixSession.Moved;
import kilnryu.core.sum.Factors;
import org.junit.jupiter.api.Test;

/** Sessions of several molds, by the clock of handbook 4: mix 3, vacuum 1.5, pour 1, vacuum 1.5 min, 9.5 min in all. */
class MixSessionTest {
    private static final List<Bowl> THREE_LITRES = List.of(new Bowl("the bucket", 3000, 2));

    private static Mold mold(int number, double cm3) {
        return new Mold("m" + number, "flask " + number, cm3 * 1.29, cm3 * 0.51, cm3);
    }

    private static List<Mold> molds(int count, double cm3) {
        return IntStream.range(0, count).mapToObj(i -> mold(i, cm3)).toList();
    }

    private static MixSession.Way vacuum(double working, int places) {
        return new MixSession.Way(MixSchool.VACUUM, working, OptionalDouble.empty(), places, Factors.HANDBOOK);
    }

    private static List<String> ids(MixSession session) {
        return session.findings().all().stream().map(Finding::id).toList();
    }

    /** One at a time under the bell: 4.5 + n (1 + 1.5) is at most 9.5 for two; five molds take three bowls. */
    @Test
    void theWorkingTimeAllowsTwoMoldsToABowl() {
        MixSession session = MixSession.of(molds(5, 300), THREE_LITRES, vacuum(9.5, 1));
        assertThat(session.batches()).extracting(b -> b.molds().size()).containsExactly(2, 2, 1);
        assertThat(session.least()).isEqualTo(3);
        Batch first = session.batches().get(0);
        assertThat(first.ends()).isCloseTo(9.5, within(1e-9));
        assertThat(first.late()).isCloseTo(0, within(1e-9));
        assertThat(first.moves()).extracting(Moved::from).containsExactly(0.0, 3.0, 4.5, 5.5, 6.5, 8.0);
        assertThat(session.findings().all()).isEmpty();
    }

    /** Four under the bell together: 4.5 + n + 1.5 is at most 9.5 for three. */
    @Test
    void aBellWithRoomForFourAllowsThree() {
        MixSession session = MixSession.of(molds(6, 300), THREE_LITRES, vacuum(9.5, 4));
        assertThat(session.batches()).extracting(b -> b.molds().size()).containsExactly(3, 3);
        assertThat(session.batches().get(0).moves()).hasSize(6);
    }

    /** 45 % of three litres is 1350 cm3: two molds of 700 do not share the bowl. */
    @Test
    void theMixHasToRiseInTheBowl() {
        assertThat(MixSession.of(molds(2, 700), THREE_LITRES, vacuum(9.5, 1)).batches())
                .hasSize(2);
        assertThat(MixSession.of(molds(2, 675), THREE_LITRES, vacuum(9.5, 1)).batches())
                .hasSize(1);
    }

    @Test
    void powderAndWaterOfABowlAreThoseOfItsMolds() {
        Batch batch = MixSession.of(molds(2, 500), THREE_LITRES, vacuum(9.5, 1))
                .batches()
                .get(0);
        assertThat(batch.powder().value()).isCloseTo(1290, within(1e-9));
        assertThat(batch.water().value()).isCloseTo(510, within(1e-9));
    }

    @Test
    void theNextBowlBeginsWhenTheFirstIsWashed() {
        MixSession session = MixSession.of(molds(3, 300), THREE_LITRES, vacuum(9.5, 1));
        assertThat(session.batches().get(1).begins()).isCloseTo(9.5 + 6, within(1e-9));
    }

    @Test
    void lateIsSaidBeforeItHappens() {
        MixSession session = MixSession.of(molds(1, 300), THREE_LITRES, vacuum(6.5, 1));
        assertThat(ids(session)).containsExactly("session-late.1");
        assertThat(session.batches().get(0).late()).isCloseTo(0.5, within(1e-9));
        assertThat(ids(MixSession.of(molds(1, 300), THREE_LITRES, vacuum(7, 1))))
                .isEmpty();
    }

    /** 2000 cm3 asks for two buckets of 1350 at once; 3000 for three, and there are two. */
    @Test
    void aMoldLargerThanTheBowlTakesSeveralAtOnce() {
        assertThat(ids(MixSession.of(molds(1, 2000), THREE_LITRES, vacuum(9.5, 1))))
                .containsExactly("several-bowls.1");
        assertThat(ids(MixSession.of(molds(1, 3000), THREE_LITRES, vacuum(9.5, 1))))
                .containsExactly("bowl-small.1");
    }

    @Test
    void theSmallestBowlThatTakesItIsUsed() {
        List<Bowl> two = List.of(new Bowl("bucket", 3000, 1), new Bowl("cup", 800, 1));
        assertThat(MixSession.of(molds(1, 300), two, vacuum(9.5, 1))
                        .batches()
                        .get(0)
                        .bowl()
                        .name())
                .isEqualTo("cup");
        assertThat(MixSession.of(molds(1, 400), two, vacuum(9.5, 1))
                        .batches()
                        .get(0)
                        .bowl()
                        .name())
                .isEqualTo("bucket");
    }

    /** A pour learned from the log: 4.5 + 2 * (2 + 1.5) is 11.5, so one mold to a bowl. */
    @Test
    void aSlowerHandTakesFewerMolds() {
        MixSession.Way slow = new MixSession.Way(MixSchool.VACUUM, 9.5, OptionalDouble.of(2), 1, Factors.HANDBOOK);
        assertThat(MixSession.of(molds(2, 300), THREE_LITRES, slow).batches()).hasSize(2);
    }

    @Test
    void nothingToFillOrNothingToStirInIsNoSession() {
        assertThatThrownBy(() -> MixSession.of(List.of(), THREE_LITRES, vacuum(9.5, 1)))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> MixSession.of(molds(1, 300), List.of(), vacuum(9.5, 1)))
                .isInstanceOf(IllegalArgumentException.class);
    }

    /** Every mold is filled once, no bowl is over its share, none begins before the one before it has ended. */
    @Test
    void anySessionFillsEveryMoldOnce() {
        Random random = new Random(11);
        for (int round = 0; round < 60; round++) {
            List<Mold> molds = new ArrayList<>();
            for (int i = 0; i < 1 + random.nextInt(40); i++) {
                molds.add(mold(i, 100 + random.nextDouble() * 1200));
            }
            MixSession session = MixSession.of(molds, THREE_LITRES, vacuum(9.5, 1 + random.nextInt(4)));
            assertThat(session.batches().stream().flatMap(b -> b.molds().stream()))
                    .containsExactlyInAnyOrderElementsOf(molds);
            assertThat(session.batches()).allMatch(b -> b.slurry() <= 1350 + 1e-6 && b.late() <= 1e-9);
            assertThat(session.batches().size()).isGreaterThanOrEqualTo(session.least());
            for (int i = 1; i < session.batches().size(); i++) {
                assertThat(session.batches().get(i).begins())
                        .isGreaterThan(session.batches().get(i - 1).ends());
            }
        }
    }

    /** Which limit closed a bowl is said: two molds in 9.5 min, or 45 % of a bowl that the mix rises in. */
    @Test
    void theLimitThatClosedABowlIsSaid() {
        MixSession byTime = MixSession.of(molds(5, 300), THREE_LITRES, vacuum(9.5, 1));
        assertThat(byTime.batches().get(0).limit()).startsWith("time: 2 molds").contains("9.5 min");
        assertThat(byTime.batches().get(2).limit()).isEmpty();
        // 45 % of 3000 is 1350: one of 900 and none beside it
        MixSession byRise = MixSession.of(molds(3, 900), THREE_LITRES, vacuum(20, 1));
        assertThat(byRise.batches().get(0).limit()).startsWith("rise").contains("45 %");
        assertThat(byRise.batches().get(2).limit()).isEmpty();
    }

    /** Five of 300 cm3: 5 x 387 g of powder and 5 x 153 g of water. */
    @Test
    void powderAndWaterOfTheSession() {
        MixSession session = MixSession.of(molds(5, 300), THREE_LITRES, vacuum(9.5, 1));
        assertThat(session.powder().value()).isCloseTo(1935, within(1e-9));
        assertThat(session.water().value()).isCloseTo(765, within(1e-9));
    }
}
