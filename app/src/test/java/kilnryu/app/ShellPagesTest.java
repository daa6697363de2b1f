package kilnryu.app;

import static kilnryu.app.Studio.as;
import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;

import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import kilnryu.app.account.Account;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;

/** Ceramic shells: planned, compared, dipped, cracked, patched and found fit. */
class ShellPagesTest extends AppTest {
    @Autowired
    JdbcClient jdbc;

    private long tree;

    private static final Map<String, String> SHELL =
            Map.of("version", "0", "mold_kind", "shell", "tree_width_mm", "70", "tree_height_mm", "110");

    @BeforeEach
    void aTreeInShell() throws Exception {
        tree = tree(owner, WAX);
        assertThat(send(owner, "/trees/" + tree + "/mold", SHELL).getStatus()).isEqualTo(302);
    }

    private String begin() throws Exception {
        MockHttpServletResponse begun = send(owner, "/trees/" + tree + "/shell/begin", Map.of("rack", "rack A"));
        assertThat(begun.getStatus()).isEqualTo(302);
        return begun.getRedirectedUrl();
    }

    private static LocalDateTime hoursAgo(int hours) {
        return LocalDateTime.now(java.time.ZoneId.of("Europe/Lisbon"))
                .minusHours(hours)
                .truncatedTo(ChronoUnit.MINUTES);
    }

    private Map<String, String> dip(String coat, int hoursAgo) {
        Map<String, String> dip = new HashMap<>();
        dip.put("coat", coat);
        dip.put(
                "at",
                LocalDateTime.ofInstant(java.time.Instant.now().minus(hoursAgo, ChronoUnit.HOURS), owner.zoneId())
                        .truncatedTo(ChronoUnit.MINUTES)
                        .toString());
        return dip;
    }

    /** 96 g of injection wax at 0.96 are 100 cm3, 836 g of bronze: small, so few coats, 5.6 mm of the 7 asked. */
    @Test
    void theMoldsPageProposesAndDrawsAShell() throws Exception {
        String page = page(owner, "/trees/" + tree + "/mold");
        assertThat(page)
                .contains(
                        "Proposed: Few coats: small and light",
                        "plain prime, prime, 4 backup, seal",
                        "thickness of the shell",
                        "Section of the shell, 7 coats");
        assertThat(page(owner, "/trees")).contains("shell");
    }

    @Test
    void theFireFollowsTheShell() throws Exception {
        String page = page(owner, "/trees/" + tree + "/firing");
        assertThat(page).contains("School of the fire", "cold-handled", "cool, look", "preheat");
    }

    /** Printed, it has the coats to tick off in place of a mixing clock. */
    @Test
    void theCardCarriesTheCoats() throws Exception {
        String card = page(owner, "/trees/" + tree + "/card");
        assertThat(card).contains("1 plain prime, dries", "7 seal, dries").doesNotContain("Mixing clock");
        assertThat(read(owner, "/trees/" + tree + "/card.pdf").getStatus()).isEqualTo(200);
        assertThat(page(owner, "/labels?tree=" + tree)).contains("shell");
    }

    @Test
    void fiveSchoolsStandSideBySideAndOneIsTaken() throws Exception {
        String page = page(owner, "/trees/" + tree + "/shell");
        assertThat(page).contains("few coats", "many coats", "wire-bound", "graded", "to a thickness", "planned");
        send(owner, "/trees/" + tree + "/shell/take", Map.of("recipe", "many-coats"));
        assertThat(page(owner, "/trees/" + tree + "/mold")).contains("Planned: 2 prime, 7 backup, seal.");
        assertThat(send(owner, "/trees/" + tree + "/shell/take", Map.of("recipe", "nonsense"))
                        .getStatus())
                .isEqualTo(404);
        Map<String, String> shop = new LinkedHashMap<>();
        shop.put("version", "0");
        shop.put("slurry_price", "3");
        shop.put("stucco_price", "1");
        assertThat(send(owner, "/equipment", shop).getStatus()).isEqualTo(302);
        assertThat(page(owner, "/trees/" + tree + "/shell")).doesNotContain("<td class=\"num\">–</td>");
    }

