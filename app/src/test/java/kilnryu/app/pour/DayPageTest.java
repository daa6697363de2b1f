package kilnryu.app.pour;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.record.Poured;
import kilnryu.app.web.Units;
import kilnryu.core.pour.GoNoGo;
import org.junit.jupiter.api.Test;

/** What the day says at each moment, and how it is drawn. */
class DayPageTest {
    private Ebb ebb = Ebb.of(
            false,
            new Poured.Pot(0.001, 0.01, false, 1200, 500),
            new Poured.Step("charge-dry", "Charge warm", "Damp metal throws the pot.", 20, true));

    private Ebb tapped(String kind, Long tree, double second, String... fields) {
        return ebb.tapped(kind, tree, second, fields);
    }

    private DayPage page(double second, String state) {
        Account account = new Account(
                1, 1, "Mudflat Castings", "ana", "Ana", Units.METRIC.system().name(), false, "Europe/Lisbon", false);
        PourStore.Row row = new PourStore.Row(9, 1, "Thursday", state, Map.of(), 2, "{}", Ebb.ZERO, null, Ebb.ZERO);
        PourCourse course = ebb.course();
        return DayPage.of(new DayPage.From(account, row, course, ebb.events, Ebb.at(second)), new DayPage.Sight() {
            @Override
            public GoNoGo judged(PourCourse.Cast cast) {
                GoNoGo.State yes = GoNoGo.State.YES;
                return GoNoGo.of(new GoNoGo.Record(
                        yes,
                        yes,
                        cast.clean() ? yes : GoNoGo.State.UNKNOWN,
                        yes,
                        yes,
                        OptionalDouble.of(10),
                        2,
                        2,
                        yes));
            }

            @Override
            public OptionalDouble margin(PourCourse.Cast cast, double metalC, double moldC) {
                return cast.plan().tree() == 1 ? OptionalDouble.of((moldC - 400) / 50) : OptionalDouble.empty();
            }
        });
    }

    @Test
    void firstWhatIsNotReady() {
        DayPage page = page(-1200, "running");
        assertThat(page.phase()).isEqualTo("ready");
        assertThat(page.says()).isEqualTo("Next: Charge warm");
        // 20 min before 08:30:40 in the studio's own time
        assertThat(page.steps().get(0).at()).isEqualTo("08:10");
        assertThat(page.steps().get(0).holds()).isTrue();
        assertThat(page.places()).extracting(DayPage.Place::place).containsExactly("Pot", "Tongs", "Pump", "Sand");
        assertThat(page.metal().now()).isEqualTo("–");
        assertThat(page.metal().how()).isEqualTo("not read yet");
    }

    @Test
    void thenEachMoldInItsTurn() {
        tapped("tick", null, -900, "step", "charge-dry");
        assertThat(page(-30, "running").says()).startsWith("Take out Reed warbler.");
        assertThat(page(-30, "running").hand().go()).isEqualTo("No go yet");
        assertThat(page(-30, "running").hand().lacking()).containsExactly("not known: cracks patched, ash blown out");
        tapped("clean", 1L, -20);
        assertThat(page(-10, "running").hand().go()).isEqualTo("Go");
        tapped("potout", null, 0);
        assertThat(page(2, "running").says())
                .isEqualTo("Take out Reed warbler at 08:30:05. Then Marsh tit comes out at 08:30:20.");
        tapped("out", 1L, 5);
        DayPage out = page(15, "running");
        assertThat(out.says()).startsWith("Start on Reed warbler at 08:30:40.");
        assertThat(out.hand().left()).isEqualTo(50);
        assertThat(out.hand().share()).isEqualTo(83);
        // 10 s out: 590 C; (590 - 400) / 50
        assertThat(out.hand().mold()).isEqualTo("590 °C");
        assertThat(out.hand().margin()).isEqualTo("fills 3.8 times sooner than it freezes");
        assertThat(out.molds().get(1).margin()).isEqualTo("filling not judged");
        assertThat(page(66, "running").says())
                .startsWith("Reed warbler is past its window: back into the kiln with it");
        tapped("start", 1L, 50).tapped("leaks", 1L, 51);
        assertThat(page(52, "running").says()).startsWith("Reed warbler leaks: sand on, stand back.");
        tapped("leaked", 1L, 60);
        DayPage leaked = page(61, "running");
        assertThat(leaked.behind()).isEqualTo("17 s behind the plan");
        assertThat(leaked.hand().name()).isEqualTo("Marsh tit");
        assertThat(leaked.says()).isEqualTo("Take out Marsh tit now.");
        assertThat(leaked.line()).contains("leaked, 10 s", "#a2382a");
    }

