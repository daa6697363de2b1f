package kilnryu.core.wax;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Pressure and hold by hand. */
class PressingTest {
    private static final Optional<Figure> RUBBER =
            Optional.of(Figure.given("coefficient", "wall", 0.16, Measure.MM_PER_ROOT_SECOND, Known.COMPUTED, 0));

    private static Pressing of(boolean rubber, double bar, double hold) {
        return Pressing.of(new Pressing.Question(
                rubber, OptionalDouble.of(bar), OptionalDouble.of(hold), OptionalDouble.of(1.6), RUBBER));
    }

    /** A gate of 1.6 mm: (1.6 / 0.32)^2 = 25 s. */
    @Test
    void itIsHeldUntilItsGateIsSet() {
        assertThat(of(true, 0.4, 25).hold().orElseThrow().value()).isEqualTo(25, within(1e-9));
        assertThat(of(true, 0.4, 25).findings().all()).isEmpty();
        assertThat(of(true, 0.4, 24).findings().all())
                .singleElement()
                .satisfies(f -> assertThat(f.message()).isEqualTo("It is held 24 s; its gate is set after 25 s."));
    }

    @ParameterizedTest
    @CsvSource({
        "true, 1.0, ''",
        "true, 1.1, pressure-high",
        "false, 1.1, ''",
        "false, 31, pressure-high",
        "true, 0.15, ''",
        "true, 0.1, pressure-low"
    })
    void rubberGivesWhereMetalHolds(boolean rubber, double bar, String id) {
        assertThat(of(rubber, bar, 60).findings().all())
                .extracting(Finding::id)
                .containsExactlyElementsOf(id.isEmpty() ? List.of() : List.of(id));
    }

    @Test
    void whatIsNotSaidIsNotJudged() {
        Pressing none = Pressing.of(new Pressing.Question(
                true, OptionalDouble.empty(), OptionalDouble.of(5), OptionalDouble.empty(), RUBBER));
        assertThat(none.unknown()).containsExactly("its pressure", "whether it is held until its gate is set");
        assertThat(none.findings().all()).isEmpty();
        assertThat(Pressing.of(new Pressing.Question(
                                true,
                                OptionalDouble.of(0.4),
                                OptionalDouble.of(5),
                                OptionalDouble.of(2),
                                Optional.empty()))
                        .hold())
                .isEmpty();
    }

    @Test
    void everyFaultHasARemedy() {
        for (InjectionFault f : InjectionFault.values()) {
            assertThat(InjectionFault.named(f.key())).contains(f);
            assertThat(f.remedy()).isNotBlank();
        }
        assertThat(InjectionFault.named("moon")).isEmpty();
    }
}
