package kilnryu.app.blend;

import static kilnryu.app.sheet.Declared.Page.BLEND;
import static kilnryu.app.sheet.Declared.choice;
import static kilnryu.app.sheet.Declared.quantity;
import static kilnryu.app.sheet.Declared.text;

import kilnryu.app.blend.BlendReader.Outcome;
import kilnryu.app.blend.BlendReader.Told;
import kilnryu.app.sheet.Declared.Choice;
import kilnryu.app.sheet.Declared.Meaning;
import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.Declared.Text;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.core.material.Ingredient;
import kilnryu.core.quantity.Measure;

/** The fields of a blend, of its trials, and of the API's question for one. */
public final class BlendFields {
    private static final int LONGEST_NAME = 80;
    private static final int LONGEST_TEXT = 500;
    private static final Range SHARE = new Range(Measure.PERCENT, 0.01, 100);
    private static final Range PARTS = new Range(Measure.TIMES, 0.001, 1_000_000);
    private static final Range LOOSE = new Range(Measure.GRAM_PER_CM3, 0.02, 10);
    private static final Range DENSITY = new Range(Measure.GRAM_PER_CM3, 0.05, 20);
    private static final Range PRICE = new Range(Measure.TIMES, 0, 100_000);

    static final Text NAME = text("name", LONGEST_NAME, "Name", "Garden block", BLEND);
    static final Quantity WATER = quantity("water_per_100", Range.WATER_RATIO, "Water to 100 powder", "55", BLEND);
    static final Choice<Told> TOLD =
            choice("told", Meaning.of(Told.values(), Told::key, Told::label), "Amounts are", "", BLEND);
    static final Text RECIPE = text("recipe", LONGEST_TEXT, "As it is told", "3 plaster, 2 sand", BLEND);
    static final Text NOTE = text("note", LONGEST_TEXT, "Where it comes from", "own trials, a supplier", BLEND);
    static final Choice<Ingredient> INGREDIENT = choice(
            "parts[].ingredient",
            Meaning.of(Ingredient.values(), Ingredient::key, Ingredient::label),
            "Ingredient",
            "own",
            BLEND);
    static final Text OWN = text("parts[].name", LONGEST_NAME, "Own name", "as chosen", BLEND);
    static final Quantity PERCENT =
            quantity("parts[].share_pct", SHARE, "Amount", "%", BLEND).needed();
    static final Quantity DENSE = quantity("parts[].density", DENSITY, "True density", "usual", BLEND);
    static final Choice<Ingredient.Role> ROLE = choice(
            "parts[].role",
            Meaning.of(Ingredient.Role.values(), Ingredient.Role::key, Ingredient.Role::key),
            "Role",
            "usual",
            BLEND);
    static final Quantity COSTS = quantity("parts[].price", PRICE, "Price of a kilogram", "not known", BLEND);
    static final Quantity LOOSELY =
            quantity("parts[].loose", LOOSE, "Loose density, for parts by volume", "usual", BLEND);

    /** The same amount where it is told in parts. */
    static final Quantity TOLD_PARTS = quantity("parts[].share_pct", PARTS, "Amount", "parts", BLEND);

    private static final FieldList PART = FieldList.of(INGREDIENT, OWN, PERCENT, DENSE, ROLE, COSTS);

    public static final FieldList ALL =
            FieldList.of(NAME, WATER, TOLD, RECIPE, NOTE, LOOSELY).and(PART);

    /** Shares that sum to 100 %, each of a known ingredient, or of a name with its true density and role. */
    public static final FieldList QUESTION =
            FieldList.of(WATER, TOLD, RECIPE, LOOSELY).and(PART);

    static final Quantity CURED = quantity("cure_h", Range.HOURS, "Cured", "24 h", BLEND);
    static final Quantity HEATED = quantity("top_C", Range.KILN_TEMPERATURE, "Heated to", "650 °C", BLEND);
    static final Quantity HEATED_IN = quantity("heat_h", Range.HOURS, "in", "14 h", BLEND);
    static final Quantity POURED = quantity("piece_g", Range.MASS, "Metal poured", "none", BLEND);
    static final Choice<Outcome> OUTCOME =
            choice("outcome", Meaning.of(Outcome.values(), Outcome::key, Outcome::label), "It", "choose", BLEND);
    static final Text METAL = text("metal", LONGEST_NAME, "Metal", "silicon bronze", BLEND);
    static final Text DETAIL = text("detail", LONGEST_TEXT, "Detail of the face", "fingerprints sharp", BLEND);
    static final Text TRIAL_NOTE = text("trial_note", LONGEST_TEXT, "Note", "one change at a time", BLEND);

    /** What was tried of it. */
    public static final FieldList TRIAL =
            FieldList.of(CURED, HEATED, HEATED_IN, POURED, OUTCOME, METAL, DETAIL, TRIAL_NOTE);

    private BlendFields() {}
}
