package kilnryu.app.kiln;

import static kilnryu.app.sheet.Declared.Page.OWN_PROGRAM;
import static kilnryu.app.sheet.Declared.Page.PROGRAM;
import static kilnryu.app.sheet.Declared.quantity;
import static kilnryu.app.sheet.Declared.text;

import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.Declared.Text;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.core.quantity.Measure;

/** The lines of a program, as they are typed for a load or for an own program, and as the API asks for them. */
public final class ProgramFields {
    private static final Range SLOPE = new Range(Measure.KELVIN_PER_HOUR, 0.1, 100_000);
    private static final Range SIZE = new Range(Measure.MILLIMETRE, 20, 600);
    private static final Range HELD = new Range(Measure.MINUTE, 0, 20_160);

    static final Quantity TARGET = quantity("program[].target_C", Range.PROGRAM, "temperature", "540 °C", PROGRAM)
            .needed();

    /** As it is typed: a number, or a word for as fast as the kiln can. */
    static final Text RATE_SAID = text("program[].rate", 30, "ramp", "150 K/h", PROGRAM);

    static final Quantity RATE_TYPED = quantity("program[].rate", SLOPE, "ramp", "150 K/h", PROGRAM);
    static final Quantity HOLD = quantity("program[].hold_min", HELD, "hold", "1:30", PROGRAM);

    static final Quantity RATE = quantity("program[].rate_K_h", SLOPE, "", "").needed();
    static final Text STAGE = text("program[].stage", 80, "", "").told("as /program says it; not needed");
    static final Text LIMITED_BY = text("program[].limited_by", 400, "", "").told("as /program says it; not needed");

    /** As they are typed. */
    public static final FieldList TYPED = FieldList.of(RATE_SAID, TARGET, HOLD);

    /** As the API asks for them. */
    static final FieldList QUESTION = FieldList.of(RATE, TARGET, HOLD, STAGE, LIMITED_BY);

    static final Text NAME = text("name", 80, "Name", "overnight, 100 mm", OWN_PROGRAM);
    static final Text NOTE = text("note", 300, "Note", "where it comes from", OWN_PROGRAM);
    static final Quantity FOR_WIDE = quantity("for_diameter_mm", SIZE, "It is known for, wide", "65 mm", OWN_PROGRAM);
    static final Quantity FOR_HIGH = quantity("for_height_mm", SIZE, "high", "100 mm", OWN_PROGRAM);
    static final Quantity TO_WIDE = quantity("to_diameter_mm", SIZE, "Wanted for, wide", "100 mm", OWN_PROGRAM);
    static final Quantity TO_HIGH = quantity("to_height_mm", SIZE, "high", "150 mm", OWN_PROGRAM);

    /** A program of a studio's own, with the flask it is known for and the one it is wanted for. */
    public static final FieldList OWN =
            FieldList.of(NAME, NOTE).and(TYPED).and(FieldList.of(FOR_WIDE, FOR_HIGH, TO_WIDE, TO_HIGH));

    private ProgramFields() {}
}
