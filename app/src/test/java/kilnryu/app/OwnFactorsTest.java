package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import kilnryu.app.factor.FactorStore;
import kilnryu.core.gating.GatingPlanner;
import kilnryu.core.melt.Furnace;
import kilnryu.core.pour.PourCrew;
import kilnryu.core.shell.Drying;
import kilnryu.core.sum.Constant;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Times and hours that a studio's own log teaches: each is offered, taken, held by what is planned afterwards, given back. */
class OwnFactorsTest extends AppTest {
    @Autowired
    JdbcClient jdbc;

    @Autowired
    FactorStore factors;

    private void take(String key) throws Exception {
        send(owner, "/log/factors/take", Map.of("key", key));
    }

    private void giveBack(String key) throws Exception {
        send(owner, "/log/factors/give-back", Map.of("key", key));
    }

    private double now(Constant constant) {
        return factors.of(owner.studioId()).value(constant);
    }

    /** A tree broken out five times over, with what was planned and what came. */
    private void brokenOut(String planned, double plan, String came, double... actual) throws Exception {
        for (double a : actual) {
            long tree = tree(owner, WAX);
            send(owner, "/breakout/" + tree + "/begin", Map.of());
            jdbc.sql("update break_out set " + planned + " = ?, " + came
                            + " = ?, mold_kind = 'flask' where tree_id = ?")
                    .params(plan, a, tree)
                    .update();
        }
    }

    /** Equal plans of 35 s: the mean of 40, 41, 42, 43, 44 is 1.2 times as long. */
    @Test
    void slowHandsAreTakenForPoursPlannedAfterwards() throws Exception {
        brokenOut("stood_planned_s", 35, "stood_s", 40, 41, 42, 43);
        assertThat(page(owner, "/log/factors")).contains("Out of the kiln until metal", "1 more before");
        brokenOut("stood_planned_s", 35, "stood_s", 44);
        assertThat(page(owner, "/log/factors")).contains("× 1.200", "24 s, 18 s, 14.4 s instead of 20 s, 15 s, 12 s");
        Instant before = Instant.now();
        take("carry");
        assertThat(now(PourCrew.CARRY)).isEqualTo(24, within(1e-9));
        assertThat(now(PourCrew.SEAT)).isEqualTo(18, within(1e-9));
        // a pour planned before it was taken keeps its hands
        assertThat(factors.of(owner.studioId(), before).value(PourCrew.CARRY)).isEqualTo(20);
        assertThat(factors.of(owner.studioId(), Instant.now().plusSeconds(1)).value(PourCrew.CARRY))
                .isEqualTo(24, within(1e-9));
        assertThat(page(owner, "/factors")).contains("yours, from 5 castings");
        giveBack("carry");
        assertThat(now(PourCrew.CARRY)).isEqualTo(20);
        assertThat(now(PourCrew.BETWEEN)).isEqualTo(12);
    }

    /** As planned, within chance: 35 on average. */
    @Test
    void handsThatAreAsPlannedAreNotOffered() throws Exception {
        brokenOut("stood_planned_s", 35, "stood_s", 33, 37, 35, 34, 36);
        assertThat(page(owner, "/log/factors"))
                .contains("No different from the plan")
                .doesNotContain("Take it");
        take("carry");
        assertThat(now(PourCrew.CARRY)).isEqualTo(20);
    }

    /** Molds fill in 1.25 times as long, so that metal runs at 0.8 times the flow. */
    @Test
    void slowFillingMeansLessFlow() throws Exception {
        brokenOut("fill_planned_s", 4, "fill_s", 4.9, 5, 5.1, 4.95, 5.05);
        take("fill");
        for (Constant c : GatingPlanner.flow()) {
            assertThat(now(c)).as(c.name()).isEqualTo(c.value() * 0.8, within(1e-9));
        }
        giveBack("fill");
        assertThat(now(GatingPlanner.flow().get(0)))
                .isEqualTo(GatingPlanner.flow().get(0).value());
    }

