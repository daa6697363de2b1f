package kilnryu.core.gating;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Severity;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.mesh.Vec;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import org.junit.jupiter.api.Test;

/** What is said of a tree, with the figures in it by hand, and how much is borne before it is said. */
class GatingWordsTest {
    private static Finding finding(TestTree tree, String id) {
        return tree.plan().findings().all().stream()
                .filter(f -> f.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new AssertionError(id + " not in " + tree.found()));
    }

    private static String said(TestTree tree, String id) {
        return finding(tree, id).message();
    }

    private static TestTree vented(double at, double length) {
        return TestTree.standing()
                .add(
                        "vent",
                        Use.VENT,
                        1,
                        new Form.Round(6, 6, length),
                        Joint.to("statue", at, 0, 90).filleted(1));
    }

    /** The statue rises 120 from its gate; upside down all of it, an ellipsoid of 100.5 cm3, lies below. */
    @Test
    void whatRisesAboveItsGate() {
        TestTree standing = TestTree.standing();
        assertThat(said(standing, "high-point.statue"))
                .isEqualTo("The statue rises 120 mm above its gate and has no vent there.");
        assertThat(said(standing, "low-pocket.statue"))
                .isEqualTo(
                        "Cup down, about 100.5 cm³ of the pattern of the statue lies below its gate and has no drain.");
        assertThat(finding(standing, "low-pocket.statue").severity()).isEqualTo(Severity.WARN);
    }

    /** A leaf that lies level: half of its 10 mm is above the gate, half of its 0.88 cm3. */
    @Test
    void halfOfALevelLeaf() {
        TestTree level = new TestTree().joint("leaf", Joint.to("gate", 10, 0, 0));
        assertThat(said(level, "high-point.leaf"))
                .isEqualTo("The leaf rises 5 mm above its gate and has no vent there.");
        assertThat(said(level, "low-pocket.leaf"))
                .isEqualTo("Cup down, about 0.4 cm³ of the pattern of the leaf lies below its gate and has no drain.");
        assertThat(finding(level, "low-pocket.leaf").severity()).isEqualTo(Severity.NOTE);
    }

    /** 6 mm are asked of a drain for plastic, 1 of one for wax; it has to be at the top. */
    @Test
    void drains() {
        TestTree thin = vented(120, 115).form("vent", new Form.Round(5, 5, 115));
        assertThat(thin.found()).doesNotContain("low-pocket.statue");
        assertThat(said(thin.of(Alloy.SI_BRONZE, PatternMaterial.CASTABLE_RESIN), "low-pocket.statue"))
                .startsWith("Cup down, about 100.5");
        assertThat(vented(120, 115)
                        .of(Alloy.SI_BRONZE, PatternMaterial.CASTABLE_RESIN)
                        .found())
                .doesNotContain("low-pocket.statue");
        assertThat(vented(60, 115).found()).contains("low-pocket.statue");
        TestTree cone = vented(120, 115).form("vent", new Form.Round(8, 0.5, 115));
        assertThat(cone.found()).contains("low-pocket.statue");
        TestTree drain = TestTree.standing()
                .add(
                        "drain",
                        Use.DRAIN,
                        1,
                        new Form.Round(3, 3, 20),
                        Joint.to("statue", 120, 0, 90).filleted(1));
        assertThat(drain.found()).doesNotContain("low-pocket.statue").contains("high-point.statue");
    }

    /** Its top lies 115 under the rim: a vent of 100 ends 15 short, and 15 longer reaches. */
    @Test
    void aVentThatIsShort() {
        Finding vent = finding(vented(120, 100), "vent-short.vent");
        assertThat(vent.message()).isEqualTo("The vent ends 15 mm under the rim of the cup.");
        assertThat(vent.remedy()).isEqualTo("Make it 15 mm longer, to the level of the rim.");
        assertThat(vent.figureBehind().orElseThrow().value()).isCloseTo(15, within(1e-6));
    }

