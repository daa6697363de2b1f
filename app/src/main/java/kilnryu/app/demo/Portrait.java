package kilnryu.app.demo;

import java.awt.Color;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import javax.imageio.ImageIO;

/** A picture of a demo piece as it would stand on the bench, painted from its model: far faces first, each by its slant. */
final class Portrait {
    private static final int WIDTH = 960;
    private static final int HEIGHT = 720;
    private static final double TURNED = Math.toRadians(28);
    private static final double FROM_ABOVE = Math.toRadians(14);
    private static final double[] LIGHT = {-0.45, -0.6, 0.66};

    private Portrait() {}

    /** A face turned to the eye: its corners on the picture, how far it is, how much light it takes. */
    private record Seen(double[][] corners, double depth, double light) {}

    /** @param stl binary, in millimetres; @param colour of the wax or metal */
    static byte[] of(byte[] stl, Color colour) throws IOException {
        List<Seen> faces = seen(stl);
        double[] low = {Double.MAX_VALUE, Double.MAX_VALUE};
        double[] high = {-Double.MAX_VALUE, -Double.MAX_VALUE};
        faces.forEach(f -> {
            for (double[] c : f.corners) {
                for (int i = 0; i < 2; i++) {
                    low[i] = Math.min(low[i], c[i]);
                    high[i] = Math.max(high[i], c[i]);
                }
            }
        });
        double scale = Math.min(0.78 * WIDTH / (high[0] - low[0]), 0.78 * HEIGHT / (high[1] - low[1]));
        BufferedImage picture = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = picture.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        double foot = HEIGHT / 2.0 + scale * (high[1] - low[1]) / 2;
        bench(g, foot, scale * (high[0] - low[0]));
        for (Seen f : faces) {
            Path2D path = new Path2D.Double();
            for (int i = 0; i < 3; i++) {
                double x = WIDTH / 2.0 + (f.corners[i][0] - (low[0] + high[0]) / 2) * scale;
                double y = foot - (f.corners[i][1] - low[1]) * scale;
                if (i == 0) {
                    path.moveTo(x, y);
                } else {
                    path.lineTo(x, y);
                }
            }
            path.closePath();
            g.setColor(lit(colour, f.light));
            g.fill(path);
            g.draw(path);
        }
        g.dispose();
        ByteArrayOutputStream jpeg = new ByteArrayOutputStream();
        ImageIO.write(picture, "jpeg", jpeg);
        return jpeg.toByteArray();
    }

    private static void bench(Graphics2D g, double foot, double wide) {
        g.setPaint(new GradientPaint(0, 0, new Color(0xe9e2d6), 0, HEIGHT, new Color(0xcdbfa9)));
        g.fillRect(0, 0, WIDTH, HEIGHT);
        g.setPaint(new GradientPaint(0, (float) foot - 60, new Color(0xb79f7f), 0, HEIGHT, new Color(0x8d7355)));
        g.fillRect(0, (int) foot - 60, WIDTH, HEIGHT);
        g.setColor(new Color(40, 28, 20, 60));
        g.fill(new Ellipse2D.Double(WIDTH / 2.0 - wide * 0.55, foot - 16, wide * 1.2, 34));
    }

    private static Color lit(Color colour, double light) {
        double share = 0.34 + 0.7 * Math.max(0, light);
        double shine = Math.pow(Math.max(0, light), 14) * 70;
        return new Color(
                (int) Math.min(255, colour.getRed() * share + shine),
                (int) Math.min(255, colour.getGreen() * share + shine),
                (int) Math.min(255, colour.getBlue() * share + shine));
    }

    private static List<Seen> seen(byte[] stl) {
        ByteBuffer in = ByteBuffer.wrap(stl).order(ByteOrder.LITTLE_ENDIAN);
        in.position(80);
        int count = in.getInt();
        List<Seen> all = new ArrayList<>();
        for (int t = 0; t < count; t++) {
            in.position(84 + 50 * t + 12);
            double[][] corners = new double[3][];
            for (int i = 0; i < 3; i++) {
                corners[i] = turned(in.getFloat(), in.getFloat(), in.getFloat());
            }
            double[] normal = normal(corners);
            if (normal[2] > 0) {
                double light = -(normal[0] * LIGHT[0] + normal[1] * LIGHT[1] - normal[2] * LIGHT[2]);
                all.add(new Seen(corners, corners[0][2] + corners[1][2] + corners[2][2], light));
            }
        }
        all.sort(Comparator.comparingDouble(Seen::depth));
        return all;
    }

    /** To the right, upward, toward the eye. */
    private static double[] turned(double x, double y, double z) {
        double right = x * Math.cos(TURNED) + y * Math.sin(TURNED);
        double near = x * Math.sin(TURNED) - y * Math.cos(TURNED);
        return new double[] {
            right,
            z * Math.cos(FROM_ABOVE) - near * Math.sin(FROM_ABOVE),
            near * Math.cos(FROM_ABOVE) + z * Math.sin(FROM_ABOVE)
        };
    }

    private static double[] normal(double[][] c) {
        double[] a = {c[1][0] - c[0][0], c[1][1] - c[0][1], c[1][2] - c[0][2]};
        double[] b = {c[2][0] - c[0][0], c[2][1] - c[0][1], c[2][2] - c[0][2]};
        double[] n = {a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]};
        double length = Math.max(1e-9, Math.sqrt(n[0] * n[0] + n[1] * n[1] + n[2] * n[2]));
        return new double[] {n[0] / length, n[1] / length, n[2] / length};
    }
}
