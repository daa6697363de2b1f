package kilnryu.app.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import kilnryu.app.device.KilnController;
import kilnryu.app.record.Records;
import kilnryu.app.record.WorkRecord;
import kilnryu.app.web.KeptJson;
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
    private static final JsonMapper JSON = KeptJson.mapper();

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
                Map.of("strain", "tried so for years"));
    }

    private static Frozen again(Frozen frozen) throws Records.Unreadable {
        WorkRecord record = Records.of(Records.FIRING, "Ebb tide", List.of(), frozen.course());
        return Frozen.of(Records.read(Records.FIRING, Records.write(record)).course());
    }

    @Test
    void itComesBackAsItWentIn() throws Exception {
        assertThat(again(frozen(Kiln.of(6, 1150, 70)))).isEqualTo(frozen(Kiln.of(6, 1150, 70)));
        assertThat(again(frozen(null))).isEqualTo(frozen(null));
    }

    /** The words of a record stay, whatever the constants behind them are called. */
    @Test
    void theWordsOfARecord() {
        assertThat(Frozen.words())
                .containsAll(List.of(
                        "dry-out",
                        "drain",
                        "inversion",
                        "carbon",
                        "burn-out",
                        "descend",
                        "ash-out",
                        "reheat",
                        "fire",
                        "cool",
                        "patch",
                        "preheat",
                        "nothing",
                        "drained",
                        "dry",
                        "flows",
                        "even",
                        "chars",
                        "burnt",
                        "within",
                        "mix",
                        "steam",
                        "close-kiln",
                        "drain-tray",
                        "turn-flask",
                        "open-vent",
                        "close-vent",
                        "look",
                        "blow-ash",
                        "inspect",
                        "pour"));
        Frozen frozen = frozen(null);
        WorkRecord.Course course = frozen.course();
        WorkRecord.Course odd = new WorkRecord.Course(
                course.kiln(),
                null,
                course.molds(),
                List.of(new WorkRecord.Line("levitate", 100.0, 150, 60, "dry", "")),
                course.duties(),
                60,
                List.of());
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> Frozen.of(odd)).hasMessageContaining("levitate");
    }

    /** Every firing that was ever frozen is still reckoned. */
    @org.junit.jupiter.params.ParameterizedTest
    @org.junit.jupiter.params.provider.ValueSource(strings = {"firing-0", "firing-0b", "firing-1"})
    void goldenFiringsAreReckoned(String file) throws Exception {
        String text =
                java.nio.file.Files.readString(java.nio.file.Path.of("src/test/resources/records/" + file + ".json"));
        FiringStore.KeptPlan kept = FiringStore.KeptPlan.of(text);
        assertThat(kept.why()).isEmpty();
        Frozen frozen = kept.frozen().orElseThrow();
        assertThat(HeldProgram.of(frozen.segments(), frozen.question(KilnRun.Detail.QUICK, false))
                        .run()
                        .core(0))
                .isGreaterThan(500);
    }

    @Test
    void whatCannotBeReckonedIsKeptWithAReason() {
        assertThat(FiringStore.KeptPlan.of(null)).isEqualTo(FiringStore.KeptPlan.NONE);
        FiringStore.KeptPlan broken = FiringStore.KeptPlan.of("{}");
        assertThat(broken.frozen()).isEmpty();
        assertThat(broken.why()).isNotBlank();
    }

    @Test
    void itReckonsTheSame() throws Exception {
        Frozen before = frozen(Kiln.of(6, 1150, 70));
        Frozen after = again(before);
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
