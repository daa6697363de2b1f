package kilnryu.core.heat;

/**
 * Heat conduction in a body through time, by finite volumes.
 *
 * <p>Method: one step is a sweep along the radii and one along the axis, in turns first (locally one-dimensional
 * splitting). Each line is solved implicitly (backward Euler) with capacities along the way it will go; the fluxes of that
 * solution, and nothing else, then change the heat of the cells, and each cell's temperature is found from its heat by the
 * curves of {@link Medium}. So heat is neither made nor lost by the latent heats: what has come in through the faces is
 * what the cells have taken, to rounding. Error of first order in the step and of second in the cells; stable at any step.
 * {@link #advance} chooses its steps so that no cell changes by more than a set number of kelvins in one.
 *
 * <p>Not safe for several threads. Nothing is allocated while it runs.
 */
public final class Conduction {
    private static final double SHORTEST_S = 0.02;
    private static final double GROWTH = 1.35;
    private static final double NOTHING = 1e-12;
    private static final int ROUNDS = 3;
    private static final double BENT = 0.02;

    private final Body body;
    private final Medium medium;
    private final Curves curves;
    private final Face side;
    private final Face bottom;
    private final Face top;
    private final double perStep;
    private final double longest;
    private final double start;

    private final int rings;
    private final int layers;
    private final double dr;
    private final double dz;
    private final double[] ringArea;
    private final double[] radialGeometry;
    private final double sideArea;

    private final double[] t;
    private final double[] hottest;
    private final double[] k;
    private final double[] skin;
    private final double[] sideSurface;
    private final double[] bottomSurface;
    private final double[] topSurface;
    private final double[] line;
    private final double[] next;
    private final double[] capacity;
    private final double[] lower;
    private final double[] upper;
    private final double[] main;
    private final double[] right;
    private final double[] conductance;
    private final double[] volume;

    private double time;
    private double step;
    private double heatIn;
    private double changed;
    private boolean axisFirst;
    private boolean dry;
    private long steps;

    /** The temperature around a body, C, at a time in seconds. */
    @FunctionalInterface
    public interface Around {
        double at(double seconds);
    }

    /** What each face sees: a kiln all round, a shelf below, sand at the sides. */
    public record Surroundings(Around side, Around bottom, Around top) {
        public static Surroundings all(Around around) {
            return new Surroundings(around, around, around);
        }
    }

    /** The faces of a body. */
    public record Faces(Face side, Face bottom, Face top) {
        public static Faces all(Face face) {
            return new Faces(face, face, face);
        }
    }

    /**
     * How closely it is followed.
     *
     * @param perStep no cell changes by more in one step, K
     * @param longest step, s
     */
    public record Fineness(double perStep, double longest) {
        /** Times and ends within two minutes and 0.2 K of steps five times shorter over a day. */
        public static final Fineness USUAL = new Fineness(8, 300);
    }

    /** A body of one temperature with all its water. */
    public Conduction(Body body, Medium medium, Faces faces, double start, Fineness fineness) {
        this.body = body;
        this.medium = medium;
        curves = new Curves(medium);
        this.side = body.slab() ? Face.INSULATED : faces.side;
        this.bottom = faces.bottom;
        this.top = faces.top;
        this.start = start;
        this.perStep = fineness.perStep;
        this.longest = fineness.longest;
        rings = body.rings();
        layers = body.layers();
        dr = body.radius() / rings;
        dz = body.height() / layers;
        ringArea = new double[rings];
        radialGeometry = new double[rings];
        for (int i = 0; i < rings; i++) {
            double in = i * dr;
            double out = in + dr;
            ringArea[i] = Math.PI * (out * out - in * in);
            radialGeometry[i] = 2 * Math.PI * out * dz;
        }
        sideArea = radialGeometry[rings - 1];
        int cells = rings * layers;
        t = new double[cells];
        hottest = new double[cells];
        k = new double[cells];
        java.util.Arrays.fill(t, start);
        java.util.Arrays.fill(hottest, start);
        skin = filled(layers);
        sideSurface = filled(layers);
        bottomSurface = filled(rings);
        topSurface = filled(rings);
        int most = Math.max(rings + 1, layers);
        line = new double[most];
        next = new double[most];
        capacity = new double[most];
        lower = new double[most];
        upper = new double[most];
        main = new double[most];
        right = new double[most];
        conductance = new double[most + 1];
        volume = new double[most];
        step = 1;
    }

