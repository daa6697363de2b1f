package kilnryu.app;

import static kilnryu.app.Studio.as;
import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import javax.imageio.ImageIO;
import kilnryu.app.account.Account;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;

/** Hours by a clock or typed, mending or casting again, sign-off, patinas. */
class FinishPagesTest extends AppTest {
    @Autowired
    JdbcClient jdbc;

    private long tree;

    @BeforeEach
    void bird() throws Exception {
        tree = tree(owner, WAX);
        send(owner, "/trees/" + tree + "/mold", FLASK);
        send(owner, at("/begin"), Map.of());
        tap("good", "casting", "1", "saw", "unseen");
        tap("mend", "casting", "1", "saw", "good");
        tap("mass", "casting", "1", "value", "800 g");
    }

    private String at(String rest) {
        return "/breakout/" + tree + rest;
    }

    private void tap(String kind, String... fields) throws Exception {
        Map<String, String> form =
                new LinkedHashMap<>(Map.of("key", UUID.randomUUID().toString(), "kind", kind));
        for (int i = 0; i < fields.length; i += 2) {
            form.put(fields[i], fields[i + 1]);
        }
        send(owner, at("/tap"), form);
    }

    private String work(String... fields) throws Exception {
        Map<String, String> form = new LinkedHashMap<>();
        for (int i = 0; i < fields.length; i += 2) {
            form.put(fields[i], fields[i + 1]);
        }
        send(owner, at("/finish/work"), form);
        return page(owner, at("/finish"));
    }

    @Test
    void hoursAreTypedOrRunByAClock() throws Exception {
        assertThat(page(owner, at("/finish"))).contains("1 of 1 to mend", "not known yet", "Cutting order");
        assertThat(work("stage", "chase", "who", "Ines", "hours", "90 min", "casting", "1"))
                .contains("Chase", "1.5 h", "Ines");
        assertThat(work(
                        "stage",
                        "weld",
                        "who",
                        "Ines",
                        "current_A",
                        "85",
                        "filler",
                        "silicon bronze",
                        "trial_first",
                        "good"))
                .contains("Clocks that run", "Weld or solder, Ines");
        long clock =
                jdbc.sql("select max(id) from finish_work").query(Long.class).single();
        jdbc.sql("update finish_work set started_at = started_at - interval '2 hours' where id = ?")
                .param(clock)
                .update();
        send(owner, at("/finish/work/" + clock + "/stop"), Map.of());
        assertThat(page(owner, at("/finish")))
                .contains("2.0 h", "current A 85, filler silicon bronze, trial first good")
                .doesNotContain("Clocks that run");
        double hours = jdbc.sql("select hours from finish_work where id = ?")
                .param(clock)
                .query(Double.class)
                .single();
        send(owner, at("/finish/work/" + clock + "/stop"), Map.of());
        assertThat(jdbc.sql("select hours from finish_work where id = ?")
                        .param(clock)
                        .query(Double.class)
                        .single())
                .as("a clock stops once")
                .isEqualTo(hours);
        send(owner, at("/finish/work/" + clock + "/remove"), Map.of());
        assertThat(page(owner, at("/finish"))).doesNotContain("current A 85");
        send(owner, at("/finish/work/" + clock + "/restore"), Map.of());
        assertThat(page(owner, at("/finish"))).contains("current A 85");
        assertThat(page(owner, "/trees/" + tree + "/tree")).contains("Finishing", "3.5 h so far");
    }

    @Test
    void hoursArePlannedFromTheStudiosOwnLog() throws Exception {
        // 800 g took 1.5 h; a piece of 100 g by the face: (1/8)^(2/3) = 1/4 of it, 22.5 min
        work("stage", "chase", "who", "Ines", "hours", "1.5", "casting", "1");
        long other = tree(owner, WAX);
        send(owner, "/trees/" + other + "/mold", FLASK);
        send(owner, "/breakout/" + other + "/begin", Map.of());
        send(
                owner,
                "/breakout/" + other + "/tap",
                Map.of("key", "m", "kind", "mass", "casting", "1", "value", "100 g"));
        String page = page(owner, "/breakout/" + other + "/finish");
        assertThat(page).contains("yours, from 1 time").containsPattern("2[23] min");
    }

