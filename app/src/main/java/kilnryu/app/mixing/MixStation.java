package kilnryu.app.mixing;

import java.util.Optional;
import kilnryu.app.mixing.MixStore.Mix;
import kilnryu.app.plan.PlanDocument;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Station;
import org.springframework.stereotype.Component;

/** How a tree stands with its mixing, for the stream. */
@Component
class MixStation implements Station.Source {
    private final MixStore mixes;

    MixStation(MixStore mixes) {
        this.mixes = mixes;
    }

    @Override
    public Optional<Station> of(Plans.Saved saved, String open, String base) {
        if (saved.plan().moldExtras().shell()) {
            return Optional.empty();
        }
        Optional<Mix> last = mixes.last(saved.row().id());
        String status = last.map(m -> status(m) + (changed(mixes, m, saved) ? ", plan changed since" : ""))
                .orElse("not begun");
        boolean done = last.map(m -> m.endedAt() != null && !m.givenUp()).orElse(false);
        return Optional.of(
                new Station("Mixing", status, base + "/bench", open.equals("bench") ? "now" : done ? "done" : "next"));
    }

    /** Whether tree or mold are planned otherwise than when the mixing froze them. */
    static boolean changed(MixStore mixes, Mix mix, Plans.Saved saved) {
        return mixes.frozen(mix, saved.row().id())
                .flatMap(then -> then.plan(saved.row().id()))
                .map(then -> PlanDocument.differs(saved.plan(), then))
                .orElse(false);
    }

    private static String status(Mix mix) {
        if (mix.endedAt() == null) {
            return "step " + (mix.step() + 1) + " of " + mix.steps().size();
        }
        return mix.givenUp() ? "given up" : "mixed";
    }
}
