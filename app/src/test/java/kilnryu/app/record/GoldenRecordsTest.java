package kilnryu.app.record;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Records of every version that was ever written are read for ever; these files are never changed, only added to. */
class GoldenRecordsTest {
    private static String golden(String name) throws IOException {
        return Files.readString(Path.of("src/test/resources/records/" + name + ".json"), StandardCharsets.UTF_8);
    }

    @ParameterizedTest
    @CsvSource({
        "shell-0, shell",
        "shell-1, shell",
        "mixing-0, mixing",
        "mixing-1, mixing",
        "firing-0, firing",
        "firing-1, firing",
        "pour-1, pour",
        "break-out-1, break-out"
    })
    void everyVersionIsReadWithItsFigures(String file, String kind) throws Exception {
        WorkRecord record = Records.read(kind, golden(file));
        assertThat(record.kind()).isEqualTo(kind);
        assertThat(record.plans()).isNotEmpty().allSatisfy(p -> {
            assertThat(p.document().path("format").asString("")).isEqualTo("kiln-ryu-plan");
            assertThat(p.shown()).isNotEmpty().allSatisfy(f -> {
                assertThat(f.name()).isNotBlank();
                assertThat(f.value()).isNotBlank();
            });
            assertThat(p.said()).allSatisfy(s -> assertThat(s.severity()).isIn("stop", "warn", "note"));
        });
        // written again it is the present version, and reads as the same
        assertThat(Records.read(kind, Records.write(record))).isEqualTo(record);
    }

