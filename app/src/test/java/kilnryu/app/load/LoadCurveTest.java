package kilnryu.app.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kilnryu.app.web.Units;
import kilnryu.core.burnout.HeldProgram;
import kilnryu.core.burnout.OwnProgram;
import kilnryu.core.burnout.Progress;
import kilnryu.core.burnout.Segment;
import kilnryu.core.kiln.KilnRun;
import kilnryu.core.kiln.Mold;
import kilnryu.core.kiln.Setting;
import org.junit.jupiter.api.Test;

class LoadCurveTest {
    /** 52 + 120, 232 + 120 = 524 minutes, drawn over 770 units from 46 to 816; 0 C at 334, 800 at 34. */
    private static final List<Segment> PROGRAM =
            OwnProgram.of(List.of(new OwnProgram.Line(150, 150, 120), new OwnProgram.Line(150, 730, 120)));

    private static final Pattern NUMBERS = Pattern.compile("-?\\d+\\.\\d");

    private static LoadCurve.Data data() {
        List<HeldProgram.Fired> load = List.of(new HeldProgram.Fired(
                new KilnRun.Charge("a", Mold.flask(0.05, 0.07, Setting.GYPSUM), 1, 1, 1), 60, false));
        HeldProgram held = HeldProgram.of(
                PROGRAM, new HeldProgram.Question(load, Optional.empty(), 20, KilnRun.Detail.QUICK, false));
        return new LoadCurve.Data(
                20,
                PROGRAM,
                held.run().kilnAt(),
                List.of(held.run().firing(0)),
                0,
                Optional.empty(),
                List.of(new LoadCurve.Mark(1, 0, false), new LoadCurve.Mark(2, 300, true)),
                List.of(new LoadCurve.Pin(470, 680, "Over 680", "after 7 h 50 min")),
                List.of(new LoadCurve.Against(1, 172, 150, true)),
                List.of(),
                -1,
                true,
                Optional.empty(),
                List.of());
    }

    private static LoadCurve.Data with(List<Progress.Sample> measured, Optional<ZonedDateTime> start) {
        LoadCurve.Data d = data();
        return new LoadCurve.Data(
                d.startC(),
                d.program(),
                d.kiln(),
                d.molds(),
                d.slowest(),
                start,
                d.marks(),
                d.pins(),
                d.against(),
                measured,
                200,
                false,
                Optional.empty(),
                List.of());
    }

    private static List<Double> path(String svg, String of) {
        Matcher element =
                Pattern.compile("<path d=\"([^\"]*)\" class=\"" + of + "\"").matcher(svg);
        assertThat(element.find()).as(of).isTrue();
        List<Double> numbers = new ArrayList<>();
        NUMBERS.matcher(element.group(1)).results().forEach(n -> numbers.add(Double.parseDouble(n.group())));
        return numbers;
    }

    @Test
    void theProgramStandsWhereItsSumsSay() {
        List<Double> asked = path(LoadCurve.of(data(), Units.METRIC), "asked");
        double[] minutes = {0, 52, 172, 404, 524};
        double[] celsius = {20, 150, 150, 730, 730};
        for (int i = 0; i < minutes.length; i++) {
            assertThat(asked.get(2 * i)).isCloseTo(46 + 770 * minutes[i] / 524, within(0.06));
            assertThat(asked.get(2 * i + 1)).isCloseTo(334 - 300 * celsius[i] / 800, within(0.06));
        }
    }

    /** A corner can be taken hold of, with what it means in words for who does not see it. */
    @Test
    void cornersSayWhatTheyAre() {
        String svg = LoadCurve.of(data(), Units.METRIC);
        assertThat(svg.split("class=\"corner\"")).hasSize(5);
        // it is dragged no further than it may be typed
        assertThat(svg).contains("data-most=\"1400\"");
        assertThat(svg)
                .contains("aria-label=\"End of the hold at 150 °C\"", "aria-valuetext=\"hold of 2 h 00 min\"")
                .contains("data-window=\"524.00 by 800\"");
    }

    /** What was measured is a line of its own, and so is now; nothing can be dragged any more. */
    @Test
    void whatWasMeasuredIsDrawnOverThePlan() {
        List<Progress.Sample> measured =
                List.of(new Progress.Sample(0, 20), new Progress.Sample(6_000, 190), new Progress.Sample(12_000, 150));
        ZonedDateTime start = ZonedDateTime.of(2026, 10, 24, 22, 0, 0, 0, ZoneId.of("Europe/Lisbon"));
        String svg = LoadCurve.of(with(measured, Optional.of(start)), Units.METRIC);
        assertThat(path(svg, "measured")).hasSize(6);
        assertThat(path(svg, "measured").get(3)).isCloseTo(334 - 300 * 190 / 800.0, within(0.06));
        assertThat(svg).contains(">now</text>", ">✓</text>").doesNotContain("class=\"corner\"");
    }

    /** On 25 October 2026 the clocks go back at two: three hours after ten past eleven it is ten past one again. */
    @Test
    void theHourThatComesTwiceIsThereTwice() {
        ZonedDateTime start = ZonedDateTime.of(2026, 10, 24, 22, 0, 0, 0, ZoneId.of("Europe/Lisbon"));
        String svg = LoadCurve.of(with(List.of(), Optional.of(start)), Units.METRIC);
        assertThat(svg.split(">01:00</text>").length).isEqualTo(3);
        assertThat(svg).contains(">05:00</text>").doesNotContain(">07:00</text>");
    }

