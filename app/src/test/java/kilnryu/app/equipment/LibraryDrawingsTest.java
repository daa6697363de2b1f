package kilnryu.app.equipment;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.Map;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Units;
import org.junit.jupiter.api.Test;

/** The shelf: all to one scale, so that the taller is drawn taller by as much. */
class LibraryDrawingsTest {
    private static String drawn(String... pairs) {
        Map<String, String> typed = new LinkedHashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            typed.put(pairs[i], pairs[i + 1]);
        }
        return EquipmentDrawing.of(EquipmentReader.workshop(Fields.typed(typed, Units.METRIC)));
    }

    @Test
    void nothingIsDrawnOfNothing() {
        assertThat(drawn()).isEmpty();
    }

    /** 150 high is the whole shelf of 150 units, 75 its half. */
    @Test
    void flasksStandAtOneScale() {
        String shelf = drawn(
                "flasks[a].name",
                "tall",
                "flasks[a].inner_mm",
                "100",
                "flasks[a].height_mm",
                "150",
                "flasks[b].name",
                "low",
                "flasks[b].inner_mm",
                "60",
                "flasks[b].height_mm",
                "75",
                "flasks[b].count",
                "4");
        assertThat(shelf).contains("height=\"150.0\"", "height=\"75.0\"", ">tall<", ">low<", "× 4");
        assertThat(shelf).contains("2 things");
    }

    /** Half a ball of 2094 cm3 has a radius of 100 mm: 2/3 pi r3. */
    @Test
    void aBowlIsHalfABallOfItsVolume() {
        String shelf = drawn(
                "flasks[a].inner_mm",
                "100",
                "flasks[a].height_mm",
                "100",
                "bowls[b].name",
                "bucket",
                "bowls[b].volume_cm3",
                "2094.4");
        // as high as the flask, since its radius is as long
        assertThat(shelf).contains(">bucket<").containsPattern("M[\\d.]+,10\\.0 C");
    }

    @Test
    void bellCrucibleAndTankStandBesideThem() {
        assertThat(drawn(
                        "chamber_opening_mm",
                        "300",
                        "chamber_height_mm",
                        "320",
                        "crucible_cm3",
                        "1200",
                        "tank_diameter_mm",
                        "300",
                        "tank_depth_mm",
                        "400"))
                .contains(">bell<", ">crucible<", ">slurry tank<");
        assertThat(drawn("chamber_opening_mm", "300"))
                .as("half known is not drawn")
                .isEmpty();
    }
}
