package kilnryu.core.burnout;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import kilnryu.core.sum.Constant;

/** Consistent ways of burning out, where casters differ. */
public enum BurnoutSchool {
    DRY_FIRST(
            "dry-first",
            "dry first",
            "Hold at 150 °C until the middle is dry by the drying-front estimate, then ramp; cup up once drained.",
            true,
            false,
            true),
    STEPPED_OVERNIGHT(
            "stepped-overnight",
            "stepped overnight",
            "Fixed holds at 150 and 370 °C by size, the last water leaves on the way up; cup down throughout.",
            false,
            false,
            false),
    SWITCH_KILN(
            "switch-kiln",
            "switch kiln, by steps",
            "For a kiln without ramp control: small steps set by hand, each waited out; cup up once drained.",
            true,
            true,
            true);

    private final String key;
    private final String label;
    private final String says;
    private final boolean driesFirst;
    private final boolean bySteps;
    private final boolean turnsCupUp;

    BurnoutSchool(String key, String label, String says, boolean driesFirst, boolean bySteps, boolean turnsCupUp) {
        this.key = key;
        this.label = label;
        this.says = says;
        this.driesFirst = driesFirst;
        this.bySteps = bySteps;
        this.turnsCupUp = turnsCupUp;
    }

    public static Optional<BurnoutSchool> named(String key) {
        return Arrays.stream(values()).filter(s -> s.key.equals(key)).findFirst();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    /** What the school does, in a sentence. */
    public String says() {
        return says;
    }

    /** The limits and lengths of its holds and ramps; all schools share them, a studio's own may differ. */
    public List<Constant> rules() {
        return ProgramGenerator.constants();
    }

    boolean driesFirst() {
        return driesFirst;
    }

    boolean bySteps() {
        return bySteps;
    }

    /** Whether the mold is turned cup up once it has drained. */
    public boolean turnsCupUp() {
        return turnsCupUp;
    }
}
