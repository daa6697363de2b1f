package kilnryu.app.pour;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import kilnryu.app.firing.Incandescence;
import kilnryu.app.web.Show;
import kilnryu.app.web.Svg;
import kilnryu.app.web.Units;
import kilnryu.core.pour.PourPlan;
import kilnryu.core.pour.PourPlan.Leg;
import kilnryu.core.quantity.Measure;

/**
 * The time line of a pour: each mold out of its kiln with its window as a bar, the moment the metal reaches it, and below
 * the metal's temperature as it sinks from mold to mold.
 */
final class PourDrawing {
    private static final double WIDE = 860;
    private static final double LEFT = 172;
    private static final double RIGHT = 24;
    private static final double TOP = 34;
    private static final double ROW = 44;
    private static final double METAL = 130;
    private static final double OVEN = 24;
    private static final String COOL = "#8aa9a2";
    private static final String STANDS = "#c7d9d3";
    private static final String SMALL = "font-size=\"12.5\" fill=\"" + Svg.FAINT_INK + "\"";
    private static final String METAL_INK = "#a8480f";

    private final PourPlan plan;
    private final Units units;
    private final List<Oven> ovens;
    private final double from;
    private final double per;

    private PourDrawing(PourPlan plan, Units units, List<Oven> ovens) {
        this.ovens = ovens;
        this.plan = plan;
        this.units = units;
        from = Math.floor(Math.min(
                                0,
                                plan.legs().stream().mapToDouble(Leg::out).min().orElse(0))
                        / 10)
                * 10;
        double until =
                plan.legs().stream().mapToDouble(PourDrawing::shownUntil).max().orElse(60);
        until = Math.max(plan.ends() + 5, Math.min(until, from + (plan.ends() - from) * 2.2));
        per = (WIDE - LEFT - RIGHT) / (until - from);
    }

    private static double shownUntil(Leg l) {
        return l.spare().isPresent() ? Math.max(l.full(), l.start() + l.spare().getAsDouble()) : l.full();
    }

    /** A kiln as long as molds stand in it. */
    record Oven(String name, double celsius, double until) {}

    static String of(PourSheet sheet, Units units) {
        return sheet.plan()
                .filter(p -> !p.legs().isEmpty())
                .map(p -> of(p, ovens(sheet, p), units))
                .orElse("");
    }

    /** @param plan with a mold at least */
    static String of(PourPlan plan, List<Oven> ovens, Units units) {
        return new PourDrawing(plan, units, ovens).drawn();
    }

    /** By load and temperature: until its last mold is out. */
    private static List<Oven> ovens(PourSheet sheet, PourPlan plan) {
        Map<String, Oven> ovens = new LinkedHashMap<>();
        for (int i = 0; i < plan.legs().size(); i++) {
            Leg l = plan.legs().get(i);
            String load = sheet.molds().get(i).berth().map(b -> b.name()).orElse("kiln");
            ovens.merge(
                    load + Math.round(l.of().group()),
                    new Oven(load, l.of().group(), l.out()),
                    (x, y) -> new Oven(x.name, x.celsius, Math.max(x.until, y.until)));
        }
        return List.copyOf(ovens.values());
    }

    private double x(double second) {
        return Math.min(WIDE - RIGHT, LEFT + (second - from) * per);
    }

    private String drawn() {
        double first = TOP + ovens.size() * OVEN;
        double below = first + plan.legs().size() * ROW + 18;
        Svg svg = new Svg(WIDE, below + METAL + 4, "Time line of the pour");
        clock(svg, below + METAL);
        for (int i = 0; i < ovens.size(); i++) {
            oven(svg, ovens.get(i), TOP + i * OVEN);
        }
        double y = first;
        for (int i = 0; i < plan.legs().size(); i++) {
            row(svg, y, i);
            y += ROW;
        }
        metal(svg, below);
        return svg.done();
    }

    private void clock(Svg svg, double bottom) {
        double step = List.of(10.0, 15.0, 30.0, 60.0, 120.0, 300.0, 600.0, 1800.0, 3600.0).stream()
                .filter(s -> s * per >= 62)
                .findFirst()
                .orElse(7200.0);
        for (double s = Math.ceil(from / step) * step; x(s) < WIDE - RIGHT - 20; s += step) {
            svg.line(x(s), TOP - 8, x(s), bottom, "stroke=\"" + Svg.RULE + "\"");
            svg.text(x(s), TOP - 14, clock(s), SMALL + " text-anchor=\"middle\"");
        }
        svg.line(x(0), TOP - 8, x(0), bottom, "stroke=\"" + METAL_INK + "\" stroke-dasharray=\"3 3\"");
    }

    private void oven(Svg svg, Oven oven, double y) {
        svg.text(4, y + 15, shortened(oven.name()), SMALL);
        svg.rect(
                LEFT,
                y + 3,
                Math.max(4, x(oven.until()) - LEFT),
                14,
                "fill=\"" + Incandescence.at(oven.celsius()) + "\"");
        svg.text(Math.max(LEFT, x(oven.until())) + 8, y + 15, celsius(oven.celsius()) + ", empty of these then", SMALL);
    }

    private static String clock(double second) {
        long s = Math.round(Math.abs(second));
        return (second < 0 ? "−" : "") + s / 60 + ":" + String.format(Locale.ROOT, "%02d", s % 60);
    }

