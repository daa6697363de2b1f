package kilnryu.core.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.material.PatternMaterial;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Cases by the table of handbook 20: what speaks for a cause, and what rules it out. */
class DiagnosisTest {

    /** {@code misrun@thin+far-end rough}: kinds with their places. */
    private static List<Defect> seen(String text) {
        List<Defect> all = new ArrayList<>();
        for (String one : text.split(" ")) {
            String[] at = one.split("@");
            Set<Place> places = EnumSet.noneOf(Place.class);
            for (int i = 1; i < at.length; i++) {
                for (String p : at[i].split("\\+")) {
                    places.add(Place.named(p).orElseThrow());
                }
            }
            all.add(new Defect(DefectKind.named(at[0]).orElseThrow(), places, Optional.empty(), false));
        }
        return all;
    }

    /** {@code carry_s=90 vents=none}, all known the same way. */
    private static Facts facts(String text, Fact.How how) {
        Map<FactKey, Fact> known = new EnumMap<>(FactKey.class);
        for (String one : text.isBlank() ? new String[0] : text.split(" ")) {
            String[] is = one.split("=");
            FactKey key = FactKey.named(is[0]).orElseThrow();
            known.put(key, key.isNumber() ? Fact.number(Double.parseDouble(is[1]), how) : Fact.word(is[1], how));
        }
        return Facts.of(known);
    }

    private static Case made(String mold, String pattern, String seen, Facts facts) {
        boolean shell = mold.equals("shell");
        return new Case(
                Alloy.SI_BRONZE,
                Case.Kind.valueOf(mold.toUpperCase(java.util.Locale.ROOT)),
                shell ? Optional.empty() : Optional.of(InvestmentSystem.GYPSUM_JEWELRY),
                PatternMaterial.named(pattern),
                facts,
                seen(seen));
    }

    private static Diagnosis of(String mold, String pattern, String seen, String facts) {
        return Diagnosis.of(made(mold, pattern, seen, facts(facts, Fact.How.MEASURED)), Causes.handbook());
    }

    private static Diagnosis.Ranked of(Diagnosis d, String cause) {
        return d.causes().stream()
                .filter(r -> r.cause().id().equals(cause))
                .findFirst()
                .orElseThrow();
    }

