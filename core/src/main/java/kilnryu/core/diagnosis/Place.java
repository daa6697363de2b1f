package kilnryu.core.diagnosis;

import java.util.Arrays;
import java.util.Optional;

/** Where on a casting a defect sits, as it hung in the mold (handbook 19). */
public enum Place {
    TOP("top", "top"),
    MIDDLE("middle", "middle height"),
    BOTTOM("bottom", "bottom"),
    NEAR_CUP("near-cup", "near the cup"),
    NEAR_GATE("near-gate", "near its gate"),
    JUNCTION("junction", "where parts join"),
    THICK("thick", "thick place"),
    THIN("thin", "thin place"),
    FAR_END("far-end", "far end"),
    BLIND_END("blind-end", "blind end"),
    CORE("core", "at the core"),
    OUTER_FACE("outer-face", "outer face"),
    UNDERSIDE("underside", "underside"),
    EVERYWHERE("everywhere", "everywhere");

    private final String key;
    private final String label;

    Place(String key, String label) {
        this.key = key;
        this.label = label;
    }

    public static Optional<Place> named(String key) {
        return Arrays.stream(values()).filter(p -> p.key.equals(key)).findFirst();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }
}
