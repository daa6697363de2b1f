package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kilnryu.app.account.Account;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;

/** Metal in store, furnaces, the pour with its charge and its day. */
class PourPagesTest extends AppTest {
    @Autowired
    JdbcClient jdbc;

    private static Map<String, String> with(Map<String, String> of, String... more) {
        Map<String, String> all = new LinkedHashMap<>(of);
        for (int i = 0; i < more.length; i += 2) {
            all.put(more[i], more[i + 1]);
        }
        return all;
    }

    private static Map<String, String> form(String... pairs) {
        return with(Map.of(), pairs);
    }

    private static long number(String address) {
        return Long.parseLong(address.replaceAll("\\D+(\\d+).*", "$1"));
    }

    private long lot(String name, String kind, String makeUp, String mass, String... more) throws Exception {
        Map<String, String> lot = with(form("name", name, "kind", kind, "mass_g", mass), more);
        if (!makeUp.isEmpty()) {
            lot.put("make_up", makeUp);
        }
        MockHttpServletResponse answer = send(owner, "/metal/0", lot);
        assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(302);
        return number(answer.getRedirectedUrl());
    }

    /** A furnace, a pot, and metal for silicon bronze. */
    private void equipped() throws Exception {
        send(
                owner,
                "/furnaces/0",
                form(
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
        send(owner, "/furnaces/0", form("kind", "crucible", "name", "bronze pot", "capacity_cm3", "900", "uses", "4"));
        lot("bronze ingots", "ingot", "Cu 95 Si 4 Mn 1", "6 kg", "price", "14");
    }

    private long mold(String name) throws Exception {
        long tree = tree(owner, with(WAX, "name", name));
        assertThat(send(owner, "/trees/" + tree + "/mold", FLASK).getStatus()).isEqualTo(302);
        return tree;
    }

    private long pour(long... trees) throws Exception {
        var request = post("/pours/new").with(Studio.as(owner)).with(csrf()).param("name", "Thursday");
        for (long tree : trees) {
            request.param("tree", Long.toString(tree));
        }
        return number(mvc.perform(request).andReturn().getResponse().getRedirectedUrl());
    }

    private MockHttpServletResponse tap(Account by, long pour, String kind, String key, String... fields)
            throws Exception {
        var request = post("/pours/" + pour + "/tap")
                .with(Studio.as(by))
                .with(csrf())
                .header("X-Tap", "1")
                .param("kind", kind)
                .param("key", key);
        for (int i = 0; i < fields.length; i += 2) {
            request.param(fields[i], fields[i + 1]);
        }
        return mvc.perform(request).andReturn().getResponse();
    }

    private String refused(long pour, String kind, String... fields) throws Exception {
        MockHttpServletResponse answer =
                tap(owner, pour, kind, UUID.randomUUID().toString(), fields);
        assertThat(answer.getStatus()).as(kind + answer.getContentAsString()).isEqualTo(409);
        return answer.getContentAsString();
    }

    private void taken(long pour, String kind, String... fields) throws Exception {
        MockHttpServletResponse answer =
                tap(owner, pour, kind, UUID.randomUUID().toString(), fields);
        assertThat(answer.getStatus()).as(kind + answer.getContentAsString()).isEqualTo(200);
    }

    @Test
    void aLotKeepsEachUseAndReturnAndIsNeverNegative() throws Exception {
        long id = lot("tin", "element", "Sn 100", "850 g", "price", "31");
        assertThat(page(owner, "/metal")).contains("tin", "850 g", "Sn 100");
        assertThat(send(owner, "/metal/" + id + "/move", form("move", "used", "grams", "200 g", "move_note", "solder"))
                        .getStatus())
                .isEqualTo(302);
        assertThat(page(owner, "/metal/" + id)).contains("650 g", "used elsewhere", "solder", "− 200 g", "Owner");
        MockHttpServletResponse toomuch = send(owner, "/metal/" + id + "/move", form("move", "used", "grams", "700 g"));
        assertThat(toomuch.getStatus()).isEqualTo(422);
        assertThat(toomuch.getContentAsString()).contains("There are only 650 g of it.", "value=\"700 g\"");
        send(owner, "/metal/" + id + "/move", form("move", "counted", "grams", "640"));
        assertThat(page(owner, "/metal/" + id)).contains("640 g", "weighed again");
    }

    @Test
    void makeUpsThatCannotBeAreSaidAndPoisonIsAStop() throws Exception {
        MockHttpServletResponse wrong = send(
                owner, "/metal/0", form("name", "odd", "kind", "ingot", "make_up", "Cu 87 Sn 10", "mass_g", "500"));
        assertThat(wrong.getStatus()).isEqualTo(422);
        assertThat(wrong.getContentAsString()).contains("The make-up sums to 97.0 %", "value=\"Cu 87 Sn 10\"");
        assertThat(send(owner, "/metal/0", form("name", "odd", "kind", "ingot", "mass_g", "500"))
                        .getContentAsString())
                .contains("Say what it is made of");
        long be = lot("springs", "ingot", "Cu 98 Be 2", "300");
        assertThat(page(owner, "/metal/" + be)).contains("Safety stop", "never melted here");
        long lead = lot("old taps", "return", "Cu 85 Sn 5 Pb 5 Zn 5", "900");
        assertThat(page(owner, "/metal/" + lead)).contains("It holds 5.00 % lead.", "Damp under metal explodes");
    }

    @Test
    void aSaveOverSomeoneElsesIsToldAndAnotherStudioSeesNothing() throws Exception {
        long id = lot("copper", "element", "Cu 100", "3 kg");
        Map<String, String> mine = form("name", "copper rods", "kind", "element", "make_up", "Cu 100", "version", "1");
        assertThat(send(owner, "/metal/" + id, mine).getStatus()).isEqualTo(302);
        assertThat(send(owner, "/metal/" + id, mine).getStatus()).isEqualTo(409);
        send(owner, "/metal/" + id + "/archive", form("on", "true"));
        assertThat(page(owner, "/metal")).doesNotContain("copper rods</a>");
        assertThat(page(owner, "/metal?archived=true")).contains("copper rods");
        Account other = Studio.owner(accounts, passwords);
        assertThat(read(other, "/metal/" + id).getStatus()).isEqualTo(404);
        assertThat(page(other, "/metal")).doesNotContain("copper rods");
    }

    @Test
    void theStoreComesInAsATableAllOfItOrNothing() throws Exception {
        String table = "name,kind,make_up,mass_g,price\nshot,ingot,Cu 95 Si 4 Mn 1,1500,17\nscrap,unknown,,800,\n";
        var good = multipart("/metal/csv")
                .file(new MockMultipartFile("file", "m.csv", "text/csv", table.getBytes("UTF-8")));
        mvc.perform(good.with(Studio.as(owner)).with(csrf()));
        assertThat(page(owner, "/metal")).contains("shot", "scrap", "1500 g");
        assertThat(read(owner, "/metal.csv").getContentAsString())
                .contains("name,kind,make_up", "shot,ingot,Cu 95 Si 4 Mn 1,1500.000");
        String wrong = "name,kind,make_up,mass_g\nfine,element,Ag 100,200\nbad,ingot,Cu 97,10\n";
        var bad = multipart("/metal/csv")
                .file(new MockMultipartFile("file", "m.csv", "text/csv", wrong.getBytes("UTF-8")));
        var answer = mvc.perform(bad.with(Studio.as(owner)).with(csrf())).andReturn();
        assertThat(answer.getFlashMap().get("faults").toString()).contains("Line 3, make_up");
        assertThat(page(owner, "/metal")).doesNotContain("fine</a>");
    }

    @Test
    void aFurnaceIsReadAndWhatIsMissingSaid() throws Exception {
        MockHttpServletResponse wrong =
                send(owner, "/furnaces/0", form("kind", "furnace", "name", "", "power_kW", "-3"));
        assertThat(wrong.getStatus()).isEqualTo(422);
        assertThat(wrong.getContentAsString())
                .contains("Give it a name.", "This cannot be negative.", "Say how it heats.");
        equipped();
        assertThat(page(owner, "/furnaces"))
                .contains("bench furnace", "6 kW, electric resistance", "to 1250 °C", "bronze pot", "4 heats");
        assertThat(send(owner, "/furnaces/0", form("kind", "boiler")).getStatus())
                .isEqualTo(400);
    }

    @Test
    void aPourIsPlannedFromItsMolds() throws Exception {
        equipped();
        long a = mold("Reed warbler");
        long b = mold("Marsh tit");
        long id = pour(a, b);
        String plan = page(owner, "/pours/" + id);
        // 100 cm3 of wax each: 836 g of bronze, and a tenth in reserve
        assertThat(plan)
                .contains("Reed warbler", "Marsh tit", "836 g", ">1839<", "Time line of the pour", "Metal in the pot");
        assertThat(plan).contains("the hour of the pour is not set");
        assertThat(page(owner, "/pours")).contains("Thursday", "2 molds");
        // the other way round, from a phone
        Map<String, String> turned =
                form("version", "2", "name", "Thursday", "order", b + "," + a, "pour_at", "2026-12-03T10:30");
        assertThat(send(owner, "/pours/" + id, turned).getStatus()).isEqualTo(302);
        String order = page(owner, "/pours/" + id);
        assertThat(order.indexOf("Marsh tit</a>")).isLessThan(order.indexOf("Reed warbler</a>"));
        assertThat(send(owner, "/pours/" + id, turned).getStatus()).isEqualTo(409);
        Map<String, String> wrong = form("version", "3", "name", "", "pour_at", "tomorrow", "carry_s", "-2");
        MockHttpServletResponse refused = send(owner, "/pours/" + id, wrong);
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString())
                .contains("Give the pour a name.", "Write day and hour", "This cannot be negative.");
        assertThat(page(owner, "/trees/" + a + "/mold")).contains("Melt", "in Thursday", "2026-12-03 10:30");
        assertThat(page(owner, "/trees/" + a + "/card")).contains("Pour Thursday, place 2 of 2");
        assertThat(page(owner, "/pours/" + id + "/card"))
                .contains("Reed warbler", "first metal", "sand on, stand back");
        assertThat(read(owner, "/pours/" + id + "/card.pdf").getContentAsByteArray())
                .startsWith("%PDF".getBytes("UTF-8"));
        assertThat(page(owner, "/pours/" + id + "/melt")).contains("bench furnace", "liquidus", "tapped at");
        assertThat(page(owner, "/")).contains("Pour");
        Account other = Studio.owner(accounts, passwords);
        for (String at : List.of("", "/charge", "/melt", "/day", "/card", "/weigh")) {
            assertThat(read(other, "/pours/" + id + at).getStatus()).as(at).isEqualTo(404);
        }
    }

    /** Molds are chosen by their outline, a drawing and not its letters; one that waits in another pour is not offered. */
    @Test
    void moldsAreChosenByTheirOutline() throws Exception {
        long tree = mold("Reed warbler");
        page(owner, "/trees");
        assertThat(page(owner, "/pours/new?tree=" + tree))
                .containsPattern(
                        "<span class=\"face\" aria-hidden=\"true\"><svg [^>]+aria-label=\"outline of the tree\"")
                .doesNotContainPattern("<span class=\"face\" aria-hidden=\"true\">M")
                .containsPattern("value=\"" + tree + "\"[^>]*checked");
        pour(tree);
        assertThat(page(owner, "/pours/new")).doesNotContain("Reed warbler");
    }

    @Test
    void moldsOfTwoMetalsAreNoPourAndNothingIsGuessed() throws Exception {
        long bronze = mold("Reed warbler");
        long silver = tree(owner, with(WAX, "name", "Sand eel", "alloy", "ag-925"));
        send(owner, "/trees/" + silver + "/mold", FLASK);
        long id = pour(bronze, silver);
        assertThat(page(owner, "/pours/" + id)).contains("One pot holds one metal.", "no furnace is chosen");
        assertThat(send(owner, "/pours/" + id + "/begin", Map.of()).getRedirectedUrl())
                .endsWith("/day");
        assertThat(page(owner, "/pours/" + id + "/day"))
                .contains("no furnace is chosen")
                .doesNotContain("In hand");
        assertThat(send(owner, "/pours/new", Map.of("name", "none")).getStatus())
                .isEqualTo(422);
    }

    @Test
    void aStoreThatGivesNoChargeSaysWhatToBuyAndIsMendedByIt() throws Exception {
        equipped();
        jdbc.sql("update metal_lot set remaining_g = 0 where studio_id = ?")
                .param(owner.studioId())
                .update();
        lot("copper", "element", "Cu 100", "5 kg");
        long id = pour(mold("Reed warbler"));
        String page = page(owner, "/pours/" + id + "/charge");
        assertThat(page).contains("The store does not give this charge.", "The least to buy", "silicon", "manganese");
        lot("silicon", "element", "Si 100", "200 g");
        lot("manganese", "element", "Mn 100", "80 g");
        assertThat(page(owner, "/pours/" + id + "/charge"))
                .doesNotContain("The store does not give")
                .contains("In this order into the pot");
    }

    @Test
    void aMassSetByHandStaysAndMoreThanThereIsIsRefused() throws Exception {
        equipped();
        long shot = lot("shot", "ingot", "Cu 95 Si 4 Mn 1", "500 g", "price", "20");
        long id = pour(mold("Reed warbler"));
        assertThat(send(owner, "/pours/" + id + "/charge/try", form("lot[" + shot + "].fixed_g", "300"))
                        .getContentAsString())
                .contains("300.0 g");
        MockHttpServletResponse much =
                send(owner, "/pours/" + id + "/charge", form("version", "2", "lot[" + shot + "].fixed_g", "900"));
        assertThat(much.getStatus()).isEqualTo(422);
        assertThat(much.getContentAsString()).contains("There is not so much of it in store.");
        assertThat(send(owner, "/pours/" + id + "/charge", form("version", "2", "lot[" + shot + "].fixed_g", "300"))
                        .getStatus())
                .isEqualTo(302);
        assertThat(page(owner, "/pours/" + id + "/charge")).contains("300.0 g");
        // another page of the pour does not lose it
        send(owner, "/pours/" + id, form("version", "3", "name", "Thursday", "pour_at", "2026-12-03T10:30"));
        assertThat(page(owner, "/pours/" + id + "/charge")).contains("300.0 g");
    }

    @Test
    void aWeighInWithAWrongUnitIsAskedBackAndTheRestFollows() throws Exception {
        equipped();
        long id = pour(mold("Reed warbler"));
        String weigh = page(owner, "/pours/" + id + "/weigh");
        Matcher lot = Pattern.compile("name=\"lot\" value=\"(\\d+)\"").matcher(weigh);
        assertThat(lot.find()).isTrue();
        // 919.6 g after the melt are about 924 g of ingots: 32.6 oz
        MockHttpServletResponse asked =
                send(owner, "/pours/" + id + "/weigh", form("lot", lot.group(1), "reading", "32.6"));
        assertThat(asked.getStatus()).isEqualTo(422);
        assertThat(asked.getContentAsString()).contains("Is the scale on oz?", "value=\"32.6\"");
        assertThat(send(owner, "/pours/" + id + "/weigh", form("lot", lot.group(1), "reading", "940", "sure", "true"))
                        .getStatus())
                .isEqualTo(302);
        assertThat(page(owner, "/pours/" + id + "/weigh")).contains("The charge is weighed");
        assertThat(page(owner, "/pours/" + id + "/charge")).contains("940.0 g");
        assertThat(page(owner, "/metal")).contains("5060 g");
        // a late tap of another tablet
        MockHttpServletResponse late =
                send(owner, "/pours/" + id + "/weigh", form("lot", lot.group(1), "reading", "924"));
        assertThat(late.getRedirectedUrl()).isEqualTo("/pours/" + id + "/weigh");
        assertThat(page(owner, "/metal")).contains("5060 g");
        send(owner, "/pours/" + id + "/weigh/back", form("lot", lot.group(1)));
        assertThat(page(owner, "/metal")).contains("6000 g");
    }

    @Test
    void aLotThatTwoTakeFromAtOnceIsNeverOverdrawn() throws Exception {
        long id = lot("grain", "element", "Ag 100", "100 g");
        List<MockHttpServletResponse> answers =
                AtOnce.times(8, () -> send(owner, "/metal/" + id + "/move", form("move", "used", "grams", "30 g")));
        assertThat(answers.stream().filter(a -> a.getStatus() == 302)).hasSize(3);
        assertThat(answers.stream().filter(a -> a.getStatus() == 422)).hasSize(5);
        assertThat(jdbc.sql("select remaining_g from metal_lot where id = ?")
                        .param(id)
                        .query(Double.class)
                        .single())
                .isEqualTo(10.0);
    }

    private long begun() throws Exception {
        equipped();
        long tree = mold("Reed warbler");
        long id = pour(tree);
        List<String> stops = new ArrayList<>();
        Matcher reason = Pattern.compile("name=\"(reason\\[[^\"]+\\])\"").matcher(page(owner, "/pours/" + id + "/day"));
        Map<String, String> form = new LinkedHashMap<>();
        while (reason.find()) {
            stops.add(reason.group(1));
            form.put(reason.group(1), "tried before");
        }
        assertThat(send(owner, "/pours/" + id + "/begin", form).getRedirectedUrl())
                .isEqualTo("/pours/" + id + "/day");
        assertThat(page(owner, "/pours/" + id + "/day")).contains("Next: Charge weighed");
        return id;
    }

    private long treeOf(long pour) {
        return jdbc.sql("select tree_id from pour_mold where pour_id = ?")
                .param(pour)
                .query(Long.class)
                .single();
    }

    private void ready(long id) throws Exception {
        for (String step : List.of(
                "charge-dry",
                "melt-on",
                "tools-warm",
                "pump-tried",
                "path-walked",
                "places-told",
                "dressed",
                "second-person")) {
            taken(id, "tick", "value", step);
        }
        taken(id, "place", "place", "Pot", "value", "Ana");
        taken(id, "place", "place", "Tongs", "value", "Bo");
    }

    @Test
    void aPourDayFromTheFirstTickToPlanAndActual() throws Exception {
        long id = begun();
        String tree = Long.toString(treeOf(id));
        assertThat(refused(id, "tick", "value", "dressed")).contains("First: Charge weighed");
        assertThat(refused(id, "out", "tree", tree)).contains("Not ticked yet");
        assertThat(refused(id, "start", "tree", tree)).contains("The pot is still in the furnace");
        ready(id);
        assertThat(refused(id, "out", "tree", tree)).contains("No go", "dry and burnt out", "cannot be overruled");
        taken(id, "fired", "tree", tree);
        taken(id, "clean", "tree", tree);
        assertThat(refused(id, "out", "tree", tree)).contains("vacuum reached on trial", "metal as hot as asked");
        taken(id, "gauge", "value", "55");
        taken(id, "metal", "value", "1120");
        assertThat(refused(id, "out", "tree", tree)).contains("not vacuum reached on trial");
        assertThat(refused(id, "overrule", "tree", tree, "value", "")).contains("Write why");
        taken(id, "overrule", "tree", tree, "value", "stout walls, by gravity would do");
        taken(id, "potout");
        assertThat(refused(id, "potout")).contains("The pot is out already, tapped by Owner");
        taken(id, "out", "tree", tree);
        assertThat(page(owner, "/pours/" + id + "/day")).contains("left in its window", "Start on Reed warbler");
        taken(id, "start", "tree", tree);
        assertThat(refused(id, "out", "tree", tree)).contains("metal going in already");
        taken(id, "leaks", "tree", tree);
        assertThat(page(owner, "/pours/" + id + "/day")).contains("Sand on. Stand back.");
        taken(id, "full", "tree", tree);
        assertThat(refused(id, "short", "tree", tree)).contains("is full already");
        taken(id, "rest", "value", "90 g", "saw", "0");
        assertThat(refused(id, "rest", "value", "90 g", "saw", "0")).contains("weighed meanwhile, by Owner");
        assertThat(page(owner, "/metal")).contains("rest of Thursday", "90.00 g", "Si 3.9");
        assertThat(send(owner, "/pours/" + id + "/end", Map.of()).getStatus()).isEqualTo(302);
        String after = page(owner, "/pours/" + id + "/day");
        assertThat(after).contains("Plan and actual", "full", "stout walls, by gravity would do");
        assertThat(refused(id, "note", "value", "late")).contains("has ended");
        assertThat(page(owner, "/trees/" + tree + "/mold")).contains("it came full");
        assertThat(page(owner, "/")).contains("poured, it came full, Thursday");
        assertThat(page(owner, "/trees/" + tree + "/plan.json")).contains("\"poured\"", "\"stood_s\"", "\"overruled\"");
        assertThat(send(owner, "/pours/" + id + "/end", Map.of()).getRedirectedUrl())
                .isEqualTo("/pours/" + id + "/day");
    }

    @Test
    void aTapCountsOnceHoweverOftenAndWhoeverIsLateIsTold() throws Exception {
        long id = begun();
        String key = UUID.randomUUID().toString();
        List<MockHttpServletResponse> same = AtOnce.times(8, () -> tap(owner, id, "tick", key, "value", "charge-dry"));
        assertThat(same).allSatisfy(a -> assertThat(a.getStatus()).isEqualTo(200));
        List<MockHttpServletResponse> eight =
                AtOnce.times(8, () -> tap(owner, id, "tick", UUID.randomUUID().toString(), "value", "melt-on"));
        assertThat(eight.stream().filter(a -> a.getStatus() == 200)).hasSize(1);
        assertThat(eight.stream().filter(a -> a.getStatus() == 409))
                .hasSize(7)
                .allSatisfy(a -> assertThat(a.getContentAsString()).contains("ticked already"));
        assertThat(jdbc.sql("select count(*) from pour_event where pour_id = ? and kind = 'tick'")
                        .param(id)
                        .query(Long.class)
                        .single())
                .isEqualTo(2);
        // what was not taken is on record, too
        assertThat(jdbc.sql("select count(*) from pour_event where pour_id = ? and kind = 'refused'")
                        .param(id)
                        .query(Long.class)
                        .single())
                .isEqualTo(7);
    }

    /** Out of its kiln, all of it ready, the metal flowing. */
    private String pouring(long id) throws Exception {
        String tree = Long.toString(treeOf(id));
        ready(id);
        for (String kind : List.of("fired", "clean")) {
            taken(id, kind, "tree", tree);
        }
        taken(id, "gauge", "value", "90");
        taken(id, "metal", "value", "1140");
        taken(id, "potout");
        taken(id, "out", "tree", tree);
        taken(id, "start", "tree", tree);
        return tree;
    }

    private static void oneOfEight(List<MockHttpServletResponse> answers, String word) {
        assertThat(answers.stream().filter(a -> a.getStatus() == 200)).hasSize(1);
        assertThat(answers.stream().filter(a -> a.getStatus() == 409))
                .hasSize(7)
                .allSatisfy(a -> assertThat(a.getContentAsString()).contains(word));
    }

    @Test
    void whatIsTakenBackIsWhatWasSeenAndARestIsBookedOnce() throws Exception {
        long id = begun();
        String tree = pouring(id);
        taken(id, "full", "tree", tree);
        // eight phones see it full and take that back: one step, not eight
        oneOfEight(
                AtOnce.times(
                        8, () -> tap(owner, id, "undo", UUID.randomUUID().toString(), "tree", tree, "saw", "full")),
                "metal going in by now, tapped by Owner");
        assertThat(page(owner, "/pours/" + id + "/day")).contains("Metal goes into Reed warbler");
        assertThat(refused(id, "undo", "tree", tree)).contains("look, then take it back");
        taken(id, "leaks", "tree", tree);
        assertThat(refused(id, "undo", "tree", tree, "saw", "pours")).contains("is leaking by now");
        taken(id, "undo", "tree", tree, "saw", "leaking");
        taken(id, "full", "tree", tree);
        oneOfEight(
                AtOnce.times(
                        8, () -> tap(owner, id, "rest", UUID.randomUUID().toString(), "value", "80 g", "saw", "0")),
                "weighed meanwhile, by Owner");
        assertThat(page(owner, "/pours/" + id + "/day")).contains("One ingot is back in the store.");
        taken(id, "rest", "value", "35 g", "saw", "1");
        assertThat(jdbc.sql("select sum(remaining_g) from metal_lot where name = 'rest of Thursday' and studio_id = ?")
                        .param(owner.studioId())
                        .query(Double.class)
                        .single())
                .isEqualTo(115.0);
    }

    @Test
    void thePotGoesBackAndIsReadAgain() throws Exception {
        long id = begun();
        assertThat(refused(id, "potback")).contains("has not left the furnace");
        String tree = pouring(id);
        assertThat(refused(id, "potback")).contains("Metal goes into Reed warbler: tap how it came first");
        taken(id, "undo", "tree", tree, "saw", "pours");
        taken(id, "potback");
        assertThat(refused(id, "start", "tree", tree)).contains("still in the furnace");
        taken(id, "undo", "tree", tree, "saw", "out");
        // read before it went back: not known any more
        assertThat(refused(id, "out", "tree", tree)).contains("not known: metal as hot as asked");
        taken(id, "metal", "value", "1140");
        taken(id, "potout");
        taken(id, "out", "tree", tree);
        taken(id, "start", "tree", tree);
        taken(id, "full", "tree", tree);
        taken(id, "potback");
        assertThat(refused(id, "potback")).contains("The pot is back already, tapped by Owner");
    }

    /** Each tap that does not fit is told why, and one that is sent again is told the same. */
    @Test
    void tapsOutOfTheirOrderAreTold() throws Exception {
        long id = begun();
        String tree = Long.toString(treeOf(id));
        assertThat(refused(id, "overrule", "tree", tree, "value", "in a hurry")).contains("nobody overrules it");
        assertThat(refused(id, "leaked", "tree", tree)).contains("does not leak");
        assertThat(refused(id, "full", "tree", tree)).contains("waits in the kiln: tap the start first");
        assertThat(refused(id, "undo", "tree", tree, "saw", "full")).contains("nothing to take back");
        assertThat(refused(id, "start")).contains("not in this pour");
        String key = UUID.randomUUID().toString();
        String word = tap(owner, id, "full", key, "tree", tree).getContentAsString();
        assertThat(tap(owner, id, "full", key, "tree", tree).getContentAsString())
                .isEqualTo(word)
                .contains("tap the start first");
        pouring(id);
        assertThat(refused(id, "untick", "value", "dressed")).contains("A mold is out of its kiln");
        assertThat(refused(id, "start", "tree", tree)).contains("metal going in already, tapped by Owner");
        assertThat(refused(id, "putback", "tree", tree)).contains("it cannot go back");
        taken(id, "short", "tree", tree);
        assertThat(refused(id, "leaks", "tree", tree)).contains("is short already");
        assertThat(page(owner, "/pours/" + id + "/day")).contains("not taken (putback)", "All molds are done.");
    }

    /** The pot stands out for an hour: what was read before says nothing of the metal now. */
    @Test
    void metalThatStoodTooLongIsNoGo() throws Exception {
        long id = begun();
        String tree = pouring(id);
        taken(id, "undo", "tree", tree, "saw", "pours");
        taken(id, "undo", "tree", tree, "saw", "out");
        jdbc.sql("update pour_event set tapped_at = tapped_at - interval '1 hour' where pour_id = ?")
                .param(id)
                .update();
        assertThat(refused(id, "out", "tree", tree)).contains("No go: not metal as hot as asked");
    }

    @Test
    void whatWasTappedWithoutANetworkKeepsItsMoment() throws Exception {
        long id = begun();
        jdbc.sql("update pour set begun_at = begun_at - interval '2 hours' where id = ?")
                .param(id)
                .update();
        assertThat(tap(owner, id, "note", UUID.randomUUID().toString(), "value", "smoke", "ago", "3600000")
                        .getStatus())
                .isEqualTo(200);
        assertThat(jdbc.sql(
                                "select extract(epoch from at - tapped_at) from pour_event where pour_id = ? and kind = 'note'")
                        .param(id)
                        .query(Double.class)
                        .single())
                .isBetween(3595.0, 3605.0);
        // not before the day began
        tap(owner, id, "note", UUID.randomUUID().toString(), "value", "older", "ago", "9999999999");
        assertThat(jdbc.sql(
                                "select count(*) from pour_event e join pour p on p.id = e.pour_id where p.id = ? and e.tapped_at < p.begun_at")
                        .param(id)
                        .query(Long.class)
                        .single())
                .isZero();
    }

    @Test
    void nonsenseIsSaidAndNothingBreaks() throws Exception {
        long id = begun();
        assertThat(refused(id, "explode")).contains("There is no such tap.");
        assertThat(refused(id, "out", "tree", "999999999")).contains("not in this pour");
        assertThat(refused(id, "metal", "value", "hot")).contains("hot");
        assertThat(refused(id, "gauge", "value", "900")).contains("too large");
        assertThat(refused(id, "rest", "value", "")).contains("Type a mass");
        assertThat(refused(id, "tick", "value", "dance")).contains("no such step");
        long planned = pour(mold("Marsh tit"));
        assertThat(refused(planned, "tick", "value", "charge-dry")).contains("has not begun");
        assertThat(send(owner, "/pours/" + id + "/archive", Map.of()).getRedirectedUrl())
                .isEqualTo("/pours/" + id);
        assertThat(send(owner, "/pours/" + id, form("version", "3", "name", "other"))
                        .getStatus())
                .isEqualTo(409);
        // without a script a tap is a plain form
        assertThat(send(owner, "/pours/" + id + "/tap", form("kind", "note", "value", "by hand"))
                        .getRedirectedUrl())
                .isEqualTo("/pours/" + id + "/day");
    }
}
