package kilnryu.app.simulation;

import java.util.concurrent.CancellationException;

/** A simulation was stopped by someone of the studio for which it ran. */
public final class Stopped extends CancellationException {
    private static final long serialVersionUID = 1L;
    private final long studio;

    Stopped(long studio) {
        super("stopped");
        this.studio = studio;
    }

    long studio() {
        return studio;
    }
}
