package kilnryu.core.sum;

/** A studio's own value for a constant, in the constant's unit, and why. */
public record Replacement(double value, String reason) {}
