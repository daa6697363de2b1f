package kilnryu.app.piece;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Stream;
import kilnryu.app.sheet.Declared;
import kilnryu.app.sheet.Fields;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.gating.GatingPlanner;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.mesh.MeshUnit;
import kilnryu.core.piece.Commission;
import kilnryu.core.piece.Equipment;
import kilnryu.core.piece.MassAgainstMesh;
import kilnryu.core.piece.MethodAdvice;
import kilnryu.core.piece.PatternSums;
import kilnryu.core.piece.Sections;
import kilnryu.core.piece.Shrinkage;
import kilnryu.core.piece.Shrinkage.MoldKind;
import kilnryu.core.piece.Split;
import kilnryu.core.quantity.Area;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Mass;
import kilnryu.core.quantity.Measure;
import kilnryu.core.quantity.Volume;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;

/** Reads a piece from its fields and says what follows from it and from its mesh. */
public final class PieceReader {
    private static final double THINNEST_AIM = 4;
    private static final double THICKEST_AIM = 6;
    static final double USUAL_AIM = (THINNEST_AIM + THICKEST_AIM) / 2;

    private final Fields fields;
    private final Optional<MeshSummary> mesh;
    private final Factors factors;

    private PieceReader(Fields fields, Optional<MeshSummary> mesh, Factors factors) {
        this.fields = fields;
        this.mesh = mesh;
        this.factors = factors;
    }

    /** How a pattern is made, with the fields of its own small record. */
    public enum Made {
        INJECTED("injected", "injected wax"),
        SLUSHED("slushed", "slushed or painted wax"),
        PRINTED("printed", "printed"),
        CARVED("carved", "carved or modelled"),
        FOUND("found", "found object");

        private final String key;
        private final String label;

        Made(String key, String label) {
            this.key = key;
            this.label = label;
        }

        public String key() {
            return key;
        }

        public String label() {
            return label;
        }
    }

    /**
     * A piece as far as it is known.
     *
     * @param bare volume of one pattern without its coating, cm3, from the mesh or the scale; empty when neither is known
     * @param coating of wax over it, empty where it has none or its face is not known
     * @param volume of one with its coating, cm3: what the metal fills
     * @param unit millimetres in one unit of the mesh
     * @param sizes longest, middle, shortest, mm; NaN where not known
     */
    public record Piece(
            String name,
            Optional<PatternMaterial> material,
            Optional<Alloy> alloy,
            MoldKind mold,
            Made made,
            int count,
            Optional<Figure> bare,
            Optional<Coating> coating,
            Optional<Figure> volume,
            Optional<Figure> area,
            double unit,
            double[] sizes,
            OptionalDouble thinnest,
            OptionalDouble thickest,
            List<Figure> figures,
            Findings findings,
            List<MethodAdvice> advice,
            List<Split> splits) {}

    /**
     * Wax over a print or carving.
     *
     * @param thickness mm
     * @param area it covers, cm2
     */
    public record Coating(PatternMaterial material, double thickness, double area) {}

    /** @param today for counting the days until it is due */
    public static Piece read(
            Fields fields, Optional<MeshSummary> mesh, Equipment equipment, Factors factors, LocalDate today) {
        return new PieceReader(fields, mesh, factors).piece(equipment, today);
    }

