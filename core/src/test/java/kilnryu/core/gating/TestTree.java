package kilnryu.core.gating;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;

/** A sound tree of eight leaves on a sprue, to be spoiled in one place. */
final class TestTree {
    Alloy alloy = Alloy.SI_BRONZE;
    PatternMaterial pattern = PatternMaterial.INJECTION_WAX;
    GatingSchool school = GatingSchool.FREE_TREE;
    double metal = 1110;
    double mold = 540;
    Optional<Double> rate = Optional.empty();
    InMold in = InMold.FLASK;
    Optional<Figure> vacuum = Optional.empty();
    final List<Member> members = new ArrayList<>();

    TestTree() {
        add("cup", Use.CUP, 1, new Form.Round(50, 20, 40), null);
        add("sprue", Use.SPRUE, 1, new Form.Round(12, 12, 120), Joint.to("cup", 40, 0, -90));
        add(
                "gate",
                Use.GATE,
                8,
                new Form.Round(9, 9, 10),
                Joint.to("sprue", 30, 0, -20).inRings(4, 20).filleted(1));
        add("leaf", Use.PIECE, 8, leaf(3, 4), Joint.to("gate", 10, 0, -45).filleted(1));
    }

    static Form.Body leaf(double thin, double thick, double... order) {
        List<Double> walls = java.util.Arrays.stream(order).boxed().toList();
        // a curled leaf: 4 mm of wall, 10 mm from side to side, a face of 6 cm2
        return new Form.Body(
                30,
                14,
                10,
                Optional.of(new Form.Walls(thin, thick, Form.Likeness.PLATE, walls)),
                Optional.empty(),
                Form.Traps.NONE,
                java.util.OptionalDouble.of(6));
    }

    static Form.Body statue(Form.Core core) {
        return new Form.Body(
                120,
                40,
                40,
                Optional.of(new Form.Walls(5, 5, Form.Likeness.PLATE, List.of())),
                Optional.ofNullable(core));
    }

    TestTree add(String key, Use use, int count, Form form, Joint joint) {
        return add(key, use, count, form, joint, "");
    }

    TestTree add(String key, Use use, int count, Form form, Joint joint, String endsAt) {
        members.add(new Member(
                key, "the " + key, use, count, form, volume(count * cm3(form)), Optional.ofNullable(joint), endsAt));
        return this;
    }

    /** Frustum, bar or ellipsoid in cm3. */
    static double cm3(Form form) {
        if (form instanceof Form.Round r) {
            return Math.PI * r.length() * (r.root() * r.root() + r.root() * r.tip() + r.tip() * r.tip()) / 12000;
        }
        if (form instanceof Form.Bar b) {
            return b.width() * b.thickness() * b.length() / 1000;
        }
        Form.Body b = (Form.Body) form;
        double thick = b.area().isPresent() ? 4 : b.thickness();
        return Math.PI / 6 * b.length() * b.width() * thick / 1000;
    }

    static Figure volume(double cm3) {
        return Figure.given("volume", "volume", cm3, Measure.CUBIC_CENTIMETRE, Known.MEASURED, 0);
    }

    TestTree with(String key, UnaryOperator<Member> change) {
        members.replaceAll(m -> m.key().equals(key) ? change.apply(m) : m);
        return this;
    }

    TestTree form(String key, Form form) {
        return with(
                key,
                m -> new Member(
                        m.key(),
                        m.name(),
                        m.use(),
                        m.count(),
                        form,
                        volume(m.count() * cm3(form)),
                        m.joint(),
                        m.endsAt()));
    }

    TestTree joint(String key, Joint joint) {
        return with(
                key,
                m -> new Member(
                        m.key(), m.name(), m.use(), m.count(), m.form(), m.volume(), Optional.of(joint), m.endsAt()));
    }

    TestTree school(GatingSchool other) {
        school = other;
        return this;
    }

    TestTree at(double metalC, double moldC) {
        metal = metalC;
        mold = moldC;
        return this;
    }

    TestTree pouredAt(double kgPerSecond) {
        rate = Optional.of(kgPerSecond);
        return this;
    }

    TestTree of(Alloy other, PatternMaterial material) {
        alloy = other;
        pattern = material;
        return this;
    }

    /** A standing piece gated from below, as a statue in a calm mold: high point far above its gate. */
    static TestTree standing() {
        TestTree tree = new TestTree();
        tree.members.removeIf(m -> m.key().equals("gate") || m.key().equals("leaf"));
        tree.form("cup", new Form.Round(60, 24, 50));
        tree.form("sprue", new Form.Round(20, 20, 200));
        tree.joint("sprue", Joint.to("cup", 50, 0, -90));
        tree.add(
                "runner",
                Use.RUNNER,
                1,
                new Form.Bar(24, 20, 60),
                Joint.to("sprue", 195, 0, 0).filleted(2));
        tree.add(
                "statue",
                Use.PIECE,
                1,
                statue(null),
                Joint.to("runner", 58, 0, 90).filleted(2));
        return tree.school(GatingSchool.CALM);
    }

    GatingPlan plan() {
        return GatingPlanner.plan(new GatingQuestion(
                Assembly.of(members),
                alloy,
                pattern,
                Optional.of(celsius("pour", metal)),
                Optional.of(celsius("mold", mold)),
                rate.map(r -> Figure.given("rate", "pour rate", r, Measure.KG_PER_SECOND, Known.CHOSEN, 0)),
                school,
                Factors.HANDBOOK,
                in,
                vacuum));
    }

    private static Figure celsius(String symbol, double value) {
        return Figure.given(symbol, symbol, value, Measure.DEGREE_CELSIUS, Known.CHOSEN, 0);
    }

    List<String> found() {
        return plan().findings().all().stream().map(f -> f.id()).toList();
    }
}
