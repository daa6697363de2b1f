package kilnryu.app.wax;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.rubber.TappedStore;
import kilnryu.core.pattern.BurnTest;
import kilnryu.core.pattern.Made;
import kilnryu.core.pattern.Printing.Supports;
import kilnryu.core.pattern.Repair;
import org.junit.jupiter.api.Test;

/** What was tapped of a pattern that comes from no mold, and how a print is drawn. */
class PatternCourseTest {
    private static final Instant NOON = Instant.parse("2026-04-02T12:00:00Z");
    private final List<TappedStore.Event> events = new ArrayList<>();

    private PatternCourse tap(String kind, String... fields) {
        Map<String, String> all = new LinkedHashMap<>();
        for (int i = 0; i < fields.length; i += 2) {
            all.put(fields[i], fields[i + 1]);
        }
        events.add(new TappedStore.Event(events.size(), kind, all, NOON.plusSeconds(60L * events.size()), "Ebba"));
        return PatternCourse.of(events);
    }

    @Test
    void washedAgainIsCuredAgain() {
        assertThat(tap("wash").washing()).contains(NOON);
        tap("washed");
        tap("cure");
        PatternCourse cured = tap("cured");
        assertThat(cured.washed() && cured.cured()).isTrue();
        assertThat(cured.curing()).isEmpty();
        PatternCourse again = tap("wash");
        assertThat(again.washing()).contains(NOON.plusSeconds(240));
        assertThat(again.cured() || again.washed()).isFalse();
    }

    @Test
    void theLastMassAndTheLastTestHold() {
        tap("bare", "grams", "60");
        tap("bare", "grams", "61.5");
        tap("coated", "grams", "70");
        tap("burn", "green", "yes", "does", "runs");
        PatternCourse course = tap("burn", "green", "no", "does", "", "chip_g", "2", "left_g", "0.1");
        assertThat(course.bare().getAsDouble()).isEqualTo(61.5);
        assertThat(course.coated().getAsDouble()).isEqualTo(70);
        BurnTest.Question burn = course.burn().orElseThrow();
        assertThat(burn.green()).contains(false);
        assertThat(burn.does()).isEmpty();
        assertThat(burn.leftG()).hasValue(0.1);
    }

    private static long count(String drawn, String of) {
        return drawn.split(of, -1).length - 1;
    }

    @Test
    void aPrintIsDrawnAsItLeansWithItsSupports() {
        String face = PrintDrawing.of(OptionalDouble.of(45), Optional.of(Supports.FACE));
        assertThat(face).contains("at 45 degrees", "red, on its supports");
        // six supports and the face itself
        assertThat(count(face, "stroke=\"#a2382a\"")).isEqualTo(7);
        assertThat(count(PrintDrawing.of(OptionalDouble.of(45), Optional.of(Supports.GATES)), "stroke-width=\"5\""))
                .isEqualTo(2);
        String bare = PrintDrawing.of(OptionalDouble.of(0), Optional.empty());
        assertThat(bare).contains("not said", "main face: green").doesNotContain("NaN");
        // ten lines part eleven layers
        assertThat(count(bare, "stroke-width=\"0.8\"")).isEqualTo(10);
        assertThat(PrintDrawing.of(OptionalDouble.empty(), Optional.of(Supports.BACK)))
                .isEmpty();
        assertThat(PrintDrawing.of(OptionalDouble.of(90), Optional.of(Supports.NONE)))
                .doesNotContain("NaN", "Infinity");
    }

    @Test
    void everyWayOfMakingHasItsChecksAndEveryMendItsWord() {
        for (Made made : Made.values()) {
            assertThat(WaxCheck.of(made))
                    .contains(WaxCheck.CLEAN, WaxCheck.NUMBER)
                    .doesNotHaveDuplicates();
            assertThat(Made.named(made.key())).contains(made);
        }
        assertThat(WaxCheck.of(Made.PRINTED)).contains(WaxCheck.CURED, WaxCheck.INFILL, WaxCheck.SUPPORTS);
        for (Repair repair : Repair.values()) {
            assertThat(Repair.named(repair.key())).contains(repair);
            assertThat(repair.remedy()).isNotBlank();
            assertThat(repair.anew()).isNotBlank();
        }
    }
}
