package kilnryu.app.mold;

import static kilnryu.app.Typing.over;
import static kilnryu.app.Typing.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import java.util.Optional;
import kilnryu.app.blend.Mixes;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Units;
import kilnryu.core.block.BlockPlan;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A block as typed, on a plan's page and to the API. */
class BlockReaderTest {
    private static final Map<String, String> BLOCK = typed(
            "width_mm", "100",
            "height_mm", "200",
            "tree_volume_cm3", "400",
            "wall_mm", "40",
            "fine.density", "2.6",
            "fine.water_per_100", "50");

    private static BlockPlan plan(Map<String, String> fields) {
        return BlockReader.read(Fields.typed(fields, Units.METRIC), Factors.HANDBOOK)
                .orElseThrow();
    }

    private static Map<String, String> errors(Map<String, String> typed) {
        Fields fields = Fields.typed(typed, Units.METRIC);
        assertThat(BlockReader.read(fields, Factors.HANDBOOK)).isEmpty();
        return fields.errors();
    }

    /** A wall of 40 each side: 180 across. */
    @Test
    void theWallGoesRound() {
        BlockPlan plan = plan(BLOCK);
        assertThat(plan.wall().value()).isEqualTo(40);
        assertThat(plan.outerWidth()).isEqualTo(180);
        assertThat(plan.outerDepth()).isEqualTo(180);
        assertThat(plan.poured()).isEmpty();
        assertThat(plan.partition()).isEmpty();
    }

    /** A box of 100 by 60 with 40 round it: 180 by 140. */
    @Test
    void aBoxHasADepth() {
        BlockPlan box = plan(over(BLOCK, "shape", "box", "depth_mm", "60"));
        assertThat(box.outerWidth()).isEqualTo(180);
        assertThat(box.outerDepth()).isEqualTo(140);
    }

    /** Without a typed face that of an ellipsoid: a ball of 100 mm has 314.16 cm2, so 1 cm of fine mix over it. */
    @Test
    void theFaceIsThatOfAnEllipsoid() {
        BlockPlan ball = plan(over(
                BLOCK, "height_mm", "100", "face_mm", "10", "backup.density", "2.5", "backup.water_per_100", "60"));
        // the fine mix lies on the face 10 mm deep; both carry the same overfill
        double over = 1 + (ball.fine().volume().value() / 314.159 - 1);
        assertThat(over).isBetween(1.0, 1.25);
        BlockPlan typed = plan(over(
                BLOCK,
                "height_mm",
                "100",
                "face_mm",
                "10",
                "backup.density",
                "2.5",
                "backup.water_per_100",
                "60",
                "area_cm2",
                "628.319"));
        assertThat(typed.fine().volume().value() / ball.fine().volume().value()).isCloseTo(2, within(1e-4));
    }

    /** Half as much water as powder. */
    @Test
    void waterAsTyped() {
        BlockPlan plan = plan(BLOCK);
        assertThat(plan.fine().water().value() + plan.backup().water().value())
                .isCloseTo(
                        (plan.fine().powder().value() + plan.backup().powder().value()) / 2, within(1e-6));
    }

    /** A system by name, with the studio's own water over it. */
    @Test
    void aMixByName() {
        Map<String, String> named =
                over(BLOCK, "fine.density", "", "fine.water_per_100", "", "fine.mix", "plaster-silica");
        BlockPlan usual = plan(named);
        assertThat(usual.fine().mix()).contains("plaster and silica");
        BlockPlan wetter = plan(over(named, "fine.water_per_100", "60"));
        assertThat(wetter.backup().water().value() / wetter.backup().powder().value())
                .isCloseTo(0.60, within(1e-9));
    }

    /** A core of 20 by 100 that pins hold: pi/4 x 4 x 10 = 31.4 cm3 less to mix than without it. */
    @Test
    void aCoreNeedsBothMeasures() {
        assertThat(errors(over(BLOCK, "core.length_mm", "100"))).containsOnlyKeys("core.diameter_mm");
        assertThat(errors(over(BLOCK, "core.diameter_mm", "20"))).containsOnlyKeys("core.length_mm");
        assertThat(errors(over(BLOCK, "core.volume_cm3", "20"))).containsOnlyKeys("core.length_mm");
        BlockPlan cored = plan(over(BLOCK, "core.length_mm", "100", "core.diameter_mm", "20", "core.pins", "4"));
        assertThat(cored.support().levels()).isPositive();
        assertThat(plan(BLOCK).support().levels()).isZero();
    }

    @ParameterizedTest
    @CsvSource({
        "width_mm, '', width_mm",
        "height_mm, high, height_mm",
        "tree_volume_cm3, 0, tree_volume_cm3",
        "shape, pyramid, shape",
        "fine.density, '', fine.mix",
        "fine.mix, mud, fine.mix",
        "temperature_C, 46, temperature_C",
        "humidity_pct, 101, humidity_pct",
        "lift_kg, 0, lift_kg",
        "cavities, 21, cavities",
        "cavities, 0, cavities",
        "between_mm, -2, between_mm",
        "fine.plaster_pct, 120, fine.plaster_pct",
        "core.pins, 501, core.pins"
    })
    void whatCannotBeIsSaidAtItsField(String path, String text, String at) {
        assertThat(errors(over(BLOCK, path, text))).containsKey(at);
    }

    /** A pattern larger than its block leaves no room. */
    @Test
    void noRoomForTheMix() {
        assertThat(errors(over(BLOCK, "tree_volume_cm3", "900 l"))).hasSize(1);
    }

    /** On the page its measures are those of the tree until typed, at paths below block. */
    @Test
    void onThePageTheTreeGivesItsMeasures() {
        BlockReader.Tree tree = new BlockReader.Tree(
                Figure.given("tree", "volume of the tree", 400, Measure.CUBIC_CENTIMETRE, Known.MEASURED, 0),
                100,
                200,
                Optional.empty());
        Fields fields = Fields.typed(
                typed("block.wall_mm", "40", "block.fine.mix", "plaster-silica", "block.depth_mm", "80"), Units.METRIC);
        BlockPlan plan =
                BlockReader.read(fields, tree, Mixes.NONE, Factors.HANDBOOK).orElseThrow();
        assertThat(plan.outerWidth()).isEqualTo(180);
        Fields none = Fields.typed(Map.of(), Units.METRIC);
        assertThat(BlockReader.read(none, tree, Mixes.NONE, Factors.HANDBOOK)).isEmpty();
        assertThat(none.errors()).containsOnlyKeys("block.fine.mix");
    }

    /** Two cavities of 100 with 30 between and 40 outside: 40 + 100 + 30 + 100 + 40. */
    @Test
    void aRowOfCavities() {
        BlockPlan two = plan(over(BLOCK, "shape", "box", "cavities", "2", "between_mm", "30"));
        assertThat(two.outerWidth()).isEqualTo(310);
        assertThat(two.partition().orElseThrow().cavities()).isEqualTo(2);
        assertThat(two.partition().orElseThrow().between().value()).isEqualTo(30);
    }
}
