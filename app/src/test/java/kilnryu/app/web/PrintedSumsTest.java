package kilnryu.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import kilnryu.app.plan.Plan;
import kilnryu.app.plan.PlanDocument;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.core.io.ClassPathResource;

/** Every printed sum of every demo plan, reckoned from its text, gives the figure it is printed with. */
class PrintedSumsTest {
    /** The evaluator itself, by sums done by hand. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "(9.5 mm)² × π ÷ 4 | 70.8822",
                "302 g × (1 + 10 %) | 332.2",
                "max(10 % × 302 g, 15 g) | 30.2",
                "2.2·10⁷ s/m² × 3·10⁻³ | 66000",
                "1 + 2 + 3 + 4.5 of 3 more | 10.5",
                "√(16 mm²) − (−3) °C | 7",
                "12 g ÷ (1 − 2 %) + 8 min | 20.2449"
            })
    void theReckonerItself(String printed, double value) {
        assertThat(Reckoner.reckon(printed)).isCloseTo(value, within(1e-3));
    }

    @ParameterizedTest
    @ValueSource(strings = {"maple-keys", "wading-bird", "lantern-fish", "tern-body", "curlew-leg", "limpet-cufflinks"})
    void everySumOfADemoPlanReadsRight(String name) throws Exception {
        Plan plan = plan(name);
        Set<Figure> all = Collections.newSetFromMap(new IdentityHashMap<>());
        figures(plan).forEach(f -> collect(f, all));
        List<String> wrong = new ArrayList<>();
        int sums = 0;
        for (Figure f : all) {
            if (f.isComputed() && Double.isFinite(f.value())) {
                sums++;
                double read = Reckoner.reckon(f.substituted());
                if (Math.abs(read - f.value()) > 1e-9 + 0.001 * Math.abs(f.value())) {
                    wrong.add(f.name() + ": " + f.formula() + " = " + f.substituted() + " = " + read + ", not "
                            + f.value());
                }
                assertThat(f.substituted()).doesNotContain("% ÷ 100");
            }
        }
        assertThat(sums).isGreaterThan(20);
        assertThat(wrong).isEmpty();
    }

    private static Plan plan(String name) throws Exception {
        String document = new ClassPathResource("demo/" + name + ".json")
                .getContentAsString(StandardCharsets.UTF_8)
                .replaceAll("\\{in \\d days}", "2030-06-03");
        Plan.Reading reading = new Plan.Reading(Units.METRIC, Factors.HANDBOOK, ZoneOffset.UTC);
        return Plan.read(PlanDocument.read(document, reading).stages(), reading);
    }

    private static List<Figure> figures(Plan plan) {
        List<Figure> figures = new ArrayList<>();
        plan.tree().ifPresent(t -> figures.addAll(t.figures()));
        plan.gating().ifPresent(g -> {
            figures.addAll(g.plan().figures());
            figures.addAll(g.plan().moduli().values());
        });
        plan.flask().ifPresent(f -> figures.addAll(f.figures()));
        plan.block().ifPresent(b -> figures.addAll(b.figures()));
        plan.shell().ifPresent(s -> figures.addAll(s.plan().figures()));
        plan.clearances().ifPresent(c -> figures.addAll(List.of(c.wall(), c.end())));
        plan.pour().ifPresent(figures::add);
        plan.firing().ifPresent(f -> {
            if (!f.program().segments().isEmpty()) {
                figures.add(f.program().total());
                figures.add(f.program().mold());
            }
            f.program().timed().forEach(t -> figures.add(t.segment().holdSum()));
        });
        plan.findings().all().forEach(f -> f.figureBehind().ifPresent(figures::add));
        return figures;
    }

    private static void collect(Figure figure, Set<Figure> all) {
        if (all.add(figure)) {
            figure.inputs().forEach(i -> collect(i, all));
        }
    }

    @Test
    void aSquareAndAHundredthStandAsTheyAreWritten() throws Exception {
        Set<Figure> all = Collections.newSetFromMap(new IdentityHashMap<>());
        figures(plan("wading-bird")).forEach(f -> collect(f, all));
        assertThat(all).extracting(Figure::substituted).anyMatch(s -> s.contains(" mm)²"));
        assertThat(all).extracting(Figure::substituted).anyMatch(s -> s.matches(".*\\d % ×.*|.*[+−] [\\d.]+ %.*"));
    }
}
