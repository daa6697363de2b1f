package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import kilnryu.app.account.Account;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;

/** Building a tree, weighing it, and what the pages say of it. */
class GatingPagesTest extends AppTest {

    /** A cup, a sprue of 12, two gates of 9 and two leaves 4 mm thick. */
    static Map<String, String> built() {
        Map<String, String> f = new LinkedHashMap<>();
        f.put("version", "0");
        f.put("name", "Sea-kale leaves");
        f.put("alloy", "si-bronze");
        part(
                f,
                "cup",
                "cup",
                "cone",
                Map.of("cone.top_diameter_mm", "50", "cone.bottom_diameter_mm", "20", "cone.length_mm", "40"));
        part(
                f,
                "sprue",
                "sprue",
                "rod",
                Map.of(
                        "rod.diameter_mm",
                        "12",
                        "rod.length_mm",
                        "80",
                        "joins",
                        "cup",
                        "at_mm",
                        "40",
                        "tilt_deg",
                        "-90"));
        part(
                f,
                "gate",
                "gate",
                "rod",
                Map.of(
                        "count",
                        "2",
                        "rod.diameter_mm",
                        "9",
                        "rod.length_mm",
                        "10",
                        "joins",
                        "sprue",
                        "at_mm",
                        "40",
                        "tilt_deg",
                        "-45"));
        part(
                f,
                "leaf",
                "piece",
                "volume_cm3",
                Map.of(
                        "count",
                        "2",
                        "volume_cm3",
                        "0.9",
                        "joins",
                        "gate",
                        "at_mm",
                        "10",
                        "tilt_deg",
                        "-45",
                        "box.length_mm",
                        "30",
                        "box.width_mm",
                        "14",
                        "box.thickness_mm",
                        "4",
                        "wall.thin_mm",
                        "3",
                        "wall.thick_mm",
                        "4"));
        return f;
    }

    static void part(Map<String, String> into, String key, String use, String how, Map<String, String> fields) {
        String at = "parts[" + key + "].";
        into.put(at + "name", key);
        into.put(at + "use", use);
        into.put(at + "how", how);
        into.put(at + "material", use.equals("piece") ? "injection-wax" : "sprue-wax");
        fields.forEach((field, text) -> into.put(at + field, text));
    }

    private String tryOut(long id, Map<String, String> fields) throws Exception {
        MockHttpServletResponse answer = send(owner, "/trees/" + id + "/gating/try", fields);
        assertThat(answer.getStatus()).isEqualTo(200);
        return answer.getContentAsString();
    }

    @Test
    void aBuiltTreeIsDrawnAndJudged() throws Exception {
        long id = tree(owner, built());
        String page = page(owner, "/trees/" + id + "/gating");
        assertThat(page).contains("The tree from the side", "data-field=\"at_mm\"", "6 parts placed");
        // two gates of 63.6 over a sprue of 113.1 mm2
        assertThat(page).contains("gates to sprue, by area", "1.13");
        assertThat(page(owner, "/trees/" + id + "/mold")).contains("Gating");
    }

    @Test
    void aChangeIsHeldAgainstTheSavedTree() throws Exception {
        long id = tree(owner, built());
        Map<String, String> worse = built();
        worse.put("version", "1");
        worse.put("parts[gate].rod.diameter_mm", "3");
        String answer = tryOut(id, worse);
        assertThat(answer).contains("Against the saved tree", "worse", "Thick, thin, thick");
        Map<String, String> better = built();
        better.put("version", "1");
        for (String key : new String[] {"gate", "leaf", "sprue"}) {
            better.put("parts[" + key + "].fillet_mm", "1");
        }
        assertThat(tryOut(id, better)).contains("<b>better</b>", "have no fillet");
    }

    @Test
    void partsWithoutAPlaceCountAndAreSaid() throws Exception {
        Map<String, String> fields = built();
        part(fields, "loose", "vent", "rod", Map.of("rod.diameter_mm", "3", "rod.length_mm", "30"));
        long id = tree(owner, fields);
        assertThat(page(owner, "/trees/" + id + "/gating")).contains("is not placed in the drawing yet");
    }

    @Test
    void aCircleOfJointsIsSaidAtItsField() throws Exception {
        Map<String, String> fields = built();
        fields.put("parts[sprue].joins", "leaf");
        MockHttpServletResponse answer = send(owner, "/trees/0/gating", fields);
        assertThat(answer.getStatus()).isEqualTo(422);
        assertThat(answer.getContentAsString()).contains("join each other in a circle");
        fields.put("parts[sprue].joins", "<script>");
        assertThat(send(owner, "/trees/0/gating", fields).getContentAsString())
                .contains("is not known here")
                .doesNotContain("<script>\"");
    }

