package kilnryu.app.rubber;

import static kilnryu.app.sheet.Declared.Page.RUBBER;
import static kilnryu.app.sheet.Declared.choice;
import static kilnryu.app.sheet.Declared.quantity;
import static kilnryu.app.sheet.Declared.text;
import static kilnryu.app.sheet.Declared.whole;

import java.util.Arrays;
import java.util.List;
import kilnryu.app.piece.PieceOpenings;
import kilnryu.app.sheet.Declared;
import kilnryu.app.sheet.Declared.Choice;
import kilnryu.app.sheet.Declared.Meaning;
import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.Declared.Text;
import kilnryu.app.sheet.Declared.Whole;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.core.quantity.Measure;
import kilnryu.core.rubber.Material;
import kilnryu.core.rubber.RubberMold.Kind;

/** The fields of a mold of rubber, and of the API's question for one. */
public final class RubberFields {
    private static final int LONGEST = 300;
    private static final Range DENSITY = new Range(Measure.GRAM_PER_CM3, 0.5, 3);
    private static final Range HARDENER = new Range(Measure.PER_100, 0.1, 1000);
    private static final Range ROOM = new Range(Measure.DEGREE_CELSIUS, -5, 60);
    private static final Range POT = new Range(Measure.MINUTE, 0.5, 1440);
    private static final Range CURE = new Range(Measure.HOUR, 0.05, 240);
    private static final Range COAT = new Range(Measure.MILLIMETRE, 0.05, 50);
    private static final Range JACKET = new Range(Measure.MILLIMETRE, 0.5, 200);
    private static final Range PRICE = new Range(Measure.TIMES, 0, 100_000);
    private static final Range FLANGE = new Range(Measure.MILLIMETRE, 1, 500);
    private static final Range PRESS = new Range(Measure.DEGREE_CELSIUS, 20, 300);
    private static final Range THICKENER = new Range(Measure.PERCENT, 0, 30);

    static final Text NAME = text("name", 80, "Name", "tern, body", RUBBER);
    static final Text PIECE = text("piece", LONGEST, "Of the piece", "none", RUBBER);
    static final Text ORIGINAL = text("original", LONGEST, "Original", "clay, wood, print", RUBBER);
    static final Choice<Kind> MADE_AS =
            choice("kind", Meaning.of(Kind.values(), Kind::key, Kind::label), "Made as", "", RUBBER);
    static final Choice<Material> MATERIAL = choice(
            "material",
            Meaning.of(
                    Arrays.stream(Material.values()).filter(Material::mixed).toArray(Material[]::new),
                    Material::key,
                    Material::label),
            "Rubber",
            "",
            RUBBER);
    static final Quantity AREA = quantity("area_cm2", Range.AREA, "Area", "by its mesh", RUBBER);
    static final Choice<PieceOpenings.Way> OPENING = choice(
            "opening",
            Meaning.of(PieceOpenings.Way.values(), PieceOpenings.Way::key, PieceOpenings.Way::label),
            "Opens",
            "not decided",
            RUBBER);
    static final Quantity HARDENS = quantity("hardener_per_100", HARDENER, "Hardener to 100 base", "10", RUBBER)
            .needed();
    static final Quantity POT_LIFE = quantity("pot_life_min_23", POT, "Pot life at 23 °C", "40 min", RUBBER)
            .needed();
    static final Quantity CURES =
            quantity("cure_h_23", CURE, "Cures at 23 °C in", "16 h", RUBBER).needed();
    static final Quantity ROOM_IS =
            quantity("room_C", ROOM, "Room", "20 °C", RUBBER).needed();
    static final Quantity THICKENED =
            quantity("thickener_pct", THICKENER, "Thickener, later coats", "as its sheet", RUBBER);
    static final Quantity PRESSED_AT = quantity("press_C", PRESS, "Press is at", "150 °C", RUBBER);
    static final Choice<Boolean> BEARS = choice(
            "bears_heat",
            List.of(new Meaning<>("yes", "yes", true), new Meaning<>("no", "no: wax, clay, soft print", false)),
            "Model bears that heat",
            "not known",
            RUBBER);
    static final Choice<Boolean> JACKET_OF = choice(
                    "jacket.kind",
                    List.of(
                            new Meaning<>("plaster", "plaster with fibre", true),
                            new Meaning<>("resin", "resin and glass", false)),
                    "Jacket",
                    "none",
                    RUBBER)
            .needed();
    static final Quantity JACKET_THICK = quantity("jacket.thickness_mm", JACKET, "Jacket, thick", "20 mm", RUBBER)
            .needed();
    static final Whole JACKET_PARTS = whole("jacket.parts", 1, 20, "Jacket in parts", "2", RUBBER);
    static final Quantity FLANGES = quantity("flange_mm", FLANGE, "Flanges, wide", "30 mm", RUBBER);
    static final Quantity HOLDS = quantity("holds_cm3", Range.VOLUME, "Jacket holds", "else by coats", RUBBER);
    static final Quantity WIDTH =
            quantity("box.width_mm", Range.LENGTH, "Box, wide", "60 mm", RUBBER).needed();
    static final Quantity DEPTH =
            quantity("box.depth_mm", Range.LENGTH, "Box, deep", "", RUBBER).needed();
    static final Quantity HEIGHT =
            quantity("box.height_mm", Range.LENGTH, "Box, high", "", RUBBER).needed();
    static final Quantity MODEL = quantity("box.model_cm3", Range.VOLUME_OR_NONE, "Model in it", "4 cm³", RUBBER)
            .needed();
    static final Quantity DENSE = quantity("density", DENSITY, "Density of rubber", "usual", RUBBER);
    static final Quantity COSTS = quantity("price_per_kg", PRICE, "Price of a kg", "", RUBBER);
    static final Text LIES = text("lies", LONGEST, "It lies", "shelf 3, left", RUBBER);
    static final Text NOTE = text("note", LONGEST, "Note", "release, test patch, keys", RUBBER);
    static final Quantity COAT_THICK = quantity("coats[]", COAT, "Coat", "1.8 mm", RUBBER);

    public static final FieldList ALL = FieldList.of(NAME, PIECE, ORIGINAL, MADE_AS, MATERIAL, AREA, OPENING)
            .and(FieldList.of(HARDENS, POT_LIFE, CURES, ROOM_IS, THICKENED, PRESSED_AT, BEARS))
            .and(FieldList.of(JACKET_OF, JACKET_THICK, JACKET_PARTS, FLANGES, HOLDS, COAT_THICK))
            .and(FieldList.of(WIDTH, DEPTH, HEIGHT, MODEL, DENSE, COSTS, LIES, NOTE));

    /** How a program's mold is made: what is cured in a press is reckoned by its page alone. */
    static final Choice<Kind> KIND = Declared.asked(
                    "kind", Meaning.of(new Kind[] {Kind.BRUSHED, Kind.BLOCK, Kind.GLOVE}, Kind::key, Kind::label))
            .needed()
            .told("brushed and glove ask area_cm2 and coats, a block asks its box");

    static final Quantity LOSS = Declared.asked("loss_pct", Range.LOSS);

    /** What is asked of a mold of rubber. */
    public static final FieldList QUESTION = FieldList.of(KIND, AREA, COAT_THICK, DENSE, LOSS)
            .and(FieldList.of(HARDENS, ROOM_IS, POT_LIFE, CURES, JACKET_OF, JACKET_THICK))
            .and(FieldList.of(WIDTH, DEPTH, HEIGHT, MODEL));

    private RubberFields() {}
}
