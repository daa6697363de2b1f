package kilnryu.app.tree;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Declared;
import kilnryu.app.sheet.Fields;
import kilnryu.core.gating.Use;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.quantity.Area;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Mass;
import kilnryu.core.quantity.Volume;
import kilnryu.core.sum.Factors;
import kilnryu.core.tree.Amount;
import kilnryu.core.tree.Coat;
import kilnryu.core.tree.ImpossiblePart;
import kilnryu.core.tree.Part;
import kilnryu.core.tree.Tree;
import kilnryu.core.tree.TreePlan;
import kilnryu.core.tree.TreePlanner;

/** Reads a tree from its fields; what cannot be read is remarked at its field and leaves no plan. */
public final class TreeReader {
    public static final int MOST_PARTS = 200;

    /** The ways a part may be known, with the field that shows which is meant. */
    public enum How {
        MASS("mass_g", "weighed"),
        VOLUME("volume_cm3", "volume known"),
        DISPLACEMENT("displacement_g", "water lifted"),
        ROD("rod", "rod"),
        CONE("cone", "cone or cup"),
        BAR("bar", "bar"),
        INFILLED("infilled", "print with infill");

        private final String field;
        private final String label;

        How(String field, String label) {
            this.field = field;
            this.label = label;
        }

        public String field() {
            return field;
        }

        public String label() {
            return label;
        }
    }

    private final Fields fields;

    private TreeReader(Fields fields) {
        this.fields = fields;
    }

    /** The plan of what is typed, empty when a field has to be mended first. */
    public static Optional<TreePlan> read(Fields fields, Factors factors) {
        return new TreeReader(fields).plan(factors);
    }

    private Optional<TreePlan> plan(Factors factors) {
        List<String> keys = fields.keys("parts");
        Optional<Tree> tree = tree(keys);
        if (tree.isEmpty() || fields.hasErrors()) {
            return Optional.empty();
        }
        try {
            return Optional.of(new TreePlanner(factors).plan(tree.get()));
        } catch (ImpossiblePart e) {
            String path = e.part() < 0 ? "" : "parts[" + keys.get(e.part()) + "].";
            fields.error(path + e.field() + "_g", e.getMessage());
            return Optional.empty();
        }
    }

    private Optional<Tree> tree(List<String> keys) {
        Optional<Alloy> alloy = fields.chosen(TreeFields.ALLOY, "Choose the alloy.");
        Optional<Mass> tare = mass(TreeFields.TARE).filter(m -> m.grams() > 0);
        OptionalDouble loss = fields.quantity(TreeFields.MELT_LOSS);
        OptionalDouble reserve = fields.quantity(TreeFields.RESERVE);
        Optional<Mass> heel = mass(TreeFields.HEEL);
        if (keys.isEmpty()) {
            fields.missing("parts", "A tree has at least one part.");
            return Optional.empty();
        }
        if (keys.size() > MOST_PARTS) {
            fields.missing(
                    "parts", "At most " + MOST_PARTS + " lines of parts; this has " + keys.size() + ". Use the count.");
            return Optional.empty();
        }
        List<Part> parts = new ArrayList<>();
        for (int i = 0; i < keys.size(); i++) {
            part(keys.get(i), i).ifPresent(parts::add);
        }
        if (alloy.isEmpty() || parts.size() < keys.size()) {
            return Optional.empty();
        }
        return Optional.of(new Tree(alloy.get(), parts, tare, loss, reserve, heel));
    }

    private Optional<Part> part(String key, int index) {
        String name = fields.text(TreeFields.PART_NAME.in(key)).orElse("part " + (index + 1));
        Part.Role role = fields.choice(TreeFields.ROLE.in(key)).orElse(Part.Role.PIECE);
        Optional<Use> use = fields.choice(GatingFields.USE.in(key));
        role = use.isEmpty() ? role : use.get() == Use.PIECE ? Part.Role.PIECE : Part.Role.GATING;
        Optional<PatternMaterial> material =
                fields.chosen(TreeFields.MATERIAL.in(key), "Choose the material of " + name + ".");
        boolean counted = fields.has(TreeFields.COUNT.in(key));
        var count = fields.whole(TreeFields.COUNT.in(key));
        Optional<Amount> amount = amount(key);
        boolean coated = fields.hasBelow("parts[" + key + "].coat");
        Optional<Coat> coat = coated ? coat(key) : Optional.empty();
        boolean usable = material.isPresent()
                && amount.isPresent()
                && (!counted || count.isPresent())
                && (!coated || coat.isPresent());
        return usable
                ? Optional.of(new Part(
                        name,
                        role,
                        material.get(),
                        count.orElse(1),
                        amount.get(),
                        coat,
                        fields.quantity(GatingFields.AREA.in(key))))
                : Optional.empty();
    }

    private Optional<Amount> amount(String key) {
        Declared.Choice<How> way = TreeFields.HOW.in(key);
        Optional<How> chosen = fields.choice(way);
        if (fields.hasError(way)) {
            return Optional.empty();
        }
        if (chosen.isPresent()) {
            return amount(key, chosen.get());
        }
        String at = "parts[" + key + "]";
        List<How> given = List.of(How.values()).stream()
                .filter(h -> fields.has(at + "." + h.field) || fields.hasBelow(at + "." + h.field))
                .toList();
        if (given.size() != 1) {
            fields.missing(
                    at,
                    given.isEmpty()
                            ? "Give one of mass_g, volume_cm3, displacement_g, rod, cone, bar or infilled."
                            : "Give only one of mass_g, volume_cm3, displacement_g, rod, cone, bar or infilled.");
            return Optional.empty();
        }
        return amount(key, given.get(0));
    }

