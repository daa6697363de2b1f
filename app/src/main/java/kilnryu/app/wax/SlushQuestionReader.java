package kilnryu.app.wax;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import kilnryu.app.sheet.Fields;
import kilnryu.core.sum.Factors;
import kilnryu.core.wax.Heated;
import kilnryu.core.wax.Slush;
import kilnryu.core.wax.Wax;

/** What is asked of a slushed wall. */
public final class SlushQuestionReader {
    /** Over this a latent heat is taken as J/kg, under it as kJ/kg: no wax lies between. */
    private static final double KILO = 5000;

    private SlushQuestionReader() {}

    /** A question with the constants it is answered by. */
    public record SlushRequest(Slush.Question question, Factors factors) {}

    public static Optional<SlushRequest> read(Fields fields, Factors factors) {
        Optional<Wax> wax = wax(fields);
        Optional<Heated> mold = mold(fields);
        OptionalDouble pour = fields.quantity(WaxFields.POUR);
        OptionalDouble moldC = fields.required(WaxFields.MOLD_IS);
        OptionalDouble area = fields.quantity(WaxFields.AREA);
        OptionalDouble target = fields.required(WaxFields.TARGET);
        OptionalInt layers = fields.whole(WaxFields.LAYERS);
        double start = fields.quantity(WaxFields.THERE).orElse(0);
        wax.ifPresent(w -> {
            if (pour.isPresent() && pour.getAsDouble() < w.melts()) {
                fields.error(WaxFields.POUR, "Wax is not liquid under " + Math.round(w.melts()) + " °C.");
            }
        });
        if (target.isPresent() && start >= target.getAsDouble()) {
            fields.error(WaxFields.THERE, "The wall is as thick already.");
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
        double k = fields.quantity(WaxFields.K).orElse(usual.heat().k());
        double rho = fields.quantity(WaxFields.RHO).orElse(usual.heat().rho());
        double c = fields.quantity(WaxFields.C).orElse(usual.heat().c());
        double latent = fields.quantity(WaxFields.LATENT_HEAT).orElse(usual.latent());
        double melts = fields.quantity(WaxFields.MELTS_AT).orElse(usual.melts());
        return fields.hasErrors()
                ? Optional.empty()
                : Optional.of(new Wax(new Heated(k, rho, c), latent < KILO ? latent * 1000 : latent, melts));
    }

    private static Optional<Heated> mold(Fields fields) {
        Optional<Heated> named = fields.choice(WaxFields.MOLD_OF);
        if (named.isPresent()) {
            return named;
        }
        if (!fields.hasBelow("mold")) {
            fields.missing(WaxFields.MOLD_OF, "Say what the mold is of: silicone or plaster.");
            return Optional.empty();
        }
        if (fields.hasError(WaxFields.MOLD_OF)) {
            return Optional.empty();
        }
        OptionalDouble k = fields.required(WaxFields.MOLD_K);
        OptionalDouble rho = fields.required(WaxFields.MOLD_RHO);
        OptionalDouble c = fields.required(WaxFields.MOLD_HEAT);
        return k.isPresent() && rho.isPresent() && c.isPresent()
                ? Optional.of(new Heated(k.getAsDouble(), rho.getAsDouble(), c.getAsDouble()))
                : Optional.empty();
    }
}
