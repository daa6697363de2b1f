package kilnryu.core.pour;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import kilnryu.core.pour.GoNoGo.State;
import org.junit.jupiter.api.Test;

class ReadyTest {

    @Test
    void theCountdownRunsBackwardsAndAStepHoldsTheNext() {
        Countdown countdown = Countdown.of(new Countdown.Needs(40, true, true, true));
        List<Double> minutes =
                countdown.steps().stream().map(Countdown.Step::minutes).toList();
        assertThat(minutes).isSortedAccordingTo(java.util.Comparator.reverseOrder());
        assertThat(minutes.get(0)).isEqualTo(70);
        Set<String> ticked = new HashSet<>(Set.of("melt-on", "dressed"));
        assertThat(countdown.next(ticked).orElseThrow().key()).isEqualTo("charge-dry");
        ticked.add("charge-dry");
        assertThat(countdown.next(ticked).orElseThrow().key()).isEqualTo("tools-warm");
        countdown.steps().forEach(s -> ticked.add(s.key()));
        assertThat(countdown.next(ticked)).isEmpty();
    }

    @Test
    void noPumpIsTriedWhereNoneIsUsed() {
        assertThat(Countdown.of(new Countdown.Needs(20, false, false, false)).steps())
                .extracting(Countdown.Step::key)
                .doesNotContain("pump-tried", "sand-dry");
    }

    private static GoNoGo.Record record(State dry, State vacuum, int people) {
        return new GoNoGo.Record(
                State.YES, dry, State.YES, vacuum, State.YES, OptionalDouble.of(20), people, 2, State.YES);
    }

    @Test
    void whatIsNotKnownIsNoGoAndDampCannotBeOverruled() {
        assertThat(GoNoGo.of(record(State.YES, State.YES, 2)).word()).isEqualTo(GoNoGo.Word.GO);
        GoNoGo noVacuum = GoNoGo.of(record(State.YES, State.UNKNOWN, 2));
        assertThat(noVacuum.word()).isEqualTo(GoNoGo.Word.NO_GO);
        assertThat(noVacuum.lacking())
                .extracting(GoNoGo.Fact::words)
                .containsExactly("not known: vacuum reached on trial");
        assertThat(GoNoGo.of(record(State.UNKNOWN, State.YES, 2)).word()).isEqualTo(GoNoGo.Word.NO_GO_OF_SAFETY);
        GoNoGo alone = GoNoGo.of(record(State.YES, State.YES, 1));
        assertThat(alone.word()).isEqualTo(GoNoGo.Word.NO_GO_OF_SAFETY);
        assertThat(alone.lacking()).extracting(GoNoGo.Fact::words).containsExactly("1 of 2 people for the lift");
    }
}
