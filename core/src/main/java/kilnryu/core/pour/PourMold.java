package kilnryu.core.pour;

import java.util.OptionalDouble;
import kilnryu.core.material.Alloy;

/**
 * A mold that waits to be poured.
 *
 * @param key of its tree, and of which of a series
 * @param grams of metal it takes, cup and all
 * @param group temperature it leaves the kiln at, C
 * @param window how long it may stand out
 * @param limit under which it is not poured, C
 * @param least coolest metal it is poured with, C
 * @param fillSeconds from the first metal to full
 * @param thinnest wall, mm; empty where not known: it is taken for heavy
 * @param margin freezing over filling with other temperatures; empty where not known
 * @param ready seconds after the first pour's start before which its kiln has not come down to its temperature
 */
public record PourMold(
        String key,
        String name,
        Alloy alloy,
        double grams,
        double group,
        CarryWindow window,
        double limit,
        double least,
        double fillSeconds,
        OptionalDouble thinnest,
        Margin margin,
        double ready) {
    public PourMold {
        if (!(grams > 0) || !(fillSeconds > 0) || ready < 0) {
            throw new IllegalArgumentException("no mold is poured like this");
        }
    }

    /** How many times longer the thinnest place stays liquid than the mold takes to fill. */
    @FunctionalInterface
    public interface Margin {
        Margin UNKNOWN = (metal, mold) -> OptionalDouble.empty();

        OptionalDouble of(double metalC, double moldC);
    }
}
