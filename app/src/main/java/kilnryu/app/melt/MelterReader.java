package kilnryu.app.melt;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Declared;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Units;
import kilnryu.core.material.Alloy;
import kilnryu.core.melt.Furnace;
import kilnryu.core.melt.PotChecks;
import kilnryu.core.melt.PotCooling;
import kilnryu.core.tree.Crucible;

/** Reads a furnace or a crucible from its fields. */
public final class MelterReader {
    private MelterReader() {}

    public static Optional<Furnace> furnace(Fields fields) {
        named(fields, MelterFields.FURNACE_NAME, MelterFields.FURNACE_NOTE);
        OptionalDouble power = fields.required(MelterFields.POWER);
        Optional<Furnace.Heating> heating = fields.chosen(MelterFields.HEATING, "Say how it heats.");
        OptionalDouble share = fields.quantity(MelterFields.EFFICIENCY);
        OptionalDouble most = fields.quantity(MelterFields.MOST);
        return fields.hasErrors()
                ? Optional.empty()
                : Optional.of(new Furnace(power.getAsDouble(), heating.get(), share, most));
    }

    /**
     * A crucible with all that counts of it.
     *
     * @param cooling of its open face and wall, in a room of 20 C
     */
    public record Pot(Crucible crucible, PotCooling cooling, PotChecks.Pot kept) {}

    /** @param heats it had, besides those that are typed */
    public static Optional<Pot> crucible(Fields fields, int heats) {
        Optional<String> name = named(fields, MelterFields.CRUCIBLE_NAME, MelterFields.CRUCIBLE_NOTE);
        OptionalDouble capacity = fields.required(MelterFields.CAPACITY);
        OptionalDouble rated = fields.quantity(MelterFields.RATED);
        OptionalDouble mouth = fields.quantity(MelterFields.MOUTH);
        OptionalDouble wall = fields.quantity(MelterFields.WALL);
        Optional<Alloy.Family> family = fields.choice(MelterFields.FAMILY);
        boolean iron = fields.choice(MelterFields.IRON).orElse(false);
        boolean lead = fields.choice(MelterFields.LEAD).orElse(false);
        boolean covered = fields.choice(MelterFields.COVERED).orElse(false);
        int uses = fields.whole(MelterFields.USES).orElse(0) + heats;
        fields.look(MelterFields.LOOKED);
        if (fields.hasErrors()) {
            return Optional.empty();
        }
        double cm3 = capacity.getAsDouble();
        return Optional.of(new Pot(
                new Crucible(capacity, rated),
                PotCooling.of(cm3, mouth, wall, covered),
                new PotChecks.Pot(name.get(), family, iron, lead, uses)));
    }

    private static Optional<String> named(Fields fields, Declared.Text named, Declared.Text note) {
        fields.look(note);
        return fields.named(named, "Give it a name.");
    }

    public static Optional<Furnace> furnace(Map<String, String> saved) {
        return furnace(Fields.typed(saved, Units.METRIC));
    }

    public static Optional<Pot> crucible(MelterStore.Row saved) {
        return crucible(Fields.typed(saved.fields(), Units.METRIC), saved.heats());
    }
}
