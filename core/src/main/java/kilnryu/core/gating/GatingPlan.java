package kilnryu.core.gating;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import kilnryu.core.finding.Findings;
import kilnryu.core.sum.Figure;

/**
 * What a tree's gating comes to.
 *
 * @param question what was asked
 * @param moduli by the member's key, mm
 * @param figures flow, times, head and the like, in the order they are shown
 * @param findings each placed at {@code member.} and the key of the member it is pinned to
 */
public record GatingPlan(
        GatingQuestion question,
        Assembly assembly,
        Placing placing,
        Map<String, Figure> moduli,
        List<Figure> figures,
        Findings findings) {
    /** Modulus of a member of the assembly, mm. */
    public Figure modulus(Member member) {
        return Objects.requireNonNull(moduli.get(member.key()), member.key());
    }
}
