package kilnryu.app.pot;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import kilnryu.app.rubber.TappedStore;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.quantity.Measure;
import kilnryu.core.wax.PotOfWax;

/**
 * What went into a pot and was taken out, in the order of time.
 *
 * @param lines each as it stands in the log, the latest first
 */
public record PotCourse(List<PotOfWax.Move> moves, List<Line> lines) {
    private static final double DAY = 86_400;

    public record Line(Instant at, String says, String by) {}

    static PotCourse of(List<TappedStore.Event> events, Instant now, Units units) {
        List<PotOfWax.Move> moves = new ArrayList<>();
        List<Line> lines = new ArrayList<>();
        for (TappedStore.Event e : events) {
            double grams = e.number("grams");
            double days = Duration.between(e.at(), now).toSeconds() / DAY;
            switch (e.kind()) {
                case "new" -> moves.add(new PotOfWax.Move(grams, 0, days));
                case "recovered" ->
                    moves.add(new PotOfWax.Move(
                            grams,
                            e.number("times"),
                            e.fields().containsKey("age_days") ? e.number("age_days") + days : older(moves, days)));
                case "taken" -> moves.add(new PotOfWax.Move(-grams, 0, 0));
                default -> {}
            }
            lines.add(
                    0,
                    new Line(
                            e.at(),
                            says(
                                    e.kind(),
                                    Show.value(grams, Measure.GRAM, units, false)
                                            .toString(),
                                    e.fields(),
                                    units),
                            e.by()));
        }
        return new PotCourse(List.copyOf(moves), List.copyOf(lines));
    }

    /** Recovered wax of no known age is as old as what is in the pot, and no younger than its tap. */
    private static double older(List<PotOfWax.Move> before, double days) {
        OptionalDouble mean = before.stream()
                .filter(m -> m.grams() > 0)
                .mapToDouble(PotOfWax.Move::ageDays)
                .average();
        return Math.max(days, mean.orElse(days));
    }

    private static String says(String kind, String grams, Map<String, String> fields, Units units) {
        String what = fields.getOrDefault("what", "");
        String of = what.isEmpty() ? "" : ", " + what;
        return switch (kind) {
            case "new" -> grams + " new wax" + of;
            case "recovered" -> grams + " recovered wax" + of + ", used before: " + fields.getOrDefault("times", "1");
            case "taken" -> grams + " taken out" + of;
            default ->
                "read: " + Show.celsius(Double.parseDouble(fields.get("celsius")), units) + ", "
                        + Show.value(Double.parseDouble(fields.get("level_mm")), Measure.MILLIMETRE, units, false)
                        + " high";
        };
    }

    /** How it stands. */
    public PotOfWax pot() {
        return PotOfWax.of(moves);
    }
}
