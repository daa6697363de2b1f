package kilnryu.core.foresight;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import kilnryu.core.finding.Severity;
import kilnryu.core.gating.Form;
import kilnryu.core.gating.Joint;
import kilnryu.core.gating.Use;
import kilnryu.core.mesh.Watch;
import org.junit.jupiter.api.Test;

/** A bird's leg, whose thigh freezes alone until a feeder stands on it. */
class ForesightTest {
    private static final int COARSE = 60_000;

    @Test
    void theCellsHoldTheTree() {
        CastCells cells = new Leg().cells(200_000);
        double metal = java.util.Arrays.stream(cells.counts()).sum() * Math.pow(cells.edge(), 3) / 1000;
        // cup 70, sprue 54, runner 16, gate 3, leg by its sections 64
        assertThat(metal).isCloseTo(207, within(12.0));
        assertThat(cells.bridged()).isEmpty();
        assertThat(cells.entry()).isNotEmpty();
        assertThat(cells.middle(cells.entry()[0]).z()).isBetween(-cells.edge(), 0.0);
        assertThat(cells.parts()).extracting(CastCells.Part::key).contains("leg", "cup");
    }

    @Test
    void theThighIsLeftAloneAndAFeederMendsIt() {
        Foresight bare = new Leg().onTop("vent", Use.VENT, 5).foresight(COARSE);
        List<Trouble> pools = bare.troubles().stream()
                .filter(t -> t.kind() == Trouble.Kind.POOL)
                .toList();
        assertThat(pools).isNotEmpty();
        Trouble thigh = pools.get(0);
        assertThat(thigh.key()).isEqualTo("leg");
        assertThat(thigh.severity()).isNotEqualTo(Severity.NOTE);
        // the rim is 234 mm over the foot's underside: the thigh lies 65 to 120 mm under it
        assertThat(thigh.at().z()).isBetween(-125.0, -60.0);
        assertThat(thigh.volume()).isBetween(0.4, 64 * 0.045 + 0.2);
        assertThat(thigh.helps().get(0)).isInstanceOf(Change.Stands.class);
        assertThat(bare.findings().stops().size()
                        + bare.findings().all().stream()
                                .filter(f -> f.severity() == Severity.WARN)
                                .count())
                .isPositive();
        Change.Stands help = (Change.Stands) thigh.helps().get(0);
        Change.Stands.Joined joined = help.joined(new Leg().plan()).orElseThrow();
        assertThat(joined.joint().at()).isEqualTo(166);
        assertThat(joined.length()).isBetween(50.0, 70.0);
        Foresight fed = new Leg().onTop("feeder", Use.FEEDER, help.diameter()).foresight(COARSE);
        double lacks = fed.troubles().stream().mapToDouble(Trouble::volume).sum();
        assertThat(lacks).isLessThan(0.3 * thigh.volume());
    }

    /** Metal stands at the rim in a feeder that stands out over it, and air is on it there: it can sink. */
    @Test
    void aFeederOverTheRimIsOpenAtTheRim() {
        for (double length : new double[] {63, 63 + 15}) {
            CastCells c = new Leg().onTop("feeder", Use.FEEDER, 12, length).cells(20_000);
            int open = 0;
            for (int i = 0; i < c.part().length; i++) {
                boolean feeder = c.part()[i] >= 0 && c.of(i).key().equals("feeder");
                open += feeder && c.open()[i] && c.middle(i).z() <= 0 ? 1 : 0;
            }
            // a section of 113 mm2
            assertThat(open * c.edge() * c.edge()).as("" + length).isBetween(60.0, 220.0);
        }
    }

    @Test
    void nothingOnTopKeepsTheAirIn() {
        Leg leg = new Leg();
        Foresight blind = leg.foresight(COARSE);
        assertThat(blind.troubles())
                .anyMatch(t -> t.kind() == Trouble.Kind.AIR && t.key().equals("leg"));
        Foresight vented = new Leg().onTop("vent", Use.VENT, 6).foresight(COARSE);
        assertThat(vented.troubles()).noneMatch(t -> t.kind() == Trouble.Kind.AIR);
    }

