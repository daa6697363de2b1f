package kilnryu.core.material;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Mark;

/** How far over their liquidus groups of alloys are poured, K, for heavy, medium and thin sections (handbook 2). */
public enum Superheat {
    BRONZE("bronze", 80, 120, 120, 160, 160, 220),
    YELLOW_BRASS("yellow brass", 50, 80, 80, 110, 110, 130),
    COPPER("copper", 80, 110, 110, 140, 140, 180),
    ALUMINIUM("aluminium", 40, 60, 60, 100, 100, 140),
    SILVER("silver", 60, 90, 90, 120, 120, 150),
    GOLD("gold", 60, 90, 90, 130, 130, 170),
    PEWTER("pewter", 25, 50, 40, 70, 60, 90),
    ZINC("zinc", 25, 45, 40, 60, 60, 80),
    /** Over 1150 C; by the supplier. */
    UNTABLED("untabled");

    private final Map<Section, Constant> bySection = new EnumMap<>(Section.class);

    Superheat(String label, double... range) {
        Section[] sections = {Section.HEAVY, Section.MEDIUM, Section.THIN};
        for (int i = 0; i < range.length / 2; i++) {
            double low = range[2 * i];
            double high = range[2 * i + 1];
            bySection.put(
                    sections[i],
                    new Constant(
                            "superheat." + name().toLowerCase(Locale.ROOT).replace('_', '-') + "." + sections[i].key(),
                            "superheat",
                            "superheat, " + label + ", " + sections[i].key() + " sections",
                            (low + high) / 2,
                            low,
                            high,
                            Measure.STEP_KELVIN,
                            Mark.T,
                            "handbook 2, pour temperature"));
        }
    }

    static List<Constant> constants() {
        return Arrays.stream(values())
                .flatMap(s -> s.bySection.values().stream())
                .toList();
    }

    /**
     * K over the liquidus, the middle of the usual range.
     *
     * @throws IllegalStateException for {@link #UNTABLED}
     */
    Constant of(Section section) {
        Constant constant = bySection.get(section);
        if (constant == null) {
            throw new IllegalStateException("not tabled");
        }
        return constant;
    }
}