    /**
     * A vent upright at 70 of 120: the statue is 20 x sqrt(1 - (2 x 70 / 120 - 1)^2) thick there, but upright nothing of
     * it counts; it leaves 50 below the top. 0.06 of 120 is borne: 7 mm are, 8 not.
     */
    @Test
    void aVentThatLeavesLow() {
        assertThat(said(vented(70, 200), "vent-low.vent"))
                .isEqualTo("The vent leaves the statue 50 mm below its highest point.");
        assertThat(vented(113, 130).found()).doesNotContain("vent-low.vent");
        assertThat(vented(112, 130).found()).contains("vent-low.vent");
    }

    /** Two crowns beside the top want two outlets beside the one at the top. */
    @Test
    void crowns() {
        Form.Body body = TestTree.statue(null);
        Form.Body crowned = new Form.Body(
                body.length(), body.width(), body.thickness(), body.walls(), body.core(), new Form.Traps(2, 1));
        TestTree none = TestTree.standing().form("statue", crowned);
        assertThat(said(none, "high-further.statue"))
                .isEqualTo("The statue has 2 high points beside its top, and 2 of them no vent.");
        assertThat(said(none, "low-further.statue"))
                .isEqualTo("The statue has 1 low points where pattern material stays, and 1 of them no drain.");
        TestTree top = vented(120, 115).form("statue", crowned);
        assertThat(said(top, "high-further.statue")).contains("and 2 of them no vent");
        TestTree two = top.add(
                "stub",
                Use.STUB,
                1,
                new Form.Round(8, 8, 15),
                Joint.to("statue", 60, 0, 0).filleted(1));
        assertThat(said(two, "high-further.statue")).contains("and 1 of them no vent");
        two.add(
                "stub2",
                Use.STUB,
                1,
                new Form.Round(8, 8, 15),
                Joint.to("statue", 80, 0, 0).filleted(1));
        assertThat(two.found()).doesNotContain("high-further.statue");
        two.add(
                "drain",
                Use.DRAIN,
                1,
                new Form.Round(8, 8, 15),
                Joint.to("statue", 20, 0, 0).filleted(1));
        assertThat(two.found()).doesNotContain("low-further.statue");
    }

    /** A runner of 100 whose last joint is at 58: 42 past it; three in a row count by the last of them. */
    @Test
    void whereARunnerEndsBlind() {
        TestTree on = TestTree.standing().form("runner", new Form.Bar(24, 20, 100));
        assertThat(said(on, "blind-end.runner"))
                .isEqualTo("The runner goes on 42 mm past its last joint and ends blind.");
        assertThat(on.joint(
                                "statue",
                                Joint.to("runner", 28, 0, 90).inRings(2, 36).filleted(2))
                        .found())
                .doesNotContain("blind-end.runner");
        // a vent opens the end from 1.5 x 24 before it on: from 64
        TestTree late = TestTree.standing()
                .form("runner", new Form.Bar(24, 20, 100))
                .add("stub", Use.STUB, 1, new Form.Round(8, 8, 15), Joint.to("runner", 63.5, 0, 90));
        assertThat(late.found()).contains("blind-end.runner");
        late.joint("stub", Joint.to("runner", 64, 0, 90));
        assertThat(late.found()).doesNotContain("blind-end.runner");
    }

    /** Modulus of a rod is a quarter of it: a gate of 9 has 2.25. */
    @Test
    void aFeederThatIsSmall() {
        TestTree tree = new TestTree();
        tree.add(
                "feeder",
                Use.FEEDER,
                8,
                new Form.Round(6, 6, 9),
                Joint.to("leaf", 30, 0, 90).filleted(1));
        GatingPlan plan = tree.plan();
        double asked = plan.moduli().get("leaf").value() * 1.2;
        Finding small = finding(tree, "feeder-modulus.feeder");
        assertThat(small.message())
                .isEqualTo(String.format(
                        java.util.Locale.ROOT,
                        "The feeder freezes before what it feeds: modulus %.1f mm, %.1f asked.",
                        plan.moduli().get("feeder").value(),
                        asked));
        assertThat(small.remedy())
                .isEqualTo(String.format(java.util.Locale.ROOT, "Make it about %.0f mm thick.", 4.2 * asked));
        // 8 leaves of 0.8796 cm3, 4.5 % over 17 %: 1.863 asked of all eight feeders of 0.2545 each
        assertThat(tree.found()).doesNotContain("feeder-volume.feeder");
        tree.form("feeder", new Form.Round(6, 6, 7));
        assertThat(said(tree, "feeder-volume.feeder"))
                .isEqualTo("The feeder holds 1.6 cm³; the leaf shrinks by what 1.9 cm³ can give.");
    }

