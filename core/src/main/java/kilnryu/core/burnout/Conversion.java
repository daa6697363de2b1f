package kilnryu.core.burnout;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import kilnryu.core.kiln.KilnRun;
import kilnryu.core.kiln.Mold;

/**
 * A program that is known to work, for another mold. Both are simulated: each hold of the new program lasts until its
 * middle has what the known one's had at that place: as hot, as dry, as long over 680 C. Ramps slow with the square of
 * the diameter, as the lag of a middle behind its rim grows, but not under a sixth of what they were.
 *
 * @param lines one for each segment
 */
public record Conversion(List<Line> lines) {
    private static final double SLOWEST = 1 / 6.0;
    private static final double LOOK_S = 60;
    private static final double LONGEST_S = 7 * 24 * 3600;
    private static final double NEAR_K = 1.5;
    private static final double NEAR_WATER = 0.004;

    /**
     * One segment, before and after.
     *
     * @param core that the known mold's middle had at its end, C
     * @param water free water left then, %
     * @param grows what has to grow, in words; empty where nothing has to
     */
    public record Line(Segment known, Segment converted, double core, double water, String grows) {}

    public static Conversion of(List<Segment> known, Mold from, Mold to) {
        KilnRun small = run(from);
        KilnRun large = run(to);
        double slower = Math.max(SLOWEST, Math.min(1, Math.pow(from.across() / to.across(), 2)));
        List<Line> lines = new ArrayList<>();
        double was = BurnoutQuestion.START_C;
        for (Segment s : known) {
            ramp(small, was, s);
            small.go(small.time() + s.hold() * 60.0, t -> s.target());
            Segment slow = Double.isInfinite(s.rate()) ? s : s.at(Math.rint(s.rate() * slower), s.ruledBy());
            ramp(large, was, slow);
            double begins = large.time();
            boolean up = s.target() >= was;
            while ((large.time() < begins + s.hold() * 60.0 || behind(small, large, up))
                    && large.time() < begins + LONGEST_S) {
                large.go(large.time() + LOOK_S, t -> s.target());
            }
            int hold = Segment.rounded((large.time() - begins) / 60);
            large.go(begins + hold * 60.0, t -> s.target());
            Segment converted = slow.held(hold, s.holdSum(), "as " + s.ruledBy());
            lines.add(new Line(s, converted, small.core(0), small.water(0) * 100, grows(s, converted)));
            was = s.target();
        }
        return new Conversion(List.copyOf(lines));
    }

    private static boolean behind(KilnRun small, KilnRun large, boolean up) {
        double short0 = small.core(0) - large.core(0);
        return (up ? short0 : -short0) > NEAR_K
                || large.water(0) > small.water(0) + NEAR_WATER
                || large.burnt(0) < small.burnt(0) - 1;
    }

    private static KilnRun run(Mold mold) {
        return new KilnRun(
                List.of(new KilnRun.Charge("mold", mold, 1, 1, 1)),
                java.util.Optional.empty(),
                BurnoutQuestion.START_C,
                KilnRun.Detail.QUICK);
    }

    private static void ramp(KilnRun run, double from, Segment s) {
        double begins = run.time();
        double ends = begins + s.rampMinutes(from) * 60;
        if (ends > begins) {
            run.go(ends, t -> from + (s.target() - from) * Math.min(1, (t - begins) / (ends - begins)));
        }
    }

    private static String grows(Segment known, Segment converted) {
        List<String> words = new ArrayList<>();
        if (converted.rate() < known.rate() * 0.99) {
            words.add(String.format(Locale.ROOT, "ramp %.0f to %.0f K/h", known.rate(), converted.rate()));
        }
        if (converted.hold() > known.hold()) {
            words.add("hold " + known.hold() + " to " + converted.hold() + " min");
        }
        return String.join(", ", words);
    }

    public List<Segment> segments() {
        return lines.stream().map(Line::converted).toList();
    }

    /** Minutes of the known program, and of the new one. */
    public double[] minutes() {
        double[] sums = new double[2];
        double from = BurnoutQuestion.START_C;
        for (Line l : lines) {
            sums[0] += l.known.rampMinutes(from) + l.known.hold();
            sums[1] += l.converted.rampMinutes(from) + l.converted.hold();
            from = l.known.target();
        }
        return sums;
    }
}