    private Piece piece(Equipment equipment, LocalDate today) {
        Optional<String> name = words();
        Optional<PatternMaterial> material = fields.choice(PieceFields.MATERIAL);
        Optional<Alloy> alloy = fields.choice(PieceFields.ALLOY);
        MoldKind mold = fields.choice(PieceFields.MOLD).orElse(MoldKind.FLASK);
        Made made = fields.choice(PieceFields.MADE).orElse(Made.CARVED);
        boolean hollow = fields.choice(PieceFields.HOLLOW).orElse(false);
        int count = fields.whole(PieceFields.COUNT).orElse(1);
        record(made);
        Optional<MeshUnit> stated = mesh.flatMap(m -> MeshUnit.named(m.unit()));
        Optional<Figure> chain = chain(made, mold, alloy);
        Figure scaled = scaled(chain);
        double fileUnit = fileUnit(stated);
        double unit = fileUnit * scaled.value();
        double[] sizes = sizes(unit);
        List<Figure> figures = new ArrayList<>();
        List<Finding> found = new ArrayList<>();
        Optional<Figure> bare = volume(material, fileUnit, scaled);
        Optional<Figure> area = mesh.map(m -> area(m, fileUnit, scaled));
        Optional<Coating> coating = coating(area, hollow, found);
        Optional<Figure> volume = bare.map(b -> coating.map(c -> coated(b, c)).orElse(b));
        volume.ifPresent(figures::add);
        area.ifPresent(figures::add);
        OptionalDouble thin =
                wall(PieceFields.THIN, mesh.map(MeshSummary::walls).map(w -> w.thinnest() * unit));
        OptionalDouble thick =
                wall(PieceFields.THICK, mesh.map(MeshSummary::walls).map(w -> w.thickest() * unit));
        metal(alloy, volume, area, figures);
        scale(chain, coating, figures);
        layers(made, figures);
        massAgainstMesh(material, unit, coating, found);
        MeshFindings.of(mesh, unit, stated.isPresent() || fields.has(PieceFields.MESH_UNIT), found);
        wallFindings(made, alloy, thin, thick, found);
        OptionalInt days = days(today);
        Optional<Commission> commission = alloy.isPresent() && material.isPresent() && !Double.isNaN(sizes[0])
                ? Optional.of(commission(alloy.get(), material.get(), sizes, volume, thin, hollow, count, days))
                : Optional.empty();
        against(alloy, mold, commission.map(c -> Sections.of(mold, c, equipment)), found);
        return new Piece(
                name.orElse(""),
                material,
                alloy,
                mold,
                made,
                count,
                bare,
                coating,
                volume,
                area,
                unit,
                sizes,
                thin,
                thick,
                List.copyOf(figures),
                new Findings(found),
                commission.map(c -> MethodAdvice.of(c, equipment)).orElse(List.of()),
                commission.map(c -> Split.of(mold, c, equipment, factors)).orElse(List.of()));
    }

    private double fileUnit(Optional<MeshUnit> stated) {
        return fields.choice(PieceFields.MESH_UNIT)
                .or(() -> stated)
                .orElse(MeshUnit.MILLIMETRE)
                .millimetres();
    }

    /** An alloy that its mold cannot take, a piece too large for what there is to make it in. */
    private static void against(
            Optional<Alloy> alloy, MoldKind mold, Optional<Sections> sections, List<Finding> found) {
        alloy.filter(a -> MethodAdvice.isRefused(a, mold)).ifPresent(a -> found.add(refused(a, mold)));
        sections.filter(s -> !s.over().isEmpty()).ifPresent(s -> found.add(tooLarge(s)));
    }

    /** Its name; the other words are read for their length. */
    private Optional<String> words() {
        fields.look(PieceFields.COMMISSION, PieceFields.BATCH, PieceFields.REPAIRS, PieceFields.CLIENT);
        fields.look(PieceFields.MADE_NOTE, PieceFields.TEST_NOTE);
        return fields.named(PieceFields.NAME, "Give the piece a name.");
    }

    /** What the mesh is to the pattern: itself, or the casting that shrinks. */
    private Figure scaled(Optional<Figure> chain) {
        boolean ofCasting = fields.choice(PieceFields.OF_CASTING).orElse(false);
        return ofCasting && chain.isPresent()
                ? chain.get()
                : Figure.given("scale", "the mesh is the pattern itself", 1, Measure.SCALE, Known.CHOSEN, 0);
    }

    private Commission commission(
            Alloy alloy,
            PatternMaterial material,
            double[] sizes,
            Optional<Figure> volume,
            OptionalDouble thin,
            boolean hollow,
            int count,
            OptionalInt days) {
        return new Commission(
                alloy,
                material,
                sizes[0],
                sizes[1],
                sizes[2],
                volume.isPresent() ? OptionalDouble.of(volume.get().value()) : OptionalDouble.empty(),
                thin,
                hollow,
                count,
                fields.choice(PieceFields.FINISH),
                days);
    }

