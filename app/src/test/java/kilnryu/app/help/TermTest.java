package kilnryu.app.help;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Words of the trade: each once, in the order of the alphabet, with its part lit in the drawing. */
class TermTest {
    @Test
    void everyWordHasItsPlaceAndItsDrawing() {
        Set<String> keys = new HashSet<>();
        for (Term t : Term.ALL) {
            assertThat(keys.add(t.key())).as(t.key()).isTrue();
            assertThat(t.key()).matches("[a-z-]+");
            assertThat(t.meaning()).endsWith(".").hasSizeLessThan(120);
            assertThat(t.drawing()).as(t.word()).contains("#27685d").startsWith("<svg");
        }
        assertThat(Term.ALL).extracting(Term::word).isSorted();
    }

    @Test
    void oneThingIsMeantInEachDrawing() {
        for (Term t : Term.ALL) {
            assertThat(t.drawing().split("#27685d")).as(t.word()).hasSize(2);
        }
    }

    @Test
    void theTermsOfTheWorkAreThere() {
        assertThat(Term.ALL)
                .extracting(Term::word)
                .contains("gate", "feeder", "modulus", "stucco", "gloss-off", "heel", "clearance", "burnout", "school");
    }
}
