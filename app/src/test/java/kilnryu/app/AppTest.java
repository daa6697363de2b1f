package kilnryu.app;

import static kilnryu.app.Studio.as;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.Map;
import kilnryu.app.account.Account;
import kilnryu.app.account.AccountStore;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** The application on a real PostgreSQL, asked as a browser or a program would ask it. */
@SpringBootTest
@AutoConfigureMockMvc
abstract class AppTest {
    @Autowired
    MockMvc mvc;

    @Autowired
    AccountStore accounts;

    @Autowired
    PasswordEncoder passwords;

    Account owner;

    @BeforeEach
    void studio() {
        owner = Studio.owner(accounts, passwords);
    }

    static final Map<String, String> WAX = Map.of(
            "version", "0",
            "name", "Reed warbler",
            "alloy", "si-bronze",
            "parts[a].name", "bird",
            "parts[a].role", "piece",
            "parts[a].material", "injection-wax",
            "parts[a].how", "mass_g",
            "parts[a].mass_g", "96 g");

    static final Map<String, String> FLASK = Map.of(
            "version",
            "0",
            "inner_diameter_mm",
            "100 mm",
            "height_mm",
            "150",
            "system",
            "gypsum-jewelry",
            "tree_width_mm",
            "70",
            "tree_height_mm",
            "110");

    static final Map<String, String> KILN = Map.of(
            "version",
            "0",
            "name",
            "brick kiln",
            "plan",
            "round",
            "width_mm",
            "460",
            "height_mm",
            "450",
            "control",
            "ramp",
            "power_kW",
            "6",
            "max_C",
            "1150",
            "to_700_min",
            "70");

    MockHttpServletResponse send(Account account, String address, Map<String, String> form) throws Exception {
        MockHttpServletRequestBuilder request = post(address).with(as(account)).with(csrf());
        form.forEach(request::param);
        return mvc.perform(request).andReturn().getResponse();
    }

    /** As it is read: where a line of its source breaks does not matter. */
    String page(Account account, String address) throws Exception {
        return read(account, address).getContentAsString().replaceAll("\\s+", " ");
    }

    MockHttpServletResponse read(Account account, String address) throws Exception {
        return mvc.perform(get(address).with(as(account))).andReturn().getResponse();
    }

    /** Saves a tree and gives its number. */
    long tree(Account account, Map<String, String> fields) throws Exception {
        String to = send(account, "/trees/0/tree", fields).getRedirectedUrl();
        return Long.parseLong(to.replaceAll("\\D+(\\d+).*", "$1"));
    }

    MockHttpServletResponse upload(Account account, String to, String field, String name, byte[] file)
            throws Exception {
        return mvc.perform(multipart(to)
                        .file(new MockMultipartFile(field, name, "application/octet-stream", file))
                        .with(as(account))
                        .with(csrf()))
                .andReturn()
                .getResponse();
    }
}