    @Test
    void coatsCanBeWrittenAndWhatIsNoneIsRefused() throws Exception {
        Map<String, String> own = new HashMap<>(SHELL);
        own.put("version", "1");
        own.put("shell.coats", "prime, 3 mud");
        MockHttpServletResponse refused = send(owner, "/trees/" + tree + "/mold", own);
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString()).contains("is no coat. Coats are plain prime", "prime, 3 mud");
        own.put("shell.coats", "prime, 2 backup, wire, seal");
        assertThat(send(owner, "/trees/" + tree + "/mold", own).getStatus()).isEqualTo(302);
        assertThat(page(owner, "/trees/" + tree + "/mold")).contains("Planned: prime, 2 backup, wire, seal.");
    }

    @Test
    void dampAirNeverDriesAndStopsTheStart() throws Exception {
        Map<String, String> wet = new HashMap<>(SHELL);
        wet.put("version", "1");
        wet.put("shell.humidity_pct", "100 %");
        send(owner, "/trees/" + tree + "/mold", wet);
        assertThat(page(owner, "/trees/" + tree + "/mold")).contains("no coat ever dries", "Dehumidify");
        MockHttpServletResponse refused = send(owner, "/trees/" + tree + "/shell/begin", Map.of("rack", "rack A"));
        assertThat(refused.getStatus()).isEqualTo(409);
        assertThat(refused.getContentAsString()).contains("no coat ever dries");
        assertThat(send(
                                owner,
                                "/trees/" + tree + "/shell/begin",
                                Map.of("rack", "rack A", "reason", "a dryer comes on Friday"))
                        .getStatus())
                .isEqualTo(302);
    }

    @Test
    void oneTapLogsADipAndASecondTapForTheSameCoatLogsNothing() throws Exception {
        String at = begin();
        assertThat(page(owner, "/shells")).contains("One shell is ready to dip", "plain prime: it is on");
        assertThat(send(owner, at + "/dip", Map.of("on", "0")).getRedirectedUrl())
                .isEqualTo("/shells");
        send(owner, at + "/dip", Map.of("on", "0"));
        assertThat(page(owner, "/shells")).contains("<b>1</b> of <span>7</span> coats", "drying", "dry in");
        assertThat(page(owner, at)).contains("1 of them on");
        assertThat(send(owner, "/trees/" + tree + "/shell/begin", Map.of("rack", "rack A"))
                        .getStatus())
                .isEqualTo(409);
    }

    /** The wire is a step: on the rack, in the calendar, before the next dip; ticked once, taken back with a tap. */
    @Test
    void theWireIsTickedBeforeTheNextDip() throws Exception {
        Map<String, String> own = new HashMap<>(SHELL);
        own.put("version", "1");
        own.put("shell.coats", "prime, backup, wire, backup, seal");
        assertThat(send(owner, "/trees/" + tree + "/mold", own).getStatus()).isEqualTo(302);
        String at = begin();
        assertThat(page(owner, "/shells/calendar")).contains("<span>wire</span>");
        send(owner, at + "/log", dip("prime", 60));
        send(owner, at + "/log", dip("backup", 40));
        assertThat(page(owner, "/shells")).contains("dry: wire goes on first", "The wire is on");
        send(owner, at + "/dip", Map.of("on", "2"));
        assertThat(page(owner, at)).contains("<b>2</b> of <span>4</span> coats", "to come");
        send(owner, at + "/wire", Map.of());
        send(owner, at + "/wire", Map.of());
        assertThat(page(owner, at))
                .contains("on since", "by Owner", "ticked by mistake")
                .doesNotContain("The wire is on");
        send(owner, at + "/wire", Map.of("on", "false"));
        assertThat(page(owner, at)).contains("The wire is on");
        send(owner, at + "/wire", Map.of());
        send(owner, at + "/dip", Map.of("on", "2"));
        assertThat(page(owner, at)).contains("<b>3</b> of <span>4</span> coats");
    }

    /** A rack of one place with a shell on it asks before it takes another. */
    @Test
    void aFullRackAsks() throws Exception {
        Map<String, String> room = new LinkedHashMap<>();
        room.put("version", "0");
        room.put("racks[k1].name", "rack A");
        room.put("racks[k1].places", "1");
        room.put("racks[k2].name", "rack B");
        room.put("racks[k2].places", "1");
        room.put("opens", "08:00");
        room.put("closes", "18:00");
        room.put("days", "mon tue wed thu fri");
        room.put("day", "0 20/52");
        assertThat(send(owner, "/shells/room", room).getStatus()).isEqualTo(302);
        begin();
        Map<String, String> other = new HashMap<>(WAX);
        other.put("name", "Second of them");
        long second = tree(owner, other);
        send(owner, "/trees/" + second + "/mold", SHELL);
        String to = "/trees/" + second + "/shell/begin";
        MockHttpServletResponse asked = send(owner, to, Map.of("rack", "rack A"));
        assertThat(asked.getStatus()).isEqualTo(409);
        assertThat(asked.getContentAsString()).contains("Every place of rack A is taken", "name=\"sure\"");
        String shell = send(owner, to, Map.of("rack", "rack B")).getRedirectedUrl();
        send(owner, shell + "/move", Map.of("rack", "rack A"));
        assertThat(page(owner, shell)).containsPattern("selected=\"selected\"[^>]*>rack B|>rack B</option>");
        send(owner, shell + "/move", Map.of("rack", "rack A", "sure", "yes"));
        assertThat(page(owner, "/shells")).contains("2 of 1 places");
    }

    @Test
    void aColdRoomAndALongScheduleAreSaid() throws Exception {
        Map<String, String> cold = new HashMap<>(SHELL);
        cold.put("version", "1");
        cold.put("shell.temperature_C", "8 °C");
        cold.put("shell.humidity_pct", "80 %");
        send(owner, "/trees/" + tree + "/mold", cold);
        assertThat(page(owner, "/trees/" + tree + "/mold"))
                .contains("The room is at 8 °C.", "are usual for them in a kept room");
    }

    @Test
    void dipsAreLoggedLateAndInAnyOrder() throws Exception {
        String at = begin();
        send(owner, at + "/log", dip("prime", 10));
        send(owner, at + "/log", dip("plain-prime", 20));
        String page = page(owner, at);
        assertThat(page).contains("logged after a later one");
        assertThat(page.indexOf("<span>plain prime</span>")).isLessThan(page.indexOf("<span>prime</span>"));
        assertThat(page).contains("ready to dip");
    }

    /** A prime of three days ago: 48 h are over. */
    @Test
    void aPrimeThatWaitedTooLongIsSaid() throws Exception {
        String at = begin();
        send(owner, at + "/log", dip("plain-prime", 72));
        assertThat(page(owner, "/shells")).contains("has waited too long", "should have been dipped by");
    }

    @Test
    void anotherCoatTakesThePlaceOfThePlannedOne() throws Exception {
        String at = begin();
        send(owner, at + "/log", dip("plain-prime", 30));
        send(owner, at + "/log", dip("heavy-backup", 20));
        assertThat(page(owner, at)).contains("planned was prime", "<b>2</b> of <span>7");
    }

    /** Measured 1.8 mm where 0.3 + 0.6 = 0.9 were reckoned: twice, so the whole shell is 11.2 mm. */
    @Test
    void aTestBarCorrectsTheCoatsToCome() throws Exception {
        String at = begin();
        send(owner, at + "/log", dip("plain-prime", 30));
        Map<String, String> bar = dip("prime", 20);
        bar.put("thickness_mm", "1.8 mm");
        bar.put("flow_s", "24 s");
        bar.put("note", "A note of the bench");
        send(owner, at + "/log", bar);
        assertThat(page(owner, at))
                .contains("corrected by 2", "11.2", "bar 1.80 mm", "cup 24.0 s", "A note of the bench");
    }

    @Test
    void whatLiesAheadOrCannotBeIsRefusedAndKept() throws Exception {
        String at = begin();
        Map<String, String> ahead = dip("prime", -3);
        ahead.put("note", "kept words");
        MockHttpServletResponse refused = send(owner, at + "/log", ahead);
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString()).contains("This lies ahead", "kept words");
        Map<String, String> gap = dip("prime", 1);
        gap.put("at", "2026-03-29T01:30");
        assertThat(send(owner, at + "/log", gap).getContentAsString())
                .containsAnyOf("it does not exist that night", "more than four months ago");
        assertThat(send(owner, at + "/log", Map.of()).getContentAsString()).contains("Which coat is it?");
        Map<String, String> wet = dip("prime", 1);
        wet.put("humidity_pct", "140");
        assertThat(send(owner, at + "/log", wet).getStatus()).isEqualTo(422);
    }

    @Test
    void aDipIsTakenOffAndPutBack() throws Exception {
        String at = begin();
        send(owner, at + "/log", dip("plain-prime", 5));
        String page = page(owner, at);
        String remove = page.replaceAll("(?s).*action=\"(/shells/\\d+/dips/\\d+/remove)\".*", "$1");
        send(owner, remove, Map.of());
        assertThat(page(owner, at)).contains("<b>0</b> of");
        send(owner, remove.replace("remove", "restore"), Map.of());
        assertThat(page(owner, at)).contains("<b>1</b> of");
    }

    @Test
    void coatsToComeAreChangedWithAReason() throws Exception {
        String at = begin();
        send(owner, at + "/log", dip("plain-prime", 5));
        assertThat(send(owner, at + "/coats", Map.of("coming", "prime, 2 backup"))
                        .getContentAsString())
                .contains("Say why, for the record.");
        send(owner, at + "/coats", Map.of("coming", "prime, 2 backup", "why", "a light piece"));
        assertThat(page(owner, at)).contains("<b>1</b> of <span>4</span>");
        send(owner, at + "/coats", Map.of("coming", "none", "why", "a trial"));
        assertThat(page(owner, at)).contains("<b>1</b> of <span>1</span>", "standing before fire");
    }

    /** The seal is weighed at its dip and again: its water is gone. */
    @Test
    void theScaleShowsWhenACoatIsDry() throws Exception {
        String at = begin();
        Map<String, String> weighed = dip("plain-prime", 0);
        weighed.remove("at");
        weighed.put("mass_g", "500 g");
        send(owner, at + "/log", weighed);
        assertThat(page(owner, at)).contains("phase-drying");
        send(owner, at + "/weigh", Map.of("weighs_g", "450 g"));
        assertThat(page(owner, at)).contains("phase-ready", "of its water is gone by weight", "dots weighed");
        assertThat(send(owner, at + "/weigh", Map.of("weighs_g", "-1")).getStatus())
                .isEqualTo(422);
    }

    private double hoursToDry(String mass, int hoursAgo) throws Exception {
        aTreeInShell();
        String at = begin();
        Map<String, String> weighed = dip("plain-prime", hoursAgo);
        weighed.put("mass_g", "500 g");
        send(owner, at + "/log", weighed);
        send(owner, at + "/weigh", Map.of("weighs_g", mass));
        send(owner, at + "/weigh", Map.of("weighs_g", "300 g"));
        return jdbc.sql("select coalesce(max(dried_h), 0) from coat_dried where run_id = ?")
                .param(Long.parseLong(at.replaceAll("\\D", "")))
                .query(Double.class)
                .single();
    }

    /** Water went at an even pace for 200 h: of twice as much that was lost, what is asked was lost in half the time. */
    @Test
    void theWeighingThatFindsACoatDryIsNotedOnce() throws Exception {
        double fifty = hoursToDry("450 g", 200);
        assertThat(fifty).isPositive().isLessThan(200);
        assertThat(hoursToDry("400 g", 200)).isCloseTo(fifty / 2, org.assertj.core.api.Assertions.withinPercentage(1));
        // dry within no time is a slip of the scale; the next weighing is as wrong
        assertThat(hoursToDry("1 g", 1)).isZero();
    }

    @Test
    void aCrackIsPatchedFiredAgainAndTheShellFoundFit() throws Exception {
        String at = begin();
        send(owner, at + "/log", dip("plain-prime", 200));
        send(owner, at + "/coats", Map.of("coming", "none", "why", "a trial"));
        send(owner, at + "/event", Map.of("kind", "flaw", "where", "left leg", "depth_mm", "80 mm", "found", "dewax"));
        assertThat(page(owner, at)).contains("Crack at left leg: not patched.", "Not fit to pour yet");
        send(owner, at + "/event", Map.of("kind", "dewax", "recovered_g", "60 g"));
        // 60 of 96 g
        assertThat(page(owner, at)).contains("63 % came out; 36 g are missing.");
        send(owner, at + "/event", Map.of("kind", "look", "tap", "yes", "light", "yes", "ash", "yes", "cup", "yes"));
        assertThat(page(owner, at)).doesNotContain("Not seen yet");
        assertThat(send(owner, at + "/event", Map.of("kind", "flaw")).getContentAsString())
                .contains("Where is it?");
        assertThat(send(owner, at + "/event", Map.of("kind", "feast")).getStatus())
                .isEqualTo(404);
        send(owner, at + "/end", Map.of("as", "given-up"));
        assertThat(page(owner, at)).contains("This shell is <b>given up</b>");
        assertThat(page(owner, "/shells")).contains("given up");
    }

    @Test
    void theCalendarMovesWithTheWeather() throws Exception {
        String at = begin();
        send(owner, at + "/dip", Map.of("on", "0"));
        String dry = page(owner, "/shells/calendar");
        assertThat(dry).contains("Reed warbler", "2 prime", "Fire, at the earliest");
        Map<String, String> room = new HashMap<>();
        room.put("version", "0");
        room.put("racks[k1].name", "rack A");
        room.put("racks[k1].places", "6");
        room.put("opens", "08:00");
        room.put("closes", "18:00");
        room.put("days", "mon tue wed thu fri sat sun");
        room.put("day", "0 18/100");
        assertThat(send(owner, "/shells/room", room).getStatus()).isEqualTo(302);
        assertThat(page(owner, "/shells/calendar")).contains("is not dry within three weeks in this air");
        room.put("version", "1");
        room.put("day", "0 18/60");
        send(owner, "/shells/room", room);
        assertThat(page(owner, "/shells/calendar")).doesNotContain("three weeks");
        room.put("day", "noon");
        MockHttpServletResponse refused = send(owner, "/shells/room", room);
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString()).contains("is no point of a day", "value=\"noon\"");
    }

    @Test
    void theRoomsAirIsReadSetAndTakenFromALogger() throws Exception {
        send(owner, "/shells/room/stand-in", Map.of("set_C", "17", "set_pct", "70", "set_swing", "0"));
        assertThat(page(owner, "/shells/room")).contains("<b>17.0</b>", "<b>70</b>");
        assertThat(send(owner, "/shells/room/read", Map.of()).getRedirectedUrl())
                .contains("?read");
        assertThat(page(owner, "/shells/room")).contains("<span>1</span> in three days");
        String csv = "time,temperature,humidity\n" + hoursAgo(5) + ",19,55\n" + hoursAgo(4) + ",19.5,54\nmud,1,2\n";
        mvc.perform(multipart("/shells/room/log")
                .file(new MockMultipartFile("file", "log.csv", "text/csv", csv.getBytes(StandardCharsets.UTF_8)))
                .with(as(owner))
                .with(csrf()));
        assertThat(page(owner, "/shells/room")).contains("<span>3</span> in three days");
    }

    @Test
    void aTankKeepsItsDiaryAndSaysWhatFits() throws Exception {
        begin();
        Map<String, String> tub = new HashMap<>();
        tub.put("version", "0");
        tub.put("name", "white tub");
        tub.put("holds", "prime");
        tub.put("diameter_mm", "300");
        tub.put("depth_mm", "300");
        tub.put("level_mm", "400");
        assertThat(send(owner, "/shells/tanks/0", tub).getContentAsString())
                .contains("The slurry stands higher than the tank is deep.");
        tub.put("level_mm", "100");
        String at = send(owner, "/shells/tanks/0", tub).getRedirectedUrl().replace("?saved", "");
        // 110 + 20 asked, 100 there and 1.4 of rise: 28.6 mm are lacking
        assertThat(page(owner, at)).contains("Reed warbler", "29 mm too low to cover it", "Top up");
        send(owner, at + "/read", Map.of("flow_s", "40 s", "note", "a skin on it"));
        assertThat(page(owner, at)).contains("The cup runs 40 s; 20 to 30 are usual here.", "a skin on it");
        assertThat(send(owner, at + "/read", Map.of()).getStatus()).isEqualTo(422);
        assertThat(page(owner, "/shells/tanks")).contains("white tub", "The cup runs 40 s");
        tub.put("version", "1");
        tub.put("diameter_mm", "90");
        send(owner, at, tub);
        assertThat(page(owner, at)).contains("white tub is 90 mm wide; the piece is 70");
        assertThat(send(owner, at, tub).getStatus()).isEqualTo(409);
        send(owner, at + "/away", Map.of());
        assertThat(page(owner, "/shells/tanks")).doesNotContain("white tub");
    }

    @Test
    void aSchoolIsCopiedChangedAndUsed() throws Exception {
        assertThat(page(owner, "/shells/recipes?copy=wire-bound"))
                .contains("value=\"prime, intermediate, 3 backup, wire, 4 backup, seal\"");
        assertThat(send(owner, "/shells/recipes/0", Map.of("name", "Salt wind", "coats", "mud"))
                        .getContentAsString())
                .contains("is no coat");
        send(owner, "/shells/recipes/0", Map.of("name", "Salt wind", "coats", "2 prime, wire, 3 backup"));
        String page = page(owner, "/shells/recipes");
        String number = page.replaceAll("(?s).*href=\"/shells/recipes/(\\d+)\".*", "$1");
        assertThat(page(owner, "/trees/" + tree + "/shell")).contains("Salt wind");
        send(owner, "/trees/" + tree + "/shell/take", Map.of("recipe", "recipe-" + number));
        assertThat(page(owner, "/trees/" + tree + "/mold")).contains("Planned: 2 prime, wire, 3 backup.");
        String document = page(owner, "/trees/" + tree + "/plan.json");
        assertThat(document).contains("\"coats\" : \"2 prime, wire, 3 backup\"").doesNotContain("recipe-" + number);
        Map<String, String> change = new HashMap<>();
        change.put("version", "1");
        change.put("name", "Salt wind");
        change.put("coats", "prime, 4 backup");
        assertThat(send(owner, "/shells/recipes/" + number, change).getStatus()).isEqualTo(302);
        assertThat(send(owner, "/shells/recipes/" + number, change).getStatus()).isEqualTo(409);
        send(owner, "/shells/recipes/" + number + "/away", Map.of());
        assertThat(page(owner, "/trees/" + tree + "/shell")).contains("Salt wind");
    }

    @Test
    void anotherStudioSeesNothingOfIt() throws Exception {
        String at = begin();
        Account stranger = Studio.owner(accounts, passwords);
        assertThat(read(stranger, at).getStatus()).isEqualTo(404);
        assertThat(send(stranger, at + "/dip", Map.of("on", "0")).getStatus()).isEqualTo(404);
        assertThat(send(stranger, at + "/end", Map.of("as", "fit")).getStatus()).isEqualTo(404);
        assertThat(page(stranger, "/shells")).doesNotContain("Reed warbler");
        assertThat(read(stranger, "/trees/" + tree + "/shell").getStatus()).isEqualTo(404);
    }

    @Test
    void theFrozenPlanOutlivesAChangeOfTheSheet() throws Exception {
        String at = begin();
        Map<String, String> other = new HashMap<>(SHELL);
        other.put("version", "1");
        other.put("shell.coats", "prime, backup");
        send(owner, "/trees/" + tree + "/mold", other);
        assertThat(page(owner, at)).contains("<b>0</b> of <span>7</span>");
    }
}
