package kilnryu.core.gating;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;

/** What the layouts propose, worked out by hand for one piece: its modulus is volume over face. */
class LayoutSizesTest {
    /** 30 x 14 x 10 mm, 2 cm3 under 10 cm2: modulus 2 mm. Gate 4 x 2 x 1.13 = 9.04, 9.5. */
    private static Member leaf(int count) {
        return piece(30, 14, 10, 2, 10, count);
    }

    private static Member piece(double l, double w, double t, double cm3, double cm2, int count) {
        Form.Body body =
                new Form.Body(l, w, t, Optional.empty(), Optional.empty(), Form.Traps.NONE, OptionalDouble.of(cm2));
        return new Member("leaf", "leaf", Use.PIECE, count, body, TestTree.volume(cm3 * count), Optional.empty(), "");
    }

    private static List<Member> proposed(Layout layout, Member piece) {
        return layout.propose(
                new Layout.Wish(piece, OptionalInt.empty(), OptionalDouble.empty(), OptionalDouble.empty()));
    }

    private static Member named(List<Member> members, String key) {
        return members.stream().filter(m -> m.key().equals(key)).findFirst().orElseThrow();
    }

    private static Joint joint(List<Member> members, String key) {
        return named(members, key).joint().orElseThrow();
    }

    /**
     * Sprue 9.5 x 1.13 = 10.7, 11; its cup 1.2 x 11 = 13.2, 13.5 below and 2.8 x 11 = 30.8, 31 above, 25 high. The gates
     * begin 12 + 9.5 / 2 + 1 + 10 / 2 = 22.75, 23 under the cup; 23 + 9.5 + 4 = 36.5, 37 of sprue.
     */
    @Test
    void oneRing() {
        List<Member> two = proposed(Layout.TIERED, leaf(2));
        assertThat(named(two, "gate").form()).isEqualTo(new Form.Round(9.5, 9.5, 9.5));
        assertThat(named(two, "sprue").form()).isEqualTo(new Form.Round(11, 11, 37));
        assertThat(named(two, "cup").form()).isEqualTo(new Form.Round(31, 13.5, 25));
        assertThat(joint(two, "sprue").at()).isEqualTo(25);
        assertThat(joint(two, "gate").at()).isEqualTo(23);
        assertThat(joint(two, "gate").tilt()).isEqualTo(-45);
        assertThat(joint(two, "gate").rings()).isEqualTo(1);
        assertThat(joint(two, "leaf").at()).isEqualTo(9.5);
        assertThat(joint(two, "leaf").tilt()).isEqualTo(-45);
    }

    /**
     * Four gates of 9.5 round a sprue of 11 stand 5.5 x sqrt 2 = 7.8 from each other, one into the next: two rings of two,
     * max(9.5, 10) / cos 45 + 4 = 18.1, 19 apart: 23 + 19 + 13.5 = 55.5, 56 of sprue. Five take three.
     */
    @Test
    void twoRings() {
        List<Member> pairs = proposed(Layout.TIERED, leaf(4));
        assertThat(joint(pairs, "gate").rings()).isEqualTo(2);
        assertThat(joint(pairs, "gate").spacing()).isEqualTo(19);
        assertThat(named(pairs, "sprue").form()).isEqualTo(new Form.Round(11, 11, 56));
        assertThat(joint(proposed(Layout.TIERED, leaf(5)), "gate").rings()).isEqualTo(3);
        // asked for two rings, four gates stand in each
        List<Member> asked = Layout.TIERED.propose(
                new Layout.Wish(leaf(8), OptionalInt.empty(), OptionalDouble.of(19), OptionalDouble.of(-45)));
        assertThat(joint(asked, "gate").rings()).isEqualTo(2);
    }

    /** Rising by 30 degrees a gate stands (9.5 + 30) x 0.5 = 19.75 higher: 12 + 19.75 + 5 = 36.75, 37 under the cup. */
    @Test
    void rising() {
        List<Member> up = Layout.TIERED.propose(
                new Layout.Wish(leaf(8), OptionalInt.of(2), OptionalDouble.of(40), OptionalDouble.of(30)));
        assertThat(joint(up, "gate").at()).isEqualTo(37);
        assertThat(joint(up, "gate").tilt()).isEqualTo(30);
        assertThat(joint(up, "gate").spacing()).isEqualTo(40);
        // 37 + 40 + 9.5 + 4 = 90.5
        assertThat(named(up, "sprue").form()).isEqualTo(new Form.Round(11, 11, 91));
    }

    /** A broad piece fills its circle sooner: 60 wide, 2 pi x (5.5 + (9.5 + 15) x 0.707) / 64 = 2.2. */
    @Test
    void broadPieces() {
        List<Member> broad = proposed(Layout.TIERED, piece(30, 60, 10, 2, 10, 4));
        assertThat(joint(broad, "gate").rings()).isEqualTo(2);
    }

