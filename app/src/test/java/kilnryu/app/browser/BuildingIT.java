package kilnryu.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** From a mesh to a gated tree that is weighed, in the browser. */
@BrowserTest.TurnsAMesh
class BuildingIT extends BrowserTest {
    private static final int[][] FACES = {
        {0, 2, 3, 1}, {4, 5, 7, 6}, {0, 1, 5, 4}, {2, 6, 7, 3}, {0, 4, 6, 2}, {1, 3, 7, 5}
    };

    /** A slab of 40 x 20 x 5 mm. */
    private static Path slab() throws java.io.IOException {
        ByteBuffer out = ByteBuffer.allocate(84 + 50 * 12).order(ByteOrder.LITTLE_ENDIAN);
        out.putInt(80, 12).position(84);
        for (int t = 0; t < 12; t++) {
            int[] f = FACES[t / 2];
            int[] corners = t % 2 == 0 ? new int[] {f[0], f[1], f[2]} : new int[] {f[0], f[2], f[3]};
            out.position(out.position() + 12);
            for (int c : corners) {
                out.putFloat((c & 1) * 40f).putFloat((c >> 1 & 1) * 20f).putFloat((c >> 2) * 5f);
            }
            out.putShort((short) 0);
        }
        Path file = Files.createTempFile("slab", ".stl");
        return Files.write(file, out.array());
    }

