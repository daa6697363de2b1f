package kilnryu.app.diagnosis;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
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
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Factors;

/** Reads what came out and what is known of it, as the API says it. */
public final class DiagnoseQuestionReader {
    private static final int MOST_DEFECTS = 40;

    private DiagnoseQuestionReader() {}

    public static Optional<Case> read(Fields fields, Factors factors) {
        Optional<Alloy> alloy = fields.choice("alloy", Alloy::named);
        missing(fields, "alloy", alloy, "Choose the alloy.");
        Optional<Case.Kind> kind = fields.choice("mold.kind", DiagnoseQuestionReader::kind);
        missing(fields, "mold.kind", kind, "Say the mold's kind: flask, block or shell.");
        Optional<InvestmentSystem> system =
                fields.choice("mold.system", DiagnoseQuestionReader::system).flatMap(s -> s);
        Optional<PatternMaterial> pattern = fields.choice("pattern.material", PatternMaterial::named);
        missing(fields, "pattern.material", pattern, "Say what the pattern was made of.");
        Facts facts = facts(fields);
        List<Defect> defects = defects(fields);
        if (defects.isEmpty() && !fields.hasErrors()) {
            fields.missing("defects", "Say at least one thing that is seen.");
        }
        return fields.hasErrors()
                ? Optional.empty()
                : Optional.of(new Case(alloy.orElseThrow(), kind.orElseThrow(), system, pattern, facts, defects));
    }

    private static void missing(Fields fields, String path, Optional<?> read, String words) {
        if (read.isEmpty()) {
            fields.missing(path, words);
        }
    }

    private static Optional<Case.Kind> kind(String word) {
        return java.util.Arrays.stream(Case.Kind.values())
                .filter(k -> k.key().equals(word))
                .findFirst();
    }

    /** A shell's system is known here, and has no mix. */
    private static Optional<Optional<InvestmentSystem>> system(String word) {
        return word.equals("shell-silica")
                ? Optional.of(Optional.empty())
                : InvestmentSystem.named(word).map(Optional::of);
    }

    private static Facts facts(Fields fields) {
        Map<FactKey, Fact> known = new EnumMap<>(FactKey.class);
        for (FactKey key : FactKey.values()) {
            String path = "facts." + key.key();
            if (key.isAsked() && fields.hasBelow(path)) {
                fact(fields, key, path).ifPresent(f -> known.put(key, f));
            }
        }
        return Facts.of(known);
    }

    private static Optional<Fact> fact(Fields fields, FactKey key, String path) {
        Optional<Fact.How> how = fields.choice(path + ".how", Fact.How::named);
        missing(fields, path + ".how", how, "Say how it is known: measured, planned or default.");
        if (key.isNumber()) {
            OptionalDouble number = fields.required(path + ".value", new Range(Measure.TIMES, key.low(), key.high()));
            return how.isEmpty() || number.isEmpty()
                    ? Optional.empty()
                    : Optional.of(Fact.number(number.getAsDouble(), how.get()));
        }
        Optional<String> word = fields.choice(path + ".value", w -> word(key, w));
        missing(fields, path + ".value", word, "One of " + String.join(", ", key.words()) + ".");
        return how.flatMap(h -> word.map(w -> Fact.word(w, h)));
    }

    private static Optional<String> word(FactKey key, String typed) {
        String word = typed.equals("true") ? "yes" : typed.equals("false") ? "no" : typed;
        return key.words().contains(word) ? Optional.of(word) : Optional.empty();
    }

    private static List<Defect> defects(Fields fields) {
        List<Defect> all = new ArrayList<>();
        List<String> keys = fields.keys("defects");
        if (keys.size() > MOST_DEFECTS) {
            fields.error("defects", "At most " + MOST_DEFECTS + " defects of one casting.");
            return all;
        }
        for (String key : keys) {
            defect(fields, "defects[" + key + "]").ifPresent(all::add);
        }
        return all;
    }

    private static Optional<Defect> defect(Fields fields, String path) {
        Optional<DefectKind> kind = fields.choice(path + ".kind", DefectKind::named);
        missing(fields, path + ".kind", kind, "Say what is seen.");
        Set<Place> places = EnumSet.noneOf(Place.class);
        for (int i = 0; fields.has(path + ".places[" + i + "]"); i++) {
            fields.choice(path + ".places[" + i + "]", Place::named).ifPresent(places::add);
        }
        Optional<Defect.Extent> extent = fields.choice(path + ".extent", Defect.Extent::named);
        boolean repeats =
                fields.choice(path + ".repeats", DiagnoseQuestionReader::yes).orElse(false);
        return kind.map(k -> new Defect(k, places, extent, repeats));
    }

    private static Optional<Boolean> yes(String word) {
        return switch (word) {
            case "true", "yes" -> Optional.of(true);
            case "false", "no" -> Optional.of(false);
            default -> Optional.empty();
        };
    }
}
