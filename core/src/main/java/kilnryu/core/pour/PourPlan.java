package kilnryu.core.pour;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.Set;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;

/**
 * A pour on its time line, in the order the molds were given: what each finds in the pot and what is left of its own heat
 * when the metal comes (handbook 17). Seconds count from the moment the first pot leaves the furnace.
 *
 * @param legs one for each mold
 * @param ends when the last is full
 */
public record PourPlan(List<Leg> legs, double ends, Findings findings) {
    private static final double WARNED = 2;
    private static final double STOPPED = 1;
    /** A window with less to spare is a warning, s. */
    private static final double TIGHT_S = 10;

    /**
     * One mold.
     *
     * @param out of the kiln
     * @param start of the metal
     * @param full the same
     * @param metal temperature at the start, C
     * @param metalFull the same when it is full
     * @param left in the pot after it, g; under 0 what it lacks
     * @param mold temperature of its cavity at the start, C
     * @param spare seconds of its window left when it is full; empty where the window is longer than is looked at
     * @param margin of filling with these temperatures; empty where not known
     * @param pot counted from 1: a new one, or the same brought back to the furnace
     * @param again whether the pot was brought back to its tap before it
     */
    public record Leg(
            PourMold of,
            double out,
            double start,
            double full,
            double metal,
            double metalFull,
            double left,
            double mold,
            OptionalDouble spare,
            OptionalDouble margin,
            int pot,
            boolean again) {}

    /**
     * @param order of the molds, as it is tried
     * @param again keys of molds before which the pot goes back to the furnace, or a second pot takes over
     */
    public record Question(List<PourMold> order, Pot pot, PourCrew crew, Set<String> again) {
        public Question {
            order = List.copyOf(order);
            again = Set.copyOf(again);
        }
    }

    public static PourPlan of(Question q) {
        Making making = new Making(q);
        q.order.forEach(making::next);
        List<Leg> legs = q.crew.together() ? making.together() : making.legs;
        double ends = legs.isEmpty() ? 0 : legs.get(legs.size() - 1).full;
        List<Finding> found = new ArrayList<>();
        legs.forEach(l -> judge(l, found));
        heldUp(legs, found);
        return new PourPlan(legs, ends, new Findings(found));
    }

    /** Time and metal as they go on from mold to mold. */
    private static final class Making {
        private final Question q;
        private final List<Leg> legs = new ArrayList<>();
        private double clock;
        private double metal;
        private double left;
        private int pot = 1;

        Making(Question q) {
            this.q = q;
            metal = q.pot.tap();
            left = filled(0);
        }

        private double filled(int from) {
            return Math.min(q.pot.grams(), asked(from) + q.pot.reserve());
        }

        /** What the molds from one on until the next change of pots ask. */
        private double asked(int from) {
            double sum = 0;
            for (int i = from; i < q.order.size(); i++) {
                PourMold mold = q.order.get(i);
                boolean changes = i > from && (q.again.contains(mold.key()) || sum + mold.grams() > q.pot.grams());
                if (changes) {
                    break;
                }
                sum += mold.grams();
            }
            return sum;
        }

        void next(PourMold mold) {
            boolean again = !legs.isEmpty()
                    && (q.again.contains(mold.key()) || left < mold.grams() - 1e-6 && q.pot.again() < 1e6);
            double wait = legs.isEmpty() ? q.crew.skim() : q.crew.between();
            if (again) {
                pot++;
                clock += q.pot.again();
                metal = q.pot.tap();
                left = filled(legs.size());
                wait = q.crew.skim();
            }
            // a kiln that has to come down holds the metal back
            double start = Math.max(clock + wait, mold.ready() + q.crew.carry() + q.crew.seat());
            double before = cooled(metal, left, start - clock);
            double full = start + mold.fillSeconds();
            double poured = Math.max(1, left - mold.grams() / 2);
            double after = cooled(before, poured, mold.fillSeconds());
            double out = start - q.crew.carry() - q.crew.seat();
            left -= mold.grams();
            legs.add(leg(mold, new Times(out, start, full), new Metal(before, after, left), pot, again));
            clock = full;
            metal = after;
        }

        private double cooled(double from, double grams, double seconds) {
            return q.pot.cooling()
                    .after(from, Math.max(1, grams), q.order.get(0).alloy(), seconds);
        }

