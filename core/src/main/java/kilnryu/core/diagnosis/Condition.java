package kilnryu.core.diagnosis;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * A question to the record that is answered yes, no or not known, written as it is read: {@code carry_s > carry_window_s},
 * {@code mold_C < mold_planned_C - 25}, {@code vents = none|to-cup}, several joined by {@code and}. On the left stands what was
 * found, on the right what it is held against.
 */
public final class Condition {
    private static final Pattern PART =
            Pattern.compile("(\\w+)\\s*(<=|>=|!=|=|<|>)\\s*([\\w.|-]+?)(?:\\s*([+*-])\\s+([0-9.]+))?");

    private final String text;
    private final List<Part> parts;

    /** What the record answers. */
    public enum Truth {
        YES,
        NO,
        UNKNOWN
    }

    private Condition(String text, List<Part> parts) {
        this.text = text;
        this.parts = parts;
    }

    /** @throws IllegalArgumentException with a word on what is wrong where it cannot be read */
    public static Condition of(String text) {
        List<Part> parts = new ArrayList<>();
        for (String one : text.strip().split("\\s+and\\s+")) {
            parts.add(Part.of(one.strip()));
        }
        return new Condition(text.strip(), List.copyOf(parts));
    }

    public String text() {
        return text;
    }

    Truth in(Facts facts) {
        Set<Truth> all = parts.stream().map(p -> p.in(facts)).collect(Collectors.toSet());
        return all.contains(Truth.NO) ? Truth.NO : all.contains(Truth.UNKNOWN) ? Truth.UNKNOWN : Truth.YES;
    }

    /** What would have to be known, and is not. */
    Set<FactKey> missing(Facts facts) {
        Set<FactKey> missing = EnumSet.noneOf(FactKey.class);
        parts.forEach(p -> p.keys().filter(k -> facts.get(k).isEmpty()).forEach(missing::add));
        return missing;
    }

    /** What it asks of. */
    Set<FactKey> keys() {
        Set<FactKey> keys = EnumSet.noneOf(FactKey.class);
        parts.forEach(p -> p.keys().forEach(keys::add));
        return keys;
    }

    /** How much it weighs by how what was found is known: the weakest of them; 1 where all is measured. */
    double weight(Facts facts) {
        return parts.stream()
                .flatMap(p -> facts.get(p.found).stream())
                .mapToDouble(f -> f.how().weight())
                .min()
                .orElse(0);
    }

    boolean measured(Facts facts) {
        return parts.stream()
                .allMatch(p -> facts.get(p.found).filter(Fact::measured).isPresent());
    }

    /** The facts themselves, in words. */
    String said(Facts facts) {
        return parts.stream().map(p -> p.said(facts)).distinct().collect(Collectors.joining("; "));
    }

    /** One comparison. {@code against} null where {@code words} or {@code plain} is meant. */
    private record Part(
            FactKey found, String op, @Nullable FactKey against, double plain, Set<String> words, char by, double n) {

        static Part of(String text) {
            Matcher m = PART.matcher(text);
            if (!m.matches()) {
                throw new IllegalArgumentException("\"" + text
                        + "\" is not a comparison such as carry_s > 60, mold_C < mold_planned_C - 25 or vents = none");
            }
            FactKey found = FactKey.named(m.group(1))
                    .orElseThrow(() -> new IllegalArgumentException("there is no fact " + m.group(1)));
            char by = m.group(4) == null ? ' ' : m.group(4).charAt(0);
            double n = m.group(5) == null ? 0 : Double.parseDouble(m.group(5));
            String right = m.group(3);
            return found.isNumber() ? number(found, m.group(2), right, by, n) : word(found, m.group(2), right);
        }

        private static Part number(FactKey found, String op, String right, char by, double n) {
            Optional<FactKey> against = FactKey.named(right);
            if (against.isPresent() && against.get().isNumber()) {
                return new Part(found, op, against.get(), Double.NaN, Set.of(), by, n);
            }
            if (!right.matches("-?[0-9]*\\.?[0-9]+")) {
                throw new IllegalArgumentException(found.key() + " is a number, and " + right + " is none");
            }
            return new Part(found, op, null, Double.parseDouble(right), Set.of(), by, n);
        }

        private static Part word(FactKey found, String op, String right) {
            Set<String> words = Set.copyOf(Arrays.asList(right.split("\\|")));
            if (!op.equals("=") && !op.equals("!=") || !found.words().containsAll(words)) {
                throw new IllegalArgumentException(
                        found.key() + " is compared with = or != and one of " + String.join(", ", found.words()));
            }
            return new Part(found, op, null, Double.NaN, words, ' ', 0);
        }

        java.util.stream.Stream<FactKey> keys() {
            return java.util.stream.Stream.of(Optional.of(found), Optional.ofNullable(against))
                    .flatMap(Optional::stream);
        }

        private Optional<Double> right(Facts facts) {
            Optional<Double> base =
                    against == null ? Optional.of(plain) : facts.get(against).map(Fact::number);
            return base.map(b -> by == '+' ? b + n : by == '-' ? b - n : by == '*' ? b * n : b);
        }

        Truth in(Facts facts) {
            Optional<Fact> left = facts.get(found);
            if (left.isEmpty()) {
                return Truth.UNKNOWN;
            }
            if (!words.isEmpty()) {
                return words.contains(left.get().word()) == op.equals("=") ? Truth.YES : Truth.NO;
            }
            return right(facts)
                    .map(r -> holds(value(left.get()), r) ? Truth.YES : Truth.NO)
                    .orElse(Truth.UNKNOWN);
        }

        /** Of a gauge the depth counts, whichever way its sign is written; of what is off, how much. */
        private double value(Fact fact) {
            return found.isSignless() ? Math.abs(fact.number()) : fact.number();
        }

        private boolean holds(double left, double right) {
            return switch (op) {
                case "<" -> left < right;
                case ">" -> left > right;
                case "<=" -> left <= right;
                case ">=" -> left >= right;
                case "=" -> left == right;
                default -> left != right;
            };
        }

        String said(Facts facts) {
            Optional<Fact> left = facts.get(found);
            if (left.isEmpty()) {
                return found.label() + " not known";
            }
            String how = left.get().how().words().isEmpty()
                    ? ""
                    : " (" + left.get().how().words() + ")";
            if (!words.isEmpty()) {
                return found.label() + ": " + left.get().word().replace('-', ' ') + how;
            }
            String held = against == null
                    ? relation(left.get().number(), plain) + " " + with(plain, found)
                    : facts.get(against)
                            .map(r -> against.label() + " " + with(r.number(), against))
                            .orElse(against.label() + " not known");
            return found.label() + " " + with(left.get().number(), found) + ", " + held + how;
        }

        private static String relation(double left, double right) {
            return left > right ? "over" : left < right ? "under" : "just";
        }

        private static String with(double value, FactKey key) {
            String number = Math.abs(value) >= 100
                    ? String.format(Locale.ROOT, "%.0f", value)
                    : new BigDecimal(value)
                            .round(new MathContext(3))
                            .stripTrailingZeros()
                            .toPlainString();
            return (number + " " + key.unit()).strip();
        }
    }

    @Override
    public String toString() {
        return text;
    }
}
