package kilnryu.core.gating;

import java.util.Arrays;
import java.util.Optional;

/**
 * Schools of gating. Casters differ in where the stream is held back and in what has to be vented; each school is a
 * consistent set of limits. Free tree: many gates, vacuum or spin draws gas through the mold. Choked: the sprue runs
 * full and the gates hold the stream back. Calm: areas grow, so that metal slows before it enters.
 */
public enum GatingSchool {
    FREE_TREE("free-tree", "free tree, under vacuum or spun", 0.5, 30, false),
    CHOKED("choked", "choked, sprue to gates 1 : 0.4-0.9", 0.4, 0.9, true),
    CALM("calm", "calm from below, 1 : 1.2-4", 1.2, 4, true);

    private final String key;
    private final String label;
    private final double leastRatio;
    private final double mostRatio;
    private final boolean wantsVents;

    GatingSchool(String key, String label, double leastRatio, double mostRatio, boolean wantsVents) {
        this.key = key;
        this.label = label;
        this.leastRatio = leastRatio;
        this.mostRatio = mostRatio;
        this.wantsVents = wantsVents;
    }

    public static Optional<GatingSchool> named(String key) {
        return Arrays.stream(values()).filter(s -> s.key.equals(key)).findFirst();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    double leastRatio() {
        return leastRatio;
    }

    double mostRatio() {
        return mostRatio;
    }

    boolean wantsVents() {
        return wantsVents;
    }
}
