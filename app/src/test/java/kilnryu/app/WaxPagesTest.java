package kilnryu.app;

import static kilnryu.app.Studio.as;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.ZonedDateTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kilnryu.app.account.Account;
import kilnryu.app.diagnosis.FactSource;
import kilnryu.app.diagnosis.OnRecord;
import kilnryu.app.factor.FactorStore;
import kilnryu.app.plan.Plans;
import kilnryu.app.today.Day;
import kilnryu.core.diagnosis.Fact;
import kilnryu.core.diagnosis.FactKey;
import kilnryu.core.wax.Slush;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;

/** Molds of rubber laid coat by coat, waxes slushed layer by layer, looked over, weighed in and signed off. */
class WaxPagesTest extends AppTest {
    @Autowired
    JdbcClient jdbc;

    @Autowired
    FactorStore factors;

    @Autowired
    List<Day.Source> sources;

    private static Map<String, String> rubber() {
        Map<String, String> sheet = new LinkedHashMap<>();
        sheet.put("version", "0");
        sheet.put("name", "Tern, body");
        sheet.put("kind", "brushed");
        sheet.put("material", "tin-silicone");
        sheet.put("area_cm2", "1200");
        sheet.put("coats[k1]", "0.6");
        sheet.put("coats[k2]", "1.8");
        sheet.put("coats[k3]", "1.8");
        sheet.put("coats[k4]", "1.8");
        sheet.put("coats[k5]", "");
        sheet.put("hardener_per_100", "10");
        sheet.put("pot_life_min_23", "40 min");
        sheet.put("cure_h_23", "16 h");
        sheet.put("room_C", "23 C");
        sheet.put("jacket.kind", "plaster");
        sheet.put("jacket.thickness_mm", "20 mm");
        return sheet;
    }

    private String saved(String address, Map<String, String> sheet) throws Exception {
        MockHttpServletResponse answer = send(owner, address, sheet);
        assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(302);
        return answer.getRedirectedUrl().replaceAll("\\?.*", "");
    }

    private String mold() throws Exception {
        return saved("/rubber/0", rubber());
    }

    private String tap(String of, String kind, String... fields) throws Exception {
        Map<String, String> form = new LinkedHashMap<>(Map.of("kind", kind));
        for (int i = 0; i < fields.length; i += 2) {
            form.put(fields[i], fields[i + 1]);
        }
        var request = post(of + "/tap").with(as(owner)).with(csrf());
        form.forEach(request::param);
        var result = mvc.perform(request).andReturn();
        assertThat(result.getResponse().getStatus()).isLessThan(500);
        return String.valueOf(result.getFlashMap().getOrDefault("fault", ""));
    }

    /** Moves all that was tapped of a mold or wax so long into the past. */
    private void passed(String of, double minutes) {
        String table = of.startsWith("/rubber") ? "rubber_event" : "wax_event";
        String key = of.startsWith("/rubber") ? "mold_id" : "wax_id";
        jdbc.sql("update " + table + " set tapped_at = tapped_at - make_interval(secs => ?) where " + key + " = ?")
                .params(minutes * 60, Long.parseLong(of.replaceAll("\\D", "")))
                .update();
    }

    private Day today() {
        Day.Window now = Day.Window.at(ZonedDateTime.now(owner.zoneId()));
        List<Day> days = sources.stream().map(s -> s.of(owner, now)).toList();
        return new Day(
                List.of(),
                days.stream().flatMap(d -> d.tasks().stream()).toList(),
                days.stream().flatMap(d -> d.waiting().stream()).toList(),
                false);
    }

    @Test
    void anEmptyStudioHasNoWaxes() throws Exception {
        assertThat(page(owner, "/waxes")).contains("No mold of rubber yet", "No wax yet");
        assertThat(page(owner, "/waxes?archived=true")).contains("Nothing is archived");
        assertThat(page(owner, "/rubber/0")).contains("Still needed:", "Not yet judged");
    }

    /** 1200 cm2 by 0.06 cm by 1.15 by 1.1 = 91.08 g: 82.8 and 8.28; the jacket 4080 g. */
    @Test
    void eachCoatHasItsTwoCups() throws Exception {
        String page = page(owner, mold());
        assertThat(page).contains("82.8 g", "8.28 g", "No coat is on yet", "0 of 4 coats on");
        assertThat(page).containsPattern("jacket</span><b>4,?080</b>").doesNotContain("Still needed:");
        assertThat(page(owner, "/waxes")).contains("Tern, body", "not begun");
    }

