package kilnryu.core.gating;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Mark;

/**
 * Schools of gating. Casters differ in where the stream is held back and in what has to be vented; each school is a
 * consistent set of limits. Free tree: many gates, vacuum or spin draws gas through the mold. Choked: the sprue runs
 * full and the gates hold the stream back. Calm: areas grow, so that metal slows before it enters.
 */
public enum GatingSchool {
    FREE_TREE(
            "free-tree",
            "free tree, under vacuum or spun",
            "Many gates on one sprue; the gas is drawn through the mold, so blind ends are only noted.",
            0.5,
            30,
            false),
    GRAVITY(
            "gravity-tree",
            "free tree, poured by gravity",
            "Many gates on one sprue, nothing draws the gas: every high end wants a vent.",
            0.5,
            30,
            true),
    CHOKED(
            "choked",
            "choked, sprue to gates 1 : 0.4-0.9",
            "The gates hold the stream back, the sprue runs full; every high end wants a vent.",
            0.4,
            0.9,
            true),
    CALM(
            "calm",
            "calm from below, 1 : 1.2-4",
            "The channels widen, metal slows before it enters and rises; every high end wants a vent.",
            1.2,
            4,
            true);

    private final String key;
    private final String label;
    private final String says;
    private final Constant least;
    private final Constant most;
    private final boolean wantsVents;

    GatingSchool(String key, String label, String says, double least, double most, boolean wantsVents) {
        this.key = key;
        this.label = label;
        this.says = says;
        this.least = ratio("least", key, least);
        this.most = ratio("most", key, most);
        this.wantsVents = wantsVents;
    }

    private static Constant ratio(String which, String school, double value) {
        return new Constant(
                        "gating.ratio." + which + "." + school,
                        "asked",
                        school.replace('-', ' ') + ": gates to the sprue, at " + which,
                        value,
                        value * 0.5,
                        value * 2,
                        Measure.TIMES,
                        Mark.T,
                        "handbook 10, total gate to sprue area by school")
                .asChoice();
    }

    public static Optional<GatingSchool> named(String key) {
        return Arrays.stream(values()).filter(s -> s.key.equals(key)).findFirst();
    }

    static Stream<Constant> constants() {
        return Arrays.stream(values()).flatMap(s -> Stream.of(s.least, s.most));
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

    /** Limits of this school and those that all schools share; not those of the others. */
    public List<Constant> rules() {
        return GatingRules.constants().stream()
                .filter(c -> !c.key().startsWith("gating.ratio.") || c.equals(least) || c.equals(most))
                .toList();
    }

    /** The usual school of a flask, which stands under vacuum, or of a block or shell, which does not. */
    public static GatingSchool usual(boolean underVacuum) {
        return underVacuum ? FREE_TREE : GRAVITY;
    }

    /** Whether something draws the gas through the mold. */
    boolean drawsGas() {
        return this == FREE_TREE;
    }

    Constant least() {
        return least;
    }

    Constant most() {
        return most;
    }

    boolean wantsVents() {
        return wantsVents;
    }
}
