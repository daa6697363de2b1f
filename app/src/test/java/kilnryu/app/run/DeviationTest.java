package kilnryu.app.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

/** A firing unlike the others of its kiln. */
class DeviationTest {
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
