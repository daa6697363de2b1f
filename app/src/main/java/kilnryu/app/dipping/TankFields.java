package kilnryu.app.dipping;

import static kilnryu.app.sheet.Declared.Page.TANK;
import static kilnryu.app.sheet.Declared.either;
import static kilnryu.app.sheet.Declared.quantity;
import static kilnryu.app.sheet.Declared.text;

import kilnryu.app.sheet.Declared.Choice;
import kilnryu.app.sheet.Declared.Meaning;
import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.Declared.Text;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.core.quantity.Measure;

/** The fields of a tank of slurry, and those of a line in its diary. */
public final class TankFields {
    private static final Range SLURRY = new Range(Measure.GRAM_PER_CM3, 1, 5);
    private static final Range SECONDS = new Range(Measure.SECONDS, 1, 600);

    static final Text NAME = text("name", 60, "Name", "grey barrel", TANK);
    static final Choice<Boolean> PRIME = either(
            "holds",
            new Meaning<>("backup", "backup slurry", false),
            new Meaning<>("prime", "fine slurry, for primes", true),
            "Holds",
            TANK);
    static final Quantity WIDTH = quantity("diameter_mm", Range.LENGTH, "Wide inside", "400 mm", TANK);
    static final Quantity DEPTH = quantity("depth_mm", Range.LENGTH, "Deep inside", "600 mm", TANK);
    static final Quantity LEVEL = quantity("level_mm", Range.LENGTH_OR_NONE, "Slurry stands", "450 mm", TANK);
    static final Quantity DENSITY = quantity("density", SLURRY, "Slurry, density", "usual", TANK);
    static final Text MADE = text("made_on", 10, "Made on", "today", TANK);

    public static final FieldList ALL = FieldList.of(NAME, PRIME, WIDTH, DEPTH, LEVEL, DENSITY, MADE);

    static final Quantity FLOW = quantity("flow_s", SECONDS, "Flow cup", "12 s", TANK);
    static final Quantity READ = quantity("read_density", SLURRY, "Density", "1.68 g/cm³", TANK);
    static final Quantity WATER = quantity("water_g", Range.MASS, "Water added", "none", TANK);
    static final Text NOTE = text("note", 400, "Seen", "skin, settled, lumps", TANK);

    public static final FieldList DIARY = FieldList.of(FLOW, READ, WATER, NOTE);

    private TankFields() {}
}
