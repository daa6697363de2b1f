package kilnryu.app.load;

import static org.assertj.core.api.Assertions.assertThat;

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
import org.junit.jupiter.api.Test;

class RememberedTest {
    private final Remembered remembered = new Remembered();

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

    /** The very same answer for the same question, though all of it was read anew. */
    @Test
    void theSameIsNotSimulatedTwice() {
        HeldProgram first = remembered.tried(program(60), question(1, true, Optional.of(Kiln.of(3, 1100, 60))));
        assertThat(remembered.tried(program(60), question(1, true, Optional.of(Kiln.of(3, 1100, 60)))))
                .isSameAs(first);
        assertThat(first.segments()).hasSize(2);
    }

    @Test
    void whateverDiffersIsAnotherQuestion() {
        HeldProgram first = remembered.tried(program(60), question(1, false, Optional.empty()));
        assertThat(remembered.tried(program(65), question(1, false, Optional.empty())))
                .isNotSameAs(first);
        assertThat(remembered.tried(program(60), question(2, false, Optional.empty())))
                .isNotSameAs(first);
        assertThat(remembered.tried(program(60), question(1, true, Optional.empty())))
                .isNotSameAs(first);
        HeldProgram kiln = remembered.tried(program(60), question(1, false, Optional.of(Kiln.of(3, 1100, 60))));
        assertThat(kiln).isNotSameAs(first);
        assertThat(remembered.tried(
                        program(60),
                        question(1, false, Optional.of(Kiln.of(3, 1100, 60).ajar()))))
                .isNotSameAs(kiln);
        assertThat(remembered.tried(program(60), question(1, false, Optional.empty())))
                .isSameAs(first);
    }

    /** What was asked long ago is forgotten before memory is. */
    @Test
    void theOldestIsForgotten() {
        HeldProgram first = remembered.tried(program(5), question(60, false, Optional.empty()));
        for (int hold = 10; hold <= 40; hold += 5) {
            remembered.tried(program(hold), question(60, false, Optional.empty()));
        }
        assertThat(remembered.tried(program(5), question(60, false, Optional.empty())))
                .isNotSameAs(first);
    }
}
