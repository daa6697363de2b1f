package kilnryu.app.diagnosis;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.plan.Plan;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Stage;
import kilnryu.core.diagnosis.Case;
import kilnryu.core.diagnosis.Defect;
import kilnryu.core.diagnosis.Diagnosis;
import kilnryu.core.diagnosis.Fact;
import kilnryu.core.diagnosis.FactKey;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.tree.Part;
import org.springframework.stereotype.Component;

/** Asks the table of causes why a tree came out as it did, with all that is on record of it. */
@Component
public class Whys {
    private final List<FactSource> sources;
    private final OwnCauseStore own;

    Whys(List<FactSource> sources, OwnCauseStore own) {
        this.sources = sources;
        this.own = own;
    }

    /**
     * What is seen, and what was answered when it was asked.
     *
     * @param answers by what was looked at, as a word or a number
     * @param confirmed id of the cause that was found to be the one; empty before
     */
    public record WhyQuestion(String title, List<Defect> defects, Map<FactKey, String> answers, String confirmed) {}

    /** The table as a studio uses it. */
    public kilnryu.core.diagnosis.Causes table(long studio) {
        return own.table(studio);
    }

    /** @param measured what the break-out itself found out, such as sizes */
    public WhyView of(Account account, Plans.Saved tree, WhyQuestion asked, OnRecord measured) {
        OnRecord found = gathered(account, tree, asked, measured);
        Case what = new Case(
                tree.plan().tree().orElseThrow().tree().alloy(),
                kind(tree.plan()),
                system(tree.plan()),
                pattern(tree.plan()),
                found.facts(),
                asked.defects);
        return WhyView.of(
                asked.title,
                Diagnosis.of(what, own.table(account.studioId())),
                found,
                account.units(),
                asked.confirmed);
    }

    /** What is on record, in words, without a judgement. */
    public List<String> facts(Account account, Plans.Saved tree, WhyQuestion asked, OnRecord measured) {
        return gathered(account, tree, asked, measured).words(account.units());
    }

    private OnRecord gathered(Account account, Plans.Saved tree, WhyQuestion asked, OnRecord measured) {
        OnRecord found = measured;
        asked.answers.forEach((key, value) -> {
            if (key.isNumber()) {
                found.number(key, Double.parseDouble(value), Fact.How.MEASURED, "#asks");
            } else {
                found.word(key, value, Fact.How.MEASURED, "#asks");
            }
        });
        sources.forEach(s -> s.tell(account, tree, found));
        return found;
    }

    private static Case.Kind kind(Plan plan) {
        return plan.shell().isPresent()
                ? Case.Kind.SHELL
                : plan.block().isPresent() ? Case.Kind.BLOCK : Case.Kind.FLASK;
    }

    private static Optional<InvestmentSystem> system(Plan plan) {
        return plan.flask().isEmpty()
                ? Optional.empty()
                : InvestmentSystem.named(plan.fields().get(Stage.MOLD).kept().getOrDefault("system", ""));
    }

    /** Of the pieces: what leaves most behind counts. */
    private static Optional<PatternMaterial> pattern(Plan plan) {
        return plan.tree().stream()
                .flatMap(t -> t.tree().parts().stream())
                .filter(p -> p.role() == Part.Role.PIECE)
                .map(Part::material)
                .max(java.util.Comparator.comparingDouble(PatternMaterial::charPercent));
    }
}
