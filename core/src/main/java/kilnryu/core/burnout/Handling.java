package kilnryu.core.burnout;

import java.util.Arrays;
import java.util.Optional;

/** How a fired shell comes to the pour, where casters differ. */
public enum Handling {
    COLD(
            "cold-handled",
            "cold-handled: fired, cooled, looked at and patched, preheated for the pour",
            "Cracks are seen and patched; two firings."),
    HOT(
            "hot-poured",
            "hot-poured: fired and poured from the same heat",
            "One firing and no thermal shock; nobody has looked for cracks, so a bed of sand is asked.");

    private final String key;
    private final String label;
    private final String says;

    Handling(String key, String label, String says) {
        this.key = key;
        this.label = label;
        this.says = says;
    }

    public static Optional<Handling> named(String key) {
        return Arrays.stream(values()).filter(h -> h.key.equals(key)).findFirst();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    public String says() {
        return says;
    }
}
