package kilnryu.core.material;

import java.util.ArrayList;
import java.util.List;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;

/**
 * A powder mixed by the studio: ingredients with mass shares that sum to 100 %. Its true density is the inverse of the
 * sum of share over density (handbook 2, exact). Warnings are the handbook's own model.
 */
public record Blend(List<Ingredient> ingredients) {
    /** Shares may miss 100 by this much, in percent, from rounding. */
    private static final double ROUNDING = 0.05;

    /** What an ingredient does in the mix. */
    public enum Role {
        BINDER,
        REFRACTORY,
        FREE_SAND,
        FILLER,
        FIBRE,
        CEMENT
    }

    /** @param share mass share in percent; @param density true density in g/cm3 */
    public record Ingredient(String name, Role role, double share, double density) {}

    public Blend {
        ingredients = List.copyOf(ingredients);
        double total = ingredients.stream().mapToDouble(Ingredient::share).sum();
        if (Math.abs(total - 100) > ROUNDING) {
            throw new IllegalArgumentException("the shares sum to " + total + " %, not 100 %");
        }
        if (ingredients.stream().anyMatch(i -> i.share < 0 || i.density <= 0)) {
            throw new IllegalArgumentException("shares may not be negative, densities must be positive");
        }
    }

    /** True density of the powder, g/cm3. */
    public double trueDensity() {
        return 1
                / ingredients.stream()
                        .mapToDouble(i -> i.share / 100 / i.density)
                        .sum();
    }

    public Findings check() {
        List<Finding> found = new ArrayList<>();
        if (share(Role.REFRACTORY) + share(Role.FREE_SAND) == 0) {
            found.add(warn(
                    "blend-no-refractory", "No refractory in the blend.", "It will crack in the fire.", "Add silica."));
        }
        if (share(Role.BINDER) > 60) {
            found.add(warn("blend-binder", "Binder is over 60 %.", "It is likely to crack.", "Bring it to 30-50 %."));
        }
        if (share(Role.FREE_SAND) > 75) {
            found.add(warn("blend-sand", "Free sand is over 75 %.", "The mold is weak.", "Replace some by binder."));
        }
        if (share(Role.CEMENT) > 0) {
            found.add(warn("blend-cement", "Cement in the blend.", "It spalls under fire.", "Small parts only."));
        }
        return new Findings(found);
    }

    private double share(Role role) {
        return ingredients.stream()
                .filter(i -> i.role == role)
                .mapToDouble(Ingredient::share)
                .sum();
    }

    private static Finding warn(String id, String message, String reason, String remedy) {
        return Finding.warn(id, "blend", message, reason, remedy);
    }
}
