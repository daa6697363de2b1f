package kilnryu.core.melt;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import kilnryu.core.finding.Finding;
import kilnryu.core.material.Alloy;
import org.junit.jupiter.api.Test;

class MetalAndPotTest {

    @Test
    void leadZincAndDampAreSaidAndPoisonIsAStopOfSafety() {
        assertThat(MetalChecks.check(Stock.Type.RETURN, Optional.of(ChargingTest.makeUp("Cu 85 Sn 5 Pb 5 Zn 5")))
                        .all())
                .extracting(Finding::id)
                .containsExactly("lead", "zinc", "damp");
        assertThat(MetalChecks.check(Stock.Type.INGOT, Optional.of(ChargingTest.makeUp("Cu 98 Be 2")))
                        .all())
                .singleElement()
                .satisfies(f -> assertThat(f.safety()).isTrue());
        assertThat(MetalChecks.check(Stock.Type.INGOT, Optional.of(ChargingTest.makeUp("Cu 95 Si 4 Mn 1")))
                        .all())
                .isEmpty();
        assertThat(MetalChecks.check(Stock.Type.UNKNOWN, Optional.empty()).has("unknown"))
                .isTrue();
    }

    private static PotChecks.Pot pot(Alloy.Family keptFor, boolean iron, boolean lead, int uses) {
        return new PotChecks.Pot("the pot", Optional.ofNullable(keptFor), iron, lead, uses);
    }

    @Test
    void ironForNoCopperAndLeadForNoSilver() {
        assertThat(PotChecks.check(pot(null, true, false, 3), Alloy.SI_BRONZE).stops())
                .singleElement()
                .satisfies(f -> assertThat(f.safety()).isTrue());
        assertThat(PotChecks.check(pot(null, true, false, 3), Alloy.YELLOW_BRASS)
                        .has("iron-pot"))
                .isTrue();
        assertThat(PotChecks.check(pot(null, true, false, 3), Alloy.ZINC_4AL).all())
                .isEmpty();
        assertThat(PotChecks.check(pot(null, true, false, 3), Alloy.AL_SI7).all())
                .isEmpty();
        assertThat(PotChecks.check(pot(null, false, true, 3), Alloy.AG_925).has("leaded-pot"))
                .isTrue();
        assertThat(PotChecks.check(pot(null, false, true, 3), Alloy.GUNMETAL).all())
                .isEmpty();
    }

    @Test
    void oneFamilyForOnePotAndANewOneIsWarmedFirst() {
        assertThat(PotChecks.check(pot(Alloy.Family.SILVER, false, false, 0), Alloy.SI_BRONZE)
                        .all())
                .extracting(Finding::message)
                .containsExactly("the pot is kept for silver alloys.", "the pot was not used before.");
    }
}
