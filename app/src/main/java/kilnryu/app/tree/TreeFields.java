package kilnryu.app.tree;

import static kilnryu.app.sheet.Declared.Page.GATING;
import static kilnryu.app.sheet.Declared.Page.TREE;
import static kilnryu.app.sheet.Declared.choice;
import static kilnryu.app.sheet.Declared.quantity;
import static kilnryu.app.sheet.Declared.text;
import static kilnryu.app.sheet.Declared.whole;

import java.util.List;
import kilnryu.app.sheet.Declared.Choice;
import kilnryu.app.sheet.Declared.Meaning;
import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.Declared.Text;
import kilnryu.app.sheet.Declared.Whole;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.tree.Part;

/** The fields of a tree and of the parts it is made of; where they stand is said by {@link GatingFields}. */
public final class TreeFields {
    public static final int LONGEST_NAME = 120;
    private static final int MOST_ALIKE = 10_000;
    private static final List<Meaning<PatternMaterial>> MATERIALS =
            Meaning.of(PatternMaterial.values(), PatternMaterial::key, PatternMaterial::label);

    public static final Text NAME = text("name", LONGEST_NAME, "Name of the tree", "Maple keys, tree of 24", TREE);
    static final Choice<Alloy> ALLOY = choice(
                    "alloy", Meaning.of(Alloy.values(), Alloy::key, Alloy::label), "Alloy", "choose", TREE)
            .needed();
    static final Quantity TARE = quantity("tare_g", Range.MASS_OR_NONE, "Tare: base, hook", "none", TREE);
    static final Quantity MELT_LOSS = quantity("melt_loss_pct", Range.LOSS, "Melt loss", "by alloy", TREE);
    static final Quantity RESERVE = quantity("reserve_pct", Range.RESERVE, "Spill reserve", "10 %", TREE);
    static final Quantity HEEL = quantity("heel_g", Range.MASS_OR_NONE, "Heel", "none", TREE);

    /** What the finished tree weighs on the scale. */
    public static final Quantity WEIGHED =
            quantity("weighed_g", Range.MASS, "Finished tree weighs", "not weighed", TREE);

    static final Text PART_NAME = text("parts[].name", LONGEST_NAME, "Part", "maple key", TREE, GATING);
    static final Choice<Part.Role> ROLE = choice(
            "parts[].role",
            List.of(
                    new Meaning<>("piece", "piece", Part.Role.PIECE),
                    new Meaning<>("gating", "gating", Part.Role.GATING)),
            "Type",
            "",
            TREE);
    static final Choice<PatternMaterial> MATERIAL = choice(
                    "parts[].material", MATERIALS, "Material", "choose", TREE, GATING)
            .needed();
    static final Whole COUNT = whole("parts[].count", 1, MOST_ALIKE, "Count", "1", TREE, GATING);

    /** Which of the ways below is meant. */
    static final Choice<TreeReader.How> HOW = choice(
            "parts[].how",
            Meaning.of(TreeReader.How.values(), TreeReader.How::field, TreeReader.How::label),
            "Measured by",
            "",
            TREE,
            GATING);

    static final Quantity MASS = quantity("parts[].mass_g", Range.MASS, "Mass of one", "22.7 g", TREE, GATING);
    static final Quantity VOLUME =
            quantity("parts[].volume_cm3", Range.VOLUME, "Volume of one", "12 cm³", TREE, GATING);
    static final Quantity DISPLACEMENT =
            quantity("parts[].displacement_g", Range.MASS, "Water lifted by one", "48 g", TREE, GATING);
    static final Quantity ROD_DIAMETER = measure("rod.diameter_mm", Range.LENGTH, "Diameter", "6 mm");
    static final Quantity ROD_LENGTH = measure("rod.length_mm", Range.LENGTH, "Length", "110 mm");
    static final Quantity CONE_TOP =
            measure("cone.top_diameter_mm", Range.LENGTH_OR_NONE, "End where it joins", "8 mm");
    static final Quantity CONE_BOTTOM = measure("cone.bottom_diameter_mm", Range.LENGTH_OR_NONE, "Other end", "30 mm");
    static final Quantity CONE_LENGTH = measure("cone.length_mm", Range.LENGTH, "Length", "20 mm");
    static final Quantity BAR_WIDTH = measure("bar.width_mm", Range.LENGTH, "Width", "20 mm");
    static final Quantity BAR_THICKNESS = measure("bar.thickness_mm", Range.LENGTH, "Thickness", "12 mm");
    static final Quantity BAR_LENGTH = measure("bar.length_mm", Range.LENGTH, "Length", "80 mm");
    static final Quantity INFILLED_MASS = measure("infilled.mass_g", Range.MASS, "Mass of one", "62 g");
    static final Quantity INFILLED_AREA = measure("infilled.area_cm2", Range.AREA, "Outer area", "200 cm²");
    static final Quantity INFILLED_WALL = measure("infilled.wall_mm", Range.LENGTH, "Wall", "0.8 mm");
    static final Quantity INFILL = measure("infilled.infill_pct", Range.INFILL, "Infill", "20 %");
    static final Choice<PatternMaterial> COAT_MATERIAL = choice(
                    "parts[].coat.material", MATERIALS, "Skin of", "no skin", TREE)
            .needed();
    static final Quantity COAT_THICKNESS = quantity("parts[].coat.thickness_mm", Range.LENGTH, "Skin", "0.5 mm", TREE)
            .needed();
    static final Quantity COAT_AREA = quantity(
                    "parts[].coat.area_cm2", Range.AREA, "Area coated, of one", "40 cm²", TREE)
            .needed();

    /** Of a tree and its parts as the API asks for them. */
    public static final FieldList QUESTION = FieldList.of(ALLOY, TARE, MELT_LOSS, RESERVE, HEEL)
            .and(FieldList.of(PART_NAME, ROLE, MATERIAL, COUNT, MASS, VOLUME, DISPLACEMENT))
            .and(FieldList.of(ROD_DIAMETER, ROD_LENGTH, CONE_TOP, CONE_BOTTOM, CONE_LENGTH))
            .and(FieldList.of(BAR_WIDTH, BAR_THICKNESS, BAR_LENGTH))
            .and(FieldList.of(INFILLED_MASS, INFILLED_AREA, INFILLED_WALL, INFILL))
            .and(FieldList.of(COAT_MATERIAL, COAT_THICKNESS, COAT_AREA));

    /** Of a tree, its list of parts and its building. */
    public static final FieldList ALL =
            FieldList.of(NAME, WEIGHED, HOW).and(QUESTION).and(GatingFields.ALL);

    private TreeFields() {}

    /** One of the measures by which the volume of a part is known: a way of measuring asks for all of its own. */
    private static Quantity measure(String path, Range range, String label, String hint) {
        return quantity("parts[]." + path, range, label, hint, TREE, GATING).needed();
    }
}
