package kilnryu.core.burnout;

import java.util.Optional;
import java.util.Set;
import kilnryu.core.block.BlockPlan;
import kilnryu.core.flask.FlaskPlan;
import kilnryu.core.kiln.KilnRun;
import kilnryu.core.kiln.Mold;
import kilnryu.core.kiln.Setting;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;

/**
 * A flask or block to be burnt out, with what decides its program.
 *
 * @param diameter mm; of a block that of the cylinder which stands for it
 * @param height mm
 * @param kilograms filled
 * @param block whether it is a block, which ramps slower
 * @param stand minutes it has to stand or cure before the kiln
 * @param mold as the conduction sees it
 * @param pour temperature of the mold at the pour, C; empty where neither alloy nor caster says
 */
public record Subject(
        String name,
        InvestmentSystem system,
        double diameter,
        double height,
        double kilograms,
        boolean block,
        Figure waterPer100,
        Figure powderDensity,
        double stand,
        Mold mold,
        Set<PatternMaterial> patterns,
        Alloy alloy,
        Optional<Figure> pour) {
    private static final double MINUTES_IN_HOUR = 60;

    public Subject {
        patterns = Set.copyOf(patterns);
    }

    /**
     * What of a tree a program asks.
     *
     * @param wet share of the free water that its mold still holds, 0 to 1, as proved by weighing; 1 for a fresh one
     */
    public record Tree(String name, Set<PatternMaterial> patterns, Alloy alloy, Optional<Figure> pour, double wet) {
        /** With a mold as wet as it was mixed. */
        public Tree(String name, Set<PatternMaterial> patterns, Alloy alloy, Optional<Figure> pour) {
            this(name, patterns, alloy, pour, 1);
        }
    }

    public static Subject of(Tree tree, FlaskPlan plan) {
        InvestmentSystem system = plan.flask().system();
        double diameter = plan.flask().innerDiameter().millimetres();
        double height = plan.flask().height().millimetres();
        return new Subject(
                tree.name,
                system,
                diameter,
                height,
                plan.filledMass().value() / 1000,
                false,
                plan.waterPer100(),
                plan.powderDensity(),
                plan.stand().value(),
                Mold.flask(
                        diameter / 1000,
                        height / 1000,
                        Setting.dried(
                                Setting.gypsum(
                                        plan.waterPer100().value(),
                                        plan.powderDensity().value(),
                                        system.hemihydratePercent()),
                                tree.wet)),
                tree.patterns,
                tree.alloy,
                tree.pour);
    }

    /** A block of plaster and silica, as wet as it was mixed. */
    public static Subject of(Tree tree, BlockPlan plan) {
        InvestmentSystem system = InvestmentSystem.PLASTER_SILICA;
        double ratio = plan.backup().water().value() / plan.backup().powder().value() * 100;
        double density = system.density().orElseThrow().value();
        return new Subject(
                tree.name,
                system,
                Mold.cylinderOf(plan.outerWidth(), plan.outerDepth()),
                plan.outerHeight(),
                plan.wet().value() / 1000,
                true,
                Figure.given("W", "water per 100 powder of its backup", ratio, Measure.PER_100, Known.COMPUTED, 0),
                Figure.given("d", "true density of the powder", density, Measure.GRAM_PER_CM3, Known.DEFAULT, 0),
                plan.cure().value() * MINUTES_IN_HOUR,
                Mold.block(
                        plan.outerWidth() / 1000,
                        plan.outerDepth() / 1000,
                        plan.outerHeight() / 1000,
                        Setting.dried(Setting.gypsum(ratio, density, system.hemihydratePercent()), tree.wet)),
                tree.patterns,
                tree.alloy,
                tree.pour);
    }

    /** The same, standing in the kiln as it is placed there. */
    public Subject as(Mold placed) {
        return new Subject(
                name,
                system,
                diameter,
                height,
                kilograms,
                block,
                waterPer100,
                powderDensity,
                stand,
                placed,
                patterns,
                alloy,
                pour);
    }

    boolean anyChar() {
        return patterns.stream().anyMatch(PatternMaterial::leavesChar);
    }

    boolean anyHotDrain() {
        return patterns.stream().anyMatch(PatternMaterial::drainsHot);
    }

    boolean anyWax() {
        return patterns.stream().anyMatch(PatternMaterial::drainsAsWax);
    }

    /** What its patterns leave at most, % of their mass; handbook 8's share where nothing is known of them. */
    public double residue() {
        return patterns.stream().mapToDouble(PatternMaterial::charPercent).max().orElse(Setting.UNKNOWN_RESIDUE);
    }

    /** Mineral ash its patterns leave at most, % of their mass. */
    public double ash() {
        return patterns.stream().mapToDouble(PatternMaterial::ashPercent).max().orElse(0);
    }

    /** Over this the last of its patterns has run out, C; NaN where none runs. */
    double runsC() {
        return patterns.stream()
                .mapToDouble(PatternMaterial::runsC)
                .filter(Double::isFinite)
                .max()
                .orElse(Double.NaN);
    }

    public KilnRun.Charge charge() {
        return new KilnRun.Charge(name, mold, 1, residue(), 1);
    }
}
