package kilnryu.core.tree;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.material.PatternMaterial.Family;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;

/** What stands against a tree before it has a mold. */
final class TreeChecks {
    private static final double ALIKE = 0.05;

    private TreeChecks() {}

    static Findings check(Tree tree, Figure charge, Factors factors) {
        List<Finding> found = new ArrayList<>();
        for (int i = 0; i < tree.parts().size(); i++) {
            weighedPrint(i, tree.parts().get(i), found);
        }
        materials(tree).forEach(m -> caution(m, found));
        if (mixed(tree, factors)) {
            found.add(Finding.note(
                    "mixed-materials",
                    "parts",
                    "The tree is of more than one pattern material.",
                    "The simple ratio of wax to metal does not hold for it.",
                    "Use the metal by volume; it takes each part with its own density."));
        }
        boolean weighed = tree.parts().stream().anyMatch(p -> p.amount() instanceof Amount.Weighed);
        if (tree.tare().isPresent() && !weighed) {
            found.add(Finding.note(
                    "tare-later",
                    "tare",
                    "The tare waits: no part is weighed yet.",
                    "It is taken off the first part that is weighed, or off the whole tree at the weigh-in.",
                    "Weigh the tree, or leave it."));
        }
        alloy(tree.alloy(), found, charge);
        return new Findings(found);
    }

    /** Whether the pieces are so little of the metal that most of it is melted for nothing. */
    static Findings yield(Optional<Figure> share, Factors factors) {
        double asked = factors.value(TreePlanner.LEAST_YIELD);
        return new Findings(share
                .filter(s -> s.value() < asked)
                .map(s -> Finding.warn(
                                "yield-low",
                                "parts",
                                String.format(
                                        Locale.ROOT,
                                        "Only %.0f %% of the metal is in the pieces; at least %.0f asked.",
                                        s.value(),
                                        asked),
                                "Most of the charge is melted for sprue, cup and feeders, and cut off again.",
                                "More pieces on the tree, a slimmer cup and sprue, a feeder elsewhere or an insulated sleeve, a chill, or a hollow piece.")
                        .from(s))
                .stream()
                .toList());
    }

    /** Whether materials of clearly different density stand in it: 0.96 beside 0.95 is no mixture. */
    private static boolean mixed(Tree tree, Factors factors) {
        var densities = materials(tree).stream()
                .mapToDouble(m -> factors.value(m.density()))
                .summaryStatistics();
        return densities.getMax() > densities.getMin() * (1 + ALIKE);
    }

    private static void weighedPrint(int index, Part part, List<Finding> found) {
        boolean print = part.material().family() == Family.FILAMENT;
        if (print && part.amount() instanceof Amount.Weighed) {
            found.add(Finding.warn(
                    "weighed-print." + (index + 1),
                    "part." + (index + 1),
                    part.name() + " is a filament print known only by its mass.",
                    "If it is hollow or has infill, metal fills its outer volume and far more is needed.",
                    "Weigh the water it lifts, or give mass, area, wall and infill; by mass only when it is solid."));
        }
    }

    private static List<PatternMaterial> materials(Tree tree) {
        return tree.parts().stream()
                .flatMap(p -> java.util.stream.Stream.concat(
                        java.util.stream.Stream.of(p.material()),
                        p.coat().stream().map(Coat::material)))
                .distinct()
                .toList();
    }

    private static void caution(PatternMaterial material, List<Finding> found) {
        if (material.caution().isEmpty()) {
            return;
        }
        String id = "material." + material.key();
        String what = capital(material.label()) + ": " + material.leaves() + ", leaves " + material.residue() + ".";
        found.add(
                material == PatternMaterial.UNKNOWN_PLASTIC
                        ? Finding.warn(id, "parts", what, material.caution(), "Identify it, or test a scrap.")
                        : Finding.note(id, "parts", what, material.caution(), "Plan the burnout for it."));
    }

    private static void alloy(Alloy alloy, List<Finding> found, Figure charge) {
        if (alloy.containsLead()) {
            found.add(Finding.warn(
                            "lead",
                            "alloy",
                            capital(alloy.label()) + " contains lead.",
                            "Fume and dust poison; it may not touch food or drink.",
                            "Use a lead-free bronze, or respirator, hood and clean hands; ask a qualified person.")
                    .from(charge));
        }
        if (alloy.is(Alloy.Trait.ZINC_FUME)) {
            found.add(Finding.note(
                    "zinc-fume",
                    "alloy",
                    capital(alloy.label()) + " gives off zinc fume.",
                    "Zinc boils off over-heated metal: fume fever and a changed alloy.",
                    String.format(java.util.Locale.ROOT, "Hood and outside vent; never over %.0f °C.", alloy.mostC())));
        }
    }

    private static String capital(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }
}