    private void melted(long furnace, double planned, double minutes) {
        OffsetDateTime on = OffsetDateTime.now().minusDays(2);
        long pour = jdbc.sql("""
                        insert into pour (studio_id, name, state, fields, record, created_at, begun_at)
                        values (?, 'Tern', 'ended', ?::json, ?::json, ?, ?) returning id
                        """)
                .params(
                        owner.studioId(),
                        "{\"furnace\": \"" + furnace + "\"}",
                        "{\"poured\": {\"furnace\": \"pot\", \"meltMin\": " + planned + "}}",
                        on,
                        on)
                .query(Long.class)
                .single();
        event(pour, "tick", "{\"step\": \"melt-on\"}", on);
        event(pour, "potout", "{}", on.plusSeconds(Math.round(minutes * 60)));
    }

    private void event(long pour, String kind, String fields, OffsetDateTime at) {
        jdbc.sql("""
                        insert into pour_event (pour_id, tap, kind, fields, tapped_at, at, account_id)
                        values (:pour, :tap, :tap, :fields::json, :at, :at, :account)
                        """)
                .param("pour", pour)
                .param("tap", kind)
                .param("fields", fields)
                .param("at", at)
                .param("account", owner.id())
                .update();
    }

    private long furnace(String name, String efficiency) throws Exception {
        Map<String, String> form = new HashMap<>(
                Map.of("version", "0", "name", name, "power_kW", "6", "heating", "induction", "kind", "furnace"));
        form.put("efficiency_pct", efficiency);
        assertThat(send(owner, "/furnaces/0", form).getStatus()).isEqualTo(302);
        return jdbc.sql("select max(id) from melter where studio_id = ?")
                .param(owner.studioId())
                .query(Long.class)
                .single();
    }

    /** 40 min asked, 50 taken: 65 % become 52. */
    @Test
    void aSlowMeltIsLessOfThePowerUnlessTheFurnaceHasItsOwn() throws Exception {
        long own = furnace("small pot", "60");
        long usual = furnace("large pot", "");
        for (double minutes : new double[] {49, 49.5, 50, 50.5, 51}) {
            melted(own, 40, minutes);
            melted(usual, 40, minutes);
        }
        assertThat(page(owner, "/log/factors"))
                .contains(
                        "Melting time, induction",
                        "52 % instead of 65 %",
                        "Melting time, small pot",
                        "this furnace has an efficiency of its own");
        take("melt.induction");
        assertThat(now(Furnace.Heating.INDUCTION.efficiency())).isEqualTo(52, within(0.01));
        assertThat(send(owner, "/log/factors/take", Map.of("key", "melt.small pot"))
                        .getStatus())
                .isEqualTo(404);
        giveBack("melt.induction");
        assertThat(now(Furnace.Heating.INDUCTION.efficiency())).isEqualTo(65);
    }

    private void dried(long run, int place, double planned, double hours, double tail) {
        jdbc.sql("""
                        insert into coat_dried (run_id, place, coat, planned_h, dried_h, tail, at)
                        values (?, ?, 'plain-prime', ?, ?, ?, now())
                        """).params(run, place, planned, hours, tail).update();
    }

    /** 1.1 times as long as foreseen with the tail of 1.5: 1.65; a coat foreseen with 1.8 had been foreseen at 5 of its 6 h. */
    @Test
    void dryingByWeightMovesTheTail() throws Exception {
        long run = jdbc.sql("""
                        insert into shell_run (studio_id, tree_id, name, plan, rack, begun_at, account_id)
                        values (?, ?, 'Heron', '{}', 'left', now(), ?) returning id
                        """)
                .params(owner.studioId(), tree(owner, WAX), owner.id())
                .query(Long.class)
                .single();
        for (int i = 0; i < 4; i++) {
            dried(run, i, 5, 5.48 + i * 0.01, 1.5);
        }
        dried(run, 4, 6, 5.525, 1.8);
        // their mean over 5: (5.48 + 5.49 + 5.50 + 5.51 + 5.525) / 25 = 1.1002
        assertThat(page(owner, "/log/factors")).contains("Drying of coats, by weight", "× 1.100", "Heron, coat 5");
        take("drying");
        assertThat(now(Drying.TAIL)).isEqualTo(1.5 * 27.505 / 25, within(1e-6));
        // what is taken changes nothing of what was seen
        assertThat(page(owner, "/log/factors")).contains("× 1.100", "Give it back");
        giveBack("drying");
        assertThat(now(Drying.TAIL)).isEqualTo(1.5);
    }

