package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import kilnryu.app.blend.BlendStore;
import kilnryu.app.equipment.EquipmentStore;
import kilnryu.app.sheet.SettingsStore;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/** What a studio has set is kept from page to page, and never a moment longer than it holds. */
class SettingsStoreTest extends AppTest {
    @Autowired
    SettingsStore settings;

    @Autowired
    EquipmentStore equipment;

    @Autowired
    BlendStore blends;

    @Autowired
    JdbcClient jdbc;

    @Autowired
    TransactionTemplate transaction;

    private final AtomicInteger asked = new AtomicInteger();

    @AfterEach
    void noPage() {
        RequestContextHolder.resetRequestAttributes();
    }

    private static void page() {
        RequestContextHolder.setRequestAttributes(
                new ServletRequestAttributes(new MockHttpServletRequest("GET", "/trees")));
    }

    /** As the next page sees it. */
    private int seen() {
        page();
        return settings.of(owner.studioId(), "tried", asked::incrementAndGet);
    }

    private Map<String, String> shop() {
        page();
        return equipment.of(owner.studioId()).fields();
    }

    @Test
    void itIsAskedOnceForAllPagesUntilSomethingOfTheStudioChanges() {
        assertThat(seen()).isEqualTo(1);
        assertThat(seen()).isEqualTo(1);
        equipment.save(owner.studioId(), 0, Map.of("bowls[a].name", "bucket"));
        assertThat(seen()).isEqualTo(2);
        assertThat(seen()).isEqualTo(2);
    }

    @Test
    void everyTableThatCountsMovesItOn() {
        long studio = owner.studioId();
        List<String> changes = List.of(
                "insert into school (studio_id, craft, name, based_on, fields, version, account_id, at)"
                        + " values (:studio, 'gating', 'ours', 'x', '{}', 1, :account, now())",
                "insert into blend (studio_id, name, fields, version, updated_at) values (:studio, 'b', '{}', 1, now())",
                "insert into blend_trial (blend_id, studio_id, blend_fields, fields, account_id, at)"
                        + " select id, studio_id, '{}', '{}', :account, now() from blend where studio_id = :studio",
                "insert into shell_recipe (studio_id, name, fields, version, updated_at)"
                        + " values (:studio, 'r', '{}', 1, now())",
                "insert into equipment (studio_id, fields, version) values (:studio, '{}', 1)",
                "insert into studio_factor (studio_id, key, value, reason, account_id, at)"
                        + " values (:studio, 'k', 1, 'tried', :account, now())",
                "insert into own_cause (studio_id, cause, fields, account_id, at)"
                        + " values (:studio, 'c', '{}', :account, now())",
                "update account set shown_name = 'Another' where studio_id = :studio and id = :account",
                "delete from studio_factor where studio_id = :studio");
        int before = seen();
        for (String change : changes) {
            // each of them, whoever writes it
            jdbc.sql(change)
                    .param("studio", studio)
                    .param("account", owner.id())
                    .update();
            int after = seen();
            assertThat(after).as(change).isEqualTo(before + 1);
            before = after;
        }
    }

    @Test
    void whatIsRolledBackIsNotTakenForWhatComesAfter() {
        transaction.executeWithoutResult(t -> {
            equipment.save(owner.studioId(), 0, Map.of("bowls[a].name", "rolled back"));
            assertThat(shop()).containsEntry("bowls[a].name", "rolled back");
            t.setRollbackOnly();
        });
        assertThat(shop()).isEmpty();
        equipment.save(owner.studioId(), 0, Map.of("bowls[a].name", "kept"));
        assertThat(shop()).containsEntry("bowls[a].name", "kept");
    }

    @Test
    void anotherStudioIsNotTouched() {
        assertThat(seen()).isEqualTo(1);
        long stranger = Studio.owner(accounts, passwords).studioId();
        equipment.save(stranger, 0, Map.of("bowls[a].name", "theirs"));
        assertThat(seen()).isEqualTo(1);
        assertThat(shop()).isEmpty();
    }

    @Test
    void whatWritesAsksAnewAndNobodyCanChangeWhatIsKept() {
        RequestContextHolder.setRequestAttributes(
                new ServletRequestAttributes(new MockHttpServletRequest("POST", "/equipment")));
        assertThat(settings.of(owner.studioId(), "tried", asked::incrementAndGet))
                .isEqualTo(1);
        assertThat(settings.of(owner.studioId(), "tried", asked::incrementAndGet))
                .isEqualTo(2);
        Map<String, String> kept = shop();
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> kept.put("name", "mine"))
                .isInstanceOf(UnsupportedOperationException.class);
    }
}
