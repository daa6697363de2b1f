package kilnryu.app.shell;

import static kilnryu.app.sheet.Declared.Page.RECIPE;
import static kilnryu.app.sheet.Declared.text;

import kilnryu.app.sheet.Declared.Text;
import kilnryu.app.sheet.FieldList;

/** The fields of a recipe of shell. */
public final class RecipeFields {
    private static final int LONGEST = 400;

    static final Text NAME = text("name", 80, "Name", "Salt-wind shell", RECIPE);
    static final Text COATS = text(
            "coats", LONGEST, "Coats in their order", "prime, intermediate, 3 backup, wire, 4 backup, seal", RECIPE);
    static final Text NOTE = text("note", LONGEST, "What it is for", "tall thin pieces", RECIPE);

    public static final FieldList ALL = FieldList.of(NAME, COATS, NOTE);

    private RecipeFields() {}
}
