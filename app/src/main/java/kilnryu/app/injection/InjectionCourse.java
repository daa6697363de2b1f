package kilnryu.app.injection;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import kilnryu.app.rubber.TappedStore;

/** How the molds of a round stand, by their keys. @param used patterns that went to a tree, the oldest first */
record InjectionCourse(Map<String, Standing> molds, int turn, int used) {

    /**
     * @param injected when wax went in; empty while it is open
     * @param good patterns on the shelf
     * @param rejects by kind
     * @param last turn in which it was injected
     */
    record Standing(Optional<Instant> injected, List<Instant> good, Map<String, Integer> rejects, int last) {
        static final Standing NEW = new Standing(Optional.empty(), List.of(), Map.of(), 0);

        int pulled() {
            return good.size() + rejected();
        }

        int rejected() {
            return rejects.values().stream().mapToInt(Integer::intValue).sum();
        }
    }

    static InjectionCourse of(List<TappedStore.Event> events) {
        Map<String, Standing> molds = new LinkedHashMap<>();
        int turn = 0;
        int used = 0;
        for (TappedStore.Event e : events) {
            String mold = e.fields().getOrDefault("mold", "");
            Standing s = molds.getOrDefault(mold, Standing.NEW);
            if (e.kind().equals("inject")) {
                molds.put(mold, new Standing(Optional.of(e.at()), s.good, s.rejects, ++turn));
            } else if (e.kind().equals("pull")) {
                molds.put(mold, pulled(s, e));
            } else if (e.kind().equals("use")) {
                used += (int) e.number("count");
            }
        }
        return new InjectionCourse(molds, turn, used);
    }

    private static Standing pulled(Standing s, TappedStore.Event e) {
        String fault = e.fields().getOrDefault("fault", "");
        List<Instant> good = new ArrayList<>(s.good);
        Map<String, Integer> rejects = new TreeMap<>(s.rejects);
        if (fault.isEmpty()) {
            good.add(e.at());
        } else {
            rejects.merge(fault, 1, Integer::sum);
        }
        return new Standing(Optional.empty(), List.copyOf(good), rejects, s.last);
    }

    /** Good patterns that are still there, the oldest first. */
    List<Instant> shelf() {
        return molds.values().stream()
                .flatMap(s -> s.good.stream())
                .sorted()
                .skip(used)
                .toList();
    }

    int good() {
        return molds.values().stream().mapToInt(s -> s.good.size()).sum();
    }

    Standing at(String key) {
        return molds.getOrDefault(key, Standing.NEW);
    }
}
