package kilnryu.app.foresight;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntPredicate;
import kilnryu.app.web.Svg;
import kilnryu.core.mesh.Vec;

/**
 * A cut through a frozen tree, to scale, cup up: metal by the class of its freezing time, from pale to ink so that the order
 * holds in grey too; at a moment what is still liquid is outlined where it is fed and hatched where it is left alone. Marks
 * stand at their place.
 */
final class CutDrawing {
    /** From soon to late; no heat colours, these are times. */
    static final List<String> CLASSES = List.of("#e3e7d8", "#b6d1ca", "#7fb3b5", "#4b86aa", "#31568f", "#28265c");

    /** How strongly metal is drawn in, from least on: shades and not heat colours either. */
    static final List<String> DRAWS = List.of("#7a3b12", "#cf9b5a", "#e9ece0");

    private static final String MOLD = "#efe6d6";
    private static final String EMPTY = "#fffdf8";
    private static final String METAL = "#c9a36b";
    private static final double HIGH = 520;
    private static final double LEAST_WIDE = 250;
    private static final double SIDE = 104;
    private static final double TOP = 20;
    private static final double FOOT = 14;
    private static final int MOST_LABELS = 9;
    private static final double LINE = 19;

    /** Which way it is cut. */
    enum Plane {
        FRONT("front", "seen from the front"),
        SIDE("side", "seen from the side"),
        LEVEL("level", "seen from above");

        private final String key;
        private final String label;

        Plane(String key, String label) {
            this.key = key;
            this.label = label;
        }

        static Plane named(String key) {
            return java.util.Arrays.stream(values())
                    .filter(p -> p.key.equals(key))
                    .findFirst()
                    .orElse(FRONT);
        }

        public String key() {
            return key;
        }

        public String label() {
            return label;
        }

        /** Along which of x, y, z the cut is moved. */
        int across() {
            return this == FRONT ? 1 : this == SIDE ? 0 : 2;
        }
    }

    /**
     * What is to be drawn.
     *
     * @param off where it is cut, mm
     * @param filling whether the moment is one of the filling
     * @param at the moment, s
     * @param fine where fine holes are likeliest to stay, instead of the times
     * @param small without labels, for one beside another
     */
    record View(Plane plane, double off, boolean filling, double at, boolean fine, boolean small) {}

    private final FrozenCells c;
    private final Told told;
    private final View view;
    private final int nu;
    private final int nv;
    private final int slice;
    private final double cell;
    private final double left;
    private final Svg svg;
    private final double[] bounds;

    private CutDrawing(Outlook outlook, View view, double[] scale) {
        c = outlook.cells();
        told = outlook.told();
        this.view = view;
        boolean level = view.plane == Plane.LEVEL;
        nu = view.plane == Plane.SIDE ? c.grid().ny() : c.grid().nx();
        nv = level ? c.grid().ny() : c.grid().nz();
        int across = view.plane.across();
        slice = Math.max(0, Math.min(c.grid().along(across) - 1, (int)
                Math.floor((view.off - c.low()[across]) / c.edge())));
        double high = view.small ? HIGH * 0.42 : HIGH;
        double side = view.small ? 8 : SIDE;
        double most = view.small ? 150 : 430;
        cell = Math.min((high - TOP - FOOT) / nv, most / nu);
        double wide = Math.max(view.small ? 60 : LEAST_WIDE, nu * cell) + 2 * side;
        left = (wide - nu * cell) / 2;
        bounds = scale;
        svg = new Svg(
                wide,
                TOP + FOOT + nv * cell,
                String.format(
                        Locale.ROOT,
                        "Cut through the tree, %s: %d marks; last solid in %s",
                        view.plane.label,
                        told.marks().size(),
                        told.last()));
    }

    static String of(Outlook outlook, View view) {
        return of(outlook, view, classes(outlook.told(), outlook.cells()));
    }

    /** By the scale of another, so that one can be laid beside it. */
    static String of(Outlook outlook, View view, double[] scale) {
        return new CutDrawing(outlook, view, scale).draw();
    }

    /** Upper ends of all classes but the last, s: round numbers, so that castings take up the scale. */
    static double[] classes(Told told, FrozenCells c) {
        double latest = 0;
        for (int i = 0; i < c.part().length; i++) {
            if (c.metal(i)
                    && c.solid()[i] != FrozenCells.NEVER
                    && told.parts().get(c.part()[i]).use().equals("piece")) {
                latest = Math.max(latest, c.time(c.solid()[i]));
            }
        }
        return classes(latest == 0 ? c.seconds() : latest);
    }