    /** Pot life 40 min: the next coat from 80 min on, until 480 min after the last. */
    @Test
    void threeCoatsWithALateOne() throws Exception {
        String at = mold();
        assertThat(tap(at, "coat", "base", "82.8 g", "hardener", "8.3 g")).isEmpty();
        assertThat(page(owner, at + "/bench")).contains("the cup can be worked", "Coat 2", "248 g");
        passed(at, 45);
        assertThat(page(owner, at + "/bench")).contains("until the next coat may go on");
        assertThat(today().tasks()).anyMatch(t -> t.what().equals("Rubber, coat 2") && t.press() == Day.Press.LATER);
        passed(at, 45);
        assertThat(page(owner, at + "/bench")).contains("left to lay the next coat");
        assertThat(today().tasks()).anyMatch(t -> t.what().equals("Rubber, coat 2") && t.press() == Day.Press.DUE);
        assertThat(tap(at, "coat", "base", "248 g", "hardener", "24.8 g")).isEmpty();
        passed(at, 500);
        assertThat(page(owner, at + "/bench")).contains("Late: it is cured.");
        assertThat(today().tasks()).anyMatch(t -> t.what().equals("Rubber, coat 3") && t.press() == Day.Press.LATE);
        assertThat(tap(at, "coat", "base", "248 g", "hardener", "24.8 g")).isEmpty();
        assertThat(page(owner, at)).contains("Coat 3 went onto rubber that was cured.", "state-late");
        passed(at, 100);
        assertThat(tap(at, "coat", "base", "248 g", "hardener", "24.8 g")).isEmpty();
        assertThat(page(owner, at + "/bench")).contains("The jacket is made").doesNotContain("Mixed: its clock runs");
        assertThat(today().waiting()).anyMatch(w -> w.detail().startsWith("rubber cures until"));
        assertThat(tap(at, "pull", "fault", "")).isEqualTo("It is not cured: nothing is pulled from it yet.");
        assertThat(tap(at, "jacket")).isEmpty();
        assertThat(tap(at, "jacket")).isEqualTo("Its jacket is made already.");
        passed(at, 17 * 60);
        assertThat(today().waiting()).anyMatch(w -> w.detail().equals("cured: wax may go in"));
        assertThat(tap(at, "pull", "fault", "")).isEmpty();
        assertThat(tap(at, "pull", "fault", "torn")).isEmpty();
        assertThat(tap(at, "pull", "fault", "moon")).isEqualTo("Choose what is wrong with it.");
        assertThat(page(owner, at + "/bench")).contains("1 of 2", "2 pulls of 30 to 50", "torn 1");
        assertThat(tap(at, "wear", "says", "tear at the bill")).isEmpty();
        assertThat(tap(at, "retire", "says", "torn through")).isEmpty();
        assertThat(page(owner, at + "/bench")).contains("Worn out and retired").doesNotContain("A good pull");
        assertThat(tap(at, "pull", "fault", "")).isNotEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "82.8 g | 9 g | 9 % too much",
                "82.8 g | 7.5 g | 9 % too little",
                "2.92 | 0.29 | Is the scale on oz?",
                "much | 8 g | ",
                "82.8 g | | Weigh base and hardener"
            })
    void aCupThatIsOffIsAskedBack(String base, String hardener, String word) throws Exception {
        String at = mold();
        assertThat(tap(at, "coat", "base", base, "hardener", hardener == null ? "" : hardener))
                .isNotEmpty()
                .contains(word == null ? "" : word);
        assertThat(page(owner, at + "/bench")).contains("No coat is on yet");
    }

    private String scale(String at, String what, String... typed) throws Exception {
        var request = post(at + "/scale").param("what", what).with(as(owner)).with(csrf());
        for (int i = 0; i < typed.length; i += 2) {
            request.param(typed[i], typed[i + 1]);
        }
        Map<String, Object> flash = mvc.perform(request).andReturn().getFlashMap();
        return flash.getOrDefault("fault", "") + "|" + flash.getOrDefault("typedBase", "") + "|"
                + flash.getOrDefault("typedHardener", "");
    }

    /** 82.8 g of base are asked: the stand-in shows a little more, by hand; in ounces its digits are 2.93. */
    @Test
    void theScaleIsReadAtTheBench() throws Exception {
        String at = mold();
        assertThat(scale(at, "on-base", "hardener", "8.3")).isEqualTo("||8.3");
        assertThat(scale(at, "take-base")).startsWith("The scale has not come to rest");
        jdbc.sql("update device_scale set placed_at = placed_at - interval '1 minute' where studio_id = ?")
                .param(owner.studioId())
                .update();
        String taken = scale(at, "take-base", "hardener", "8.3");
        assertThat(taken).startsWith("|").endsWith("|8.3");
        double grams = Double.parseDouble(taken.split("\\|")[1].replace(" g", ""));
        assertThat(grams).isBetween(82.5, 83.6);
        assertThat(page(owner, at + "/bench")).contains("its display says g");
        scale(at, "unit");
        String ounces = scale(at, "take-base").split("\\|")[1];
        assertThat(tap(at, "coat", "base", ounces, "hardener", "0.29")).contains("Is the scale on");
        assertThat(scale(at, "dance")).startsWith("There is no such button.");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "name | | Give the mold a name.",
                "pot_life_min_23 | 0 | cannot be zero",
                "coats[k2] | -1 | negative",
                "area_cm2 | wide | ",
                "kind | felt | not known here",
                "box.model_cm3 | much | "
            })
    void whatCannotBeIsSaidAtItsFieldAndStays(String field, String typed, String word) throws Exception {
        Map<String, String> sheet = rubber();
        sheet.put(field, typed == null ? "" : typed);
        MockHttpServletResponse refused = send(owner, "/rubber/0", sheet);
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString()).contains(word == null ? "" : word);
        if (typed != null && !field.equals("kind")) {
            assertThat(refused.getContentAsString()).contains("value=\"" + typed + "\"");
        }
    }

    @Test
    void hardenerOverBaseIsAStopAndAnUnknownAreaIsNotJudged() throws Exception {
        Map<String, String> sheet = rubber();
        sheet.put("hardener_per_100", "120");
        assertThat(page(owner, saved("/rubber/0", sheet))).contains("Stop", "No sheet asks more hardener than base");
        sheet = rubber();
        sheet.remove("area_cm2");
        String at = saved("/rubber/0", sheet);
        assertThat(page(owner, at)).contains("Not yet judged", "The area says how much rubber it takes");
        assertThat(tap(at, "coat", "base", "80", "hardener", "8")).contains("finish its sheet first");
    }

    @Test
    void whoSavesAfterAnotherIsTold() throws Exception {
        String at = mold();
        Map<String, String> mine = rubber();
        mine.put("version", "1");
        mine.put("lies", "shelf 3");
        assertThat(send(owner, at, mine).getStatus()).isEqualTo(302);
        mine.put("lies", "shelf 4");
        MockHttpServletResponse late = send(owner, at, mine);
        assertThat(late.getStatus()).isEqualTo(409);
        assertThat(late.getContentAsString()).contains("Someone saved in between", "shelf 4");
        send(owner, at + "/archive", Map.of());
        assertThat(page(owner, "/waxes")).doesNotContain("Tern, body");
        assertThat(page(owner, "/waxes?archived=true")).contains("Tern, body");
        send(owner, at + "/restore", Map.of());
        assertThat(page(owner, "/waxes")).contains("Tern, body");
    }

    /** A tap sent twice counts once; of eight that saw the same one counts. */
    @Test
    void aTapCountsOnceAndNamesWhatItSaw() throws Exception {
        String at = mold();
        for (int i = 0; i < 2; i++) {
            tap(at, "coat", "base", "82.8", "hardener", "8.28", "key", "one-and-the-same", "count", "0");
        }
        assertThat(taps(at)).isEqualTo(1);
        AtOnce.times(
                8,
                () -> send(owner, at + "/tap", Map.of("kind", "wear", "says", "seen", "count", "1"))
                        .getStatus());
        assertThat(taps(at)).isEqualTo(2);
    }

    private int taps(String at) {
        return jdbc.sql("select count(*) from rubber_event where mold_id = ?")
                .param(Long.parseLong(at.replaceAll("\\D", "")))
                .query(Integer.class)
                .single();
    }

    private Map<String, String> wax(String mold) {
        Map<String, String> sheet = new LinkedHashMap<>();
        sheet.put("version", "0");
        sheet.put("name", "Tern, body, 1");
        sheet.put("mold", mold.replaceAll("\\D", ""));
        sheet.put("target_mm", "3 mm");
        sheet.put("layers", "3");
        sheet.put("mold_C", "22 C");
        sheet.put("thinnest_mm", "12 mm");
        return sheet;
    }

    /** 1 mm in (1 / 0.16)^2 = 39 s, to 2 mm 117 s more, to 3 mm 195 s more; 1200 cm2 by 0.3 by 0.9 = 324 g. */
    @Test
    void threeLayersOfWax() throws Exception {
        String at = saved("/waxes/0", wax(mold()));
        String page = page(owner, at);
        assertThat(page).contains("39 s", "1:57 min", "3:15 min", "324", "to 3.0 mm", "Not poured yet");
        // 6 mm of rubber: 1 mm of wax warms it by 153000 / 8970 = 17 K
        assertThat(page).contains("to cool");
        assertThat(tap(at, "out")).isEqualTo("It does not stand full.");
        for (int layer = 1; layer <= 3; layer++) {
            assertThat(tap(at, "pour")).isEmpty();
            assertThat(tap(at, "pour")).isEqualTo("It stands full already.");
            assertThat(page(owner, at + "/bench")).contains("until it is turned out", "Turned out");
            assertThat(today().tasks()).anyMatch(t -> t.what().equals("Turn the wax out"));
            passed(at, 4);
            assertThat(page(owner, at + "/bench")).contains("Turn it out now");
            assertThat(tap(at, "out")).isEmpty();
        }
        assertThat(page(owner, at + "/bench")).contains("Pulled from its mold", "One more layer");
        assertThat(tap(at, "wall", "mm", "3.2 mm", "where", "left wing")).isEmpty();
        assertThat(tap(at, "wall", "mm", "thick")).isNotEmpty();
        assertThat(page(owner, at + "/bench")).contains("3.2 mm, left wing");
        // three times 4 min: 0.16 x sqrt(720) = 4.29 mm by the model
        assertThat(jdbc.sql("select (fields->>'model')::float8 from wax_event where kind = 'wall' and wax_id = ?")
                        .param(Long.parseLong(at.replaceAll("\\D", "")))
                        .query(Double.class)
                        .single())
                .isEqualTo(4.29, within(0.02));
        assertThat(tap(at, "pulled")).isEmpty();
        assertThat(tap(at, "pulled")).isEqualTo("It was pulled already.");
        assertThat(today().waiting()).anyMatch(w -> w.detail().equals("wax to be looked over and signed off"));
    }

    @Test
    void aWaxIsLookedOverWeighedAndSignedOff() throws Exception {
        String at = saved("/waxes/0", wax(mold()));
        assertThat(tap(at, "pulled")).isEqualTo("Turn it out first.");
        tap(at, "pour");
        passed(at, 1);
        tap(at, "out");
        assertThat(tap(at, "sign", "name", "Ebba")).isEqualTo("It is in its mold still.");
        tap(at, "pulled");
        assertThat(tap(at, "sign", "name", "Ebba")).isEqualTo("Not all was looked at and found sound.");
        assertThat(tap(at, "check", "what", "moon", "sound", "yes")).contains("Choose what was looked at");
        for (String check : List.of("seam", "bubbles", "edges", "wall", "distorted", "window", "clean", "number")) {
            assertThat(tap(at, "check", "what", check, "sound", check.equals("edges") ? "no" : "yes"))
                    .isEmpty();
        }
        assertThat(page(owner, at + "/bench")).contains("To mend", "Paint wax on from inside.", "heavy in metal there");
        assertThat(tap(at, "repair", "what", "left wing painted", "side", "thicker inside"))
                .isEmpty();
        assertThat(tap(at, "repair", "what", " ")).contains("Say what was mended");
        tap(at, "check", "what", "edges", "sound", "yes");
        // 324 g asked; 200 g over 1200 cm2 by 0.9 are 1.85 mm on average
        assertThat(tap(at, "weigh", "grams", "200 g")).isEmpty();
        assertThat(page(owner, at + "/bench")).contains("1.9 mm on average", "By its mass the wall is 1.9 mm");
        tap(at, "weigh", "grams", "330 g");
        assertThat(page(owner, at + "/bench")).contains("3.1 mm on average").doesNotContain("By its mass the wall is");
        assertThat(tap(at, "sign", "name", "E")).contains("wants a name");
        assertThat(tap(at, "sign", "name", "Ebba")).isEmpty();
        assertThat(page(owner, at + "/bench"))
                .contains("Signed off", "by Ebba", "Mended: left wing painted; thicker inside");
        assertThat(page(owner, "/waxes")).contains("signed off", "330 g");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "mold_C | 70 C | 200 | freezes no wax",
                "pour_C | 130 C | 200 | Wax at 130 °C smokes.",
                "pour_C | 60 C | 422 | not liquid under 70",
                "thinnest_mm | 5 mm | 200 | fills places of 5.0 mm",
                "thinnest_mm | | 200 | Whether the wax meets itself was not judged",
                "target_mm | 0 | 422 | cannot be zero",
                "layers | many | 422 | ",
                "target_mm | | 200 | How thick the wall is to be.",
                "name | | 422 | Give the wax a name"
            })
    void whatIsTypedOfAWaxIsUnderstoodOrRefused(String field, String typed, int status, String word) throws Exception {
        Map<String, String> sheet = wax(mold());
        sheet.put(field, typed == null ? "" : typed);
        MockHttpServletResponse answer = send(owner, "/waxes/0", sheet);
        if (status == 422) {
            assertThat(answer.getStatus()).isEqualTo(422);
            assertThat(answer.getContentAsString()).contains(word == null ? "" : word);
        } else {
            assertThat(page(owner, answer.getRedirectedUrl().replaceAll("\\?.*", "")))
                    .contains(word);
        }
    }

    @Test
    void aMoldThatNeverFreezesIsNotPoured() throws Exception {
        Map<String, String> sheet = wax(mold());
        sheet.put("mold_C", "75 C");
        String at = saved("/waxes/0", sheet);
        assertThat(tap(at, "pour")).contains("finish its sheet first");
        assertThat(tap(at, "dance")).isEqualTo("There is no such tap.");
    }

    /** Five walls of 1.1 times the model: the factor is offered, holds for waxes planned afterwards, and is given back. */
    @Test
    void ownWallsTeachTheFactor() throws Exception {
        String before = saved("/waxes/0", wax(mold()));
        tap(before, "pour");
        passed(before, 5);
        tap(before, "out");
        double model = 0.16 * Math.sqrt(300);
        for (double k : new double[] {1.09, 1.095, 1.1, 1.105, 1.11}) {
            tap(before, "wall", "mm", String.format(java.util.Locale.ROOT, "%.3f mm", model * k));
        }
        assertThat(page(owner, "/log/factors")).contains("Wall of slushed wax", "× 1.10");
        send(owner, "/log/factors/take", Map.of("key", "wall"));
        assertThat(factors.of(owner.studioId()).value(Slush.OWN)).isEqualTo(1.1, within(0.003));
        assertThat(page(owner, before)).contains("39 s");
        Map<String, String> next = wax(mold());
        // a tenth thicker in the same time: 39.1 s / 1.21
        assertThat(page(owner, saved("/waxes/0", next))).contains("32 s").doesNotContain("39 s");
        send(owner, "/log/factors/give-back", Map.of("key", "wall"));
        assertThat(factors.of(owner.studioId()).value(Slush.OWN)).isEqualTo(1);
    }

    @Test
    void theStreamOfATreeBeginsWithItsMoldAndWax() throws Exception {
        long piece = Long.parseLong(send(owner, "/pieces/0", Map.of("version", "0", "name", "Tern"))
                .getRedirectedUrl()
                .replaceAll("\\D+(\\d+).*", "$1"));
        Map<String, String> sheet = rubber();
        sheet.put("piece", Long.toString(piece));
        String mold = saved("/rubber/0", sheet);
        Map<String, String> wax = wax(mold);
        wax.put("piece", Long.toString(piece));
        String at = saved("/waxes/0", wax);
        Map<String, String> tree = new LinkedHashMap<>(WAX);
        tree.put("parts[a].piece", Long.toString(piece));
        String page = page(owner, "/trees/" + tree(owner, tree) + "/tree");
        assertThat(page).contains("Mold of rubber", mold + "/bench", "0 of 1 signed off", at + "/bench");
        assertThat(page.indexOf("Mold of rubber")).isLessThan(page.indexOf("Gating"));
        assertThat(page(owner, "/trees/" + tree(owner, WAX) + "/tree")).doesNotContain("Mold of rubber");
    }

    /** What was mended on a wax stands beside its casting; a wax on which nothing was seen is left out. */
    @Test
    void whatWasSeenOnAWaxStandsAtTheBreakOut() throws Exception {
        long piece = Long.parseLong(send(owner, "/pieces/0", Map.of("version", "0", "name", "Tern"))
                .getRedirectedUrl()
                .replaceAll("\\D+(\\d+).*", "$1"));
        Map<String, String> wax = wax(mold());
        wax.put("piece", Long.toString(piece));
        String at = saved("/waxes/0", wax);
        Map<String, String> tree = new LinkedHashMap<>(WAX);
        tree.put("parts[a].piece", Long.toString(piece));
        long id = tree(owner, tree);
        send(owner, "/breakout/" + id + "/begin", Map.of());
        assertThat(page(owner, "/breakout/" + id)).doesNotContain("Seen on its waxes");
        tap(at, "pour");
        tap(at, "out");
        tap(at, "wall", "mm", "1.1 mm", "where", "left wing");
        tap(at, "repair", "fault", "crack", "what", "neck");
        tap(at, "paint", "what", "left wing");
        tap(at, "check", "what", "seam", "sound", "no");
        assertThat(page(owner, "/breakout/" + id))
                .contains("Seen on its waxes", "thin, 1.1 mm: left wing", "mended: crack, neck; Closed on the face")
                .contains("painted: left wing", "left to mend: Seam", at + "/bench");
    }

    @Autowired
    List<FactSource> facts;

    @Autowired
    Plans plans;

    private java.util.Optional<Fact> fact(long tree, FactKey key) {
        OnRecord found = new OnRecord();
        facts.forEach(f -> f.tell(owner, plans.find(owner, tree), found));
        return found.facts().get(key);
    }

    /** A thin wing and a repair of the wax are on record when its casting is looked at; with a second wax nobody knows which. */
    @Test
    void whatWasFoundOnTheWaxTravelsToTheDiagnosis() throws Exception {
        long piece = Long.parseLong(send(owner, "/pieces/0", Map.of("version", "0", "name", "Tern"))
                .getRedirectedUrl()
                .replaceAll("\\D+(\\d+).*", "$1"));
        Map<String, String> tree = new LinkedHashMap<>(WAX);
        tree.put("parts[a].piece", Long.toString(piece));
        long id = tree(owner, tree);
        assertThat(fact(id, FactKey.WALL_MM)).isEmpty();
        Map<String, String> sheet = wax(mold());
        sheet.put("piece", Long.toString(piece));
        String at = saved("/waxes/0", sheet);
        tap(at, "pour");
        passed(at, 2);
        tap(at, "out");
        tap(at, "wall", "mm", "3.4 mm", "where", "breast");
        tap(at, "wall", "mm", "1.6 mm", "where", "left wing");
        assertThat(fact(id, FactKey.WALL_MM).orElseThrow().number()).isEqualTo(1.6);
        assertThat(fact(id, FactKey.MARK_ON_PATTERN)).isEmpty();
        tap(at, "repair", "what", "left wing painted", "side", "");
        assertThat(fact(id, FactKey.MARK_ON_PATTERN).orElseThrow().word()).isEqualTo("yes");
        saved("/waxes/0", sheet);
        assertThat(fact(id, FactKey.WALL_MM)).isEmpty();
    }

    @Test
    void anotherStudioSeesNothingOfIt() throws Exception {
        String mold = mold();
        String wax = saved("/waxes/0", wax(mold));
        Account stranger = Studio.owner(accounts, passwords);
        for (String address : List.of(mold, mold + "/bench", wax, wax + "/bench")) {
            assertThat(read(stranger, address).getStatus()).as(address).isEqualTo(404);
        }
        assertThat(send(stranger, mold + "/tap", Map.of("kind", "retire", "says", "mine"))
                        .getStatus())
                .isEqualTo(404);
        assertThat(send(stranger, wax + "/tap", Map.of("kind", "pour")).getStatus())
                .isEqualTo(404);
        // a mold of another studio is no mold of this one
        Map<String, String> theirs = wax(mold);
        String own = send(stranger, "/waxes/0", theirs).getRedirectedUrl().replaceAll("\\D", "");
        assertThat(jdbc.sql("select mold_id is null from wax where id = ?")
                        .param(Long.parseLong(own))
                        .query(Boolean.class)
                        .single())
                .isTrue();
    }
}
