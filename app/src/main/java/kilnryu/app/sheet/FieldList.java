package kilnryu.app.sheet;

import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import kilnryu.app.sheet.Declared.Page;

/**
 * All fields of a sheet, in their order.
 *
 * @param demanded groups such as {@code climate} without which a question to the API is refused
 */
public record FieldList(Map<String, Declared> byPath, Set<String> demanded) {
    private static final Pattern LINE = Pattern.compile("\\[[^\\]]*\\]");
    public static final FieldList NONE = new FieldList(Map.of(), Set.of());

    public static FieldList of(Collection<? extends Declared> fields) {
        Map<String, Declared> byPath = new LinkedHashMap<>();
        for (Declared field : fields) {
            if (byPath.put(field.path(), field) != null) {
                throw new IllegalArgumentException("The field " + field.path() + " is declared twice.");
            }
        }
        return new FieldList(byPath, Set.of());
    }

    public static FieldList of(Declared... fields) {
        return of(Arrays.asList(fields));
    }

    /** These and others after them. */
    public FieldList and(FieldList others) {
        FieldList both = of(Stream.concat(all().stream(), others.all().stream()).toList());
        Set<String> groups = new LinkedHashSet<>(demanded);
        groups.addAll(others.demanded);
        return new FieldList(both.byPath, groups);
    }

    /** The same, a group of which has to be there. */
    public FieldList demanding(String group) {
        Set<String> groups = new LinkedHashSet<>(demanded);
        groups.add(group);
        return new FieldList(byPath, groups);
    }

    /** The same, all below a prefix such as {@code block.}. */
    public FieldList under(String prefix) {
        return of(all().stream().map(f -> f.under(prefix)).toList());
    }

    /** The same, none of which an API's question has to have. */
    public FieldList optional() {
        return of(all().stream().map(Declared::optional).toList());
    }

    public List<Declared> all() {
        return List.copyOf(byPath.values());
    }

    /** Those that stand on a page. */
    public FieldList on(Page page) {
        return of(all().stream().filter(f -> f.asks().pages().contains(page)).toList());
    }

    /** The declaration of a path, whichever line of a list it is of. */
    public Optional<Declared> find(String path) {
        return Optional.ofNullable(byPath.get(bare(path)));
    }

    /** Whether a path stands on a page. */
    public boolean stands(String path, Page page) {
        return find(path).filter(f -> f.asks().pages().contains(page)).isPresent();
    }

    /** What was typed of fields that a page does not show and has to carry along. */
    public Map<String, String> beside(Page page, Map<String, String> typed) {
        Map<String, String> rest = new LinkedHashMap<>();
        typed.forEach((path, text) -> {
            if (!text.isBlank()
                    && find(path).filter(f -> !f.asks().pages().contains(page)).isPresent()) {
                rest.put(path, text);
            }
        });
        return rest;
    }

    private static String bare(String path) {
        return LINE.matcher(path).replaceAll("[]");
    }
}
