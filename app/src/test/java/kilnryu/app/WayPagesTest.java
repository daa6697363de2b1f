package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.servlet.http.Cookie;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** The frame round the work: verdict and next step, lists with faces, addresses that were posted, lines left empty. */
class WayPagesTest extends AppTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");

    @Test
    void theVerdictNamesTheWorstAndWhatMendsIt() throws Exception {
        long tree = tree(owner, WAX);
        Map<String, String> wide = new HashMap<>(FLASK);
        wide.put("tree_width_mm", "120");
        send(owner, "/trees/" + tree + "/mold", wide);
        String page = page(owner, "/trees/" + tree + "/tree");
        assertThat(page).containsPattern("id=\"verdict\" class=\"verdict-strip no-print stop\"");
        assertThat(page).contains("<b>Stop</b>", "Open Mold");
    }

    /** 70 wide fits the flask of 110 of the studio: the remedy is that flask, and taking it does it. */
    @Test
    void aRemedyIsDoneByItsButton() throws Exception {
        Map<String, String> shop = new LinkedHashMap<>(Map.of("version", "0"));
        shop.putAll(Map.of("flasks[a].name", "wide one", "flasks[a].inner_mm", "180", "flasks[a].height_mm", "180"));
        send(owner, "/equipment", shop);
        long tree = tree(owner, WAX);
        Map<String, String> wide = new HashMap<>(FLASK);
        wide.put("tree_width_mm", "120");
        send(owner, "/trees/" + tree + "/mold", wide);
        assertThat(page(owner, "/trees/" + tree + "/mold")).contains("Take wide one");
        send(owner, "/trees/" + tree + "/fit", Map.of("flask", "a"));
        assertThat(page(owner, "/trees/" + tree + "/mold"))
                .doesNotContain("<b>Stop</b>")
                .contains("value=\"wide one\"");
    }

    @Test
    void whatIsNotKnownIsNeverNoProblem() throws Exception {
        long tree = tree(owner, WAX);
        assertThat(page(owner, "/trees/" + tree + "/tree"))
                .contains("<b>Not yet judged</b>")
                .doesNotContain("No problems found");
    }

    @Test
    void savedLeadsOn() throws Exception {
        long tree = tree(owner, WAX);
        assertThat(page(owner, "/trees/" + tree + "/tree?saved"))
                .containsPattern("Saved\\. <a href=\"/trees/" + tree + "/");
    }

    @Test
    void aTreeWithoutPlacesIsDrawnFromItsList() throws Exception {
        long tree = tree(owner, WAX);
        assertThat(page(owner, "/trees/" + tree + "/tree"))
                .contains("class=\"draw lead\"", "from the list of parts; dashed is drawn as a ball of its volume");
    }

    /** A line that was added and left as it came does not stand in the way of saving; one that was begun does. */
    @Test
    void emptyLinesDoNotBlockASave() throws Exception {
        Map<String, String> typed = new HashMap<>(WAX);
        typed.putAll(Map.of("parts[b].name", "", "parts[b].role", "gating", "parts[b].how", "rod"));
        typed.putAll(Map.of("parts[b].material", "sprue-wax", "parts[b].rod.diameter_mm", ""));
        assertThat(send(owner, "/trees/0/tree", typed).getStatus()).isEqualTo(302);
        typed.put("parts[b].rod.diameter_mm", "6 mm");
        assertThat(send(owner, "/trees/0/tree", typed).getStatus()).isEqualTo(422);
        Map<String, String> bare = new HashMap<>(WAX);
        bare.keySet().removeIf(k -> k.startsWith("parts["));
        bare.putAll(Map.of("parts[b].role", "gating", "parts[b].how", "rod", "parts[b].material", "sprue-wax"));
        assertThat(send(owner, "/trees/0/tree", bare).getStatus())
                .as("a tree of nothing")
                .isEqualTo(422);
    }

    @Test
    void listsShowFacesMarksAndWhereItStands() throws Exception {
        long tree = tree(owner, WAX);
        send(owner, "/trees/" + tree + "/mold", FLASK);
        String page = page(owner, "/trees");
        assertThat(page).contains("outline of the tree", "not yet judged", "100 × 150 mm");
        assertThat(page(owner, "/trees?mark=stop")).contains("No tree is found by that.");
        assertThat(page(owner, "/trees?q=warbl")).contains("Reed warbler");
    }

    /** The piece is found by who it is for, and its tree by the same words. */
    @Test
    void piecesAndTheirTreesAreFoundByCommissionAndClient() throws Exception {
        Map<String, String> fields = new HashMap<>(Map.of("version", "0", "name", "Wentletrap", "alloy", "si-bronze"));
        fields.putAll(Map.of("commission", "Harbour wall", "client", "Pilot office", "made", "carved"));
        String at = send(owner, "/pieces/0", fields).getRedirectedUrl();
        long piece = Long.parseLong(at.replaceAll("\\D+(\\d+).*", "$1"));
        assertThat(page(owner, "/pieces?q=pilot")).contains("Wentletrap", "on no tree yet");
        Map<String, String> hung = new HashMap<>(WAX);
        hung.put("parts[a].piece", String.valueOf(piece));
        long tree = tree(owner, hung);
        assertThat(page(owner, "/trees?q=harbour")).contains("Reed warbler");
        assertThat(page(owner, "/pieces"))
                .contains("href=\"/trees/" + tree + "/tree\"")
                .doesNotContain("on no tree yet");
        // taken off the tree again it is on none
        Map<String, String> off = new HashMap<>(WAX);
        off.put("version", "1");
        send(owner, "/trees/" + tree + "/tree", off);
        assertThat(page(owner, "/pieces")).contains("on no tree yet");
        assertThat(page(owner, "/trees?q=harbour")).contains("No tree is found by that.");
    }

    @Test
    void aFilterStaysOverAVisitElsewhere() throws Exception {
        tree(owner, WAX);
        Cookie session = read(owner, "/trees").getCookie("SESSION");
        assertThat(visited(session, "/trees?mark=stop&sort=name")).contains("No tree is found by that.");
        visited(session, "/firings?state=done");
        assertThat(visited(session, "/trees")).contains("No tree is found by that.", "Show all");
        assertThat(visited(session, "/firings")).contains("<option value=\"done\" selected");
        assertThat(visited(session, "/trees?mark=")).contains("Reed warbler");
        assertThat(visited(session, "/trees")).contains("Reed warbler");
    }

    private String visited(Cookie session, String address) throws Exception {
        return mvc.perform(MockMvcRequestBuilders.get(address).cookie(session).with(Studio.as(owner)))
                .andReturn()
                .getResponse()
                .getContentAsString();
    }

    @Test
    void anAddressThatWasPostedLeadsToThePageAboveIt() throws Exception {
        long tree = tree(owner, WAX);
        String at = "/trees/" + tree;
        assertThat(read(owner, at + "/copy").getRedirectedUrl()).isEqualTo(at);
        assertThat(read(owner, at + "/mold/try").getRedirectedUrl()).isEqualTo(at + "/mold");
        assertThat(read(owner, "/today/reckon").getRedirectedUrl()).isEqualTo("/");
        assertThat(read(owner, "/api/compute/flask").getStatus())
                .as("programs are told so")
                .isEqualTo(405);
    }

    @Test
    void aNewLayoutSaysFirstWhatItChanges() throws Exception {
        long tree = tree(owner, WAX);
        Map<String, String> typed = new HashMap<>(WAX);
        typed.put("version", "1");
        typed.putAll(Map.of("layout.kind", "tiered", "layout.piece", "a", "layout.count", "6"));
        String says =
                send(owner, "/trees/" + tree + "/gating/layout/says", typed).getContentAsString();
        assertThat(says).contains("It would change:", "metal 836 g → ", "yield ", "gating parts 0 → ");
        // nothing was written by asking
        assertThat(page(owner, "/trees/" + tree + "/gating")).doesNotContain("Not saved yet");
    }

    @Test
    void anotherHourOfThePourIsOfferedOnTheFiringPage() throws Exception {
        long tree = tree(owner, WAX);
        send(owner, "/trees/" + tree + "/mold", FLASK);
        // poured at four in the morning: somebody would have to be there at night
        String four = LocalDateTime.now(ZONE)
                .plusDays(4)
                .truncatedTo(ChronoUnit.DAYS)
                .plusHours(4)
                .toString();
        send(owner, "/trees/" + tree + "/firing", Map.of("version", "0", "pour_at", four, "section", "medium"));
        assertThat(page(owner, "/trees/" + tree + "/firing"))
                .contains("instead, and nobody has to get up in the night.", "data-fills=\"pour_at\"");
    }

    @Test
    void equipmentIsDrawnAndLinesAreRemoved() throws Exception {
        Map<String, String> shop = new LinkedHashMap<>(Map.of("version", "0"));
        shop.putAll(Map.of("flasks[a].name", "three inch", "flasks[a].inner_mm", "76", "flasks[a].height_mm", "127"));
        shop.putAll(Map.of("flasks[b].name", "four inch", "flasks[b].inner_mm", "101", "flasks[b].height_mm", "152"));
        send(owner, "/equipment", shop);
        assertThat(page(owner, "/equipment")).contains(">three inch<", ">four inch<", "data-row-remove", "Add a flask");
        shop.put("version", "1");
        shop.put("flasks[a].name", "");
        shop.put("flasks[a].inner_mm", "");
        shop.put("flasks[a].height_mm", "");
        send(owner, "/equipment", shop);
        assertThat(page(owner, "/equipment")).doesNotContain(">three inch<").contains(">four inch<");
    }
}