    /** 4.5 % over 17 % of all below the cup; with a feeder anywhere, or without a cup, nothing is said. */
    @Test
    void theCupAsTheOnlyFeeder() {
        TestTree tree = new TestTree();
        // sprue 13.572, gates 8 x 0.6362, leaves 8 x 0.8796: 25.70 x 0.2647 = 6.80 cm3; the cup holds 40.84
        double below = TestTree.cm3(new Form.Round(12, 12, 120))
                + 8 * TestTree.cm3(new Form.Round(9, 9, 10))
                + 8 * TestTree.cm3(TestTree.leaf(3, 4));
        assertThat(below * 4.5 / 17).isCloseTo(6.80, within(0.01));
        assertThat(tree.found()).doesNotContain("cup-volume");
        tree.form("cup", new Form.Round(16, 16, 32));
        assertThat(said(tree, "cup-volume"))
                .isEqualTo("The cup holds 6.4 cm³; as the only feeder of this tree it would give its share from 6.8.");
        tree.form("cup", new Form.Round(16, 16, 34));
        assertThat(tree.found()).doesNotContain("cup-volume");
        tree.form("cup", new Form.Round(16, 16, 32));
        tree.add(
                "feeder",
                Use.FEEDER,
                1,
                new Form.Round(20, 20, 30),
                Joint.to("sprue", 100, 0, 0).filleted(1));
        assertThat(tree.found()).doesNotContain("cup-volume");
    }

    /** A gate of 9 has modulus 2.25; a leaf's 8 mm are unfed up to 8.4, from there it sinks. */
    @Test
    void wallsNobodyFeeds() {
        Form.Body thick = new Form.Body(
                60, 40, 30, Optional.of(new Form.Walls(8.3, 8.3, Form.Likeness.PLATE, List.of())), Optional.empty());
        TestTree tree = new TestTree().form("leaf", thick).form("gate", new Form.Round(6, 6, 10));
        assertThat(tree.found()).doesNotContain("unfed-wall.leaf").anyMatch(id -> id.contains("gate.leaf"));
        Finding thin = tree.plan().findings().all().stream()
                .filter(f -> f.id().endsWith("gate.leaf"))
                .findFirst()
                .orElseThrow();
        assertThat(thin.severity()).isEqualTo(Severity.NOTE);
        assertThat(thin.reason()).startsWith("Walls this thin mostly feed themselves");
        Form.Body thicker = new Form.Body(
                60, 40, 30, Optional.of(new Form.Walls(8.5, 8.5, Form.Likeness.PLATE, List.of())), Optional.empty());
        tree.form("leaf", thicker);
        assertThat(said(tree, "unfed-wall.leaf"))
                .isEqualTo("The leaf is 9 mm thick and nothing feeds it; up to about 8 mm casts sound unfed.");
    }

