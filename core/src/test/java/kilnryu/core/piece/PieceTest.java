package kilnryu.core.piece;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import kilnryu.core.finding.Finding;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.piece.Shrinkage.MoldKind;
import kilnryu.core.piece.Shrinkage.Origin;
import kilnryu.core.quantity.Area;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Mass;
import kilnryu.core.quantity.Volume;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import org.junit.jupiter.api.Test;

class PieceTest {
    private static final Equipment SHOP = new Equipment(
            OptionalDouble.of(150),
            OptionalDouble.of(250),
            OptionalDouble.of(300),
            OptionalDouble.of(400),
            OptionalDouble.of(450),
            OptionalDouble.of(350),
            OptionalDouble.of(600),
            OptionalDouble.of(1200),
            OptionalDouble.of(25));

    /** Injected wax, flask, silicon bronze: 1 / (0.99 x 1.008 x 0.984) = 1.018378. */
    @Test
    void thePatternScaleIsTheChainOfHandbook3() {
        Figure scale = Shrinkage.scale(Origin.CAST_WAX, MoldKind.FLASK, Alloy.SI_BRONZE, Factors.HANDBOOK)
                .orElseThrow();
        assertThat(scale.value()).isCloseTo(1.018378, within(1e-6));
        assertThat(Shrinkage.size("height", Length.millimetres(200), scale).value())
                .isCloseTo(203.675, within(0.001));
        assertThat(scale.inputs()).hasSize(3);
    }

    /** Print into a shell, sterling: 1 / (0.997 x 1.001 x 0.984) = 1.018300; carved into a block: 1 / (1.003 x 0.984). */
    @Test
    void printsAndCarvedPiecesShrinkLess() {
        assertThat(scale(Origin.PRINT, MoldKind.SHELL, Alloy.AG_925)).isCloseTo(1.018300, within(1e-6));
        assertThat(scale(Origin.WORKED, MoldKind.BLOCK, Alloy.SI_BRONZE)).isCloseTo(1.013220, within(1e-6));
        assertThat(Shrinkage.scale(Origin.PRINT, MoldKind.SHELL, Alloy.IRON, Factors.HANDBOOK))
                .isEmpty();
    }

    private static double scale(Origin origin, MoldKind mold, Alloy alloy) {
        return Shrinkage.scale(origin, mold, alloy, Factors.HANDBOOK)
                .orElseThrow()
                .value();
    }

    @Test
    void massAndMeshAgreeWithinSixInAHundred() {
        assertThat(check(96 * 1.05)).isEmpty();
        assertThat(check(96 * 1.08).orElseThrow().id()).isEqualTo("mass-heavier");
    }

    @Test
    void aSlipOfUnitIsKnownByItsFactor() {
        assertThat(check(96 / 28.35).orElseThrow().message()).contains("ounces");
        assertThat(check(96 / 31.1).orElseThrow().message()).contains("troy");
        assertThat(check(96 * 16387.0).orElseThrow().message()).contains("inches");
    }

    /** 24 g of wax over 100 cm2 is a wall of 2.5 mm. */
    @Test
    void aLightPieceIsExplainedByItsWall() {
        Finding hollow = check(24).orElseThrow();
        assertThat(hollow.id()).isEqualTo("mass-hollow");
        assertThat(hollow.figure().value()).isCloseTo(2.5, within(1e-9));
    }

    /** 34.8 cm3 of material; walls 100 x 0.08 = 8; inside 92 cm3 holds 26.8: 29 %. */
    @Test
    void withAWallTheInfillIsNamed() {
        Finding hollow = MassAgainstMesh.check(
                        new MassAgainstMesh.Piece(
                                Mass.grams(33.408),
                                Volume.cubicCentimetres(100),
                                Area.squareCentimetres(100),
                                PatternMaterial.INJECTION_WAX,
                                Optional.of(Length.millimetres(0.8)),
                                Optional.empty()),
                        Factors.HANDBOOK)
                .orElseThrow();
        assertThat(hollow.message()).contains("29 %");
    }

    /** A piece of 100 cm3 and 100 cm2 in injection wax weighs 96 g when solid. */
    private static Optional<Finding> check(double grams) {
        return MassAgainstMesh.check(
                new MassAgainstMesh.Piece(
                        Mass.grams(grams),
                        Volume.cubicCentimetres(100),
                        Area.squareCentimetres(100),
                        PatternMaterial.INJECTION_WAX,
                        Optional.empty(),
                        Optional.empty()),
                Factors.HANDBOOK);
    }

