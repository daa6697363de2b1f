package kilnryu.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Drawings as text: plain attributes, one decimal, words escaped. */
class SvgTest {
    @ParameterizedTest
    @CsvSource({
        "0, 0.0",
        "1, 1.0",
        "-0.04, 0.0",
        "-0.06, -0.1",
        "12.25, 12.3",
        "1234567.89, 1234567.9",
        "-3.14159, -3.1"
    })
    void coordinates(double value, String written) {
        assertThat(Svg.n(value)).isEqualTo(written);
    }

    @Test
    void points() {
        assertThat(Svg.point("M", 1.25, -2)).isEqualTo("M1.3,-2.0");
        assertThat(Svg.point("L", 0, 0.04)).isEqualTo("L0.0,0.0");
    }

    @Test
    void figures() {
        String drawn = new Svg(100, 50, "a leaf, 30 mm")
                .line(0, 1, 2, 3, "stroke=\"red\"")
                .rect(1, 2, -3, 4, "")
                .ellipse(5, 6, 7, 8, "fill=\"none\"")
                .path("M0,0", "id=\"p\"")
                .group("class=\"g\"")
                .text(1, 2, "<b> & \"x\"", "font-size=\"9\"")
                .endGroup()
                .clip("window", 0, 0, 10, 10)
                .done();
        assertThat(drawn)
                .startsWith(
                        "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 100.0 50.0\" width=\"100\" height=\"50\" role=\"img\" aria-label=\"a leaf, 30 mm\"")
                .contains("<line x1=\"0.0\" y1=\"1.0\" x2=\"2.0\" y2=\"3.0\" stroke=\"red\"/>")
                // a width below nothing is none
                .contains("<rect x=\"1.0\" y=\"2.0\" width=\"0.0\" height=\"4.0\" />")
                .contains("<ellipse cx=\"5.0\" cy=\"6.0\" rx=\"7.0\" ry=\"8.0\" fill=\"none\"/>")
                .contains("<path d=\"M0,0\" id=\"p\"/>")
                .contains("&lt;b&gt; &amp; &quot;x&quot;")
                .contains("<clipPath id=\"window\">")
                .endsWith("</svg>");
        assertThat(drawn.split("<g ")).hasSize(2);
        assertThat(drawn.split("</g>")).hasSize(2);
    }

    @Test
    void whatIsTakenHoldOfIsAGroup() {
        assertThat(Svg.withHandles(10, 10, "x").done()).contains("role=\"group\"");
    }

    /** A square of 20 hatched every 5: from its left edge 20 to 5 down and from its upper edge. */
    @Test
    void hatching() {
        String drawn =
                new Svg(20, 20, "x").hatch(0, 0, 20, 20, "stroke=\"#000\"").done();
        assertThat(drawn.split("<line")).hasSize(8);
        assertThat(drawn).contains("x1=\"15.0\" y1=\"0.0\" x2=\"20.0\" y2=\"5.0\"");
    }
}