    @Test
    void keysOfPartsAreEscapedInTheDrawing() throws Exception {
        Map<String, String> fields = new LinkedHashMap<>();
        built().forEach((path, text) -> fields.put(path.replace("[leaf]", "[\"><x>]"), text));
        long id = tree(owner, fields);
        assertThat(page(owner, "/trees/" + id + "/gating")).doesNotContain("\"><x>");
    }

    @Test
    void badPlacesAreSaidAtTheirFieldsAndNothingIsLost() throws Exception {
        Map<String, String> fields = built();
        fields.put("parts[leaf].wall.order", "4 two 3");
        fields.put("parts[leaf].core.length_mm", "20");
        fields.put("parts[gate].tilt_deg", "120");
        fields.put("parts[gate].rings", "many");
        fields.put("pour_rate_kg_s", "-1");
        fields.put("change_note", "n".repeat(500));
        MockHttpServletResponse answer = send(owner, "/trees/0/gating", fields);
        assertThat(answer.getStatus()).isEqualTo(422);
        assertThat(answer.getContentAsString())
                .contains(
                        "Type the walls in mm, one after the other",
                        "A core has a length and a diameter",
                        "too large; at most 90",
                        "Type a whole number from 1 to 200",
                        "cannot be negative",
                        "At most 400 letters",
                        "value=\"4 two 3\"");
    }

    @Test
    void wallsThatContradictEachOtherAreRefused() throws Exception {
        Map<String, String> fields = built();
        fields.put("parts[leaf].wall.thin_mm", "6");
        assertThat(send(owner, "/trees/0/gating", fields).getContentAsString())
                .contains("The thickest wall is thinner than the thinnest");
    }

    @Test
    void tooManyPartsForADrawingAreSaid() throws Exception {
        Map<String, String> fields = built();
        fields.put("parts[gate].count", "5000");
        assertThat(send(owner, "/trees/0/gating", fields).getContentAsString())
                .contains("At most 3,000 parts can be placed in one tree; these are 5003");
    }

    @Test
    void whatIsWrongOnTheOtherPageIsSaidWithAWayThere() throws Exception {
        Map<String, String> fields = built();
        fields.put("parts[gate].tilt_deg", "steep");
        MockHttpServletResponse answer = send(owner, "/trees/0/tree", fields);
        assertThat(answer.getStatus()).isEqualTo(422);
        assertThat(answer.getContentAsString()).contains("On the Gating page", "tilt deg of gate");
    }

    @Test
    void theMoldTakesTheTreeAsItIsBuilt() throws Exception {
        long id = tree(owner, built());
        assertThat(send(owner, "/trees/" + id + "/mold", FLASK_ALONE).getStatus())
                .isEqualTo(302);
        // cup 40 + sprue 80, and the lower leaf ends above that: 120 deep; end clearance 150 - 120 = 30
        assertThat(page(owner, "/trees/" + id + "/mold")).contains("30 mm to the open end");
    }

    private static final Map<String, String> FLASK_ALONE =
            Map.of("version", "0", "inner_diameter_mm", "100 mm", "height_mm", "150", "system", "gypsum-jewelry");

    @Test
    void aHotterMoldFillsThinnerWalls() throws Exception {
        Map<String, String> thin = built();
        thin.put("parts[leaf].wall.thin_mm", "0.2");
        long id = tree(owner, thin);
        send(owner, "/trees/" + id + "/mold", FLASK_ALONE);
        String cold = leastWall(id, "100");
        String hot = leastWall(id, "700");
        assertThat(Double.parseDouble(hot)).isLessThan(Double.parseDouble(cold));
    }

    private String leastWall(long id, String mold) throws Exception {
        String version =
                page(owner, "/trees/" + id + "/firing").replaceAll("(?s).*name=\"version\" value=\"(\\d+)\".*", "$1");
        send(owner, "/trees/" + id + "/firing", Map.of("version", version, "mold_C", mold, "section", "thin"));
        return page(owner, "/trees/" + id + "/gating")
                .replaceAll("(?s).*thinnest wall that fills</span><b>([0-9.]+)</b>.*", "$1");
    }

