package kilnryu.app.tree;

import static kilnryu.app.Typing.over;
import static kilnryu.app.Typing.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import java.util.Optional;
import kilnryu.app.school.Schools;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Units;
import kilnryu.core.finding.Finding;
import kilnryu.core.gating.Form;
import kilnryu.core.gating.InMold;
import kilnryu.core.gating.Member;
import kilnryu.core.gating.Use;
import kilnryu.core.sum.Factors;
import kilnryu.core.tree.TreePlan;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Where the parts of a tree stand, as typed beside the drawing. */
class GatingReaderTest {
    /** A cup, a sprue under it, a leaf on the sprue. */
    private static final Map<String, String> TREE = typed(
            "alloy", "si-bronze",
            "parts[c].name", "cup",
            "parts[c].use", "cup",
            "parts[c].material", "sprue-wax",
            "parts[c].cone.top_diameter_mm", "20",
            "parts[c].cone.bottom_diameter_mm", "50",
            "parts[c].cone.length_mm", "40",
            "parts[s].name", "sprue",
            "parts[s].use", "sprue",
            "parts[s].material", "sprue-wax",
            "parts[s].rod.diameter_mm", "12",
            "parts[s].rod.length_mm", "120",
            "parts[s].joins", "c",
            "parts[s].at_mm", "40",
            "parts[p].name", "leaf",
            "parts[p].use", "piece",
            "parts[p].material", "injection-wax",
            "parts[p].volume_cm3", "8",
            "parts[p].box.length_mm", "60",
            "parts[p].box.width_mm", "25",
            "parts[p].box.thickness_mm", "6",
            "parts[p].joins", "s",
            "parts[p].at_mm", "60",
            "parts[p].angle_deg", "90",
            "parts[p].tilt_deg", "30");

    private static final GatingReader.Heat COLD =
            new GatingReader.Heat(Optional.empty(), Optional.empty(), InMold.FLASK, true);

    private static Optional<GatingReader.Built> read(Fields fields) {
        TreePlan tree = TreeReader.read(fields, Factors.HANDBOOK).orElseThrow();
        return GatingReader.read(fields, tree, COLD, new GatingReader.Rules(Factors.HANDBOOK, Schools.NONE));
    }

    private static GatingReader.Built built(Map<String, String> typed) {
        return read(Fields.typed(typed, Units.METRIC)).orElseThrow();
    }

    private static Member member(Map<String, String> typed, String key) {
        Fields fields = Fields.typed(typed, Units.METRIC);
        TreePlan tree = TreeReader.read(fields, Factors.HANDBOOK).orElseThrow();
        return GatingReader.member(fields, tree, key).orElseThrow();
    }

    private static Map<String, String> errors(Map<String, String> typed) {
        Fields fields = Fields.typed(typed, Units.METRIC);
        assertThat(read(fields)).isEmpty();
        return fields.errors();
    }

    @Test
    void aTreeStandsOnItsCup() {
        GatingReader.Built built = built(TREE);
        assertThat(built.unplaced().all()).isEmpty();
        assertThat(built.plan().assembly().fromRoot()).extracting(Member::key).containsExactlyInAnyOrder("c", "s", "p");
    }

    /** A cup is wide where it stands on the base, whichever end was typed first. */
    @Test
    void theCupIsWideWhereItStands() {
        assertThat(member(TREE, "c").form()).isEqualTo(new Form.Round(50, 20, 40));
        Map<String, String> turned =
                over(TREE, "parts[c].cone.top_diameter_mm", "50", "parts[c].cone.bottom_diameter_mm", "20");
        assertThat(member(turned, "c").form()).isEqualTo(new Form.Round(50, 20, 40));
        Map<String, String> sprue = over(turned, "parts[c].use", "sprue");
        assertThat(member(sprue, "c").form()).isEqualTo(new Form.Round(50, 20, 40));
    }

    @Test
    void whereAPartStands() {
        Member leaf = member(TREE, "p");
        assertThat(leaf.use()).isEqualTo(Use.PIECE);
        assertThat(leaf.joint().orElseThrow().to()).isEqualTo("s");
        assertThat(leaf.joint().orElseThrow().at()).isEqualTo(60);
        assertThat(leaf.joint().orElseThrow().angle()).isEqualTo(90);
        assertThat(leaf.joint().orElseThrow().tilt()).isEqualTo(30);
        assertThat(leaf.joint().orElseThrow().rings()).isEqualTo(1);
        Form.Body body = (Form.Body) leaf.form();
        assertThat(body.length()).isEqualTo(60);
        assertThat(body.thickness()).isEqualTo(6);
        assertThat(body.walls()).isEmpty();
        assertThat(body.core()).isEmpty();
    }

    /** What nobody measured is a ball of its volume: 8 cm3 are 24.81 mm across. */
    @Test
    void withoutMeasuresABall() {
        Map<String, String> ball =
                over(TREE, "parts[p].box.length_mm", "", "parts[p].box.width_mm", "", "parts[p].box.thickness_mm", "");
        Form.Body body = (Form.Body) member(ball, "p").form();
        assertThat(body.length()).isCloseTo(24.814, within(1e-3));
        assertThat(body.width()).isEqualTo(body.length());
        assertThat(body.thickness()).isEqualTo(body.length());
    }

