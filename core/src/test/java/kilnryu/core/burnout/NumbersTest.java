package kilnryu.core.burnout;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import kilnryu.core.heat.Body;
import kilnryu.core.heat.Conduction;
import kilnryu.core.heat.Face;
import kilnryu.core.heat.Lump;
import kilnryu.core.heat.Medium;
import kilnryu.core.kiln.Cooling;
import kilnryu.core.kiln.Firing;
import kilnryu.core.kiln.FiringProgram;
import kilnryu.core.kiln.Mold;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.material.Section;
import kilnryu.core.sum.Factors;
import org.junit.jupiter.api.Test;

/**
 * Makes docs/numbers.md: hours made beside the usual ones, superheats, references and errors. The file has to be what a run
 * makes; {@code ./kiln-ryu numbers} writes it.
 */
class NumbersTest {
    private static final Path FILE = Path.of("..", "docs", "numbers.md");
    private static final Medium GYPSUM = new Medium(1290, 900, 0.25, 440, 70, 1.0, 0.45, 0.10 / 600);
    private static final Medium SHELL = new Medium(1550, 900, 0.25, 0, 0, 0.9, 0.9, 0);
    private static final Map<String, Lump.Melt> MELTS = Map.of(
            "sn-bronze-90-10", new Lump.Melt(8780, 830, 1000, 190_000, 400, 480),
            "si-bronze", new Lump.Melt(8360, 820, 970, 205_000, 420, 500),
            "al-si7", new Lump.Melt(2680, 557, 615, 389_000, 1050, 1180));

    private static final String MADE = "## Made by a test run";

    private final StringBuilder page = new StringBuilder();
    private final List<String> outside = new ArrayList<>();

    @Test
    void theFileIsWhatARunMakes() throws IOException {
        // what stands above is written by hand
        String file = Files.readString(FILE);
        say("%s", file.substring(0, file.indexOf(MADE)).stripTrailing());
        say("");
        say(MADE);
        say("");
        say("By `./kiln-ryu numbers`, not typed; `./kiln-ryu test` fails where a run makes other ones.");
        flasks();
        blocks();
        schools();
        superheats();
        references();
        assertThat(outside).as("outside what is allowed").isEmpty();
        if (Boolean.getBoolean("numbers.write")) {
            Files.writeString(FILE, page);
        }
        assertThat(Files.readString(FILE)).isEqualTo(page.toString());
    }

    private void say(String words, Object... values) {
        page.append(String.format(Locale.ROOT, words, values)).append('\n');
    }

    private void flasks() {
        say("");
        say("## Flasks: standard steps, medium sections, silicon bronze");
        say("");
        say("| flask, mm | pattern | hours made | usual hours | within a quarter |");
        say("|---|---|---|---|---|");
        flask(65, 75, PatternMaterial.INJECTION_WAX, 5, 6);
        flask(80, 100, PatternMaterial.INJECTION_WAX, 8, 8);
        flask(100, 150, PatternMaterial.INJECTION_WAX, 12, 12);
        flask(150, 230, PatternMaterial.INJECTION_WAX, 18, 24);
        flask(65, 75, PatternMaterial.CASTABLE_RESIN, 8, 8);
        flask(80, 100, PatternMaterial.CASTABLE_RESIN, 12, 12);
        flask(100, 150, PatternMaterial.CASTABLE_RESIN, 18, 24);
        flask(80, 100, PatternMaterial.FILAMENT_PLA, 12, 12);
    }

    private void flask(double across, double high, PatternMaterial pattern, int least, int most) {
        double hours = UsualHoursTest.by(BurnoutSchool.STANDARD, UsualHoursTest.flask(across, high, pattern))
                        .minutes()
                / 60;
        boolean within = hours >= 0.75 * least && hours <= 1.25 * most;
        say(
                "| %.0f × %.0f | %s | %.1f | %s | %s |",
                across,
                high,
                pattern.label(),
                hours,
                least == most ? Integer.toString(least) : least + " to " + most,
                within ? "yes" : "no");
        if (!within) {
            outside.add(across + " " + pattern.label() + " " + hours);
        }
    }

