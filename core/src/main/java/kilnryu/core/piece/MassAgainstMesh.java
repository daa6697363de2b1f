package kilnryu.core.piece;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kilnryu.core.finding.Finding;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.quantity.Area;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Mass;
import kilnryu.core.quantity.Measure;
import kilnryu.core.quantity.Volume;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;

/**
 * A piece's mass on the scale against the volume of its mesh. A difference has a cause, and each cause leaves its own
 * ratio: a print with infill or hollow weighs less than its outside, a slip of unit gives the unit's own factor.
 */
public final class MassAgainstMesh {
    private static final double AGREES = 0.06;
    private static final double SLIP = 0.08;
    private static final Formula RATIO = Formula.of("mass / (volume * density)");
    private static final Formula WALL = Formula.of("mass / density / area * 10");
    private static final List<Slip> SLIPS = List.of(
            new Slip(16387.064, "the mesh is in inches, not millimetres"),
            new Slip(1000, "the mesh is in centimetres, not millimetres"),
            new Slip(1.0 / 1000, "the mesh is in millimetres, not centimetres"),
            new Slip(1 / 28.349523, "the scale was on ounces"),
            new Slip(1 / 31.1034768, "the scale was on troy ounces"),
            new Slip(1 / 1.55517384, "the scale was on pennyweights"),
            new Slip(1 / 453.59237, "the scale was on pounds"),
            new Slip(28.349523, "grams were taken as ounces"));

    private record Slip(double ratio, String means) {}

    private MassAgainstMesh() {}

    /** What is known of the piece. */
    public record Piece(
            Mass mass,
            Volume volume,
            Area area,
            PatternMaterial material,
            Optional<Length> wall,
            Optional<Double> infill) {}

    /** Nothing when they agree within 6 %. */
    public static Optional<Finding> check(Piece piece, Factors factors) {
        Figure ratio = Figure.computed("ratio", "mass over what the mesh would weigh solid", Measure.TIMES)
                .by(
                        RATIO,
                        Figure.given("mass", "on the scale", piece.mass.grams(), Measure.GRAM, Known.MEASURED, 0),
                        Figure.given(
                                "volume",
                                "volume of the mesh",
                                piece.volume.cubicCentimetres(),
                                Measure.CUBIC_CENTIMETRE,
                                Known.MEASURED,
                                0),
                        factors.of(piece.material.density()));
        if (Math.abs(ratio.value() - 1) <= AGREES) {
            return Optional.empty();
        }
        return Optional.of(slip(ratio).or(() -> lighter(piece, ratio, factors)).orElseGet(() -> heavier(ratio)));
    }

    private static Optional<Finding> slip(Figure ratio) {
        return SLIPS.stream()
                .filter(s -> Math.abs(ratio.value() / s.ratio - 1) < SLIP)
                .findFirst()
                .map(s -> Finding.warn(
                                "mass-unit",
                                "mass",
                                words(
                                        "The piece weighs %s times what its mesh would: just what comes out when %s.",
                                        shown(ratio.value()), s.means),
                                "Every figure after it would be wrong by the same factor.",
                                "Look at the scale's unit and at the unit of the file.")
                        .from(ratio));
    }

    private static Optional<Finding> lighter(Piece piece, Figure ratio, Factors factors) {
        if (ratio.value() > 1) {
            return Optional.empty();
        }
        Figure wall = Figure.computed("wall", "wall, if it is hollow", Measure.MILLIMETRE)
                .by(
                        WALL,
                        Figure.given("mass", "on the scale", piece.mass.grams(), Measure.GRAM, Known.MEASURED, 0),
                        factors.of(piece.material.density()),
                        Figure.given(
                                "area",
                                "area of the mesh",
                                piece.area.squareCentimetres(),
                                Measure.SQUARE_CENTIMETRE,
                                Known.MEASURED,
                                0));
        double solid = piece.mass.grams() / factors.value(piece.material.density());
        double outer = piece.volume.cubicCentimetres();
        double infill = piece.wall
                .map(t -> {
                    double walls = piece.area.squareCentimetres() * t.millimetres() / 10;
                    return 100 * (solid - walls) / Math.max(1e-9, outer - walls);
                })
                .orElse(Double.NaN);
        String also = infill > 0 && infill < 100
                ? words(", or an infill of about %.0f %% inside the wall you gave", infill)
                : "";
        return Optional.of(Finding.note(
                        "mass-hollow",
                        "mass",
                        words(
                                "The piece weighs %.0f %% of its mesh when solid: a wall of about %.1f mm round a hollow%s.",
                                100 * ratio.value(), wall.value(), also),
                        "Metal fills the outer volume wherever investment cannot get in.",
                        "Plan the metal by the mesh, not by the mass, unless the hollow is open and will be invested.")
                .from(wall));
    }

    private static Finding heavier(Figure ratio) {
        return Finding.warn(
                        "mass-heavier",
                        "mass",
                        words("The piece weighs %.2f times what its mesh would weigh solid.", ratio.value()),
                        "It is another material, has a skin or a base on it, or the file is at another scale.",
                        "Check the material, take off what does not belong to it, compare one measure with the ruler.")
                .from(ratio);
    }

    private static String shown(double ratio) {
        return ratio >= 1 ? words("%.1f", ratio) : words("1/%.1f of", 1 / ratio).replace(" of", "");
    }

    private static String words(String words, Object... values) {
        return String.format(Locale.ROOT, words, values);
    }
}
