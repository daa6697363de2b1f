package kilnryu.core.wax;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import kilnryu.core.finding.Finding;
import kilnryu.core.sum.Factors;
import kilnryu.core.wax.InjectionRound.Kind;
import kilnryu.core.wax.InjectionRound.Mold;
import kilnryu.core.wax.InjectionRound.Move;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Setting by hand, and rounds of molds that can be followed on paper. */
class InjectionTest {

    private static Injection of(double pour, double mold, double thick) {
        return Injection.of(
                new Injection.Question(Wax.SCULPTURE, pour, Heated.SILICONE, mold, thick), Factors.HANDBOOK);
    }

    /** 6 mm in rubber at 22 C, wax just liquid: 1.3 x (6 / (2 x 0.16))^2 = 457 s. */
    @Test
    void itSetsFromBothFacesToItsMiddle() {
        assertThat(of(70, 22, 6).setting().value()).isEqualTo(457, within(0.6));
        // half as thick takes a quarter of the time
        assertThat(of(70, 22, 3).setting().value())
                .isEqualTo(of(70, 22, 6).setting().value() / 4, within(1e-6));
        assertThat(of(74, 22, 6).setting().value())
                .isGreaterThan(of(70, 22, 6).setting().value());
    }

    @ParameterizedTest
    @CsvSource({"60, wax-cold", "81, wax-hot", "130, wax-smokes"})
    void theWaxIsLiquidAndNotHot(double pour, String id) {
        assertThat(of(pour, 22, 6).findings().all()).extracting(Finding::id).containsExactly(id);
        assertThat(of(75, 22, 6).findings().all()).isEmpty();
    }

    @Test
    void inAMoldAsWarmAsWaxNothingSets() {
        assertThatThrownBy(() -> of(75, 70, 6))
                .isInstanceOfSatisfying(
                        Injection.NeverFreezes.class,
                        e -> assertThat(e.findings().all())
                                .extracting(Finding::id)
                                .contains("never-freezes"))
                .hasMessageContaining("freezes no wax");
        assertThatThrownBy(() -> of(75, 22, 0)).isInstanceOf(IllegalArgumentException.class);
    }

    /** One mold, 20 s to inject, 100 s to set, 30 s to pull, two patterns: hands wait 100 s twice. */
    @Test
    void oneMoldLeavesTheHandsIdle() {
        InjectionRound r = InjectionRound.of(List.of(new Mold("limpet", 20, 100, 30, 2)));
        assertThat(r.moves())
                .containsExactly(
                        new Move(Kind.INJECT, 0, 1, 0, 20),
                        new Move(Kind.PULL, 0, 1, 120, 150),
                        new Move(Kind.INJECT, 0, 2, 150, 170),
                        new Move(Kind.PULL, 0, 2, 270, 300));
        assertThat(r.idle()).isEqualTo(200);
        assertThat(r.length()).isEqualTo(300);
        assertThat(r.perHour()).isEqualTo(24);
    }

    /** 50 s of hands and 200 s to set: four others fill the wait, so that five keep the hands busy. */
    @Test
    void fiveMoldsInTurnLeaveNobodyIdle() {
        Mold mold = new Mold("limpet", 20, 200, 30, 4);
        assertThat(InjectionRound.busyWith(mold)).isEqualTo(5);
        InjectionRound five = InjectionRound.of(Collections.nCopies(5, mold));
        assertThat(five.moves()).filteredOn(m -> m.kind() == Kind.PULL).hasSize(20);
        // only the first round waits: 5 x 20 s are injected, the first is set at 220
        assertThat(five.idle()).isEqualTo(220 - 100 + lastWait(five));
        assertThat(five.moves().subList(0, 5)).extracting(Move::mold).containsExactly(0, 1, 2, 3, 4);
        InjectionRound four = InjectionRound.of(Collections.nCopies(4, mold));
        assertThat(four.idle()).isGreaterThan(five.idle());
        assertThat(five.perHour()).isGreaterThan(four.perHour());
        assertThat(InjectionRound.busyWith(new Mold("quick", 20, 0, 30, 1))).isEqualTo(1);
        assertThat(InjectionRound.busyWith(new Mold("slower", 20, 201, 30, 1))).isEqualTo(6);
    }

    /** What is waited after the first round, by walking the moves. */
    private static double lastWait(InjectionRound r) {
        double idle = 0;
        for (int i = 6; i < r.moves().size(); i++) {
            idle += r.moves().get(i).at() - r.moves().get(i - 1).until();
        }
        return idle;
    }

    @Test
    void nothingIsPulledWarmAndHandsDoOneThingAtATime() {
        Random random = new Random(5);
        for (int n = 0; n < 60; n++) {
            List<Mold> molds = new ArrayList<>();
            for (int i = 0; i <= random.nextInt(6); i++) {
                molds.add(new Mold(
                        "m" + i,
                        5 + random.nextInt(30),
                        random.nextInt(300),
                        5 + random.nextInt(40),
                        random.nextInt(5)));
            }
            InjectionRound r = InjectionRound.of(molds);
            int wanted = molds.stream().mapToInt(Mold::wanted).sum();
            assertThat(r.moves()).hasSize(2 * wanted);
            for (int i = 1; i < r.moves().size(); i++) {
                assertThat(r.moves().get(i).at())
                        .isGreaterThanOrEqualTo(r.moves().get(i - 1).until());
            }
            for (Move pull : r.moves()) {
                if (pull.kind() == Kind.PULL) {
                    Move shot = r.moves().stream()
                            .filter(m -> m.kind() == Kind.INJECT && m.mold() == pull.mold() && m.shot() == pull.shot())
                            .findFirst()
                            .orElseThrow();
                    assertThat(pull.at())
                            .isGreaterThanOrEqualTo(
                                    shot.until() + molds.get(pull.mold()).setting());
                }
            }
        }
    }

    @Test
    void handsTakeTime() {
        assertThatThrownBy(() -> new Mold("m", 0, 1, 1, 1)).isInstanceOf(IllegalArgumentException.class);
        assertThat(InjectionRound.of(List.of()).perHour()).isZero();
    }
}
