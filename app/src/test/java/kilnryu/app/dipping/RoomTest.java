package kilnryu.app.dipping;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.DayOfWeek;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.Map;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Units;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RoomTest {
    private static Fields fields(String path, String value) {
        Map<String, String> typed = new HashMap<>(Room.USUAL);
        typed.put(path, value);
        return Fields.typed(typed, Units.METRIC);
    }

    /** Points at 8 and 16: at 12 the middle of both, at 0 the middle of the way back from 16 to 8. */
    @Test
    void theDayIsDrawnThroughItsPoints() {
        Room room =
                Room.read(fields("day", "8 16/64, 16 22/48"), ZoneOffset.UTC).orElseThrow();
        assertThat(room.day()).hasSize(24);
        assertThat(room.day().get(8).celsius()).isEqualTo(16);
        assertThat(room.day().get(12).celsius()).isCloseTo(19, within(1e-9));
        assertThat(room.day().get(12).humidity()).isCloseTo(56, within(1e-9));
        assertThat(room.day().get(0).celsius()).isCloseTo(19, within(1e-9));
        assertThat(room.day().get(16).humidity()).isEqualTo(48);
    }

    @Test
    void oneGivenPointHoldsAllDay() {
        Room room = Room.read(fields("day", "0 20/52"), ZoneOffset.UTC).orElseThrow();
        assertThat(room.day()).allSatisfy(a -> assertThat(a.celsius()).isEqualTo(20));
    }

    @Test
    void theWeekIsReadByItsFirstLetters() {
        Room room =
                Room.read(fields("days", "Tuesday, thu sat"), ZoneOffset.UTC).orElseThrow();
        assertThat(room.crew().days()).containsExactly(DayOfWeek.TUESDAY, DayOfWeek.THURSDAY, DayOfWeek.SATURDAY);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "day | 25 20/50",
                "day | 8 20/140",
                "day | warm",
                "opens | soon",
                "opens | 19:00",
                "days | someday",
                "racks[k1].places | 0",
                "per_dip_min | -3",
                "air_m_s | -1"
            })
    void whatCannotBeIsRemarkedAtAField(String path, String value) {
        Fields fields = fields(path, value);
        assertThat(Room.read(fields, ZoneOffset.UTC)).isEmpty();
        assertThat(fields.hasErrors()).isTrue();
    }

    @Test
    void aBrokenRoomFallsBackToTheUsual() {
        assertThat(Room.saved(Map.of("opens", "never"), ZoneOffset.UTC).racks()).hasSize(1);
    }
}
