package kilnryu.app.sheet;

import java.util.List;
import java.util.Map;
import org.springframework.web.util.HtmlUtils;

/** A form of fields: each with what was typed, what was understood and what is wrong. */
public record SheetForm(Fields fields, Map<String, String> typed, boolean showErrors) {

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
        return typed.keySet().stream().map(this::field).toList();
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
}
