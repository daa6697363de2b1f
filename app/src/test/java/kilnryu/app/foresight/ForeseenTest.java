package kilnryu.app.foresight;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.finding.Severity;
import org.junit.jupiter.api.Test;

/** What was foreseen beside what was found. */
class ForeseenTest {
    private static Told told(String kind, String severity) {
        List<Told.Mark> marks = kind.isEmpty()
                ? List.of()
                : List.of(new Told.Mark(
                        1,
                        kind,
                        severity,
                        0,
                        0,
                        -50,
                        "leg",
                        0,
                        0.9,
                        1.2,
                        "Pool in leg, 0.9 cm³",
                        "It is alone.",
                        List.of()));
        return new Told(1000, 2, 4, 2, 600, 1100, 500, true, "cup", 0, 0, 0, marks, List.of(), List.of());
    }

    private static Foreseen.Opened opened(Told told, boolean seen, String... pinned) {
        return new Foreseen.Opened(1, "Leg", told, Set.of(pinned), seen);
    }

    @Test
    void aHollowWhereAPoolWasForeseenSaysSo() {
        List<Foreseen.Line> lines = Foreseen.lines(opened(told("POOL", "stop"), true, "sunken"));
        assertThat(lines).hasSize(1);
        assertThat(lines.get(0).found()).isEqualTo("The like was found.");
        assertThat(Foreseen.lines(opened(told("POOL", "stop"), true, "fins"))
                        .get(0)
                        .found())
                .isEqualTo("Nothing of the kind was found.");
        assertThat(Foreseen.lines(opened(told("POOL", "stop"), false)).get(0).found())
                .isEqualTo("Not looked at yet.");
    }

    @Test
    void aMissIsSaid() {
        List<Foreseen.Line> lines = Foreseen.lines(opened(told("", ""), true, "shrinkage", "misrun"));
        assertThat(lines).extracting(Foreseen.Line::found).containsExactly("A miss.", "A miss.");
        assertThat(Foreseen.lines(opened(told("AIR", "warn"), true, "gas-hole")))
                .hasSize(1);
    }

    @Test
    void missesAndHitsAreCounted() {
        List<Foreseen.Score> scores = Foreseen.scores(List.of(
                opened(told("POOL", "stop"), true, "sunken"),
                opened(told("POOL", "warn"), true),
                opened(told("", ""), true, "shrinkage"),
                opened(told("POOL", "note"), true),
                opened(told("POOL", "stop"), false, "sunken"),
                opened(told("AIR", "warn"), true, "misrun")));
        Foreseen.Score hollow = scores.get(0);
        // one found, one feared in vain, one missed; a note foresees nothing, and the last had no pool
        assertThat(hollow).isEqualTo(new Foreseen.Score("hollow or sunken places", 1, 1, 1, 2));
        assertThat(hollow.right()).isEqualTo(3);
        assertThat(hollow.trees()).isEqualTo(5);
        assertThat(scores.get(1).both()).isEqualTo(1);
    }

    @Test
    void theSimpleChecksStayAsTheCheckByHand() {
        Findings simple = new Findings(List.of(
                Finding.warn("thick-thin-thick.4", "member.4", "Thick, thin, thick.", "It sinks.", "Thicker."),
                Finding.warn("gap.4", "member.4", "Too near.", "It breaks.", "Further.")));
        Told.Note pool = new Told.Note(
                "foresight.pool.leg.1", "stop", "member.leg", "Pool in leg.", "It is alone.", "Try: feeder.");
        Told foretold =
                new Told(1000, 2, 4, 2, 600, 1100, 500, true, "cup", 0, 0, 0, List.of(), List.of(), List.of(pool));
        assertThat(foretold.besides()).isEmpty();
        Findings over = Foretold.over(simple, foretold);
        assertThat(over.stops().get(0).message()).isEqualTo("Filled and frozen ahead: Pool in leg.");
        assertThat(over.stops()).extracting(Finding::id).containsExactly("foresight.pool.leg.1");
        assertThat(over.all())
                .filteredOn(f -> f.id().equals("thick-thin-thick.4"))
                .allMatch(f -> f.severity() == Severity.NOTE && f.message().startsWith("By hand: "));
        assertThat(over.all()).filteredOn(f -> f.id().equals("gap.4")).allMatch(f -> f.severity() == Severity.WARN);
        // where not all is judged, the simple check still warns
        Told coarse = new Told(1000, 2, 4, 2, 600, 1100, 500, false, "cup", 0, 0, 0, List.of(), List.of(), List.of());
        assertThat(Foretold.over(simple, coarse).all()).allMatch(f -> f.severity() == Severity.WARN);
    }
}
