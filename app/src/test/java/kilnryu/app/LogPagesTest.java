package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import kilnryu.app.account.Account;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;

/** What the log counts and teaches: yields, factors taken and given back, tries, forecasts, notes, own causes. */
class LogPagesTest extends AppTest {
    @Autowired
    JdbcClient jdbc;

    private long limpets(String name, int count) throws Exception {
        Map<String, String> tree = new LinkedHashMap<>(WAX);
        tree.put("name", name);
        tree.put("parts[a].name", "limpet");
        tree.put("parts[a].count", Integer.toString(count));
        tree.put("parts[a].mass_g", "2.4 g");
        long id = tree(owner, tree);
        send(owner, "/trees/" + id + "/mold", FLASK);
        return id;
    }

    private void tap(long tree, String kind, String... fields) throws Exception {
        Map<String, String> form =
                new LinkedHashMap<>(Map.of("key", UUID.randomUUID().toString(), "kind", kind));
        for (int i = 0; i < fields.length; i += 2) {
            form.put(fields[i], fields[i + 1]);
        }
        assertThat(send(owner, "/breakout/" + tree + "/tap", form).getStatus()).isEqualTo(302);
    }

    /** Opened, so many of its castings scrapped, the others good; the tree weighed at so many times its plan. */
    private long cast(String name, int count, int scrap, double times) throws Exception {
        long id = limpets(name, count);
        send(owner, "/breakout/" + id + "/begin", Map.of());
        for (int i = 1; i <= scrap; i++) {
            String n = Integer.toString(i);
            tap(id, "good", "casting", n, "saw", "unseen");
            tap(id, "mend", "casting", n, "saw", "good");
            tap(id, "scrap", "casting", n, "saw", "mend");
        }
        tap(id, "all-good");
        double planned = jdbc.sql("select planned_g from break_out where tree_id = ?")
                .param(id)
                .query(Double.class)
                .single();
        tap(id, "mass", "what", "cast", "value", planned * times + " g");
        return id;
    }

    @Test
    void anEmptyLogSaysSo() throws Exception {
        assertThat(page(owner, "/log")).contains("No casting has been looked at yet");
        assertThat(page(owner, "/log/factors")).contains("Nothing to compare yet");
        assertThat(page(owner, "/log/series")).contains("No tree has been cast again");
        assertThat(page(owner, "/log/notes")).contains("No note yet");
        assertThat(page(owner, "/breakout")).contains("Nothing has been poured yet");
    }

    @Test
    void howOftenItComesGoodIsCountedByWhatIsAsked() throws Exception {
        cast("Limpets, first", 6, 2, 1);
        cast("Limpets, second", 6, 0, 1);
        String page = page(owner, "/log");
        assertThat(page).contains("10 of 12", "silicon bronze");
        // (10 + 4 x 11/14) / 16 = 0.821
        assertThat(page).contains("82 %");
        for (String by : new String[] {"school", "piece", "mold", "season", "person"}) {
            assertThat(page(owner, "/log?by=" + by)).as(by).contains("10 of 12");
        }
        assertThat(page(owner, "/log?by=piece")).contains("limpet");
        assertThat(page(owner, "/log?by=moon")).contains("silicon bronze");
        assertThat(page(Studio.owner(accounts, passwords), "/log")).contains("No casting has been looked at yet");
    }

    @Test
    void allScrappedIsNoCertainty() throws Exception {
        cast("Limpets, all lost", 4, 4, 1);
        // (0 + 4 x 1/6) / 8 = 0.083
        assertThat(page(owner, "/log")).contains("0 of 4", "8 %");
    }

