package kilnryu.app.device;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The stand-ins of furnace and pyrometer. */
class MeltStandInsTest {
    private static final Instant ON = Instant.parse("2026-12-03T08:00:00Z");
    /** 0.42 kJ/(kg K) solid, 205 kJ/kg, 0.5 liquid: 669 kJ/kg to 1100 C in 10 min. */
    private static final MeltFurnace.Melt MELT = new MeltFurnace.Melt(10, 820, 970, 1100, 0.42, 205, 0.5);

    private final MeltFurnace furnace = new SimulatedFurnace();

    private static MeltFurnace.Change at(double minutes, String what) {
        return new MeltFurnace.Change(ON.plusMillis(Math.round(minutes * 60_000)), what);
    }

    private double celsius(List<MeltFurnace.Change> changes, double minutes) {
        return furnace.read(MELT, changes, ON.plusMillis(Math.round(minutes * 60_000)))
                .celsius()
                .orElseThrow();
    }

    @Test
    void atFullPowerItIsAtTheTapWhenItsTimeIsOverAndHolds() {
        List<MeltFurnace.Change> on = List.of(at(0, "on"));
        // a tenth of 669 kJ/kg: 66.9 / 0.42 = 159.3 K
        assertThat(celsius(on, 1)).isCloseTo(179.3, within(1.0));
        assertThat(celsius(on, 10)).isCloseTo(1100, within(1.0));
        assertThat(celsius(on, 25)).isCloseTo(1100, within(1.0));
        assertThat(furnace.read(MELT, on, ON.plusSeconds(900)).says()).isEqualTo("holds at the tap");
    }

    @Test
    void tenTimesTheClockIsThereInAMinute() {
        assertThat(celsius(List.of(at(0, "on"), at(0, "speed 10")), 1)).isCloseTo(1100, within(1.0));
    }

    @Test
    void aBurnerThatGoesOutLetsItCoolAndComesBack() {
        List<MeltFurnace.Change> out = List.of(at(0, "on"), at(5, "burner-out"));
        assertThat(celsius(out, 15)).isLessThan(celsius(out, 5));
        List<MeltFurnace.Change> mended = List.of(at(0, "on"), at(5, "burner-out"), at(6, "burner-out"));
        assertThat(celsius(mended, 15)).isCloseTo(1100, within(1.0));
        assertThat(furnace.read(MELT, out, ON.plusSeconds(400)).says()).isEqualTo("burner out");
    }

    @Test
    void anOpenThermocoupleShowsNothingWhileItGoesOnHeating() {
        List<MeltFurnace.Change> open = List.of(at(0, "on"), at(2, "thermocouple-open"));
        assertThat(furnace.read(MELT, open, ON.plusSeconds(300)).celsius()).isEmpty();
        List<MeltFurnace.Change> mended = List.of(at(0, "on"), at(2, "thermocouple-open"), at(5, "thermocouple-open"));
        assertThat(celsius(mended, 10)).isCloseTo(1100, within(1.0));
        assertThat(furnace.course(MELT, open, ON.plusSeconds(600), 20)).hasSizeBetween(3, 6);
    }

    @Test
    void coldBeforeItIsOn() {
        assertThat(furnace.read(MELT, List.of(), ON).celsius().orElseThrow()).isEqualTo(20);
        assertThat(furnace.course(MELT, List.of(), ON, 10)).isEmpty();
    }

    @Test
    void aProbeTakesItsTimeAndAWrongGlowReadsLow() {
        Pyrometer pyrometer = new SimulatedPyrometer();
        assertThat(pyrometer.read(1100, ON, ON.plusSeconds(2), false).steady()).isFalse();
        assertThat(pyrometer.read(1100, ON, ON.plusSeconds(2), false).celsius()).isLessThan(700);
        Pyrometer.Reading rested = pyrometer.read(1100, ON, ON.plusSeconds(20), false);
        assertThat(rested.steady()).isTrue();
        assertThat(rested.celsius()).isCloseTo(1100, within(4.0));
        // (1100 + 273.15) x 0.8^(1/4) - 273.15 = 1025.5
        assertThat(pyrometer.read(1100, ON, ON, true).celsius()).isCloseTo(1025.5, within(4.0));
    }
}
