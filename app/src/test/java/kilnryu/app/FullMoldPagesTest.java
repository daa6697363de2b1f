package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.pour.FullMolds;
import kilnryu.app.pour.PouredMolds;
import kilnryu.app.today.Day;
import kilnryu.core.breakout.Quenching;
import kilnryu.core.pour.Outside;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

/** A mold full of metal, looked at before, in and after the time in which it may go into water, and one that never may. */
class FullMoldPagesTest extends AppTest {
    private static final Map<String, String> SHELL =
            Map.of("version", "0", "mold_kind", "shell", "tree_width_mm", "70", "tree_height_mm", "110");

    @Autowired
    JdbcClient jdbc;

    @Autowired
    FullMolds molds;

    @Autowired
    PouredMolds poured;

    @Autowired
    List<Day.Source> sources;

    private long tree;

    @BeforeEach
    void light() throws Exception {
        Map<String, String> wax = new java.util.LinkedHashMap<>(WAX);
        wax.put("parts[a].mass_g", "24 g");
        tree = tree(owner, wax);
    }

    private void inFlask() throws Exception {
        send(owner, "/trees/" + tree + "/mold", FLASK);
        send(owner, "/trees/" + tree + "/firing", Map.of("version", "0", "mold_C", "500 C", "pour_C", "1100 C"));
    }

    private void inShell() throws Exception {
        assertThat(send(owner, "/trees/" + tree + "/mold", SHELL).getStatus()).isEqualTo(302);
        send(owner, "/trees/" + tree + "/firing", Map.of("version", "0", "mold_C", "600 C", "pour_C", "1100 C"));
    }

    private Quenching quenching() {
        return molds.of(owner, tree, poured.of(owner.studioId(), tree), Outside.air(20))
                .orElseThrow()
                .quenching();
    }

    private void full(double secondsAgo) throws Exception {
        new GoldenPour(jdbc, owner, tree).full(Duration.ofMillis(Math.round(secondsAgo * 1000)));
    }

    private String cooling() throws Exception {
        return page(owner, "/breakout/" + tree + "/cooling");
    }

    private Optional<Day.Task> task() {
        return days().flatMap(d -> d.tasks().stream())
                .filter(t -> t.of().equals("Reed warbler") && t.address().endsWith("/cooling"))
                .findFirst();
    }

    private Optional<Day.Waiting> waiting() {
        return days().flatMap(d -> d.waiting().stream())
                .filter(w -> w.what().equals("Reed warbler") && w.address().startsWith("/breakout/"))
                .findFirst();
    }

    private java.util.stream.Stream<Day> days() {
        Day.Window now = Day.Window.at(ZonedDateTime.now(owner.zoneId()));
        return sources.stream().map(s -> s.of(owner, now));
    }

    /** At its window's beginning less a minute, within it, after its end. The pour's own heat moves the window, so it is asked anew. */
    @ParameterizedTest
    @CsvSource({"before, Too hot", "within, Quench now", "after, Window past"})
    void theVerdictGoesWithTheClock(String when, String word) throws Exception {
        inFlask();
        full(1);
        Quenching.Window w = quenching().window().orElseThrow();
        assertThat(w.to()).isGreaterThan(w.from());
        jdbc.sql("delete from pour_event where tree_id = ?").param(tree).update();
        jdbc.sql("delete from pour_mold where tree_id = ?").param(tree).update();
        full(
                when.equals("before")
                        ? Math.max(1, w.from() - 60)
                        : when.equals("within") ? (w.from() + w.to()) / 2 : w.to() + 90);
        assertThat(cooling()).contains(word, "face of the button");
        if (when.equals("after")) {
            assertThat(task()).isEmpty();
            assertThat(waiting().orElseThrow().detail()).contains("water window is past");
        } else {
            Day.Task into = task().orElseThrow();
            assertThat(into.what()).isEqualTo("Into water");
            assertThat(into.press()).isEqualTo(Day.Press.DUE);
            assertThat(into.why()).contains("Until ");
        }
    }

