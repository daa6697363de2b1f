package kilnryu.app.plan;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.tree.GatingReader;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.gating.Form;
import kilnryu.core.gating.GatingPlanner;
import kilnryu.core.gating.Joint;
import kilnryu.core.gating.Layout;
import kilnryu.core.gating.Member;
import kilnryu.core.gating.Use;

/** Turns a proposed layout into typed fields, as a caster would have typed them. */
public final class Layouts {
    /** A bubble stub, mm. */
    private static final double STUB = 10;

    private Layouts() {}

    /** What a further member begins with; one that is set on a piece leads from its highest point to the rim. */
    static Map<String, String> beginning(Use use, Plan plan, String on) {
        Map<String, String> fields = beginning(use);
        plan.gating()
                .flatMap(g -> g.plan()
                        .assembly()
                        .named(on)
                        .map(m -> g.plan().placing().of(m).get(0)))
                .ifPresent(single -> {
                    Member piece = single.member();
                    boolean upward = single.way().z() >= 0;
                    fields.put("joins", piece.key());
                    fields.put("at_mm", mm(upward ? piece.form().length() : 0));
                    fields.put("tilt_deg", "90°");
                    fields.put("count", Integer.toString(piece.count()));
                    fields.put("fillet_mm", "1 mm");
                    fields.put("rod.diameter_mm", use == Use.DRAIN ? "6 mm" : "4 mm");
                    double rise = use == Use.STUB ? STUB : Math.max(STUB, Math.ceil(-single.top()));
                    fields.put("rod.length_mm", mm(rise));
                });
        return fields;
    }

    /** What a further member begins with. */
    static Map<String, String> beginning(Use use) {
        Map<String, String> fields = new LinkedHashMap<>();
        fields.put("name", use.label());
        fields.put("use", use.key());
        fields.put("role", use == Use.PIECE ? "piece" : "gating");
        fields.put("material", use == Use.PIECE ? "" : "sprue-wax");
        fields.put("how", use == Use.PIECE ? "mass_g" : use == Use.CUP ? "cone" : use == Use.RUNNER ? "bar" : "rod");
        if (use == Use.VENT || use == Use.DRAIN || use == Use.STUB) {
            fields.put("tilt_deg", "90°");
        }
        return fields;
    }

    /** The fields with their gating replaced by a layout; as they were when the piece cannot be read yet. */
    public static Map<String, String> of(Map<String, String> typed, Map<String, String> wish, Plan plan) {
        Optional<Layout> layout = Layout.named(wish.getOrDefault("layout.kind", ""));
        String key = wish.getOrDefault("layout.piece", "");
        Optional<Member> piece =
                plan.tree().flatMap(t -> GatingReader.member(plan.fields().get(Stage.TREE), t, key));
        if (layout.isEmpty() || piece.isEmpty()) {
            return typed;
        }
        Fields asked = Fields.typed(wish, Units.METRIC);
        OptionalInt count = asked.whole("layout.count", 1, 500);
        OptionalInt rings = asked.whole("layout.rings", 1, 100);
        OptionalDouble spacing = asked.quantity("layout.spacing_mm", Range.LENGTH);
        OptionalDouble tilt = asked.quantity("layout.tilt_deg", Range.TILT);
        Member wanted = piece.get();
        Member counted = new Member(
                wanted.key(),
                wanted.name(),
                Use.PIECE,
                count.orElse(wanted.count()),
                wanted.form(),
                wanted.volume(),
                Optional.empty(),
                "");
        return written(typed, layout.get().propose(new Layout.Wish(counted, rings, spacing, tilt, unfed(plan))), key);
    }

    private static double unfed(Plan plan) {
        return GatingPlanner.thickestUnfed(
                        plan.tree().orElseThrow().tree().alloy(), plan.reading().factors())
                .value();
    }

    private static Map<String, String> written(Map<String, String> typed, List<Member> members, String piece) {
        Map<String, String> fields = new LinkedHashMap<>();
        typed.forEach((path, text) -> {
            if (!path.startsWith("parts[")) {
                fields.put(path, text);
            }
        });
        Map<String, Map<String, String>> parts = new LinkedHashMap<>();
        for (Member m : members) {
            parts.put(m.key(), m.key().equals(piece) ? kept(typed, m) : made(m));
        }
        parts.forEach((key, part) -> part.forEach((field, text) -> fields.put("parts[" + key + "]." + field, text)));
        return fields;
    }

    /** The piece itself stays as typed, with its new place and count. */
    private static Map<String, String> kept(Map<String, String> typed, Member piece) {
        String at = "parts[" + piece.key() + "].";
        Map<String, String> part = new LinkedHashMap<>();
        typed.forEach((path, text) -> {
            if (path.startsWith(at)) {
                part.put(path.substring(at.length()), text);
            }
        });
        part.put("use", "piece");
        part.put("role", "piece");
        part.put("count", Integer.toString(piece.count()));
        List.of("rings", "spacing_mm", "angle_deg", "ends_at").forEach(part::remove);
        place(piece, part);
        return part;
    }

    private static Map<String, String> made(Member member) {
        Map<String, String> part = beginning(member.use());
        part.put("count", Integer.toString(member.count()));
        part.put("tilt_deg", "");
        if (member.form() instanceof Form.Round r && r.root() == r.tip()) {
            part.put("how", "rod");
            part.put("rod.diameter_mm", mm(r.root()));
            part.put("rod.length_mm", mm(r.length()));
        } else if (member.form() instanceof Form.Round r) {
            part.put("how", "cone");
            part.put("cone.top_diameter_mm", mm(r.root()));
            part.put("cone.bottom_diameter_mm", mm(r.tip()));
            part.put("cone.length_mm", mm(r.length()));
        } else if (member.form() instanceof Form.Bar b) {
            part.put("how", "bar");
            part.put("bar.width_mm", mm(b.width()));
            part.put("bar.thickness_mm", mm(b.thickness()));
            part.put("bar.length_mm", mm(b.length()));
        }
        place(member, part);
        return part;
    }

    private static void place(Member member, Map<String, String> part) {
        member.joint().ifPresent(j -> {
            part.put("joins", j.to());
            part.put("at_mm", mm(j.at()));
            part.put("tilt_deg", Show.exact(j.tilt()) + "°");
            part.put("fillet_mm", mm(j.fillet()));
            rings(j, part);
        });
    }

    private static void rings(Joint joint, Map<String, String> part) {
        if (joint.rings() > 1) {
            part.put("rings", Integer.toString(joint.rings()));
            part.put("spacing_mm", mm(joint.spacing()));
        }
    }

    private static String mm(double value) {
        return Show.exact(value) + " mm";
    }
}
