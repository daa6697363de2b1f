package kilnryu.app.mold;

import static kilnryu.app.sheet.Declared.Page.MOLD;
import static kilnryu.app.sheet.Declared.choice;
import static kilnryu.app.sheet.Declared.quantity;
import static kilnryu.app.sheet.Declared.whole;

import java.util.List;
import kilnryu.app.sheet.Declared.Choice;
import kilnryu.app.sheet.Declared.Meaning;
import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.Declared.Whole;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.core.block.BlockQuestion.Shape;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.quantity.Measure;

/** The fields of a block; on the plan's page they stand under {@code block.}. */
public final class BlockFields {
    private static final Range ROOM = new Range(Measure.DEGREE_CELSIUS, 0, 45);
    private static final Range CARRIED = new Range(Measure.KILO, 0.1, 5000);

    static final Choice<Shape> SHAPE =
            choice("shape", Meaning.of(Shape.values(), Shape::key, Shape::label), "Outside", "", MOLD);
    static final Quantity WIDTH = quantity("width_mm", Range.LENGTH, "", "").needed();
    static final Quantity DEPTH = quantity("depth_mm", Range.LENGTH, "", "");
    static final Quantity HEIGHT = quantity("height_mm", Range.LENGTH, "", "").needed();
    static final Quantity WALL = quantity("wall_mm", Range.LENGTH, "Wall", "by the rule", MOLD);
    static final Quantity FACE = quantity("face_mm", Range.LENGTH, "Face coat", "8 mm", MOLD);
    static final Quantity AREA = quantity("area_cm2", Range.AREA, "Area it covers", "estimated", MOLD);
    static final Whole CAVITIES = whole("cavities", 1, 20, "This tree, times", "1", MOLD);
    static final Quantity BETWEEN = quantity("between_mm", Range.LENGTH, "Wall between them", "by the rule", MOLD);
    static final Quantity CORE_LENGTH = quantity("core.length_mm", Range.LENGTH, "Core, long", "solid casting", MOLD)
            .needed();
    static final Quantity CORE_DIAMETER = quantity(
                    "core.diameter_mm", Range.LENGTH, "Core, thick", "solid casting", MOLD)
            .needed();
    static final Quantity CORE_VOLUME = quantity("core.volume_cm3", Range.VOLUME, "Core, volume", "round", MOLD);
    static final Whole CORE_PINS = whole("core.pins", 0, 500, "Chaplets planned", "not yet", MOLD);
    static final Quantity ROOM_C = quantity("temperature_C", ROOM, "Room", "20 °C", MOLD);
    static final Quantity HUMIDITY = quantity("humidity_pct", Range.SHARE, "Humidity", "50 %", MOLD);
    static final Quantity LIFT = quantity("lift_kg", CARRIED, "Carried here", "not said", MOLD);

    static final Quantity TREE_VOLUME =
            quantity("tree_volume_cm3", Range.VOLUME, "", "").needed();
    static final Quantity METAL = quantity("metal_g", Range.MASS, "", "");

    /** What a mix is of: a system or blend by name, or its numbers. */
    record MixFields(Choice<InvestmentSystem> mix, Quantity density, Quantity water, Quantity plaster) {
        private static MixFields of(String which, String label, String none, String water) {
            return new MixFields(
                    choice(which + ".mix", SYSTEMS, label, none, MOLD).andOwn(),
                    quantity(which + ".density", Range.POWDER_DENSITY, "", ""),
                    quantity(which + ".water_per_100", Range.WATER_RATIO, water, "as blended", MOLD),
                    quantity(which + ".plaster_pct", Range.SHARE, "", ""));
        }

        private FieldList all() {
            return FieldList.of(mix, density, water, plaster);
        }
    }

    private static final List<Meaning<InvestmentSystem>> SYSTEMS =
            Meaning.of(InvestmentSystem.values(), InvestmentSystem::key, InvestmentSystem::label).stream()
                    .filter(m -> m.value().density().isPresent()
                            && m.value().waterPer100().isPresent())
                    .toList();

    static final MixFields FINE = MixFields.of("fine", "Face coat and core of", "choose", "Fine: water to 100");
    static final MixFields BACKUP = MixFields.of("backup", "Backup of", "the same", "Backup: water to 100");

    /** Of a tree's block: what does not follow from the tree. */
    static final FieldList ON_PAGE = FieldList.of(SHAPE, WIDTH, DEPTH, HEIGHT, WALL, FACE, AREA, CAVITIES, BETWEEN)
            .and(FieldList.of(CORE_LENGTH, CORE_DIAMETER, CORE_VOLUME, CORE_PINS, ROOM_C, HUMIDITY, LIFT))
            .and(FINE.all())
            .and(BACKUP.all());

    /** Of a block as the API asks for it. */
    public static final FieldList QUESTION =
            FieldList.of(TREE_VOLUME, METAL).and(ON_PAGE).demanding("fine");

    private BlockFields() {}
}
