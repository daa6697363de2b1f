package kilnryu.core.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.Stream;
import kilnryu.core.sum.Constant;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** The words of coats, what they take, and where a built tree is deepest. */
class CoatTest {
    @ParameterizedTest
    @EnumSource(Coat.class)
    void coatsHaveNames(Coat coat) {
        assertThat(Coat.named(coat.key())).hasValue(coat);
        assertThat(Coat.named(coat.key() + "s")).isEmpty();
        assertThat(coat.label()).isNotBlank();
        assertThat(coat.grain()).contains("stucco");
        assertThat(coat.takesStucco()).isEqualTo(!coat.grain().equals("no stucco"));
    }

    /** The first coats are followed within a day or two; the plain one and the seal take no sand. */
    @Test
    void primesAndBareCoats() {
        assertThat(Stream.of(Coat.values()).filter(Coat::isPrime)).containsExactly(Coat.PLAIN_PRIME, Coat.PRIME);
        assertThat(Stream.of(Coat.values()).filter(c -> !c.takesStucco())).containsExactly(Coat.PLAIN_PRIME, Coat.SEAL);
    }

    /** A coat without stucco has none to replace. */
    @Test
    void whatAStudioMayReplace() {
        List<Constant> all = Coat.constants();
        assertThat(all).extracting(Constant::key).doesNotHaveDuplicates();
        assertThat(all).contains(Coat.BACKUP.slurry(), Coat.BACKUP.stucco(), Coat.BACKUP.build());
        assertThat(all).contains(Coat.SEAL.slurry()).doesNotContain(Coat.SEAL.stucco());
        assertThat(Coat.BACKUP.stucco().value()).isCloseTo(1.2, within(1e-9));
    }
}
