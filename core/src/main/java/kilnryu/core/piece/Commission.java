package kilnryu.core.piece;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.PatternMaterial;

/**
 * A piece and what is wanted of it, as far as it is known.
 *
 * @param longest mm
 * @param middle mm
 * @param shortest mm
 * @param volume of metal of one, cm3
 * @param thinnest wall, mm
 * @param days until it is due
 */
public record Commission(
        Alloy alloy,
        PatternMaterial material,
        double longest,
        double middle,
        double shortest,
        OptionalDouble volume,
        OptionalDouble thinnest,
        boolean hollow,
        int count,
        Optional<Finish> finish,
        OptionalInt days) {

    /** How fine the face has to come out of the mold. */
    public enum Finish {
        FINE,
        ORDINARY,
        ROUGH
    }
}
