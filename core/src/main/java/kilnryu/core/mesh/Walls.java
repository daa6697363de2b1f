package kilnryu.core.mesh;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Random;
import java.util.concurrent.atomic.DoubleAccumulator;
import java.util.function.IntConsumer;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * Wall thickness by sampling the surface. At each sample a line goes straight inward; where it leaves the solid is the
 * wall there, provided that the face it leaves by lies within 30 degrees of parallel: two faces that meet at a sharper
 * corner are an edge and not a wall. The thinnest wall is the shortest such line. The thickest is not the longest line, which would be the
 * length of a rod, but the widest ball that touches the surface at a sample and fits inside (shrinking balls, J. Ma and
 * others, 2012): that is where metal freezes last.
 *
 * <p>Error: exact to the facets at each sample; between samples, which lie about {@code spacing} apart, a thinner or
 * thicker place smaller than that can be missed. Where the opposite face slants by an angle a, the line is longer than
 * the wall's middle measure by up to 1 / cos a. Balls are good to 0.4 %.
 *
 * @param thinnest in the unit of the mesh
 * @param thickest in the unit of the mesh
 * @param samples how many lines
 * @param spacing between samples, in the unit of the mesh
 * @param thin distinct thin places, thinnest first
 * @param thick distinct thick places, thickest first
 */
public record Walls(double thinnest, double thickest, int samples, double spacing, List<Spot> thin, List<Spot> thick) {
    /** Samples on a mesh of many triangles. */
    private static final int SAMPLES = 12_000;

    private static final int BALLS = 700;
    private static final int MOST_SPOTS = 6;
    /** Places within this ratio of the extreme are named beside it. */
    private static final double ALIKE = 1.6;

    private static final double EVEN = 1.06;
    /** A ball that overlaps the surface by no more than this share of its radius touches it. */
    private static final double TOUCHING = 0.004;

    /** A place with the wall measured there. */
    public record Spot(Vec at, double wall) {}

    /** @throws IllegalArgumentException for a mesh that is not closed: it has no inside */
    public static Walls of(Solid solid, Watch watch) {
        if (!solid.isClosed()) {
            throw new IllegalArgumentException("a mesh that is not closed has no walls");
        }
        return new Sampling(solid, watch).done();
    }

    /** The wall at the middle of each triangle, no more than the thickest, for colouring; NaN where it has none. */
    public static float[] ofEach(Mesh mesh, Solid of, double thickest, Watch watch) {
        Sampling sampling = new Sampling(of, watch);
        float[] walls = new float[mesh.triangleCount()];
        for (int t = 0; t < walls.length; t++) {
            Vec normal = mesh.normal(t);
            double wall = normal.length() > 0 ? sampling.line(mesh.middle(t), normal.unit()) : Double.NaN;
            walls[t] = (float) (Double.isFinite(wall) ? Math.min(wall, thickest) : Double.NaN);
            if ((t & 4095) == 0) {
                watch.report(Watch.Step.WALLS, 0.7 + 0.3 * t / walls.length);
            }
        }
        return walls;
    }

    private static final class Sampling {
        private final Mesh mesh;
        private final Bvh tree;
        private final Watch watch;
        private final double least;
        private final double diagonal;
        private final double area;

        Sampling(Solid solid, Watch watch) {
            mesh = solid.mesh();
            this.watch = watch;
            watch.report(Watch.Step.WALLS, 0);
            tree = new Bvh(mesh);
            diagonal = solid.box().diagonal();
            least = diagonal * 1e-6;
            area = solid.area();
        }

        Walls done() {
            List<Sample> samples = samples();
            double[] through = new double[samples.size()];
            List<Spot> lines = new ArrayList<>();
            List<Spot> all = new ArrayList<>();
            Bvh.Exit[] exits = new Bvh.Exit[through.length];
            together(exits.length, 512, 0.1, 0.3, i -> exits[i] = exit(samples.get(i).at, samples.get(i).normal));
            for (int i = 0; i < through.length; i++) {
                double wall = exits[i].distance();
                if (Double.isFinite(wall)) {
                    through[i] = wall;
                    all.add(new Spot(samples.get(i).at, wall));
                    if (exits[i].squarely()) {
                        lines.add(new Spot(samples.get(i).at, wall));
                    }
                }
            }
            List<Spot> balls = balls(samples, through);
            double apart = diagonal / 12;
            // a solid of edges only, such as a tetrahedron, has no wall but its lines
            List<Spot> thin = spread(lines.isEmpty() ? all : lines, Comparator.comparingDouble(Spot::wall), apart);
            List<Spot> thick =
                    spread(balls, Comparator.comparingDouble(Spot::wall).reversed(), apart);
            double thinnest = thin.isEmpty() ? Double.NaN : thin.get(0).wall;
            // a ball is measured at other places than a line, and never counts for less than the thinnest line
            double thickest = thick.isEmpty() ? thinnest : Math.max(thinnest, thick.get(0).wall);
            return new Walls(thinnest, thickest, all.size(), Math.sqrt(area / Math.max(1, all.size())), thin, thick);
        }

