package kilnryu.core.gating;

import java.util.Arrays;
import java.util.Optional;

/** What a member of a tree is for. */
public enum Use {
    PIECE("piece", "piece"),
    CUP("cup", "cup"),
    SPRUE("sprue", "sprue"),
    RUNNER("runner", "runner"),
    GATE("gate", "gate"),
    FEEDER("feeder", "feeder"),
    VENT("vent", "vent"),
    DRAIN("drain", "drain"),
    STUB("stub", "bubble stub");

    private final String key;
    private final String label;

    Use(String key, String label) {
        this.key = key;
        this.label = label;
    }

    public static Optional<Use> named(String key) {
        return Arrays.stream(values()).filter(u -> u.key.equals(key)).findFirst();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    /** Whether metal is meant to run through it. */
    boolean isChannel() {
        return this == CUP || this == SPRUE || this == RUNNER || this == GATE;
    }

    /** Whether gas may leave by it. */
    boolean letsGasOut() {
        return this == VENT || this == STUB || this == FEEDER;
    }
}
