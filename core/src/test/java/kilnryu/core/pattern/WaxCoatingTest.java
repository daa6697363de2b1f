package kilnryu.core.pattern;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import kilnryu.core.finding.Finding;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Coatings weighed. */
class WaxCoatingTest {
    private static WaxCoating of(double before, double after, boolean swells) {
        return WaxCoating.of(new WaxCoating.Question(before, after, 200, 0.93, swells));
    }

    /** 9.3 g over 200 cm2 at 0.93 g/cm3 are 10 cm3: 0.05 cm, 0.5 mm; across both sides 1 mm. */
    @Test
    void massOverAreaIsItsThickness() {
        WaxCoating coating = of(60, 69.3, true);
        assertThat(coating.thickness().value()).isEqualTo(0.5, within(1e-9));
        assertThat(coating.grows().value()).isEqualTo(1.0, within(1e-9));
        assertThat(coating.findings().all()).isEmpty();
    }

    /** 0.3 mm are 5.58 g, 1 mm 18.6 g. */
    @ParameterizedTest
    @CsvSource({
        "5.5, true, coating-thin",
        "5.6, true, ''",
        "5.5, false, ''",
        "18.5, true, ''",
        "18.7, true, coating-thick",
        "18.7, false, coating-thick"
    })
    void thinOnPlasticAndThickAreSaid(double grams, boolean swells, String id) {
        assertThat(of(60, 60 + grams, swells).findings().all())
                .extracting(Finding::id)
                .containsExactlyElementsOf(id.isEmpty() ? java.util.List.of() : java.util.List.of(id));
    }

    @Test
    void lighterWithWaxIsNoCoating() {
        assertThatThrownBy(() -> of(60, 59, true)).isInstanceOf(IllegalArgumentException.class);
        assertThat(of(60, 60, false).thickness().value()).isZero();
    }
}
