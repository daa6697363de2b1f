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
        assertThat(page(owner, bench)).contains("Make ready").contains("step 1 of 10");
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
        assertThat(page(owner, bench + "/trouble")).contains("The mix is lumpy").contains("Gasket clean and dry?");
        send(owner, bench + "/trouble", Map.of("what", "LUMPY", "note", "old bag", "giveUp", "true"));
        assertThat(page(owner, bench))
                .contains("Ready to mix")
                .contains("given up")
                .contains("The mix is lumpy. old bag");
        assertThat(send(owner, bench + "/trouble", Map.of("what", "NONSENSE")).getStatus())
                .isEqualTo(400);
    }

    @Test
    void allTenStepsEndInARecord() throws Exception {
        for (int step = 0; step < 10; step++) {
            next(step, step == 1 ? "578 g" : "");
        }
        assertThat(page(owner, bench)).contains("Last mixing").contains("578 g");
        assertThat(page(owner, bench.replace("/bench", "/mold"))).contains("mixed");
    }
}
