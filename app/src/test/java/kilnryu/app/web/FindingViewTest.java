package kilnryu.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import kilnryu.core.finding.Finding;
import org.junit.jupiter.api.Test;

/** Findings that say the same of several places stand once, with their places. */
class FindingViewTest {
    private static final FigureView.Maker VIEWS = new FigureView.Maker(Units.METRIC, false);

    private static FindingView gap(int leaf, int number) {
        return FindingView.of(
                Finding.warn(
                        "gap.leaf-" + leaf,
                        "member.leaf",
                        "Leaf " + leaf + " is 2 mm from the next.",
                        "A thin wall of investment breaks.",
                        "Turn it."),
                VIEWS,
                number);
    }

    private static FindingView other(int number) {
        return FindingView.of(
                Finding.warn("head", "member.cup", "The head is 10 mm.", "It does not fill.", "A longer cup."),
                VIEWS,
                number);
    }

    @Test
    void theSameOfSeveralPlacesIsOne() {
        List<FindingView> grouped = FindingView.grouped(List.of(gap(1, 1), other(2), gap(2, 3), gap(3, 4)));
        assertThat(grouped)
                .extracting(FindingView::message)
                .containsExactly("Leaf 1 is 2 mm from the next.", "The head is 10 mm.");
        assertThat(grouped.get(0).number()).isEqualTo(1);
        assertThat(grouped.get(0).also()).extracting(FindingView::number).containsExactly(3, 4);
        assertThat(grouped.get(0).also())
                .extracting(FindingView::message)
                .containsExactly("Leaf 2 is 2 mm from the next.", "Leaf 3 is 2 mm from the next.");
        assertThat(grouped.get(1).also()).isEmpty();
    }

    /** A stop is never hidden behind a warning of the same kind, nor another remedy behind a first. */
    @Test
    void whatDiffersInWeightOrRemedyStaysApart() {
        FindingView stop = FindingView.of(
                Finding.stop(
                        "gap.leaf-4",
                        "member.leaf",
                        "Leaf 4 touches the next.",
                        "A thin wall of investment breaks.",
                        "Turn it."),
                VIEWS,
                2);
        FindingView remedy = FindingView.of(
                Finding.warn(
                        "gap.leaf-5",
                        "member.leaf",
                        "Leaf 5 is 2 mm from the next.",
                        "A thin wall of investment breaks.",
                        "Leave one out."),
                VIEWS,
                3);
        assertThat(FindingView.grouped(List.of(gap(1, 1), stop, remedy))).hasSize(3);
        assertThat(FindingView.grouped(List.of())).isEmpty();
    }

    @Test
    void itSpeaksTheReadersUnits() {
        FigureView.Maker imperial = new FigureView.Maker(new Units(Units.System.IMPERIAL, false), false);
        FindingView view = FindingView.of(
                Finding.note("x", "mold", "It lacks 25.4 mm.", "At 100 °C it boils.", "Lift it by 12.7 mm."),
                imperial,
                0);
        assertThat(view.message()).isEqualTo("It lacks 1.000 in.");
        assertThat(view.reason()).isEqualTo("At 212 °F it boils.");
        assertThat(view.remedy()).isEqualTo("Lift it by 0.500 in.");
    }
}
