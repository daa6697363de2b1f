package kilnryu.app.wax;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.piece.OutlineFrame;
import kilnryu.app.rubber.TappedStore;
import kilnryu.core.pattern.Repair;

/**
 * How a wax stands, from what was tapped of it.
 *
 * @param poured when wax went in and was not turned out yet
 * @param layers seconds that each layer stood, in order
 * @param out when the last layer was turned out
 * @param pulled when it came out of its mold
 * @param walls measured, with where
 * @param checks what was looked at: whether it is sound, by its key
 * @param repairs what was mended, where, and what that left behind
 * @param painted places where wax was painted on, in words
 * @param windows cut out and kept
 * @param grams as it was weighed, bare; empty before
 * @param signed who signed it off
 * @param pattern what was done to one that comes from no mold
 */
public record WaxCourse(
        Optional<Instant> poured,
        List<Double> layers,
        Optional<Instant> out,
        Optional<Instant> pulled,
        List<Wall> walls,
        Map<String, Boolean> checks,
        List<String> repairs,
        List<String> painted,
        List<Window> windows,
        OptionalDouble grams,
        Optional<String> signed,
        PatternCourse pattern) {

    /** @param layersOn how many layers were on when it was measured; @param at on the outline; empty where it was not touched */
    public record Wall(double mm, String where, int layersOn, Optional<OutlineFrame.Place> at) {}

    /**
     * A window: its own part from now on.
     *
     * @param number from 1, as it is scratched in
     * @param grams empty where it was not weighed
     * @param gate how it comes to metal, in words
     */
    public record Window(int number, String where, OptionalDouble grams, String gate) {}

    static WaxCourse of(List<TappedStore.Event> events) {
        Optional<Instant> poured = Optional.empty();
        Optional<Instant> out = Optional.empty();
        Optional<Instant> pulled = Optional.empty();
        List<Double> layers = new ArrayList<>();
        List<Wall> walls = new ArrayList<>();
        Map<String, Boolean> checks = new LinkedHashMap<>();
        List<String> repairs = new ArrayList<>();
        List<String> painted = new ArrayList<>();
        List<Window> windows = new ArrayList<>();
        OptionalDouble grams = OptionalDouble.empty();
        Optional<String> signed = Optional.empty();
        for (TappedStore.Event e : events) {
            switch (e.kind()) {
                case "pour" -> poured = Optional.of(e.at());
                case "out" -> {
                    if (poured.isPresent()) {
                        layers.add(Duration.between(poured.get(), e.at()).toMillis() / 1000.0);
                        out = Optional.of(e.at());
                        poured = Optional.empty();
                    }
                }
                case "pulled" -> pulled = Optional.of(e.at());
                case "wall" -> walls.add(wall(e, layers.size()));
                case "paint" -> painted.add(paint(e));
                case "check" ->
                    checks.put(
                            e.fields().getOrDefault("what", ""),
                            e.fields().get("sound").equals("yes"));
                case "repair" -> repairs.add(repair(e.fields()));
                case "window" -> windows.add(window(e, windows.size() + 1));
                case "weigh" -> grams = OptionalDouble.of(e.number("grams"));
                case "sign" -> signed = Optional.of(e.fields().getOrDefault("name", e.by()));
                default -> {}
            }
        }
        return new WaxCourse(
                poured,
                List.copyOf(layers),
                out,
                pulled,
                List.copyOf(walls),
                checks,
                List.copyOf(repairs),
                List.copyOf(painted),
                List.copyOf(windows),
                grams,
                signed,
                PatternCourse.of(events));
    }

    private static Wall wall(TappedStore.Event e, int layers) {
        return new Wall(
                e.number("mm"),
                e.fields().getOrDefault("where", ""),
                layers,
                e.fields().containsKey("x")
                        ? Optional.of(new OutlineFrame.Place(e.number("x"), e.number("y")))
                        : Optional.empty());
    }

    private static String paint(TappedStore.Event e) {
        return e.fields().getOrDefault("what", "")
                + (e.fields().containsKey("mm") ? String.format(Locale.ROOT, ", %.1f mm", e.number("mm")) : "");
    }

    private static String repair(Map<String, String> fields) {
        String kind = Repair.named(fields.getOrDefault("fault", ""))
                .filter(r -> r != Repair.OTHER)
                .map(r -> r.label() + ", ")
                .orElse("");
        String side = fields.getOrDefault("side", "");
        return kind + fields.getOrDefault("what", "") + (side.isEmpty() ? "" : "; " + side);
    }

    private static Window window(TappedStore.Event e, int number) {
        return new Window(
                number,
                e.fields().getOrDefault("what", ""),
                e.fields().containsKey("grams") ? OptionalDouble.of(e.number("grams")) : OptionalDouble.empty(),
                e.fields().getOrDefault("gate", ""));
    }

    /** As weighed with its windows; empty before, or where one of them was not weighed. */
    public OptionalDouble whole() {
        return grams.isEmpty() || windows.stream().anyMatch(w -> w.grams.isEmpty())
                ? OptionalDouble.empty()
                : OptionalDouble.of(grams.getAsDouble()
                        + windows.stream()
                                .mapToDouble(w -> w.grams.getAsDouble())
                                .sum());
    }
}
