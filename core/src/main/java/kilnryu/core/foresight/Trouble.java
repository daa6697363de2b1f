package kilnryu.core.foresight;

import java.util.List;
import kilnryu.core.finding.Severity;
import kilnryu.core.mesh.Vec;

/**
 * One place at which a casting goes wrong.
 *
 * @param number of its mark
 * @param at its place, mm, cup up, the rim at 0
 * @param key of the member it is in
 * @param others further ones of the same member with the like
 * @param volume cm3 that lack there
 * @param percent of the one casting
 * @param title what and where, with its size
 * @param says why, in a sentence or two
 * @param helps changes that would help, the best first
 */
public record Trouble(
        int number,
        Kind kind,
        Severity severity,
        Vec at,
        String key,
        int others,
        double volume,
        double percent,
        String title,
        String says,
        List<Change> helps) {
    /** What goes wrong. */
    public enum Kind {
        /** Liquid that is left alone: a hollow inside. */
        POOL,
        /** A surface under air sinks into the piece. */
        SUNK,
        /** Air that is shut in. */
        AIR,
        /** Metal that is solid before it is there. */
        STOP
    }

    public Trouble {
        helps = List.copyOf(helps);
    }

    Trouble numbered(int by) {
        return new Trouble(by, kind, severity, at, key, others, volume, percent, title, says, helps);
    }
}
