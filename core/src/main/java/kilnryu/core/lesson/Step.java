package kilnryu.core.lesson;

import java.util.OptionalDouble;

/**
 * Something that is done by hand in class.
 *
 * @param hands min that it takes
 * @param least min at the least since the step before it was done
 * @param most min at the most since then; empty where it may wait as long as it likes
 * @param kiln min that a kiln works right before it, part of the wait; 0 where none does
 * @param splits whether it may be laid down and taken up in the next session
 * @param meanwhile what happens while it is waited for
 * @param spoils what becomes of it when that takes longer than it bears
 */
public record Step(
        String name,
        double hands,
        double least,
        OptionalDouble most,
        double kiln,
        boolean splits,
        String meanwhile,
        String spoils) {
    /** @throws IllegalArgumentException where it takes no time, or its kiln works longer than is waited */
    public Step {
        if (!(hands > 0) || !(least >= 0) || !(kiln >= 0) || kiln > least) {
            throw new IllegalArgumentException(name + ": over 0 min of hands, and a wait as long as its kiln");
        }
    }

    /** Work that may be split and waits for nothing. */
    public static Step loose(String name, double hands) {
        return new Step(name, hands, 0, OptionalDouble.empty(), 0, true, "", "");
    }
}
