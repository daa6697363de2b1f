package kilnryu.bench;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Asks a running application for its pages as one browser would, over loopback, and writes what was waited as rows:
 * {@code PageLoad ADDRESS TREES ROWS.csv [pages|years]}, with a fourth word the pages alone, or those of ten years of records (see
 * {@code ten-years.sql}). Signs in as the demo account and copies its trees until there are enough.
 */
public final class PageLoad {
    private static final Pattern TOKEN = Pattern.compile("name=\"_csrf\" value=\"([^\"]+)\"");
    private static final int WARM_UP = 300;
    private static final int ASKED = 300;
    private static final Pattern ASKED_FOR = Pattern.compile(" \\((?:diagnosis )?asked (\\d+)\\)");
    /** What a page may take, ms. */
    private static final double A_PAGE = 50;

    private static final int CLIENTS = 32;
    /** Pages of a studio with ten years of records. */
    private static final List<String> YEARS = List.of(
            "/",
            "/trees",
            "/trees?page=40",
            "/pieces",
            "/waxes",
            "/firings",
            "/firings?page=60",
            "/kilns",
            "/kilns/1",
            "/shells",
            "/shells/calendar",
            "/shells/tanks",
            "/shells/tanks/1",
            "/mixing",
            "/pours",
            "/breakout",
            "/log",
            "/log/factors",
            "/log/against",
            "/log/map",
            "/log/series",
            "/factors",
            "/equipment",
            "/metal",
            "/trees/3/tree",
            "/trees/4/gating",
            "/trees/3/mold",
            "/trees/3/firing",
            "/trees/3/card");

    private final HttpClient http = HttpClient.newBuilder()
            .cookieHandler(new CookieManager())
            .followRedirects(HttpClient.Redirect.NORMAL)
            .build();
    private final String address;
    private final Rows rows;
    private int first;

    private PageLoad(String address, Rows rows) {
        this.address = address;
        this.rows = rows;
    }

