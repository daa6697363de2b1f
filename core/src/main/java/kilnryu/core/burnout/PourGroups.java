package kilnryu.core.burnout;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import kilnryu.core.sum.Figure;

/** Temperatures at which a load is poured, in falling order, so that the kiln only ever comes down. */
final class PourGroups {
    /** Closer than this they are poured from one hold: it is what the core may be off by. */
    static final double TOGETHER_K = 15;

    private PourGroups() {}

    /** One temperature for each group: that of its hottest mold. */
    static List<Figure> of(List<Figure> pours) {
        List<Figure> groups = new ArrayList<>();
        pours.stream()
                .sorted(Comparator.comparingDouble(Figure::value).reversed())
                .filter(p -> groups.isEmpty() || groups.get(groups.size() - 1).value() - p.value() >= TOGETHER_K)
                .forEach(groups::add);
        return List.copyOf(groups);
    }
}
