package kilnryu.app.sand;

import static kilnryu.app.sheet.Declared.Page.SAND;
import static kilnryu.app.sheet.Declared.choice;
import static kilnryu.app.sheet.Declared.quantity;
import static kilnryu.app.sheet.Declared.text;

import kilnryu.app.sand.SandReader.Done;
import kilnryu.app.sheet.Declared.Choice;
import kilnryu.app.sheet.Declared.Meaning;
import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.Declared.Text;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.core.block.SilicateSand.Hardening;
import kilnryu.core.quantity.Measure;

/** The fields of a mold of silicate sand, and those of a line in its log. */
public final class SandFields {
    private static final Range PER_SAND = new Range(Measure.PERCENT, 0.1, 50);
    private static final Range RAMMED = new Range(Measure.GRAM_PER_CM3, 0.8, 3);
    private static final Range COLD = new Range(Measure.DEGREE_CELSIUS, -80, 900);

    static final Text NAME = text("name", 80, "Name", "Cope of the reed plaque", SAND);
    static final Quantity LENGTH = quantity("length_mm", Range.LENGTH, "Box, long inside", "300 mm", SAND);
    static final Quantity WIDTH = quantity("width_mm", Range.LENGTH, "wide", "200 mm", SAND);
    static final Quantity HEIGHT = quantity("height_mm", Range.LENGTH, "high", "100 mm", SAND);
    static final Quantity PATTERN = quantity("pattern_cm3", Range.VOLUME_OR_NONE, "Pattern in it", "none", SAND);
    static final Quantity SILICATE = quantity("silicate_pct", PER_SAND, "Silicate on the sand, by mass", "4 %", SAND);
    static final Quantity DENSITY = quantity("packed_density", RAMMED, "Sand as rammed", "1.6 g/cm³", SAND);
    static final Quantity SPARE = quantity("spare_pct", Range.OVERFILL, "To spare", "0 %", SAND);
    static final Choice<Hardening> HARDEN =
            choice("harden", Meaning.of(Hardening.values(), Hardening::key, Hardening::label), "Hardened by", "", SAND);
    static final Quantity FREEZE = quantity("freeze_h", Range.HOURS, "Frozen first, for", "not frozen", SAND);
    static final Text NOTE = text("note", 400, "Sand and silicate used", "washed, 0.2 to 0.4 mm", SAND);

    public static final FieldList ALL = FieldList.of(NAME, LENGTH, WIDTH, HEIGHT, PATTERN, SILICATE)
            .and(FieldList.of(DENSITY, SPARE, HARDEN, FREEZE, NOTE));

    static final Choice<Done> DONE =
            choice("done", Meaning.of(Done.values(), Done::key, Done::label), "It was", "choose", SAND);
    static final Quantity FOR = quantity("for_min", Range.SET_TIME, "for", "20 s", SAND);
    static final Quantity AT = quantity("at_C", COLD, "at", "-18 °C", SAND);
    static final Quantity MASS = quantity("mass_g", Range.MASS, "Weighs", "4160 g", SAND);
    static final Text SEEN = text("log_note", 400, "Seen", "edges firm, thumb leaves no mark", SAND);

    public static final FieldList LOG = FieldList.of(DONE, FOR, AT, MASS, SEEN);

    private SandFields() {}
}
