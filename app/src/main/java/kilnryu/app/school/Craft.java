package kilnryu.app.school;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import kilnryu.core.burnout.BurnoutSchool;
import kilnryu.core.flask.MixSchool;
import kilnryu.core.gating.GatingSchool;
import kilnryu.core.sum.Constant;

/** A step of the work in which schools differ, with the schools that come along. */
public enum Craft {
    GATING(
            "gating",
            "Gating",
            "gating_school",
            schools(GatingSchool.values(), s -> new Named(s.key(), s.label(), s.says(), s.rules()))),
    MIXING(
            "mixing",
            "Mixing and filling",
            "mix_school",
            schools(MixSchool.values(), s -> new Named(s.key(), s.label(), s.says(), s.rules()))),
    BURNOUT(
            "burnout",
            "Burnout",
            "school",
            schools(BurnoutSchool.values(), s -> new Named(s.key(), s.label(), s.says(), s.rules())));

    private final String key;
    private final String label;
    private final String field;
    private final List<Named> schools;

    Craft(String key, String label, String field, List<Named> schools) {
        this.key = key;
        this.label = label;
        this.field = field;
        this.schools = schools;
    }

    /** A school that comes along: what it does, and the constants that make it. */
    public record Named(String key, String label, String says, List<Constant> rules) {
        public Named {
            rules = rules.stream().filter(Constant::replaceable).toList();
        }
    }

    public static Optional<Craft> named(String key) {
        return Arrays.stream(values()).filter(c -> c.key.equals(key)).findFirst();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    /** The field of a plan's sheet that names the school. */
    public String field() {
        return field;
    }

    public List<Named> schools() {
        return schools;
    }

    public Optional<Named> school(String name) {
        return schools.stream().filter(s -> s.key.equals(name)).findFirst();
    }

    private static <T> List<Named> schools(T[] values, Function<T, Named> named) {
        return Stream.of(values).map(named).toList();
    }
}
