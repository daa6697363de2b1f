package kilnryu.core.piece;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.stream.IntStream;

/**
 * Whether a piece goes into the studio's equipment in one, and if not, in how many sections.
 *
 * @param kind of mold
 * @param over what is too small and by how much, empty when it goes in whole
 * @param number of sections proposed, 1 when it goes in whole, 0 when cutting its length does not help
 * @param sectionLength of each section along the longest side, mm, with its lap for the weld
 */
public record Sections(Shrinkage.MoldKind kind, List<String> over, int number, double sectionLength) {
    /** Added to each cut face, for fitting and welding, mm. */
    private static final double LAP = 3;

    /** Metal poured for each part of metal in the piece. */
    private static final double GATED = 1.35;

    private static final int MOST = 40;

    public static Sections of(Shrinkage.MoldKind kind, Commission piece, Equipment equipment) {
        List<String> over = over(kind, piece, equipment, 1);
        if (over.isEmpty()) {
            return new Sections(kind, over, 1, piece.longest());
        }
        int number = IntStream.rangeClosed(2, MOST)
                .filter(n -> over(kind, piece, equipment, n).isEmpty())
                .findFirst()
                .orElse(0);
        return new Sections(kind, over, number, number == 0 ? 0 : each(piece, number));
    }

    /** Length of one of so many sections along the longest side, with its lap, mm. */
    static double each(Commission piece, int number) {
        return piece.longest() / number + (number > 1 ? LAP : 0);
    }

    /** Metal melted for one of so many sections, cm3. */
    static double melt(Commission piece, int number) {
        return piece.volume().orElse(0) * GATED / number;
    }

    /** What one of so many sections is too large for. */
    static List<String> over(Shrinkage.MoldKind kind, Commission piece, Equipment equipment, int number) {
        Room room = room(kind, piece, equipment);
        List<String> over = new ArrayList<>();
        exceeds(each(piece, number), room.length, room.what + " in length", over);
        exceeds(piece.middle(), room.width, room.what + " in width", over);
        double metal = melt(piece, number);
        if (equipment.crucible().isPresent() && metal > equipment.crucible().getAsDouble()) {
            over.add(String.format(
                    Locale.ROOT,
                    "With gating it takes %.0f cm³ of melt, %.0f more than the crucible holds.",
                    metal,
                    metal - equipment.crucible().getAsDouble()));
        }
        return List.copyOf(over);
    }

    private record Room(String what, OptionalDouble length, OptionalDouble width) {}

    /** Free length and width for the piece itself, walls, gating and cup taken off. */
    private static Room room(Shrinkage.MoldKind kind, Commission piece, Equipment e) {
        double wall = Math.max(40, 0.15 * piece.longest());
        return switch (kind) {
            case FLASK -> new Room("the largest flask", less(e.flaskHeight(), 60), less(e.flaskDiameter(), 30));
            case BLOCK -> new Room("the kiln", less(e.kilnHeight(), 2 * wall), less(e.kilnWidth(), 2 * wall));
            case SHELL -> new Room("the slurry tank", less(e.tankDepth(), 80), less(e.tankDiameter(), 40));
        };
    }

    private static OptionalDouble less(OptionalDouble size, double room) {
        return size.isPresent() ? OptionalDouble.of(Math.max(0, size.getAsDouble() - room)) : size;
    }

    private static void exceeds(double needs, OptionalDouble has, String what, List<String> over) {
        if (has.isPresent() && needs > has.getAsDouble()) {
            over.add(String.format(
                    Locale.ROOT,
                    "%.0f mm over what goes into %s (%.0f mm free for the piece).",
                    needs - has.getAsDouble(),
                    what,
                    has.getAsDouble()));
        }
    }
}