    /** The small record of how it is made. */
    private void record(Made made) {
        fields.quantity(PieceFields.MASS);
        switch (made) {
            case INJECTED -> {
                fields.look(PieceFields.INJECTED_WAX, PieceFields.INJECTED_AT, PieceFields.INJECTED_BY);
                fields.look(PieceFields.COOLS, PieceFields.INJECTED, PieceFields.REJECTED, PieceFields.MOLD_USES);
            }
            case SLUSHED -> fields.look(PieceFields.LAYERS, PieceFields.SLUSHED_AT, PieceFields.AIM);
            case PRINTED -> fields.look(PieceFields.PRINT_WALL, PieceFields.INFILL, PieceFields.PRINTED_IN);
            default -> {
                // carved and found pieces have a note only
            }
        }
    }

    private double[] sizes(double unit) {
        double[] typed = Stream.of(PieceFields.HIGH, PieceFields.WIDE, PieceFields.DEEP)
                .mapToDouble(f -> fields.quantity(f).orElse(Double.NaN))
                .toArray();
        double[] own = mesh.map(m -> new double[] {
                    m.box().size().z() * unit,
                    m.box().size().x() * unit,
                    m.box().size().y() * unit
                })
                .orElse(new double[] {Double.NaN, Double.NaN, Double.NaN});
        List<Double> sizes = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            sizes.add(Double.isNaN(typed[i]) ? own[i] : typed[i]);
        }
        double known = sizes.stream()
                .filter(s -> !Double.isNaN(s))
                .max(Double::compare)
                .orElse(Double.NaN);
        return sizes.stream()
                .map(s -> Double.isNaN(s) ? known : s)
                .sorted(Comparator.reverseOrder())
                .mapToDouble(s -> s)
                .toArray();
    }

    private Optional<Figure> volume(Optional<PatternMaterial> material, double unit, Figure scaled) {
        if (mesh.isPresent() && mesh.get().closed()) {
            return Optional.of(PatternSums.scaledVolume(mesh.get().volume(), unit, scaled));
        }
        OptionalDouble mass = fields.quantity(PieceFields.MASS);
        return mass.isPresent()
                ? material.map(m -> PatternSums.byMass(mass.getAsDouble(), factors.of(m.density())))
                : Optional.empty();
    }

    /** The coating, over one side or both of a hollow piece; without a face to cover nothing of it is counted, and said so. */
    private Optional<Coating> coating(Optional<Figure> area, boolean hollow, List<Finding> found) {
        OptionalDouble thick = fields.quantity(PieceFields.SKIN_THICK);
        Optional<PatternMaterial> material = fields.choice(PieceFields.SKIN);
        OptionalDouble typed = fields.quantity(PieceFields.SKIN_AREA);
        Optional<Boolean> both = fields.choice(PieceFields.BOTH_SIDES);
        if (thick.isEmpty() && material.isEmpty()) {
            return Optional.empty();
        }
        if (thick.isEmpty()) {
            fields.missing(PieceFields.SKIN_THICK, "How thick is the coating?");
            return Optional.empty();
        }
        if (typed.isEmpty() && area.isEmpty()) {
            found.add(Finding.warn(
                    "coating-unmeasured",
                    "skin.thickness_mm",
                    "The wax coating is not counted yet: the face it covers is not known.",
                    "Half a millimetre over a lantern is more than a pound of bronze.",
                    "Add the mesh, or type the area that is coated."));
            return Optional.empty();
        }
        if (typed.isEmpty() && hollow && both.isEmpty()) {
            found.add(Finding.warn(
                    "coating-sides",
                    "skin.sides",
                    "Is the hollow piece coated on one side or on both? Both are counted until you say.",
                    "The inside of a hollow piece has as much face as its outside.",
                    "Choose one side or both."));
        }
        double share = hollow && !both.orElse(true) ? 0.5 : 1;
        double covers = typed.orElseGet(() -> area.orElseThrow().value() * share);
        return Optional.of(new Coating(material.orElse(PatternMaterial.SCULPTURE_WAX), thick.getAsDouble(), covers));
    }

    private static Figure coated(Figure bare, Coating coating) {
        return PatternSums.coated(bare, coating.area, coating.thickness);
    }

    private static Figure area(MeshSummary m, double unit, Figure scaled) {
        return PatternSums.scaledArea(m.area(), unit, scaled);
    }

    private OptionalDouble wall(Declared.Quantity field, Optional<Double> measured) {
        OptionalDouble typed = fields.quantity(field);
        return typed.isPresent() ? typed : measured.map(OptionalDouble::of).orElse(OptionalDouble.empty());
    }

    /** Metal when cast solid, and beside it when cast hollow with the wall that is aimed at. */
    private void metal(Optional<Alloy> alloy, Optional<Figure> volume, Optional<Figure> area, List<Figure> figures) {
        if (alloy.isEmpty() || volume.isEmpty()) {
            return;
        }
        Figure density = factors.of(alloy.get().density());
        figures.add(PatternSums.solidMetal(volume.get(), density));
        OptionalDouble aim = fields.quantity(PieceFields.AIM);
        boolean closed = mesh.map(m -> m.closed() && m.voids() == 0).orElse(false);
        if (area.isPresent() && closed) {
            double wall = aim.orElse(USUAL_AIM);
            Figure hollow = PatternSums.hollowMetal(area.get(), wall, density);
            if (hollow.value() < figures.get(figures.size() - 1).value()) {
                figures.add(hollow);
            }
        }
    }

    private Optional<Figure> chain(Made made, MoldKind mold, Optional<Alloy> alloy) {
        Shrinkage.Origin origin = switch (made) {
            case INJECTED, SLUSHED -> Shrinkage.Origin.CAST_WAX;
            case PRINTED -> Shrinkage.Origin.PRINT;
            default -> Shrinkage.Origin.WORKED;
        };
        return alloy.flatMap(a -> Shrinkage.scale(origin, mold, a, factors));
    }

    private void scale(Optional<Figure> scale, Optional<Coating> coating, List<Figure> figures) {
        scale.ifPresent(figures::add);
        Map<String, Declared.Quantity> sides = new LinkedHashMap<>();
        sides.put("height", PieceFields.CAST_HIGH);
        sides.put("width", PieceFields.CAST_WIDE);
        sides.put("depth", PieceFields.CAST_DEEP);
        sides.forEach((side, field) -> {
            OptionalDouble target = fields.quantity(field);
            if (target.isPresent() && scale.isPresent()) {
                Figure size = Shrinkage.size(side, Length.millimetres(target.getAsDouble()), scale.get());
                figures.add(size);
                coating.ifPresent(c -> figures.add(
                        Shrinkage.under(size, Length.millimetres(c.thickness), "print or carving under the wax")));
            }
        });
    }

    /** How many pours or layers the wall aimed at takes, by what the layers so far have given at its thinnest point. */
    private void layers(Made made, List<Figure> figures) {
        if (made != Made.SLUSHED) {
            return;
        }
        OptionalInt layers = fields.whole(PieceFields.LAYERS);
        Optional<Double> thinnest = points().stream().min(Double::compare);
        if (layers.isEmpty() || thinnest.isEmpty()) {
            return;
        }
        double aim = fields.quantity(PieceFields.AIM).orElse(THINNEST_AIM);
        figures.add(PatternSums.layers(aim, thinnest.get(), layers.getAsInt()));
    }

    private void massAgainstMesh(
            Optional<PatternMaterial> material, double unit, Optional<Coating> coating, List<Finding> found) {
        OptionalDouble mass = fields.quantity(PieceFields.MASS);
        if (mass.isEmpty()
                || material.isEmpty()
                || mesh.isEmpty()
                || !mesh.get().closed()) {
            return;
        }
        double cm3 = mesh.get().volume() * unit * unit * unit / 1000;
        if (!(cm3 > 0)) {
            return;
        }
        OptionalDouble wall = fields.quantity(PieceFields.PRINT_WALL);
        double wax = coating.map(c -> c.area * c.thickness / 10 * factors.value(c.material.density()))
                .orElse(0.0);
        if (wax > 0 && wax < mass.getAsDouble()) {
            mass = OptionalDouble.of(mass.getAsDouble() - wax);
        }
        MassAgainstMesh.check(
                        new MassAgainstMesh.Piece(
                                Mass.grams(mass.getAsDouble()),
                                Volume.cubicCentimetres(cm3),
                                Area.squareCentimetres(mesh.get().area() * unit * unit / 100),
                                material.get(),
                                wall.isPresent()
                                        ? Optional.of(Length.millimetres(wall.getAsDouble()))
                                        : Optional.empty(),
                                Optional.empty()),
                        factors)
                .ifPresent(found::add);
    }

    private void wallFindings(
            Made made, Optional<Alloy> alloy, OptionalDouble thin, OptionalDouble thick, List<Finding> found) {
        if (made == Made.SLUSHED) {
            double aim = fields.quantity(PieceFields.AIM).orElse(THINNEST_AIM);
            List<Double> points = points();
            points.stream()
                    .min(Double::compare)
                    .filter(p -> p < aim)
                    .ifPresent(p -> found.add(Finding.warn(
                            "slush-thin",
                            "slushed.points",
                            String.format(
                                    Locale.ROOT, "The wall is %.1f mm at its thinnest point; %.1f aimed at.", p, aim),
                            "Thin places do not fill and show through when chased.",
                            "Another pour or brushed layer there, then measure again.")));
        }
        if (alloy.isPresent() && thick.isPresent()) {
            Figure unfed = GatingPlanner.thickestUnfed(alloy.get(), factors);
            if (thick.getAsDouble() > unfed.value()) {
                found.add(Finding.note(
                                "thick-place",
                                "wall.thick_mm",
                                String.format(
                                        Locale.ROOT,
                                        "Its thickest place is %.1f mm; over %.0f mm it has to be fed.",
                                        thick.getAsDouble(),
                                        unfed.value()),
                                "A thick place that nothing feeds sinks as it shrinks.",
                                "Plan a gate or feeder there, or hollow it.")
                        .from(unfed));
            }
        }
        if (thin.isPresent() && thick.isPresent() && thin.getAsDouble() > thick.getAsDouble()) {
            fields.missing(PieceFields.THICK, "The thickest wall is thinner than the thinnest.");
        }
    }

    private List<Double> points() {
        List<Double> points = new ArrayList<>();
        for (String word : fields.text(PieceFields.POINTS).orElse("").split("[\\s,;]+")) {
            try {
                if (!word.isEmpty()) {
                    points.add(Double.parseDouble(word));
                }
            } catch (NumberFormatException e) {
                fields.error(PieceFields.POINTS, "Type the walls in mm, like: 4.5 5.2 3.8.");
                return List.of();
            }
        }
        return points;
    }

    private OptionalInt days(LocalDate today) {
        return fields.day(PieceFields.DUE)
                .map(due ->
                        OptionalInt.of((int) Math.max(-9999, Math.min(9999, due.toEpochDay() - today.toEpochDay()))))
                .orElse(OptionalInt.empty());
    }

    private static Finding refused(Alloy alloy, MoldKind mold) {
        return Finding.safetyStop(
                "refused-pair",
                "mold",
                alloy.label() + " in a " + mold.label() + " of gypsum or plaster must not be run.",
                "The mold breaks down under such metal: sulphur gas, burst, run-out.",
                "Refractory shell only, by a shop equipped for it.");
    }

    private static Finding tooLarge(Sections sections) {
        String remedy = sections.number() > 1
                ? String.format(
                        Locale.ROOT,
                        "Cast it in %d sections of about %.0f mm and weld them, or choose another kind of mold.",
                        sections.number(),
                        sections.sectionLength())
                : "Shortening alone does not help: split it across its width too, or choose another kind of mold.";
        return Finding.warn(
                "too-large",
                "box",
                "Too large for the equipment: " + String.join(" ", sections.over()),
                "What does not go in cannot be cast whole.",
                remedy);
    }
}
