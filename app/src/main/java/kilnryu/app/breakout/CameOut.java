package kilnryu.app.breakout;

import java.util.Optional;
import java.util.stream.Collectors;
import kilnryu.app.account.Account;
import kilnryu.app.plan.Outcome;
import kilnryu.core.diagnosis.DefectKind;
import org.springframework.stereotype.Component;

/** What came out of a tree, for the versions of its plan. */
@Component
class CameOut implements Outcome.Source {
    private final BreakOutStore store;
    private final BreakOuts breakOuts;

    CameOut(BreakOutStore store, BreakOuts breakOuts) {
        this.store = store;
        this.breakOuts = breakOuts;
    }

    @Override
    public Optional<Outcome> of(Account account, long tree) {
        return store.of(account.studioId(), tree).map(row -> new Outcome(row.begunAt(), words(breakOuts.course(row))));
    }

    private static String words(BreakOutCourse course) {
        long unseen = course.count(BreakOutCourse.Verdict.UNSEEN);
        int all = course.castings().size();
        String counted = course.count(BreakOutCourse.Verdict.GOOD) + " of " + all + " good"
                + (unseen > 0 ? ", " + unseen + " not looked at" : "");
        String defects = Together.defects(Optional.of(course)).stream()
                .map(DefectKind::label)
                .collect(Collectors.joining(", "));
        return defects.isEmpty() ? counted : counted + "; " + defects;
    }
}
