package kilnryu.app.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kilnryu.core.burnout.HeldProgram;
import kilnryu.core.burnout.OwnProgram;
import kilnryu.core.burnout.Segment;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.kiln.KilnRun;
import kilnryu.core.kiln.Mold;
import kilnryu.core.kiln.Setting;
import kilnryu.core.kiln.Watch;
import org.junit.jupiter.api.Test;

class TriedOnLoadTest {
    private static List<Segment> program(int hold) {
        return OwnProgram.of(List.of(new OwnProgram.Line(150, 150, hold), new OwnProgram.Line(150, 400, 30)));
    }

    private static HeldProgram.Question question(int molds, boolean lengthen, Optional<Kiln> kiln) {
        List<HeldProgram.Fired> load = new ArrayList<>();
        for (int i = 0; i < molds; i++) {
            Mold mold = Mold.flask(0.03, 0.04, Setting.GYPSUM);
            load.add(new HeldProgram.Fired(new KilnRun.Charge("m" + i, mold, 1, 1, 1), 60, false));
        }
        return new HeldProgram.Question(load, kiln, 20, KilnRun.Detail.QUICK, lengthen);
    }

    private static TriedOnLoad asked(int hold, HeldProgram.Question question) {
        return new TriedOnLoad(program(hold), question);
    }

    /** The very same question, though all of it was read anew. */
    @Test
    void theSameIsNotSimulatedTwice() {
        TriedOnLoad first = asked(60, question(1, true, Optional.of(Kiln.of(3, 1100, 60))));
        TriedOnLoad again = asked(60, question(1, true, Optional.of(Kiln.of(3, 1100, 60))));
        assertThat(again).isEqualTo(first).hasSameHashCodeAs(first);
        assertThat(first.answer(Watch.NOBODY).segments()).hasSize(2);
    }

    @Test
    void whateverDiffersIsAnotherQuestion() {
        TriedOnLoad first = asked(60, question(1, false, Optional.empty()));
        assertThat(asked(65, question(1, false, Optional.empty()))).isNotEqualTo(first);
        assertThat(asked(60, question(2, false, Optional.empty()))).isNotEqualTo(first);
        assertThat(asked(60, question(1, true, Optional.empty()))).isNotEqualTo(first);
        TriedOnLoad kiln = asked(60, question(1, false, Optional.of(Kiln.of(3, 1100, 60))));
        assertThat(kiln).isNotEqualTo(first);
        assertThat(asked(60, question(1, false, Optional.of(Kiln.of(3, 1100, 60).ajar()))))
                .isNotEqualTo(kiln);
    }

    /** What weighs among the answers that are kept is how many molds are in it. */
    @Test
    void aLargeLoadWeighsMore() {
        assertThat(asked(5, question(60, false, Optional.empty())).weight()).isEqualTo(60);
        assertThat(asked(5, question(60, false, Optional.empty())).words()).isEqualTo("a firing of 60 molds");
        assertThat(asked(5, question(1, false, Optional.empty())).words()).isEqualTo("the firing of a mold");
    }

    /** Whoever looks on sees the hours go by, and may end it. */
    @Test
    void itTellsHowFarItIsAndCanBeEnded() {
        List<Double> seen = new ArrayList<>();
        TriedOnLoad question = asked(60, question(1, false, Optional.empty()));
        HeldProgram held = question.answer(seen::add);
        assertThat(seen).isSorted();
        assertThat(seen.get(seen.size() - 1)).isEqualTo(held.run().time());
        assertThatThrownBy(() -> question.answer(second -> {
                    if (second > 3_600) {
                        throw new IllegalStateException("enough");
                    }
                }))
                .hasMessage("enough");
    }
}