    /** A tree of 96 g of wax at 0.96 g/cm3: 100 cm3, 836 g of bronze; a flask of 150 by 100. */
    @ParameterizedTest
    @ValueSource(strings = {"mixing-0", "mixing-1"})
    void theFiguresAsTheyWereShown(String file) throws Exception {
        WorkRecord record = Records.read(Records.MIXING, golden(file));
        assertThat(record.plan(12345)
                        .orElse(record.plans().get(0).document())
                        .path("name")
                        .asString(""))
                .isEqualTo(record.plans().get(0).name());
        assertThat(record.plans().get(0).shown())
                .anySatisfy(f -> assertThat(f.value()).contains("100 cm³"))
                .anySatisfy(f -> assertThat(f.value()).contains("836 g"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"firing-0", "firing-1"})
    void theCourseOfAFiring(String file) throws Exception {
        WorkRecord.Course course = Records.read(Records.FIRING, golden(file)).course();
        assertThat(course.molds()).isNotEmpty().allSatisfy(m -> {
            assertThat(m.tree()).isPositive();
            assertThat(m.limitC()).isBetween(600.0, 1200.0);
            assertThat(m.charge().acrossM()).isBetween(0.02, 1.0);
            assertThat(m.charge().investment().density()).isBetween(800.0, 2500.0);
            assertThat(m.charge().charge().mold().surface()).isPositive();
        });
        assertThat(course.program()).isNotEmpty();
        assertThat(course.program().get(0).stage()).isEqualTo("dry-out");
        assertThat(course.duties()).extracting(WorkRecord.Task::duty).contains("close-kiln", "drain-tray");
        assertThat(course.minutes()).isBetween(300.0, 3000.0);
    }

    @Test
    void theCourseOfAPour() throws Exception {
        Poured poured = Records.read(Records.POUR, golden("pour-1")).poured();
        assertThat(poured.alloy()).isEqualTo("si-bronze");
        assertThat(poured.charge()).extracting(Poured.Lot::name).contains("Gates of the heron");
        assertThat(poured.after().get("Si")).isBetween(3.3, 4.5);
        assertThat(poured.molds()).hasSize(3).allSatisfy(m -> {
            assertThat(m.outS()).isLessThan(m.startS());
            assertThat(m.startS()).isLessThan(m.fullS());
            assertThat(m.cavityAt(0)).isEqualTo(m.moldC());
            assertThat(m.cavityAt(m.windowS())).isBetween(m.limitC() - 3, m.limitC() + 3);
        });
        assertThat(poured.countdown()).extracting(Poured.Step::key).startsWith("charge-dry", "melt-on");
    }

    /** Six brooches of which three ran short at the thin rim: what was seen, weighed and made of it. */
    @Test
    void whatCameOutOfAMold() throws Exception {
        BrokenOut out = Records.read(Records.BREAK_OUT, golden("break-out-1")).brokenOut();
        assertThat(out.verdict()).isEqualTo("3 good, 3 scrap. Misrun in 3: judged together.");
        assertThat(out.castings()).extracting(BrokenOut.Casting::number).containsExactly(1, 2, 3, 4, 5, 6);
        assertThat(out.castings().get(0).after()).isEqualTo("scrap");
        assertThat(out.castings().get(0).defects()).singleElement().satisfies(d -> {
            assertThat(d.kind()).isEqualTo("misrun");
            assertThat(d.places()).containsExactly("thin", "far-end");
            assertThat(d.x()).isBetween(0.0, 1.0);
        });
        assertThat(out.masses())
                .extracting(BrokenOut.Line::name, BrokenOut.Line::value)
                .contains(tuple("tree as cast", "218 g"), tuple("castings", "112 g"), tuple("gating", "105 g"));
        assertThat(out.sizes())
                .extracting(BrokenOut.Size::pattern, BrokenOut.Size::casting, BrokenOut.Size::judged)
                .containsExactly(tuple("26 mm", "25.6 mm", "not yet judged"));
        assertThat(out.why()).hasSize(3).allSatisfy(w -> assertThat(w.cause()).isNotBlank());
        assertThat(out.why()).filteredOn(BrokenOut.Why::confirmed).hasSize(1);
        assertThat(out.foreseen()).extracting(BrokenOut.Foreseen::good).containsExactly(6);
    }

    /** A rate without end, a kiln by its plate, and a reason for what was overruled. */
    @Test
    void whatTheOldOnesCouldHold() throws Exception {
        WorkRecord.Course course =
                Records.read(Records.FIRING, golden("firing-0b")).course();
        assertThat(course.heat().watts()).isEqualTo(6000);
        assertThat(course.heat().kiln().capacity()).isEqualTo(21_000);
        assertThat(course.program().get(0).ratePerH()).isNull();
        assertThat(course.overruled()).containsExactly(new WorkRecord.Overruled("strain", "tried so for years"));
        // no steel was counted then
        assertThat(course.molds().get(0).charge().side().skinJPerM2K()).isZero();
        assertThat(course.molds().get(0).charge().side().contactWPerM2K()).isNull();
    }

    @ParameterizedTest
    @ValueSource(strings = {"controller-0", "controller-1"})
    void whatAControllerWasGiven(String file) throws Exception {
        KilnJob job = KilnJob.read(golden(file));
        assertThat(job.version()).isEqualTo(1);
        assertThat(job.startC()).isEqualTo(20);
        assertThat(job.heat().watts()).isEqualTo(4000);
        assertThat(job.program().get(0)).isEqualTo(new KilnJob.Step(200, 150, 85));
        assertThat(job.load().get(0).name()).isEqualTo("Reed warbler");
        assertThat(KilnJob.read(job.text())).isEqualTo(job);
    }

    @Test
    void whatCannotBeReadSaysWhy() throws Exception {
        assertThatThrownBy(() -> Records.read(Records.SHELL, "[1]")).hasMessageContaining("no document");
        assertThatThrownBy(() -> Records.read(Records.SHELL, "{\"a\":")).hasMessageContaining("cannot be read");
        assertThatThrownBy(() -> Records.read(Records.SHELL, golden("firing-1")))
                .hasMessageContaining("another kind");
        ObjectNode newer = (ObjectNode) Records.json().readTree(golden("shell-1"));
        newer.put("version", 7);
        assertThatThrownBy(() -> Records.read(Records.SHELL, newer.toString()))
                .isInstanceOf(Records.Unreadable.class)
                .hasMessageContaining("newer Kiln Ryu", "record version 7");
        ObjectNode bare = (ObjectNode) Records.json().readTree(golden("shell-1"));
        bare.remove("plans");
        assertThatThrownBy(() -> Records.read(Records.SHELL, bare.toString())).isInstanceOf(Records.Unreadable.class);
    }

    /** A record names no class of ours: nothing in it but plain words, numbers and units. */
    @Test
    void itNamesNoClass() throws Exception {
        for (String file : new String[] {"shell-1", "mixing-1", "firing-1", "controller-1", "break-out-1"}) {
            JsonNode root = Records.json().readTree(golden(file));
            assertThat(root.toString()).doesNotContain("kilnryu.", "@class", "\"kWet\"", "\"lossPerK\"", "DRY_OUT");
        }
    }
}
