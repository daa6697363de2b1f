package kilnryu.app.tree;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.LongFunction;
import kilnryu.app.school.Schools;
import kilnryu.app.sheet.Declared;
import kilnryu.app.sheet.Fields;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.gating.Assembly;
import kilnryu.core.gating.Form;
import kilnryu.core.gating.GatingPlan;
import kilnryu.core.gating.GatingPlanner;
import kilnryu.core.gating.GatingQuestion;
import kilnryu.core.gating.GatingSchool;
import kilnryu.core.gating.ImpossibleAssembly;
import kilnryu.core.gating.InMold;
import kilnryu.core.gating.Joint;
import kilnryu.core.gating.Member;
import kilnryu.core.gating.Use;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.mesh.Profile;
import kilnryu.core.quantity.Measure;
import kilnryu.core.quantity.Solids;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import kilnryu.core.tree.Amount;
import kilnryu.core.tree.Part;
import kilnryu.core.tree.TreePlan;

/**
 * Reads where the parts of a tree stand and how they are joined. A part without a place still counts for the metal; it
 * is said that it is not placed yet.
 */
public final class GatingReader {
    private static final int MOST_PLACED = 3_000;

    private final Fields fields;
    private final TreePlan tree;
    private final LongFunction<Optional<Profile>> faces;

    private GatingReader(Fields fields, TreePlan tree, LongFunction<Optional<Profile>> faces) {
        this.fields = fields;
        this.tree = tree;
        this.faces = faces;
    }

    /**
     * What the later stages say: temperatures of the metal and of the mold at the pour, what it is cast in, and whether that
     * stands under vacuum.
     */
    public record Heat(Optional<Figure> metal, Optional<Figure> mold, InMold in, boolean vacuum) {}

    /** A tree that is built, and all that is said of it, parts without a place among it. */
    public record Built(GatingPlan plan, Findings unplaced, Findings findings) {
        /** The same with what a look ahead knows better. */
        public Built foretold(Findings found) {
            return new Built(plan, unplaced, found);
        }
    }

    /**
     * What a tree is judged by, and drawn from.
     *
     * @param faces the shadow of a piece by its number, where it has a mesh
     */
    public record Rules(Factors factors, Schools schools, LongFunction<Optional<Profile>> faces) {
        /** Where no piece has a mesh. */
        public Rules(Factors factors, Schools schools) {
            this(factors, schools, id -> Optional.empty());
        }
    }

    /** Empty for a tree that is a list of parts only, or that cannot be read. */
    public static Optional<Built> read(Fields fields, TreePlan tree, Heat heat, Rules rules) {
        return new GatingReader(fields, tree, rules.faces).built(heat, rules);
    }

    /** One part as a member, wherever it stands. */
    public static Optional<Member> member(Fields fields, TreePlan tree, String key) {
        List<String> keys = fields.keys("parts");
        int index = keys.indexOf(key);
        return index < 0
                ? Optional.empty()
                : Optional.of(new GatingReader(fields, tree, id -> Optional.empty()).member(key, index, keys));
    }

    private Optional<Built> built(Heat heat, Rules rules) {
        List<String> keys = fields.keys("parts");
        GatingSchool school = fields.choice(GatingFields.SCHOOL, key -> GatingSchool.named(rules.schools.based(key)))
                .orElse(GatingSchool.usual(heat.vacuum));
        OptionalDouble rate = fields.quantity(GatingFields.POUR_RATE);
        OptionalDouble gauge = fields.quantity(GatingFields.VACUUM);
        fields.quantity(GatingFields.STICK);
        fields.choice(GatingFields.SLEEVED);
        fields.text(GatingFields.CHANGE_NOTE);
        Map<String, Member> members = new LinkedHashMap<>();
        for (int i = 0; i < keys.size(); i++) {
            members.put(keys.get(i), member(keys.get(i), i, keys));
        }
        boolean any = members.values().stream().anyMatch(m -> m.joint().isPresent());
        if (!any || fields.hasErrors()) {
            return Optional.empty();
        }
        List<Finding> unplaced = new ArrayList<>();
        int all = members.values().stream()
                .filter(m -> m.joint().isPresent())
                .mapToInt(Member::count)
                .sum();
        if (all > MOST_PLACED) {
            fields.error("parts", "At most 3,000 parts can be placed in one tree; these are " + all + ".");
            return Optional.empty();
        }
        List<Member> placed = placed(members, unplaced);
        try {
            GatingPlan plan = GatingPlanner.plan(new GatingQuestion(
                    Assembly.of(placed),
                    tree.tree().alloy(),
                    pattern(placed, keys),
                    heat.metal,
                    heat.mold,
                    rate.isPresent() ? Optional.of(rate(rate.getAsDouble())) : Optional.empty(),
                    school,
                    rules.factors,
                    heat.in,
                    gauge.isPresent() ? Optional.of(gauge(gauge.getAsDouble())) : Optional.empty()));
            return Optional.of(
                    new Built(plan, new Findings(unplaced), plan.findings().and(new Findings(unplaced))));
        } catch (ImpossibleAssembly e) {
            fields.error("parts[" + e.member() + "]." + e.field(), e.getMessage());
            return Optional.empty();
        }
    }

