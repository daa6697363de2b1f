package kilnryu.app.plan;

import java.util.List;
import java.util.Optional;
import kilnryu.app.account.Account;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** The stream of a tree with all that later stages know of it. */
@Component
public class Streams {
    private final List<Station.Source> later;
    private final Berth.Source berths;

    Streams(List<Station.Source> later, Berth.Source berths) {
        this.later = later;
        this.berths = berths;
    }

    /** The stream, and the load the tree stands in, with its hours. */
    public record Seen(List<Station> stations, Optional<Berth> berth) {
        /** Puts both where the pages look for them. */
        public void into(Model model) {
            model.addAttribute("stream", stations);
            model.addAttribute("berth", berth.orElse(null));
        }
    }

    /** @param saved null for a tree that is not saved yet */
    public Seen of(Account account, Plans.Saved saved, Plan plan, String open) {
        Optional<Berth> berth = saved == null
                ? Optional.empty()
                : berths.of(account, saved.row().id(), true);
        return new Seen(Stations.of(saved, plan, open, later, berth), berth);
    }

    /** The load a tree stands in, without its hours. */
    Optional<Berth> berth(Account account, long tree) {
        return tree == 0 ? Optional.empty() : berths.of(account, tree, false);
    }
}
