package kilnryu.core.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import kilnryu.core.quantity.Measure;
import kilnryu.core.shell.Strength.Curve;
import kilnryu.core.shell.Strength.Place;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import org.junit.jupiter.api.Test;

class ShellSchoolTest {
    private static final Factors BOOK = Factors.HANDBOOK;

    private static String told(ShellSchool school, double target) {
        return school.recipe(target, BOOK).told();
    }

    @Test
    void theSchoolsOfTheHandbook() {
        assertThat(told(ShellSchool.FEW_COATS, 7)).isEqualTo("plain prime, prime, 4 backup, seal");
        assertThat(told(ShellSchool.MANY_COATS, 7)).isEqualTo("2 prime, 7 backup, seal");
        assertThat(told(ShellSchool.WIRE_BOUND, 7)).isEqualTo("prime, intermediate, 3 backup, wire, 4 backup, seal");
    }

    /** To 7 mm: 2 * 0.3 + 2 * 0.6 + 0.9 = 2.7 and 1.4 each: four. To 10 mm six: 2.7 + 8.4 = 11.1; five would be 9.7. */
    @Test
    void gradedGoesOnWithTheHeavyBackup() {
        assertThat(told(ShellSchool.GRADED, 7)).isEqualTo("2 plain prime, 2 prime, intermediate, 4 heavy backup");
        assertThat(told(ShellSchool.GRADED, 10)).endsWith("6 heavy backup");
    }

    /** To 7 mm: 0.6 + 0.9 + 0.3 = 1.8 and 1.1 each: five, 7.3 mm. */
    @Test
    void coatsUntilTheThickness() {
        assertThat(told(ShellSchool.TO_THICKNESS, 7)).isEqualTo("prime, intermediate, 5 backup, seal");
        assertThat(told(ShellSchool.TO_THICKNESS, 7.3)).isEqualTo("prime, intermediate, 5 backup, seal");
        assertThat(told(ShellSchool.TO_THICKNESS, 7.4)).isEqualTo("prime, intermediate, 6 backup, seal");
        assertThat(ShellSchool.TO_THICKNESS.recipe(500, BOOK).coats()).hasSize(Recipe.MOST_COATS);
    }

    @Test
    void thickerOverFiveKilos() {
        assertThat(ShellSchool.target(5000, BOOK).value()).isEqualTo(7);
        assertThat(ShellSchool.target(5001, BOOK).value()).isEqualTo(10);
    }

    @Test
    void aRecipeHasCoats() {
        assertThatThrownBy(() -> new Recipe("a", "a", "", List.of(), 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Recipe("a", "a", "", List.of(Coat.PRIME), 2))
                .isInstanceOf(IllegalArgumentException.class);
    }

    private static Proposal propose(double metal, double density, double head, double radius, boolean fine) {
        return Proposal.of(
                metal,
                List.of(new Place("foot", head, radius, Curve.CYLINDER)),
                Figure.given("d", "density", density, Measure.GRAM_PER_CM3, Known.DEFAULT, 0),
                fine,
                BOOK);
    }

    @Test
    void theSchoolFollowsMassHeadAndDetail() {
        assertThat(propose(400, 8.36, 150, 15, false).school()).isEqualTo(ShellSchool.FEW_COATS);
        assertThat(propose(3000, 8.36, 250, 30, false).school()).isEqualTo(ShellSchool.MANY_COATS);
        assertThat(propose(3000, 8.36, 250, 30, true).school()).isEqualTo(ShellSchool.GRADED);
        assertThat(propose(9000, 8.36, 350, 50, false).school()).isEqualTo(ShellSchool.TO_THICKNESS);
        assertThat(propose(9000, 8.36, 350, 50, false).target()).isEqualTo(10);
        assertThat(propose(30_000, 8.36, 500, 80, false).school()).isEqualTo(ShellSchool.WIRE_BOUND);
    }

    /**
     * Bronze 1200 mm deep on a radius of 150: 88.57 kPa * 150 / 1.6667 = 7.97 mm, with a third more 10.36, so 10.5; the
     * same in aluminium asks for 2.6 and stays at the usual 7.
     */
    @Test
    void lightMetalAsksForLess() {
        assertThat(propose(4000, 8.36, 1200, 150, false).target()).isEqualTo(10.5);
        assertThat(propose(4000, 2.68, 1200, 150, false).target()).isEqualTo(7);
    }

    @Test
    void fiveSchoolsSideBySide() {
        assertThat(Proposal.all(8, BOOK))
                .extracting(Recipe::key)
                .containsExactly("few-coats", "many-coats", "wire-bound", "graded", "to-thickness");
    }
}
