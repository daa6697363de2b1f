package kilnryu.core.diagnosis;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** What may be known of a casting and its way. */
public enum FactKey {
    METAL_C("metal_C", "metal at the pour", "°C", 20, 2500, Cost.RECORD),
    METAL_PLANNED_C("metal_planned_C", "planned", "°C", 20, 2500, Cost.RECORD),
    MOLD_C("mold_C", "mold at the pour", "°C", -40, 1400, Cost.RECORD),
    MOLD_PLANNED_C("mold_planned_C", "planned", "°C", -40, 1400, Cost.RECORD),
    CARRY_S("carry_s", "out of the kiln", "s", 0, 86_400, Cost.RECORD),
    CARRY_WINDOW_S("carry_window_s", "its window", "s", 0, 86_400, Cost.RECORD),
    FILL_MARGIN("fill_margin", "filling margin", "", 0, 1000, Cost.RECORD),
    GAUGE_KPA("gauge_kPa", "vacuum gauge", "kPa vacuum", -102, 102, Cost.RECORD),
    VACUUM("vacuum", "vacuum", Cost.RECORD, "reached", "failed", "none", "off"),
    VENTS("vents", "vents", Cost.LOOK, "none", "open", "to-cup"),
    HEAD_MM("head_mm", "metal above the top of the piece", "mm", 0, 5000, Cost.MEASURE),
    FEEDER_MODULUS_RATIO("feeder_modulus_ratio", "feeder to what it feeds, modulus", "", 0, 100, Cost.RECORD),
    MODULUS_RISES("modulus_rises", "modulus rises toward the feeder", Cost.RECORD, "yes", "no"),
    THICK_THIN_THICK("thick_thin_thick", "thick, thin, thick again on the metal's way", Cost.LOOK, "yes", "no"),
    WALL_MM("wall_mm", "wall at the place", "mm", 0, 1000, Cost.MEASURE),
    SOAK_H("soak_h", "burnout soak", "h", 0, 500, Cost.RECORD),
    SOAK_C("soak_C", "burnout soak at", "°C", 0, 1400, Cost.RECORD),
    CHAR_PCT("char_pct", "char left", "%", 0, 100, Cost.RECORD),
    VENT_OF_KILN("vent_of_kiln", "vent of the kiln", Cost.RECORD, "open", "closed"),
    BLOWN_OUT("blown_out", "mold blown out", Cost.RECORD, "yes", "no"),
    CURE_H("cure_h", "cure before heat", "h", 0, 10_000, Cost.RECORD),
    DRY("dry", "mold dry", Cost.RECORD, "proved", "assumed", "no"),
    RAMP_K_H("ramp_K_h", "steepest ramp", "K/h", 0, 10_000, Cost.RECORD),
    RAMP_LIMIT_K_H("ramp_limit_K_h", "its limit", "K/h", 0, 10_000, Cost.RECORD),
    MOLD_MAX_C("mold_max_C", "hottest the mold was", "°C", 0, 1600, Cost.RECORD),
    MOLD_LIMIT_C("mold_limit_C", "its limit", "°C", 0, 1600, Cost.RECORD),
    WATER_PER_100("water_per_100", "water per 100 powder", "", 0, 300, Cost.RECORD),
    BUBBLES_REMOVED("bubbles_removed", "bubbles taken out of the mix by", Cost.RECORD, "vacuum", "vibration", "none"),
    OVER_WORKING_TIME("over_working_time", "mix worked over its time", Cost.RECORD, "yes", "no"),
    SHELL_MM("shell_mm", "shell wall", "mm", 0, 200, Cost.MEASURE),
    SHELL_NEEDED_MM("shell_needed_mm", "its head asks", "mm", 0, 200, Cost.RECORD),
    WIRE("wire", "shell bound with wire", Cost.LOOK, "yes", "no"),
    DEWAX("dewax", "wax taken out by", Cost.RECORD, "flash", "steam", "autoclave", "slow"),
    JOINTS_CLOSED("joints_closed", "joints of wax and gating closed", Cost.LOOK, "yes", "no"),
    COVERED("covered", "mold covered while it waited", Cost.RECORD, "yes", "no"),
    RETURNS_PCT("returns_pct", "returns in the charge", "%", 0, 100, Cost.RECORD),
    TIME_AT_HEAT_MIN("time_at_heat_min", "metal held at heat", "min", 0, 10_000, Cost.RECORD),
    QUENCH_C("quench_C", "face of the button when quenched", "°C", 0, 1500, Cost.RECORD),
    MOVED_EARLY("moved_early", "moved before it was solid", Cost.RECORD, "yes", "no"),
    REFRACTORY_PCT("refractory_pct", "refractory in the mix", "%", 0, 100, Cost.RECORD),
    PREVIOUS_SAME_PLACE("previous_same_place", "castings before with it at the same place", "", 0, 10_000, Cost.RECORD),
    PINS("pins", "core pins", "", 0, 1000, Cost.LOOK),
    CORE_SLENDERNESS("core_slenderness", "core, length in diameters", "", 0, 1000, Cost.MEASURE),
    CHARGE_WARMED("charge_warmed", "charge warmed and dry", Cost.RECORD, "yes", "no"),
    FILL_WAY("fill_way", "filled from", Cost.RECORD, "top", "bottom"),
    SCALE_PAIR_PCT("scale_pair_pct", "casting to pattern, off what is planned", "%", -50, 50, Cost.MEASURE),

