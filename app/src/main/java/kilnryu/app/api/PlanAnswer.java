package kilnryu.app.api;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import kilnryu.app.plan.ContractFigures;
import kilnryu.app.plan.Judged;
import kilnryu.app.plan.Plan;
import kilnryu.app.web.Answer;
import kilnryu.core.finding.Findings;
import kilnryu.core.sum.Figure;

/**
 * All that the pages of a plan say: figures of every stage under their names in the contract, further ones under stage and
 * symbol; all findings with the stage on whose page they are mended.
 *
 * @param judged yes or no by stage, and under "missing" what is not known
 */
record PlanAnswer(
        Map<String, Double> figures, List<Answer.Sum> sums, List<Check> findings, Map<String, Object> judged) {

    /** A finding at its place. */
    record Check(
            String id, String severity, String stage, String place, String message, String reason, String remedy) {}

    static PlanAnswer of(Plan plan) {
        Answer answer = Answer.of(figures(plan), Findings.NONE);
        List<Check> checks = new ArrayList<>();
        plan.found()
                .byPage()
                .forEach((stage, found) -> found.all()
                        .forEach(f -> checks.add(new Check(
                                f.id(),
                                f.severity().name().toLowerCase(Locale.ROOT),
                                stage,
                                f.place(),
                                f.message(),
                                f.reason(),
                                f.remedy()))));
        Judged judged = plan.judged();
        Map<String, Object> told = new LinkedHashMap<>();
        judged.missing().keySet().forEach(stage -> told.put(stage, judged.whole(stage) ? "yes" : "no"));
        told.put("missing", judged.all());
        return new PlanAnswer(answer.figures(), answer.sums(), checks, told);
    }

    private static Map<String, Figure> figures(Plan plan) {
        Map<String, Figure> figures = new LinkedHashMap<>();
        plan.tree().ifPresent(t -> {
            figures.putAll(ContractFigures.of(t));
            t.yield().ifPresent(y -> figures.put("yield_pct", y));
        });
        plan.weighed().ifPresent(w -> {
            figures.put("tree.cavity", w.cavity());
            figures.put("tree.charge", w.charge());
        });
        plan.gating().ifPresent(g -> {
            g.plan().figures().forEach(f -> figures.putIfAbsent("gating." + f.symbol(), f));
            g.plan().moduli().forEach((key, m) -> figures.put("gating." + key + ".modulus_mm", m));
        });
        plan.flask().ifPresent(f -> figures.putAll(ContractFigures.of(f)));
        plan.block().ifPresent(b -> figures.putAll(ContractFigures.of(b)));
        plan.shell().ifPresent(s -> figures.putAll(ContractFigures.of(s.plan())));
        plan.clearances().ifPresent(c -> {
            figures.put("mold.wall_mm", c.wall());
            figures.put("mold.end_mm", c.end());
        });
        plan.firing().filter(f -> !f.program().segments().isEmpty()).ifPresent(f -> {
            figures.put("program_min", f.program().total());
            figures.put("mold_C", f.program().mold());
        });
        plan.pour().ifPresent(p -> figures.put("pour_C", p));
        return figures;
    }
}
