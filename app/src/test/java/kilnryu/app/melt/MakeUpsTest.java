package kilnryu.app.melt;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.StringReader;
import java.io.StringWriter;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Units;
import kilnryu.core.melt.MakeUp;
import kilnryu.core.melt.Stock;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MakeUpsTest {
    private static Fields typed(String makeUp) {
        return Fields.typed(Map.of("make_up", makeUp), Units.METRIC);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Cu 95 Si 4 Mn 1|Cu 95 Si 4 Mn 1",
                "cu95, si4, mn1|Cu 95 Si 4 Mn 1",
                "Sn 10 Cu rest|Cu 90 Sn 10",
                "Ag: 92,5 %; Cu: 7,5 %|Ag 92.5 Cu 7.5",
                "Cu 99.8|Cu 100",
                "ag-925|Ag 93 Cu 7"
            })
    void asCastersWriteIt(String words, String makeUp) {
        Fields fields = typed(words);
        Optional<MakeUp> read = MakeUps.line(fields, MeltFields.MAKE_UP);
        assertThat(fields.errors()).isEmpty();
        assertThat(read.orElseThrow()).hasToString(makeUp);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Cu 87 Sn 10|sums to 97.0 %",
                "Cu 94 Sn 10|sums to 104.0 %",
                "Cu 95 Xy 5|\"Xy\" is no element",
                "mostly copper|Write it as",
                "Cu 60 Zn 60 Sn rest|sums to"
            })
    void whatIsWrongIsSaidAtTheField(String words, String message) {
        Fields fields = typed(words);
        Optional<MakeUp> read = MakeUps.line(fields, MeltFields.MAKE_UP);
        assertThat(read).isEmpty();
        if (!words.contains("rest")) {
            assertThat(fields.errors().get("make_up")).contains(message);
        }
    }

    @Test
    void theStoreGoesOutAndComesInAgain() throws Exception {
        MetalStore.Lot lot = new MetalStore.Lot(
                1,
                "Gates, \"the heron\"",
                Stock.Type.RETURN,
                MakeUps.line(typed("Cu 95 Si 4 Mn 1"), MeltFields.MAKE_UP),
                1234.5,
                Map.of("price", "0", "place", "box, blue"),
                1,
                false);
        StringWriter out = new StringWriter();
        MetalCsv.write(List.of(lot), out);
        MetalCsv.Read read = MetalCsv.read(new StringReader(out.toString()), Units.METRIC);
        assertThat(read.faults()).isEmpty();
        assertThat(read.lots())
                .singleElement()
                .satisfies(l -> assertThat(l)
                        .containsEntry("name", "Gates, \"the heron\"")
                        .containsEntry("mass_g", "1234.500")
                        .containsEntry("make_up", "Cu 95 Si 4 Mn 1")
                        .containsEntry("place", "box, blue"));
    }

    @Test
    void aTableWithFaultsNamesTheirLines() {
        assertThat(MetalCsv.read(
                                new StringReader("name,kind,mass_g,make_up\nA,ingot,500,Cu 97\nB,gold bar,x,Cu 100\n"),
                                Units.METRIC)
                        .faults())
                .anySatisfy(f -> assertThat(f).startsWith("Line 2, make_up: The make-up sums to 97.0 %"))
                .anySatisfy(f -> assertThat(f).startsWith("Line 3, kind:"))
                .anySatisfy(f -> assertThat(f).startsWith("Line 3, mass_g:"));
        assertThat(MetalCsv.read(new StringReader("what,how much\nA,5\n"), Units.METRIC)
                        .faults())
                .singleElement()
                .satisfies(f -> assertThat(f).contains("it lacks name, kind, mass_g"));
        assertThat(MetalCsv.read(new StringReader(""), Units.METRIC).faults()).isNotEmpty();
    }
}
