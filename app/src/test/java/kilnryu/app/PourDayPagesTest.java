package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kilnryu.app.account.Account;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

/** What a pour asks of the day, of its trees, of its plan: order, pots, sand, ways, units. */
class PourDayPagesTest extends AppTest {
    @Autowired
    JdbcClient jdbc;

    @BeforeEach
    void equipped() throws Exception {
        send(
                owner,
                "/furnaces/0",
                Map.of(
                        "kind",
                        "furnace",
                        "name",
                        "bench furnace",
                        "power_kW",
                        "6",
                        "heating",
                        "resistance",
                        "max_C",
                        "1250"));
        send(
                owner,
                "/furnaces/0",
                Map.of("kind", "crucible", "name", "bronze pot", "capacity_cm3", "900", "uses", "4"));
        send(
                owner,
                "/metal/0",
                Map.of(
                        "name",
                        "ingots",
                        "kind",
                        "ingot",
                        "make_up",
                        "Cu 95 Si 4 Mn 1",
                        "mass_g",
                        "60 kg",
                        "price",
                        "14"));
    }

    private static long number(String address) {
        return Long.parseLong(address.replaceAll("\\D+(\\d+).*", "$1"));
    }

    private long mold(String name, String... firing) throws Exception {
        Map<String, String> wax = new LinkedHashMap<>(WAX);
        wax.put("name", name);
        long tree = tree(owner, wax);
        assertThat(send(owner, "/trees/" + tree + "/mold", FLASK).getStatus()).isEqualTo(302);
        if (firing.length > 0) {
            Map<String, String> fields = new LinkedHashMap<>(Map.of("version", "0"));
            for (int i = 0; i < firing.length; i += 2) {
                fields.put(firing[i], firing[i + 1]);
            }
            assertThat(send(owner, "/trees/" + tree + "/firing", fields).getStatus())
                    .isEqualTo(302);
        }
        return tree;
    }

    private long pour(String at, long... trees) throws Exception {
        var request = post("/pours/new")
                .with(Studio.as(owner))
                .with(csrf())
                .param("name", "Ebb")
                .param("pour_at", at);
        for (long tree : trees) {
            request.param("tree", Long.toString(tree));
        }
        return number(mvc.perform(request).andReturn().getResponse().getRedirectedUrl());
    }

    private int version(long pour) {
        return jdbc.sql("select version from pour where id = ?")
                .param(pour)
                .query(Integer.class)
                .single();
    }

    private String tried(long pour, String... fields) throws Exception {
        Map<String, String> form = new LinkedHashMap<>(Map.of("name", "Ebb"));
        for (int i = 0; i < fields.length; i += 2) {
            form.put(fields[i], fields[i + 1]);
        }
        return send(owner, "/pours/" + pour + "/try", form).getContentAsString();
    }

    private void begun(long pour) throws Exception {
        Matcher reason =
                Pattern.compile("name=\"(reason\\[[^\"]+\\])\"").matcher(page(owner, "/pours/" + pour + "/day"));
        Map<String, String> form = new LinkedHashMap<>();
        while (reason.find()) {
            form.put(reason.group(1), "tried before");
        }
        send(owner, "/pours/" + pour + "/begin", form);
        assertThat(jdbc.sql("select state from pour where id = ?")
                        .param(pour)
                        .query(String.class)
                        .single())
                .isEqualTo("running");
    }

    private int tap(long pour, String kind, String... fields) throws Exception {
        var request = post("/pours/" + pour + "/tap")
                .with(Studio.as(owner))
                .with(csrf())
                .header("X-Tap", "1")
                .param("kind", kind)
                .param("key", UUID.randomUUID().toString());
        for (int i = 0; i < fields.length; i += 2) {
            request.param(fields[i], fields[i + 1]);
        }
        return mvc.perform(request).andReturn().getResponse().getStatus();
    }

