package kilnryu.app;

import static kilnryu.app.Studio.as;
import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;

/** Molds of rubber that are cured in a press, jackets in parts, and the log of a mold. */
class PressPagesTest extends AppTest {
    @Autowired
    JdbcClient jdbc;

    /** 60 x 40 x 18 mm less 4 cm3 are 39.2 cm3: 39.2 x 1.15 x 1.1 = 49.6 g; six times 3 mm are 45 min. */
    private static Map<String, String> frame() {
        Map<String, String> sheet = new LinkedHashMap<>(Map.of("version", "0", "name", "Limpet", "kind", "vulcanised"));
        sheet.put("box.width_mm", "60 mm");
        sheet.put("box.depth_mm", "40 mm");
        sheet.put("box.height_mm", "18 mm");
        sheet.put("box.model_cm3", "4 cm3");
        sheet.put("press_C", "150 C");
        sheet.put("bears_heat", "yes");
        return sheet;
    }

    private String saved(Map<String, String> sheet) throws Exception {
        MockHttpServletResponse answer = send(owner, "/rubber/0", sheet);
        assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(302);
        return answer.getRedirectedUrl().replaceAll("\\?.*", "");
    }

    private String tap(String of, String kind, String... fields) throws Exception {
        var request = post(of + "/tap").with(as(owner)).with(csrf()).param("kind", kind);
        for (int i = 0; i < fields.length; i += 2) {
            request.param(fields[i], fields[i + 1]);
        }
        return String.valueOf(mvc.perform(request).andReturn().getFlashMap().getOrDefault("fault", ""));
    }

    private void passed(String of, int minutes) {
        jdbc.sql("update rubber_event set tapped_at = tapped_at - make_interval(mins => ?) where mold_id = ?")
                .params(minutes, Long.parseLong(of.replaceAll("\\D", "")))
                .update();
    }

