package kilnryu.core.mesh;

import java.util.Arrays;
import java.util.Optional;

/** The length one unit of a file stands for. */
public enum MeshUnit {
    MICRON("micron", 0.001),
    MILLIMETRE("mm", 1),
    CENTIMETRE("cm", 10),
    INCH("in", 25.4),
    FOOT("ft", 304.8),
    METRE("m", 1000);

    private final String key;
    private final double millimetres;

    MeshUnit(String key, double millimetres) {
        this.key = key;
        this.millimetres = millimetres;
    }

    public static Optional<MeshUnit> named(String key) {
        return Arrays.stream(values()).filter(u -> u.key.equals(key)).findFirst();
    }

    public String key() {
        return key;
    }

    public double millimetres() {
        return millimetres;
    }
}
