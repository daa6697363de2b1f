package kilnryu.app.api;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import kilnryu.app.kiln.FiringQuestionReader.BurnoutRequest;
import kilnryu.app.web.Answer;
import kilnryu.core.kiln.Firing;
import kilnryu.core.kiln.FiringChecks;
import kilnryu.core.kiln.FiringSums;
import kilnryu.core.sum.Figure;

/** A firing's answer: beside figures and findings its course. What the simulation gives says in its sum what was followed. */
record FiringAnswer(
        Map<String, Double> figures, List<Moment> trace, List<Answer.Sum> sums, List<Answer.Check> findings) {

    /** The mold at a time. */
    record Moment(
            double min, double program_C, double kiln_C, double surface_C, double core_C, double free_water_pct) {}

    static FiringAnswer of(BurnoutRequest asked) {
        Firing firing = Firing.of(asked.question());
        Map<String, Double> figures = new LinkedHashMap<>();
        figures.put("program_min", firing.minutes());
        figures.put("core_past_105_min", boxed(firing.past().get(0)));
        figures.put("core_past_400_min", boxed(firing.past().get(1)));
        figures.put("core_past_680_min", boxed(firing.past().get(2)));
        figures.put("core_max_C", firing.most());
        figures.put("core_end_C", firing.end());
        figures.put("largest_lag_K", firing.lag());
        figures.put("strain_mismatch_pct", firing.mismatch());
        figures.put("residue_pct", firing.residue());
        firing.energy().ifPresent(e -> figures.put("energy_kWh", e));
        Answer checks = Answer.of(
                sums(asked, firing),
                FiringChecks.check(
                        firing, asked.of(), asked.highest(), asked.question().kiln()));
        return new FiringAnswer(
                figures,
                firing.trace().stream()
                        .map(m -> new Moment(m.minute(), m.program(), m.kiln(), m.surface(), m.core(), m.water()))
                        .toList(),
                checks.sums(),
                checks.findings());
    }

    private static Map<String, Figure> sums(BurnoutRequest asked, Firing firing) {
        Map<String, Figure> sums = new LinkedHashMap<>();
        List<Figure> all = new ArrayList<>(List.of(asked.question().program().length()));
        all.addAll(FiringSums.of(firing));
        all.addAll(asked.kilnSums());
        all.forEach(f -> sums.put(f.symbol(), f));
        return sums;
    }

    private static Double boxed(OptionalDouble value) {
        return value.isPresent() ? (Double) value.getAsDouble() : null;
    }
}
