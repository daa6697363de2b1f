package kilnryu.app.sheet;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Function;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.quantity.Measure;
import kilnryu.core.quantity.QuantityReader;
import kilnryu.core.quantity.Typed;
import kilnryu.core.quantity.UnreadableQuantity;

/**
 * Typed fields being read: every reading leaves an echo or an error at its field, and what was typed stays. Paths are
 * those of the compute API, such as {@code parts[2].rod.length_mm}; the text may carry any unit of the kind.
 */
public final class Fields {
    private final Map<String, String> typed;
    private final Set<String> words;
    private final Units units;
    private final Map<String, Note> notes = new LinkedHashMap<>();
    private final Map<String, String> written;
    private final Set<String> seen = new HashSet<>();
    private final Map<String, Object> values = new LinkedHashMap<>();

    /** A remark at a field: either what was understood or what is wrong. */
    public record Note(String echo, String error) {
        public boolean isError() {
            return !error.isEmpty();
        }
    }

    /** @param words paths whose value came as a word where numbers are asked as numbers (the API) */
    public Fields(Map<String, String> typed, Set<String> words, Units units) {
        this.typed = typed;
        this.words = words;
        this.units = units;
        this.written = new LinkedHashMap<>(typed);
    }

    public Units units() {
        return units;
    }

    public static Fields typed(Map<String, String> typed, Units units) {
        return new Fields(typed, Set.of(), units);
    }

    /** What a form sent of a sheet, without what belongs to the page. */
    public static Map<String, String> sent(Map<String, String> form) {
        Map<String, String> sent = new LinkedHashMap<>(form);
        sent.keySet().removeAll(List.of("_csrf", "version"));
        return sent;
    }

    public boolean has(String path) {
        seen.add(path);
        return !raw(path).isEmpty();
    }

    /** Whether anything is typed below a path. */
    public boolean hasBelow(String path) {
        return typed.entrySet().stream()
                .anyMatch(
                        e -> e.getKey().startsWith(path + ".") && !e.getValue().isBlank());
    }

    /** The lines of a list, and some empty ones after them to be filled in. */
    public List<String> lines(String list, int empty) {
        List<String> lines = new ArrayList<>(keys(list));
        for (int next = lines.size() + 1; empty > 0; next++) {
            if (!lines.contains("k" + next)) {
                lines.add("k" + next);
                empty--;
            }
        }
        return lines;
    }

    /** The keys of a list, in order: for {@code parts[a].x, parts[b].y} they are a and b. */
    public List<String> keys(String list) {
        Set<String> keys = new LinkedHashSet<>();
        for (String path : typed.keySet()) {
            int close = path.indexOf(']');
            if (path.startsWith(list + "[") && close > 0) {
                keys.add(path.substring(list.length() + 1, close));
            }
        }
        return List.copyOf(keys);
    }

    public Optional<String> text(String path, int most) {
        seen.add(path);
        String value = raw(path);
        if (value.length() > most) {
            error(path, "At most " + most + " letters; this has " + value.length() + ".");
            return Optional.empty();
        }
        if (value.chars().anyMatch(Character::isISOControl)) {
            error(path, "This holds characters that cannot be written.");
            return Optional.empty();
        }
        return value.isEmpty() ? Optional.empty() : Optional.of(kept(path, value));
    }

    public <T> Optional<T> choice(String path, Function<String, Optional<T>> named) {
        seen.add(path);
        String value = raw(path);
        if (value.isEmpty()) {
            return Optional.empty();
        }
        Optional<T> found = named.apply(value);
        if (found.isEmpty()) {
            error(path, "\"" + shortened(value) + "\" is not known here.");
        } else {
            kept(path, value);
        }
        return found;
    }

    public OptionalInt whole(String path, int least, int most) {
        seen.add(path);
        String value = raw(path);
        if (value.isEmpty()) {
            return OptionalInt.empty();
        }
        if (!words.contains(path)) {
            try {
                double number = Double.parseDouble(value.replaceFirst("(?i)\\s*(x|×|pcs|pieces)$", ""));
                if (number == Math.rint(number) && number >= least && number <= most) {
                    return OptionalInt.of(kept(path, (int) number));
                }
            } catch (NumberFormatException e) {
                // falls through to the remark
            }
        }
        error(path, "Type a whole number from " + least + " to " + most + ".");
        return OptionalInt.empty();
    }

    /** A quantity in the range's unit; empty when nothing or nothing usable is typed. */
    public OptionalDouble quantity(String path, Range range) {
        seen.add(path);
        String value = raw(path);
        if (value.isEmpty()) {
            return OptionalDouble.empty();
        }
        if (words.contains(path)) {
            error(path, "This is a number in " + range.unit().symbol() + ", not a word.");
            return OptionalDouble.empty();
        }
        try {
            Typed read = QuantityReader.read(value, range.unit(), units.whenNoneTyped(range.unit()));
            return checked(path, read, range);
        } catch (UnreadableQuantity e) {
            error(path, e.getMessage());
            return OptionalDouble.empty();
        }
    }

    public boolean has(Declared field) {
        return has(field.path());
    }

    /** What was typed, as it stands. */
    public String raw(Declared field) {
        seen.add(field.path());
        return raw(field.path());
    }

    public Optional<String> text(Declared.Text field) {
        return text(field.path(), field.longest());
    }

    public OptionalInt whole(Declared.Whole field) {
        return whole(field.path(), field.least(), field.most());
    }

