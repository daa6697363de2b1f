package kilnryu.core.finding;

import java.util.Optional;
import kilnryu.core.sum.Figure;
import org.jspecify.annotations.Nullable;

/**
 * One thing a check found.
 *
 * @param id stable name of the check, with the place when it can occur more than once
 * @param safety a stop that nobody can overrule
 * @param place the part of the plan it is pinned to, such as {@code alloy}, {@code water} or {@code part.2}
 * @param message what is so
 * @param reason why it matters
 * @param remedy what to do
 * @param figure the figure it came from, null when it came from a choice
 */
public record Finding(
        String id,
        Severity severity,
        boolean safety,
        String place,
        String message,
        String reason,
        String remedy,
        @Nullable Figure figure) {
    public Finding {
        if (safety && severity != Severity.STOP) {
            throw new IllegalArgumentException("only a stop can be one of safety");
        }
    }

    public static Finding stop(String id, String place, String message, String reason, String remedy) {
        return new Finding(id, Severity.STOP, false, place, message, reason, remedy, null);
    }

    /** A stop where someone could be hurt: it cannot be overruled. */
    public static Finding safetyStop(String id, String place, String message, String reason, String remedy) {
        return new Finding(id, Severity.STOP, true, place, message, reason, remedy, null);
    }

    public static Finding warn(String id, String place, String message, String reason, String remedy) {
        return new Finding(id, Severity.WARN, false, place, message, reason, remedy, null);
    }

    public static Finding note(String id, String place, String message, String reason, String remedy) {
        return new Finding(id, Severity.NOTE, false, place, message, reason, remedy, null);
    }

    public Finding from(Figure itsFigure) {
        return new Finding(id, severity, safety, place, message, reason, remedy, itsFigure);
    }

    public Optional<Figure> figureBehind() {
        return Optional.ofNullable(figure);
    }
}
