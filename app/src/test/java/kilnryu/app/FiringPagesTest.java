package kilnryu.app;

import static kilnryu.app.Studio.as;
import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import kilnryu.app.account.Account;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;

/** Kilns, loads and programs; a firing from its plan to its log. */
class FiringPagesTest extends AppTest {
    private static final Map<String, String> KILN = kiln();

    private static Map<String, String> kiln() {
        Map<String, String> kiln = new HashMap<>(Map.of("version", "0", "name", "brick kiln", "plan", "round"));
        kiln.putAll(Map.of("width_mm", "460", "height_mm", "450", "shelves_mm", "0, 230", "control", "ramp"));
        kiln.putAll(Map.of("power_kW", "6", "max_C", "1150", "to_700_min", "70", "tariff", "0.25", "money", "€"));
        return kiln;
    }

    private long kiln;
    private long tree;

    @BeforeEach
    void aKilnAndAFlask() throws Exception {
        kiln = number(send(owner, "/kilns/0", KILN));
        tree = tree(owner, WAX);
        send(owner, "/trees/" + tree + "/mold", FLASK);
    }

    private static long number(MockHttpServletResponse answer) {
        assertThat(answer.getStatus()).as(answer.getErrorMessage()).isEqualTo(302);
        return Long.parseLong(answer.getRedirectedUrl().replaceAll("\\D+(\\d+).*", "$1"));
    }

    private Map<String, String> load(long... trees) {
        Map<String, String> load = new LinkedHashMap<>();
        load.put("version", "0");
        load.put("name", "Ebb tide");
        load.put("kiln", Long.toString(kiln));
        for (long t : trees) {
            load.put("molds[" + t + "].in", "yes");
        }
        return load;
    }

    private long firing() throws Exception {
        return number(send(owner, "/firings/0/load", load(tree)));
    }

    private static Map<String, String> program(String... lines) {
        Map<String, String> program = new LinkedHashMap<>(Map.of("version", "1", "program_is", "typed"));
        for (int i = 0; i < lines.length; i++) {
            String[] parts = lines[i].split("\\|", -1);
            program.put("program[k" + (i + 1) + "].rate", parts[0]);
            program.put("program[k" + (i + 1) + "].target_C", parts[1]);
            program.put("program[k" + (i + 1) + "].hold_min", parts[2]);
        }
        return program;
    }

    /** 1.15 x 1150 = 1322.5; 6000 / 1302.5 = 4.61 W/K; 4.61 x 680 = 3.13 kW. */
    @Test
    void aKilnSaysWhatItsPlateAndTrialMean() throws Exception {
        assertThat(page(owner, "/kilns/" + kiln))
                .contains("<b>4.61</b>", "<b>1323</b>", "<b>3.13</b>", "loss × (700 − 20) ÷ 1000");
        assertThat(page(owner, "/kilns")).contains("brick kiln", "Ø 460 × 450 mm", "6.0 kW, to 1150 °C");
    }

    @Test
    void aKilnThatCannotBeIsSaidAtItsField() throws Exception {
        Map<String, String> wrong = new HashMap<>(KILN);
        wrong.put("max_C", "500");
        wrong.put("to_700_min", "0");
        wrong.put("shelves_mm", "0, high");
        wrong.put("power_kW", "much");
        MockHttpServletResponse answer = send(owner, "/kilns/0", wrong);
        assertThat(answer.getStatus()).isEqualTo(422);
        assertThat(answer.getContentAsString()).contains("Heights in mm", "much", "brick kiln");
        assertThat(send(owner, "/kilns/" + kiln, KILN).getStatus()).isEqualTo(409);
    }

    @Test
    void careIsWrittenDown() throws Exception {
        send(owner, "/kilns/" + kiln + "/care", Map.of("what", "new elements", "note", "two of four"));
        assertThat(page(owner, "/kilns/" + kiln)).contains("new elements", "two of four");
        send(owner, "/kilns/" + kiln + "/away", Map.of());
        assertThat(page(owner, "/kilns")).doesNotContain("brick kiln");
        send(owner, "/kilns/" + kiln + "/back", Map.of());
        assertThat(page(owner, "/kilns")).contains("brick kiln");
    }

