package kilnryu.app.firing;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.time.ZoneId;
import java.util.Map;
import javax.xml.parsers.DocumentBuilderFactory;
import kilnryu.app.mold.SectionDrawing;
import kilnryu.app.plan.Plan;
import kilnryu.app.plan.Stage;
import kilnryu.app.web.Units;
import kilnryu.core.sum.Factors;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;

class DrawingTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");

    private static Plan plan(String name) {
        return Plan.read(
                Map.of(
                        Stage.TREE,
                        Map.of(
                                "name",
                                name,
                                "alloy",
                                "ag-925",
                                "parts[a].material",
                                "beeswax",
                                "parts[a].how",
                                "mass_g",
                                "parts[a].mass_g",
                                "1.92 g",
                                "parts[a].count",
                                "10"),
                        Stage.MOLD,
                        Map.of(
                                "inner_diameter_mm",
                                "100",
                                "height_mm",
                                "200",
                                "system",
                                "gypsum-jewelry",
                                "tree_width_mm",
                                "70",
                                "tree_height_mm",
                                "150"),
                        Stage.FIRING,
                        Map.of("pour_at", "2026-05-08T15:00")),
                new Plan.Reading(Units.METRIC, Factors.HANDBOOK, ZONE));
    }

    private static Document parsed(String svg) throws Exception {
        return DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(new ByteArrayInputStream(svg.getBytes(StandardCharsets.UTF_8)));
    }

    private static String section(Units units) {
        Plan plan = plan("Sea pea");
        return SectionDrawing.of(
                plan.flask().orElseThrow(),
                java.util.Optional.empty(),
                plan.outline().orElseThrow(),
                plan.clearances().orElseThrow(),
                new SectionDrawing.Lean(0, 0, plan.outline().orElseThrow().height()),
                units);
    }

    @Test
    void theSectionIsToScale() throws Exception {
        NodeList rects = parsed(section(Units.METRIC)).getElementsByTagName("rect");
        Element investment = (Element) rects.item(0);
        double width = Double.parseDouble(investment.getAttribute("width"));
        double height = Double.parseDouble(investment.getAttribute("height"));
        assertThat(height / width).isCloseTo(2.0, org.assertj.core.api.Assertions.within(0.01));
    }

    /** What is printed has nothing to take hold of, and is the same drawing else. */
    @Test
    void thePrintedSectionHasNoHandle() {
        Plan plan = plan("Sea pea");
        String printed = SectionDrawing.still(
                plan.flask().orElseThrow(),
                java.util.Optional.empty(),
                plan.outline().orElseThrow(),
                plan.clearances().orElseThrow(),
                new SectionDrawing.Lean(0, 0, plan.outline().orElseThrow().height()),
                Units.METRIC);
        assertThat(printed).contains("100 mm inside").doesNotContain("class=", "tabindex");
        assertThat(section(Units.METRIC)).startsWith(printed.substring(0, printed.length() - "</svg>".length()));
    }

    @Test
    void theSectionIsDimensionedInTheReadersUnits() {
        assertThat(section(Units.METRIC)).contains("100 mm inside").contains(">200 mm<");
        assertThat(section(new Units(Units.System.IMPERIAL, false))).contains("3.937 in inside");
        assertThat(section(Units.METRIC))
                .doesNotContain("style=")
                .contains("class=\"grip\"", "data-tall")
                .contains("data-opens=\"system\"", "data-opens=\"inner_diameter_mm\"", "data-opens=\"tree_width_mm\"");
    }

    @Test
    void theCurveRunsFromClosingTheKilnToThePourInTheStudiosClock() throws Exception {
        var clock = plan("Sea pea").firing().orElseThrow().clock().orElseThrow();
        String svg = CurveDrawing.of(clock, ZONE, Units.METRIC);
        assertThat(svg)
                .contains("to the pour at Fri 15:00")
                .contains(">dry out<")
                .contains(">burn out<");
        NodeList circles = parsed(svg).getElementsByTagName("ellipse");
        assertThat(circles.getLength()).isEqualTo(5);
    }

    @Test
    void onlyHeatGlows() {
        assertThat(Incandescence.at(20)).isEqualTo("#4a4440");
        assertThat(Incandescence.at(750)).isEqualTo("#b63a10");
        assertThat(Incandescence.at(5000)).isEqualTo("#fde7a6");
        // half way from 650 (8a2412) to 750 (b63a10): a0 2f 11
        assertThat(Incandescence.at(700)).isEqualTo("#a02f11");
    }
}