    private static double[] classes(double seconds) {
        double step = seconds / CLASSES.size();
        double[] round = {
            0.1, 0.2, 0.5, 1, 2, 5, 10, 15, 20, 30, 60, 90, 120, 180, 240, 300, 600, 900, 1800, 3600, 7200, 14400
        };
        double nice = round[round.length - 1];
        for (int i = round.length - 1; i >= 0; i--) {
            nice = round[i] >= step * 0.85 ? round[i] : nice;
        }
        double[] bounds = new double[CLASSES.size() - 1];
        for (int i = 0; i < bounds.length; i++) {
            bounds[i] = nice * (i + 1);
        }
        return bounds;
    }

    /** Where the cut goes: through the middle of the piece with the gravest mark, or of all; level, at the mark itself. */
    static double best(Outlook outlook, Plane plane) {
        FrozenCells c = outlook.cells();
        Optional<Told.Mark> first = outlook.told().marks().stream().findFirst();
        if (plane == Plane.LEVEL) {
            return first.map(Told.Mark::z).orElse(outlook.told().lastZ());
        }
        double sum = 0;
        int count = 0;
        for (int i = 0; i < c.part().length; i++) {
            boolean of = c.metal(i)
                    && (first.isEmpty()
                            || outlook.told()
                                    .parts()
                                    .get(c.part()[i])
                                    .key()
                                    .equals(first.get().key()));
            if (of) {
                sum += c.grid().place(plane.across(), i) + 0.5;
                count++;
            }
        }
        return c.low()[plane.across()] + c.edge() * (count == 0 ? c.grid().along(plane.across()) / 2.0 : sum / count);
    }

    /** The upright cut that meets most metal, as frozen, small. */
    static View fullest(Outlook outlook) {
        FrozenCells c = outlook.cells();
        Plane most = Plane.FRONT;
        int at = 0;
        int count = -1;
        for (Plane plane : List.of(Plane.FRONT, Plane.SIDE)) {
            int[] metal = new int[c.grid().along(plane.across())];
            for (int i = 0; i < c.part().length; i++) {
                metal[c.grid().place(plane.across(), i)] += c.metal(i) ? 1 : 0;
            }
            for (int k = 0; k < metal.length; k++) {
                if (metal[k] > count) {
                    count = metal[k];
                    most = plane;
                    at = k;
                }
            }
        }
        double off = c.low()[most.across()] + (at + 0.5) * c.edge();
        return new View(most, off, false, c.seconds(), false, true);
    }

    private int at(int u, int v) {
        return switch (view.plane) {
            case FRONT -> c.grid().at(u, slice, v);
            case SIDE -> c.grid().at(slice, u, v);
            case LEVEL -> c.grid().at(u, v, slice);
        };
    }

    private double x(double u) {
        return left + u * cell;
    }

    private double y(double v) {
        return TOP + (nv - v) * cell;
    }

    private double u(Vec at) {
        double mm = view.plane == Plane.SIDE ? at.y() - c.low()[1] : at.x() - c.low()[0];
        return mm / c.edge();
    }

    private double v(Vec at) {
        double mm = view.plane == Plane.LEVEL ? at.y() - c.low()[1] : at.z() - c.low()[2];
        return mm / c.edge();
    }

    private String draw() {
        svg.path(cells(i -> (c.marks()[i] & FrozenCells.MOLD) != 0 && !c.metal(i)), "fill=\"" + MOLD + "\"");
        if (view.fine) {
            fine();
        } else if (view.filling) {
            filling();
        } else {
            frozen();
        }
        svg.path(
                rim(c::metal),
                "fill=\"none\" stroke=\"" + Svg.INK + "\" stroke-width=\"1.1\" stroke-linecap=\"square\"");
        if (!view.small) {
            labels();
        }
        marks();
        return svg.done();
    }

    private void filling() {
        int now = c.filling(view.at);
        svg.path(cells(i -> c.metal(i) && c.arrives()[i] > now), "fill=\"" + EMPTY + "\"");
        svg.path(cells(i -> c.metal(i) && c.arrives()[i] <= now), "fill=\"" + METAL + "\"");
        svg.path(hatch(i -> (c.marks()[i] & FrozenCells.AIR) != 0), lines(Svg.OCHRE, 1.2));
    }