    /** The one that stands alone and all that hang on it; others are said to be without a place. */
    private static List<Member> placed(Map<String, Member> members, List<Finding> unplaced) {
        Optional<Member> root = members.values().stream()
                .filter(m -> m.joint().isEmpty() && m.use() == Use.CUP)
                .findFirst()
                .or(() -> members.values().stream()
                        .filter(m -> m.joint().isEmpty()
                                && members.values().stream()
                                        .anyMatch(o -> o.joint()
                                                .filter(j -> j.to().equals(m.key()))
                                                .isPresent()))
                        .findFirst());
        List<Member> placed = new ArrayList<>();
        for (Member m : members.values()) {
            if (m.joint().isPresent() || root.isPresent() && root.get() == m) {
                placed.add(m);
            } else {
                unplaced.add(Finding.note(
                        "unplaced." + m.key(),
                        "member." + m.key(),
                        m.name() + " is not placed in the drawing yet.",
                        "It counts for the metal, but nothing of its filling and feeding is checked.",
                        "Say what it joins, or remove it."));
            }
        }
        return placed;
    }

    private PatternMaterial pattern(List<Member> placed, List<String> keys) {
        return placed.stream()
                .filter(m -> m.use() == Use.PIECE)
                .map(m -> tree.tree().parts().get(keys.indexOf(m.key())).material())
                .findFirst()
                .orElse(tree.tree().parts().get(0).material());
    }

    private static Figure rate(double kgPerSecond) {
        return Figure.given("rate", "pour rate", kgPerSecond, Measure.KG_PER_SECOND, Known.CHOSEN, 0);
    }

    private static Figure gauge(double kPa) {
        return Figure.given("vacuum", "vacuum at the table", kPa, Measure.KILOPASCAL, Known.CHOSEN, 0);
    }

    private Member member(String key, int index, List<String> keys) {
        Part part = tree.tree().parts().get(index);
        Use use = fields.choice(GatingFields.USE.in(key)).orElse(usual(part));
        Optional<String> joins =
                fields.choice(GatingFields.JOINS.in(key), k -> keys.contains(k) ? Optional.of(k) : Optional.empty());
        Optional<String> ends =
                fields.choice(GatingFields.ENDS_AT.in(key), k -> keys.contains(k) ? Optional.of(k) : Optional.empty());
        Joint joint = joint(key, joins.orElse(""));
        return new Member(
                key,
                part.name(),
                use,
                part.count(),
                form(key, use, index, part),
                tree.partVolumes().get(index),
                joins.map(k -> joint),
                ends.orElse(""));
    }

    private static Use usual(Part part) {
        if (part.role() == Part.Role.PIECE) {
            return Use.PIECE;
        }
        return part.amount() instanceof Amount.Cone ? Use.CUP : Use.SPRUE;
    }

    private Joint joint(String key, String to) {
        OptionalInt rings = fields.whole(GatingFields.RINGS.in(key));
        return new Joint(
                to,
                fields.quantity(GatingFields.AT.in(key)).orElse(0),
                fields.quantity(GatingFields.ANGLE.in(key)).orElse(0),
                fields.quantity(GatingFields.TILT.in(key)).orElse(0),
                rings.orElse(1),
                fields.quantity(GatingFields.SPACING.in(key)).orElse(0),
                fields.quantity(GatingFields.FILLET.in(key)).orElse(0));
    }