        /** All molds of a pot stand ready when it comes: the last is carried just before, the first stood longest. */
        List<Leg> together() {
            List<Leg> all = new ArrayList<>();
            for (int i = 0; i < legs.size(); i++) {
                Leg l = legs.get(i);
                int first = i;
                int last = i;
                while (first > 0 && legs.get(first - 1).pot == l.pot) {
                    first--;
                }
                while (last < legs.size() - 1 && legs.get(last + 1).pot == l.pot) {
                    last++;
                }
                double each = q.crew.carry() + q.crew.seat();
                double out = legs.get(first).start - (last - i + 1) * each;
                all.add(leg(
                        l.of,
                        new Times(out, l.start, l.full),
                        new Metal(l.metal, l.metalFull, l.left),
                        l.pot,
                        l.again));
            }
            return all;
        }

        private record Metal(double start, double full, double left) {}

        private record Times(double out, double start, double full) {}

        private static Leg leg(PourMold mold, Times t, Metal m, int pot, boolean again) {
            double stood = t.start - t.out;
            double cavity = mold.window().cavityAt(stood);
            OptionalDouble window = mold.window().seconds();
            return new Leg(
                    mold,
                    t.out,
                    t.start,
                    t.full,
                    m.start,
                    m.full,
                    m.left,
                    cavity,
                    window.isPresent() ? OptionalDouble.of(window.getAsDouble() - stood) : OptionalDouble.empty(),
                    mold.margin().of(m.start, cavity),
                    pot,
                    again);
        }
    }

    private static void judge(Leg l, List<Finding> found) {
        String place = "mold." + l.of.key();
        if (l.metal < l.of.least()) {
            found.add(Finding.stop(
                    "metal-cold." + l.of.key(),
                    place,
                    say("%s is reached with metal of %.0f °C; it asks %.0f.", l.of.name(), l.metal, l.of.least()),
                    "It freezes on its way in: misruns and cold shuts.",
                    "Back to the furnace before it, a second pot, or an earlier place."));
        }
        if (l.spare.isPresent() && l.spare.getAsDouble() < TIGHT_S) {
            found.add(late(l, place));
        }
        if (l.margin.isPresent() && l.margin.getAsDouble() < WARNED) {
            boolean stop = l.margin.getAsDouble() < STOPPED;
            String so = say(
                    "%s freezes in %.1f times the time it fills, with metal of %.0f °C in a mold of %.0f °C.",
                    l.of.name(), l.margin.getAsDouble(), l.metal, l.mold);
            String why = "The thinnest place closes before metal has passed it.";
            String what = "An earlier place, hotter metal, or a mold that stands out for less time.";
            found.add(
                    stop
                            ? Finding.stop("margin." + l.of.key(), place, so, why, what)
                            : Finding.warn("margin." + l.of.key(), place, so, why, what));
        }
        if (l.margin.isEmpty()) {
            found.add(Finding.note(
                    "margin-unknown." + l.of.key(),
                    place,
                    say("Not yet judged: whether %s fills before it freezes.", l.of.name()),
                    "Its gating is not built, or its alloy's freezing is not tabled.",
                    "Build its gating."));
        }
        if (l.left < -1e-6) {
            found.add(Finding.stop(
                    "pot-empty." + l.of.key(),
                    place,
                    say("The pot does not hold the %.0f g that %s takes.", l.of.grams(), l.of.name()),
                    "A mold that is filled in two goes has a seam where the metal met a skin.",
                    "A larger pot, or another heat for it."));
        }
    }

    private static Finding late(Leg l, String place) {
        double spare = l.spare.getAsDouble();
        String so = spare < 0
                ? say("%s is under %.0f °C when it is reached, %.0f s too late.", l.of.name(), l.of.limit(), -spare)
                : say("%s is reached %.0f s before it is under %.0f °C.", l.of.name(), spare, l.of.limit());
        String why = "A mold that has cooled takes the heat out of the metal before it is full.";
        String what = "Take it out later, carry it less far, or bury it in hot sand; two trips where there are many.";
        return spare < 0
                ? Finding.stop("window." + l.of.key(), place, so, why, what)
                : Finding.warn("window." + l.of.key(), place, so, why, what);
    }

    private static void heldUp(List<Leg> legs, List<Finding> found) {
        for (int i = 1; i < legs.size(); i++) {
            Leg l = legs.get(i);
            if (l.of.ready() > 0 && l.of.group() < legs.get(i - 1).of.group() && !l.again) {
                double waits = l.start - legs.get(i - 1).full;
                if (waits > 60) {
                    found.add(Finding.warn(
                            "descent." + l.of.key(),
                            "mold." + l.of.key(),
                            say(
                                    "The metal waits %.0f min until the kiln is down at %.0f °C.",
                                    waits / 60, l.of.group()),
                            "One kiln cannot hold two temperatures.",
                            "Put the pot back into the furnace meanwhile, or pour that group as a heat of its own."));
                }
            }
        }
    }

    private static String say(String words, Object... values) {
        return String.format(Locale.ROOT, words, values);
    }
}
