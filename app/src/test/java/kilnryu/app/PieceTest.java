package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.httpBasic;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import javax.imageio.ImageIO;
import kilnryu.app.account.Account;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;

/** Pieces, their meshes and photos, as a browser or a program sends them. */
class PieceTest extends AppTest {
    private static final Map<String, String> SANDPIPER = Map.of(
            "version", "0",
            "name", "Sandpiper",
            "material", "injection-wax",
            "made", "injected",
            "alloy", "si-bronze",
            "mold", "flask",
            "mass_g", "5.76 g");

    private long piece(Map<String, String> fields) throws Exception {
        String to = send(owner, "/pieces/0", fields).getRedirectedUrl();
        return Long.parseLong(to.replaceAll("\\D+(\\d+).*", "$1"));
    }

    /** Waits until the mesh of a piece is no longer at work, and gives the piece's page. */
    private String measured(long piece) throws Exception {
        Instant until = Instant.now().plus(Duration.ofSeconds(30));
        while (Instant.now().isBefore(until)) {
            if (page(owner, "/pieces/" + piece + "/mesh/state").contains("data-done")) {
                return page(owner, "/pieces/" + piece);
            }
            Thread.sleep(50);
        }
        throw new AssertionError("not measured within 30 s");
    }

    @Test
    void aPieceIsKeptAndItsPatternScaleShown() throws Exception {
        Map<String, String> fields = new HashMap<>(SANDPIPER);
        fields.put("target.height_mm", "200 mm");
        long id = piece(fields);
        String page = page(owner, "/pieces/" + id);
        // 1 / (0.99 x 1.008 x 0.984) = 1.01838; 200 mm ask a pattern of 203.7
        assertThat(page).contains("Sandpiper", "1.0184", "204");
        assertThat(page(owner, "/pieces")).contains("Sandpiper");
        Account stranger = Studio.owner(accounts, passwords);
        assertThat(read(stranger, "/pieces/" + id).getStatus()).isEqualTo(404);
    }

    @Test
    void badInputKeepsWhatWasTypedAndSaysWhereItIsWrong() throws Exception {
        MockHttpServletResponse answer = send(
                owner,
                "/pieces/0",
                Map.of(
                        "version",
                        "0",
                        "name",
                        "Tern",
                        "mass_g",
                        "heavy",
                        "slushed.points",
                        "x",
                        "made",
                        "slushed",
                        "due",
                        "soon"));
        assertThat(answer.getStatus()).isEqualTo(422);
        assertThat(answer.getContentAsString())
                .contains("is not a mass", "value=\"heavy\"", "Write the day as", "Type the walls in mm");
    }

    @Test
    void savingOverAnothersSaveMerges() throws Exception {
        long id = piece(SANDPIPER);
        Map<String, String> theirs = new HashMap<>(SANDPIPER);
        theirs.put("version", "1");
        theirs.put("commission", "The lock-keeper");
        Map<String, String> mine = new HashMap<>(SANDPIPER);
        mine.put("version", "1");
        mine.put("mass_g", "6 g");
        assertThat(send(owner, "/pieces/" + id, theirs).getStatus()).isEqualTo(302);
        MockHttpServletResponse answer = send(owner, "/pieces/" + id, mine);
        assertThat(answer.getStatus()).isEqualTo(409);
        assertThat(answer.getContentAsString()).contains("The lock-keeper", "value=\"6 g\"");
    }

    @Test
    void aMeshIsMeasuredAndHeldAgainstTheScale() throws Exception {
        long id = piece(SANDPIPER);
        assertThat(upload(owner, "/pieces/" + id + "/mesh", "mesh", "bird.stl", MeshFiles.box(10, 20, 30, 12))
                        .getStatus())
                .isEqualTo(302);
        String page = measured(id);
        assertThat(page).contains("6.00", "22.0", "12 triangles, one body, closed", "bird.stl");
        // 6 cm3 of injection wax weigh 5.76 g: nothing to explain
        assertThat(page).doesNotContain("mass-hollow", "mass-heavier");
        assertThat(read(owner, "/pieces/" + id + "/mesh/state").getStatus()).isEqualTo(200);
        String view = page.replaceAll("(?s).*data-view=\"([^\"]+)\".*", "$1");
        assertThat(read(owner, view).getContentAsByteArray()).hasSize(4 + 12 * 36 + 12 * 4);
        Account stranger = Studio.owner(accounts, passwords);
        assertThat(read(stranger, view).getStatus()).isEqualTo(404);
    }

