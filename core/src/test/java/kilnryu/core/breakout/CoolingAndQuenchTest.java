package kilnryu.core.breakout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.heat.Face;
import kilnryu.core.heat.Lump;
import kilnryu.core.kiln.Mold;
import kilnryu.core.kiln.Setting;
import kilnryu.core.material.Alloy;
import kilnryu.core.pour.Outside;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A flask of limpets full of bronze, and what may not go into water. */
class CoolingAndQuenchTest {
    private static final Mold FLASK = Mold.bare(0.076, 0.100, Setting.GYPSUM);
    private static final Outside ROOM = Outside.air(20);

    private static FullMold full(Alloy alloy, Mold body, double grams, Outside outside) {
        double liquidus = alloy.melting().liquidus();
        return new FullMold(
                alloy, body, grams, liquidus + 130, alloy.preheat().flaskFine(), 0.002, FullMold.Button.USUAL, outside);
    }

    private static Quenching.Bucket bucket(double grams, double celsius) {
        return new Quenching.Bucket(OptionalDouble.of(grams), OptionalDouble.empty(), celsius);
    }

    private static Quenching.Question asked(FullMold full, Quenching.Kind kind) {
        return new Quenching.Question(
                MetalCooling.of(full),
                kind,
                Optional.of(false),
                700,
                OptionalDouble.of(2),
                Optional.empty(),
                Quenching.Bucket.of(15));
    }

    @Test
    void aLumpInAnInsulatedWallKeepsItsHeat() {
        // 20 mm plate of a metal that does not freeze here, 1000 kg/m3, 1000 J/(kg K), at 400; wall 20 mm of the same,
        // at 100
        Lump lump = new Lump(0, 0.010, 0.020);
        Lump.Melt melt = new Lump.Melt(1000, 900, 950, 1, 1000, 1000);
        var wall = kilnryu.core.heat.Medium.constant(1.0, 1e6);
        var course = lump.course(melt, 400, 100, wall, new Lump.Around(Face.INSULATED, 20, 1, 0), 0, 40_000, 1000);
        Lump.Moment end = course.get(course.size() - 1);

        // (10 x 400 + 20 x 100) / 30
        assertThat(end.metal()).isEqualTo(200, within(0.5));
        assertThat(end.outside()).isEqualTo(200, within(0.5));
    }

    @Test
    void aBareFaceCoolsByTheHandbooksAirAndRadiation() {
        // 10 mm deep, 1000 kg/m3 and 1000 J/(kg K): 1e4 J/m2 K; at 100 C in 20 C: (10 + 0.6 sigma
        // (373+293)(373^2+293^2)) x 80
        double h = 10 + 0.6 * 5.670374e-8 * (373.15 * 373.15 + 293.15 * 293.15) * (373.15 + 293.15);
        Lump.Melt melt = new Lump.Melt(1000, 900, 950, 1, 1000, 1000);
        var wall = kilnryu.core.heat.Medium.constant(1e-6, 1e6);
        var course = new Lump(0, 0.1, 0.02)
                .course(melt, 100, 100, wall, new Lump.Around(Face.INSULATED, 20, 1, 100), 0, 10, 10);
        assertThat(100 - course.get(1).metal()).isEqualTo(h * 80 * 10 / 1e4, within(0.02));
    }

    @Test
    void theButtonIsUnderItsMetalAndBothFall() {
        MetalCooling cooling = MetalCooling.of(full(Alloy.SI_BRONZE, FLASK, 280, ROOM));

        assertThat(cooling.course()).isSortedAccordingTo((a, b) -> Double.compare(b.metal(), a.metal()));
        assertThat(cooling.course()).allMatch(m -> m.button() <= m.metal() && m.outside() <= m.metal() + 1e-9);
        assertThat(cooling.solid().orElseThrow()).isBetween(20.0, 1200.0);
        assertThat(cooling.buttonUnder(400).orElseThrow())
                .isLessThan(cooling.metalUnder(400).orElseThrow());
    }

    @Test
    void waterIsQuickerThanTheRoomAndHotSandSlower() {
        double room = MetalCooling.of(full(Alloy.SI_BRONZE, FLASK, 280, ROOM))
                .metalUnder(300)
                .orElseThrow();
        double water = MetalCooling.of(full(Alloy.SI_BRONZE, FLASK, 280, new Outside(new Face(500, 0), 15)))
                .metalUnder(300)
                .orElseThrow();
        double sand = MetalCooling.of(full(Alloy.SI_BRONZE, FLASK, 280, Outside.sand(250)))
                .metalUnder(300)
                .orElseThrow();
        assertThat(water).isLessThan(room);
        assertThat(sand).isGreaterThan(water);
    }

