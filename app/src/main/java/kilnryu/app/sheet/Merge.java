package kilnryu.app.sheet;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Two people's edits of one stage brought together, field by field: what only the other changed is taken over, what
 * both changed keeps what is typed here and says what the other wrote. Nothing typed is lost.
 */
public record Merge(Map<String, String> fields, List<Change> changes) {

    /** A field the other changed; {@code taken} tells whether it was taken over. */
    public record Change(String path, String before, String theirs, String mine, boolean taken) {}

    public static Merge of(Map<String, String> base, Map<String, String> mine, Map<String, String> theirs) {
        Map<String, String> merged = new LinkedHashMap<>(mine);
        List<Change> changes = new ArrayList<>();
        Set<String> paths = new LinkedHashSet<>(theirs.keySet());
        paths.addAll(base.keySet());
        for (String path : paths) {
            String before = base.getOrDefault(path, "");
            String their = theirs.getOrDefault(path, "");
            if (their.equals(before)) {
                continue;
            }
            String own = mine.getOrDefault(path, "");
            boolean untouched = own.equals(before) || own.equals(their);
            if (untouched && theirs.containsKey(path)) {
                merged.put(path, their);
            } else if (untouched) {
                merged.remove(path);
            }
            changes.add(new Change(path, before, their, own, untouched));
        }
        return new Merge(merged, changes);
    }
}