    @Test
    void afterTheLastTheRest() {
        tapped("tick", null, -900, "step", "charge-dry").tapped("potout", null, 0);
        tapped("out", 1L, 5).tapped("start", 1L, 40).tapped("full", 1L, 43);
        tapped("putback", 2L, 50);
        DayPage page = page(60, "running");
        assertThat(page.phase()).isEqualTo("ended");
        assertThat(page.says()).startsWith("All molds are done.");
        assertThat(page.hand()).isNull();
        assertThat(page.line()).contains("full, 3 s", "put back, not poured");
        assertThat(page(60, "done").phase()).isEqualTo("done");
        List<PourAfter> after = PourAfter.of(ebb.course(), Units.METRIC);
        assertThat(after.get(0).stoodPlan()).isEqualTo("35 s");
        assertThat(after.get(0).stood()).isEqualTo("35 s");
        assertThat(after.get(0).windowLeft()).isEqualTo("25 s");
        assertThat(after.get(0).filled()).isEqualTo("3 s");
        assertThat(after.get(1).came()).isEqualTo("put back, not poured");
        assertThat(after.get(1).windowLeft()).isEqualTo("long");
    }

    @Test
    void everyTapIsToldInWords() {
        tapped("tick", null, -900, "step", "charge-dry")
                .tapped("place", null, -800, "place", "Sand", "who", "Bo")
                .tapped("gauge", null, -700, "kPa", "92")
                .tapped("metal", null, -600, "celsius", "1120", "how", "by eye")
                .tapped("dip", null, -590)
                .tapped("fired", 1L, -500)
                .tapped("refused", 1L, -400, "what", "out", "word", "No go")
                .tapped("overrule", 1L, -300, "why", "stout walls")
                .tapped("potout", null, 0)
                .tapped("novacuum", 1L, 1)
                .tapped("gravity", 1L, 2)
                .tapped("rest", null, 300, "grams", "90")
                .tapped("note", null, 301, "text", "white smoke");
        assertThat(page(302, "running").log())
                .hasSize(12)
                .startsWith("08:35:01 white smoke, Ana")
                .contains(
                        "08:15:00 ready: Charge warm, Ana",
                        "08:16:40 Sand is Bo, Ana",
                        "08:18:20 gauge 92 kPa vacuum, Ana",
                        "08:20:00 metal 1120 °C, by eye, Ana",
                        "08:21:40 Reed warbler: seen: dry and burnt out, Ana",
                        "08:23:20 Reed warbler: not taken (out): No go, Ana",
                        "08:25:00 Reed warbler: poured all the same: stout walls, Ana",
                        "08:30:00 pot out of the furnace, Ana",
                        "08:30:02 Reed warbler: by gravity, Ana",
                        "08:35:00 rest 90 g into the ingot mold, Ana");
        assertThat(page(302, "running").metal().how()).contains("by eye, ± 60 K");
    }

    @Test
    void metalThatHasSunkTooFarIsSaid() {
        tapped("tick", null, -900, "step", "charge-dry").tapped("potout", null, 0);
        assertThat(page(60, "running").metal().how()).startsWith("foreseen now; not read yet");
        assertThat(page(3600, "running").metal().how()).startsWith("foreseen: under its liquidus, back to the furnace");
        assertThat(page(3600, "running").says())
                .isEqualTo("The metal has sunk under its liquidus: pot back into the furnace, then Reed warbler.");
    }

    @Test
    void aPotThatGoesBackIsSaidBeforeItsMold() {
        ebb = Ebb.heatedAgain(new Poured.Pot(0.001, 0.01, false, 1200, 500));
        tapped("potout", null, 0).tapped("out", 1L, 5).tapped("start", 1L, 40).tapped("full", 1L, 43);
        assertThat(page(50, "running").says())
                .isEqualTo("Pot back into the furnace up to 1130 °C, or the second pot, then Marsh tit.");
        tapped("potback", null, 60).tapped("undo", 1L, 70, "saw", "full");
        DayPage page = page(80, "running");
        assertThat(page.potOut()).isFalse();
        assertThat(page.metal().how()).isEqualTo("not read yet");
        assertThat(page.log())
                .startsWith("08:31:10 Reed warbler: taken back: full, Ana", "08:31:00 pot back into the furnace, Ana");
        assertThat(page.hand().seen()).isEqualTo("pours");
    }
}
