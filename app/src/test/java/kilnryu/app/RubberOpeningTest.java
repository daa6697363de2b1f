package kilnryu.app;

import static kilnryu.app.Studio.as;
import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import kilnryu.app.piece.PieceOpenings;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** A piece with a mesh shows how its mold of rubber opens, and lends it its area. */
class RubberOpeningTest extends AppTest {
    @Autowired
    PieceOpenings openings;

    private long piece(byte[] mesh) throws Exception {
        long id = Long.parseLong(send(owner, "/pieces/0", Map.of("version", "0", "name", "Two limpets"))
                .getRedirectedUrl()
                .replaceAll("\\D+(\\d+).*", "$1"));
        upload(owner, "/pieces/" + id + "/mesh", "mesh", "two.stl", mesh);
        Instant until = Instant.now().plus(Duration.ofSeconds(60));
        while (!page(owner, "/pieces/" + id + "/mesh/state").contains("data-done")) {
            assertThat(Instant.now()).isBefore(until);
            Thread.sleep(100);
        }
        return id;
    }

    private String mold(long piece) throws Exception {
        Map<String, String> sheet = new LinkedHashMap<>(Map.of("version", "0", "name", "Limpets", "kind", "brushed"));
        sheet.put("piece", Long.toString(piece));
        sheet.put("material", "tin-silicone");
        sheet.put("coats[k1]", "0.6");
        sheet.put("coats[k2]", "5");
        sheet.put("hardener_per_100", "10");
        sheet.put("pot_life_min_23", "40 min");
        sheet.put("cure_h_23", "16 h");
        sheet.put("room_C", "23 C");
        return send(owner, "/rubber/0", sheet).getRedirectedUrl().replaceAll("\\?.*", "");
    }

    /** Two boxes of 10 mm, 10 mm apart: pulled left and right, 10 x 10 x 10 mm of rubber are held between them. */
    @Test
    void whatIsHeldBetweenTwoBodiesIsNamed() throws Exception {
        long piece = piece(MeshFiles.twoBoxes(20));
        var all = openings.of(owner, piece);
        assertThat(all).hasSize(3);
        assertThat(all.get(0).locked()).isEmpty();
        PieceOpenings.Seen side = all.stream()
                .filter(s -> s.way() == PieceOpenings.Way.SIDE)
                .findFirst()
                .orElseThrow();
        assertThat(side).isSameAs(all.get(2));
        assertThat(side.locked()).hasSize(1);
        assertThat(side.locked().get(0).depthMm()).isCloseTo(10, org.assertj.core.api.Assertions.within(0.01));
        assertThat(side.locked().get(0).cubicCm()).isCloseTo(1, org.assertj.core.api.Assertions.within(0.05));
        assertThat(side.locked().get(0).locks()).isFalse();
        String page = page(owner, mold(piece));
        assertThat(page)
                .contains(
                        "How it opens, by its mesh", "locks least", "10 mm deep, 1.0 cm³", "a part of its own goes out")
                .contains("Two parts come off: nothing is locked.");
        assertThat(openings.of(Studio.owner(accounts, passwords), piece)).isEmpty();
    }

    /** 2 x 600 mm2 are 12 cm2: 12 x 0.06 x 1.15 x 1.1 = 0.911 g in the first coat. */
    @Test
    void theAreaOfTheMeshIsTaken() throws Exception {
        assertThat(page(owner, mold(piece(MeshFiles.twoBoxes(20)))))
                .contains("0.83 g", "0.08 g")
                .doesNotContain("The area says how much rubber");
    }

    @Test
    void aMeshThatIsOpenIsNotParted() throws Exception {
        long piece = piece(MeshFiles.box(10, 20, 30, 11));
        assertThat(openings.of(owner, piece)).isEmpty();
        assertThat(page(owner, mold(piece))).doesNotContain("How it opens, by its mesh");
        for (PieceOpenings.Way way : PieceOpenings.Way.values()) {
            assertThat(PieceOpenings.Way.named(way.key())).contains(way);
        }
        assertThat(PieceOpenings.Way.named("moon")).isEmpty();
    }

    private String draw(String mold, String kind, String... fields) throws Exception {
        var request = post(mold + "/tap").with(as(owner)).with(csrf()).param("kind", kind);
        for (int i = 0; i < fields.length; i += 2) {
            request.param(fields[i], fields[i + 1]);
        }
        var result = mvc.perform(request).andReturn();
        assertThat(result.getResponse().getRedirectedUrl()).isEqualTo(mold + "?tool=" + kind + "#parting");
        return String.valueOf(result.getFlashMap().getOrDefault("fault", ""));
    }

