package kilnryu.core.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.material.PatternMaterial;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A table of three lines, so small that every score can be reckoned on paper. */
class WeighedByHandTest {
    private static final Cause COLD = Cause.called("cold", "Cold", 3)
            .often(DefectKind.MISRUN)
            .prefers(Place.FAR_END)
            .speaksFor(0.5, "carry_s > 60")
            .against(1, "vents = none")
            .change("Warm it.", "The mold.");
    private static final Cause GAS = Cause.called("gas", "Gas", 1)
            .sometimes(DefectKind.MISRUN)
            .speaksFor(1, "vents = none")
            .rulesOut("vents = open")
            .change("Vent it.", "The vent.");
    private static final Cause CRACKED =
            Cause.called("cracked", "Cracked", 1).often(DefectKind.CRACK).change("Wait.", "The mold.");
    private static final Causes TABLE = new Causes("three", List.of(COLD, GAS, CRACKED), Map.of());

    private static Diagnosis of(Facts facts, Place... places) {
        return Diagnosis.of(asked(facts, Defect.of(DefectKind.MISRUN, places)), TABLE);
    }

    private static Case asked(Facts facts, Defect... defects) {
        return new Case(
                Alloy.SI_BRONZE,
                Case.Kind.FLASK,
                Optional.of(InvestmentSystem.GYPSUM_JEWELRY),
                Optional.empty(),
                facts,
                List.of(defects));
    }

    private static Facts vents(String word, Fact.How how) {
        return Facts.NONE.with(FactKey.VENTS, word, how);
    }

