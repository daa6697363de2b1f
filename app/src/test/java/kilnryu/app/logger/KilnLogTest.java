package kilnryu.app.logger;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.logger.LoggerCsv.Source;
import kilnryu.app.logger.LoggerCsv.Unusable;
import org.junit.jupiter.api.Test;

class KilnLogTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");

    private static KilnLog.Readings read(String text) throws Unusable {
        return read(text, Map.of(), Optional.empty(), 0);
    }

    private static KilnLog.Readings read(
            String text, Map<String, String> columns, Optional<Instant> start, double moved) throws Unusable {
        return KilnLog.read(Source.of(text), new KilnLog.ColumnChoice(columns, ZONE, start, moved), share -> {})
                .readings();
    }

    /** 1350 F is 732.2 C; a comma that parts thousands; minutes that have passed. */
    @Test
    void elapsedMinutesAndThousands() throws Unusable {
        KilnLog.Readings log = read("minutes,\"PV, °F\"\n0,68\n90,\"1,350\"\n");
        assertThat(log.seconds()).containsExactly(0, 5400);
        assertThat(log.celsius()).containsExactly(new double[] {20, 732.22}, within(0.01));
    }

    /** Where semicolons part the columns a comma is a point, with as many places as it likes. */
    @Test
    void commasThatArePoints() throws Unusable {
        KilnLog.Readings log = read("sec;temp °C\n0,5;20,125\n1,25;1.050,5\n2;730\n");
        assertThat(log.seconds()).containsExactly(0.5, 1.25, 2);
        assertThat(log.celsius()).containsExactly(20.125, 1050.5, 730);
    }

    /** On 25 October 2026 the hands go from 02:00 back to 01:00 in Lisbon: 01:30 comes twice, an hour apart. */
    @Test
    void theHourThatComesTwice() throws Unusable {
        KilnLog.Readings log = read("time,temp\n2026-10-25 00:30,100\n2026-10-25 01:30,200\n"
                + "2026-10-25 01:10,300\n2026-10-25 02:30,400\n");
        assertThat(log.seconds()).containsExactly(0.0, 3600.0, 6000.0, 10800.0);
    }

    /** Forty megabytes come in by and by: what is not a reading is never in memory whole. */
    @Test
    void aLongFileIsReadInPieces() throws Unusable {
        long lines = 1_500_000;
        Source long1 = new Source() {
            @Override
            public java.io.Reader open() {
                return new Lines(lines);
            }

            @Override
            public long length() {
                return 27 * lines;
            }
        };
        KilnLog log = KilnLog.read(long1, new KilnLog.ColumnChoice(Map.of(), ZONE, Optional.empty(), 0), share -> {});
        assertThat(log.readings().size()).isEqualTo((int) lines);
        assertThat(log.readings().celsius()[(int) lines - 1]).isEqualTo(20.5);
    }

    /** A line for each second, made when it is asked for. */
    private static final class Lines extends java.io.Reader {
        private final long lines;
        private long next;
        private java.io.StringReader now = new java.io.StringReader("seconds,temperature,remark\n");

        Lines(long lines) {
            this.lines = lines;
        }

        @Override
        public int read(char[] into, int from, int most) throws java.io.IOException {
            int got = now.read(into, from, most);
            if (got < 0 && next < lines) {
                now = new java.io.StringReader(next++ + ",20.5,nothing to say\n");
                return now.read(into, from, most);
            }
            return got;
        }

        @Override
        public void close() {}
    }

    /** A quote that never closes, or a file without ends of lines. */
    @Test
    void whatNeverEndsIsNoCsv() {
        String open = "time,temp\n0,\"" + "20\n".repeat(400_000);
        assertThatThrownBy(() -> read(open)).isInstanceOf(Unusable.class).hasMessageContaining("a million letters");
        String endless = "time,temp " + "x".repeat(1_100_000);
        assertThatThrownBy(() -> read(endless)).isInstanceOf(Unusable.class);
    }

    /** A reading after the end of the world is counted as one that cannot be read. */
    @Test
    void secondsThatCannotBe() throws Unusable {
        KilnLog log = KilnLog.read(
                Source.of("time,temp\n0,20\n1e308,30\n60,40\n-1e308,50\nNaN,60\n"),
                new KilnLog.ColumnChoice(Map.of(), ZONE, Optional.empty(), 0),
                share -> {});
        assertThat(log.readings().seconds()).containsExactly(0, 60);
        assertThat(log.bad()).isEqualTo(3);
    }

    @Test
    void inOrderAndOnce() throws Unusable {
        KilnLog.Readings log = read("time,temp\n100,30\n0,20\n50,25\n50,26\n");
        assertThat(log.seconds()).containsExactly(0, 50, 100);
        assertThat(log.celsius()).containsExactly(20.0, 26.0, 30.0);
    }

    @Test
    void countedFromTheStart() throws Unusable {
        KilnLog.Readings log = read(
                "time,temp\n2026-05-08 20:10,40\n", Map.of(), Optional.of(Instant.parse("2026-05-08T19:00:00Z")), 0);
        assertThat(log.seconds()).containsExactly(600);
    }

    /** A logger that ran for twenty minutes before the kiln did: what it read then lies before the start. */
    @Test
    void movedByTwentyMinutes() throws Unusable {
        KilnLog.Readings log = read("minutes,temp\n0,20\n20,21\n80,120\n", Map.of(), Optional.empty(), -1200);
        assertThat(log.seconds()).containsExactly(-1200, 0, 3600);
    }

    /** 45,000 lines, told twice on the way, each time further. */
    @Test
    void aLongFileSaysHowFarItIs() throws Unusable {
        StringBuilder csv = new StringBuilder("sec,temp\n");
        for (int i = 0; i < 45_000; i++) {
            csv.append(i).append(",20\n");
        }
        List<Double> told = new ArrayList<>();
        KilnLog.read(
                Source.of(csv.toString()), new KilnLog.ColumnChoice(Map.of(), ZONE, Optional.empty(), 0), told::add);
        assertThat(told).hasSize(2).isSorted().allMatch(share -> share > 0.4 && share < 1);
    }

    @Test
    void whatIsNoLogIsSaid() {
        assertThatThrownBy(() -> read("")).isInstanceOf(Unusable.class);
        assertThatThrownBy(() -> read("a,b\n1,2\n"))
                .isInstanceOf(Unusable.class)
                .hasMessageContaining("a, b");
        assertThatThrownBy(() -> read("time,temp\nx,y\n")).isInstanceOf(Unusable.class);
    }
}
