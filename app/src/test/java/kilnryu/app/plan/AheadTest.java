package kilnryu.app.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import kilnryu.app.plan.Ahead.At;
import kilnryu.core.burnout.Duty;
import org.junit.jupiter.api.Test;

/** What is kept of a tree for the day is read as it was written. */
class AheadTest {
    private static final Ahead KEPT = new Ahead(
            List.of(
                    new At(Duty.Kind.MIX, Instant.parse("2026-03-04T08:30:00Z"), "Dust: mask."),
                    new At(Duty.Kind.CLOSE_KILN, Instant.parse("2026-03-04T11:45:00Z"), "")),
            "warn",
            "The wall is 13 mm.",
            "mold");

    @Test
    void itIsReadAsItWasWritten() {
        assertThat(Ahead.read(KEPT.written())).isEqualTo(KEPT);
    }

    @Test
    void theFirstOfAKindIsFound() {
        assertThat(KEPT.first(Duty.Kind.MIX)).map(At::at).contains(Instant.parse("2026-03-04T08:30:00Z"));
        assertThat(KEPT.first(Duty.Kind.POUR)).isEmpty();
    }

    @Test
    void aTreeSavedBeforeSaysNothing() {
        assertThat(Ahead.read(null).duties()).isEmpty();
        assertThat(Ahead.read(null).severity()).isEmpty();
        assertThat(Ahead.read("{\"severity\":\"\",\"message\":\"\",\"page\":\"\"}")
                        .duties())
                .isEmpty();
    }
}
