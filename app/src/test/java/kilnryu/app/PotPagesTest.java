package kilnryu.app;

import static kilnryu.app.Studio.as;
import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import kilnryu.app.account.Account;
import kilnryu.app.today.Day;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;

/** Pots of wax: new and recovered wax, readings of the stand-in, what forbids a pour. */
class PotPagesTest extends AppTest {
    @Autowired
    JdbcClient jdbc;

    @Autowired
    List<Day.Source> sources;

    private String pot() throws Exception {
        Map<String, String> sheet = new LinkedHashMap<>(
                Map.of("version", "0", "name", "Pot", "keep_C", "75 C", "inside_mm", "200 mm", "high_mm", "200 mm"));
        MockHttpServletResponse answer = send(owner, "/waxes/pots/0", sheet);
        assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(302);
        return answer.getRedirectedUrl().replaceAll("\\?.*", "");
    }

    private String tap(String at, String kind, String... fields) throws Exception {
        var request = post(at + "/tap").with(as(owner)).with(csrf()).param("kind", kind);
        for (int i = 0; i < fields.length; i += 2) {
            request.param(fields[i], fields[i + 1]);
        }
        var result = mvc.perform(request).andReturn();
        assertThat(result.getResponse().getStatus()).isLessThan(500);
        return String.valueOf(result.getFlashMap().getOrDefault("fault", ""));
    }

    /** Turns the stand-in's knob and lets it get there. */
    private void turned(String at, String what, int times) throws Exception {
        for (int i = 0; i < times; i++) {
            assertThat(send(owner, at + "/stand-in", Map.of("what", what)).getStatus())
                    .isEqualTo(302);
        }
        jdbc.sql("update device_pot set since = since - interval '2 hours' where pot_id = ?")
                .param(number(at))
                .update();
    }

    private static long number(String at) {
        return Long.parseLong(at.replaceAll("\\D", ""));
    }

    /** A shell of this studio whose wax was weighed. */
    private long dewaxed(String grams) throws Exception {
        MockHttpServletResponse tree = send(owner, "/trees/0/tree", new LinkedHashMap<>(WAX));
        long id = number(tree.getRedirectedUrl().replaceAll("^/trees/(\\d+).*", "$1"));
        long run = jdbc.sql("""
                        insert into shell_run (studio_id, tree_id, name, plan, rack, begun_at, ended_at, ended_as, account_id)
                        values (?, ?, 'Heron', '{}', 'rack 1', now(), now(), 'fired', ?) returning id
                        """)
                .params(owner.studioId(), id, owner.id())
                .query(Long.class)
                .single();
        jdbc.sql(
                        "insert into shell_event (run_id, kind, fields, at, account_id) values (?, 'dewax', ?::json, now(), ?)")
                .params(run, "{\"recovered_g\": \"" + grams + "\"}", owner.id())
                .update();
        return run;
    }

    /** 3000 new and 1000 used once: a quarter. 100 mm in a pot of 200 hold 2594 g. */
    @Test
    void newAndRecoveredWaxMix() throws Exception {
        String at = pot();
        assertThat(page(owner, at)).contains("Nothing went in yet.");
        assertThat(tap(at, "new", "grams", "3 kg", "what", "brown")).isEmpty();
        assertThat(tap(at, "recovered", "grams", "1 kg")).startsWith("Strain it and let its water out first");
        assertThat(tap(at, "recovered", "grams", "1 kg", "dry", "yes")).isEmpty();
        assertThat(page(owner, at))
                .contains("recovered wax in it", "<b>25.0</b>", "3000 g new wax, brown")
                .contains("1000 g recovered wax, used before: 1")
                .contains("By its level it holds 2594 g, by its log 4000 g.");
        assertThat(tap(at, "taken", "grams", "5 kg"))
                .isEqualTo("There are 4000 g in it by its log: log first what went in.");
        assertThat(tap(at, "taken", "grams", "1400 g", "what", "heron")).isEmpty();
        assertThat(page(owner, at)).contains("1400 g taken out, heron").doesNotContain("By its level it holds");
    }

    @Test
    void waxOfADewaxGoesBackOnce() throws Exception {
        String at = pot();
        String other = pot();
        String run = Long.toString(dewaxed("480 g"));
        // 480 g of 60 % at the most ask 320 g of new wax
        assertThat(page(owner, at)).contains("Heron,", "480 g; new wax to go with it: 320 g");
        assertThat(tap(at, "recovered", "run", run, "dry", "yes", "times", "often"))
                .isNotEmpty();
        List<Callable<String>> both = new ArrayList<>();
        for (String pot : List.of(at, other)) {
            both.add(() -> tap(pot, "recovered", "run", run, "dry", "yes", "times", "2"));
        }
        List<String> said = AtOnce.all(both);
        assertThat(said).containsExactlyInAnyOrder("", "That wax went into a pot already.");
        assertThat(page(owner, at) + page(owner, other))
                .containsOnlyOnce("480 g recovered wax, from Heron, used before: 2")
                .doesNotContain("480 g; new wax");
        assertThat(tap(at, "recovered", "run", "999999", "dry", "yes"))
                .isEqualTo("Choose a shell whose wax was weighed.");
    }

