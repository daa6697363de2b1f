package kilnryu.core.rubber;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.rubber.Parting.Point;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Lines whose length is seen at a glance. */
class PartingTest {
    /** 210 mm along, then 140 mm up. */
    private static final List<Point> CORNER = List.of(new Point(0, 0), new Point(210, 0), new Point(210, 140));

    private static Parting of(List<List<Point>> lines, Double flange, List<String> parts, Integer least) {
        return Parting.of(new Parting.Question(
                lines,
                Optional.of(new Point(5, 5)),
                parts,
                flange == null ? OptionalDouble.empty() : OptionalDouble.of(flange),
                OptionalDouble.of(6),
                1.15,
                Optional.ofNullable(least)));
    }

    /** 350 mm: five keys, 105 cm2 of flange at 30 mm, 2 x 105 x 0.6 x 1.15 = 144.9 g. */
    @Test
    void lengthGivesKeysFlangesAndRubber() {
        Parting parting = of(List.of(CORNER), null, List.of("front", "back"), 2);
        assertThat(parting.length().orElseThrow().value()).isEqualTo(350, within(1e-9));
        assertThat(parting.apart().orElseThrow().value()).isEqualTo(70, within(1e-9));
        assertThat(parting.flange().orElseThrow().value()).isEqualTo(105, within(1e-9));
        assertThat(parting.rubber().orElseThrow().value()).isEqualTo(144.9, within(1e-9));
        assertThat(parting.unknown()).isEmpty();
        assertThat(parting.findings().all()).isEmpty();
    }

    /** Every 70 mm, 35 mm from the ends: 35, 105, 175 along, then at 245 and 315: 35 and 105 up. */
    @Test
    void keysStandEvenlyAlongALine() {
        assertThat(of(List.of(CORNER), null, List.of("a", "b"), null).keyPlaces())
                .usingRecursiveFieldByFieldElementComparator(
                        org.assertj.core.api.recursive.comparison.RecursiveComparisonConfiguration.builder()
                                .withComparatorForType(
                                        (a, b) -> Math.abs(a - b) < 1e-9 ? 0 : Double.compare(a, b), Double.class)
                                .build())
                .containsExactly(
                        new Point(35, 0),
                        new Point(105, 0),
                        new Point(175, 0),
                        new Point(210, 35),
                        new Point(210, 105));
    }

    @Test
    void twoLinesAreOneLength() {
        List<Point> other = List.of(new Point(0, 50), new Point(0, 120));
        Parting parting = of(List.of(CORNER, other), 30.0, List.of("a"), null);
        assertThat(parting.length().orElseThrow().value()).isEqualTo(420, within(1e-9));
        assertThat(parting.keyPlaces()).hasSize(6).contains(new Point(0, 85));
    }

    @ParameterizedTest
    @CsvSource({"24, flange-narrow", "25, ''", "40, ''", "41, flange-broad"})
    void flangesHaveTheirBand(double mm, String id) {
        assertThat(of(List.of(CORNER), mm, List.of("a", "b"), 2).findings().all())
                .extracting(Finding::id)
                .containsExactlyElementsOf(id.isEmpty() ? List.of() : List.of(id));
    }

    @Test
    void fewerPartsThanUndercutsAskIsSaid() {
        assertThat(of(List.of(CORNER), null, List.of("front", "back"), 3)
                        .findings()
                        .all())
                .singleElement()
                .satisfies(f -> assertThat(f.message()).isEqualTo("2 parts are named; its undercuts ask for 3."));
        assertThat(of(List.of(CORNER), null, List.of("front"), 2)
                        .findings()
                        .all()
                        .get(0)
                        .message())
                .startsWith("1 part is named");
    }

    @Test
    void whatIsNotDrawnIsNotJudged() {
        Parting none = Parting.of(new Parting.Question(
                List.of(List.of(new Point(3, 3))),
                Optional.empty(),
                List.of(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                1.15,
                Optional.empty()));
        assertThat(none.unknown())
                .containsExactly("where it parts", "where its wax goes in", "how its parts are called");
        assertThat(none.length()).isEmpty();
        assertThat(none.keyPlaces()).isEmpty();
        Parting drawn = Parting.of(new Parting.Question(
                List.of(CORNER),
                Optional.empty(),
                List.of("a"),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                1.15,
                Optional.empty()));
        assertThat(drawn.rubber()).isEmpty();
        assertThat(drawn.unknown()).containsExactly("where its wax goes in");
    }
}
