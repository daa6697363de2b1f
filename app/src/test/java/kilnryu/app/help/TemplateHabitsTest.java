package kilnryu.app.help;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Templates can be read: no line runs off the screen, and none calls into classes. */
class TemplateHabitsTest {
    private static final int LONGEST = 140;

    private static List<String> lines(java.util.function.Predicate<String> of) throws IOException {
        List<String> found = new ArrayList<>();
        try (var files = Files.walk(Path.of("src/main/resources/templates"))) {
            for (Path file : files.filter(f -> f.toString().endsWith(".html")).toList()) {
                int number = 0;
                for (String line : Files.readAllLines(file)) {
                    number++;
                    if (of.test(line)) {
                        found.add(file.getFileName() + ":" + number);
                    }
                }
            }
        }
        return found;
    }

    @Test
    void noLineIsLongerThanAScreen() throws IOException {
        assertThat(lines(line -> line.codePointCount(0, line.length()) > LONGEST))
                .isEmpty();
    }

    @Test
    void noTemplateCallsAClass() throws IOException {
        assertThat(lines(line -> line.matches(".*\\bT\\([a-z].*"))).isEmpty();
        assertThat(lines(line -> line.contains("th:")))
                .as("templates were looked at")
                .hasSizeGreaterThan(1_000);
    }
}
