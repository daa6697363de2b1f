package kilnryu.app.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kilnryu.app.sheet.FieldSchema;
import kilnryu.app.tree.TreeFields;
import kilnryu.app.tree.TreeReader;

/** The schema of the plan document, from what the stages declare. */
final class PlanSchema {
    private PlanSchema() {}

    /** JSON Schema, draft 2020-12. */
    static Map<String, Object> document() {
        Map<String, Object> stages = new LinkedHashMap<>();
        stages.put("format", Map.of("const", PlanDocument.FORMAT));
        stages.put("version", Map.of("const", PlanDocument.VERSION));
        stages.put("name", Map.of("type", "string", "minLength", 1, "maxLength", TreeFields.LONGEST_NAME));
        stages.put(Stage.TREE.key(), tree());
        for (Stage stage : List.of(Stage.MOLD, Stage.FIRING)) {
            stages.put(stage.key(), asFarAsKnown(FieldSchema.of(stage.fields())));
        }
        stages.put(
                "typed", described("what was typed for each stage, by path; kept where it reads as the number above"));
        stages.put("constants", constants());
        stages.put("results", described("figures, sums and findings as of the export; not read on import"));
        Map<String, Object> schema = new LinkedHashMap<>();
        schema.put("$schema", "https://json-schema.org/draft/2020-12/schema");
        schema.put("$id", "/api/plan-schema/1");
        schema.put("title", "Plan document of Kiln Ryu, version 1");
        schema.put("type", "object");
        schema.put("required", List.of("format", "version", "name", "tree"));
        schema.put("properties", stages);
        return schema;
    }

    /** The name of the document stands for that of the tree; a part is known in one of several ways. */
    private static Map<String, Object> tree() {
        Map<String, Object> tree = FieldSchema.of(Stage.TREE.fields());
        Map<String, Object> fields = object(tree.get("properties"));
        fields.remove(TreeFields.NAME.path());
        Map<String, Object> parts = object(fields.get("parts"));
        parts.put("minItems", 1);
        parts.put("maxItems", TreeReader.MOST_PARTS);
        Map<String, Object> part = object(parts.get("items"));
        List<Object> ways = new ArrayList<>();
        for (TreeReader.How how : TreeReader.How.values()) {
            ways.add(Map.of("required", List.of(how.field())));
        }
        part.put("oneOf", ways);
        object(tree).put("required", List.of("alloy", "parts"));
        return tree;
    }

    /** A plan may stop at its tree: nothing of a later stage has to be there. */
    private static Map<String, Object> asFarAsKnown(Map<String, Object> schema) {
        schema.remove("required");
        schema.values().forEach(v -> {
            if (v instanceof Map<?, ?> inner) {
                inner.values().forEach(i -> {
                    if (i instanceof Map<?, ?>) {
                        asFarAsKnown(object(i));
                    }
                });
            }
        });
        return schema;
    }

    private static Map<String, Object> constants() {
        Map<String, Object> constants = described("all constants in force, by key");
        constants.put("additionalProperties", Map.of("type", "number"));
        return constants;
    }

    private static Map<String, Object> described(String words) {
        Map<String, Object> object = new LinkedHashMap<>();
        object.put("type", "object");
        object.put("description", words);
        return object;
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> object(Object there) {
        return (Map<String, Object>) there;
    }
}
