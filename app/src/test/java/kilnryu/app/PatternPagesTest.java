package kilnryu.app;

import static kilnryu.app.Studio.as;
import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.time.ZonedDateTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import kilnryu.app.today.Day;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;

/** Printed, carved and found patterns at the same station as waxes. */
class PatternPagesTest extends AppTest {
    @Autowired
    JdbcClient jdbc;

    @Autowired
    List<Day.Source> sources;

    private String saved(String... fields) throws Exception {
        Map<String, String> sheet = new LinkedHashMap<>(Map.of("version", "0", "name", "Grebe, print"));
        for (int i = 0; i < fields.length; i += 2) {
            sheet.put(fields[i], fields[i + 1]);
        }
        MockHttpServletResponse answer = send(owner, "/waxes/0", sheet);
        assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(302);
        return answer.getRedirectedUrl().replaceAll("\\?.*", "");
    }

    private String tap(String of, String kind, String... fields) throws Exception {
        var request = post(of + "/tap").with(as(owner)).with(csrf()).param("kind", kind);
        for (int i = 0; i < fields.length; i += 2) {
            request.param(fields[i], fields[i + 1]);
        }
        var result = mvc.perform(request).andReturn();
        assertThat(result.getResponse().getStatus()).isLessThan(500);
        return String.valueOf(result.getFlashMap().getOrDefault("fault", ""));
    }

    private void passed(String of, int minutes) {
        jdbc.sql("update wax_event set tapped_at = tapped_at - make_interval(mins => ?) where wax_id = ?")
                .params(minutes, Long.parseLong(of.replaceAll("\\D", "")))
                .update();
    }

    private List<Day.Task> tasks() {
        Day.Window now = Day.Window.at(ZonedDateTime.now(owner.zoneId()));
        return sources.stream().flatMap(s -> s.of(owner, now).tasks().stream()).toList();
    }

    private void sound(String at, String... checks) throws Exception {
        for (String check : checks) {
            assertThat(tap(at, "check", "what", check, "sound", "yes")).isEmpty();
        }
    }

    private String resin() throws Exception {
        return saved(
                "made",
                "printed",
                "material",
                "castable-resin",
                "height_mm",
                "90 mm",
                "layer_mm",
                "0.05 mm",
                "layer_s",
                "8 s",
                "lean_deg",
                "60",
                "supports",
                "back",
                "wash_min",
                "10 min",
                "cure_min",
                "30 min");
    }

    /** 1800 layers of 8 s are 4 h; stairs of half a layer at 60 degrees. */
    @Test
    void aPrintHasItsHoursAndStairs() throws Exception {
        String page = page(owner, resin());
        assertThat(page).contains("<b>4 h 00 min</b>").contains("0.025", "Not yet judged");
        assertThat(page).contains("Whether it is washed and cured through.", "Never look into the curing lamp.");
    }

    @Test
    void resinIsWashedThenCuredThenLookedOver() throws Exception {
        String at = resin();
        assertThat(page(owner, at + "/bench")).contains("Into the wash").doesNotContain("Looked over");
        assertThat(tap(at, "cured")).isEqualTo("It is under no lamp.");
        assertThat(tap(at, "cure")).isEqualTo("It is washed before it is cured.");
        assertThat(tap(at, "wash")).isEmpty();
        assertThat(page(owner, at + "/bench")).contains("left in the wash", "Out of the wash");
        assertThat(tasks()).anyMatch(t -> t.what().equals("Out of the wash") && t.press() == Day.Press.LATER);
        passed(at, 11);
        assertThat(page(owner, at + "/bench")).contains("resin swells and cracks in it");
        assertThat(tasks()).anyMatch(t -> t.what().equals("Out of the wash") && t.press() == Day.Press.LATE);
        assertThat(tap(at, "washed")).isEmpty();
        assertThat(page(owner, "/waxes")).contains("washed, to be cured");
        assertThat(tap(at, "sign", "name", "Ebba")).isEqualTo("It is not cured through.");
        assertThat(tap(at, "cure")).isEmpty();
        assertThat(page(owner, at + "/bench")).contains("left under the lamp");
        passed(at, 31);
        assertThat(tasks()).anyMatch(t -> t.what().equals("Out from under the lamp") && t.press() == Day.Press.DUE);
        assertThat(tap(at, "cured")).isEmpty();
        assertThat(page(owner, at + "/bench")).contains("Looked over", "Supports cut, marks smoothed");
        assertThat(tap(at, "check", "what", "window", "sound", "yes")).startsWith("Choose what was looked at");
        assertThat(tap(at, "sign", "name", "Ebba")).isEqualTo("Not all was looked at and found sound.");
        sound(at, "cured", "infill", "supports", "seam", "cracks", "tips", "distorted", "clean", "number");
        assertThat(tap(at, "sign", "name", "Ebba")).isEmpty();
        assertThat(page(owner, at + "/bench")).contains("Signed off");
    }

