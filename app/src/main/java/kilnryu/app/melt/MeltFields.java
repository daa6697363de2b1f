package kilnryu.app.melt;

import static kilnryu.app.sheet.Declared.Page.METAL;
import static kilnryu.app.sheet.Declared.asked;
import static kilnryu.app.sheet.Declared.choice;
import static kilnryu.app.sheet.Declared.day;
import static kilnryu.app.sheet.Declared.flag;
import static kilnryu.app.sheet.Declared.quantity;
import static kilnryu.app.sheet.Declared.text;

import java.util.Arrays;
import java.util.List;
import kilnryu.app.sheet.Declared.Choice;
import kilnryu.app.sheet.Declared.Day;
import kilnryu.app.sheet.Declared.Flag;
import kilnryu.app.sheet.Declared.Meaning;
import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.Declared.Text;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.core.material.Alloy;
import kilnryu.core.melt.Element;
import kilnryu.core.melt.Furnace;
import kilnryu.core.melt.Stock;
import kilnryu.core.quantity.Measure;

/** The fields of a lot of metal and of the API's questions for a charge and a melt. */
public final class MeltFields {
    static final Range POWER = new Range(Measure.TIMES, 0.05, 1000);
    static final Range MOST_C = new Range(Measure.DEGREE_CELSIUS, 100, 2500);
    static final Range SHARE_THAT_HEATS = new Range(Measure.PERCENT, 1, 100);
    private static final Range IN_STORE = new Range(Measure.GRAM, 0, 1e8);
    private static final Range PRICE = new Range(Measure.TIMES, 0, 1_000_000);
    private static final Range SECONDS = new Range(Measure.SECONDS, 0, 3600);
    private static final Range START = new Range(Measure.DEGREE_CELSIUS, -40, 1800);
    private static final int LONGEST_NAME = 80;
    private static final int LONGEST_NOTE = 400;

    static final Text NAME = text("name", LONGEST_NAME, "Name", "bronze ingots, spring", METAL);
    static final Choice<Stock.Type> KIND = choice(
            "kind",
            List.of(
                    new Meaning<>("ingot", "ingot, of a known alloy", Stock.Type.INGOT),
                    new Meaning<>("element", "element, pure", Stock.Type.ELEMENT),
                    new Meaning<>("return", "return: gates, spoiled castings", Stock.Type.RETURN),
                    new Meaning<>("unknown", "scrap nobody knows", Stock.Type.UNKNOWN)),
            "Kind",
            "choose",
            METAL);
    static final Text MAKE_UP = text("make_up", 300, "Made of, mass %, or an alloy", "Cu 95 Si 4 Mn 1", METAL);
    static final Quantity MASS = quantity("mass_g", IN_STORE, "How much there is", "12 kg", METAL);
    static final Quantity PIECE = quantity("piece_g", Range.MASS, "A piece, if it cannot be cut", "can be cut", METAL);
    static final Quantity COSTS = quantity("price", PRICE, "A kilogram costs", "not known", METAL);
    static final Day SINCE = day("got_on", "Since", METAL);
    static final Text LIES = text("place", LONGEST_NAME, "Lies", "left shelf", METAL);
    static final Text OF_CASTING = text("of_casting", LONGEST_NAME, "From the casting of", "nothing cast here", METAL);
    static final Text NOTE = text("note", LONGEST_NOTE, "Note", "certificate, seller, look", METAL);

    public static final FieldList LOT =
            FieldList.of(NAME, KIND, MAKE_UP, MASS, PIECE, COSTS, SINCE, LIES, OF_CASTING, NOTE);

    static final Choice<MetalReader.Move> MOVE = choice(
            "move",
            Meaning.of(MetalReader.Move.values(), MetalReader.Move::key, MetalReader.Move::label),
            "It",
            "choose",
            METAL);
    static final Quantity MOVED = quantity("grams", IN_STORE, "How much", "500 g", METAL);
    static final Text MOVE_NOTE = text("move_note", LONGEST_NOTE, "Note", "gates of the tern", METAL);

    /** What happens to a lot. */
    public static final FieldList DIARY = FieldList.of(MOVE, MOVED, MOVE_NOTE);

    static final Choice<Alloy> ALLOY =
            asked("alloy", Meaning.of(Alloy.values(), Alloy::key, Alloy::label)).needed();
    static final Quantity NEEDED = asked("needed_g", Range.MASS).needed();
    static final Quantity RETURNS = asked("max_return_pct", Range.SHARE);
    static final Quantity UNKNOWN_RETURNS = asked("unknown_return_pct", Range.SHARE);
    static final Text STOCK = asked("stock[].name", 120).needed();
    static final Quantity AVAILABLE = asked("stock[].available_g", IN_STORE).needed();
    static final Quantity STOCK_PRICE = asked("stock[].price_per_kg", PRICE);
    static final Quantity STOCK_PIECE = asked("stock[].piece_g", Range.MASS);
    static final Choice<Stock.Type> STOCK_KIND =
            asked("stock[].kind", Meaning.of(Stock.Type.values(), Stock.Type::key, Stock.Type::key));

    /** What charge is wanted, and what is in store. */
    public static final FieldList CHARGE = FieldList.of(ALLOY, NEEDED, RETURNS, UNKNOWN_RETURNS)
            .and(FieldList.of(STOCK, AVAILABLE, STOCK_PRICE, STOCK_PIECE, STOCK_KIND))
            .and(FieldList.of(Arrays.stream(Element.values())
                    .map(e -> share("stock[].composition", e))
                    .toList()));

    static final Quantity CHARGED = asked("charge_g", Range.MASS).needed();
    static final Quantity FROM = asked("start_C", START);
    static final Quantity POUR = asked("pour_C", Range.METAL_TEMPERATURE).needed();
    static final Quantity FURNACE_POWER = asked("furnace.power_kW", POWER).needed();
    static final Choice<Furnace.Heating> FURNACE_KIND = asked(
                    "furnace.kind", Meaning.of(Furnace.Heating.values(), Furnace.Heating::key, Furnace.Heating::label))
            .needed();
    static final Quantity FURNACE_SHARE = asked("furnace.efficiency_pct", SHARE_THAT_HEATS);
    static final Quantity FURNACE_MOST = asked("furnace.max_C", MOST_C);
    static final Quantity HOLDS = asked("crucible.capacity_cm3", Range.VOLUME);
    static final Quantity RATED = asked("crucible.rated_g", Range.MASS);
    static final Quantity CARRY_SECONDS = asked("carry.seconds", SECONDS).needed();
    static final Quantity MOUTH = asked("carry.mouth_diameter_mm", Range.LENGTH).needed();
    static final Quantity WALL = asked("carry.wall_area_cm2", Range.AREA).needed();
    static final Flag COVERED = flag("carry.covered");

    /** What is melted in which furnace. */
    public static final FieldList MELT = FieldList.of(ALLOY, CHARGED, FROM, POUR)
            .and(FieldList.of(FURNACE_POWER, FURNACE_KIND, FURNACE_SHARE, FURNACE_MOST))
            .and(FieldList.of(HOLDS, RATED, CARRY_SECONDS, MOUTH, WALL, COVERED))
            .demanding("furnace");

    private MeltFields() {}

    /** What one element has of a make-up, below its path. */
    static Quantity share(String path, Element element) {
        return asked(path + "." + element.symbol(), Range.SHARE).told("mass %");
    }
}
