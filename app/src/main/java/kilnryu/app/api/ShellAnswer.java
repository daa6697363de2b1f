package kilnryu.app.api;

import java.util.List;
import java.util.Map;
import kilnryu.app.plan.ContractFigures;
import kilnryu.app.web.Answer;
import kilnryu.core.shell.ShellPlan;
import kilnryu.core.sum.Figure;

/** A shell's answer: beside figures, sums and findings every coat as it lies on the shell. */
record ShellAnswer(
        Map<String, Double> figures, List<CoatAnswer> coats, List<Answer.Sum> sums, List<Answer.Check> findings) {

    /**
     * One coat.
     *
     * @param drying_h null when it never dries in this air
     * @param thickness_mm of the shell with this coat on it
     */
    record CoatAnswer(
            String key, double area_cm2, double slurry_g, double stucco_g, Double drying_h, double thickness_mm) {}

    static ShellAnswer of(ShellPlan plan) {
        Answer answer = Answer.of(ContractFigures.of(plan), plan.findings());
        return new ShellAnswer(
                answer.figures(),
                plan.layers().stream()
                        .map(l -> new CoatAnswer(
                                l.coat().key(),
                                l.area().value(),
                                l.slurry().value(),
                                l.stucco().value(),
                                l.drying().map(Figure::value).orElse(null),
                                l.after().value()))
                        .toList(),
                answer.sums(),
                answer.findings());
    }
}
