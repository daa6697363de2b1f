package kilnryu.core.piece;

import java.util.OptionalDouble;

/**
 * What a studio can hold, heat, melt and lift; each empty when it has none or it is not said.
 *
 * @param flaskDiameter inside, mm, of the largest flask
 * @param flaskHeight mm
 * @param chamberHeight mm free under the vacuum bell
 * @param kilnWidth mm
 * @param kilnHeight mm
 * @param tankDiameter of the largest slurry tank, mm
 * @param tankDepth mm
 * @param crucible cm3 of melt at most
 * @param lift kg that is lifted at most
 */
public record Equipment(
        OptionalDouble flaskDiameter,
        OptionalDouble flaskHeight,
        OptionalDouble chamberHeight,
        OptionalDouble kilnWidth,
        OptionalDouble kilnHeight,
        OptionalDouble tankDiameter,
        OptionalDouble tankDepth,
        OptionalDouble crucible,
        OptionalDouble lift) {}
