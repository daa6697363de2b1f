package kilnryu.app.sheet;

import static kilnryu.app.Typing.typed;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;

/** Between nested JSON and the flat paths of a form. */
class PathsTest {
    private static Paths.Flat flat(String json) {
        return Paths.flat(JsonMapper.builder().build().readTree(json));
    }

    /** Numbers stay as they are written; words are told from them; nothing is nothing. */
    @Test
    void nestedToFlat() {
        Paths.Flat flat = flat("{\"a\":1.50,\"b\":{\"c\":\"x\",\"d\":null},\"e\":[{\"f\":2},null],\"g\":true}");
        assertThat(flat.texts())
                .containsEntry("a", "1.5")
                .containsEntry("b.c", "x")
                .containsEntry("e[0].f", "2")
                .containsEntry("e[0].name", "")
                .containsEntry("e[1]", "")
                .containsEntry("g", "true")
                .doesNotContainKey("b.d");
        assertThat(flat.words()).contains("b.c", "g").doesNotContain("a", "e[0].f");
    }

    @Test
    void flatToNested() {
        Map<String, Object> nested =
                Paths.nested(typed("a", "1", "parts[x].rod.length_mm", "10", "parts[y].name", "leaf", "b.c", "2"));
        assertThat(nested).containsEntry("a", "1").containsEntry("b", Map.of("c", "2"));
        assertThat(nested.get("parts"))
                .isEqualTo(List.of(Map.of("rod", Map.of("length_mm", "10")), Map.of("name", "leaf")));
    }

    /** Keys by their place: a stays the first, whatever it is called. */
    @Test
    void numbered() {
        assertThat(Paths.numbered(
                        typed("parts[k9].name", "cup", "parts[a].name", "leaf", "parts[k9].count", "2", "note", "x")))
                .containsExactly(
                        Map.entry("parts[0].name", "cup"),
                        Map.entry("parts[1].name", "leaf"),
                        Map.entry("parts[0].count", "2"),
                        Map.entry("note", "x"));
    }

    /** What a part joins is told by the place of the other. */
    @Test
    void whatJoinsWhat() {
        Map<String, String> placed = Paths.withPlaces(
                typed("parts[b].joins", "a", "parts[b].ends_at", "b", "parts[b].name", "a", "parts[a].joins", "nobody"),
                List.of("a", "b"),
                w -> w);
        assertThat(placed)
                .containsEntry("parts[b].joins", "0")
                .containsEntry("parts[b].ends_at", "1")
                .containsEntry("parts[b].name", "a")
                .containsEntry("parts[a].joins", "nobody");
    }
}