    private void worked(long tree, String stage, double grams, double hours) {
        jdbc.sql("""
                        insert into finish_work (studio_id, tree_id, section, stage, who, grams, hours, fields, account_id, at)
                        values (?, ?, '', ?, 'Brackish', ?, ?, '{}', ?, now())
                        """)
                .params(owner.studioId(), tree, stage, grams, hours, owner.id())
                .update();
    }

    /** 8 kg have four times the face of 1 kg: 2 h on 1 kg are 8 h on 8. */
    @Test
    void hoursOfAStageAreOfferedThoughNoHandbookHasThem() throws Exception {
        long before = opened();
        for (int i = 0; i < 3; i++) {
            worked(before, "chase", 1000, 2);
        }
        worked(before, "chase", 8000, 8);
        assertThat(page(owner, "/log/factors")).contains("Hours to chase", "2.00 h on 1 kg", "1 more before");
        worked(before, "chase", 1000, 2);
        assertThat(page(owner, "/breakout/" + before + "/finish")).contains("yours, from 5 times");
        assertThat(page(owner, "/log/factors")).contains("By your own log alone", "Take it");
        take("hours.chase");
        worked(before, "chase", 1000, 9);
        long after = opened();
        // the one that was there goes on with the log as it stands
        assertThat(page(owner, "/breakout/" + before + "/finish")).contains("yours, from 6 times");
        assertThat(page(owner, "/breakout/" + after + "/finish")).contains("yours, from 5 castings");
        giveBack("hours.chase");
        assertThat(page(owner, "/breakout/" + after + "/finish")).contains("yours, from 6 times");
    }

    private long opened() throws Exception {
        long tree = tree(owner, WAX);
        send(owner, "/trees/" + tree + "/mold", FLASK);
        send(owner, "/breakout/" + tree + "/begin", Map.of());
        return tree;
    }

    private long number(String address, Map<String, String> form) throws Exception {
        return Long.parseLong(send(owner, address, form).getRedirectedUrl().replaceAll("\\D+(\\d+).*", "$1"));
    }

    private long firing(long kiln, long tree) throws Exception {
        Map<String, String> load = new LinkedHashMap<>(Map.of("version", "0", "name", "Ebb tide"));
        load.put("kiln", Long.toString(kiln));
        load.put("molds[" + tree + "].in", "yes");
        return number("/firings/0/load", load);
    }

    private void fired(long kiln, double planned, double minutes) {
        OffsetDateTime on = OffsetDateTime.now().minusDays(2);
        jdbc.sql("""
                        insert into firing (studio_id, name, kiln_id, fields, version, state, frozen, updated_at, started_at,
                                            ended_at, ended_as)
                        values (?, 'Neap', ?, '{}', 1, 'done', ?::json, ?, ?, ?, 'ended')
                        """)
                .params(
                        owner.studioId(),
                        kiln,
                        "{\"minutes\": " + planned + "}",
                        on,
                        on,
                        on.plusSeconds(Math.round(minutes * 60)))
                .update();
    }

