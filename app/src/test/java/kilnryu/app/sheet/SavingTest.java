package kilnryu.app.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.OptionalLong;
import java.util.concurrent.atomic.AtomicInteger;
import kilnryu.app.web.Units;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.ui.ExtendedModelMap;

/** What comes of a sheet that is saved from its page. */
class SavingTest {
    private final ExtendedModelMap model = new ExtendedModelMap();
    private final MockHttpServletResponse response = new MockHttpServletResponse();
    private final Saving saving = new Saving(model, response);
    private final AtomicInteger writes = new AtomicInteger();

    private static Fields typed(String grams) {
        Fields fields = Fields.typed(Map.of("mass_g", grams), Units.METRIC);
        fields.quantity("mass_g", Range.MASS);
        return fields;
    }

    private String save(Fields fields, OptionalLong saved) {
        return saving.save(
                fields,
                () -> {
                    writes.incrementAndGet();
                    return saved;
                },
                between -> between ? "the page over what stands now" : "the page again",
                id -> "/things/" + id);
    }

    @Test
    void whatIsRightIsWrittenOnceAndTheBrowserGoesOn() {
        assertThat(save(typed("12 g"), OptionalLong.of(7))).isEqualTo("redirect:/things/7");
        assertThat(response.getStatus()).isEqualTo(200);
        assertThat(writes).hasValue(1);
    }

    @Test
    void whatIsWrongIsNotWritten() {
        assertThat(save(typed("much"), OptionalLong.of(7))).isEqualTo("the page again");
        assertThat(response.getStatus()).isEqualTo(422);
        assertThat(writes).hasValue(0);
        assertThat(model).doesNotContainKey("conflict");
    }

    @Test
    void whereSomeoneSavedInBetweenThePageSaysSo() {
        assertThat(save(typed("12 g"), OptionalLong.empty())).isEqualTo("the page over what stands now");
        assertThat(response.getStatus()).isEqualTo(409);
        assertThat(model).containsEntry("conflict", true);
        assertThat(saving.saveOver(typed("12 g"), () -> false, between -> between + "", "/things"))
                .isEqualTo("true");
        assertThat(saving.saveOver(typed("12 g"), () -> true, between -> "", "/things?saved"))
                .isEqualTo("redirect:/things?saved");
    }
}