    @ParameterizedTest
    @CsvSource({
        "mold-too-cold, flask, sculpture-wax, misrun@thin, carry_s=95 carry_window_s=60",
        "metal-too-cold, flask, sculpture-wax, misrun@far-end cold-shut, metal_C=1040 metal_planned_C=1130",
        "section-too-thin, flask, sculpture-wax, misrun@thin, wall_mm=1.0 previous_same_place=2",
        "gas-cannot-leave, shell, sculpture-wax, gas-hole@top short@blind-end, vents=to-cup",
        "vacuum-failed, flask, sculpture-wax, misrun@far-end, gauge_kPa=58 vacuum=failed",
        "head-too-low, flask, sculpture-wax, sunken@top, head_mm=12",
        "no-feed, flask, sculpture-wax, shrinkage@thick, modulus_rises=no feeder_modulus_ratio=0.8",
        "thin-between-heavy, flask, sculpture-wax, shrinkage@thick, thick_thin_thick=yes modulus_rises=yes",
        "too-hot, flask, sculpture-wax, rough@outer-face sunken@thick, mold_C=620 mold_planned_C=540 char_pct=0.001",
        "pattern-residue, flask, castable-resin, rough@outer-face leathery, soak_h=1 char_pct=0.2 vent_of_kiln=closed",
        "damp, flask, sculpture-wax, gas-hole@everywhere, dry=no charge_warmed=no",
        "dissolved-gas, flask, sculpture-wax, fine-porosity@thick, time_at_heat_min=45 returns_pct=80",
        "bubbles-in-mix, flask, sculpture-wax, beads@underside, bubbles_removed=none",
        "water-too-much, flask, sculpture-wax, rough@top, water_per_100=50 char_pct=0.001",
        "heated-too-fast, flask, sculpture-wax, fins@outer-face, ramp_K_h=500 ramp_limit_K_h=200 dry=no",
        "overfired, flask, sculpture-wax, crumbled rough@everywhere, mold_max_C=820 mold_limit_C=750",
        "shell-cracked, shell, filament-pla, fins@outer-face, dewax=slow wire=no",
        "shell-too-thin, shell, sculpture-wax, run-out@bottom, shell_mm=5 shell_needed_mm=9",
        "inclusions, flask, sculpture-wax, inclusion@bottom, joints_closed=no covered=no",
        "turbulent-fill, flask, sculpture-wax, inclusion@far-end cold-shut, fill_way=top joints_closed=yes covered=yes blown_out=yes",
        "quenched-hot, flask, sculpture-wax, crack@thin, quench_C=560",
        "mold-restrains, shell, sculpture-wax, tear@middle, thick_thin_thick=yes quench_C=20 moved_early=no",
        "shrinkage-factor, flask, sculpture-wax, size-off@everywhere, scale_pair_pct=-0.8",
        "pattern-wrong, flask, castable-resin, size-off, print_off_pct=1.2 scale_pair_pct=0.02",
        "core-moved, block, sculpture-wax, wall-uneven@core, pins=1 core_slenderness=6",
        "alloy-off, flask, sculpture-wax, colour-off@everywhere, make_up=off returns_pct=90",
        "pattern-handling, flask, sculpture-wax, beads@outer-face short, mark_on_pattern=yes bubbles_removed=vacuum over_working_time=no vents=open vacuum=reached metal_C=1130 metal_planned_C=1130"
    })
    void whatSpeaksForACausePutsItFirst(String cause, String mold, String pattern, String seen, String facts) {
        Diagnosis d = of(mold, pattern, seen, facts);

        assertThat(d.first().cause().id()).isEqualTo(cause);
        assertThat(d.first().word()).isNotIn(Diagnosis.Word.UNLIKELY, Diagnosis.Word.RULED_OUT);
        assertThat(d.first().speaksFor()).isNotEmpty();
        assertThat(d.first().rank()).isOne();
    }

    @ParameterizedTest
    @CsvSource({
        "mold-too-cold, flask, sculpture-wax, misrun@thin, mold_C=531 mold_planned_C=500",
        "metal-too-cold, flask, sculpture-wax, misrun@far-end, metal_C=1144 metal_planned_C=1130",
        "section-too-thin, flask, sculpture-wax, misrun@thin, wall_mm=6",
        "gas-cannot-leave, flask, sculpture-wax, gas-hole@top, vents=open vacuum=reached",
        "vacuum-failed, flask, sculpture-wax, misrun@far-end, vacuum=reached",
        "head-too-low, flask, sculpture-wax, sunken@top, head_mm=60",
        "no-feed, flask, sculpture-wax, shrinkage@thick, modulus_rises=yes feeder_modulus_ratio=1.3",
        "thin-between-heavy, flask, sculpture-wax, shrinkage@thick, thick_thin_thick=no",
        "too-hot, flask, sculpture-wax, rough, mold_C=540 mold_planned_C=540 metal_C=1100 metal_planned_C=1130",
        "pattern-residue, flask, sculpture-wax, rough, char_pct=0.01",
        "damp, flask, sculpture-wax, gas-hole, dry=proved charge_warmed=yes",
        "dissolved-gas, flask, sculpture-wax, fine-porosity, metal_C=1100 metal_planned_C=1130 time_at_heat_min=5 returns_pct=0",
        "bubbles-in-mix, flask, sculpture-wax, beads, bubbles_removed=vacuum over_working_time=no",
        "water-too-much, shell, sculpture-wax, rough@top, ''",
        "heated-too-fast, flask, sculpture-wax, fins, ramp_K_h=150 ramp_limit_K_h=200 dry=proved",
        "overfired, flask, sculpture-wax, crumbled, mold_max_C=730 mold_limit_C=750 refractory_pct=70",
        "shell-cracked, flask, sculpture-wax, fins, ''",
        "shell-too-thin, shell, sculpture-wax, run-out, shell_mm=10 shell_needed_mm=8",
        "inclusions, flask, sculpture-wax, inclusion, joints_closed=yes covered=yes blown_out=yes",
        "turbulent-fill, flask, sculpture-wax, inclusion@far-end, fill_way=bottom",
        "quenched-hot, flask, sculpture-wax, crack, quench_C=300 moved_early=no",
        "mold-restrains, shell, sculpture-wax, tear, thick_thin_thick=no",
        "shrinkage-factor, flask, sculpture-wax, size-off, scale_pair_pct=0.05",
        "pattern-wrong, flask, castable-resin, size-off, print_off_pct=0.05 mark_on_pattern=no",
        "core-moved, block, sculpture-wax, wall-uneven@core, pins=4 core_slenderness=2",
        "alloy-off, flask, sculpture-wax, colour-off, make_up=in-band",
        "pattern-handling, flask, sculpture-wax, beads, mark_on_pattern=no"
    })
    void aMeasuredFactRulesACauseOutAndItStaysWithTheFact(
            String cause, String mold, String pattern, String seen, String facts) {
        Diagnosis d = of(mold, pattern, seen, facts);
        Diagnosis.Ranked out = of(d, cause);

        assertThat(out.word()).isEqualTo(Diagnosis.Word.RULED_OUT);
        assertThat(out.share()).isZero();
        assertThat(out.against()).isNotEmpty();
        assertThat(d.causes()).hasSize(27);
        assertThat(d.first().isRuledOut()).isFalse();
    }