    /** 2 to 5 mm of wall in a leaf 60 by 25: 25 is five times 5, a plate; 8 mm thick it is a bar, 30 mm a ball. */
    @Test
    void walls() {
        Form.Walls walls =
                walls("parts[p].wall.thin_mm", "2", "parts[p].wall.thick_mm", "5", "parts[p].wall.order", "2, 5; 3");
        assertThat(walls.thinnest()).isEqualTo(2);
        assertThat(walls.thickest()).isEqualTo(5);
        assertThat(walls.like()).isEqualTo(Form.Likeness.PLATE);
        assertThat(walls.inOrder()).containsExactly(2.0, 5.0, 3.0);
        assertThat(walls("parts[p].wall.thick_mm", "8").like()).isEqualTo(Form.Likeness.BAR);
        assertThat(walls("parts[p].wall.thick_mm", "30").like()).isEqualTo(Form.Likeness.BALL);
        assertThat(walls("parts[p].wall.thick_mm", "8").thinnest()).isEqualTo(8);
        assertThat(walls("parts[p].wall.thin_mm", "3").thickest()).isEqualTo(3);
        assertThat(walls("parts[p].wall.thick_mm", "5", "parts[p].wall.like", "ball")
                        .like())
                .isEqualTo(Form.Likeness.BALL);
    }

    private static Form.Walls walls(String... pairs) {
        return ((Form.Body) member(over(TREE, pairs), "p").form()).walls().orElseThrow();
    }

    @Test
    void aCoreAndTraps() {
        Form.Body body = (Form.Body) member(
                        over(
                                TREE,
                                "parts[p].core.length_mm",
                                "40",
                                "parts[p].core.diameter_mm",
                                "3",
                                "parts[p].core.pins",
                                "4",
                                "parts[p].core.levels",
                                "2",
                                "parts[p].traps.high",
                                "1",
                                "parts[p].traps.low",
                                "2"),
                        "p")
                .form();
        assertThat(body.core()).contains(new Form.Core(40, 3, 4, 2));
        assertThat(body.traps()).isEqualTo(new Form.Traps(1, 2));
    }

    /** What hangs nowhere counts for the metal and is said. */
    @Test
    void whatIsNotPlacedIsSaid() {
        Map<String, String> loose = over(
                TREE, "parts[q].name", "second leaf", "parts[q].material", "injection-wax", "parts[q].volume_cm3", "3");
        GatingReader.Built built = built(loose);
        assertThat(built.unplaced().all()).extracting(Finding::place).containsExactly("member.q");
        assertThat(built.findings().all().size())
                .isEqualTo(built.plan().findings().all().size() + 1);
        assertThat(built.plan().assembly().fromRoot()).extracting(Member::key).doesNotContain("q");
    }

    /** A list of parts is no drawing, and nothing is said of its gating. */
    @Test
    void aListOfPartsIsNotBuilt() {
        Fields fields = Fields.typed(over(TREE, "parts[s].joins", "", "parts[p].joins", ""), Units.METRIC);
        assertThat(read(fields)).isEmpty();
        assertThat(fields.hasErrors()).isFalse();
    }

    /** Two that hang on each other hang on nothing. */
    @Test
    void aRingOfPartsIsRefused() {
        Map<String, String> ring = over(TREE, "parts[c].joins", "s");
        assertThat(errors(ring)).isNotEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "parts[p].joins, nowhere, parts[p].joins",
        "parts[p].ends_at, nowhere, parts[p].ends_at",
        "parts[p].at_mm, -3, parts[p].at_mm",
        "parts[p].tilt_deg, 91, parts[p].tilt_deg",
        "parts[p].angle_deg, 361, parts[p].angle_deg",
        "parts[p].rings, 0, parts[p].rings",
        "parts[p].rings, 201, parts[p].rings",
        "parts[p].fillet_mm, round, parts[p].fillet_mm",
        "parts[p].wall.order, 3 x 4, parts[p].wall.order",
        "parts[p].wall.order, 0 4, parts[p].wall.order",
        "parts[p].wall.order, 2000, parts[p].wall.order",
        "parts[p].wall.like, wall, parts[p].wall.like",
        "parts[p].core.length_mm, 10, parts[p].core.diameter_mm",
        "parts[p].core.diameter_mm, 3, parts[p].core.length_mm",
        "parts[p].traps.high, many, parts[p].traps.high",
        "pour_rate_kg_s, 101, pour_rate_kg_s",
        "vacuum_kPa, 106, vacuum_kPa",
        "gating_school, guild, gating_school",
        "stick_mm, 10, stick_mm"
    })
    void whatCannotBeIsSaidAtItsField(String path, String text, String at) {
        assertThat(errors(over(TREE, path, text))).containsOnlyKeys(at);
    }

    @Test
    void theThickestIsNotThinnerThanTheThinnest() {
        assertThat(errors(over(TREE, "parts[p].wall.thin_mm", "5", "parts[p].wall.thick_mm", "3")))
                .containsOnlyKeys("parts[p].wall.thick_mm");
    }

    @Test
    void thousandsOfPlacedPartsAreRefused() {
        assertThat(errors(over(TREE, "parts[p].count", "3001")).get("parts")).contains("3,000");
    }
}
