package kilnryu.app.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kilnryu.app.sheet.SheetForm.Option;
import kilnryu.app.web.Units;
import org.junit.jupiter.api.Test;

class SheetFormTest {

    private static SheetForm form(Map<String, String> typed) {
        Fields fields = Fields.typed(typed, Units.METRIC);
        fields.quantity("height_mm", Range.LENGTH);
        return new SheetForm(fields, typed, true);
    }

    @Test
    void whatIsTypedIsEscapedWhereverItStands() {
        String evil = "\"><script>alert(1)</script>";
        SheetForm form = form(Map.of("height_mm", evil));
        String html = form.field("height_mm").input(evil, evil)
                + form.field("height_mm").select(evil, "", evil);
        assertThat(html).doesNotContain("<script>").contains("&quot;&gt;&lt;script&gt;");
        assertThat(form.html(List.of(new Option(evil, evil)), "")).doesNotContain("<script>");
    }

    @Test
    void aPathIsEscapedAsName() {
        Map<String, String> typed = new LinkedHashMap<>();
        typed.put("parts[\"><b>].name", "x");
        assertThat(form(typed).field("parts[\"><b>].name").input("Name", "")).doesNotContain("<b>");
    }

    @Test
    void anInputCarriesItsLabelEchoAndRemark() {
        String good = form(Map.of("height_mm", "2 in")).field("height_mm").input("Height", "40 mm");
        assertThat(good)
                .contains(
                        "for=\"height-mm\"",
                        "name=\"height_mm\"",
                        "value=\"2 in\"",
                        "= 50.8 mm",
                        "placeholder=\"40 mm\"");
        String bad = form(Map.of("height_mm", "tall")).field("height_mm").input("Height", "40 mm");
        assertThat(bad).contains("is-invalid", "note wrong", "is not a length", "value=\"tall\"");
    }

    @Test
    void aSelectShowsWhatIsChosen() {
        SheetForm form = form(Map.of("kind", "b"));
        String options = form.html(List.of(new Option("a", "A"), new Option("b", "B")), "b");
        assertThat(form.field("kind").select("Kind", options, null))
                .contains("<option value=\"b\" selected=\"selected\">B");
        assertThat(form(Map.of()).field("kind").select("Kind", options, "none"))
                .contains("<option value=\"\" selected=\"selected\">none");
    }

    @Test
    void pathsBecomeNamesAndWords() {
        assertThat(SheetForm.id("parts[p1].rod.length_mm")).isEqualTo("parts-p1-rod-length-mm");
        assertThat(SheetForm.id("parts[p1].")).isEqualTo("parts-p1");
        assertThat(SheetForm.id("")).isEmpty();
        SheetForm form = form(Map.of("parts[p1].name", "sprue"));
        assertThat(form.words("parts[p1].rod.length_mm")).isEqualTo("rod length of sprue");
        assertThat(form.words("parts[p2].rod.length_mm")).isEqualTo("rod length of a part");
        assertThat(form.words("tare_g")).isEqualTo("tare");
    }
}