    private Optional<Amount> amount(String key, How how) {
        return switch (how) {
            case MASS -> required(TreeFields.MASS.in(key)).map(g -> new Amount.Weighed(Mass.grams(g)));
            case VOLUME ->
                required(TreeFields.VOLUME.in(key)).map(v -> new Amount.OfVolume(Volume.cubicCentimetres(v)));
            case DISPLACEMENT ->
                required(TreeFields.DISPLACEMENT.in(key)).map(g -> new Amount.Displaced(Mass.grams(g)));
            case ROD -> rod(key);
            case CONE -> cone(key);
            case BAR -> bar(key);
            case INFILLED -> infilled(key);
        };
    }

    private Optional<Amount> rod(String key) {
        Optional<Double> diameter = required(TreeFields.ROD_DIAMETER.in(key));
        Optional<Double> length = required(TreeFields.ROD_LENGTH.in(key));
        return both(diameter, length)
                ? Optional.of(new Amount.Rod(Length.millimetres(diameter.get()), Length.millimetres(length.get())))
                : Optional.empty();
    }

    private Optional<Amount> bar(String key) {
        Optional<Double> width = required(TreeFields.BAR_WIDTH.in(key));
        Optional<Double> thickness = required(TreeFields.BAR_THICKNESS.in(key));
        Optional<Double> length = required(TreeFields.BAR_LENGTH.in(key));
        return both(width, thickness) && length.isPresent()
                ? Optional.of(new Amount.Bar(
                        Length.millimetres(width.get()),
                        Length.millimetres(thickness.get()),
                        Length.millimetres(length.get())))
                : Optional.empty();
    }

    private Optional<Amount> cone(String key) {
        Optional<Double> top = required(TreeFields.CONE_TOP.in(key));
        Optional<Double> bottom = required(TreeFields.CONE_BOTTOM.in(key));
        Optional<Double> length = required(TreeFields.CONE_LENGTH.in(key));
        if (!both(top, bottom) || length.isEmpty()) {
            return Optional.empty();
        }
        if (top.get() == 0 && bottom.get() == 0) {
            fields.error(TreeFields.CONE_TOP.in(key), "One of the two diameters has to be over zero.");
            return Optional.empty();
        }
        return Optional.of(new Amount.Cone(
                Length.millimetres(top.get()), Length.millimetres(bottom.get()), Length.millimetres(length.get())));
    }

    private Optional<Amount> infilled(String key) {
        Optional<Double> mass = required(TreeFields.INFILLED_MASS.in(key));
        Optional<Double> area = required(TreeFields.INFILLED_AREA.in(key));
        Optional<Double> wall = required(TreeFields.INFILLED_WALL.in(key));
        OptionalDouble infill = fields.quantity(TreeFields.INFILL.in(key));
        if (infill.isEmpty()) {
            fields.error(
                    TreeFields.INFILL.in(key),
                    "Infill over 0 to 100 %. A print without infill is hollow: measure the water it lifts instead.");
        }
        if (!both(mass, area) || wall.isEmpty() || infill.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(new Amount.Infilled(
                Mass.grams(mass.get()),
                Area.squareCentimetres(area.get()),
                Length.millimetres(wall.get()),
                infill.getAsDouble()));
    }

    private Optional<Coat> coat(String key) {
        Optional<PatternMaterial> material =
                fields.chosen(TreeFields.COAT_MATERIAL.in(key), "Choose what the coating is of.");
        Optional<Double> thickness = required(TreeFields.COAT_THICKNESS.in(key));
        Optional<Double> area = required(TreeFields.COAT_AREA.in(key));
        return both(thickness, area) && material.isPresent()
                ? Optional.of(new Coat(
                        material.get(), Length.millimetres(thickness.get()), Area.squareCentimetres(area.get())))
                : Optional.empty();
    }

    private Optional<Double> required(Declared.Quantity field) {
        OptionalDouble value = fields.required(field);
        return value.isPresent() ? Optional.of(value.getAsDouble()) : Optional.empty();
    }

    private Optional<Mass> mass(Declared.Quantity field) {
        OptionalDouble value = fields.quantity(field);
        return value.isPresent() ? Optional.of(Mass.grams(value.getAsDouble())) : Optional.empty();
    }

    private static boolean both(Optional<?> one, Optional<?> other) {
        return one.isPresent() && other.isPresent();
    }

    /** Drops the fields of ways that were not chosen and those left blank, so that an export says one thing only. */
    public static Map<String, String> chosenOnly(Map<String, String> typed) {
        Map<String, String> kept = new LinkedHashMap<>();
        chosenOrBlank(typed).stream()
                .filter(path -> !typed.get(path).isBlank())
                .forEach(path -> kept.put(path, typed.get(path)));
        return kept;
    }

    /** The paths that are in use: all but those of ways that were not chosen. */
    public static List<String> chosenOrBlank(Map<String, String> typed) {
        return typed.keySet().stream()
                .filter(path -> !ofAnotherWay(path, typed))
                .toList();
    }

    private static boolean ofAnotherWay(String path, Map<String, String> typed) {
        int dot = path.indexOf("].");
        String how = dot < 0 ? null : typed.get(path.substring(0, dot + 2) + "how");
        if (how == null) {
            return false;
        }
        String field = path.substring(dot + 2);
        return List.of(How.values()).stream()
                .anyMatch(h -> !h.field.equals(how) && (field.equals(h.field) || field.startsWith(h.field + ".")));
    }
}
