package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import kilnryu.app.today.Day;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

/** What shells and loads ask of the day, one after another of what can become of them. */
class DaySourcesTest extends AppTest {
    private static final Map<String, String> SHELL =
            Map.of("version", "0", "mold_kind", "shell", "tree_width_mm", "70", "tree_height_mm", "110");

    @Autowired
    List<Day.Source> sources;

    @Autowired
    JdbcClient jdbc;

    private ZonedDateTime now;

    @BeforeEach
    void dryAir() throws Exception {
        now = ZonedDateTime.now(owner.zoneId());
        air("20", "45");
    }

    private void air(String celsius, String humidity) throws Exception {
        send(owner, "/shells/room/stand-in", Map.of("set_C", celsius, "set_pct", humidity, "set_swing", "0"));
        send(owner, "/shells/room/read", Map.of());
    }

    private List<Day> days() {
        Day.Window window = Day.Window.at(ZonedDateTime.now(owner.zoneId()));
        return sources.stream()
                .peek(s -> {
                    while (s.reckon(owner, window)) {
                        assertThat(window.now()).isNotNull();
                    }
                })
                .map(s -> s.of(owner, window))
                .toList();
    }

    private Stream<Day.Task> tasks(String of) {
        return days().stream()
                .flatMap(d -> d.tasks().stream())
                .filter(t -> t.of().startsWith(of) || t.what().equals(of));
    }

    private Day.Task task(String of, String what) {
        return tasks(of)
                .filter(t -> t.what().startsWith(what))
                .findFirst()
                .orElseThrow(() -> new AssertionError(what + " is not asked for"));
    }

    private Day.Waiting waiting(String what) {
        return days().stream()
                .flatMap(d -> d.waiting().stream())
                .filter(w -> w.what().equals(what))
                .findFirst()
                .orElseThrow(() -> new AssertionError(what + " does not wait"));
    }

    private List<Day.Bar> bars(String lane) {
        return days().stream()
                .flatMap(d -> d.lanes().stream())
                .filter(l -> l.name().equals(lane))
                .flatMap(l -> l.bars().stream())
                .toList();
    }

    /** A shell that was begun. @return its address */
    private String shell(String name, String coats) throws Exception {
        Map<String, String> wax = new LinkedHashMap<>(WAX);
        wax.put("name", name);
        long tree = tree(owner, wax);
        Map<String, String> mold = new HashMap<>(SHELL);
        if (!coats.isEmpty()) {
            mold.put("shell.coats", coats);
        }
        assertThat(send(owner, "/trees/" + tree + "/mold", mold).getStatus()).isEqualTo(302);
        return send(owner, "/trees/" + tree + "/shell/begin", Map.of("rack", "rack A"))
                .getRedirectedUrl();
    }

    private void dip(String shell, String coat, int hoursAgo) throws Exception {
        String at = LocalDateTime.ofInstant(now.toInstant().minus(hoursAgo, ChronoUnit.HOURS), owner.zoneId())
                .truncatedTo(ChronoUnit.MINUTES)
                .toString();
        assertThat(send(owner, shell + "/log", Map.of("coat", coat, "at", at)).getStatus())
                .isEqualTo(302);
    }

    @Test
    void aShellThatIsBegunAsksForItsFirstCoat() throws Exception {
        String at = shell("Curlew", "prime, 2 backup, seal");
        Day.Task first = task("Curlew", "Dip coat 1");
        assertThat(first.press()).isEqualTo(Day.Press.DUE);
        assertThat(first.why()).contains("of 4 coats");
        assertThat(first.address()).isEqualTo(at);
        // each dip to come is drawn, and pale behind it how long its coat dries
        assertThat(bars("Curlew")).hasSize(8);
        assertThat(bars("Curlew")).extracting(Day.Bar::kind).contains(Day.Kind.HANDS, Day.Kind.WAIT);
    }

    @Test
    void aWetCoatWaitsADryOneIsDueAndAPrimeThatWaitedTwoDaysIsLate() throws Exception {
        dip(shell("Wet", "prime, 2 backup, seal"), "prime", 0);
        assertThat(waiting("Wet").group()).isEqualTo(Day.Group.DRYING);
        assertThat(waiting("Wet").detail()).startsWith("coat 1, dry ");
        assertThat(waiting("Wet").share()).isBetween(0.0, 0.2);
        assertThat(bars("Wet").get(0).label()).isEqualTo("coat 1 dries");
        dip(shell("Dry", "prime, 2 backup, seal"), "prime", 40);
        Day.Task due = task("Dry", "Dip coat 2");
        assertThat(due.press()).isEqualTo(Day.Press.DUE);
        assertThat(due.why()).contains("; by ");
        dip(shell("Late", "prime, 2 backup, seal"), "prime", 60);
        Day.Task late = task("Late", "Dip coat 2");
        assertThat(late.press()).isEqualTo(Day.Press.LATE);
        assertThat(late.why()).contains("lets go of the next coat");
        // 48 h after it was dipped
        assertThat(Duration.between(late.at(), now).toHours()).isBetween(11L, 12L);
    }

    @Test
    void wireGoesOnBeforeTheNextCoat() throws Exception {
        String at = shell("Bound", "prime, backup, wire, backup, seal");
        dip(at, "prime", 60);
        dip(at, "backup", 40);
        assertThat(task("Bound", "Wrap the wire").why()).contains("Twisted tight");
        send(owner, at + "/wire", Map.of());
        assertThat(task("Bound", "Dip coat 3").press()).isEqualTo(Day.Press.DUE);
    }

