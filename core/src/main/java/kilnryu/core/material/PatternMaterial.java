package kilnryu.core.material;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Mark;

/** Materials that are lost from the mold (handbook 2): density in g/cm3 with its usual range, and how each leaves. */
public enum PatternMaterial {
    INJECTION_WAX(
            "injection-wax",
            "injection wax",
            Family.WAX,
            0.96,
            0.93,
            0.98,
            "melts at 60-75 °C",
            "a trace",
            "",
            new Leaves(75, 0.2, 0)),
    SCULPTURE_WAX(
            "sculpture-wax",
            "microcrystalline sculpture wax",
            Family.WAX,
            0.93,
            0.90,
            0.95,
            "melts at 65-85 °C",
            "a trace",
            "",
            new Leaves(85, 0.2, 0)),
    SPRUE_WAX(
            "sprue-wax",
            "sprue wax",
            Family.WAX,
            0.95,
            0.92,
            0.97,
            "melts at 60-75 °C",
            "a trace",
            "",
            new Leaves(75, 0.2, 0)),
    BEESWAX(
            "beeswax",
            "beeswax",
            Family.WAX,
            0.96,
            0.95,
            0.97,
            "melts at 62-65 °C",
            "a trace",
            "",
            new Leaves(65, 0.2, 0)),
    SOFT_WAX(
            "soft-wax",
            "soft low-melting wax",
            Family.WAX,
            0.91,
            0.88,
            0.93,
            "melts at 50-60 °C",
            "a trace",
            "It sags when warm: chill it before investing.",
            new Leaves(60, 0.2, 0)),
    CASTABLE_RESIN(
            "castable-resin",
            "castable resin, cured",
            Family.RESIN,
            1.13,
            1.08,
            1.20,
            "does not drain, burns at 300-550 °C",
            "1-4 % char",
            "Uncured resin bubbles and attacks the mold: cure it through. Gloves for resin, and mind the fume.",
            new Leaves(Double.NaN, 2.5, 0)),
    FILAMENT_PLA(
            "filament-pla",
            "PLA print",
            Family.FILAMENT,
            1.24,
            1.20,
            1.26,
            "softens at 60, flows at 180-260 °C",
            "0.3-1.5 % char, 0.1-0.5 % pigment ash",
            "It swells before it flows: drains at low points, thin hollow prints or a wax coating.",
            new Leaves(200, 0.9, 0.3)),
    FILAMENT_CASTABLE(
            "filament-castable",
            "wax-like casting filament",
            Family.FILAMENT,
            1.08,
            1.00,
            1.12,
            "flows at 130-200 °C",
            "a trace",
            "",
            new Leaves(200, 0.2, 0)),
    POLYSTYRENE(
            "polystyrene",
            "solid polystyrene",
            Family.PLASTIC,
            1.05,
            1.03,
            1.06,
            "shrinks, flows at 200-260 °C",
            "1-2 % char",
            "Styrene fume: hood and outside vent.",
            new Leaves(200, 1.5, 0)),
    FOAM_EPS(
            "foam-eps",
            "expanded polystyrene",
            Family.FOAM,
            0.020,
            0.010,
            0.035,
            "collapses at 100-240 °C",
            "a trace",
            "Styrene fume, and it flares up.",
            new Leaves(200, 0.2, 0)),
    UNKNOWN_PLASTIC(
            "unknown-plastic",
            "unidentified plastic",
            Family.PLASTIC,
            1.10,
            0.9,
            1.4,
            "unknown",
            "up to 3 %",
            "It may give off hydrogen chloride or cyanide: burn a scrap outdoors first, and never PVC.",
            new Leaves(200, 3, 0.5)),
    ORGANIC(
            "organic",
            "dry plant or insect matter",
            Family.ORGANIC,
            0.5,
            0.2,
            0.9,
            "burns at 300-600 °C",
            "1 % char and 2-6 % ash",
            "Blow the ash out before the pour.",
            new Leaves(Double.NaN, 1, 4));

    /** How a material leaves the mold, which decides drain and carbon stages of a burnout. */
    public enum Family {
        WAX,
        RESIN,
        FILAMENT,
        PLASTIC,
        FOAM,
        ORGANIC
    }

    /**
     * What of it decides a burnout (handbook 2, 7).
     *
     * @param runsC temperature over which it runs out of the mold, C; NaN where it burns in place
     * @param charPercent char that air burns away, % of its mass, the middle of the range; 0.2 for a trace, 1 where unknown
     * @param ashPercent mineral ash that stays until it is blown out, % of its mass
     */
    private record Leaves(double runsC, double charPercent, double ashPercent) {}

    private final String key;
    private final String label;
    private final Family family;
    private final Constant density;
    private final Leaves left;
    private final String leaves;
    private final String residue;
    private final String caution;

    PatternMaterial(
            String key,
            String label,
            Family family,
            double density,
            double low,
            double high,
            String leaves,
            String residue,
            String caution,
            Leaves left) {
        this.left = left;
        this.key = key;
        this.label = label;
        this.family = family;
        this.density = new Constant(
                "material." + key + ".density",
                "density",
                "density of " + label,
                density,
                low,
                high,
                Measure.GRAM_PER_CM3,
                Mark.T,
                "handbook 2, pattern materials");
        this.leaves = leaves;
        this.residue = residue;
        this.caution = caution;
    }

    public static Optional<PatternMaterial> named(String key) {
        return Arrays.stream(values()).filter(m -> m.key.equals(key)).findFirst();
    }

    public static List<Constant> constants() {
        return Arrays.stream(values()).map(PatternMaterial::density).toList();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    public Family family() {
        return family;
    }

    public Constant density() {
        return density;
    }

    public String leaves() {
        return leaves;
    }

    public String residue() {
        return residue;
    }

    /** Temperature over which it runs out of the mold, C; NaN where it burns in place. */
    public double runsC() {
        return left.runsC;
    }

    /** Char it leaves, which air burns away, % of its mass. */
    public double charPercent() {
        return left.charPercent;
    }

    /** Mineral ash it leaves, which nothing burns away, % of its mass. */
    public double ashPercent() {
        return left.ashPercent;
    }

    /** What to beware of; empty when nothing is particular to it. */
    public String caution() {
        return caution;
    }

    /** Whether it runs out into a tray while still below the temperature it lights at. */
    public boolean drainsAsWax() {
        return family == Family.WAX;
    }

    /** Whether it flows out only at 200-260 C. */
    public boolean drainsHot() {
        return family == Family.FILAMENT || this == POLYSTYRENE;
    }

    /** Whether char must be burnt away with air. */
    public boolean leavesChar() {
        return family == Family.RESIN
                || family == Family.PLASTIC
                || family == Family.FILAMENT
                || family == Family.ORGANIC;
    }
}
