package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.diagnosis.FactSource;
import kilnryu.app.diagnosis.OnRecord;
import kilnryu.app.plan.Plans;
import kilnryu.core.diagnosis.Fact;
import kilnryu.core.diagnosis.FactKey;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

/** What is on record of a tree that was planned and poured, as the diagnosis, its clock and its job sheet read it. */
class PouredTreeTest extends AppTest {
    @Autowired
    JdbcClient jdbc;

    @Autowired
    List<FactSource> sources;

    @Autowired
    Plans plans;

    private long tree;

    @BeforeEach
    void flask() throws Exception {
        tree = tree(owner, WAX);
        send(owner, "/trees/" + tree + "/mold", FLASK);
        send(owner, "/trees/" + tree + "/firing", Map.of("version", "0", "mold_C", "500 C", "pour_C", "1100 C"));
    }

    private OnRecord facts(long of) {
        OnRecord found = new OnRecord();
        sources.forEach(s -> s.tell(owner, plans.find(owner, of), found));
        return found;
    }

    private Optional<Fact> fact(FactKey key) {
        return facts(tree).facts().get(key);
    }

    private double number(FactKey key, Fact.How how) {
        Fact fact = fact(key).orElseThrow();
        assertThat(fact.how()).as(key.key()).isEqualTo(how);
        return fact.number();
    }

    private String word(FactKey key, Fact.How how) {
        Fact fact = fact(key).orElseThrow();
        assertThat(fact.how()).as(key.key()).isEqualTo(how);
        return fact.word();
    }

    /** Handbook 2: 40 water on 100 powder, 30 of it hemihydrate and 70 refractory; no gating is built, so no vents are known. */
    @Test
    void aPlanAloneIsPlannedAndNotMeasured() {
        assertThat(number(FactKey.WATER_PER_100, Fact.How.PLANNED)).isEqualTo(40);
        assertThat(number(FactKey.REFRACTORY_PCT, Fact.How.DEFAULT)).isEqualTo(70);
        assertThat(number(FactKey.METAL_PLANNED_C, Fact.How.PLANNED)).isEqualTo(1100);
        assertThat(number(FactKey.SOAK_C, Fact.How.PLANNED)).isEqualTo(730);
        for (FactKey unknown : List.of(
                FactKey.METAL_C,
                FactKey.MOLD_C,
                FactKey.CARRY_S,
                FactKey.VACUUM,
                FactKey.VENTS,
                FactKey.SHELL_MM,
                FactKey.DRY,
                FactKey.QUENCH_C)) {
            assertThat(fact(unknown)).as(unknown.key()).isEmpty();
        }
    }

    /** Of 8,852 g charged 4,426 were gates of the heron: half of it returns. */
    @Test
    void aPourThatRanSaysWhatWasPlannedForIt() throws Exception {
        new GoldenPour(jdbc, owner, tree).full(Duration.ofHours(2));
        assertThat(number(FactKey.METAL_PLANNED_C, Fact.How.PLANNED)).isCloseTo(1078.7, within(0.1));
        assertThat(number(FactKey.CARRY_WINDOW_S, Fact.How.PLANNED)).isCloseTo(267.6, within(0.1));
        assertThat(number(FactKey.FILL_MARGIN, Fact.How.PLANNED)).isCloseTo(52.28, within(0.01));
        assertThat(number(FactKey.RETURNS_PCT, Fact.How.MEASURED)).isCloseTo(50, within(0.1));
        // nobody tapped it out of the kiln, read the metal or the gauge
        assertThat(fact(FactKey.CARRY_S)).isEmpty();
        assertThat(fact(FactKey.METAL_C)).isEmpty();
        assertThat(fact(FactKey.MOLD_C)).isEmpty();
        assertThat(fact(FactKey.VACUUM)).isEmpty();
        assertThat(fact(FactKey.BLOWN_OUT)).isEmpty();
    }

    /** Out 60 s before the metal: by the plan's own cooling 475.6 °C, which nobody measured. */
    @Test
    void whatWasTappedIsMeasured() throws Exception {
        GoldenPour pour = new GoldenPour(jdbc, owner, tree);
        pour.said("tick", Duration.ofMinutes(70), "{\"step\":\"charge-dry\"}")
                .tap("clean", Duration.ofMinutes(65), "{}")
                .tap("gauge", Duration.ofMinutes(64), "{\"kPa\":\"86\"}")
                .tap("out", Duration.ofMinutes(61).plusSeconds(4), "{}")
                .full(Duration.ofMinutes(60));
        assertThat(number(FactKey.CARRY_S, Fact.How.MEASURED)).isCloseTo(60, within(1.0));
        assertThat(number(FactKey.MOLD_C, Fact.How.PLANNED)).isCloseTo(475.6, within(0.3));
        assertThat(number(FactKey.GAUGE_KPA, Fact.How.MEASURED)).isEqualTo(86);
        assertThat(word(FactKey.VACUUM, Fact.How.MEASURED)).isEqualTo("reached");
        assertThat(word(FactKey.BLOWN_OUT, Fact.How.MEASURED)).isEqualTo("yes");
        assertThat(word(FactKey.CHARGE_WARMED, Fact.How.MEASURED)).isEqualTo("yes");
        // the wash bench says where each of it stands
        assertThat(send(owner, "/breakout/" + tree + "/begin", Map.of()).getStatus())
                .isEqualTo(302);
        assertThat(page(owner, "/breakout/" + tree + "/sheet")).contains("86 kPa", "60 s", "reckoned", "full");
    }

