package kilnryu.core.diagnosis;

import java.util.List;
import java.util.Optional;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.sum.Constant;

/**
 * What came out, and what is known of how it was made. Defects of one casting, judged together.
 *
 * @param system empty for shells and own mixes
 * @param pattern empty where not known
 */
public record Case(
        Alloy alloy,
        Kind mold,
        Optional<InvestmentSystem> system,
        Optional<PatternMaterial> pattern,
        Facts facts,
        List<Defect> defects) {
    /** Kinds of molds. */
    public enum Kind {
        FLASK,
        BLOCK,
        SHELL;

        public String key() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    private static final double WAX_SOAK_H = 1;
    private static final double OTHER_SOAK_H = 2;
    private static final double FLASK_CURE_H = 1;
    private static final double BLOCK_CURE_H = 12;

    public Case {
        if (defects.isEmpty()) {
            throw new IllegalArgumentException("nothing is asked without a defect");
        }
        defects = List.copyOf(defects);
    }

    /** What is known, with what follows from the question itself: handbook 2, 4, 5, 7, 18. */
    Facts known() {
        Facts all = facts.with(FactKey.MOLD_KIND, mold.key(), Fact.How.MEASURED)
                .with(FactKey.REPEATS, yes(defects.stream().anyMatch(Defect::repeats)), Fact.How.MEASURED)
                .with(FactKey.ALUMINIUM, yes(alloy.is(Alloy.Trait.TAKES_UP_HYDROGEN)), Fact.How.MEASURED)
                .with(FactKey.ALLOY_LIMIT_C, alloy.mostC(), Fact.How.MEASURED)
                .with(FactKey.QUENCH_MOST_C, alloy.quench().high(), Fact.How.MEASURED)
                .with(FactKey.WALL_LIMIT_MM, ThinWall.of(alloy, mold), Fact.How.MEASURED)
                .with(FactKey.CURE_ASKED_H, mold == Kind.BLOCK ? BLOCK_CURE_H : FLASK_CURE_H, Fact.How.MEASURED);
        Optional<Fact> metal = all.get(FactKey.METAL_C);
        if (metal.isPresent()) {
            all = all.with(
                    FactKey.SUPERHEAT_K,
                    metal.get().number() - alloy.melting().liquidus(),
                    metal.get().how());
        }
        return ofSystem(ofPattern(all));
    }

    private Facts ofPattern(Facts all) {
        if (pattern.isEmpty()) {
            return all;
        }
        PatternMaterial p = pattern.get();
        boolean wax = p.family() == PatternMaterial.Family.WAX;
        return all.with(FactKey.PLASTIC, yes(!wax && p.family() != PatternMaterial.Family.ORGANIC), Fact.How.MEASURED)
                .with(FactKey.ASH, yes(p.ashPercent() > 0), Fact.How.MEASURED)
                .with(FactKey.UNKNOWN_PATTERN, yes(p == PatternMaterial.UNKNOWN_PLASTIC), Fact.How.MEASURED)
                .with(FactKey.SOAK_ASKED_H, wax ? WAX_SOAK_H : OTHER_SOAK_H, Fact.How.MEASURED);
    }

    private Facts ofSystem(Facts all) {
        Optional<Constant> water = system.flatMap(InvestmentSystem::waterPer100);
        if (system.isPresent() && all.get(FactKey.MOLD_LIMIT_C).isEmpty()) {
            all = all.with(FactKey.MOLD_LIMIT_C, system.get().maxC(), Fact.How.MEASURED);
        }
        return water.isEmpty()
                ? all
                : all.with(FactKey.WATER_MOST, water.get().high(), Fact.How.MEASURED)
                        .with(FactKey.WATER_USUAL, water.get().value(), Fact.How.MEASURED);
    }

    private static String yes(boolean is) {
        return is ? "yes" : "no";
    }
}