    @Test
    void aLoadIsPlacedAndItsProgramFollowsTheHeat() throws Exception {
        long id = firing();
        String load = page(owner, "/firings/" + id + "/load");
        assertThat(load).contains("shelf at 230 mm", "Reed warbler", "Ø 108 × 150 mm");
        String program = page(owner, "/firings/" + id);
        assertThat(program)
                .contains("the last mold is dry at the middle", "over 680 °C", "kWh", "Dry at", "class=\"corner\"");
        // six kilowatts at a quarter of a euro: the cost is the energy in it times that
        assertThat(program).contains("cost of the firing, €");
    }

    @Test
    void moldsThatStandInEachOtherOrInTheWallAreSaid() throws Exception {
        Map<String, String> other = new HashMap<>(WAX);
        other.put("name", "Turnstone");
        long second = tree(owner, other);
        send(owner, "/trees/" + second + "/mold", FLASK);
        Map<String, String> load = load(tree, second);
        load.put("molds[" + tree + "].x_mm", "10");
        load.put("molds[" + tree + "].y_mm", "0");
        load.put("molds[" + second + "].x_mm", "40");
        load.put("molds[" + second + "].y_mm", "0");
        String answer = send(owner, "/firings/0/load/try", load).getContentAsString();
        assertThat(answer).contains("stands in");
        load.put("molds[" + second + "].x_mm", "190");
        assertThat(send(owner, "/firings/0/load/try", load).getContentAsString())
                .contains("Turnstone stands in the wall");
        load.put("molds[" + second + "].x_mm", "far");
        assertThat(send(owner, "/firings/0/load", load).getStatus()).isEqualTo(422);
    }

    @Test
    void anEmptyLoadIsNotSaved() throws Exception {
        MockHttpServletResponse answer = send(owner, "/firings/0/load", load());
        assertThat(answer.getStatus()).isEqualTo(422);
        assertThat(answer.getContentAsString()).contains("The load is empty", "Ebb tide");
        assertThat(page(owner, "/firings/new")).contains("Plan a firing");
    }

    @Test
    void shellsAndGypsumDoNotShareAKiln() throws Exception {
        Map<String, String> other = new HashMap<>(WAX);
        other.put("name", "Tellin");
        long shell = tree(owner, other);
        send(
                owner,
                "/trees/" + shell + "/mold",
                Map.of("version", "0", "mold_kind", "shell", "tree_width_mm", "70", "tree_height_mm", "110"));
        long id = number(send(owner, "/firings/0/load", load(tree, shell)));
        assertThat(page(owner, "/firings/" + id)).contains("Shells and molds of gypsum stand in one load");
        long alone = number(send(owner, "/firings/0/load", load(shell)));
        assertThat(page(owner, "/firings/" + alone)).contains("the inside of the wall is at heat", "patch, dry");
    }

    @Test
    void aTypedProgramIsTriedAndItsShortHoldsAreSaid() throws Exception {
        long id = firing();
        String answer = send(
                        owner,
                        "/firings/" + id + "/try",
                        program("150|150|2:00", "100|370|1:00", "150|730|2:00", "150|540|1:00"))
                .getContentAsString();
        assertThat(answer).contains("The hold at 150 °C ends before this is so", "Reed warbler");
        MockHttpServletResponse longer = send(
                owner,
                "/firings/" + id + "/as",
                with(program("150|150|2:00", "100|370|1:00", "150|730|2:00", "150|540|1:00"), "as", "lengthen"));
        assertThat(longer.getContentAsString())
                .contains("Not saved yet")
                .doesNotContain("The hold at 150 °C ends before this is so");
    }

    /** 130 K at 150 K/h are 52 minutes: the hold of two hours ends at 172, of three at 232. */
    @Test
    void theCurveComesAloneAndItsRestWithoutIt() throws Exception {
        long id = firing();
        Map<String, String> two = program("150|150|2:00", "150|730|2:00");
        String curve = send(owner, "/firings/" + id + "/curve", two).getContentAsString();
        assertThat(curve).contains("id=\"curve\"", "data-minute=\"172.00\"").doesNotContain("<table", "id=\"answer\"");
        String rest = send(owner, "/firings/" + id + "/try", with(two, "drawn", "yes"))
                .getContentAsString();
        assertThat(rest)
                .contains("hx-preserve", "The hold at 150 °C ends before this is so", "value=\"2:00\"")
                .doesNotContain("<svg");
        assertThat(send(owner, "/firings/" + id + "/try", two).getContentAsString())
                .contains("<svg", "data-minute=\"172.00\"");
        assertThat(send(owner, "/firings/" + id + "/curve", program("150|150|3:00", "150|730|2:00"))
                        .getContentAsString())
                .contains("data-minute=\"232.00\"");
        assertThat(send(owner, "/firings/" + id + "/curve", program("much|150|60"))
                        .getContentAsString())
                .contains("There is no program yet");
        Account stranger = Studio.owner(accounts, passwords);
        assertThat(send(stranger, "/firings/" + id + "/curve", two).getStatus()).isEqualTo(404);
    }

