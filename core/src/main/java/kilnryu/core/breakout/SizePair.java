package kilnryu.core.breakout;

import java.util.OptionalDouble;

/**
 * One measure of a piece, taken at the same place of the pattern as drawn, of its print, and of the casting (handbook 19; needs 120-122). All in mm.
 *
 * @param way an outside, or a bore
 * @param wanted by the drawing; empty where none is asked
 * @param tolerance either way; empty where none is asked
 * @param hot measured before it was cold
 */
public record SizePair(
        Way way,
        OptionalDouble pattern,
        OptionalDouble print,
        OptionalDouble casting,
        OptionalDouble wanted,
        OptionalDouble tolerance,
        boolean hot) {
    /** What is measured: metal can be taken off an outside, and out of a bore. */
    public enum Way {
        OUTSIDE,
        BORE
    }

    /** What a size says of a casting. */
    public enum Judged {
        ACCEPT("accept"),
        REWORK("rework"),
        SCRAP("scrap"),
        NOT_YET("not yet judged");

        private final String label;

        Judged(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** Hot, or without a casting, size or tolerance, nothing is judged. */
    public Judged judged() {
        if (hot || casting.isEmpty() || wanted.isEmpty() || tolerance.isEmpty()) {
            return Judged.NOT_YET;
        }
        double off = casting.getAsDouble() - wanted.getAsDouble();
        if (Math.abs(off) <= tolerance.getAsDouble() + 1e-9) {
            return Judged.ACCEPT;
        }
        boolean metalLeft = way == Way.OUTSIDE ? off > 0 : off < 0;
        return metalLeft ? Judged.REWORK : Judged.SCRAP;
    }

    /** Casting over what the mold was made on: the print where it was measured, else the pattern; empty while hot. */
    public OptionalDouble ratio() {
        OptionalDouble before = print.isPresent() ? print : pattern;
        return hot || casting.isEmpty() || before.isEmpty()
                ? OptionalDouble.empty()
                : OptionalDouble.of(casting.getAsDouble() / before.getAsDouble());
    }

    /** How far the print is off the pattern as it was drawn, %: what is not the metal's doing. */
    public OptionalDouble printOff() {
        return print.isEmpty() || pattern.isEmpty()
                ? OptionalDouble.empty()
                : OptionalDouble.of((print.getAsDouble() / pattern.getAsDouble() - 1) * 100);
    }
}
