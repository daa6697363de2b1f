package kilnryu.core.flask;

import java.util.List;
import kilnryu.core.finding.Findings;
import kilnryu.core.sum.Figure;

/**
 * What filling a flask takes.
 *
 * @param fill volume of slurry, cm3
 * @param waterPer100 the ratio used
 * @param powder g
 * @param water g
 * @param slurry g
 * @param workingTime minutes from powder meeting water until the mix may no longer be moved
 * @param filledMass g of investment and tree, without the steel
 * @param stand minutes to stand undisturbed before the kiln
 */
public record FlaskPlan(
        Flask flask,
        Figure cylinder,
        Figure fill,
        Figure waterPer100,
        Figure powderDensity,
        Figure powder,
        Figure water,
        Figure slurry,
        Figure workingTime,
        Figure filledMass,
        Figure stand,
        Findings findings) {

    public List<Figure> figures() {
        return List.of(fill, powder, water, slurry, workingTime, filledMass);
    }
}