    @ParameterizedTest
    @CsvSource({
        "AG_925, 400, 600",
        "AU_14Y, 400, 600",
        "COPPER, 300, 600",
        "SI_BRONZE, 200, 400",
        "GUNMETAL, 200, 400",
        "YELLOW_BRASS, 150, 350",
        "RED_BRASS, 150, 350",
        "AL_SI7, 100, 250"
    })
    void theWindowIsTheOneOfTheTable(Alloy alloy, double low, double high) {
        assertThat(alloy.quench().low()).isEqualTo(low);
        assertThat(alloy.quench().high()).isEqualTo(high);
        Quenching q = Quenching.of(asked(full(alloy, FLASK, 200, ROOM), Quenching.Kind.FLASK));
        Quenching.Window window = q.window().orElseThrow();
        MetalCooling cooling = MetalCooling.of(full(alloy, FLASK, 200, ROOM));

        assertThat(cooling.at(window.from()).button()).isLessThanOrEqualTo(high + 0.5);
        assertThat(cooling.at(window.to()).button()).isEqualTo(low, within(0.5));
        assertThat(cooling.at(window.from()).metal())
                .isLessThanOrEqualTo(alloy.melting().solidus() + 0.5);
    }

    @Test
    void waterIsThreeTimesFlaskAndMetalAndWarmsByTheirHeat() {
        Quenching q = Quenching.of(asked(full(Alloy.SI_BRONZE, FLASK, 300, ROOM), Quenching.Kind.FLASK));
        // 3 x (700 + 300)
        assertThat(q.water().value()).isEqualTo(3000, within(1e-9));
        MetalCooling.Moment at = MetalCooling.of(full(Alloy.SI_BRONZE, FLASK, 300, ROOM))
                .at(q.window().orElseThrow().from());
        double byHand =
                (300 * 420 * (at.metal() - 15) + 700 * 1000 * ((at.metal() + at.outside()) / 2 - 15)) / (3000 * 4186);
        assertThat(q.rise().value()).isEqualTo(byHand, within(1e-6));
    }

    @Test
    void aBucketThatWouldBoilIsAStop() {
        FullMold full = full(Alloy.COPPER, FLASK, 900, ROOM);
        Quenching q = Quenching.of(new Quenching.Question(
                MetalCooling.of(full),
                Quenching.Kind.FLASK,
                Optional.of(false),
                700,
                OptionalDouble.of(2),
                Optional.empty(),
                bucket(900, 20)));
        assertThat(q.findings().all()).extracting(Finding::id).contains("bucket-small", "bucket-hot");
    }

    @ParameterizedTest
    @CsvSource({
        "PEWTER, FLASK, false, 200, 2, 5000, no-quench-alloy",
        "ZINC_4AL, FLASK, false, 200, 2, 5000, no-quench-alloy",
        "AU_9Y, FLASK, false, 200, 2, 5000, no-quench-untabled",
        "SI_BRONZE, SHELL, false, 200, 2, 5000, no-quench-shell",
        "SI_BRONZE, BLOCK, true, 200, 2, 5000, no-quench-block",
        "SI_BRONZE, FLASK, true, 200, 2, 5000, no-quench-core",
        "SI_BRONZE, FLASK, false, 3100, 2, 50000, no-quench-heavy",
        "SI_BRONZE, FLASK, false, 200, 4.5, 5000, no-quench-sections",
        "SI_BRONZE, FLASK, false, 200, 2, 600, no-quench-bucket"
    })
    void whatIsNotQuenchedSaysWhy(
            Alloy alloy, Quenching.Kind kind, boolean core, double grams, double sections, double bucket, String id) {
        Mold body = kind == Quenching.Kind.SHELL ? Mold.shell(0.008, 0.05) : FLASK;
        Quenching q = Quenching.of(new Quenching.Question(
                MetalCooling.of(full(alloy, body, grams, ROOM)),
                kind,
                Optional.of(core),
                700,
                OptionalDouble.of(sections),
                Optional.empty(),
                bucket(bucket, 15)));
        assertThat(q.window()).isEmpty();
        assertThat(q.findings().all()).extracting(Finding::id).contains(id);
    }

