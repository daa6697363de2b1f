package kilnryu.app.injection;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import kilnryu.app.rubber.TappedStore;
import kilnryu.core.wax.InjectionFault;

/** What came of each injection mold over all rounds it was used in, known by its name and its piece. */
final class InjectionRates {
    /** Fewer rejects than this, or a smaller share, is chance; ours. */
    private static final int LEAST = 3;

    private static final double MUCH = 0.2;

    private InjectionRates() {}

    /**
     * A mold over its rounds.
     *
     * @param kinds rejects by kind, in words
     * @param remedy of the kind that is most often; empty while there are too few to say
     */
    public record Line(String name, int rounds, int pulls, String rejected, String kinds, String remedy) {}

    private record Key(String piece, String name) {}

    private static final class Sum {
        private String name = "";
        private int rounds;
        private int good;
        private final Map<String, Integer> rejects = new TreeMap<>();

        private void add(String mold, InjectionCourse.Standing s) {
            name = mold;
            rounds++;
            good += s.good().size();
            s.rejects().forEach((kind, n) -> rejects.merge(kind, n, Integer::sum));
        }

        private int rejected() {
            return rejects.values().stream().mapToInt(Integer::intValue).sum();
        }

        private double share() {
            int pulls = good + rejected();
            return pulls == 0 ? 0 : (double) rejected() / pulls;
        }

        private Line line() {
            int pulls = good + rejected();
            Optional<InjectionFault> most = rejects.entrySet().stream()
                    .max(Map.Entry.comparingByValue())
                    .flatMap(e -> InjectionFault.named(e.getKey()))
                    .filter(f -> rejected() >= LEAST && share() >= MUCH);
            return new Line(
                    name,
                    rounds,
                    pulls,
                    String.format(Locale.ROOT, "%d of %d, %.0f %%", rejected(), pulls, 100 * share()),
                    rejects.entrySet().stream()
                            .map(e -> e.getKey() + " " + e.getValue())
                            .collect(Collectors.joining(", ")),
                    most.map(InjectionFault::remedy).orElse(""));
        }
    }

    /** The one that gives most rejects first; without those that were never pulled. */
    static List<Line> of(List<TappedStore.Row> rounds, Map<Long, List<TappedStore.Event>> events) {
        Map<Key, Sum> sums = new java.util.LinkedHashMap<>();
        for (TappedStore.Row row : rounds) {
            InjectionCourse course = InjectionCourse.of(events.getOrDefault(row.id(), List.of()));
            course.molds().forEach((key, standing) -> {
                String name = row.text("molds[" + key + "].name");
                String shown = name.isEmpty() ? row.name() + ", " + key : name;
                if (standing.pulled() > 0) {
                    sums.computeIfAbsent(new Key(row.text("piece"), shown.toLowerCase(Locale.ROOT)), k -> new Sum())
                            .add(shown, standing);
                }
            });
        }
        List<Sum> all = new ArrayList<>(sums.values());
        all.sort(Comparator.comparingDouble((Sum s) -> -s.share()).thenComparing(s -> s.name));
        return all.stream().map(Sum::line).toList();
    }
}
