package kilnryu.core.breakout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The heron's body on its legs, and a pin in its base. */
class MatingTest {
    private static OptionalDouble of(Double value) {
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }

    private static Mating seam(Double gap, Double step) {
        return new Mating(Mating.Joint.SEAM, of(gap), of(step), of(null), of(null), Optional.empty(), false);
    }

    @ParameterizedTest
    @CsvSource({
        "0.5, 1, FITS, flush",
        "0.5, , NOT_YET, flush was not said",
        "0.6, 0, WORK, gapes 0.6 mm",
        "2.5, 0, WORK, gapes 2.5 mm",
        "2.6, 0, NOT, a weld bridges 2.5",
        "0.2, 1.1, WORK, stands 1.1 mm",
        "0.2, 3, WORK, stands 3.0 mm",
        "0.2, 3.1, NOT, stands 3.1 mm",
        ", 0, NOT_YET, gap was not measured"
    })
    void aSeamClosesAndIsFlush(Double gap, Double step, Mating.Fit fit, String why) {
        Mating.Judged judged = seam(gap, step).judged();
        assertThat(judged.fit()).isEqualTo(fit);
        assertThat(judged.why()).contains(why);
        assertThat(judged.remedy().isEmpty()).isEqualTo(fit == Mating.Fit.FITS);
    }

    @ParameterizedTest
    @CsvSource({
        "6.00, 5.90, WORK, 0.10 mm too thick",
        "6.00, 6.04, WORK, it binds",
        "6.00, 6.06, FITS, 0.06 mm of play",
        "6.00, 6.29, FITS, 0.29 mm of play",
        "6.00, 6.31, NOT, it rattles",
        "6.00, , NOT_YET, not both measured",
        ", 6.00, NOT_YET, not both measured"
    })
    void aPinHasALittlePlay(Double pin, Double bore, Mating.Fit fit, String why) {
        Mating mating = new Mating(Mating.Joint.SLIDE, of(null), of(null), of(pin), of(bore), Optional.empty(), false);
        assertThat(mating.judged().fit()).isEqualTo(fit);
        assertThat(mating.judged().why()).contains(why);
    }

    @Test
    void playIsBoreLessPin() {
        Mating mating = new Mating(Mating.Joint.SLIDE, of(null), of(null), of(6.0), of(6.2), Optional.empty(), false);
        assertThat(mating.play().orElseThrow().value()).isEqualTo(0.2, within(1e-9));
        assertThat(seam(1.0, 1.0).play()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({", , NOT_YET", "true, , WORK", "false, , FITS", "false, 0.5, FITS", "false, 0.6, WORK"})
    void whatStandsDoesNotRock(Boolean rocks, Double gap, Mating.Fit fit) {
        assertThat(new Mating(
                                Mating.Joint.SEAT,
                                of(gap),
                                of(null),
                                of(null),
                                of(null),
                                Optional.ofNullable(rocks),
                                false)
                        .judged()
                        .fit())
                .isEqualTo(fit);
    }

    @Test
    void hotNothingIsJudged() {
        Mating hot = new Mating(Mating.Joint.SEAM, of(0.1), of(0.1), of(null), of(null), Optional.of(false), true);
        assertThat(hot.judged().fit()).isEqualTo(Mating.Fit.NOT_YET);
        assertThat(hot.judged().remedy()).contains("cold");
        assertThat(Mating.Fit.NOT_YET.label()).isEqualTo("not yet judged");
        assertThat(Mating.Joint.named("seat")).contains(Mating.Joint.SEAT);
        assertThat(Mating.Joint.named("glue")).isEmpty();
        assertThat(Mating.Joint.SEAM.label()).isEqualTo("seam to be welded");
    }
}
