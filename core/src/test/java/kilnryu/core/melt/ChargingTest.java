package kilnryu.core.melt;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.entry;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import kilnryu.core.finding.Finding;
import kilnryu.core.material.Alloy;
import org.junit.jupiter.api.Test;

class ChargingTest {
    private static final OptionalDouble ANY = OptionalDouble.empty();
    private static final MakeUp BRONZE = makeUp("Cu 90 Sn 10");
    private static final MakeUp BRASS = makeUp("Cu 60 Zn 40");

    static MakeUp makeUp(String words) {
        Map<Element, Double> percent = new EnumMap<>(Element.class);
        String[] parts = words.split(" ");
        for (int i = 0; i < parts.length; i += 2) {
            percent.put(Element.named(parts[i]).orElseThrow(), Double.parseDouble(parts[i + 1]));
        }
        return new MakeUp(percent);
    }

    private static Stock ingot(String name, double grams, double price, String makeUp) {
        return new Stock(
                name, grams, OptionalDouble.of(price), Optional.of(makeUp(makeUp)), Stock.Type.INGOT, ANY, ANY);
    }

    private static Stock returned(String name, double grams, String makeUp) {
        return new Stock(name, grams, ANY, Optional.of(makeUp(makeUp)), Stock.Type.RETURN, ANY, ANY);
    }

    private static Stock unknown(String name, double grams) {
        return new Stock(name, grams, ANY, Optional.empty(), Stock.Type.UNKNOWN, ANY, ANY);
    }

    private static Stock whole(Stock lot, double piece) {
        return new Stock(
                lot.name(), lot.available(), lot.pricePerKg(), lot.makeUp(), lot.type(), OptionalDouble.of(piece), ANY);
    }

    private static ChargeQuestion asked(Alloy alloy, double needed, Stock... stock) {
        return new ChargeQuestion(alloy, Bands.of(alloy).orElseThrow(), needed, List.of(stock), 50, 10);
    }

    private static Charge made(Alloy alloy, double needed, Stock... stock) {
        return Charging.of(asked(alloy, needed, stock)).charge().orElseThrow();
    }

    @Test
    void twoLotsAndThreeElementsByHand() {
        // of the brass 38.4 % is zinc after the melt; 3 % of 1000 g is 30 g: 78.125 g of it. Left of it 98.1 %: 76.64
        // g;
        // the bronze keeps 99.5 %: (1000 - 76.6406) / 0.995 = 928.00 g, tin 92.34 g of 1000
        Charge charge = made(
                Alloy.GUNMETAL,
                1000,
                new Stock("bronze", 5000, OptionalDouble.of(10), Optional.of(BRONZE), Stock.Type.INGOT, ANY, ANY),
                new Stock("brass", 5000, OptionalDouble.of(5), Optional.of(BRASS), Stock.Type.INGOT, ANY, ANY));
        assertThat(charge.grams().get(0)).isCloseTo(928.00, within(0.01));
        assertThat(charge.grams().get(1)).isCloseTo(78.125, within(0.01));
        assertThat(charge.melt().value()).isCloseTo(1000, within(1e-3));
        assertThat(charge.after().get(Element.ZN).value()).isCloseTo(3.0, within(1e-3));
        assertThat(charge.after().get(Element.SN).value()).isCloseTo(9.234, within(1e-3));
        assertThat(charge.cost()).isCloseTo(9.6706, within(1e-3));
        assertThat(charge.returns().value()).isZero();
        // the cheapest lies at the edge, and that is said
        assertThat(charge.findings().all()).extracting(Finding::id).containsExactly("edge.Zn");
        // before the melt 78.125 x 0.4 of 1006.1 g
        assertThat(charge.before().get(Element.ZN)).isCloseTo(3.106, within(1e-3));
    }

    @Test
    void equallyCheapTakesWhatComesBackAndNoMoreThanItsShare() {
        Charge charge = made(
                Alloy.SN_BRONZE_90_10,
                995,
                new Stock("fresh", 5000, OptionalDouble.of(0), Optional.of(BRONZE), Stock.Type.INGOT, ANY, ANY),
                returned("gates", 5000, "Cu 90 Sn 10"));
        assertThat(charge.grams())
                .satisfiesExactly(
                        f -> assertThat(f).isCloseTo(500, within(0.01)),
                        r -> assertThat(r).isCloseTo(500, within(0.01)));
        assertThat(charge.returns().value()).isCloseTo(50, within(1e-3));
        assertThat(charge.unpriced()).containsExactly("gates");
    }