    @Test
    void coldMetalStopsInTheShin() {
        Leg cold = new Leg().onTop("vent", Use.VENT, 5);
        cold.pour = 975;
        cold.mold = 25;
        Foresight f = cold.foresight(COARSE);
        assertThat(f.filled().seconds()).isPositive();
        Leg warm = new Leg().onTop("vent", Use.VENT, 5);
        assertThat(warm.foresight(COARSE).filled().stops()).isEmpty();
        float coldTop = highest(f);
        assertThat(coldTop).isLessThan(highest(warm.foresight(COARSE)));
    }

    /** C of the metal as it comes to the highest cell of the leg that it reaches. */
    private static float highest(Foresight f) {
        for (int i = f.cells().kind().length - 1; i >= 0; i--) {
            if (f.cells().part()[i] >= 0
                    && f.cells().of(i).key().equals("leg")
                    && !Float.isNaN(f.filled().celsius()[i])) {
                return f.filled().celsius()[i];
            }
        }
        return Float.NaN;
    }

    @Test
    void whatIsNotKnownIsSaid() {
        Leg leg = new Leg();
        Foresight f = Foresight.of(
                with(
                        leg.question(2_000),
                        CastCells.of(leg.plan(), Map.of(), Map.of(), new CastCells.Size(2_000, 20), Watch.NONE)),
                share -> true);
        assertThat(f.judged()).isFalse();
        assertThat(f.findings().has("foresight.coarse")).isTrue();
        assertThat(f.findings().has("foresight.no-mesh.leg")).isTrue();
        assertThat(new Leg()
                        .onTop("vent", Use.VENT, 5)
                        .foresight(COARSE)
                        .findings()
                        .has("foresight.no-mesh.leg"))
                .isFalse();
    }

    private static Foresight.Question with(Foresight.Question q, CastCells cells) {
        return new Foresight.Question(
                cells,
                q.metal(),
                q.pourC(),
                q.mold(),
                q.moldC(),
                q.border(),
                q.outside(),
                q.inflow(),
                q.leak(),
                q.drawn(),
                q.shrinks(),
                q.sleeved(),
                q.thinnest(),
                q.warnPercent(),
                q.stopPercent());
    }

    @Test
    void aGateThatEndsShortIsTakenAsJoinedAndSaid() {
        Leg leg = new Leg();
        leg.members.removeIf(m -> m.key().equals("leg") || m.key().equals("gate"));
        leg.add("gate", Use.GATE, new Form.Bar(22, 14, 10), Joint.to("runner", 34, 0, 90), 3);
        leg.members.add(new Leg().members.get(4));
        leg.add("knee gate", Use.GATE, new Form.Round(11, 11, 6), Joint.to("sprue", 70, 0, -10), 1);
        kilnryu.core.gating.Member last = leg.members.remove(leg.members.size() - 1);
        leg.members.add(new kilnryu.core.gating.Member(
                last.key(), last.name(), last.use(), 1, last.form(), last.volume(), last.joint(), "leg"));
        CastCells cells = leg.cells(COARSE);
        assertThat(cells.bridged()).extracting(CastCells.Bridge::key).contains("knee gate");
    }