    /**
     * Runner 9.5 x 1.13, 11; sprue 11 x 1.13 = 12.43, 12.5; its cup 15 below, 2.8 x 12.5 = 35 above, 25 high. Leaves 14
     * wide stand 18 apart, the first max(9, 12.5), 13 from the sprue, two to a side: 13 + 3 x 18 + 9.5 = 76.5.
     */
    @Test
    void onARunner() {
        List<Member> eight = proposed(Layout.RUNNER, leaf(8));
        assertThat(named(eight, "runner").form()).isEqualTo(new Form.Bar(11, 11, 76.5));
        assertThat(named(eight, "runner").count()).isEqualTo(2);
        assertThat(joint(eight, "runner").at()).isEqualTo(28);
        assertThat(named(eight, "sprue").form()).isEqualTo(new Form.Round(12.5, 12.5, 30));
        assertThat(named(eight, "cup").form()).isEqualTo(new Form.Round(35, 15, 25));
        assertThat(joint(eight, "gate").at()).isEqualTo(13);
        assertThat(joint(eight, "gate").rings()).isEqualTo(4);
        assertThat(joint(eight, "gate").spacing()).isEqualTo(18);
        // five stand three to a side
        assertThat(joint(proposed(Layout.RUNNER, leaf(5)), "gate").rings()).isEqualTo(3);
        List<Member> one = proposed(Layout.RUNNER, leaf(1));
        assertThat(named(one, "runner").count()).isEqualTo(1);
        assertThat(named(one, "runner").form()).isEqualTo(new Form.Bar(11, 11, 22.5));
        // a broad piece stands further out: 40 wide, 44 apart, the first at 22
        List<Member> broad = proposed(Layout.RUNNER, piece(30, 40, 10, 2, 10, 4));
        assertThat(joint(broad, "gate").spacing()).isEqualTo(44);
        assertThat(joint(broad, "gate").at()).isEqualTo(22);
    }

    /**
     * From below the leaves stand 18 apart, the first 6.25 + 7 + 10 = 23.25, 24 out; down 30 + 9.5 + 11 + 14 = 64.5, 65.
     * The runner 24 + 54 + 9.5 = 87.5 joins at 65 - 5.5. Vents of 25 + 65 - 5.5 - 5.5 - 9.5 - 30 = 39.5, 40 to the rim.
     */
    @Test
    void fromBelow() {
        List<Member> eight = proposed(Layout.FROM_BELOW, leaf(8));
        assertThat(named(eight, "sprue").form()).isEqualTo(new Form.Round(12.5, 12.5, 65));
        assertThat(named(eight, "runner").form()).isEqualTo(new Form.Bar(11, 11, 87.5));
        assertThat(joint(eight, "runner").at()).isEqualTo(59.5);
        assertThat(joint(eight, "gate").at()).isEqualTo(24);
        assertThat(joint(eight, "gate").tilt()).isEqualTo(90);
        assertThat(named(eight, "vent").form()).isEqualTo(new Form.Round(6, 6, 40));
        assertThat(named(eight, "vent").count()).isEqualTo(8);
        assertThat(joint(eight, "vent").at()).isEqualTo(30);
        List<Member> one = proposed(Layout.FROM_BELOW, leaf(1));
        assertThat(named(one, "runner").count()).isEqualTo(1);
        assertThat(named(one, "runner").form()).isEqualTo(new Form.Bar(11, 11, 33.5));
    }

    /**
     * A lump of modulus 10 from below is only filled through a gate of 7; its feeder is 1.2 x 10 x 4.7 = 56.4, 57 thick
     * and 86 high, on its top. The feeders ask for more room than the lumps: 57 + 4 = 61 apart.
     */
    @Test
    void aLumpFromBelowHasItsOwnFeeder() {
        List<Member> lumps = proposed(Layout.FROM_BELOW, piece(70, 40, 40, 75, 75, 2));
        assertThat(named(lumps, "gate").form()).isEqualTo(new Form.Round(7, 7, 7));
        assertThat(named(lumps, "own-feeder").form()).isEqualTo(new Form.Round(57, 57, 86));
        assertThat(named(lumps, "own-feeder").count()).isEqualTo(2);
        assertThat(joint(lumps, "own-feeder").at()).isEqualTo(70);
        assertThat(joint(lumps, "own-feeder").tilt()).isEqualTo(90);
        assertThat(lumps).extracting(Member::use).doesNotContain(Use.VENT);
        // runner 7 x 1.13 = 7.91, 8; sprue 9.04, 9.5; first 4.75 + 28.5 + 10 = 43.25
        assertThat(joint(lumps, "gate").at()).isEqualTo(44);
        assertThat(joint(lumps, "gate").spacing()).isEqualTo(61);
    }

    /** 2 l of 4000 cm2, modulus 5: by volume cbrt(2000000 x 0.3 / 1.178) = 79.9, 80 thick and 120 high. */
    @Test
    void aFeederHoldsWhatItsPieceShrinksBy() {
        List<Member> large = proposed(Layout.FROM_BELOW, piece(200, 120, 120, 2000, 4000, 1));
        assertThat(named(large, "own-feeder").form()).isEqualTo(new Form.Round(80, 80, 120));
    }

