package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;

class MixingTest extends AppTest {
    private String bench;

    @BeforeEach
    void moldReadyToMix() throws Exception {
        long id = tree(owner, WAX);
        send(owner, "/trees/" + id + "/mold", FLASK);
        bench = "/trees/" + id + "/bench";
        send(owner, bench + "/start", Map.of());
    }

    private MockHttpServletResponse next(int step, String reading) throws Exception {
        return send(owner, bench + "/next", Map.of("step", String.valueOf(step), "reading", reading));
    }

    @Test
    void powderGoesIntoTheWaterAndTheClockStartsThen() throws Exception {
        assertThat(page(owner, bench)).contains("Make ready").contains("step 1 of 11");
        next(0, "");
        // pi/4 x 100^2 x 150 / 1000 - 100 = 1078.1; x 1.04 = 1121.22; powder 1442.35, water 576.94
        assertThat(page(owner, bench)).contains("Weigh the water").contains("577");
        next(1, "");
        assertThat(page(owner, bench)).contains("Weigh the powder").contains("1442");
        next(2, "");
        assertThat(page(owner, bench)).contains("Powder into the water").doesNotContain("left until gloss-off");
        next(3, "");
        assertThat(page(owner, bench)).contains("left until gloss-off").containsPattern("9:(30|2\\d)");
    }

    @Test
    void aScaleOnOuncesIsQuestionedAndAnOddWeightNeedsAYes() throws Exception {
        next(0, "");
        // 576.94 g are 20.35 oz
        MockHttpServletResponse ounces = next(1, "20.35");
        assertThat(ounces.getStatus()).isEqualTo(422);
        assertThat(ounces.getContentAsString()).contains("Is the scale on oz?").contains("value=\"20.35\"");
        MockHttpServletResponse off = next(1, "640");
        assertThat(off.getContentAsString()).contains("+10.9 % off the plan");
        assertThat(next(1, "minus two").getStatus()).isEqualTo(422);
        send(owner, bench + "/next", Map.of("step", "1", "reading", "640", "sure", "true"));
        assertThat(page(owner, bench)).contains("Weigh the powder");
    }

    /** 640 g of water for 576.94 planned: powder 1442.35 x 640 / 576.94 = 1600. */
    @Test
    void theOtherQuantityFollowsWhatWasWeighed() throws Exception {
        next(0, "");
        send(owner, bench + "/next", Map.of("step", "1", "reading", "640", "sure", "true"));
        assertThat(page(owner, bench)).contains("1600", "Brought to the true ratio", "planned 1442 g");
        assertThat(next(2, "1442").getContentAsString()).contains("-9.9 % off the plan");
        assertThat(next(2, "1601").getStatus()).isEqualTo(302);
    }

    @Test
    void theScaleOfTheBenchIsReadAndItsUnitDoubted() throws Exception {
        next(0, "");
        send(owner, bench + "/device", Map.of("button", "on"));
        Thread.sleep(2500);
        assertThat(send(owner, bench + "/next", Map.of("step", "1", "device", "true"))
                        .getStatus())
                .isEqualTo(302);
        assertThat(page(owner, bench)).contains("Weigh the powder", "Brought to the true ratio");
        send(owner, bench + "/device", Map.of("button", "unit"));
        send(owner, bench + "/device", Map.of("button", "on"));
        Thread.sleep(2500);
        MockHttpServletResponse ounces = send(owner, bench + "/next", Map.of("step", "2", "device", "true"));
        assertThat(ounces.getContentAsString()).contains("Is the scale on oz?");
    }

    /** Steps to the first vacuum: ready, water, powder, powder in, mix. */
    private void toTheVacuum() throws Exception {
        for (int step = 0; step < 5; step++) {
            next(step, "");
        }
    }

    @Test
    void aLowVacuumIsAskedBackWithWhatToLookAt() throws Exception {
        toTheVacuum();
        assertThat(page(owner, bench)).contains("Vacuum on the bowl", "pump off, gasket seals");
        assertThat(next(5, "").getContentAsString()).contains("Type what the gauge reads");
        assertThat(send(owner, bench + "/next", Map.of("step", "5", "device", "true"))
                        .getContentAsString())
                .contains("0 kPa draws few bubbles", "What to look at, in order");
        assertThat(page(owner, bench + "/trouble?what=NO_VACUUM")).contains("Pump switched on, valve shut");
        send(owner, bench + "/trouble", Map.of("what", "NO_VACUUM", "tried", "Pump switched on, valve shut"));
        send(owner, bench + "/device", Map.of("button", "pump"));
        send(owner, bench + "/device", Map.of("button", "leak"));
        assertThat(page(owner, bench)).contains("pump on, gasket seals, leaks");
        assertThat(next(5, "58").getContentAsString()).contains("58 kPa draws few bubbles");
        send(owner, bench + "/next", Map.of("step", "5", "reading", "58", "sure", "true"));
        assertThat(page(owner, bench)).contains("Pour down the side");
        send(owner, bench + "/trouble", Map.of("what", "OTHER", "giveUp", "true"));
        assertThat(page(owner, bench))
                .contains("58.0 kPa", "The gauge does not rise", "Looked at: Pump switched on, valve shut.");
    }