    /** A body as this one is now, that goes on for itself. */
    public Conduction copy() {
        Conduction twin =
                new Conduction(body, medium, new Faces(side, bottom, top), start, new Fineness(perStep, longest));
        System.arraycopy(t, 0, twin.t, 0, t.length);
        System.arraycopy(hottest, 0, twin.hottest, 0, t.length);
        System.arraycopy(skin, 0, twin.skin, 0, layers);
        System.arraycopy(sideSurface, 0, twin.sideSurface, 0, layers);
        System.arraycopy(bottomSurface, 0, twin.bottomSurface, 0, rings);
        System.arraycopy(topSurface, 0, twin.topSurface, 0, rings);
        twin.time = time;
        twin.step = step;
        twin.heatIn = heatIn;
        twin.changed = changed;
        twin.axisFirst = axisFirst;
        twin.dry = dry;
        twin.steps = steps;
        return twin;
    }

    private double[] filled(int size) {
        double[] all = new double[size];
        java.util.Arrays.fill(all, start);
        return all;
    }

    /** Goes on to a time, s; the same surroundings for all faces. */
    public void advance(double to, Around around) {
        while (time < to - 1e-9) {
            step(to, around);
        }
    }

    /** Goes on to a time, s. */
    public void advance(double to, Surroundings around) {
        while (time < to - 1e-9) {
            step(to, around);
        }
    }

    /** One step, as long as its fineness allows and no further than a time, s; the same surroundings for all faces. */
    public void step(double to, Around around) {
        double dt = length(to);
        double there = around.at(time + dt);
        step(dt, there, there, there);
    }

    /** One step, as long as its fineness allows and no further than a time, s. */
    public void step(double to, Surroundings around) {
        double dt = length(to);
        double then = time + dt;
        step(dt, around.side.at(then), around.bottom.at(then), around.top.at(then));
    }

    private double length(double to) {
        return Math.min(Math.min(step, longest), to - time);
    }

    private void step(double dt, double side, double bottom, double top) {
        single(dt, side, bottom, top);
        steps++;
        time += dt;
        double wish = changed > NOTHING ? dt * perStep / changed : dt * GROWTH;
        // a step cut short at the end says nothing of how long the next may be
        step = Math.max(SHORTEST_S, Math.min(wish, Math.max(dt, step) * GROWTH));
    }

    private void single(double dt, double side, double bottom, double top) {
        changed = 0;
        if (axisFirst) {
            alongAxis(dt, bottom, top);
            alongRadii(dt, side);
        } else {
            alongRadii(dt, side);
            alongAxis(dt, bottom, top);
        }
        axisFirst = !axisFirst;
    }

    private void conductivities() {
        double least = Double.MAX_VALUE;
        for (int c = 0; c < t.length; c++) {
            k[c] = medium.conductivity(t[c], hottest[c]);
            least = Math.min(least, hottest[c]);
        }
        dry = least > Medium.BOUND_TO;
    }

    private void alongRadii(double dt, double around) {
        if (rings == 1 && side == Face.INSULATED) {
            return;
        }
        conductivities();
        for (int j = 0; j < layers; j++) {
            int row = j * rings;
            conductance[0] = 0;
            for (int i = 0; i < rings - 1; i++) {
                double a = k[row + i];
                double b = k[row + i + 1];
                conductance[i + 1] = radialGeometry[i] * 2 * a * b / (a + b) / dr;
            }
            for (int i = 0; i < rings; i++) {
                line[i] = t[row + i];
                volume[i] = ringArea[i] * dz;
                capacity[i] = volume[i] * slope(row + i);
            }
            double inside = 2 * k[row + rings - 1] / dr;
            if (side.skin() > 0) {
                throughSkin(dt, around, j, inside);
                continue;
            }
            double out = side.whole(sideSurface[j], around);
            double through = out == 0 ? 0 : out * inside / (out + inside);
            conductance[rings] = sideArea * through;
            solve(rings, rings, dt, 0, around, row, 1);
            if (out > 0) {
                double edge = t[row + rings - 1];
                sideSurface[j] = edge + (around - edge) * through / inside;
            }
        }
    }

    /** A line whose last place is the sheet around the body: it takes heat of its own and changes with the rest. */
    private void throughSkin(double dt, double around, int layer, double inside) {
        double to = Double.isInfinite(side.contact()) ? inside : inside * side.contact() / (inside + side.contact());
        conductance[rings] = sideArea * to;
        conductance[rings + 1] = sideArea * side.bare(skin[layer], around);
        line[rings] = skin[layer];
        capacity[rings] = sideArea * side.skin();
        int row = layer * rings;
        solve(rings + 1, rings, dt, 0, around, row, 1);
        skin[layer] += right[rings] / capacity[rings];
        double edge = t[row + rings - 1];
        sideSurface[layer] = edge + (skin[layer] - edge) * to / inside;
    }

