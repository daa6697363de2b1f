package kilnryu.core.flask;

import static kilnryu.core.quantity.Measure.MILLIMETRE;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Length;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * Room between the tree and the flask (handbook 4).
 *
 * @param wall from the widest place to the wall, mm, negative when it does not go in
 * @param end from the top of the tree to the open end of the flask, mm
 * @param wallAsked mm
 * @param endAsked mm
 */
public record Clearances(Figure wall, Figure end, Figure wallAsked, Figure endAsked, Findings findings) {
    /** Off by no more than this is as asked. */
    private static final double SILENT = 0.05;

    private static final String SOURCE = "handbook 4, clearances";
    private static final Constant WALL_SMALL = constant("wall.small", "least to the wall, under D 65", 6);
    private static final Constant WALL_MEDIUM = constant("wall.medium", "least to the wall, D 65 to 100", 10);
    private static final Constant WALL_LARGE = constant("wall.large", "least to the wall, over D 100", 15);
    private static final Constant END_SMALL = constant("end.small", "least to the end, under D 65", 12);
    private static final Constant END_MEDIUM = constant("end.medium", "least to the end, D 65 to 100", 15);
    private static final Constant END_LARGE = constant("end.large", "least to the end, over D 100", 25);
    private static final Formula WALL = Formula.of("(D - width) / 2");
    private static final Formula END = Formula.of("H - tree_height");

    public static List<Constant> constants() {
        return List.of(WALL_SMALL, WALL_MEDIUM, WALL_LARGE, END_SMALL, END_MEDIUM, END_LARGE);
    }

    /** The greatest width and height of a tree above the flask's base, and how they are known. */
    public record Envelope(Length width, Length height, Known widthKnown, Known heightKnown) {}

    public static Clearances of(Flask flask, Envelope tree, Factors factors) {
        double diameter = flask.innerDiameter().millimetres();
        Figure wall = Figure.computed("wall", "tree to the wall", MILLIMETRE)
                .by(
                        WALL,
                        Figure.given("D", "inner diameter", diameter, MILLIMETRE, Known.MEASURED, 0),
                        Figure.given(
                                "width",
                                "tree at its widest",
                                tree.width().millimetres(),
                                MILLIMETRE,
                                tree.widthKnown(),
                                0));
        Figure end = Figure.computed("end", "clearance at the open end", MILLIMETRE)
                .by(
                        END,
                        Figure.given("H", "height", flask.height().millimetres(), MILLIMETRE, Known.MEASURED, 0),
                        Figure.given(
                                "tree_height",
                                "height of the tree",
                                tree.height().millimetres(),
                                MILLIMETRE,
                                tree.heightKnown(),
                                0));
        Figure wallAsked = wallAsked(diameter, factors);
        Figure endAsked = endAsked(diameter, factors);
        List<Finding> found = new ArrayList<>();
        judge("wall-clearance", "wall", "the wall", wall, wallAsked, tree.widthKnown(), found);
        judge("end-clearance", "end", "the open end", end, endAsked, tree.heightKnown(), found);
        return new Clearances(wall, end, wallAsked, endAsked, new Findings(found));
    }

    /** Least to the wall of a flask of an inner diameter in mm. */
    static Figure wallAsked(double diameter, Factors factors) {
        return factors.of(diameter < 65 ? WALL_SMALL : diameter <= 100 ? WALL_MEDIUM : WALL_LARGE);
    }

    /** Least to the free end of a flask of an inner diameter in mm. */
    static Figure endAsked(double diameter, Factors factors) {
        return factors.of(diameter < 65 ? END_SMALL : diameter <= 100 ? END_MEDIUM : END_LARGE);
    }

    private static void judge(
            String id, String place, String to, Figure is, Figure asked, Known known, List<Finding> found) {
        if (is.value() >= asked.value() * (1 - SILENT)) {
            return;
        }
        String estimate = known == Known.ESTIMATED ? " by the estimated outline" : "";
        String remedy = known == Known.ESTIMATED
                ? "Measure the tree and type its size; then turn pieces, shorten stubs, or take a larger flask."
                : "Turn pieces, shorten stubs, or take a larger flask.";
        if (is.value() < 0) {
            String message = String.format(
                    Locale.ROOT,
                    id.startsWith("end")
                            ? "The tree sticks out at the open end: %.0f mm too high%s."
                            : "The tree does not go in: %.0f mm too wide for the flask%s.",
                    Math.ceil(-is.value()),
                    estimate);
            String reason = "No mold stands where wax touches steel or sticks out of it.";
            found.add(Finding.stop(id, place, message, reason, remedy).from(is));
        } else {
            found.add(Finding.warn(
                            id,
                            place,
                            String.format(
                                    Locale.ROOT,
                                    "The tree stands %.0f mm from %s%s; %.0f asked.",
                                    is.value(),
                                    to,
                                    estimate,
                                    asked.value()),
                            "A thin mold breaks out and the metal runs.",
                            remedy)
                    .from(is));
        }
    }

    private static Constant constant(String key, String name, double mm) {
        return new Constant("clearance." + key, "asked", name, mm, mm, mm * 2, MILLIMETRE, Mark.T, SOURCE);
    }
}
