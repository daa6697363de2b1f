package kilnryu.app.firing;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

/** The colour of the kiln in words and in paint. */
class IncandescenceTest {
    @Test
    void nothingGlowsBelowFiveHundred() {
        assertThat(Incandescence.word(20)).isEqualTo("no glow yet");
        assertThat(Incandescence.word(499.9)).isEqualTo("no glow yet");
        assertThat(Incandescence.word(500)).isEqualTo("first glow, in the dark only");
    }

    @Test
    void redThenOrangeThenYellow() {
        assertThat(Incandescence.word(668)).isEqualTo("dull red");
        assertThat(Incandescence.word(730)).isEqualTo("dull red");
        assertThat(Incandescence.word(760)).isEqualTo("cherry red");
        assertThat(Incandescence.word(1000)).isEqualTo("orange");
        assertThat(Incandescence.word(1400)).isEqualTo("yellow");
        assertThat(Incandescence.word(-300)).isEqualTo("no glow yet");
    }

    /** Half way between 650 (8a2412) and 750 (b63a10): a0 2f 11. */
    @Test
    void paintIsMixedBetweenTwoShades() {
        assertThat(Incandescence.at(700)).isEqualTo("#a02f11");
        assertThat(Incandescence.at(650)).isEqualTo("#8a2412");
        assertThat(Incandescence.at(-5)).isEqualTo("#4a4440");
        assertThat(Incandescence.at(2000)).isEqualTo("#fde7a6");
    }
}