    /** 5.4 g over 200 cm2 at 0.9 g/cm3 are 0.3 mm; a measure across grows by 0.6 mm. */
    @Test
    void aCoatingIsWeighedOnAndTooThinOnPlasticIsSaid() throws Exception {
        String at = saved("made", "printed", "material", "filament-pla", "area_cm2", "200", "infill_pct", "15 %");
        assertThat(page(owner, at)).contains("15 % infill");
        assertThat(tap(at, "bare", "grams", "60 g")).isEmpty();
        assertThat(tap(at, "coated", "grams", "nothing")).isNotEmpty();
        assertThat(tap(at, "coated", "grams", "65.5 g")).isEmpty();
        assertThat(page(owner, at + "/bench"))
                .contains("wax coating, mean", "<b>0.31</b>", "<b>0.61</b>")
                .doesNotContain("cracks the mold");
        assertThat(tap(at, "coated", "grams", "63 g")).isEmpty();
        assertThat(page(owner, at + "/bench")).contains("The wax around it is 0.17 mm on average.");
        assertThat(tap(at, "coated", "grams", "58 g")).isEmpty();
        assertThat(page(owner, at + "/bench")).contains("With its wax it weighs less than bare.");
    }

    @Test
    void aFoundThingIsBurntAsAChipBeforeItIsSignedOff() throws Exception {
        String at = saved("made", "found", "name", "Sea holly");
        assertThat(page(owner, at + "/bench")).contains("burn test of a chip", "Outdoors, wind from behind");
        sound(at, "dry", "cracks", "tips", "infill", "clean", "number");
        assertThat(tap(at, "sign", "name", "Ebba")).contains("a burn test first");
        assertThat(tap(at, "burn")).isEqualTo("Nothing was noted of the test.");
        assertThat(tap(at, "burn", "left_g", "1 g")).isEqualTo("Weigh the chip before it burns.");
        assertThat(tap(at, "burn", "chip_g", "1 g", "left_g", "2 g")).isEqualTo("More is left than the chip weighed.");
        assertThat(tap(at, "burn", "green", "blue")).isEqualTo("Say whether the flame was green.");
        assertThat(tap(at, "burn", "does", "sings")).isEqualTo("Choose what it did.");
        assertThat(tap(at, "burn", "green", "yes", "does", "runs")).isEmpty();
        assertThat(page(owner, at + "/bench")).contains("Safety stop", "hydrogen chloride");
        assertThat(tap(at, "sign", "name", "Ebba")).contains("forbids it");
        assertThat(tap(at, "burn", "green", "no", "does", "clean", "chip_g", "2 g", "left_g", "0.06 g"))
                .isEmpty();
        assertThat(page(owner, at + "/bench")).contains("3.0 % of it is left", "It does not run out");
        assertThat(tap(at, "sign", "name", "Ebba")).isEmpty();
    }

    @Test
    void windowsAreKeptAndMendsLeaveSomethingBehind() throws Exception {
        String at = saved("made", "carved", "material", "sculpture-wax");
        assertThat(tap(at, "window", "what", "")).isEqualTo("Say where the window was cut.");
        assertThat(tap(at, "window", "what", "belly", "window_g", "much")).isNotEmpty();
        assertThat(tap(at, "window", "what", "belly", "window_g", "6.2 g")).isEmpty();
        assertThat(page(owner, at + "/bench"))
                .contains("Window 1", "belly, 6.20 g; no gate yet", "Window 1 has no gate");
        assertThat(tap(at, "window", "what", "back", "gate", "own gate on this tree"))
                .isEmpty();
        assertThat(page(owner, at + "/bench")).contains("back, not weighed; own gate on this tree");
        assertThat(tap(at, "repair", "fault", "broken-loop", "what", "left leg"))
                .isEmpty();
        assertThat(page(owner, at + "/bench"))
                .contains("Mended: broken loop or tip, left leg; The weld is thicker than the rest");
    }

    @Test
    void whatCannotBeReadKeepsWhatWasTyped() throws Exception {
        Map<String, String> sheet = new LinkedHashMap<>(
                Map.of("version", "0", "name", "Grebe", "made", "printed", "layer_mm", "thin", "lean_deg", "120"));
        MockHttpServletResponse answer = send(owner, "/waxes/0", sheet);
        assertThat(answer.getStatus()).isEqualTo(422);
        assertThat(answer.getContentAsString()).contains("value=\"thin\"", "This is too large; at most 90");
        assertThat(page(owner, "/waxes/0?made=found")).contains("Not yet judged");
    }

    private static byte[] png() throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB), "png", out);
        return out.toByteArray();
    }

    @Test
    void aPhotoIsKept() throws Exception {
        String at = saved("made", "carved", "material", "sculpture-wax");
        var wrong = multipart(at + "/photo")
                .file(new MockMultipartFile("photo", "a.txt", "text/plain", new byte[] {1, 2}))
                .with(as(owner))
                .with(csrf());
        assertThat(mvc.perform(wrong).andReturn().getFlashMap().get("fault"))
                .isEqualTo("This is no JPEG or PNG picture.");
        assertThat(page(owner, at + "/bench")).contains("No photo of it yet.");
        var right = multipart(at + "/photo")
                .file(new MockMultipartFile("photo", "a.png", "image/png", png()))
                .with(as(owner))
                .with(csrf());
        mvc.perform(right);
        assertThat(page(owner, at + "/bench")).contains("photo 1").doesNotContain("No photo of it yet.");
        var others = multipart(at + "/photo")
                .file(new MockMultipartFile("photo", "a.png", "image/png", png()))
                .with(as(Studio.owner(accounts, passwords)))
                .with(csrf());
        assertThat(mvc.perform(others).andReturn().getResponse().getStatus()).isEqualTo(404);
    }
}
