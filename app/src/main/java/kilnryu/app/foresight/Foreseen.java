package kilnryu.app.foresight;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import kilnryu.app.tree.TreeStore;

/** What a look ahead foresaw of a casting beside what was found when its mold was opened. */
public final class Foreseen {
    /** Where metal lacked: hollow inside, or drawn in. */
    private static final Set<String> HOLLOW = Set.of("shrinkage", "sunken");

    /** Where it did not come: air in its way, or too cold. */
    private static final Set<String> SHORT = Set.of("misrun", "cold-shut", "short", "gas-hole");

    private Foreseen() {}

    /** A mark of the look ahead. @param found what was seen of the like, in words */
    public record Line(String title, String says, String found) {}

    /** A tree that was looked ahead at before its mold was opened. @param pinned kinds of defects that were pinned */
    public record Opened(long tree, String name, Told told, Set<String> pinned, boolean allSeen) {}

    /** How often what was foreseen came. */
    public record Score(String what, int both, int foreseenOnly, int foundOnly, int neither) {
        /** Trees of which it was right. */
        public int right() {
            return both + neither;
        }

        public int trees() {
            return both + foreseenOnly + foundOnly + neither;
        }
    }

    /** Each mark beside what was found, and what was found without a mark. */
    public static List<Line> lines(Opened opened) {
        List<Line> lines = new ArrayList<>();
        boolean hollowSeen = meets(opened.pinned, HOLLOW);
        boolean shortSeen = meets(opened.pinned, SHORT);
        for (Told.Mark m : opened.told.marks()) {
            boolean seen = m.lacks() ? hollowSeen : shortSeen;
            String found = seen
                    ? "The like was found."
                    : opened.allSeen ? "Nothing of the kind was found." : "Not looked at yet.";
            lines.add(new Line(m.title(), m.says(), found));
        }
        if (hollowSeen && !foresaw(opened.told, true)) {
            lines.add(new Line(
                    "A hollow that was not foreseen", "The look ahead showed no pool in a casting.", "A miss."));
        }
        if (shortSeen && !foresaw(opened.told, false)) {
            lines.add(new Line(
                    "A place that stayed short and was not foreseen",
                    "The look ahead showed no shut air and nothing that stops.",
                    "A miss."));
        }
        return lines;
    }

    /** The same of a tree by what its row holds of it; none where nobody looked ahead. */
    public static List<Line> lines(TreeStore.Row tree, Set<String> pinned, boolean allSeen) {
        return tree.foreseen() == null
                ? List.of()
                : lines(new Opened(
                        tree.id(),
                        tree.name(),
                        ForesightStore.held(tree.foreseen()).told(),
                        pinned,
                        allSeen));
    }

    /** Over all trees that were looked at whole. */
    public static List<Score> scores(List<Opened> opened) {
        return List.of(score("hollow or sunken places", opened, true), score("places that stay short", opened, false));
    }

    private static Score score(String what, List<Opened> opened, boolean hollow) {
        int[] counts = new int[4];
        for (Opened o : opened) {
            if (o.allSeen) {
                boolean said = foresaw(o.told, hollow);
                boolean came = meets(o.pinned, hollow ? HOLLOW : SHORT);
                counts[said && came ? 0 : said ? 1 : came ? 2 : 3]++;
            }
        }
        return new Score(what, counts[0], counts[1], counts[2], counts[3]);
    }

    private static boolean foresaw(Told told, boolean hollow) {
        return told.marks().stream().anyMatch(m -> m.grave() && m.lacks() == hollow);
    }

    private static boolean meets(Set<String> pinned, Set<String> kinds) {
        return pinned.stream().anyMatch(kinds::contains);
    }
}
