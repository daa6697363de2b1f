package kilnryu.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import kilnryu.app.web.Verdict.Remedy;
import kilnryu.core.finding.Finding;
import org.junit.jupiter.api.Test;

/** One line for how a thing stands: the worst first; nothing is fine that was not judged. */
class VerdictTest {
    private static final Finding NOTE = Finding.note("n", "tree", "A note.", "", "");
    private static final Finding WARN =
            Finding.warn("w", "mold", "The wall is 13 mm.", "It breaks out.", "Take a larger one.");
    private static final Finding STOP =
            Finding.stop("s", "mold", "It does not go in.", "It is too wide.", "Take a larger one.");
    private static final Finding SAFETY =
            Finding.safetyStop("f", "kiln", "Over 750 °C.", "Gypsum gives off sulphur.", "Lower it.");

    private static Verdict over(List<Finding> found, String... missing) {
        return Verdict.over(found, List.of(missing), Units.METRIC, List.of());
    }

    @Test
    void theWorstIsSaidWithItsReason() {
        Verdict v = over(List.of(NOTE, WARN, STOP, WARN));
        assertThat(v.mark()).isEqualTo("stop");
        assertThat(v.word()).isEqualTo("Stop");
        assertThat(v.sentence()).isEqualTo("It does not go in. It is too wide.");
        assertThat(v.more()).isZero();
    }

    @Test
    void othersOfItsKindAreCounted() {
        Verdict v = over(List.of(WARN, NOTE, WARN, WARN));
        assertThat(v.word()).isEqualTo("Warning");
        assertThat(v.mark()).isEqualTo("warn");
        assertThat(v.more()).isEqualTo(2);
    }

    @Test
    void aStopOfSafetyIsNamedSo() {
        assertThat(over(List.of(SAFETY)).word()).isEqualTo("Safety stop");
    }

    @Test
    void whatWasNotJudgedIsNoAbsenceOfProblems() {
        Verdict one = over(List.of(NOTE), "the hours (no time of the pour)");
        assertThat(one.word()).isEqualTo("Not yet judged");
        assertThat(one.mark()).isEqualTo("note");
        assertThat(one.sentence()).isEqualTo("the hours (no time of the pour).");
        assertThat(over(List.of(), "a", "b").sentence()).isEqualTo("a and 1 thing more.");
        assertThat(over(List.of(), "a", "b", "c").sentence()).isEqualTo("a and 2 things more.");
    }

    @Test
    void allJudgedAndNothingFound() {
        Verdict v = over(List.of(NOTE));
        assertThat(v.word()).isEqualTo("No problems found");
        assertThat(v.mark()).isEqualTo("good");
    }

    @Test
    void twoRemediesAtMost() {
        List<Remedy> three = List.of(Remedy.link("a", "/a"), Remedy.link("b", "/b"), Remedy.link("c", "/c"));
        assertThat(Verdict.over(List.of(WARN), List.of(), Units.METRIC, three).remedies())
                .extracting(Remedy::label)
                .containsExactly("a", "b");
    }

    @Test
    void quantitiesAreInTheReadersUnits() {
        Verdict v = Verdict.over(List.of(WARN), List.of(), new Units(Units.System.IMPERIAL, false), List.of());
        // 13 / 25.4
        assertThat(v.sentence()).startsWith("The wall is 0.512 in.");
    }
}