    private void alongAxis(double dt, double below, double above) {
        conductivities();
        for (int i = 0; i < rings; i++) {
            double area = ringArea[i];
            double insideBottom = 2 * k[i] / dz;
            double outBottom = bottom.whole(bottomSurface[i], below);
            double throughBottom = outBottom == 0 ? 0 : outBottom * insideBottom / (outBottom + insideBottom);
            conductance[0] = area * throughBottom;
            for (int j = 0; j < layers - 1; j++) {
                double a = k[j * rings + i];
                double b = k[(j + 1) * rings + i];
                conductance[j + 1] = area * 2 * a * b / (a + b) / dz;
            }
            int last = (layers - 1) * rings + i;
            double insideTop = 2 * k[last] / dz;
            double outTop = top.whole(topSurface[i], above);
            double throughTop = outTop == 0 ? 0 : outTop * insideTop / (outTop + insideTop);
            conductance[layers] = area * throughTop;
            for (int j = 0; j < layers; j++) {
                line[j] = t[j * rings + i];
                volume[j] = area * dz;
                capacity[j] = volume[j] * slope(j * rings + i);
            }
            solve(layers, layers, dt, below, above, i, rings);
            if (outBottom > 0) {
                bottomSurface[i] = t[i] + (below - t[i]) * throughBottom / insideBottom;
            }
            if (outTop > 0) {
                topSurface[i] = t[last] + (above - t[last]) * throughTop / insideTop;
            }
        }
    }

    private double slope(int cell) {
        double here = t[cell];
        double most = hottest[cell];
        return here < most ? curves.later(here, Medium.freeLeft(most)) : curves.first(here);
    }

    /**
     * One line: implicit solutions, each with the capacities along the way of the last, then heat by their fluxes. Of its n
     * places the first are cells of the body; what is beyond them keeps its capacity and finds what it got in {@code right}.
     */
    private void solve(int n, int cells, double dt, double before, double ahead, int first, int stride) {
        implicit(n, dt, before, ahead);
        // once all water has left, capacities change by less than a thousandth in a step
        for (int round = 0; round < ROUNDS && !dry && bent(cells, first, stride); round++) {
            implicit(n, dt, before, ahead);
        }
        for (int i = 0; i < n; i++) {
            double low = i == 0 ? before : next[i - 1];
            double high = i == n - 1 ? ahead : next[i + 1];
            double into = conductance[i] * (low - next[i]) + conductance[i + 1] * (high - next[i]);
            right[i] = into * dt;
        }
        heatIn += dt * (conductance[0] * (before - next[0]) + conductance[n] * (ahead - next[n - 1]));
        for (int i = 0; i < cells; i++) {
            give(first + i * stride, right[i] / volume[i]);
        }
    }

    /** Takes the capacities along the way to the solution; whether they changed by much. */
    private boolean bent(int n, int first, int stride) {
        boolean bent = false;
        for (int i = 0; i < n; i++) {
            double better = volume[i] * secant(first + i * stride, next[i]);
            bent |= Math.abs(better - capacity[i]) > BENT * capacity[i];
            capacity[i] = better;
        }
        return bent;
    }

    /** Mean capacity per m3 between where a cell is and where it may go. */
    private double secant(int cell, double to) {
        double from = t[cell];
        double most = hottest[cell];
        if (from >= most && to >= most) {
            if (Curves.together(from, to)) {
                return curves.first((from + to) / 2);
            }
            return (curves.heat(to) - curves.heat(from)) / (to - from);
        }
        double wet = Medium.freeLeft(most);
        if (to <= most && (wet == 0 || from < Medium.LIQUID_TO == to < Medium.LIQUID_TO)) {
            return curves.later((from + to) / 2, wet);
        }
        double way = to - from;
        if (Math.abs(way) < 1e-6) {
            return curves.later(from, wet);
        }
        return to <= most
                ? curves.between(from, to, wet) / way
                : (curves.between(from, most, wet) + curves.heat(to) - curves.heat(most)) / way;
    }

