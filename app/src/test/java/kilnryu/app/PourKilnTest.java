package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

/** A pour out of a kiln: whether both meet, and what a firing that is over, or was given up, means for its molds. */
class PourKilnTest extends AppTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");

    @Autowired
    JdbcClient jdbc;

    private long kiln;
    private long tree;

    @BeforeEach
    void equipped() throws Exception {
        Map<String, String> kilnSays =
                new LinkedHashMap<>(Map.of("version", "0", "name", "brick kiln", "plan", "round", "control", "ramp"));
        kilnSays.putAll(Map.of("width_mm", "460", "height_mm", "450", "shelves_mm", "0, 230"));
        kilnSays.putAll(Map.of("power_kW", "6", "max_C", "1150", "to_700_min", "70"));
        kiln = number(sent("/kilns/0", kilnSays));
        tree = tree(owner, WAX);
        sent("/trees/" + tree + "/mold", FLASK);
        sent(
                "/furnaces/0",
                Map.of("kind", "furnace", "name", "pit", "power_kW", "6", "heating", "resistance", "max_C", "1250"));
        sent("/furnaces/0", Map.of("kind", "crucible", "name", "bronze pot", "capacity_cm3", "900", "uses", "4"));
        sent("/metal/0", Map.of("name", "ingots", "kind", "ingot", "make_up", "Cu 95 Si 4 Mn 1", "mass_g", "5 kg"));
    }

    private String sent(String address, Map<String, String> form) throws Exception {
        return send(owner, address, form).getRedirectedUrl();
    }

    private static long number(String address) {
        return Long.parseLong(address.replaceAll("\\D+(\\d+).*", "$1"));
    }

    private static LocalDateTime in(int hours) {
        return LocalDateTime.now(ZONE).plusHours(hours).truncatedTo(ChronoUnit.MINUTES);
    }

    private long load(String pourAt) throws Exception {
        Map<String, String> load = new LinkedHashMap<>(Map.of("version", "0", "name", "Neap tide"));
        load.put("kiln", Long.toString(kiln));
        load.put("molds[" + tree + "].in", "yes");
        load.put("pour_at", pourAt);
        return number(sent("/firings/0/load", load));
    }

    private long pour(LocalDateTime at) throws Exception {
        return number(
                sent("/pours/new", Map.of("name", "Thursday", "tree", Long.toString(tree), "pour_at", at.toString())));
    }

    /** Started, and as many minutes ago as the firing should have run by now. */
    private long started(int minutesAgo) throws Exception {
        long id = load("");
        sent("/firings/" + id + "/start", Map.of("ready", "on", "even_so", "on"));
        jdbc.sql("update firing set started_at = started_at - make_interval(mins => ?) where id = ?")
                .params(minutesAgo, id)
                .update();
        return id;
    }

    @Test
    void kilnAndMetalMeetOrOneOfThemWaits() throws Exception {
        LocalDateTime kilnAt = in(72);
        load(kilnAt.toString());
        assertThat(page(owner, "/pours/" + pour(kilnAt) + "/melt"))
                .contains("Kiln and metal come together at ")
                .doesNotContain("whether molds and metal come together is not judged");
        assertThat(page(owner, "/pours/" + pour(kilnAt.plusHours(3)) + "/melt"))
                .contains("The kiln waits 3 h", " for the metal: it holds from ");
        assertThat(page(owner, "/pours/" + pour(kilnAt.minusHours(2)) + "/melt"))
                .contains("the metal would wait 2 h", "Pour later.");
        assertThat(page(owner, "/pours/" + pour(kilnAt))).contains("Neap tide, waiting");
    }

    @Test
    void aFiringThatWasGivenUpFiredNoMold() throws Exception {
        long firing = started(60);
        sent("/firings/" + firing + "/end", Map.of("as", "given up, no power"));
        long id = pour(in(24));
        assertThat(page(owner, "/pours/" + id))
                .contains("its firing Neap tide ended ", "before its program was through", "throws the metal out")
                .doesNotContain("No problems found");
        ready(id);
        // nobody may take it for burnt out because the firing is over; who looked at it may say so
        assertThat(out(id)).contains("not known: dry and burnt out", "cannot be overruled");
        tap(id, "fired", "tree", Long.toString(tree));
        assertThat(out(id)).doesNotContain("dry and burnt out");
    }

    @Test
    void aFiringThatIsLongOverHoldsNoMoldHot() throws Exception {
        long firing = started(5000);
        sent("/firings/" + firing + "/end", Map.of("as", "held, not poured"));
        assertThat(page(owner, "/pours/" + pour(in(24))))
                .contains("its firing Neap tide ended ", "not at its temperature any more")
                .doesNotContain("before its program was through");
        String noHour = page(
                owner, "/pours/" + number(sent("/pours/new", Map.of("name", "Some day", "tree", Long.toString(tree)))));
        assertThat(noHour).contains("not at its temperature any more");
        assertThat(noHour.split("the hour of the pour is not set", -1)).hasSize(2);
        // poured in the same hour it is
        assertThat(page(owner, "/pours/" + pour(in(0)))).doesNotContain("not at its temperature any more");
    }

    /** Its program of some twelve hours: after one the mold is not fired, after days it is, by the kiln's own clock. */
    @Test
    void aMoldInTheKilnIsReadyWhenItsProgramIs() throws Exception {
        long firing = started(60);
        long id = pour(in(1));
        ready(id);
        assertThat(out(id)).contains("not dry and burnt out", "cannot be overruled");
        tap(id, "fired", "tree", Long.toString(tree));
        assertThat(out(id)).contains("not dry and burnt out");
        jdbc.sql("update firing set started_at = started_at - interval '3 days' where id = ?")
                .param(firing)
                .update();
        assertThat(out(id)).doesNotContain("dry and burnt out");
    }

    /** Begun, all ticked, two people at their places; the gauge is not read, so that it never goes out here. */
    private void ready(long id) throws Exception {
        Map<String, String> form = new LinkedHashMap<>();
        java.util.regex.Matcher reason = java.util.regex.Pattern.compile("name=\"(reason\\[[^\"]+\\])\"")
                .matcher(page(owner, "/pours/" + id + "/day"));
        while (reason.find()) {
            form.put(reason.group(1), "to see what it says");
        }
        sent("/pours/" + id + "/begin", form);
        for (String step : List.of(
                "charge-dry",
                "melt-on",
                "tools-warm",
                "pump-tried",
                "path-walked",
                "places-told",
                "dressed",
                "second-person")) {
            tap(id, "tick", "value", step);
        }
        tap(id, "place", "place", "Pot", "value", "Ana");
        tap(id, "place", "place", "Tongs", "value", "Bo");
    }

    private String out(long id) throws Exception {
        return tap(id, "out", "tree", Long.toString(tree));
    }

    /** What was answered where a tap was not taken. */
    private String tap(long id, String kind, String... fields) throws Exception {
        Map<String, String> form = new LinkedHashMap<>(
                Map.of("kind", kind, "key", UUID.randomUUID().toString()));
        for (int i = 0; i < fields.length; i += 2) {
            form.put(fields[i], fields[i + 1]);
        }
        Object word = send(owner, "/pours/" + id + "/tap", form).getRedirectedUrl();
        assertThat(word).isEqualTo("/pours/" + id + "/day");
        return jdbc.sql(
                        "select coalesce(max(fields ->> 'word'), '') from pour_event where pour_id = ? and tap = ? and kind = 'refused'")
                .params(id, form.get("key"))
                .query(String.class)
                .single();
    }
}
