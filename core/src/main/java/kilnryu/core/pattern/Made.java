package kilnryu.core.pattern;

import java.util.Arrays;
import java.util.Optional;

/** How a pattern came to be. */
public enum Made {
    SLUSHED("slushed", "slushed"),
    PRINTED("printed", "printed"),
    CARVED("carved", "carved, modelled"),
    FOUND("found", "found thing");

    private final String key;
    private final String label;

    Made(String key, String label) {
        this.key = key;
        this.label = label;
    }

    public static Optional<Made> named(String key) {
        return Arrays.stream(values()).filter(m -> m.key.equals(key)).findFirst();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }
}
