package kilnryu.app.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import kilnryu.app.account.AccountStore;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.crypto.password.PasswordEncoder;

/** Two applications on one database: whoever is asked, it is one studio. */
class TwoNodesIT {
    private static final String PASSWORD = "eel ladle fog cobalt";
    private static Running one;
    private static Running two;

    private HttpClient browser;
    private String login;

    @BeforeAll
    static void start() {
        one = new Running();
        two = new Running();
    }

    @AfterAll
    static void stop() {
        one.close();
        two.close();
    }

    /** A studio of its own, signed in at the first. */
    private void signIn() throws Exception {
        login = "node" + System.nanoTime();
        one.bean(AccountStore.class)
                .createWithStudio(new AccountStore.NewOwner(
                        "Two Piers",
                        "Europe/Lisbon",
                        login,
                        one.bean(PasswordEncoder.class).encode(PASSWORD),
                        "Pier",
                        false));
        browser = HttpClient.newBuilder()
                .cookieHandler(new CookieManager())
                .connectTimeout(Duration.ofSeconds(10))
                .build();
        assertThat(send(one, "/login", Map.of("username", login, "password", PASSWORD))
                        .statusCode())
                .isEqualTo(302);
    }

    private HttpResponse<String> get(Running node, String address) throws Exception {
        return browser.send(
                HttpRequest.newBuilder(URI.create(node.address() + address)).build(),
                HttpResponse.BodyHandlers.ofString());
    }

    private HttpResponse<String> send(Running node, String address, Map<String, String> form) throws Exception {
        return browser.send(request(node, address, form), HttpResponse.BodyHandlers.ofString());
    }

    private HttpRequest request(Running node, String address, Map<String, String> form) throws Exception {
        Matcher token = Pattern.compile("name=\"_csrf\" value=\"([^\"]+)\"")
                .matcher(get(node, "/login").body());
        assertThat(token.find()).isTrue();
        Map<String, String> all = new LinkedHashMap<>(form);
        all.put("_csrf", token.group(1));
        String body = all.entrySet().stream()
                .map(e -> URLEncoder.encode(e.getKey(), StandardCharsets.UTF_8) + "="
                        + URLEncoder.encode(e.getValue(), StandardCharsets.UTF_8))
                .collect(Collectors.joining("&"));
        return HttpRequest.newBuilder(URI.create(node.address() + address))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build();
    }

    private List<Integer> atOnce(List<HttpRequest> requests) {
        List<CompletableFuture<Integer>> answers = requests.stream()
                .map(r -> browser.sendAsync(r, HttpResponse.BodyHandlers.ofString())
                        .thenApply(HttpResponse::statusCode))
                .toList();
        return answers.stream().map(CompletableFuture::join).toList();
    }

    private static String address(HttpResponse<String> answer) {
        assertThat(answer.statusCode()).isEqualTo(302);
        return URI.create(answer.headers().firstValue("Location").orElseThrow()).getPath();
    }

    private static long count(String what, Object value) {
        return one.bean(JdbcClient.class)
                .sql("select count(*) from " + what)
                .param(value)
                .query(Long.class)
                .single();
    }

    private static long number(String address) {
        return Long.parseLong(address.replaceAll("\\D+(\\d+).*", "$1"));
    }

    private long tree() throws Exception {
        return number(address(send(
                one,
                "/trees/0/tree",
                Map.of(
                        "version", "0",
                        "name", "Reed warbler",
                        "alloy", "si-bronze",
                        "parts[a].name", "bird",
                        "parts[a].material", "injection-wax",
                        "parts[a].mass_g", "96 g"))));
    }

    @Test
    void signedInAtOneIsSignedInAtTheOther() throws Exception {
        signIn();
        assertThat(get(two, "/trees").statusCode()).isEqualTo(200);
        assertThat(get(two, "/account").body()).contains("Signed in", "Two Piers");
        // units chosen there are shown here
        assertThat(send(two, "/account/units", Map.of("system", "IMPERIAL")).statusCode())
                .isEqualTo(302);
        assertThat(get(one, "/trees").body()).contains("oz · in · °F");
        // signed out at the one, out at both
        assertThat(send(one, "/logout", Map.of()).statusCode()).isEqualTo(302);
        assertThat(get(two, "/trees").statusCode()).isEqualTo(302);
    }

    /** Requests of one session at once, at both: none fails. */
    @Test
    void oneSessionAtOnce() throws Exception {
        signIn();
        for (int round = 0; round < 4; round++) {
            List<HttpRequest> requests = new ArrayList<>();
            for (int i = 0; i < 8; i++) {
                requests.add(request(
                        i % 2 == 0 ? one : two,
                        "/account/units",
                        Map.of("system", i % 3 == 0 ? "METRIC" : "IMPERIAL")));
            }
            assertThat(atOnce(requests)).containsOnly(302);
        }
        assertThat(get(one, "/trees").statusCode()).isEqualTo(200);
    }

