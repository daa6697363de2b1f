package kilnryu.core.breakout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.heat.Lump;
import kilnryu.core.kiln.Mold;
import kilnryu.core.kiln.Setting;
import kilnryu.core.material.Alloy;
import kilnryu.core.pour.Outside;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Bodies of a full mold, its course between two moments, and edges of what is judged, by hand. */
class FullMoldByHandTest {
    private static final Mold FLASK = Mold.bare(0.100, 0.150, Setting.GYPSUM);

    private static FullMold full(Mold body, double grams) {
        return new FullMold(
                Alloy.SI_BRONZE, body, grams, 1100, 500, 0.003, new FullMold.Button(0.020, 0.010), Outside.air(20));
    }

    /** 836 g at 8.36 are 100 cm3: over 150 mm high a radius of sqrt(1e-4 / (pi 0.15)) = 14.567 mm, 35.433 mm of mold round it. */
    @Test
    void inAFlaskTheMetalIsABarOfItsVolume() {
        FullMold mold = full(FLASK, 836);
        assertThat(mold.metal().half()).isEqualTo(0.0145673, within(1e-7));
        assertThat(mold.metal().wall()).isEqualTo(0.05 - 0.0145673, within(1e-7));
        assertThat(mold.cup().half()).isEqualTo(0.020);
        assertThat(mold.cup().wall()).isEqualTo(0.030, within(1e-12));
        // what leaves by the ends: half its width over its height
        assertThat(mold.around(0).ends()).isEqualTo(1 + 0.05 / 0.15, within(1e-12));
        assertThat(mold.around(7).bare()).isEqualTo(7);
        Lump.Melt melt = mold.melt();
        assertThat(melt.density()).isEqualTo(8360);
        assertThat(melt.latent()).isEqualTo(Alloy.SI_BRONZE.melting().latent() * 1000);
    }

    /** 20 kg would fill more than there is: 4 mm of mold stay round it. */
    @Test
    void metalNeverReachesTheOutside() {
        FullMold mold = full(FLASK, 20_000);
        assertThat(mold.metal().half()).isEqualTo(0.046, within(1e-12));
        assertThat(mold.metal().wall()).isEqualTo(0.004, within(1e-12));
        FullMold narrow = new FullMold(
                Alloy.SI_BRONZE,
                Mold.bare(0.040, 0.060, Setting.GYPSUM),
                100,
                1100,
                500,
                0.003,
                new FullMold.Button(0.030, 0.010),
                Outside.air(20));
        assertThat(narrow.cup().half()).isEqualTo(0.016, within(1e-12));
    }

    /** A shell is followed at its thickest place: half of a plate of twice the modulus, in the shell's wall. */
    @Test
    void aShellIsItsThickestPlace() {
        FullMold mold = full(Mold.shell(0.008, 0.05), 836);
        assertThat(mold.metal().half()).isEqualTo(0.006);
        assertThat(mold.metal().wall()).isEqualTo(0.008);
        assertThat(mold.cup().wall()).isEqualTo(0.008);
        assertThat(mold.around(0).ends()).isEqualTo(1);
    }

    private static MetalCooling course() {
        return new MetalCooling(
                full(FLASK, 836),
                List.of(
                        new MetalCooling.Moment(0, 1000, 800, 100),
                        new MetalCooling.Moment(10, 900, 600, 120),
                        new MetalCooling.Moment(30, 700, 500, 160)));
    }

    @ParameterizedTest
    @CsvSource({
        "0, 1000, 800, 100",
        "5, 950, 700, 110",
        "10, 900, 600, 120",
        "20, 800, 550, 140",
        "30, 700, 500, 160",
        "99, 700, 500, 160"
    })
    void betweenTwoMomentsItIsALine(double second, double metal, double button, double outside) {
        MetalCooling.Moment at = course().at(second);
        assertThat(at.metal()).isEqualTo(metal, within(1e-9));
        assertThat(at.button()).isEqualTo(button, within(1e-9));
        assertThat(at.outside()).isEqualTo(outside, within(1e-9));
    }

    @Test
    void whenItIsUnderALimit() {
        // 900 to 700 in 20 s: 800 after 10 more
        assertThat(course().metalUnder(800)).hasValue(20);
        assertThat(course().buttonUnder(900)).hasValue(0);
        assertThat(course().buttonUnder(600)).hasValue(10);
        assertThat(course().metalUnder(100)).isEmpty();
        // solid at 820: 900 - 820 of 200 in 20 s
        assertThat(course().solid()).hasValue(18);
    }

