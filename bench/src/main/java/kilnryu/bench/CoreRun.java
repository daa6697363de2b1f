package kilnryu.bench;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Map;
import java.util.stream.Collectors;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.TimeValue;
import org.openjdk.jmh.util.Statistics;

/** Runs the benchmarks of the core by JMH and writes each as a row: {@code CoreRun ROWS.csv [pattern]}. */
public final class CoreRun {
    /** In words, and what is asked, ms. */
    private record Name(String words, double asked) {}

    private static final Map<String, Name> NAMES = Map.ofEntries(
            Map.entry("DiagnosisBenchmark.allCauses", new Name("diagnosis: all causes ranked for one casting", 50)),
            Map.entry("FlaskBenchmark.sixtyFlasks", new Name("fit: a tree held against 60 flasks", 10)),
            Map.entry("FlaskBenchmark.fortyMolds", new Name("mixing: a session of 40 molds", 50)),
            Map.entry("FreezingBenchmark.whole20000", new Name("looked ahead: 20,000 cells filled, frozen, fed", 250)),
            Map.entry(
                    "FreezingBenchmark.whole150000",
                    new Name("looked ahead: 150,000 cells filled, frozen, fed", 2_000)),
            Map.entry(
                    "FreezingBenchmark.whole1000000",
                    new Name("looked ahead: a million cells filled, frozen, fed", 20_000)),
            Map.entry("FreezingBenchmark.cells20000", new Name("freezing: 20,000 cells until the last is solid", 250)),
            Map.entry(
                    "FreezingBenchmark.cells150000",
                    new Name("freezing: 150,000 cells until the last is solid", 2_000)),
            Map.entry(
                    "FreezingBenchmark.cells1000000",
                    new Name("freezing: a million cells until the last is solid", 20_000)),
            Map.entry(
                    "FreezingBenchmark.explicit20000", new Name("freezing: the plain loop beside it, 20,000 cells", 0)),
            Map.entry("GatingBenchmark.placeAndJudgeSixtyPieces", new Name("gating: 60 pieces placed and judged", 50)),
            Map.entry("HeatBenchmark.implicit", new Name("heat: one flask through its program", 50)),
            Map.entry("HeatBenchmark.sixFlasks", new Name("heat: six flasks through their program", 0)),
            Map.entry("NaiveHeatBenchmark.naiveExplicit", new Name("heat: the plain explicit loop beside it, 24 h", 0)),
            Map.entry("LoadBenchmark.dragged", new Name("load: a corner dragged, holds as they are", 0)),
            Map.entry("LoadBenchmark.holdsLengthened", new Name("load: holds that follow the heat", 0)),
            Map.entry("LoadBenchmark.packed", new Name("load: places proposed", 0)),
            Map.entry("MeshBenchmark.parseAMillionTriangles", new Name("mesh: a million triangles parsed", 1_000)),
            Map.entry(
                    "MeshBenchmark.joinAndMeasureAMillionTriangles",
                    new Name("mesh: a million triangles joined and measured", 0)),
            Map.entry("MeshBenchmark.wallsOfAMillionTriangles", new Name("mesh: walls of a million triangles", 1_000)),
            Map.entry("MeshBenchmark.pocketsOfAMillionTriangles", new Name("mesh: pockets of a million triangles", 0)),
            Map.entry("PlanBenchmark.treeOf6Parts", new Name("tree of 6 parts", 1)),
            Map.entry("PlanBenchmark.treeOf200Parts", new Name("tree of 200 parts", 1)),
            Map.entry("PlanBenchmark.flask", new Name("flask", 1)),
            Map.entry("PlanBenchmark.treeAndFlask", new Name("tree and flask", 1)),
            Map.entry("PlanBenchmark.programOfOneFlask", new Name("program of one flask, holds by the heat", 50)),
            Map.entry("PourBenchmark.sixtyLots", new Name("charge: from 60 lots", 50)),
            Map.entry("PourBenchmark.sixtyLotsWhole", new Name("charge: from 60 lots of whole pieces", 1_000)),
            Map.entry("PourBenchmark.sixtyLotsNoCharge", new Name("charge: from 60 lots that give none", 1_000)),
            Map.entry("PourBenchmark.twentyFourMoldsAnew", new Name("pour: 24 molds planned", 200)),
            Map.entry("PourBenchmark.twentyFourMoldsDragged", new Name("pour: 24 molds, one dragged", 100)),
            Map.entry("ShellBenchmark.fiveSchoolsForOnePiece", new Name("shell: one piece by five schools", 0)),
            Map.entry(
                    "ShellBenchmark.calendarOf40PiecesOn6Racks",
                    new Name("shell: calendar of 40 pieces on 6 racks", 200)));

    private CoreRun() {}

    public static void main(String[] arguments) throws RunnerException, IOException {
        Rows rows = new Rows(Path.of(arguments[0]));
        OptionsBuilder options = new OptionsBuilder();
        options.forks(1)
                .warmupIterations(4)
                .warmupTime(TimeValue.seconds(1))
                .measurementIterations(9)
                .measurementTime(TimeValue.milliseconds(700));
        if (arguments.length > 1) {
            options.include(arguments[1]);
        }
        for (RunResult result : new Runner(options.build()).run()) {
            rows.add(row(result));
        }
    }

    private static Rows.Row row(RunResult result) {
        String[] path = result.getParams().getBenchmark().split("\\.");
        String key = path[path.length - 2] + "." + path[path.length - 1];
        Name name = NAMES.getOrDefault(key, new Name(key, 0));
        String with = result.getParams().getParamsKeys().stream()
                .map(k -> result.getParams().getParam(k) + " " + (k.equals("hours") ? "h" : k))
                .collect(Collectors.joining(", "));
        Statistics microseconds = result.getPrimaryResult().getStatistics();
        // a flask of 24 by 24 cells through 24 h is what is asked for
        boolean asked = with.isEmpty() || with.equals("24 cells, 24 h");
        return new Rows.Row(
                name.words + (with.isEmpty() ? "" : " (" + with + ")"),
                microseconds.getPercentile(50) / 1000,
                microseconds.getMin() / 1000,
                microseconds.getMax() / 1000,
                asked ? name.asked : 0);
    }
}
