package kilnryu.app.run;

import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Component;

/** How far the kiln lay from its program in each firing that has ended, for the log. */
@Component
public class FiringCurves {
    private final FiringStore store;

    FiringCurves(FiringStore store) {
        this.store = store;
    }

    /**
     * @param usual half of the time it was off by less than this, K
     * @param most furthest, K
     * @param late minutes
     * @param odd unlike the others
     * @param standIn whether a simulated controller reported it
     */
    public record Curve(
            long firing, String name, double usual, double most, double late, boolean odd, boolean standIn) {}

    /** The latest first. */
    public List<Curve> of(long studio) {
        List<FiringStore.Held> held = store.deviations(studio);
        Set<Long> odd = Deviation.outliers(held);
        return held.stream()
                .map(h -> new Curve(h.id(), h.name(), h.usual(), h.most(), h.late(), odd.contains(h.id()), h.standIn()))
                .toList();
    }
}
