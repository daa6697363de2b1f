package kilnryu.core.flask;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Mark;

/**
 * Ways of mixing and filling (handbook 4). The clock is that of the handbook; every school ends its last move within
 * the working time and then leaves the mold alone.
 */
public enum MixSchool {
    VACUUM(
            "vacuum",
            "vacuum: mix, vacuum the bowl, pour, vacuum the flask",
            "Air is drawn from the bowl, then from the filled flask; both must fit under the bell with room to rise.",
            move("mix", "Mix", 3, "Slow first, then smooth; scrape the sides."),
            move("vacuum-bowl", "Vacuum on the bowl", 1.5, "It rises and falls back; tap the table."),
            move("pour", "Pour down the side", 1, "Down the wall, never on the tree."),
            move("vacuum-flask", "Vacuum on the flask", 1.5, "Tap; stop when the bubbles are few.")),
    BRUSH(
            "brush",
            "brush and vibrate: coat the tree by brush, slow pour, vibrate",
            "No pump: the first mix is brushed into every corner, the rest poured thinly and shaken.",
            move("mix", "Mix", 3, "Slow, without whipping air in."),
            move("brush", "Brush mix over the tree", 1.5, "Into every corner, no bubbles on the wax."),
            move("pour", "Pour slowly down one side", 1.5, "A thin stream; it lifts the air ahead."),
            move("vibrate", "Vibrate and tap", 1, "Bubbles come up; stop when they are few.")),
    SLOW_POUR(
            "slow-pour",
            "slow pour: vacuum the bowl, pour slowly down the side",
            "For a flask taller than the chamber: only the bowl is under vacuum. Expect nodules under ledges and in"
                    + " blind corners, most on the upper third.",
            move("mix", "Mix", 3, "Slow first, then smooth; scrape the sides."),
            move("vacuum-bowl", "Vacuum on the bowl", 1.5, "It rises and falls back; tap the table."),
            move("pour", "Pour slowly down the side", 2, "A thread down the tilted wall; let it climb the tree."),
            move("tap", "Tap round the flask", 1, "A rubber hammer from the bottom up."));

    private final String key;
    private final String label;
    private final String says;
    private final List<Timed> timed;

    MixSchool(String key, String label, String says, Timed... moves) {
        this.key = key;
        this.label = label;
        this.says = says;
        this.timed = Stream.of(moves).map(m -> m.of(key)).toList();
    }

    private static Timed move(String key, String label, double minutes, String hint) {
        Constant length = new Constant(
                        key,
                        "length",
                        label.toLowerCase(java.util.Locale.ROOT),
                        minutes,
                        minutes / 3,
                        minutes * 2,
                        Measure.MINUTE,
                        Mark.T,
                        "handbook 4, clock of a mix")
                .asChoice();
        return new Timed(new Move(key, label, minutes, hint), length);
    }

    public static Optional<MixSchool> named(String key) {
        return Arrays.stream(values()).filter(s -> s.key.equals(key)).findFirst();
    }

    /** The lengths of all moves of all schools. */
    public static List<Constant> constants() {
        return Arrays.stream(values()).flatMap(s -> s.rules().stream()).toList();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    /** What the school does, in a sentence. */
    public String says() {
        return says;
    }

    /** Whether the filled flask goes under the bell. */
    boolean drawsFlask() {
        return this == VACUUM;
    }

    /** The lengths of its moves. */
    public List<Constant> rules() {
        return timed.stream().map(Timed::length).toList();
    }

    /** The timed moves in order, from the moment powder has met water. */
    public List<Move> moves(Factors factors) {
        return timed.stream()
                .map(t -> new Move(t.move.key, t.move.label, factors.value(t.length), t.move.hint))
                .toList();
    }

    public double minutesToLastMove(Factors factors) {
        return moves(factors).stream().mapToDouble(Move::minutes).sum();
    }

    /** One timed move of the mix. */
    public record Move(String key, String label, double minutes, String hint) {}

    /** A move whose length a studio may replace. */
    private record Timed(Move move, Constant length) {
        Timed of(String school) {
            Constant own = new Constant(
                            "mix." + school + "." + move.key,
                            length.symbol(),
                            school.replace('-', ' ') + ": " + length.name(),
                            length.value(),
                            length.low(),
                            length.high(),
                            length.unit(),
                            length.mark(),
                            length.source())
                    .asChoice();
            return new Timed(move, own);
        }
    }
}
