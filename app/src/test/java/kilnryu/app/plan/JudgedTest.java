package kilnryu.app.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.ZoneOffset;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import kilnryu.app.blend.Mixes;
import kilnryu.app.school.Schools;
import kilnryu.app.shell.Recipes;
import kilnryu.app.web.Units;
import kilnryu.core.sum.Factors;
import kilnryu.core.tree.Crucible;
import org.junit.jupiter.api.Test;

/** What of a plan is judged and what is missing for it: each thing that is told takes one off the list. */
class JudgedTest {
    private static final Plan.Hands HANDS =
            new Plan.Hands(new Crucible(OptionalDouble.of(5000), OptionalDouble.empty()), OptionalDouble.of(25));

    private final Map<Stage, Map<String, String>> typed = new EnumMap<>(Stage.class);

    private void tree(String... pairs) {
        put(Stage.TREE, pairs);
    }

    private void put(Stage stage, String... pairs) {
        Map<String, String> fields = typed.computeIfAbsent(stage, s -> new HashMap<>());
        for (int i = 0; i < pairs.length; i += 2) {
            fields.put(pairs[i], pairs[i + 1]);
        }
    }

    private void aWeighedBird() {
        tree("name", "Dunlin", "alloy", "si-bronze", "parts[a].name", "bird", "parts[a].role", "piece");
        tree("parts[a].material", "injection-wax", "parts[a].how", "mass_g", "parts[a].mass_g", "96 g");
    }

    private void aFlask() {
        put(Stage.MOLD, "inner_diameter_mm", "100 mm", "height_mm", "150 mm", "system", "gypsum-jewelry");
    }

    private Plan plan(Plan.Hands hands) {
        return Plan.read(
                typed,
                new Plan.Reading(
                        Units.METRIC,
                        Factors.HANDBOOK,
                        ZoneOffset.UTC,
                        Schools.NONE,
                        Mixes.NONE,
                        Recipes.NONE,
                        hands,
                        id -> java.util.Optional.empty(),
                        kilnryu.app.firing.Programs.ANEW));
    }

    private Judged judged() {
        return plan(HANDS).judged();
    }

    @Test
    void nothingTypedNothingJudged() {
        Judged judged = judged();
        assertThat(judged.whole()).isFalse();
        for (String page : List.of("tree", "gating", "mold", "firing")) {
            assertThat(judged.whole(page)).as(page).isFalse();
        }
        assertThat(judged.all()).contains("alloy and parts of the tree", "the mold", "the program of the kiln");
    }

    @Test
    void theEquipmentBelongsToTheTree() {
        aWeighedBird();
        assertThat(judged().whole("tree")).isTrue();
        Judged bare = plan(Plan.Hands.UNKNOWN).judged();
        assertThat(bare.whole("tree")).isFalse();
        assertThat(bare.missing().get("tree"))
                .containsExactly("crucible (on the Equipment page)", "what one person lifts (on the Equipment page)");
    }

    /** A size that is only estimated from the parts is no size that was judged. */
    @Test
    void theSizeOfTheTreeIsMeasuredOrBuilt() {
        aWeighedBird();
        aFlask();
        assertThat(judged().missing().get("mold"))
                .singleElement()
                .asString()
                .startsWith("width and height of the tree");
        put(Stage.MOLD, "tree_width_mm", "70 mm");
        assertThat(judged().whole("mold")).isFalse();
        put(Stage.MOLD, "tree_height_mm", "110 mm");
        assertThat(judged().whole("mold")).isTrue();
        assertThat(judged().whole("gating")).isFalse();
    }

    @Test
    void sectionsAndHourBelongToTheFiring() {
        aWeighedBird();
        aFlask();
        put(Stage.MOLD, "tree_width_mm", "70 mm", "tree_height_mm", "110 mm");
        assertThat(judged().missing().get("firing"))
                .hasSize(2)
                .anyMatch(m -> m.startsWith("sections of the casting, medium until chosen"))
                .anyMatch(m -> m.startsWith("the hour of the pour"));
        put(Stage.FIRING, "section", "thin");
        assertThat(judged().missing().get("firing")).hasSize(1);
        put(Stage.FIRING, "pour_at", "2031-05-08T15:00");
        assertThat(judged().whole("firing")).isTrue();
    }

    /** A block and a shell are molds as well; a block needs a mix before it is one. */
    @Test
    void blocksAndShellsAreMoldsToo() {
        aWeighedBird();
        put(Stage.MOLD, "mold_kind", "block", "tree_width_mm", "70 mm", "tree_height_mm", "110 mm");
        assertThat(judged().missing().get("mold")).containsExactly("the mold");
        put(Stage.MOLD, "block.fine.mix", "plaster-silica");
        assertThat(judged().whole("mold")).isTrue();
        put(Stage.MOLD, "mold_kind", "shell");
        assertThat(judged().whole("mold")).isTrue();
    }

    /** The same lists by page as all findings together, none lost and none twice. */
    @Test
    void findingsByPageAreAllFindings() {
        aWeighedBird();
        aFlask();
        put(Stage.MOLD, "tree_width_mm", "120 mm", "tree_height_mm", "110 mm");
        Plan plan = plan(
                new Plan.Hands(new Crucible(OptionalDouble.empty(), OptionalDouble.of(100)), OptionalDouble.of(0.5)));
        int pages = plan.found().byPage().values().stream()
                .mapToInt(f -> f.all().size())
                .sum();
        assertThat(plan.findings().all()).hasSize(pages);
        assertThat(plan.found().byPage().keySet()).containsExactly("tree", "gating", "mold", "firing");
        assertThat(plan.found().tree().has("crucible")).isTrue();
        assertThat(plan.found().mold().has("lift.mold")).isTrue();
        assertThat(plan.found().mold().stops()).isNotEmpty();
    }

    /** The limit of a block's own field counts before the studio's. */
    @Test
    void aBlocksOwnLimitIsNotSaidTwice() {
        aWeighedBird();
        put(Stage.MOLD, "mold_kind", "block", "tree_width_mm", "70 mm", "tree_height_mm", "110 mm");
        put(Stage.MOLD, "block.fine.mix", "plaster-silica");
        Plan.Hands weak = new Plan.Hands(HANDS.crucible(), OptionalDouble.of(0.5));
        assertThat(plan(weak).found().mold().has("lift.mold")).isTrue();
        put(Stage.MOLD, "block.lift_kg", "0.4 kg");
        assertThat(plan(weak).found().mold().has("lift.mold")).isFalse();
        assertThat(plan(weak).found().mold().has("lift")).isTrue();
    }
}
