package kilnryu.app.api;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kilnryu.app.web.Answer;
import kilnryu.core.diagnosis.Case;
import kilnryu.core.diagnosis.Causes;
import kilnryu.core.diagnosis.Diagnosis;
import kilnryu.core.diagnosis.FactKey;
import kilnryu.core.finding.Findings;

/**
 * All causes in their order, with what would tell the first two apart.
 *
 * @param figures the score of each, by id
 */
record DiagnoseAnswer(
        Map<String, Object> figures,
        List<Answer.Sum> sums,
        List<Answer.Check> findings,
        List<Why> causes,
        List<Ask> ask,
        String table) {
    record Why(
            String id,
            String name,
            int rank,
            String word,
            double score,

            @com.fasterxml.jackson.annotation.JsonProperty("for")
            List<String> speaks,

            List<String> against,
            List<String> unknown,
            String change,
            String look_at) {}

    /** What to find out next, cheapest first. */
    record Ask(String fact, String label, List<String> between) {}

    static DiagnoseAnswer of(Case asked) {
        Diagnosis d = Diagnosis.of(asked, Causes.handbook());
        Map<String, Object> figures = new LinkedHashMap<>();
        List<Why> causes = new ArrayList<>();
        for (Diagnosis.Ranked r : d.causes()) {
            figures.put(r.cause().id(), r.score());
            causes.add(why(r));
        }
        Answer none = Answer.of(Map.of(), Findings.NONE);
        return new DiagnoseAnswer(
                figures,
                none.sums(),
                none.findings(),
                causes,
                d.asks().stream()
                        .map(a -> new Ask(a.fact().key(), a.fact().inFull(), a.separates()))
                        .toList(),
                d.table());
    }

    private static Why why(Diagnosis.Ranked r) {
        return new Why(
                r.cause().id(),
                r.cause().name(),
                r.rank(),
                r.word().key(),
                r.score(),
                words(r.speaksFor()),
                words(r.against()),
                r.unknown().stream().map(FactKey::inFull).distinct().toList(),
                r.cause().change(),
                r.cause().lookAt());
    }

    private static List<String> words(List<Diagnosis.Evidence> all) {
        return all.stream().map(Diagnosis.Evidence::words).toList();
    }
}