    /** 52 + 120 + 232 + 120 minutes are 524, up to 800 °C; an hour more stays in that window while it is in the hand. */
    @Test
    void aCornerInTheHandKeepsItsWindow() throws Exception {
        String curve = "/firings/" + firing() + "/curve";
        Map<String, String> three = program("150|150|3:00", "150|730|2:00");
        assertThat(send(owner, curve, program("150|150|2:00", "150|730|2:00")).getContentAsString())
                .contains("data-window=\"524.00 by 800\"")
                .doesNotContain("clip");
        // 46 + 770 x 232 / 524 = 386.9, less half a knob
        assertThat(send(owner, curve, with(three, "window", "524.00 by 800")).getContentAsString())
                .contains("data-window=\"524.00 by 800\"", "data-minute=\"232.00\"", "clip-path", "<rect x=\"382.4\"");
        for (String nonsense : List.of("all of it", "0.00 by 000", "-524.00 by 800", "1e9 by 800")) {
            assertThat(send(owner, curve, with(three, "window", nonsense)).getContentAsString())
                    .contains("data-window=\"584.00 by 800\"");
        }
    }

    private static Map<String, String> with(Map<String, String> all, String key, String value) {
        Map<String, String> more = new LinkedHashMap<>(all);
        more.put(key, value);
        return more;
    }

    @Test
    void programsThatCannotBeAreSaidAtTheirLine() throws Exception {
        long id = firing();
        String address = "/firings/" + id;
        assertThat(send(owner, address, program("0|150|60")).getStatus()).isEqualTo(422);
        assertThat(send(owner, address, program("150|5|60")).getContentAsString())
                .contains("A kiln does not go below the room");
        assertThat(send(owner, address, program("150|150|-3")).getStatus()).isEqualTo(422);
        assertThat(send(owner, address, program("150|ten|60")).getContentAsString())
                .contains("ten");
        String[] many = new String[201];
        java.util.Arrays.fill(many, "100|150|0");
        assertThat(send(owner, address, program(many)).getContentAsString()).contains("At most 200 segments");
        // a week of hold is long and allowed; thirty days are not
        assertThat(send(owner, address + "/try", program("150|150|168 h", "150|730|60"))
                        .getStatus())
                .isEqualTo(200);
        assertThat(send(owner, address, program("1|730|0", "1|20|0", "1|730|0")).getContentAsString())
                .contains("over 30 days");
        String[] most = new String[200];
        for (int i = 0; i < 200; i++) {
            most[i] = "200|" + (30 + 3 * i) + "|0";
        }
        assertThat(send(owner, address + "/try", program(most)).getStatus()).isEqualTo(200);
        // 1.15 x 1150 = 1322 at most; a gypsum mold is damaged long before
        assertThat(send(owner, address + "/try", program("300|1390|60")).getContentAsString())
                .contains("comes to", "may see 750", "reaches 1323");
    }

    @Test
    void whatIfAndTheInsideOfAMold() throws Exception {
        long id = firing();
        String half = send(owner, "/firings/" + id + "/whatif", Map.of("what", "half-0"))
                .getContentAsString();
        assertThat(half).contains("the hold at 150 °C were half as long", "middle of Reed warbler dry");
        assertThat(send(owner, "/firings/" + id + "/whatif", Map.of("what", "ajar"))
                        .getContentAsString())
                .contains("the door stood ajar");
        assertThat(send(owner, "/firings/" + id + "/whatif", Map.of("what", "nonsense"))
                        .getStatus())
                .isEqualTo(200);
        String sections =
                send(owner, "/firings/" + id + "/sections", Map.of("mold", "0")).getContentAsString();
        assertThat(sections).contains("\"rings\":10", "\"across\":100.0", "\"pictures\":[{\"minute\":0.0");
    }