    /** What is asked of a gate is four times the modulus; where the part is thinner, no more than the part bears. */
    @Test
    void howThickToMakeIt() {
        Form.Body lump = new Form.Body(40, 40, 40, Optional.empty(), Optional.empty());
        TestTree tree = new TestTree().form("leaf", lump).form("gate", new Form.Round(9, 9, 10));
        double asked = tree.plan().moduli().get("leaf").value() * 1.1;
        String remedy = tree.plan().findings().all().stream()
                .filter(f -> f.id().endsWith("gate.leaf"))
                .map(Finding::remedy)
                .findFirst()
                .orElseThrow();
        assertThat(remedy)
                .isEqualTo(
                        String.format(java.util.Locale.ROOT, "Make the gate about %.1f mm thick or more.", 4 * asked));
        Form.Body plate = new Form.Body(60, 60, 9, Optional.empty(), Optional.empty());
        TestTree flat = new TestTree().form("leaf", plate).form("gate", new Form.Round(6, 6, 10));
        assertThat(4 * flat.plan().moduli().get("leaf").value() * 1.1).isGreaterThan(9);
        assertThat(flat.plan().findings().all())
                .filteredOn(f -> f.id().endsWith("gate.leaf"))
                .singleElement()
                .satisfies(f -> assertThat(f.remedy()).startsWith("A gate bears no more than the part, 9.0 mm"));
    }

    /** 6 over 3 to 6 mm: a tenth over the thin place is enough to be heavy again; 3.2 is not. */
    @Test
    void wallsInTheirOrder() {
        assertThat(said(new TestTree().form("leaf", TestTree.leaf(3, 6, 6, 3, 6)), "thick-thin-thick.leaf"))
                .isEqualTo("The leaf goes from 6.0 over 3.0 to 6.0 mm: two heavy places, one way to feed.");
        assertThat(new TestTree().form("leaf", TestTree.leaf(3, 6, 6, 3, 3.2)).found())
                .doesNotContain("thick-thin-thick.leaf");
        assertThat(new TestTree().form("leaf", TestTree.leaf(3, 6, 3, 3, 6)).found())
                .doesNotContain("thick-thin-thick.leaf");
    }

    /** Thick over thin of 3 and free for 15 thicknesses: held at two places it tears, at both limits still. */
    @Test
    void tears() {
        Form.Core held = new Form.Core(20, 10, 3, 2);
        assertThat(said(new TestTree().form("leaf", restrained(30, 2, 6, held)), "tear.leaf"))
                .isEqualTo("The leaf has a 2.0 mm wall beside 6.0 mm and is held at more than one place.");
        assertThat(new TestTree().form("leaf", restrained(29, 2, 6, held)).found())
                .doesNotContain("tear.leaf");
        assertThat(new TestTree().form("leaf", restrained(30, 2, 5.9, held)).found())
                .doesNotContain("tear.leaf");
    }

    private static Form.Body restrained(double length, double thin, double thick, Form.Core core) {
        return new Form.Body(
                length,
                14,
                10,
                Optional.of(new Form.Walls(thin, thick, Form.Likeness.PLATE, List.of())),
                Optional.of(core));
    }

    /** Four diameters and pins: 40.1 over 10 is slender; from three on two levels are asked. */
    @Test
    void cores() {
        TestTree tree = TestTree.standing();
        assertThat(said(tree.form("statue", TestTree.statue(new Form.Core(60, 10, 2, 1))), "core-pins.statue"))
                .isEqualTo("The core of the statue is 6.0 times as long as thick and has 2 pins.");
        assertThat(said(tree.form("statue", TestTree.statue(new Form.Core(40, 10, 2, 1))), "core-pins.statue"))
                .isEqualTo("The core of the statue has 2 pins; at least 3 hold a core.");
        assertThat(tree.form("statue", TestTree.statue(new Form.Core(30, 10, 3, 1)))
                        .found())
                .doesNotContain("core-levels.statue", "core-pins.statue");
        assertThat(said(tree.form("statue", TestTree.statue(new Form.Core(31, 10, 3, 1))), "core-levels.statue"))
                .isEqualTo("The core of the statue is 3.1 times as long as thick and held on one level.");
        assertThat(tree.form("statue", TestTree.statue(new Form.Core(31, 10, 3, 2)))
                        .found())
                .doesNotContain("core-levels.statue");
        // a core that stands up is not poured on
        assertThat(tree.found()).doesNotContain("pours-on-core.statue");
    }

