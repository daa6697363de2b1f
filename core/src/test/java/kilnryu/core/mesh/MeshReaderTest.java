package kilnryu.core.mesh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class MeshReaderTest {
    private static final Solids BOX = Solids.box(1, 2, 3, 10, 20, 30);

    @Test
    void everyKindOfFileGivesTheSameBox() {
        assertThat(volume(BOX.binaryStl(), "box.stl")).isCloseTo(6000, within(1e-6));
        assertThat(volume(BOX.textStl(), "box.stl")).isCloseTo(6000, within(1e-3));
        assertThat(volume(BOX.obj(), "box.obj")).isCloseTo(6000, within(1e-6));
        assertThat(volume(BOX.threeMf("millimeter", "1 0 0 0 1 0 0 0 1 0 0 0"), "box.3mf"))
                .isCloseTo(6000, within(1e-6));
    }

    @Test
    void theKindIsToldByWhatIsInTheFile() {
        assertThat(volume(BOX.binaryStl(), "box.txt")).isCloseTo(6000, within(1e-6));
        assertThat(volume(BOX.threeMf("inch", "1 0 0 0 1 0 0 0 1 0 0 0"), "box"))
                .isCloseTo(6000, within(1e-6));
        byte[] named = BOX.binaryStl();
        System.arraycopy("solid box".getBytes(StandardCharsets.US_ASCII), 0, named, 0, 9);
        assertThat(volume(named, "box.stl")).isCloseTo(6000, within(1e-6));
    }

    @Test
    void a3mfStatesItsUnitAndPlacesItsObjects() {
        Mesh mesh = Solids.read(BOX.threeMf("inch", "2 0 0 0 2 0 0 0 2 5 5 5"), "box.3mf");
        assertThat(mesh.statedUnit()).contains(MeshUnit.INCH);
        assertThat(Solid.of(mesh, Watch.NONE).volume()).isCloseTo(48000, within(1e-3));
        assertThat(mesh.box().low()).isEqualTo(new Vec(7, 9, 11));
    }

    @Test
    void aMirrored3mfItemKeepsItsOutside() {
        Mesh mesh = Solids.read(BOX.threeMf("millimeter", "-1 0 0 0 1 0 0 0 1 0 0 0"), "box.3mf");
        Solid solid = Solid.of(mesh, Watch.NONE);
        assertThat(solid.flipped()).isZero();
        assertThat(solid.volume()).isCloseTo(6000, within(1e-6));
    }

    @Test
    void objFacesMayHaveManyCornersAndCountBackwards() {
        String square = "v 0 0 0\nv 4 0 0\nv 4 4 0\nv 0 4 0\nf -4 -3 -2 -1\nf 1/1 2/2/2 3//3\n";
        assertThat(Solids.read(square.getBytes(StandardCharsets.US_ASCII), "s.obj")
                        .triangleCount())
                .isEqualTo(3);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "1.5",
                "-0.25",
                "+3",
                "1e3",
                "12.5E-2",
                ".5",
                "7.",
                "123456789012345678",
                "1.0000000000000001e-30"
            })
    void decimalsAreThePlatformsOwn(String text) {
        String file = "solid a\nfacet normal 0 0 0\nouter loop\nvertex " + text
                + " 0 0\nvertex 0 1 0\nvertex 0 0 1\nendloop\nendfacet\nendsolid a\n";
        Mesh mesh = Solids.read(file.getBytes(StandardCharsets.US_ASCII), "a.stl");
        assertThat((float) mesh.at(mesh.corner(0, 0)).x()).isEqualTo(Float.parseFloat(text));
    }

    @Test
    void anEmptyFileIsSaidToBeEmpty() {
        refused(new byte[0], "piece.stl", "0 bytes");
    }

    @Test
    void aTruncatedFileSaysHowMuchIsThere() {
        byte[] whole = BOX.binaryStl();
        refused(Arrays.copyOf(whole, whole.length - 120), "piece.stl", "12 triangles, 9 are there");
        byte[] text = BOX.textStl();
        refused(Arrays.copyOf(text, text.length / 2), "piece.stl", "ends in the middle");
        byte[] zip = BOX.threeMf("millimeter", "1 0 0 0 1 0 0 0 1 0 0 0");
        refused(Arrays.copyOf(zip, zip.length / 2), "piece.3mf", "");
        refused(new byte[20], "piece.stl", "20 bytes");
    }

    @Test
    void aHeaderThatClaimsBillionsCostsNothing() {
        byte[] file = BOX.binaryStl();
        ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN).putInt(80, -2);
        refused(file, "piece.stl", "claims 4,294,967,294 triangles, but the file has room for 12");
        assertThatThrownBy(() -> MeshReader.read(new ByteArrayInputStream(file), "piece.stl", -1, Watch.NONE))
                .isInstanceOf(UnreadableMesh.class)
                .hasMessageContaining("12 are there");
    }

    @Test
    void aCoordinateThatIsNoNumberIsPlaced() {
        byte[] file = BOX.binaryStl();
        ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN).putFloat(84 + 3 * 50 + 12, Float.NaN);
        refused(file, "piece.stl", "Triangle 4 has a coordinate that is not a number");
        refused("v 1 2 nan\nf 1 1 1".getBytes(StandardCharsets.US_ASCII), "a.obj", "not a number");
        refused("v 1 2 3e999\nf 1 1 1".getBytes(StandardCharsets.US_ASCII), "a.obj", "not a number");
    }

    @Test
    void textNamedStlIsSaidToBeText() {
        refused("Dear caster, here is my piece.".getBytes(StandardCharsets.UTF_8), "piece.stl", "plain text");
        refused("solid advice about gates\n".getBytes(StandardCharsets.UTF_8), "piece.stl", "text, not a mesh");
        refused("hello".getBytes(StandardCharsets.UTF_8), "piece.pdf", "no STL, OBJ or 3MF");
        refused("hello".getBytes(StandardCharsets.UTF_8), "piece.3mf", "not a zip");
    }

    @Test
    void aFaceMayNotNameCornersThatAreNotThere() {
        refused("v 0 0 0\nf 1 2 3\n".getBytes(StandardCharsets.US_ASCII), "a.obj", "only 1 are there");
        String model = "<model unit=\"millimeter\"><resources><object id=\"1\"><mesh><vertices>"
                + "<vertex x=\"0\" y=\"0\" z=\"0\"/></vertices><triangles><triangle v1=\"0\" v2=\"1\" v3=\"99\"/>"
                + "</triangles></mesh></object></resources><build><item objectid=\"1\"/></build></model>";
        refused(Solids.zipped("3D/3dmodel.model", bytes(model)), "a.3mf", "corner 1");
    }

    @Test
    void namesThatLeaveThePackageAreRefused() {
        refused(Solids.zipped("../../etc/model.model", bytes("<model/>")), "a.3mf", "leads out of it");
        refused(Solids.zipped("/abs.model", bytes("<model/>")), "a.3mf", "leads out of it");
    }

    @Test
    void xmlEntitiesAreNotOpened() {
        String entity = "<!DOCTYPE model [<!ENTITY x SYSTEM \"file:///etc/hostname\">]><model>&x;</model>";
        refused(Solids.zipped("3D/3dmodel.model", bytes(entity)), "a.3mf", "");
        String laughs = "<!DOCTYPE model [<!ENTITY a \"ha\"><!ENTITY b \"&a;&a;&a;\">]><model>&b;</model>";
        refused(Solids.zipped("3D/3dmodel.model", bytes(laughs)), "a.3mf", "");
    }

    @Test
    void aZipBombIsNotUnpacked() {
        refused(Solids.zipped("3D/3dmodel.model", new byte[120_000_000]), "a.3mf", "");
        refused(Solids.zipped("3D/texture.png", new byte[120_000_000]), "a.3mf", "unpacks to far more");
    }

    @Test
    void objectsThatContainEachOtherEnd() {
        String model = "<model><resources><object id=\"1\"><components>"
                + "<component objectid=\"1\"/><component objectid=\"1\"/></components></object></resources>"
                + "<build><item objectid=\"1\"/></build></model>";
        refused(Solids.zipped("3D/3dmodel.model", bytes(model)), "a.3mf", "far too often");
    }

    @Test
    void readingEndsWhenItIsCancelled() {
        byte[] file = Solids.sphere(10, 6).binaryStl();
        assertThatThrownBy(() -> MeshReader.read(
                        new ByteArrayInputStream(file), "a.stl", file.length, (step, share) -> share < 0.5))
                .isInstanceOf(Watch.Cancelled.class);
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static double volume(byte[] file, String name) {
        return Solid.of(Solids.read(file, name), Watch.NONE).volume();
    }

    private static void refused(byte[] file, String name, String word) {
        assertThatThrownBy(() -> Solids.read(file, name))
                .isInstanceOf(UnreadableMesh.class)
                .hasMessageContaining(word);
    }

    /** A dart of four corners with a notch: 62.5 mm2 by the sum over its edges, 5 mm thick; a fan from its first corner folds over. */
    @Test
    void aConcaveFaceIsCutTruly() throws Exception {
        String obj = """
                v 0 0 0
                v 10 0 0
                v 5 5 0
                v 5 20 0
                v 0 0 5
                v 10 0 5
                v 5 5 5
                v 5 20 5
                f 4 3 2 1
                """;
        // corner 3 is a notch: seen from above 0,0 - 10,0 - 5,5 - 5,20
        String sides = "f 5 6 7 8\nf 1 2 6 5\nf 2 3 7 6\nf 3 4 8 7\nf 4 1 5 8\n";
        byte[] file = (obj + sides).getBytes(java.nio.charset.StandardCharsets.UTF_8);
        Mesh mesh = MeshReader.read(new java.io.ByteArrayInputStream(file), "arrow.obj", file.length, Watch.NONE);
        Solid solid = Solid.of(mesh, Watch.NONE);
        // shoelace: |0*0-10*0 + 10*5-5*0 + 5*20-5*5 + 0| / 2 = (50 + 75) / 2
        assertThat(solid.isClosed()).isTrue();
        assertThat(solid.area())
                .isCloseTo(
                        2 * 62.5 + 5 * (10 + Math.sqrt(50) + 15 + Math.sqrt(425)),
                        org.assertj.core.api.Assertions.within(1e-3));
        assertThat(solid.volume()).isCloseTo(312.5, org.assertj.core.api.Assertions.within(1e-3));
    }
}
