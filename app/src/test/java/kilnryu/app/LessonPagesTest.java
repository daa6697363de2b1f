package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A tree in the sessions of a class: what fits, what waits, who closes the kiln. */
class LessonPagesTest extends AppTest {
    private long tree;

    @BeforeEach
    void bird() throws Exception {
        tree = tree(owner, WAX);
    }

    private String lesson(String query) throws Exception {
        return page(owner, "/trees/" + tree + "/class" + query);
    }

    @Test
    void whatIsNotKnownIsNotJudged() throws Exception {
        assertThat(lesson(""))
                .contains("Not yet judged", "It has no mold yet.", "Its burnout is not planned")
                .doesNotContain("It fits");
    }

    /** A flask stands two hours and is fired over night: poured in the second session, opened in the third. */
    @Test
    void aFlaskTakesItsSessions() throws Exception {
        send(owner, "/trees/" + tree + "/mold", FLASK);
        send(owner, "/trees/" + tree + "/firing", Map.of("version", "0", "mold_C", "500 C", "pour_C", "1100 C"));
        String page = lesson("?first=2027-03-06T10:00&hours=2&every=7&count=5&finish_min=60");
        assertThat(page)
                .contains(
                        "It fits",
                        "Session 1 · Sat 6 Mar",
                        "10:00 to 11:00",
                        "Build the tree",
                        "11:00 to 11:45",
                        "Weigh, mix and fill the mold",
                        "Session 2 · Sat 13 Mar",
                        "Teacher: kiln closed Fri 12 Mar",
                        "The kiln works",
                        "How the session is used");
        // 60 of 120 min are half of 520, less 2 between
        assertThat(page).contains("width=\"258");
        assertThat(page.indexOf("Session 2")).isLessThan(page.indexOf("</b> <span>Pour</span>"));
        assertThat(page(owner, "/trees/" + tree + "/tree")).contains("/trees/" + tree + "/class");
    }

    @Test
    void tooFewSessionsAreSaid() throws Exception {
        send(owner, "/trees/" + tree + "/mold", FLASK);
        send(owner, "/trees/" + tree + "/firing", Map.of("version", "0", "mold_C", "500 C", "pour_C", "1100 C"));
        assertThat(lesson("?count=1")).contains("Not enough sessions", "There is no session for pour and 2 more.");
        assertThat(lesson("?hours=1&mix_min=90"))
                .contains("There is no session for weigh, mix and fill the mold", "Make a session longer.");
    }

    @ParameterizedTest
    @CsvSource({
        "first, tomorrow, e-first",
        "first, 0001-01-01T10:00, e-first",
        "hours, much, e-hours",
        "hours, 0, e-hours",
        "every, 0, e-every",
        "count, 900, e-count",
        "count, -3, e-count",
        "pour_min, -5 min, e-pour_min"
    })
    void whatDoesNotFitIsSaidAtItsField(String field, String typed, String error) throws Exception {
        assertThat(lesson("?" + field + "=" + typed.replace(" ", "%20"))).contains("id=\"" + error + "\"");
    }

    /** All day, every day: nothing has to wait for a session, and it is poured in the first day that the mold is fired. */
    @Test
    void daysWithoutAnEndWaitForTheKilnAlone() throws Exception {
        send(owner, "/trees/" + tree + "/mold", FLASK);
        send(owner, "/trees/" + tree + "/firing", Map.of("version", "0", "mold_C", "500 C", "pour_C", "1100 C"));
        assertThat(lesson("?first=2027-03-06T10:00&hours=24&every=1&count=3"))
                .contains("It fits")
                .doesNotContain("is closed between the sessions");
    }

    @Test
    void aTreeOfAnotherStudioIsNotThere() throws Exception {
        assertThat(read(owner, "/trees/999999/class").getStatus()).isEqualTo(404);
    }

    /** Each coat is a step of its own, a prime bears two days, and the last look comes when all is dry. */
    @Test
    void aShellTakesASessionForEachCoatThatHasToDry() throws Exception {
        long shell = tree(owner, WAX);
        Map<String, String> mold = new LinkedHashMap<>(
                Map.of("version", "0", "mold_kind", "shell", "tree_width_mm", "70", "tree_height_mm", "110"));
        mold.put("shell.coats", "prime, 2 backup, seal");
        send(owner, "/trees/" + shell + "/mold", mold);
        String page = page(owner, "/trees/" + shell + "/class");
        assertThat(page)
                .contains("Coat 1", "Coat 4", "Close and look the shell over")
                .doesNotContain("Coat 5", "Weigh, mix and fill the mold", "It has no mold yet");
    }

    @Test
    void aBlockStandsForItsCure() throws Exception {
        long block = tree(owner, WAX);
        Map<String, String> mold = new LinkedHashMap<>(
                Map.of("version", "0", "mold_kind", "block", "tree_width_mm", "70", "tree_height_mm", "110"));
        mold.put("block.fine.mix", "plaster-silica");
        mold.put("block.area_cm2", "600");
        mold.put("block.width_mm", "200");
        mold.put("block.height_mm", "250");
        send(owner, "/trees/" + block + "/mold", mold);
        assertThat(page(owner, "/trees/" + block + "/class"))
                .contains("Weigh, mix and fill the mold")
                .doesNotContain("Coat 1");
    }
}