    @Test
    void aMassSetByHandStaysAndTheRestFollows() {
        ChargeQuestion q =
                asked(Alloy.SN_BRONZE_90_10, 1000, ingot("copper", 5000, 9, "Cu 100"), ingot("tin", 500, 30, "Sn 100"));
        Charge charge = Charging.of(q.fixed(List.of(ANY, OptionalDouble.of(105))))
                .charge()
                .orElseThrow();
        assertThat(charge.grams().get(1)).isCloseTo(105, within(1e-6));
        // 1000 - 105 x 0.995 = 895.5; / 0.995
        assertThat(charge.grams().get(0)).isCloseTo(900.03, within(0.01));
    }

    @Test
    void tooLittleTinNamesTheBandAndTheLotAndWhatToBuy() {
        Charging none = Charging.of(
                asked(Alloy.SN_BRONZE_90_10, 1000, ingot("copper", 5000, 9, "Cu 100"), ingot("tin", 50, 30, "Sn 100")));
        assertThat(none.charge()).isEmpty();
        assertThat(none.conflict()).containsExactlyInAnyOrder("Sn", "tin");
        // 9 % of 1000 g is 90 g, of which 0.5 % burns: 90.452 g, 50 are there
        assertThat(none.buy()).containsOnlyKeys(Element.SN);
        assertThat(none.buy().get(Element.SN)).isCloseTo(40.452, within(0.01));
    }

    @Test
    void twoElementsAreBoughtWhereOneIsNotEnough() {
        Charging none = Charging.of(asked(Alloy.SI_BRONZE, 1000, ingot("copper", 5000, 9, "Cu 100")));
        assertThat(none.conflict()).hasSize(1).first().isIn("Si", "Mn");
        // 3.3 % and 0.6 % of 1000 g over what is left of them: 33 / 0.99 and 6 / 0.97
        assertThat(none.buy().get(Element.SI)).isCloseTo(33.333, within(0.01));
        assertThat(none.buy().get(Element.MN)).isCloseTo(6.186, within(0.01));
    }

    @Test
    void anEmptyStoreSaysSoAndWhatItTakes() {
        Charging none = Charging.of(asked(Alloy.COPPER, 995));
        assertThat(none.conflict()).containsExactly("Cu");
        assertThat(none.buy()).hasSize(1);
        assertThat(none.buy().get(Element.CU)).isCloseTo(1000, within(0.01));
    }

    @Test
    void ingotsThatCannotBeCutGoInWholeAndItSaysByHowMuchItIsOver() {
        Charge only = made(Alloy.SN_BRONZE_90_10, 1000, whole(ingot("ingot", 5000, 12, "Cu 90 Sn 10"), 500));
        // two of them leave 995 g: a third is needed
        assertThat(only.grams()).containsExactly(1500.0);
        assertThat(only.shares().get(0).pieces()).isEqualTo(3);
        assertThat(only.over()).isCloseTo(492.5, within(1e-6));
        assertThat(only.findings().has("charge-over")).isTrue();
        Charge filled = made(
                Alloy.SN_BRONZE_90_10,
                1000,
                whole(ingot("ingot", 5000, 12, "Cu 90 Sn 10"), 500),
                ingot("shot", 100, 15, "Cu 90 Sn 10"));
        assertThat(filled.grams().get(0)).isEqualTo(1000.0);
        assertThat(filled.grams().get(1)).isCloseTo(5.025, within(0.01));
    }

    @Test
    void freeIngotsAreNotHeapedUp() {
        Charge charge = made(Alloy.COPPER, 995, whole(ingot("bar", 10_000, 0, "Cu 100"), 500));
        assertThat(charge.grams()).containsExactly(1000.0);
    }

    @Test
    void wholePiecesThatDoNotSuitAreNamed() {
        // one bar of tin is 400 g: 28 % of 1000 g of copper; only with 3 kg and more would it be right
        Charging none = Charging.of(asked(
                Alloy.SN_BRONZE_90_10,
                1000,
                ingot("copper", 1000, 9, "Cu 100"),
                whole(ingot("bar of tin", 400, 30, "Sn 100"), 400)));
        assertThat(none.charge()).isEmpty();
        assertThat(none.conflict()).contains("Sn");
        assertThat(none.buy()).containsOnlyKeys(Element.SN);
    }

    @Test
    void unknownScrapIsATenthAtMostAndNeverUnderALimitOfLaw() {
        Charge bronze = made(
                Alloy.SN_BRONZE_90_10, 1000, ingot("ingot", 5000, 12, "Cu 90 Sn 10"), unknown("box of scrap", 900));
        assertThat(bronze.grams().get(1)).isCloseTo(100.5, within(0.1));
        assertThat(bronze.findings().all()).extracting(Finding::id).containsExactly("unknown.box of scrap");
        Charge silver = made(
                Alloy.AG_925,
                100,
                ingot("fine", 500, 900, "Ag 100"),
                ingot("copper", 100, 9, "Cu 100"),
                unknown("sweeps", 90));
        assertThat(silver.grams().get(2)).isZero();
        assertThat(silver.after().get(Element.AG).value()).isBetween(92.5, 92.51);
    }

