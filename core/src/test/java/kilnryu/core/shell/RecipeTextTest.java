package kilnryu.core.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import kilnryu.core.sum.Factors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class RecipeTextTest {
    @Test
    void coatsAsTheyAreWritten() {
        RecipeText.Read read = RecipeText.read("Prime, intermediate, 3 backup, wire, 4 x backups; seal coat");
        assertThat(read.wireAfter()).isEqualTo(5);
        assertThat(read.coats())
                .containsExactly(
                        Coat.PRIME,
                        Coat.INTERMEDIATE,
                        Coat.BACKUP,
                        Coat.BACKUP,
                        Coat.BACKUP,
                        Coat.BACKUP,
                        Coat.BACKUP,
                        Coat.BACKUP,
                        Coat.BACKUP,
                        Coat.SEAL);
        assertThat(RecipeText.read("2 plain-prime\nheavy backup").coats())
                .containsExactly(Coat.PLAIN_PRIME, Coat.PLAIN_PRIME, Coat.HEAVY_BACKUP);
    }

    /** What a recipe tells can be read back. */
    @ParameterizedTest
    @EnumSource(ShellSchool.class)
    void whatIsToldCanBeRead(ShellSchool school) {
        Recipe recipe = school.recipe(9, Factors.HANDBOOK);
        RecipeText.Read read = RecipeText.read(recipe.told());
        assertThat(read.coats()).isEqualTo(recipe.coats());
        assertThat(read.wireAfter()).isEqualTo(recipe.wireAfter());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"", " , ", "wire", "prime, wire, wire", "0 backup", "41 backup", "mud", "prime 3", "-1 backup"})
    void whatCannotBeIsRefusedWithAWord(String text) {
        assertThatThrownBy(() -> RecipeText.read(text))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageMatching(".*[a-z]{3}.*\\.");
    }
}
