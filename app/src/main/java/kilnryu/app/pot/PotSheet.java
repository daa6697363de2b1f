package kilnryu.app.pot;

import java.util.Map;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.core.quantity.Measure;
import kilnryu.core.wax.Wax;

/**
 * A pot as its sheet is read.
 *
 * @param insideMm its width inside; empty where not known
 * @param highMm empty likewise
 * @param keepC what it is kept at; empty likewise
 */
public record PotSheet(Fields fields, OptionalDouble insideMm, OptionalDouble highMm, OptionalDouble keepC) {
    private static final int LONGEST = 80;
    private static final Range WIDE = new Range(Measure.MILLIMETRE, 30, 2000);
    private static final Range KEPT = new Range(Measure.DEGREE_CELSIUS, 20, 300);

    public static PotSheet read(Account account, Map<String, String> typed) {
        Fields fields = Fields.typed(typed, account.units());
        if (fields.text("name", LONGEST).isEmpty()) {
            fields.missing("name", "Give the pot a name.");
        }
        fields.text("note", 300);
        OptionalDouble keep = fields.quantity("keep_C", KEPT);
        if (keep.isPresent() && keep.getAsDouble() > Wax.SMOKES) {
            fields.error("keep_C", "Wax smokes over " + Math.round(Wax.SMOKES) + " °C: no pot is kept there.");
        }
        return new PotSheet(fields, fields.quantity("inside_mm", WIDE), fields.quantity("high_mm", WIDE), keep);
    }
}
