package kilnryu.app;

import static kilnryu.app.Studio.as;
import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.ZonedDateTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kilnryu.app.account.Account;
import kilnryu.app.today.Day;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;

/** A round of injection molds with its clocks. */
class InjectionPagesTest extends AppTest {
    @Autowired
    JdbcClient jdbc;

    @Autowired
    List<Day.Source> sources;

    /** In rubber at 22 C, wax just liquid, 3 mm set in 1.3 x (3 / 0.32)^2 = 114 s. */
    private static Map<String, String> round(int molds) {
        Map<String, String> sheet = new LinkedHashMap<>();
        sheet.put("version", "0");
        sheet.put("name", "Limpets, Tuesday");
        sheet.put("wax_C", "70 C");
        sheet.put("mold_C", "22 C");
        sheet.put("inject_s", "20 s");
        sheet.put("pull_s", "30 s");
        for (int i = 1; i <= molds; i++) {
            sheet.put("molds[k" + i + "].name", "limpet " + i);
            sheet.put("molds[k" + i + "].thickest_mm", "3 mm");
            sheet.put("molds[k" + i + "].wanted", "2");
        }
        return sheet;
    }

    private String saved(Map<String, String> sheet) throws Exception {
        MockHttpServletResponse answer = send(owner, "/waxes/rounds/0", sheet);
        assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(302);
        return answer.getRedirectedUrl().replaceAll("\\?.*", "");
    }

    private String tap(String at, String mold, String kind, String fault) throws Exception {
        return String.valueOf(mvc.perform(post(at + "/tap")
                        .param("mold", mold)
                        .param("kind", kind)
                        .param("fault", fault)
                        .with(as(owner))
                        .with(csrf()))
                .andReturn()
                .getFlashMap()
                .getOrDefault("fault", ""));
    }

    private void passed(String at, int seconds) {
        jdbc.sql("update injection_event set tapped_at = tapped_at - make_interval(secs => ?) where round_id = ?")
                .params(seconds, Long.parseLong(at.replaceAll("\\D", "")))
                .update();
    }

    private String bench(String at) throws Exception {
        return page(owner, at + "/bench");
    }

    @Test
    void withoutARoundItIsSaid() throws Exception {
        assertThat(page(owner, "/waxes/rounds")).contains("No round yet");
        assertThat(page(owner, "/waxes/rounds/0")).contains("Still needed:", "At least one mold");
    }

    /** 50 s of hands and 114 s to set: 1 + 114 / 50, so four keep them busy. */
    @Test
    void theRoundIsForeseen() throws Exception {
        String two = page(owner, saved(round(2)));
        assertThat(two).contains("4 molds like the slowest would keep the hands busy", "limpet 2", "<svg");
        assertThat(page(owner, saved(round(5)))).contains("So many molds keep the hands busy.");
    }

    /** The first is injected, set after 114 s and not pulled before; while it sets the next is worked. */
    @Test
    void fiveMoldsInTurnWithTheirClocks() throws Exception {
        String at = saved(round(5));
        assertThat(bench(at)).contains("Close and inject limpet 1.", "No pattern on the shelf yet; 10 are wanted.");
        for (int i = 1; i <= 5; i++) {
            assertThat(bench(at)).contains("Close and inject limpet " + i + ".");
            assertThat(tap(at, "k" + i, "inject", "")).isEmpty();
        }
        assertThat(bench(at)).contains("Hands are free until the next one is set. None is pulled warm.", "count-down");
        assertThat(tap(at, "k1", "inject", "")).isEqualTo("There is wax in it.");
        assertThat(tap(at, "k1", "pull", "")).startsWith("It is warm still: 11");
        passed(at, 120);
        assertThat(bench(at)).contains("Open and pull limpet 1.", "set: pull it");
        assertThat(tap(at, "k1", "pull", "")).isEmpty();
        assertThat(tap(at, "k1", "pull", "")).isEqualTo("It is open: there is nothing in it.");
        assertThat(tap(at, "k2", "pull", "bubble")).isEmpty();
        assertThat(tap(at, "k3", "pull", "moon")).isEqualTo("Choose what is wrong with it.");
        String page = bench(at);
        // what is set goes before what is open
        assertThat(page)
                .contains("Open and pull limpet 3.", "1 of 2 good", "0 of 2 good; bubble 1")
                .contains("1 on the shelf of 10 wanted, the oldest of today.");
        for (int i = 3; i <= 5; i++) {
            tap(at, "k" + i, "pull", "");
        }
        assertThat(bench(at)).contains("Close and inject limpet 1.");
        assertThat(page(owner, "/waxes/rounds")).contains("4 on the shelf of 10 wanted");
    }