    /** A mesh of the casting, 6 cm3, asks a pattern 1.01838 times as large: 6.337 cm3. */
    @Test
    void aMeshOfTheCastingIsScaledUpOnRequest() throws Exception {
        Map<String, String> fields = new HashMap<>(SANDPIPER);
        fields.put("mesh_shows", "casting");
        long id = piece(fields);
        upload(owner, "/pieces/" + id + "/mesh", "mesh", "bird.stl", MeshFiles.box(10, 20, 30, 12));
        assertThat(measured(id)).contains("<b>6.34</b>");
    }

    /** A box of 10 x 20 x 30 mm has 22 cm2; two of them on a tree in shell 44. */
    @Test
    void aShellsAreaComesFromTheMeshesOfItsPieces() throws Exception {
        Map<String, String> fields = new HashMap<>(SANDPIPER);
        fields.put("mesh_shows", "pattern");
        long id = piece(fields);
        upload(owner, "/pieces/" + id + "/mesh", "mesh", "bird.stl", MeshFiles.box(10, 20, 30, 12));
        measured(id);
        Map<String, String> parts = new HashMap<>(WAX);
        parts.put("parts[a].count", "2");
        parts.put("parts[a].piece", Long.toString(id));
        long tree = tree(owner, parts);
        send(owner, "/trees/" + tree + "/mold", Map.of("version", "0", "mold_kind", "shell"));
        // at once, on the mold's own page: 44 cm2 of the two boxes, found by their link alone
        assertThat(page(owner, "/trees/" + tree + "/mold")).contains("<span>area under coat 1</span> <b>44.0 cm²</b>");

        assertThat(page(owner, "/trees/" + tree + "/shell")).doesNotContain("the meshes of its pieces give");
        Map<String, String> typed = Map.of("version", "1", "mold_kind", "shell", "shell.area_cm2", "90");
        send(owner, "/trees/" + tree + "/mold", typed);
        assertThat(page(owner, "/trees/" + tree + "/shell")).contains("the meshes of its pieces give 44.0 cm²");
        send(owner, "/trees/" + tree + "/shell/area", Map.of());
        assertThat(page(owner, "/trees/" + tree + "/mold")).contains("value=\"44 cm²\"");
        assertThat(page(owner, "/trees/" + tree + "/shell")).doesNotContain("the meshes of its pieces");
    }

    /**
     * Half a millimetre of wax over 22 cm2 are 1.1 cm3: 7.1 instead of 6, of 8.36 g/cm3 59.4 g; and so on the tree it goes onto,
     * where what is wanted is no count of pieces.
     */
    @Test
    void aWaxCoatingCountsForTheMetalAndGoesOntoTheTree() throws Exception {
        Map<String, String> fields = new HashMap<>(SANDPIPER);
        fields.putAll(Map.of(
                "mesh_shows", "pattern",
                "alloy", "si-bronze",
                "count", "14",
                "skin.material", "sculpture-wax",
                "skin.thickness_mm", "0.5"));
        long id = piece(fields);
        assertThat(page(owner, "/pieces/" + id)).contains("The wax coating is not counted yet");
        upload(owner, "/pieces/" + id + "/mesh", "mesh", "bird.stl", MeshFiles.box(10, 20, 30, 12));
        assertThat(measured(id)).contains("volume of one pattern with its wax coating", "7.10", "59.4");
        String tree = page(owner, "/trees/new?piece=" + id);
        assertThat(tree)
                .containsPattern("coat.thickness_mm[^>]*value=\"0.5 mm\"")
                .containsPattern("coat.area_cm2[^>]*value=\"22 cm²\"")
                .containsPattern("volume_cm3[^>]*value=\"6 cm³\"")
                .containsPattern("\\.count[^>]*value=\"1\"");
    }

