package kilnryu.app.pour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kilnryu.app.record.Poured;
import kilnryu.app.web.Units;
import kilnryu.core.material.Alloy;
import kilnryu.core.melt.Furnace;
import kilnryu.core.melt.MeltPlan;
import kilnryu.core.melt.MeltQuestion;
import kilnryu.core.melt.PotCooling;
import kilnryu.core.pour.CarryWindow;
import kilnryu.core.pour.Pot;
import kilnryu.core.pour.PourCrew;
import kilnryu.core.pour.PourMold;
import kilnryu.core.pour.PourPlan;
import kilnryu.core.sum.Factors;
import kilnryu.core.tree.Crucible;
import org.junit.jupiter.api.Test;

/** Where things stand in the drawings of plan, day, melt and furnace, by the second and the kelvin. */
class PourDrawingsTest {
    private static final String ORANGE = "#e8912d";
    private static final String OXIDE = "#a2382a";
    private static final PotCooling NO_LOSS = new PotCooling(0, 0, false, 20);

    /** Rectangles of a paint: x and width. */
    private static List<double[]> bars(String svg, String paint) {
        List<double[]> all = new ArrayList<>();
        Matcher m = Pattern.compile("<rect x=\"([-0-9.]+)\" y=\"[-0-9.]+\" width=\"([-0-9.]+)\"[^>]*" + paint)
                .matcher(svg);
        while (m.find()) {
            all.add(new double[] {Double.parseDouble(m.group(1)), Double.parseDouble(m.group(2))});
        }
        return all;
    }

    private static List<double[]> points(String svg, String stroke) {
        List<double[]> all = new ArrayList<>();
        Matcher path = Pattern.compile("<path d=\"([^\"]+)\" [^>]*" + stroke).matcher(svg);
        assertThat(path.find()).isTrue();
        Matcher m = Pattern.compile("[ML]([-0-9.]+),([-0-9.]+)").matcher(path.group(1));
        while (m.find()) {
            all.add(new double[] {Double.parseDouble(m.group(1)), Double.parseDouble(m.group(2))});
        }
        return all;
    }

    private static void stands(double actual, double expected) {
        assertThat(actual).isCloseTo(expected, within(0.06));
    }

    private static Ebb ebb() {
        return Ebb.of(false, new Poured.Pot(0, 0, false, 1200, 500));
    }

    private static String day(Ebb ebb, double second) {
        return DayDrawing.of(ebb.course(), Ebb.ZERO, Ebb.at(second), ZoneId.of("Europe/Lisbon"));
    }

    /** From 5 s before the pot leaves to 10 s after the last is full: 73 s over 724 units from 160 on. */
    @Test
    void theDayAsItIsPlannedIsOutlined() {
        String svg = day(ebb(), -60);
        double per = 724 / 73.0;
        List<double[]> metal = bars(svg, "stroke=\"" + ORANGE);
        assertThat(metal).hasSize(2);
        // flows into the first at 40 and stands at 43
        stands(metal.get(0)[0], 160 + 45 * per);
        stands(metal.get(0)[1], 3 * per);
        stands(metal.get(1)[0], 160 + 60 * per);
        // the window of a minute from the moment it comes out
        List<double[]> windows = bars(svg, "#c7d9d3");
        stands(windows.get(0)[0], 160 + 10 * per);
        stands(windows.get(0)[1], 60 * per);
        // of the other nobody looked so far ahead: to the margin
        assertThat(windows.get(1)[0] + windows.get(1)[1]).isCloseTo(884, within(0.11));
        assertThat(svg).contains("Reed warbler", "Marsh tit", "08:30:20", "08:30:40");
    }

    @Test
    void whatHappenedIsSolidAndWhatIsLatePushesTheRest() {
        Ebb ebb = ebb().tapped("potout", null, 0).tapped("out", 1L, 5).tapped("start", 1L, 50);
        ebb.tapped("short", 1L, 53);
        String svg = day(ebb, 54);
        // the second is expected 10 s later, full at 68: 83 s are drawn
        double per = 724 / 83.0;
        assertThat(bars(svg, "fill=\"" + OXIDE)).singleElement().satisfies(b -> stands(b[0], 160 + 55 * per));
        assertThat(bars(svg, "stroke=\"" + ORANGE)).singleElement().satisfies(b -> stands(b[0], 160 + 70 * per));
        assertThat(svg).contains("short, 3 s").doesNotContain("full");
    }

    private static PourMold mold(String key, String name, double spareS, PourMold.Margin margin) {
        return new PourMold(
                key,
                name,
                Alloy.SI_BRONZE,
                300,
                600,
                new CarryWindow(
                        OptionalDouble.of(spareS),
                        List.of(new CarryWindow.Moment(0, 600, 600), new CarryWindow.Moment(200, 400, 300))),
                560,
                1050,
                3,
                OptionalDouble.of(3),
                margin,
                0);
    }