    @Test
    void whenAllIsThereItIsSaidAndOneMoreIsStillLetIn() throws Exception {
        Map<String, String> sheet = round(1);
        sheet.put("molds[k1].wanted", "1");
        String at = saved(sheet);
        tap(at, "k1", "inject", "");
        passed(at, 200);
        tap(at, "k1", "pull", "");
        passed(at, 3 * 24 * 3600);
        assertThat(bench(at)).contains("All that was wanted is there.", "the oldest 3 days old", ">done<");
        assertThat(tap(at, "k1", "inject", "")).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "name | | 422 | Give the round a name.",
                "mold_C | 70 C | 422 | freezes no wax",
                "wax_C | 60 C | 302 | is not liquid",
                "wax_C | 90 C | 302 | Hot wax shrinks more",
                "wax_C | 130 C | 302 | Wax at 130 °C smokes.",
                "wax_C | | 302 | How warm the wax in the pot is.",
                "molds[k1].thickest_mm | | 302 | The thickest place of limpet 1.",
                "molds[k1].thickest_mm | 0 | 422 | cannot be zero",
                "molds[k1].wanted | many | 422 | ",
                "molds[k1].of | felt | 422 | not known here",
                "inject_s | 0 | 422 | cannot be zero"
            })
    void whatIsTypedIsUnderstoodOrRefused(String field, String typed, int status, String word) throws Exception {
        Map<String, String> sheet = round(1);
        sheet.put(field, typed == null ? "" : typed);
        MockHttpServletResponse answer = send(owner, "/waxes/rounds/0", sheet);
        assertThat(answer.getStatus()).isEqualTo(status);
        String page = status == 302
                ? page(owner, answer.getRedirectedUrl().replaceAll("\\?.*", ""))
                : answer.getContentAsString();
        assertThat(page).contains(word == null ? "" : word);
    }

    /** Metal draws the heat off fastest, plaster next, rubber last. */
    @Test
    void whatTheMoldIsOfMovesItsClock() throws Exception {
        Map<String, String> sheet = round(3);
        sheet.put("molds[k1].of", "rubber");
        sheet.put("molds[k2].of", "plaster");
        sheet.put("molds[k3].of", "metal");
        for (int i = 1; i <= 3; i++) {
            sheet.put("molds[k" + i + "].thickest_mm", "8 mm");
        }
        String at = saved(sheet);
        for (int i = 1; i <= 3; i++) {
            tap(at, "k" + i, "inject", "");
        }
        java.util.List<Long> settings = java.util.regex.Pattern.compile("data-left=\"(\\d+)\"")
                .matcher(bench(at))
                .results()
                .map(r -> Long.parseLong(r.group(1)))
                .toList();
        assertThat(settings).hasSize(3);
        assertThat(settings.get(0)).isGreaterThan(settings.get(1));
        assertThat(settings.get(1)).isGreaterThan(settings.get(2));
    }

    @Test
    void eightFingersOnOneButtonInjectOnce() throws Exception {
        String at = saved(round(1));
        AtOnce.times(
                8,
                () -> send(owner, at + "/tap", Map.of("mold", "k1", "kind", "inject"))
                        .getStatus());
        assertThat(jdbc.sql("select count(*) from injection_event where round_id = ?")
                        .param(Long.parseLong(at.replaceAll("\\D", "")))
                        .query(Integer.class)
                        .single())
                .isEqualTo(1);
        assertThat(tap(at, "k9", "inject", "")).isEqualTo("There is no such mold in this round.");
        assertThat(tap(at, "k1", "dance", "")).isEqualTo("There is no such tap.");
    }

    @Test
    void itIsSavedByOneAtATimeArchivedAndHidden() throws Exception {
        String at = saved(round(1));
        Map<String, String> mine = round(2);
        mine.put("version", "1");
        assertThat(send(owner, at, mine).getStatus()).isEqualTo(302);
        MockHttpServletResponse late = send(owner, at, mine);
        assertThat(late.getStatus()).isEqualTo(409);
        assertThat(late.getContentAsString()).contains("Someone saved in between");
        Account stranger = Studio.owner(accounts, passwords);
        assertThat(read(stranger, at + "/bench").getStatus()).isEqualTo(404);
        assertThat(send(stranger, at + "/tap", Map.of("mold", "k1", "kind", "inject"))
                        .getStatus())
                .isEqualTo(404);
        send(owner, at + "/archive", Map.of());
        assertThat(page(owner, "/waxes/rounds")).doesNotContain("Limpets, Tuesday");
    }

    private String use(String at, String count) throws Exception {
        return String.valueOf(mvc.perform(post(at + "/tap")
                        .param("kind", "use")
                        .param("count", count)
                        .with(as(owner))
                        .with(csrf()))
                .andReturn()
                .getFlashMap()
                .getOrDefault("fault", ""));
    }

    private void shot(String at, String mold, String fault) throws Exception {
        assertThat(tap(at, mold, "inject", "")).isEmpty();
        passed(at, 130);
        assertThat(tap(at, mold, "pull", fault)).isEmpty();
    }

    /** A gate of 2 mm in rubber at 22 C: (2 / 0.32)^2 = 39 s. */
    @Test
    void pressureAndHoldAreJudged() throws Exception {
        Map<String, String> sheet = round(1);
        assertThat(page(owner, saved(sheet)))
                .contains("Not yet judged:", "its pressure, whether it is held until its gate is set.");
        sheet.put("pressure", "1.5 bar");
        sheet.put("hold", "30 s");
        sheet.put("gate_mm", "2 mm");
        assertThat(page(owner, saved(sheet)))
                .contains("hold until its gate is set", "It is held 30 s; its gate is set after 40 s.")
                .contains("1.5 bar is much for a mold of rubber.")
                .doesNotContain("Not yet judged");
        sheet.put("molds[k1].of", "metal");
        assertThat(page(owner, saved(sheet))).doesNotContain("is much for a mold");
        sheet.put("pressure", "much");
        sheet.put("hold", "a breath");
        assertThat(page(owner, saved(sheet))).contains("Not yet judged");
    }

    /** One good and three with bubbles of the first mold, over two rounds; a good one of the second. */
    @Test
    void rejectsOfAMoldAreCountedOverItsRounds() throws Exception {
        String first = saved(round(2));
        shot(first, "k1", "bubble");
        shot(first, "k1", "");
        shot(first, "k2", "");
        assertThat(page(owner, "/waxes/rounds"))
                .contains("1 of 2, 50 %", "0 of 1, 0 %")
                .doesNotContain("nozzle seated");
        String second = saved(round(1));
        shot(second, "k1", "bubble");
        shot(second, "k1", "bubble");
        assertThat(page(owner, "/waxes/rounds")).contains("3 of 4, 75 %", "bubble 3", "nozzle seated");
        send(owner, first + "/archive", Map.of());
        assertThat(page(owner, "/waxes/rounds")).contains("3 of 4, 75 %");
    }

    @Test
    void patternsGoFromTheShelfToATree() throws Exception {
        String at = saved(round(1));
        assertThat(use(at, "1")).isEqualTo("Say how many of the 0 on the shelf go to a tree.");
        shot(at, "k1", "");
        passed(at, 2 * 24 * 3600);
        shot(at, "k1", "");
        assertThat(bench(at)).contains("2 on the shelf of 2 wanted, the oldest 2 days old.");
        assertThat(use(at, "one")).startsWith("Say how many");
        assertThat(use(at, "1")).isEmpty();
        assertThat(bench(at)).contains("1 on the shelf, 1 on trees, of 2 wanted, the oldest of today.");
        assertThat(use(at, "1")).isEmpty();
        assertThat(bench(at)).contains("None on the shelf: 2 of 2 wanted went to trees.");
    }

    @Test
    void whatItsPieceAsksIsCountedOverAllRounds() throws Exception {
        MockHttpServletResponse piece =
                send(owner, "/pieces/0", Map.of("version", "0", "name", "Limpet", "count", "3"));
        Map<String, String> sheet = round(1);
        sheet.put("piece", piece.getRedirectedUrl().replaceAll("^/pieces/(\\d+).*", "$1"));
        String one = saved(sheet);
        String two = saved(sheet);
        shot(one, "k1", "");
        shot(two, "k1", "");
        assertThat(bench(one)).contains("Of its piece 3 are wanted: 2 good in all its rounds, 1 to make.");
        shot(two, "k1", "");
        assertThat(bench(two)).contains("3 good in all its rounds, none to make.");
    }

    private List<Day.Task> tasks() {
        Day.Window now = Day.Window.at(ZonedDateTime.now(owner.zoneId()));
        return sources.stream().flatMap(d -> d.of(owner, now).tasks().stream()).toList();
    }

    @Test
    void whatStandsInAMoldIsADutyOfTheDay() throws Exception {
        String at = saved(round(2));
        assertThat(tasks()).noneMatch(t -> t.what().startsWith("Pull "));
        tap(at, "k1", "inject", "");
        assertThat(tasks())
                .filteredOn(t -> t.what().equals("Pull limpet 1"))
                .singleElement()
                .satisfies(t -> {
                    assertThat(t.press()).isEqualTo(Day.Press.LATER);
                    assertThat(t.address()).isEqualTo(at + "/bench");
                });
        passed(at, 120);
        assertThat(tasks()).anyMatch(t -> t.what().equals("Pull limpet 1") && t.press() == Day.Press.DUE);
        tap(at, "k1", "pull", "");
        assertThat(tasks()).noneMatch(t -> t.what().startsWith("Pull "));
    }
}
