package kilnryu.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Runs beside each other: what is slower is said, and nothing of an earlier run is lost. */
class HistoryTest {
    @TempDir
    Path folder;

    private String run(String date, double... medians) throws Exception {
        Path file = folder.resolve(date + ".csv");
        Rows rows = new Rows(file);
        rows.add(new Rows.Row("page: tree", medians[0], medians[0] - 1, medians[0] + 2, 50));
        rows.add(new Rows.Row("shell, \"one\" piece", medians[1], medians[1], medians[1], 0));
        ByteArrayOutputStream told = new ByteArrayOutputStream();
        PrintStream before = System.out;
        System.setOut(new PrintStream(told, true, StandardCharsets.UTF_8));
        try {
            History.main(
                    new String[] {file.toString(), folder.resolve("history.csv").toString(), date});
        } finally {
            System.setOut(before);
        }
        return told.toString(StandardCharsets.UTF_8);
    }

    @Test
    void theFirstRunStandsAlone() throws Exception {
        assertThat(run("2026-11-29", 40, 0.1))
                .contains("| page: tree | 40.0 | 39.0 to 42.0 | 50.0 |  |  |", "| shell, \"one\" piece | 0.1000 |");
    }

    @Test
    void whatIsSlowerThanBeforeOrOverWhatIsAskedIsSaid() throws Exception {
        run("2026-11-29", 40, 0.1);
        String told = run("2026-11-30", 55, 0.14);
        assertThat(told)
                .contains("| page: tree | 55.0 | 54.0 to 57.0 | 50.0 | 40.0 | over slower |")
                .contains("| 0.1000 | slower |");
        assertThat(run("2026-12-01", 45, 0.12))
                .contains("| page: tree | 45.0 | 44.0 to 47.0 | 50.0 | 55.0 |  |")
                .doesNotContain("slower");
        assertThat(Files.readAllLines(folder.resolve("history.csv")))
                .hasSize(7)
                .contains(
                        "date,what,median_ms,low_ms,high_ms,asked_ms",
                        "2026-11-29,page: tree,40.0,39.0,42.0,50.0",
                        "2026-11-29,\"shell, \"\"one\"\" piece\",0.1000,0.1000,0.1000,");
    }

    /** Of twenty waits the middle is the eleventh, the ends the second and the last. */
    @Test
    void medianAndSpread() {
        double[] waited = new double[20];
        for (int i = 0; i < 20; i++) {
            waited[i] = 20 - i;
        }
        Rows.Row row = Rows.Row.of("x", waited, 0);
        assertThat(row.median()).isEqualTo(11);
        assertThat(row.low()).isEqualTo(2);
        assertThat(row.high()).isEqualTo(20);
        assertThat(row.kept()).isTrue();
        assertThat(new Rows.Row("x", 51, 50, 52, 50).kept()).isFalse();
    }
}
