package kilnryu.core.wax;

import java.util.ArrayList;
import java.util.List;

/**
 * Several molds in turn with one pair of hands (handbook 27): each is pulled, closed and injected again as soon as its pattern is
 * set and the hands are free, in the order in which they were injected first. None is pulled warm.
 *
 * @param moves in the order of time
 * @param idle s in which the hands waited for a mold, from the first injection to the last pull
 * @param length s from the first injection to the last pull
 */
public record InjectionRound(List<Move> moves, double idle, double length) {

    /**
     * A mold that is used.
     *
     * @param inject s of hands to clamp and inject it
     * @param setting s until its pattern may be pulled
     * @param pull s of hands to open it, pull, look and close it again
     * @param wanted how many patterns it is to give
     */
    public record Mold(String name, double inject, double setting, double pull, int wanted) {
        public Mold {
            if (!(inject > 0) || !(pull > 0) || setting < 0 || wanted < 0) {
                throw new IllegalArgumentException("hands take time at a mold");
            }
        }

        double hands() {
            return inject + pull;
        }
    }

    /** What hands do at a mold. */
    public enum Kind {
        INJECT,
        PULL
    }

    /** @param at s from the first injection, @param shot from 1, the pattern of this mold */
    public record Move(Kind kind, int mold, int shot, double at, double until) {}

    public static InjectionRound of(List<Mold> molds) {
        int[] injected = new int[molds.size()];
        int[] pulled = new int[molds.size()];
        double[] set = new double[molds.size()];
        List<Move> moves = new ArrayList<>();
        double now = 0;
        double idle = 0;
        int last = -1;
        while (true) {
            int mold = next(molds, injected, pulled, set, last);
            if (mold < 0) {
                break;
            }
            Mold m = molds.get(mold);
            boolean pull = injected[mold] > pulled[mold];
            double at = pull ? Math.max(now, set[mold]) : now;
            idle += at - now;
            if (pull) {
                now = at + m.pull;
                pulled[mold]++;
                moves.add(new Move(Kind.PULL, mold, pulled[mold], at, now));
            } else {
                now = at + m.inject;
                injected[mold]++;
                set[mold] = now + m.setting;
                moves.add(new Move(Kind.INJECT, mold, injected[mold], at, now));
                last = mold;
            }
        }
        return new InjectionRound(List.copyOf(moves), idle, now);
    }

    /** The one that is open and wants a pattern, in turn after the last; else the one that is set first. */
    private static int next(List<Mold> molds, int[] injected, int[] pulled, double[] set, int last) {
        int soonest = -1;
        for (int i = 0; i < molds.size(); i++) {
            int mold = (last + 1 + i) % molds.size();
            boolean full = injected[mold] > pulled[mold];
            if (!full && injected[mold] < molds.get(mold).wanted) {
                return mold;
            }
            if (full && (soonest < 0 || set[mold] < set[soonest])) {
                soonest = mold;
            }
        }
        return soonest;
    }

    /** How many molds alike keep one pair of hands busy: while one sets, the others are worked. */
    public static int busyWith(Mold mold) {
        return 1 + (int) Math.ceil(mold.setting / mold.hands() - 1e-9);
    }

    /** Patterns in an hour as long as all molds want more. */
    public double perHour() {
        long pulls = moves.stream().filter(m -> m.kind == Kind.PULL).count();
        return length > 0 ? pulls * 3600 / length : 0;
    }
}