    /** A hollow piece has two sides: half of the face where one is coated, and a question while that is not said. */
    @Test
    void aHollowPieceIsAskedWhichSidesAreCoated() throws Exception {
        Map<String, String> fields = new HashMap<>(SANDPIPER);
        fields.putAll(Map.of(
                "mesh_shows", "pattern",
                "solid", "hollow",
                "skin.material", "sculpture-wax",
                "skin.thickness_mm", "0.5"));
        long id = piece(fields);
        upload(owner, "/pieces/" + id + "/mesh", "mesh", "bird.stl", MeshFiles.box(10, 20, 30, 12));
        assertThat(measured(id)).contains("on one side or on both", "7.10");
        fields.put("skin.sides", "one");
        fields.put("version", "1");
        send(owner, "/pieces/" + id, fields);
        assertThat(page(owner, "/pieces/" + id)).contains("6.55").doesNotContain("on one side or on both");
    }

    /** Three layers gave 4.2 mm at the thinnest; 5 mm take 3.57. */
    @Test
    void layersOfASlushedWaxAreCountedOn() throws Exception {
        Map<String, String> fields = new HashMap<>(SANDPIPER);
        fields.putAll(
                Map.of("made", "slushed", "slushed.layers", "3", "slushed.points", "4.2 5.1", "slushed.aim_mm", "5"));
        assertThat(page(owner, "/pieces/" + piece(fields)))
                .contains("pours or layers to the wall aimed at", "3.57", "The wall is 4.2 mm at its thinnest point");
    }

    @Test
    void anotherSideUpIsLookedAtAnew() throws Exception {
        long id = piece(SANDPIPER);
        upload(owner, "/pieces/" + id + "/mesh", "mesh", "bird.stl", MeshFiles.box(10, 20, 30, 12));
        measured(id);
        assertThat(send(owner, "/pieces/" + id + "/mesh/up", Map.of("up", "0 0.7071 0.7071"))
                        .getStatus())
                .isEqualTo(302);
        assertThat(measured(id)).contains("data-up=\"0 0.707 0.707\"", "as turned");
        assertThat(send(owner, "/pieces/" + id + "/mesh/up", Map.of("up", "nonsense"))
                        .getStatus())
                .isEqualTo(302);
        assertThat(measured(id)).contains("data-up=\"0 0 1\"");
    }

    @Test
    void badMeshesAreRefusedInWords() throws Exception {
        long id = piece(SANDPIPER);
        byte[] whole = MeshFiles.box(10, 20, 30, 12);
        byte[] cut = java.util.Arrays.copyOf(whole, 300);
        upload(owner, "/pieces/" + id + "/mesh", "mesh", "../../bird.stl", cut);
        assertThat(measured(id)).contains("cut short", "<b>bird.stl</b>");
        upload(owner, "/pieces/" + id + "/mesh", "mesh", "letter.stl", "Dear caster".getBytes(StandardCharsets.UTF_8));
        assertThat(measured(id)).contains("plain text that is no mesh");
        assertThat(upload(owner, "/pieces/" + id + "/mesh", "mesh", "none.stl", new byte[0])
                        .getStatus())
                .isEqualTo(302);
        upload(owner, "/pieces/" + id + "/mesh", "mesh", "open.stl", MeshFiles.box(10, 20, 30, 11));
        assertThat(measured(id)).contains("The mesh is not closed: 3 open edges");
    }

    @Test
    void aPieceGoesOntoATreeWithAllThatIsKnownOfIt() throws Exception {
        long id = piece(SANDPIPER);
        upload(owner, "/pieces/" + id + "/mesh", "mesh", "bird.stl", MeshFiles.box(10, 20, 30, 12));
        measured(id);
        String tree = page(owner, "/trees/new?piece=" + id);
        assertThat(tree)
                .contains("value=\"Sandpiper\"", "value=\"6 cm³\"", "name=\"parts[p1].box.length_mm\" value=\"30 mm\"");
        assertThat(tree).contains("name=\"parts[p1].wall.thin_mm\" value=\"10 mm\"");
        assertThat(tree).contains("name=\"parts[p1].traps.high\" value=\"0\"");
    }

