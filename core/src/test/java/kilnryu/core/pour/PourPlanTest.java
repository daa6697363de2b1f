package kilnryu.core.pour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import kilnryu.core.finding.Finding;
import kilnryu.core.material.Alloy;
import kilnryu.core.melt.PotCooling;
import org.junit.jupiter.api.Test;

class PourPlanTest {
    private static final PotCooling NO_LOSS = new PotCooling(0, 0, false, 20);
    private static final PourCrew CREW = new PourCrew(20, 15, 10, 40, false);
    /** Loses 1 K a second from 600 C, and is under 560 after 40 s. */
    private static final CarryWindow FORTY_SECONDS = new CarryWindow(
            OptionalDouble.of(40), List.of(new CarryWindow.Moment(0, 600, 600), new CarryWindow.Moment(200, 400, 300)));

    private static PourMold mold(String key, double grams, double group, double wall) {
        return new PourMold(
                key,
                "mold " + key,
                Alloy.SI_BRONZE,
                grams,
                group,
                FORTY_SECONDS,
                560,
                1050,
                3,
                wall > 0 ? OptionalDouble.of(wall) : OptionalDouble.empty(),
                (metal, cavity) -> OptionalDouble.of(3),
                0);
    }

    private static PourPlan plan(PotCooling pot, PourCrew crew, Set<String> again, PourMold... molds) {
        return PourPlan.of(new PourPlan.Question(List.of(molds), new Pot(5000, 0, 1120, pot, 120), crew, again));
    }

    @Test
    void eachIsTakenOutSoThatItStandsWhenTheMetalComes() {
        PourPlan plan = plan(NO_LOSS, CREW, Set.of(), mold("a", 500, 600, 3), mold("b", 300, 600, 5));
        PourPlan.Leg a = plan.legs().get(0);
        PourPlan.Leg b = plan.legs().get(1);
        assertThat(List.of(a.out(), a.start(), a.full())).containsExactly(5.0, 40.0, 43.0);
        assertThat(List.of(b.out(), b.start(), b.full())).containsExactly(18.0, 53.0, 56.0);
        assertThat(a.left()).isEqualTo(300);
        assertThat(b.left()).isZero();
        assertThat(b.metal()).isEqualTo(1120);
        // stood 35 s, 1 K each
        assertThat(a.mold()).isEqualTo(565);
        assertThat(a.spare()).hasValue(5);
        assertThat(plan.ends()).isEqualTo(56);
        // 5 s are little
        assertThat(plan.findings().all()).extracting(Finding::id).containsExactly("window.a", "window.b");
    }

    @Test
    void allReadyBeforeTheFirstIsPouredCostsTheWindow() {
        PourPlan plan = plan(
                NO_LOSS, new PourCrew(20, 15, 10, 40, true), Set.of(), mold("a", 500, 600, 3), mold("b", 300, 600, 5));
        assertThat(plan.legs().get(0).out()).isEqualTo(-30);
        assertThat(plan.legs().get(1).out()).isEqualTo(5);
        assertThat(plan.legs().get(0).spare()).hasValue(-30);
        assertThat(plan.findings().stops()).extracting(Finding::id).containsExactly("window.a", "window.b");
        assertThat(plan.findings().stops().get(0).message())
                .isEqualTo("mold a is under 560 °C when it is reached, 30 s too late.");
    }

    @Test
    void aPotThatGoesBackComesOutAtItsTapAgain() {
        PotCooling pot = new PotCooling(0.004, 0.02, false, 20);
        PourPlan plan = plan(pot, CREW, Set.of("b"), mold("a", 500, 600, 3), mold("b", 300, 600, 5));
        PourPlan.Leg b = plan.legs().get(1);
        assertThat(b.start()).isEqualTo(43 + 120 + 40);
        assertThat(b.again()).isTrue();
        assertThat(b.pot()).isEqualTo(2);
        // 300 g in it now, from the tap through 40 s of skimming
        assertThat(b.metal()).isCloseTo(pot.after(1120, 300, Alloy.SI_BRONZE, 40), within(1e-6));
    }

    @Test
    void theMetalSinksFromMoldToMoldAndWhatIsTooColdIsAStop() {
        PotCooling pot = new PotCooling(0.004, 0.02, false, 20);
        PourPlan plan =
                plan(pot, CREW, Set.of(), mold("a", 300, 600, 3), mold("b", 300, 600, 5), mold("c", 300, 600, 5));
        assertThat(plan.legs().get(0).metal()).isGreaterThan(plan.legs().get(1).metal());
        assertThat(plan.legs().get(1).metal()).isGreaterThan(plan.legs().get(2).metal());
        assertThat(plan.findings().has("metal-cold.c")).isTrue();
        PourPlan more =
                plan(pot, CREW, Set.of(), mold("a", 3000, 600, 3), mold("b", 300, 600, 5), mold("c", 300, 600, 5));
        assertThat(more.legs().get(1).metal()).isGreaterThan(plan.legs().get(1).metal());
    }

    @Test
    void whatThePotDoesNotHoldComesWithTheNext() {
        PourPlan plan = plan(NO_LOSS, CREW, Set.of(), mold("a", 4000, 600, 3), mold("b", 3000, 600, 5));
        assertThat(plan.legs().get(1).pot()).isEqualTo(2);
        assertThat(plan.legs().get(1).left()).isZero();
        PourPlan never = plan(NO_LOSS, CREW, Set.of(), mold("a", 9000, 600, 3));
        assertThat(never.findings().has("pot-empty.a")).isTrue();
    }

    @Test
    void theHottestGroupFirstAndInItTheThinnestWall() {
        assertThat(PourOrder.of(List.of(
                        mold("heavy", 900, 480, 14),
                        mold("thick", 500, 595, 8),
                        mold("leaf", 200, 590, 2),
                        mold("unsaid", 300, 600, 0))))
                .extracting(PourMold::key)
                .containsExactly("leaf", "thick", "unsaid", "heavy");
    }

    @Test
    void aKilnThatComesDownHoldsTheMetalBack() {
        PourMold cooler = new PourMold(
                "cool",
                "cool",
                Alloy.SI_BRONZE,
                300,
                480,
                FORTY_SECONDS,
                440,
                1050,
                3,
                OptionalDouble.empty(),
                PourMold.Margin.UNKNOWN,
                1800);
        PourPlan plan = plan(NO_LOSS, CREW, Set.of(), mold("a", 500, 600, 3), cooler);
        assertThat(plan.legs().get(1).start()).isEqualTo(1800 + 35);
        assertThat(plan.findings().has("descent.cool")).isTrue();
        assertThat(plan.findings().all())
                .extracting(Finding::message)
                .contains("Not yet judged: whether cool fills before it freezes.");
    }

    @Test
    void aThinMarginIsAWarningAndNoneAStop() {
        PourMold thin = new PourMold(
                "t",
                "the leaf",
                Alloy.SI_BRONZE,
                300,
                600,
                FORTY_SECONDS,
                400,
                1000,
                3,
                OptionalDouble.of(1),
                (metal, cavity) -> OptionalDouble.of(cavity < 566 ? 0.9 : 1.5),
                0);
        assertThat(plan(NO_LOSS, CREW, Set.of(), thin).findings().stops())
                .extracting(Finding::message)
                .containsExactly(
                        "the leaf freezes in 0.9 times the time it fills, with metal of 1120 °C in a mold of 565 °C.");
        PourCrew quick = new PourCrew(10, 5, 10, 40, false);
        assertThat(plan(NO_LOSS, quick, Set.of(), thin).findings().all())
                .extracting(Finding::id)
                .containsExactly("margin.t");
    }
}
