package kilnryu.core.heat;

/**
 * The heat of a {@link Medium} against temperature, in pieces on each of which the capacity is a straight line, so that
 * the way from heat to temperature is a quadratic and exact. First heating has breaks at 95, 100, 105, 110 and 170 C; a
 * place that has been hotter has one at 100 C, where what is left of its liquid water stops counting.
 */
final class Curves {
    private static final double[] ENDS = {
        Medium.FREE_FROM, Medium.LIQUID_TO, Medium.FREE_TO, Medium.BOUND_FROM, Medium.BOUND_TO, Double.MAX_VALUE
    };

    private final double[] base = new double[ENDS.length];
    private final double[] growth = new double[ENDS.length];
    private final double[] offset = new double[ENDS.length];
    private final double dry;
    private final double dryGrowth;
    private final double liquid;

    Curves(Medium medium) {
        dry = medium.density() * medium.cp0();
        dryGrowth = medium.density() * medium.cp1();
        liquid = medium.liquidCapacity();
        double low = Medium.FREE_FROM - 10;
        for (int i = 0; i < ENDS.length; i++) {
            double high = i == ENDS.length - 1 ? low + 10 : ENDS[i];
            double a = low + (high - low) * 0.25;
            double b = low + (high - low) * 0.75;
            growth[i] = (medium.virginSlope(b) - medium.virginSlope(a)) / (b - a);
            base[i] = medium.virginSlope(a) - growth[i] * a;
            offset[i] = i == 0 ? 0 : heat(i - 1, low) - (base[i] + growth[i] / 2 * low) * low;
            low = high;
        }
    }

    private static int piece(double t) {
        if (t < ENDS[0]) {
            return 0;
        }
        if (t >= ENDS[4]) {
            return 5;
        }
        int i = 1;
        while (t >= ENDS[i]) {
            i++;
        }
        return i;
    }

    /** Capacity on first heating, J/(m3 K). */
    double first(double t) {
        int i = piece(t);
        return base[i] + growth[i] * t;
    }

    /** Heat from 0 C on first heating, J/m3. */
    double heat(double t) {
        return heat(piece(t), t);
    }

    private double heat(int piece, double t) {
        return offset[piece] + (base[piece] + growth[piece] / 2 * t) * t;
    }

    /** Capacity of a place of which {@code wet} of its free water is left, J/(m3 K). */
    double later(double t, double wet) {
        return dry + dryGrowth * t + (t < Medium.LIQUID_TO ? wet * liquid : 0);
    }

    /** Where a place comes to that has never been hotter and takes up heat. */
    double rise(double from, double heat) {
        double t = from;
        double left = heat;
        int i = piece(t);
        while (true) {
            double to = along(t, left, base[i] + growth[i] * t, growth[i]);
            if (to <= ENDS[i]) {
                return to;
            }
            double end = ENDS[i];
            left -= (base[i] + growth[i] * (t + end) / 2) * (end - t);
            t = end;
            i++;
        }
    }

    /** Where a place comes to that has been hotter and gains or loses heat, as far as its hottest. */
    double move(double from, double heat, double wet) {
        double extra = wet * liquid;
        boolean below = from < Medium.LIQUID_TO || from == Medium.LIQUID_TO && heat < 0;
        double to = along(from, heat, dry + dryGrowth * from + (below ? extra : 0), dryGrowth);
        if (extra == 0 || below == to <= Medium.LIQUID_TO || !below && to >= Medium.LIQUID_TO) {
            return to;
        }
        double end = Medium.LIQUID_TO;
        double left = heat - (dry + dryGrowth * (from + end) / 2 + (below ? extra : 0)) * (end - from);
        return along(end, left, dry + dryGrowth * end + (below ? 0 : extra), dryGrowth);
    }

    /** Solves capacity x + growth x2 / 2 = heat. */
    private static double along(double t, double heat, double capacity, double growth) {
        return t + 2 * heat / (capacity + Math.sqrt(capacity * capacity + 2 * growth * heat));
    }

    /** Heat from one temperature to another at a place that has been as hot, J/m3. */
    double between(double from, double to, double wet) {
        double mid = Medium.LIQUID_TO;
        double water = wet == 0 ? 0 : wet * liquid * (Math.min(to, mid) - Math.min(from, mid));
        return (dry + dryGrowth * (from + to) / 2) * (to - from) + water;
    }

    /** Whether two temperatures lie on one piece of first heating. */
    static boolean together(double a, double b) {
        return piece(a) == piece(b);
    }
}