    @ParameterizedTest
    @CsvSource({"79, failed", "80, reached", "95, reached", "30, failed"})
    void aVacuumIsReachedFromEightyOn(String kPa, String word) throws Exception {
        new GoldenPour(jdbc, owner, tree)
                .tap("gauge", Duration.ofMinutes(64), "{\"kPa\":\"" + kPa + "\"}")
                .full(Duration.ofMinutes(60));
        assertThat(word(FactKey.VACUUM, Fact.How.MEASURED)).isEqualTo(word);
    }

    /** Whoever saw that there was none says more than the gauge on trial. */
    @Test
    void aPumpThatStoodStillIsNoVacuum() throws Exception {
        new GoldenPour(jdbc, owner, tree)
                .said("gauge", Duration.ofMinutes(90), "{\"kPa\":\"90\"}")
                .tap("novacuum", Duration.ofMinutes(61), "{}")
                .full(Duration.ofMinutes(60));
        assertThat(word(FactKey.VACUUM, Fact.How.MEASURED)).isEqualTo("failed");
    }

    /** Read before the metal flowed it counts; what was read afterwards says nothing of this mold. */
    @Test
    void whatWasReadAfterwardsDoesNotCount() throws Exception {
        new GoldenPour(jdbc, owner, tree)
                .full(Duration.ofMinutes(60))
                .said("metal", Duration.ofMinutes(30), "{\"celsius\":\"1020\",\"how\":\"thermocouple\"}");
        assertThat(fact(FactKey.METAL_C)).isEmpty();
    }

    @Test
    void aReadingBeforeThePourIsMeasured() throws Exception {
        new GoldenPour(jdbc, owner, tree)
                .said(
                        "metal",
                        Duration.ofMinutes(60).plusSeconds(20),
                        "{\"celsius\":\"1130\",\"how\":\"thermocouple\"}")
                .full(Duration.ofMinutes(60));
        // 16 s in the pot: it has lost some, and not more than 40 K
        assertThat(number(FactKey.METAL_C, Fact.How.MEASURED)).isBetween(1090.0, 1130.0);
    }

    @Test
    void aGuessByEyeIsNoReading() throws Exception {
        new GoldenPour(jdbc, owner, tree)
                .said("metal", Duration.ofMinutes(61), "{\"celsius\":\"1130\",\"how\":\"by eye\"}")
                .full(Duration.ofMinutes(60));
        assertThat(fact(FactKey.METAL_C)).isEmpty();
    }

    /** A shell's wall, its wire and how its wax was taken out. */
    @Test
    void aShellSaysItsWall() throws Exception {
        Map<String, String> wax = new LinkedHashMap<>(WAX);
        wax.put("name", "Tern");
        long tern = tree(owner, wax);
        send(
                owner,
                "/trees/" + tern + "/mold",
                Map.of("version", "0", "mold_kind", "shell", "tree_width_mm", "70", "tree_height_mm", "110"));
        OnRecord found = facts(tern);
        // handbook 6: a shell of a small piece is planned at 7 mm or more
        assertThat(found.facts().get(FactKey.SHELL_MM).orElseThrow().number()).isBetween(5.0, 12.0);
        assertThat(found.facts().get(FactKey.WIRE).orElseThrow().word()).isEqualTo("no");
        assertThat(found.facts().get(FactKey.DEWAX).orElseThrow().how()).isEqualTo(Fact.How.PLANNED);
        assertThat(found.facts().get(FactKey.WATER_PER_100)).isEmpty();
        // its coats stand in a class's timetable, the second one within two days of the prime
        assertThat(page(owner, "/trees/" + tern + "/class"))
                .contains("Coat 1", "Coat 2", "It dries.")
                .doesNotContain("Weigh, mix and fill");
    }

    /** Its clock: too hot, in its window, past it. */
    @ParameterizedTest
    @CsvSource({"5, Too hot, Not into water for", "9000, Window past, no harm done"})
    void theClockOfAFullMold(int seconds, String word, String sentence) throws Exception {
        new GoldenPour(jdbc, owner, tree).full(Duration.ofSeconds(seconds));
        assertThat(page(owner, "/breakout/" + tree + "/cooling"))
                .contains(word, sentence, "face of the button", "foreseen, not measured");
    }
}