    @Test
    void ownProgramsAreKeptAndConverted() throws Exception {
        Map<String, String> own = new LinkedHashMap<>(program("150|150|3:00", "100|370|1:30", "150|730|2:30"));
        own.putAll(Map.of(
                "name", "our night",
                "for_diameter_mm", "65",
                "for_height_mm", "100",
                "to_diameter_mm", "100",
                "to_height_mm", "150"));
        long id = number(send(owner, "/kilns/programs/0", own));
        String page = page(owner, "/kilns/programs/" + id);
        // (65 / 100)2 = 0.4225 of 150 K/h
        assertThat(page).contains("What has to grow", "ramp 150 to 63 K/h");
        long larger = number(send(owner, "/kilns/programs/" + id + "/convert", Map.of()));
        assertThat(page(owner, "/kilns/programs/" + larger)).contains("our night, larger");
        long firing = firing();
        assertThat(send(owner, "/firings/" + firing + "/as", Map.of("as", "own-" + id, "version", "1"))
                        .getContentAsString())
                .contains("370 °C");
        assertThat(send(owner, "/kilns/programs/0", Map.of("name", "", "version", "0"))
                        .getStatus())
                .isEqualTo(422);
    }

    private long started() throws Exception {
        long id = firing();
        assertThat(send(owner, "/firings/" + id + "/start", Map.of()).getRedirectedUrl())
                .endsWith("#start");
        assertThat(send(owner, "/firings/" + id + "/start", Map.of("ready", "on", "even_so", "on"))
                        .getRedirectedUrl())
                .endsWith("/run");
        return id;
    }

    /** The mold is not mixed: the start asks, says of which, and keeps that it was started even so. */
    @Test
    void aStartOfWhatIsNotReadyAsks() throws Exception {
        long id = firing();
        assertThat(page(owner, "/firings/" + id)).contains("Not ready", "Reed warbler", "it is not mixed", "even_so");
        assertThat(send(owner, "/firings/" + id + "/start", Map.of("ready", "on"))
                        .getRedirectedUrl())
                .endsWith("#start");
        assertThat(page(owner, "/firings")).contains("planned");
        send(owner, "/firings/" + id + "/start", Map.of("ready", "on", "even_so", "on"));
        assertThat(page(owner, "/firings/" + id + "/run"))
                .contains("overruled: not ready: Reed warbler (it is not mixed)");
    }

    /** A mold that is warned by itself goes into the kiln with its warning. */
    @Test
    void aLoadIsNotFineWhileOneOfItsMoldsIsWarned() throws Exception {
        Map<String, String> near = new HashMap<>(FLASK);
        near.put("version", "1");
        near.put("tree_width_mm", "84");
        send(owner, "/trees/" + tree + "/mold", near);
        assertThat(page(owner, "/firings/" + firing()))
                .containsPattern("verdict-strip no-print (warn|stop)")
                .contains("of its own.")
                .doesNotContain("<b>No problems found</b>");
    }

    /** Days before its hour it asks as well. */
    @Test
    void aStartDaysEarlyAsks() throws Exception {
        Map<String, String> load = new LinkedHashMap<>(load(tree));
        load.put("pour_at", java.time.LocalDate.now().plusDays(6).atTime(15, 0).toString());
        long id = number(send(owner, "/firings/0/load", load));
        assertThat(page(owner, "/firings/" + id)).containsPattern("It starts \\d+ h.* sooner than planned");
    }

    @Test
    void theLoadOfAStartedFiringIsShownAsItWasFrozen() throws Exception {
        String firing = "/firings/" + started();
        assertThat(page(owner, firing + "/load"))
                .contains("The load as it was frozen at the start", "Reed warbler", "Program as it was started")
                .doesNotContain("Shown as kept");
        assertThat(send(owner, firing + "/load", load(tree)).getStatus()).isEqualTo(409);
    }

    @Test
    void theCardAfterTheStartKeepsPlannedAndActualApart() throws Exception {
        String firing = "/firings/" + firing();
        assertThat(page(owner, firing + "/card")).contains("Read back").doesNotContain("Planned end");
        send(owner, firing + "/start", Map.of("ready", "on", "even_so", "on"));
        send(owner, firing + "/duty", Map.of("duty", "close_kiln-1"));
        assertThat(page(owner, firing + "/card"))
                .contains("Planned end", "Kiln then", "to come", "done at", "<th scope=\"col\">Actual</th>")
                .doesNotContain("Read back");
    }

