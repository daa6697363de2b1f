package kilnryu.app;

import static kilnryu.app.Studio.as;
import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import javax.imageio.ImageIO;
import kilnryu.app.account.Account;
import kilnryu.app.record.Records;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** The wash bench: castings tapped, pinned, weighed and measured; what does not fit is refused in words. */
class BreakOutPagesTest extends AppTest {
    @Autowired
    JdbcClient jdbc;

    private long tree;

    @BeforeEach
    void limpets() throws Exception {
        Map<String, String> six = new LinkedHashMap<>(WAX);
        six.put("name", "Limpets, six");
        six.put("parts[a].name", "limpet");
        six.put("parts[a].count", "6");
        six.put("parts[a].mass_g", "2.4 g");
        tree = tree(owner, six);
        send(owner, "/trees/" + tree + "/mold", FLASK);
    }

    private String at(String rest) {
        return "/breakout/" + tree + rest;
    }

    private void open() throws Exception {
        send(owner, at("/begin"), Map.of());
    }

    /** @return the word of a tap that was refused; empty where it was taken */
    private String tap(Account who, String kind, String... fields) throws Exception {
        return tapWith(UUID.randomUUID().toString(), who, kind, fields);
    }

    private String tapWith(String key, Account who, String kind, String... fields) throws Exception {
        var request = MockMvcRequestBuilders.post(at("/tap"))
                .with(as(who))
                .with(csrf())
                .header("X-Tap", "1")
                .param("key", key)
                .param("kind", kind);
        for (int i = 0; i < fields.length; i += 2) {
            request.param(fields[i], fields[i + 1]);
        }
        MockHttpServletResponse response = mvc.perform(request).andReturn().getResponse();
        String body = response.getContentAsString();
        assertThat(response.getStatus()).as(body).isIn(200, 409);
        return response.getStatus() == 200 ? "" : body.replaceAll(".*\"word\":\"([^\"]*)\".*", "$1");
    }

    private String verdict(int casting, String now, String saw) throws Exception {
        return tap(owner, now, "casting", Integer.toString(casting), "saw", saw);
    }

    private int count(String verdict) {
        return jdbc.sql("""
                        select count(*) from casting c join break_out b on b.id = c.break_out_id
                         where b.tree_id = ? and c.verdict = ?
                        """).params(tree, verdict).query(Integer.class).single();
    }

    @Test
    void eachCastingIsATileAndOneTapJudgesIt() throws Exception {
        assertThat(page(owner, at(""))).contains("Look at 6 castings", "No pour is on record");
        open();
        assertThat(page(owner, at(""))).contains("0 of 6 looked at, before cleaning", "Casting 6, not looked at");
        assertThat(verdict(1, "good", "unseen")).isEmpty();
        assertThat(verdict(1, "mend", "good")).isEmpty();
        assertThat(verdict(1, "scrap", "mend")).isEmpty();
        assertThat(verdict(2, "good", "unseen")).isEmpty();
        assertThat(count("scrap")).isOne();
        assertThat(count("good")).isOne();
        assertThat(tap(owner, "all-good")).isEmpty();
        assertThat(page(owner, at(""))).contains("6 of 6 looked at", "5 good, 1 scrap");
        // after blasting it is looked at again; what was seen before stays
        assertThat(tap(owner, "blasted")).isEmpty();
        assertThat(page(owner, at(""))).contains("0 of 6 looked at, after blasting", "scrap before");
        assertThat(verdict(1, "good", "unseen")).isEmpty();
        assertThat(count("good")).isEqualTo(6);
        assertThat(page(owner, "/breakout")).contains("Limpets, six", "6 of 6 good");
        assertThat(page(owner, "/trees/" + tree + "/tree")).contains("Break-out", "6 of 6 good");
    }

