package kilnryu.app.rubber;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Fields;
import kilnryu.core.rubber.Cure;
import kilnryu.core.rubber.Material;
import kilnryu.core.rubber.RubberMold;
import kilnryu.core.rubber.RubberMold.Kind;
import kilnryu.core.sum.Factors;

/** What is asked of a mold of rubber. */
public final class RubberQuestionReader {
    private static final int MOST_COATS = 12;

    private RubberQuestionReader() {}

    /** A question with its times and the constants it is answered by. */
    public record RubberRequest(RubberMold.Question question, Cure cure, Factors factors) {}

    /** As a program asks it. */
    public static Optional<RubberRequest> read(Fields fields, Factors factors) {
        return read(fields, factors, false);
    }

    /** @param page whether what only its page knows is read, too: what the jacket of a glove holds */
    static Optional<RubberRequest> read(Fields fields, Factors factors, boolean page) {
        Optional<Kind> kind = fields.chosen(RubberFields.KIND, "Say how it is made: brushed, block or glove.");
        OptionalDouble area = fields.quantity(RubberFields.AREA);
        List<Double> coats = coats(fields);
        OptionalDouble density = fields.quantity(RubberFields.DENSE);
        OptionalDouble loss = fields.quantity(RubberFields.LOSS);
        OptionalDouble hardener = fields.required(RubberFields.HARDENS);
        OptionalDouble room = fields.required(RubberFields.ROOM_IS);
        OptionalDouble pot = fields.required(RubberFields.POT_LIFE);
        OptionalDouble cured = fields.required(RubberFields.CURES);
        Optional<RubberMold.Jacket> jacket = jacket(fields);
        Optional<RubberMold.Box> box =
                page && kind.filter(k -> k == Kind.GLOVE).isPresent() ? glove(fields) : box(fields);
        kind.ifPresent(k -> asked(fields, k, area, coats, box));
        if (fields.hasErrors() || kind.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(new RubberRequest(
                new RubberMold.Question(
                        kind.get(), Material.TIN_SILICONE, area, coats, density, loss, hardener, box, jacket),
                Cure.of(pot.getAsDouble(), cured.getAsDouble(), room.getAsDouble()),
                factors));
    }

    private static void asked(
            Fields fields, Kind kind, OptionalDouble area, List<Double> coats, Optional<RubberMold.Box> box) {
        if (kind.byArea() && (kind != Kind.GLOVE || box.isEmpty())) {
            if (area.isEmpty()) {
                fields.missing(
                        RubberFields.AREA, "The area says how much rubber it takes: type it, or take it from a mesh.");
            }
            if (coats.isEmpty() && fields.keys("coats").isEmpty()) {
                fields.missing("coats", "Say how thick each coat is.");
            }
        } else if (box.isEmpty()) {
            fields.missing(RubberFields.WIDTH, "A block asks the box and what the model takes of it.");
        }
    }

    private static List<Double> coats(Fields fields) {
        List<Double> coats = new ArrayList<>();
        List<String> keys = fields.keys("coats");
        if (keys.size() > MOST_COATS) {
            fields.error("coats", "At most " + MOST_COATS + " coats.");
            return coats;
        }
        keys.forEach(k -> fields.required(RubberFields.COAT_THICK.in(k)).ifPresent(coats::add));
        return coats;
    }

    private static Optional<RubberMold.Jacket> jacket(Fields fields) {
        if (!fields.hasBelow("jacket")) {
            return Optional.empty();
        }
        Optional<Boolean> plaster =
                fields.chosen(RubberFields.JACKET_OF, "Say what the jacket is of: plaster or resin.");
        OptionalDouble thick = fields.required(RubberFields.JACKET_THICK);
        return plaster.isEmpty() || thick.isEmpty()
                ? Optional.empty()
                : Optional.of(new RubberMold.Jacket(plaster.get(), thick.getAsDouble()));
    }

    private static Optional<RubberMold.Box> glove(Fields fields) {
        OptionalDouble holds = fields.quantity(RubberFields.HOLDS);
        if (holds.isEmpty()) {
            return Optional.empty();
        }
        OptionalDouble model = fields.required(RubberFields.MODEL);
        if (model.isPresent() && model.getAsDouble() >= holds.getAsDouble()) {
            fields.error(RubberFields.MODEL, "The model is larger than its jacket holds.");
            return Optional.empty();
        }
        return model.isPresent()
                ? Optional.of(new RubberMold.Box(holds.getAsDouble(), model.getAsDouble()))
                : Optional.empty();
    }

    static Optional<RubberMold.Box> box(Fields fields) {
        if (!fields.hasBelow("box")) {
            return Optional.empty();
        }
        OptionalDouble width = fields.required(RubberFields.WIDTH);
        OptionalDouble depth = fields.required(RubberFields.DEPTH);
        OptionalDouble height = fields.required(RubberFields.HEIGHT);
        OptionalDouble model = fields.required(RubberFields.MODEL);
        if (width.isEmpty() || depth.isEmpty() || height.isEmpty() || model.isEmpty()) {
            return Optional.empty();
        }
        double box = width.getAsDouble() * depth.getAsDouble() * height.getAsDouble() / 1000;
        if (model.getAsDouble() >= box) {
            fields.error(RubberFields.MODEL, "The model is larger than its box.");
            return Optional.empty();
        }
        return Optional.of(new RubberMold.Box(box, model.getAsDouble()));
    }
}
