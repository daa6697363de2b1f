package kilnryu.app.wax;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.rubber.TappedStore;
import kilnryu.core.pattern.Made;
import kilnryu.core.sum.Factors;
import kilnryu.core.wax.Heated;
import kilnryu.core.wax.Slush;
import kilnryu.core.wax.Wax;
import org.junit.jupiter.api.Test;

/** Layers by what was tapped, and how they are drawn. */
class WaxCourseTest {
    private static final Instant NOON = Instant.parse("2026-03-31T12:00:00Z");
    private final List<TappedStore.Event> events = new ArrayList<>();

    private WaxCourseTest tap(String kind, double second, String... fields) {
        Map<String, String> all = new LinkedHashMap<>();
        for (int i = 0; i < fields.length; i += 2) {
            all.put(fields[i], fields[i + 1]);
        }
        events.add(new TappedStore.Event(events.size(), kind, all, NOON.plusMillis(Math.round(second * 1000)), "Ebba"));
        return this;
    }

    private WaxCourse course() {
        return WaxCourse.of(events);
    }

    @Test
    void aLayerStoodFromPourToOut() {
        WaxCourse course = tap("pour", 0).tap("out", 90).tap("pour", 1500).course();
        assertThat(course.layers()).containsExactly(90.0);
        assertThat(course.poured()).contains(NOON.plusSeconds(1500));
        assertThat(course.out()).contains(NOON.plusSeconds(90));
        assertThat(tap("out", 1750).course().layers()).containsExactly(90.0, 250.0);
        assertThat(course().poured()).isEmpty();
    }

    @Test
    void turnedOutTwiceCountsOnce() {
        assertThat(tap("pour", 0).tap("out", 60).tap("out", 70).course().layers())
                .containsExactly(60.0);
        assertThat(new WaxCourseTest().tap("out", 5).course().layers()).isEmpty();
    }

    @Test
    void theLastWordOfACheckAndAMassHolds() {
        WaxCourse course = tap("check", 0, "what", "seam", "sound", "no")
                .tap("check", 10, "what", "seam", "sound", "yes")
                .tap("weigh", 20, "grams", "200")
                .tap("weigh", 30, "grams", "210.5")
                .tap("repair", 40, "what", "bill", "side", "a blob")
                .tap("repair", 50, "what", "tail", "side", "")
                .course();
        assertThat(course.checks()).containsEntry("seam", true);
        assertThat(course.grams()).hasValue(210.5);
        assertThat(course.repairs()).containsExactly("bill; a blob", "tail");
        assertThat(course.signed()).isEmpty();
        assertThat(tap("sign", 60, "name", "Brackish").course().signed()).contains("Brackish");
    }

    private static Slush slush(double mold) {
        OptionalDouble none = OptionalDouble.empty();
        return Slush.of(
                new Slush.Question(Wax.SCULPTURE, none, Heated.SILICONE, mold, none, 3, 2, 0, none, none, none),
                Factors.HANDBOOK);
    }

    /** A wall of 2 mm after one layer of 100 s stands in the picture as a square of 10. */
    @Test
    void theWallIsDrawnAgainstTimeWithWhatWasMeasured() {
        WaxCourse course = tap("pour", 0)
                .tap("out", 100)
                .tap("wall", 110, "mm", "2", "where", "wing")
                .course();
        String drawn = WallDrawing.of(slush(22), 3, course);
        assertThat(drawn).contains("1.5 mm, layer 1", "3.0 mm, layer 2", "Wall of wax against time, to 3.0 mm");
        assertThat(drawn).containsPattern("<rect [^>]*width=\"10(\\.0)?\"");
        assertThat(course.walls().get(0).layersOn()).isEqualTo(1);
        // one of two layers is filled in
        assertThat(drawn.split("fill=\"#8a560c\"", -1)).hasSize(2);
        assertThat(WallDrawing.of(slush(70), 3, course)).isEmpty();
    }

    /** 270 g over 1000 cm2 at 0.9 are 3 mm. */
    @Test
    void theMeanWallIsMassOverAreaAndDensity() {
        WaxSheet sheet = new WaxSheet(
                null,
                Made.SLUSHED,
                Optional.empty(),
                Optional.of(new Slush.Question(
                        Wax.SCULPTURE,
                        OptionalDouble.empty(),
                        Heated.SILICONE,
                        22,
                        OptionalDouble.of(1000),
                        3,
                        1,
                        0,
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        OptionalDouble.empty())),
                Optional.empty(),
                OptionalDouble.of(1000),
                List.of());
        assertThat(WaxView.meanWall(sheet, tap("weigh", 0, "grams", "270").course())
                        .orElseThrow())
                .isEqualTo(3, within(1e-9));
        assertThat(WaxView.meanWall(sheet, new WaxCourseTest().course())).isEmpty();
    }

    @Test
    void everyCheckSaysWhatMendsIt() {
        for (WaxCheck c : WaxCheck.values()) {
            assertThat(WaxCheck.named(c.key())).contains(c);
            assertThat(c.remedy()).isNotBlank();
        }
        assertThat(WaxCheck.named("moon")).isEmpty();
    }
}