    @Test
    void theDaySaysWhenTheChargeIsWeighedAndWhenItIsPoured() throws Exception {
        LocalDateTime at = LocalDateTime.now().plusHours(8).withNano(0).withSecond(0);
        pour(at.toString(), mold("Reed warbler"));
        assertThat(page(owner, "/"))
                .contains("Weigh the charge, warm it", "Open the charge", "Ebb, 1 mold", "pour Ebb");
        pour("", mold("Marsh tit"));
        assertThat(page(owner, "/")).contains("the pour has no hour yet");
        long late = pour(LocalDateTime.now().minusHours(5).withNano(0).toString(), mold("Plover"));
        assertThat(page(owner, "/")).contains("late");
        Matcher lot =
                Pattern.compile("name=\"lot\" value=\"(\\d+)\"").matcher(page(owner, "/pours/" + late + "/weigh"));
        assertThat(lot.find()).isTrue();
        send(owner, "/pours/" + late + "/weigh", Map.of("lot", lot.group(1), "reading", "930", "sure", "true"));
        assertThat(page(owner, "/")).contains("The charge, 1 lot weighed: all of it, and warm?");
        begun(late);
        assertThat(page(owner, "/"))
                .contains("Open the pour day", "The pour day runs.", "Charge weighed, clean and warm on the rim");
    }

    @Test
    void theStreamOfATreeKnowsItsMeltAndItsPour() throws Exception {
        long tree = mold("Reed warbler");
        assertThat(page(owner, "/trees/" + tree + "/mold")).contains("no pour planned", "/pours/new?tree=" + tree);
        long id = pour("2026-12-03T10:30", tree);
        assertThat(page(owner, "/trees/" + tree + "/mold"))
                .contains("in Ebb", "/pours/" + id + "/melt", "2026-12-03 10:30");
        begun(id);
        assertThat(page(owner, "/trees/" + tree + "/mold")).contains("waits in the kiln", "/pours/" + id + "/day");
        assertThat(page(owner, "/trees/" + tree + "/card")).contains("It waits in the kiln");
    }

    @Test
    void theThinnestAndHottestComeFirstByTheHandbook() throws Exception {
        long cool = mold("Cool", "section", "heavy");
        long hot = mold("Hot", "section", "thin");
        long id = pour("2026-12-03T10:30", cool, hot);
        String plan = page(owner, "/pours/" + id);
        assertThat(plan.indexOf(">Hot</a>")).isLessThan(plan.indexOf(">Cool</a>"));
        // turned round by hand, and back by the button
        Map<String, String> turned = new LinkedHashMap<>(Map.of(
                "name", "Ebb", "pour_at", "2026-12-03T10:30", "order", cool + "," + hot, "version", "" + version(id)));
        send(owner, "/pours/" + id, turned);
        plan = page(owner, "/pours/" + id);
        assertThat(plan.indexOf(">Cool</a>")).isLessThan(plan.indexOf(">Hot</a>"));
        send(owner, "/pours/" + id + "/best", Map.of("version", "" + version(id)));
        plan = page(owner, "/pours/" + id);
        assertThat(plan.indexOf(">Hot</a>")).isLessThan(plan.indexOf(">Cool</a>"));
    }

    @Test
    void aMoldIsTakenOutAddedAndNothingForeignGetsIn() throws Exception {
        long a = mold("Reed warbler");
        long b = mold("Marsh tit");
        long id = pour("2026-12-03T10:30", a, b);
        assertThat(tried(id, "order", "" + b)).contains("Marsh tit").doesNotContain(">Reed warbler</a>");
        long c = mold("Plover");
        assertThat(tried(id, "order", a + "," + b + "," + c)).contains(">Plover</a>");
        Account other = Studio.owner(accounts, passwords);
        long foreign = number(send(other, "/trees/0/tree", WAX).getRedirectedUrl());
        assertThat(tried(id, "order", a + "," + foreign + ",x,-1"))
                .contains("Reed warbler")
                .doesNotContain("Marsh tit");
    }