    private void choose(String label, String value) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true)).selectOption(value);
    }

    /** A piece with a mesh, measured; gives its address. */
    private String measuredPiece() throws java.io.IOException {
        page.navigate(app.address() + "/pieces/new");
        page.getByLabel("Piece", new Page.GetByLabelOptions().setExact(true)).fill("Slate tile");
        choose("Alloy", "si-bronze");
        choose("Material", "injection-wax");
        press("Save");
        page.waitForURL(Pattern.compile(".*/pieces/\\d+\\?saved"));
        Path file = slab();
        page.locator("#mesh-file").setInputFiles(file);
        press("Measure it");
        assertThat(page.locator(".facts")).containsText("12 triangles, one body, closed");
        Files.delete(file);
        return page.url().replaceAll("[?#].*", "");
    }

    @Test
    void aMeshIsUploadedTurnedAndTakenOntoATree() throws java.io.IOException {
        measuredPiece();
        assertThat(page.locator(".facts")).containsText("40 mm × 20 mm × 5 mm");
        // 40 x 20 x 5 mm
        assertThat(figure("volume of one pattern").locator("b").first()).hasText("4.00");
        Locator viewer = page.locator(".viewer.live");
        assertThat(viewer).isVisible();
        Locator canvas = viewer.locator("canvas");
        byte[] before = canvas.screenshot();
        BoundingBox box = canvas.boundingBox();
        page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
        page.mouse().down();
        page.mouse().move(box.x + box.width / 2 + 130, box.y + box.height / 2 + 60);
        page.mouse().up();
        assertThat(canvas.screenshot()).isNotEqualTo(before);
        press("Colour by wall");
        assertThat(page.locator(".scale-key")).containsText("5.00 mm");
        accessible("piece with a mesh");

        press("This side up");
        assertThat(page.locator(".viewer")).hasAttribute("data-up", Pattern.compile(".*\\d\\.\\d+.*"));
        page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("Onto a tree").setExact(true))
                .click();
        assertThat(page.getByLabel("Volume of one")).hasValue("4 cm³");
        assertThat(figure("metal in the cavity").locator("b").first()).hasText("33.4");
    }

    @Test
    void aFileThatIsNoMeshIsRefusedInWords() throws java.io.IOException {
        String piece = measuredPiece();
        Path letter = Files.createTempFile("letter", ".stl");
        Files.writeString(letter, "Dear caster");
        page.locator("#mesh-file").setInputFiles(letter);
        press("Measure it");
        assertThat(page.locator("#mesh-state")).containsText("plain text that is no mesh");
        Files.delete(letter);
        assertThat(page.url()).startsWith(piece);
    }

    /** A tile standing on a runner, calm from below; gives the tree's address. */
    private String standingTree() {
        page.navigate(app.address() + "/trees/new");
        page.getByLabel("Name of the tree").fill("Slate tiles");
        page.getByLabel("Alloy").selectOption("si-bronze");
        page.getByLabel("Material").selectOption("injection-wax");
        page.getByLabel("Mass of one").first().fill("12");
        press("Save");
        page.waitForURL(Pattern.compile(".*/trees/\\d+/tree\\?saved"));
        String tree = page.url().replaceAll("/tree\\?saved", "");
        page.navigate(tree + "/gating");
        page.getByLabel("Layout", new Page.GetByLabelOptions().setExact(true)).selectOption("from-below");
        page.locator("[data-layout]").click();
        assertThat(page.locator("#tree-drawing svg")).isVisible();
        return tree;
    }

    @Test
    void aVentIsPlacedFromASuggestion() {
        standingTree();
        page.locator("select[name=gating_school]").selectOption("calm");
        // a tile this thick has its feeder on top, where the vent of a thin one stands
        Locator top = page.locator(".member[data-use=feeder]").last();
        top.locator("summary").click();
        top.locator("[data-remove]").click();
        assertThat(page.locator("[data-check^='high-point']")).isVisible();
        page.locator("[data-offer]", new Page.LocatorOptions().setHasText("Set a vent on"))
                .click();
        assertThat(page.locator("[data-check^='high-point']")).hasCount(0);
        assertThat(page.locator("[data-check^='vent-']")).hasCount(0);
        press("Undo");
        assertThat(page.locator("[data-check^='high-point']")).isVisible();
        accessible("builder");
    }

    @Test
    void aGateIsDraggedUndoneAndMovedByKeys() {
        String tree = standingTree();
        press("Save");
        page.waitForURL("**/gating?saved");
        Locator at = page.locator("[name='parts[gate].at_mm']");
        String before = at.inputValue();
        Locator grip = page.locator(".grip[data-key=gate][data-field=at_mm]");
        BoundingBox box = grip.boundingBox();
        page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
        page.mouse().down();
        page.mouse()
                .move(
                        box.x + box.width / 2 + 12,
                        box.y + box.height / 2,
                        new com.microsoft.playwright.Mouse.MoveOptions().setSteps(4));
        page.mouse().up();
        assertThat(at).not().hasValue(before);
        String moved = at.inputValue();
        assertThat(Double.parseDouble(moved.replace(" mm", "")))
                .isGreaterThan(Double.parseDouble(before.replace(" mm", "")));
        assertThat(grip).hasAttribute("data-value", Pattern.compile(moved.replace(" mm", "") + "0*"));
        press("Undo");
        assertThat(at).hasValue(before);
        press("Redo");
        assertThat(at).hasValue(moved);
        answered("**/gating/try", () -> press("Undo"));
        assertThat(at).hasValue(before);
        assertThat(grip).hasAttribute("data-value", Pattern.compile(before.replace(" mm", "") + "(\\.0+)?"));
        assertThat(page.locator(".htmx-request, .htmx-swapping, .htmx-settling"))
                .hasCount(0);
        grip.focus();
        answered("**/gating/try", () -> page.keyboard().press("Shift+ArrowUp"));
        assertThat(at).hasValue(plus(before, 5));
        assertThat(grip).isFocused();
        page.reload();
        assertThat(page.getByText("Not saved yet")).isVisible();
        assertThat(at).hasValue(plus(before, 5));
        assertThat(tree).contains("/trees/");
    }

    private static String plus(String mm, int more) {
        double sum = Double.parseDouble(mm.replace(" mm", "")) + more;
        return (sum == Math.rint(sum) ? Integer.toString((int) sum) : Double.toString(sum)) + " mm";
    }

    @Test
    void aTreeIsWeighedOnAScaleThatIsOnOunces() {
        String tree = standingTree();
        press("Save");
        page.waitForURL("**/gating?saved");
        page.navigate(tree + "/weigh");
        press("Tree on");
        while (!page.locator(".stand-in b").textContent().equals("oz")) {
            press("Unit");
        }
        assertThat(page.locator("#display")).containsText("steady");
        press("Take the reading");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("Is the scale on ounces?");
        accessible("weigh-in with a doubt");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("Yes, ounces.*")))
                .click();
        assertThat(page.getByText("Taken.")).isVisible();
        page.navigate(tree + "/tree");
        assertThat(figure("metal by the weighed tree")).isVisible();
    }
}