    public OptionalDouble quantity(Declared.Quantity field) {
        return quantity(field.path(), field.range());
    }

    public OptionalDouble required(Declared.Quantity field) {
        return required(field.path(), field.range());
    }

    public <T> Optional<T> choice(Declared.Choice<T> field) {
        return choice(field.path(), field::named);
    }

    public Optional<LocalDate> day(Declared.Day field) {
        Optional<String> typed = text(field.path(), 20);
        try {
            return typed.map(LocalDate::parse);
        } catch (DateTimeParseException e) {
            error(field, "Write the day as 2026-03-31.");
            return Optional.empty();
        }
    }

    /** Fields of which nothing is reckoned here, read for what is wrong with them. */
    public void look(Declared... fields) {
        for (Declared field : fields) {
            if (field instanceof Declared.Quantity q) {
                quantity(q);
            } else if (field instanceof Declared.Whole w) {
                whole(w);
            } else if (field instanceof Declared.Text t) {
                text(t);
            } else if (field instanceof Declared.Day d) {
                day(d);
            } else if (field instanceof Declared.Flag f) {
                flag(f);
            } else if (field instanceof Declared.Choice<?> c) {
                choice(c);
            }
        }
    }

    /** The name of a thing, without which it is not kept. */
    public Optional<String> named(Declared.Text field, String missing) {
        Optional<String> name = text(field);
        if (name.isEmpty()) {
            missing(field, missing);
        }
        return name;
    }

    /** A choice that has to be made. */
    public <T> Optional<T> chosen(Declared.Choice<T> field, String missing) {
        Optional<T> value = choice(field);
        if (value.isEmpty()) {
            missing(field, missing);
        }
        return value;
    }

    public Optional<Boolean> flag(Declared.Flag field) {
        return choice(field.path(), Fields::yes);
    }

    private static Optional<Boolean> yes(String word) {
        return switch (word) {
            case "true", "yes" -> Optional.of(true);
            case "false", "no" -> Optional.of(false);
            default -> Optional.empty();
        };
    }

    /** A choice of which the studio may have words of its own, or a word that names something else of the sheet. */
    public <T> Optional<T> choice(Declared field, Function<String, Optional<T>> named) {
        return choice(field.path(), named);
    }

    public boolean hasError(Declared field) {
        return hasError(field.path());
    }

    public void error(Declared field, String message) {
        error(field.path(), message);
    }

    public void missing(Declared field, String message) {
        missing(field.path(), message);
    }

    /** The same, with a remark when it is missing. */
    public OptionalDouble required(String path, Range range) {
        OptionalDouble value = quantity(path, range);
        if (value.isEmpty() && !hasError(path)) {
            error(path, "Type a " + range.unit().kind().label() + ".");
        }
        return value;
    }

    public void missing(String path, String message) {
        if (!hasError(path)) {
            error(path, message);
        }
    }

    public void error(String path, String message) {
        notes.put(path, new Note("", message));
    }

    public boolean hasErrors() {
        return notes.values().stream().anyMatch(Note::isError);
    }

    public boolean hasError(String path) {
        return notes.containsKey(path) && notes.get(path).isError();
    }

    public Map<String, Note> notes() {
        return Collections.unmodifiableMap(notes);
    }

    public Map<String, String> errors() {
        Map<String, String> errors = new LinkedHashMap<>();
        notes.forEach((path, note) -> {
            if (note.isError()) {
                errors.put(path, note.error);
            }
        });
        return errors;
    }

    /** What was typed, with the unit written out wherever one was taken. */
    public Map<String, String> written() {
        return Collections.unmodifiableMap(written);
    }

    /** The same without what was left blank: worth saving. */
    public Map<String, String> kept() {
        Map<String, String> kept = new LinkedHashMap<>(written);
        kept.values().removeIf(String::isBlank);
        return kept;
    }

    /** What was read, by path: numbers in the working unit, words as typed. */
    public Map<String, Object> values() {
        return Collections.unmodifiableMap(values);
    }

    /** Paths that nothing asked for. */
    public List<String> unknown() {
        return typed.keySet().stream().filter(p -> !seen.contains(p)).toList();
    }

    private OptionalDouble checked(String path, Typed read, Range range) {
        String complaint = range.complaint(read.value());
        if (!complaint.isEmpty()) {
            error(path, complaint);
            return OptionalDouble.empty();
        }
        if (read.unitTaken()) {
            written.put(path, (raw(path) + " " + read.typedIn().symbol()).strip());
        }
        notes.put(path, new Note(echo(read), ""));
        return OptionalDouble.of(kept(path, read.value()));
    }

    private String echo(Typed read) {
        Measure working = read.working();
        String inWorking = (Show.exact(read.value()) + " " + working.symbol()).strip();
        if (read.typedIn() == working) {
            return read.unitTaken() && !working.symbol().isEmpty() ? "taken as " + inWorking : "= " + inWorking;
        }
        String asTyped = (Show.exact(read.valueAsTyped()) + " " + read.typedIn().symbol()).strip();
        return (read.unitTaken() ? "taken as " + asTyped + " = " : "= ") + inWorking;
    }

    private <T> T kept(String path, T value) {
        values.put(path, value);
        return value;
    }

    private String raw(String path) {
        String value = typed.get(path);
        return value == null ? "" : value.strip();
    }

    private static String shortened(String value) {
        return value.length() > 40 ? value.substring(0, 40) + "…" : value;
    }
}
