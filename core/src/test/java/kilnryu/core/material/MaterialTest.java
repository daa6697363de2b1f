package kilnryu.core.material;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MaterialTest {

    /** Handbook 2: liquidus and the middle of the usual superheat, never over what the alloy bears. */
    @ParameterizedTest
    @CsvSource({
        "si-bronze, heavy, 1070", // 970 + 100
        "si-bronze, medium, 1110",
        "si-bronze, thin, 1160", // 970 + 190
        "red-brass, thin, 1200", // 1010 + 190, at most 1200
        "yellow-brass, heavy, 995", // 930 + 65
        "yellow-brass, thin, 1050",
        "copper, medium, 1210",
        "al-si7, heavy, 665",
        "al-si7, thin, 735",
        "ag-925, medium, 998", // 893 + 105
        "ag-925, thin, 1028",
        "ag-999, thin, 1060", // 962 + 135 is over 1060
        "au-14y, medium, 990",
        "au-24, thin, 1180", // 1064 + 150 is over 1180
        "pewter, medium, 350",
        "zinc-4al, heavy, 422"
    })
    void pourTemperatures(String alloy, String section, double celsius) {
        assertThat(Section.named(section)
                        .orElseThrow()
                        .pourTemperature(Alloy.named(alloy).orElseThrow(), Factors.HANDBOOK)
                        .orElseThrow()
                        .value())
                .isEqualTo(celsius);
    }

    @Test
    void whatARuleAsksOfAnAlloyStandsInItsRow() {
        assertThat(Alloy.values())
                .filteredOn(a -> a.is(Alloy.Trait.LEAD))
                .extracting(Alloy::key)
                .containsExactly("red-brass");
        assertThat(Alloy.values())
                .filteredOn(a -> a.is(Alloy.Trait.ZINC_FUME))
                .extracting(Alloy::key)
                .containsExactly("gunmetal", "red-brass", "yellow-brass", "zinc-4al");
        assertThat(Alloy.YELLOW_BRASS.surfaceTension()).isEqualTo(1.0);
        assertThat(Alloy.AU_18Y.volumeShrinkage()).isEqualTo(5.5);
        assertThat(Alloy.PT_950.isPrecious()).isTrue();
    }

    private static List<String> found(Alloy alloy, Section section, boolean shell, double metal, double mold) {
        return HeatChecks.check(
                        new HeatChecks.Pour(
                                alloy, section, shell, Optional.of(celsius(metal)), Optional.of(celsius(mold))),
                        Factors.HANDBOOK)
                .all()
                .stream()
                .map(f -> f.id())
                .toList();
    }

    private static Figure celsius(double value) {
        return Figure.given("t", "temperature", value, Measure.DEGREE_CELSIUS, Known.CHOSEN, 0);
    }

    @Test
    void metalTooHotTooColdAndNotMoltenIsSaid() {
        assertThat(found(Alloy.SI_BRONZE, Section.MEDIUM, false, 1110, 540)).isEmpty();
        assertThat(found(Alloy.SI_BRONZE, Section.MEDIUM, false, 1260, 540)).containsExactly("metal-over-limit");
        assertThat(found(Alloy.RED_BRASS, Section.MEDIUM, false, 1210, 540)).containsExactly("metal-over-limit");
        assertThat(found(Alloy.SI_BRONZE, Section.MEDIUM, false, 1210, 540)).isEmpty();
        assertThat(found(Alloy.YELLOW_BRASS, Section.THIN, false, 1070, 540)).containsExactly("metal-over-limit");
        assertThat(found(Alloy.SI_BRONZE, Section.MEDIUM, false, 1000, 540)).containsExactly("metal-cold");
        assertThat(found(Alloy.SI_BRONZE, Section.MEDIUM, false, 960, 540)).containsExactly("metal-not-molten");
        assertThat(found(Alloy.AL_SI7, Section.THIN, false, 755, 315)).isEmpty();
        assertThat(found(Alloy.AL_SI7, Section.THIN, false, 765, 315)).containsExactly("hydrogen");
        assertThat(found(Alloy.AL_WROUGHT, Section.THIN, false, 800, 315)).containsExactly("hydrogen");
    }

    /** Bronze is poured into flasks of 480 to 595 C, shells of 540 to 870; far under is 60 K under the coolest. */
    @Test
    void aMoldFarUnderTheAlloysPreheatIsSaid() {
        assertThat(found(Alloy.SI_BRONZE, Section.HEAVY, false, 1070, 430)).isEmpty();
        assertThat(found(Alloy.SI_BRONZE, Section.HEAVY, false, 1070, 400)).containsExactly("mold-far-too-cold");
        assertThat(found(Alloy.SI_BRONZE, Section.HEAVY, true, 1070, 470)).containsExactly("mold-far-too-cold");
        assertThat(found(Alloy.PEWTER, Section.HEAVY, false, 330, 25)).isEmpty();
    }

    @Test
    void sectionsByTheirWall() {
        assertThat(Section.ofWall(4.9)).isEqualTo(Section.THIN);
        assertThat(Section.ofWall(5)).isEqualTo(Section.MEDIUM);
        assertThat(Section.ofWall(12)).isEqualTo(Section.MEDIUM);
        assertThat(Section.ofWall(12.1)).isEqualTo(Section.HEAVY);
    }

    @Test
    void theFlaskIsHotterForFineSections() {
        assertThat(Section.THIN.flaskTemperature(Alloy.AG_925).orElseThrow().value())
                .isEqualTo(620);
        assertThat(Section.MEDIUM.flaskTemperature(Alloy.AG_925).orElseThrow().value())
                .isEqualTo(525);
        assertThat(Section.HEAVY.flaskTemperature(Alloy.AG_925).orElseThrow().value())
                .isEqualTo(430);
        assertThat(Section.HEAVY.flaskTemperature(Alloy.STEEL)).isEmpty();
    }

    @Test
    void everyConstantHasItsOwnKey() {
        List<Constant> all = Stream.of(
                        PatternMaterial.constants(),
                        Alloy.constants(),
                        InvestmentSystem.constants(),
                        Section.constants())
                .flatMap(List::stream)
                .toList();
        assertThat(new HashSet<>(all.stream().map(Constant::key).toList())).hasSameSizeAs(all);
        assertThat(Alloy.named("au-22y").orElseThrow().density().value()).isEqualTo(17.8);
        assertThat(PatternMaterial.named("nothing")).isEmpty();
    }
}
