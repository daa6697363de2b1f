package kilnryu.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import kilnryu.core.burnout.HeldProgram;
import kilnryu.core.burnout.OwnProgram;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.kiln.KilnRun;
import kilnryu.core.kiln.Mold;
import kilnryu.core.kiln.Packing;
import kilnryu.core.kiln.Setting;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;

/** Different flasks of 60 to 110 mm in one kiln of 6 kW through a typed program, as while a corner is dragged. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class LoadBenchmark {
    private static final List<OwnProgram.Line> PROGRAM = List.of(
            new OwnProgram.Line(150, 150, 540),
            new OwnProgram.Line(75, 280, 0),
            new OwnProgram.Line(150, 730, 150),
            new OwnProgram.Line(150, 540, 90));

    @Param({"1", "6", "12"})
    public int molds;

    private HeldProgram run(boolean lengthen) {
        List<HeldProgram.Fired> load = new ArrayList<>();
        for (int i = 0; i < molds; i++) {
            Mold mold = Mold.flask(0.06 + 0.05 * i / molds, 0.12, Setting.GYPSUM);
            load.add(new HeldProgram.Fired(new KilnRun.Charge("flask " + i, mold, 1, 1, 1), 60, false));
        }
        return HeldProgram.of(
                OwnProgram.of(PROGRAM),
                new HeldProgram.Question(load, Optional.of(Kiln.of(6, 1150, 70)), 20, KilnRun.Detail.QUICK, lengthen));
    }

    @Benchmark
    public double dragged() {
        return run(false).run().core(0);
    }

    @Benchmark
    public double holdsLengthened() {
        return run(true).run().core(0);
    }

    @Benchmark
    public int packed() {
        List<Packing.Item> items = new ArrayList<>();
        for (int i = 0; i < molds; i++) {
            double across = 60 + 50.0 * i / molds;
            items.add(new Packing.Item("m" + i, "flask " + i, true, across, across, 120));
        }
        return Packing.propose(new kilnryu.core.kiln.Chamber(true, 460, 460, 450, List.of(0.0, 230.0)), items)
                .placed()
                .size();
    }
}
