package kilnryu.core.diagnosis;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;

/** What is known; what is absent is not known. */
public final class Facts {
    public static final Facts NONE = new Facts(Map.of());

    private final Map<FactKey, Fact> known;

    private Facts(Map<FactKey, Fact> known) {
        this.known = known.isEmpty() ? new EnumMap<>(FactKey.class) : new EnumMap<>(known);
    }

    public static Facts of(Map<FactKey, Fact> known) {
        return new Facts(known);
    }

    public Optional<Fact> get(FactKey key) {
        return Optional.ofNullable(known.get(key));
    }

    /** With another number, measured unless said otherwise. NaN and infinity are not known. */
    public Facts with(FactKey key, double value, Fact.How how) {
        return Double.isFinite(value) ? with(key, Fact.number(value, how)) : this;
    }

    public Facts with(FactKey key, String word, Fact.How how) {
        if (!key.words().contains(word)) {
            throw new IllegalArgumentException(key.key() + " cannot be " + word);
        }
        return with(key, Fact.word(word, how));
    }

    private Facts with(FactKey key, Fact fact) {
        Facts more = new Facts(known);
        more.known.put(key, fact);
        return more;
    }

    /** These, and the others where these say nothing. */
    public Facts or(Facts others) {
        Facts all = new Facts(others.known);
        all.known.putAll(known);
        return all;
    }

    public Map<FactKey, Fact> asMap() {
        return Map.copyOf(known);
    }
}
