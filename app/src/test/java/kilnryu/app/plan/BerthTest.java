package kilnryu.app.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** A tree in a load, in words: what it waits for, with the day beside every hour. */
class BerthTest {
    private static final Optional<ZonedDateTime> CLOSE =
            Optional.of(ZonedDateTime.of(2031, 5, 6, 21, 5, 0, 0, ZoneId.of("Europe/Lisbon")));
    private static final Optional<ZonedDateTime> POUR = CLOSE.map(c -> c.plusHours(14));

    private static String told(Berth.State state, Optional<ZonedDateTime> close, Optional<ZonedDateTime> pour) {
        return new Berth(7, "Neap tide", state, close, pour, false).told();
    }

    @Test
    void waiting() {
        assertThat(told(Berth.State.WAITING, CLOSE, POUR))
                .isEqualTo("In load Neap tide, waiting: close Tue 6 May, 21:05, pour Wed 7 May, 11:05");
        assertThat(told(Berth.State.WAITING, Optional.empty(), Optional.empty()))
                .isEqualTo("In load Neap tide, waiting; the load has no hour yet");
    }

    @Test
    void inTheKiln() {
        assertThat(told(Berth.State.IN_THE_KILN, CLOSE, POUR))
                .isEqualTo("In load Neap tide, in the kiln: closed Tue 6 May, 21:05, pour about Wed 7 May, 11:05");
    }

    @Test
    void after() {
        assertThat(told(Berth.State.FIRED, CLOSE, POUR)).isEqualTo("In load Neap tide, fired: Wed 7 May, 11:05");
        assertThat(told(Berth.State.POURED, CLOSE, POUR)).isEqualTo("In load Neap tide, poured: Wed 7 May, 11:05");
        assertThat(new Berth(7, "Neap tide", Berth.State.POURED, CLOSE, POUR, true).address())
                .isEqualTo("/firings/7");
    }
}
