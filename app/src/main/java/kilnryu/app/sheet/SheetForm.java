package kilnryu.app.sheet;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import kilnryu.app.web.Units;
import org.springframework.web.util.HtmlUtils;
import tools.jackson.databind.json.JsonMapper;

/** A form of fields: each with what was typed, what was understood and what is wrong. */
public record SheetForm(Fields fields, Map<String, String> typed, boolean showErrors, FieldList declared) {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    /** A form whose pages say labels and examples themselves. */
    public SheetForm(Fields fields, Map<String, String> typed, boolean showErrors) {
        this(fields, typed, showErrors, FieldList.NONE);
    }

    /** A declared field as HTML: label, input or select, remark. */
    public String asked(String path) {
        Declared field = declared(path);
        if (field instanceof Declared.Choice<?> choice) {
            return among(
                    path,
                    choice.meanings().stream()
                            .map(m -> new Option(m.key(), m.label()))
                            .toList());
        }
        return field instanceof Declared.Day
                ? field(path).day(field.asks().label())
                : field(path).input(field.asks().label(), field.asks().hint());
    }

    /** A declared field whose example follows from the rest of the page. */
    public String hinted(String path, String hint) {
        return field(path).input(declared(path).asks().label(), hint);
    }

    /** A declared choice as HTML, among these. */
    public String among(String path, List<Option> options) {
        Declared.Asks asks = declared(path).asks();
        Field field = field(path);
        return field.select(
                asks.label(), html(options, field.value()), asks.hint().isEmpty() ? null : asks.hint());
    }

    /** A declared field without its label in sight, for the cell of a table. */
    public String cell(String path) {
        Declared.Asks asks = declared(path).asks();
        return field(path).bare(asks.label(), asks.hint());
    }

    /** What was typed of fields that a page does not show, to be carried along as hidden ones. */
    public Map<String, String> beside(String page) {
        return declared.beside(Declared.Page.valueOf(page.toUpperCase(Locale.ROOT)), typed);
    }

    private Declared declared(String path) {
        return declared.find(path)
                .orElseThrow(() -> new IllegalArgumentException("The field " + path + " is not declared."));
    }

    /** A field for the template. */
    public record Field(String path, String id, String value, String echo, String error, Units units) {
        public boolean isWrong() {
            return !error.isEmpty();
        }

        /** Label, input and remark as HTML: written at once, since a tree of many parts has hundreds of them. */
        public String input(String label, String hint) {
            return input(label, hint, "");
        }

        /** Label, choice of a day and remark as HTML. */
        public String day(String label) {
            return input(label, "", " type=\"date\"");
        }

        private String input(String label, String hint, String kind) {
            return label(label) + "<input class=\"form-control" + (isWrong() ? " is-invalid" : "") + "\" id=\"" + id
                    + "\"" + kind + " name=\"" + escaped(path) + "\" value=\"" + escaped(value)
                    + "\" autocomplete=\"off\" aria-describedby=\"note-" + id + "\" placeholder=\""
                    + escaped(Hint.in(hint, units))
                    + "\">"
                    + note();
        }

        /** Input and remark as HTML, the label for those who do not see the table. */
        public String bare(String label, String hint) {
            return "<input class=\"form-control" + (isWrong() ? " is-invalid" : "") + "\" id=\"" + id + "\" name=\""
                    + escaped(path) + "\" value=\"" + escaped(value) + "\" autocomplete=\"off\" aria-label=\""
                    + escaped(label) + "\" aria-describedby=\"note-" + id + "\" placeholder=\""
                    + escaped(Hint.in(hint, units)) + "\">" + (isWrong() ? note() : "");
        }

        /** Label, select and remark as HTML. */
        public String select(String label, String options, String none) {
            String first = none == null
                    ? ""
                    : "<option value=\"\"" + (value.isEmpty() ? " selected=\"selected\">" : ">") + escaped(none)
                            + "</option>";
            return label(label) + "<select class=\"form-select" + (isWrong() ? " is-invalid" : "") + "\" id=\"" + id
                    + "\" name=\"" + escaped(path) + "\" aria-describedby=\"note-" + id + "\">" + first + options
                    + "</select>" + note();
        }

        private String label(String words) {
            return "<label for=\"" + id + "\">" + escaped(words) + "</label>";
        }

        private String note() {
            return "<p class=\"note" + (isWrong() ? " wrong" : "") + "\" id=\"note-" + id + "\">"
                    + escaped(isWrong() ? error : echo) + "</p>";
        }

        private static String escaped(String text) {
            return HtmlUtils.htmlEscape(text == null ? "" : text, "UTF-8");
        }
    }

    /** A choice of a select. */
    public record Option(String key, String label) {}

    public Field field(String path) {
        Fields.Note note = fields.notes().getOrDefault(path, new Fields.Note("", ""));
        String value = typed.getOrDefault(path, "");
        boolean quiet = value.isBlank() && !showErrors;
        return new Field(path, id(path), value, note.echo(), quiet ? "" : note.error(), fields.units());
    }

    /** All remarks, for refreshing those of a page while it is typed in. */
    public List<Field> remarks() {
        return typed.keySet().stream().map(this::field).toList();
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
        StringBuilder id = new StringBuilder(path.length());
        for (int i = 0; i < path.length(); i++) {
            char c = path.charAt(i);
            boolean plain = c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z' || c >= '0' && c <= '9';
            if (plain) {
                id.append(c);
            } else if (id.length() == 0 || id.charAt(id.length() - 1) != '-') {
                id.append('-');
            }
        }
        int end = id.length() - 1;
        return end >= 0 && id.charAt(end) == '-' ? id.substring(0, end) : id.toString();
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

    /** Whether something was typed in any of these, or could not be read: a fold with them stands open. */
    public boolean anyOf(String... paths) {
        return java.util.Arrays.stream(paths)
                .map(this::field)
                .anyMatch(f -> !f.value().isBlank() || f.isWrong());
    }

    /** Fields as a document that a script fills in. */
    public String json(Map<String, String> fields) {
        return JSON.writeValueAsString(fields);
    }
}