    private static List<String> balance(double charged, double cast, double castings, double gating) {
        return MassBalance.of(new MassBalance.Weighed(
                        OptionalDouble.of(charged),
                        OptionalDouble.of(cast),
                        OptionalDouble.of(castings),
                        OptionalDouble.of(gating),
                        OptionalDouble.empty(),
                        2))
                .findings()
                .all()
                .stream()
                .map(Finding::id)
                .toList();
    }

    /**
     * Of 1000 g: a scale may show 5 g more; 20 g melt away, 30 g are little, 5 g the scale: 55. Of a tree of 900: 4.5 g more, 54
     * and 4.5 g less.
     */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1000 | 1004.9 | 700 | 300 | none",
                "1000 | 1005.1 | 700 | 300 | more-out",
                "1000 | 945.1 | 700 | 240 | none",
                "1000 | 944.9 | 700 | 240 | metal-missing",
                "950 | 900 | 700 | 204.4 | none",
                "950 | 900 | 700 | 204.6 | more-cut",
                "950 | 900 | 700 | 141.6 | none",
                "950 | 900 | 700 | 141.4 | much-sawn"
            })
    void whatAScaleMayShowIsNoFault(double charged, double cast, double castings, double gating, String id) {
        assertThat(balance(charged, cast, castings, gating)).isEqualTo(id.equals("none") ? List.of() : List.of(id));
    }

    @Test
    void whatIsTooMuchOrMissingIsSaidWithItsSign() {
        assertThat(MassBalance.of(new MassBalance.Weighed(
                                OptionalDouble.of(1000),
                                OptionalDouble.of(1100),
                                OptionalDouble.of(800),
                                OptionalDouble.of(400),
                                OptionalDouble.empty(),
                                2))
                        .findings()
                        .all())
                .extracting(Finding::message)
                .containsExactly(
                        "100 g more came out than was charged.",
                        "Castings and gating weigh 100 g more than the tree did.");
    }

    @ParameterizedTest
    @CsvSource({
        "SHELL, SI_BRONZE, a blunt chisel",
        "SHELL, AL_SI7, No chisel",
        "SHELL, ZINC_4AL, No chisel",
        "SHELL, AG_925, No chisel",
        "FLASK, SI_BRONZE, water jet",
        "FLASK, PEWTER, soft jet",
        "FLASK, ZINC_4AL, soft jet",
        "FLASK, YELLOW_BRASS, water jet"
    })
    void softMetalIsSpared(Quenching.Kind kind, Alloy alloy, String words) {
        assertThat(Removal.of(kind, false, false, alloy).steps()).anyMatch(s -> s.contains(words));
    }

    @Test
    void onlyWhatIsThereIsSaid() {
        Removal dry = Removal.of(Quenching.Kind.FLASK, false, false, Alloy.SI_BRONZE);
        assertThat(dry.steps())
                .anyMatch(s -> s.startsWith("Wet it first"))
                .noneMatch(s -> s.contains("mesh") || s.contains("Tongs"));
        assertThat(dry.cautions()).noneMatch(c -> c.contains("Steam") || c.contains("Leaded"));
        Removal bound = Removal.of(Quenching.Kind.BLOCK, false, true, Alloy.SI_BRONZE);
        assertThat(bound.steps()).anyMatch(s -> s.startsWith("Cut mesh"));
        assertThat(bound.waste()).contains("never the sludge");
        assertThat(Removal.of(Quenching.Kind.SHELL, false, false, Alloy.SI_BRONZE)
                        .waste())
                .contains("closed bin");
        assertThat(Removal.of(Quenching.Kind.SHELL, false, false, Alloy.SI_BRONZE)
                        .steps())
                .noneMatch(s -> s.contains("wire"));
    }

    @Test
    void aSizeAtItsEdgeIsAccepted() {
        SizePair at = new SizePair(
                SizePair.Way.OUTSIDE,
                OptionalDouble.of(20),
                OptionalDouble.of(20.2),
                OptionalDouble.of(20.1),
                OptionalDouble.of(20),
                OptionalDouble.of(0.1),
                false);
        assertThat(at.judged().label()).isEqualTo("accept");
        assertThat(at.ratio().orElseThrow()).isEqualTo(20.1 / 20.2, within(1e-12));
        assertThat(at.printOff().orElseThrow()).isEqualTo(1, within(1e-9));
    }
}
