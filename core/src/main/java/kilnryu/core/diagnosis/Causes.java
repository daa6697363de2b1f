package kilnryu.core.diagnosis;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A table of causes.
 *
 * @param version of it, kept with every answer
 * @param confirmed how often the studio found a cause to be the one, by id; with the table's own weight they make its chance
 */
public record Causes(String version, List<Cause> all, Map<String, Integer> confirmed) {
    /** As much as so many confirmed castings the table's own weights count together. */
    private static final double TABLE_COUNTS = 20;

    public Causes {
        all = List.copyOf(all);
        confirmed = Map.copyOf(confirmed);
        if (all.stream().map(Cause::id).distinct().count() != all.size()) {
            throw new IllegalArgumentException("each cause once");
        }
    }

    /** The handbook's. */
    public static Causes handbook() {
        return new Causes(HandbookCauses.VERSION, HandbookCauses.ALL, Map.of());
    }

    /** With a studio's own besides, or in the place of those of the same id. */
    public Causes with(List<Cause> own) {
        Map<String, Cause> byId = new LinkedHashMap<>();
        all.forEach(c -> byId.put(c.id(), c));
        own.forEach(c -> byId.put(c.id(), c));
        return new Causes(
                own.isEmpty() ? version : version + " with " + own.size() + " own",
                new ArrayList<>(byId.values()),
                confirmed);
    }

    /** With how often each was found to be the one. */
    public Causes found(Map<String, Integer> counts) {
        return new Causes(version, all, counts);
    }

    public Optional<Cause> named(String id) {
        return all.stream().filter(c -> c.id().equals(id)).findFirst();
    }

    /** Chance of a cause before anything is looked at: the table's weight and the studio's own count. */
    double chance(Cause cause) {
        double table = all.stream().mapToDouble(Cause::usual).sum();
        double found = confirmed.values().stream().mapToInt(Integer::intValue).sum();
        return (TABLE_COUNTS * cause.usual() / table + confirmed.getOrDefault(cause.id(), 0)) / (TABLE_COUNTS + found);
    }
}