    private void implicit(int n, double dt, double before, double after) {
        for (int i = 0; i < n; i++) {
            double c = capacity[i] / dt;
            lower[i] = -conductance[i];
            upper[i] = -conductance[i + 1];
            main[i] = c + conductance[i] + conductance[i + 1];
            right[i] = c * line[i];
        }
        right[0] += conductance[0] * before;
        right[n - 1] += conductance[n] * after;
        // one division a cell: from here on main holds the inverse
        main[0] = 1 / main[0];
        for (int i = 1; i < n; i++) {
            double w = lower[i] * main[i - 1];
            main[i] = 1 / (main[i] - w * upper[i - 1]);
            right[i] -= w * right[i - 1];
        }
        next[n - 1] = right[n - 1] * main[n - 1];
        for (int i = n - 2; i >= 0; i--) {
            next[i] = (right[i] - upper[i] * next[i + 1]) * main[i];
        }
    }

    /** Changes the heat of a cell, J/m3, and finds its temperature by the curves. */
    private void give(int cell, double heat) {
        double from = t[cell];
        double most = hottest[cell];
        double to;
        if (heat > 0 && from >= most) {
            to = curves.rise(from, heat);
            hottest[cell] = to;
        } else {
            double wet = Medium.freeLeft(most);
            to = curves.move(from, heat, wet);
            if (to > most) {
                to = curves.rise(most, heat - curves.between(from, most, wet));
                hottest[cell] = to;
            }
        }
        t[cell] = to;
        changed = Math.max(changed, Math.abs(to - from));
    }

    /** Seconds since the start. */
    public double time() {
        return time;
    }

    /** Steps taken so far. */
    public long steps() {
        return steps;
    }

    /** Heat that has come in through all faces, J. */
    public double heatIn() {
        return heatIn;
    }

    /** Heat the cells and the skin have taken up, J, by their curves: equal to {@link #heatIn} to rounding. */
    public double heatTaken() {
        double sum = 0;
        for (int j = 0; j < layers; j++) {
            for (int i = 0; i < rings; i++) {
                int c = j * rings + i;
                sum += ringArea[i] * dz * medium.taken(start, t[c], hottest[c]);
            }
            sum += sideArea * side.skin() * (skin[j] - start);
        }
        return sum;
    }

    /** Temperature of a cell, C. */
    public double at(int ring, int layer) {
        return t[layer * rings + ring];
    }

    /** On the axis at the first end, C: the middle of a body of which this is one half. */
    public double middleOfHalf() {
        double first = onAxis(0);
        double second = onAxis(1);
        return bottom == Face.INSULATED && !boils(0) ? first - (second - first) / 8 : first;
    }

    /** While its water leaves, no parabola leads through a cell to the middle. */
    private boolean boils(int cell) {
        return hottest[cell] > Medium.FREE_FROM && hottest[cell] < Medium.BOUND_TO && medium.freeWater() > 0;
    }

    /** On the axis of a layer, C, with the parabola that its two inner cells make. */
    public double onAxis(int layer) {
        int row = layer * rings;
        return rings < 2 || boils(row) ? t[row] : t[row] - (t[row + 1] - t[row]) / 8;
    }

    /** Surface of the side at the first end, C; under its skin where it has one. */
    public double sideAtFirstEnd() {
        return bottom == Face.INSULATED ? sideSurface[0] - (sideSurface[1] - sideSurface[0]) / 8 : sideSurface[0];
    }

    /** Surface of the last end on the axis, C. */
    public double topOnAxis() {
        return rings < 2 ? topSurface[0] : topSurface[0] - (topSurface[1] - topSurface[0]) / 8;
    }

    /** Cells from the axis to the side. */
    public int rings() {
        return rings;
    }

    /** Cells from the first end to the last. */
    public int layers() {
        return layers;
    }

    /** Share of its free water a cell still holds, 1 to 0. */
    public double wetAt(int ring, int layer) {
        return medium.freeWater() == 0 ? 0 : Medium.freeLeft(hottest[layer * rings + ring]);
    }

    /** Surface of the first end on the axis, C. */
    double bottomOnAxis() {
        return rings < 2 ? bottomSurface[0] : bottomSurface[0] - (bottomSurface[1] - bottomSurface[0]) / 8;
    }

    /** Surface of the side half way up, C. */
    public double sideAtHalfHeight() {
        return sideSurface[layers / 2];
    }

    /** Share of all free water that is left, 1 to 0. */
    public double freeWaterLeft() {
        if (medium.freeWater() == 0) {
            return 0;
        }
        double left = 0;
        double whole = 0;
        for (int j = 0; j < layers; j++) {
            for (int i = 0; i < rings; i++) {
                left += ringArea[i] * Medium.freeLeft(hottest[j * rings + i]);
                whole += ringArea[i];
            }
        }
        return left / whole;
    }
}
