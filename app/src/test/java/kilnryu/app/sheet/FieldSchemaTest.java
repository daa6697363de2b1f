package kilnryu.app.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import kilnryu.app.sheet.Declared.Meaning;
import kilnryu.app.sheet.Declared.Page;
import kilnryu.core.quantity.Measure;
import org.junit.jupiter.api.Test;

/** What follows from fields that are declared: where they stand, and their schema. */
class FieldSchemaTest {
    private static final Declared.Quantity LENGTH = Declared.quantity(
                    "parts[].rod.length_mm",
                    new Range(Measure.MILLIMETRE, 0.5, 300),
                    "Length",
                    "110 mm",
                    Page.TREE,
                    Page.GATING)
            .needed();
    private static final Declared.Whole RINGS = Declared.whole("parts[].rings", 1, 200, "In rings", "1", Page.GATING);
    private static final Declared.Choice<Boolean> STEEL = Declared.either(
            "steel",
            new Meaning<>("solid", "solid", false),
            new Meaning<>("holes", "with holes", true),
            "Steel",
            Page.TREE);
    private static final Declared.Text NOTE =
            Declared.text("climate.note", 40, "Note", "", Page.GATING).told("as it is said");
    private static final FieldList ALL = FieldList.of(LENGTH, RINGS, STEEL, NOTE);

    @Test
    void aLineOfAListIsFoundByItsDeclaration() {
        assertThat(ALL.find("parts[k7].rod.length_mm")).contains(LENGTH);
        assertThat(ALL.find("parts[k7].rod.width_mm")).isEmpty();
        assertThat(LENGTH.in("k7").path()).isEqualTo("parts[k7].rod.length_mm");
        assertThat(LENGTH.under("own.").path()).isEqualTo("own.parts[].rod.length_mm");
    }

    @Test
    void whatAPageDoesNotShowIsCarriedAlongAndWhatNobodyKnowsIsNot() {
        Map<String, String> typed = Map.of(
                "parts[a].rings",
                "3",
                "parts[a].rod.length_mm",
                "9",
                "climate.note",
                " ",
                "steel",
                "holes",
                "odd",
                "x");
        assertThat(ALL.beside(Page.TREE, typed)).isEqualTo(Map.of("parts[a].rings", "3"));
        assertThat(ALL.beside(Page.GATING, typed)).isEqualTo(Map.of("steel", "holes"));
    }

    @Test
    void aFieldSaidTwiceIsRefused() {
        assertThatThrownBy(() -> FieldList.of(STEEL).and(FieldList.of(STEEL)))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessage("The field steel is declared twice.");
    }

    @Test
    void theSchemaNestsAsThePathsDo() {
        Map<String, Object> part = Map.of(
                "type",
                "object",
                "properties",
                Map.of(
                        "rod",
                        Map.of(
                                "type",
                                "object",
                                "properties",
                                Map.of("length_mm", Map.of("type", "number", "minimum", 0.5, "maximum", 300.0)),
                                "required",
                                List.of("length_mm")),
                        "rings",
                        Map.of("type", "integer", "minimum", 1, "maximum", 200)));
        Map<String, Object> expected = Map.of(
                "type",
                "object",
                "properties",
                Map.of(
                        "parts",
                        Map.of("type", "array", "items", part),
                        "steel",
                        Map.of("type", "string", "enum", List.of("solid", "holes")),
                        "climate",
                        Map.of(
                                "type",
                                "object",
                                "properties",
                                Map.of(
                                        "note",
                                        Map.of("type", "string", "maxLength", 40, "description", "as it is said")))),
                "required",
                List.of("climate"));
        assertThat(FieldSchema.of(ALL.demanding("climate"))).isEqualTo(expected);
    }

    @Test
    void aListWithNeededFieldsIsNeededUnlessAllIsOptional() {
        FieldList coats = FieldList.of(
                Declared.quantity("coats[].mm", Range.LENGTH, "", "").needed());
        assertThat(FieldSchema.of(coats)).containsEntry("required", List.of("coats"));
        assertThat(FieldSchema.of(coats.optional())).doesNotContainKey("required");
    }

    @Test
    void aDayAFlagAndAListOfWordsInTheSchema() {
        FieldList fields = FieldList.of(
                Declared.day("due", "Due", Page.PIECE),
                Declared.flag("carry.covered"),
                Declared.asked("defects[].places[]", List.of(new Meaning<>("rim", "rim", 1))),
                Declared.asked("coats[]", new Range(Measure.MILLIMETRE, 0.5, 9)));
        Map<String, Object> places = Map.of("type", "array", "items", Map.of("type", "string", "enum", List.of("rim")));
        assertThat(FieldSchema.of(fields).get("properties"))
                .isEqualTo(Map.of(
                        "due",
                        Map.of("type", "string", "format", "date"),
                        "carry",
                        Map.of("type", "object", "properties", Map.of("covered", Map.of("type", "boolean"))),
                        "defects",
                        Map.of(
                                "type",
                                "array",
                                "items",
                                Map.of("type", "object", "properties", Map.of("places", places))),
                        "coats",
                        Map.of("type", "array", "items", Map.of("type", "number", "minimum", 0.5, "maximum", 9.0))));
        assertThat(fields.find("defects[k1].places[0]")).isPresent();
    }

    @Test
    void aFormAsksAsItIsDeclared() {
        Map<String, String> typed = Map.of("steel", "holes", "parts[a].rings", "many");
        Fields fields = Fields.typed(typed, kilnryu.app.web.Units.METRIC);
        fields.whole(RINGS.in("a"));
        SheetForm form = new SheetForm(fields, typed, true, ALL);
        assertThat(form.asked("steel"))
                .contains(
                        "<label for=\"steel\">Steel</label>",
                        "<option value=\"holes\" selected=\"selected\">with holes");
        assertThat(form.asked("parts[a].rings"))
                .contains("In rings", "value=\"many\"", "is-invalid", "Type a whole number from 1 to 200.");
        assertThat(form.cell("parts[a].rings")).contains("aria-label=\"In rings\"", "whole number");
        assertThatThrownBy(() -> form.asked("odd")).hasMessage("The field odd is not declared.");
    }
}
