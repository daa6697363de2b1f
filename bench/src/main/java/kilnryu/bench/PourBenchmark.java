package kilnryu.bench;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import kilnryu.core.kiln.Mold;
import kilnryu.core.kiln.Setting;
import kilnryu.core.material.Alloy;
import kilnryu.core.melt.Bands;
import kilnryu.core.melt.ChargeQuestion;
import kilnryu.core.melt.Charging;
import kilnryu.core.melt.Element;
import kilnryu.core.melt.MakeUp;
import kilnryu.core.melt.PotCooling;
import kilnryu.core.melt.Stock;
import kilnryu.core.pour.CarryWindow;
import kilnryu.core.pour.Outside;
import kilnryu.core.pour.Pot;
import kilnryu.core.pour.PourCrew;
import kilnryu.core.pour.PourMold;
import kilnryu.core.pour.PourPlan;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** Charges of sixty lots, cut at will and whole; a pour of 24 molds, planned anew and only put into another order. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class PourBenchmark {
    private static final OptionalDouble ANY = OptionalDouble.empty();

    private ChargeQuestion cut;
    private ChargeQuestion whole;
    private ChargeQuestion none;
    private List<PourMold> molds;

    @Setup
    public void make() {
        cut = question(false, 60, 9000);
        whole = question(true, 60, 9000);
        none = question(false, 60, 900_000);
        molds = molds();
    }

    private static ChargeQuestion question(boolean pieces, int lots, double needed) {
        Random random = new Random(60);
        Bands bands = Bands.of(Alloy.GUNMETAL).orElseThrow();
        List<Stock> stock = new ArrayList<>();
        for (int i = 0; i < lots; i++) {
            Map<Element, Double> percent = new EnumMap<>(Element.class);
            double tin = 4 + random.nextDouble() * 14;
            double zinc = random.nextDouble() * 6;
            percent.put(Element.SN, tin);
            percent.put(Element.ZN, zinc);
            percent.put(Element.CU, 100 - tin - zinc);
            stock.add(new Stock(
                    "lot " + i,
                    400 + random.nextInt(2000),
                    OptionalDouble.of(8 + random.nextInt(20)),
                    Optional.of(new MakeUp(percent)),
                    random.nextBoolean() ? Stock.Type.INGOT : Stock.Type.RETURN,
                    pieces && i % 2 == 0 ? OptionalDouble.of(100 + random.nextInt(5) * 50) : ANY,
                    ANY));
        }
        return new ChargeQuestion(Alloy.GUNMETAL, bands, needed, stock, 50, 10);
    }

    private static List<PourMold> molds() {
        List<PourMold> all = new ArrayList<>();
        for (int i = 0; i < 24; i++) {
            Mold body = i % 3 == 0
                    ? Mold.shell(0.006 + i * 1e-4, 0.05)
                    : Mold.flask(0.08 + i * 0.002, 0.12 + i * 0.003, Setting.GYPSUM);
            double leaves = i % 3 == 0 ? 800 : 560;
            CarryWindow window =
                    CarryWindow.of(new CarryWindow.Question(body, 0.03, leaves, leaves - 50, Outside.air(20)));
            all.add(new PourMold(
                    "m" + i,
                    "mold " + i,
                    Alloy.GUNMETAL,
                    600,
                    leaves,
                    window,
                    leaves - 50,
                    1040,
                    3,
                    OptionalDouble.of(3),
                    (metal, mold) -> OptionalDouble.of(metal / 100 - mold / 200),
                    0));
        }
        return all;
    }

    private static PourPlan plan(List<PourMold> order) {
        return PourPlan.of(new PourPlan.Question(
                order,
                new Pot(9000, 500, 1150, new PotCooling(0.01, 0.05, false, 20), 240),
                new PourCrew(20, 15, 12, 40, false),
                Set.of()));
    }

    @Benchmark
    public Charging sixtyLots() {
        return Charging.of(cut);
    }

    @Benchmark
    public Charging sixtyLotsWhole() {
        return Charging.of(whole);
    }

    @Benchmark
    public Charging sixtyLotsNoCharge() {
        return Charging.of(none);
    }

    @Benchmark
    public PourPlan twentyFourMoldsAnew() {
        return plan(molds());
    }

    @Benchmark
    public PourPlan twentyFourMoldsDragged() {
        return plan(molds);
    }
}
