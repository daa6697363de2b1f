package kilnryu.app.plan;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kilnryu.app.sheet.Fields;
import kilnryu.app.tree.TreeReader;
import kilnryu.core.burnout.BurnoutSchool;
import kilnryu.core.flask.MixSchool;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.material.Section;
import org.springframework.web.util.HtmlUtils;

/** The form of a stage: each field with what was typed, what was understood and what is wrong. */
public record StageForm(Fields fields, Map<String, String> typed, boolean showErrors) {

    /** A field for the template. */
    public record Field(String path, String id, String value, String echo, String error) {
        public boolean isWrong() {
            return !error.isEmpty();
        }
    }

    /** A choice of a select. */
    public record Option(String key, String label) {}

    public Field field(String path) {
        Fields.Note note = fields.notes().getOrDefault(path, new Fields.Note("", ""));
        String value = typed.getOrDefault(path, "");
        boolean quiet = value.isBlank() && !showErrors;
        return new Field(path, id(path), value, note.echo(), quiet ? "" : note.error());
    }

    /** All remarks, for refreshing those of a page while it is typed in. */
    public List<Field> remarks() {
        return TreeReader.chosenOrBlank(typed).stream().map(this::field).toList();
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

    /** A path in words, for those who do not read paths: "rod length of sprue". */
    public String words(String path) {
        int dot = path.indexOf("].");
        String field = (dot < 0 ? path : path.substring(dot + 2))
                .replaceAll("_(g|mm|cm2|cm3|pct|C|at)$", "")
                .replaceAll("[._]", " ");
        if (dot < 0) {
            return field;
        }
        String name = typed.getOrDefault(path.substring(0, dot + 2) + "name", "");
        return field + " of " + (name.isBlank() ? "a part" : name);
    }

    public static String id(String path) {
        return path.replaceAll("[^A-Za-z0-9]+", "-").replaceAll("-$", "");
    }

    /** The options of a select as HTML: written at once, since a tree of many parts has thousands of them. */
    public String html(List<Option> options, String chosen) {
        StringBuilder html = new StringBuilder();
        for (Option o : options) {
            html.append("<option value=\"")
                    .append(HtmlUtils.htmlEscape(o.key))
                    .append(o.key.equals(chosen) ? "\" selected=\"selected\">" : "\">")
                    .append(HtmlUtils.htmlEscape(o.label, "UTF-8"))
                    .append("</option>");
        }
        return html.toString();
    }

    public static List<Option> alloys() {
        return List.of(Alloy.values()).stream()
                .map(a -> new Option(a.key(), a.label()))
                .toList();
    }

    public static List<Option> materials() {
        return List.of(PatternMaterial.values()).stream()
                .map(m -> new Option(m.key(), m.label()))
                .toList();
    }

    public static List<Option> ways() {
        return List.of(TreeReader.How.values()).stream()
                .map(h -> new Option(h.field(), h.label()))
                .toList();
    }

    public static List<Option> systems() {
        return List.of(InvestmentSystem.values()).stream()
                .map(s -> new Option(s.key(), s.label()))
                .toList();
    }

    public static List<Option> mixSchools() {
        return List.of(MixSchool.values()).stream()
                .map(s -> new Option(s.key(), s.label()))
                .toList();
    }

    public static List<Option> sections() {
        return List.of(Section.values()).stream()
                .map(s -> new Option(s.key(), s.label()))
                .toList();
    }

    public static List<Option> burnoutSchools() {
        return List.of(BurnoutSchool.values()).stream()
                .map(s -> new Option(s.key(), s.label() + ": " + s.says()))
                .toList();
    }
}