    @Test
    void whatCannotBeIsRefusedAndStays() throws Exception {
        for (String[] f : new String[][] {
            {"who", "Ines", "hours", "1"},
            {"stage", "chase", "who", "", "hours", "1"},
            {"stage", "chase", "who", "Ines", "hours", "long"},
            {"stage", "chase", "who", "Ines", "casting", "7", "hours", "1"}
        }) {
            work(f);
        }
        assertThat(jdbc.sql("select count(*) from finish_work where tree_id = ?")
                        .param(tree)
                        .query(Integer.class)
                        .single())
                .isZero();
        Account stranger = Studio.owner(accounts, passwords);
        assertThat(read(stranger, at("/finish")).getStatus()).isEqualTo(404);
        assertThat(send(stranger, at("/finish/work"), Map.of("stage", "cut", "who", "x", "hours", "1"))
                        .getStatus())
                .isEqualTo(404);
    }

    @Test
    void mendingAndCastingAgainStandSideBySide() throws Exception {
        assertThat(page(owner, at("/finish"))).contains("Not yet judged: it takes hours of mending");
        Map<String, String> form = new LinkedHashMap<>(
                Map.of("version", "0", "mend_hours", "3", "rate", "40", "filler", "12", "worth", "260", "risk", "10"));
        form.putAll(Map.of(
                "cast_cost",
                "90",
                "cast_hours",
                "6",
                "good",
                "75",
                "mend_days",
                "2",
                "cast_days",
                "9",
                "due_days",
                "6"));
        send(owner, at("/finish"), form);
        // by hand in MendOrCastTest: 158 against 440, even at 10.05 h
        assertThat(page(owner, at("/finish")))
                .contains("158", "440", "costs less", "3 days late", "in time", "10 % that it is spoiled");
        form.put("version", "0");
        form.put("rate", "50");
        send(owner, at("/finish"), form);
        assertThat(page(owner, at("/finish")))
                .as("an old version changes nothing")
                .contains("158");
        form.put("version", "1");
        form.put("rate", "dear");
        send(owner, at("/finish"), form);
        assertThat(page(owner, at("/finish"))).contains("id=\"me-rate\"", "value=\"dear\"");
    }

