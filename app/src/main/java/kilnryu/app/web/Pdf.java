package kilnryu.app.web;

import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import org.springframework.core.io.ClassPathResource;

/** A page as PDF, with the shipped type embedded. */
public final class Pdf {
    private Pdf() {}

    /** @param html well-formed, with its style inside */
    public static byte[] of(String html) {
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
}
