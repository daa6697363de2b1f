package kilnryu.core.shell;

import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;

/**
 * Which school and thickness suits a casting, from its metal, head and section (handbook 6: pick by metal mass and head).
 *
 * @param target thickness, mm
 * @param reason in a sentence
 */
public record Proposal(ShellSchool school, double target, String reason) {
    private static final double SMALL_G = 1000;
    private static final double MIDDLE_G = 5000;
    private static final double LARGE_G = 15_000;

    /**
     * @param metal g
     * @param places where the shell is loaded, may be empty
     * @param density of the alloy, g/cm3: light metal asks for less
     * @param fineDetail whether the face is finer than usual
     */
    public static Proposal of(
            double metal, List<Strength.Place> places, Figure density, boolean fineDetail, Factors factors) {
        double usual = ShellSchool.target(metal, factors).value();
        double asked = places.stream()
                .mapToDouble(p -> Strength.thinnest(p, density, false, factors))
                .max()
                .orElse(0);
        double target = Math.max(usual, Math.ceil(asked * 1.3 * 2) / 2);
        boolean byHead = asked * 1.3 > usual;
        String why = byHead
                ? say("the head asks for %.1f mm and a third more", asked)
                : say("%.0f mm are usual for %.1f kg of metal", usual, metal / 1000);
        if (byHead && target > 15 || metal > LARGE_G) {
            return new Proposal(ShellSchool.WIRE_BOUND, target, "Wire-bound: " + why + "; wire holds what cracks.");
        }
        if (fineDetail) {
            return new Proposal(ShellSchool.GRADED, target, "Graded: fine detail wants several primes; " + why + ".");
        }
        if (metal <= SMALL_G && !byHead) {
            return new Proposal(ShellSchool.FEW_COATS, target, "Few coats: small and light; " + why + ".");
        }
        return metal <= MIDDLE_G && !byHead
                ? new Proposal(ShellSchool.MANY_COATS, target, "Many coats: it stands free; " + why + ".")
                : new Proposal(ShellSchool.TO_THICKNESS, target, "To a thickness: " + why + ".");
    }

    /** The five schools for one piece, side by side; each asked for the same thickness. */
    public static List<Recipe> all(double target, Factors factors) {
        return Stream.of(ShellSchool.values())
                .map(s -> s.recipe(target, factors))
                .toList();
    }

    private static String say(String words, Object... values) {
        return String.format(Locale.ROOT, words, values);
    }
}