    /** Half a millimetre past the end still touches. */
    @Test
    void pastTheEnd() {
        assertThat(new TestTree()
                        .joint(
                                "gate",
                                Joint.to("sprue", 60.5, 0, -20).inRings(4, 20).filleted(1))
                        .found())
                .doesNotContain("past-end.gate");
        assertThat(said(
                        new TestTree()
                                .joint(
                                        "gate",
                                        Joint.to("sprue", 70, 0, -20)
                                                .inRings(4, 20)
                                                .filleted(1)),
                        "past-end.gate"))
                .isEqualTo("The gate is set 10 mm past the end of the sprue.");
    }

    /** A gate 60 down from level makes 30 with a plumb sprue; 35 are asked, 55 down is just that. */
    @Test
    void wedges() {
        Finding wedge = finding(
                new TestTree()
                        .joint(
                                "gate",
                                Joint.to("sprue", 30, 0, -60).inRings(4, 20).filleted(1)),
                "wedge.gate");
        assertThat(wedge.message()).isEqualTo("The gate meets the sprue at 30°, a sharp wedge.");
        assertThat(wedge.remedy()).startsWith("Set it at 35° or more");
        assertThat(new TestTree()
                        .joint(
                                "gate",
                                Joint.to("sprue", 30, 0, -54.9).inRings(4, 20).filleted(1))
                        .found())
                .doesNotContain("wedge.gate");
        assertThat(new TestTree()
                        .joint(
                                "gate",
                                Joint.to("sprue", 30, 0, 60).inRings(4, 20).filleted(1))
                        .found())
                .contains("wedge.gate");
    }

    @Test
    void corners() {
        assertThat(said(
                        new TestTree()
                                .joint("gate", Joint.to("sprue", 30, 0, -20).inRings(4, 20)),
                        "bare-corners"))
                .isEqualTo("The joint of the gate has no fillet.");
        assertThat(said(
                        new TestTree()
                                .joint("gate", Joint.to("sprue", 30, 0, -20).inRings(4, 20))
                                .joint("leaf", Joint.to("gate", 10, 0, -45)),
                        "bare-corners"))
                .isEqualTo("2 joints have no fillet, the first at the gate.");
        // sprues and vents need none
        assertThat(new TestTree().found()).doesNotContain("bare-corners");
    }

    /** Two stubs of 4 on the sprue's face, 6 mm from middle to middle: 2 between them, 3 asked. */
    @Test
    void gaps() {
        TestTree tree = new TestTree()
                .add("one", Use.STUB, 1, new Form.Round(4, 4, 15), Joint.to("sprue", 100, 45, 0))
                .add("two", Use.STUB, 1, new Form.Round(4, 4, 15), Joint.to("sprue", 106, 45, 0));
        assertThat(said(tree, "gap.one.two")).isEqualTo("The two and the one stand 2.0 mm apart; 3 asked.");
        tree.joint("two", Joint.to("sprue", 107, 45, 0));
        assertThat(tree.found()).doesNotContain("gap.one.two");
        tree.joint("two", Joint.to("sprue", 104, 45, 0));
        assertThat(said(tree, "gap.one.two")).isEqualTo("the two and the one touch or overlap.");
    }

    @Test
    void twoOfAKind() {
        TestTree tree = new TestTree()
                .add(
                        "stub",
                        Use.STUB,
                        2,
                        new Form.Round(4, 4, 15),
                        Joint.to("sprue", 100, 45, 0).inRings(2, 6));
        TestTree near = new TestTree()
                .add(
                        "stub",
                        Use.STUB,
                        2,
                        new Form.Round(4, 4, 15),
                        Joint.to("sprue", 100, 45, 0).inRings(1, 0));
        assertThat(said(tree, "gap.stub.stub")).startsWith("Two of the stub ");
        assertThat(near.found()).doesNotContain("gap.stub.stub");
    }

