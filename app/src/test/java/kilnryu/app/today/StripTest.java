package kilnryu.app.today;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import javax.xml.parsers.DocumentBuilderFactory;
import kilnryu.app.today.Day.Bar;
import kilnryu.app.today.Day.Heat;
import kilnryu.app.today.Day.Kind;
import kilnryu.app.today.Day.Lane;
import kilnryu.app.today.Day.Press;
import kilnryu.app.today.Day.Task;
import kilnryu.app.today.Day.Window;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/** 48 hours over 1120 units from 112 on: 23.33 units to the hour; the first two hours lie behind. */
class StripTest {
    private static final double HOUR = 1120 / 48.0;
    private static final ZonedDateTime NOW = ZonedDateTime.of(2026, 3, 4, 12, 0, 0, 0, ZoneId.of("Europe/Lisbon"));
    private static final Window WINDOW = Window.at(NOW);

    private static Task duty(int hours, Press press, String what) {
        return new Task(NOW.plusHours(hours), press, true, what, "Ebb tide", "", "Open the run", "/firings/1/run");
    }

    private static Document drawn(List<Lane> lanes, Task... tasks) throws Exception {
        String svg = Strip.of(WINDOW, lanes, List.of(tasks));
        return DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(new ByteArrayInputStream(svg.getBytes(StandardCharsets.UTF_8)));
    }

    private static double number(Element e, String name) {
        return Double.parseDouble(e.getAttribute(name));
    }

    private static Element bar(Document strip, String label) {
        var links = strip.getElementsByTagName("a");
        for (int i = 0; i < links.getLength(); i++) {
            Element link = (Element) links.item(i);
            if (link.getAttribute("aria-label").equals(label)) {
                return (Element) link.getElementsByTagName("rect").item(0);
            }
        }
        throw new AssertionError(label);
    }

    @Test
    void aBarIsAsLongAsItsHours() throws Exception {
        Lane dips = new Lane(
                "Dips",
                "/shells",
                List.of(Bar.of(NOW.plusHours(3), NOW.plusHours(9), Kind.WAIT, "coat 4 dries", "/shells/1")));
        Element bar = bar(drawn(List.of(dips)), "coat 4 dries");
        // two hours behind, three ahead
        assertThat(number(bar, "x")).isCloseTo(112 + 5 * HOUR, within(0.1));
        assertThat(number(bar, "width")).isCloseTo(6 * HOUR, within(0.2));
    }

    /** A dip has no words of its own on its bar; its link is named by its line. */
    @Test
    void aBarWithoutWordsIsNamedByItsLine() throws Exception {
        Lane dips = new Lane(
                "Tern on a post", "/shells", List.of(Bar.of(NOW, NOW.plusHours(1), Kind.HANDS, "", "/shells/1")));
        assertThat(number(bar(drawn(List.of(dips)), "Tern on a post"), "width")).isCloseTo(HOUR, within(0.2));
    }

    @Test
    void whatReachesOverTheEdgeIsCutThere() throws Exception {
        Lane kiln = new Lane(
                "round kiln",
                "/firings",
                List.of(new Bar(
                        NOW.minusHours(9),
                        NOW.plusHours(60),
                        Kind.HEAT,
                        "Ebb tide",
                        "/firings/1/run",
                        List.of(new Heat(NOW.minusHours(9), 20), new Heat(NOW.plusHours(60), 730)))));
        Element bar = bar(drawn(List.of(kiln)), "Ebb tide");
        assertThat(number(bar, "x")).isCloseTo(112, within(0.1));
        assertThat(number(bar, "width")).isCloseTo(1120, within(0.1));
        assertThat(bar.getAttribute("fill")).startsWith("url(#heat");
    }

    @Test
    void aLaneWithNothingInTheseHoursIsLeftOut() {
        Lane later = new Lane(
                "Mixing",
                "/mixing",
                List.of(Bar.of(NOW.plusHours(50), NOW.plusHours(51), Kind.HANDS, "Tern", "/trees/1")));
        assertThat(Strip.of(WINDOW, List.of(later), List.of()))
                .contains("Nothing burns, dries or is poured in these hours.", "0 lines of work, 0 duties")
                .doesNotContain(">Mixing<");
    }

    @Test
    void aLateDutyStandsBeforeNowAndSaysSo() throws Exception {
        String svg = Strip.of(WINDOW, List.of(), List.of(duty(-20, Press.LATE, "Drain tray out")));
        assertThat(svg).contains("Drain tray out, Ebb tide, Tue 3 Mar, 16:00, late", "one duty");
        Document strip =
                drawn(List.of(), duty(-20, Press.LATE, "Drain tray out"), duty(5, Press.DUE, "Close the vent"));
        var dots = strip.getElementsByTagName("ellipse");
        double now = 112 + 2 * HOUR;
        assertThat(number((Element) dots.item(0), "cx")).isLessThan(now);
        assertThat(number((Element) dots.item(2), "cx")).isCloseTo(now + 5 * HOUR, within(0.1));
    }

    /** From 22:30 to 5:30: three nights touch 48 hours from ten in the morning; the third is out of sight. */
    @Test
    void nightsAreShaded() throws Exception {
        var rects = drawn(List.of()).getElementsByTagName("rect");
        List<Element> nights = new java.util.ArrayList<>();
        for (int i = 0; i < rects.getLength(); i++) {
            Element r = (Element) rects.item(i);
            if (r.getAttribute("fill").equals("#e6dac8")) {
                nights.add(r);
            }
        }
        assertThat(nights).hasSize(2);
        assertThat(number(nights.get(0), "width")).isCloseTo(7 * HOUR, within(0.2));
        assertThat(number(nights.get(0), "x")).isCloseTo(112 + 12.5 * HOUR, within(0.2));
    }

    @Test
    void theHourOfNowTakesThePlaceOfItsTick() {
        // 12:00 is a tick of every fourth hour; it stands once, on the mark of now
        assertThat(Strip.of(WINDOW, List.of(), List.of()).split(">12:00<")).hasSize(3);
        assertThat(Strip.of(WINDOW, List.of(), List.of())).contains(">16:00<", ">Wed 4 Mar<", ">Thu 5 Mar<");
    }
}
