package kilnryu.core.wax;

import java.util.Arrays;
import java.util.Optional;

/** Why an injected pattern is thrown back into the pot, and what most often mends it (handbook 27; remedies ours). */
public enum InjectionFault {
    SHORT("short", "Vents where it stays short, warmer wax or mold, then a little more pressure."),
    BUBBLE("bubble", "Less pressure at first, nozzle seated before the valve opens, wax let stand until it is still."),
    SINK("sink", "Hold longer, cooler wax, the gate where it is thickest."),
    FLASH("flash", "Less pressure, boards and clamp, wax out of the seam."),
    BROKEN("broken", "Let it set longer, release agent, pull along its opening.");

    private final String key;
    private final String remedy;

    InjectionFault(String key, String remedy) {
        this.key = key;
        this.remedy = remedy;
    }

    public static Optional<InjectionFault> named(String key) {
        return Arrays.stream(values()).filter(f -> f.key.equals(key)).findFirst();
    }

    public String key() {
        return key;
    }

    public String remedy() {
        return remedy;
    }
}
