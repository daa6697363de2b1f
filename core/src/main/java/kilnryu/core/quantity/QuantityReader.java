package kilnryu.core.quantity;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Reads what casters type: plain numbers with point or comma, fractions and mixed numbers ("1 3/8 in"), compound
 * quantities ("7 lb 4 oz", "2 h 30 min"), clock lengths ("1:30" as minutes and seconds for times). A number without
 * unit takes the one given as default; the caller shows which. A comma followed by exactly three digits is refused as
 * ambiguous unless it is repeated, since "1,250" is read differently in different shops.
 */
public final class QuantityReader {
    private static final int LONGEST = 60;
    private static final String UNIT = "[\\p{L}°\"″'′#%×³²][\\p{L}°\"″'′#%×³²/^.()√ ]*";
    private static final Pattern TERM = Pattern.compile("\\s*([+-]?)\\s*(?:(\\d+)\\s+(\\d+)/(\\d+)|(\\d+)/(\\d+)"
            + "|(\\d[\\d.,]*(?:e[+-]?\\d+)?|[.,]\\d+))\\s*(" + UNIT + ")?");

    private QuantityReader() {}

    /**
     * @param text what was typed
     * @param working the unit the answer is wanted in; its kind decides which units may be typed
     * @param ifNone the unit taken when none is typed
     * @throws UnreadableQuantity when it cannot be understood; never for a value out of range, which is the caller's
     */
    public static Typed read(String text, Measure working, Measure ifNone) throws UnreadableQuantity {
        String typed = text == null ? "" : text.strip();
        if (typed.length() > LONGEST) {
            throw new UnreadableQuantity(
                    "This is longer than any " + working.kind().label() + " can be.");
        }
        if (typed.isEmpty()) {
            throw new UnreadableQuantity("Type a " + working.kind().label() + ".");
        }
        List<Term> terms = terms(PackedUnits.spread(typed), working);
        double sum = 0;
        @Nullable Measure last = null;
        boolean taken = false;
        for (Term term : terms) {
            if (term.unit == null && last != null) {
                throw new UnreadableQuantity("In \"" + typed + "\" the last number has no unit.");
            }
            Measure in = term.unit == null ? ifNone : term.unit;
            taken |= term.unit == null;
            sum += inWorking(term, in, working, terms.size());
            last = in;
        }
        if (!Double.isFinite(sum)) {
            throw new UnreadableQuantity("\"" + typed + "\" is not a number that can be used.");
        }
        return new Typed(sum, working, terms.size() == 1 && last != null ? last : ifNone, taken, typed);
    }

    private static double inWorking(Term term, Measure in, Measure working, int terms) throws UnreadableQuantity {
        if (terms > 1 && in.kind() == Kind.TEMPERATURE) {
            throw new UnreadableQuantity("Type one temperature, like 21 °C or 70 F.");
        }
        return in.to(working, term.value);
    }

    private static List<Term> terms(String typed, Measure working) throws UnreadableQuantity {
        Optional<Double> clock = ClockLength.minutes(typed, working);
        if (clock.isPresent()) {
            return List.of(new Term(clock.get(), Measure.MINUTE));
        }
        List<Term> terms = new ArrayList<>();
        Matcher matcher = TERM.matcher(typed);
        int at = 0;
        while (at < typed.length()) {
            matcher.region(at, typed.length());
            if (!matcher.lookingAt() || matcher.end() == at) {
                throw notUnderstood(typed, working);
            }
            terms.add(term(matcher, typed, working));
            at = matcher.end();
        }
        if (terms.size() > 3 || terms.stream().skip(1).anyMatch(t -> t.value < 0)) {
            throw notUnderstood(typed, working);
        }
        return terms;
    }

    private static Term term(Matcher matcher, String typed, Measure working) throws UnreadableQuantity {
        double sign = "-".equals(matcher.group(1)) ? -1 : 1;
        double value;
        if (matcher.group(2) != null) {
            value = number(matcher.group(2), typed) + fraction(matcher.group(3), matcher.group(4), typed);
        } else if (matcher.group(5) != null) {
            value = fraction(matcher.group(5), matcher.group(6), typed);
        } else {
            value = number(matcher.group(7), typed);
        }
        String unit = matcher.group(8);
        return new Term(sign * value, unit == null || unit.isBlank() ? null : unit(unit, working));
    }