    @Test
    void theLastCoatStandsAndThenItMayBeFired() throws Exception {
        String stands = shell("Stands", "");
        dip(stands, "plain-prime", 20);
        send(owner, stands + "/coats", Map.of("coming", "none", "why", "a trial"));
        assertThat(waiting("Stands").detail()).startsWith("last coat, fire from ");
        String ready = shell("Ready", "");
        dip(ready, "plain-prime", 400);
        send(owner, ready + "/coats", Map.of("coming", "none", "why", "a trial"));
        assertThat(waiting("Ready").group()).isEqualTo(Day.Group.READY);
        assertThat(waiting("Ready").detail()).isEqualTo("may be fired");
    }

    @Test
    void inAirThatTakesUpNoWaterItNeverDries() throws Exception {
        air("20", "100");
        Map<String, String> room = new LinkedHashMap<>(Map.of("version", "0", "racks[k1].name", "rack A"));
        room.put("racks[k1].places", "8");
        room.put("opens", "08:00");
        room.put("closes", "18:00");
        room.put("days", "mon tue wed thu fri");
        room.put("day", "0 20/100");
        assertThat(send(owner, "/shells/room", room).getStatus()).isEqualTo(302);
        dip(shell("Fog", "prime, backup, seal"), "prime", 0);
        Day.Task never = task("Fog", "Never dries in this air");
        assertThat(never.press()).isEqualTo(Day.Press.WARNING);
        assertThat(never.why()).contains("Drier air");
    }

    private String firing(String pourAt) throws Exception {
        long tree = tree(owner, WAX);
        send(owner, "/trees/" + tree + "/mold", FLASK);
        String kiln = send(owner, "/kilns/0", KILN).getRedirectedUrl().replaceAll("\\D+(\\d+).*", "$1");
        Map<String, String> load = new LinkedHashMap<>(Map.of("version", "0", "name", "Ebb tide", "kiln", kiln));
        load.put("molds[" + tree + "].in", "yes");
        if (!pourAt.isEmpty()) {
            load.put("pour_at", pourAt);
        }
        return send(owner, "/firings/0/load", load).getRedirectedUrl().replaceAll("\\?.*", "");
    }

    @Test
    void aLoadWithoutItsHourWaitsForYou() throws Exception {
        String at = firing("");
        Day.Waiting waits = waiting("Ebb tide");
        assertThat(waits.group()).isEqualTo(Day.Group.YOU);
        assertThat(waits.detail()).isEqualTo("the load has no hour of its pour");
        assertThat(waits.address()).isEqualTo(at);
    }

    @Test
    void aLoadWithItsHourIsDrawnInItsKilnAndAsksForMixAndForClosing() throws Exception {
        String at = firing(now.toLocalDate().plusDays(3).atTime(15, 0).toString());
        List<Day.Bar> kiln = bars("brick kiln");
        assertThat(kiln).hasSize(1);
        assertThat(kiln.get(0).label()).isEqualTo("Ebb tide, planned");
        assertThat(kiln.get(0).until().toLocalTime().getHour()).isEqualTo(15);
        assertThat(kiln.get(0).heat()).hasSizeGreaterThan(3);
        Day.Task mix = task("Ebb tide", "Mix for the load");
        assertThat(mix.why()).startsWith("One mold is still to be mixed");
        assertThat(mix.address()).isEqualTo("/mixing");
        assertThat(mix.press()).isIn(Day.Press.LATER, Day.Press.DUE);
        Day.Task close = task("Ebb tide", "Close");
        assertThat(close.address()).isEqualTo(at);
        assertThat(close.at()).isEqualTo(kiln.get(0).from());
        assertThat(mix.at()).isBefore(close.at());
        assertThat(bars("Pours")).anyMatch(b -> b.label().equals("pour Ebb tide"));
    }

    @Test
    void aFiringThatRunsIsDrawnByItsOwnClockAndADutyIsAskedOnce() throws Exception {
        String at = firing("");
        send(owner, at + "/start", Map.of("ready", "on", "even_so", "on"));
        List<Day.Bar> kiln = bars("brick kiln");
        assertThat(kiln).hasSize(1);
        assertThat(kiln.get(0).label()).isEqualTo("Ebb tide, 1 mold");
        assertThat(Duration.between(kiln.get(0).from(), now).abs()).isLessThan(Duration.ofMinutes(2));
        assertThat(kiln.get(0).address()).isEqualTo(at + "/run");
        List<Day.Task> duties = tasks("Ebb tide").toList();
        assertThat(duties).isNotEmpty().allMatch(t -> t.address().equals(at + "/run") && t.duty());
        // those that are done are not asked for again
        jdbc.sql("""
                        insert into firing_event (firing_id, at, second, kind, subject, data, account_id)
                        select f.id, now(), 0, 'duty', replace(d->>'duty', '-', '_') || '-' || (i - 1), '{}', :account
                          from firing f, lateral (select d, row_number() over (order by (d->>'minute')::float8) as i
                                                    from jsonb_array_elements((f.frozen->'course'->'duties')::jsonb) d) x
                         where f.id = :firing
                        """)
                .param("account", owner.id())
                .param("firing", Long.parseLong(at.replaceAll("\\D", "")))
                .update();
        assertThat(tasks("Ebb tide").count()).isLessThan(duties.size());
    }
}
