package kilnryu.core.gating;

import java.util.Optional;
import kilnryu.core.sum.Figure;

/**
 * One line of a tree with its place: so many alike, each joined to another member or, for the first, to none.
 *
 * @param volume of all of them together, cm3
 * @param joint empty for the member everything hangs on, usually the cup
 * @param endsAt key of the member its other end runs into, empty for the mold's open top (vents) or nothing
 */
public record Member(
        String key, String name, Use use, int count, Form form, Figure volume, Optional<Joint> joint, String endsAt) {
    public double oneVolume() {
        return volume.value() / count;
    }

    /** Narrowest section a metal stream passes through one of them, mm2; NaN for bodies. */
    public double narrowest() {
        if (form instanceof Form.Round r) {
            double d = Math.min(r.root(), r.tip());
            return Math.PI / 4 * d * d;
        }
        return form instanceof Form.Bar b ? b.width() * b.thickness() : Double.NaN;
    }
}