    /** Read from the door: what it is, what is asked next, one button; the stand-in is folded away. */
    @Test
    void theRunIsAPageForTheNight() throws Exception {
        String firing = "/firings/" + started();
        String run = page(owner, firing + "/run");
        assertThat(run).contains("run-work night", "class=\"btn btn-primary tall\"", "data-calls", "no reading yet");
        assertThat(run).contains("<details class=\"stand-in-box\"");
        assertThat(run).as("nothing was heard of the kiln yet").contains("<b>Not yet judged</b>");
        assertThat(run.split("class=\"btn btn-primary tall\""))
                .as("one button leads")
                .hasSize(2);
        send(owner, firing + "/end", Map.of("as", "poured"));
        assertThat(page(owner, firing + "/run"))
                .doesNotContain("run-work night")
                .contains("Ended: poured");
    }

    /** Poured at four the vent would be closed in the night: another hour is offered, and taken by its button. */
    @Test
    void thePourIsMovedByAButton() throws Exception {
        Map<String, String> load = new LinkedHashMap<>(load(tree));
        load.put("pour_at", java.time.LocalDate.now().plusDays(6).atTime(4, 0).toString());
        long id = number(send(owner, "/firings/0/load", load));
        String page = page(owner, "/firings/" + id);
        assertThat(page).contains("Move the pour", "instead, and nobody has to get up in the night.");
        String at = page.replaceAll("(?s).*name=\"at\" value=\"([^\"]+)\".*", "$1");
        assertThat(send(owner, "/firings/" + id + "/pour", Map.of("at", "soon", "version", "1"))
                        .getRedirectedUrl())
                .endsWith("/firings/" + id);
        send(owner, "/firings/" + id + "/pour", Map.of("at", at, "version", "7"));
        assertThat(page(owner, "/firings/" + id)).as("of an old version").contains("Move the pour");
        assertThat(send(owner, "/firings/" + id + "/pour", Map.of("at", at, "version", "1"))
                        .getRedirectedUrl())
                .endsWith("?saved");
        assertThat(page(owner, "/firings/" + id)).doesNotContain("Move the pour");
    }

    /** A load of many opens at once and fills itself. */
    @Test
    void aLargeLoadShowsItsPageFirst() throws Exception {
        long[] trees = new long[9];
        for (int i = 0; i < trees.length; i++) {
            trees[i] = tree(owner, WAX);
            send(owner, "/trees/" + trees[i] + "/mold", FLASK);
        }
        long id = number(send(owner, "/firings/0/load", load(trees)));
        assertThat(page(owner, "/firings/" + id))
                .contains("9 molds are fired in the simulation", "whole=true")
                .doesNotContain("id=\"program\"");
        assertThat(page(owner, "/firings/" + id + "?whole=true")).contains("id=\"program\"");
    }

    @Test
    void theListIsNarrowedAndSearched() throws Exception {
        firing();
        assertThat(page(owner, "/firings?q=ebb")).contains("Ebb tide", "outline of the tree");
        assertThat(page(owner, "/firings?q=warbler")).as("by its trees").contains("Ebb tide");
        assertThat(page(owner, "/firings?q=brick")).as("by its kiln").contains("Ebb tide");
        assertThat(page(owner, "/firings?state=done")).contains("No firing is found by that.");
        assertThat(page(owner, "/firings?q=nothing")).contains("No firing is found by that.");
    }

    @Test
    void aFiringStartsOnceAndItsDutiesAreTickedOnce() throws Exception {
        long id = started();
        send(owner, "/firings/" + id + "/start", Map.of("ready", "on", "even_so", "on"));
        String run = page(owner, "/firings/" + id + "/run");
        assertThat(run).contains("close the kiln, vent open", "Stand-in controller", "all done, foreseen now");
        assertThat(run.split("Reed warbler stands").length).isEqualTo(2);
        send(owner, "/firings/" + id + "/duty", Map.of("duty", "close_kiln-1"));
        send(owner, "/firings/" + id + "/duty", Map.of("duty", "close_kiln-1"));
        String ticked = page(owner, "/firings/" + id + "/live");
        assertThat(ticked).contains("by Owner");
        assertThat(page(owner, "/firings/" + id + "/run").split("close kiln: done").length)
                .isEqualTo(2);
        assertThat(send(owner, "/firings/" + id + "/duty", Map.of("duty", "<b>"))
                        .getStatus())
                .isEqualTo(400);
        assertThat(send(owner, "/firings/" + id + "/stand-in/fault", Map.of("fault", "flood"))
                        .getStatus())
                .isEqualTo(400);
        assertThat(send(owner, "/firings/" + id, program("150|150|60")).getStatus())
                .isEqualTo(409);
        send(owner, "/firings/" + id + "/end", Map.of("as", "poured, all full"));
        assertThat(page(owner, "/firings/" + id + "/run")).contains("poured, all full");
        assertThat(page(owner, "/firings")).contains("done");
    }