    private static Diagnosis.Ranked ranked(Diagnosis d, String id) {
        return d.causes().stream()
                .filter(r -> r.cause().id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    /** Chances 3, 1, 1 of 5; often is 3 times, at its place twice that, elsewhere 0.7 of it, never 0.03. */
    @Test
    void aScoreIsTheLogOfItsChanceAndOfHowLikelyItMakesIt() {
        Diagnosis there = of(Facts.NONE, Place.FAR_END);
        assertThat(ranked(there, "cold").score()).isEqualTo(Math.log(0.6 * 3 * 2), within(1e-12));
        assertThat(ranked(there, "gas").score()).isEqualTo(Math.log(0.2 * 1), within(1e-12));
        assertThat(ranked(there, "cracked").score()).isEqualTo(Math.log(0.2 * 0.03), within(1e-12));
        // 3.6 of 3.6 + 0.2 + 0.006
        assertThat(there.first().share()).isEqualTo(3.6 / 3.806, within(1e-12));
        assertThat(there.causes()).extracting(Diagnosis.Ranked::rank).containsExactly(1, 2, 3);
        assertThat(ranked(of(Facts.NONE, Place.TOP), "cold").score()).isEqualTo(Math.log(0.6 * 3 * 0.7), within(1e-12));
        assertThat(ranked(of(Facts.NONE), "cold").score()).isEqualTo(Math.log(0.6 * 3), within(1e-12));
        // a cause without a place of its own does not mind where it is
        assertThat(ranked(of(Facts.NONE, Place.TOP), "gas").score()).isEqualTo(Math.log(0.2), within(1e-12));
    }

    @ParameterizedTest
    @CsvSource({"MEASURED, 1", "PLANNED, 0.5", "DEFAULT, 0.25"})
    void whatIsOnRecordAddsByHowItIsKnown(Fact.How how, double weight) {
        Diagnosis d = of(vents("none", how));
        assertThat(ranked(d, "gas").score()).isEqualTo(Math.log(0.2) + weight, within(1e-12));
        assertThat(ranked(d, "cold").score()).isEqualTo(Math.log(1.8) - weight, within(1e-12));
        assertThat(ranked(d, "gas").speaksFor()).hasSize(1);
        assertThat(ranked(d, "cold").against()).hasSize(1);
        assertThat(ranked(d, "cold").speaksFor()).isEmpty();
    }

    /** Likely wants over a third of all and half a point on record; unlikely is under a twentieth, or what never makes it. */
    @Test
    void theWordFollowsShareAndRecord() {
        Diagnosis nothing = of(Facts.NONE, Place.FAR_END);
        assertThat(nothing.first().word()).isEqualTo(Diagnosis.Word.POSSIBLE);
        // 0.2 of 3.806 is over a twentieth
        assertThat(ranked(nothing, "gas").word()).isEqualTo(Diagnosis.Word.POSSIBLE);
        assertThat(ranked(nothing, "cracked").word()).isEqualTo(Diagnosis.Word.UNLIKELY);
        Facts late = Facts.NONE.with(FactKey.CARRY_S, 90, Fact.How.MEASURED);
        Diagnosis slow = of(late, Place.FAR_END);
        assertThat(slow.first().word()).isEqualTo(Diagnosis.Word.LIKELY);
        assertThat(slow.first().speaksFor())
                .extracting(Diagnosis.Evidence::words)
                .anyMatch(w -> w.equals("where it likes to be: misrun far end"));
        // 0.2 of 3.6 e^0.5 + 0.206 = 6.14 is under one
        assertThat(ranked(slow, "gas").word()).isEqualTo(Diagnosis.Word.UNLIKELY);
        // planned, it is a quarter of a point and too little to be called likely
        assertThat(of(Facts.NONE.with(FactKey.CARRY_S, 90, Fact.How.PLANNED), Place.FAR_END)
                        .first()
                        .word())
                .isEqualTo(Diagnosis.Word.POSSIBLE);
        assertThat(Diagnosis.Word.RULED_OUT.words()).isEqualTo("ruled out");
        assertThat(Diagnosis.Word.RULED_OUT.key()).isEqualTo("ruled-out");
    }

    @Test
    void whatIsRuledOutIsLastAndHasNoShare() {
        Diagnosis d = of(vents("open", Fact.How.MEASURED));
        Diagnosis.Ranked gas = d.causes().get(2);
        assertThat(gas.cause().id()).isEqualTo("gas");
        assertThat(gas.word()).isEqualTo(Diagnosis.Word.RULED_OUT);
        assertThat(gas.share()).isZero();
        // the others share all of it: 1.8 and 0.006
        assertThat(d.first().share()).isEqualTo(1.8 / 1.806, within(1e-12));
        assertThat(of(vents("open", Fact.How.PLANNED)).causes().get(2).word()).isNotEqualTo(Diagnosis.Word.RULED_OUT);
    }

    /** Vents move the two by 1 + 2 for the one and by 1 against the other; the carry only the one. */
    @Test
    void whatIsAskedNamesTheCausesItTellsApart() {
        List<Diagnosis.Ask> asks = of(Facts.NONE).asks();
        assertThat(asks).extracting(Diagnosis.Ask::fact).containsExactlyInAnyOrder(FactKey.VENTS, FactKey.CARRY_S);
        Diagnosis.Ask vents =
                asks.stream().filter(a -> a.fact() == FactKey.VENTS).findFirst().orElseThrow();
        assertThat(vents.separates()).containsExactly("cold", "gas");
        Diagnosis.Ask carry = asks.stream()
                .filter(a -> a.fact() == FactKey.CARRY_S)
                .findFirst()
                .orElseThrow();
        assertThat(carry.separates()).containsExactly("cold");
        assertThat(of(vents("open", Fact.How.MEASURED).with(FactKey.CARRY_S, 20, Fact.How.MEASURED))
                        .asks())
                .isEmpty();
        // with one cause left there is nothing to tell apart
        assertThat(Diagnosis.of(
                                asked(Facts.NONE, Defect.of(DefectKind.MISRUN)),
                                new Causes("one", List.of(COLD), Map.of()))
                        .asks())
                .isEmpty();
    }

    /** 20 castings' worth of table and 10 that were found: (20 x 0.2 + 10) / 30 for the one, 20 x 0.6 / 30 for the other. */
    @Test
    void whatWasFoundCountsBesideTheTable() {
        Causes found = TABLE.found(Map.of("gas", 10));
        assertThat(found.chance(GAS)).isEqualTo(14.0 / 30, within(1e-12));
        assertThat(found.chance(COLD)).isEqualTo(12.0 / 30, within(1e-12));
        assertThat(TABLE.chance(GAS)).isEqualTo(0.2, within(1e-12));
    }

    @Test
    void whatFollowsFromTheQuestionIsKnown() {
        Case poured = new Case(
                Alloy.SI_BRONZE,
                Case.Kind.BLOCK,
                Optional.of(InvestmentSystem.PLASTER_SILICA),
                PatternMaterial.named("sculpture-wax"),
                Facts.NONE.with(FactKey.METAL_C, 1100, Fact.How.PLANNED),
                List.of(Defect.of(DefectKind.MISRUN)));
        Facts known = poured.known();
        double liquidus = Alloy.SI_BRONZE.melting().liquidus();
        Fact superheat = known.get(FactKey.SUPERHEAT_K).orElseThrow();
        assertThat(superheat.number()).isEqualTo(1100 - liquidus, within(1e-9));
        assertThat(superheat.how()).isEqualTo(Fact.How.PLANNED);
        assertThat(known.get(FactKey.CURE_ASKED_H).orElseThrow().number()).isEqualTo(12);
        assertThat(known.get(FactKey.PLASTIC).orElseThrow().word()).isEqualTo("no");
        assertThat(known.get(FactKey.SOAK_ASKED_H).orElseThrow().number()).isEqualTo(1);
        assertThat(known.get(FactKey.UNKNOWN_PATTERN).orElseThrow().word()).isEqualTo("no");
        assertThat(known.get(FactKey.ALUMINIUM).orElseThrow().word()).isEqualTo("no");
        assertThat(known.get(FactKey.MOLD_LIMIT_C).orElseThrow().number())
                .isEqualTo(InvestmentSystem.PLASTER_SILICA.maxC());
        Facts measured = Facts.NONE.with(FactKey.MOLD_LIMIT_C, 640, Fact.How.MEASURED);
        assertThat(asked(measured, Defect.of(DefectKind.MISRUN))
                        .known()
                        .get(FactKey.MOLD_LIMIT_C)
                        .orElseThrow()
                        .number())
                .as("what is on record is not written over")
                .isEqualTo(640);
    }

    @ParameterizedTest
    @CsvSource({"UNKNOWN_PLASTIC, yes, yes, 2", "BEESWAX, no, no, 1", "ORGANIC, no, no, 2"})
    void thePatternSaysWhatItsFamilyAsks(PatternMaterial pattern, String plastic, String unknown, double soak) {
        Facts known = new Case(
                        Alloy.AL_SI7,
                        Case.Kind.FLASK,
                        Optional.empty(),
                        Optional.of(pattern),
                        Facts.NONE,
                        List.of(Defect.of(DefectKind.MISRUN)))
                .known();
        assertThat(known.get(FactKey.PLASTIC).orElseThrow().word()).isEqualTo(plastic);
        assertThat(known.get(FactKey.UNKNOWN_PATTERN).orElseThrow().word()).isEqualTo(unknown);
        assertThat(known.get(FactKey.SOAK_ASKED_H).orElseThrow().number()).isEqualTo(soak);
        assertThat(known.get(FactKey.ASH).orElseThrow().word()).isEqualTo(pattern.ashPercent() > 0 ? "yes" : "no");
        assertThat(known.get(FactKey.ALUMINIUM).orElseThrow().word()).isEqualTo("yes");
        assertThat(known.get(FactKey.CURE_ASKED_H).orElseThrow().number()).isEqualTo(1);
        assertThat(known.get(FactKey.WATER_MOST)).isEmpty();
    }

    @Test
    void factsOfTwoRecordsAreJoinedAndTheFirstHolds() {
        Facts one = Facts.NONE.with(FactKey.CARRY_S, 20, Fact.How.MEASURED);
        Facts two =
                Facts.NONE.with(FactKey.CARRY_S, 90, Fact.How.PLANNED).with(FactKey.VENTS, "none", Fact.How.PLANNED);
        Facts both = one.or(two);
        assertThat(both.get(FactKey.CARRY_S).orElseThrow().number()).isEqualTo(20);
        assertThat(both.get(FactKey.VENTS).orElseThrow().word()).isEqualTo("none");
        assertThat(both.asMap()).hasSize(2);
        assertThat(Facts.NONE
                        .with(FactKey.CARRY_S, Double.NaN, Fact.How.MEASURED)
                        .asMap())
                .isEmpty();
    }

    @Test
    void wordsOfTheContractAreReadBothWays() {
        for (DefectKind k : DefectKind.values()) {
            assertThat(DefectKind.named(k.key())).contains(k);
            assertThat(k.seen()).isNotBlank();
        }
        for (Place p : Place.values()) {
            assertThat(Place.named(p.key())).contains(p);
        }
        for (Fact.How h : Fact.How.values()) {
            assertThat(Fact.How.named(h.key())).contains(h);
        }
        for (Defect.Extent e : Defect.Extent.values()) {
            assertThat(Defect.Extent.named(e.key())).contains(e);
        }
        assertThat(Fact.How.named("guessed")).isEmpty();
        assertThat(Defect.Extent.named("much")).isEmpty();
        assertThat(FactKey.CARRY_S.low()).isZero();
        assertThat(FactKey.CARRY_S.high()).isPositive();
    }

    /** A condition is held at its edge as a caster reads it. */
    @ParameterizedTest
    @CsvSource({
        "carry_s > 60, 60, NO",
        "carry_s > 60, 60.1, YES",
        "carry_s >= 60, 60, YES",
        "carry_s < 60, 60, NO",
        "carry_s <= 60, 60, YES",
        "carry_s > 60, 59.9, NO",
        "carry_s < 60, 59.9, YES"
    })
    void anEdgeIsReadAsItIsWritten(String when, double seconds, Condition.Truth holds) {
        assertThat(Condition.of(when).in(Facts.NONE.with(FactKey.CARRY_S, seconds, Fact.How.MEASURED)))
                .isEqualTo(holds);
        assertThat(Condition.of(when).in(Facts.NONE)).isEqualTo(Condition.Truth.UNKNOWN);
        assertThat(Condition.of(when).text()).isEqualTo(when);
    }
}
