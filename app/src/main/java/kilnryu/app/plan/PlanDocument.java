package kilnryu.app.plan;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import kilnryu.app.factor.Catalogue;
import kilnryu.app.school.Craft;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Paths;
import kilnryu.app.tree.TreeReader;
import kilnryu.app.web.Answer;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The plan as a document: one tree with mold, firing and results. Inputs are numbers in the units of the compute API,
 * beside them what was typed; all constants of the sums go along, so that the figures come out the same elsewhere.
 */
public final class PlanDocument {
    public static final String FORMAT = "kiln-ryu-plan";
    public static final int VERSION = 1;
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private PlanDocument() {}

    /** A document that cannot be taken in, with a word for the one who tried. */
    public static final class Unusable extends Exception {
        private static final long serialVersionUID = 1L;

        Unusable(String message) {
            super(message);
        }
    }

    /** What a document holds: fields of each stage as they would be typed, and its constants. */
    public record Content(Map<Stage, Map<String, String>> stages, Map<String, Double> constants) {}

    /** A blend of the studio's own goes out as its numbers, a recipe of its own as its coats. */
    private static Map<String, String> blended(Plan plan, Map<String, String> texts) {
        Map<String, String> plain = new LinkedHashMap<>(texts);
        for (String which : List.of("block.fine.", "block.backup.")) {
            String key = plain.getOrDefault(which + "mix", "");
            if (key.startsWith("blend-")) {
                plain.remove(which + "mix");
                plan.reading().mixes().named(key, plan.reading().factors()).ifPresent(mix -> {
                    plain.put(which + "density", Double.toString(mix.density().value()));
                    plain.putIfAbsent(
                            which + "water_per_100", Double.toString(mix.water().value()));
                    plain.put(which + "plaster_pct", Double.toString(mix.hemihydrate()));
                });
            }
        }
        String recipe = plain.getOrDefault("shell.recipe", "");
        if (recipe.startsWith("recipe-")) {
            plain.remove("shell.recipe");
            plan.shell()
                    .ifPresent(s ->
                            plain.putIfAbsent("shell.coats", s.plan().recipe().told()));
        }
        return plain;
    }

    /** A school of the studio's own goes out as the one it was copied from, with its constants. */
    private static Map<String, String> based(Plan plan, Map<String, String> texts) {
        Map<String, String> based = new LinkedHashMap<>(texts);
        for (Craft craft : Craft.values()) {
            based.computeIfPresent(
                    craft.field(), (field, key) -> plan.reading().schools().based(key));
        }
        return based;
    }

    public static Map<String, Object> write(Plan plan) {
        Factors factors = plan.reading().factors();
        Map<String, Object> document = new LinkedHashMap<>();
        document.put("format", FORMAT);
        document.put("version", VERSION);
        document.put("name", plan.name());
        Map<String, Object> typed = new LinkedHashMap<>();
        for (Stage stage : Stage.values()) {
            document.put(stage.key(), stage(plan, stage));
            Fields fields = plan.fields().get(stage);
            typed.put(
                    stage.key(),
                    Paths.numbered(Paths.withPlaces(
                            TreeReader.chosenOnly(based(plan, blended(plan, fields.written()))),
                            fields.keys("parts"),
                            w -> w)));
        }
        document.put("typed", typed);
        document.put(
                "constants",
                Catalogue.all()
                        .collect(Collectors.toMap(Constant::key, factors::value, (a, b) -> a, LinkedHashMap::new)));
        document.put("results", Answer.of(figures(plan), plan.findings()));
        return document;
    }

    /** A stage's inputs as they stand in the document. */
    private static Map<String, Object> stage(Plan plan, Stage stage) {
        Fields fields = plan.fields().get(stage);
        Map<String, Object> values = new LinkedHashMap<>(stage == Stage.MOLD ? numbers(plan, fields) : fields.values());
        values.keySet().removeIf(path -> path.equals("name") || path.endsWith("].how"));
        for (Craft craft : Craft.values()) {
            values.computeIfPresent(
                    craft.field(), (field, key) -> plan.reading().schools().based(String.valueOf(key)));
        }
        return Paths.nested(Paths.withPlaces(values, fields.keys("parts"), w -> w));
    }

    /** Whether tree or mold are planned otherwise than in a document written earlier. */
    public static boolean differs(Plan plan, JsonNode then) {
        return Stream.of(Stage.TREE, Stage.MOLD)
                .anyMatch(stage -> !then.path(stage.key()).equals(JSON.valueToTree(stage(plan, stage))));
    }

    /** The mold's values with blends as numbers. */
    private static Map<String, Object> numbers(Plan plan, Fields fields) {
        Map<String, String> plain = blended(plan, fields.written());
        Map<String, Object> values = new LinkedHashMap<>(fields.values());
        values.keySet()
                .removeIf(path -> (path.endsWith(".mix") || path.equals("shell.recipe")) && !plain.containsKey(path));
        plain.forEach((path, text) -> {
            if (!fields.written().containsKey(path)) {
                values.put(path, path.equals("shell.coats") ? (Object) text : Double.valueOf(text));
            }
        });
        return values;
    }

