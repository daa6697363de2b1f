package kilnryu.core.shell;

import static kilnryu.core.shell.Coat.BACKUP;
import static kilnryu.core.shell.Coat.HEAVY_BACKUP;
import static kilnryu.core.shell.Coat.INTERMEDIATE;
import static kilnryu.core.shell.Coat.PLAIN_PRIME;
import static kilnryu.core.shell.Coat.PRIME;
import static kilnryu.core.shell.Coat.SEAL;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Mark;

/** Ways to build a shell that casters keep to (handbook 6). */
public enum ShellSchool {
    FEW_COATS("few-coats", "few coats", "Small pieces: dried well between, fired hard, poured soon."),
    MANY_COATS("many-coats", "many coats", "Two primes and backup upon backup: stands free, takes more days."),
    WIRE_BOUND("wire-bound", "wire-bound", "Steel wire between the backups holds a cracked shell together."),
    GRADED("graded", "graded", "Fine to coarse in steps: detail first, then thickness with few dips."),
    TO_THICKNESS("to-thickness", "to a thickness", "Coats until the shell measures what the metal asks.");

    private static final Constant SMALL = thickness("small", "shell of a small piece", 7, 5, 9);
    private static final Constant LARGE = thickness("large", "shell of more than 5 kg of metal", 10, 8, 14);
    private static final double LARGE_FROM_G = 5000;

    private final String key;
    private final String label;
    private final String says;

    ShellSchool(String key, String label, String says) {
        this.key = key;
        this.label = label;
        this.says = says;
    }

    private static Constant thickness(String key, String name, double value, double low, double high) {
        return new Constant(
                        "shell.thickness." + key,
                        "target",
                        name,
                        value,
                        low,
                        high,
                        Measure.MILLIMETRE,
                        Mark.T,
                        "handbook 6, thickness target")
                .asChoice();
    }

    public static Optional<ShellSchool> named(String key) {
        return Arrays.stream(values()).filter(s -> s.key.equals(key)).findFirst();
    }

    public static List<Constant> constants() {
        return List.of(SMALL, LARGE);
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

    /** Usual thickness for a mass of metal, mm. */
    public static Figure target(double metalGrams, Factors factors) {
        return factors.of(metalGrams > LARGE_FROM_G ? LARGE : SMALL);
    }

    /** @param target mm, for the schools that build to a thickness; the others keep to their number */
    public Recipe recipe(double target, Factors factors) {
        return switch (this) {
            case FEW_COATS -> of(0, List.of(List.of(PLAIN_PRIME, PRIME), times(4, BACKUP), List.of(SEAL)));
            case MANY_COATS -> of(0, List.of(times(2, PRIME), times(7, BACKUP), List.of(SEAL)));
            case WIRE_BOUND ->
                of(5, List.of(List.of(PRIME, INTERMEDIATE), times(3, BACKUP), times(4, BACKUP), List.of(SEAL)));
            case GRADED ->
                until(
                        target,
                        List.of(PLAIN_PRIME, PLAIN_PRIME, PRIME, PRIME, INTERMEDIATE),
                        HEAVY_BACKUP,
                        List.of(),
                        factors);
            case TO_THICKNESS -> until(target, List.of(PRIME, INTERMEDIATE), BACKUP, List.of(SEAL), factors);
        };
    }

    private static List<Coat> times(int n, Coat coat) {
        return Collections.nCopies(n, coat);
    }

    private Recipe until(double target, List<Coat> first, Coat backup, List<Coat> last, Factors factors) {
        double rest = target - built(first, factors) - built(last, factors);
        int n = (int) Math.ceil(rest / factors.value(backup.build()) - 1e-9);
        int most = Recipe.MOST_COATS - first.size() - last.size();
        return of(0, List.of(first, times(Math.max(1, Math.min(most, n)), backup), last));
    }

    private static double built(List<Coat> coats, Factors factors) {
        return coats.stream().mapToDouble(c -> factors.value(c.build())).sum();
    }

    private Recipe of(int wireAfter, List<List<Coat>> parts) {
        List<Coat> coats = new ArrayList<>();
        parts.forEach(coats::addAll);
        return new Recipe(key, label, says, coats, wireAfter);
    }
}