    private Form form(String key, Use use, int index, Part part) {
        Form.Body body = body(key, index, part);
        if (part.amount() instanceof Amount.Rod r) {
            return new Form.Round(
                    r.diameter().millimetres(),
                    r.diameter().millimetres(),
                    r.length().millimetres());
        }
        if (part.amount() instanceof Amount.Cone c) {
            double one = c.top().millimetres();
            double other = c.bottom().millimetres();
            boolean wideFirst = use == Use.CUP && other > one;
            return new Form.Round(
                    wideFirst ? other : one, wideFirst ? one : other, c.length().millimetres());
        }
        if (part.amount() instanceof Amount.Bar b) {
            return new Form.Bar(
                    b.width().millimetres(),
                    b.thickness().millimetres(),
                    b.length().millimetres());
        }
        return body;
    }

    /** A piece by its measures; what is not said is that of a ball of its volume. */
    private Form.Body body(String key, int index, Part part) {
        double cm3 = tree.partVolumes().get(index).value() / part.count();
        double ball = Solids.ball(cm3);
        double length = fields.quantity(GatingFields.BOX_LENGTH.in(key)).orElse(ball);
        double width = fields.quantity(GatingFields.BOX_WIDTH.in(key)).orElse(ball);
        double thickness = fields.quantity(GatingFields.BOX_THICKNESS.in(key)).orElse(ball);
        return new Form.Body(
                length,
                width,
                thickness,
                walls(key, length, width, thickness),
                core(key),
                traps(key),
                fields.quantity(GatingFields.AREA.in(key)),
                face(key));
    }

    private Optional<Profile> face(String key) {
        String piece = fields.raw(GatingFields.PIECE.in(key));
        return piece.matches("\\d{1,18}") ? faces.apply(Long.parseLong(piece)) : Optional.empty();
    }

    private Form.Traps traps(String key) {
        return new Form.Traps(
                fields.whole(GatingFields.TRAPS_HIGH.in(key)).orElse(0),
                fields.whole(GatingFields.TRAPS_LOW.in(key)).orElse(0));
    }

    private Optional<Form.Walls> walls(String key, double length, double width, double thickness) {
        OptionalDouble thin = fields.quantity(GatingFields.WALL_THIN.in(key));
        OptionalDouble thick = fields.quantity(GatingFields.WALL_THICK.in(key));
        Optional<Form.Likeness> chosen = fields.choice(GatingFields.WALL_LIKE.in(key));
        List<Double> order = order(GatingFields.WALL_ORDER.in(key));
        if (thin.isEmpty() && thick.isEmpty()) {
            return Optional.empty();
        }
        double least = thin.orElse(thick.orElse(0));
        double most = thick.orElse(thin.orElse(0));
        if (least > most) {
            fields.error(GatingFields.WALL_THICK.in(key), "The thickest wall is thinner than the thinnest.");
            return Optional.empty();
        }
        Form.Likeness like = chosen.orElseGet(() -> Form.Likeness.of(most, length, width, thickness));
        return Optional.of(new Form.Walls(least, most, like, order));
    }

    private List<Double> order(Declared.Text field) {
        List<Double> order = new ArrayList<>();
        for (String word : fields.text(field).orElse("").split("[\\s,;]+")) {
            if (word.isEmpty()) {
                continue;
            }
            double mm = number(word);
            if (!(mm > 0) || mm > 1000) {
                fields.error(field, "Type the walls in mm, one after the other, like: 8 3 6.");
                return List.of();
            }
            order.add(mm);
        }
        return order;
    }

    private static double number(String word) {
        try {
            return Double.parseDouble(word);
        } catch (NumberFormatException e) {
            return Double.NaN;
        }
    }

    private Optional<Form.Core> core(String key) {
        OptionalDouble length = fields.quantity(GatingFields.CORE_LENGTH.in(key));
        OptionalDouble diameter = fields.quantity(GatingFields.CORE_DIAMETER.in(key));
        OptionalInt pins = fields.whole(GatingFields.CORE_PINS.in(key));
        OptionalInt levels = fields.whole(GatingFields.CORE_LEVELS.in(key));
        if (length.isEmpty() && diameter.isEmpty()) {
            return Optional.empty();
        }
        if (length.isEmpty() || diameter.isEmpty()) {
            fields.error(
                    (length.isEmpty() ? GatingFields.CORE_LENGTH : GatingFields.CORE_DIAMETER).in(key),
                    "A core has a length and a diameter.");
            return Optional.empty();
        }
        return Optional.of(
                new Form.Core(length.getAsDouble(), diameter.getAsDouble(), pins.orElse(0), levels.orElse(1)));
    }
}
