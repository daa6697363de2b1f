package kilnryu.core.breakout;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import kilnryu.core.heat.Lump;

/**
 * A mold full of metal from the pour on: its metal, the face of its button and its outside, C. The metal's hottest place and the
 * button are followed each in their own wall; what flows between them is neglected [M].
 *
 * @param course moment by moment
 */
public record MetalCooling(FullMold mold, List<Moment> course) {
    private static final double LONGEST_S = 24 * 3600.0;
    private static final double EVERY_S = 15;
    /** Nothing is asked of it any more, C over what is around. */
    private static final double COLD_K = 30;

    /** @param second since it was full */
    public record Moment(double second, double metal, double button, double outside) {}

    public static MetalCooling of(FullMold mold) {
        double limit = mold.outside().celsius() + COLD_K;
        List<Lump.Moment> metal = mold.metal()
                .course(
                        mold.melt(),
                        mold.metalC(),
                        mold.moldC(),
                        mold.body().medium(),
                        mold.around(0),
                        limit,
                        LONGEST_S,
                        EVERY_S);
        double bare = 1 / mold.button().depth();
        List<Lump.Moment> cup = mold.cup()
                .course(
                        mold.melt(),
                        mold.metalC(),
                        mold.moldC(),
                        mold.body().medium(),
                        mold.around(bare),
                        limit,
                        LONGEST_S,
                        EVERY_S);
        List<Moment> all = new ArrayList<>();
        for (int i = 0; i < metal.size(); i++) {
            Lump.Moment m = metal.get(i);
            Lump.Moment b = cup.get(Math.min(i, cup.size() - 1));
            // the button is part of the same metal: never hotter than its hottest place
            all.add(new Moment(m.second(), m.metal(), Math.min(b.metal(), m.metal()), m.outside()));
        }
        return new MetalCooling(mold, List.copyOf(all));
    }

    /** Temperatures so many seconds after it was full; the last known ones beyond the course. */
    public Moment at(double second) {
        Moment before = course.get(0);
        for (Moment m : course) {
            if (m.second >= second) {
                double part = m.second == before.second ? 0 : (second - before.second) / (m.second - before.second);
                double p = Math.max(0, part);
                return new Moment(
                        second,
                        before.metal + p * (m.metal - before.metal),
                        before.button + p * (m.button - before.button),
                        before.outside + p * (m.outside - before.outside));
            }
            before = m;
        }
        return before;
    }

    /** Seconds until the hottest place is solid. */
    public OptionalDouble solid() {
        return below(Moment::metal, mold.alloy().melting().solidus());
    }

    /** Seconds until the face of the button is under this, C. */
    OptionalDouble buttonUnder(double celsius) {
        return below(Moment::button, celsius);
    }

    /** Seconds until the hottest place of the metal is under this, C. */
    OptionalDouble metalUnder(double celsius) {
        return below(Moment::metal, celsius);
    }

    /** First moment under a limit; empty where it is not within a day. */
    private OptionalDouble below(ToDoubleFunction<Moment> of, double limit) {
        Moment before = course.get(0);
        if (of.applyAsDouble(before) < limit) {
            return OptionalDouble.of(0);
        }
        for (Moment m : course) {
            double now = of.applyAsDouble(m);
            if (now < limit) {
                double was = of.applyAsDouble(before);
                return OptionalDouble.of(before.second + (m.second - before.second) * (was - limit) / (was - now));
            }
            before = m;
        }
        return OptionalDouble.empty();
    }
}
