package kilnryu.app.help;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.commonmark.node.AbstractVisitor;
import org.commonmark.node.Heading;
import org.commonmark.node.Image;
import org.commonmark.node.Link;
import org.commonmark.node.Node;
import org.commonmark.node.Text;
import org.commonmark.parser.Parser;
import org.commonmark.renderer.html.HtmlRenderer;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.stereotype.Component;

/** The chapters under docs/manual, read once. */
@Component
class Manual {
    private static final String PICTURES = "../screenshots/";

    private final List<Chapter> chapters;

    Manual() throws IOException {
        List<Chapter> read = new ArrayList<>();
        for (Resource r : new PathMatchingResourcePatternResolver().getResources("classpath*:/help/*.md")) {
            read.add(chapter(r));
        }
        read.sort(Comparator.comparing(Chapter::file));
        chapters = List.copyOf(read);
    }

    /**
     * A chapter.
     *
     * @param key as in its address
     */
    public record Chapter(String file, String key, String title, String html) {}

    List<Chapter> chapters() {
        return chapters;
    }

    Optional<Chapter> chapter(String key) {
        return chapters.stream().filter(c -> c.key.equals(key)).findFirst();
    }

    private static Chapter chapter(Resource file) {
        try {
            String name = file.getFilename();
            Node node = Parser.builder().build().parse(file.getContentAsString(StandardCharsets.UTF_8));
            StringBuilder title = new StringBuilder();
            node.accept(new AbstractVisitor() {
                @Override
                public void visit(Heading heading) {
                    if (heading.getLevel() == 1) {
                        heading.accept(new AbstractVisitor() {
                            @Override
                            public void visit(Text text) {
                                title.append(text.getLiteral());
                            }
                        });
                    }
                }

                @Override
                public void visit(Image image) {
                    image.setDestination(image.getDestination().replace(PICTURES, "/help/pictures/"));
                }

                @Override
                public void visit(Link link) {
                    if (link.getDestination().endsWith(".md")) {
                        link.setDestination("/help/" + key(link.getDestination()));
                    }
                    visitChildren(link);
                }
            });
            String html = HtmlRenderer.builder().escapeHtml(true).build().render(node);
            return new Chapter(name, key(name), title.toString(), html);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String key(String file) {
        return file.replaceFirst("^.*/", "").replaceFirst("^\\d+-", "").replaceFirst("\\.md$", "");
    }
}