    private static String plan(PotCooling pot, boolean again, double spareS, Units units) {
        PourPlan plan = PourPlan.of(new PourPlan.Question(
                List.of(
                        mold("a", "Reed warbler", spareS, (metal, cavity) -> OptionalDouble.of(3)),
                        mold("b", "Marsh tit on a post by the weir", spareS, PourMold.Margin.UNKNOWN)),
                new Pot(5000, 0, 1120, pot, 120),
                new PourCrew(20, 15, 10, 40, false),
                again ? Set.of("b") : Set.of()));
        return PourDrawing.of(plan, List.of(new PourDrawing.Oven("Night", 600, 18)), units);
    }

    /** Out at 5 and 18, metal at 40 and 53, full at 43 and 56; to 61 s: 664 units from 172 on. */
    @Test
    void thePlanStandsOnTheSecond() {
        String svg = plan(NO_LOSS, false, 40, Units.METRIC);
        double per = 664 / 61.0;
        List<double[]> metal = bars(svg, "fill=\"" + ORANGE);
        assertThat(metal).hasSize(2);
        stands(metal.get(0)[0], 172 + 40 * per);
        stands(metal.get(1)[0], 172 + 53 * per);
        stands(metal.get(1)[1], 3 * per);
        // out for 35 s of its 40
        stands(bars(svg, "#8aa9a2").get(0)[1], 35 * per);
        stands(bars(svg, "#c7d9d3").get(0)[1], 40 * per);
        assertThat(svg)
                .contains("1  Reed warbler", "2  Marsh tit on a post…", "300 g, leaves 600 °C", "Night", "0:30")
                .contains("margin 5 s, fills 3.0× sooner than it freezes", "margin 5 s, filling not judged")
                .doesNotContain("too late")
                .doesNotContain("pot back");
    }

    @Test
    void whatIsTooLateIsRedAndAPotThatGoesBackIsWritten() {
        String late = plan(NO_LOSS, false, 30, Units.METRIC);
        assertThat(bars(late, "fill=\"" + OXIDE)).hasSize(2);
        assertThat(late).contains("too late by 5 s");
        // full at 43, 120 s in the furnace, 40 s of skimming
        String twice = plan(new PotCooling(0.004, 0.02, false, 20), true, 40, Units.METRIC);
        assertThat(twice).contains("pot back to the furnace, 3:23");
        // two lines of sinking metal, not one
        assertThat(Pattern.compile("<path d=\"M[^M\"]+M[^M\"]+\"")
                        .matcher(twice)
                        .find())
                .isTrue();
    }

    @Test
    void inFahrenheit() {
        // 600 C and 1120 C
        assertThat(plan(NO_LOSS, false, 40, new Units(Units.System.IMPERIAL, false)))
                .contains("leaves 1112 °F", "2048 °F")
                .doesNotContain("600 °C")
                .doesNotContain("1120 °C");
    }

    /** From 20 C to the tap: the heat is the width, soft and liquid are where their heat is. */
    @Test
    void theMeltStandsOnTheHeat() {
        MeltPlan melt = MeltPlan.of(
                new MeltQuestion(
                        Alloy.SI_BRONZE,
                        1000,
                        20,
                        1100,
                        new Furnace(3, Furnace.Heating.RESISTANCE, OptionalDouble.empty(), OptionalDouble.of(1200)),
                        new Crucible(OptionalDouble.of(200), OptionalDouble.empty()),
                        Optional.empty()),
                Factors.HANDBOOK);
        Alloy.Melting m = Alloy.SI_BRONZE.melting();
        double all = melt.heat().value();
        double soft = m.cpSolid() * (m.solidus() - 20) / 1000;
        double liquid = m.cpSolid() * (m.liquidus() - 20) / 1000 + m.latent();
        String svg = MeltDrawing.of(melt, Units.METRIC);
        List<double[]> path = points(svg, "stroke=\"#a8480f\"");
        assertThat(path).hasSize(4);
        stands(path.get(0)[0], 20);
        stands(path.get(1)[0], 20 + 416 * soft / all);
        stands(path.get(2)[0], 20 + 416 * liquid / all);
        stands(path.get(3)[0], 436);
        // 248 units from 0 C to 60 K over the tap
        double top = melt.tap().value() + 60;
        stands(path.get(0)[1], 272 - 248 * 20 / top);
        stands(path.get(2)[1], 272 - 248 * m.liquidus() / top);
        assertThat(svg).contains("softens", "all liquid", "tap 1100 °C");
    }

    @Test
    void theFurnaceSoFar() {
        assertThat(FurnaceDrawing.of(List.of(), 1000, Units.METRIC)).isEmpty();
        String svg = FurnaceDrawing.of(
                List.of(new double[] {0, 20}, new double[] {5, 540}, new double[] {10, 1080}), 1000, Units.METRIC);
        List<double[]> path = points(svg, "stroke=\"#a8480f\"");
        // half of the time at half of the width; 1.08 times the tap at the top
        stands(path.get(1)[0], 8 + 404 / 2.0);
        stands(path.get(1)[1], 110 - 94 / 2.0);
        stands(path.get(2)[1], 16);
        assertThat(svg).contains("10 min by the clock", "tap 1000 °C");
    }
}