    @Test
    void manySmallFinePiecesSpeakForAFlask() {
        List<MethodAdvice> advice = MethodAdvice.of(piece(Alloy.AG_925, 25, 15, 12, false), SHOP);
        assertThat(advice.get(0).kind()).isEqualTo(MoldKind.FLASK);
        assertThat(advice)
                .allSatisfy(a -> assertThat(a.speaksFor().size()
                                + a.speaksAgainst().size()
                                + a.forbids().size())
                        .isPositive());
    }

    @Test
    void gypsumIsForbiddenForIronHoweverWellItFits() {
        List<MethodAdvice> advice = MethodAdvice.of(piece(Alloy.IRON, 25, 15, 1, false), SHOP);
        assertThat(advice.get(0).kind()).isEqualTo(MoldKind.SHELL);
        assertThat(advice.get(1).forbids()).anyMatch(w -> w.contains("Never"));
        assertThat(MethodAdvice.isRefused(Alloy.IRON, MoldKind.BLOCK)).isTrue();
        assertThat(MethodAdvice.isRefused(Alloy.IRON, MoldKind.SHELL)).isFalse();
    }

    @Test
    void aLargeHollowPieceDoesNotGoIntoTheFlask() {
        MethodAdvice flask = MethodAdvice.of(piece(Alloy.SI_BRONZE, 380, 160, 1, true), SHOP).stream()
                .filter(a -> a.kind() == MoldKind.FLASK)
                .findFirst()
                .orElseThrow();
        // 160 + 30 against 150, 380 + 60 against 250
        assertThat(flask.forbids())
                .anyMatch(w -> w.startsWith("40 mm larger"))
                .anyMatch(w -> w.startsWith("190 mm larger"));
    }

    /** Flask 250 high leaves 190 for the piece: 380 + laps needs three sections of 126.7 + 3, two of 190 + 3 are too long. */
    @Test
    void aPieceTooLongIsProposedInSections() {
        Sections sections = Sections.of(MoldKind.FLASK, piece(Alloy.SI_BRONZE, 380, 100, 1, true), SHOP);
        assertThat(sections.number()).isEqualTo(3);
        assertThat(sections.sectionLength()).isCloseTo(129.67, within(0.01));
        assertThat(sections.over().get(0)).startsWith("190 mm over");
        assertThat(Sections.of(MoldKind.FLASK, piece(Alloy.SI_BRONZE, 190, 100, 1, true), SHOP)
                        .number())
                .isEqualTo(1);
    }

    /**
     * Sides 380, 100 and 50: a cut is an ellipse of half axes 50 and 25, its rim pi (3 * 75 - sqrt(175 * 125)) = 242.21
     * mm. Two cuts are 484.4 mm and take 7.27 h at 1.5 h per 100 mm.
     */
    @Test
    void wholeIsHeldAgainstWelded() {
        List<Split> splits =
                Split.of(MoldKind.FLASK, piece(Alloy.SI_BRONZE, 380, 100, 1, true), SHOP, Factors.HANDBOOK);
        assertThat(splits).extracting(Split::sections).containsExactly(1, 2, 3, 4);
        assertThat(splits).extracting(s -> s.over().isEmpty()).containsExactly(false, false, true, true);
        assertThat(splits.get(0).seam().value()).isZero();
        assertThat(splits.get(2).seam().value()).isCloseTo(484.42, within(0.01));
        assertThat(splits.get(2).hours().value()).isCloseTo(7.27, within(0.01));
        assertThat(splits.get(3).each()).isCloseTo(98, within(1e-9));
    }

    @Test
    void morePartsNeverAskLessWelding() {
        List<Split> splits =
                Split.of(MoldKind.SHELL, piece(Alloy.SI_BRONZE, 900, 200, 1, true), SHOP, Factors.HANDBOOK);
        for (int i = 1; i < splits.size(); i++) {
            assertThat(splits.get(i).seam().value())
                    .isGreaterThan(splits.get(i - 1).seam().value());
            assertThat(splits.get(i).melt())
                    .isLessThanOrEqualTo(splits.get(i - 1).melt());
        }
    }

    @Test
    void aPieceTooWideIsNotHelpedByShortening() {
        assertThat(Sections.of(MoldKind.FLASK, piece(Alloy.SI_BRONZE, 380, 160, 1, true), SHOP)
                        .number())
                .isZero();
    }

    private static Commission piece(Alloy alloy, double longest, double middle, int count, boolean hollow) {
        return new Commission(
                alloy,
                PatternMaterial.INJECTION_WAX,
                longest,
                middle,
                middle / 2,
                OptionalDouble.empty(),
                OptionalDouble.of(2),
                hollow,
                count,
                Optional.of(Commission.Finish.FINE),
                OptionalInt.of(20));
    }
}
