package kilnryu.app.diagnosis;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import kilnryu.app.web.Show;
import kilnryu.app.web.Spoken;
import kilnryu.app.web.Units;
import kilnryu.core.diagnosis.Fact;
import kilnryu.core.diagnosis.FactKey;
import kilnryu.core.diagnosis.Facts;

/** Facts with the place of the record each comes from; what was found first stays. */
public final class OnRecord {
    private final Map<FactKey, Fact> facts = new EnumMap<>(FactKey.class);
    private final Map<FactKey, String> places = new EnumMap<>(FactKey.class);

    /** @param address the page on which it stands */
    public OnRecord number(FactKey key, double value, Fact.How how, String address) {
        return Double.isFinite(value) ? put(key, Fact.number(value, how), address) : this;
    }

    public OnRecord word(FactKey key, String value, Fact.How how, String address) {
        if (!key.words().contains(value)) {
            throw new IllegalArgumentException(key.key() + " cannot be " + value);
        }
        return put(key, Fact.word(value, how), address);
    }

    private OnRecord put(FactKey key, Fact fact, String address) {
        if (!facts.containsKey(key)) {
            facts.put(key, fact);
            places.put(key, address);
        }
        return this;
    }

    public Facts facts() {
        return Facts.of(facts);
    }

    /** Each fact in words, as it is known. */
    List<String> words(Units units) {
        return facts.entrySet().stream()
                .map(e -> Spoken.in(
                        e.getKey().inFull() + ": "
                                + (e.getKey().isNumber()
                                        ? (Show.exact(Math.round(e.getValue().number() * 100) / 100.0) + " "
                                                        + e.getKey().unit())
                                                .strip()
                                        : e.getValue().word().replace('-', ' '))
                                + (e.getValue().how() == Fact.How.MEASURED
                                        ? ""
                                        : " (" + e.getValue().how().key() + ")"),
                        units))
                .toList();
    }

    /** Empty where it is not known, or follows from the question. */
    String place(FactKey key) {
        return places.getOrDefault(key, "");
    }
}