    private void blocks() {
        say("");
        say("## Blocks: slow block, plaster and silica");
        say("");
        say("| block, mm | mass, kg | hours made | usual hours |");
        say("|---|---|---|---|");
        block(200, 230, 16, 36, 72);
        block(215, 190, 15.7, 36, 72);
        block(440, 460, 150, 120, 192);
    }

    private void block(double wide, double high, double kilos, int least, int most) {
        double hours = UsualHoursTest.by(BurnoutSchool.SLOW_BLOCK, UsualHoursTest.block(wide, high, kilos))
                        .minutes()
                / 60;
        say("| %.0f × %.0f × %.0f | %.1f | %.0f | %d to %d |", wide, wide, high, kilos, hours, least, most);
        if (hours < least || hours > most) {
            outside.add("block " + wide + " " + hours);
        }
    }

    private void schools() {
        say("");
        say("## Every school on a flask of 100 × 150 mm, injection wax");
        say("");
        say("| school | hours | middle dry at, h | hottest at the outside while wet, °C |");
        say("|---|---|---|---|");
        for (String key :
                List.of("standard", "dry-first", "overnight", "steam-first", "filament", "unknown", "switch")) {
            BurnoutSchool school = BurnoutSchool.named(key).orElseThrow();
            BurnoutProgram program =
                    UsualHoursTest.by(school, UsualHoursTest.flask(100, 150, PatternMaterial.INJECTION_WAX));
            Firing firing = program.held().orElseThrow().run().firing(0);
            double dry = firing.past().get(0).getAsDouble();
            double wet = firing.trace().stream()
                    .filter(m -> m.minute() < dry - 4)
                    .mapToDouble(Firing.Moment::surface)
                    .max()
                    .orElse(0);
            say("| %s | %.1f | %.1f | %.0f |", school.label(), program.minutes() / 60, dry / 60, wet);
        }
    }

    private void superheats() {
        say("");
        say("## Metal at the pour, °C, by alloy and section");
        say("");
        say("| alloy | thin | medium | heavy |");
        say("|---|---|---|---|");
        for (Alloy alloy : Alloy.values()) {
            say(
                    "| %s | %s | %s | %s |",
                    alloy.label(), pour(Section.THIN, alloy), pour(Section.MEDIUM, alloy), pour(Section.HEAVY, alloy));
        }
    }

    private static String pour(Section section, Alloy alloy) {
        return section.pourTemperature(alloy, Factors.HANDBOOK)
                .map(f -> String.format(Locale.ROOT, "%.0f", f.value()))
                .orElse("by the supplier");
    }

    private void references() throws IOException {
        say("");
        say("## References and errors");
        say("");
        say("| reference | held against | cases | worst error | allowed |");
        say("|---|---|---|---|---|");
        double series = cylinders();
        reference(
                "a cylinder by its series",
                "conduction alone",
                lines("cylinder.csv").size(),
                series,
                0.5,
                "of the step");
        double[] wet = wet();
        reference("flasks with their water, times", "fine grid", 9, wet[0], 3, "of the time");
        say("| flasks with their water, peak and end | fine grid | 6 | %.1f K | 2 K |", wet[1]);
        double freeze = 0;
        List<String[]> shells = lines("freeze-shell.csv");
        for (String[] row : shells) {
            int shape = List.of("plate", "cylinder", "sphere").indexOf(row[1]);
            double made = new Lump(shape, Double.parseDouble(row[2]) / 1000, Double.parseDouble(row[3]) / 1000)
                    .solid(
                            MELTS.get(row[0]),
                            Double.parseDouble(row[4]),
                            Double.parseDouble(row[5]),
                            SHELL,
                            new Face(10, 0.9),
                            20);
            freeze = Math.max(freeze, off(made, Double.parseDouble(row[8])));
        }
        reference("freezing in a shell", "1D solution", shells.size(), freeze, 5, "of the time");
        double carry = 0;
        List<String[]> carried = lines("carry.csv");
        for (String[] row : carried) {
            double made = Cooling.of(
                            Mold.shell(Double.parseDouble(row[0]) / 1000, 0.05),
                            0,
                            Double.parseDouble(row[1]),
                            Double.parseDouble(row[2]))
                    .cavity()
                    .getAsDouble();
            carry = Math.max(carry, off(made, Double.parseDouble(row[3])));
        }
        reference("carry window of a shell", "1D solution", carried.size(), carry, 3, "of the time");
    }

