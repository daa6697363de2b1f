package kilnryu.app.wax;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Fields;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Severity;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.pattern.BurnTest;
import kilnryu.core.pattern.Made;
import kilnryu.core.pattern.Printing;
import kilnryu.core.pattern.WaxCoating;
import kilnryu.core.sum.Figure;
import kilnryu.core.wax.Wax;

/**
 * A pattern that comes from no mold, as its sheet is read.
 *
 * @param material empty where it is not said
 * @param printing empty for one that is not printed
 * @param print as it is asked; empty likewise
 * @param washMinutes as the sheet of its resin says; empty where not said
 * @param cureMinutes likewise
 */
public record PatternSheet(
        Made made,
        Optional<PatternMaterial> material,
        Optional<Printing> printing,
        Optional<Printing.Question> print,
        OptionalDouble washMinutes,
        OptionalDouble cureMinutes,
        OptionalDouble areaCm2) {
    static PatternSheet read(Fields fields, Made made, OptionalDouble area) {
        Optional<PatternMaterial> material = fields.choice(WaxFields.MATERIAL);
        Printing.Question asked = new Printing.Question(
                fields.quantity(WaxFields.HEIGHT),
                fields.quantity(WaxFields.LAYER),
                fields.quantity(WaxFields.LAYER_S),
                fields.quantity(WaxFields.LEANS),
                fields.choice(WaxFields.SUPPORTS),
                fields.quantity(WaxFields.INFILL));
        OptionalDouble wash = fields.quantity(WaxFields.WASH);
        OptionalDouble cure = fields.quantity(WaxFields.CURE);
        return new PatternSheet(
                made,
                material,
                made == Made.PRINTED ? Optional.of(Printing.of(asked)) : Optional.empty(),
                made == Made.PRINTED ? Optional.of(asked) : Optional.empty(),
                wash,
                cure,
                area);
    }

    /** Whether it is washed and cured before it may be handled: printed of resin. */
    boolean resin() {
        return made == Made.PRINTED
                && material.filter(m -> m.family() == PatternMaterial.Family.RESIN)
                        .isPresent();
    }

    /** Whether it swells in a mold before it runs out. */
    private boolean swells(PatternCourse course) {
        return material.filter(PatternMaterial::drainsHot).isPresent()
                || course.burn()
                        .flatMap(BurnTest.Question::does)
                        .filter(d -> d == BurnTest.Does.SWELLS)
                        .isPresent();
    }

    boolean unidentified() {
        return material.isEmpty() || material.get() == PatternMaterial.UNKNOWN_PLASTIC;
    }

    /** By its mass before and after; empty while one of them, or its area, is not known. */
    Optional<WaxCoating> coating(PatternCourse course) {
        return course.bare().isEmpty()
                        || course.coated().isEmpty()
                        || areaCm2.isEmpty()
                        || course.coated().getAsDouble() < course.bare().getAsDouble()
                ? Optional.empty()
                : Optional.of(WaxCoating.of(new WaxCoating.Question(
                        course.bare().getAsDouble(),
                        course.coated().getAsDouble(),
                        areaCm2.getAsDouble(),
                        Wax.SCULPTURE.heat().rho() / 1000,
                        swells(course))));
    }

    List<Figure> figures(PatternCourse course) {
        List<Figure> all = new ArrayList<>();
        printing.flatMap(Printing::hours).ifPresent(all::add);
        printing.flatMap(Printing::step).ifPresent(all::add);
        coating(course).ifPresent(c -> {
            all.add(c.thickness());
            all.add(c.grows());
        });
        course.burn().map(BurnTest::of).flatMap(BurnTest::ash).ifPresent(all::add);
        return all;
    }

    List<Finding> findings(PatternCourse course) {
        List<Finding> all = new ArrayList<>();
        course.burn().map(BurnTest::of).ifPresent(b -> all.addAll(b.findings().all()));
        printing.ifPresent(p -> all.addAll(p.findings().all()));
        coating(course).ifPresent(c -> all.addAll(c.findings().all()));
        if (course.coated().isPresent()
                && course.bare().isPresent()
                && course.coated().getAsDouble() < course.bare().getAsDouble()) {
            all.add(Finding.warn(
                    "coated-lighter",
                    "coated_g",
                    "With its wax it weighs less than bare.",
                    "One of the two was not this pattern, or the scale was on another unit.",
                    "Weigh it again."));
        }
        return all;
    }

    /** What of it was not judged, in words. */
    List<String> unknown(PatternCourse course) {
        List<String> all = new ArrayList<>();
        if (unidentified()) {
            course.burn()
                    .ifPresentOrElse(
                            b -> all.addAll(BurnTest.of(b).unknown()),
                            () -> all.add("what it does in fire: a burn test of a chip"));
        }
        printing.ifPresent(p -> all.addAll(p.unknown()));
        if (resin() && !course.cured()) {
            all.add("whether it is washed and cured through");
        }
        if (course.coated().isPresent() && areaCm2.isEmpty()) {
            all.add("how thick its wax coating is: no area is known");
        }
        return all;
    }

    /** Whether something of it forbids that it is signed off. */
    boolean stopped(PatternCourse course) {
        return unidentified() && course.burn().isEmpty()
                || resin() && !course.cured()
                || findings(course).stream().anyMatch(f -> f.severity() == Severity.STOP);
    }
}