    @Test
    void aVentIsOfferedWithItsMeasures() throws Exception {
        Map<String, String> fields = built();
        fields.put("gating_school", "choked");
        fields.put("parts[leaf].tilt_deg", "60");
        long id = tree(owner, fields);
        assertThat(page(owner, "/trees/" + id + "/gating")).contains("Set a vent on leaf");
        fields.put("version", "1");
        fields.put("use", "vent");
        fields.put("on", "leaf");
        String member = send(owner, "/trees/" + id + "/gating/member", fields).getContentAsString();
        assertThat(member).contains("selected=\"selected\">leaf", "value=\"30 mm\"", "value=\"90°\"");
    }

    @Test
    void aLayoutBuildsATreeThatFeeds() throws Exception {
        Map<String, String> list = new HashMap<>(WAX);
        list.put("parts[a].box.length_mm", "40");
        list.put("parts[a].box.width_mm", "20");
        list.put("parts[a].box.thickness_mm", "6");
        list.put("parts[a].wall.thin_mm", "5");
        list.put("parts[a].wall.thick_mm", "6");
        list.put("parts[a].count", "12");
        list.put("parts[a].mass_g", "3");
        long id = tree(owner, list);
        list.put("version", "1");
        list.put("layout.piece", "a");
        for (String kind : new String[] {"tiered", "runner", "from-below"}) {
            list.put("layout.kind", kind);
            String page = send(owner, "/trees/" + id + "/gating/layout", list).getContentAsString();
            assertThat(page)
                    .as(kind)
                    .contains("The tree from the side")
                    .doesNotContain("Thick, thin, thick", "past the end");
        }
        list.put("layout.kind", "direct");
        assertThat(send(owner, "/trees/" + id + "/gating/layout", list).getContentAsString())
                .contains("data-of=\"feeder\"");
        assertThat(page(owner, "/trees/" + id + "/gating")).contains("Not saved yet");
    }

    @Test
    void theListOfPartsKeepsWhatTheBuilderKnows() throws Exception {
        long id = tree(owner, built());
        String page = page(owner, "/trees/" + id + "/tree");
        assertThat(page)
                .contains(
                        "name=\"parts[gate].joins\" value=\"sprue\"",
                        "name=\"parts[leaf].box.length_mm\" value=\"30 mm\"");
    }

    @Test
    void anExportedTreeIsBuiltAgainWhereItIsImported() throws Exception {
        long id = tree(owner, built());
        String document = page(owner, "/trees/" + id + "/plan.json");
        assertThat(document).contains("\"joins\" : \"1\"", "\"use\" : \"gate\"");
        Account other = Studio.owner(accounts, passwords);
        MockHttpServletResponse taken = mvc.perform(
                        org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart("/trees/import")
                                .file(new org.springframework.mock.web.MockMultipartFile(
                                        "document",
                                        "plan.json",
                                        "application/json",
                                        document.getBytes(java.nio.charset.StandardCharsets.UTF_8)))
                                .with(Studio.as(other))
                                .with(org.springframework.security.test.web.servlet.request
                                        .SecurityMockMvcRequestPostProcessors.csrf()))
                .andReturn()
                .getResponse();
        String at = taken.getRedirectedUrl().replaceAll("/tree\\?.*", "/gating");
        assertThat(page(other, at)).contains("6 parts placed", "1.13");
    }

    @Test
    void rodsAreCutFromSticksWithTheLeastWaste() throws Exception {
        Map<String, String> fields = built();
        fields.put("stick_mm", "100");
        long id = tree(owner, fields);
        // 80 of the 12 mm rod from one stick; two of 10 of the 9 mm rod, one cut of 1 between
        assertThat(page(owner, "/trees/" + id + "/gating")).contains("Rod 12 mm", "(80)", "(10 + 10)");
    }

    @Test
    void aTreeIsWeighedAndOuncesAreQuestioned() throws Exception {
        long id = tree(owner, built());
        String weigh = "/trees/" + id + "/weigh";
        // cup 40.8 + sprue 9.05 + gates 1.27 cm3 of 0.95, leaves 1.8 of 0.96: 50.3 g
        assertThat(page(owner, weigh)).contains("Planned: <b>50.3 g</b>");
        String doubt = send(owner, weigh, Map.of("typed", "1.8")).getContentAsString();
        assertThat(doubt).contains("Is the scale on <span>ounces</span>?", "51.0 g");
        assertThat(send(owner, weigh, Map.of("typed", "1.8", "unit", "OUNCE")).getRedirectedUrl())
                .isEqualTo(weigh + "?taken");
        assertThat(page(owner, "/trees/" + id + "/tree")).contains("value=\"51.0291 g\"", "metal by the weighed tree");
        assertThat(send(owner, weigh, Map.of("typed", "1.62")).getContentAsString())
                .contains("troy ounces");
        assertThat(send(owner, weigh, Map.of("typed", "32.5")).getContentAsString())
                .contains("pennyweights");
        assertThat(send(owner, weigh, Map.of("typed", "0.111")).getContentAsString())
                .contains("pounds");
        assertThat(send(owner, weigh, Map.of("typed", "a lot")).getContentAsString())
                .contains("is not a mass");
        assertThat(send(owner, weigh, Map.of("typed", "0")).getContentAsString())
                .contains("Nothing is on the pan");
    }

