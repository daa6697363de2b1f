package kilnryu.core.kiln;

/** Looks on while a kiln is simulated. */
@FunctionalInterface
public interface Watch {
    Watch NOBODY = second -> {};

    /**
     * After each step, with how far the run is, s. Whatever this throws ends the run; it is of no more use then.
     */
    void at(double second);
}
