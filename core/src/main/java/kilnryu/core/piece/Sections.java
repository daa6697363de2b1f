package kilnryu.core.piece;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;

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

    private static final int MOST = 40;

    public static Sections of(Shrinkage.MoldKind kind, Commission piece, Equipment equipment) {
        Room room = room(kind, piece, equipment);
        List<String> over = new ArrayList<>();
        exceeds(piece.longest(), room.length, room.what + " in length", over);
        exceeds(piece.middle(), room.width, room.what + " in width", over);
        double metal = piece.volume().orElse(0) * 1.35;
        if (equipment.crucible().isPresent() && metal > equipment.crucible().getAsDouble()) {
            over.add(String.format(
                    Locale.ROOT,
                    "With gating it takes %.0f cm³ of melt, %.0f more than the crucible holds.",
                    metal,
                    metal - equipment.crucible().getAsDouble()));
        }
        if (over.isEmpty()) {
            return new Sections(kind, over, 1, piece.longest());
        }
        boolean tooWide = room.width.isPresent() && piece.middle() > room.width.getAsDouble();
        int number = tooWide ? 0 : number(piece, room, metal, equipment);
        double each = number == 0 ? 0 : piece.longest() / number + (number > 1 ? LAP : 0);
        return new Sections(kind, List.copyOf(over), number, each);
    }

    private static int number(Commission piece, Room room, double metal, Equipment equipment) {
        for (int n = 2; n <= MOST; n++) {
            boolean fits = room.length.isEmpty() || piece.longest() / n + LAP <= room.length.getAsDouble();
            boolean melts = equipment.crucible().isEmpty()
                    || metal / n <= equipment.crucible().getAsDouble();
            if (fits && melts) {
                return n;
            }
        }
        return 0;
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
