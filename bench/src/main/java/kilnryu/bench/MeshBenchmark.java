package kilnryu.bench;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.concurrent.TimeUnit;
import kilnryu.core.mesh.Mesh;
import kilnryu.core.mesh.MeshReader;
import kilnryu.core.mesh.Pockets;
import kilnryu.core.mesh.Solid;
import kilnryu.core.mesh.Vec;
import kilnryu.core.mesh.Walls;
import kilnryu.core.mesh.Watch;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;

/** A piece of a million triangles, a knotted ring, in a heap of 300 MB that holds the file as well. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(jvmArgsAppend = {"-Xmx300m", "-XX:+UseSerialGC"})
public class MeshBenchmark {
    private static final int ROUND = 1000;
    private static final int ACROSS = 500;
    private final byte[] file = ring();
    private final Solid solid = Solid.of(read(), Watch.NONE);

    @Benchmark
    public Mesh parseAMillionTriangles() {
        return read();
    }

    @Benchmark
    public Solid joinAndMeasureAMillionTriangles() {
        return Solid.of(solid.mesh(), Watch.NONE);
    }

    @Benchmark
    public Walls wallsOfAMillionTriangles() {
        return Walls.of(solid, Watch.NONE);
    }

    @Benchmark
    public Pockets pocketsOfAMillionTriangles() {
        return Pockets.of(solid, Vec.UP, Watch.NONE);
    }

    private Mesh read() {
        try {
            return MeshReader.read(new ByteArrayInputStream(file), "ring.stl", file.length, Watch.NONE);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    private static byte[] ring() {
        int count = 2 * ROUND * ACROSS;
        ByteBuffer out = ByteBuffer.allocate(84 + 50 * count).order(ByteOrder.LITTLE_ENDIAN);
        out.putInt(80, count).position(84);
        for (int i = 0; i < ROUND; i++) {
            for (int j = 0; j < ACROSS; j++) {
                triangle(out, i, j, i + 1, j, i + 1, j + 1);
                triangle(out, i, j, i + 1, j + 1, i, j + 1);
            }
        }
        return out.array();
    }

    private static void triangle(ByteBuffer out, int... corners) {
        out.position(out.position() + 12);
        for (int k = 0; k < 6; k += 2) {
            double u = 2 * Math.PI * (corners[k] % ROUND) / ROUND;
            double v = 2 * Math.PI * (corners[k + 1] % ACROSS) / ACROSS;
            double r = 30 + (6 + 2 * Math.sin(5 * u)) * Math.cos(v);
            out.putFloat((float) (r * Math.cos(u)));
            out.putFloat((float) (r * Math.sin(u)));
            out.putFloat((float) ((6 + 2 * Math.sin(5 * u)) * Math.sin(v) + 4 * Math.sin(3 * u)));
        }
        out.putShort((short) 0);
    }
}
