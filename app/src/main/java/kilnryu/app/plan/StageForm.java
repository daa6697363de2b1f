package kilnryu.app.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Options;
import kilnryu.app.sheet.SheetForm;
import kilnryu.app.sheet.SheetForm.Field;
import kilnryu.app.sheet.SheetForm.Option;
import kilnryu.app.tree.TreeReader;
import kilnryu.core.burnout.Handling;
import kilnryu.core.gating.Form;
import kilnryu.core.gating.Layout;
import kilnryu.core.gating.Use;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.material.Section;
import kilnryu.core.shell.Dewax;
import kilnryu.core.shell.Drying.Openness;

/** The form of a stage: each field with what was typed, what was understood and what is wrong. */
public record StageForm(Fields fields, Map<String, String> typed, boolean showErrors) {

    private static final Set<String> BUILDING = Set.of(
            "gating_school",
            "pour_rate_kg_s",
            "vacuum_kPa",
            "area_cm2",
            "stick_mm",
            "change_note",
            "use",
            "joins",
            "ends_at",
            "at_mm",
            "tilt_deg",
            "angle_deg",
            "rings",
            "spacing_mm",
            "fillet_mm",
            "box.length_mm",
            "box.width_mm",
            "box.thickness_mm",
            "wall.thin_mm",
            "wall.thick_mm",
            "wall.like",
            "wall.order",
            "core.length_mm",
            "core.diameter_mm",
            "core.pins",
            "core.levels",
            "traps.high",
            "traps.low",
            "piece");

    public Field field(String path) {
        return new SheetForm(fields, typed, showErrors).field(path);
    }

    public String json(Map<String, String> filled) {
        return new SheetForm(fields, typed, showErrors).json(filled);
    }

    public boolean anyOf(String... paths) {
        return new SheetForm(fields, typed, showErrors).anyOf(paths);
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

    private static boolean shows(String view, String path) {
        String field = path.substring(path.indexOf("].") < 0 ? 0 : path.indexOf("].") + 2);
        boolean building = BUILDING.contains(field);
        if (view.equals("gating")) {
            boolean onlyListed = field.startsWith("coat.") || field.equals("role") || field.equals("piece");
            return building && !field.equals("piece") || path.startsWith("parts[") && !onlyListed && !building;
        }
        return !view.equals("tree") || !building;
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

    /** What was typed that the building page does not show but has to keep. */
    public Map<String, String> unshownBeside() {
        Map<String, String> rest = new LinkedHashMap<>(unshown());
        typed.forEach((path, text) -> {
            boolean own = path.equals("gating_school")
                    || path.equals("pour_rate_kg_s")
                    || path.equals("vacuum_kPa")
                    || path.equals("stick_mm")
                    || path.equals("change_note");
            boolean coat = path.contains("].coat.") || path.endsWith("].role") || path.endsWith("].piece");
            if (path.startsWith("parts[") ? coat : !own && !path.startsWith("layout.")) {
                rest.put(path, text);
            }
        });
        return rest;
    }

    /** What was typed of the building, which the list of parts does not show but has to keep. */
    public Map<String, String> ofTheBuilding(String key) {
        String at = key.isEmpty() ? "" : "parts[" + key + "].";
        Map<String, String> rest = new LinkedHashMap<>();
        typed.forEach((path, text) -> {
            boolean here = at.isEmpty() ? !path.startsWith("parts[") : path.startsWith(at);
            if (here && BUILDING.contains(path.substring(at.length()))) {
                rest.put(path, text);
            }
        });
        return rest;
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
        return new SheetForm(fields, typed, showErrors).words(path);
    }

    /** The options of a select as HTML. */
    public String html(List<Option> options, String chosen) {
        return new SheetForm(fields, typed, showErrors).html(options, chosen);
    }

    /** How fine the face has to come. */
    public static List<Option> details() {
        return List.of(new Option("usual", "usual"), new Option("fine", "finer than usual"));
    }

    public static List<Option> opennesses() {
        return Options.of(Openness.values(), Openness::key, Openness::label);
    }

    public static List<Option> dewaxes() {
        return Options.of(Dewax.Method.values(), Dewax.Method::key, Dewax.Method::label);
    }

    public static List<Option> handlings() {
        return Options.of(Handling.values(), Handling::key, h -> h.label() + ". " + h.says());
    }

    public static List<Option> windows() {
        return List.of(new Option("no", "none"), new Option("yes", "cut, closed later"));
    }

    public static List<Option> beds() {
        return List.of(new Option("yes", "a full bed of sand"), new Option("no", "the open, free-standing"));
    }

    public static List<Option> alloys() {
        return Options.alloys();
    }

    public static List<Option> materials() {
        return Options.materials();
    }

    public static List<Option> ways() {
        return Options.of(TreeReader.How.values(), TreeReader.How::field, TreeReader.How::label);
    }

    public static List<Option> systems() {
        return Options.of(InvestmentSystem.values(), InvestmentSystem::key, InvestmentSystem::label);
    }

    public static List<Option> uses() {
        return Options.of(Use.values(), Use::key, Use::label);
    }

    public static List<Option> likenesses() {
        return Options.of(Form.Likeness.values(), Form.Likeness::key, Form.Likeness::label);
    }

    public static List<Option> layouts() {
        return Options.of(Layout.values(), Layout::key, Layout::label);
    }

    public static List<Option> sections() {
        return Options.of(Section.values(), Section::key, Section::label);
    }
}
