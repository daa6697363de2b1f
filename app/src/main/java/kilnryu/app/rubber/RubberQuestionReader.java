package kilnryu.app.rubber;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.core.quantity.Measure;
import kilnryu.core.rubber.Cure;
import kilnryu.core.rubber.Material;
import kilnryu.core.rubber.RubberMold;
import kilnryu.core.rubber.RubberMold.Kind;
import kilnryu.core.sum.Factors;

/** What is asked of a mold of rubber. */
public final class RubberQuestionReader {
    static final int MOST_COATS = 12;
    static final Range COAT = new Range(Measure.MILLIMETRE, 0.05, 50);
    static final Range DENSITY = new Range(Measure.GRAM_PER_CM3, 0.5, 3);
    static final Range HARDENER = new Range(Measure.PER_100, 0.1, 1000);
    static final Range ROOM = new Range(Measure.DEGREE_CELSIUS, -5, 60);
    static final Range POT = new Range(Measure.MINUTE, 0.5, 1440);
    static final Range CURE = new Range(Measure.HOUR, 0.05, 240);
    static final Range JACKET = new Range(Measure.MILLIMETRE, 0.5, 200);

    private RubberQuestionReader() {}

    /** A question with its times and the constants it is answered by. */
    public record RubberRequest(RubberMold.Question question, Cure cure, Factors factors) {}

    /** As a program asks it. */
    public static Optional<RubberRequest> read(Fields fields, Factors factors) {
        return read(fields, factors, false);
    }

    /** @param page whether what only its page knows is read, too: what the jacket of a glove holds */
    static Optional<RubberRequest> read(Fields fields, Factors factors, boolean page) {
        Optional<Kind> kind = fields.choice("kind", k -> Kind.named(k).filter(n -> n != Kind.VULCANISED));
        if (kind.isEmpty()) {
            fields.missing("kind", "Say how it is made: brushed, block or glove.");
        }
        OptionalDouble area = fields.quantity("area_cm2", Range.AREA);
        List<Double> coats = coats(fields);
        OptionalDouble density = fields.quantity("density", DENSITY);
        OptionalDouble loss = fields.quantity("loss_pct", Range.LOSS);
        OptionalDouble hardener = fields.required("hardener_per_100", HARDENER);
        OptionalDouble room = fields.required("room_C", ROOM);
        OptionalDouble pot = fields.required("pot_life_min_23", POT);
        OptionalDouble cured = fields.required("cure_h_23", CURE);
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
                fields.missing("area_cm2", "The area says how much rubber it takes: type it, or take it from a mesh.");
            }
            if (coats.isEmpty() && fields.keys("coats").isEmpty()) {
                fields.missing("coats", "Say how thick each coat is.");
            }
        } else if (box.isEmpty()) {
            fields.missing("box.width_mm", "A block asks the box and what the model takes of it.");
        }
    }

    private static List<Double> coats(Fields fields) {
        List<Double> coats = new ArrayList<>();
        List<String> keys = fields.keys("coats");
        if (keys.size() > MOST_COATS) {
            fields.error("coats", "At most " + MOST_COATS + " coats.");
            return coats;
        }
        keys.forEach(k -> fields.required("coats[" + k + "]", COAT).ifPresent(coats::add));
        return coats;
    }

    private static Optional<RubberMold.Jacket> jacket(Fields fields) {
        if (!fields.hasBelow("jacket")) {
            return Optional.empty();
        }
        Optional<String> kind = fields.choice(
                "jacket.kind", k -> k.equals("plaster") || k.equals("resin") ? Optional.of(k) : Optional.empty());
        if (kind.isEmpty()) {
            fields.missing("jacket.kind", "Say what the jacket is of: plaster or resin.");
        }
        OptionalDouble thick = fields.required("jacket.thickness_mm", JACKET);
        return kind.isEmpty() || thick.isEmpty()
                ? Optional.empty()
                : Optional.of(new RubberMold.Jacket(kind.get().equals("plaster"), thick.getAsDouble()));
    }

    private static Optional<RubberMold.Box> glove(Fields fields) {
        OptionalDouble holds = fields.quantity("holds_cm3", Range.VOLUME);
        if (holds.isEmpty()) {
            return Optional.empty();
        }
        OptionalDouble model = fields.required("box.model_cm3", Range.VOLUME_OR_NONE);
        if (model.isPresent() && model.getAsDouble() >= holds.getAsDouble()) {
            fields.error("box.model_cm3", "The model is larger than its jacket holds.");
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
        OptionalDouble width = fields.required("box.width_mm", Range.LENGTH);
        OptionalDouble depth = fields.required("box.depth_mm", Range.LENGTH);
        OptionalDouble height = fields.required("box.height_mm", Range.LENGTH);
        OptionalDouble model = fields.required("box.model_cm3", Range.VOLUME_OR_NONE);
        if (width.isEmpty() || depth.isEmpty() || height.isEmpty() || model.isEmpty()) {
            return Optional.empty();
        }
        double box = width.getAsDouble() * depth.getAsDouble() * height.getAsDouble() / 1000;
        if (model.getAsDouble() >= box) {
            fields.error("box.model_cm3", "The model is larger than its box.");
            return Optional.empty();
        }
        return Optional.of(new RubberMold.Box(box, model.getAsDouble()));
    }
}
