package kilnryu.app.piece;

import static kilnryu.app.Typing.over;
import static kilnryu.app.Typing.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.equipment.EquipmentReader;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Units;
import kilnryu.core.finding.Finding;
import kilnryu.core.mesh.Box;
import kilnryu.core.mesh.Vec;
import kilnryu.core.mesh.Walls;
import kilnryu.core.piece.Equipment;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A piece as typed, with a mesh and without. */
class PieceReaderTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 5, 8);
    private static final Map<String, String> PIECE =
            typed("name", "lantern fish", "material", "sculpture-wax", "alloy", "si-bronze", "mold", "block");

    /** A closed body of 100 x 60 x 40 in its file's unit: 200 000 and 20 000. */
    private static MeshSummary mesh(boolean closed, String unit, Walls walls) {
        return new MeshSummary(
                12,
                0,
                unit,
                200_000,
                20_000,
                new Box(new Vec(0, 0, 0), new Vec(60, 40, 100)),
                closed,
                closed ? 0 : 4,
                0,
                0,
                false,
                1,
                0,
                List.of(),
                walls,
                Map.of(),
                200_000,
                false,
                false);
    }

    private static final MeshSummary SOLID = mesh(true, "mm", null);

    private static PieceReader.Piece read(Map<String, String> typed, MeshSummary mesh) {
        return read(Fields.typed(typed, Units.METRIC), mesh, EquipmentReader.none());
    }

    private static PieceReader.Piece read(Fields fields, MeshSummary mesh, Equipment equipment) {
        return PieceReader.read(fields, Optional.ofNullable(mesh), equipment, Factors.HANDBOOK, TODAY);
    }

    private static Map<String, String> errors(Map<String, String> typed, MeshSummary mesh) {
        Fields fields = Fields.typed(typed, Units.METRIC);
        read(fields, mesh, EquipmentReader.none());
        return fields.errors();
    }

    private static double value(PieceReader.Piece piece, String symbol) {
        return figure(piece, symbol).orElseThrow().value();
    }

    private static Optional<Figure> figure(PieceReader.Piece piece, String symbol) {
        return piece.figures().stream().filter(f -> f.symbol().equals(symbol)).findFirst();
    }

    private static List<String> found(PieceReader.Piece piece) {
        return piece.findings().all().stream().map(Finding::id).toList();
    }

    /** 200 cm3 and 200 cm2; solid silicon bronze 200 x 8.36 = 1672 g; hollow with 4 to 6 mm, 200 x 0.5 x 8.36 = 836. */
    @Test
    void volumeAndMetalFromTheMesh() {
        PieceReader.Piece piece = read(PIECE, SOLID);
        assertThat(value(piece, "volume")).isCloseTo(200, within(1e-9));
        assertThat(value(piece, "area")).isCloseTo(200, within(1e-9));
        assertThat(value(piece, "metal")).isCloseTo(1672, within(1e-6));
        assertThat(piece.sizes()).containsExactly(100, 60, 40);
        assertThat(piece.unit()).isEqualTo(1);
        assertThat(value(read(over(PIECE, "slushed.aim_mm", "4"), SOLID), "hollow_metal"))
                .isCloseTo(200 * 0.4 * 8.36, within(1e-6));
        // a wall so thick that hollow weighs more than solid is no figure
        assertThat(figure(read(over(PIECE, "slushed.aim_mm", "11"), SOLID), "hollow_metal"))
                .isEmpty();
    }

    /** In inches a side of 100 is 2540 mm; a file in centimetres has 1000 times the volume. */
    @Test
    void theFilesUnit() {
        PieceReader.Piece inches = read(PIECE, mesh(true, "in", null));
        assertThat(inches.sizes()[0]).isCloseTo(2540, within(1e-6));
        PieceReader.Piece centimetres = read(over(PIECE, "mesh_unit", "cm"), SOLID);
        assertThat(value(centimetres, "volume")).isCloseTo(200_000, within(1e-6));
        assertThat(centimetres.unit()).isEqualTo(10);
    }

    /** 0.5 mm over 200 cm2 are 10 cm3 more of everything; over one side of a hollow piece half of that. */
    @Test
    void aWaxCoatingCounts() {
        Map<String, String> coated = over(PIECE, "skin.thickness_mm", "0.5", "skin.material", "sculpture-wax");
        PieceReader.Piece solid = read(coated, SOLID);
        assertThat(value(solid, "volume")).isCloseTo(210, within(1e-9));
        assertThat(value(solid, "metal")).isCloseTo(210 * 8.36, within(1e-6));
        assertThat(solid.bare().orElseThrow().value()).isCloseTo(200, within(1e-9));
        assertThat(solid.coating().orElseThrow().area()).isCloseTo(200, within(1e-9));
        assertThat(found(solid)).doesNotContain("coating-sides", "coating-unmeasured");
        PieceReader.Piece hollow = read(over(coated, "solid", "hollow"), SOLID);
        assertThat(found(hollow)).contains("coating-sides");
        assertThat(value(hollow, "volume")).isCloseTo(210, within(1e-9));
        PieceReader.Piece one = read(over(coated, "solid", "hollow", "skin.sides", "one"), SOLID);
        assertThat(found(one)).doesNotContain("coating-sides");
        assertThat(value(one, "volume")).isCloseTo(205, within(1e-9));
        PieceReader.Piece typed = read(over(coated, "skin.area_cm2", "80"), SOLID);
        assertThat(value(typed, "volume")).isCloseTo(204, within(1e-9));
    }

    @Test
    void aCoatingWithoutAFaceIsSaidAndNotCounted() {
        Map<String, String> coated = over(PIECE, "skin.thickness_mm", "0.5", "mass_g", "95 g");
        PieceReader.Piece piece = read(coated, null);
        assertThat(found(piece)).contains("coating-unmeasured");
        assertThat(piece.coating()).isEmpty();
        assertThat(errors(over(PIECE, "skin.material", "beeswax"), SOLID)).containsOnlyKeys("skin.thickness_mm");
    }

    /** Without a mesh the mass over the density of its material is the volume, if it is solid. */
    @Test
    void volumeFromTheScale() {
        PieceReader.Piece piece = read(over(PIECE, "mass_g", "95 g", "material", "beeswax"), null);
        double density = kilnryu.core.material.PatternMaterial.BEESWAX.density().value();
        assertThat(value(piece, "volume")).isCloseTo(95 / density, within(1e-9));
        assertThat(figure(piece, "area")).isEmpty();
        assertThat(read(PIECE, mesh(false, "mm", null)).volume()).isEmpty();
        PieceReader.Piece open = read(over(PIECE, "mass_g", "95 g"), mesh(false, "mm", null));
        assertThat(open.volume()).isPresent();
        assertThat(found(open)).anyMatch(id -> id.contains("open"));
    }

    /** What the scale says of a solid mesh of 200 cm3 in wax is near 190 g; 95 g is half of it. */
    @Test
    void theScaleAgainstTheMesh() {
        assertThat(found(read(over(PIECE, "mass_g", "95 g"), SOLID))).anyMatch(id -> id.startsWith("mass"));
        double solid = 200
                * kilnryu.core.material.PatternMaterial.SCULPTURE_WAX.density().value();
        assertThat(found(read(over(PIECE, "mass_g", solid + " g"), SOLID))).noneMatch(id -> id.startsWith("mass"));
    }

    /** Sizes typed go before the mesh's; what is not known is as long as the longest. */
    @Test
    void sizes() {
        assertThat(read(over(PIECE, "box.height_mm", "150"), SOLID).sizes()).containsExactly(150, 60, 40);
        assertThat(read(over(PIECE, "box.width_mm", "12 cm"), null).sizes()).containsExactly(120, 120, 120);
        assertThat(read(PIECE, null).sizes()).containsOnly(Double.NaN);
        assertThat(read(PIECE, null).advice()).isEmpty();
        assertThat(read(over(PIECE, "box.width_mm", "12 cm"), null).advice()).isNotEmpty();
    }

    /** Over 8 mm silicon bronze has to be fed. */
    @Test
    void wallsTypedAndMeasured() {
        PieceReader.Piece measured = read(PIECE, mesh(true, "mm", new Walls(3, 9, 100, 1, List.of(), List.of())));
        assertThat(measured.thinnest()).hasValue(3);
        assertThat(measured.thickest()).hasValue(9);
        assertThat(found(measured)).contains("thick-place");
        PieceReader.Piece typed = read(
                over(PIECE, "wall.thick_mm", "7"), mesh(true, "mm", new Walls(3, 9, 100, 1, List.of(), List.of())));
        assertThat(typed.thickest()).hasValue(7);
        assertThat(found(typed)).doesNotContain("thick-place");
        assertThat(errors(over(PIECE, "wall.thin_mm", "5", "wall.thick_mm", "4"), null))
                .containsOnlyKeys("wall.thick_mm");
    }

    /** Two layers gave 3 mm at the thinnest: 5 aimed at take 2 x 5 / 3 = 3.33, so four. */
    @Test
    void layersOfSlushedWax() {
        Map<String, String> slushed = over(
                PIECE, "made", "slushed", "slushed.layers", "2", "slushed.points", "4 3.0; 5", "slushed.aim_mm", "5");
        PieceReader.Piece piece = read(slushed, null);
        assertThat(value(piece, "layers")).isBetween(3.3, 4.0);
        assertThat(found(piece)).contains("slush-thin");
        assertThat(found(read(over(slushed, "slushed.aim_mm", "3"), null))).doesNotContain("slush-thin");
        assertThat(errors(over(slushed, "slushed.points", "four"), null)).containsOnlyKeys("slushed.points");
        // what is not slushed has no layers
        assertThat(figure(read(over(slushed, "made", "printed"), null), "layers"))
                .isEmpty();
    }

    /** A target size asks for a pattern larger by what wax and metal shrink, less its coating. */
    @Test
    void whatThePatternHasToMeasure() {
        PieceReader.Piece piece = read(over(PIECE, "target.height_mm", "100", "made", "printed"), null);
        Figure scale = piece.figures().stream()
                .filter(f -> f.name().contains("scale") || f.symbol().contains("scale"))
                .findFirst()
                .orElseThrow();
        assertThat(piece.figures()).anySatisfy(f -> assertThat(f.value()).isCloseTo(100 * scale.value(), within(1e-6)));
        assertThat(scale.value()).isBetween(1.0, 1.04);
    }

    /** A mesh of the casting is scaled up to the pattern: its volume by the third power. */
    @Test
    void aMeshOfTheCasting() {
        PieceReader.Piece pattern = read(over(PIECE, "made", "printed"), SOLID);
        PieceReader.Piece casting = read(over(PIECE, "made", "printed", "mesh_shows", "casting"), SOLID);
        double scale = casting.sizes()[0] / pattern.sizes()[0];
        assertThat(scale).isGreaterThan(1);
        assertThat(value(casting, "volume")).isCloseTo(200 * scale * scale * scale, within(1e-6));
    }

    /** Stainless steel in plaster is refused, whoever asks. */
    @Test
    void refusedPairs() {
        PieceReader.Piece piece = read(over(PIECE, "alloy", "steel-304"), null);
        Fields fields = Fields.typed(over(PIECE, "alloy", "steel-304"), Units.METRIC);
        read(fields, null, EquipmentReader.none());
        if (fields.hasErrors()) {
            assertThat(fields.errors()).containsOnlyKeys("alloy");
        } else {
            assertThat(piece.findings().all())
                    .anySatisfy(f -> assertThat(f.id()).isEqualTo("refused-pair"));
        }
    }

    @Test
    void tooLargeForTheEquipment() {
        Equipment small = EquipmentReader.workshop(
                        typed("kiln_width_mm", "300", "kiln_height_mm", "250", "lift_kg", "25", "crucible_cm3", "1000"))
                .equipment();
        Fields fields = Fields.typed(
                over(PIECE, "box.height_mm", "500", "box.width_mm", "100", "box.depth_mm", "100"), Units.METRIC);
        PieceReader.Piece piece = read(fields, null, small);
        Finding large = piece.findings().all().stream()
                .filter(f -> f.id().equals("too-large"))
                .findFirst()
                .orElseThrow();
        assertThat(large.remedy()).contains("sections of about");
        assertThat(piece.splits()).isNotEmpty();
        assertThat(found(read(fields, null, EquipmentReader.none()))).doesNotContain("too-large");
    }

    @ParameterizedTest
    @CsvSource({
        "name, '', name",
        "material, stone, material",
        "alloy, lead, alloy",
        "mold, bag, mold",
        "made, wished, made",
        "solid, half, solid",
        "count, 0, count",
        "count, 10001, count",
        "mass_g, -1, mass_g",
        "box.height_mm, 6000, box.height_mm",
        "mesh_unit, yard, mesh_unit",
        "mesh_shows, shadow, mesh_shows",
        "finish, gold, finish",
        "due, tomorrow, due",
        "due, 2026-02-30, due",
        "skin.sides, three, skin.sides",
        "target.width_mm, 0, target.width_mm"
    })
    void whatCannotBeIsSaidAtItsField(String path, String text, String at) {
        assertThat(errors(over(over(PIECE, "box.width_mm", "50", "skin.thickness_mm", "1"), path, text), SOLID))
                .containsKey(at);
    }

    @ParameterizedTest
    @CsvSource({
        "injected, injected.wax_C, 500",
        "injected, injected.pressure, -1",
        "injected, injected.cool_min, 0",
        "injected, injected.rejects, -1",
        "slushed, slushed.layers, 0",
        "slushed, slushed.wax_C, 5",
        "printed, printed.infill_pct, 101",
        "printed, printed.hours, 0",
        "printed, printed.wall_mm, thin"
    })
    void theRecordOfHowItIsMade(String made, String path, String text) {
        assertThat(errors(over(PIECE, "made", made, path, text), null)).containsKey(path);
        // it is asked of pieces made that way only
        assertThat(errors(over(PIECE, "made", "found", path, text), null)).doesNotContainKey(path);
    }
}