    static Map<String, Figure> figures(Plan plan) {
        Map<String, Figure> figures = new LinkedHashMap<>();
        plan.tree().ifPresent(t -> figures.putAll(ContractFigures.of(t)));
        plan.flask().ifPresent(f -> figures.putAll(ContractFigures.of(f)));
        plan.shell().ifPresent(s -> figures.putAll(ContractFigures.of(s.plan())));
        plan.firing().filter(f -> !f.program().segments().isEmpty()).ifPresent(f -> {
            figures.put("program_min", f.program().total());
            figures.put("mold_C", f.program().mold());
        });
        return figures;
    }

    /** @throws Unusable with a clear word when it is no plan, of a newer version, or holds what cannot be */
    public static Content read(String text, Plan.Reading reading) throws Unusable {
        JsonNode root = parse(text);
        Map<Stage, Map<String, String>> stages = new EnumMap<>(Stage.class);
        for (Stage stage : Stage.values()) {
            stages.put(stage, stage(root, stage));
        }
        stages.get(Stage.TREE).put("name", root.path("name").asString(""));
        Map<String, Double> constants = constants(root.path("constants"));
        Plan plan = Plan.read(stages, new Plan.Reading(Units.METRIC, reading.factors(), reading.zone()));
        List<String> wrong = new ArrayList<>();
        plan.fields().forEach((stage, fields) -> {
            if (stage == Stage.TREE || !stages.get(stage).isEmpty()) {
                fields.errors().forEach((path, message) -> wrong.add(stage.key() + "." + path + ": " + message));
                stages.put(stage, new LinkedHashMap<>(fields.written()));
            }
        });
        if (!wrong.isEmpty()) {
            throw new Unusable(
                    "This plan holds what cannot be: " + wrong.stream().limit(5).collect(Collectors.joining(" ")));
        }
        return new Content(preferTyped(root, stages, plan), constants);
    }

    private static JsonNode parse(String text) throws Unusable {
        JsonNode root;
        try {
            root = JSON.readTree(text);
        } catch (JacksonException e) {
            throw new Unusable("This file is not JSON that can be read.");
        }
        if (root == null
                || !root.isObject()
                || !FORMAT.equals(root.path("format").asString(""))) {
            throw new Unusable("This file is not a plan document of Kiln Ryu.");
        }
        int version = root.path("version").asInt(0);
        if (version > VERSION) {
            throw new Unusable("This plan was made by a newer Kiln Ryu (document version " + version
                    + "; this one reads up to " + VERSION + "). Update, then import it.");
        }
        if (version < 1) {
            throw new Unusable("This plan document does not say its version.");
        }
        return root;
    }

    private static Map<String, String> stage(JsonNode root, Stage stage) throws Unusable {
        JsonNode node = root.path(stage.key());
        if (!node.isMissingNode() && !node.isObject()) {
            throw new Unusable("In this plan, " + stage.key() + " is not an object.");
        }
        Map<String, String> fields =
                new LinkedHashMap<>(node.isObject() ? Paths.flat(node).texts() : Map.of());
        for (String key : Fields.typed(fields, Units.METRIC).keys("parts")) {
            String at = "parts[" + key + "].";
            List<String> ways = List.of(TreeReader.How.values()).stream()
                    .map(TreeReader.How::field)
                    .filter(w -> fields.keySet().stream().anyMatch(p -> p.equals(at + w) || p.startsWith(at + w + ".")))
                    .toList();
            if (ways.size() == 1) {
                fields.put(at + "how", ways.get(0));
            }
        }
        return fields;
    }

    private static Map<String, Double> constants(JsonNode node) throws Unusable {
        Map<String, Double> constants = new LinkedHashMap<>();
        for (var entry : node.properties()) {
            var known = Catalogue.named(entry.getKey());
            double value = entry.getValue().asDouble(Double.NaN);
            if (known.isEmpty()) {
                continue;
            }
            Constant constant = known.get();
            if (!constant.bears(value)) {
                throw new Unusable("In this plan the constant " + entry.getKey() + ", " + constant.name() + ", is "
                        + Show.exact(value) + "; it may be " + Show.exact(constant.least()) + " to "
                        + Show.exact(constant.most()) + ".");
            }
            constants.put(entry.getKey(), value);
        }
        return constants;
    }

    /** Where what was typed reads as the very number of the document, it is kept as typed. */
    private static Map<Stage, Map<String, String>> preferTyped(
            JsonNode root, Map<Stage, Map<String, String>> stages, Plan byNumbers) {
        Map<Stage, Map<String, String>> typed = new EnumMap<>(Stage.class);
        for (Stage stage : Stage.values()) {
            Map<String, String> merged = new LinkedHashMap<>(stages.get(stage));
            root.path("typed").path(stage.key()).properties().forEach(e -> {
                if (merged.containsKey(e.getKey()) && e.getValue().isString()) {
                    merged.put(e.getKey(), e.getValue().asString());
                }
            });
            typed.put(stage, merged);
        }
        Plan byWords = Plan.read(typed, new Plan.Reading(Units.METRIC, Factors.HANDBOOK, java.time.ZoneOffset.UTC));
        for (Stage stage : Stage.values()) {
            Map<String, Object> words = byWords.fields().get(stage).values();
            Map<String, Object> numbers = byNumbers.fields().get(stage).values();
            typed.get(stage)
                    .replaceAll((path, text) -> java.util.Objects.equals(words.get(path), numbers.get(path))
                            ? text
                            : stages.get(stage).get(path));
        }
        return typed;
    }
}
