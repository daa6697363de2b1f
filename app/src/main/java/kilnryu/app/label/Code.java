package kilnryu.app.label;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import java.util.Map;
import kilnryu.app.web.Svg;

/** An address as a square code that a tablet's camera opens. */
final class Code {
    private static final double SIZE = 96;

    private Code() {}

    static String of(String address) {
        try {
            BitMatrix cells = new QRCodeWriter()
                    .encode(
                            address,
                            BarcodeFormat.QR_CODE,
                            0,
                            0,
                            Map.of(EncodeHintType.ERROR_CORRECTION, ErrorCorrectionLevel.M, EncodeHintType.MARGIN, 2));
            return drawn(cells, address);
        } catch (WriterException e) {
            throw new IllegalStateException("an address that no code holds", e);
        }
    }

    private static String drawn(BitMatrix cells, String address) {
        double cell = SIZE / cells.getWidth();
        Svg svg = new Svg(SIZE, SIZE, "Code for " + address);
        svg.rect(0, 0, SIZE, SIZE, "fill=\"#ffffff\"");
        StringBuilder path = new StringBuilder();
        for (int y = 0; y < cells.getHeight(); y++) {
            for (int x = 0; x < cells.getWidth(); x++) {
                if (cells.get(x, y)) {
                    path.append(String.format(
                            java.util.Locale.ROOT,
                            "M%.3f,%.3f h%.3f v%.3f h-%.3f z ",
                            x * cell,
                            y * cell,
                            cell,
                            cell,
                            cell));
                }
            }
        }
        svg.path(path.toString(), "fill=\"#000000\"");
        return svg.done();
    }
}
