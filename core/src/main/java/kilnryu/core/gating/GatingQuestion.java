package kilnryu.core.gating;

import java.util.Optional;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;

/**
 * A tree to be judged.
 *
 * @param pattern material of the pieces
 * @param metal temperature of the metal at the pour, C; empty when the alloy's range is not tabled
 * @param mold temperature of the mold at the pour, C
 * @param pourRate metal poured into the cup, kg/s; empty when not said: then what is usual for so much metal
 * @param in what it is cast in
 * @param vacuum at the table, kPa vacuum; empty when not said
 */
public record GatingQuestion(
        Assembly assembly,
        Alloy alloy,
        PatternMaterial pattern,
        Optional<Figure> metal,
        Optional<Figure> mold,
        Optional<Figure> pourRate,
        GatingSchool school,
        Factors factors,
        InMold in,
        Optional<Figure> vacuum) {
    /** In a usual flask, its vacuum not said. */
    public GatingQuestion(
            Assembly assembly,
            Alloy alloy,
            PatternMaterial pattern,
            Optional<Figure> metal,
            Optional<Figure> mold,
            Optional<Figure> pourRate,
            GatingSchool school,
            Factors factors) {
        this(assembly, alloy, pattern, metal, mold, pourRate, school, factors, InMold.FLASK, Optional.empty());
    }
}