    /** What hangs from above and can be fed through its gate has no feeder; half along sits the one that needs it. */
    @Test
    void fedThroughItsGateOrNot() {
        assertThat(proposed(Layout.TIERED, piece(70, 60, 60, 75, 75, 2)))
                .extracting(Member::key)
                .doesNotContain("own-feeder");
        // modulus 5 in a piece 12 thick: a flat gate of 12 x 48 has 4.8, under 1.1 x 5 less a twentieth
        List<Member> thick = proposed(Layout.TIERED, piece(80, 70, 12, 75, 150, 2));
        assertThat(joint(thick, "own-feeder").at()).isEqualTo(40);
    }

    /** 4 mm thick, modulus 2: 9.04 is more than it bears; flat, 16 x 4. Modulus 1.2: 2.712 x 4 / 1.288 = 8.4, 8 x 4. */
    @Test
    void flatGatesOnThinParts() {
        assertThat(gate(piece(60, 30, 4, 2, 10, 1))).isEqualTo(new Form.Bar(16, 4, 6));
        assertThat(gate(piece(60, 30, 4, 1.2, 10, 1))).isEqualTo(new Form.Bar(8, 4, 6));
        // no wider than 0.7 of a part 10 wide
        assertThat(gate(piece(60, 10, 4, 2, 10, 1))).isEqualTo(new Form.Bar(7, 4, 6));
        // hardly wider than thick: a round one
        assertThat(gate(piece(60, 4.2, 4, 2, 10, 1))).isEqualTo(new Form.Round(4, 4, 6));
        // thinner than 2 mm it is as thick as the part, to the tenth
        assertThat(gate(piece(60, 30, 1.7, 2, 10, 1))).isEqualTo(new Form.Bar(6.5, 1.7, 6));
        // from 2 mm on in half millimetres
        assertThat(gate(piece(60, 30, 2.9, 2, 10, 1))).isEqualTo(new Form.Bar(10, 2.5, 6));
        assertThat(gate(piece(60, 30, 9.5, 2, 10, 1))).isEqualTo(new Form.Round(9.5, 9.5, 9.5));
        // very thin metal: a gate of 2 at least, 6 long
        assertThat(gate(piece(60, 30, 4, 0.3, 10, 1))).isEqualTo(new Form.Round(2, 2, 6));
    }

    private static Form gate(Member piece) {
        return named(proposed(Layout.TIERED, piece), "gate").form();
    }

    /** Straight down: feeder 1.4 x 9.5 = 13.3, 14 thick and high; its cup 16 below, 25 above. */
    @Test
    void direct() {
        List<Member> one = proposed(Layout.DIRECT, leaf(3));
        assertThat(named(one, "feeder").form()).isEqualTo(new Form.Round(14, 14, 14));
        assertThat(named(one, "cup").form()).isEqualTo(new Form.Round(25, 16, 25));
        assertThat(joint(one, "feeder").at()).isEqualTo(25);
        assertThat(joint(one, "gate").at()).isEqualTo(14);
        assertThat(joint(one, "leaf").at()).isEqualTo(9.5);
        assertThat(named(one, "leaf").count()).isEqualTo(1);
    }

    /** A rod as a piece is a body as thick as its thicker end. */
    @Test
    void aRodAsAPiece() {
        Member rod = new Member(
                "leaf", "rod", Use.PIECE, 2, new Form.Round(8, 6, 50), TestTree.volume(4), Optional.empty(), "");
        List<Member> two = proposed(Layout.RUNNER, rod);
        // 8 wide and 4 of room, or a gate of 8 that the part bears at the most
        assertThat(joint(two, "gate").spacing()).isEqualTo(12);
    }

    /** Where pieces come too near they go further apart, then fewer to a ring, never over their number. */
    @Test
    void roomBetweenThem() {
        List<Member> many = proposed(Layout.TIERED, piece(60, 9, 30, 2, 10, 12));
        double least = Double.POSITIVE_INFINITY;
        List<Placing.Single> leaves = Placing.of(Assembly.of(many)).singles().stream()
                .filter(s -> s.member().use() == Use.PIECE)
                .toList();
        for (int i = 0; i < leaves.size(); i++) {
            for (int j = i + 1; j < leaves.size(); j++) {
                least = Math.min(least, Gap.between(leaves.get(i), leaves.get(j)));
            }
        }
        assertThat(least).isGreaterThanOrEqualTo(3 - 1e-9);
        assertThat(joint(many, "gate").rings()).isLessThanOrEqualTo(12);
        assertThat(named(many, "gate").count()).isEqualTo(12);
    }

    /** Pieces that the caster set apart stay where they are set. */
    @Test
    void whatIsSetStays() {
        List<Member> set = Layout.TIERED.propose(
                new Layout.Wish(leaf(8), OptionalInt.of(1), OptionalDouble.empty(), OptionalDouble.of(-45)));
        assertThat(joint(set, "gate").rings()).isEqualTo(1);
        List<Member> near = Layout.TIERED.propose(
                new Layout.Wish(leaf(8), OptionalInt.empty(), OptionalDouble.of(5), OptionalDouble.of(-45)));
        assertThat(joint(near, "gate").spacing()).isEqualTo(5);
        assertThat(named(near, "sprue").form().length()).isCloseTo(42, within(1e-9));
    }
}