    @Test
    void aPotThatSmokesStopsThePourAndIsFirstOfTheDay() throws Exception {
        String at = pot();
        assertThat(page(owner, at)).contains("No problems found");
        turned(at, "warmer", 2);
        assertThat(page(owner, at)).contains("it is kept at 75 °C");
        Map<String, String> wax = new LinkedHashMap<>(
                Map.of("version", "0", "name", "Heron, 1", "target_mm", "3 mm", "mold_C", "20 C", "pour_C", "85 C"));
        wax.put("pot", Long.toString(number(at)));
        String bench = send(owner, "/waxes/0", wax).getRedirectedUrl().replaceAll("\\?.*", "");
        assertThat(page(owner, bench + "/bench")).contains("95 °C");
        turned(at, "warmer", 3);
        assertThat(page(owner, at)).contains("Safety stop", "wax smokes over 120 °C");
        assertThat(page(owner, bench + "/bench")).contains("The pot is at 125 °C");
        assertThat(tap(bench, "pour")).startsWith("The pot is at 125 °C: wax smokes over 120 °C. Heat off");
        Day.Window now = Day.Window.at(ZonedDateTime.now(owner.zoneId()));
        assertThat(sources.stream().flatMap(s -> s.of(owner, now).tasks().stream()))
                .anyMatch(t -> t.what().equals("Turn the pot down") && t.press() == Day.Press.LATE);
        turned(at, "cooler", 4);
        assertThat(tap(bench, "pour")).isEmpty();
        turned(at, "higher", 4);
        assertThat(page(owner, at)).contains("It stands 180 mm high in a pot of 200 mm.");
        assertThat(tap(at, "read")).isEmpty();
        assertThat(page(owner, at)).contains("read: 85 °C, 180 mm high");
        turned(at, "lower", 1);
        assertThat(send(owner, at + "/stand-in", Map.of("what", "burn")).getStatus())
                .isEqualTo(400);
    }

    @Test
    void whatIsNotKnownIsNotJudged() throws Exception {
        MockHttpServletResponse answer = send(owner, "/waxes/pots/0", Map.of("version", "0", "name", "Tin"));
        String at = answer.getRedirectedUrl().replaceAll("\\?.*", "");
        assertThat(page(owner, at)).contains("Not yet judged", "What it is kept at");
        assertThat(send(owner, at, Map.of("version", "1", "name", "Tin", "keep_C", "140 C"))
                        .getContentAsString())
                .contains("Wax smokes over 120 °C: no pot is kept there.", "140");
        assertThat(send(owner, at, Map.of("version", "7", "name", "Tin")).getStatus())
                .isEqualTo(409);
        assertThat(tap(at, "sing")).isEqualTo("There is no such tap.");
    }

    @Test
    void anotherStudioSeesNothingOfIt() throws Exception {
        String at = pot();
        Account stranger = Studio.owner(accounts, passwords);
        assertThat(read(stranger, at).getStatus()).isEqualTo(404);
        assertThat(send(stranger, at + "/stand-in", Map.of("what", "warmer")).getStatus())
                .isEqualTo(404);
        assertThat(send(stranger, at + "/tap", Map.of("kind", "new", "grams", "1 g"))
                        .getStatus())
                .isEqualTo(404);
        assertThat(page(owner, "/waxes")).contains(">Pot</a>");
        send(owner, at + "/archive", Map.of());
        assertThat(page(owner, "/waxes")).doesNotContain(">Pot</a>");
        send(owner, at + "/restore", Map.of());
        assertThat(page(owner, "/waxes")).contains(">Pot</a>");
    }

    @Test
    void aTapThatIsRepeatedCountsOnce() throws Exception {
        String at = pot();
        assertThat(tap(at, "new", "grams", "500 g", "key", "one", "count", "0")).isEmpty();
        assertThat(tap(at, "new", "grams", "500 g", "key", "one", "count", "0")).isEmpty();
        assertThat(page(owner, at)).containsOnlyOnce("500 g new wax");
        assertThat(tap(at, "new", "grams", "500 g", "key", "two", "count", "0")).isNotNull();
        assertThat(page(owner, at)).containsOnlyOnce("500 g new wax");
    }
}
