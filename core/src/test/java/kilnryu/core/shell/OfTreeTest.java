package kilnryu.core.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Volume;
import kilnryu.core.sum.Factors;
import kilnryu.core.tree.Amount;
import kilnryu.core.tree.Part;
import kilnryu.core.tree.Tree;
import kilnryu.core.tree.TreePlan;
import kilnryu.core.tree.TreePlanner;
import org.junit.jupiter.api.Test;

/** Area of a tree from its parts. */
class OfTreeTest {
    private static Length mm(double value) {
        return Length.millimetres(value);
    }

    private static double area(int count, Amount amount) {
        Part part = new Part("part", Part.Role.PIECE, PatternMaterial.SCULPTURE_WAX, count, amount, Optional.empty());
        TreePlan plan = new TreePlanner(Factors.HANDBOOK)
                .plan(new Tree(
                        Alloy.SI_BRONZE,
                        List.of(part),
                        Optional.empty(),
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        Optional.empty()));
        return OfTree.area(plan).value();
    }

    /** pi 10 * 100 = 3141.6 mm2 each. */
    @Test
    void rods() {
        assertThat(area(3, new Amount.Rod(mm(10), mm(100)))).isCloseTo(3 * 31.416, within(0.001));
    }

    /** From 50 to 20 over 20: slant sqrt(20^2 + 15^2) = 25, pi * 35 * 25 = 2748.9 mm2. */
    @Test
    void cups() {
        assertThat(area(1, new Amount.Cone(mm(50), mm(20), mm(20)))).isCloseTo(27.489, within(0.001));
    }

    @Test
    void bars() {
        assertThat(area(2, new Amount.Bar(mm(20), mm(10), mm(50)))).isCloseTo(2 * 30, within(1e-9));
    }

    /** Two of 80 cm2 by their mesh. */
    @Test
    void aMeshKnowsBetter() {
        Part part = new Part(
                "shell",
                Part.Role.PIECE,
                PatternMaterial.SCULPTURE_WAX,
                2,
                new Amount.OfVolume(Volume.cubicCentimetres(33.5103)),
                Optional.empty());
        Part measured = new Part(
                part.name(),
                part.role(),
                part.material(),
                part.count(),
                part.amount(),
                Optional.empty(),
                OptionalDouble.of(80));
        TreePlan plan = new TreePlanner(Factors.HANDBOOK)
                .plan(new Tree(
                        Alloy.SI_BRONZE,
                        List.of(measured, part),
                        Optional.empty(),
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        Optional.empty()));
        assertThat(OfTree.area(plan).value()).isCloseTo(160 + 2 * 1.5 * 50.2655, within(0.01));
    }

    /** A ball of 33.510 cm3 has a radius of 2 cm and 50.265 cm2; a piece half as much again. */
    @Test
    void piecesAreRougherThanBalls() {
        assertThat(area(2, new Amount.OfVolume(Volume.cubicCentimetres(33.5103))))
                .isCloseTo(2 * 1.5 * 50.2655, within(0.01));
    }
}
