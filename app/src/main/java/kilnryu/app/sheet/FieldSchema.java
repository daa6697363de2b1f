package kilnryu.app.sheet;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Declared fields as JSON Schema (draft 2020-12): numbers with their limits, words with what they may be, lists and
 * groups as their paths nest them. A group asks for what is needed in it only where it is there; a list whose lines
 * have to have a field is itself needed.
 */
public final class FieldSchema {
    private static final String PROPERTIES = "properties";
    private static final String REQUIRED = "required";

    private FieldSchema() {}

    /** An object with these fields. */
    public static Map<String, Object> of(FieldList fields) {
        Map<String, Object> root = object();
        fields.all().forEach(f -> put(root, f.path(), f));
        fields.demanded().forEach(group -> require(root, group));
        return root;
    }

    private static void put(Map<String, Object> in, String path, Declared field) {
        int dot = path.indexOf('.');
        String name = dot < 0 ? path : path.substring(0, dot);
        boolean listed = name.endsWith("[]");
        String key = listed ? name.substring(0, name.length() - 2) : name;
        Map<String, Object> properties = map(in.get(PROPERTIES));
        if (dot < 0) {
            properties.put(key, listed ? array(of(field)) : of(field));
        } else {
            Object there = properties.computeIfAbsent(key, k -> listed ? array(object()) : object());
            put(listed ? map(map(there).get("items")) : map(there), path.substring(dot + 1), field);
        }
        boolean directly = dot < 0 || listed && path.indexOf('.', dot + 1) < 0;
        if (directly && field.asks().needed()) {
            require(in, key);
        }
    }

    private static Map<String, Object> of(Declared field) {
        Map<String, Object> schema = new LinkedHashMap<>();
        if (field instanceof Declared.Quantity q) {
            schema.put("type", "number");
            schema.put("minimum", q.range().least());
            schema.put("maximum", q.range().most());
        } else if (field instanceof Declared.Whole w) {
            schema.put("type", "integer");
            schema.put("minimum", w.least());
            schema.put("maximum", w.most());
        } else if (field instanceof Declared.Text t) {
            schema.put("type", "string");
            schema.put("maxLength", t.longest());
        } else if (field instanceof Declared.Day) {
            schema.put("type", "string");
            schema.put("format", "date");
        } else if (field instanceof Declared.Flag) {
            schema.put("type", "boolean");
        } else if (field instanceof Declared.Choice<?> c) {
            schema.put("type", "string");
            schema.put("enum", c.meanings().stream().map(Declared.Meaning::key).toList());
        }
        if (!field.asks().help().isEmpty()) {
            schema.put("description", field.asks().help());
        }
        return schema;
    }

    private static Map<String, Object> object() {
        Map<String, Object> object = new LinkedHashMap<>();
        object.put("type", "object");
        object.put(PROPERTIES, new LinkedHashMap<>());
        return object;
    }

    private static Map<String, Object> array(Map<String, Object> of) {
        Map<String, Object> array = new LinkedHashMap<>();
        array.put("type", "array");
        array.put("items", of);
        return array;
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> map(Object there) {
        return (Map<String, Object>) there;
    }

    private static void require(Map<String, Object> object, String key) {
        List<String> required = required(object);
        if (!required.contains(key)) {
            required.add(key);
        }
    }

    @SuppressWarnings("unchecked")
    private static List<String> required(Map<String, Object> object) {
        return (List<String>) object.computeIfAbsent(REQUIRED, k -> new ArrayList<>());
    }
}