    // what a look or a cut tells; ours, beyond the contract
    BUTTON("button", "top of the button", Cost.LOOK, "sunken", "flat", "domed"),
    HOLLOW_FACE("hollow_face", "inside of the hollow", Cost.LOOK, "smooth", "crystals"),
    GASKET("gasket", "gasket of the vacuum table", Cost.LOOK, "seats", "torn"),
    MARK_ON_PATTERN("mark_on_pattern", "the same mark on the pattern", Cost.LOOK, "yes", "no"),
    PRINT_OFF_PCT("print_off_pct", "pattern, off its drawing", "%", -50, 50, Cost.MEASURE),
    SAND_IN_PITS("sand_in_pits", "sand or ash in the pits", Cost.LOOK, "yes", "no"),
    MOLD_CRACKED("mold_cracked", "crack in the mold along it", Cost.LOOK, "yes", "no"),
    MAKE_UP("make_up", "make-up of the metal", Cost.CUT, "in-band", "off"),
    POOL_INSIDE("pool_inside", "last pool of liquid inside the piece", Cost.RECORD, "yes", "no"),
    CORE("core", "core in the mold", Cost.LOOK, "yes", "no"),

    // what follows from the question
    MOLD_KIND("mold_kind", "kind of mold", Cost.GIVEN, "flask", "block", "shell"),
    REPEATS("repeats", "same place in other castings", Cost.GIVEN, "yes", "no"),
    ALUMINIUM("aluminium", "aluminium", Cost.GIVEN, "yes", "no"),
    PLASTIC("plastic", "pattern of resin, print or plastic", Cost.GIVEN, "yes", "no"),
    ASH("ash", "pattern that leaves ash", Cost.GIVEN, "yes", "no"),
    UNKNOWN_PATTERN("unknown_pattern", "pattern of unknown plastic", Cost.GIVEN, "yes", "no"),
    SUPERHEAT_K("superheat_K", "over its liquidus", "K", -2000, 2000, Cost.GIVEN),
    ALLOY_LIMIT_C("alloy_limit_C", "what the alloy bears", "°C", 0, 2500, Cost.GIVEN),
    QUENCH_MOST_C("quench_most_C", "its quench window to", "°C", 0, 1500, Cost.GIVEN),
    WALL_LIMIT_MM("wall_limit_mm", "what the alloy fills with ease", "mm", 0, 100, Cost.GIVEN),
    WATER_MOST("water_most", "its band to", "", 0, 300, Cost.GIVEN),
    WATER_USUAL("water_usual", "usual", "", 0, 300, Cost.GIVEN),
    SOAK_ASKED_H("soak_asked_h", "asked", "h", 0, 500, Cost.GIVEN),
    CURE_ASKED_H("cure_asked_h", "asked", "h", 0, 500, Cost.GIVEN);

    /** What it takes to find out, cheapest first. */
    public enum Cost {
        LOOK,
        MEASURE,
        RECORD,
        CUT,
        /** Follows from the question itself. */
        GIVEN
    }

    private final String key;
    private final String label;
    private final String unit;
    private final double low;
    private final double high;
    private final Cost cost;
    private final List<String> words;

    FactKey(String key, String label, String unit, double low, double high, Cost cost) {
        this.key = key;
        this.label = label;
        this.unit = unit;
        this.low = low;
        this.high = high;
        this.cost = cost;
        this.words = List.of();
    }

    FactKey(String key, String label, Cost cost, String... words) {
        this.key = key;
        this.label = label;
        this.unit = "";
        this.low = Double.NaN;
        this.high = Double.NaN;
        this.cost = cost;
        this.words = List.of(words);
    }

    public static Optional<FactKey> named(String key) {
        return Arrays.stream(values()).filter(k -> k.key.equals(key)).findFirst();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    /** The same where it stands alone: what it is held against is named in full. */
    public String inFull() {
        return switch (this) {
            case METAL_PLANNED_C -> "metal as it was planned";
            case MOLD_PLANNED_C -> "mold as it was planned";
            case CARRY_WINDOW_S -> "how long it may stand out of the kiln";
            case CARRY_S -> "how long it stood out of the kiln";
            case RAMP_LIMIT_K_H -> "the ramp's limit";
            case MOLD_LIMIT_C -> "the mold's limit";
            case SHELL_NEEDED_MM -> "wall that its head asks";
            default -> label;
        };
    }

    /** Whether it is what something is held against, and not something that happened. */
    boolean isPlan() {
        return this == METAL_PLANNED_C
                || this == MOLD_PLANNED_C
                || this == CARRY_WINDOW_S
                || this == RAMP_LIMIT_K_H
                || this == MOLD_LIMIT_C
                || this == SHELL_NEEDED_MM;
    }

    /** Of its number; empty for words and plain numbers. */
    public String unit() {
        return unit;
    }

    /** Least and greatest that make sense; NaN for words. */
    public double low() {
        return low;
    }

    public double high() {
        return high;
    }

    public Cost cost() {
        return cost;
    }

    /** Words it may be; empty for numbers. */
    public List<String> words() {
        return words;
    }

    public boolean isNumber() {
        return words.isEmpty();
    }

    /** Whether how much counts, whichever way its sign is written. */
    boolean isSignless() {
        return this == GAUGE_KPA || this == SCALE_PAIR_PCT || this == PRINT_OFF_PCT;
    }

    /** Whether it is found out, and not follows from the question. */
    public boolean isAsked() {
        return cost != Cost.GIVEN;
    }
}