    @Test
    void aTapCountsOnceAndNamesWhatItSaw() throws Exception {
        open();
        assertThat(tapWith("one", owner, "good", "casting", "3", "saw", "unseen"))
                .isEmpty();
        assertThat(tapWith("one", owner, "good", "casting", "3", "saw", "unseen"))
                .isEmpty();
        Account colleague = Studio.colleague(accounts, passwords, owner);
        assertThat(tap(colleague, "good", "casting", "3", "saw", "unseen"))
                .isEqualTo("Casting 3 was marked good meanwhile by Owner. Look again, then tap.");
        assertThat(count("good")).isOne();
        assertThat(jdbc.sql(
                                "select count(*) from break_out_event where kind = 'good' and break_out_id = (select id from break_out where tree_id = ?)")
                        .param(tree)
                        .query(Integer.class)
                        .single())
                .isOne();
    }

    @Test
    void eightThatTapTheSameCastingTakeOneStep() throws Exception {
        open();
        ExecutorService hands = Executors.newFixedThreadPool(8);
        try {
            List<Callable<String>> all = java.util.stream.IntStream.range(0, 8)
                    .<Callable<String>>mapToObj(i -> () -> verdict(4, "good", "unseen"))
                    .toList();
            long taken = 0;
            for (var f : hands.invokeAll(all)) {
                taken += f.get().isEmpty() ? 1 : 0;
            }
            assertThat(taken).isOne();
        } finally {
            hands.shutdown();
        }
        assertThat(count("good")).isOne();
    }

    @Test
    void eightThatOpenItMakeOneBreakOut() throws Exception {
        ExecutorService hands = Executors.newFixedThreadPool(8);
        try {
            List<Callable<Integer>> all = java.util.stream.IntStream.range(0, 8)
                    .<Callable<Integer>>mapToObj(
                            i -> () -> send(owner, at("/begin"), Map.of()).getStatus())
                    .toList();
            for (var f : hands.invokeAll(all)) {
                assertThat(f.get()).isEqualTo(302);
            }
        } finally {
            hands.shutdown();
        }
        assertThat(count("unseen")).isEqualTo(6);
    }

