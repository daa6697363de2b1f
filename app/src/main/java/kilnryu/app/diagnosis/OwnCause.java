package kilnryu.app.diagnosis;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kilnryu.core.diagnosis.Cause;
import kilnryu.core.diagnosis.Causes;
import kilnryu.core.diagnosis.Clue;
import kilnryu.core.diagnosis.DefectKind;
import kilnryu.core.diagnosis.Place;

/** A studio's own cause, or its own weight of one of the table's, as it is typed. */
final class OwnCause {
    private static final int MOST_CLUES = 12;
    private static final int LONGEST = 200;

    private OwnCause() {}

    /** Empty where it cannot be read. */
    static Optional<Cause> read(String id, Map<String, String> fields) {
        Map<String, String> errors = new LinkedHashMap<>();
        Cause cause = read(id, fields, errors);
        return errors.isEmpty() ? Optional.of(cause) : Optional.empty();
    }

    /** @param errors by field; null is returned where there is any */
    static Cause read(String id, Map<String, String> fields, Map<String, String> errors) {
        double usual = number(fields.getOrDefault("usual", "2"), 0.05, Cause.MOST_USUAL, "usual", errors);
        Optional<Cause> tables = Causes.handbook().named(id);
        if (tables.isPresent()) {
            return errors.isEmpty() ? tables.get().as(usual) : null;
        }
        String name = text(fields, "name", errors, "Give it a name.");
        String change = text(fields, "change", errors, "Say the one change to try.");
        Map<DefectKind, Integer> makes = new EnumMap<>(DefectKind.class);
        Set<Place> prefers = EnumSet.noneOf(Place.class);
        fields.forEach((key, value) -> {
            if (key.startsWith("makes-") && !value.isEmpty()) {
                DefectKind.named(key.substring(6))
                        .ifPresent(k -> makes.put(k, value.equals("often") ? Cause.OFTEN : Cause.SOMETIMES));
            } else if (key.startsWith("prefers-")) {
                Place.named(key.substring(8)).ifPresent(prefers::add);
            }
        });
        if (makes.isEmpty()) {
            errors.put("makes", "Say at least one thing it makes.");
        }
        List<Clue> clues = clues(fields, errors);
        return errors.isEmpty()
                ? new Cause(
                        id,
                        name,
                        usual,
                        makes,
                        prefers,
                        clues,
                        change,
                        fields.getOrDefault("look_at", "").strip())
                : null;
    }

    private static List<Clue> clues(Map<String, String> fields, Map<String, String> errors) {
        List<Clue> clues = new ArrayList<>();
        for (int i = 0; i < MOST_CLUES; i++) {
            String when = fields.getOrDefault("clue-" + i, "").strip();
            if (when.isEmpty()) {
                continue;
            }
            double weight = number(fields.getOrDefault("weight-" + i, "2"), 0, Clue.MOST, "weight-" + i, errors);
            try {
                clues.add(
                        switch (fields.getOrDefault("speaks-" + i, "for")) {
                            case "against" -> Clue.against(weight, when);
                            case "rules-out" -> Clue.rulesOut(when);
                            default -> Clue.speaksFor(weight, when);
                        });
            } catch (IllegalArgumentException e) {
                errors.put("clue-" + i, e.getMessage() + ".");
            }
        }
        return clues;
    }

    private static double number(String typed, double low, double high, String field, Map<String, String> errors) {
        try {
            double value = Double.parseDouble(typed.strip().replace(',', '.'));
            if (value >= low && value <= high) {
                return value;
            }
        } catch (NumberFormatException e) {
            // said below
        }
        errors.put(field, "A number from " + low + " to " + high + ".");
        return Double.NaN;
    }

    private static String text(Map<String, String> fields, String key, Map<String, String> errors, String missing) {
        String typed =
                fields.getOrDefault(key, "").replaceAll("\\p{Cntrl}", " ").strip();
        if (typed.isEmpty()) {
            errors.put(key, missing);
        } else if (typed.length() > LONGEST) {
            errors.put(key, "At most " + LONGEST + " letters.");
        }
        return typed;
    }
}
