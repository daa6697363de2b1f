package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;

/** The studio's equipment, and a tree held against its flasks. */
class FitPagesTest extends AppTest {
    private long tree;

    private static Map<String, String> shop() {
        Map<String, String> shop = new LinkedHashMap<>();
        shop.put("version", "0");
        flask(shop, "k1", "small", "80 mm", "120 mm", "solid");
        flask(shop, "k2", "middle", "100 mm", "150 mm", "perforated");
        flask(shop, "k3", "tall", "100 mm", "330 mm", "solid");
        shop.put("flasks[k4].inner_mm", "");
        shop.put("flasks[k4].steel", "solid");
        shop.put("chamber_height_mm", "300 mm");
        shop.put("lift_kg", "25 kg");
        return shop;
    }

    private static void flask(
            Map<String, String> shop, String key, String name, String wide, String high, String steel) {
        String at = "flasks[" + key + "].";
        shop.put(at + "name", name);
        shop.put(at + "inner_mm", wide);
        shop.put(at + "height_mm", high);
        shop.put(at + "steel", steel);
    }

    @BeforeEach
    void aTreeOf70By110() throws Exception {
        tree = tree(owner, WAX);
        send(owner, "/trees/" + tree + "/mold", FLASK);
    }

    private String fit() throws Exception {
        return page(owner, "/trees/" + tree + "/fit/flasks");
    }

    @Test
    void withoutFlasksItSaysWhereToWriteThem() throws Exception {
        assertThat(page(owner, "/trees/" + tree + "/mold")).contains("Add a flask", "href=\"/equipment\"");
    }

    /** The page of flasks is the mold's own now: each as a picture whose tap fills the fields, what takes the tree first. */
    @Test
    void everyMoldIsAPictureToBeTapped() throws Exception {
        send(owner, "/equipment", shop());
        assertThat(read(owner, "/trees/" + tree + "/fit").getRedirectedUrl()).endsWith("/mold#choice");
        String page = page(owner, "/trees/" + tree + "/mold");
        assertThat(page)
                .contains(
                        "data-fill",
                        "&quot;mold_kind&quot;:&quot;block&quot;",
                        "&quot;mold_kind&quot;:&quot;shell&quot;");
        assertThat(page.indexOf(">middle<")).isBetween(1, page.indexOf(">Block<"));
        assertThat(page.indexOf(">Shell<")).isBetween(page.indexOf(">Block<"), page.indexOf(">small<"));
    }

    /** A flask typed by hand is offered to be kept, and then is one of the studio's: oval and dome with it. */
    @Test
    void aFlaskTypedByHandIsKept() throws Exception {
        Map<String, String> mold = new HashMap<>(FLASK);
        mold.put("version", "1");
        mold.put("other_diameter_mm", "90 mm");
        send(owner, "/trees/" + tree + "/mold", mold);
        assertThat(page(owner, "/trees/" + tree + "/mold")).contains("typed by hand", "100 × 150 mm");
        send(owner, "/trees/" + tree + "/fit/keep", Map.of("name", "oval drum"));
        assertThat(page(owner, "/trees/" + tree + "/mold"))
                .doesNotContain("typed by hand")
                .contains(">oval drum<");
        assertThat(page(owner, "/equipment")).contains("value=\"oval drum\"", "value=\"90 mm\"");
    }

    /** 120 mm do not go into 100: a stop on the Mold page, in the stream, at the mixing and across the card. */
    @Test
    void aTreeThatDoesNotGoInIsStoppedEverywhere() throws Exception {
        Map<String, String> wide = new HashMap<>(FLASK);
        wide.put("version", "1");
        wide.put("tree_width_mm", "120");
        send(owner, "/trees/" + tree + "/mold", wide);
        assertThat(page(owner, "/trees/" + tree + "/mold")).contains("class=\"now stopped\"", "1 stop: 100 × 150 mm");
        assertThat(page(owner, "/trees/" + tree + "/bench"))
                .contains("Stopped: not ready to mix")
                .doesNotContain("Ready to mix<", "Start mixing");
        send(owner, "/trees/" + tree + "/bench/start", Map.of());
        assertThat(page(owner, "/trees/" + tree + "/bench")).contains("Stopped: not ready to mix");
        assertThat(page(owner, "/trees/" + tree + "/card"))
                .contains("One stop stands against this plan: not ready to mix");
    }

    /** What was typed and not saved before the flask was chosen stands there afterwards, with the flask. */
    @Test
    void choosingAFlaskKeepsWhatIsNotSaved() throws Exception {
        send(owner, "/equipment", shop());
        Map<String, String> typed = new HashMap<>(FLASK);
        typed.put("version", "0");
        typed.put("water_per_100", "38.5");
        typed.put("page", "here");
        send(owner, "/trees/" + tree + "/mold/try", typed);
        send(owner, "/trees/" + tree + "/fit", Map.of("flask", "k2"));
        assertThat(page(owner, "/trees/" + tree + "/mold"))
                .contains("Not saved yet", "value=\"38.5\"", "value=\"middle\"", "value=\"150 mm\"");
    }