    @Test
    void aRecordSaysThatThePlanWasChangedSince() throws Exception {
        send(owner, bench + "/trouble", Map.of("what", "OTHER", "giveUp", "true"));
        assertThat(page(owner, bench)).doesNotContain("planned anew since");
        send(owner, bench.replace("/bench", "/mold"), new java.util.HashMap<>(FLASK) {
            private static final long serialVersionUID = 1L;

            {
                put("version", "1");
                put("height_mm", "160 mm");
            }
        });
        assertThat(page(owner, bench)).contains("planned anew since");
        assertThat(page(owner, bench.replace("/bench", "/mold"))).contains("plan changed since");
    }

    @Test
    void drynessIsSeenOnTheScale() throws Exception {
        for (int step = 0; step < 11; step++) {
            next(step, step == 5 || step == 7 ? "96" : "");
        }
        assertThat(page(owner, bench)).contains("Is it dry?");
        send(owner, bench + "/dry", Map.of("mass", "2200 g", "filled", "true"));
        // 1442.35 g of powder at W 40 with 30 % plaster: 34.42 free of every 100, 496.5 g; 200 g gone leave 59.7 %
        send(owner, bench + "/dry", Map.of("mass", "2000 g"));
        assertThat(page(owner, bench)).contains("59.7", "not dry", "is still inside");
        send(owner, bench + "/dry", Map.of("mass", "1790 g"));
        assertThat(page(owner, bench)).contains("dry enough for heat");
        // what the scale proved goes into the firing, which is shorter for it
        send(owner, bench + "/dry/use", Map.of());
        assertThat(page(owner, bench.replace("/bench", "/firing")))
                .containsPattern("free-water-pct[^>]*value=\"[\\d.]+ %");
        assertThat(send(owner, bench + "/dry", Map.of("mass", "heavy")).getStatus())
                .isEqualTo(422);
    }

    @Test
    void twoTabletsDoNotSkipAStepTogether() throws Exception {
        next(0, "");
        next(0, "");
        assertThat(page(owner, bench)).contains("Weigh the water");
        send(owner, bench + "/back", Map.of("step", "1"));
        assertThat(page(owner, bench)).contains("Make ready");
    }

    @Test
    void theRunningMixKeepsThePlanItBeganWith() throws Exception {
        next(0, "");
        send(owner, bench.replace("/bench", "/mold"), new java.util.HashMap<>(FLASK) {
            private static final long serialVersionUID = 1L;

            {
                put("version", "1");
                put("height_mm", "200 mm");
            }
        });
        assertThat(page(owner, bench)).contains("577");
    }

    @Test
    void troubleIsWrittenDownAndALostMixEnds() throws Exception {
        assertThat(page(owner, bench + "/trouble"))
                .contains("The mix is lumpy")
                .contains("Gasket clean, dry and whole");
        send(owner, bench + "/trouble", Map.of("what", "LUMPY", "note", "old bag", "giveUp", "true"));
        assertThat(page(owner, bench))
                .contains("Ready to mix")
                .contains("given up")
                .contains("The mix is lumpy. old bag");
        assertThat(send(owner, bench + "/trouble", Map.of("what", "NONSENSE")).getStatus())
                .isEqualTo(400);
    }

    @Test
    void allStepsEndInARecord() throws Exception {
        for (int step = 0; step < 11; step++) {
            next(step, step == 1 ? "578 g" : step == 5 || step == 7 ? "96" : "");
        }
        assertThat(page(owner, bench)).contains("Last mixing", "578 g", "planned 577 g", "96.0 kPa");
        assertThat(page(owner, bench.replace("/bench", "/mold"))).contains("mixed");
    }

    /** Twenty are offered, more are asked for; what is ticked stays however far it is, and nothing is cut off in silence. */
    @Test
    void moreMoldsThanAreOfferedAtFirst() throws Exception {
        long first = tree(owner, WAX);
        send(owner, "/trees/" + first + "/mold", FLASK);
        for (int i = 0; i < 20; i++) {
            send(owner, "/trees/" + tree(owner, WAX) + "/mold", FLASK);
        }
        String mixing = page(owner, "/mixing");
        assertThat(mixing).contains("These 20 were changed last", "name=\"most\" value=\"40\"");
        assertThat(mixing).doesNotContain("value=\"" + first + "\"");
        assertThat(page(owner, "/mixing?tree=" + first)).contains("value=\"" + first + "\"");
        assertThat(page(owner, "/mixing?most=40"))
                .contains("value=\"" + first + "\"")
                .doesNotContain("Show more");
        assertThat(page(owner, "/mixing?most=many")).contains("These 20");
    }
}