    @Test
    void aFormSentToBothCountsOnce() throws Exception {
        signIn();
        Map<String, String> tree = new LinkedHashMap<>(Map.of("version", "0", "name", "Egret", "alloy", "si-bronze"));
        tree.putAll(Map.of("parts[a].material", "injection-wax", "parts[a].mass_g", "50 g", "_once", "pier-1"));
        List<HttpRequest> requests = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            requests.add(request(i % 2 == 0 ? one : two, "/trees/0/tree", tree));
        }
        assertThat(atOnce(requests)).containsOnly(302);
        assertThat(count("tree t join account a on a.studio_id = t.studio_id where a.login = ?", login))
                .isEqualTo(1);
    }

    @Test
    void dipsAtBoth() throws Exception {
        signIn();
        long tree = tree();
        send(
                two,
                "/trees/" + tree + "/mold",
                Map.of("version", "0", "mold_kind", "shell", "tree_width_mm", "70", "tree_height_mm", "110"));
        String shell = address(send(one, "/trees/" + tree + "/shell/begin", Map.of("rack", "rack A")));
        List<HttpRequest> taps = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            taps.add(request(i % 2 == 0 ? one : two, shell + "/dip", Map.of("on", "0")));
        }
        assertThat(atOnce(taps)).containsOnly(302);
        assertThat(count("dip where run_id = ?", number(shell))).isEqualTo(1);
        assertThat(get(two, shell).body()).contains("<b>1</b> of <span>7</span> coats");
        get(one, "/shells");
        // who comes late is told, once, at whichever is asked next
        assertThat(address(send(two, shell + "/dip", Map.of("on", "0")))).isEqualTo("/shells");
        assertThat(get(one, "/shells").body()).contains("Nothing was logged: one coat is on by now");
        assertThat(get(one, "/shells").body()).doesNotContain("Nothing was logged");
    }

    /** Started at both at once it starts once; the readings come in once, and both show them. */
    @Test
    void aFiringAtBoth() throws Exception {
        signIn();
        long tree = tree();
        send(
                one,
                "/trees/" + tree + "/mold",
                Map.of(
                        "version", "0",
                        "inner_diameter_mm", "100 mm",
                        "height_mm", "150",
                        "system", "gypsum-jewelry",
                        "tree_width_mm", "70",
                        "tree_height_mm", "110"));
        String load = address(send(
                two, "/firings/0/load", Map.of("version", "0", "name", "Ebb tide", "molds[" + tree + "].in", "yes")));
        String firing = "/firings/" + number(load);
        List<HttpRequest> starts = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            starts.add(request(i % 2 == 0 ? one : two, firing + "/start", Map.of("ready", "on", "even_so", "on")));
        }
        assertThat(atOnce(starts)).containsOnly(302);
        assertThat(count("firing_event where kind = 'started' and firing_id = ?", number(firing)))
                .isEqualTo(1);
        send(two, firing + "/stand-in/speed", Map.of("times", "120"));
        long end = System.nanoTime() + Duration.ofSeconds(60).toNanos();
        while (count("firing_sample where firing_id = ?", number(firing)) < 5 && System.nanoTime() < end) {
            Thread.sleep(200);
        }
        assertThat(count("firing_sample where firing_id = ?", number(firing))).isGreaterThanOrEqualTo(5);
        assertThat(get(one, firing + "/run").body()).contains("Ebb tide");
        assertThat(get(two, firing + "/live").statusCode()).isEqualTo(200);
        // what one writes down the other shows
        send(one, firing + "/note", Map.of("note", "smelt of wax"));
        assertThat(get(two, firing + "/run").body()).contains("smelt of wax");
        // a live page at the other hears of it
        HttpResponse<java.util.stream.Stream<String>> events = browser.send(
                HttpRequest.newBuilder(URI.create(two.address() + firing + "/events"))
                        .build(),
                HttpResponse.BodyHandlers.ofLines());
        try (java.util.stream.Stream<String> lines = events.body()) {
            assertThat(lines.filter(l -> l.startsWith("data:") || l.startsWith("event:"))
                            .findFirst())
                    .isPresent();
        }
        List<HttpRequest> ends = List.of(
                request(one, firing + "/end", Map.of("as", "poured")),
                request(two, firing + "/end", Map.of("as", "poured")));
        assertThat(atOnce(ends)).containsOnly(302);
        assertThat(count("firing_event where kind = 'ended' and firing_id = ?", number(firing)))
                .isEqualTo(1);
    }

    /** Work in the background is done once, by whichever takes it. */
    @Test
    void aJobIsDoneOnce() throws Exception {
        signIn();
        String piece = address(send(one, "/pieces/0", Map.of("version", "0", "name", "Cockle", "count", "1")));
        String stl = "solid c\n" + facets() + "endsolid c\n";
        String boundary = "pier";
        Matcher token = Pattern.compile("name=\"_csrf\" value=\"([^\"]+)\"")
                .matcher(get(two, "/login").body());
        assertThat(token.find()).isTrue();
        String body = "--" + boundary + "\r\nContent-Disposition: form-data; name=\"_csrf\"\r\n\r\n" + token.group(1)
                + "\r\n--" + boundary
                + "\r\nContent-Disposition: form-data; name=\"mesh\"; filename=\"cockle.stl\"\r\nContent-Type: model/stl\r\n\r\n"
                + stl + "\r\n--" + boundary + "--\r\n";
        HttpResponse<String> sent = browser.send(
                HttpRequest.newBuilder(URI.create(two.address() + "/pieces/" + number(piece) + "/mesh?_csrf="
                                + URLEncoder.encode(token.group(1), StandardCharsets.UTF_8)))
                        .header("Content-Type", "multipart/form-data; boundary=" + boundary)
                        .POST(HttpRequest.BodyPublishers.ofString(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        assertThat(sent.statusCode()).isEqualTo(302);
        long end = System.nanoTime() + Duration.ofSeconds(60).toNanos();
        while (count("mesh where state = 'measured' and piece_id = ?", number(piece)) == 0 && System.nanoTime() < end) {
            Thread.sleep(200);
        }
        assertThat(count("mesh where state = 'measured' and piece_id = ?", number(piece)))
                .isEqualTo(1);
        assertThat(get(one, "/pieces/" + number(piece)).body()).contains("cockle.stl");
    }

    /** A tetrahedron of 20 mm. */
    /** A pour day on both: every tap once, wherever it was taken in, and both show the same. */
    @Test
    void tapsOfAPourAtBoth() throws Exception {
        signIn();
        send(
                one,
                "/furnaces/0",
                Map.of("kind", "furnace", "name", "pier furnace", "power_kW", "6", "heating", "gas", "max_C", "1300"));
        send(two, "/furnaces/0", Map.of("kind", "crucible", "name", "pier pot", "capacity_cm3", "900"));
        send(one, "/metal/0", Map.of("name", "ingots", "kind", "ingot", "make_up", "si-bronze", "mass_g", "9 kg"));
        long tree = tree();
        send(
                two,
                "/trees/" + tree + "/mold",
                Map.of("version", "0", "mold_kind", "shell", "tree_width_mm", "70", "tree_height_mm", "110"));
        String pour = address(send(one, "/pours/new", Map.of("tree", "" + tree, "name", "Pier pour")));
        Matcher reason = Pattern.compile("name=\"(reason\\[[^\"]+\\])\"")
                .matcher(get(two, pour + "/day").body());
        Map<String, String> begin = new LinkedHashMap<>();
        while (reason.find()) {
            begin.put(reason.group(1), "tried before");
        }
        assertThat(address(send(two, pour + "/begin", begin))).isEqualTo(pour + "/day");
        List<HttpRequest> taps = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            taps.add(request(
                    i % 2 == 0 ? one : two,
                    pour + "/tap",
                    Map.of("kind", "tick", "value", "charge-dry", "key", "tap-" + i / 4)));
        }
        assertThat(atOnce(taps)).containsOnly(302);
        assertThat(count("pour_event where kind = 'tick' and pour_id = ?", number(pour)))
                .isEqualTo(1);
        // two keys, so one of them came late: on record, too
        assertThat(count("pour_event where kind = 'refused' and pour_id = ?", number(pour)))
                .isEqualTo(1);
        for (Running node : List.of(one, two)) {
            assertThat(get(node, pour + "/day").body()).contains("Next: Furnace on, crucible looked at");
        }
    }

    private static String facets() {
        int[][] p = {{0, 0, 0}, {20, 0, 0}, {0, 20, 0}, {0, 0, 20}};
        int[][] f = {{0, 2, 1}, {0, 1, 3}, {1, 2, 3}, {0, 3, 2}};
        StringBuilder text = new StringBuilder();
        for (int[] t : f) {
            text.append("facet normal 0 0 0\nouter loop\n");
            for (int v : t) {
                text.append("vertex ")
                        .append(p[v][0])
                        .append(' ')
                        .append(p[v][1])
                        .append(' ')
                        .append(p[v][2])
                        .append('\n');
            }
            text.append("endloop\nendfacet\n");
        }
        return text.toString();
    }
}