    private void fine() {
        svg.path(cells(i -> c.metal(i) && !inPiece(i)), "fill=\"" + EMPTY + "\"");
        for (int k = 0; k < DRAWS.size(); k++) {
            int is = k;
            svg.path(cells(i -> inPiece(i) && there(i) && draws(i) == is), "fill=\"" + DRAWS.get(k) + "\"");
        }
        // shades alone do not tell the weakest in every print
        svg.path(hatch(i -> inPiece(i) && there(i) && draws(i) == 0), lines("#fff", 1.2));
    }

    private int draws(int i) {
        int marks = c.marks()[i];
        return (marks & FrozenCells.WEAKEST) != 0 ? 0 : (marks & FrozenCells.WEAK) != 0 ? 1 : 2;
    }

    private void frozen() {
        int now = c.at(view.at);
        for (int k = 0; k < CLASSES.size(); k++) {
            int is = k;
            svg.path(cells(i -> c.metal(i) && there(i) && kind(i) == is), "fill=\"" + CLASSES.get(k) + "\"");
        }
        svg.path(cells(i -> c.metal(i) && !there(i)), "fill=\"" + EMPTY + "\"");
        svg.path(hatch(i -> (c.marks()[i] & FrozenCells.AIR) != 0), lines(Svg.OCHRE, 1.2));
        IntPredicate alone = i -> liquid(i, now) && c.alone()[i] <= now;
        IntPredicate fed = i -> liquid(i, now) && c.alone()[i] > now;
        svg.path(hatch(alone), lines("#fff", 1.6));
        svg.path(rim(alone), "fill=\"none\" stroke=\"#fff\" stroke-width=\"1.6\"");
        svg.path(rim(fed), "fill=\"none\" stroke=\"#fff\" stroke-width=\"1.6\" stroke-dasharray=\"4 3\"");
        if (now >= c.at(c.seconds())) {
            for (boolean piece : new boolean[] {false, true}) {
                // a feeder that sank did what it is for
                svg.path(
                        cells(i ->
                                (c.marks()[i] & (FrozenCells.HOLLOW | FrozenCells.SUNK)) != 0 && inPiece(i) == piece),
                        "fill=\"" + EMPTY + "\" stroke=\"" + (piece ? Svg.OXIDE : Svg.FAINT_INK)
                                + "\" stroke-width=\"1\"");
            }
        }
    }

    private boolean inPiece(int i) {
        return c.metal(i) && told.parts().get(c.part()[i]).use().equals("piece");
    }

    private boolean there(int i) {
        return c.arrives()[i] != FrozenCells.NEVER;
    }

    private boolean liquid(int i, int now) {
        return c.metal(i) && there(i) && c.stiff()[i] > now;
    }

    private int kind(int i) {
        return classOf(bounds, c.time(c.solid()[i]));
    }

    /** Which class a time is of. */
    static int classOf(double[] bounds, double time) {
        int k = 0;
        while (k < bounds.length && time > bounds[k]) {
            k++;
        }
        return k;
    }

    private static String lines(String colour, double width) {
        return "fill=\"none\" stroke=\"" + colour + "\" stroke-width=\"" + width + "\"";
    }

    /** Cells of a kind as one path, a row of neighbours as one box. */
    private String cells(IntPredicate of) {
        StringBuilder path = new StringBuilder();
        for (int v = 0; v < nv; v++) {
            int from = -1;
            for (int u = 0; u <= nu; u++) {
                boolean is = u < nu && of.test(at(u, v));
                if (is && from < 0) {
                    from = u;
                } else if (!is && from >= 0) {
                    // a little over its edge, so that no hair of the ground shows between
                    path.append(Svg.point("M", x(from) - 0.2, y(v + 1) - 0.2))
                            .append('H')
                            .append(Svg.n(x(u) + 0.2))
                            .append('V')
                            .append(Svg.n(y(v) + 0.2))
                            .append('H')
                            .append(Svg.n(x(from) - 0.2))
                            .append('Z');
                    from = -1;
                }
            }
        }
        return path.toString();
    }

    /** The line round cells of a kind. */
    private String rim(IntPredicate of) {
        StringBuilder path = new StringBuilder();
        for (int v = 0; v <= nv; v++) {
            for (int u = 0; u <= nu; u++) {
                boolean here = u < nu && v < nv && of.test(at(u, v));
                boolean before = u > 0 && v < nv && of.test(at(u - 1, v));
                boolean below = u < nu && v > 0 && of.test(at(u, v - 1));
                if (here != before && v < nv) {
                    path.append(Svg.point("M", x(u), y(v))).append('V').append(Svg.n(y(v + 1)));
                }
                if (here != below && u < nu) {
                    path.append(Svg.point("M", x(u), y(v))).append('H').append(Svg.n(x(u + 1)));
                }
            }
        }
        return path.toString();
    }

