package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The manual under Help is the one under docs, with its pictures; the words have a page. */
class HelpPagesTest extends AppTest {
    private static final Path DOCS = Path.of("..", "docs");
    private static final Pattern PICTURE = Pattern.compile("src=\"(/help/pictures/[a-z-]+\\.png)\"");
    private static final Pattern LINK = Pattern.compile("\\]\\((docs/[^)#]+)\\)");

    /** The version that is built is the one that changes are told of, and the one that is shown. */
    @Test
    void theVersionIsShownAndItsChangesAreTold() throws Exception {
        Matcher version = Pattern.compile("<artifactId>kiln-ryu</artifactId>\\s*<version>([^<]+)</version>")
                .matcher(Files.readString(Path.of("..", "pom.xml")));
        assertThat(version.find()).isTrue();
        assertThat(page(owner, "/help/" + first()))
                .contains("Kiln Ryu " + version.group(1) + ", under the Apache License 2.0.");
        Matcher told = Pattern.compile("(?m)^## (\\S+)").matcher(Files.readString(Path.of("..", "CHANGELOG.md")));
        assertThat(told.find()).isTrue();
        assertThat(told.group(1)).isEqualTo(version.group(1));
    }

    private static String first() throws Exception {
        try (var all = Files.list(DOCS.resolve("manual"))) {
            return all.sorted()
                    .findFirst()
                    .orElseThrow()
                    .getFileName()
                    .toString()
                    .replaceFirst("^\\d+-", "")
                    .replaceFirst("\\.md$", "");
        }
    }

    @Test
    void everyChapterIsServedWithItsPictures() throws Exception {
        List<Path> files;
        try (var all = Files.list(DOCS.resolve("manual"))) {
            files = all.sorted().toList();
        }
        assertThat(files).hasSizeGreaterThan(8);
        for (Path file : files) {
            String key =
                    file.getFileName().toString().replaceFirst("^\\d+-", "").replaceFirst("\\.md$", "");
            String page = page(owner, "/help/" + key);
            String title = Files.readAllLines(file).get(0).substring(2);
            assertThat(page).as(key).contains("<h1>" + title + "</h1>", "aria-current=\"page\"");
            assertThat(page).doesNotContain("../screenshots");
            Matcher pictures = PICTURE.matcher(page);
            while (pictures.find()) {
                var answer = read(owner, pictures.group(1));
                assertThat(answer.getStatus()).as(pictures.group(1)).isEqualTo(200);
                assertThat(answer.getContentType()).isEqualTo("image/png");
            }
        }
    }

    @Test
    void helpBeginsWithTheFirstTree() throws Exception {
        assertThat(read(owner, "/help").getRedirectedUrl()).isEqualTo("/help/first-tree");
        assertThat(read(owner, "/help/nothing-of-that-name").getStatus()).isEqualTo(404);
        assertThat(read(owner, "/help/pictures/none.png").getStatus()).isEqualTo(404);
        assertThat(mvc.perform(get("/help/first-tree"))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .as("behind the sign-in")
                .isEqualTo(302);
    }

    @Test
    void wordsHaveTheirPlaces() throws Exception {
        assertThat(page(owner, "/glossary")).contains("id=\"modulus\"", "id=\"gloss-off\"", "<svg");
        assertThat(page(owner, "/glossary/terms")).contains("\"word\":\"feeder\"", "\"key\":\"face-coat\"");
    }

    @Test
    void theReadmeLinksToWhatThereIs() throws Exception {
        Matcher links = LINK.matcher(Files.readString(Path.of("..", "README.md")));
        int found = 0;
        while (links.find()) {
            assertThat(Path.of("..", links.group(1))).exists();
            found++;
        }
        assertThat(found).isGreaterThan(20);
    }
}
