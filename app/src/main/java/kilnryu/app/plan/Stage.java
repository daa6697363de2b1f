package kilnryu.app.plan;

import java.util.Arrays;
import java.util.Optional;

/** Stages of a plan that are typed, in the order of the work. */
public enum Stage {
    TREE("tree", "Tree"),
    MOLD("mold", "Mold"),
    FIRING("firing", "Firing");

    private final String key;
    private final String label;

    Stage(String key, String label) {
        this.key = key;
        this.label = label;
    }

    public static Optional<Stage> named(String key) {
        return Arrays.stream(values()).filter(s -> s.key.equals(key)).findFirst();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }
}
