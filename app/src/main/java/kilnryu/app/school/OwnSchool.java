package kilnryu.app.school;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.web.Units;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Replacement;

/**
 * A school that a studio copied and made its own.
 *
 * @param based key of the school it was copied from
 * @param fields rules it replaces, with the text typed, and a {@code note}
 * @param archived whether it is offered no more; trees that name it keep it
 */
public record OwnSchool(
        long id, Craft craft, String name, String based, Map<String, String> fields, int version, boolean archived) {
    static final int LONGEST_NAME = 80;
    static final int LONGEST_NOTE = 400;

    public OwnSchool {
        fields = Map.copyOf(fields);
    }

    /** What a sheet holds when it is planned by this school. */
    public String key() {
        return "own-" + id;
    }

    List<Constant> rules() {
        return craft.school(based).orElseThrow().rules();
    }

    /** Its rules over those of the studio. */
    Map<String, Replacement> replacements() {
        Map<String, Replacement> own = new LinkedHashMap<>();
        String reason = "school of " + craft.label().toLowerCase(java.util.Locale.ROOT) + " \"" + name + "\"";
        read(Fields.typed(fields, Units.METRIC), rules()).forEach((k, v) -> own.put(k, new Replacement(v, reason)));
        return own;
    }

    /** The rules that are typed; remarks stay at the fields. */
    static Map<String, Double> read(Fields fields, List<Constant> rules) {
        Map<String, Double> values = new LinkedHashMap<>();
        for (Constant c : rules) {
            OptionalDouble value = fields.quantity(c.key(), Range.of(c));
            value.ifPresent(v -> values.put(c.key(), v));
        }
        fields.text("note", LONGEST_NOTE);
        return values;
    }
}
