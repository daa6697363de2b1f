package kilnryu.core.heat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The solver held against the analytic series of a cylinder and against a fine-grid solution with water. */
class ReferenceTest {
    private static final Medium GYPSUM = new Medium(1290, 900, 0.25, 440, 70, 1.0, 0.45, 0.10 / 600);

    private static List<String[]> lines(String file) throws IOException {
        List<String[]> lines = new ArrayList<>();
        try (BufferedReader reader = new BufferedReader(new InputStreamReader(
                ReferenceTest.class.getResourceAsStream("/reference/" + file), StandardCharsets.UTF_8))) {
            reader.lines().skip(1).filter(l -> !l.isBlank()).forEach(l -> lines.add(l.split(",")));
        }
        return lines;
    }

    static List<List<String[]>> cylinders() throws IOException {
        Map<String, List<String[]>> cases = new LinkedHashMap<>();
        for (String[] line : lines("cylinder.csv")) {
            cases.computeIfAbsent(String.join(",", List.of(line).subList(0, 7)), k -> new ArrayList<>())
                    .add(line);
        }
        return List.copyOf(cases.values());
    }

    /** Within 0.5 K or 0.5 % of the step, whichever is more. */
    @ParameterizedTest
    @MethodSource("cylinders")
    void aCylinderByItsSeries(List<String[]> rows) {
        double[] asked = new double[7];
        for (int i = 0; i < 7; i++) {
            asked[i] = Double.parseDouble(rows.get(0)[i]);
        }
        Conduction half = new Conduction(
                Body.cylinder(asked[0] / 1000, asked[1] / 2000, 24, 24),
                Medium.constant(asked[2], asked[3]),
                new Conduction.Faces(new Face(asked[4], 0), Face.INSULATED, new Face(asked[4], 0)),
                asked[5],
                new Conduction.Fineness(Math.abs(asked[6] - asked[5]) / 400, 60));
        double allowed = Math.max(0.5, 0.005 * Math.abs(asked[6] - asked[5]));
        for (String[] row : rows) {
            half.advance(Double.parseDouble(row[7]), s -> asked[6]);
            double at = switch (row[8]) {
                case "center" -> half.middleOfHalf();
                case "mid_side" -> half.sideAtFirstEnd();
                default -> half.topOnAxis();
            };
            assertThat(at).as("%s at %s s", row[8], row[7]).isCloseTo(Double.parseDouble(row[9]), within(allowed));
        }
        assertThat(half.heatTaken()).isCloseTo(half.heatIn(), within(1e-9 * Math.abs(half.heatIn())));
    }

    /** A program of ramps and holds, as the reference writes it: rate:target:hold and so on. */
    private record Program(double[] until, double[] celsius) {
        static Program of(String text) {
            List<double[]> corners = new ArrayList<>(List.of(new double[] {0, 20}));
            for (String segment : text.split(" ")) {
                String[] parts = segment.split(":");
                double[] last = corners.get(corners.size() - 1);
                double target = Double.parseDouble(parts[1]);
                double reached = last[0] + Math.abs(target - last[1]) / Double.parseDouble(parts[0]) * 3600;
                corners.add(new double[] {reached, target});
                corners.add(new double[] {reached + Double.parseDouble(parts[2]) * 60, target});
            }
            return new Program(
                    corners.stream().mapToDouble(c -> c[0]).toArray(),
                    corners.stream().mapToDouble(c -> c[1]).toArray());
        }

        double at(double s) {
            for (int i = 1; i < until.length; i++) {
                if (s <= until[i]) {
                    double width = until[i] - until[i - 1];
                    return width == 0
                            ? celsius[i]
                            : celsius[i - 1] + (celsius[i] - celsius[i - 1]) * (s - until[i - 1]) / width;
                }
            }
            return celsius[celsius.length - 1];
        }

        double end() {
            return until[until.length - 1];
        }
    }

    static List<List<String>> flasks() throws IOException {
        return lines("flask.csv").stream().map(List::of).toList();
    }

