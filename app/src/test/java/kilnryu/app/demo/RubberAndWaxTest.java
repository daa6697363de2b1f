package kilnryu.app.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import kilnryu.app.account.Account;
import kilnryu.app.account.AccountStore;
import kilnryu.app.rubber.RubberStore;
import kilnryu.app.wax.WaxStore;
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

/** The invented mold of the tern with its two waxes: what its pages tell. */
@SpringBootTest
@AutoConfigureMockMvc
class RubberAndWaxTest {
    @Autowired
    MockMvc mvc;

    @Autowired
    AccountStore accounts;

    @Autowired
    RubberAndWax demo;

    @Autowired
    RubberStore molds;

    @Autowired
    WaxStore waxes;

    @Autowired
    JdbcClient jdbc;

    private Account owner;

    @BeforeEach
    void theTern() {
        owner = accounts.createWithStudio(new AccountStore.NewOwner(
                "Mudflat Castings", "Europe/Lisbon", "wax" + UUID.randomUUID(), "no password", "Demo", false));
        long piece = jdbc.sql("""
                        insert into piece (studio_id, name, fields, version, created_at, updated_at)
                        values (?, 'Tern', '{"name": "Tern"}', 1, now(), now()) returning id
                        """).param(owner.studioId()).query(Long.class).single();
        demo.load(owner, piece);
    }

    private String page(String address) throws Exception {
        return mvc.perform(MockMvcRequestBuilders.get(address)
                        .with(SecurityMockMvcRequestPostProcessors.authentication(
                                UsernamePasswordAuthenticationToken.authenticated(
                                        owner, null, AuthorityUtils.createAuthorityList("ROLE_OWNER")))))
                .andReturn()
                .getResponse()
                .getContentAsString();
    }

    @Test
    void theMoldIsCuredWithOneLateCoatAndTwoPulls() throws Exception {
        long mold = molds.list(owner.studioId(), false, 9).get(0).id();
        assertThat(page("/rubber/" + mold))
                // 14 h between the third coat and the fourth, of 9.8 h in which it is tacky at 20 C
                .contains("Coat 4 went onto rubber that was cured.")
                .doesNotContain("Coat 3 went onto rubber that was cured.");
        assertThat(page("/rubber/" + mold + "/bench")).contains("2 of 2", "2 pulls of 30 to 50");
    }

    @Test
    void oneWaxIsSignedOffAndTheOtherHasAThinWing() throws Exception {
        assertThat(page("/waxes")).contains("Tern, body, 1", "signed off", "Tern, body, 2");
        var all = waxes.list(owner.studioId(), false, 9);
        assertThat(all).hasSize(2);
        assertThat(page("/waxes/" + all.get(0).id() + "/bench")).contains("by Demo");
        assertThat(page("/waxes/" + all.get(1).id() + "/bench"))
                .contains("1.6 mm, left wing", "To mend", "Wall, against the light");
    }
}