    /** A longer program in the window of a shorter one keeps its scale and is cut at the edge. */
    @Test
    void aWindowKeepsItsScale() {
        LoadCurve.Data d = data();
        LoadCurve.Data in = new LoadCurve.Data(
                d.startC(),
                d.program(),
                d.kiln(),
                d.molds(),
                0,
                d.start(),
                d.marks(),
                d.pins(),
                d.against(),
                d.measured(),
                -1,
                true,
                LoadCurve.Window.named("262.00 by 1600"),
                List.of());
        String svg = LoadCurve.of(in, Units.METRIC);
        List<Double> asked = path(svg, "asked");
        // 52 minutes of 262; 150 of 1600
        assertThat(asked.get(2)).isCloseTo(46 + 770 * 52 / 262.0, within(0.06));
        assertThat(asked.get(3)).isCloseTo(334 - 300 * 150 / 1600.0, within(0.06));
        assertThat(svg).contains("clip-path=\"url(#in-window)\"", "data-window=\"262.00 by 1600\"");
    }

    /** A pin's box covers no corner: of 9 units each side. */
    @Test
    void pinsKeepOffTheCorners() {
        String svg = LoadCurve.of(data(), Units.METRIC);
        Matcher box = Pattern.compile("<rect x=\"([\\d.]+)\" y=\"([\\d.]+)\" width=\"([\\d.]+)\" height=\"34.0\"")
                .matcher(svg);
        assertThat(box.find()).isTrue();
        double x = Double.parseDouble(box.group(1));
        double y = Double.parseDouble(box.group(2));
        double wide = Double.parseDouble(box.group(3));
        Matcher knob = Pattern.compile("<rect x=\"([\\d.]+)\" y=\"([\\d.]+)\" width=\"9.0\"")
                .matcher(svg);
        int corners = 0;
        while (knob.find()) {
            double kx = Double.parseDouble(knob.group(1));
            double ky = Double.parseDouble(knob.group(2));
            boolean covered = kx + 9 > x && kx < x + wide && ky + 9 > y && ky < y + 34;
            assertThat(covered).as("corner at %s, %s", kx, ky).isFalse();
            corners++;
        }
        assertThat(corners).isEqualTo(4);
    }

    private static LoadCurve.Data named(String name) {
        LoadCurve.Data d = data();
        ZonedDateTime evening = ZonedDateTime.of(2026, 3, 4, 20, 30, 0, 0, ZoneId.of("UTC"));
        return new LoadCurve.Data(
                d.startC(),
                d.program(),
                d.kiln(),
                d.molds(),
                d.slowest(),
                Optional.of(evening),
                d.marks(),
                d.pins(),
                d.against(),
                d.measured(),
                -1,
                true,
                Optional.empty(),
                List.of(name));
    }

    @Test
    void linesCarryTheirNames() {
        String svg = LoadCurve.of(named("Tern on a post"), Units.METRIC);
        assertThat(svg)
                .containsPattern("class=\"line-name\"[^>]*>Tern on a post<")
                .containsPattern("line-name\"[^>]*>kiln<");
        assertThat(LoadCurve.of(data(), Units.METRIC)).doesNotContain("line-name", "class=\"reads\"");
        assertThat(LoadCurve.of(named("A name that is far too long for a line of its own"), Units.METRIC))
                .contains("A name that is far too lo…");
    }

    /** Closed at 20:30: the night from 22:30 to 5:30 begins after 120 of the 524 minutes and ends after 540, past the end. */
    @Test
    void theNightIsShaded() {
        String svg = LoadCurve.of(named("Tern"), Units.METRIC);
        Matcher night = Pattern.compile("<rect x=\"([\\d.]+)\"[^>]*width=\"([\\d.]+)\"[^>]*night-hours")
                .matcher(svg);
        assertThat(night.find()).isTrue();
        double perMinute = 770.0 / 524;
        assertThat(Double.parseDouble(night.group(1))).isCloseTo(46 + 120 * perMinute, within(1.0));
        assertThat(Double.parseDouble(night.group(2))).isCloseTo(404 * perMinute, within(1.5));
        assertThat(night.find()).isFalse();
    }

    /** 240 steps from 20 C to what is asked; a quote in a name does not end it. */
    @Test
    void everyLineCanBeReadAtAnInstant() {
        String svg = LoadCurve.of(named("the \"big\" tern"), Units.METRIC);
        String series = svg.replaceAll("(?s).*data-series=\"([^\"]*)\".*", "$1").replace("&quot;", "\"");
        assertThat(series)
                .startsWith("[{\"name\":\"kiln asked\",\"values\":[20,")
                .contains("the \\\"big\\\" tern");
        String asked = series.substring(series.indexOf("values\":[") + 9, series.indexOf("]"));
        assertThat(asked.split(",")).hasSize(241);
        assertThat(svg).contains("data-start=\"2026-03-04T20:30\"", "data-unit=\"°C\"");
        assertThat(LoadCurve.of(named("x"), new Units(Units.System.IMPERIAL, false)))
                .contains("data-unit=\"°F\"", "kiln asked&quot;,&quot;values&quot;:[68,");
    }
}
