package kilnryu.core.flask;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * Ways of mixing and filling (handbook 4). The clock is that of the handbook; both schools end their last move within
 * the working time and then leave the mold alone.
 */
public enum MixSchool {
    VACUUM(
            "vacuum",
            "vacuum: mix, vacuum the bowl, pour, vacuum the flask",
            List.of(
                    new Move("mix", "Mix", 3, "Slow first, then smooth; scrape the sides."),
                    new Move("vacuum-bowl", "Vacuum on the bowl", 1.5, "It rises and falls back; tap the table."),
                    new Move("pour", "Pour down the side", 1, "Down the wall, never on the tree."),
                    new Move("vacuum-flask", "Vacuum on the flask", 1.5, "Tap; stop when the bubbles are few."))),
    BRUSH(
            "brush",
            "brush and vibrate: coat the tree by brush, slow pour, vibrate",
            List.of(
                    new Move("mix", "Mix", 3, "Slow, without whipping air in."),
                    new Move("brush", "Brush mix over the tree", 1.5, "Into every corner, no bubbles on the wax."),
                    new Move("pour", "Pour slowly down one side", 1.5, "A thin stream; it lifts the air ahead."),
                    new Move("vibrate", "Vibrate and tap", 1, "Bubbles come up; stop when they are few.")));

    private final String key;
    private final String label;
    private final List<Move> moves;

    MixSchool(String key, String label, List<Move> moves) {
        this.key = key;
        this.label = label;
        this.moves = moves;
    }

    public static Optional<MixSchool> named(String key) {
        return Arrays.stream(values()).filter(s -> s.key.equals(key)).findFirst();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    /** The timed moves in order, from the moment powder has met water. */
    public List<Move> moves() {
        return moves;
    }

    public double minutesToLastMove() {
        return moves.stream().mapToDouble(Move::minutes).sum();
    }

    /** One timed move of the mix. */
    public record Move(String key, String label, double minutes, String hint) {}
}
