package kilnryu.core.burnout;

import java.util.Optional;
import java.util.Set;
import kilnryu.core.flask.FlaskPlan;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.material.Section;
import kilnryu.core.quantity.Temperature;

/**
 * What a program is wanted for.
 *
 * @param mold temperature of the mold at the pour when the caster sets it, empty for the alloy's and section's
 * @param kilnMax highest the kiln reaches, empty when not known
 */
public record BurnoutQuestion(
        FlaskPlan flask,
        Set<PatternMaterial> patterns,
        Alloy alloy,
        Section section,
        BurnoutSchool school,
        Optional<Temperature> mold,
        Optional<Temperature> kilnMax) {
    /** Where the kiln starts, C. */
    public static final double START_C = 20;

    public BurnoutQuestion {
        patterns = Set.copyOf(patterns);
    }

    boolean anyChar() {
        return patterns.stream().anyMatch(PatternMaterial::leavesChar);
    }

    boolean anyHotDrain() {
        return patterns.stream().anyMatch(PatternMaterial::drainsHot);
    }

    boolean anyWax() {
        return patterns.stream().anyMatch(PatternMaterial::drainsAsWax);
    }

    double diameter() {
        return flask.flask().innerDiameter().millimetres();
    }
}
