package kilnryu.core.burnout;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kilnryu.core.sum.Constant;

/** Consistent ways of burning out, where casters differ. */
public enum BurnoutSchool {
    DRY_FIRST(
            "dry-first",
            "dry first",
            "Hold at 150 °C until the middle is dry, then ramp, slowly through the inversion; cup up once drained.",
            Habit.DRIES_FIRST,
            Habit.TURNS_UP,
            Habit.SLOW_INVERSION),
    QUICK_SMALL(
            "quick-small",
            "quick, small flask",
            "Dry at 150 °C, then up in one ramp at the limit of its size, burn out, come down; for flasks to 65 mm.",
            Habit.DRIES_FIRST),
    STEPPED_OVERNIGHT(
            "stepped-overnight",
            "stepped overnight",
            "Holds at 150 and 370 °C by size at the least, the last water leaves on the way up; cup down throughout.",
            Habit.SLOW_INVERSION),
    SLOW_BLOCK(
            "slow-block",
            "slow block",
            "Blocks and large molds: 30 K an hour, 15 over 50 kg; dry at 110 °C, a hold at 480, down as slowly.",
            Habit.DRIES_FIRST,
            Habit.SLOW_INVERSION,
            Habit.CARBON,
            Habit.SLOW),
    STEAM_FIRST(
            "steam-first",
            "steam first, then burnout",
            "Wax is steamed out before; the mold goes in wet and empty, cup down, and dries at 150 °C.",
            Habit.DRIES_FIRST,
            Habit.STEAMED,
            Habit.SLOW_INVERSION),
    PLASTIC_ASH_OUT(
            "plastic-ash-out",
            "filament and resin, ash blown out",
            "Drain at 230 °C, long air at 480, burn out, cool to the hand and blow the ash out, heat again for the pour.",
            Habit.DRIES_FIRST,
            Habit.TURNS_UP,
            Habit.SLOW_INVERSION,
            Habit.HOT_DRAIN,
            Habit.CARBON,
            Habit.ASH_OUT),
    UNKNOWN_SLOW(
            "unknown-slow",
            "unknown material, long low holds",
            "Half the usual ramps, holds at 180, 260 and 400 °C with the vent open, long air; never alone the first time.",
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
            Habit.DRIES_FIRST,
            Habit.TURNS_UP,
            Habit.SLOW_INVERSION,
            Habit.BY_STEPS);

    /** What a school does that others do not. */
    enum Habit {
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
    private final Set<Habit> habits;

    BurnoutSchool(String key, String label, String says, Habit... habits) {
        this.key = key;
        this.label = label;
        this.says = says;
        this.habits = Set.of(habits);
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

    boolean does(Habit habit) {
        return habits.contains(habit);
    }

    /** Whether the mold is turned cup up once it has drained. */
    public boolean turnsCupUp() {
        return does(Habit.TURNS_UP);
    }

    /** Whether its program is steps for a kiln with a switch. */
    public boolean bySteps() {
        return does(Habit.BY_STEPS);
    }
}
