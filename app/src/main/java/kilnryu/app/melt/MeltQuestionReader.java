package kilnryu.app.melt;

import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.core.material.Alloy;
import kilnryu.core.melt.Furnace;
import kilnryu.core.melt.MeltQuestion;
import kilnryu.core.melt.PotCooling;
import kilnryu.core.quantity.Measure;
import kilnryu.core.quantity.Solids;
import kilnryu.core.sum.Factors;
import kilnryu.core.tree.Crucible;

/** Reads what is melted in which furnace, as the API says it. */
public final class MeltQuestionReader {
    static final Range POWER = new Range(Measure.TIMES, 0.05, 1000);
    static final Range MOST_C = new Range(Measure.DEGREE_CELSIUS, 100, 2500);
    static final Range SECONDS = new Range(Measure.SECONDS, 0, 3600);
    static final Range EFFICIENCY = new Range(Measure.PERCENT, 1, 100);
    private static final Range START = new Range(Measure.DEGREE_CELSIUS, -40, 1800);

    private MeltQuestionReader() {}

    /** A question with the constants it is answered by. */
    public record MeltRequest(MeltQuestion question, Factors factors) {}

    public static Optional<MeltRequest> read(Fields fields, Factors factors) {
        Optional<Alloy> alloy = fields.choice("alloy", Alloy::named);
        if (alloy.isEmpty()) {
            fields.missing("alloy", "Choose the alloy.");
        }
        alloy.filter(a -> !a.isTabled())
                .ifPresent(a -> fields.error("alloy", "The melting of " + a.label() + " is not tabled."));
        OptionalDouble grams = fields.required("charge_g", Range.MASS);
        double start = fields.quantity("start_C", START).orElse(MeltQuestion.ROOM_C);
        OptionalDouble pour = fields.required("pour_C", Range.METAL_TEMPERATURE);
        alloy.filter(Alloy::isTabled).ifPresent(a -> {
            if (pour.orElse(2000) < a.melting().liquidus()) {
                fields.error(
                        "pour_C",
                        "It is not all liquid under " + Math.round(a.melting().liquidus()) + " °C.");
            }
        });
        Optional<Furnace> furnace = furnace(fields);
        Crucible crucible = crucible(fields);
        Optional<MeltQuestion.Carry> carry = carry(fields);
        if (fields.hasErrors() || furnace.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(new MeltRequest(
                new MeltQuestion(
                        alloy.orElseThrow(),
                        grams.getAsDouble(),
                        start,
                        pour.getAsDouble(),
                        furnace.get(),
                        crucible,
                        carry),
                factors));
    }

    private static Optional<Furnace> furnace(Fields fields) {
        OptionalDouble power = fields.required("furnace.power_kW", POWER);
        Optional<Furnace.Heating> kind = fields.choice("furnace.kind", Furnace.Heating::named);
        if (kind.isEmpty()) {
            fields.missing("furnace.kind", "Say how it heats: resistance, induction, gas or charcoal.");
        }
        OptionalDouble share = fields.quantity("furnace.efficiency_pct", EFFICIENCY);
        OptionalDouble most = fields.quantity("furnace.max_C", MOST_C);
        return power.isEmpty() || kind.isEmpty()
                ? Optional.empty()
                : Optional.of(new Furnace(power.getAsDouble(), kind.get(), share, most));
    }

    private static Crucible crucible(Fields fields) {
        return new Crucible(
                fields.quantity("crucible.capacity_cm3", Range.VOLUME),
                fields.quantity("crucible.rated_g", Range.MASS));
    }

    private static Optional<MeltQuestion.Carry> carry(Fields fields) {
        if (!fields.hasBelow("carry")) {
            return Optional.empty();
        }
        OptionalDouble seconds = fields.required("carry.seconds", SECONDS);
        OptionalDouble mouth = fields.required("carry.mouth_diameter_mm", Range.LENGTH);
        OptionalDouble wall = fields.required("carry.wall_area_cm2", Range.AREA);
        boolean covered =
                fields.choice("carry.covered", MeltQuestionReader::yes).orElse(false);
        if (seconds.isEmpty() || mouth.isEmpty() || wall.isEmpty()) {
            return Optional.empty();
        }
        double d = mouth.getAsDouble() / 1000;
        return Optional.of(new MeltQuestion.Carry(
                seconds.getAsDouble(),
                new PotCooling(Solids.disc(d), wall.getAsDouble() / 1e4, covered, MeltQuestion.ROOM_C)));
    }

    private static Optional<Boolean> yes(String word) {
        return switch (word) {
            case "true", "yes" -> Optional.of(true);
            case "false", "no" -> Optional.of(false);
            default -> Optional.empty();
        };
    }
}
