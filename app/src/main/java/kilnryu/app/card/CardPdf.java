package kilnryu.app.card;

import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/** The card as PDF, from the same fragment as the page, with the shipped type embedded. */
@Component
class CardPdf {
    private final ITemplateEngine templates;

    CardPdf(ITemplateEngine templates) {
        this.templates = templates;
    }

    byte[] of(CardController.Card card, String paper) {
        Context context = new Context(Locale.ENGLISH);
        context.setVariable("card", card);
        context.setVariable("paper", paper.equals("letter") ? "letter" : "A4");
        context.setVariable("style", text("static/css/card.css"));
        String html = templates.process("card/pdf", context);
        try (ByteArrayOutputStream out = new ByteArrayOutputStream();
                BatikSVGDrawer svg = new BatikSVGDrawer()) {
            PdfRendererBuilder builder = new PdfRendererBuilder();
            builder.useFont(() -> stream("pdf-fonts/archivo-400.ttf"), "Archivo", 400, null, true);
            builder.useFont(() -> stream("pdf-fonts/archivo-700.ttf"), "Archivo", 700, null, true);
            builder.useSVGDrawer(svg);
            builder.withHtmlContent(html, "/");
            builder.withProducer("Kiln Ryu");
            builder.toStream(out);
            builder.run();
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static InputStream stream(String resource) {
        try {
            return new ClassPathResource(resource).getInputStream();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String text(String resource) {
        try {
            return new ClassPathResource(resource).getContentAsString(StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
