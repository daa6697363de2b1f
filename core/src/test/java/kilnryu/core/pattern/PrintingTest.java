package kilnryu.core.pattern;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Severity;
import kilnryu.core.pattern.Printing.Supports;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Prints whose stairs and hours can be reckoned on paper. */
class PrintingTest {
    private static Printing.Question asked(double lean, Supports supports) {
        return new Printing.Question(
                OptionalDouble.of(90),
                OptionalDouble.of(0.05),
                OptionalDouble.of(8),
                OptionalDouble.of(lean),
                Optional.of(supports),
                OptionalDouble.empty());
    }

    /** 90 mm in layers of 0.05 mm are 1800; at 8 s each 4 h. */
    @Test
    void everyLayerTakesItsTime() {
        assertThat(Printing.of(asked(45, Supports.BACK)).hours().orElseThrow().value())
                .isEqualTo(4, within(1e-9));
    }

    /** A layer of 0.05 mm: all of it on a level face, half at 60 degrees, none on an upright one. */
    @ParameterizedTest
    @CsvSource({"0, 0.05", "60, 0.025", "90, 0"})
    void stairsAreHighestOnALevelFace(double lean, double mm) {
        Printing print = Printing.of(asked(lean, Supports.BACK));
        assertThat(print.step().orElseThrow().value()).isEqualTo(mm, within(1e-9));
        assertThat(print.findings().all()).isEmpty();
        assertThat(print.unknown()).isEmpty();
    }

    @Test
    void thickLayersShow() {
        Printing.Question q = new Printing.Question(
                OptionalDouble.of(90),
                OptionalDouble.of(0.2),
                OptionalDouble.empty(),
                OptionalDouble.of(45),
                Optional.of(Supports.GATES),
                OptionalDouble.empty());
        Printing print = Printing.of(q);
        assertThat(print.hours()).isEmpty();
        // 0.2 mm by the cosine of 45 degrees
        assertThat(print.findings().all())
                .singleElement()
                .satisfies(f -> assertThat(f.message()).contains("0.14 mm"));
    }

    @Test
    void supportsOnTheFaceMarkIt() {
        assertThat(Printing.of(asked(45, Supports.FACE)).findings().all())
                .extracting(Finding::id, Finding::severity)
                .containsExactly(org.assertj.core.api.Assertions.tuple("supports-on-face", Severity.WARN));
        assertThat(Printing.of(asked(29, Supports.NONE)).findings().all())
                .extracting(Finding::id)
                .containsExactly("no-supports");
        assertThat(Printing.of(asked(30, Supports.NONE)).findings().all()).isEmpty();
    }

    @Test
    void whatIsNotSaidIsNotJudged() {
        Printing print = Printing.of(new Printing.Question(
                OptionalDouble.empty(),
                OptionalDouble.of(0.05),
                OptionalDouble.of(8),
                OptionalDouble.empty(),
                Optional.empty(),
                OptionalDouble.of(15)));
        assertThat(print.hours()).isEmpty();
        assertThat(print.unknown()).containsExactly("the lines of its layers", "where its supports touch");
        assertThat(print.findings().all())
                .singleElement()
                .satisfies(f -> assertThat(f.message()).contains("15 % infill"));
    }
}
