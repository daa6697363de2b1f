package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.Map;
import kilnryu.app.account.Account;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;

/** Silicate sand: what to weigh, and the log of its hardening. */
class SandPagesTest extends AppTest {

    private static Map<String, String> plaque() {
        Map<String, String> sand = new LinkedHashMap<>();
        sand.put("version", "0");
        sand.put("name", "Drag of the tide board");
        sand.put("length_mm", "200");
        sand.put("width_mm", "150");
        sand.put("height_mm", "100");
        sand.put("pattern_cm3", "400");
        return sand;
    }

    private String made(Map<String, String> fields) throws Exception {
        return send(owner, "/sand/0", fields).getRedirectedUrl().replace("?saved", "");
    }

    /** 2600 cm3 at 1.6 are 4160 g: 4000 of sand, 160 of silicate. */
    @Test
    void aBoxIsReckonedWhileItIsTyped() throws Exception {
        assertThat(send(owner, "/sand/0/try", plaque()).getContentAsString()).contains("4000", "160", "4160");
        String page = page(owner, made(plaque()));
        assertThat(page).contains("Drag of the tide board", "4000", "160", "200 mm");
        assertThat(page(owner, "/sand")).contains("Drag of the tide board");
    }

    @Test
    void whatCannotBeIsRefusedAtItsFieldAndKept() throws Exception {
        Map<String, String> full = plaque();
        full.put("pattern_cm3", "3000");
        MockHttpServletResponse refused = send(owner, "/sand/0", full);
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString()).contains("The pattern is larger than the box.", "value=\"3000\"");
        Map<String, String> none = plaque();
        none.put("silicate_pct", "0");
        assertThat(send(owner, "/sand/0", none).getStatus()).isEqualTo(422);
        assertThat(send(owner, "/sand/0", Map.of()).getStatus()).isEqualTo(422);
    }

    @Test
    void frozenGassedAndDryByWeight() throws Exception {
        Map<String, String> frozen = plaque();
        frozen.put("freeze_h", "3 h");
        String at = made(frozen);
        assertThat(page(owner, at)).contains("Frozen it only holds its shape");
        assertThat(send(owner, at + "/log", Map.of("done", "rammed")).getStatus())
                .isEqualTo(422);
        send(owner, at + "/log", Map.of("done", "rammed", "mass_g", "4160"));
        send(owner, at + "/log", Map.of("done", "frozen", "for_min", "180 min", "at_C", "-18"));
        send(owner, at + "/log", Map.of("done", "gassed", "for_min", "20 s"));
        // 89.6 g of water in the silicate: 60 g gone leave a third, 80 gone leave a tenth
        send(owner, at + "/log", Map.of("done", "weighed", "mass_g", "4100"));
        assertThat(page(owner, at)).contains("-18 °C", "33 % of the free water is still inside");
        send(owner, at + "/log", Map.of("done", "weighed", "mass_g", "4080"));
        assertThat(page(owner, at)).contains("By its weight it is dry enough for heat.");
    }

    @Test
    void someoneElsesSaveIsNotWrittenOver() throws Exception {
        String at = made(plaque());
        Map<String, String> mine = plaque();
        mine.put("version", "1");
        assertThat(send(owner, at, mine).getStatus()).isEqualTo(302);
        MockHttpServletResponse late = send(owner, at, mine);
        assertThat(late.getStatus()).isEqualTo(409);
        assertThat(late.getContentAsString()).contains("Someone saved in between");
    }

    @Test
    void anotherStudioSeesNothingOfIt() throws Exception {
        String at = made(plaque());
        Account other = Studio.owner(accounts, passwords);
        Studio.owner(accounts, passwords);
        assertThat(read(other, at).getStatus()).isEqualTo(404);
        assertThat(send(other, at + "/log", Map.of("done", "gassed")).getStatus())
                .isEqualTo(404);
        assertThat(page(other, "/sand")).doesNotContain("Drag of the tide board");
    }
}