    @Test
    void beforeItIsPouredOnlyItsTimesAreForeseen() throws Exception {
        inFlask();
        String page = cooling();
        assertThat(page).contains("not poured yet", "after it is full.").doesNotContain("Into water now");
        assertThat(send(owner, "/breakout/" + tree + "/out", Map.of("how", "water"))
                        .getStatus())
                .isEqualTo(302);
        assertThat(jdbc.sql("select count(*) from taken_out where tree_id = ?")
                        .param(tree)
                        .query(Integer.class)
                        .single())
                .as("from when its clock runs is not known")
                .isZero();
    }

    @Test
    void theFirstMomentItWasTakenOutCounts() throws Exception {
        inFlask();
        full(2);
        send(owner, "/breakout/" + tree + "/out", Map.of("how", "water"));
        // after two seconds it is liquid
        assertThat(cooling()).contains("It went into water, before all of it was solid, Owner.");
        send(owner, "/breakout/" + tree + "/out", Map.of("how", "air"));
        assertThat(cooling()).contains("It went into water");
        assertThat(task()).isEmpty();
        assertThat(waiting().orElseThrow().detail()).isEqualTo("poured, to be opened");
        assertThat(send(owner, "/breakout/" + tree + "/out", Map.of("how", "hammer"))
                        .getRedirectedUrl())
                .endsWith("/cooling");
    }

    @Test
    void aShellIsShakenOutInTheAirWhenItIsCold() throws Exception {
        inShell();
        full(5);
        assertThat(cooling()).contains("A shell is not quenched.", "No water", "out in the air");
        Day.Task shake = task().orElseThrow();
        assertThat(shake.what()).isEqualTo("Shake out");
        double out = quenching().shakeOut().orElseThrow();
        assertThat(Duration.between(ZonedDateTime.now(), shake.at()).toSeconds())
                .isBetween(Math.round(out) - 60, Math.round(out) + 60);
        jdbc.sql("update pour_event set tapped_at = tapped_at - interval '20 hours' where tree_id = ?")
                .param(tree)
                .update();
        assertThat(cooling()).contains("Ready", "It may be shaken out now.");
        assertThat(task()).isEmpty();
        assertThat(waiting().orElseThrow().detail()).isEqualTo("cold enough to be opened");
        jdbc.sql("update pour_event set tapped_at = tapped_at - interval '20 hours' where tree_id = ?")
                .param(tree)
                .update();
        assertThat(waiting().orElseThrow().detail()).isEqualTo("poured, to be opened");
    }

    @Test
    void whatIsOpenedWaitsUntilItIsLookedAt() throws Exception {
        inFlask();
        full(40_000);
        send(owner, "/breakout/" + tree + "/begin", Map.of());
        assertThat(waiting().orElseThrow().detail()).isEqualTo("1 casting not looked at");
    }

    /** In water the same mold is cold sooner than in the room, in hot sand later. */
    @Test
    void whatItStandsInMovesItsClock() throws Exception {
        inFlask();
        full(60);
        double room = shakeOut(Outside.air(20));
        assertThat(shakeOut(Outside.sand(300))).isGreaterThan(room);
        assertThat(page(owner, "/breakout/" + tree + "/cooling?stands=water&around_C=15"))
                .contains("selected=\"selected\">water");
        assertThat(page(owner, "/breakout/" + tree + "/cooling?stands=sand&around_C=900"))
                .contains("id=\"e-around_C\"");
        assertThat(page(owner, "/breakout/" + tree + "/cooling?bucket=30l&bucket_mm=400&water_C=15"))
                .doesNotContain("Whether the water closes over the flask was not judged");
        // 6 l in a bucket of 300 mm stand lower than the flask of 150 mm
        assertThat(page(owner, "/breakout/" + tree + "/cooling?bucket=6l&bucket_mm=300&water_C=15"))
                .contains("With the flask of 150 mm in it", "180 mm are asked");
        assertThat(page(owner, "/breakout/" + tree + "/cooling"))
                .contains("Whether the water closes over the flask was not judged");
    }

    private double shakeOut(Outside outside) {
        return molds.of(owner, tree, poured.of(owner.studioId(), tree), outside)
                .orElseThrow()
                .quenching()
                .shakeOut()
                .orElse(Double.MAX_VALUE);
    }
}