    @Test
    void aFactorIsOfferedFromFiveCastingsTakenAndGivenBack() throws Exception {
        for (int i = 0; i < 4; i++) {
            cast("Limpets " + i, 2, 0, 1.02 + i * 0.001);
        }
        assertThat(page(owner, "/log/factors"))
                .contains("1 more before anything is offered")
                .doesNotContain("Take it");
        assertThat(take("mass.si-bronze")).isEqualTo("/log/factors");
        assertThat(page(owner, "/factors")).doesNotContain("yours, from");
        cast("Limpets 4", 2, 0, 1.024);
        // equal plans: the mean of 1.020, 1.021, 1.022, 1.023, 1.024; 8.36 x 1.022
        assertThat(page(owner, "/log/factors"))
                .contains("× 1.022", "from 5 castings", "8.544 g/cm³ instead of 8.36 g/cm³");
        long before = limpets("Planned before", 2);
        double planned = cavity(before);
        take("mass.si-bronze");
        assertThat(page(owner, "/factors")).contains("yours, from 5 castings");
        // only plans made after it are reckoned with it
        long after = limpets("Planned after", 2);
        send(owner, "/trees/" + before + "/tree", again(before));
        assertThat(cavity(before)).isEqualTo(planned, org.assertj.core.api.Assertions.within(1e-6));
        assertThat(cavity(after) / planned).isEqualTo(1.022, org.assertj.core.api.Assertions.within(1e-4));
        assertThat(page(owner, "/trees/" + after + "/tree")).contains("yours, from 5 castings");
        assertThat(page(owner, "/log/factors")).contains("Give it back");
        send(owner, "/log/factors/give-back", Map.of("key", "mass.si-bronze"));
        assertThat(page(owner, "/factors")).doesNotContain("yours, from");
        send(owner, "/trees/" + after + "/tree", again(after));
        assertThat(cavity(after)).isEqualTo(planned, org.assertj.core.api.Assertions.within(1e-6));
    }

    private Map<String, String> again(long tree) throws Exception {
        Map<String, String> same = new LinkedHashMap<>(WAX);
        same.put("version", "1");
        same.put("name", "Saved again");
        same.put("parts[a].name", "limpet");
        same.put("parts[a].count", "2");
        same.put("parts[a].mass_g", "2.4 g");
        return same;
    }

    private double cavity(long tree) {
        return jdbc.sql("select cavity_g from tree where id = ?")
                .param(tree)
                .query(Double.class)
                .single();
    }

    private String take(String key) throws Exception {
        return send(owner, "/log/factors/take", Map.of("key", key)).getRedirectedUrl();
    }

    @Test
    void whatStoodBeforeComesBackWhenTheFactorIsGivenBack() throws Exception {
        send(owner, "/factors/alloy.si-bronze.density", Map.of("value", "8.40", "reason", "sheet of lot 12"));
        for (int i = 0; i < 5; i++) {
            cast("Limpets " + i, 2, 0, 1.03 + i * 0.001);
        }
        // they were planned by 8.40, not by the handbook: 8.40 x 1.032
        assertThat(page(owner, "/log/factors")).contains("8.669 g/cm³ instead of 8.4 g/cm³");
        take("mass.si-bronze");
        assertThat(page(owner, "/factors")).contains("yours, from 5 castings").doesNotContain("sheet of lot 12");
        send(owner, "/log/factors/give-back", Map.of("key", "mass.si-bronze"));
        assertThat(page(owner, "/factors")).contains("8.4 g/cm³", "sheet of lot 12");
    }

    @Test
    void aFactorOfThreeIsRefused() throws Exception {
        for (int i = 0; i < 5; i++) {
            cast("Limpets " + i, 2, 0, 2.9 + i * 0.05);
        }
        assertThat(page(owner, "/log/factors"))
                .contains("a unit was mistaken somewhere")
                .doesNotContain("Take it");
        take("mass.si-bronze");
        assertThat(page(owner, "/factors")).doesNotContain("yours, from");
        assertThat(send(owner, "/log/factors/take", Map.of("key", "mass.moon")).getStatus())
                .isEqualTo(404);
    }

    @Test
    void triesStandSideBySideWithWhatIsLearned() throws Exception {
        long first = cast("Limpet brooch", 6, 5, 1);
        tap(first, "pin", "casting", "1", "defect", "misrun", "x", "0.5", "y", "0.5", "place-thin", "yes");
        send(owner, "/trees/" + first + "/firing", Map.of("version", "0", "mold_C", "500 C", "pour_C", "1100 C"));
        String to = send(
                        owner,
                        "/breakout/" + first + "/again",
                        Map.of("cause", "mold-too-cold", "take", "yes", "change", "Mold 550 °C", "reason", "thin rims"))
                .getRedirectedUrl();
        long second = Long.parseLong(to.replaceAll("\\D+(\\d+).*", "$1"));
        send(owner, "/breakout/" + second + "/begin", Map.of());
        tap(second, "all-good");
        String page = page(owner, "/log/series/" + first);
        // six of six where one of six was good before: (1.5 / 7)^6 = 1 in 10 000
        assertThat(page)
                .contains("1 of 6 good", "6 of 6 good", "best so far", "More than luck", "temperature of the mold");
        assertThat(page).doesNotContain("were changed together");
        assertThat(page(owner, "/log/series")).contains("Limpet brooch", "2 tries");
        // a second change that acts on misruns, too
        send(owner, "/trees/" + second + "/firing", Map.of("version", "2", "mold_C", "550 C", "pour_C", "1150 C"));
        assertThat(page(owner, "/log/series/" + first))
                .contains(
                        "temperature of the metal and temperature of the mold were changed together", "is not learned");
    }

