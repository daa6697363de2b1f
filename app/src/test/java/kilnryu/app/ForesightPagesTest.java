package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;

/** A tree filled and frozen ahead: tried, kept, old after a change, a change tried beside it and taken. */
class ForesightPagesTest extends AppTest {
    private static final Map<String, String> COARSE = Map.of("cells", "60000");

    /** A tree whose leaf is an egg of 60 x 40 x 40 mm on a gate of 6 mm: it is left alone. */
    private static Map<String, String> heavy() {
        Map<String, String> fields = new LinkedHashMap<>(GatingPagesTest.built());
        fields.put("parts[gate].count", "1");
        fields.put("parts[gate].rod.diameter_mm", "6");
        fields.put("parts[gate].tilt_deg", "0");
        fields.put("parts[leaf].count", "1");
        fields.put("parts[leaf].volume_cm3", "50");
        fields.put("parts[leaf].tilt_deg", "0");
        fields.put("parts[leaf].box.length_mm", "60");
        fields.put("parts[leaf].box.width_mm", "40");
        fields.put("parts[leaf].box.thickness_mm", "40");
        fields.keySet().removeIf(f -> f.contains("wall."));
        return fields;
    }

    private String saved(Map<String, String> fields) throws Exception {
        MockHttpServletResponse response = send(owner, "/trees/0/gating", fields);
        assertThat(response.getStatus()).isEqualTo(302);
        return "/trees/" + response.getRedirectedUrl().replaceAll("\\D+(\\d+).*", "$1");
    }

    @Test
    void itIsTriedKeptAndOldAfterAChange() throws Exception {
        String tree = saved(heavy());
        assertThat(page(owner, tree + "/gating"))
                .contains("Try it: fill and freeze")
                .contains("/gating/ahead");
        String before = page(owner, tree + "/foresight");
        assertThat(before).contains("Try it: fill and freeze").doesNotContain("cut-drawn");
        assertThat(send(owner, tree + "/foresight", COARSE).getRedirectedUrl()).isEqualTo(tree + "/foresight");
        String page = page(owner, tree + "/foresight");
        assertThat(page)
                .contains("Pool in ")
                .contains("has no mesh: it is frozen as an egg")
                .contains("surface tension under 1 mm")
                .contains("<svg")
                .doesNotContain("No pool in a casting");
        assertThat(page(owner, tree + "/foresight/cut?plane=side&off=0&step=10"))
                .contains("filling,");
        assertThat(page(owner, tree + "/foresight/cut?plane=level&step=200")).contains("after it is full");
        assertThat(page(owner, tree + "/foresight/cut?by=fine"))
                .contains("weakest tenth")
                .contains("Only relative, there is no limit")
                .doesNotContain("still liquid");
        assertThat(page(owner, tree + "/foresight/cut?plane=x&off=nonsense&step=-3"))
                .contains("<svg");
        assertThat(page(owner, tree + "/gating")).contains("Filled and frozen ahead: Pool in ");
        assertThat(page(owner, tree + "/mold")).doesNotContain("The tree was changed since");
        // the hour of the pour and a note change nothing of it
        Map<String, String> firing = Map.of("version", "0", "pour_at", "2031-05-04T16:00");
        assertThat(send(owner, tree + "/firing", firing).getStatus()).isEqualTo(302);
        assertThat(page(owner, tree + "/foresight")).doesNotContain("The tree was changed since");
        Map<String, String> hotter = Map.of("version", "1", "pour_at", "2031-05-04T16:00", "mold_C", "600 °C");
        assertThat(send(owner, tree + "/firing", hotter).getStatus()).isEqualTo(302);
        assertThat(page(owner, tree + "/foresight")).contains("The tree was changed since");
        Map<String, String> back = Map.of("version", "2", "pour_at", "2031-05-04T16:00");
        assertThat(send(owner, tree + "/firing", back).getStatus()).isEqualTo(302);
        assertThat(page(owner, tree + "/foresight")).doesNotContain("The tree was changed since");
        Map<String, String> changed = new LinkedHashMap<>(heavy());
        changed.put("version", "1");
        changed.put("parts[gate].rod.diameter_mm", "10");
        assertThat(send(owner, tree + "/gating", changed).getStatus()).isEqualTo(302);
        assertThat(page(owner, tree + "/gating"))
                .contains("The tree was changed since it was filled and frozen ahead.")
                .doesNotContain("Filled and frozen ahead: Pool in ");
        assertThat(page(owner, tree + "/foresight"))
                .contains("The tree was changed since it was filled and frozen here.")
                .contains("Pool in ");
    }

