package kilnryu.core.finding;

import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/** All that the checks of a plan found, most severe first. */
public record Findings(List<Finding> all) {
    public static final Findings NONE = new Findings(List.of());

    public Findings {
        all = all.stream().sorted(Comparator.comparing(Finding::severity)).toList();
    }

    public Findings and(Findings others) {
        return new Findings(Stream.concat(all.stream(), others.all.stream()).toList());
    }

    public List<Finding> stops() {
        return all.stream().filter(f -> f.severity() == Severity.STOP).toList();
    }

    /**
     * What still blocks the start of work when the stops named in {@code overruled} were overruled with a written
     * reason; stops of safety block whatever is named.
     */
    public List<Finding> blocking(Set<String> overruled) {
        return stops().stream()
                .filter(f -> f.safety() || !overruled.contains(f.id()))
                .toList();
    }

    public boolean has(String id) {
        return all.stream().anyMatch(f -> f.id().equals(id));
    }

    public List<Finding> at(String place) {
        return all.stream().filter(f -> f.place().equals(place)).toList();
    }
}