    @Test
    void aDefectIsPinnedWithItsPlaceAndExtentAndTheCausesFollow() throws Exception {
        open();
        assertThat(tap(
                        owner,
                        "pin",
                        "casting",
                        "1",
                        "defect",
                        "misrun",
                        "x",
                        "0.4",
                        "y",
                        "0.5",
                        "extent",
                        "4 mm",
                        "place-far-end",
                        "yes",
                        "bad",
                        "medium"))
                .isEmpty();
        assertThat(tap(
                        owner,
                        "pin",
                        "casting",
                        "2",
                        "defect",
                        "misrun",
                        "x",
                        "0.5",
                        "y",
                        "0.5",
                        "place-far-end",
                        "yes"))
                .isEmpty();
        assertThat(tap(owner, "pin", "casting", "5", "defect", "beads", "x", "0.5", "y", "0.6", "extent", "5 %"))
                .isEmpty();
        String page = page(owner, at("?casting=1"));
        assertThat(page)
                .contains("Why: misrun in 2 castings", "beads in casting 5", "far end", "4 mm, medium")
                .contains("Mold too cold at the pour", "Metal too cold", "Shell cracked in the dewax")
                .contains("ruled out", "kind of mold: flask", "same place in other castings: yes")
                .contains("Find out next", "one change")
                .doesNotContain("No problems found");
        assertThat(page(owner, at("?why=beads"))).contains("Why: beads in casting 5", "Bubbles in the mix");
        // what is answered counts as seen
        assertThat(tap(owner, "fact", "fact", "gasket", "value", "torn")).isEmpty();
        assertThat(page(owner, at(""))).contains("gasket of the vacuum table: torn");
        String pin = jdbc.sql("select max(id) from break_out_event where kind = 'pin'")
                .query(String.class)
                .single();
        assertThat(tap(owner, "unpin", "pin", pin)).isEmpty();
        assertThat(tap(owner, "unpin", "pin", pin)).isEqualTo("It was taken away meanwhile.");
        assertThat(page(owner, at(""))).doesNotContain("beads in casting 5");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "pin|casting=9;defect=misrun;x=0.5;y=0.5|There is no casting 9 on this tree.",
                "pin|defect=misrun;x=0.5;y=0.5|Touch a casting first: a defect sits on one of them.",
                "pin|casting=1;x=0.5;y=0.5|Choose what is seen.",
                "pin|casting=1;defect=ugly;x=0.5;y=0.5|Choose what is seen.",
                "pin|casting=1;defect=misrun;x=0.02;y=0.5|That point is not on the casting. Touch the drawing where the defect sits.",
                "pin|casting=1;defect=misrun;x=1.7;y=0.5|That point is not on the casting. Touch the drawing where the defect sits.",
                "pin|casting=1;defect=misrun;x=left;y=0.5|That point is not on the casting. Touch the drawing where the defect sits.",
                "pin|casting=1;defect=misrun;x=0.5;y=0.5;photo=12345678|That photo was taken away meanwhile.",
                "good|saw=unseen|Say which casting.",
                "mass|what=everything;value=12 g|Say what was weighed.",
                "fact|fact=mold_kind;value=shell|There is no such question.",
                "fact|fact=vents;value=shut|That is no answer to: vents.",
                "fact|fact=head_mm;value=-4|That cannot be: metal above the top of the piece.",
                "cause|cause=moon|There is no such cause.",
                "book|what=gating|Weigh the gating first.",
                "size|place=;cast=20|Say where it was measured, so that it is found again on the next one.",
                "size|place=rim|Type at least one size.",
                "size|place=rim;pattern=0.8 in;wanted=0.79|One of these is about 25 times another: inches and millimetres? Write the unit beside it.",
                "size|place=rim;pattern=20;wanted=34|These sizes are too far apart for one place. Look at them again.",
                "explode|what=it|There is no such tap."
            })
    void whatDoesNotFitIsRefusedInWords(String kind, String fields, String word) throws Exception {
        open();
        assertThat(tap(owner, kind, fields.split("[;=](?!$)", -1))).isEqualTo(word);
    }

    @Test
    void massesAreWeighedAndWhatIsMissingIsSaid() throws Exception {
        open();
        assertThat(tap(owner, "mass", "what", "cast", "value", "281 g")).isEmpty();
        assertThat(tap(owner, "mass", "what", "castings", "value", "172 g")).isEmpty();
        assertThat(tap(owner, "mass", "what", "gating", "value", "0.24 lb")).isEmpty();
        assertThat(page(owner, at(""))).contains("281 g", "172 g", "109 g", "Book 109 g of gating into the store");
        assertThat(tap(owner, "mass", "what", "castings", "value", "200 g")).isEmpty();
        assertThat(page(owner, at(""))).contains("Castings and gating weigh 28 g more than the tree did");
        assertThat(tap(owner, "mass", "what", "castings", "value", "heavy")).isNotEmpty();
        assertThat(tap(owner, "book")).isEmpty();
        assertThat(tap(owner, "book")).isEqualTo("The gating is in the store already.");
        assertThat(page(owner, "/metal")).contains("gating of Limpets, six");
        assertThat(jdbc.sql("select count(*) from metal_lot where studio_id = ? and name like 'gating of%'")
                        .param(owner.studioId())
                        .query(Integer.class)
                        .single())
                .isOne();
    }

    @Test
    void eachCastingsOwnMassAddsUp() throws Exception {
        open();
        for (int i = 1; i <= 6; i++) {
            assertThat(tap(owner, "mass", "casting", Integer.toString(i), "value", "20.5 g"))
                    .isEmpty();
        }
        // 6 x 20.5
        assertThat(page(owner, at(""))).contains("123 g");
    }

    @Test
    void sizesAreReadInAnyUnitAndJudged() throws Exception {
        open();
        assertThat(tap(
                        owner,
                        "size",
                        "place",
                        "across the rim",
                        "way",
                        "outside",
                        "pattern",
                        "0.8 in",
                        "print",
                        "20.3",
                        "cast",
                        "20.02 mm",
                        "wanted",
                        "20",
                        "tolerance",
                        "0.1"))
                .isEmpty();
        assertThat(tap(
                        owner,
                        "size",
                        "place",
                        "pin hole",
                        "way",
                        "bore",
                        "cast",
                        "2.3",
                        "wanted",
                        "2",
                        "tolerance",
                        "0.1"))
                .isEmpty();
        assertThat(tap(owner, "size", "place", "foot", "cast", "9.9", "wanted", "10", "tolerance", "0.2", "hot", "yes"))
                .isEmpty();
        String page = page(owner, at(""));
        // 20.02 / 20.3 = 0.98621; 20.3 / 20.32 = 0.99902
        assertThat(page)
                .contains("across the rim, outside", "20.3 mm", "-1.38 %", "the print itself -0.10 %", ">accept<");
        assertThat(page)
                .contains("pin hole, bore", ">scrap<", "measured hot: wait until it is cold", ">not yet judged<");
    }

    @Test
    void aPhotoIsDrawnAnewAndPinnedOnOneThatIsNoneIsRefused() throws Exception {
        open();
        String to = photo(picture(), "image/jpeg", "3").getRedirectedUrl();
        assertThat(to).startsWith(at("?casting=3&photo=")).endsWith("#pin");
        String number = to.replaceAll(".*photo=(\\d+).*", "$1");
        assertThat(tap(owner, "pin", "casting", "3", "defect", "crack", "x", "0.02", "y", "0.98", "photo", number))
                .isEmpty();
        assertThat(page(owner, at("?casting=3&photo=" + number))).contains("/photos/" + number, "on the photo");
        assertThat(read(owner, "/photos/" + number).getStatus()).isEqualTo(200);
        assertThat(word(photo("no picture".getBytes(), "image/jpeg", "3"))).contains("no JPEG or PNG");
        assertThat(word(photo(new byte[40_000_000], "image/jpeg", "3"))).contains("at most 20 MB");
        byte[] broken = java.util.Arrays.copyOf(picture(), 300);
        assertThat(word(photo(broken, "image/jpeg", "3"))).isNotEmpty();
        assertThat(word(photo(picture(), "image/jpeg", "44"))).contains("no casting 44");
    }

    private MockHttpServletResponse photo(byte[] file, String type, String casting) throws Exception {
        return mvc.perform(multipart(at("/photo"))
                        .file(new MockMultipartFile("photo", "limpet.jpg", type, file))
                        .param("casting", casting)
                        .with(as(owner))
                        .with(csrf()))
                .andExpect(r -> last = r.getFlashMap())
                .andReturn()
                .getResponse();
    }

    private Map<String, Object> last = Map.of();

    private String word(MockHttpServletResponse response) {
        assertThat(response.getStatus()).isEqualTo(302);
        return String.valueOf(last.getOrDefault("word", ""));
    }

    private static byte[] picture() throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(120, 90, BufferedImage.TYPE_INT_RGB), "jpeg", out);
        return out.toByteArray();
    }

    @Test
    void aForecastCountsOnlyBeforeItIsOpen() throws Exception {
        assertThat(page(owner, at(""))).contains("Forecast before opening");
        send(owner, at("/forecast"), Map.of("good", "7", "reason", "sure"));
        assertThat(page(owner, at(""))).doesNotContain("7 of 6 good");
        send(owner, at("/forecast"), Map.of("good", "5", "reason", ""));
        send(owner, at("/forecast"), Map.of("good", "5", "reason", "gauge was low"));
        send(owner, at("/forecast"), Map.of("good", "4", "reason", "gauge was very low"));
        open();
        send(owner, at("/forecast"), Map.of("good", "6", "reason", "now I know"));
        tap(owner, "all-good");
        assertThat(page(owner, at("")))
                .contains("4 of 6 good, because gauge was very low", "Came: 6 of 6, 2 more")
                .doesNotContain("now I know", "because gauge was low");
    }

    private String state() {
        return jdbc.sql("select state from break_out where tree_id = ?")
                .param(tree)
                .query(String.class)
                .single();
    }

    @Test
    void whatIsClosedStaysAsItWasSeen() throws Exception {
        open();
        tap(owner, "pin", "casting", "1", "defect", "misrun", "x", "0.5", "y", "0.5", "place-thin", "yes");
        send(owner, at("/close"), Map.of("version", "2"));
        assertThat(state()).as("not all was looked at").isEqualTo("open");
        verdict(1, "good", "unseen");
        verdict(1, "mend", "good");
        tap(owner, "all-good");
        String version = page(owner, at("")).replaceAll("(?s).*data-version=\"(\\d+)\".*", "$1");
        send(owner, at("/close"), Map.of("version", "1"));
        assertThat(state()).as("something was tapped meanwhile").isEqualTo("open");
        assertThat(send(owner, at("/close"), Map.of("version", version)).getStatus())
                .isEqualTo(302);
        assertThat(tap(owner, "good", "casting", "1", "saw", "mend"))
                .isEqualTo("This break-out is closed: what was seen stays as it was.");
        var kept = Records.read(
                        Records.BREAK_OUT,
                        jdbc.sql("select record from break_out where tree_id = ?")
                                .param(tree)
                                .query(String.class)
                                .single())
                .brokenOut();
        assertThat(kept.castings()).hasSize(6);
        assertThat(kept.castings().get(0).after()).isEqualTo("mend");
        assertThat(kept.castings().get(0).defects().get(0).kind()).isEqualTo("misrun");
        assertThat(kept.why()).isNotEmpty();
        assertThat(kept.verdict()).isEqualTo("5 good, 1 to mend.");
        assertThat(page(owner, at("")))
                .contains("Closed: it stays as it was seen.")
                .doesNotContain("All others are good");
    }

    @Test
    void theNextTryCopiesThePlanWithItsReason() throws Exception {
        send(owner, "/trees/" + tree + "/firing", Map.of("version", "0", "mold_C", "500 C", "pour_C", "1100 C"));
        open();
        tap(owner, "pin", "casting", "1", "defect", "misrun", "x", "0.5", "y", "0.5", "place-thin", "yes");
        verdict(1, "good", "unseen");
        verdict(1, "mend", "good");
        verdict(1, "scrap", "mend");
        tap(owner, "all-good");
        assertThat(page(owner, at("/again?cause=mold-too-cold&why=misrun")))
                .contains(
                        "Mold 550 °C, was 500 °C.",
                        "misrun in casting 1: mold too cold at the pour.",
                        "Here 5 of 6 came good");
        MockHttpServletResponse refused =
                send(owner, at("/again"), Map.of("cause", "mold-too-cold", "change", "hotter", "reason", ""));
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString()).contains("Say what is changed, and why", "value=\"hotter\"");
        String to = send(
                        owner,
                        at("/again"),
                        Map.of(
                                "cause",
                                "mold-too-cold",
                                "take",
                                "yes",
                                "change",
                                "Mold 550 °C",
                                "reason",
                                "thin rims misran"))
                .getRedirectedUrl();
        assertThat(to).matches("/trees/\\d+/firing");
        String copy = page(owner, to);
        assertThat(copy).contains("Limpets, six, try 2", "550");
        assertThat(page(owner, to.replace("firing", "revisions")))
                .contains("Change: Mold 550 °C Because: thin rims misran");
    }

    @Test
    void aTreeWithoutAPieceOrOfAnotherStudioIsNotOpened() throws Exception {
        Map<String, String> bare = new LinkedHashMap<>(WAX);
        bare.put("parts[a].role", "gating");
        long only = tree(owner, bare);
        assertThat(page(owner, "/breakout/" + only)).contains("There is no casting on this tree");
        send(owner, "/breakout/" + only + "/begin", Map.of());
        assertThat(jdbc.sql("select count(*) from break_out where tree_id = ?")
                        .param(only)
                        .query(Integer.class)
                        .single())
                .isZero();
        Account stranger = Studio.owner(accounts, passwords);
        assertThat(read(stranger, at("")).getStatus()).isEqualTo(404);
        open();
        assertThat(read(stranger, at("/live")).getStatus()).isEqualTo(404);
        assertThat(send(stranger, at("/tap"), Map.of("kind", "all-good")).getStatus())
                .isEqualTo(404);
        assertThat(send(stranger, at("/close"), Map.of("version", "1")).getStatus())
                .isEqualTo(404);
    }

    @Test
    void howItCoolsIsForeseenAndTheBucketJudged() throws Exception {
        String page = page(owner, at("/cooling"));
        assertThat(page).contains("into water from", "into water until", "face", "not poured yet", "silica", "Waste");
        assertThat(page(owner, at("/cooling?bucket=3l&water_C=20"))).contains("The bucket holds 3.0 kg of water");
        assertThat(page(owner, at("/cooling?bucket=much"))).contains("id=\"e-bucket\"");
        send(owner, at("/out"), Map.of("how", "water"));
        assertThat(page(owner, at("/cooling"))).doesNotContain("It went into water");
    }

    @Test
    void theDayAsksForWhatIsFullOfMetal() throws Exception {
        GoldenPour pour = new GoldenPour(jdbc, owner, tree).full(Duration.ofMinutes(1));
        assertThat(page(owner, "/today/inside")).contains("Into water", "Limpets, six", "hotter it tears and spits");
        assertThat(page(owner, at("/cooling"))).doesNotContain("not poured yet");
        pour.forget();
        pour = new GoldenPour(jdbc, owner, tree).full(Duration.ofHours(5));
        assertThat(page(owner, "/today/inside"))
                .contains("its water window is past: out by hand")
                .doesNotContain("Into water");
        pour.forget();
        pour = new GoldenPour(jdbc, owner, tree).full(Duration.ofDays(2));
        assertThat(page(owner, "/today/inside")).contains("poured, to be opened");
        open();
        verdict(1, "good", "unseen");
        assertThat(page(owner, "/today/inside")).contains("5 castings not looked at");
        tap(owner, "all-good");
        assertThat(page(owner, "/today/inside")).doesNotContain("not looked at", "to be opened");
    }

    /** What is changed beside the one change is said while it can still be taken back. */
    @Test
    void twoChangesForTheSameDefectAreSaidBeforeThePour() throws Exception {
        send(owner, "/trees/" + tree + "/firing", Map.of("version", "0", "mold_C", "500 C", "pour_C", "1100 C"));
        open();
        tap(owner, "pin", "casting", "1", "defect", "misrun", "x", "0.5", "y", "0.5", "place-thin", "yes");
        String to = send(
                        owner,
                        at("/again"),
                        Map.of("cause", "mold-too-cold", "take", "yes", "change", "Mold 550 °C", "reason", "misran"))
                .getRedirectedUrl();
        String next = to.replaceAll("\\D", "");
        assertThat(page(owner, "/breakout/" + next)).doesNotContain("were changed together");
        String seen =
                page(owner, "/trees/" + next + "/firing").replaceAll("(?s).*name=\"version\" value=\"(\\d+)\".*", "$1");
        assertThat(send(
                                owner,
                                "/trees/" + next + "/firing",
                                Map.of("version", seen, "mold_C", "550 C", "pour_C", "1150 C"))
                        .getStatus())
                .isLessThan(400);
        assertThat(page(owner, "/breakout/" + next))
                .contains(
                        "temperature of the metal and temperature of the mold were changed together, and both act on misrun",
                        "one of them can be taken back");
    }
}