    @Test
    void aChangeIsTriedBesideThePresentAndTakenOnce() throws Exception {
        String tree = saved(heavy());
        send(owner, tree + "/foresight", COARSE);
        String page = page(owner, tree + "/foresight");
        String code = page.replaceAll("(?s).*?foresight\\?change=([^\"&#]+)[\"#].*", "$1");
        code = java.net.URLDecoder.decode(code, java.nio.charset.StandardCharsets.UTF_8);
        assertThat(code).startsWith("stands~feeder~leaf~");
        String tried = page(owner, tree + "/foresight/try?change=" + code);
        assertThat(tried)
                .contains("Old beside new")
                .contains("hollow in castings")
                .contains("Take it into the tree");
        assertThat(page(owner, tree + "/foresight/try?change=nonsense")).doesNotContain("Old beside new");
        Map<String, String> take = new HashMap<>(Map.of("change", code, "version", "1", "firingVersion", "0"));
        assertThat(send(owner, tree + "/foresight/take", take).getRedirectedUrl())
                .endsWith("/foresight?taken");
        assertThat(page(owner, tree + "/gating")).contains(">feeder<").contains("leaf");
        // tapped again it names a version that is gone
        assertThat(send(owner, tree + "/foresight/take", take).getStatus()).isEqualTo(409);
        assertThat(page(owner, tree + "/revisions")).contains("Looked ahead: feeder");
    }

    @Test
    void whatIsMissingIsSaid() throws Exception {
        Map<String, String> list = new LinkedHashMap<>(heavy());
        list.keySet().removeIf(f -> f.endsWith("joins"));
        String tree = saved(list);
        assertThat(page(owner, tree + "/foresight")).contains("Not yet judged: lay the tree out");
        assertThat(send(owner, tree + "/foresight", COARSE).getStatus()).isEqualTo(422);
    }

    @Test
    void whileItIsBuiltItIsLookedAtCoarse() throws Exception {
        String tree = saved(heavy());
        Map<String, String> typed = new LinkedHashMap<>(heavy());
        MockHttpServletResponse seen = send(owner, tree + "/gating/ahead", typed);
        assertThat(seen.getContentAsString())
                .contains("Looked ahead, coarse")
                .contains("data-last")
                .contains("data-x=");
        typed.put("parts[cup].cone.length_mm", "far too much");
        assertThat(send(owner, tree + "/gating/ahead", typed).getContentAsString())
                .contains("Not filled and frozen yet");
    }

    @Test
    void gatesAndFeedersAreLookedFor() throws Exception {
        String tree = saved(heavy());
        assertThat(page(owner, tree + "/foresight")).contains("Search gates and feeders");
        assertThat(send(owner, tree + "/foresight/search", Map.of()).getRedirectedUrl())
                .endsWith("?searched#found");
        String page = page(owner, tree + "/foresight?searched");
        assertThat(page)
                .contains("Gates, feeders and vents that were found")
                .contains("1. ")
                .contains("g of metal");
        Map<String, String> take = Map.of("version", "1");
        assertThat(send(owner, tree + "/foresight/found/0", take).getRedirectedUrl())
                .endsWith("?taken");
        assertThat(page(owner, tree + "/revisions")).contains("Found: ");
        // what was found belonged to the tree as it was
        assertThat(send(owner, tree + "/foresight/found/0", take).getStatus()).isEqualTo(409);
        assertThat(page(owner, tree + "/foresight")).doesNotContain("Gates, feeders and vents that were found");
    }