    /** Seen from above 30 x 10 mm in a picture of 460 px with an edge of 34: its left rim at 0.0739, its right at 0.9261. */
    @Test
    void aPartingIsDrawnWithAFinger() throws Exception {
        String at = mold(piece(MeshFiles.twoBoxes(20)));
        assertThat(page(owner, at))
                .contains("Not yet judged:", "where it parts, where its wax goes in, how its parts are called.");
        assertThat(draw(at, "begin", "x", "0.0739", "y", "0.5")).isEmpty();
        assertThat(draw(at, "line", "x", "0.9261", "y", "0.5")).isEmpty();
        // 30 mm: half a key's distance, 9 cm2 of flange at 30 mm, and 2 x 9 x 0.56 x 1.15 = 11.6 g
        assertThat(page(owner, at))
                .contains("parting lines", "<b>30</b><i>mm</i>", "<b>9.00</b>", "<b>11.6</b>")
                .contains("1 keys");
        assertThat(draw(at, "spout", "x", "0.5", "y", "0.1")).isEmpty();
        assertThat(draw(at, "part", "x", "0.3", "y", "0.5")).isEqualTo("Say how the part is called, then touch it.");
        assertThat(draw(at, "part", "x", "0.3", "y", "0.5", "name", "front shell"))
                .isEmpty();
        assertThat(page(owner, at))
                .contains("front shell", "1 part is named; its undercuts ask for 2.")
                .doesNotContain("Not yet judged:</b> <span>where");
        assertThat(draw(at, "part", "x", "0.7", "y", "0.5", "name", "back shell"))
                .isEmpty();
        assertThat(page(owner, at)).doesNotContain("its undercuts ask for");
        assertThat(draw(at, "undraw")).isEmpty();
        assertThat(page(owner, at)).contains("its undercuts ask for 2.").doesNotContain("back shell");
        assertThat(draw(at, "line", "x", "aside", "y", "0.5")).isEqualTo("Touch the outline where it is to be.");
    }

    /** Two squares of 10 mm: 80 mm round both, drawn by cells of 0.2 mm. */
    @Test
    void theWholeOutlineMayBeItsLine() throws Exception {
        String at = mold(piece(MeshFiles.twoBoxes(20)));
        assertThat(draw(at, "undraw")).isEqualTo("Nothing is drawn.");
        assertThat(draw(at, "outline")).isEmpty();
        assertThat(page(owner, at)).containsPattern("parting lines</span><b>(79|80)(\\.\\d)?</b>");
    }

    @Test
    void whereThereIsNoMeshNothingIsDrawn() throws Exception {
        String at = mold(piece(MeshFiles.box(10, 20, 30, 11)));
        assertThat(draw(at, "outline")).startsWith("There is no outline to draw on");
        assertThat(page(owner, at)).doesNotContain("h-parting");
    }

    /** Half of 4 mm is thin, 4 as asked, 6 thick; one that was not touched stands in the list alone. */
    @Test
    void wallsStandWhereTheyWereMeasured() throws Exception {
        long piece = piece(MeshFiles.twoBoxes(20));
        Map<String, String> sheet = new LinkedHashMap<>(Map.of("version", "0", "name", "Limpets, 1"));
        sheet.put("piece", Long.toString(piece));
        sheet.put("target_mm", "4 mm");
        sheet.put("mold_C", "20 C");
        String wax = send(owner, "/waxes/0", sheet).getRedirectedUrl().replaceAll("\\?.*", "");
        waxTap(wax, "pour");
        waxTap(wax, "out");
        waxTap(wax, "wall", "mm", "2 mm", "where", "left", "x", "0.2", "y", "0.5");
        waxTap(wax, "wall", "mm", "4 mm", "where", "middle", "x", "0.5", "y", "0.5");
        waxTap(wax, "wall", "mm", "6 mm", "where", "right", "x", "0.8", "y", "0.5");
        waxTap(wax, "wall", "mm", "3.9 mm", "where", "inside", "x", "", "y", "");
        String bench = page(owner, wax + "/bench");
        assertThat(bench).contains("3 walls measured on the piece", "3.9 mm, inside");
        for (String colour : new String[] {"#a2382a", "#27685d", "#4d5f70"}) {
            assertThat(bench).containsPattern("<ellipse [^>]*rx=\"6.0\"[^>]*fill=\"" + colour);
        }
        assertThat(waxTap(wax, "paint")).isEqualTo("Say where wax was painted on.");
        assertThat(waxTap(wax, "paint", "what", "rim", "paint_mm", "thick")).isNotEmpty();
        assertThat(waxTap(wax, "paint", "what", "rim", "paint_mm", "1.5 mm")).isEmpty();
        assertThat(page(owner, wax + "/bench")).contains("Painted: rim, 1.5 mm");
    }

    private String waxTap(String wax, String kind, String... fields) throws Exception {
        var request = post(wax + "/tap").with(as(owner)).with(csrf()).param("kind", kind);
        for (int i = 0; i < fields.length; i += 2) {
            request.param(fields[i], fields[i + 1]);
        }
        return String.valueOf(mvc.perform(request).andReturn().getFlashMap().getOrDefault("fault", ""));
    }
}
