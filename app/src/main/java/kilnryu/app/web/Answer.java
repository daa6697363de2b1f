package kilnryu.app.web;

import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kilnryu.core.finding.Findings;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Mark;

/** Figures, sums and findings as the API and the plan document give them: working units, full precision. */
public record Answer(Map<String, Double> figures, List<Sum> sums, List<Check> findings) {

    /** One computed figure or constant. */
    public record Sum(
            String symbol, String name, double value, String unit, String formula, String substituted, String mark) {}

    /** One finding. */
    public record Check(String id, String severity, String message, String remedy) {}

    /** @param figures by their name in the contract; a null value stays as null */
    public static Answer of(Map<String, Figure> figures, Findings findings) {
        Map<String, Double> values = new LinkedHashMap<>();
        Set<Figure> all = Collections.newSetFromMap(new IdentityHashMap<>());
        List<Sum> sums = new ArrayList<>();
        figures.forEach((name, figure) -> values.put(name, figure == null ? null : figure.value()));
        figures.values().stream().filter(f -> f != null).forEach(f -> collect(f, all, sums));
        List<Check> checks = findings.all().stream()
                .map(f -> new Check(
                        f.id(), f.severity().name().toLowerCase(java.util.Locale.ROOT), f.message(), f.remedy()))
                .toList();
        return new Answer(values, sums, checks);
    }

    private static void collect(Figure figure, Set<Figure> seen, List<Sum> sums) {
        if (!seen.add(figure)) {
            return;
        }
        boolean simulated = figure.mark() == Mark.M && !figure.isComputed();
        if (figure.isComputed() || figure.constant().isPresent() || simulated) {
            sums.add(new Sum(
                    figure.symbol(),
                    figure.name(),
                    figure.value(),
                    figure.unit().symbol(),
                    simulated ? figure.source() : figure.formula(),
                    figure.substituted(),
                    figure.mark().name()));
        }
        figure.inputs().forEach(i -> collect(i, seen, sums));
    }
}
