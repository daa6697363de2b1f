package kilnryu.app.diagnosis;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import kilnryu.app.sheet.Declared;
import kilnryu.app.sheet.Fields;
import kilnryu.core.diagnosis.Case;
import kilnryu.core.diagnosis.Defect;
import kilnryu.core.diagnosis.DefectKind;
import kilnryu.core.diagnosis.Fact;
import kilnryu.core.diagnosis.FactKey;
import kilnryu.core.diagnosis.Facts;
import kilnryu.core.diagnosis.Place;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.sum.Factors;

/** Reads what came out and what is known of it, as the API says it. */
public final class DiagnoseQuestionReader {
    private static final int MOST_DEFECTS = 40;

    private DiagnoseQuestionReader() {}

    public static Optional<Case> read(Fields fields, Factors factors) {
        Optional<Alloy> alloy = fields.chosen(DiagnoseFields.ALLOY, "Choose the alloy.");
        Optional<Case.Kind> kind = fields.chosen(DiagnoseFields.KIND, "Say the mold's kind: flask, block or shell.");
        Optional<InvestmentSystem> system = fields.choice(DiagnoseFields.SYSTEM).flatMap(s -> s);
        Optional<PatternMaterial> pattern = fields.chosen(DiagnoseFields.PATTERN, "Say what the pattern was made of.");
        Facts facts = facts(fields);
        List<Defect> defects = defects(fields);
        if (defects.isEmpty() && !fields.hasErrors()) {
            fields.missing("defects", "Say at least one thing that is seen.");
        }
        return fields.hasErrors()
                ? Optional.empty()
                : Optional.of(new Case(alloy.orElseThrow(), kind.orElseThrow(), system, pattern, facts, defects));
    }

    private static Facts facts(Fields fields) {
        Map<FactKey, Fact> known = new EnumMap<>(FactKey.class);
        for (FactKey key : FactKey.values()) {
            if (key.isAsked() && fields.hasBelow(DiagnoseFields.path(key))) {
                fact(fields, key).ifPresent(f -> known.put(key, f));
            }
        }
        return Facts.of(known);
    }

    private static Optional<Fact> fact(Fields fields, FactKey key) {
        Optional<Fact.How> how =
                fields.chosen(DiagnoseFields.how(key), "Say how it is known: measured, planned or default.");
        if (key.isNumber()) {
            OptionalDouble number = fields.required(DiagnoseFields.number(key));
            return how.isEmpty() || number.isEmpty()
                    ? Optional.empty()
                    : Optional.of(Fact.number(number.getAsDouble(), how.get()));
        }
        Optional<String> word =
                fields.chosen(DiagnoseFields.word(key), "One of " + String.join(", ", key.words()) + ".");
        return how.flatMap(h -> word.map(w -> Fact.word(w, h)));
    }

    private static List<Defect> defects(Fields fields) {
        List<Defect> all = new ArrayList<>();
        List<String> keys = fields.keys("defects");
        if (keys.size() > MOST_DEFECTS) {
            fields.error("defects", "At most " + MOST_DEFECTS + " defects of one casting.");
            return all;
        }
        for (String key : keys) {
            defect(fields, key).ifPresent(all::add);
        }
        return all;
    }

    private static Optional<Defect> defect(Fields fields, String key) {
        Optional<DefectKind> kind = fields.chosen(DiagnoseFields.SEEN.in(key), "Say what is seen.");
        Set<Place> places = EnumSet.noneOf(Place.class);
        Declared.Choice<Place> place = DiagnoseFields.PLACE.in(key);
        for (int i = 0; fields.has(place.in(Integer.toString(i))); i++) {
            fields.choice(place.in(Integer.toString(i))).ifPresent(places::add);
        }
        Optional<Defect.Extent> extent = fields.choice(DiagnoseFields.EXTENT.in(key));
        boolean repeats = fields.flag(DiagnoseFields.REPEATS.in(key)).orElse(false);
        return kind.map(k -> new Defect(k, places, extent, repeats));
    }
}
