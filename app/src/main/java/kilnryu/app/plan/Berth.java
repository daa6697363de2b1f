package kilnryu.app.plan;

import java.time.ZonedDateTime;
import java.util.Collection;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.web.Show;

/**
 * Where a tree stands in a load: then the load's hours hold, not those of its own plan.
 *
 * @param firing number of the load
 * @param close when the kiln is or was closed; empty where the load has no hour yet
 * @param pour when it is or was to be poured
 * @param through whether its program has run to its end, by the kiln's own clock where it was logged
 */
public record Berth(
        long firing,
        String name,
        State state,
        Optional<ZonedDateTime> close,
        Optional<ZonedDateTime> pour,
        boolean through) {

    /** How a tree stands with its load. */
    public enum State {
        WAITING("waiting"),
        IN_THE_KILN("in the kiln"),
        FIRED("fired"),
        POURED("poured");

        private final String label;

        State(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** Knows in which load a tree stands. */
    public interface Source {
        /**
         * The load that runs, else the one that is planned, else the last that has ended.
         *
         * @param hours whether its hours are wanted too; those of a planned load take a simulation
         */
        Optional<Berth> of(Account account, long tree, boolean hours);

        /** Asks for some trees at once, where a page will ask for each of them. */
        void foresee(Account account, Collection<Long> trees);
    }

    public String address() {
        return "/firings/" + firing;
    }

    /** As in "In load Dunlin, waiting: close Tue 21:05, pour Wed 10:50". */
    public String told() {
        return "In load " + name + ", " + state.label
                + switch (state) {
                    case WAITING ->
                        close.map(c -> ": close " + Show.dayAndClock(c)).orElse("; the load has no hour yet")
                                + pour.map(p -> ", pour " + Show.dayAndClock(p)).orElse("");
                    case IN_THE_KILN ->
                        close.map(c -> ": closed " + Show.dayAndClock(c)).orElse("")
                                + pour.map(p -> ", pour about " + Show.dayAndClock(p))
                                        .orElse("");
                    case FIRED, POURED ->
                        pour.map(p -> ": " + Show.dayAndClock(p)).orElse("");
                };
    }
}
