package kilnryu.core.mesh;

/** Told how far long work has come; may end it. */
@FunctionalInterface
public interface Watch {
    /** Nobody looks. */
    Watch NONE = (step, share) -> true;

    /** Long steps, in their order. */
    enum Step {
        READ,
        JOIN,
        WALLS,
        POCKETS,
        UNDERCUTS
    }

    /** @param share done of the step, 0 to 1; NaN when its end is not known. @return false to end the work */
    boolean goOn(Step step, double share);

    /** @throws Cancelled when the one who watches said so */
    default void report(Step step, double share) {
        if (!goOn(step, share)) {
            throw new Cancelled();
        }
    }

    /** Work was ended by the one who watches. */
    final class Cancelled extends RuntimeException {
        private static final long serialVersionUID = 1L;

        Cancelled() {
            super("ended on request", null, false, false);
        }
    }
}
