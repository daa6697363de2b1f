package kilnryu.app.injection;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import kilnryu.app.account.Account;
import kilnryu.app.sheet.Declared;
import kilnryu.app.sheet.Fields;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.wax.Heated;
import kilnryu.core.wax.Injection;
import kilnryu.core.wax.InjectionRound;
import kilnryu.core.wax.Pressing;
import kilnryu.core.wax.Wax;

/**
 * The sheet of a round as it is read.
 *
 * @param molds in their turn; empty while something is lacking
 * @param settings of each mold, how long it sets
 * @param pressing how hard and how long it is pressed, of the mold that sets slowest; empty while there is none
 */
public record InjectionSheet(
        Fields fields,
        List<String> keys,
        List<InjectionRound.Mold> molds,
        List<Figure> settings,
        Optional<Pressing> pressing,
        Findings findings,
        List<String> lacking) {
    private static final int MOST_MOLDS = 12;
    private static final double INJECT_S = 20;
    private static final double PULL_S = 30;

    static InjectionSheet read(Account account, Map<String, String> typed, Factors factors) {
        Map<String, String> filled = new LinkedHashMap<>(typed);
        filled.entrySet()
                .removeIf(e -> e.getKey().startsWith("molds[") && e.getValue().isBlank());
        words(filled);
        Fields fields = Fields.typed(filled, account.units());
        fields.named(InjectionFields.NAME, "Give the round a name.");
        fields.look(InjectionFields.PIECE, InjectionFields.NOTE);
        OptionalDouble wax = fields.quantity(InjectionFields.WAX);
        OptionalDouble moldC = fields.quantity(InjectionFields.MOLDS_ARE);
        OptionalDouble bar = fields.quantity(InjectionFields.PRESSURE);
        OptionalDouble hold = fields.quantity(InjectionFields.HELD);
        OptionalDouble gate = fields.quantity(InjectionFields.GATE);
        double inject = fields.quantity(InjectionFields.INJECTS).orElse(INJECT_S);
        double pull = fields.quantity(InjectionFields.PULLS).orElse(PULL_S);
        List<String> keys = fields.keys("molds");
        if (keys.size() > MOST_MOLDS) {
            fields.error("molds", "At most " + MOST_MOLDS + " molds in a round.");
        }
        Map<String, String> lacking = new LinkedHashMap<>();
        if (wax.isEmpty()) {
            lacking.put("wax", "How warm the wax in the pot is.");
        }
        if (moldC.isEmpty()) {
            lacking.put("mold", "How warm the molds are.");
        }
        if (keys.isEmpty()) {
            lacking.put("molds", "At least one mold, with its thickest place.");
        }
        Reading reading = new Reading(fields, factors, inject, pull);
        for (String key : keys) {
            reading.mold(key, wax, moldC);
        }
        reading.lacking.forEach(l -> lacking.put(l, l));
        Pressing pressing = Pressing.of(
                new Pressing.Question(reading.rubber, bar, hold, gate, Optional.ofNullable(reading.slowest)));
        reading.found.addAll(pressing.findings().all());
        boolean whole = lacking.isEmpty() && !fields.hasErrors() && reading.molds.size() == keys.size();
        return new InjectionSheet(
                fields,
                keys,
                whole ? List.copyOf(reading.molds) : List.of(),
                whole ? List.copyOf(reading.settings) : List.of(),
                Optional.of(pressing).filter(p -> !reading.molds.isEmpty()),
                new Findings(reading.found),
                List.copyOf(lacking.values()));
    }

    /** Rounds of before said pressure and hold in words: what is no number of them is left in the note. */
    private static void words(Map<String, String> filled) {
        for (String path : List.of("pressure", "hold")) {
            String said = filled.getOrDefault(path, "");
            if (!said.isBlank() && said.chars().noneMatch(Character::isDigit)) {
                filled.remove(path);
                filled.merge("note", path + ": " + said, (note, more) -> note + "; " + more);
            }
        }
    }

    /** What is gathered on the way. */
    private static final class Reading {
        final Fields fields;
        final Factors factors;
        final double inject;
        final double pull;
        final List<InjectionRound.Mold> molds = new ArrayList<>();
        final List<Figure> settings = new ArrayList<>();
        final List<Finding> found = new ArrayList<>();
        final List<String> lacking = new ArrayList<>();
        /** Of the mold in which a wall grows most slowly. */
        Figure slowest;

        boolean rubber;

        Reading(Fields fields, Factors factors, double inject, double pull) {
            this.fields = fields;
            this.factors = factors;
            this.inject = inject;
            this.pull = pull;
        }

        void mold(String key, OptionalDouble wax, OptionalDouble moldC) {
            Declared.Quantity thickest = InjectionFields.THICKEST.in(key);
            String name = fields.text(InjectionFields.MOLD.in(key)).orElse("mold " + (molds.size() + 1));
            OptionalDouble thick = fields.quantity(thickest);
            OptionalInt wanted = fields.whole(InjectionFields.WANTED.in(key));
            Optional<Heated> of = fields.choice(InjectionFields.MOLD_OF.in(key));
            if (thick.isEmpty()) {
                if (!fields.hasError(thickest)) {
                    lacking.add("The thickest place of " + name + ".");
                }
                return;
            }
            if (wax.isEmpty() || moldC.isEmpty()) {
                return;
            }
            try {
                Injection set = Injection.of(
                        new Injection.Question(
                                Wax.SCULPTURE,
                                wax.getAsDouble(),
                                of.orElse(Heated.SILICONE),
                                moldC.getAsDouble(),
                                thick.getAsDouble()),
                        factors);
                set.findings().all().stream()
                        .filter(f -> found.stream().noneMatch(g -> g.id().equals(f.id())))
                        .forEach(found::add);
                settings.add(set.setting());
                rubber |= of.orElse(Heated.SILICONE).equals(Heated.SILICONE);
                if (slowest == null || set.coefficient().value() < slowest.value()) {
                    slowest = set.coefficient();
                }
                molds.add(new InjectionRound.Mold(name, inject, set.setting().value(), pull, wanted.orElse(1)));
            } catch (Injection.NeverFreezes e) {
                fields.error(InjectionFields.MOLDS_ARE, e.getMessage());
            }
        }
    }
}