    @Test
    void aPotThatGoesBackComesOutHotterAndTheRemedyDoesIt() throws Exception {
        long a = mold("Reed warbler");
        long b = mold("Marsh tit");
        long id = pour("2026-12-03T10:30", a, b);
        assertThat(page(owner, "/pours/" + id)).doesNotContain("pot back to the furnace,");
        long second = jdbc.sql("select tree_id from pour_mold where pour_id = ? order by place desc limit 1")
                .param(id)
                .query(Long.class)
                .single();
        send(owner, "/pours/" + id + "/again", Map.of("tree", "" + second, "on", "true"));
        assertThat(page(owner, "/pours/" + id)).contains("pot back to the furnace,");
        // the page's own form keeps it while it is ticked, and lets it go when it is not
        assertThat(tried(id, "pour_at", "2026-12-03T10:30", "again[" + second + "].pot", "yes"))
                .contains("pot back to the furnace,");
        assertThat(tried(id, "pour_at", "2026-12-03T10:30")).doesNotContain("pot back to the furnace,");
        // slow hands and a long way: the metal of the second is too cold
        String slow = tried(id, "pour_at", "2026-12-03T10:30", "between_s", "500");
        assertThat(slow).contains("It freezes on its way in", "Pot back to the furnace before it");
        send(owner, "/pours/" + id + "/again", Map.of("tree", "" + second, "on", "false"));
        assertThat(page(owner, "/pours/" + id)).doesNotContain("pot back to the furnace,");
    }

    @Test
    void allOutAtOnceCostsTheWindowAndIsMendedByOneTap() throws Exception {
        long[] many = new long[6];
        for (int i = 0; i < many.length; i++) {
            many[i] = mold("Leaf " + i);
        }
        long id = pour("2026-12-03T10:30", many);
        send(owner, "/pours/" + id + "/together", Map.of("together", "all"));
        String all = tried(id, "together", "all", "carry_s", "120");
        assertThat(all).contains("too late by", "Take them out one by one");
        send(owner, "/pours/" + id + "/together", Map.of("together", "one"));
        assertThat(page(owner, "/pours/" + id)).doesNotContain("too late by");
    }

    @Test
    void pressureIsRefusedAndNobodyOverrulesIt() throws Exception {
        long id = pour("2026-12-03T10:30", mold("Reed warbler"));
        assertThat(tried(id, "way", "pressure")).contains("Safety stop", "bursts and throws metal");
        assertThat(tried(id, "way", "spun")).contains("nobody in its plane");
        assertThat(tried(id, "way", "by magic")).contains("is not known here");
        Map<String, String> form = new LinkedHashMap<>(
                Map.of("name", "Ebb", "pour_at", "2026-12-03T10:30", "way", "pressure", "version", "" + version(id)));
        send(owner, "/pours/" + id, form);
        assertThat(page(owner, "/pours/" + id + "/day")).contains("Safety stop.");
        send(owner, "/pours/" + id + "/begin", Map.of("reason[pressure]", "done before"));
        assertThat(jdbc.sql("select state from pour where id = ?")
                        .param(id)
                        .query(String.class)
                        .single())
                .isEqualTo("planned");
    }

    @Test
    void byGravityNoPumpIsTried() throws Exception {
        long id = pour("2026-12-03T10:30", mold("Reed warbler"));
        assertThat(page(owner, "/pours/" + id + "/day")).contains("Pump on, gauge reads");
        send(
                owner,
                "/pours/" + id,
                Map.of("name", "Ebb", "pour_at", "2026-12-03T10:30", "way", "gravity", "version", "" + version(id)));
        assertThat(page(owner, "/pours/" + id + "/day")).doesNotContain("Pump on, gauge reads");
    }

    @Test
    void shellsInSandAskForTubs() throws Exception {
        long tree = tree(owner, WAX);
        send(
                owner,
                "/trees/" + tree + "/mold",
                Map.of("version", "0", "mold_kind", "shell", "tree_width_mm", "70", "tree_height_mm", "110"));
        long id = pour("2026-12-03T10:30", tree);
        assertThat(page(owner, "/pours/" + id)).contains("Shells stand in the air", "shell");
        String sand = tried(id, "outside", "sand", "sand_C", "300");
        assertThat(sand).contains("dry sand for the tubs").doesNotContain("Shells stand in the air");
        assertThat(tried(id, "outside", "sand", "sand_C", "5000")).contains("too large");
    }

