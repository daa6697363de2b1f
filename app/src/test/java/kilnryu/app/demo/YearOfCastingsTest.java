package kilnryu.app.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import kilnryu.app.account.Account;
import kilnryu.app.account.AccountStore;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** The invented year: enough castings, defects and tries that every page of the log has something to show. */
@SpringBootTest
@AutoConfigureMockMvc
class YearOfCastingsTest {
    @Autowired
    MockMvc mvc;

    @Autowired
    AccountStore accounts;

    @Autowired
    YearOfCastings year;

    @Autowired
    JdbcClient jdbc;

    private Account owner;

    @BeforeEach
    void aYear() {
        owner = accounts.createWithStudio(new AccountStore.NewOwner(
                "Mudflat Castings", "Europe/Lisbon", "year" + UUID.randomUUID(), "no password", "Demo", false));
        year.load(owner);
    }

    private String page(String address) throws Exception {
        var response = mvc.perform(MockMvcRequestBuilders.get(address)
                        .with(SecurityMockMvcRequestPostProcessors.authentication(
                                UsernamePasswordAuthenticationToken.authenticated(
                                        owner, null, AuthorityUtils.createAuthorityList("ROLE_OWNER")))))
                .andReturn()
                .getResponse();
        assertThat(response.getStatus()).as(address).isEqualTo(200);
        return response.getContentAsString();
    }

    private <T> T one(String sql, Class<T> type) {
        return jdbc.sql(sql).param("studio", owner.studioId()).query(type).single();
    }

    /** Four trees of six, three of two, two of three and four of one are forty, of which the last is not closed; six on the bench. */
    @Test
    void fortyCastingsOverAYear() {
        assertThat(one("""
                        select count(*) from casting c join break_out b on b.id = c.break_out_id
                         where b.studio_id = :studio and b.state = 'done'
                        """, Integer.class)).isEqualTo(39);
        assertThat(one("""
                        select count(*) from casting c join break_out b on b.id = c.break_out_id
                         where b.studio_id = :studio and b.state = 'open'
                        """, Integer.class)).isEqualTo(7);
        Instant first = one("select min(begun_at) from break_out where studio_id = :studio", java.sql.Timestamp.class)
                .toInstant();
        Instant last = one("select max(begun_at) from break_out where studio_id = :studio", java.sql.Timestamp.class)
                .toInstant();
        assertThat(Duration.between(first, last).toDays()).isBetween(280L, 366L);
        assertThat(last).isBefore(Instant.now());
    }

    @Test
    void defectsAreOfManyKindsAndLieOnTheirCastings() {
        List<Map<String, Object>> pins =
                jdbc.sql("""
                        select e.fields->>'defect' as defect, (e.fields->>'x')::float as x, (e.fields->>'y')::float as y
                          from break_out_event e join break_out b on b.id = e.break_out_id
                         where b.studio_id = :studio and e.kind = 'pin'
                        """).param("studio", owner.studioId()).query().listOfRows();
        assertThat(pins.stream().map(p -> p.get("defect")).distinct())
                .contains("misrun", "cold-shut", "sunken", "shrinkage", "rough", "gas-hole", "tear");
        assertThat(pins).allSatisfy(p -> {
            assertThat((Double) p.get("x")).isBetween(0.0, 1.0);
            assertThat((Double) p.get("y")).isBetween(0.0, 1.0);
        });
    }

    @Test
    void everyPageOfTheLogHasSomethingToShow() throws Exception {
        assertThat(page("/log")).contains("Limpet", "silicon bronze").doesNotContain("No casting has been looked at");
        assertThat(page("/log/factors")).contains("castings behind it").doesNotContain("Nothing to compare yet");
        assertThat(page("/log/series")).contains("Limpet brooches, six").doesNotContain("No tree has been cast again");
        assertThat(page("/log/notes")).contains("a caster up the river");
        assertThat(page("/patinas")).doesNotContain("No recipe yet");
        assertThat(page("/breakout")).contains("Limpet brooches, six for the fair", "Sanderling, standing");
        assertThat(page("/log/map")).contains("<svg");
        assertThat(page("/log/cases")).doesNotContain("No case yet");
    }

    /** The forecast that stands beside each of them was made by somebody, so that a score can be shown. */
    @Test
    void somebodyForesawEachOfThem() {
        assertThat(one(
                        "select count(*) from forecast f join tree t on t.id = f.tree_id where t.studio_id = :studio",
                        Integer.class))
                .isGreaterThan(10);
    }

    /** Trees of a year ago do not stand among those in work. */
    @Test
    void whatIsOldIsPutAway() {
        assertThat(one("""
                        select count(*) from tree t join break_out b on b.tree_id = t.id
                         where t.studio_id = :studio and b.state = 'done' and t.archived_at is null
                        """, Integer.class)).isZero();
    }
}
