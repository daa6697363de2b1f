package kilnryu.app.rubber;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kilnryu.core.rubber.Cure;

/**
 * How a mold of rubber stands, from what was tapped of it.
 *
 * @param laid coats that are on, in order
 * @param jacketed when its jacket was made
 * @param pulls waxes pulled, good ones and others
 * @param last the last thing said of its wear
 * @param pressing since when it is in the press; empty before and after
 * @param pressed whether it came out of it
 */
public record RubberCourse(
        List<Laid> laid,
        Optional<Instant> jacketed,
        List<Pull> pulls,
        Optional<TappedStore.Event> last,
        boolean retired,
        Optional<Instant> pressing,
        boolean pressed) {

    /** @param late whether the coat before was cured already */
    public record Laid(Instant at, double base, double hardener, boolean early, boolean late, String by) {}

    /** @param fault empty for a good one */
    public record Pull(Instant at, String fault, String by) {}

    static RubberCourse of(List<TappedStore.Event> events, Optional<Cure> cure) {
        List<Laid> laid = new ArrayList<>();
        List<Pull> pulls = new ArrayList<>();
        Optional<Instant> jacketed = Optional.empty();
        Optional<TappedStore.Event> last = Optional.empty();
        boolean retired = false;
        Optional<Instant> pressing = Optional.empty();
        boolean pressed = false;
        for (TappedStore.Event e : events) {
            switch (e.kind()) {
                case "coat" -> laid.add(laid(e, laid, cure));
                case "jacket" -> jacketed = Optional.of(e.at());
                case "pull" -> pulls.add(new Pull(e.at(), e.fields().getOrDefault("fault", ""), e.by()));
                case "wear" -> last = Optional.of(e);
                case "retire" -> retired = true;
                case "press" -> pressing = Optional.of(e.at());
                case "pressed" -> {
                    pressing = Optional.empty();
                    pressed = true;
                }
                default -> {}
            }
        }
        return new RubberCourse(List.copyOf(laid), jacketed, List.copyOf(pulls), last, retired, pressing, pressed);
    }

    private static Laid laid(TappedStore.Event e, List<Laid> before, Optional<Cure> cure) {
        Optional<Duration> since = before.isEmpty()
                ? Optional.empty()
                : Optional.of(Duration.between(before.get(before.size() - 1).at, e.at()));
        boolean early = since.isPresent()
                && cure.filter(c -> minutes(since.get()) < c.earliest().value()).isPresent();
        boolean late = since.isPresent()
                && cure.filter(c -> minutes(since.get()) > c.latest().value()).isPresent();
        return new Laid(e.at(), e.number("base"), e.number("hardener"), early, late, e.by());
    }

    private static double minutes(Duration d) {
        return d.toMillis() / 60_000.0;
    }

    public Optional<Laid> lastCoat() {
        return laid.isEmpty() ? Optional.empty() : Optional.of(laid.get(laid.size() - 1));
    }

    /** From when the next coat may go on; empty before the first. */
    public Optional<Instant> earliest(Cure cure) {
        return lastCoat().map(l -> l.at.plusSeconds(Math.round(cure.earliest().value() * 60)));
    }

    public Optional<Instant> latest(Cure cure) {
        return lastCoat().map(l -> l.at.plusSeconds(Math.round(cure.latest().value() * 60)));
    }

    /** When the last coat is cured, at least a night after it (handbook 27). */
    public Optional<Instant> cured(Cure cure) {
        return lastCoat()
                .map(l -> l.at.plusSeconds(Math.round(Math.max(8, cure.cured().value()) * 3600)));
    }

    long good() {
        return pulls.stream().filter(p -> p.fault.isEmpty()).count();
    }
}