    /**
     * On a sprue of 3.8 hang itself 1.361, gates 5.089 and leaves 7.037 cm3, 12.81 g of wax; 14.33 + 8 x 2.827 + 8 x 6 cm2
     * in 10 mm of wet shell at 1.9 weigh 161.4 g more: 174.2 g on 11.34 mm2 pull with 0.1507 MPa, over 0.15; on 4 mm 0.137.
     */
    @Test
    void whatASprueCarriesInAShell() {
        TestTree tree = new TestTree().form("sprue", new Form.Round(3.8, 3.8, 120));
        assertThat(tree.found()).doesNotContain("joint-weak.sprue");
        tree.in = InMold.shell(8);
        Finding weak = finding(tree, "joint-weak.sprue");
        assertThat(weak.message()).isEqualTo("In a shell the sprue would carry 0.2 kg on 11 mm² of wax.");
        assertThat(weak.figureBehind().orElseThrow().value()).isCloseTo(0.1507, within(0.0002));
        tree.form("sprue", new Form.Round(4, 4, 120));
        assertThat(tree.found()).doesNotContain("joint-weak.sprue");
    }

    /** The statue, some 370 g with its shell, is too much for a runner of 16 mm2 and borne by two. */
    @Test
    void twoRunnersCarryTogether() {
        TestTree tree = TestTree.standing();
        tree.in = InMold.shell(8);
        tree.form("runner", new Form.Bar(4, 4, 60));
        assertThat(said(tree, "joint-weak.runner")).endsWith("kg on 16 mm² of wax.");
        tree.with(
                "runner", m -> new Member(m.key(), m.name(), m.use(), 2, m.form(), m.volume(), m.joint(), m.endsAt()));
        assertThat(tree.found()).doesNotContain("joint-weak.runner");
    }

    /** The first leaf's top by its ring; 10 asked from the cup, a twentieth is borne. */
    @Test
    void nearTheCup() {
        TestTree tree = new TestTree()
                .joint("gate", Joint.to("sprue", 6, 0, 0).inRings(4, 20).filleted(1));
        tree.joint("leaf", Joint.to("gate", 10, 0, 0).filleted(1));
        // the cup ends at 40, the leaf's middle lies 6 lower and its back 5 over it
        assertThat(said(tree, "button.leaf")).isEqualTo("The leaf stands 1 mm from the cup; 10 asked.");
        tree.joint("gate", Joint.to("sprue", 14.6, 0, 0).inRings(4, 20).filleted(1));
        assertThat(tree.found()).doesNotContain("button.leaf");
        tree.joint("gate", Joint.to("sprue", 14.4, 0, 0).inRings(4, 20).filleted(1));
        assertThat(tree.found()).contains("button.leaf");
    }

    /** The gate of 9.5 on a leaf of 9: 5.6 % over; of 9.4, 4.4 %, nothing is said. */
    @Test
    void aGateThickerThanItsPart() {
        Form.Body nine = new Form.Body(30, 14, 9, Optional.empty(), Optional.empty());
        TestTree tree = new TestTree().form("leaf", nine).form("gate", new Form.Round(12, 9.4, 10));
        assertThat(tree.found()).doesNotContain("gate-thick.gate");
        tree.form("gate", new Form.Round(9, 9.5, 10));
        assertThat(said(tree, "gate-thick.gate")).isEqualTo("The gate is 9.5 mm thick where the leaf is 9.0 mm.");
        tree.form("gate", new Form.Bar(14, 9, 10));
        assertThat(tree.found()).doesNotContain("gate-thick.gate");
        tree.form("gate", new Form.Bar(14, 10, 10));
        assertThat(said(tree, "gate-thick.gate")).startsWith("The gate is 10.0 mm thick");
    }

    /** Two with a ladle come to 1.5 kg a second, half more is borne: 2.25; a third of it with light metal. */
    @Test
    void whatNobodyPours() {
        assertThat(new TestTree().pouredAt(2.25).found()).doesNotContain("pour-rate");
        assertThat(said(new TestTree().pouredAt(2.3), "pour-rate"))
                .isEqualTo("Nobody pours 2.3 kg a second; two people with a ladle come to 1.5.");
        TestTree light =
                new TestTree().of(Alloy.AL_SI7, PatternMaterial.INJECTION_WAX).pouredAt(0.76);
        assertThat(said(light, "pour-rate")).contains("come to 0.5");
        assertThat(light.pouredAt(0.75).found()).doesNotContain("pour-rate");
    }

