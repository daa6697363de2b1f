package kilnryu.app.learning;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import kilnryu.core.learning.Learned;
import kilnryu.core.pour.PourCrew;
import kilnryu.core.sum.Constant;
import org.junit.jupiter.api.Test;

/** When something that was learned may be taken, and how it is said. */
class OfferTest {
    private static Learned learned(double... ratios) {
        List<Learned.Pair> pairs = new ArrayList<>();
        for (double r : ratios) {
            pairs.add(new Learned.Pair("a casting", 100, 100 * r));
        }
        return Learned.of(pairs);
    }

    private static Offer offer(Offer.Lead lead, Learned learned, Constant constant, double now, double would) {
        List<Offer.Place> places = constant == null ? List.of() : List.of(new Offer.Place(constant, now, would));
        return new Offer("carry", "Carry", "hands", "s", lead, learned, Map.of(), places, false);
    }

    private static final Learned SLOW = learned(1.19, 1.2, 1.21, 1.2, 1.2);

    @Test
    void itIsTakenWhenThereAreEnoughAndItDiffers() {
        assertThat(offer(Offer.Lead.TIMES, SLOW, PourCrew.CARRY, 20, 24).takeable())
                .isTrue();
        assertThat(offer(Offer.Lead.TIMES, learned(1.2, 1.2, 1.2, 1.21), PourCrew.CARRY, 20, 24)
                        .takeable())
                .as("four are too few")
                .isFalse();
        assertThat(offer(Offer.Lead.TIMES, learned(0.98, 1.02, 1, 0.99, 1.01), PourCrew.CARRY, 20, 20)
                        .takeable())
                .as("no different from the plan")
                .isFalse();
        assertThat(offer(Offer.Lead.TIMES, SLOW, null, 0, 0).takeable())
                .as("shown only")
                .isFalse();
        // a carry of over four minutes is no carry: its constant does not bear it
        assertThat(offer(Offer.Lead.TIMES, SLOW, PourCrew.CARRY, 20, 241).takeable())
                .isFalse();
    }

    /** Hours have no plan before them: their own middle is offered though it differs from nothing. */
    @Test
    void aRateNeedsNotDiffer() {
        Offer.Lead hours = new Offer.Lead(2, " h on 1 kg");
        Offer offer = offer(hours, learned(0.98, 1.02, 1, 0.99, 1.01), PourCrew.CARRY, 20, 20);
        assertThat(offer.takeable()).isTrue();
        assertThat(offer.now()).isEqualTo("nothing");
        assertThat(hours.value(learned(1, 1))).isEqualTo("2.00 h on 1 kg");
        assertThat(hours.interval(learned(1))).isEmpty();
        assertThat(hours.interval(learned(1, 1))).isEqualTo("2.00 to 2.00 h on 1 kg, nine times in ten");
    }

    @Test
    void aFactorIsSaidToThreeDecimalsAndAConstantToFourDigits() {
        assertThat(Offer.Lead.TIMES.value(SLOW)).isEqualTo("× 1.200");
        Offer offer = offer(Offer.Lead.TIMES, SLOW, PourCrew.CARRY, 20, 24.0049);
        assertThat(offer.would()).isEqualTo("24 s");
        assertThat(offer.now()).isEqualTo("20 s");
    }
}