    private static double fraction(String above, String below, String typed) throws UnreadableQuantity {
        double divisor = number(below, typed);
        if (divisor == 0) {
            throw new UnreadableQuantity("\"" + typed + "\" divides by zero.");
        }
        return number(above, typed) / divisor;
    }

    private static double number(String digits, String typed) throws UnreadableQuantity {
        try {
            return Double.parseDouble(withPoint(digits, typed));
        } catch (NumberFormatException e) {
            throw new UnreadableQuantity("\"" + digits + "\" is not a number.");
        }
    }

    private static String withPoint(String digits, String typed) throws UnreadableQuantity {
        String plain = digits;
        int comma = plain.indexOf(',');
        if (comma < 0) {
            return plain;
        }
        if (plain.indexOf('.') > comma || plain.indexOf(',', comma + 1) > 0) {
            if (!plain.matches("\\d{1,3}(,\\d{3})+(\\.\\d*)?")) {
                throw new UnreadableQuantity("\"" + typed + "\": commas and points do not fit together.");
            }
            return plain.replace(",", "");
        }
        if (plain.matches("[1-9]\\d{0,2},\\d{3}")) {
            throw new UnreadableQuantity("\"" + digits + "\" may mean " + plain.replace(",", "") + " or "
                    + plain.replace(',', '.') + ": type it without the comma.");
        }
        return plain.replace(',', '.');
    }

    private static Measure unit(String spelled, Measure working) throws UnreadableQuantity {
        String normal = Spellings.normal(spelled);
        Optional<Measure> found = Measure.named(working.kind(), normal);
        if (found.isPresent()) {
            return found.get();
        }
        for (Kind other : Kind.values()) {
            Optional<Measure> elsewhere = Measure.named(other, normal);
            if (elsewhere.isPresent() && other != Kind.COEFFICIENT) {
                throw new UnreadableQuantity("\"" + spelled.strip() + "\" is a unit of " + other.label() + "; here a "
                        + working.kind().label() + " is asked for, in " + unitsOf(working) + ".");
            }
        }
        throw new UnreadableQuantity(
                "\"" + spelled.strip() + "\" is not a unit known here: use " + unitsOf(working) + ".");
    }

    private static UnreadableQuantity notUnderstood(String typed, Measure working) {
        return new UnreadableQuantity("\"" + typed + "\" is not a "
                + working.kind().label() + ": type a number and a unit (" + unitsOf(working) + ").");
    }

    private static String unitsOf(Measure working) {
        return Measure.of(working.kind()).stream()
                .map(Measure::symbol)
                .filter(s -> !s.isEmpty())
                .collect(Collectors.joining(", "));
    }

    private record Term(double value, @Nullable Measure unit) {}

    /** Times typed as a clock length: 1:30 is a minute and a half, 2:05:00 two hours and five minutes. */
    private static final class ClockLength {
        private static final Pattern CLOCK = Pattern.compile("(?:(\\d{1,3}):)?(\\d{1,3}):([0-5]\\d)");

        static Optional<Double> minutes(String typed, Measure working) {
            Matcher m = CLOCK.matcher(typed);
            if (working.kind() != Kind.DURATION || !m.matches()) {
                return Optional.empty();
            }
            double hours = m.group(1) == null ? 0 : Double.parseDouble(m.group(1));
            return Optional.of(hours * 60 + Double.parseDouble(m.group(2)) + Double.parseDouble(m.group(3)) / 60);
        }
    }

    /** Units that end in a digit are written with the raised one before terms are told apart. */
    private static final class PackedUnits {
        static String spread(String typed) {
            return typed.replaceAll("(?i)\\b(mm|cm|m|in|ft)\\^?3\\b", "$1³")
                    .replaceAll("(?i)\\b(mm|cm|m|in|ft)\\^?2\\b", "$1²")
                    .replaceAll("(?i)(\\d)(mm|cm|m|in)\\^?3\\b", "$1$2³")
                    .replaceAll("(?i)(\\d)(mm|cm|m|in)\\^?2\\b", "$1$2²")
                    .replaceAll("(?i)\\s*(:|per|/|to)\\s*100\\b", " per hundred")
                    .toLowerCase(Locale.ROOT);
        }
    }
}