    @Test
    void whatIsNotKnownIsNeitherYesNorNo() {
        Diagnosis d = of("flask", "sculpture-wax", "misrun@thin", "");
        Diagnosis.Ranked cold = of(d, "mold-too-cold");

        assertThat(cold.against()).isEmpty();
        assertThat(cold.unknown())
                .contains(FactKey.CARRY_S, FactKey.CARRY_WINDOW_S, FactKey.MOLD_C, FactKey.MOLD_PLANNED_C);
        assertThat(cold.word()).isEqualTo(Diagnosis.Word.POSSIBLE);
        assertThat(d.causes())
                .as("nothing is called likely, or ruled out but by the kind of mold")
                .noneMatch(r -> r.word() == Diagnosis.Word.LIKELY)
                .filteredOn(Diagnosis.Ranked::isRuledOut)
                .extracting(r -> r.cause().id())
                .containsExactlyInAnyOrder("shell-cracked", "shell-too-thin");
    }

    @Test
    void whatWasMeasuredWeighsMoreThanWhatWasPlannedAndThatMoreThanADefault() {
        List<Double> scores = new ArrayList<>();
        for (Fact.How how : Fact.How.values()) {
            Facts f = facts("head_mm=10", how);
            scores.add(
                    of(Diagnosis.of(made("flask", "sculpture-wax", "sunken@top", f), Causes.handbook()), "head-too-low")
                            .score());
        }

        assertThat(scores)
                .isSortedAccordingTo(java.util.Comparator.reverseOrder())
                .doesNotHaveDuplicates();
        // a clue of 2.5: all of it, half, a quarter
        assertThat(scores.get(0) - scores.get(1)).isEqualTo(1.25, within(1e-9));
        assertThat(scores.get(1) - scores.get(2)).isEqualTo(0.625, within(1e-9));
    }

    @Test
    void whatWasOnlyPlannedSpeaksAgainstButRulesNothingOut() {
        Facts planned = facts("vacuum=reached", Fact.How.PLANNED);
        Diagnosis d = Diagnosis.of(made("flask", "sculpture-wax", "misrun@far-end", planned), Causes.handbook());
        Diagnosis.Ranked vacuum = of(d, "vacuum-failed");

        assertThat(vacuum.isRuledOut()).isFalse();
        assertThat(vacuum.against()).extracting(Diagnosis.Evidence::words).containsExactly("vacuum: reached (planned)");
    }

