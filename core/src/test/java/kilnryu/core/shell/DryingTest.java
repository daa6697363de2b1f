package kilnryu.core.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import kilnryu.core.quantity.Measure;
import kilnryu.core.shell.Drying.Openness;
import kilnryu.core.shell.Drying.Wet;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import org.junit.jupiter.api.Test;

class DryingTest {
    private static final Air ROOM = new Air(21, 50, 1);
    private static final Instant NOON = Instant.parse("2026-03-02T12:00:00Z");

    private static Figure solids(double percent) {
        return Figure.given("solids", "solids", percent, Measure.PERCENT, Known.CHOSEN, 0);
    }

    private static double hours(Coat coat, int on, Openness openness, Air air) {
        return Drying.hours(new Wet(coat, on, openness, solids(68)), air, Factors.HANDBOOK)
                .orElseThrow()
                .value();
    }

    /** The check of the handbook: 0.22 kg/m2 at 21 C, 50 %, 1 m/s, first coat, open: 2.18 h. 0.70 kg at 68.571 % solids. */
    @Test
    void theCheckValueOfTheHandbook() {
        Wet wet = new Wet(Coat.BACKUP, 0, Openness.OPEN, solids(100 * (1 - 0.22 / 0.70)));
        assertThat(Drying.hours(wet, ROOM, Factors.HANDBOOK).orElseThrow().value())
                .isCloseTo(2.18, within(0.005));
    }

    /** 15 % longer for each coat beneath, twice in pockets, three times in a blind hollow. */
    @Test
    void longerOnAThickShellAndInHollows() {
        double first = hours(Coat.BACKUP, 0, Openness.OPEN, ROOM);
        assertThat(hours(Coat.BACKUP, 4, Openness.OPEN, ROOM)).isCloseTo(first * 1.6, within(1e-9));
        assertThat(hours(Coat.BACKUP, 0, Openness.POCKETS, ROOM)).isCloseTo(first * 2, within(1e-9));
        assertThat(hours(Coat.BACKUP, 0, Openness.BLIND, ROOM)).isCloseTo(first * 3, within(1e-9));
        assertThat(Openness.BLIND.windowed()).isEqualTo(Openness.POCKETS);
        assertThat(Openness.OPEN.windowed()).isEqualTo(Openness.OPEN);
    }

    @Test
    void saturatedAirNeverDries() {
        assertThat(Drying.hours(
                        new Wet(Coat.PRIME, 0, Openness.OPEN, solids(68)), new Air(21, 100, 3), Factors.HANDBOOK))
                .isEmpty();
    }

    /** Drier or faster air never dries slower, at any temperature. */
    @Test
    void drierOrFasterAirNeverDriesSlower() {
        Random random = new Random(51);
        for (int i = 0; i < 500; i++) {
            double t = 5 + 30 * random.nextDouble();
            double rh = 6 + 88 * random.nextDouble();
            double v = 3 * random.nextDouble();
            double here = hours(Coat.BACKUP, i % 9, Openness.OPEN, new Air(t, rh, v));
            assertThat(hours(Coat.BACKUP, i % 9, Openness.OPEN, new Air(t, rh * 0.95, v)))
                    .as("%.1f C, %.1f %%, %.2f m/s", t, rh, v)
                    .isLessThanOrEqualTo(here);
            assertThat(hours(Coat.BACKUP, i % 9, Openness.OPEN, new Air(t, rh, v + 0.2)))
                    .isLessThan(here);
        }
    }

    /** A day, or three times the last coat where that is longer. */
    @Test
    void theFinalDry() {
        assertThat(Drying.finalDry(last(5), Factors.HANDBOOK).value()).isEqualTo(24);
        assertThat(Drying.finalDry(last(11), Factors.HANDBOOK).value()).isEqualTo(33);
    }

    private static Figure last(double hours) {
        return Figure.given("last", "last coat", hours, Measure.HOUR, Known.COMPUTED, 0);
    }

    /** In steady air the clock gives the same as the formula. */
    @Test
    void theClockAgreesWithTheFormulaInSteadyAir() {
        Climate climate = Climate.steady(ROOM, ZoneOffset.UTC);
        Wet wet = new Wet(Coat.BACKUP, 3, Openness.POCKETS, solids(68));
        double hours = Drying.hours(wet, ROOM, Factors.HANDBOOK).orElseThrow().value();
        double dose = Drying.dose(wet, Factors.HANDBOOK);
        Instant from = NOON.plusSeconds(1234);
        Instant dry = climate.dry(from, dose).orElseThrow();
        assertThat(Duration.between(from, dry).toMillis() / 3.6e6).isCloseTo(hours, within(1e-4));
        assertThat(climate.progress(from, from.plusMillis((long) (hours * 1.8e6)), dose))
                .isCloseTo(0.5, within(1e-3));
        assertThat(climate.progress(from, dry.plusSeconds(60), dose)).isEqualTo(1);
    }

    /** By day 50 %, by night saturated: what is left at night waits for the morning. */
    @Test
    void aWetNightStopsTheClock() {
        List<Air> day = new ArrayList<>();
        for (int h = 0; h < 24; h++) {
            day.add(h >= 8 && h < 20 ? ROOM : new Air(12, 100, 1));
        }
        Climate climate = Climate.of(day, Map.of(), ZoneOffset.UTC);
        double perHour = ROOM.flux();
        Instant six = Instant.parse("2026-03-02T18:00:00Z");
        assertThat(climate.dry(six, perHour * 3)).contains(Instant.parse("2026-03-03T09:00:00Z"));
        assertThat(Climate.steady(new Air(21, 100, 1), ZoneOffset.UTC).dry(six, perHour))
                .isEmpty();
    }

    /** A reading holds for an hour and a half round it, the usual day beyond. */
    @Test
    void readingsComeBeforeTheUsualDay() {
        Air damp = new Air(18, 90, 0.1);
        Climate climate = Climate.of(
                new ArrayList<>(java.util.Collections.nCopies(24, ROOM)), Map.of(NOON, damp), ZoneOffset.UTC);
        assertThat(climate.at(NOON.plusSeconds(5000))).isEqualTo(damp);
        assertThat(climate.at(NOON.minusSeconds(5000))).isEqualTo(damp);
        assertThat(climate.at(NOON.plusSeconds(6000))).isEqualTo(ROOM);
    }

    @Test
    void theSwingOfTheRoomIsThatOfItsReadings() {
        Climate climate = Climate.of(
                new ArrayList<>(java.util.Collections.nCopies(24, ROOM)),
                Map.of(NOON, new Air(18, 50, 1), NOON.plusSeconds(7200), new Air(22.5, 50, 1)),
                ZoneOffset.UTC);
        assertThat(climate.swing(NOON, NOON.plusSeconds(86400)).orElseThrow()).isCloseTo(4.5, within(1e-9));
        assertThat(climate.swing(NOON, NOON.plusSeconds(60))).isEmpty();
    }
}