    /** A sprue of 12 is 113 mm2; behind a neck it may open by 15 %: 12.8 across is 129, 12.9 is 131 over 130. */
    @Test
    void necks() {
        TestTree tree = TestTree.standing().form("sprue", new Form.Round(12, 12, 200));
        tree.form("runner", new Form.Bar(13, 10, 60));
        assertThat(tree.found()).doesNotContain("neck.runner");
        tree.form("runner", new Form.Bar(13.1, 10, 60));
        assertThat(said(tree, "neck.runner"))
                .isEqualTo("The sprue necks to 113 mm² before the runner opens to 131 mm².");
    }

    /** A rim 25 over the highest piece is asked. */
    @Test
    void metalOverTheHighestPiece() {
        TestTree tree = TestTree.standing();
        // its top lies 115 under the rim; a sprue 95 shorter leaves 20
        tree.form("sprue", new Form.Round(20, 20, 105))
                .joint("runner", Joint.to("sprue", 100, 0, 0).filleted(2));
        assertThat(said(tree, "head")).isEqualTo("The highest piece lies 20 mm under the rim; 25 asked.");
        tree.form("sprue", new Form.Round(20, 20, 111))
                .joint("runner", Joint.to("sprue", 106, 0, 0).filleted(2));
        assertThat(tree.found()).doesNotContain("head");
    }

    /** Tension 1.2 N/m and the like ask 2 sigma / t; a wall of 0.1 mm against the head of its middle. */
    @Test
    void edgesThatStayOpen() {
        TestTree tree = new TestTree().form("leaf", TestTree.leaf(0.1, 4)).at(1150, 900);
        tree.school(GatingSchool.GRAVITY);
        double sigma = Alloy.SI_BRONZE.surfaceTension();
        Placing.Single leaf = tree.plan().placing().singles().stream()
                .filter(s -> s.member().key().equals("leaf"))
                .findFirst()
                .orElseThrow();
        double head = -leaf.middle().z();
        double has = 0.9 * 8.36 * 9.81 * head / 1000;
        assertThat(said(tree, "capillary.leaf"))
                .isEqualTo(String.format(
                        java.util.Locale.ROOT,
                        "A wall of 0.10 mm of the leaf is entered only against %.1f kPa; head give %.1f.",
                        2 * sigma / 0.1,
                        has));
        TestTree vacuum = new TestTree().form("leaf", TestTree.leaf(0.1, 4)).at(1150, 900);
        vacuum.school(GatingSchool.FREE_TREE);
        Finding later = finding(vacuum, "capillary.leaf");
        assertThat(later.severity()).isEqualTo(Severity.NOTE);
        assertThat(later.remedy())
                .isEqualTo(String.format(
                        java.util.Locale.ROOT,
                        "Say the gauge of the table; at least %.0f kPa vacuum where the piece is.",
                        Math.ceil(2 * sigma / 0.1 - has)));
        // 90 kPa at the table: 15 mm of mold under the lowest place, and this leaf stands above it
        vacuum.vacuum = Optional.of(Figure.given("vacuum", "vacuum", 90, Measure.KILOPASCAL, Known.CHOSEN, 0));
        assertThat(vacuum.found()).doesNotContain("capillary.leaf");
        vacuum.vacuum = Optional.of(Figure.given("vacuum", "vacuum", 5, Measure.KILOPASCAL, Known.CHOSEN, 0));
        double away = leaf.bottom() + vacuum.plan().placing().depth() + 15;
        assertThat(said(vacuum, "capillary.leaf"))
                .endsWith(String.format(
                        java.util.Locale.ROOT, "head and vacuum give %.1f.", has + 5 * Math.max(0, 1 - away / 150)));
    }

