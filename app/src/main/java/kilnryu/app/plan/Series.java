package kilnryu.app.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import kilnryu.app.account.Account;
import kilnryu.app.sheet.SheetStore;
import kilnryu.app.sheet.SheetStore.Sheet;
import kilnryu.app.tree.SeriesStore;
import kilnryu.app.tree.SeriesStore.Member;
import org.springframework.stereotype.Component;

/**
 * A design that is made several times. The list of parts is one for all its trees that are not begun; name, weigh-in, mold
 * and firing are each tree's own.
 */
@Component
public class Series {
    /** So many trees of one design at most. */
    static final int MOST = 40;
    /** What of the sheet is each tree's own. */
    private static final Set<String> OWN = Set.of("name", "weighed_g", "change_note");

    private final SeriesStore store;
    private final SheetStore sheets;

    Series(SeriesStore store, SheetStore sheets) {
        this.store = store;
        this.sheets = sheets;
    }

    /**
     * A tree of the series beside the one that is looked at.
     *
     * @param follows whether its design is the same as this one's
     */
    public record Line(long id, int no, String name, boolean here, boolean begun, boolean follows) {}

    /** The series as a tree's page shows it. */
    public record View(List<Line> lines, String told) {}

    static Map<String, String> design(Map<String, String> fields) {
        Map<String, String> design = new LinkedHashMap<>(fields);
        design.keySet().removeAll(OWN);
        return design;
    }

    /** Lines are empty where the tree is made once. */
    View view(Account account, long tree) {
        List<Member> members = store.of(account.studioId(), tree);
        Map<String, String> here = design(sheet(tree).fields());
        List<Line> lines = new ArrayList<>();
        for (Member m : members) {
            boolean same = m.id() == tree || design(sheet(m.id()).fields()).equals(here);
            lines.add(new Line(m.id(), m.no(), m.name(), m.id() == tree, m.begun(), same));
        }
        return new View(List.copyOf(lines), told(lines));
    }

    private static String told(List<Line> lines) {
        if (lines.size() < 2) {
            return "";
        }
        TreeSet<Integer> kept =
                lines.stream().filter(l -> !l.follows).map(Line::no).collect(Collectors.toCollection(TreeSet::new));
        String words = "One design, " + lines.size()
                + " trees. A change to its parts is taken over by every tree that is not mixed, dipped or fired yet.";
        return kept.isEmpty()
                ? words
                : words + " Of another design than this one: tree "
                        + kept.stream().map(String::valueOf).collect(Collectors.joining(", ")) + ".";
    }

    private Sheet sheet(long tree) {
        return sheets.find(tree, Stage.TREE.key());
    }

    /**
     * Gives the design of a tree that was just saved to all others of its series that are not begun.
     *
     * @return the trees that were changed
     */
    List<Long> spread(Account account, long tree) {
        List<Member> members = store.of(account.studioId(), tree);
        if (members.size() < 2) {
            return List.of();
        }
        store.lockRoot(account.studioId(), tree);
        Map<String, String> design = design(sheet(tree).fields());
        List<Long> changed = new ArrayList<>();
        for (Member m : store.of(account.studioId(), tree)) {
            Sheet theirs = sheet(m.id());
            if (m.id() != tree && !m.begun() && !design(theirs.fields()).equals(design)) {
                Map<String, String> fields = new LinkedHashMap<>(design);
                OWN.forEach(own -> {
                    if (theirs.fields().containsKey(own)) {
                        fields.put(own, theirs.fields().get(own));
                    }
                });
                sheets.save(m.id(), Stage.TREE.key(), theirs.version(), fields, account.id());
                changed.add(m.id());
            }
        }
        return changed;
    }

    /** Takes the root of a series, itself number 1 of it from now on, and the number of the next tree. */
    int begin(Account account, long tree) {
        long root = store.lockRoot(account.studioId(), tree);
        if (store.last(root) == 0) {
            store.put(root, root, 1);
        }
        return store.last(root) + 1;
    }

    void join(Account account, long tree, long of, int no) {
        store.put(tree, store.lockRoot(account.studioId(), of), no);
    }

    int size(Account account, long tree) {
        return store.of(account.studioId(), tree).size();
    }
}
