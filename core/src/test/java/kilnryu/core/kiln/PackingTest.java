package kilnryu.core.kiln;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import kilnryu.core.finding.Finding;
import kilnryu.core.kiln.Packing.Item;
import kilnryu.core.kiln.Packing.Placed;
import org.junit.jupiter.api.Test;

class PackingTest {
    private static final Chamber ROUND = new Chamber(true, 450, 450, 400, List.of(0.0));
    private static final Chamber BOX = new Chamber(false, 400, 500, 420, List.of(0.0, 220.0));

    private static Item flask(String key, double diameter) {
        return new Item(key, "flask " + key, true, diameter, diameter, 150);
    }

    private static Item block(String key, double width, double depth, double height) {
        return new Item(key, "block " + key, false, width, depth, height);
    }

    private static List<String> found(Chamber chamber, Placed... placed) {
        return new Packing(chamber, List.of(placed))
                .check().all().stream().map(Finding::id).toList();
    }

    /** Two of 100 mm with their middles 130 apart leave 30; a square of 100 and a circle at 45 degrees by Pythagoras. */
    @Test
    void roomBetweenOutlines() {
        Placed a = new Placed(flask("a", 100), -65, 0, 0, false);
        Placed b = new Placed(flask("b", 100), 65, 0, 0, false);
        assertThat(Packing.gap(a, b)).isCloseTo(30, within(1e-9));
        Placed box = new Placed(block("c", 100, 100, 100), 0, 0, 0, false);
        Placed diagonal = new Placed(flask("d", 100), 110, 110, 0, false);
        // corner at 50, 50; 60 and 60 further: 84.85 less the radius
        assertThat(Packing.gap(box, diagonal)).isCloseTo(84.853 - 50, within(0.001));
        Placed turned = new Placed(block("e", 200, 100, 100), 160, 0, 0, true);
        assertThat(Packing.gap(box, turned)).isCloseTo(160 - 50 - 50, within(1e-9));
        Packing both = new Packing(ROUND, List.of(a, b));
        assertThat(both.nearest(0)).isCloseTo(30, within(1e-9));
        // 225 less 65 and 50
        assertThat(both.toWall(1)).isCloseTo(110, within(1e-9));
    }

    @Test
    void whatStandsWrongIsSaidWithItsPlace() {
        assertThat(found(ROUND, new Placed(flask("a", 100), 190, 0, 0, false))).containsExactly("in-wall");
        assertThat(found(ROUND, new Placed(flask("a", 100), 160, 0, 0, false))).containsExactly("near-wall");
        assertThat(found(
                        ROUND,
                        new Placed(flask("a", 100), -52, 0, 0, false),
                        new Placed(flask("b", 100), 53, 0, 0, false)))
                .containsExactly("near-mold");
        assertThat(found(
                        ROUND,
                        new Placed(flask("a", 100), -30, 0, 0, false),
                        new Placed(flask("b", 100), 30, 0, 0, false)))
                .containsExactly("overlap");
        assertThat(found(BOX, new Placed(block("c", 120, 120, 260), 0, 0, 0, false)))
                .containsExactly("too-high");
        assertThat(found(BOX, new Placed(flask("a", 100), 0, 0, 0, false), new Placed(flask("b", 100), 0, 0, 1, false)))
                .isEmpty();
    }

    /** Whatever is proposed keeps its distances, and more molds are never placed than there are. */
    @Test
    void aProposalKeepsItsDistances() {
        Random random = new Random(83);
        for (int round = 0; round < 12; round++) {
            List<Item> items = new ArrayList<>();
            for (int i = 0; i < 2 + random.nextInt(8); i++) {
                items.add(
                        random.nextBoolean()
                                ? flask("f" + i, 50 + random.nextInt(70))
                                : block("b" + i, 60 + random.nextInt(80), 60 + random.nextInt(120), 100));
            }
            Packing packing = Packing.propose(round % 2 == 0 ? ROUND : BOX, items);
            assertThat(packing.check().all()).isEmpty();
            assertThat(packing.placed()).hasSizeLessThanOrEqualTo(items.size()).isNotEmpty();
        }
        assertThat(Packing.propose(ROUND, List.of(flask("a", 100), flask("b", 100), flask("c", 80)))
                        .placed())
                .hasSize(3);
        assertThat(Packing.propose(ROUND, List.of(flask("x", 430))).placed()).isEmpty();
        assertThatThrownBy(() -> new Chamber(true, 0, 1, 1, List.of())).isInstanceOf(IllegalArgumentException.class);
    }

    /** Alone a side is free; a neighbour at a hand's width hides nothing, a near one something, several more. */
    @Test
    void neighboursKeepHeatFromASide() {
        Placed me = new Placed(flask("a", 80), 0, 0, 0, false);
        Placed far = new Placed(flask("b", 80), 140, 0, 0, false);
        Placed near = new Placed(flask("b", 80), 100, 0, 0, false);
        Placed other = new Placed(flask("c", 80), -100, 0, 0, false);
        assertThat(new Packing(BOX, List.of(me)).free(0)).isEqualTo(1);
        assertThat(new Packing(BOX, List.of(me, far)).free(0)).isEqualTo(1);
        // asin(40 / 100) twice is 47.16 degrees; a gap of 20 of 60 hides two thirds of it
        assertThat(new Packing(BOX, List.of(me, near)).free(0)).isCloseTo(1 - 47.156 / 360 * 2 / 3, within(1e-4));
        assertThat(new Packing(BOX, List.of(me, near, other)).free(0))
                .isCloseTo(1 - 2 * 47.156 / 360 * 2 / 3, within(1e-4));
    }
}
