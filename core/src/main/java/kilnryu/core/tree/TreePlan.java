package kilnryu.core.tree;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import kilnryu.core.finding.Findings;
import kilnryu.core.sum.Figure;

/**
 * What a tree comes to.
 *
 * @param partVolumes volume of each part in cm3 with its count, in the order of the parts
 * @param treeVolume cm3
 * @param patternMass g
 * @param cavityMetal g, metal that fills the cavity
 * @param ratioRuleMetal g by the simple rule, empty unless all is one pattern material
 * @param reserve g
 * @param charge g to melt
 * @param yield share of the pieces in the metal of the cavity, %; empty without pieces or without gating named
 */
public record TreePlan(
        Tree tree,
        List<Figure> partVolumes,
        Figure treeVolume,
        Figure patternMass,
        Figure cavityMetal,
        Optional<Figure> ratioRuleMetal,
        Figure reserve,
        Figure charge,
        Optional<Figure> yield,
        Findings findings) {

    /** All main figures in the order they are shown. */
    public List<Figure> figures() {
        return Stream.of(
                        Optional.of(treeVolume),
                        Optional.of(patternMass),
                        Optional.of(cavityMetal),
                        ratioRuleMetal,
                        Optional.of(reserve),
                        Optional.of(charge),
                        yield)
                .flatMap(Optional::stream)
                .toList();
    }
}
