package kilnryu.core.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.quantity.Measure;
import kilnryu.core.shell.Dewax.Method;
import kilnryu.core.shell.Dewax.Question;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import org.junit.jupiter.api.Test;

class DewaxTest {
    private static Figure grams(String symbol, double value) {
        return Figure.given(symbol, symbol, value, Measure.GRAM, Known.MEASURED, 0);
    }

    private static Dewax dewax(Method method, double wax, boolean plastic, double tray) {
        OptionalDouble of = tray > 0 ? OptionalDouble.of(tray) : OptionalDouble.empty();
        return Dewax.of(new Question(method, grams("wax", wax), plastic, List.of(), of), Factors.HANDBOOK);
    }

    private static List<String> found(Dewax dewax) {
        return dewax.findings().all().stream().map(Finding::id).toList();
    }

    private static double minutes(Dewax dewax) {
        return dewax.steps().stream()
                .filter(s -> s.minutes().isPresent())
                .mapToDouble(s -> s.minutes().getAsDouble())
                .sum();
    }

    /** Flash 10 + 2 for each 100 g, steam 30 + 8, slow 60 + 15; an autoclave 6 + 0.5 and never over 15 min. */
    @Test
    void timesGrowWithTheWax() {
        assertThat(minutes(dewax(Method.FLASH, 500, false, 0))).isCloseTo(20, within(1e-9));
        assertThat(minutes(dewax(Method.STEAM, 500, false, 0))).isCloseTo(70, within(1e-9));
        assertThat(minutes(dewax(Method.SLOW_MELT, 500, true, 0))).isCloseTo(135, within(1e-9));
        assertThat(minutes(dewax(Method.AUTOCLAVE, 500, false, 0))).isCloseTo(8.5, within(1e-9));
        assertThat(minutes(dewax(Method.AUTOCLAVE, 50_000, false, 0))).isEqualTo(15);
    }

    @Test
    void everyMethodBeginsWithTheDrainsAndEndsWithALook() {
        for (Method method : Method.values()) {
            List<Dewax.Step> steps = dewax(method, 300, false, 0).steps();
            assertThat(steps.get(0).title()).contains("drains open");
            assertThat(steps.get(steps.size() - 1).title()).startsWith("Look for cracks");
            assertThat(steps).allSatisfy(s -> assertThat(s.care()).isNotBlank());
        }
    }

    @Test
    void plasticDoesNotFlowInSteam() {
        assertThat(found(dewax(Method.STEAM, 100, true, 0))).containsExactly("does-not-flow");
        assertThat(found(dewax(Method.AUTOCLAVE, 100, true, 0))).containsExactly("does-not-flow");
        assertThat(found(dewax(Method.SLOW_MELT, 100, true, 0))).isEmpty();
    }

    /** 380 g are 400 cm3: half of a tray of 800, more than half of 790. */
    @Test
    void theTrayIsHalfFullAtMost() {
        assertThat(found(dewax(Method.FLASH, 380, false, 800))).isEmpty();
        assertThat(found(dewax(Method.FLASH, 380, false, 790))).containsExactly("tray-small");
    }

    @Test
    void aPocketThatDoesNotDrainIsNamed() {
        Dewax dewax = Dewax.of(
                new Question(
                        Method.FLASH,
                        grams("wax", 100),
                        false,
                        List.of("The foot has no drain."),
                        OptionalDouble.empty()),
                Factors.HANDBOOK);
        assertThat(dewax.findings().all().get(0).message()).isEqualTo("The foot has no drain.");
    }

    /** Of 500 g at least 400 come back. */
    @Test
    void whatIsMissingIsStillInside() {
        Dewax dewax = dewax(Method.FLASH, 500, false, 0);
        assertThat(dewax.expected().value()).isCloseTo(400, within(1e-9));
        assertThat(dewax.weighed(400).all()).isEmpty();
        assertThat(dewax.weighed(350).all().get(0).message()).isEqualTo("70 % came out; 150 g are missing.");
        assertThat(dewax.weighed(511).all().get(0).id()).isEqualTo("more-than-in");
        assertThat(dewax.weighed(505).all()).isEmpty();
    }

    /** Box of 400 x 300 x 350 = 42000 cm3, 300 of wax, 1550 g of shell 1000: 40700 at 1.6 are 65.12 kg. */
    @Test
    void sandForTheBed() {
        SandBed bed = SandBed.of(
                new SandBed.Box(400, 300, 350),
                Figure.given("wax", "wax", 300, Measure.CUBIC_CENTIMETRE, Known.MEASURED, 0),
                grams("shell", 1550),
                180,
                300,
                Factors.HANDBOOK);
        assertThat(bed.sand().value()).isCloseTo(65.12, within(1e-6));
        assertThat(bed.room()).isEqualTo(60);
        assertThat(bed.findings().all()).isEmpty();
    }

    @Test
    void theBoxHasToTakeIt() {
        assertThat(box(400, 300, 350, 210)).containsExactly("box-narrow");
        assertThat(box(400, 300, 350, 310)).containsExactly("box-small");
        assertThat(box(400, 300, 250, 100)).containsExactly("box-small");
    }

    private static List<String> box(double l, double w, double h, double wide) {
        return SandBed.of(
                        new SandBed.Box(l, w, h),
                        Figure.given("wax", "wax", 300, Measure.CUBIC_CENTIMETRE, Known.MEASURED, 0),
                        grams("shell", 1550),
                        wide,
                        300,
                        Factors.HANDBOOK)
                .findings()
                .all()
                .stream()
                .map(Finding::id)
                .toList();
    }
}
