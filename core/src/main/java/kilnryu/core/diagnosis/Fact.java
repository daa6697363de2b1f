package kilnryu.core.diagnosis;

import java.util.Arrays;
import java.util.Optional;

/**
 * Something that is on record.
 *
 * @param number in the key's unit; NaN where it is a word
 * @param word empty where it is a number
 */
public record Fact(double number, String word, How how) {
    /** How it is known: what was measured weighs more than what was planned, and that more than a default. */
    public enum How {
        MEASURED(1, ""),
        PLANNED(0.5, "planned"),
        DEFAULT(0.25, "default, not measured");

        private final double weight;
        private final String words;

        How(double weight, String words) {
            this.weight = weight;
            this.words = words;
        }

        public static Optional<How> named(String key) {
            return Arrays.stream(values()).filter(h -> h.key().equals(key)).findFirst();
        }

        public String key() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }

        double weight() {
            return weight;
        }

        String words() {
            return words;
        }
    }

    public static Fact number(double value, How how) {
        return new Fact(value, "", how);
    }

    public static Fact word(String value, How how) {
        return new Fact(Double.NaN, value, how);
    }

    boolean measured() {
        return how == How.MEASURED;
    }
}
