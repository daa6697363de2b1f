package kilnryu.core.quantity;

final class Finite {
    private Finite() {}

    static void check(String what, double value) {
        if (!Double.isFinite(value)) {
            throw new IllegalArgumentException(what + " is not a number: " + value);
        }
    }
}