    @Test
    void cadmiumIsKeptOutAndCannotBeOverruled() {
        Stock solder = returned("old solder joints", 500, "Ag 80 Cu 15 Cd 5");
        Charge charge =
                made(Alloy.AG_925, 100, ingot("fine", 500, 900, "Ag 100"), ingot("copper", 100, 9, "Cu 100"), solder);
        // 0.01 % of 100 g is 0.01 g: of 5 % less loss 0.2 g may go in
        assertThat(charge.grams().get(2)).isLessThan(0.21);
        Charge wrong = new Charge(charge.question(), List.of(80.0, 0.0, 20.0), true);
        assertThat(wrong.findings().all())
                .filteredOn(f -> f.id().equals("poison.Cd"))
                .singleElement()
                .satisfies(f -> assertThat(f.safety()).isTrue());
    }

    @Test
    void underTheFinenessOfLawIsAStopOfSafetyOverTheRestOneOfChoice() {
        ChargeQuestion q =
                asked(Alloy.AG_925, 100, ingot("fine", 500, 900, "Ag 100"), ingot("copper", 100, 9, "Cu 100"));
        assertThat(new Charge(q, List.of(92.0, 9.0), true).findings().all())
                .filteredOn(f -> f.id().equals("band.Ag"))
                .singleElement()
                .satisfies(f -> assertThat(f.safety()).isTrue());
        assertThat(new Charge(q, List.of(96.0, 5.0), true).findings().all())
                .filteredOn(f -> f.id().equals("band.Ag"))
                .singleElement()
                .satisfies(f -> assertThat(f.safety()).isFalse());
        assertThat(new Charge(q, List.of(50.0, 4.0), true).findings().has("charge-short"))
                .isTrue();
    }

    @Test
    void strangersInAluminiumCountEachForThemselves() {
        ChargeQuestion q = asked(
                Alloy.AL_SI7,
                1000,
                ingot("Al Si 7", 5000, 4, "Al 92.65 Si 7 Mg 0.35"),
                returned("with zinc", 500, "Al 97 Zn 2 Mn 1"));
        Charge charge = Charging.of(q).charge().orElseThrow();
        // 0.15 % zinc of 1000 g: 1.5 g of 1.99 % -> about 75 g
        assertThat(charge.grams().get(1)).isCloseTo(75.4, within(0.5));
        assertThat(new Charge(q, List.of(700.0, 320.0), true).findings().has("traces"))
                .isTrue();
    }

    /** A tenth of the band's 2 % off its end: zinc to 2.8 %, 28 / 0.384 = 72.917 g of brass. */
    @Test
    void aChargeMayStayOffTheEndsOfItsBands() {
        ChargeQuestion edge = asked(
                Alloy.GUNMETAL, 1000, ingot("bronze", 5000, 10, "Cu 90 Sn 10"), ingot("brass", 5000, 5, "Cu 60 Zn 40"));
        ChargeQuestion off = new ChargeQuestion(
                edge.alloy(), edge.bands(), edge.needed(), edge.stock(), edge.mostReturns(), edge.mostUnknown(), 0.1);
        Charge charge = Charging.of(off).charge().orElseThrow();
        assertThat(charge.grams().get(1)).isCloseTo(72.917, within(0.01));
        assertThat(charge.findings().all()).isEmpty();
        assertThat(Charging.of(off.toTheEdge()).charge().orElseThrow().grams().get(1))
                .isCloseTo(78.125, within(0.01));
    }

    /** One ingot of 500 g leaves 2.5 g of 500 open: a crumb of shot, or nothing of it and another gram of gates. */
    @Test
    void crumbsAreLeftOutWhereThatCostsNothing() {
        ChargeQuestion q = asked(
                Alloy.SN_BRONZE_90_10,
                500,
                ingot("ingot", 499, 12, "Cu 90 Sn 10"),
                ingot("shot", 100, 12.1, "Cu 90 Sn 10"),
                ingot("swarf", 400, 12.2, "Cu 90 Sn 10"));
        assertThat(Charging.of(q).charge().orElseThrow().grams().get(1)).isCloseTo(3.513, within(0.01));
        Charge tidy = Charging.tidied(q, 0.01).charge().orElseThrow();
        // someone has to give the last grams: the one that is left
        assertThat(tidy.shares()).hasSize(2);
        assertThat(tidy.melt().value()).isCloseTo(500, within(1e-3));
    }