    /** 600 min asked, 660 taken: 1.1 times. */
    @Test
    void aKilnThatLagsIsClosedSooner() throws Exception {
        long kiln = number("/kilns/0", KILN);
        long other = number("/kilns/0", KILN);
        long tree = opened();
        long before = firing(kiln, tree);
        for (double minutes : new double[] {655, 658, 660, 662, 665}) {
            fired(kiln, 600, minutes);
            fired(other, 600, minutes - 120);
        }
        assertThat(page(owner, "/log/factors")).contains("Length of firings, brick kiln", "it does not lag");
        take("firing." + kiln);
        take("firing." + other);
        String lags = "This kiln takes 1.10 times what its programs ask";
        assertThat(page(owner, "/firings/" + before)).doesNotContain(lags);
        long after = firing(kiln, tree);
        assertThat(page(owner, "/firings/" + after)).contains(lags, "what this kiln lags");
        assertThat(page(owner, "/firings/" + firing(other, tree))).doesNotContain("times what its programs ask");
        giveBack("firing." + kiln);
        // planned with it: it keeps it
        assertThat(page(owner, "/firings/" + after)).contains(lags);
        assertThat(page(owner, "/firings/" + firing(kiln, tree))).doesNotContain(lags);
    }

    private void compared(long kiln, String name, double usual) {
        fired(kiln, 600, 600);
        long id = jdbc.sql("update firing set name = ? where id = (select max(id) from firing) returning id")
                .param(name)
                .query(Long.class)
                .single();
        jdbc.sql("""
                        insert into firing_event (firing_id, at, second, kind, subject, data, account_id)
                        values (?, now(), 0, 'deviation', '', ?::json, ?)
                        """)
                .params(
                        id,
                        "{\"usual\": \"" + usual + "\", \"most\": \"" + usual * 2
                                + "\", \"late\": \"4\", \"standIn\": \"false\"}",
                        owner.id())
                .update();
    }

    /** Five of 35 s within a second and one of 70; four firings within 3 K and one 60 K off. */
    @Test
    void whatLiesFarOffIsFoundWhereverPlanAndFactAre() throws Exception {
        assertThat(page(owner, "/log/against")).contains("Nothing to compare yet");
        brokenOut("stood_planned_s", 35, "stood_s", 34.5, 35, 35.5, 34.8, 35.2);
        assertThat(page(owner, "/log/against"))
                .contains("None of what can be compared", "Out of the kiln until metal", "5 compared");
        brokenOut("stood_planned_s", 35, "stood_s", 70);
        long kiln = number("/kilns/0", KILN);
        for (int i = 0; i < 4; i++) {
            compared(kiln, "Neap " + i, 5 + i);
        }
        compared(kiln, "Spring tide", 60);
        assertThat(page(owner, "/log/against"))
                .contains("6 compared, 1 far off", "70.0 s", "× 2.00", "Spring tide", "120 K")
                .containsPattern("Spring tide</a><em> far off the others")
                .doesNotContainPattern("Neap 0</a><em>");
        assertThat(page(Studio.owner(accounts, passwords), "/log/against")).contains("Nothing to compare yet");
    }

    /** What was weighed stands beside what was asked, the last time where a step was done again. */
    @Test
    void whatIsWeighedIntoTheMixIsHeldAgainstWhatWasAsked() throws Exception {
        long tree = opened();
        long mix = jdbc.sql("""
                        insert into mix_session (tree_id, studio_id, plan, steps, working_min, step, step_began_at, started_at,
                                                 ended_at)
                        values (?, ?, '{}', ?::json, 9, 2, now(), now(), now()) returning id
                        """)
                .params(
                        tree,
                        owner.studioId(),
                        "[{\"title\": \"Weigh the water\", \"grams\": 400}, {\"title\": \"Weigh the powder\", \"grams\": 1000}]")
                .query(Long.class)
                .single();
        double[] readings = {500, 404, 1010};
        int[] steps = {0, 0, 1};
        for (int i = 0; i < readings.length; i++) {
            jdbc.sql("""
                            insert into mix_event (mix_session_id, step, kind, reading_g, account_id, at)
                            values (?, ?, 'done', ?, ?, now())
                            """).params(mix, steps[i], readings[i], owner.id()).update();
        }
        assertThat(page(owner, "/log/against"))
                .contains("Weighed into the mix, water", "× 1.010", "Weighed into the mix, powder");
        assertThat(page(owner, "/log/factors")).contains("404 g", "it says how closely it is weighed");
    }
}
