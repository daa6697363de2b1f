package kilnryu.app.firing;

import java.util.Optional;
import kilnryu.core.burnout.BurnoutProgram;
import kilnryu.core.burnout.HeldProgram;
import kilnryu.core.kiln.Firing;

/** A planned program tried on its mold alone: what the middle will do, and the program as it was tried. */
public record Foreseen(Firing firing, HeldProgram held) {

    /** Empty without a program. */
    public static Optional<Foreseen> of(BurnoutProgram program) {
        return program.held().map(h -> new Foreseen(h.run().firing(0), h));
    }
}
