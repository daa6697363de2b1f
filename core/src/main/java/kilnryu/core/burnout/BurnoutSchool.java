package kilnryu.core.burnout;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kilnryu.core.sum.Constant;

/** Consistent ways of burning out, where casters differ. */
public enum BurnoutSchool {
    STANDARD(
            "standard",
            "standard steps",
            "Levels at 150, 370, 480 and 730 °C by the size of the flask, longer where the middle asks; dry before 400 °C is passed.",
            400,
            Habit.LEVELS,
            Habit.TURNS_UP),
    DRY_FIRST(
            "dry-first",
            "dry first",
            "Hold at 150 °C until the middle is dry, then ramp, slowly through the inversion; cup up once drained.",
            150,
            Habit.DRIES_FIRST,
            Habit.TURNS_UP,
            Habit.SLOW_INVERSION),
    QUICK_SMALL(
            "quick-small",
            "quick, small flask",
            "Dry at 150 °C, then up in one ramp at the limit of its size, burn out, come down; for flasks to 65 mm.",
            150,
            Habit.DRIES_FIRST),
    STEPPED_OVERNIGHT(
            "stepped-overnight",
            "stepped overnight",
            "The standard steps, cup down throughout, and a wait at the pour where someone would have to get up at night.",
            400,
            Habit.LEVELS,
            Habit.OVERNIGHT),
    SLOW_BLOCK(
            "slow-block",
            "slow block",
            "Blocks and large molds: 30 K an hour, 18 over 50 kg; dry before 250 °C is passed, a hold at 480, down as slowly.",
            250,
            Habit.SLOW_INVERSION,
            Habit.CARBON,
            Habit.SLOW),
    STEAM_FIRST(
            "steam-first",
            "steam first, then burnout",
            "Most wax is steamed out before; the mold goes in wet at once, cup down, and up by the standard steps.",
            400,
            Habit.LEVELS,
            Habit.STEAMED),
    PLASTIC_ASH_OUT(
            "plastic-ash-out",
            "filament and resin, ash blown out",
            "Drain at 230 °C, air from 370, a long hold at 480, burn out, cool to the hand and blow the ash out, heat again for the pour.",
            400,
            Habit.LEVELS,
            Habit.TURNS_UP,
            Habit.HOT_DRAIN,
            Habit.CARBON,
            Habit.ASH_OUT),
    UNKNOWN_SLOW(
            "unknown-slow",
            "unknown material, long low holds",
            "Half the usual ramps, holds at 180, 260 and 400 °C with the vent open, long air; never alone the first time.",
            150,
            Habit.DRIES_FIRST,
            Habit.TURNS_UP,
            Habit.SLOW_INVERSION,
            Habit.HOT_DRAIN,
            Habit.CARBON,
            Habit.CAREFUL),
    SWITCH_KILN(
            "switch-kiln",
            "switch kiln, by steps",
            "For a kiln without ramp control: small steps set by hand, each waited out; cup up once drained.",
            400,
            Habit.LEVELS,
            Habit.TURNS_UP,
            Habit.BY_STEPS);

    /** What a school does that others do not. */
    enum Habit {
        LEVELS,
        OVERNIGHT,
        DRIES_FIRST,
        TURNS_UP,
        SLOW_INVERSION,
        HOT_DRAIN,
        CARBON,
        SLOW,
        STEAMED,
        ASH_OUT,
        CAREFUL,
        BY_STEPS
    }

    private final String key;
    private final String label;
    private final String says;
    private final double dryBefore;
    private final Set<Habit> habits;

    BurnoutSchool(String key, String label, String says, double dryBefore, Habit... habits) {
        this.dryBefore = dryBefore;
        this.key = key;
        this.label = label;
        this.says = says;
        this.habits = Set.of(habits);
    }

    /** By its key, or by the short name the API gives it: filament, unknown, overnight, switch. */
    public static Optional<BurnoutSchool> named(String name) {
        String key = switch (name) {
            case "filament" -> PLASTIC_ASH_OUT.key;
            case "unknown" -> UNKNOWN_SLOW.key;
            case "overnight" -> STEPPED_OVERNIGHT.key;
            case "switch" -> SWITCH_KILN.key;
            default -> name;
        };
        return Arrays.stream(values()).filter(s -> s.key.equals(key)).findFirst();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    /** The usual school of a flask, or of a block. */
    public static BurnoutSchool usual(boolean block) {
        return block ? SLOW_BLOCK : STANDARD;
    }

    /** The mold has to be dry before its face passes this, C. */
    double dryBefore() {
        return dryBefore;
    }

    /** What the school does, in a sentence. */
    public String says() {
        return says;
    }

    /** The limits and lengths of its holds and ramps; all schools share them, a studio's own may differ. */
    public List<Constant> rules() {
        return ProgramGenerator.constants();
    }

    boolean does(Habit habit) {
        return habits.contains(habit);
    }

    /** Whether the mold is turned cup up once it has drained. */
    public boolean turnsCupUp() {
        return does(Habit.TURNS_UP);
    }

    /** Whether it waits at the pour so that nobody gets up at night. */
    public boolean sleeps() {
        return does(Habit.OVERNIGHT);
    }

    /** Whether its program is steps for a kiln with a switch. */
    boolean bySteps() {
        return does(Habit.BY_STEPS);
    }
}
