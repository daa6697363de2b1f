package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;

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
}
