package kilnryu.app.mixing;

import java.util.Optional;
import kilnryu.app.mixing.MixStore.Mix;
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
    public Station of(Plans.Saved saved, String open, String base) {
        Optional<Mix> last = mixes.last(saved.row().id());
        String status = last.map(MixStation::status).orElse("not begun");
        boolean done = last.map(m -> m.endedAt() != null && !m.givenUp()).orElse(false);
        return new Station("Mixing", status, base + "/bench", open.equals("bench") ? "now" : done ? "done" : "next");
    }

    private static String status(Mix mix) {
        if (mix.endedAt() == null) {
            return "step " + (mix.step() + 1) + " of " + mix.steps().size();
        }
        return mix.givenUp() ? "given up" : "mixed";
    }
}
