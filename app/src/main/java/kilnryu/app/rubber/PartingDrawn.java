package kilnryu.app.rubber;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kilnryu.app.piece.OutlineFrame.Place;

/**
 * What was drawn on the outline of a piece, each place as a share of its width from the left and of its height from below.
 *
 * @param outline whether its whole rim is a parting line
 * @param lines through their places in order
 * @param spout where wax goes in
 * @param parts with their names
 */
public record PartingDrawn(boolean outline, List<List<Place>> lines, Optional<Place> spout, List<Named> parts) {

    /** Kinds of taps that draw. */
    static final List<String> KINDS = List.of("line", "begin", "outline", "spout", "part", "undraw");

    public record Named(String name, Place at) {}

    /** The last thing that was drawn is taken back by each undraw. */
    static PartingDrawn of(List<TappedStore.Event> events) {
        List<TappedStore.Event> kept = new ArrayList<>();
        for (TappedStore.Event e : events) {
            if (e.kind().equals("undraw")) {
                if (!kept.isEmpty()) {
                    kept.remove(kept.size() - 1);
                }
            } else if (KINDS.contains(e.kind())) {
                kept.add(e);
            }
        }
        boolean outline = false;
        List<List<Place>> lines = new ArrayList<>();
        Optional<Place> spout = Optional.empty();
        List<Named> parts = new ArrayList<>();
        for (TappedStore.Event e : kept) {
            Place at = new Place(e.number("x"), e.number("y"));
            switch (e.kind()) {
                case "outline" -> outline = true;
                case "begin" -> lines.add(new ArrayList<>(List.of(at)));
                case "line" -> {
                    if (lines.isEmpty()) {
                        lines.add(new ArrayList<>());
                    }
                    lines.get(lines.size() - 1).add(at);
                }
                case "spout" -> spout = Optional.of(at);
                default -> parts.add(new Named(e.fields().getOrDefault("name", ""), at));
            }
        }
        return new PartingDrawn(outline, List.copyOf(lines), spout, List.copyOf(parts));
    }

    boolean empty() {
        return !outline && lines.isEmpty() && spout.isEmpty() && parts.isEmpty();
    }
}
