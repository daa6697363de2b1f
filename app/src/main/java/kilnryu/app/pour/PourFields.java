package kilnryu.app.pour;

import static kilnryu.app.sheet.Declared.Page.POUR;
import static kilnryu.app.sheet.Declared.choice;
import static kilnryu.app.sheet.Declared.either;
import static kilnryu.app.sheet.Declared.quantity;
import static kilnryu.app.sheet.Declared.text;

import java.util.List;
import kilnryu.app.sheet.Declared.Choice;
import kilnryu.app.sheet.Declared.Meaning;
import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.Declared.Text;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.core.pour.PourWay;
import kilnryu.core.quantity.Measure;

/** The fields of a pour and of its charge. */
public final class PourFields {
    private static final Range SECONDS = new Range(Measure.SECONDS, 0, 3600);
    private static final Range SAND = new Range(Measure.DEGREE_CELSIUS, -20, 1000);
    private static final Range INSIDE = new Range(Measure.PERCENT, 0, 45);

    static final Text NAME = text("name", 80, "Name", "Thursday bronze", POUR);

    /** Day and hour, as 2026-03-31T10:30. */
    static final Text AT = text("pour_at", 25, "First metal flows", "", POUR);

    static final Text FURNACE = text("furnace", 20, "Furnace", "choose", POUR);
    static final Text CRUCIBLE = text("crucible", 20, "Crucible", "choose", POUR);
    static final Quantity METAL =
            quantity("pour_C", Range.METAL_TEMPERATURE, "Metal at the first mold", "1100 °C", POUR);
    static final Quantity HEEL = quantity("heel_g", Range.MASS_OR_NONE, "Heel that stays", "0 g", POUR);
    static final Choice<PourWay> WAY = choice(
            "way",
            Meaning.of(PourWay.values(), PourWay::key, PourWay::label),
            "Flasks are poured by",
            "vacuum table",
            POUR);
    static final Choice<Boolean> IN_SAND = either(
            "outside",
            new Meaning<>("air", "in the air of the room", false),
            new Meaning<>("sand", "in sand", true),
            "Molds stand",
            POUR);
    static final Quantity SAND_C = quantity("sand_C", SAND, "Sand, if hot", "20 °C", POUR);
    static final Choice<Boolean> TOGETHER = either(
            "together",
            new Meaning<>("one", "one by one, as the metal comes", false),
            new Meaning<>("all", "all before the first is poured", true),
            "Taken out",
            POUR);
    static final Quantity SKIM = quantity("skim_s", SECONDS, "Skim and carry the pot", "usual", POUR);
    static final Quantity CARRY = quantity("carry_s", SECONDS, "Kiln to pouring place", "usual", POUR);
    static final Quantity SEAT = quantity("seat_s", SECONDS, "Set down, ready for metal", "usual", POUR);
    static final Quantity BETWEEN = quantity("between_s", SECONDS, "From mold to mold", "usual", POUR);
    static final Choice<Boolean> POT_AGAIN =
            choice("again[].pot", List.of(new Meaning<>("yes", "yes", true)), "Pot back before it", "no", POUR);
    static final Quantity RETURNS = quantity("max_return_pct", Range.SHARE, "Returns at most", "50 %", POUR);
    static final Quantity OFF_THE_ENDS =
            quantity("inside_pct", INSIDE, "Stay off the ends of the bands by", "10 %", POUR);
    static final Quantity FIXED = quantity("lot[].fixed_g", Range.MASS_OR_NONE, "Set by hand", "none", POUR);
    static final Choice<Boolean> LEFT_OUT = either(
            "lot[].use",
            new Meaning<>("in", "may go in", false),
            new Meaning<>("out", "leave out", true),
            "This lot",
            POUR);

    public static final FieldList ALL = FieldList.of(NAME, AT, FURNACE, CRUCIBLE, METAL, HEEL, WAY)
            .and(FieldList.of(IN_SAND, SAND_C, TOGETHER, SKIM, CARRY, SEAT, BETWEEN, POT_AGAIN))
            .and(FieldList.of(RETURNS, OFF_THE_ENDS, FIXED, LEFT_OUT));

    private PourFields() {}
}
