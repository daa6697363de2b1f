package kilnryu.app.sheet;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;

/** Between nested JSON and flat paths such as {@code parts[0].rod.length_mm}. */
public final class Paths {
    private static final Pattern LISTED = Pattern.compile("([A-Za-z_0-9]+)\\[([^\\]]+)\\]\\.(.+)");

    private Paths() {}

    /** JSON as flat text; {@code words} are the paths whose value was a JSON string or of no use as a value. */
    public record Flat(Map<String, String> texts, Set<String> words) {}

    public static Flat flat(JsonNode node) {
        Flat flat = new Flat(new LinkedHashMap<>(), new HashSet<>());
        node.properties().forEach(e -> into(flat, e.getKey(), e.getValue()));
        return flat;
    }

    private static void into(Flat flat, String path, JsonNode node) {
        if (node.isObject()) {
            node.properties().forEach(e -> into(flat, path + "." + e.getKey(), e.getValue()));
        } else if (node.isArray()) {
            for (int i = 0; i < node.size(); i++) {
                element(flat, path + "[" + i + "]", node.get(i));
            }
        } else if (!node.isNull()) {
            flat.texts.put(path, node.isNumber() ? node.numberValue().toString() : node.asString());
            if (!node.isNumber()) {
                flat.words.add(path);
            }
        }
    }

    /** A list's empty element still counts as one, so that what it lacks is said. */
    private static void element(Flat flat, String path, JsonNode element) {
        if (element.isNull()) {
            flat.texts.put(path, "");
        }
        if (element.isObject()) {
            flat.texts.put(path + ".name", "");
        }
        into(flat, path, element);
    }

    /** Flat values as nested maps and lists, lists in the order in which their keys first come. */
    public static Map<String, Object> nested(Map<String, ?> values) {
        Map<String, Object> root = new LinkedHashMap<>();
        Map<String, Map<String, Map<String, Object>>> lists = new LinkedHashMap<>();
        values.forEach((path, value) -> {
            Matcher listed = LISTED.matcher(path);
            if (listed.matches()) {
                Map<String, Object> element = lists.computeIfAbsent(listed.group(1), k -> new LinkedHashMap<>())
                        .computeIfAbsent(listed.group(2), k -> new LinkedHashMap<>());
                put(element, listed.group(3), value);
            } else {
                put(root, path, value);
            }
        });
        lists.forEach((name, elements) -> root.put(name, new ArrayList<>(elements.values())));
        return root;
    }

    @SuppressWarnings("unchecked")
    private static void put(Map<String, Object> into, String path, Object value) {
        int dot = path.indexOf('.');
        if (dot < 0) {
            into.put(path, value);
        } else {
            put(
                    (Map<String, Object>) into.computeIfAbsent(path.substring(0, dot), k -> new LinkedHashMap<>()),
                    path.substring(dot + 1),
                    value);
        }
    }

    /** Replaces keys of a list that stand as values, such as what a part joins, by their place from 0 on. */
    public static <T> Map<String, T> withPlaces(Map<String, T> fields, List<String> keys, Function<String, T> word) {
        Map<String, T> placed = new LinkedHashMap<>(fields);
        placed.replaceAll((path, value) -> {
            int at = path.endsWith("].joins") || path.endsWith("].ends_at") ? keys.indexOf(String.valueOf(value)) : -1;
            return at < 0 ? value : word.apply(Integer.toString(at));
        });
        return placed;
    }

    /** The same fields with list keys replaced by their place, from 0 on. */
    public static <T> Map<String, T> numbered(Map<String, T> fields) {
        Map<String, List<String>> keys = new LinkedHashMap<>();
        Map<String, T> numbered = new LinkedHashMap<>();
        fields.forEach((path, value) -> {
            Matcher listed = LISTED.matcher(path);
            if (listed.matches()) {
                List<String> known = keys.computeIfAbsent(listed.group(1), k -> new ArrayList<>());
                if (!known.contains(listed.group(2))) {
                    known.add(listed.group(2));
                }
                numbered.put(listed.group(1) + "[" + known.indexOf(listed.group(2)) + "]." + listed.group(3), value);
            } else {
                numbered.put(path, value);
            }
        });
        return numbered;
    }
}