        /** Work of many alike, some at once on all processors; what one does depends on no other. */
        private void together(int count, int atOnce, double from, double share, IntConsumer one) {
            for (int i = 0; i < count; i += atOnce) {
                IntStream.range(i, Math.min(count, i + atOnce)).parallel().forEach(one);
                watch.report(Watch.Step.WALLS, from + share * i / count);
            }
        }

        /** Balls where the lines are long; no ball is wider than its line, so short ones need not be tried. */
        private List<Spot> balls(List<Sample> samples, double[] lines) {
            int step = Math.max(1, samples.size() / BALLS);
            int[] tried = IntStream.iterate(0, i -> i < samples.size(), i -> i + step)
                    .filter(i -> lines[i] > 0)
                    .toArray();
            Spot[] balls = new Spot[tried.length];
            DoubleAccumulator widest = new DoubleAccumulator(Math::max, 0);
            together(tried.length, 32, 0.4, 0.3, k -> {
                double line = lines[tried[k]];
                if (line > widest.get() / ALIKE) {
                    Sample s = samples.get(tried[k]);
                    double ball = 2 * tree.ball(s.at, s.normal, line / 2, TOUCHING, least);
                    widest.accumulate(ball);
                    balls[k] = new Spot(s.at.minus(s.normal.times(ball / 2)), ball);
                }
            });
            return Arrays.stream(balls).filter(Objects::nonNull).collect(Collectors.toCollection(ArrayList::new));
        }

        private record Sample(Vec at, Vec normal) {}

        /** The middles of the triangles when they are few, and places drawn evenly over the area. */
        private List<Sample> samples() {
            List<Sample> samples = new ArrayList<>();
            boolean few = mesh.triangleCount() <= SAMPLES;
            Random chance = new Random(7);
            double every = area / SAMPLES;
            double owed = every / 2;
            for (int t = 0; t < mesh.triangleCount(); t++) {
                Vec normal = mesh.normal(t);
                double size = normal.length() / 2;
                if (!(size > 0)) {
                    continue;
                }
                Vec outward = normal.unit();
                if (few) {
                    samples.add(new Sample(mesh.middle(t), outward));
                }
                for (owed += size; owed > every; owed -= every) {
                    samples.add(new Sample(within(t, chance), outward));
                }
            }
            return samples;
        }

        private Vec within(int t, Random chance) {
            double u = chance.nextDouble();
            double v = chance.nextDouble();
            if (u + v > 1) {
                u = 1 - u;
                v = 1 - v;
            }
            Vec a = mesh.at(mesh.corner(t, 0));
            Vec b = mesh.at(mesh.corner(t, 1));
            Vec c = mesh.at(mesh.corner(t, 2));
            return a.plus(b.minus(a).times(u)).plus(c.minus(a).times(v));
        }

        double line(Vec at, Vec outward) {
            return exit(at, outward).distance();
        }

        private Bvh.Exit exit(Vec at, Vec outward) {
            return tree.out(at, outward.times(-1), least);
        }

        private static List<Spot> spread(List<Spot> from, Comparator<Spot> first, double apart) {
            List<Spot> kept = new ArrayList<>();
            from.sort(first);
            double best = from.isEmpty() ? 0 : from.get(0).wall;
            for (Spot s : from) {
                boolean alike = kept.isEmpty() || s.wall <= best * ALIKE && s.wall >= best / ALIKE;
                if (alike && kept.stream().allMatch(k -> k.at.minus(s.at).length() > apart)) {
                    kept.add(s);
                    if (kept.size() == MOST_SPOTS) {
                        break;
                    }
                }
            }
            return List.copyOf(kept);
        }
    }

    /** Whether the wall is the same all over, within six in a hundred. */
    public boolean isEven() {
        return thickest <= thinnest * EVEN;
    }
}