    /** Slanting lines over cells of a kind. */
    private String hatch(IntPredicate of) {
        StringBuilder path = new StringBuilder();
        int each = Math.max(2, (int) Math.round(7 / cell));
        for (int v = 0; v < nv; v++) {
            for (int u = 0; u < nu; u++) {
                if ((u + v) % each == 0 && of.test(at(u, v))) {
                    path.append(Svg.point("M", x(u), y(v + 1))).append(Svg.point("L", x(u + 1), y(v)));
                }
            }
        }
        return path.toString();
    }

    /** Names of the parts that the cut meets, at the nearer side, each on a line of its own. */
    private void labels() {
        Map<String, double[]> places = new LinkedHashMap<>();
        for (int v = 0; v < nv; v++) {
            for (int u = 0; u < nu; u++) {
                int i = at(u, v);
                if (c.metal(i)) {
                    String name = told.parts().get(c.part()[i]).name();
                    double[] sum = places.computeIfAbsent(name, n -> new double[3]);
                    sum[0] += u + 0.5;
                    sum[1] += v + 0.5;
                    sum[2]++;
                }
            }
        }
        List<Map.Entry<String, double[]>> all = new ArrayList<>(places.entrySet());
        all.sort(Comparator.comparingDouble(e -> -e.getValue()[2]));
        List<Map.Entry<String, double[]>> most = new ArrayList<>(all.subList(0, Math.min(MOST_LABELS, all.size())));
        most.sort(Comparator.comparingDouble(e -> -e.getValue()[1] / e.getValue()[2]));
        double[] free = {TOP, TOP};
        for (Map.Entry<String, double[]> e : most) {
            double u = e.getValue()[0] / e.getValue()[2];
            double py = y(e.getValue()[1] / e.getValue()[2]);
            boolean right = u > nu / 2.0;
            double ty = Math.max(free[right ? 1 : 0], py);
            free[right ? 1 : 0] = ty + LINE;
            double edge = right ? left + nu * cell + 6 : left - 6;
            svg.line(x(u), py, edge, ty, "stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"0.8\"");
            svg.ellipse(x(u), py, 1.6, 1.6, "fill=\"" + Svg.FAINT_INK + "\"");
            svg.text(
                    right ? edge + 3 : edge - 3,
                    ty + 4,
                    shortened(e.getKey()),
                    "font-size=\"14\" fill=\"" + Svg.INK + "\" text-anchor=\"" + (right ? "start" : "end") + "\"");
        }
    }

    private static String shortened(String name) {
        return name.length() <= 14 ? name : name.substring(0, 13) + "…";
    }

    private void marks() {
        double r = view.small ? 8 : 12;
        for (Told.Mark m : told.marks()) {
            Vec at = new Vec(m.x(), m.y(), m.z());
            double px = x(u(at));
            double py = y(v(at));
            String colour =
                    m.severity().equals("stop") ? Svg.OXIDE : m.severity().equals("warn") ? Svg.OCHRE : Svg.SLATE;
            svg.ellipse(px, py, r + 3, r + 3, "fill=\"#fffdf8\" fill-opacity=\"0.9\"");
            String shape = switch (m.severity()) {
                case "stop" ->
                    String.format(
                            Locale.ROOT,
                            "M%.1f,%.1f h%.1f v%.1f h-%.1f z",
                            px - r * 0.75,
                            py - r * 0.75,
                            r * 1.5,
                            r * 1.5,
                            r * 1.5);
                case "warn" ->
                    String.format(Locale.ROOT, "M%.1f,%.1f l%.1f,%.1f h-%.1f z", px, py - r, r, r * 1.75, 2 * r);
                default ->
                    String.format(
                            Locale.ROOT,
                            "M%.1f,%.1f a%.1f,%.1f 0 1 0 %.1f,0 a%.1f,%.1f 0 1 0 -%.1f,0 z",
                            px - r * 0.8,
                            py,
                            r * 0.8,
                            r * 0.8,
                            r * 1.6,
                            r * 0.8,
                            r * 0.8,
                            r * 1.6);
            };
            svg.path(shape, "fill=\"" + colour + "\"");
            svg.text(
                    px,
                    py + (view.small ? 3.5 : 4.5),
                    Integer.toString(m.number()),
                    "font-size=\"" + (view.small ? 9 : 12)
                            + "\" font-weight=\"700\" fill=\"#fff\" text-anchor=\"middle\"");
        }
    }
}
