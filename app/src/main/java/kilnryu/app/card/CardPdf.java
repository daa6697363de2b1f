package kilnryu.app.card;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.regex.Pattern;
import kilnryu.app.web.Pdf;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/** The card as PDF, from the same fragment as the page, with the shipped type embedded. */
@Component
class CardPdf {
    private static final double[] SCALES = {1, 0.94, 0.88, 0.82, 0.76, 0.7, 0.62, 0.54};
    private static final Pattern POINTS = Pattern.compile("([\\d.]+)pt");

    private final ITemplateEngine templates;

    CardPdf(ITemplateEngine templates) {
        this.templates = templates;
    }

    /** One page: the type is set smaller, step by step, until all of it fits. */
    byte[] of(CardController.Card card, String paper) {
        byte[] pdf = {};
        for (double scale : SCALES) {
            pdf = set(card, paper, scale);
            if (pages(pdf) == 1) {
                return pdf;
            }
        }
        return pdf;
    }

    private static int pages(byte[] pdf) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return document.getNumberOfPages();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** All lengths of the style, which are in points, times a factor. */
    private static String scaled(String style, double factor) {
        return POINTS.matcher(style)
                .replaceAll(m -> String.format(Locale.ROOT, "%.2fpt", Double.parseDouble(m.group(1)) * factor));
    }

    private byte[] set(CardController.Card card, String paper, double scale) {
        Context context = new Context(Locale.ENGLISH);
        context.setVariable("card", card);
        context.setVariable("paper", paper.equals("letter") ? "letter" : "A4");
        context.setVariable("style", scaled(text("static/css/card.css"), scale));
        return Pdf.of(templates.process("card/pdf", context));
    }

    private static String text(String resource) {
        try {
            return new ClassPathResource(resource).getContentAsString(StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