    /** A post of 20 x 16 x 60 mm as a mesh: upright it stands on its foot, and every way up is compared. */
    @Test
    void aPieceWithAMeshIsFrozenByItAndComparedWithEachSideUp() throws Exception {
        long piece = Long.parseLong(send(owner, "/pieces/0", Map.of("version", "0", "name", "Mooring post"))
                .getRedirectedUrl()
                .replaceAll("\\D+(\\d+).*", "$1"));
        upload(owner, "/pieces/" + piece + "/mesh", "mesh", "post.stl", MeshFiles.box(20, 16, 60, 12));
        Instant until = Instant.now().plus(Duration.ofSeconds(60));
        while (!page(owner, "/pieces/" + piece + "/mesh/state").contains("data-done")) {
            assertThat(Instant.now()).isBefore(until);
            Thread.sleep(100);
        }
        Map<String, String> fields = new LinkedHashMap<>(heavy());
        fields.put("parts[leaf].piece", Long.toString(piece));
        fields.put("parts[leaf].volume_cm3", "19.2");
        fields.put("parts[leaf].box.length_mm", "60");
        fields.put("parts[leaf].box.width_mm", "20");
        fields.put("parts[leaf].box.thickness_mm", "16");
        String tree = saved(fields);
        send(owner, tree + "/foresight", COARSE);
        assertThat(page(owner, tree + "/foresight"))
                .doesNotContain("has no mesh")
                .doesNotContain("the mesh is frozen, so it is not yet judged");
        String ways = page(owner, tree + "/foresight/ways");
        assertThat(ways).contains("top of the file up").contains("as it hangs").contains("bottom up");
        assertThat(ways)
                .contains("solid, whole")
                .contains("hollow, 5.0 mm wall")
                .contains("in 3 sections");
        assertThat(page(owner, saved(heavy()) + "/foresight/ways")).contains("Not yet judged: no piece of this tree");
    }

    /** What was foreseen stands against the tree in the list as well, not only on its own pages. */
    @Test
    void theListOfTreesKnowsWhatWasForeseen() throws Exception {
        Map<String, String> fields = heavy();
        fields.put("name", "Heavy leaf of the list");
        String tree = saved(fields);
        assertThat(page(owner, "/trees?mark=stop")).doesNotContain("Heavy leaf of the list");
        send(owner, tree + "/foresight", COARSE);
        assertThat(page(owner, tree + "/foresight")).contains(">Stop<");
        assertThat(page(owner, "/trees?mark=stop")).contains("Heavy leaf of the list");
        page(owner, "/trees?mark=");
    }

    /** A feeder of 19 mm is solid long before an egg of 40 mm; in a sleeve it is liquid to the end and is the last. */
    @Test
    void aSleevedFeederStaysOpenLonger() throws Exception {
        Map<String, String> fields = heavy();
        Map<String, String> stands = Map.of("joins", "leaf", "at_mm", "30", "tilt_deg", "90", "count", "1");
        GatingPagesTest.part(fields, "feeder", "feeder", "rod", stands);
        fields.put("parts[feeder].rod.diameter_mm", "19");
        fields.put("parts[feeder].rod.length_mm", "60");
        String bare = saved(fields);
        send(owner, bare + "/foresight", COARSE);
        assertThat(page(owner, bare + "/foresight")).contains("Pool in ");
        fields.put("feeders_insulated", "sleeved");
        // the second stands out over the rim, and is filled to it
        for (String length : List.of("60", "80")) {
            fields.put("parts[feeder].rod.length_mm", length);
            String sleeved = saved(fields);
            send(owner, sleeved + "/foresight", COARSE);
            assertThat(page(owner, sleeved + "/gating"))
                    .contains("Feeders stand")
                    .contains("in sleeves");
            assertThat(page(owner, sleeved + "/foresight")).as(length).doesNotContain("Pool in ");
        }
    }
}
