package kilnryu.core.rubber;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Mark;
import kilnryu.core.wax.Heated;

/** What a mold is poured or brushed of [T] (handbook 27). */
public enum Material {
    TIN_SILICONE("tin-silicone", "silicone, tin cured", 1.15, 1.10, 1.25, Heated.SILICONE, 30, 50),
    PLATINUM_SILICONE("platinum-silicone", "silicone, platinum cured", 1.15, 1.10, 1.25, Heated.SILICONE, 30, 50),
    URETHANE("urethane", "urethane rubber", 1.05, 1.02, 1.10, Heated.URETHANE, 30, 50),
    VULCANISED("vulcanised", "rubber, vulcanised", 1.15, 1.10, 1.25, Heated.SILICONE, 200, 1000);

    private final String key;
    private final String label;
    private final Constant density;
    private final Heated heat;
    private final int pullsFrom;
    private final int pullsTo;

    Material(String key, String label, double value, double low, double high, Heated heat, int pullsFrom, int pullsTo) {
        this.key = key;
        this.label = label;
        density = new Constant(
                "rubber." + key,
                "density",
                "density of " + label,
                value,
                low,
                high,
                Measure.GRAM_PER_CM3,
                Mark.T,
                "handbook 27");
        this.heat = heat;
        this.pullsFrom = pullsFrom;
        this.pullsTo = pullsTo;
    }

    public static Optional<Material> named(String key) {
        return Arrays.stream(values()).filter(m -> m.key.equals(key)).findFirst();
    }

    public static List<Constant> constants() {
        return Arrays.stream(values()).map(Material::density).toList();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    public Constant density() {
        return density;
    }

    /** How it takes up heat from wax. */
    public Heated heat() {
        return heat;
    }

    /** Pulls of wax from which it is worn, as casters report; of vulcanised rubber our own guess. */
    public int pullsFrom() {
        return pullsFrom;
    }

    public int pullsTo() {
        return pullsTo;
    }

    /** Whether it is mixed of base and hardener. */
    public boolean mixed() {
        return this != VULCANISED;
    }

    /** What stops its cure, in words; empty where nothing usual does. */
    String poisons() {
        return this == PLATINUM_SILICONE
                ? "Clay with sulphur, latex, fresh tin silicone and some resins stop it: a test patch first."
                : "";
    }

    public List<String> cautions() {
        return switch (this) {
            case TIN_SILICONE, PLATINUM_SILICONE ->
                List.of(
                        "Gloves; hardener and thinner on no skin.",
                        "Release agent carries solvent: no flame, open air.");
            case URETHANE ->
                List.of(
                        "Isocyanate in the hardener: once sensitised, for ever. Gloves, open air, the mask its sheet asks.",
                        "Moisture foams it: dry brush, dry original.");
            case VULCANISED ->
                List.of(
                        String.format(Locale.ROOT, "The press is at about 150 °C: gloves."),
                        "Rubber smokes while it cures: open air.");
        };
    }
}
