package kilnryu.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.TimeUnit;
import kilnryu.core.flask.Fit;
import kilnryu.core.flask.Flask;
import kilnryu.core.flask.MixSchool;
import kilnryu.core.flask.MixSession;
import kilnryu.core.flask.StudioFlask;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Volume;
import kilnryu.core.sum.Factors;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;

/** A tree held against sixty flasks (asked: under 10 ms), and forty molds grouped into bowls (asked: under 50 ms). */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class FlaskBenchmark {
    private static final OptionalDouble NO = OptionalDouble.empty();
    private final List<StudioFlask> flasks = new ArrayList<>();
    private final List<MixSession.Mold> molds = new ArrayList<>();
    private final Fit.Stand stand = new Fit.Stand(70, 60, 140, 5, 3, 24);
    private final Fit.Shop shop = new Fit.Shop(
            OptionalDouble.of(280),
            OptionalDouble.of(300),
            OptionalDouble.of(420),
            OptionalDouble.of(450),
            NO,
            Fit.Table.NONE);
    private final Flask mix = new Flask(
            Length.millimetres(100),
            Length.millimetres(150),
            Volume.cubicCentimetres(40),
            Optional.empty(),
            InvestmentSystem.GYPSUM_JEWELRY,
            NO,
            NO,
            NO,
            Optional.empty(),
            Optional.empty());
    private final List<MixSession.Bowl> bowls =
            List.of(new MixSession.Bowl("bowl", 1500, 2), new MixSession.Bowl("bucket", 6000, 1));
    private final MixSession.Way way = new MixSession.Way(MixSchool.VACUUM, 9.5, NO, 3, Factors.HANDBOOK);

    public FlaskBenchmark() {
        for (int i = 0; i < 60; i++) {
            flasks.add(new StudioFlask(
                    "k" + i, "flask " + i, 60 + 2 * i, Optional.empty(), 90 + 4 * i, 2, i % 2 == 0, 1, 10));
        }
        for (int i = 0; i < 40; i++) {
            double slurry = 200 + 37 * i % 900;
            molds.add(new MixSession.Mold("m" + i, "mold " + i, slurry * 1.29, slurry * 0.51, slurry));
        }
    }

    @Benchmark
    public Fit sixtyFlasks() {
        return Fit.of(flasks, stand, shop, mix, MixSchool.VACUUM, Factors.HANDBOOK);
    }

    @Benchmark
    public MixSession fortyMolds() {
        return MixSession.of(molds, bowls, way);
    }
}
