package kilnryu.core.finding;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class FindingsTest {
    private final Finding note = Finding.note("n", "tree", "m", "r", "d");
    private final Finding stop = Finding.stop("wall", "wall", "m", "r", "d");
    private final Finding safety = Finding.safetyStop("gypsum", "system", "m", "r", "d");

    @Test
    void theMostSevereComesFirst() {
        assertThat(new Findings(List.of(note, stop)).all()).containsExactly(stop, note);
    }

    @Test
    void aStopIsOverruledByItsNameButOneOfSafetyNever() {
        Findings findings = new Findings(List.of(note, stop, safety));
        assertThat(findings.blocking(Set.of())).containsExactly(stop, safety);
        assertThat(findings.blocking(Set.of("wall", "gypsum"))).containsExactly(safety);
    }

    @Test
    void onlyAStopCanBeOneOfSafety() {
        assertThatThrownBy(() -> new Finding("x", Severity.NOTE, true, "p", "m", "r", "d", null))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