    /** With gloves on the wrong one is ticked: it is due again, and both stay written down. */
    @Test
    void aDutyTickedByMistakeIsDueAgain() throws Exception {
        String firing = "/firings/" + started();
        send(owner, firing + "/duty", Map.of("duty", "close_kiln-1"));
        assertThat(page(owner, firing + "/live")).contains("by Owner", "not done");
        send(owner, firing + "/duty/back", Map.of("duty", "close_kiln-1"));
        send(owner, firing + "/duty/back", Map.of("duty", "close_kiln-1"));
        String run = page(owner, firing + "/run");
        assertThat(run).doesNotContain("by Owner", "close kiln: done").contains("close kiln: ticked by mistake");
        assertThat(run.split("close kiln: taken back").length).isEqualTo(2);
        send(owner, firing + "/duty", Map.of("duty", "close_kiln-1"));
        assertThat(page(owner, firing + "/run")).contains("close kiln: done");
    }

    @Test
    void photosOfTheLoadStayWithTheFiring() throws Exception {
        String firing = "/firings/" + started();
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB), "png", png);
        assertThat(photo(firing, png.toByteArray()).getRedirectedUrl()).isEqualTo(firing + "/run#photos");
        String run = page(owner, firing + "/run");
        String picture = run.replaceAll("(?s).*?src=\"(/photos/\\d+)\".*", "$1");
        assertThat(read(owner, picture).getContentType()).isEqualTo("image/jpeg");
        Account stranger = Studio.owner(accounts, passwords);
        assertThat(read(stranger, picture).getStatus()).isEqualTo(404);
        assertThat(photo(firing, "no picture".getBytes(StandardCharsets.UTF_8)).getRedirectedUrl())
                .isEqualTo(firing + "/run#photos");
        assertThat(page(owner, firing + "/run").split("class=\"thumb\"").length).isEqualTo(2);
    }

    private MockHttpServletResponse photo(String firing, byte[] file) throws Exception {
        return mvc.perform(multipart(firing + "/photo")
                        .file(new MockMultipartFile("photo", "load.png", "image/png", file))
                        .with(as(owner))
                        .with(csrf()))
                .andReturn()
                .getResponse();
    }

    private MockHttpServletResponse log(long id, String csv, Map<String, String> more) throws Exception {
        var request = multipart("/firings/" + id + "/log")
                .file(new MockMultipartFile("file", "log.csv", "text/csv", csv.getBytes(StandardCharsets.UTF_8)))
                .with(as(owner))
                .with(csrf());
        more.forEach(request::param);
        return mvc.perform(request).andReturn().getResponse();
    }

    /** 302 F is 150 C; lines out of order and twice; decimal commas; one line that is none. */
    @Test
    void aLogInFahrenheitWithCommas() throws Exception {
        long id = started();
        String csv = "Date;Kiln temp (°F)\n"
                + "2026-05-08 20:00;68,0\n2026-05-08 21:00;302,0\n2026-05-08 20:30;185,5\n"
                + "2026-05-08 21:00;302,0\nnonsense;x\n2026-05-08 22:00;1.350,0\n2026-05-08 22:10;\"302,0\"\n";
        assertThat(log(id, csv, Map.of()).getRedirectedUrl()).isEqualTo("/firings/" + id + "/log?taken");
        assertThat(page(owner, "/firings/" + id + "/log?taken"))
                .contains("5 readings taken in", "1 line could not be read", "Kiln temp (°F)");
        assertThat(read(owner, "/firings/" + id + "/log/intake").getStatus()).isEqualTo(204);
        // the columns are kept for the kiln: a file without them is asked for them by name
        MockHttpServletResponse other = log(id, "t,value\n0,20\n60,40\n", Map.of());
        assertThat(other.getStatus()).isEqualTo(422);
        assertThat(other.getContentAsString()).contains("It has no column");
        Map<String, String> named = Map.of("col_time", "t", "col_temperature", "value", "col_unit", "C");
        // what was typed stays, with a word at the field
        assertThat(log(id, "t,value\n0,20\n", with(named, "moved", "a while")).getContentAsString())
                .contains("value=\"a while\"", "value=\"value\"", "is-invalid");
        assertThat(log(id, "t,value\n0,20\n60,40\n", named).getStatus()).isEqualTo(302);
        assertThat(page(owner, "/firings/" + id + "/log")).contains("2 readings");
        assertThat(log(id, "", Map.of()).getStatus()).isEqualTo(422);
        assertThat(log(id, "a,b\n\"unclosed", Map.of("col_time", "a", "col_temperature", "b"))
                        .getStatus())
                .isEqualTo(422);
    }

    /** Of twenty thousand readings at 400 C one at 790: thinned for the page, it is still there and a stop of safety. */
    @Test
    void noPeakIsLostWhereALogIsThinned() throws Exception {
        long id = started();
        StringBuilder csv = new StringBuilder("seconds,temp\n");
        for (int i = 0; i < 20_000; i++) {
            csv.append(i).append(',').append(i == 13_337 ? 790 : 400).append('\n');
        }
        log(id, csv.toString(), Map.of());
        String page = page(owner, "/firings/" + id + "/log?taken");
        assertThat(page)
                .contains("20,000 readings taken in", "The kiln was at 790 °C", "may see 750", "Likely damaged");
        assertThat(page.length()).isLessThan(200_000);
    }

    /** Two kilns of one flask in one house: what a second mold costs the first is said. */
    @Test
    void whatSharingCostsTheQuickerMold() throws Exception {
        Map<String, String> other = new HashMap<>(WAX);
        other.put("name", "Turnstone");
        long small = tree(owner, other);
        Map<String, String> flask = new HashMap<>(FLASK);
        flask.put("inner_diameter_mm", "60 mm");
        flask.put("tree_width_mm", "30");
        send(owner, "/trees/" + small + "/mold", flask);
        long id = number(send(owner, "/firings/0/load", load(tree, small)));
        String page = page(owner, "/firings/" + id);
        assertThat(page).contains("rules", "Turnstone");
        // the wide one alone takes as long as both; the small one waits for it for hours
        assertThat(page).containsPattern("\\+ [5-9] h \\d\\d min|\\+ 1\\d h \\d\\d min");
        String apart = send(owner, "/firings/" + id + "/whatif", Map.of("what", "without-" + tree))
                .getContentAsString();
        assertThat(apart).contains("Reed warbler were fired apart", "apart");
        String cool = page(owner, "/firings/" + id).replaceAll("\\s+", " ");
        assertThat(cool).contains("Out of the kiln: how long each mold may stand");
        assertThat(send(owner, "/firings/" + id + "/cooling", Map.of()).getContentAsString())
                .contains("face there after", "Turnstone", "min");
    }

    @Test
    void theProgramGoesOutAsFilesAndOnACard() throws Exception {
        long id = firing();
        send(owner, "/firings/" + id, program("150|302 F|2:30", "full|1346 °F|1:00"));
        String csv = page(owner, "/firings/" + id + "/program.csv");
        assertThat(csv)
                .contains("segment,stage,rate_K_h,target_C,hold_min,ruled_by", "1,dry out,150,150,150,typed")
                .contains("2,burn out,full,730,60,typed");
        assertThat(page(owner, "/firings/" + id + "/program.json"))
                .contains("\"rate_K_h\":null", "\"target_C\":730.0", "\"hold_min\":150");
        assertThat(page(owner, "/firings/" + id + "/card")).contains("2:30", "150 K/h", "302 °F", "Read back", "full");
    }

    @Test
    void strangersFindNothing() throws Exception {
        long id = firing();
        Account stranger = Studio.owner(accounts, passwords);
        for (String path : new String[] {
            "/firings/" + id,
            "/firings/" + id + "/load",
            "/firings/" + id + "/run",
            "/firings/" + id + "/log",
            "/firings/" + id + "/card",
            "/firings/" + id + "/program.csv",
            "/firings/" + id + "/events",
            "/kilns/" + kiln
        }) {
            assertThat(read(stranger, path).getStatus()).as(path).isEqualTo(404);
        }
        Map<String, String> theirs = load(tree);
        assertThat(send(stranger, "/firings/0/load", theirs).getStatus()).isEqualTo(422);
        assertThat(send(stranger, "/firings/" + id + "/start", Map.of("ready", "on", "even_so", "on"))
                        .getStatus())
                .isEqualTo(404);
    }

    /** One clock: the hours of the load hold on the tree's pages, not those of its own plan. */
    @Test
    void aTreeInALoadShowsTheLoadsHours() throws Exception {
        assertThat(page(owner, "/trees/" + tree + "/firing")).doesNotContain("In load");
        Map<String, String> load = load(tree);
        load.put("pour_at", "2031-05-07T16:40");
        long id = number(send(owner, "/firings/0/load", load));
        String firing = page(owner, "/trees/" + tree + "/firing");
        assertThat(firing)
                .contains("In load Ebb tide, waiting: close ", "pour Wed 7 May, 16:40", "href=\"/firings/" + id + "\"")
                .contains("Ebb tide, waiting, close ");
        String card = page(owner, "/trees/" + tree + "/card");
        assertThat(card)
                .contains("In load Ebb tide, waiting", "pour Wed 7 May, 16:40")
                .doesNotContain(">Be there<");
        send(owner, "/firings/" + id + "/away", Map.of());
        assertThat(page(owner, "/trees/" + tree + "/firing")).doesNotContain("In load");
    }

    /** 3.9 g/cm3 is no load for a crucible rated for 20 g; two melts, and one tree that does not go into one. */
    @Test
    void aLoadIsHeldAgainstTheCrucible() throws Exception {
        long id = firing();
        assertThat(page(owner, "/firings/" + id)).doesNotContain("what the crucible melts at once");
        send(owner, "/equipment", Map.of("version", "0", "crucible_rated_g", "20 g", "lift_kg", "0.1 kg"));
        assertThat(page(owner, "/firings/" + id))
                .contains(
                        "Reed warbler: The charge of",
                        "what the crucible melts at once",
                        "one person lifts 0.1 kg here");
        assertThat(page(owner, "/trees/" + tree + "/tree")).contains("what the crucible melts at once");
    }

    /** Waiting, in the kiln, fired; poured once the pour was ticked. */
    @Test
    void theTreeFollowsItsLoad() throws Exception {
        long id = started();
        assertThat(page(owner, "/trees/" + tree + "/firing"))
                .contains("In load Ebb tide, in the kiln: closed ", "pour about ")
                .doesNotContain("Put it in a kiln with others");
        send(owner, "/firings/" + id + "/end", Map.of("as", "poured, all full"));
        assertThat(page(owner, "/trees/" + tree + "/firing"))
                .contains("In load Ebb tide, fired: ", "Put it in a kiln with others");
        assertThat(page(owner, "/trees/" + tree + "/tree")).contains("Ebb tide, fired");
    }

    @Test
    void theTickOfThePourIsSaidOnTheTree() throws Exception {
        long id = started();
        String run = page(owner, "/firings/" + id + "/run");
        java.util.regex.Matcher pour =
                java.util.regex.Pattern.compile("value=\"(pour-\\d+)\"").matcher(run);
        String duty = pour.find() ? pour.group(1) : "pour-1";
        send(owner, "/firings/" + id + "/duty", Map.of("duty", duty));
        send(owner, "/firings/" + id + "/end", Map.of("as", "poured, all full"));
        assertThat(page(owner, "/trees/" + tree + "/firing")).contains("In load Ebb tide, poured: ");
    }

    /** Of a planned load and one that has ended, the planned one counts: its hours are to come. */
    @Test
    void thePlannedLoadGoesBeforeTheOneThatEnded() throws Exception {
        long first = started();
        send(owner, "/firings/" + first + "/end", Map.of("as", "given up"));
        Map<String, String> again = load(tree);
        again.put("name", "Second try");
        send(owner, "/firings/0/load", again);
        assertThat(page(owner, "/trees/" + tree + "/firing"))
                .contains("In load Second try, waiting; the load has no hour yet")
                .doesNotContain("In load Ebb tide");
    }

    /** Two trees of one alloy, each some 940 g, in a crucible rated for 1.2 kg: each goes in, both take two melts. */
    @Test
    void aLoadSaysHowManyMelts() throws Exception {
        Map<String, String> other = new HashMap<>(WAX);
        other.put("name", "Turnstone");
        long second = tree(owner, other);
        send(owner, "/trees/" + second + "/mold", FLASK);
        send(owner, "/equipment", Map.of("version", "0", "crucible_rated_g", "1.2 kg", "lift_kg", "25 kg"));
        long id = number(send(owner, "/firings/0/load", load(tree, second)));
        assertThat(page(owner, "/firings/" + id))
                .containsPattern("in all, at least 2 melts")
                .doesNotContain("what the crucible melts at once");
    }
}