    @Test
    void twoMeasuredFactsThatDoNotAgreeRuleNothingOut() {
        Diagnosis d = of("flask", "sculpture-wax", "misrun@far-end", "vacuum=reached gauge_kPa=-52");
        Diagnosis.Ranked vacuum = of(d, "vacuum-failed");

        assertThat(vacuum.isRuledOut()).isFalse();
        assertThat(vacuum.speaksFor())
                .extracting(Diagnosis.Evidence::words)
                .contains("vacuum gauge -52 kPa vacuum, under 70 kPa vacuum");
        assertThat(vacuum.against()).extracting(Diagnosis.Evidence::words).contains("vacuum: reached");
    }

    @Test
    void severalDefectsOfACastingAreJudgedTogether() {
        // a misrun alone is likeliest of the cold; with a smooth hollow beside it the air explains both
        assertThat(of("flask", "sculpture-wax", "misrun@far-end", "vacuum=failed")
                        .first()
                        .cause()
                        .id())
                .isEqualTo("vacuum-failed");
        Diagnosis alone = of("flask", "sculpture-wax", "misrun", "");
        Diagnosis both = of("flask", "sculpture-wax", "misrun gas-hole", "");
        assertThat(alone.first().cause().id()).isIn("mold-too-cold", "metal-too-cold");
        assertThat(both.first().cause().id()).isEqualTo("vacuum-failed");
    }

    @Test
    void theSamePlaceInOtherCastingsSpeaksForTheShapeAndAgainstTheHand() {
        Defect once = Defect.of(DefectKind.MISRUN, Place.THIN);
        Defect again = new Defect(DefectKind.MISRUN, Set.of(Place.THIN), Optional.empty(), true);
        Case first = new Case(
                Alloy.SI_BRONZE, Case.Kind.FLASK, Optional.empty(), Optional.empty(), Facts.NONE, List.of(once));
        Case second = new Case(
                Alloy.SI_BRONZE, Case.Kind.FLASK, Optional.empty(), Optional.empty(), Facts.NONE, List.of(again));

        double thinOnce =
                of(Diagnosis.of(first, Causes.handbook()), "section-too-thin").score();
        double thinAgain =
                of(Diagnosis.of(second, Causes.handbook()), "section-too-thin").score();
        double handOnce =
                of(Diagnosis.of(first, Causes.handbook()), "pattern-handling").score();
        double handAgain =
                of(Diagnosis.of(second, Causes.handbook()), "pattern-handling").score();
        assertThat(thinAgain).isEqualTo(thinOnce + 1.5, within(1e-9));
        assertThat(handAgain).isEqualTo(handOnce - 1.5, within(1e-9));
    }

    @Test
    void whatWouldTellTheFirstTwoApartIsAskedCheapestFirst() {
        Diagnosis d = of("flask", "sculpture-wax", "shrinkage@thick", "");
        List<Diagnosis.Ask> asks = d.asks();

        assertThat(d.causes().subList(0, 2))
                .extracting(r -> r.cause().id())
                .containsExactly("no-feed", "thin-between-heavy");
        assertThat(asks).isNotEmpty().hasSizeLessThanOrEqualTo(4);
        assertThat(asks).extracting(a -> a.fact().cost()).isSorted();
        // a look costs least, and the inside of the hollow says most of what can be looked at
        assertThat(asks.get(0).fact()).isEqualTo(FactKey.THICK_THIN_THICK);
        assertThat(asks).extracting(Diagnosis.Ask::fact).contains(FactKey.HOLLOW_FACE, FactKey.BUTTON);
    }

    @Test
    void aStudioAddsCausesOfItsOwnAndItsOwnWeights() {
        Cause own = new Cause(
                "own-1",
                "Tide damp in the sand store",
                5,
                Map.of(DefectKind.GAS_HOLE, Cause.OFTEN),
                Set.of(Place.BOTTOM),
                List.of(Clue.speaksFor(3, "covered = no")),
                "Lid on the sand.",
                "The sand under the lid.");
        Causes table = Causes.handbook()
                .with(List.of(own, Causes.handbook().named("damp").orElseThrow().as(0.1)));
        Diagnosis d = Diagnosis.of(
                made("flask", "sculpture-wax", "gas-hole@bottom", facts("covered=no", Fact.How.MEASURED)), table);

        assertThat(d.first().cause().id()).isEqualTo("own-1");
        assertThat(d.table()).isEqualTo("handbook 20, table 1 with 2 own");
        assertThat(d.causes()).hasSize(28);
        assertThat(of(d, "damp").score())
                .isLessThan(of(of("flask", "sculpture-wax", "gas-hole@bottom", "covered=no"), "damp")
                        .score());
    }