    @Test
    void theStandInScaleHasItsUnitButtonAndTare() throws Exception {
        long id = tree(owner, built());
        String weigh = "/trees/" + id + "/weigh";
        send(owner, weigh + "/scale", Map.of("button", "on"));
        Thread.sleep(2500);
        double grams = display(weigh);
        assertThat(grams).isBetween(50.0, 52.5);
        send(owner, weigh + "/scale", Map.of("button", "unit"));
        assertThat(display(weigh)).isBetween(1.7, 1.9);
        assertThat(send(owner, weigh, Map.of()).getContentAsString()).contains("ounces");
        send(owner, weigh + "/scale", Map.of("button", "tare"));
        assertThat(Math.abs(display(weigh))).isLessThan(0.02);
        assertThat(send(owner, weigh + "/scale", Map.of("button", "kick")).getStatus())
                .isEqualTo(400);
    }

    private double display(String weigh) throws Exception {
        return Double.parseDouble(page(owner, weigh + "/display").replaceAll("(?s).*<b>(-?[0-9.]+)</b>.*", "$1"));
    }

    @Test
    void everyVersionIsKeptWithItsReasonAndTakenUpAgain() throws Exception {
        long id = tree(owner, built());
        Map<String, String> second = built();
        second.put("version", "1");
        second.put("parts[gate].rod.diameter_mm", "6");
        second.put("change_note", "thinner gates to save chasing");
        assertThat(send(owner, "/trees/" + id + "/gating", second).getStatus()).isEqualTo(302);
        String versions = page(owner, "/trees/" + id + "/revisions");
        assertThat(versions).contains("thinner gates to save chasing", "6 placed", "revisions/1/take");
        assertThat(page(owner, "/trees/" + id + "/gating")).doesNotContain("thinner gates");
        assertThat(send(owner, "/trees/" + id + "/revisions/1/take", Map.of()).getStatus())
                .isEqualTo(302);
        assertThat(page(owner, "/trees/" + id + "/gating"))
                .contains("Not saved yet", "value=\"9 mm\"", "back to version 1");
        assertThat(send(owner, "/trees/" + id + "/revisions/77/take", Map.of()).getStatus())
                .isEqualTo(404);
        Account stranger = Studio.owner(accounts, passwords);
        assertThat(read(stranger, "/trees/" + id + "/revisions").getStatus()).isEqualTo(404);
    }

    @Test
    void rodFromWaxAndBack() throws Exception {
        // 100 g of 0.95 over pi / 4 x 0.36 cm2: 3.723 m; and 4 m of it weigh 107.4 g, 119.4 with a tenth left behind
        String page = page(owner, "/stock?diameter_mm=6&wax_g=100&material=sprue-wax");
        assertThat(page).contains("rod from this wax", "3723");
        assertThat(page(owner, "/stock?diameter_mm=6&length_mm=4m&lost_pct=10")).contains("wax to melt", "119");
        assertThat(page(owner, "/stock?wax_g=100")).contains("How thick is the rod?");
        assertThat(page(owner, "/stock?diameter_mm=thin&wax_g=1")).contains("is not a length");
        // 10 mm from 40 to 15 degrees in a place of 5: 810 s
        assertThat(page(owner, "/stock?diameter_mm=10&cold_C=5&firm_C=15"))
                .contains("in the cold until it is firm", "13 min 30 s");
        assertThat(page(owner, "/stock?diameter_mm=10&cold_C=10&material=soft-wax"))
                .contains("A place at 10 °C never makes it 8 °C.");
    }

    @Test
    void anotherStudiosTreeIsNotWeighed() throws Exception {
        long id = tree(owner, built());
        Account stranger = Studio.owner(accounts, passwords);
        assertThat(read(stranger, "/trees/" + id + "/weigh").getStatus()).isEqualTo(404);
        assertThat(send(stranger, "/trees/" + id + "/gating/layout", Map.of()).getStatus())
                .isEqualTo(404);
    }
}
