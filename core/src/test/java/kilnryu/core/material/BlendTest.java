package kilnryu.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import kilnryu.core.finding.Finding;
import kilnryu.core.material.Blend.Share;
import kilnryu.core.sum.Factors;
import org.junit.jupiter.api.Test;

/** Blends by hand sums of handbook 2. */
class BlendTest {
    private static Share share(Ingredient of, double percent) {
        return new Share(of.label(), percent, of.density(), of.role(), of == Ingredient.SILICA_SAND, Double.NaN);
    }

    private static Blend blend(double water, Share... shares) {
        return Blend.of(List.of(shares), Blend.ratio(water), Factors.HANDBOOK);
    }

    private static List<String> found(Share... shares) {
        return blend(55, shares).findings().all().stream().map(Finding::id).toList();
    }

    /** Halves of 2.73 and 2.65: 100 / (50 / 2.73 + 50 / 2.65) = 100 / (18.315 + 18.868) = 2.6894. */
    @Test
    void plasterAndSilicaHalfAndHalf() {
        Blend half = blend(55, share(Ingredient.PLASTER, 50), share(Ingredient.SILICA_FLOUR, 50));
        assertThat(half.density().value()).isCloseTo(2.6894, within(0.0001));
        // 155 g in 37.183 + 55 cm3
        assertThat(half.slurryDensity().value()).isCloseTo(1.6814, within(0.0001));
        // 92.183 cm3 from 100 g
        assertThat(half.yield().value()).isCloseTo(921.83, within(0.01));
        assertThat(half.hemihydrate().value()).isEqualTo(50);
        assertThat(half.findings().all()).isEmpty();
        assertThat(half.cost()).isEmpty();
    }

    /** 40 % at 1.20 and 60 % at 0.50 a kilogram: 0.48 + 0.30 = 0.78; at W 50 a litre takes 1000 / 874.9 kg. */
    @Test
    void aPriceFollowsTheShares() {
        Blend priced = blend(
                50,
                new Share("plaster", 40, 2.73, Ingredient.Role.BINDER, false, 1.2),
                new Share("flour", 60, 2.65, Ingredient.Role.REFRACTORY, false, 0.5));
        assertThat(priced.cost().orElseThrow().value()).isCloseTo(0.78, within(1e-9));
        // 100 / (40 / 2.73 + 60 / 2.65) is 2.6814; (37.294 + 50) * 10 = 872.94 cm3 from a kilogram
        assertThat(priced.costPerLitre().orElseThrow().value()).isCloseTo(0.78 / 0.87294, within(1e-4));
    }

    @Test
    void everyWarningHasOneThatFailsAndOneThatJustPasses() {
        assertThat(found(share(Ingredient.PLASTER, 60), share(Ingredient.TALC, 40)))
                .contains("no-refractory");
        assertThat(found(share(Ingredient.PLASTER, 61), share(Ingredient.GROG, 39)))
                .containsExactly("much-binder");
        assertThat(found(share(Ingredient.PLASTER, 60), share(Ingredient.GROG, 40)))
                .isEmpty();
        assertThat(found(share(Ingredient.PLASTER, 24), share(Ingredient.SILICA_SAND, 76)))
                .containsExactly("much-sand");
        assertThat(found(share(Ingredient.PLASTER, 25), share(Ingredient.SILICA_SAND, 75)))
                .isEmpty();
        assertThat(found(share(Ingredient.PLASTER, 24), share(Ingredient.SILICA_FLOUR, 76)))
                .isEmpty();
        assertThat(found(share(Ingredient.CEMENT, 20), share(Ingredient.GROG, 80)))
                .containsExactly("cement-in-fire");
        assertThat(found(share(Ingredient.GROG, 100))).containsExactly("no-binder");
    }

    @Test
    void sharesThatAreNoWholeAreRefused() {
        List<Share> short06 = List.of(share(Ingredient.PLASTER, 50), share(Ingredient.GROG, 49.4));
        assertThat(Blend.missing(short06)).isCloseTo(0.6, within(1e-9));
        assertThat(Blend.missing(List.of(share(Ingredient.PLASTER, 33.33), share(Ingredient.GROG, 66.66))))
                .isZero();
        assertThatThrownBy(() -> Blend.of(short06, Blend.ratio(55), Factors.HANDBOOK))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aRatioIsExplained() {
        assertThat(Blend.effect(60, 55)).startsWith("Wetter");
        assertThat(Blend.effect(50, 55)).startsWith("Drier");
        assertThat(Blend.effect(55, 55)).startsWith("The usual");
    }

    /** Whatever is blended, its density lies between that of its lightest and its heaviest ingredient. */
    @Test
    void theDensityOfABlendLiesBetweenItsIngredients() {
        Random random = new Random(7);
        for (int i = 0; i < 200; i++) {
            double part = random.nextDouble() * 100;
            Ingredient one = Ingredient.values()[random.nextInt(Ingredient.values().length)];
            Ingredient other = Ingredient.values()[random.nextInt(Ingredient.values().length)];
            double density = blend(55, share(one, part), share(other, 100 - part))
                    .density()
                    .value();
            assertThat(density)
                    .isBetween(
                            Math.min(one.density(), other.density()) - 1e-9,
                            Math.max(one.density(), other.density()) + 1e-9);
        }
    }

    /** The limit of a blend holds for a mix of which only the plaster is known, too: 60 is let pass, 61 is not. */
    @Test
    void muchPlasterIsSaidOfAnyMix() {
        assertThat(Blend.ofPlaster(60, Factors.HANDBOOK).all()).isEmpty();
        assertThat(Blend.ofPlaster(61, Factors.HANDBOOK).has("much-binder")).isTrue();
    }

    @Test
    void ingredientsAreKnownByTheWordsOfTheShop() {
        assertThat(Ingredient.told("sand")).contains(Ingredient.SILICA_SAND);
        assertThat(Ingredient.told("silica")).contains(Ingredient.SILICA_FLOUR);
        assertThat(Ingredient.told("pottery plaster")).contains(Ingredient.PLASTER);
        assertThat(Ingredient.told("grog")).contains(Ingredient.GROG);
        assertThat(Ingredient.told("tea leaves")).isEmpty();
    }
}
