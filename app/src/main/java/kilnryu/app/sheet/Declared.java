package kilnryu.app.sheet;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * A field, said once: its path as in the compute API, what it holds, how it is asked and where it stands. Reading, form,
 * hidden fields, the API's description and the schema of the plan document follow from it. The path of a field of a list
 * has empty brackets: {@code parts[].rod.length_mm}.
 */
public sealed interface Declared {
    String path();

    Asks asks();

    /** The same of one line of its list. */
    Declared in(String line);

    /** The same below a prefix such as {@code block.}. */
    Declared under(String prefix);

    /** The same, asked otherwise. */
    Declared as(Asks asks);

    /** The same, which a question may leave out. */
    default Declared optional() {
        return as(new Asks(asks().label, asks().hint, asks().help, asks().pages, false));
    }

    /** A page on which fields stand. */
    enum Page {
        TREE,
        GATING,
        MOLD,
        FIRING,
        LOAD,
        PROGRAM,
        EQUIPMENT,
        KILN,
        TANK,
        SAND,
        FURNACE,
        PIECE,
        METAL,
        BLEND,
        RUBBER,
        WAX,
        ROUND,
        POT,
        STOCK,
        POUR,
        ROOM,
        DIP,
        OWN_PROGRAM,
        RECIPE
    }

    /**
     * How a field is asked.
     *
     * @param label empty where a page has no words of its own for it
     * @param hint example in the empty field; of a choice the words for none, empty where one is always chosen
     * @param help what an API's user has to know besides the name
     * @param needed whether the API refuses a question without it
     */
    record Asks(String label, String hint, String help, Set<Page> pages, boolean needed) {
        static Asks of(String label, String hint, Page... pages) {
            Set<Page> set = EnumSet.noneOf(Page.class);
            set.addAll(List.of(pages));
            return new Asks(label, hint, "", set, false);
        }

        Asks must() {
            return new Asks(label, hint, help, pages, true);
        }

        Asks told(String more) {
            return new Asks(label, hint, more, pages, needed);
        }
    }

    /** A number with a unit. */
    record Quantity(String path, Range range, Asks asks) implements Declared {
        @Override
        public Quantity as(Asks how) {
            return new Quantity(path, range, how);
        }

        @Override
        public Quantity in(String line) {
            return new Quantity(filled(path, line), range, asks);
        }

        @Override
        public Quantity under(String prefix) {
            return new Quantity(prefix + path, range, asks);
        }

        public Quantity needed() {
            return as(asks.must());
        }

        public Quantity told(String help) {
            return as(asks.told(help));
        }
    }

    /** A count. */
    record Whole(String path, int least, int most, Asks asks) implements Declared {
        @Override
        public Whole as(Asks how) {
            return new Whole(path, least, most, how);
        }

        @Override
        public Whole in(String line) {
            return new Whole(filled(path, line), least, most, asks);
        }

        @Override
        public Whole under(String prefix) {
            return new Whole(prefix + path, least, most, asks);
        }
    }

    /** Words. */
    record Text(String path, int longest, Asks asks) implements Declared {
        @Override
        public Text as(Asks how) {
            return new Text(path, longest, how);
        }

        @Override
        public Text in(String line) {
            return new Text(filled(path, line), longest, asks);
        }

        @Override
        public Text under(String prefix) {
            return new Text(prefix + path, longest, asks);
        }

        public Text needed() {
            return as(asks.must());
        }

        public Text told(String help) {
            return as(asks.told(help));
        }
    }

    /** A day, as 2026-03-31. */
    record Day(String path, Asks asks) implements Declared {
        @Override
        public Day as(Asks how) {
            return new Day(path, how);
        }

        @Override
        public Day in(String line) {
            return new Day(filled(path, line), asks);
        }

        @Override
        public Day under(String prefix) {
            return new Day(prefix + path, asks);
        }
    }

    /** Yes or no, as a program says it. */
    record Flag(String path, Asks asks) implements Declared {
        @Override
        public Flag as(Asks how) {
            return new Flag(path, how);
        }

        @Override
        public Flag in(String line) {
            return new Flag(filled(path, line), asks);
        }

        @Override
        public Flag under(String prefix) {
            return new Flag(prefix + path, asks);
        }
    }

    /** A word of a choice and what it means. */
    record Meaning<T>(String key, String label, T value) {
        /** All values of a kind. */
        public static <T> List<Meaning<T>> of(T[] values, Function<T, String> key, Function<T, String> label) {
            return Stream.of(values)
                    .map(v -> new Meaning<>(key.apply(v), label.apply(v), v))
                    .toList();
        }
    }

    /**
     * One of several words.
     *
     * @param own whether a studio has more of them, such as schools and blends of its own
     */
    record Choice<T>(String path, List<Meaning<T>> meanings, boolean own, Asks asks) implements Declared {
        @Override
        public Choice<T> as(Asks how) {
            return new Choice<>(path, meanings, own, how);
        }

        @Override
        public Choice<T> in(String line) {
            return new Choice<>(filled(path, line), meanings, own, asks);
        }

        @Override
        public Choice<T> under(String prefix) {
            return new Choice<>(prefix + path, meanings, own, asks);
        }

        public Choice<T> needed() {
            return as(asks.must());
        }

        public Choice<T> told(String help) {
            return as(asks.told(help));
        }

        /** A studio may have more. */
        public Choice<T> andOwn() {
            return new Choice<>(path, meanings, true, asks);
        }

        public Optional<T> named(String key) {
            return meanings.stream()
                    .filter(m -> m.key.equals(key))
                    .map(Meaning::value)
                    .findFirst();
        }
    }

    static Quantity quantity(String path, Range range, String label, String hint, Page... pages) {
        return new Quantity(path, range, Asks.of(label, hint, pages));
    }

    static Whole whole(String path, int least, int most, String label, String hint, Page... pages) {
        return new Whole(path, least, most, Asks.of(label, hint, pages));
    }

    static Text text(String path, int longest, String label, String hint, Page... pages) {
        return new Text(path, longest, Asks.of(label, hint, pages));
    }

    static Day day(String path, String label, Page... pages) {
        return new Day(path, Asks.of(label, "", pages));
    }

    static <T> Choice<T> choice(String path, List<Meaning<T>> meanings, String label, String none, Page... pages) {
        return new Choice<>(path, meanings, false, Asks.of(label, none, pages));
    }

    /** Those of the API's questions, which no page asks. */
    static Quantity asked(String path, Range range) {
        return quantity(path, range, "", "");
    }

    static Whole asked(String path, int least, int most) {
        return whole(path, least, most, "", "");
    }

    static Text asked(String path, int longest) {
        return text(path, longest, "", "");
    }

    static <T> Choice<T> asked(String path, List<Meaning<T>> meanings) {
        return choice(path, meanings, "", "");
    }

    static Flag flag(String path) {
        return new Flag(path, Asks.of("", ""));
    }

    /** Two words, of which the first says no. */
    static Choice<Boolean> either(String path, Meaning<Boolean> no, Meaning<Boolean> yes, String label, Page... pages) {
        return new Choice<>(path, List.of(no, yes), false, Asks.of(label, "", pages));
    }

    private static String filled(String path, String line) {
        int open = path.indexOf("[]");
        return open < 0 ? path : path.substring(0, open + 1) + line + path.substring(open + 1);
    }
}
