package kilnryu.app.tree;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
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
    public static final int LONGEST_NAME = 120;
    private static final int MOST_ALIKE = 10_000;

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

        static Optional<How> named(String field) {
            return List.of(values()).stream().filter(h -> h.field.equals(field)).findFirst();
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
        Optional<Alloy> alloy = fields.choice("alloy", Alloy::named);
        if (alloy.isEmpty()) {
            fields.missing("alloy", "Choose the alloy.");
        }
        Optional<Mass> tare = mass("tare_g", Range.MASS_OR_NONE).filter(m -> m.grams() > 0);
        OptionalDouble loss = fields.quantity("melt_loss_pct", Range.LOSS);
        OptionalDouble reserve = fields.quantity("reserve_pct", Range.RESERVE);
        Optional<Mass> heel = mass("heel_g", Range.MASS_OR_NONE);
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
            part("parts[" + keys.get(i) + "].", i).ifPresent(parts::add);
        }
        if (alloy.isEmpty() || parts.size() < keys.size()) {
            return Optional.empty();
        }
        return Optional.of(new Tree(alloy.get(), parts, tare, loss, reserve, heel));
    }

    private Optional<Part> part(String at, int index) {
        String name = fields.text(at + "name", LONGEST_NAME).orElse("part " + (index + 1));
        Part.Role role = fields.choice(at + "role", TreeReader::role).orElse(Part.Role.PIECE);
        Optional<Use> use = fields.choice(at + "use", Use::named);
        role = use.isEmpty() ? role : use.get() == Use.PIECE ? Part.Role.PIECE : Part.Role.GATING;
        Optional<PatternMaterial> material = fields.choice(at + "material", PatternMaterial::named);
        if (material.isEmpty()) {
            fields.missing(at + "material", "Choose the material of " + name + ".");
        }
        boolean counted = fields.has(at + "count");
        var count = fields.whole(at + "count", 1, MOST_ALIKE);
        Optional<Amount> amount = amount(at);
        boolean coated = fields.hasBelow(at + "coat");
        Optional<Coat> coat = coated ? coat(at + "coat.") : Optional.empty();
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
                        fields.quantity(at + "area_cm2", Range.AREA)))
                : Optional.empty();
    }

    private static Optional<Part.Role> role(String key) {
        return switch (key) {
            case "piece" -> Optional.of(Part.Role.PIECE);
            case "gating" -> Optional.of(Part.Role.GATING);
            default -> Optional.empty();
        };
    }

    private Optional<Amount> amount(String at) {
        Optional<How> chosen = fields.choice(at + "how", How::named);
        if (fields.hasError(at + "how")) {
            return Optional.empty();
        }
        if (chosen.isPresent()) {
            return amount(at, chosen.get());
        }
        List<How> given = List.of(How.values()).stream()
                .filter(h -> fields.has(at + h.field) || fields.hasBelow(at + h.field))
                .toList();
        if (given.size() != 1) {
            fields.missing(
                    at.substring(0, at.length() - 1),
                    given.isEmpty()
                            ? "Give one of mass_g, volume_cm3, displacement_g, rod, cone, bar or infilled."
                            : "Give only one of mass_g, volume_cm3, displacement_g, rod, cone, bar or infilled.");
            return Optional.empty();
        }
        return amount(at, given.get(0));
    }

    private Optional<Amount> amount(String at, How how) {
        return switch (how) {
            case MASS -> required(at + "mass_g", Range.MASS).map(g -> new Amount.Weighed(Mass.grams(g)));
            case VOLUME ->
                required(at + "volume_cm3", Range.VOLUME).map(v -> new Amount.OfVolume(Volume.cubicCentimetres(v)));
            case DISPLACEMENT ->
                required(at + "displacement_g", Range.MASS).map(g -> new Amount.Displaced(Mass.grams(g)));
            case ROD -> rod(at + "rod.");
            case CONE -> cone(at + "cone.");
            case BAR -> bar(at + "bar.");
            case INFILLED -> infilled(at + "infilled.");
        };
    }

    private Optional<Amount> rod(String at) {
        Optional<Double> diameter = required(at + "diameter_mm", Range.LENGTH);
        Optional<Double> length = required(at + "length_mm", Range.LENGTH);
        return both(diameter, length)
                ? Optional.of(new Amount.Rod(Length.millimetres(diameter.get()), Length.millimetres(length.get())))
                : Optional.empty();
    }

    private Optional<Amount> bar(String at) {
        Optional<Double> width = required(at + "width_mm", Range.LENGTH);
        Optional<Double> thickness = required(at + "thickness_mm", Range.LENGTH);
        Optional<Double> length = required(at + "length_mm", Range.LENGTH);
        return both(width, thickness) && length.isPresent()
                ? Optional.of(new Amount.Bar(
                        Length.millimetres(width.get()),
                        Length.millimetres(thickness.get()),
                        Length.millimetres(length.get())))
                : Optional.empty();
    }

    private Optional<Amount> cone(String at) {
        Optional<Double> top = required(at + "top_diameter_mm", Range.LENGTH_OR_NONE);
        Optional<Double> bottom = required(at + "bottom_diameter_mm", Range.LENGTH_OR_NONE);
        Optional<Double> length = required(at + "length_mm", Range.LENGTH);
        if (!both(top, bottom) || length.isEmpty()) {
            return Optional.empty();
        }
        if (top.get() == 0 && bottom.get() == 0) {
            fields.error(at + "top_diameter_mm", "One of the two diameters has to be over zero.");
            return Optional.empty();
        }
        return Optional.of(new Amount.Cone(
                Length.millimetres(top.get()), Length.millimetres(bottom.get()), Length.millimetres(length.get())));
    }

    private Optional<Amount> infilled(String at) {
        Optional<Double> mass = required(at + "mass_g", Range.MASS);
        Optional<Double> area = required(at + "area_cm2", Range.AREA);
        Optional<Double> wall = required(at + "wall_mm", Range.LENGTH);
        OptionalDouble infill = fields.quantity(at + "infill_pct", Range.INFILL);
        if (infill.isEmpty()) {
            fields.error(
                    at + "infill_pct",
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

    private Optional<Coat> coat(String at) {
        Optional<PatternMaterial> material = fields.choice(at + "material", PatternMaterial::named);
        if (material.isEmpty()) {
            fields.missing(at + "material", "Choose what the coating is of.");
        }
        Optional<Double> thickness = required(at + "thickness_mm", Range.LENGTH);
        Optional<Double> area = required(at + "area_cm2", Range.AREA);
        return both(thickness, area) && material.isPresent()
                ? Optional.of(new Coat(
                        material.get(), Length.millimetres(thickness.get()), Area.squareCentimetres(area.get())))
                : Optional.empty();
    }

    private Optional<Double> required(String path, Range range) {
        OptionalDouble value = fields.required(path, range);
        return value.isPresent() ? Optional.of(value.getAsDouble()) : Optional.empty();
    }

    private Optional<Mass> mass(String path, Range range) {
        OptionalDouble value = fields.quantity(path, range);
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
