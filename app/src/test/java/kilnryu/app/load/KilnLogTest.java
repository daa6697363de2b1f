package kilnryu.app.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.logger.LoggerCsv.Unusable;
import org.junit.jupiter.api.Test;

class KilnLogTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");

    private static KilnLog read(String text) throws Unusable {
        return KilnLog.read(text, Map.of(), ZONE, Optional.empty());
    }

    /** 1350 F is 732.2 C; a comma that parts thousands; minutes that have passed. */
    @Test
    void elapsedMinutesAndThousands() throws Unusable {
        KilnLog log = read("minutes,\"PV, °F\"\n0,68\n90,\"1,350\"\n");
        assertThat(log.samples().get(5400.0)).isCloseTo(732.22, within(0.01));
        assertThat(log.samples().get(0.0)).isCloseTo(20, within(0.01));
    }

    /** On 25 October 2026 the hands go from 02:00 back to 01:00 in Lisbon: 01:30 comes twice, an hour apart. */
    @Test
    void theHourThatComesTwice() throws Unusable {
        KilnLog log = read("time,temp\n2026-10-25 00:30,100\n2026-10-25 01:30,200\n"
                + "2026-10-25 01:10,300\n2026-10-25 02:30,400\n");
        assertThat(log.samples().keySet()).containsExactly(0.0, 3600.0, 6000.0, 10800.0);
    }

    @Test
    void inOrderAndOnce() throws Unusable {
        KilnLog log = read("time,temp\n100,30\n0,20\n50,25\n50,26\n");
        assertThat(log.samples().values()).containsExactly(20.0, 26.0, 30.0);
    }

    @Test
    void countedFromTheStart() throws Unusable {
        KilnLog log = KilnLog.read(
                "time,temp\n2026-05-08 20:10,40\n", Map.of(), ZONE, Optional.of(Instant.parse("2026-05-08T19:00:00Z")));
        assertThat(log.samples().firstKey()).isCloseTo(600, within(1e-6));
    }

    @Test
    void whatIsNoLogIsSaid() {
        assertThatThrownBy(() -> read("")).isInstanceOf(Unusable.class);
        assertThatThrownBy(() -> read("a,b\n1,2\n"))
                .isInstanceOf(Unusable.class)
                .hasMessageContaining("a, b");
        assertThatThrownBy(() -> read("time,temp\nx,y\n")).isInstanceOf(Unusable.class);
    }

    /** Of 5, 6, 7, 5 and 40 K one is unlike the others; of three none can be told. */
    @Test
    void aFiringUnlikeTheOthers() {
        List<FiringStore.Held> all = List.of(held(1, 5), held(2, 6), held(3, 7), held(4, 5), held(5, 40));
        assertThat(Deviation.outliers(all)).containsExactly(5L);
        assertThat(Deviation.outliers(all.subList(2, 5))).isEmpty();
    }

    private static FiringStore.Held held(long id, double usual) {
        return new FiringStore.Held(id, "f" + id, usual, usual, 0, false);
    }
}
