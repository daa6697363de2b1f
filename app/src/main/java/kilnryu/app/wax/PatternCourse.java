package kilnryu.app.wax;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.rubber.TappedStore;
import kilnryu.core.pattern.BurnTest;

/**
 * How a printed, carved or found pattern stands, from what was tapped of it.
 *
 * @param washing since when it is in the wash; empty before and after
 * @param curing since when it is under the lamp; empty before and after
 * @param bare its mass without wax, g
 * @param coated its mass with wax, g
 * @param burn what a chip of it showed, the last time
 */
public record PatternCourse(
        Optional<Instant> washing,
        boolean washed,
        Optional<Instant> curing,
        boolean cured,
        OptionalDouble bare,
        OptionalDouble coated,
        Optional<BurnTest.Question> burn) {

    static PatternCourse of(List<TappedStore.Event> events) {
        Optional<Instant> washing = Optional.empty();
        Optional<Instant> curing = Optional.empty();
        boolean washed = false;
        boolean cured = false;
        OptionalDouble bare = OptionalDouble.empty();
        OptionalDouble coated = OptionalDouble.empty();
        Optional<BurnTest.Question> burn = Optional.empty();
        for (TappedStore.Event e : events) {
            switch (e.kind()) {
                case "wash" -> {
                    washing = Optional.of(e.at());
                    washed = false;
                    cured = false;
                }
                case "washed" -> {
                    washing = Optional.empty();
                    washed = true;
                }
                case "cure" -> curing = Optional.of(e.at());
                case "cured" -> {
                    curing = Optional.empty();
                    cured = true;
                }
                case "bare" -> bare = OptionalDouble.of(e.number("grams"));
                case "coated" -> coated = OptionalDouble.of(e.number("grams"));
                case "burn" -> burn = Optional.of(burnt(e.fields()));
                default -> {}
            }
        }
        return new PatternCourse(washing, washed, curing, cured, bare, coated, burn);
    }

    private static BurnTest.Question burnt(Map<String, String> fields) {
        return new BurnTest.Question(
                switch (fields.getOrDefault("green", "")) {
                    case "yes" -> Optional.of(true);
                    case "no" -> Optional.of(false);
                    default -> Optional.empty();
                },
                BurnTest.Does.named(fields.getOrDefault("does", "")),
                grams(fields, "chip_g"),
                grams(fields, "left_g"));
    }

    private static OptionalDouble grams(Map<String, String> fields, String path) {
        String text = fields.getOrDefault(path, "");
        return text.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(Double.parseDouble(text));
    }
}