    /** Within 3 % in every time, 2 K in peak, end and lag. */
    @ParameterizedTest
    @MethodSource("flasks")
    void aFlaskWithItsWater(List<String> row) {
        Program program = Program.of(row.get(3));
        Conduction half = flask(row, 24, Conduction.Fineness.USUAL);
        double[] past = {Double.NaN, Double.NaN, Double.NaN};
        double[] marks = {105, 400, 680};
        double most = 0;
        double lag = 0;
        for (double s = 10; s <= program.end() + 1e-6; s += 10) {
            half.advance(s, program::at);
            double core = half.middleOfHalf();
            most = Math.max(most, core);
            lag = Math.max(lag, program.at(s) - core);
            for (int i = 0; i < marks.length; i++) {
                if (Double.isNaN(past[i]) && core >= marks[i]) {
                    past[i] = s / 60;
                }
            }
        }
        for (int i = 0; i < marks.length; i++) {
            double asked = Double.parseDouble(row.get(4 + i));
            assertThat(past[i]).as("past %.0f C", marks[i]).isCloseTo(asked, within(asked * 0.03));
        }
        assertThat(most).as("peak").isCloseTo(Double.parseDouble(row.get(7)), within(2.0));
        assertThat(half.middleOfHalf()).as("end").isCloseTo(Double.parseDouble(row.get(8)), within(2.0));
        assertThat(lag)
                .as("lag")
                .isCloseTo(Double.parseDouble(row.get(9)), within(0.03 * Double.parseDouble(row.get(9))));
        assertThat(half.heatTaken()).isCloseTo(half.heatIn(), within(1e-9 * Math.abs(half.heatIn())));
        assertThat(half.freeWaterLeft()).isZero();
    }

    /** Left to its own steps, minutes long, it ends where short ones end and dries as soon. */
    @Test
    void longStepsGoWhereShortOnesGo() throws IOException {
        for (List<String> row : flasks()) {
            Program program = Program.of(row.get(3));
            Conduction free = flask(row, 24, Conduction.Fineness.USUAL);
            double dry = Double.NaN;
            while (free.time() < program.end() - 1e-6) {
                free.step(program.end(), program::at);
                if (Double.isNaN(dry) && free.middleOfHalf() >= 105) {
                    dry = free.time() / 60;
                }
            }
            double asked = Double.parseDouble(row.get(4));
            assertThat(dry).isCloseTo(asked, within(asked * 0.03 + 4));
            assertThat(free.middleOfHalf()).isCloseTo(Double.parseDouble(row.get(8)), within(2.0));
            assertThat(free.steps()).isLessThan(1500);
        }
    }

    /** Once the middle boils it gets no cooler while the kiln does not. */
    @Test
    void theMiddleDoesNotDipWhileItBoils() throws IOException {
        for (List<String> row : flasks()) {
            Program program = Program.of(row.get(3));
            Conduction fine = flask(row, 24, Conduction.Fineness.USUAL);
            double highest = 20;
            while (fine.middleOfHalf() < 200) {
                fine.step(program.end(), program::at);
                assertThat(fine.middleOfHalf()).isGreaterThan(highest - 2);
                highest = Math.max(highest, fine.middleOfHalf());
            }
        }
    }

    private static Conduction flask(List<String> row, int cells, Conduction.Fineness fineness) {
        Face kiln = new Face(10, 0.9);
        return new Conduction(
                Body.cylinder(
                        Double.parseDouble(row.get(1)) / 2000, Double.parseDouble(row.get(2)) / 2000, cells, cells),
                GYPSUM,
                new Conduction.Faces(kiln, Face.INSULATED, kiln),
                20,
                fineness);
    }

    /** Twice as fine in space and time changes the hour at which the middle dries by little. */
    @Test
    void finerGridsConverge() throws IOException {
        List<String> row = flasks().get(1);
        Program program = Program.of(row.get(3));
        double coarse = past105(flask(row, 12, new Conduction.Fineness(4, 120)), program);
        double usual = past105(flask(row, 24, Conduction.Fineness.USUAL), program);
        double fine = past105(flask(row, 48, new Conduction.Fineness(1, 30)), program);
        assertThat(Math.abs(usual - fine)).isLessThan(Math.abs(coarse - fine));
        assertThat(usual).isCloseTo(fine, within(0.01 * fine));
    }

    private static double past105(Conduction half, Program program) {
        for (double s = 10; s < program.end(); s += 10) {
            half.advance(s, program::at);
            if (half.middleOfHalf() >= 105) {
                return s / 60;
            }
        }
        return Double.NaN;
    }
}
