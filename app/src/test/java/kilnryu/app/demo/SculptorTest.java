package kilnryu.app.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.io.ByteArrayInputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;

/** Pieces of the demo studio: closed, of the size they are said to have, small files. */
class SculptorTest {
    private static final int HEAD = 84;
    private static final int TRIANGLE = 50;

    /** Corners of each triangle of a binary STL, mm. */
    private static float[][][] triangles(byte[] stl) {
        ByteBuffer data = ByteBuffer.wrap(stl).order(ByteOrder.LITTLE_ENDIAN);
        int count = data.getInt(80);
        assertThat(stl).hasSize(HEAD + count * TRIANGLE);
        float[][][] all = new float[count][3][3];
        for (int t = 0; t < count; t++) {
            for (int c = 0; c < 3; c++) {
                for (int k = 0; k < 3; k++) {
                    all[t][c][k] = data.getFloat(HEAD + t * TRIANGLE + 12 + c * 12 + k * 4);
                }
            }
        }
        return all;
    }

    private static double volume(float[][][] all) {
        double sum = 0;
        for (float[][] t : all) {
            sum += t[0][0] * ((double) t[1][1] * t[2][2] - (double) t[1][2] * t[2][1])
                    - t[0][1] * ((double) t[1][0] * t[2][2] - (double) t[1][2] * t[2][0])
                    + t[0][2] * ((double) t[1][0] * t[2][1] - (double) t[1][1] * t[2][0]);
        }
        return sum / 6;
    }

    private static double longest(float[][][] all) {
        double[] least = {1e9, 1e9, 1e9};
        double[] most = {-1e9, -1e9, -1e9};
        for (float[][] t : all) {
            for (float[] c : t) {
                for (int k = 0; k < 3; k++) {
                    least[k] = Math.min(least[k], c[k]);
                    most[k] = Math.max(most[k], c[k]);
                }
            }
        }
        return Math.max(most[0] - least[0], Math.max(most[1] - least[1], most[2] - least[2]));
    }

    /** Each edge is gone along once in each direction. */
    private static boolean closed(float[][][] all) {
        Map<String, Integer> edges = new HashMap<>();
        for (float[][] t : all) {
            for (int c = 0; c < 3; c++) {
                String from = Arrays.toString(t[c]);
                String to = Arrays.toString(t[(c + 1) % 3]);
                edges.merge(from + to, 1, Integer::sum);
                edges.merge(to + from, -1, Integer::sum);
            }
        }
        return edges.values().stream().allMatch(n -> n == 0);
    }

    @Test
    void allAreClosedAndTurnedOutward() {
        for (byte[] stl : List.of(Sculptor.leg(), Sculptor.tern(), Sculptor.fish(), Sculptor.key())) {
            float[][][] all = triangles(stl);
            assertThat(closed(all)).isTrue();
            assertThat(volume(all)).isPositive();
        }
    }

    @Test
    void theyAreSmallEnoughForADemo() {
        int sum = 0;
        for (byte[] stl : List.of(Sculptor.leg(), Sculptor.tern(), Sculptor.fish(), Sculptor.key())) {
            sum += stl.length;
        }
        assertThat(sum).isLessThan(3_000_000);
    }

    @Test
    void theirSizesAreThoseOfThePieces() {
        assertThat(longest(triangles(Sculptor.leg()))).isBetween(160.0, 175.0);
        assertThat(longest(triangles(Sculptor.tern()))).isBetween(180.0, 200.0);
        assertThat(longest(triangles(Sculptor.key()))).isBetween(28.0, 32.0);
    }

    @Test
    void aPortraitIsAPhotoOfItsSize() throws Exception {
        var photo = ImageIO.read(new ByteArrayInputStream(Portrait.of(Sculptor.key(), new Color(0x8a5a2a))));
        assertThat(photo.getWidth()).isEqualTo(960);
        assertThat(photo.getHeight()).isEqualTo(720);
        // the piece stands in the middle, and is not the colour of the wall
        assertThat(photo.getRGB(480, 400)).isNotEqualTo(photo.getRGB(8, 8));
    }
}
