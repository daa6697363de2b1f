package kilnryu.core.flask;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Volume;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;

/**
 * One tree held against all flasks of a studio (handbook 4): which take it, which of these is the smallest, why each
 * other one does not, and what would have to change when none does.
 *
 * @param verdicts smallest flask first
 * @param chosen the smallest that fits
 * @param changes what would make the tree fit, nearest first; empty when it fits
 */
public record Fit(List<Verdict> verdicts, Optional<Verdict> chosen, List<String> changes) {
    /** Room over the rim for the rise under vacuum, mm (handbook 4). */
    public static final double RISE = 25;

    /**
     * A tree by its outline, standing on its base; mm.
     *
     * @param width its widest way across
     * @param depth the other way across
     * @param tilt from upright, degrees
     * @param lift of its lowest point over the base
     * @param pieces on it, which two trees could share
     */
    public record Stand(double width, double depth, double height, double tilt, double lift, int pieces) {
        /** Widest way across as it leans. */
        public double wide() {
            return width * Math.cos(Math.toRadians(tilt)) + height * Math.abs(Math.sin(Math.toRadians(tilt)));
        }

        /** Height over the base as it leans and is lifted. */
        public double high() {
            return lift + height * Math.cos(Math.toRadians(tilt)) + width * Math.abs(Math.sin(Math.toRadians(tilt)));
        }
    }

    /**
     * What else the flask has to go into; mm and kg, empty where the studio has not said.
     *
     * @param opening widest flask under the vacuum bell
     * @param underBell height under it
     * @param kilnWide inside
     * @param kilnHigh inside
     * @param carried by one person or by what the studio has for it
     * @param table on which the mold is poured under vacuum
     */
    public record Shop(
            OptionalDouble opening,
            OptionalDouble underBell,
            OptionalDouble kilnWide,
            OptionalDouble kilnHigh,
            OptionalDouble carried,
            Table table) {}

    /**
     * The vacuum table of the pour; mm, empty where the studio has not said.
     *
     * @param opening the hole that the flask stands over and has to cover
     * @param reach how far through investment the vacuum is felt, by the studio's own trials
     */
    public record Table(OptionalDouble opening, OptionalDouble reach) {
        public static final Table NONE = new Table(OptionalDouble.empty(), OptionalDouble.empty());
    }

    /**
     * A flask and what it means for the tree.
     *
     * @param wall from the tree to the wall, mm, negative when it does not go in
     * @param end from the tree to the open end, mm
     * @param filled with its steel, kg; NaN when it cannot be filled
     * @param against why it is rejected; empty when it fits
     * @param beside what to know of the pour in it, which rejects nothing
     */
    public record Verdict(
            StudioFlask flask,
            double wall,
            Figure wallAsked,
            double end,
            Figure endAsked,
            Optional<FlaskPlan> plan,
            double filled,
            List<Finding> against,
            List<Finding> beside) {
        public boolean fits() {
            return against.isEmpty();
        }

        double tooNearWall() {
            return Math.max(0, wallAsked.value() - wall);
        }

        double tooNearEnd() {
            return Math.max(0, endAsked.value() - end);
        }
    }

    /** @param mix the mix to be filled in; its diameter, height, tree and base are those of each flask */
    public static Fit of(
            List<StudioFlask> flasks, Stand stand, Shop shop, Flask mix, MixSchool school, Factors factors) {
        Judge judge = new Judge(stand, shop, mix, school, factors);
        List<Verdict> verdicts = flasks.stream()
                .sorted(Comparator.comparingDouble(StudioFlask::volume))
                .map(judge::verdict)
                .toList();
        Optional<Verdict> chosen = verdicts.stream().filter(Verdict::fits).findFirst();
        return new Fit(verdicts, chosen, chosen.isPresent() ? List.of() : changes(verdicts, stand));
    }

    private static List<String> changes(List<Verdict> verdicts, Stand stand) {
        List<String> changes = new ArrayList<>();
        verdicts.stream()
                .filter(v -> v.against.stream().allMatch(f -> f.id().equals("wall") || f.id().equals("end")))
                .min(Comparator.comparingDouble(v -> v.tooNearWall() + v.tooNearEnd()))
                .ifPresent(v -> changes.add(smaller(v)));
        if (stand.pieces > 1) {
            double half = stand.height / 2 + stand.lift;
            verdicts.stream()
                    .filter(v -> v.tooNearWall() == 0 && v.flask.height() - half >= v.endAsked.value())
                    .findFirst()
                    .ifPresent(v -> changes.add(say(
                            "Two trees of half the pieces, about %.0f mm high, in %s each.", half, v.flask.name())));
        }
        changes.add("A block round it: its wall is made to its size.");
        changes.add("A ceramic shell, where the studio has slurry: no flask at all.");
        return changes;
    }

    private static String smaller(Verdict v) {
        List<String> by = new ArrayList<>();
        if (v.tooNearEnd() > 0) {
            by.add(say("%.0f mm shorter", Math.ceil(v.tooNearEnd())));
        }
        if (v.tooNearWall() > 0) {
            by.add(say("%.0f mm narrower", Math.ceil(2 * v.tooNearWall())));
        }
        return String.join(" and ", by) + ": it goes into " + v.flask.name() + ".";
    }

