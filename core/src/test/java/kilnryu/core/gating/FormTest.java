package kilnryu.core.gating;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import kilnryu.core.sum.Constant;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Shapes of members by sums done by hand, and the words of gating. */
class FormTest {
    private static Form.Body body(double length, double width, double thickness) {
        return new Form.Body(length, width, thickness, Optional.empty(), Optional.empty());
    }

    /** pi x 10 x 30; a frustum by its mean diameter of 15; a bar of 2 x (8 + 6) round; a face of 6 cm2 as it is. */
    @Test
    void faces() {
        assertThat(new Form.Round(10, 10, 30).surface()).isCloseTo(942.48, within(0.01));
        assertThat(new Form.Round(20, 10, 30).surface()).isCloseTo(1413.72, within(0.01));
        assertThat(new Form.Bar(8, 6, 50).surface()).isCloseTo(1400, within(1e-9));
        assertThat(new Form.Body(30, 14, 10, Optional.empty(), Optional.empty(), Form.Traps.NONE, OptionalDouble.of(6))
                        .surface())
                .isCloseTo(600, within(1e-9));
    }

    /**
     * A ball of 20: pi x 400. An egg of 40 by 20: e = 0.86603, 2 pi 100 (1 + 2 / 0.86603 x asin e) = 2147.9; the relation is
     * good to 1.1 %, and says the same however it is turned.
     */
    @Test
    void ellipsoids() {
        assertThat(body(20, 20, 20).surface()).isCloseTo(1256.64, within(0.01));
        assertThat(body(40, 20, 20).surface()).isCloseTo(2147.9, within(2147.9 * 0.011));
        assertThat(body(20, 40, 20).surface()).isCloseTo(body(40, 20, 20).surface(), within(1e-6));
        assertThat(body(20, 20, 40).surface()).isCloseTo(body(40, 20, 20).surface(), within(1e-6));
    }

    /** Five times as wide as thick both ways is a plate, three times as long a bar, else a ball. */
    @ParameterizedTest
    @CsvSource({
        "4, 30, 20, 4, PLATE",
        "4, 20, 4, 30, PLATE",
        "4, 30, 19.9, 4, BAR",
        "10, 30, 12, 10, BAR",
        "10, 12, 10, 30, BAR",
        "10, 29.9, 12, 10, BALL",
        "10, 10, 10, 10, BALL"
    })
    void likeness(double thick, double length, double width, double thickness, Form.Likeness like) {
        assertThat(Form.Likeness.of(thick, length, width, thickness)).isEqualTo(like);
    }

    @ParameterizedTest
    @EnumSource(Form.Likeness.class)
    void likenessesHaveNames(Form.Likeness like) {
        assertThat(Form.Likeness.named(like.key())).hasValue(like);
        assertThat(like.label()).isNotBlank();
    }

    @ParameterizedTest
    @EnumSource(Use.class)
    void usesHaveNames(Use use) {
        assertThat(Use.named(use.key())).hasValue(use);
        assertThat(use.label()).isNotBlank();
    }

    @ParameterizedTest
    @EnumSource(GatingSchool.class)
    void schoolsHaveNamesAndTheirOwnRules(GatingSchool school) {
        assertThat(GatingSchool.named(school.key())).hasValue(school);
        assertThat(school.label()).isNotBlank();
        assertThat(school.says()).endsWith(".");
        Set<String> ratios = school.rules().stream()
                .map(Constant::key)
                .filter(k -> k.startsWith("gating.ratio."))
                .collect(Collectors.toSet());
        assertThat(ratios).hasSize(2).allMatch(k -> k.contains(school.key()));
        // what all schools share is among them
        assertThat(school.rules()).extracting(Constant::key).anyMatch(k -> k.endsWith("rise"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "nothing", "CUP"})
    void whatIsNoWordIsNone(String key) {
        assertThat(Use.named(key)).isEmpty();
        assertThat(GatingSchool.named(key)).isEmpty();
        assertThat(Form.Likeness.named(key)).isEmpty();
    }

    /** Metal runs down cup, sprue, runner, gate; gas leaves by vent, stub and an open feeder. */
    @Test
    void whatRunsAndWhatBreathes() {
        assertThat(Stream.of(Use.values()).filter(Use::isChannel))
                .containsExactlyInAnyOrder(Use.CUP, Use.SPRUE, Use.RUNNER, Use.GATE);
        assertThat(Stream.of(Use.values()).filter(Use::letsGasOut))
                .containsExactlyInAnyOrder(Use.VENT, Use.STUB, Use.FEEDER);
    }

    /** A flask stands under vacuum, a block or shell is poured by its weight alone. */
    @Test
    void theUsualSchoolFollowsTheMold() {
        assertThat(GatingSchool.usual(true)).isEqualTo(GatingSchool.FREE_TREE);
        assertThat(GatingSchool.usual(false)).isEqualTo(GatingSchool.GRAVITY);
        assertThat(GatingSchool.usual(true).drawsGas()).isTrue();
        assertThat(GatingSchool.usual(false).drawsGas()).isFalse();
    }

    @Test
    void aConstantIsListedOnce() {
        assertThat(GatingPlanner.constants())
                .extracting(Constant::key)
                .doesNotHaveDuplicates()
                .hasSizeGreaterThan(25);
    }
}
