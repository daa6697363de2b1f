package kilnryu.core.flask;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * Several molds of one investment filled in one go: which share a bowl, how much powder and water each bowl takes, and
 * every hand movement on one clock from the first powder on (handbook 4).
 *
 * <p>Molds go into bowls largest first, each into the first bowl with room and time left for it; the result is held
 * against the least number of bowls that volume and time allow.
 *
 * @param batches in the order of the work
 * @param least bowls that any grouping needs; when it equals the number of bowls, no grouping needs fewer
 */
public record MixSession(List<Batch> batches, int least, Findings findings) {
    private static final Constant BOWL_FILL = new Constant(
                    "bowl.fill",
                    "share",
                    "bowl filled at most, it rises under vacuum",
                    45,
                    33,
                    50,
                    Measure.PERCENT,
                    Mark.T,
                    "handbook 4, bowl 1/3 to 1/2 full")
            .asChoice();
    private static final Constant STILL_FILL = new Constant(
                    "bowl.fill.still",
                    "share",
                    "bowl filled at most where no vacuum is drawn",
                    70,
                    50,
                    80,
                    Measure.PERCENT,
                    Mark.T,
                    "room to stir")
            .asChoice();
    private static final Constant BETWEEN = new Constant(
                    "bowl.between",
                    "between",
                    "wash the bowl and weigh the next",
                    6,
                    3,
                    15,
                    Measure.MINUTE,
                    Mark.M,
                    "our own estimate")
            .asChoice();

    /** What a studio may replace. */
    public static List<Constant> constants() {
        return List.of(BOWL_FILL, STILL_FILL, BETWEEN);
    }

    /**
     * A mold to be filled.
     *
     * @param slurry cm3 of mix with its overfill
     */
    public record Mold(String key, String name, double powder, double water, double slurry) {}

    /** A bowl of so many cm3 to its rim, and how many of them there are. */
    public record Bowl(String name, double volume, int count) {}

    /**
     * How the session is worked.
     *
     * @param working minutes from powder meeting water to gloss-off
     * @param pour minutes to fill one mold; empty for those of the school
     * @param places molds that go under the bell at once
     */
    public record Way(MixSchool school, double working, OptionalDouble pour, int places, Factors factors) {
        private double[] minutes() {
            double bowl = 0;
            double each = 0;
            double bell = 0;
            for (MixSchool.Move move : school.moves(factors)) {
                switch (move.key()) {
                    case "mix", "vacuum-bowl" -> bowl += move.minutes();
                    case "vacuum-flask" -> bell += move.minutes();
                    case "pour" -> each += pour.orElse(move.minutes());
                    default -> each += move.minutes();
                }
            }
            return new double[] {bowl, each, bell};
        }

        /** Minutes from powder to the last move for so many molds of one bowl. */
        double takes(int molds) {
            double[] m = minutes();
            return m[0] + molds * m[1] + (molds + places - 1) / places * m[2];
        }
    }

    /** A hand movement: minutes from the first powder of the session. */
    public record Moved(String what, String mold, double from, double to) {}

    /**
     * One bowl of mix and the molds it fills.
     *
     * @param bowls how many of the bowl are stirred for it at once; more than one only for a mold too large for any
     * @param powder g in all of them
     * @param begins minutes from the first powder of the session
     * @param deadline gloss-off, minutes from the first powder of the session
     * @param limit what kept the next mold out of it; empty for the last one
     */
    public record Batch(
            Bowl bowl,
            int bowls,
            List<Mold> molds,
            Figure powder,
            Figure water,
            double slurry,
            double begins,
            double deadline,
            List<Moved> moves,
            String limit) {
        /** When its last movement ends. */
        public double ends() {
            return moves.get(moves.size() - 1).to();
        }

        /** Minutes that its last movement ends after gloss-off; negative while there is time left. */
        public double late() {
            return ends() - deadline;
        }
    }

    /** Powder of the whole session, g. */
    public Figure powder() {
        return Figure.computed("powder", "powder of the session", Measure.GRAM)
                .total(batches.stream().map(Batch::powder).toList());
    }

    /** Water of the whole session, g. */
    public Figure water() {
        return Figure.computed("water", "water of the session", Measure.GRAM)
                .total(batches.stream().map(Batch::water).toList());
    }

    /** @throws IllegalArgumentException without molds or without a bowl */
    public static MixSession of(List<Mold> molds, List<Bowl> bowls, Way way) {
        if (molds.isEmpty() || bowls.isEmpty()) {
            throw new IllegalArgumentException("a session needs molds and a bowl");
        }
        return new Grouping(bowls, way).session(molds);
    }

    private static final class Grouping {
        private final List<Bowl> bowls;
        private final Way way;
        private final double share;
        private final int most;
        private final List<Finding> found = new ArrayList<>();

        Grouping(List<Bowl> bowls, Way way) {
            this.bowls = bowls.stream()
                    .sorted(Comparator.comparingDouble(Bowl::volume))
                    .toList();
            this.way = way;
            Constant fill = way.school == MixSchool.BRUSH ? STILL_FILL : BOWL_FILL;
            this.share = way.factors.value(fill) / 100;
            this.most = mostInTime();
        }

        /** How many molds one bowl fills in the working time, at least one. */
        private int mostInTime() {
            int n = 1;
            while (n < 200 && way.takes(n + 1) <= way.working) {
                n++;
            }
            return n;
        }

        private double largest() {
            return bowls.get(bowls.size() - 1).volume * share;
        }