    @Test
    void itIsSignedOffWithANameAndAPhoto() throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(80, 60, BufferedImage.TYPE_INT_RGB), "png", out);
        assertThat(sign("metal", "Ines", out.toByteArray()).getRedirectedUrl()).endsWith("#signs");
        assertThat(page(owner, at("/finish"))).contains("<b>metal</b>", "Ines", "/photos/");
        sign("metal", "", new byte[0]);
        sign("moon", "Ines", new byte[0]);
        sign("patina", "Ines", "no picture".getBytes());
        assertThat(jdbc.sql("select count(*) from sign_off where tree_id = ?")
                        .param(tree)
                        .query(Integer.class)
                        .single())
                .isOne();
        sign("patina", "Ines", new byte[0]);
        assertThat(page(owner, "/trees/" + tree + "/tree")).contains("signed off");
    }

    private MockHttpServletResponse sign(String stage, String name, byte[] photo) throws Exception {
        return mvc.perform(multipart(at("/finish/sign"))
                        .file(new MockMultipartFile("photo", "p.png", "image/png", photo))
                        .param("stage", stage)
                        .param("name", name)
                        .with(as(owner))
                        .with(csrf()))
                .andReturn()
                .getResponse();
    }

    @Test
    void aPatinaHasStepsTemperaturesAndItsHazard() throws Exception {
        assertThat(page(owner, "/patinas?like=0")).contains("value=\"Sulfide dark\"", "0.5 % by mass");
        Map<String, String> form = new LinkedHashMap<>(Map.of(
                "name",
                "Wet mud",
                "look",
                "dark",
                "chemical",
                "sulfide",
                "what-0",
                "Sulfide, brushed",
                "celsius-0",
                "60"));
        send(owner, "/patinas", form);
        assertThat(page(owner, "/patinas")).contains("Wet mud", "metal at 60 °C", "never near an acid");
        form.put("celsius-0", "650");
        MockHttpServletResponse refused = send(owner, "/patinas", form);
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString()).contains("Over 400 °C bronze is hot short", "value=\"650\"");
        assertThat(send(owner, "/patinas", Map.of("name", "")).getStatus()).isEqualTo(422);
        long id = jdbc.sql("select max(id) from patina").query(Long.class).single();
        send(owner, "/patinas/" + id + "/archive", Map.of());
        assertThat(page(owner, "/patinas")).doesNotContain("Wet mud");
        assertThat(page(owner, "/patinas?archived=true")).contains("Wet mud", "Restore");
        assertThat(send(Studio.owner(accounts, passwords), "/patinas/" + id + "/restore", Map.of())
                        .getStatus())
                .isEqualTo(404);
    }

    private long sectionOf(long piece, String name, String alloy) throws Exception {
        Map<String, String> wax = new LinkedHashMap<>(WAX);
        wax.put("name", name);
        wax.put("alloy", alloy);
        long id = tree(owner, wax);
        jdbc.sql("insert into tree_piece (tree_id, piece_id) values (?, ?)")
                .params(id, piece)
                .update();
        return id;
    }

    /** Sections of one piece: of which metal each was poured, and whether they will take a patina alike. */
    @Test
    void sectionsOfAPieceSayOfWhichMetalTheyAre() throws Exception {
        assertThat(page(owner, at("/finish"))).contains("silicon bronze", "no pour on record", "of one heat");
        long piece = jdbc.sql("""
                        insert into piece (studio_id, name, fields, version, created_at, updated_at)
                        values (?, 'Warbler in reeds', '{}', 1, now(), now()) returning id
                        """).param(owner.studioId()).query(Long.class).single();
        jdbc.sql("insert into tree_piece (tree_id, piece_id) values (?, ?)")
                .params(tree, piece)
                .update();
        sectionOf(piece, "Reeds", "si-bronze");
        sectionOf(piece, "Post", "yellow-brass");
        String page = page(owner, at("/finish"));
        assertThat(page)
                .contains(
                        "Reeds",
                        "Not yet judged: a heat is not on record.",
                        "Post",
                        "Another alloy: its colour and its patina differ.");
    }

    private org.springframework.mock.web.MockHttpServletResponse fit(String... fields) throws Exception {
        Map<String, String> form =
                new LinkedHashMap<>(Map.of("first", "body", "second", "legs", "joint", "seam", "who", "Brackish"));
        for (int i = 0; i < fields.length; i += 2) {
            form.put(fields[i], fields[i + 1]);
        }
        return send(owner, "/breakout/" + tree + "/finish/fit", form);
    }

    @Test
    void partsThatAreTriedTogetherAreJudged() throws Exception {
        fit("gap", "1.2 mm", "step", "0");
        String page = page(owner, "/breakout/" + tree + "/finish");
        assertThat(page).contains("body on legs", "work on it", "It gapes 1.2 mm.", "seam to be welded");
        fit("joint", "slide", "first", "pin", "second", "base", "pin", "6 mm", "bore", "6.1 mm");
        fit("joint", "seat", "first", "heron", "second", "base", "rocks", "no");
        fit("gap", "0.2", "step", "0", "hot", "yes");
        page = page(owner, "/breakout/" + tree + "/finish");
        assertThat(page)
                .contains("pin on base", "It has 0.10 mm of play.", "heron on base", "It stands.", "It was tried hot.");
        // the last one first
        assertThat(page.indexOf("It was tried hot.")).isLessThan(page.indexOf("It gapes 1.2 mm."));
        assertThat(page(owner, "/breakout/" + tree + "/sheet")).contains("body on legs", "It gapes 1.2 mm.");
    }

    @Test
    void aTrialThatCannotBeIsRefusedAtItsFieldAndStays() throws Exception {
        Map<String, Object> flash = mvc.perform(post(at("/finish/fit"))
                        .param("first", "body")
                        .param("second", "Body")
                        .param("gap", "wide")
                        .param("joint", "glue")
                        .with(as(owner))
                        .with(csrf()))
                .andExpect(status().isFound())
                .andReturn()
                .getFlashMap();
        assertThat(flash.get("fitErrors"))
                .asString()
                .contains("second=These are one part.", "joint=Say how they meet.", "who=Say who tried it.", "gap=");
        assertThat(flash.get("typedFit")).asString().contains("gap=wide");
        assertThat(page(owner, at("/finish"))).doesNotContain("body on Body");
        assertThat(send(
                                Studio.owner(accounts, passwords),
                                "/breakout/" + tree + "/finish/fit",
                                Map.of("first", "a", "second", "b"))
                        .getStatus())
                .isEqualTo(404);
    }
}
