package kilnryu.core.shell;

import java.util.List;
import java.util.Locale;

/**
 * A list of coats in their order.
 *
 * @param key of the school, or of the studio's own recipe
 * @param says what it does, in a sentence
 * @param wireAfter number of coats after which wire is wrapped, 0 for none
 */
public record Recipe(String key, String label, String says, List<Coat> coats, int wireAfter) {
    public static final int MOST_COATS = 40;

    /** @throws IllegalArgumentException for none or far too many coats, or wire after a coat that is not there */
    public Recipe {
        coats = List.copyOf(coats);
        if (coats.isEmpty() || coats.size() > MOST_COATS || wireAfter < 0 || wireAfter > coats.size()) {
            throw new IllegalArgumentException("a recipe has 1 to " + MOST_COATS + " coats");
        }
    }

    public boolean wired() {
        return wireAfter > 0;
    }

    /** The coats told short: "prime, 4 backup, seal". */
    public String told() {
        StringBuilder told = new StringBuilder();
        int i = 0;
        while (i < coats.size()) {
            int alike = 1;
            while (i + alike < coats.size() && coats.get(i + alike) == coats.get(i) && i + alike != wireAfter) {
                alike++;
            }
            told.append(told.isEmpty() ? "" : ", ");
            told.append(alike > 1 ? alike + " " : "").append(coats.get(i).label());
            i += alike;
            if (i == wireAfter && wireAfter > 0) {
                told.append(", wire");
            }
        }
        return told.toString();
    }

    /** The same with other coats; the wire stays where it was as far as there are coats before it. */
    public Recipe with(List<Coat> others) {
        return new Recipe(key, label, says, others, Math.min(wireAfter, others.size()));
    }

    @Override
    public String toString() {
        return String.format(Locale.ROOT, "%s (%d coats)", label, coats.size());
    }
}