    @Test
    void noChargeLeavesItsBand() {
        Random random = new Random(17);
        int solved = 0;
        for (int round = 0; round < 120; round++) {
            Alloy alloy = List.of(Alloy.SI_BRONZE, Alloy.GUNMETAL, Alloy.AL_SI7, Alloy.AU_14Y, Alloy.PEWTER)
                    .get(round % 5);
            ChargeQuestion q = asked(alloy, 200 + random.nextInt(9000), randomStock(alloy, random));
            Charging charging = Charging.of(q);
            if (charging.charge().isEmpty()) {
                assertThat(charging.conflict()).isNotEmpty();
                continue;
            }
            solved++;
            Charge charge = charging.charge().get();
            assertThat(charge.findings().stops())
                    .as(alloy + " in round " + round)
                    .isEmpty();
            for (int i = 0; i < q.stock().size(); i++) {
                assertThat(charge.grams().get(i))
                        .isBetween(0.0, q.stock().get(i).available() + 1e-3);
            }
        }
        assertThat(solved).isGreaterThan(40);
    }

    private static Stock[] randomStock(Alloy alloy, Random random) {
        List<Stock> stock = new ArrayList<>();
        Bands bands = Bands.of(alloy).orElseThrow();
        for (Element e : bands.named()) {
            stock.add(ingot(e.label(), 300 + random.nextInt(8000), 1 + random.nextInt(40), e.symbol() + " 100"));
        }
        for (int i = 0; i < 8; i++) {
            Map<Element, Double> percent = new EnumMap<>(bands.middle().percent());
            double moved = random.nextDouble() * 2;
            percent.merge(bands.main(), -moved, Double::sum);
            percent.merge(Element.values()[random.nextInt(8)], moved, Double::sum);
            stock.add(new Stock(
                    "lot " + i,
                    random.nextInt(4000),
                    OptionalDouble.of(random.nextInt(20)),
                    Optional.of(new MakeUp(percent)),
                    random.nextBoolean() ? Stock.Type.INGOT : Stock.Type.RETURN,
                    ANY,
                    ANY));
        }
        return stock.toArray(Stock[]::new);
    }

    @Test
    void aMakeUpSumsToAHundred() {
        assertThatThrownBy(() -> makeUp("Cu 87 Sn 10"))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessage("The make-up sums to 97.0 %, not to 100: an element is missing or too small.");
        assertThatThrownBy(() -> makeUp("Cu 94 Sn 10"))
                .hasMessage("The make-up sums to 104.0 %, not to 100: an element is there twice or too large.");
        assertThat(makeUp("Cu 94.6 Si 4 Mn 1").percent().values().stream()
                        .mapToDouble(Double::doubleValue)
                        .sum())
                .isCloseTo(100, within(1e-9));
        assertThat(makeUp("Mn 1 Cu 95 Si 4")).hasToString("Cu 95 Si 4 Mn 1");
    }

    @Test
    void theTableOfTheHandbook() {
        assertThat(Bands.of(Alloy.SI_BRONZE).orElseThrow().words()).isEqualTo("Si 3.3-4.5, Mn 0.6-1.4, Cu rest");
        assertThat(Bands.of(Alloy.YELLOW_BRASS).orElseThrow().words()).isEqualTo("Cu 61-65, Pb 0-1, Zn rest");
        assertThat(Bands.of(Alloy.COPPER).orElseThrow().main()).isEqualTo(Element.CU);
        assertThat(Bands.of(Alloy.AU_14Y).orElseThrow().bands())
                .contains(entry(Element.AU, new Bands.Band(58.5, 59.0, true, false)));
        assertThat(Bands.of(Alloy.RED_BRASS).orElseThrow().loss(Element.PB)).isEqualTo(1);
        assertThat(Bands.of(Alloy.SI_BRONZE).orElseThrow().loss(Element.CU)).isEqualTo(0.5);
        assertThat(Bands.of(Alloy.STEEL)).isEmpty();
        assertThat(Bands.of(Alloy.PEWTER).orElseThrow().bold()).isTrue();
        assertThat(Bands.of(Alloy.GUNMETAL).orElseThrow().bold()).isFalse();
    }

    @Test
    void zincGoesInLastUnderTheSurface() {
        Charge charge = made(
                Alloy.GUNMETAL,
                1000,
                ingot("zinc", 500, 3, "Zn 100"),
                ingot("tin", 500, 30, "Sn 100"),
                ingot("copper", 5000, 9, "Cu 100"));
        List<Additions.Step> steps = Additions.of(charge).steps();
        assertThat(steps.stream()
                        .flatMap(s -> s.share().stream())
                        .map(s -> s.lot().name()))
                .containsExactly("copper", "tin", "zinc");
        assertThat(steps.get(2).words()).contains("under the surface");
        assertThat(steps).last().extracting(Additions.Step::words).isEqualTo("skim just before the pour");
        assertThat(steps).extracting(Additions.Step::words).anyMatch(w -> w.startsWith("phosphor copper for 0.02"));
    }
}