    @Test
    void whatTheStudioFoundBeforeMovesTheChance() {
        Causes table = Causes.handbook();
        // the table's weights sum to 65.5; it counts as 20 castings
        double sum = table.all().stream().mapToDouble(Cause::usual).sum();
        Cause feed = table.named("no-feed").orElseThrow();
        assertThat(table.chance(feed)).isEqualTo(4 / sum, within(1e-12));
        assertThat(table.found(Map.of("no-feed", 10)).chance(feed)).isEqualTo((20 * 4 / sum + 10) / 30, within(1e-12));
        assertThat(table.found(Map.of("damp", 10)).chance(feed)).isEqualTo((20 * 4 / sum) / 30, within(1e-12));
    }

    @Test
    void everyCauseOfTheHandbookIsThereOnceWithItsChangeAndWhatToLookAt() {
        assertThat(Causes.handbook().all()).extracting(Cause::id).hasSize(27).doesNotHaveDuplicates();
        assertThat(Causes.handbook().all()).allSatisfy(c -> {
            assertThat(c.name()).isNotBlank();
            assertThat(c.change()).endsWith(".");
            assertThat(c.lookAt()).matches("(?s).*[.?]");
            assertThat(c.clues()).anyMatch(k -> k.speaks() == Clue.Speaks.FOR);
            assertThat(c.clues()).anyMatch(k -> k.speaks() == Clue.Speaks.RULES_OUT);
        });
        Set<DefectKind> made = EnumSet.noneOf(DefectKind.class);
        Causes.handbook().all().forEach(c -> made.addAll(c.makes().keySet()));
        assertThat(made).as("every defect has a cause").containsAll(EnumSet.allOf(DefectKind.class));
    }

    @Test
    void aConditionIsReadOrRefusedInWords() {
        assertThatThrownBy(() -> Condition.of("carry > 3")).hasMessage("there is no fact carry");
        assertThatThrownBy(() -> Condition.of("vents > none")).hasMessageContaining("one of none, open, to-cup");
        assertThatThrownBy(() -> Condition.of("vents = shut")).hasMessageContaining("one of none, open, to-cup");
        assertThatThrownBy(() -> Condition.of("carry_s > soon")).hasMessageContaining("soon is none");
        assertThatThrownBy(() -> Condition.of("it was cold")).hasMessageContaining("is not a comparison");
        Facts f = facts("mold_C=470 mold_planned_C=500", Fact.How.MEASURED);
        assertThat(Condition.of("mold_C < mold_planned_C - 25").in(f)).isEqualTo(Condition.Truth.YES);
        assertThat(Condition.of("mold_C < mold_planned_C - 30").in(f)).isEqualTo(Condition.Truth.NO);
        assertThat(Condition.of("mold_C < 500 and carry_s > 3").in(f)).isEqualTo(Condition.Truth.UNKNOWN);
        assertThat(Condition.of("mold_C > 500 and carry_s > 3").in(f)).isEqualTo(Condition.Truth.NO);
        assertThat(Condition.of("mold_C < mold_planned_C - 25").said(f))
                .isEqualTo("mold at the pour 470 °C, planned 500 °C");
    }

    @Test
    void withoutADefectNothingIsAsked() {
        assertThatThrownBy(() -> new Case(
                        Alloy.SI_BRONZE, Case.Kind.FLASK, Optional.empty(), Optional.empty(), Facts.NONE, List.of()))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Facts.NONE.with(FactKey.VENTS, "shut", Fact.How.MEASURED))
                .hasMessage("vents cannot be shut");
        assertThat(Facts.NONE
                        .with(FactKey.METAL_C, Double.NaN, Fact.How.MEASURED)
                        .get(FactKey.METAL_C))
                .isEmpty();
    }
}
