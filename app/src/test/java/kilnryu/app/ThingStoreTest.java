package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import kilnryu.app.blend.BlendStore;
import kilnryu.app.kiln.KilnStore;
import kilnryu.app.kiln.ProgramStore;
import kilnryu.app.shell.RecipeStore;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Kilns, programs, blends and recipes are kept in one way: by name, by version, archived and brought back, each studio its own. */
class ThingStoreTest extends AppTest {
    @Autowired
    KilnStore kilns;

    @Autowired
    ProgramStore programs;

    @Autowired
    BlendStore blends;

    @Autowired
    RecipeStore recipes;

    private long kiln(String name) {
        return kilns.create(owner.studioId(), Map.of("name", name, "power_kW", "3"));
    }

    private List<String> names() {
        return kilns.list(owner.studioId()).stream().map(KilnStore.Row::name).toList();
    }

    @Test
    void theyStandByNameWhateverTheCase() {
        kiln("shed kiln");
        kiln("Round kiln");
        kiln("brick kiln");
        assertThat(names()).containsExactly("brick kiln", "Round kiln", "shed kiln");
    }

    @Test
    void anotherStudiosIsNotFound() {
        long id = kiln("round kiln");
        long stranger = Studio.owner(accounts, passwords).studioId();
        assertThat(kilns.find(owner.studioId(), id)).isPresent();
        assertThat(kilns.find(stranger, id)).isEmpty();
        assertThat(kilns.save(stranger, id, 1, "mine now", Map.of())).isEmpty();
        kilns.putAway(stranger, id, true);
        assertThat(names()).containsExactly("round kiln");
    }

    @Test
    void aSaveOverAVersionThatIsNoLongerCurrentIsRefused() {
        long id = programs.create(owner.studioId(), Map.of("name", "overnight"));
        assertThat(programs.save(owner.studioId(), id, 1, "overnight, 100 mm", Map.of("name", "overnight, 100 mm")))
                .isEqualTo(OptionalLong.of(id));
        assertThat(programs.save(owner.studioId(), id, 1, "another", Map.of("name", "another")))
                .isEmpty();
        ProgramStore.Row row = programs.find(owner.studioId(), id).orElseThrow();
        assertThat(row.name()).isEqualTo("overnight, 100 mm");
        assertThat(row.version()).isEqualTo(2);
    }

    /** Eight save at once over the same version: one comes in. */
    @Test
    void ofSeveralAtOnceOneComesIn() throws Exception {
        long id = kiln("round kiln");
        List<OptionalLong> saved =
                AtOnce.times(8, () -> kilns.save(owner.studioId(), id, 1, "round", Map.of("name", "round")));
        assertThat(saved.stream().filter(OptionalLong::isPresent)).hasSize(1);
        assertThat(kilns.find(owner.studioId(), id).orElseThrow().version()).isEqualTo(2);
    }

    @Test
    void whatIsArchivedIsNotOfferedAndComesBack() {
        long id = kiln("round kiln");
        kiln("shed kiln");
        kilns.putAway(owner.studioId(), id, true);
        assertThat(names()).containsExactly("shed kiln");
        assertThat(kilns.find(owner.studioId(), id))
                .as("its old firings still name it")
                .isPresent();
        kilns.putAway(owner.studioId(), id, false);
        assertThat(names()).containsExactly("round kiln", "shed kiln");
    }

    @Test
    void aBlendWithoutANumberIsNewAndArchivedOnesStandLast() {
        long sand = blends.save(owner.studioId(), 0, 0, "a sand mix", Map.of("note", "old"))
                .orElseThrow();
        blends.save(owner.studioId(), 0, 0, "plaster and flint", Map.of());
        blends.putAway(owner.studioId(), sand, true);
        assertThat(blends.withArchived(owner.studioId()))
                .extracting(BlendStore.Row::name)
                .containsExactly("plaster and flint", "a sand mix");
        assertThat(blends.list(owner.studioId()))
                .extracting(BlendStore.Row::name)
                .containsExactly("plaster and flint");
        assertThat(blends.find(owner.studioId(), sand).orElseThrow().archived()).isTrue();
        assertThat(blends.find(owner.studioId(), sand).orElseThrow().fields()).isEqualTo(Map.of("note", "old"));
    }

    @Test
    void oneWithoutANumberIsMade() {
        OptionalLong made = blends.save(owner.studioId(), 0, 0, "estuary mix", Map.of("name", "estuary mix"));
        assertThat(made).isPresent();
        assertThat(blends.find(owner.studioId(), made.getAsLong()))
                .hasValueSatisfying(b -> assertThat(b.version()).isEqualTo(1));
    }

    @Test
    void aRecipeIsKeptByTheSameWay() {
        long id = recipes.create(owner.studioId(), "harbour", "prime, 2 backup, seal", "for lids");
        assertThat(recipes.find(owner.studioId(), id)).hasValueSatisfying(r -> {
            assertThat(r.coats()).isEqualTo("prime, 2 backup, seal");
            assertThat(r.note()).isEqualTo("for lids");
            assertThat(r.archived()).isFalse();
        });
        recipes.putAway(owner.studioId(), id, true);
        assertThat(recipes.list(owner.studioId())).isEmpty();
        assertThat(recipes.withArchived(owner.studioId())).hasSize(1);
    }
}
