package kilnryu.app.plan;

import java.util.List;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.web.Verdict;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** The stream of a tree with all that later stages know of it. */
@Component
public class Streams {
    private final List<Station.Source> later;
    private final Berth.Source berths;
    private final List<PlanVerdict.Source> remedies;

    Streams(List<Station.Source> later, Berth.Source berths, List<PlanVerdict.Source> remedies) {
        this.later = later;
        this.berths = berths;
        this.remedies = remedies;
    }

    /** The stream, and the load the tree stands in, with its hours; how the plan stands, and what comes next. */
    public record Seen(List<Station> stations, Optional<Berth> berth, Verdict verdict, Optional<Station> next) {
        /** Puts all of it where the pages look for it. */
        public void into(Model model) {
            model.addAttribute("stream", stations);
            model.addAttribute("berth", berth.orElse(null));
            model.addAttribute("verdict", verdict);
            model.addAttribute("next", next.orElse(null));
        }
    }

    /** How a plan stands, with what mends it. */
    Verdict verdict(Account account, Plans.Saved saved, Plan plan, String open) {
        return PlanVerdict.of(account, saved, plan, open, remedies);
    }

    /** @param saved null for a tree that is not saved yet */
    public Seen of(Account account, Plans.Saved saved, Plan plan, String open) {
        Optional<Berth> berth = saved == null
                ? Optional.empty()
                : berths.of(account, saved.row().id(), true);
        List<Station> stations = Stations.of(saved, plan, open, later, berth);
        return new Seen(stations, berth, verdict(account, saved, plan, open), Stations.next(stations));
    }

    /** The load a tree stands in, without its hours. */
    Optional<Berth> berth(Account account, long tree) {
        return tree == 0 ? Optional.empty() : berths.of(account, tree, false);
    }
}