    /** A vent sits on the face of what it leaves: on a body 40 wide, 20 thick, a quarter up, 0.866 of its half. */
    @Test
    void whereAJointBegins() {
        TestTree tree = TestTree.standing()
                .form("statue", new Form.Body(120, 40, 20, Optional.empty(), Optional.empty()))
                .add("east", Use.STUB, 1, new Form.Round(4, 4, 10), Joint.to("statue", 30, 0, 0))
                .add("north", Use.STUB, 1, new Form.Round(4, 4, 10), Joint.to("statue", 90, 90, 0))
                .add("cone", Use.STUB, 1, new Form.Round(4, 4, 10), Joint.to("cup", 10, 0, 0));
        Vec foot = first(tree, "statue").root();
        double share = Math.sqrt(1 - 0.25);
        assertThat(first(tree, "east").root().minus(foot).x()).isCloseTo(10 * share, within(1e-6));
        assertThat(first(tree, "east").root().minus(foot).z()).isCloseTo(30, within(1e-6));
        assertThat(first(tree, "north").root().minus(foot).y()).isCloseTo(20 * share, within(1e-6));
        // a cup of 60 to 24 over 50 is 52.8 across 10 under its rim
        assertThat(first(tree, "cone").root().x()).isCloseTo(26.4, within(1e-6));
        assertThat(first(tree, "cone").root().z()).isCloseTo(-10, within(1e-6));
    }

    private static Placing.Single first(TestTree tree, String key) {
        return tree.plan().placing().singles().stream()
                .filter(s -> s.member().key().equals(key))
                .findFirst()
                .orElseThrow();
    }

    /** Five in two rings: three 120 degrees apart, two 180 apart that begin at 90. Two sprues take two and three of five. */
    @Test
    void fiveInTwoRings() {
        TestTree tree = new TestTree();
        tree.add(
                "stub",
                Use.STUB,
                5,
                new Form.Round(2, 2, 5),
                Joint.to("sprue", 100, 10, 0).inRings(2, 7));
        List<Placing.Single> five = tree.plan().placing().singles().stream()
                .filter(s -> s.member().key().equals("stub"))
                .toList();
        assertThat(five).extracting(Placing.Single::azimuth).containsExactly(10.0, 130.0, 250.0, 100.0, 280.0);
        assertThat(five.stream().map(s -> s.root().z()).toList())
                .allSatisfy(z -> assertThat(z).isIn(-140.0, -147.0));
        TestTree two = new TestTree();
        two.add(
                "arm",
                Use.RUNNER,
                2,
                new Form.Bar(8, 8, 40),
                Joint.to("sprue", 110, 45, 0).filleted(1));
        two.add("stub", Use.STUB, 5, new Form.Round(2, 2, 5), Joint.to("arm", 20, 0, 90));
        List<Vec> roots = two.plan().placing().singles().stream()
                .filter(s -> s.member().key().equals("stub"))
                .map(Placing.Single::root)
                .toList();
        assertThat(roots.stream().filter(v -> v.x() > 0)).hasSize(2);
        assertThat(roots.stream().filter(v -> v.x() < 0)).hasSize(3);
    }

    /** A tree's width is twice the furthest reach from its axis: the leaf's tip, or the cup's rim of 50. */
    @Test
    void widthAndDepth() {
        TestTree bare = new TestTree();
        bare.members.removeIf(m -> m.key().equals("gate") || m.key().equals("leaf"));
        bare.add(
                "stub",
                Use.PIECE,
                1,
                new Form.Round(4, 4, 10),
                Joint.to("sprue", 60, 0, 0).filleted(1));
        Placing placing = Placing.of(Assembly.of(bare.members));
        // the cup counts by its thicker end
        assertThat(placing.width()).isCloseTo(50, within(1e-9));
        bare.form("stub", new Form.Round(4, 4, 30));
        // 6 + 30 out
        assertThat(Placing.of(Assembly.of(bare.members)).width()).isCloseTo(72, within(1e-9));
        assertThat(placing.depth()).isCloseTo(160, within(1e-9));
    }
}
