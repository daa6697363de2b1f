package kilnryu.app.dipping;

import java.util.Optional;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Station;
import org.springframework.stereotype.Component;

/** How a tree stands with its shell, for the stream. */
@Component
class ShellStation implements Station.Source {
    private final DipStore dips;

    ShellStation(DipStore dips) {
        this.dips = dips;
    }

    @Override
    public Optional<Station> of(Plans.Saved saved, String open, String base) {
        if (!saved.plan().moldExtras().shell()) {
            return Optional.empty();
        }
        Optional<DipStore.Run> run = dips.ofTree(saved.row().id());
        String status = run.map(r -> r.endedAt() != null
                        ? r.endedAs()
                        : dips.dips(r.id()).size() + " of " + r.coats().size() + " coats")
                .orElse("not begun");
        boolean done = run.map(r -> "fit to pour".equals(r.endedAs())).orElse(false);
        return Optional.of(
                new Station("Shell", status, base + "/shell", open.equals("shell") ? "now" : done ? "done" : "next"));
    }
}
