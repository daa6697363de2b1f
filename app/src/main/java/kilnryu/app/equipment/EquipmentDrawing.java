package kilnryu.app.equipment;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import kilnryu.app.equipment.EquipmentReader.Workshop;
import kilnryu.app.web.Svg;
import kilnryu.core.flask.MixSession;
import kilnryu.core.flask.StudioFlask;

/** All that a studio has on one shelf and to one scale: flasks, bowls, bell, crucible, slurry tank. */
final class EquipmentDrawing {
    private static final double HIGH = 150;
    private static final double HEAD = 10;
    private static final double WORDS = 40;
    private static final double GAP = 26;
    private static final double LEAST = 64;
    private static final String LINE = "stroke=\"" + Svg.INK + "\" stroke-width=\"1.2\" stroke-linejoin=\"round\"";
    private static final double SLENDER = 1.3;

    private EquipmentDrawing() {}

    /** What stands on the shelf, mm. */
    private record Thing(String kind, String name, int count, double wide, double high) {}

    /** Empty while there is nothing. */
    static String of(Workshop shop) {
        List<Thing> things = new ArrayList<>();
        for (StudioFlask f : shop.flasks()) {
            things.add(new Thing("flask", f.name(), f.count(), f.inner(), f.height()));
        }
        for (MixSession.Bowl b : shop.bowls()) {
            // half a ball of that volume
            double wide = 2 * Math.cbrt(1.5 * b.volume() * 1000 / Math.PI);
            things.add(new Thing("bowl", b.name(), b.count(), wide, wide / 2));
        }
        both(shop.shop().opening(), shop.shop().underBell(), "bell", "bell", things);
        shop.crucible().capacity().ifPresent(v -> {
            double wide = Math.cbrt(4 * v * 1000 / (Math.PI * SLENDER));
            things.add(new Thing("crucible", "crucible", 1, wide, wide * SLENDER));
        });
        both(shop.equipment().tankDiameter(), shop.equipment().tankDepth(), "tank", "slurry tank", things);
        return things.isEmpty() ? "" : drawn(things);
    }

    private static void both(OptionalDouble wide, OptionalDouble high, String kind, String name, List<Thing> things) {
        if (wide.isPresent() && high.isPresent()) {
            things.add(new Thing(kind, name, 1, wide.getAsDouble(), high.getAsDouble()));
        }
    }

    private static String drawn(List<Thing> things) {
        double tallest = things.stream().mapToDouble(Thing::high).max().orElse(1);
        double scale = HIGH / Math.max(1, tallest);
        double wide = things.stream()
                .mapToDouble(t -> Math.max(LEAST, t.wide * scale) + GAP)
                .sum();
        Svg svg =
                new Svg(wide, HEAD + HIGH + WORDS, "The studio's equipment to one scale: " + things.size() + " things");
        double floor = HEAD + HIGH;
        svg.line(0, floor, wide, floor, "stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"1\"");
        double left = GAP / 2;
        for (Thing t : things) {
            double room = Math.max(LEAST, t.wide * scale);
            double middle = left + room / 2;
            shape(svg, t, middle, floor, scale);
            svg.text(
                    middle,
                    floor + 16,
                    t.name.length() > 14 ? t.name.substring(0, 13) + "…" : t.name,
                    "font-size=\"12\" text-anchor=\"middle\" fill=\"" + Svg.INK + "\"");
            svg.text(
                    middle,
                    floor + 32,
                    t.count > 1 ? "× " + t.count : "",
                    "font-size=\"12\" text-anchor=\"middle\" fill=\"" + Svg.FAINT_INK + "\"");
            left += room + GAP;
        }
        return svg.done();
    }

    private static void shape(Svg svg, Thing t, double x, double floor, double scale) {
        double half = t.wide * scale / 2;
        double high = t.high * scale;
        switch (t.kind) {
            case "flask" -> {
                double wall = Math.max(2.5, 3 * scale);
                svg.rect(x - half, floor - high, 2 * half, high, "fill=\"#f3ead9\"");
                svg.hatch(x - half - wall, floor - high, wall, high, LINE);
                svg.hatch(x + half, floor - high, wall, high, LINE);
            }
            case "bowl" ->
                svg.path(
                        Svg.point("M", x - half, floor - high)
                                + Svg.point(" C", x - half, floor)
                                + Svg.point(" ", x - half / 2, floor)
                                + Svg.point(" ", x, floor)
                                + Svg.point(" C", x + half / 2, floor)
                                + Svg.point(" ", x + half, floor)
                                + Svg.point(" ", x + half, floor - high)
                                + " Z",
                        "fill=\"#dbe4ea\" " + LINE);
            case "bell" ->
                svg.path(
                        Svg.point("M", x - half, floor)
                                + Svg.point(" L", x - half, floor - high * 0.75)
                                + Svg.point(" C", x - half, floor - high)
                                + Svg.point(" ", x + half, floor - high)
                                + Svg.point(" ", x + half, floor - high * 0.75)
                                + Svg.point(" L", x + half, floor)
                                + " Z",
                        "fill=\"none\" " + LINE);
            case "crucible" ->
                svg.path(
                        Svg.point("M", x - half, floor - high)
                                + Svg.point(" L", x + half, floor - high)
                                + Svg.point(" L", x + half * 0.7, floor)
                                + Svg.point(" L", x - half * 0.7, floor)
                                + " Z",
                        "fill=\"#cfc3b2\" " + LINE);
            default -> svg.rect(x - half, floor - high, 2 * half, high, "fill=\"#efe6d6\" " + LINE);
        }
    }
}