    private void row(Svg svg, double y, int index) {
        Leg l = plan.legs().get(index);
        double middle = y + ROW / 2;
        svg.group("class=\"pour-row\" data-tree=\"" + l.of().key() + "\"");
        svg.rect(0, y + 1, WIDE, ROW - 2, "fill=\"none\" pointer-events=\"all\"");
        svg.text(
                4,
                middle - 2,
                (index + 1) + "  " + shortened(l.of().name()),
                "font-size=\"14.5\" font-weight=\"600\" fill=\"" + Svg.INK + "\"");
        svg.text(
                22,
                middle + 14,
                Show.value(l.of().grams(), Measure.GRAM, units, false) + ", leaves " + celsius(l.of().group()),
                SMALL);
        double end = l.spare().isPresent() ? l.start() + l.spare().getAsDouble() : 1e9;
        svg.rect(x(l.out()), middle - 9, x(end) - x(l.out()), 18, "fill=\"" + STANDS + "\"");
        svg.rect(
                x(l.out()),
                middle - 9,
                Math.max(0, x(Math.min(l.start(), end)) - x(l.out())),
                18,
                "fill=\"" + COOL + "\"");
        boolean late = l.spare().isPresent() && l.spare().getAsDouble() < 0;
        svg.rect(
                x(l.start()),
                middle - 12,
                Math.max(5, x(l.full()) - x(l.start())),
                24,
                "fill=\"" + (late ? Svg.OXIDE : "#e8912d") + "\"");
        boolean inside = x(l.full()) > WIDE - 300;
        svg.text(
                inside ? x(l.out()) - 8 : x(l.full()) + 9,
                middle + 5,
                says(l, late),
                "font-size=\"13.5\" font-weight=\"" + (late ? "700" : "500") + "\" fill=\""
                        + (late ? Svg.OXIDE : Svg.INK) + "\"" + (inside ? " text-anchor=\"end\"" : ""));
        svg.endGroup();
        if (l.again()) {
            svg.text(
                    LEFT + 2,
                    y + 3,
                    "pot back to the furnace, " + clock(l.start()),
                    "font-size=\"12\" fill=\"" + METAL_INK + "\"");
        }
    }

    private String says(Leg l, boolean late) {
        String window = l.spare().isEmpty()
                ? "no hurry"
                : late
                        ? "too late by " + seconds(-l.spare().getAsDouble())
                        : "margin " + seconds(l.spare().getAsDouble());
        String fills = l.margin().isPresent()
                ? String.format(
                        Locale.ROOT,
                        ", fills %s× sooner than it freezes",
                        digits(l.margin().getAsDouble()))
                : ", filling not judged";
        return window + fills;
    }

    private static String digits(double margin) {
        return margin >= 20 ? "20+" : String.format(Locale.ROOT, "%.1f", margin);
    }

    private static String seconds(double s) {
        return s < 90
                ? Math.round(s) + " s"
                : s < 5400 ? Math.round(s / 60) + " min" : String.format(Locale.ROOT, "%.1f h", s / 3600);
    }

    private static String shortened(String name) {
        return name.length() > 20 ? name.substring(0, 19) + "…" : name;
    }

    private String celsius(double c) {
        return Show.value(c, Measure.DEGREE_CELSIUS, units, false).toString();
    }

    private void metal(Svg svg, double top) {
        double hottest = plan.legs().stream().mapToDouble(Leg::metal).max().orElse(0) + 15;
        double coolest = Math.min(
                        plan.legs().stream().mapToDouble(Leg::metalFull).min().orElse(0),
                        plan.legs().stream()
                                .mapToDouble(l -> l.of().least())
                                .min()
                                .orElse(0))
                - 10;
        double perK = (METAL - 30) / Math.max(10, hottest - coolest);
        svg.text(4, top + 20, "Metal in the pot", "font-size=\"14.5\" font-weight=\"600\" fill=\"" + METAL_INK + "\"");
        svg.text(4, top + 37, "°C as it is reached", SMALL);
        StringBuilder path = new StringBuilder();
        int pot = 0;
        double lastLabel = -100;
        for (Leg l : plan.legs()) {
            double a = top + 22 + (hottest - l.metal()) * perK;
            double b = top + 22 + (hottest - l.metalFull()) * perK;
            path.append(Svg.point(pot == l.pot() ? "L" : "M", x(l.start()), a)).append(Svg.point("L", x(l.full()), b));
            double least = top + 22 + (hottest - l.of().least()) * perK;
            svg.line(
                    x(l.start()) - 14,
                    least,
                    x(l.full()) + 14,
                    least,
                    "stroke=\"" + Svg.FAINT_INK + "\" stroke-dasharray=\"2 3\"");
            if (x(l.start()) - lastLabel > 56) {
                svg.text(
                        x(l.start()) + 4,
                        a - 9,
                        celsius(l.metal()),
                        "font-size=\"13.5\" font-weight=\"650\" fill=\"" + METAL_INK + "\"");
                lastLabel = x(l.start());
            }
            pot = l.pot();
        }
        svg.path(path.toString(), "fill=\"none\" stroke=\"" + METAL_INK + "\" stroke-width=\"2.5\"");
        plan.legs()
                .forEach(l -> svg.ellipse(
                        x(l.start()),
                        top + 22 + (hottest - l.metal()) * perK,
                        4,
                        4,
                        "fill=\"" + (l.metal() < l.of().least() ? Svg.OXIDE : METAL_INK) + "\""));
        svg.text(4, top + 56, "dashed: coolest it asks", SMALL);
    }
}
