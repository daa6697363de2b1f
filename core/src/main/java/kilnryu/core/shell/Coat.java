package kilnryu.core.shell;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Mark;

/** A coat of a ceramic shell (handbook 6): slurry and stucco picked up, kg/m2, and what it builds, mm. */
public enum Coat {
    PLAIN_PRIME("plain-prime", "plain prime", "no stucco", 0.45, 0, 0.3),
    PRIME("prime", "prime", "fine stucco, 0.1 to 0.3 mm", 0.50, 0.60, 0.6),
    INTERMEDIATE("intermediate", "intermediate", "medium stucco, 0.2 to 0.5 mm", 0.60, 0.90, 0.9),
    BACKUP("backup", "backup", "coarse stucco, 0.5 to 1 mm", 0.70, 1.20, 1.1),
    HEAVY_BACKUP("heavy-backup", "heavy backup", "stucco of 1 to 2 mm", 0.75, 1.60, 1.4),
    SEAL("seal", "seal", "no stucco", 0.40, 0, 0.3);

    private static final String SOURCE = "handbook 6, build";

    private final String key;
    private final String label;
    private final String grain;
    private final Constant slurry;
    private final Constant stucco;
    private final Constant build;

    Coat(String key, String label, String grain, double slurry, double stucco, double build) {
        this.key = key;
        this.label = label;
        this.grain = grain;
        this.slurry = constant("slurry", "slurry of a " + label + " coat", slurry, Measure.KG_PER_M2);
        this.stucco = stucco == 0
                ? Constant.exact("shell." + key + ".stucco", "pickup", "no stucco", 0, Measure.KG_PER_M2, SOURCE)
                : constant("stucco", "stucco of a " + label + " coat", stucco, Measure.KG_PER_M2);
        this.build = constant("build", "build of a " + label + " coat", build, Measure.MILLIMETRE);
    }

    private Constant constant(String what, String named, double value, Measure unit) {
        String symbol = what.equals("build") ? "build" : "pickup";
        return new Constant(
                "shell." + key + "." + what, symbol, named, value, value * 0.75, value * 1.3, unit, Mark.T, SOURCE);
    }

    public static Optional<Coat> named(String key) {
        return Arrays.stream(values()).filter(c -> c.key.equals(key)).findFirst();
    }

    /** What a studio may replace. */
    public static List<Constant> constants() {
        return Arrays.stream(values())
                .flatMap(c -> Stream.of(c.slurry, c.stucco, c.build))
                .filter(Constant::replaceable)
                .toList();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    /** Size of its stucco, in words. */
    public String grain() {
        return grain;
    }

    /** kg/m2. */
    public Constant slurry() {
        return slurry;
    }

    /** kg/m2, 0 where the coat takes none. */
    public Constant stucco() {
        return stucco;
    }

    /** mm. */
    public Constant build() {
        return build;
    }

    /** Whether it is dipped in the fine slurry and has to be followed within a day or two. */
    public boolean isPrime() {
        return this == PLAIN_PRIME || this == PRIME;
    }

    public boolean takesStucco() {
        return stucco.value() > 0;
    }
}
