package kilnryu.app.pot;

import java.util.Map;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.sheet.Fields;
import kilnryu.core.wax.Wax;

/**
 * A pot as its sheet is read.
 *
 * @param insideMm its width inside; empty where not known
 * @param highMm empty likewise
 * @param keepC what it is kept at; empty likewise
 */
public record PotSheet(Fields fields, OptionalDouble insideMm, OptionalDouble highMm, OptionalDouble keepC) {
    public static PotSheet read(Account account, Map<String, String> typed) {
        Fields fields = Fields.typed(typed, account.units());
        fields.named(PotFields.NAME, "Give the pot a name.");
        fields.look(PotFields.NOTE);
        OptionalDouble keep = fields.quantity(PotFields.KEPT);
        if (keep.isPresent() && keep.getAsDouble() > Wax.SMOKES) {
            fields.error(PotFields.KEPT, "Wax smokes over " + Math.round(Wax.SMOKES) + " °C: no pot is kept there.");
        }
        return new PotSheet(fields, fields.quantity(PotFields.INSIDE), fields.quantity(PotFields.HIGH), keep);
    }
}