    @Test
    void aFrameIsPressedForItsTimeAndThenReady() throws Exception {
        String at = saved(frame());
        assertThat(page(owner, at))
                .contains(
                        "<b>49.6</b>", "<b>45 min</b>", "Not in the press yet", "The press is at about 150 °C: gloves.")
                .doesNotContain("Still needed");
        assertThat(tap(at, "pressed")).isEqualTo("It is not in the press.");
        assertThat(tap(at, "pull", "fault", "")).startsWith("It is not cured");
        assertThat(tap(at, "coat", "base", "5 g", "hardener", "1 g")).isNotEmpty();
        assertThat(tap(at, "press")).isEmpty();
        assertThat(page(owner, at + "/bench")).contains("in the press", "Out of the press", "count-down");
        passed(at, 46);
        assertThat(page(owner, at + "/bench")).contains("Its time is over: out of the press, gloves on.");
        assertThat(tap(at, "press")).isEqualTo("It was in the press already.");
        assertThat(tap(at, "pressed")).isEmpty();
        assertThat(page(owner, at + "/bench")).contains("cut it open when it is cold", "A good pull");
        assertThat(tap(at, "pull", "fault", "")).isEmpty();
        assertThat(page(owner, at)).contains("Into the press", "Pull 1: good", "Ready for wax");
        assertThat(page(owner, "/waxes")).contains("ready for wax");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "bears_heat | no | Its model does not bear the press.",
                "bears_heat | | Whether its model bears 150 °C and the press.",
                "press_C | | How hot its press is.",
                "press_C | 130 C | The press is at 130 °C; about 150 °C is usual."
            })
    void whatIsWrongOrUnknownIsSaid(String field, String value, String said) throws Exception {
        Map<String, String> sheet = frame();
        sheet.put(field, value == null ? "" : value);
        assertThat(page(owner, saved(sheet))).contains(said);
    }

    @Test
    void aFrameWithoutItsInsideIsNotPlanned() throws Exception {
        Map<String, String> sheet = new LinkedHashMap<>(Map.of("version", "0", "name", "Limpet", "kind", "vulcanised"));
        assertThat(page(owner, saved(sheet)))
                .contains("Not yet judged", "A frame asks its inside, and what the model takes of it.");
        sheet.put("box.height_mm", "18 mm");
        assertThat(send(owner, "/rubber/0", sheet).getStatus()).isEqualTo(422);
    }

    @Test
    void aModelThatMeltsIsNotPressed() throws Exception {
        Map<String, String> sheet = frame();
        sheet.put("bears_heat", "no");
        assertThat(tap(saved(sheet), "press")).startsWith("Its model does not bear the press.");
    }

    /** 12 000 cm2 by 2 cm by 1.7 are 40.8 kg: three parts of 13.6 kg. */
    @Test
    void aJacketInPartsIsWeighedByPart() throws Exception {
        Map<String, String> sheet = new LinkedHashMap<>(Map.of("version", "0", "name", "Heron", "kind", "brushed"));
        sheet.put("material", "tin-silicone");
        sheet.put("area_cm2", "12000");
        sheet.put("coats[k1]", "0.6");
        sheet.put("coats[k2]", "8");
        sheet.put("hardener_per_100", "10");
        sheet.put("pot_life_min_23", "40 min");
        sheet.put("cure_h_23", "16 h");
        sheet.put("room_C", "23 C");
        sheet.put("jacket.kind", "plaster");
        sheet.put("jacket.thickness_mm", "20 mm");
        sheet.put("jacket.parts", "3");
        String at = saved(sheet);
        assertThat(page(owner, at)).contains("Jacket: 3 parts of 13.60 kg each", "Heavy for one pair of hands");
        assertThat(tap(at, "press")).isEqualTo("It is not vulcanised.");
        sheet.put("version", "1");
        sheet.put("jacket.parts", "many");
        assertThat(send(owner, at, sheet).getStatus()).isEqualTo(422);
        sheet.put("jacket.parts", "6");
        send(owner, at, sheet);
        assertThat(page(owner, at)).contains("6 parts of 6800 g each").doesNotContain("Heavy for one pair");
        assertThat(page(owner, at)).contains("Nothing was done to it yet.");
        assertThat(tap(at, "wear", "says", "a nick at the bill")).isEmpty();
        assertThat(page(owner, at)).contains("Seen: a nick at the bill");
    }

    /** 800 cm3 less 500 at 1.15 and 10 %: 379.5 g, 345 of base, all at once. */
    @Test
    void aGloveIsPouredByWhatItsJacketHolds() throws Exception {
        Map<String, String> sheet = new LinkedHashMap<>(Map.of("version", "0", "name", "Heron", "kind", "glove"));
        sheet.put("material", "tin-silicone");
        sheet.put("holds_cm3", "800 cm3");
        sheet.put("hardener_per_100", "10");
        sheet.put("pot_life_min_23", "40 min");
        sheet.put("cure_h_23", "16 h");
        sheet.put("room_C", "23 C");
        assertThat(page(owner, saved(sheet))).contains("Not yet judged", "Still needed:");
        sheet.put("box.model_cm3", "900");
        assertThat(send(owner, "/rubber/0", sheet).getContentAsString())
                .contains("The model is larger than its jacket holds.");
        sheet.put("box.model_cm3", "500");
        String at = saved(sheet);
        assertThat(page(owner, at + "/bench")).contains("345 g", "34.5 g", "all at once");
        assertThat(tap(at, "coat", "base", "345 g", "hardener", "34.5 g")).isEmpty();
        passed(at, 17 * 60);
        assertThat(page(owner, at)).contains("Ready for wax");
    }

    /** 5 % of a coat of 273 g: 13.7 g; none in the first. */
    @Test
    void laterCoatsAreThickened() throws Exception {
        Map<String, String> sheet = new LinkedHashMap<>(Map.of("version", "0", "name", "Tern", "kind", "brushed"));
        sheet.put("material", "tin-silicone");
        sheet.put("area_cm2", "1200");
        sheet.put("coats[k1]", "0.6");
        sheet.put("coats[k2]", "1.8");
        sheet.put("hardener_per_100", "10");
        sheet.put("pot_life_min_23", "40 min");
        sheet.put("cure_h_23", "16 h");
        sheet.put("room_C", "23 C");
        assertThat(page(owner, saved(sheet))).doesNotContain(">Thickener<");
        sheet.put("thickener_pct", "5 %");
        String at = saved(sheet);
        assertThat(page(owner, at)).contains(">Thickener<", "13.7 g");
        assertThat(page(owner, at + "/bench")).doesNotContain("thickener");
        tap(at, "coat", "base", "82.8 g", "hardener", "8.28 g");
        assertThat(page(owner, at + "/bench")).contains("<b>13.7 g</b> thickener");
    }
}
