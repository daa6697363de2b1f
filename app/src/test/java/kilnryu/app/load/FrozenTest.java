package kilnryu.app.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import kilnryu.app.device.KilnController;
import kilnryu.app.web.Kept;
import kilnryu.core.burnout.Duty;
import kilnryu.core.burnout.HeldProgram;
import kilnryu.core.burnout.Segment;
import kilnryu.core.burnout.Stage;
import kilnryu.core.burnout.Until;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.kiln.KilnRun;
import kilnryu.core.kiln.Mold;
import kilnryu.core.kiln.Setting;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;

/** What is frozen at the start of a firing comes back from the database as it went in, and reckons the same. */
class FrozenTest {
    private static final JsonMapper JSON = Kept.mapper();

    private static Frozen frozen(Kiln heat) {
        Mold bare = Mold.flask(0.06, 0.1, Setting.GYPSUM);
        return new Frozen(
                "brick kiln",
                heat,
                List.of(
                        new Frozen.Load(4, new KilnRun.Charge("heron", bare, 1, 0.2, 1), 60, false, 750),
                        new Frozen.Load(
                                7,
                                new KilnRun.Charge(
                                        "limpet", bare.inSteel(0.0016).onShelf().beside(0.8), 1, 0.2, 1),
                                60,
                                false,
                                750)),
                List.of(
                        new Frozen.Line(
                                Stage.DRY_OUT, Double.POSITIVE_INFINITY, 150, 120, Until.DRY, "water at the middle"),
                        new Frozen.Line(Stage.BURN_OUT, 150, 730, 60, Until.BURNT, "wax")),
                List.of(new Frozen.At(Duty.Kind.CLOSE_KILN, 0, "hood on")),
                412,
                Map.of("4", Map.of("plan_version", 1)),
                Map.of("strain", "tried so for years"));
    }

    @Test
    void itComesBackAsItWentIn() {
        Frozen before = frozen(Kiln.of(6, 1150, 70));
        Frozen after = JSON.readValue(JSON.writeValueAsString(before), Frozen.class);
        assertThat(after).isEqualTo(before);
        assertThat(JSON.readValue(JSON.writeValueAsString(frozen(null)), Frozen.class))
                .isEqualTo(frozen(null));
    }

    /** Firings frozen before the steel of a flask was counted say nothing of it. */
    @Test
    void oneFrozenWithoutSteelIsRead() {
        String old = JSON.writeValueAsString(frozen(null))
                .replaceAll(",\"skin\":[^,}]*", "")
                .replaceAll(",\"drained\":[^,}]*", "");
        Frozen read = JSON.readValue(old, Frozen.class);
        assertThat(read.load().get(0).charge().mold().side().skin()).isZero();
        assertThat(HeldProgram.of(read.segments(), read.question(KilnRun.Detail.QUICK, false))
                        .run()
                        .core(0))
                .isGreaterThan(600);
    }

    @Test
    void itReckonsTheSame() {
        Frozen before = frozen(Kiln.of(6, 1150, 70));
        Frozen after = JSON.readValue(JSON.writeValueAsString(before), Frozen.class);
        double[] cores = new double[2];
        int i = 0;
        for (Frozen f : List.of(before, after)) {
            HeldProgram held = HeldProgram.of(f.segments(), f.question(KilnRun.Detail.QUICK, false));
            cores[i++] = held.run().core(1);
        }
        assertThat(cores[1]).isCloseTo(cores[0], within(1e-9));
        assertThat(after.segments()).extracting(Segment::hold).containsExactly(120, 60);
    }

    /** A step at full power is one that a controller takes as 100,000 K/h; without a plate a middling kiln stands in. */
    @Test
    void theControllerGetsStepsItCanTake() {
        KilnController.Job job = frozen(null).job();
        assertThat(job.program().get(0).rate()).isEqualTo(100_000);
        assertThat(job.kiln().watts()).isEqualTo(4000);
        KilnController.Job back = JSON.readValue(JSON.writeValueAsString(job), KilnController.Job.class);
        assertThat(back).isEqualTo(job);
    }
}
