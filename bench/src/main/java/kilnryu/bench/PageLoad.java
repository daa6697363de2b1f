package kilnryu.bench;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Asks a running application for its pages as one browser would, over loopback, and prints a table of what was waited:
 * {@code PageLoad ADDRESS TREES}. Signs in as the demo account and copies its trees until there are enough.
 */
public final class PageLoad {
    private static final Pattern TOKEN = Pattern.compile("name=\"_csrf\" value=\"([^\"]+)\"");
    private static final int WARM_UP = 300;
    private static final int ASKED = 300;

    private final HttpClient http = HttpClient.newBuilder()
            .cookieHandler(new CookieManager())
            .followRedirects(HttpClient.Redirect.NORMAL)
            .build();
    private final String address;

    private PageLoad(String address) {
        this.address = address;
    }

    public static void main(String[] arguments) throws Exception {
        PageLoad load = new PageLoad(arguments[0]);
        load.signIn();
        load.fill(Integer.parseInt(arguments[1]));
        load.measure();
    }

    private interface Asking {
        void ask() throws IOException, InterruptedException;
    }

    private void signIn() throws IOException, InterruptedException {
        post("/login", Map.of("username", "demo", "password", "estuary", "_csrf", token("/login")));
        if (!get("/trees").contains("Sign out")) {
            throw new IllegalStateException("signing in as demo failed");
        }
    }

    private void fill(int trees) throws IOException, InterruptedException {
        String token = token("/trees/4/tree");
        for (int i = 4; i < trees; i++) {
            post("/trees/" + (1 + i % 4) + "/copy", Map.of("_csrf", token));
        }
    }

    private void measure() throws IOException, InterruptedException {
        Map<String, String> tree = new LinkedHashMap<>(
                Map.of("_csrf", token("/trees/4/tree"), "version", "1", "name", "Maple keys", "alloy", "ag-925"));
        for (int i = 0; i < 4; i++) {
            tree.put("parts[p" + i + "].material", "castable-resin");
            tree.put("parts[p" + i + "].how", "mass_g");
            tree.put("parts[p" + i + "].count", "6");
        }
        int[] typed = {0};
        for (int i = 0; i < WARM_UP; i++) {
            get("/trees/3/tree");
        }
        System.out.println("| what | median ms | 95th percentile ms | asked |");
        System.out.println("|---|---|---|---|");
        row("sheet's partial update, tree", () -> {
            for (int i = 0; i < 4; i++) {
                tree.put("parts[p" + i + "].mass_g", "0." + (600 + typed[0]++ % 300) + " g");
            }
            post("/trees/4/tree/try", tree);
        });
        row("page: tree", () -> get("/trees/3/tree"));
        row("page: mold", () -> get("/trees/3/mold"));
        row("page: firing", () -> get("/trees/3/firing"));
        row("page: list of trees", () -> get("/trees"));
        row("page: bench card", () -> get("/trees/3/card"));
        row("page: factors", () -> get("/factors"));
    }

    private static void row(String what, Asking asking) throws IOException, InterruptedException {
        for (int i = 0; i < WARM_UP; i++) {
            asking.ask();
        }
        List<Double> waited = new ArrayList<>();
        for (int i = 0; i < ASKED; i++) {
            long from = System.nanoTime();
            asking.ask();
            waited.add((System.nanoTime() - from) / 1e6);
        }
        waited.sort(null);
        System.out.printf(
                Locale.ROOT,
                "| %s | %.1f | %.1f | %d |%n",
                what,
                waited.get(ASKED / 2),
                waited.get((int) (ASKED * 0.95)),
                ASKED);
    }

    private String token(String page) throws IOException, InterruptedException {
        Matcher matcher = TOKEN.matcher(get(page));
        if (!matcher.find()) {
            throw new IllegalStateException("no form on " + page);
        }
        return matcher.group(1);
    }

    private String get(String path) throws IOException, InterruptedException {
        return send(HttpRequest.newBuilder(URI.create(address + path)).GET());
    }

    private void post(String path, Map<String, String> form) throws IOException, InterruptedException {
        String body = form.entrySet().stream()
                .map(e -> encoded(e.getKey()) + "=" + encoded(e.getValue()))
                .collect(Collectors.joining("&"));
        send(HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(body)));
    }

    private String send(HttpRequest.Builder request) throws IOException, InterruptedException {
        HttpResponse<String> answer = http.send(request.build(), HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() != 200) {
            throw new IllegalStateException(answer.uri() + " answered " + answer.statusCode());
        }
        return answer.body();
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }
}