    private record Judge(Stand stand, Shop shop, Flask mix, MixSchool school, Factors factors) {
        Verdict verdict(StudioFlask flask) {
            double wide = Math.max(stand.wide(), stand.depth);
            double narrow = Math.min(stand.wide(), stand.depth);
            double wall = Math.min((flask.inner() - wide) / 2, (flask.across() - narrow) / 2);
            double end = flask.height() - stand.high();
            Figure wallAsked = Clearances.wallAsked(flask.across(), factors);
            Figure endAsked = Clearances.endAsked(flask.across(), factors);
            List<Finding> against = new ArrayList<>();
            Optional<FlaskPlan> plan = plan(flask, against);
            double filled = plan.map(p -> (p.filledMass().value() + flask.steel()) / 1000)
                    .orElse(Double.NaN);
            near("wall", "the wall", wall, wallAsked, against);
            near("end", "the open end", end, endAsked, against);
            bell(flask, against);
            over("kiln", "the kiln is %.0f mm too low for it", flask.height(), shop.kilnHigh, against);
            over("kiln", "the kiln is %.0f mm too narrow for it", flask.outside(), shop.kilnWide, against);
            if (shop.carried.isPresent() && filled > shop.carried.getAsDouble()) {
                against.add(rejected(
                        "lift",
                        say("%.0f kg filled; %.0f are carried here", filled, shop.carried.getAsDouble()),
                        "A smaller flask, or a hoist and two people."));
            }
            return new Verdict(
                    flask, wall, wallAsked, end, endAsked, plan, filled, List.copyOf(against), table(flask, wall, end));
        }

        /** What the pouring table does with it: a vacuum that does not reach the far end draws no gas from there. */
        private List<Finding> table(StudioFlask flask, double wall, double end) {
            List<Finding> beside = new ArrayList<>();
            if (shop.table.opening.isPresent() && flask.outsideAcross() <= shop.table.opening.getAsDouble()) {
                beside.add(Finding.warn(
                        "table-opening",
                        "flask",
                        say("does not cover the pouring table's opening of %.0f mm", shop.table.opening.getAsDouble()),
                        "The gasket seals on the rim of the flask: over a wider hole the pump draws room air.",
                        "A reducing plate with its own gasket, or a wider flask."));
            }
            double far = flask.perforated() ? Math.min(wall, end) : end;
            if (shop.table.reach.isPresent() && far > shop.table.reach.getAsDouble()) {
                beside.add(Finding.warn(
                        "table-reach",
                        "flask",
                        say(
                                "the vacuum of the pour reaches %.0f mm; the tree ends %.0f mm from the %s",
                                shop.table.reach.getAsDouble(),
                                far,
                                flask.perforated() && wall < end ? "wall" : "base"),
                        "Gas is drawn through the investment; too much of it between and the far parts misrun.",
                        "Lift the tree towards the open end, or a perforated flask, or a shorter one."));
            }
            return beside;
        }

        private Optional<FlaskPlan> plan(StudioFlask flask, List<Finding> against) {
            try {
                return Optional.of(new FlaskPlanner(factors).plan(filledWith(flask)));
            } catch (ImpossibleFlask e) {
                if (e.field().equals("tree_volume")) {
                    against.add(rejected("volume", "the tree is larger than the flask", "A larger flask."));
                }
                return Optional.empty();
            }
        }

        private Flask filledWith(StudioFlask flask) {
            return new Flask(
                    Length.millimetres(flask.inner()),
                    Length.millimetres(flask.height()),
                    mix.treeVolume(),
                    flask.dome() > 0 ? Optional.of(Volume.cubicCentimetres(flask.dome())) : Optional.empty(),
                    mix.system(),
                    mix.waterPer100(),
                    mix.powderDensity(),
                    mix.overfillPercent(),
                    mix.collar(),
                    mix.water(),
                    flask.other().map(Length::millimetres));
        }

        private void near(String id, String to, double is, Figure asked, List<Finding> against) {
            if (is < 0) {
                against.add(rejected(
                                id,
                                say("%.0f mm too large at " + to, Math.ceil(-is)),
                                "Turn pieces, shorten stubs, or take a larger flask.")
                        .from(asked));
            } else if (is < asked.value()) {
                against.add(rejected(
                                id,
                                say("too near " + to + " by %.0f mm", Math.ceil(asked.value() - is)),
                                "Turn pieces, shorten stubs, or take a larger flask.")
                        .from(asked));
            }
        }

        private void bell(StudioFlask flask, List<Finding> against) {
            if (!school.drawsFlask()) {
                return;
            }
            double high = flask.height()
                    + Math.max(RISE, mix.collar().map(Length::millimetres).orElse(0.0));
            over(
                    "bell",
                    "does not go under the bell jar: %.0f mm too high with room to rise",
                    high,
                    shop.underBell,
                    against);
            over("bell", "does not go under the bell jar: %.0f mm too wide", flask.outside(), shop.opening, against);
        }

        private static void over(String id, String words, double needs, OptionalDouble has, List<Finding> against) {
            if (has.isPresent() && needs > has.getAsDouble()) {
                String remedy = id.equals("bell")
                        ? "Slow pour down the side: the bowl alone goes under the bell."
                        : "A smaller flask.";
                against.add(rejected(id, say(words, Math.ceil(needs - has.getAsDouble())), remedy));
            }
        }

        private static Finding rejected(String id, String message, String remedy) {
            return Finding.stop(id, "flask", message, "It does not work with what the studio has.", remedy);
        }
    }

    private static String say(String words, Object... values) {
        return String.format(Locale.ROOT, words, values);
    }
}