    @Test
    void aFurnaceThatIsTooWeakAndAPotThatIsTooSmall() throws Exception {
        send(
                owner,
                "/furnaces/0",
                Map.of(
                        "kind",
                        "furnace",
                        "name",
                        "old furnace",
                        "power_kW",
                        "2",
                        "heating",
                        "resistance",
                        "max_C",
                        "1000"));
        send(
                owner,
                "/furnaces/0",
                Map.of("kind", "crucible", "name", "thimble", "capacity_cm3", "70", "family", "silver"));
        long weak = jdbc.sql("select id from melter where studio_id = ? and name = 'old furnace'")
                .param(owner.studioId())
                .query(Long.class)
                .single();
        long thimble = jdbc.sql("select id from melter where studio_id = ? and name = 'thimble'")
                .param(owner.studioId())
                .query(Long.class)
                .single();
        long id = pour("2026-12-03T10:30", mold("Reed warbler"));
        assertThat(page(owner, "/pours/" + id)).contains("no furnace is chosen", "no crucible is chosen");
        String plan = tried(id, "furnace", "" + weak, "crucible", "" + thimble);
        assertThat(plan)
                .contains(
                        "The furnace reaches 1000",
                        "thimble is kept for silver alloys",
                        "2 heats",
                        "thimble was not used before");
        assertThat(plan).contains("The pot does not hold the 836 g");
    }

    @Test
    void inPoundsAndFahrenheit() throws Exception {
        Account imperial = owner.withUnits(new kilnryu.app.web.Units(kilnryu.app.web.Units.System.IMPERIAL, false));
        long id = pour("2026-12-03T10:30", mold("Reed warbler"));
        assertThat(page(imperial, "/pours/" + id)).contains("lb", "°F").doesNotContain("836 g");
        assertThat(page(imperial, "/pours/" + id + "/charge")).contains("lb");
        assertThat(page(imperial, "/pours/" + id + "/melt")).contains("°F");
        assertThat(page(imperial, "/pours/" + id + "/card")).contains("°F");
        assertThat(page(imperial, "/metal")).contains("lb");
    }

    @Test
    void whatWasWeighedMakesTheRest() throws Exception {
        send(
                owner,
                "/metal/0",
                Map.of(
                        "name",
                        "shot",
                        "kind",
                        "ingot",
                        "make_up",
                        "Cu 95.6 Si 3.5 Mn 0.9",
                        "mass_g",
                        "2 kg",
                        "price",
                        "1"));
        long tree = mold("Reed warbler");
        long id = pour("2026-12-03T10:30", tree);
        begun(id);
        Matcher lot = Pattern.compile("name=\"lot\" value=\"(\\d+)\"").matcher(page(owner, "/pours/" + id + "/weigh"));
        assertThat(lot.find()).isTrue();
        send(owner, "/pours/" + id + "/weigh", Map.of("lot", lot.group(1), "reading", "930", "sure", "true"));
        assertThat(tap(id, "rest", "value", "80 g", "saw", "0")).isEqualTo(200);
        assertThat(page(owner, "/metal")).contains("rest of Ebb", "80.00 g", "Si 3.48");
        // a return by the name of its casting takes that make-up
        send(
                owner,
                "/metal/0",
                Map.of("name", "gates of it", "kind", "return", "mass_g", "300", "of_casting", "Reed warbler"));
        assertThat(page(owner, "/metal")).contains("gates of it");
        List<String> makeUps = new ArrayList<>();
        Matcher m = Pattern.compile("Si 3\\.[0-9]+ ").matcher(page(owner, "/metal"));
        while (m.find()) {
            makeUps.add(m.group());
        }
        assertThat(makeUps).hasSizeGreaterThanOrEqualTo(2);
    }