    private void reference(String what, String against, int cases, double worst, double allowed, String of) {
        say("| %s | %s | %d | %.2f %% %s | %.1f %% |", what, against, cases, worst, of, allowed);
        if (worst > allowed) {
            outside.add(what + " " + worst);
        }
    }

    private static double off(double made, double asked) {
        return Math.abs(made - asked) / asked * 100;
    }

    /** Worst error, % of the step. */
    private static double cylinders() throws IOException {
        Map<String, List<String[]>> cases = new LinkedHashMap<>();
        for (String[] line : lines("cylinder.csv")) {
            cases.computeIfAbsent(String.join(",", Arrays.asList(line).subList(0, 7)), k -> new ArrayList<>())
                    .add(line);
        }
        double worst = 0;
        for (List<String[]> rows : cases.values()) {
            double[] q = new double[7];
            for (int i = 0; i < 7; i++) {
                q[i] = Double.parseDouble(rows.get(0)[i]);
            }
            Conduction half = new Conduction(
                    Body.cylinder(q[0] / 1000, q[1] / 2000, 24, 24),
                    Medium.constant(q[2], q[3]),
                    new Conduction.Faces(new Face(q[4], 0), Face.INSULATED, new Face(q[4], 0)),
                    q[5],
                    new Conduction.Fineness(Math.abs(q[6] - q[5]) / 400, 60));
            for (String[] row : rows) {
                half.advance(Double.parseDouble(row[7]), s -> q[6]);
                double at = switch (row[8]) {
                    case "center" -> half.middleOfHalf();
                    case "mid_side" -> half.sideAtFirstEnd();
                    default -> half.topOnAxis();
                };
                worst = Math.max(worst, Math.abs(at - Double.parseDouble(row[9])) / Math.abs(q[6] - q[5]) * 100);
            }
        }
        return worst;
    }

    /** Worst error of the times, %, and of peak and end, K. */
    private static double[] wet() throws IOException {
        double times = 0;
        double kelvins = 0;
        for (String[] row : lines("flask.csv")) {
            List<FiringProgram.Segment> segments = Arrays.stream(row[3].split(" "))
                    .map(s -> s.split(":"))
                    .map(s -> new FiringProgram.Segment(
                            Double.parseDouble(s[0]), Double.parseDouble(s[1]), Double.parseDouble(s[2])))
                    .toList();
            Firing firing = Firing.of(new Firing.Question(
                    Mold.bare(Double.parseDouble(row[1]) / 1000, Double.parseDouble(row[2]) / 1000, GYPSUM),
                    FiringProgram.of(20, segments),
                    Optional.empty(),
                    0,
                    1));
            for (int i = 0; i < 3; i++) {
                times = Math.max(times, off(firing.past().get(i).getAsDouble(), Double.parseDouble(row[4 + i])));
            }
            kelvins = Math.max(kelvins, Math.abs(firing.most() - Double.parseDouble(row[7])));
            kelvins = Math.max(kelvins, Math.abs(firing.end() - Double.parseDouble(row[8])));
        }
        return new double[] {times, kelvins};
    }

    private static List<String[]> lines(String file) throws IOException {
        try (BufferedReader reader = new BufferedReader(new InputStreamReader(
                NumbersTest.class.getResourceAsStream("/reference/" + file), StandardCharsets.UTF_8))) {
            return reader.lines()
                    .skip(1)
                    .filter(l -> !l.isBlank())
                    .map(l -> l.split(","))
                    .toList();
        }
    }
}
