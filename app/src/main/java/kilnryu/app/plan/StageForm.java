package kilnryu.app.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import kilnryu.app.sheet.Declared.Page;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Options;
import kilnryu.app.sheet.SheetForm;
import kilnryu.app.sheet.SheetForm.Field;
import kilnryu.app.sheet.SheetForm.Option;
import kilnryu.app.tree.TreeReader;
import kilnryu.core.gating.Layout;
import kilnryu.core.gating.Use;

/** The form of a stage: each field with what was typed, what was understood and what is wrong. */
public record StageForm(Fields fields, Map<String, String> typed, boolean showErrors, Stage stage) {

    private SheetForm form() {
        return new SheetForm(fields, typed, showErrors, stage.fields());
    }

    public Field field(String path) {
        return form().field(path);
    }

    public String json(Map<String, String> filled) {
        return form().json(filled);
    }

    public boolean anyOf(String... paths) {
        return form().anyOf(paths);
    }

    /** All remarks, for refreshing those of a page while it is typed in. */
    public List<Field> remarks() {
        return TreeReader.chosenOrBlank(typed).stream().map(this::field).toList();
    }

    /** Those of {@link #remarks} that a page of the tree shows: its list of parts, or its building. */
    public List<Field> remarks(String view) {
        return remarks().stream().filter(f -> shows(view, f.path())).toList();
    }

    /** What has to be mended on the other page of the tree. */
    public List<Field> wrongElsewhere(String view) {
        return remarks().stream()
                .filter(f -> f.isWrong() && !shows(view, f.path()))
                .toList();
    }

    /** What is no field of its own, such as a list as a whole, stands wherever something of it does. */
    private boolean shows(String view, String path) {
        return stage.fields().find(path).isEmpty() || stage.fields().stands(path, page(view));
    }

    private static Page page(String view) {
        return Page.valueOf(view.toUpperCase(Locale.ROOT));
    }

    /** A declared field as HTML. */
    public String asked(String path) {
        return form().asked(path);
    }

    /** A declared choice as HTML, among these. */
    public String among(String path, List<Option> options) {
        return form().among(path, options);
    }

    /** What was typed of fields that a page does not show and carries along. */
    public Map<String, String> beside(String view) {
        return stage.fields().beside(page(view), typed);
    }

    /** What was typed in these. */
    public Map<String, String> typedOf(String... paths) {
        Map<String, String> texts = new LinkedHashMap<>();
        for (String path : paths) {
            if (!typed.getOrDefault(path, "").isBlank()) {
                texts.put(path, typed.get(path));
            }
        }
        return texts;
    }

    /** The parts that are shown; more than may be saved are kept in the form but not shown. */
    public List<String> partKeys() {
        return fields.keys("parts").stream().limit(TreeReader.MOST_PARTS).toList();
    }

    /** What was typed of parts that are not shown. */
    public Map<String, String> unshown() {
        Set<String> shown = Set.copyOf(partKeys());
        Map<String, String> rest = new LinkedHashMap<>();
        if (fields.keys("parts").size() > shown.size()) {
            typed.forEach((path, text) -> {
                int close = path.indexOf(']');
                if (path.startsWith("parts[") && close > 0 && !shown.contains(path.substring(6, close))) {
                    rest.put(path, text);
                }
            });
        }
        return rest;
    }

    /** What the building page carries along: what stands on the list of parts only, and parts that are not shown. */
    public Map<String, String> besideBuilding() {
        Map<String, String> rest = new LinkedHashMap<>(unshown());
        rest.putAll(beside("gating"));
        return rest;
    }

    /** What a page carries along of the tree itself. */
    public Map<String, String> besideParts(String view) {
        return carried(view, path -> !path.startsWith("parts["));
    }

    /** What a page carries along of one part. */
    public Map<String, String> besidePart(String view, String key) {
        String at = "parts[" + key + "].";
        return carried(view, path -> path.startsWith(at));
    }

    /** Of many parts each asks for its own: nothing is looked up for the others. */
    private Map<String, String> carried(String view, Predicate<String> of) {
        Map<String, String> some = new LinkedHashMap<>();
        typed.forEach((path, text) -> {
            if (of.test(path)) {
                some.put(path, text);
            }
        });
        return stage.fields().beside(page(view), some);
    }

    /** What a part may join: every other part. */
    public List<Option> jointOptions(String key) {
        return partKeys().stream()
                .filter(k -> !k.equals(key))
                .map(k -> new Option(k, named(k)))
                .toList();
    }

    /** The parts that are pieces. */
    public List<Option> pieceOptions() {
        return partKeys().stream()
                .filter(k -> {
                    String use = typed.getOrDefault("parts[" + k + "].use", "");
                    return use.equals("piece")
                            || use.isEmpty()
                                    && !typed.getOrDefault("parts[" + k + "].role", "")
                                            .equals("gating");
                })
                .map(k -> new Option(k, named(k)))
                .toList();
    }

    private String named(String key) {
        String name = typed.getOrDefault("parts[" + key + "].name", "");
        return name.isBlank() ? "part " + (partKeys().indexOf(key) + 1) : name;
    }

    /** Whether anything of a part has to be mended. */
    public boolean hasError(String key) {
        return fields.notes().entrySet().stream()
                .anyMatch(e -> e.getKey().startsWith("parts[" + key + "]")
                        && !field(e.getKey()).error().isEmpty());
    }

    /** Whether a part is to be looked at: it is new, or something of it cannot be read. */
    public boolean unfinished(String key) {
        String at = "parts[" + key + "].";
        return hasError(key)
                || field(at + "name").value().isBlank()
                || sizes(at).isEmpty();
    }

    /** A part in one line: how many, its sizes as typed, its material. */
    public String line(String key) {
        String at = "parts[" + key + "].";
        String count = field(at + "count").value();
        String material = field(at + "material").value();
        List<String> said = new ArrayList<>();
        if (!count.isBlank() && !count.equals("1")) {
            said.add("× " + count);
        }
        if (!sizes(at).isEmpty()) {
            said.add(sizes(at));
        }
        materials().stream().filter(m -> m.key().equals(material)).findFirst().ifPresent(m -> said.add(m.label()));
        return String.join(", ", said);
    }

    private String sizes(String at) {
        String how = field(at + "how").value();
        return typed.keySet().stream()
                .filter(path ->
                        path.equals(at + how) || path.startsWith(at + how + ".") || path.startsWith(at + how + "_"))
                .map(path -> field(path).value())
                .filter(text -> !text.isBlank())
                .collect(Collectors.joining(" × "));
    }

    /** A path in words, for those who do not read paths: "rod length of sprue". */
    public String words(String path) {
        return form().words(path);
    }

    /** The options of a select as HTML. */
    public String html(List<Option> options, String chosen) {
        return form().html(options, chosen);
    }

    public List<Option> materials() {
        return Options.materials();
    }

    public List<Option> uses() {
        return Options.of(Use.values(), Use::key, Use::label);
    }

    public List<Option> layouts() {
        return Options.of(Layout.values(), Layout::key, Layout::label);
    }
}