    /** 919.6 g after the melt take two ingots of 500: each is weighed, what they really are is charged. */
    @Test
    void ingotsGoOverTheScaleOneByOne() throws Exception {
        jdbc.sql("update metal_lot set remaining_g = 0 where studio_id = ?")
                .param(owner.studioId())
                .update();
        send(
                owner,
                "/metal/0",
                Map.of(
                        "name",
                        "bars",
                        "kind",
                        "ingot",
                        "make_up",
                        "Cu 95 Si 4 Mn 1",
                        "mass_g",
                        "2 kg",
                        "piece_g",
                        "500"));
        long id = pour("2026-12-03T10:30", mold("Reed warbler"));
        assertThat(page(owner, "/pours/" + id + "/charge")).contains("2 whole pieces", "1000 g");
        String first = page(owner, "/pours/" + id + "/weigh");
        assertThat(first).contains("piece 1 of 2", "500.0 g");
        Matcher lot = Pattern.compile("name=\"lot\" value=\"(\\d+)\"").matcher(first);
        assertThat(lot.find()).isTrue();
        send(owner, "/pours/" + id + "/weigh", Map.of("lot", lot.group(1), "reading", "498"));
        assertThat(page(owner, "/pours/" + id + "/weigh")).contains("piece 2 of 2");
        send(owner, "/pours/" + id + "/weigh", Map.of("lot", lot.group(1), "reading", "503"));
        assertThat(page(owner, "/pours/" + id + "/weigh")).contains("The charge is weighed");
        assertThat(page(owner, "/pours/" + id + "/charge")).contains("1001 g");
        assertThat(page(owner, "/metal/" + lot.group(1))).contains("piece 1", "all of it", "999 g");
        send(owner, "/pours/" + id + "/weigh/back", Map.of("lot", lot.group(1)));
        assertThat(page(owner, "/metal/" + lot.group(1))).contains("2000 g");
        assertThat(page(owner, "/pours/" + id + "/weigh")).contains("piece 1 of 2");
    }

    @Test
    void whatANewerVersionFrozeIsKeptAndSaid() throws Exception {
        long tree = mold("Reed warbler");
        long id = pour("2026-12-03T10:30", tree);
        begun(id);
        jdbc.sql("update pour set record = jsonb_set(record::jsonb, '{version}', '99')::json where id = ?")
                .param(id)
                .update();
        assertThat(page(owner, "/pours/" + id + "/day"))
                .contains("kept as it was", "It was frozen by a newer Kiln Ryu");
        assertThat(tap(id, "tick", "value", "charge-dry")).isEqualTo(409);
        assertThat(read(owner, "/pours/" + id + "/day/live").getStatus()).isEqualTo(409);
        assertThat(read(owner, "/").getStatus()).isEqualTo(200);
        assertThat(read(owner, "/trees/" + tree + "/mold").getStatus()).isEqualTo(200);
        assertThat(read(owner, "/trees/" + tree + "/card").getStatus()).isEqualTo(200);
        assertThat(read(owner, "/trees/" + tree + "/plan.json").getStatus()).isEqualTo(200);
        assertThat(read(owner, "/pours").getStatus()).isEqualTo(200);
    }

    @Test
    void thePyrometerHasToComeToRestAndTheFurnaceCanFail() throws Exception {
        long id = pour("2026-12-03T10:30", mold("Reed warbler"));
        begun(id);
        assertThat(tap(id, "dip")).isEqualTo(200);
        assertThat(tap(id, "metal")).isEqualTo(409);
        jdbc.sql(
                        "update pour_event set tapped_at = tapped_at - interval '30 seconds' where pour_id = ? and kind = 'dip'")
                .param(id)
                .update();
        assertThat(tap(id, "metal")).isEqualTo(200);
        assertThat(page(owner, "/pours/" + id + "/day")).contains("stand-in pyrometer read");
        assertThat(tap(id, "tick", "value", "charge-dry")).isEqualTo(200);
        assertThat(tap(id, "tick", "value", "melt-on")).isEqualTo(200);
        assertThat(tap(id, "standin", "value", "thermocouple-open")).isEqualTo(200);
        assertThat(page(owner, "/pours/" + id + "/day")).contains("no signal", "thermocouple open");
        assertThat(tap(id, "standin", "value", "thermocouple-open")).isEqualTo(200);
        assertThat(tap(id, "standin", "value", "speed 60")).isEqualTo(200);
        jdbc.sql(
                        "update pour_event set tapped_at = tapped_at - interval '20 minutes' where pour_id = ? and kind <> 'dip'")
                .param(id)
                .update();
        assertThat(page(owner, "/pours/" + id + "/day")).contains("holds at the tap", "Furnace so far");
        send(owner, "/pours/" + id + "/device", Map.of("button", "pump"));
        assertThat(page(owner, "/pours/" + id + "/day")).contains("pump on");
        assertThat(send(owner, "/pours/" + id + "/device", Map.of("button", "kick"))
                        .getStatus())
                .isGreaterThanOrEqualTo(400)
                .isLessThan(500);
    }
}