    @Test
    void photosAreDrawnAnewWithoutWhereTheyWereTaken() throws Exception {
        long id = piece(SANDPIPER);
        BufferedImage picture = new BufferedImage(40, 20, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = picture.createGraphics();
        g.setColor(Color.ORANGE);
        g.fillRect(0, 0, 40, 20);
        g.dispose();
        ByteArrayOutputStream jpeg = new ByteArrayOutputStream();
        ImageIO.write(picture, "jpeg", jpeg);
        byte[] file = withOrientationAndPlace(jpeg.toByteArray());
        assertThat(new String(file, StandardCharsets.ISO_8859_1)).contains("SECRET PLACE");
        upload(owner, "/pieces/" + id + "/photos", "photo", "bench.jpg", file);
        String page = page(owner, "/pieces/" + id);
        String address = page.replaceAll("(?s).*<img src=\"(/photos/\\d+)\".*", "$1");
        byte[] kept = read(owner, address).getContentAsByteArray();
        assertThat(new String(kept, StandardCharsets.ISO_8859_1)).doesNotContain("SECRET PLACE", "Exif");
        BufferedImage upright = ImageIO.read(new ByteArrayInputStream(kept));
        assertThat(upright.getWidth()).isEqualTo(20);
        assertThat(upright.getHeight()).isEqualTo(40);
        Account stranger = Studio.owner(accounts, passwords);
        assertThat(read(stranger, address).getStatus()).isEqualTo(404);
        upload(owner, "/pieces/" + id + "/photos", "photo", "bench.jpg", "no picture".getBytes(StandardCharsets.UTF_8));
        assertThat(upload(owner, "/pieces/" + id + "/photos", "photo", "b.jpg", new byte[0])
                        .getStatus())
                .isEqualTo(302);
    }

    /** An EXIF part that says the camera was turned (6) and names a place. */
    private static byte[] withOrientationAndPlace(byte[] jpeg) {
        byte[] place = "SECRET PLACE\0\0\0\0".getBytes(StandardCharsets.US_ASCII);
        java.nio.ByteBuffer exif = java.nio.ByteBuffer.allocate(6 + 8 + 2 + 24 + 4 + place.length);
        exif.put("Exif\0\0".getBytes(StandardCharsets.US_ASCII))
                .put((byte) 'M')
                .put((byte) 'M')
                .putShort((short) 42)
                .putInt(8);
        exif.putShort((short) 2);
        exif.putShort((short) 0x0112)
                .putShort((short) 3)
                .putInt(1)
                .putShort((short) 6)
                .putShort((short) 0);
        exif.putShort((short) 0x010e).putShort((short) 2).putInt(place.length).putInt(38);
        exif.putInt(0).put(place);
        java.nio.ByteBuffer out = java.nio.ByteBuffer.allocate(jpeg.length + 4 + exif.capacity());
        out.put(jpeg, 0, 2)
                .putShort((short) 0xffe1)
                .putShort((short) (exif.capacity() + 2))
                .put(exif.array());
        return out.put(jpeg, 2, jpeg.length - 2).array();
    }

    @Test
    void equipmentSaysByHowMuchAPieceIsTooLarge() throws Exception {
        assertThat(send(
                                owner,
                                "/equipment",
                                Map.of(
                                        "version",
                                        "0",
                                        "flask_diameter_mm",
                                        "6 in",
                                        "flask_height_mm",
                                        "250",
                                        "lift_kg",
                                        "25"))
                        .getStatus())
                .isEqualTo(302);
        assertThat(send(owner, "/equipment", Map.of("version", "1", "flask_height_mm", "tall"))
                        .getStatus())
                .isEqualTo(422);
        Map<String, String> large = new HashMap<>(SANDPIPER);
        large.put("box.height_mm", "380");
        large.put("box.width_mm", "100");
        large.put("box.depth_mm", "100");
        // 250 - 60 leaves 190 for the piece
        assertThat(page(owner, "/pieces/" + piece(large))).contains("190 mm over", "3 sections of about 130 mm");
    }

    @Test
    void theApiMeasuresAMeshAndKeepsNothing() throws Exception {
        String body = api(MeshFiles.box(10, 20, 30, 12), "bird.stl").getContentAsString();
        assertThat(body)
                .contains(
                        "\"volume_cm3\":6.0", "\"area_cm2\":22.0", "\"open_edges\":0", "\"size_mm\":[10.0,20.0,30.0]");
        assertThat(body).contains("\"min_wall_mm\":10.0");
        String open = api(MeshFiles.box(10, 20, 30, 11), "bird.stl").getContentAsString();
        assertThat(open).contains("\"volume_cm3\":null", "\"open_edges\":3", "mesh-open");
        MockHttpServletResponse bad = api("hello".getBytes(StandardCharsets.UTF_8), "bird.stl");
        assertThat(bad.getStatus()).isEqualTo(422);
        assertThat(bad.getContentAsString()).contains("\"field\":\"mesh\"", "plain text");
        assertThat(bad.getContentType()).startsWith("application/problem+json");
        assertThat(mvc.perform(multipart("/api/compute/mesh").with(httpBasic(owner.login(), Studio.PASSWORD)))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(422);
    }

    /** Two boxes of 1 cm3: sharing half 1.5 together, apart or face to face 2; the edges of a shared face have four faces. */
    @Test
    void theApiMeasuresWhatBodiesEncloseTogether() throws Exception {
        tools.jackson.databind.json.JsonMapper json =
                tools.jackson.databind.json.JsonMapper.builder().build();
        var half = json.readTree(api(MeshFiles.twoBoxes(5), "two.stl").getContentAsString());
        assertThat(half.path("figures").path("volume_cm3").asDouble())
                .isCloseTo(1.5, org.assertj.core.api.Assertions.within(0.005));
        assertThat(half.path("figures").path("overlapping").asBoolean()).isTrue();
        assertThat(half.path("figures").path("bodies").asInt()).isEqualTo(2);
        assertThat(half.path("figures").path("min_wall_mm").isNull()).isTrue();
        assertThat(half.path("findings").get(0).path("message").asString()).contains("one by one 2.000 cm³");
        var apart = json.readTree(api(MeshFiles.twoBoxes(30), "two.stl").getContentAsString());
        assertThat(apart.path("figures").path("volume_cm3").asDouble())
                .isCloseTo(2, org.assertj.core.api.Assertions.within(1e-9));
        assertThat(apart.path("figures").path("overlapping").asBoolean()).isFalse();
        var shared = json.readTree(api(MeshFiles.twoBoxes(10), "two.stl").getContentAsString());
        assertThat(shared.path("figures").path("crowded_edges").asInt()).isPositive();
        assertThat(shared.path("figures").path("volume_cm3").asDouble())
                .isCloseTo(2, org.assertj.core.api.Assertions.within(0.01));
    }

    private MockHttpServletResponse api(byte[] file, String name) throws Exception {
        return mvc.perform(multipart("/api/compute/mesh")
                        .file(new MockMultipartFile("mesh", name, "model/stl", file))
                        .with(httpBasic(owner.login(), Studio.PASSWORD)))
                .andReturn()
                .getResponse();
    }

    /** A piece with a mesh is drawn by the shadow of it on its tree, one without by an outline of its measures. */
    @Test
    void aPieceWithAMeshIsNeverAnEgg() throws Exception {
        long id = piece(SANDPIPER);
        Map<String, String> hung = new HashMap<>(WAX);
        hung.put("parts[a].piece", String.valueOf(id));
        hung.putAll(Map.of("layout.kind", "direct", "layout.piece", "a", "parts[a].count", "1", "version", "0"));
        hung.putAll(Map.of(
                "parts[a].box.length_mm", "60", "parts[a].box.width_mm", "40", "parts[a].box.thickness_mm", "30"));
        String egg = drawn(hung);
        assertThat(egg).contains(" A").as("an ellipse").contains("data-of=\"a\"");
        upload(owner, "/pieces/" + id + "/mesh", "mesh", "bird.stl", MeshFiles.box(10, 20, 30, 12));
        measured(id);
        String seen = drawn(hung);
        assertThat(seen).doesNotContain(" A").contains("L");
        assertThat(page(owner, "/pieces")).contains("outline of the piece").doesNotContain("stroke-dasharray=\"3 3\"");
    }

    /** The path of the piece in the drawing of a layout that is tried. */
    private String drawn(Map<String, String> hung) throws Exception {
        String page = send(owner, "/trees/0/gating/layout", hung).getContentAsString();
        var path = java.util.regex.Pattern.compile("<path d=\"([^\"]+)\"[^>]*data-of=\"a\"")
                .matcher(page);
        assertThat(path.find()).as("the piece is drawn").isTrue();
        return path.group();
    }
}
