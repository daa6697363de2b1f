package kilnryu.app.piece;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.MetadataException;
import com.drew.metadata.exif.ExifIFD0Directory;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.Iterator;
import java.util.Locale;
import java.util.Set;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import org.springframework.web.multipart.MultipartFile;

/**
 * A photo drawn anew: upright, at most {@value #LONGEST} px, as JPEG, without anything but the picture, so that place,
 * time and camera of the file stay with its owner.
 */
public record Photo(byte[] jpeg, int width, int height) {
    static final long LARGEST_FILE = 20_000_000;
    private static final int LONGEST = 1600;
    private static final long MOST_PIXELS = 120_000_000;
    /** A PNG is read whole, row by row, whatever is left out of it: a small file may hold very much to do. */
    private static final long MOST_PIXELS_PNG = 40_000_000;

    private static final Set<String> KINDS = Set.of("jpeg", "png");

    /** A file that is no photo that can be kept. */
    public static final class Unusable extends Exception {
        private static final long serialVersionUID = 1L;

        Unusable(String message) {
            super(message);
        }
    }

    /** A photo as it was sent, counted while it is read: the same limit everywhere. */
    public static Photo of(MultipartFile sent) throws Unusable, IOException {
        if (sent == null || sent.isEmpty()) {
            throw new Unusable("Choose a photo first.");
        }
        if (sent.getSize() > LARGEST_FILE) {
            throw tooLarge();
        }
        try (InputStream in = sent.getInputStream()) {
            return of(in.readNBytes((int) LARGEST_FILE + 1));
        }
    }

    private static Unusable tooLarge() {
        return new Unusable("A photo has at most " + LARGEST_FILE / 1_000_000 + " MB; this file is larger.");
    }

    public static Photo of(byte[] file) throws Unusable {
        if (file.length == 0) {
            throw new Unusable("Choose a photo first.");
        }
        if (file.length > LARGEST_FILE) {
            throw tooLarge();
        }
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw new Unusable("This is no JPEG or PNG picture.");
            }
            ImageReader reader = readers.next();
            try {
                boolean jpeg = reader.getFormatName().equalsIgnoreCase("jpeg");
                return drawn(read(reader, in), jpeg ? turn(file) : 1);
            } finally {
                reader.dispose();
            }
        } catch (IOException | IllegalArgumentException | IndexOutOfBoundsException e) {
            throw new Unusable("This picture is damaged and cannot be read.");
        }
    }

    /** Read with every so many pixels left out, so that a large one takes no more memory than a small one. */
    private static BufferedImage read(ImageReader reader, ImageInputStream in) throws IOException, Unusable {
        if (!KINDS.contains(reader.getFormatName().toLowerCase(Locale.ROOT))) {
            throw new Unusable("Photos are taken as JPEG or PNG.");
        }
        reader.setInput(in, true, true);
        int width = reader.getWidth(0);
        int height = reader.getHeight(0);
        boolean png = reader.getFormatName().equalsIgnoreCase("png");
        long most = png ? MOST_PIXELS_PNG : MOST_PIXELS;
        if ((long) width * height > most) {
            throw new Unusable(
                    "This picture has more than " + most / 1_000_000 + " million pixels; make it smaller first.");
        }
        int every = Math.max(1, Math.max(width, height) / (2 * LONGEST));
        ImageReadParam param = reader.getDefaultReadParam();
        param.setSourceSubsampling(every, every, 0, 0);
        return reader.read(0, param);
    }

    /** How the camera was held, 1 to 8 by EXIF; 1 when it does not say. */
    private static int turn(byte[] file) {
        try {
            ExifIFD0Directory exif = ImageMetadataReader.readMetadata(new ByteArrayInputStream(file))
                    .getFirstDirectoryOfType(ExifIFD0Directory.class);
            return exif == null || !exif.containsTag(ExifIFD0Directory.TAG_ORIENTATION)
                    ? 1
                    : exif.getInt(ExifIFD0Directory.TAG_ORIENTATION);
        } catch (ImageProcessingException | IOException | MetadataException e) {
            return 1;
        }
    }

    private static Photo drawn(BufferedImage from, int turn) throws IOException {
        boolean sideways = turn >= 5 && turn <= 8;
        double scale = Math.min(1, LONGEST / (double) Math.max(from.getWidth(), from.getHeight()));
        int across = Math.max(1, (int) Math.round((sideways ? from.getHeight() : from.getWidth()) * scale));
        int down = Math.max(1, (int) Math.round((sideways ? from.getWidth() : from.getHeight()) * scale));
        BufferedImage to = new BufferedImage(across, down, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = to.createGraphics();
        g.setColor(Color.WHITE);
        g.fillRect(0, 0, across, down);
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        g.drawImage(from, upright(turn, scale, across, down), null);
        g.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(to, "jpeg", out);
        return new Photo(out.toByteArray(), across, down);
    }

    private static AffineTransform upright(int turn, double scale, int across, int down) {
        AffineTransform t = new AffineTransform();
        switch (turn) {
            case 2 -> t.setTransform(-1, 0, 0, 1, across, 0);
            case 3 -> t.setTransform(-1, 0, 0, -1, across, down);
            case 4 -> t.setTransform(1, 0, 0, -1, 0, down);
            case 5 -> t.setTransform(0, 1, 1, 0, 0, 0);
            case 6 -> t.setTransform(0, 1, -1, 0, across, 0);
            case 7 -> t.setTransform(0, -1, -1, 0, across, down);
            case 8 -> t.setTransform(0, -1, 1, 0, 0, down);
            default -> t.setToIdentity();
        }
        t.scale(scale, scale);
        return t;
    }
}
