package kilnryu.core.quantity;

/**
 * What was read from something typed: its value in the working unit asked for, the last unit typed (or the one taken
 * when none was), and whether it was taken.
 */
public record Typed(double value, Measure working, Measure typedIn, boolean unitTaken, String text) {

    /** The value in the unit it was typed in. */
    public double valueAsTyped() {
        return working.to(typedIn, value);
    }
}
