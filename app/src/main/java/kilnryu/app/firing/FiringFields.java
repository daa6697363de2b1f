package kilnryu.app.firing;

import static kilnryu.app.sheet.Declared.Page.FIRING;
import static kilnryu.app.sheet.Declared.choice;
import static kilnryu.app.sheet.Declared.quantity;
import static kilnryu.app.sheet.Declared.text;

import kilnryu.app.sheet.Declared.Choice;
import kilnryu.app.sheet.Declared.Meaning;
import kilnryu.app.sheet.Declared.Page;
import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.Declared.Text;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.core.burnout.BurnoutSchool;
import kilnryu.core.burnout.Handling;
import kilnryu.core.material.Section;

/** The fields of a tree's firing. */
public final class FiringFields {
    /** Also of a load: when all that stands in the kiln is poured. */
    public static final Text POUR_AT =
            text("pour_at", 40, "Pour at", "", FIRING, Page.LOAD).told("local day and hour in the studio's time zone");

    static final Choice<Section> SECTION = choice(
            "section",
            Meaning.of(Section.values(), Section::key, Section::label),
            "Sections",
            "medium, until chosen",
            FIRING);
    static final Quantity METAL_C =
            quantity("pour_C", Range.METAL_TEMPERATURE, "Metal at the pour", "by alloy", FIRING);
    static final Quantity MOLD_C = quantity("mold_C", Range.MOLD_TEMPERATURE, "Mold at the pour", "by alloy", FIRING);
    static final Choice<Handling> HANDLING = choice(
            "shell_school",
            Meaning.of(Handling.values(), Handling::key, h -> h.label() + ". " + h.says()),
            "School of the fire",
            "",
            FIRING);

    /** Also of a load and of the API's question for a program. */
    public static final Choice<BurnoutSchool> SCHOOL = choice(
                    "school",
                    Meaning.of(BurnoutSchool.values(), BurnoutSchool::key, BurnoutSchool::label),
                    "School of burnout",
                    "usual for this mold: standard steps, a block slowly",
                    FIRING,
                    Page.PROGRAM)
            .andOwn();

    static final Quantity KILN_MAX_C =
            quantity("kiln_max_C", Range.KILN_TEMPERATURE, "Kiln reaches", "not said", FIRING);
    static final Quantity FREE_WATER =
            quantity("free_water_pct", Range.SHARE, "Water left, by weighing", "as mixed, 100 %", FIRING);
    static final Quantity DRAIN_C = quantity("drain_C", Range.DRAIN_TEMPERATURE, "Plastics drain at", "230 °C", FIRING);

    public static final FieldList ALL =
            FieldList.of(POUR_AT, SECTION, METAL_C, MOLD_C, HANDLING, SCHOOL, KILN_MAX_C, FREE_WATER, DRAIN_C);

    private FiringFields() {}
}
