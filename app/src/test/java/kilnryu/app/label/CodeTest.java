package kilnryu.app.label;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.util.Arrays;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

class CodeTest {
    private static final int PIXELS = 6;
    private static final Pattern CELL = Pattern.compile("M([\\d.]+),([\\d.]+) h([\\d.]+) ");

    /** The drawing's own squares, painted and read again as a camera would. */
    @Test
    void whatIsDrawnOpensTheAddress() throws Exception {
        String address = "http://192.168.1.20:8080/trees/4711/mold";
        int side = 96 * PIXELS;
        int[] picture = new int[side * side];
        Arrays.fill(picture, 0xffffff);
        Matcher cell = CELL.matcher(Code.of(address));
        while (cell.find()) {
            double x = Double.parseDouble(cell.group(1)) * PIXELS;
            double y = Double.parseDouble(cell.group(2)) * PIXELS;
            double wide = Double.parseDouble(cell.group(3)) * PIXELS;
            for (int py = (int) Math.round(y); py < Math.round(y + wide); py++) {
                for (int px = (int) Math.round(x); px < Math.round(x + wide); px++) {
                    picture[py * side + px] = 0;
                }
            }
        }
        BinaryBitmap seen = new BinaryBitmap(new HybridBinarizer(new RGBLuminanceSource(side, side, picture)));
        assertThat(new QRCodeReader().decode(seen).getText()).isEqualTo(address);
    }
}
