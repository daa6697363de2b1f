package kilnryu.app.piece;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PhotoTest {

    /** Red at the top left, blue at the top right, green at the bottom left, white else; 64 x 32. */
    private static BufferedImage quarters() {
        BufferedImage picture = new BufferedImage(64, 32, BufferedImage.TYPE_INT_RGB);
        for (int x = 0; x < 64; x++) {
            for (int y = 0; y < 32; y++) {
                Color c = y < 16 ? (x < 32 ? Color.RED : Color.BLUE) : (x < 32 ? Color.GREEN : Color.WHITE);
                picture.setRGB(x, y, c.getRGB());
            }
        }
        return picture;
    }

    private static byte[] file(BufferedImage picture, String kind) throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(picture, kind, out);
        return out.toByteArray();
    }

    private static byte[] turned(byte[] jpeg, int orientation) {
        ByteBuffer exif = ByteBuffer.allocate(6 + 8 + 2 + 12 + 4);
        exif.put("Exif\0\0".getBytes(StandardCharsets.US_ASCII)).put((byte) 'M').put((byte) 'M');
        exif.putShort((short) 42).putInt(8).putShort((short) 1);
        exif.putShort((short) 0x0112)
                .putShort((short) 3)
                .putInt(1)
                .putShort((short) orientation)
                .putShort((short) 0);
        exif.putInt(0);
        ByteBuffer out = ByteBuffer.allocate(jpeg.length + 4 + exif.capacity());
        out.put(jpeg, 0, 2)
                .putShort((short) 0xffe1)
                .putShort((short) (exif.capacity() + 2))
                .put(exif.array());
        return out.put(jpeg, 2, jpeg.length - 2).array();
    }

    /** Where red and blue stand after the picture was set upright, by the table of EXIF. */
    @ParameterizedTest
    @CsvSource({
        "1, 64, top-left, top-right",
        "2, 64, top-right, top-left",
        "3, 64, bottom-right, bottom-left",
        "4, 64, bottom-left, bottom-right",
        "5, 32, top-left, bottom-left",
        "6, 32, top-right, bottom-right",
        "7, 32, bottom-right, top-right",
        "8, 32, bottom-left, top-left"
    })
    void everyWayOfHoldingTheCameraComesOutUpright(int orientation, int width, String red, String blue)
            throws Exception {
        Photo photo = Photo.of(turned(file(quarters(), "jpeg"), orientation));
        assertThat(photo.width()).isEqualTo(width);
        BufferedImage upright = ImageIO.read(new ByteArrayInputStream(photo.jpeg()));
        assertThat(colourAt(upright, red)).isEqualTo("red");
        assertThat(colourAt(upright, blue)).isEqualTo("blue");
    }

    private static String colourAt(BufferedImage picture, String corner) {
        int x = corner.endsWith("left") ? picture.getWidth() / 4 : picture.getWidth() * 3 / 4;
        int y = corner.startsWith("top") ? picture.getHeight() / 4 : picture.getHeight() * 3 / 4;
        Color c = new Color(picture.getRGB(x, y));
        if (c.getRed() > 180 && c.getGreen() < 90 && c.getBlue() < 90) {
            return "red";
        }
        return c.getBlue() > 180 && c.getRed() < 90 ? "blue" : "other";
    }

    @Test
    void aLargePictureIsMadeSmaller() throws Exception {
        Photo photo = Photo.of(file(new BufferedImage(4000, 1000, BufferedImage.TYPE_INT_RGB), "png"));
        assertThat(photo.width()).isEqualTo(1600);
        assertThat(photo.height()).isEqualTo(400);
    }

    @Test
    void whatShowsThroughBecomesWhite() throws Exception {
        Photo photo = Photo.of(file(new BufferedImage(20, 20, BufferedImage.TYPE_INT_ARGB), "png"));
        assertThat(new Color(
                        ImageIO.read(new ByteArrayInputStream(photo.jpeg())).getRGB(10, 10)))
                .isEqualTo(Color.WHITE);
    }

    @Test
    void whatIsNoPictureIsRefusedInWords() throws Exception {
        refused(new byte[0], "Choose a photo first");
        refused("words".getBytes(StandardCharsets.UTF_8), "no JPEG or PNG");
        refused(file(quarters(), "gif"), "JPEG or PNG");
        byte[] whole = file(quarters(), "png");
        refused(java.util.Arrays.copyOf(whole, whole.length / 2), "damaged");
    }

    /** A PNG whose header claims 60,000 x 60,000 is not unpacked. */
    @Test
    void aPictureBombIsNotUnpacked() throws Exception {
        byte[] png = file(quarters(), "png");
        ByteBuffer head = ByteBuffer.wrap(png);
        head.putInt(16, 60_000).putInt(20, 60_000);
        java.util.zip.CRC32 sum = new java.util.zip.CRC32();
        sum.update(png, 12, 17);
        head.putInt(29, (int) sum.getValue());
        refused(png, "40 million");
    }

    private static void refused(byte[] file, String word) {
        assertThatThrownBy(() -> Photo.of(file))
                .isInstanceOf(Photo.Unusable.class)
                .hasMessageContaining(word);
    }

    /** Some hundred kilobytes that hold forty-two million pixels to be read one by one. */
    @Test
    void aSmallFileWithVeryMuchInIt() throws Exception {
        java.awt.image.BufferedImage wide =
                new java.awt.image.BufferedImage(6500, 6500, java.awt.image.BufferedImage.TYPE_BYTE_BINARY);
        java.io.ByteArrayOutputStream out = new java.io.ByteArrayOutputStream();
        javax.imageio.ImageIO.write(wide, "png", out);
        assertThat(out.size()).isLessThan(1_000_000);
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> Photo.of(out.toByteArray()))
                .isInstanceOf(Photo.Unusable.class)
                .hasMessageContaining("40 million pixels");
    }

    /** One limit wherever a photo is taken, told by the size before it is read and counted while it is. */
    @Test
    void theSameLimitEverywhere() {
        byte[] large = new byte[(int) Photo.LARGEST_FILE + 1];
        var sent = new org.springframework.mock.web.MockMultipartFile("photo", "a.jpg", "image/jpeg", large);
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> Photo.of(sent)).hasMessageContaining("at most 20 MB");
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> Photo.of(large))
                .hasMessageContaining("at most 20 MB");
        var lying = new org.springframework.mock.web.MockMultipartFile("photo", "a.jpg", "image/jpeg", large) {
            @Override
            public long getSize() {
                return 10;
            }
        };
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> Photo.of(lying))
                .hasMessageContaining("at most 20 MB");
        org.assertj.core.api.Assertions.assertThatThrownBy(
                        () -> Photo.of((org.springframework.web.multipart.MultipartFile) null))
                .hasMessageContaining("Choose a photo");
    }
}
