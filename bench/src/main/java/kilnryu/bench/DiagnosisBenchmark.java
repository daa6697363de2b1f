package kilnryu.bench;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import kilnryu.core.diagnosis.Case;
import kilnryu.core.diagnosis.Causes;
import kilnryu.core.diagnosis.Defect;
import kilnryu.core.diagnosis.DefectKind;
import kilnryu.core.diagnosis.Diagnosis;
import kilnryu.core.diagnosis.Fact;
import kilnryu.core.diagnosis.FactKey;
import kilnryu.core.diagnosis.Facts;
import kilnryu.core.diagnosis.Place;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.material.PatternMaterial;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** All causes of the handbook's table ranked for a casting of which much is known. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class DiagnosisBenchmark {
    private Case asked;

    @Setup
    public void make() {
        Facts facts = Facts.NONE;
        for (FactKey key : FactKey.values()) {
            if (key.isAsked()) {
                facts = key.isNumber()
                        ? facts.with(key, Math.max(key.low(), Math.min(key.high(), 10)), Fact.How.MEASURED)
                        : facts.with(key, key.words().get(0), Fact.How.PLANNED);
            }
        }
        asked = new Case(
                Alloy.SI_BRONZE,
                Case.Kind.FLASK,
                Optional.of(InvestmentSystem.GYPSUM_JEWELRY),
                Optional.of(PatternMaterial.CASTABLE_RESIN),
                facts,
                List.of(
                        Defect.of(DefectKind.MISRUN, Place.THIN, Place.FAR_END),
                        Defect.of(DefectKind.GAS_HOLE, Place.TOP),
                        Defect.of(DefectKind.ROUGH, Place.OUTER_FACE)));
    }

    @Benchmark
    public Diagnosis allCauses() {
        return Diagnosis.of(asked, Causes.handbook());
    }
}