        MixSession session(List<Mold> molds) {
            List<List<Mold>> groups = new ArrayList<>();
            List<Mold> sorted = new ArrayList<>(molds);
            sorted.sort(Comparator.comparingDouble(Mold::slurry).reversed());
            for (Mold mold : sorted) {
                groups.stream()
                        .filter(g -> g.size() < most && slurry(g) + mold.slurry <= largest() + 1e-9)
                        .findFirst()
                        .orElseGet(() -> {
                            List<Mold> next = new ArrayList<>();
                            groups.add(next);
                            return next;
                        })
                        .add(mold);
            }
            List<Batch> batches = new ArrayList<>();
            double at = 0;
            for (List<Mold> group : groups) {
                Batch batch = batch(group, at, limit(group, groups));
                judge(batch, batches.size() + 1);
                batches.add(batch);
                at = batch.ends() + way.factors.value(BETWEEN);
            }
            return new MixSession(List.copyOf(batches), least(molds), new Findings(found));
        }

        /** No grouping does with fewer, by volume or by time. */
        private int least(List<Mold> molds) {
            int byVolume = (int) Math.ceil(slurry(molds) / largest() - 1e-9);
            int byTime = (molds.size() + most - 1) / most;
            return Math.max(1, Math.max(byVolume, byTime));
        }

        private static double slurry(List<Mold> molds) {
            return molds.stream().mapToDouble(Mold::slurry).sum();
        }

        /** What kept the next mold out: the time of the mix, or the bowl, which may only be filled so far because the mix rises. */
        private String limit(List<Mold> group, List<List<Mold>> groups) {
            if (groups.indexOf(group) == groups.size() - 1) {
                return "";
            }
            if (group.size() >= most) {
                return say("time: %d molds is what one mix fills in its %.1f min", most, way.working);
            }
            return way.school == MixSchool.BRUSH
                    ? say("volume: the bowl leaves room to stir over %.0f %% of it", share * 100)
                    : say("rise: the mix rises under vacuum, so a bowl is filled to %.0f %% at most", share * 100);
        }

        private Batch batch(List<Mold> molds, double begins, String limit) {
            double slurry = slurry(molds);
            Bowl bowl = bowls.stream()
                    .filter(b -> slurry <= b.volume * share + 1e-9)
                    .findFirst()
                    .orElse(bowls.get(bowls.size() - 1));
            int stirred = Math.max(1, (int) Math.ceil(slurry / (bowl.volume * share) - 1e-9));
            return new Batch(
                    bowl,
                    stirred,
                    List.copyOf(molds),
                    total("powder", molds, true),
                    total("water", molds, false),
                    slurry,
                    begins,
                    begins + way.working,
                    moves(molds, begins),
                    limit);
        }

        private static Figure total(String what, List<Mold> molds, boolean powder) {
            return Figure.computed(what, what, Measure.GRAM)
                    .total(molds.stream()
                            .map(m -> Figure.given(
                                    what, m.name, powder ? m.powder : m.water, Measure.GRAM, Known.COMPUTED, 0))
                            .toList());
        }

        private List<Moved> moves(List<Mold> molds, double begins) {
            List<Moved> moves = new ArrayList<>();
            double at = begins;
            for (MixSchool.Move move : way.school.moves(way.factors)) {
                switch (move.key()) {
                    case "mix", "vacuum-bowl" -> {
                        moves.add(new Moved(move.label(), "", at, at + move.minutes()));
                        at += move.minutes();
                    }
                    case "vacuum-flask" -> at = underBell(move, molds, at, moves);
                    default -> {
                        double each = move.key().equals("pour") ? way.pour.orElse(move.minutes()) : move.minutes();
                        for (Mold mold : molds) {
                            moves.add(new Moved(move.label(), mold.name, at, at + each));
                            at += each;
                        }
                    }
                }
            }
            return List.copyOf(moves);
        }

        private double underBell(MixSchool.Move move, List<Mold> molds, double from, List<Moved> moves) {
            double at = from;
            for (int i = 0; i < molds.size(); i += way.places) {
                List<Mold> together = molds.subList(i, Math.min(molds.size(), i + way.places));
                String names =
                        String.join(", ", together.stream().map(Mold::name).toList());
                moves.add(new Moved(move.label(), names, at, at + move.minutes()));
                at += move.minutes();
            }
            return at;
        }

        private void judge(Batch batch, int number) {
            if (batch.bowls > batch.bowl.count) {
                found.add(Finding.stop(
                        "bowl-small." + number,
                        "batch." + number,
                        say(
                                "%s takes %.1f l of mix: %d bowls like %s at once, and there are %d.",
                                batch.molds.get(0).name,
                                batch.slurry / 1000,
                                batch.bowls,
                                batch.bowl.name,
                                batch.bowl.count),
                        "Mix poured on mix that has begun to set leaves a seam in the mold.",
                        "A larger bowl, or a block built by coats."));
            } else if (batch.bowls > 1) {
                found.add(Finding.warn(
                        "several-bowls." + number,
                        "batch." + number,
                        say(
                                "%s takes %d bowls at once: as many people stir together.",
                                batch.molds.get(0).name, batch.bowls),
                        "The second pour has to meet the first while both are liquid.",
                        "A second person, powder weighed for both before any meets water."));
            }
            if (batch.late() > 1e-9) {
                found.add(Finding.stop(
                        "session-late." + number,
                        "batch." + number,
                        say("Bowl %d: the last movement ends %.1f min after gloss-off.", number, batch.late()),
                        "A mix moved after it begins to set breaks up and fins.",
                        "Cooler water, shorter moves, a second pair of hands, or another school."));
            }
        }
    }

    private static String say(String words, Object... values) {
        return String.format(Locale.ROOT, words, values);
    }
}