    public static void main(String[] arguments) throws Exception {
        PageLoad load = new PageLoad(arguments[0], new Rows(Path.of(arguments[2])));
        load.signIn();
        String only = arguments.length > 3 ? arguments[3] : "";
        if (only.equals("years")) {
            load.warmUp();
            load.years();
            return;
        }
        load.fill(Integer.parseInt(arguments[1]));
        if (only.equals("pages")) {
            load.warmUp();
            load.pages();
        } else {
            load.measure();
        }
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
            String copy = post("/trees/" + (1 + i % 4) + "/copy", Map.of("_csrf", token));
            Matcher at = i == 4 ? Pattern.compile("/trees/(\\d+)/").matcher(copy) : null;
            while (at != null && at.find()) {
                first = Math.max(first, Integer.parseInt(at.group(1)));
            }
        }
        System.err.println("the first copy is tree " + first);
    }

    /** Copies of the tree of 24 broken out until so many castings were looked at, a few of them misrun. */
    private void castings(int castings) throws IOException, InterruptedException {
        String token = token("/trees/4/tree");
        for (int i = 0; i * 24 < castings; i++) {
            int tree = first + 3 + 4 * i;
            post("/breakout/" + tree + "/begin", Map.of("_csrf", token));
            tap(tree, token, Map.of("kind", "good", "casting", "1", "saw", "unseen"));
            tap(tree, token, Map.of("kind", "mend", "casting", "1", "saw", "good"));
            tap(
                    tree,
                    token,
                    Map.of(
                            "kind",
                            "pin",
                            "casting",
                            "1",
                            "defect",
                            "misrun",
                            "x",
                            "0.5",
                            "y",
                            "0.5",
                            "place-thin",
                            "yes"));
            tap(tree, token, Map.of("kind", "all-good"));
            tap(tree, token, Map.of("kind", "mass", "what", "cast", "value", (240 + i % 7) + " g"));
        }
    }

    private void tap(int tree, String token, Map<String, String> fields) throws IOException, InterruptedException {
        Map<String, String> all = new LinkedHashMap<>(fields);
        all.put("_csrf", token);
        post("/breakout/" + tree + "/tap", all);
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
        warmUp();
        row("sheet's partial update, tree", () -> {
            for (int i = 0; i < 4; i++) {
                tree.put("parts[p" + i + "].mass_g", "0." + (600 + typed[0]++ % 300) + " g");
            }
            post("/trees/4/tree/try", tree);
        });
        Map<String, String> builder = builder(tree.get("_csrf"));
        row("builder's update, tree of 60 pieces", () -> {
            builder.put("parts[gate].at_mm", (30 + typed[0]++ % 20) + " mm");
            post("/trees/4/gating/try", builder);
        });
        String firing = sixFlasks(tree.get("_csrf"));
        Map<String, String> program = new LinkedHashMap<>(Map.of("_csrf", tree.get("_csrf"), "program_is", "typed"));
        String[][] lines = {{"150", "150", "540"}, {"75", "280", ""}, {"150", "730", "150"}, {"150", "540", "90"}};
        for (int i = 0; i < lines.length; i++) {
            program.put("program[k" + (i + 1) + "].rate", lines[i][0] + " K/h");
            program.put("program[k" + (i + 1) + "].target_C", lines[i][1] + " °C");
            program.put("program[k" + (i + 1) + "].hold_min", lines[i][2].isEmpty() ? "" : lines[i][2] + " min");
        }
        row("a corner dragged, six flasks: its curve (asked 150)", 40, () -> {
            program.put("program[k1].hold_min", (500 + 5 * (typed[0]++ % 20)) + " min");
            post(firing + "/curve", program);
        });
        row("a corner dragged, six flasks: curve, table and checks", 40, () -> {
            program.put("program[k1].hold_min", (500 + 5 * (typed[0]++ % 20)) + " min");
            post(firing + "/try", program);
        });
        row(
                "a corner dragged in a browser, six flasks: from letting go to the picture (asked 150)",
                DragLoad.measure(address, firing));
        row("page: program of six flasks", 40, () -> get(firing));
        million(firing, tree.get("_csrf"));
        pages();
    }

    private void warmUp() throws IOException, InterruptedException {
        for (int i = 0; i < WARM_UP; i++) {
            get("/trees/3/tree");
        }
    }

    private void pages() throws IOException, InterruptedException {
        row("page: tree", () -> get("/trees/3/tree"));
        row("page: gating", () -> get("/trees/4/gating"));
        row("page: piece with a mesh", () -> get("/pieces/3"));
        row("page: mold", () -> get("/trees/3/mold"));
        row("page: firing", () -> get("/trees/3/firing"));
        row("page: today (asked 50)", () -> get("/"));
        row("page: list of trees (asked 50)", () -> get("/trees"));
        row("page: list of trees, searched by a commission (asked 50)", () -> get("/trees?q=garden"));
        row("page: list of pieces (asked 50)", () -> get("/pieces"));
        row("page: list of firings (asked 50)", () -> get("/firings"));
        row("page: bench card", () -> get("/trees/3/card"));
        row("page: factors", () -> get("/factors"));
        row("page: list of molds, pots and waxes (asked 50)", () -> get("/waxes"));
        row("page: mold of rubber, parted on its mesh (asked 50)", () -> get("/rubber/1"));
        row("page: wax in two layers (asked 50)", () -> get("/waxes/1"));
        row("page: bench of a wax with its walls (asked 50)", () -> get("/waxes/2/bench"));
        row("page: pot of wax (asked 50)", () -> get("/waxes/pots/1"));
        castings(5000);
        row("page: log with 5000 castings (asked 100)", () -> get("/log"));
        row("page: log by piece (asked 100)", () -> get("/log?by=piece"));
        row("page: own factors with 5000 castings (asked 100)", () -> get("/log/factors"));
        row("page: where it fails, on the outline (asked 100)", () -> get("/log/map"));
        row("page: list of break-outs", () -> get("/breakout"));
        int opened = first + 3;
        row("page: break-out of 24 with its diagnosis (diagnosis asked 50)", () -> get("/breakout/" + opened));
    }

    /** Each page for one client, then some of them for as many at once. */
    private void years() throws IOException, InterruptedException {
        for (String page : YEARS) {
            row("ten years: " + page + " (asked 50)", 40, () -> get(page));
        }
        for (String page : List.of("/", "/trees", "/firings", "/shells")) {
            together(page);
        }
    }

    /** So many clients ask at once, each ten times: what one of them waits, which should be no more than so many times as long. */
    private void together(String page) throws IOException, InterruptedException {
        List<Double> alone = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            alone.add(waited(page));
        }
        double median = alone.stream().sorted().toList().get(10);
        ExecutorService clients = Executors.newFixedThreadPool(CLIENTS);
        try {
            List<Future<List<Double>>> all = new ArrayList<>();
            for (int c = 0; c < CLIENTS; c++) {
                all.add(clients.submit(() -> {
                    List<Double> waited = new ArrayList<>();
                    for (int i = 0; i < 10; i++) {
                        waited.add(waited(page));
                    }
                    return waited;
                }));
            }
            List<Double> waited = new ArrayList<>();
            for (Future<List<Double>> one : all) {
                waited.addAll(one.get());
            }
            row(
                    "ten years, " + CLIENTS + " clients at once: " + page + " (asked " + Math.round(median * CLIENTS)
                            + ")",
                    waited);
        } catch (ExecutionException e) {
            throw new IOException(e);
        } finally {
            clients.shutdownNow();
        }
    }

    private double waited(String page) throws IOException, InterruptedException {
        long from = System.nanoTime();
        get(page);
        return (System.nanoTime() - from) / 1e6;
    }

    /** Six flasks of different width in the demo's kiln; gives the firing's address. */
    private String sixFlasks(String token) throws IOException, InterruptedException {
        Map<String, String> load =
                new LinkedHashMap<>(Map.of("_csrf", token, "version", "0", "name", "Six flasks", "kiln", "1"));
        for (int i = 0; i < 6; i++) {
            int tree = first + 10 + i;
            Map<String, String> mold = new LinkedHashMap<>(Map.of(
                    "_csrf",
                    token,
                    "version",
                    "1",
                    "mold_kind",
                    "flask",
                    "system",
                    "gypsum-jewelry",
                    "height_mm",
                    "120"));
            mold.put("inner_diameter_mm", String.valueOf(60 + 8 * i));
            post("/trees/" + tree + "/mold", mold);
            load.put("molds[" + tree + "].in", "yes");
        }
        Matcher at = Pattern.compile("action=\"(/firings/\\d+)\"").matcher(post("/firings/0/load", load));
        if (!at.find()) {
            throw new IllegalStateException("the firing of six flasks was not saved");
        }
        return at.group(1);
    }

    /** A log of a million readings, taken in once and drawn. */
    private void million(String firing, String token) throws IOException, InterruptedException {
        post(firing + "/start", Map.of("_csrf", token, "ready", "on", "even_so", "on"));
        post(firing + "/end", Map.of("_csrf", token, "as", "for the log"));
        StringBuilder csv = new StringBuilder("seconds,kiln °C\n");
        for (int i = 0; i < 1_000_000; i++) {
            double second = i * 0.07;
            csv.append(String.format(
                    Locale.ROOT, "%.2f,%.1f%n", second, Math.min(730, 20 + second / 60) + (i == 777_777 ? 90 : 0)));
        }
        String edge = "----kilnryu";
        String body = part(edge, "_csrf", token) + part(edge, "from", "first") + "--" + edge
                + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\"log.csv\"\r\nContent-Type: text/csv\r\n\r\n"
                + csv + "\r\n--" + edge + "--\r\n";
        long began = System.nanoTime();
        HttpResponse<String> taken = http.send(
                HttpRequest.newBuilder(URI.create(address + firing + "/log"))
                        .header("Content-Type", "multipart/form-data; boundary=" + edge)
                        .POST(HttpRequest.BodyPublishers.ofString(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        if (!taken.body().contains("1,000,000 readings")) {
            throw new IllegalStateException("the log of a million readings was not taken in: " + taken.statusCode());
        }
        row("a log of a million readings taken in, once", List.of((System.nanoTime() - began) / 1e6));
        row("log of a million readings drawn (asked 1000)", 10, () -> get(firing + "/log"));
    }

    private static String part(String edge, String name, String value) {
        return "--" + edge + "\r\nContent-Disposition: form-data; name=\"" + name + "\"\r\n\r\n" + value + "\r\n";
    }

    /** Sixty leaves in fifteen rings, each with its gate. */
    private static Map<String, String> builder(String token) {
        Map<String, String> form =
                new LinkedHashMap<>(Map.of("_csrf", token, "version", "1", "name", "Sixty leaves", "alloy", "ag-925"));
        part(
                form,
                "cup",
                "cup",
                "cone",
                "cone.top_diameter_mm",
                "40",
                "cone.bottom_diameter_mm",
                "14",
                "cone.length_mm",
                "25");
        part(
                form,
                "sprue",
                "sprue",
                "rod",
                "rod.diameter_mm",
                "10",
                "rod.length_mm",
                "260",
                "joins",
                "cup",
                "at_mm",
                "25",
                "tilt_deg",
                "-90");
        part(
                form,
                "gate",
                "gate",
                "rod",
                "count",
                "60",
                "rod.diameter_mm",
                "3",
                "rod.length_mm",
                "6",
                "joins",
                "sprue",
                "at_mm",
                "30",
                "tilt_deg",
                "-45",
                "rings",
                "15",
                "spacing_mm",
                "14");
        part(
                form,
                "leaf",
                "piece",
                "mass_g",
                "count",
                "60",
                "mass_g",
                "0.6",
                "joins",
                "gate",
                "at_mm",
                "6",
                "tilt_deg",
                "-45",
                "box.length_mm",
                "22",
                "box.width_mm",
                "10",
                "box.thickness_mm",
                "3",
                "wall.thin_mm",
                "1",
                "wall.thick_mm",
                "2");
        return form;
    }

    private static void part(Map<String, String> form, String key, String use, String how, String... fields) {
        String at = "parts[" + key + "].";
        form.put(at + "name", key);
        form.put(at + "use", use);
        form.put(at + "how", how);
        form.put(at + "material", "sprue-wax");
        for (int i = 0; i < fields.length; i += 2) {
            form.put(at + fields[i], fields[i + 1]);
        }
    }

    private void row(String what, Asking asking) throws IOException, InterruptedException {
        row(what, ASKED, asking);
    }

    private void row(String what, int times, Asking asking) throws IOException, InterruptedException {
        for (int i = 0; i < Math.min(WARM_UP, times); i++) {
            asking.ask();
        }
        List<Double> waited = new ArrayList<>();
        for (int i = 0; i < times; i++) {
            long from = System.nanoTime();
            asking.ask();
            waited.add((System.nanoTime() - from) / 1e6);
        }
        row(what, waited);
    }

    private void row(String what, List<Double> waited) throws IOException {
        Matcher asked = ASKED_FOR.matcher(what);
        boolean said = asked.find();
        double most = said ? Double.parseDouble(asked.group(1)) : what.startsWith("page: ") ? A_PAGE : 0;
        rows.add(Rows.Row.of(
                said ? asked.replaceFirst("").strip() : what,
                waited.stream().mapToDouble(Double::doubleValue).toArray(),
                most));
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

    private String post(String path, Map<String, String> form) throws IOException, InterruptedException {
        String body = form.entrySet().stream()
                .map(e -> encoded(e.getKey()) + "=" + encoded(e.getValue()))
                .collect(Collectors.joining("&"));
        return send(HttpRequest.newBuilder(URI.create(address + path))
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
