package kilnryu.app.wax;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Factors;
import kilnryu.core.wax.Heated;
import kilnryu.core.wax.Slush;
import kilnryu.core.wax.Wax;

/** What is asked of a slushed wall. */
public final class SlushQuestionReader {
    public static final int MOST_LAYERS = 12;
    static final Range CONDUCTS = new Range(Measure.WATT_PER_M_K, 0.01, 500);
    static final Range DENSE = new Range(Measure.KG_PER_M3, 50, 20_000);
    static final Range HEAT = new Range(Measure.JOULE_PER_KG_K, 100, 10_000);
    static final Range LATENT = new Range(Measure.TIMES, 1, 2_000_000);
    static final Range MELTS = new Range(Measure.DEGREE_CELSIUS, 20, 250);
    public static final Range WAX_C = new Range(Measure.DEGREE_CELSIUS, 20, 300);
    public static final Range MOLD_C = new Range(Measure.DEGREE_CELSIUS, -30, 300);
    static final Range WALL = new Range(Measure.MILLIMETRE, 0.1, 100);
    static final Range START = new Range(Measure.MILLIMETRE, 0, 100);
    /** Over this a latent heat is taken as J/kg, under it as kJ/kg: no wax lies between. */
    private static final double KILO = 5000;

    private SlushQuestionReader() {}

    /** A question with the constants it is answered by. */
    public record SlushRequest(Slush.Question question, Factors factors) {}

    public static Optional<SlushRequest> read(Fields fields, Factors factors) {
        Optional<Wax> wax = wax(fields);
        Optional<Heated> mold = mold(fields);
        OptionalDouble pour = fields.quantity("pour_C", WAX_C);
        OptionalDouble moldC = fields.required("mold_C", MOLD_C);
        OptionalDouble area = fields.quantity("area_cm2", Range.AREA);
        OptionalDouble target = fields.required("target_mm", WALL);
        OptionalInt layers = fields.whole("layers", 1, MOST_LAYERS);
        double start = fields.quantity("start_mm", START).orElse(0);
        wax.ifPresent(w -> {
            if (pour.isPresent() && pour.getAsDouble() < w.melts()) {
                fields.error("pour_C", "Wax is not liquid under " + Math.round(w.melts()) + " °C.");
            }
        });
        if (target.isPresent() && start >= target.getAsDouble()) {
            fields.error("start_mm", "The wall is as thick already.");
        }
        if (fields.hasErrors() || wax.isEmpty() || mold.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(new SlushRequest(
                new Slush.Question(
                        wax.get(),
                        pour,
                        mold.get(),
                        moldC.getAsDouble(),
                        area,
                        target.getAsDouble(),
                        layers.orElse(1),
                        start,
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        OptionalDouble.empty()),
                factors));
    }

    private static Optional<Wax> wax(Fields fields) {
        if (!fields.hasBelow("wax")) {
            return Optional.of(Wax.SCULPTURE);
        }
        Wax usual = Wax.SCULPTURE;
        double k = fields.quantity("wax.k", CONDUCTS).orElse(usual.heat().k());
        double rho = fields.quantity("wax.rho", DENSE).orElse(usual.heat().rho());
        double c = fields.quantity("wax.c", HEAT).orElse(usual.heat().c());
        double latent = fields.quantity("wax.latent", LATENT).orElse(usual.latent());
        double melts = fields.quantity("wax.melt_C", MELTS).orElse(usual.melts());
        return fields.hasErrors()
                ? Optional.empty()
                : Optional.of(new Wax(new Heated(k, rho, c), latent < KILO ? latent * 1000 : latent, melts));
    }

    private static Optional<Heated> mold(Fields fields) {
        Optional<Heated> named = fields.choice("mold.material", SlushQuestionReader::material);
        if (named.isPresent()) {
            return named;
        }
        if (!fields.hasBelow("mold")) {
            fields.missing("mold.material", "Say what the mold is of: silicone or plaster.");
            return Optional.empty();
        }
        if (fields.errors().containsKey("mold.material")) {
            return Optional.empty();
        }
        OptionalDouble k = fields.required("mold.k", CONDUCTS);
        OptionalDouble rho = fields.required("mold.rho", DENSE);
        OptionalDouble c = fields.required("mold.c", HEAT);
        return k.isPresent() && rho.isPresent() && c.isPresent()
                ? Optional.of(new Heated(k.getAsDouble(), rho.getAsDouble(), c.getAsDouble()))
                : Optional.empty();
    }

    private static Optional<Heated> material(String key) {
        return switch (key) {
            case "silicone" -> Optional.of(Heated.SILICONE);
            case "plaster" -> Optional.of(Heated.PLASTER);
            case "urethane" -> Optional.of(Heated.URETHANE);
            default -> Optional.empty();
        };
    }
}