    @Test
    void whoForeseesIsScored() throws Exception {
        for (int i = 0; i < 2; i++) {
            long id = limpets("Limpets " + i, 3);
            send(owner, "/breakout/" + id + "/forecast", Map.of("good", i == 0 ? "3" : "1", "reason", "as before"));
            send(owner, "/breakout/" + id + "/begin", Map.of());
            tap(id, "all-good");
        }
        // one right, one off by two
        assertThat(page(owner, "/log")).contains("1 of 2", "1.0 castings", "fear more");
    }

    @Test
    void aNoteHasItsSourceAndTrust() throws Exception {
        MockHttpServletResponse refused =
                send(owner, "/log/notes", Map.of("says", "Salt keeps it bright", "source", "", "trust", "certain"));
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString())
                .contains("Say where it is from", "Choose how far it is trusted", "Salt keeps it bright");
        send(
                owner,
                "/log/notes",
                Map.of(
                        "says",
                        "Salt keeps it bright",
                        "source",
                        "the market",
                        "trust",
                        "hearsay",
                        "outcome",
                        "no difference"));
        assertThat(page(owner, "/log/notes")).contains("Salt keeps it bright", "the market · hearsay · no difference");
        long id =
                jdbc.sql("select max(id) from note_elsewhere").query(Long.class).single();
        Map<String, String> change = Map.of(
                "id",
                Long.toString(id),
                "version",
                "1",
                "says",
                "Salt does nothing",
                "source",
                "the market",
                "trust",
                "own eyes");
        send(owner, "/log/notes", change);
        send(owner, "/log/notes", change);
        assertThat(jdbc.sql("select version from note_elsewhere where id = ?")
                        .param(id)
                        .query(Integer.class)
                        .single())
                .as("the second was of an old version")
                .isEqualTo(2);
        send(owner, "/log/notes/" + id + "/archive", Map.of());
        assertThat(page(owner, "/log/notes")).doesNotContain("Salt does nothing");
        assertThat(page(owner, "/log/notes?archived=true")).contains("Salt does nothing");
        Account stranger = Studio.owner(accounts, passwords);
        assertThat(send(stranger, "/log/notes/" + id + "/archive", Map.of()).getStatus())
                .isEqualTo(404);
    }

    @Test
    void aStudioHasItsOwnCausesAndWeights() throws Exception {
        assertThat(page(owner, "/causes"))
                .contains("Mold too cold at the pour", "carry_s &gt; carry_window_s", "handbook 20, table 1");
        Map<String, String> tide = new LinkedHashMap<>(Map.of(
                "cause",
                "new",
                "name",
                "Tide damp in the sand",
                "usual",
                "6",
                "makes-gas-hole",
                "often",
                "prefers-bottom",
                "yes"));
        tide.putAll(Map.of("speaks-0", "for", "clue-0", "covered = no", "weight-0", "3", "change", "Lid on the sand."));
        send(owner, "/causes", tide);
        assertThat(page(owner, "/causes")).contains("Tide damp in the sand", "with 1 own");
        long id = cast("Limpets", 2, 0, 1);
        tap(id, "pin", "casting", "1", "defect", "gas-hole", "x", "0.5", "y", "0.5", "place-bottom", "yes");
        tap(id, "fact", "fact", "covered", "value", "no");
        assertThat(page(owner, "/breakout/" + id)).contains("Tide damp in the sand", "Lid on the sand.");
        // a weight of its own for one of the table's, and back
        send(owner, "/causes", Map.of("cause", "damp", "usual", "0.1", "version", "0"));
        assertThat(page(owner, "/causes")).contains("with 2 own", "Back to the handbook");
        send(owner, "/causes/damp/archive", Map.of());
        assertThat(page(owner, "/causes")).contains("with 1 own");
        send(owner, "/causes/own-tide-damp-in-the-sand/archive", Map.of());
        assertThat(page(owner, "/breakout/" + id)).doesNotContain("Tide damp in the sand");
        assertThat(page(Studio.owner(accounts, passwords), "/causes")).doesNotContain("Tide damp");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "covered is no|is not a comparison",
                "moon = full|there is no fact moon",
                "vents = shut|compared with = or != and one of none, open, to-cup",
                "carry_s > late|carry_s is a number, and late is none"
            })
    void aClueThatCannotBeReadIsRefusedAtItsField(String clue, String word) throws Exception {
        Map<String, String> form = new LinkedHashMap<>(
                Map.of("cause", "new", "name", "Moon", "usual", "2", "makes-crack", "often", "change", "Wait."));
        form.put("clue-0", clue);
        MockHttpServletResponse refused = send(owner, "/causes", form);
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString()).contains(word, "value=\"Moon\"");
        assertThat(page(owner, "/causes")).doesNotContain("with 1 own");
    }

    @Test
    void aCauseThatWasFoundMovesTheNextDiagnosis() throws Exception {
        for (int i = 0; i < 3; i++) {
            long id = cast("Limpets " + i, 2, 0, 1);
            tap(id, "pin", "casting", "1", "defect", "beads", "x", "0.5", "y", "0.5");
            tap(id, "cause", "cause", "bubbles-in-mix");
        }
        assertThat(page(owner, "/causes")).contains("found to be the one 3 times here");
    }

    @Test
    void allPinsOfAPieceLieOnItsOutline() throws Exception {
        assertThat(page(owner, "/log/map")).contains("No casting has been looked at yet");
        long id = cast("Limpets", 4, 1, 1);
        tap(id, "pin", "casting", "1", "defect", "misrun", "x", "0.4", "y", "0.5");
        tap(id, "pin", "casting", "2", "defect", "misrun", "x", "0.6", "y", "0.5");
        String page = page(owner, "/log/map");
        // casting 1 hung at the left and is turned round: both lie at 0.6 of 120
        assertThat(page).contains("limpet, 4 castings looked at", "in 2 castings");
        assertThat(page.split("cx=\"72.0\" cy=\"42.0\"", -1)).hasSize(3);
        assertThat(page(owner, "/log/map?of=moon")).contains("limpet, 4 castings");
    }

    @Test
    void aCaseHidesItsAnswerUntilOneIsGiven() throws Exception {
        long id = cast("Limpets", 2, 1, 1);
        tap(id, "pin", "casting", "1", "defect", "beads", "x", "0.5", "y", "0.5", "place-underside", "yes");
        assertThat(read(owner, "/log/cases/" + id).getStatus()).isEqualTo(404);
        tap(id, "fact", "fact", "bubbles_removed", "value", "none");
        tap(id, "cause", "cause", "bubbles-in-mix");
        assertThat(page(owner, "/log/cases")).contains("beads in casting 1").doesNotContain("Bubbles");
        assertThat(page(owner, "/log/cases/" + id))
                .contains("bubbles taken out of the mix by: none")
                .doesNotContain("Vacuum the mix");
        assertThat(page(owner, "/log/cases/" + id + "?answer=pattern-handling"))
                .contains("No.", "It was:", "Vacuum the mix");
        assertThat(page(owner, "/log/cases/" + id + "?answer=bubbles-in-mix")).contains("Yes.");
        assertThat(read(Studio.owner(accounts, passwords), "/log/cases/" + id).getStatus())
                .isEqualTo(404);
    }

    @Test
    void howManyToCastForSoManyGoodOnes() throws Exception {
        cast("Limpets", 4, 2, 1);
        // (2 + 4 x 1/2) / 8 = 0.5: one good to 90 % takes 4, two take 7
        assertThat(page(owner, "/log")).contains("To cast for 1 good").containsPattern(">4</td>");
        assertThat(page(owner, "/log?good=2&sure=90"))
                .contains("To cast for 2 good")
                .containsPattern(">7</td>");
        assertThat(page(owner, "/log?good=many&sure=always")).contains("To cast for 1 good");
    }

    @Test
    void afterALongTimeThereIsAList() throws Exception {
        assertThat(page(owner, "/log/refresher")).contains("trial mix of 100 g").doesNotContain("Hands forget");
        long id = cast("Limpets", 2, 1, 1);
        tap(id, "cause", "cause", "damp");
        jdbc.sql("update break_out set begun_at = begun_at - interval '80 days' where tree_id = ?")
                .param(id)
                .update();
        assertThat(page(owner, "/log/refresher")).contains("80 days ago", "Hands forget", "Damp mold, tool or charge");
    }

    @Test
    void aJobSheetHoldsPlanAndResult() throws Exception {
        long id = cast("Limpets", 2, 1, 1.02);
        assertThat(page(owner, "/breakout/" + id + "/sheet")).doesNotContain("Said at the bench");
        tap(id, "fact", "fact", "gauge_kPa", "value", "58");
        tap(id, "fact", "fact", "button", "value", "sunken");
        assertThat(page(owner, "/breakout/" + id + "/sheet"))
                .contains("Said at the bench", "vacuum gauge 58 kPa vacuum; top of the button sunken");
        assertThat(page(owner, "/breakout/" + id + "/sheet"))
                .contains("Not yet closed", "What it was poured at is not known", "scrap", "powder", "Tree as cast");
        String version = page(owner, "/breakout/" + id).replaceAll("(?s).*data-version=\"(\\d+)\".*", "$1");
        send(owner, "/breakout/" + id + "/close", Map.of("version", version));
        assertThat(page(owner, "/breakout/" + id + "/sheet")).contains("as they were frozen");
        assertThat(read(owner, "/breakout/" + limpets("Unopened", 2) + "/sheet").getStatus())
                .isEqualTo(404);
    }

    private String copyOf(long tree) throws Exception {
        return send(owner, "/breakout/" + tree + "/again", Map.of("change", "one thing", "reason", "to learn"))
                .getRedirectedUrl()
                .replaceAll("\\D", "");
    }

    private String versionOf(String page) {
        return page.replaceAll("(?s).*name=\"version\" value=\"(\\d+)\".*", "$1");
    }

    /** Each change is named by what a caster calls it. */
    @ParameterizedTest
    @CsvSource({
        "firing, mold_C, 520 C, temperature of the mold",
        "firing, pour_C, 1120 C, temperature of the metal",
        "firing, top_C, 700 C, burnout",
        "mold, water_per_100, 42, mix and its handling",
        "mold, height_mm, 160 mm, size or kind of the mold",
        "mold, powder_density, 2.5, mix and its handling"
    })
    void whatATryChangedIsNamed(String stage, String field, String value, String label) throws Exception {
        long tree = cast("Limpets", 6, 1, 1);
        String next = copyOf(tree);
        assertThat(page(owner, "/log/series/" + tree)).contains("nothing in the plan");
        Map<String, String> typed = new LinkedHashMap<>(stage.equals("mold") ? FLASK : Map.of());
        typed.put("version", versionOf(page(owner, "/trees/" + next + "/" + stage)));
        typed.put(field, value);
        assertThat(send(owner, "/trees/" + next + "/" + stage, typed).getStatus())
                .isLessThan(400);
        assertThat(page(owner, "/log/series/" + tree)).contains(label).doesNotContain("nothing in the plan");
    }

    /** Alloy and name: the one is a change, the other is not. */
    @Test
    void anotherNameIsNoChangeAndAnotherAlloyIs() throws Exception {
        long tree = cast("Limpets", 6, 1, 1);
        String next = copyOf(tree);
        Map<String, String> typed = new LinkedHashMap<>(WAX);
        typed.put("version", versionOf(page(owner, "/trees/" + next + "/tree")));
        typed.put("name", "Limpets, hotter");
        typed.put("parts[a].name", "limpet");
        typed.put("parts[a].count", "6");
        typed.put("parts[a].mass_g", "2.4 g");
        send(owner, "/trees/" + next + "/tree", typed);
        String before = page(owner, "/log/series/" + tree);
        assertThat(before).contains("Limpets, hotter").doesNotContain(">alloy<");
        typed.put("version", versionOf(page(owner, "/trees/" + next + "/tree")));
        typed.put("alloy", "sn-bronze-90-10");
        assertThat(send(owner, "/trees/" + next + "/tree", typed).getStatus()).isLessThan(400);
        assertThat(page(owner, "/log/series/" + tree)).contains("alloy");
    }

    /** Beside the version that was cast stands what came out of it, not beside those saved afterwards. */
    @Test
    void aVersionOfThePlanHasItsResult() throws Exception {
        long tree = cast("Limpets", 6, 2, 1);
        Map<String, String> typed = new LinkedHashMap<>(WAX);
        typed.put("version", versionOf(page(owner, "/trees/" + tree + "/tree")));
        typed.put("name", "Limpets");
        typed.put("parts[a].count", "8");
        typed.put("change_note", "eight next time");
        assertThat(send(owner, "/trees/" + tree + "/tree", typed).getStatus()).isLessThan(400);
        String versions = page(owner, "/trees/" + tree + "/revisions");
        assertThat(versions).contains("What came out", "eight next time").containsOnlyOnce("4 of 6 good");
        assertThat(versions.indexOf("eight next time")).isLessThan(versions.indexOf("4 of 6 good"));
        assertThat(page(owner, "/trees/" + limpets("Not opened", 3) + "/revisions"))
                .doesNotContain(" good");
    }
}