    @Test
    void itIsToldHowFarItIsAndCanBeStopped() {
        assertThatThrownBy(() -> Foresight.of(new Leg().question(COARSE), share -> share < 0.4))
                .isInstanceOf(Foresight.Stopped.class);
        assertThatThrownBy(() -> new CastCells.Size(9_000_000, 20)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aChangeIsCarriedByItsCode() {
        for (Change c : List.of(
                new Change.Stands(Change.Kind.FEEDER, "4", "leg", 0, 21.5, 3, -80, 24),
                new Change.Thicker("3", "gate", 18, false),
                new Change.Thicker("5", "vent", 24, true),
                new Change.Hotter(570))) {
            assertThat(Change.of(c.code())).contains(c);
        }
        for (String wrong : List.of("", "hotter", "hotter~NaN", "hotter~99999", "stands~cup~1", "thicker~1~2~x~")) {
            assertThat(Change.of(wrong)).isEmpty();
        }
    }

    private static Leg with(String key, Form.Body body, int count, Joint joint, double cm3) {
        Leg leg = new Leg();
        leg.members.removeIf(m -> m.key().equals("leg"));
        kilnryu.core.gating.Member one =
                new Leg().add(key, Use.PIECE, body, joint, cm3 * count).members.get(5);
        leg.members.add(new kilnryu.core.gating.Member(
                key, "the " + key, Use.PIECE, count, body, one.volume(), one.joint(), ""));
        return leg;
    }

    private static Form.Body egg(double length, double thick) {
        return new Form.Body(
                length, thick, thick, java.util.Optional.empty(), java.util.Optional.empty(), Form.Traps.NONE);
    }

    @Test
    void aPieceThatStandsOverTheRimIsNotFilled() {
        Leg leg = with("post", egg(60, 30), 1, Joint.to("cup", 5, 0, 80), 28);
        Foresight f = leg.foresight(COARSE);
        assertThat(f.troubles())
                .anyMatch(t -> t.kind() == Trouble.Kind.STOP && t.key().equals("post"));
        assertThat(f.troubles().get(0).severity()).isEqualTo(Severity.STOP);
    }

    @Test
    void aHundredPiecesAreSaidOnce() {
        Leg leg = with("bud", egg(20, 14), 100, Joint.to("sprue", 20, 0, -20).inRings(20, 9), 2);
        Foresight f = leg.foresight(200_000);
        assertThat(f.cells().parts()).filteredOn(p -> p.key().equals("bud")).hasSize(100);
        assertThat(f.troubles()).filteredOn(t -> t.key().equals("bud")).hasSizeLessThan(10);
    }

    @Test
    void aPieceInsideAnotherAndOneThinnerThanACellAreNotJudged() {
        Leg inside = new Leg();
        inside.add("pearl", Use.PIECE, egg(12, 12), Joint.to("gate", 100, 0, 90), 0.9);
        Foresight f = inside.foresight(20_000);
        assertThat(f.judged()).isFalse();
        Leg thin = with("leaf", egg(40, 0.4), 1, Joint.to("gate", 10, 0, 90), 30);
        Foresight g = thin.foresight(20_000);
        assertThat(g.findings().has("foresight.lost.leaf")).isTrue();
        assertThat(g.judged()).isFalse();
    }

    /** The leg by its sections: a disc, cones; as a sum of frustums 64 cm3 within its 32 corners. */
    @Test
    void aMassThatIsNotTheMeshsIsSaid() {
        double[][] rings = {
            {0, 18}, {8, 18}, {16, 8}, {26, 4.5}, {90, 5}, {110, 8}, {130, 15}, {150, 16}, {160, 14}, {166, 10}
        };
        double sum = 0;
        for (int i = 0; i + 1 < rings.length; i++) {
            double a = rings[i][1];
            double b = rings[i + 1][1];
            sum += Math.PI / 3 * (rings[i + 1][0] - rings[i][0]) * (a * a + a * b + b * b) / 1000;
        }
        CastCells.Part leg = new Leg().cells(COARSE).parts().get(4);
        assertThat(leg.volume()).isCloseTo(sum, within(0.02 * sum));
        assertThat(new Leg().foresight(COARSE).findings().has("foresight.unlike.leg"))
                .isFalse();
        Leg heavy = new Leg();
        heavy.members.removeIf(m -> m.key().equals("leg"));
        Form body = new Leg().members.get(4).form();
        heavy.add("leg", Use.PIECE, body, Joint.to("gate", 10, 0, 90), 1.6 * sum);
        Foresight f = heavy.foresight(COARSE);
        assertThat(f.findings().has("foresight.unlike.leg")).isTrue();
        assertThat(f.judged()).isFalse();
    }

    @Test
    void withoutACupNothingIsJudged() {
        Leg leg = new Leg();
        kilnryu.core.gating.Member cup = leg.members.remove(0);
        leg.members.add(
                0,
                new kilnryu.core.gating.Member(
                        cup.key(), cup.name(), Use.SPRUE, 1, cup.form(), cup.volume(), cup.joint(), ""));
        Foresight f = leg.foresight(20_000);
        assertThat(f.judged()).isFalse();
        assertThat(f.findings().has("foresight.no-cup")).isTrue();
    }
}
