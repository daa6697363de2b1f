package kilnryu.app.dipping;

import static kilnryu.app.sheet.Declared.Page.DIP;
import static kilnryu.app.sheet.Declared.choice;
import static kilnryu.app.sheet.Declared.either;
import static kilnryu.app.sheet.Declared.quantity;
import static kilnryu.app.sheet.Declared.text;

import java.util.List;
import java.util.Map;
import kilnryu.app.sheet.Declared.Choice;
import kilnryu.app.sheet.Declared.Meaning;
import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.Declared.Text;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.core.quantity.Measure;
import kilnryu.core.shell.Coat;

/** The fields of a dip and of what happens to a shell after it. */
public final class DipFields {
    private static final int LONGEST = 400;
    private static final Range ROOM = new Range(Measure.DEGREE_CELSIUS, -10, 50);
    private static final Range HUMIDITY = new Range(Measure.PERCENT, 0, 100);
    private static final Range SPEED = new Range(Measure.TIMES, 0, 20);
    private static final Range SECONDS = new Range(Measure.SECONDS, 1, 600);
    private static final Range SLURRY = new Range(Measure.GRAM_PER_CM3, 1, 5);
    private static final Range THICKNESS = new Range(Measure.MILLIMETRE, 0.1, 100);
    private static final List<Meaning<Boolean>> YES_NO =
            List.of(new Meaning<>("yes", "yes", true), new Meaning<>("no", "no", false));

    static final Choice<Coat> COAT =
            choice("coat", Meaning.of(Coat.values(), Coat::key, Coat::label), "Coat", "choose", DIP);

    /** Day and hour in the studio's own time. */
    static final Text AT = text("at", 40, "Dipped at", "", DIP);

    static final Quantity AIR = quantity("temperature_C", ROOM, "Air", "as it shows", DIP);
    static final Quantity HUMID = quantity("humidity_pct", HUMIDITY, "Humidity", "as it shows", DIP);
    static final Quantity BLOWS = quantity("air_m_s", SPEED, "Air past it, m/s", "as it is", DIP);
    static final Quantity FLOW = quantity("flow_s", SECONDS, "Flow cup", "12 s", DIP);
    static final Quantity DENSITY = quantity("density", SLURRY, "Slurry density", "not read", DIP);
    static final Quantity THICK =
            quantity("thickness_mm", THICKNESS, "Test bar, thickness so far", "not measured", DIP);
    static final Quantity MASS = quantity("mass_g", Range.MASS, "Piece weighs, wet", "not weighed", DIP);
    static final Text NOTE = text("note", LONGEST, "Note", "drained 40 s, one run at the foot", DIP);

    static final FieldList OF_A_DIP = FieldList.of(COAT, AT, AIR, HUMID, BLOWS, FLOW, DENSITY, THICK, MASS, NOTE);

    static final Text COMING = text("coming", LONGEST, "To come", "backup, seal", DIP);
    static final Text WHY = text("why", LONGEST, "Why", "thick enough by the bar", DIP);
    static final FieldList OF_COATS = FieldList.of(COMING, WHY);

    static final Quantity WEIGHS = quantity("weighs_g", Range.MASS, "It weighs now", "1240 g", DIP);
    static final FieldList OF_A_WEIGHING = FieldList.of(WEIGHS);

    static final Text WHERE = text("where", LONGEST, "Where", "inside of the left leg", DIP);
    static final Quantity DEPTH = quantity("depth_mm", Range.LENGTH_OR_NONE, "Under the rim", "not measured", DIP);
    static final Choice<String> FOUND = choice(
            "found",
            List.of(
                    new Meaning<>("drying", "while drying", "while drying"),
                    new Meaning<>("dewax", "after the dewax", "after the dewax"),
                    new Meaning<>("fire", "after the fire", "after the fire")),
            "Found",
            "",
            DIP);
    static final Text PATCHED = text("patched", LONGEST, "Patched with", "slurry and fine stucco, twice", DIP);
    static final Quantity DRIED = quantity("dried_h", Range.HOURS, "Dried", "12 h", DIP);
    static final Choice<Boolean> REFIRED = either(
            "refired", new Meaning<>("no", "not yet", false), new Meaning<>("yes", "yes", true), "Fired again", DIP);
    static final FieldList OF_A_FLAW = FieldList.of(WHERE, DEPTH, FOUND, PATCHED, DRIED, REFIRED);

    static final Quantity RECOVERED = quantity("recovered_g", Range.MASS_OR_NONE, "Pattern recovered", "180 g", DIP);
    static final Text SEEN = text("seen", LONGEST, "Seen", "ran clear, flame 4 min", DIP);
    static final FieldList OF_A_DEWAX = FieldList.of(RECOVERED, SEEN);

    /** What is looked at before the pour. */
    static final List<Choice<Boolean>> LOOKS = List.of(
            look("tap", "Tapped: it rings clear"),
            look("light", "Held against a lamp: no crack shines through"),
            look("ash", "Ash blown out, nothing loose inside"),
            look("cup", "Cup clean, its edge brushed and covered"));

    static final FieldList OF_A_LOOK = FieldList.of(LOOKS).and(FieldList.of(NOTE));

    /** The forms of a shell's page, by their names. */
    public static final Map<String, FieldList> FORMS = Map.of(
            "dip", OF_A_DIP,
            "coats", OF_COATS,
            "weigh", OF_A_WEIGHING,
            "flaw", OF_A_FLAW,
            "dewax", OF_A_DEWAX,
            "look", OF_A_LOOK);

    private DipFields() {}

    private static Choice<Boolean> look(String path, String words) {
        return choice(path, YES_NO, words, "", DIP);
    }
}
