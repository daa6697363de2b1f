package kilnryu.app.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Proxy;
import java.sql.Connection;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import javax.sql.DataSource;
import kilnryu.app.account.Account;
import kilnryu.app.account.AccountStore;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Import;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** How many statements every page asks of the database, with one demo studio and with as much again: what grows is asked row by row. */
@SpringBootTest
@AutoConfigureMockMvc
@Import(StatementsTest.Counting.class)
class StatementsTest {
    /** Of the thread that asks: what works in the background is not the page's. */
    private static final ThreadLocal<List<String>> STATEMENTS = ThreadLocal.withInitial(ArrayList::new);

    /** Counts what is prepared on any connection. */
    @TestConfiguration
    static class Counting {
        @Bean
        static BeanPostProcessor counted() {
            return new BeanPostProcessor() {
                @Override
                public Object postProcessAfterInitialization(Object bean, String name) {
                    return bean instanceof DataSource source ? proxy(DataSource.class, source) : bean;
                }
            };
        }

        private static <T> T proxy(Class<T> as, T real) {
            return as.cast(Proxy.newProxyInstance(
                    StatementsTest.class.getClassLoader(), new Class<?>[] {as}, (self, method, arguments) -> {
                        if (method.getName().equals("prepareStatement")) {
                            STATEMENTS.get().add(((String) arguments[0]).strip().replaceAll("\\s+", " "));
                        }
                        try {
                            Object answer = method.invoke(real, arguments);
                            return answer instanceof Connection c ? proxy(Connection.class, c) : answer;
                        } catch (InvocationTargetException e) {
                            throw e.getCause();
                        }
                    }));
        }
    }

    @Autowired
    MockMvc mvc;

    @Autowired
    AccountStore accounts;

    @Autowired
    DemoLoader demo;

    @Autowired
    JdbcClient jdbc;

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    RequestMappingHandlerMapping mappings;

    private Account owner;

    /** No page asks more than this, with twice the demo studio. */
    private static final int MOST = 14;

    /** Today gathers eleven kinds of work, each by a question or two of its own; none of them for each row. */
    private static final Map<String, Integer> GATHERS = Map.of("/", 28, "/today/inside", 28);

    private static final Map<String, String> TABLES = new LinkedHashMap<>();

    static {
        TABLES.put("/kilns/programs/", "own_program");
        TABLES.put("/waxes/pots/", "wax_pot");
        TABLES.put("/waxes/rounds/", "injection_round");
        TABLES.put("/shells/recipes/", "shell_recipe");
        TABLES.put("/shells/tanks/", "slurry_tank");
        TABLES.put("/mixing/", "mix_session");
        TABLES.put("/log/cases/", "tree");
        TABLES.put("/log/series/", "tree");
        TABLES.put("/shells/", "shell_run");
        TABLES.put("/firings/", "firing");
        TABLES.put("/trees/", "tree");
        TABLES.put("/pieces/", "piece");
        TABLES.put("/kilns/", "kiln");
        TABLES.put("/pours/", "pour");
        TABLES.put("/furnaces/", "melter");
        TABLES.put("/metal/", "metal_lot");
        TABLES.put("/blends/", "blend");
        TABLES.put("/sand/", "sand_mold");
        TABLES.put("/schools/", "school");
        TABLES.put("/rubber/", "rubber_mold");
        TABLES.put("/waxes/", "wax");
    }

    private MockHttpServletResponse ask(String address) throws Exception {
        return mvc.perform(MockMvcRequestBuilders.get(address)
                        .with(SecurityMockMvcRequestPostProcessors.authentication(
                                UsernamePasswordAuthenticationToken.authenticated(
                                        owner, null, AuthorityUtils.createAuthorityList("ROLE_OWNER")))))
                .andReturn()
                .getResponse();
    }

    private List<String> addresses() {
        List<String> all = new ArrayList<>();
        for (RequestMappingInfo info : mappings.getHandlerMethods().keySet()) {
            if (info.getMethodsCondition().getMethods().contains(RequestMethod.GET)
                    && info.getPathPatternsCondition() != null) {
                info.getPathPatternsCondition().getPatternValues().forEach(p -> address(p, all));
            }
        }
        return all;
    }

    private void address(String pattern, List<String> all) {
        String one = pattern.replace("{of:trees|mixing}", "trees").replace("{stage:tree|gating|mold|firing}", "mold");
        if (one.startsWith("/breakout/{tree")) {
            one = one.replaceFirst("\\{tree[^}]*}", number("select min(tree_id) from break_out where studio_id = ?"));
        }
        for (Map.Entry<String, String> t : TABLES.entrySet()) {
            if (one.startsWith(t.getKey() + "{")) {
                one = one.replaceFirst(
                        "\\{[^}]*}", number("select min(id) from " + t.getValue() + " where studio_id = ?"));
                break;
            }
        }
        if (!one.contains("{") && !one.matches(".*(events|live|pdf|/api/.*|actuator.*)")) {
            all.add(one);
        }
    }

    private String number(String sql) {
        return String.valueOf(jdbc.sql(sql)
                .param(owner.studioId())
                .query(Long.class)
                .optional()
                .orElse(0L));
    }

    private Map<String, Integer> counts() throws Exception {
        Map<String, Integer> counts = new TreeMap<>();
        for (String address : addresses()) {
            ask(address);
            STATEMENTS.get().clear();
            int status = ask(address).getStatus();
            if (status == 200) {
                counts.put(address, STATEMENTS.get().size());
            }
        }
        return counts;
    }

    /** What is reckoned beside a page, such as the hours of a load, makes it ask more until it is there: it is waited for. */
    private int settled(String address, int first, int most) throws Exception {
        int n = first;
        for (int i = 0; i < 40 && n > most; i++) {
            Thread.sleep(500);
            STATEMENTS.get().clear();
            ask(address);
            n = Math.min(n, STATEMENTS.get().size());
        }
        return n;
    }

    @Test
    void noPageAsksRowByRow() throws Exception {
        owner = accounts.createWithStudio(new AccountStore.NewOwner(
                "Mudflat Castings", "Europe/Lisbon", "count" + UUID.randomUUID(), "no password", "Demo", false));
        demo.load(owner);
        Map<String, Integer> once = counts();
        demo.load(owner);
        Map<String, Integer> twice = counts();
        assertThat(twice).hasSizeGreaterThan(60);
        List<String> grown = new ArrayList<>();
        for (Map.Entry<String, Integer> page : twice.entrySet()) {
            int before = once.getOrDefault(page.getKey(), page.getValue());
            int most = Math.min(before, GATHERS.getOrDefault(page.getKey(), MOST));
            int n = settled(page.getKey(), page.getValue(), most);
            if (n > most) {
                grown.add(page.getKey() + ": " + before + " statements, with as much again " + n + ":\n  "
                        + String.join("\n  ", STATEMENTS.get()));
            }
        }
        assertThat(grown).isEmpty();
    }
}
