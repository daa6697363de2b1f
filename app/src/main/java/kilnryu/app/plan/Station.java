package kilnryu.app.plan;

import java.util.Optional;

/**
 * One stage on the stream at the left of a work page.
 *
 * @param state done, now, or next
 */
public record Station(String label, String status, String address, String state) {

    /** A later stage that knows how a tree stands with it, such as mixing. */
    public interface Source {
        /** The station of a saved tree, given which page is open; empty where its mold has no such stage. */
        Optional<Station> of(Plans.Saved saved, String open, String base);

        /** Whether it comes before the tree is built. */
        default boolean beforeTheTree() {
            return false;
        }

        /** Whether it comes after the firing. */
        default boolean afterTheKiln() {
            return false;
        }
    }
}
