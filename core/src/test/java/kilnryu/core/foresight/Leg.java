package kilnryu.core.foresight;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.gating.Assembly;
import kilnryu.core.gating.Form;
import kilnryu.core.gating.GatingPlan;
import kilnryu.core.gating.GatingPlanner;
import kilnryu.core.gating.GatingQuestion;
import kilnryu.core.gating.GatingSchool;
import kilnryu.core.gating.InMold;
import kilnryu.core.gating.Joint;
import kilnryu.core.gating.Member;
import kilnryu.core.gating.Use;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.mesh.Mesh;
import kilnryu.core.mesh.Vec;
import kilnryu.core.mesh.Watch;
import kilnryu.core.quantity.Measure;
import kilnryu.core.solid.Surroundings;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;

/** A bird's leg that stands on its foot, filled from below: a thick thigh over a thin shin. */
final class Leg {
    static final Factors FACTORS = new Factors(Map.of());
    private static final double[][] PROFILE = {
        {0, 18}, {8, 18}, {16, 8}, {26, 4.5}, {90, 5}, {110, 8}, {130, 15}, {150, 16}, {160, 14}, {166, 10}
    };
    private static final int ROUND = 32;

    final List<Member> members = new ArrayList<>();
    double pour = 1120;
    double mold = 520;
    InMold in = InMold.FLASK;

    Leg() {
        add("cup", Use.CUP, new Form.Round(62, 24, 45), null, 70);
        add("sprue", Use.SPRUE, new Form.Round(18, 18, 212), Joint.to("cup", 45, 0, -90), 54);
        add("runner", Use.RUNNER, new Form.Bar(20, 18, 44), Joint.to("sprue", 203, 0, 0), 16);
        add("gate", Use.GATE, new Form.Bar(22, 14, 10), Joint.to("runner", 34, 0, 90), 3);
        Form.Body body = new Form.Body(
                166,
                36,
                36,
                Optional.of(new Form.Walls(9, 32, Form.Likeness.BAR, List.of())),
                Optional.empty(),
                Form.Traps.NONE,
                OptionalDouble.of(120));
        add("leg", Use.PIECE, body, Joint.to("gate", 10, 0, 90), 64);
    }

    Leg add(String key, Use use, Form form, Joint joint, double cm3) {
        Figure volume = Figure.given("V", "volume of " + key, cm3, Measure.CUBIC_CENTIMETRE, Known.MEASURED, 0);
        members.add(new Member(key, "the " + key, use, 1, form, volume, Optional.ofNullable(joint), ""));
        return this;
    }

    /** A rod on top of the leg, to the rim. */
    Leg onTop(String key, Use use, double diameter) {
        return onTop(key, use, diameter, 63);
    }

    Leg onTop(String key, Use use, double diameter, double length) {
        Form rod = new Form.Round(diameter, diameter, length);
        return add(key, use, rod, Joint.to("leg", 166, 0, 90), Math.PI / 4 * diameter * diameter * length / 1000);
    }

    GatingPlan plan() {
        return GatingPlanner.plan(new GatingQuestion(
                Assembly.of(members),
                Alloy.SI_BRONZE,
                PatternMaterial.SCULPTURE_WAX,
                Optional.of(celsius("metal", pour)),
                Optional.of(celsius("mold", mold)),
                Optional.empty(),
                GatingSchool.FREE_TREE,
                FACTORS,
                in,
                Optional.empty()));
    }

    private static Figure celsius(String name, double value) {
        return Figure.given(name, name, value, Measure.DEGREE_CELSIUS, Known.CHOSEN, 0);
    }

    /** As it was modelled, foot down. */
    static Mesh mesh() {
        float[] corners = new float[3 * (PROFILE.length * ROUND + 2)];
        List<Integer> triangles = new ArrayList<>();
        for (int i = 0; i < PROFILE.length; i++) {
            for (int k = 0; k < ROUND; k++) {
                double turn = 2 * Math.PI * k / ROUND;
                set(
                        corners,
                        i * ROUND + k,
                        PROFILE[i][1] * Math.cos(turn),
                        PROFILE[i][1] * Math.sin(turn),
                        PROFILE[i][0]);
            }
        }
        int foot = PROFILE.length * ROUND;
        set(corners, foot, 0, 0, 0);
        set(corners, foot + 1, 0, 0, 166);
        for (int k = 0; k < ROUND; k++) {
            int next = (k + 1) % ROUND;
            triangles.addAll(List.of(foot, next, k));
            int last = (PROFILE.length - 1) * ROUND;
            triangles.addAll(List.of(foot + 1, last + k, last + next));
            for (int i = 0; i + 1 < PROFILE.length; i++) {
                int a = i * ROUND;
                int b = a + ROUND;
                triangles.addAll(List.of(a + k, a + next, b + next, a + k, b + next, b + k));
            }
        }
        return Mesh.of(corners, triangles.stream().mapToInt(t -> t).toArray());
    }

    private static void set(float[] corners, int at, double x, double y, double z) {
        corners[3 * at] = (float) x;
        corners[3 * at + 1] = (float) y;
        corners[3 * at + 2] = (float) z;
    }

    CastCells cells(int number) {
        return CastCells.of(
                plan(), Map.of("leg", mesh()), Map.of("leg", Vec.UP), new CastCells.Size(number, 20), Watch.NONE);
    }

    Foresight.Question question(int number) {
        GatingPlan plan = plan();
        return new Foresight.Question(
                cells(number),
                GatingPlanner.metal(Alloy.SI_BRONZE, FACTORS),
                pour,
                in.fired(FACTORS),
                mold,
                1000,
                in.shell().isPresent() ? in.outside(mold, 20) : new Surroundings(20, 0, mold),
                GatingPlanner.inflow(plan),
                0.003,
                away -> 0,
                0.045,
                false,
                9,
                0.5,
                3);
    }

    Foresight foresight(int number) {
        return Foresight.of(question(number), share -> true);
    }
}
