package kilnryu.app.load;

import static kilnryu.app.sheet.Declared.Page.LOAD;
import static kilnryu.app.sheet.Declared.Page.PROGRAM;
import static kilnryu.app.sheet.Declared.choice;
import static kilnryu.app.sheet.Declared.quantity;
import static kilnryu.app.sheet.Declared.text;
import static kilnryu.app.sheet.Declared.whole;

import java.util.List;
import kilnryu.app.firing.FiringFields;
import kilnryu.app.kiln.ProgramFields;
import kilnryu.app.sheet.Declared.Choice;
import kilnryu.app.sheet.Declared.Meaning;
import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.Declared.Text;
import kilnryu.app.sheet.Declared.Whole;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.core.quantity.Measure;

/** The fields of a load: its kiln, the molds in it with their places, its program. */
public final class LoadFields {
    private static final Range PLACE = new Range(Measure.MILLIMETRE, -3_000, 3_000);

    static final Text NAME = text("name", 80, "Name", "Thursday night", LOAD);

    /** The number of one of the studio's kilns. */
    static final Text KILN = text("kiln", 20, "Kiln", "none yet", LOAD);

    /** Whether a mold is in the load. */
    static final Text IN = text("molds[].in", 5, "", "", LOAD);

    static final Quantity X = quantity("molds[].x_mm", PLACE, "", "", LOAD);
    static final Quantity Y = quantity("molds[].y_mm", PLACE, "", "", LOAD);
    static final Whole FLOOR = whole("molds[].floor", 0, 20, "", "", LOAD);
    static final Text TURNED = text("molds[].turned", 5, "", "", LOAD);
    static final Text STANDS = text("molds[].stands", 10, "", "", LOAD);
    static final Text SHEET = text("molds[].sheet", 10, "", "", LOAD);
    static final Text MARK = text("molds[].mark", 60, "", "the door", LOAD);

    static final Choice<Boolean> PROGRAM_IS = choice(
            "program_is",
            List.of(
                    new Meaning<>("school", "made by the school", false),
                    new Meaning<>("typed", "as it is typed", true)),
            "",
            "",
            PROGRAM);

    /** Holds of a typed program are made as long as the load asks. */
    static final Text LENGTHEN = text("lengthen", 5, "", "");

    /** What the kiln lagged when this was planned, and which kiln that was. */
    static final Text LAG_KILN = text("lag.kiln", 20, "", "");

    static final Text LAG_TIMES = text("lag.times", 20, "", "");

    public static final FieldList ALL = FieldList.of(NAME, KILN, IN, X, Y, FLOOR, TURNED, STANDS, SHEET, MARK)
            .and(FieldList.of(FiringFields.POUR_AT, FiringFields.SCHOOL))
            .and(FieldList.of(PROGRAM_IS, LENGTHEN, LAG_KILN, LAG_TIMES))
            .and(ProgramFields.TYPED);

    private LoadFields() {}
}
