package kilnryu.app.diagnosis;

import static kilnryu.app.sheet.Declared.asked;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import kilnryu.app.sheet.Declared;
import kilnryu.app.sheet.Declared.Choice;
import kilnryu.app.sheet.Declared.Flag;
import kilnryu.app.sheet.Declared.Meaning;
import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.core.diagnosis.Case;
import kilnryu.core.diagnosis.Defect;
import kilnryu.core.diagnosis.DefectKind;
import kilnryu.core.diagnosis.Fact;
import kilnryu.core.diagnosis.FactKey;
import kilnryu.core.diagnosis.Place;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.quantity.Measure;

/** The fields of the API's question why a casting came out as it did. */
public final class DiagnoseFields {
    static final Choice<Alloy> ALLOY =
            asked("alloy", Meaning.of(Alloy.values(), Alloy::key, Alloy::label)).needed();
    static final Choice<Case.Kind> KIND = asked(
                    "mold.kind", Meaning.of(Case.Kind.values(), Case.Kind::key, Case.Kind::key))
            .needed();
    static final Choice<Optional<InvestmentSystem>> SYSTEM = asked("mold.system", systems());
    static final Choice<PatternMaterial> PATTERN = asked(
                    "pattern.material",
                    Meaning.of(PatternMaterial.values(), PatternMaterial::key, PatternMaterial::label))
            .needed();
    static final Choice<DefectKind> SEEN = asked(
                    "defects[].kind", Meaning.of(DefectKind.values(), DefectKind::key, DefectKind::label))
            .needed();
    static final Choice<Place> PLACE =
            asked("defects[].places[]", Meaning.of(Place.values(), Place::key, Place::label));
    static final Choice<Defect.Extent> EXTENT =
            asked("defects[].extent", Meaning.of(Defect.Extent.values(), Defect.Extent::key, Defect.Extent::key));
    static final Flag REPEATS = Declared.flag("defects[].repeats");

    /** What came out, and what is known of it: facts are all optional, what is absent is not known. */
    public static final FieldList QUESTION = FieldList.of(ALLOY, KIND, SYSTEM, PATTERN)
            .and(FieldList.of(facts()))
            .and(FieldList.of(SEEN, PLACE, EXTENT, REPEATS))
            .demanding("mold")
            .demanding("pattern");

    private DiagnoseFields() {}

    /** How a fact is known. */
    static Choice<Fact.How> how(FactKey key) {
        return asked(path(key) + ".how", Meaning.of(Fact.How.values(), Fact.How::key, Fact.How::key))
                .needed();
    }

    /** The value of a fact that is a number. */
    static Quantity number(FactKey key) {
        return asked(path(key) + ".value", new Range(Measure.TIMES, key.low(), key.high()))
                .needed()
                .told(key.inFull() + (key.unit().isEmpty() ? "" : ", " + key.unit()));
    }

    /** The value of a fact that is a word; what is yes or no may come as true or false. */
    static Choice<String> word(FactKey key) {
        List<Meaning<String>> words = new ArrayList<>();
        key.words().forEach(w -> words.add(new Meaning<>(w, w, w)));
        if (key.words().contains("yes")) {
            words.add(new Meaning<>("true", "yes", "yes"));
            words.add(new Meaning<>("false", "no", "no"));
        }
        return asked(path(key) + ".value", words).needed().told(key.inFull());
    }

    static String path(FactKey key) {
        return "facts." + key.key();
    }

    private static List<Declared> facts() {
        return Arrays.stream(FactKey.values())
                .filter(FactKey::isAsked)
                .flatMap(key -> Stream.<Declared>of(key.isNumber() ? number(key) : word(key), how(key)))
                .toList();
    }

    /** A shell's system is known here, and has no mix. */
    private static List<Meaning<Optional<InvestmentSystem>>> systems() {
        List<Meaning<Optional<InvestmentSystem>>> all = new ArrayList<>();
        for (InvestmentSystem system : InvestmentSystem.values()) {
            all.add(new Meaning<>(system.key(), system.label(), Optional.of(system)));
        }
        all.add(new Meaning<>("shell-silica", "a shell of silica", Optional.empty()));
        return all;
    }
}
