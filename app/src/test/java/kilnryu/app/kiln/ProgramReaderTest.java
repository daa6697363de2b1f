package kilnryu.app.kiln;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Units;
import kilnryu.core.burnout.Segment;
import kilnryu.core.burnout.Stage;
import org.junit.jupiter.api.Test;

/** Programs as casters type them. */
class ProgramReaderTest {
    private static Map<String, String> lines(String... typed) {
        Map<String, String> fields = new LinkedHashMap<>();
        for (int i = 0; i < typed.length; i++) {
            String[] parts = typed[i].split("\\|", -1);
            fields.put("program[k" + i + "].rate", parts[0]);
            fields.put("program[k" + i + "].target_C", parts[1]);
            fields.put("program[k" + i + "].hold_min", parts[2]);
        }
        return fields;
    }

    private static Fields fields(Units units, String... typed) {
        return Fields.typed(ProgramReader.spoken(lines(typed)), units);
    }

    /** 2:30 is two hours and a half here, as on a controller; 1350 F are 732 C; an empty line is none. */
    @Test
    void ratesTemperaturesAndHoldsAsTheyAreSaid() {
        List<Segment> read = ProgramReader.read(
                        fields(Units.METRIC, "150|150|2:30", "||", "100 K/h|1350 F|45", "full|540|1 h"))
                .orElseThrow();
        assertThat(read).extracting(Segment::hold).containsExactly(150, 45, 60);
        assertThat(read.get(1).target()).isCloseTo(732.2, org.assertj.core.api.Assertions.within(0.05));
        assertThat(read.get(2).rate()).isInfinite();
        assertThat(read).extracting(Segment::stage).containsExactly(Stage.DRY_OUT, Stage.BURN_OUT, Stage.DESCEND);
    }

    /** In a studio of imperial units a bare 302 is 302 F; a bare rate stays in K/h and says so. */
    @Test
    void bareNumbersInTheStudiosUnits() {
        Fields fields = fields(new Units(Units.System.IMPERIAL, false), "150|302|60");
        List<Segment> read = ProgramReader.read(fields).orElseThrow();
        assertThat(read.get(0).target()).isCloseTo(150, org.assertj.core.api.Assertions.within(0.01));
        assertThat(fields.notes().get("program[k0].rate").echo()).contains("taken as 150 K/h");
    }

    @Test
    void whatCannotBeIsSaidAtItsField() {
        assertThat(errors("0|150|60")).containsKey("program[k0].rate");
        assertThat(errors("-5|150|60")).containsKey("program[k0].rate");
        assertThat(errors("150|10|60")).containsKey("program[k0].target_C");
        assertThat(errors("150||60")).containsKey("program[k0].target_C");
        assertThat(errors("150|150|-1")).containsKey("program[k0].hold_min");
        assertThat(errors()).containsKey("program");
    }

    private static Map<String, String> errors(String... typed) {
        Fields fields = fields(Units.METRIC, typed);
        Optional<List<Segment>> read = ProgramReader.read(fields);
        assertThat(read).isEmpty();
        return fields.errors();
    }

    /** Written out and read again it is the same program. */
    @Test
    void aProgramGoesIntoFieldsAndBack() {
        List<Segment> read = ProgramReader.read(fields(Units.METRIC, "75|150|8:20", "full|730|150"))
                .orElseThrow();
        List<Segment> again = ProgramReader.read(Fields.typed(ProgramReader.fields(read), Units.METRIC))
                .orElseThrow();
        assertThat(again)
                .extracting(Segment::rate, Segment::target, Segment::hold)
                .containsExactlyElementsOf(read.stream()
                        .map(s -> org.assertj.core.groups.Tuple.tuple(s.rate(), s.target(), s.hold()))
                        .toList());
    }
}