    @Test
    void itIsShakenOutUnderSixTenthsOfItsSolidusAndNotBefore() {
        FullMold shell = full(Alloy.SI_BRONZE, Mold.shell(0.008, 0.05), 800, ROOM);
        Quenching q = Quenching.of(asked(shell, Quenching.Kind.SHELL));
        // 0.6 x (820 + 273.15) - 273.15
        assertThat(MetalCooling.of(shell).at(q.shakeOut().orElseThrow()).metal())
                .isEqualTo(382.74, within(0.5));
        Quenching heavy =
                Quenching.of(asked(full(Alloy.SI_BRONZE, Mold.shell(0.010, 0.05), 12_000, ROOM), Quenching.Kind.SHELL));
        assertThat(heavy.shakeOut().orElseThrow()).isGreaterThanOrEqualTo(12 * 3600);
        Quenching light =
                Quenching.of(asked(full(Alloy.AL_SI7, Mold.shell(0.008, 0.05), 300, ROOM), Quenching.Kind.SHELL));
        assertThat(light.shakeOut().orElseThrow()).isGreaterThanOrEqualTo(2 * 3600);
    }

    @Test
    void notDrawnIsNotJudgedAndAnEmptyMoldIsNotFollowed() {
        Quenching q = Quenching.of(new Quenching.Question(
                MetalCooling.of(full(Alloy.SI_BRONZE, FLASK, 280, ROOM)),
                Quenching.Kind.FLASK,
                Optional.empty(),
                700,
                OptionalDouble.empty(),
                Optional.empty(),
                Quenching.Bucket.of(15)));
        assertThat(q.findings().all()).extracting(Finding::id).contains("quench-sections-unknown");
        assertThatThrownBy(() -> full(Alloy.SI_BRONZE, FLASK, 0, ROOM)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> full(Alloy.STEEL, FLASK, 100, ROOM)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void softMetalIsNotJettedAndWireIsCutFirst() {
        Removal tin = Removal.of(Quenching.Kind.FLASK, false, false, Alloy.PEWTER);
        Removal bronze = Removal.of(Quenching.Kind.SHELL, false, true, Alloy.SI_BRONZE);
        assertThat(tin.steps()).anyMatch(s -> s.contains("a pressure washer and a chisel mark this metal"));
        assertThat(bronze.steps().get(1)).contains("wire");
        assertThat(bronze.cautions()).anyMatch(c -> c.contains("silica"));
        assertThat(Removal.of(Quenching.Kind.FLASK, true, false, Alloy.SI_BRONZE)
                        .cautions())
                .anyMatch(c -> c.contains("Steam"));
        assertThat(Removal.of(Quenching.Kind.FLASK, true, false, Alloy.RED_BRASS)
                        .cautions())
                .anyMatch(c -> c.contains("Leaded"));
    }

    @ParameterizedTest
    @CsvSource({
        // pi/4 (200^2 (100 + 30) - 90^2 100) / 1000 = 3447.9 cm3
        "200, 3400, bucket-shallow",
        "200, 3500, none",
        "200, 2000, bucket-low",
        // as wide as the flask: it does not go in
        "90, 3500, bucket-narrow",
        // how wide it is was not said
        ", 3500, bucket-cover-unknown"
    })
    void theWaterClosesOverTheFlask(Double wide, double grams, String id) {
        Quenching q = Quenching.of(new Quenching.Question(
                MetalCooling.of(full(Alloy.SI_BRONZE, FLASK, 300, ROOM)),
                Quenching.Kind.FLASK,
                Optional.of(false),
                700,
                OptionalDouble.of(2),
                Optional.of(new Quenching.Upright(90, 100)),
                new Quenching.Bucket(
                        OptionalDouble.of(grams),
                        wide == null ? OptionalDouble.empty() : OptionalDouble.of(wide),
                        15)));

        assertThat(q.findings().all().stream().map(Finding::id).filter(f -> f.startsWith("bucket-")))
                .containsExactlyElementsOf(
                        switch (id) {
                            case "none" -> List.of();
                            // under three times flask and metal, too
                            case "bucket-low" -> List.of("bucket-small", "bucket-shallow");
                            default -> List.of(id);
                        });
        if (id.equals("bucket-low")) {
            // 2000000 / 25054.2 mm2
            assertThat(q.findings().all()).anyMatch(f -> f.message().contains("stands 80 mm high"));
        }
        if (id.equals("bucket-shallow")) {
            // 2505.4 cm3 stand round its 100 mm; the other 894.6 over all of pi/4 200^2: 28.5 mm more
            assertThat(q.findings().all())
                    .anyMatch(f -> f.message().contains("stands 128 mm high; 130 mm")
                            && f.remedy().contains("3.4 l"));
        }
    }
}