    /** 70 wide and 110 high: 5 mm to the wall of 80, 15 to that of 100, 40 to its end. */
    @Test
    void everyFlaskIsJudgedAndTheSmallestChosen() throws Exception {
        assertThat(send(owner, "/equipment", shop()).getStatus()).isEqualTo(302);
        assertThat(page(owner, "/equipment"))
                .contains("value=\"middle\"")
                .doesNotContain("flasks[k4].name\" value=\"x");
        String page = fit();
        assertThat(page)
                .contains("too near the wall by 5 mm", "too near the open end by 5 mm")
                .contains("fits, the smallest")
                .contains("does not go under the bell jar: 55 mm too high with room to rise")
                .contains("role=\"img\"");
        assertThat(page.indexOf("fits, the smallest")).isGreaterThan(page.indexOf(">middle<"));
    }

    @Test
    void theFlaskTakenGoesIntoTheMold() throws Exception {
        send(owner, "/equipment", shop());
        assertThat(send(owner, "/trees/" + tree + "/fit", Map.of("flask", "k2", "tilt_deg", "5", "lift_mm", "10"))
                        .getRedirectedUrl())
                .endsWith("/mold?saved");
        assertThat(page(owner, "/trees/" + tree + "/mold"))
                .contains("value=\"middle\"", "value=\"150 mm\"", "value=\"5°\"", "value=\"10 mm\"")
                .containsPattern("aria-pressed=\"true\"[^>]*middle");
        assertThat(page(owner, "/trees/" + tree + "/bench")).contains("Start mixing");
        send(owner, "/trees/" + tree + "/bench/start", Map.of());
        send(owner, "/trees/" + tree + "/bench/next", Map.of("step", "0"));
        assertThat(page(owner, "/trees/" + tree + "/bench")).contains("Sleeve or tape on");
        assertThat(send(owner, "/trees/" + tree + "/fit", Map.of("flask", "k9")).getStatus())
                .isEqualTo(404);
    }

    /** Leaning by 20 degrees, 70 wide and 110 high: 70 cos + 110 sin = 103.4 wide. */
    @Test
    void aLeaningTreeIsJudgedAsItStands() throws Exception {
        send(owner, "/equipment", shop());
        assertThat(page(owner, "/trees/" + tree + "/fit/flasks?tilt_deg=20&lift_mm=0"))
                .contains("12 mm too large at the wall", "It fits no flask of the studio", "A block round it");
        assertThat(page(owner, "/trees/" + tree + "/fit/flasks?tilt_deg=steep")).contains("fits, the smallest");
    }

    @Test
    void badEquipmentKeepsWhatWasTyped() throws Exception {
        Map<String, String> bad = new HashMap<>(shop());
        bad.put("flasks[k1].inner_mm", "wide");
        bad.put("flasks[k2].height_mm", "");
        bad.put("bowls[k1].name", "bucket");
        bad.put("bowls[k1].volume_cm3", "0");
        MockHttpServletResponse answer = send(owner, "/equipment", bad);
        assertThat(answer.getStatus()).isEqualTo(422);
        assertThat(answer.getContentAsString()).contains("value=\"wide\"", "Type a length.", "This cannot be zero.");
    }

    @Test
    void twoWhoChangeTheEquipmentAtOnceAreTold() throws Exception {
        send(owner, "/equipment", shop());
        assertThat(send(owner, "/equipment", shop()).getStatus()).isEqualTo(409);
    }

    @Test
    void anOvalIsReadTheLongWay() throws Exception {
        Map<String, String> oval = shop();
        oval.put("flasks[k1].inner_mm", "90 mm");
        oval.put("flasks[k1].other_mm", "160 mm");
        oval.put("flasks[k1].name", "");
        send(owner, "/equipment", oval);
        assertThat(fit()).contains("D 160 / 90 × 120");
        send(owner, "/trees/" + tree + "/fit", Map.of("flask", "k1"));
        assertThat(page(owner, "/trees/" + tree + "/mold")).contains("value=\"160 mm\"", "value=\"90 mm\"");
    }

    @Test
    void ratiosAreUnderstoodOrRefused() throws Exception {
        Map<String, String> mold = new HashMap<>(FLASK);
        for (String typed : new String[] {"40", "40:100"}) {
            mold.put("water_per_100", typed);
            assertThat(send(owner, "/trees/" + tree + "/mold/try", mold).getContentAsString())
                    .contains("1442");
        }
        mold.put("water_per_100", "0.4");
        assertThat(send(owner, "/trees/" + tree + "/mold/try", mold).getContentAsString())
                .contains("type 40 for 40:100");
    }

    /** 110 in 150 high: 40 from the open end; the flask of 100 is 104 outside. */
    @Test
    void whatThePouringTableReachesIsSaidBesideTheFlask() throws Exception {
        Map<String, String> shop = shop();
        shop.put("table_opening_mm", "110 mm");
        shop.put("table_reach_mm", "30 mm");
        send(owner, "/equipment", shop);
        assertThat(fit())
                .contains(
                        "does not cover the pouring table&#39;s opening of 110 mm",
                        "the vacuum of the pour reaches 30 mm");
    }
}
