package kilnryu.core.shell;

import java.util.List;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * Dry sand round a shell in a box.
 *
 * @param sand kg
 * @param room between shell and box at its narrowest, mm
 */
public record SandBed(Figure sand, double room, Findings findings) {
    private static final Constant DENSITY = new Constant(
            "shell.bed-density",
            "d",
            "dry sand, tamped",
            1.6,
            1.45,
            1.75,
            Measure.GRAM_PER_CM3,
            Mark.T,
            "usual in sand work");
    private static final Formula SAND = Formula.rule("(l * w * h / 1000 - wax - shell / 1.55) * d / 1000");
    private static final double LEAST_ROOM = 50;

    public static List<Constant> constants() {
        return List.of(DENSITY);
    }

    /** Inside measures of a box, mm. */
    public record Box(double length, double width, double height) {}

    /**
     * @param wax volume of the pattern, cm3
     * @param shell fired, g
     * @param wide greatest width of the shell, mm
     * @param high its height, mm
     */
    public static SandBed of(Box box, Figure wax, Figure shell, double wide, double high, Factors factors) {
        Figure sand = Figure.computed("sand", "sand round it", Measure.KILO)
                .by(
                        SAND,
                        given("l", "box, long", box.length),
                        given("w", "box, wide", box.width),
                        given("h", "box, high", box.height),
                        wax.as("wax"),
                        shell.as("shell"),
                        factors.of(DENSITY));
        double room = (Math.min(box.length, box.width) - wide) / 2;
        if (room < 0 || sand.value() <= 0 || box.height < high) {
            return new SandBed(
                    sand,
                    room,
                    new Findings(List.of(Finding.stop(
                                    "box-small",
                                    "shell.box",
                                    "The shell does not go into the box.",
                                    "A bed that leaves a side bare does not hold it.",
                                    "A larger box.")
                            .from(sand))));
        }
        return new SandBed(
                sand,
                room,
                room >= LEAST_ROOM
                        ? Findings.NONE
                        : new Findings(List.of(Finding.warn(
                                        "box-narrow",
                                        "shell.box",
                                        Math.round(room) + " mm of sand at the narrowest; 50 asked.",
                                        "A thin bed gives way where the shell leaks.",
                                        "A wider box, a metal one: hot sand melts plastic.")
                                .from(sand))));
    }

    private static Figure given(String symbol, String name, double value) {
        return Figure.given(symbol, name, value, Measure.MILLIMETRE, Known.MEASURED, 0);
    }
}
