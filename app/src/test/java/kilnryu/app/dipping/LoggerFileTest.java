package kilnryu.app.dipping;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.ZoneId;
import org.junit.jupiter.api.Test;

/** Files of climate loggers as they come. */
class LoggerFileTest {
    private static final ZoneId LISBON = ZoneId.of("Europe/Lisbon");

    private static LoggerFile.Read read(String text) throws kilnryu.app.logger.LoggerCsv.Unusable {
        return LoggerFile.read(kilnryu.app.logger.LoggerCsv.Source.of(text), LISBON);
    }

    @Test
    void plainCommasAndLocalTime() throws Exception {
        LoggerFile.Read read = read("No,Time,Temperature (°C),Relative humidity (%)\n1,2026-07-01 10:00:00,21.5,48\n");
        assertThat(read.readings()).hasSize(1);
        assertThat(read.readings().get(0).at()).isEqualTo(Instant.parse("2026-07-01T09:00:00Z"));
        assertThat(read.readings().get(0).celsius()).isEqualTo(21.5);
        assertThat(read.readings().get(0).humidity()).isEqualTo(48);
    }

    @Test
    void semicolonsAndDecimalCommas() throws Exception {
        LoggerFile.Read read = read("\uFEFFDatum/time;Temp;rH\n3.2.2026 7:05;18,25 °C;61,5 %\n");
        assertThat(read.readings().get(0).celsius()).isEqualTo(18.25);
        assertThat(read.readings().get(0).humidity()).isEqualTo(61.5);
        assertThat(read.readings().get(0).at()).isEqualTo(Instant.parse("2026-02-03T07:05:00Z"));
    }

    /** 68 F are 20 C. */
    @Test
    void fahrenheitByItsLetter() throws Exception {
        LoggerFile.Read read = read("date,temp (°F),humidity\n2/3/2026 7:05,68,50\n2026-02-03T08:00:00Z,50,55\n");
        assertThat(read.readings().get(0).celsius()).isCloseTo(20, within(1e-9));
        assertThat(read.readings().get(1).celsius()).isCloseTo(10, within(1e-9));
        assertThat(read.readings().get(1).at()).isEqualTo(Instant.parse("2026-02-03T08:00:00Z"));
    }

    @Test
    void linesThatCannotBeReadAreCounted() throws Exception {
        LoggerFile.Read read = read("time,temp,hum\n2026-01-01 10:00,20,50\nyesterday,20,50\n2026-01-01 11:00,20,140\n"
                + "2026-01-01 12:00,,50\n\n2026-01-01 13:00,21,51\n");
        assertThat(read.readings()).hasSize(2);
        assertThat(read.bad()).isEqualTo(3);
    }

    @Test
    void whatIsNoLoggersFileIsRefusedWithAWord() {
        assertThatThrownBy(() -> read("time,weight\n2026-01-01 10:00,20\n"))
                .isInstanceOf(kilnryu.app.logger.LoggerCsv.Unusable.class)
                .hasMessageContaining("temp");
        assertThatThrownBy(() -> read("time,temp,hum\n\"unclosed"))
                .isInstanceOf(kilnryu.app.logger.LoggerCsv.Unusable.class);
        assertThatThrownBy(() -> read("\u0000\u0001")).isInstanceOf(kilnryu.app.logger.LoggerCsv.Unusable.class);
        assertThatThrownBy(() -> read("")).isInstanceOf(kilnryu.app.logger.LoggerCsv.Unusable.class);
        assertThatThrownBy(() -> read("time,temp,hum\nno,no,no\n"))
                .isInstanceOf(kilnryu.app.logger.LoggerCsv.Unusable.class)
                .hasMessageContaining("No line");
    }
}
