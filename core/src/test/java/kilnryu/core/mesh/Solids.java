package kilnryu.core.mesh;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Exact solids made of triangles, and files of them as casters bring them. */
public final class Solids {
    private final List<double[][]> triangles = new ArrayList<>();

    public static Solids box(double x, double y, double z, double wide, double deep, double tall) {
        Solids made = new Solids();
        double[][] c = new double[8][];
        for (int i = 0; i < 8; i++) {
            c[i] = new double[] {x + (i & 1) * wide, y + (i >> 1 & 1) * deep, z + (i >> 2) * tall};
        }
        int[][] faces = {{0, 2, 3, 1}, {4, 5, 7, 6}, {0, 1, 5, 4}, {2, 6, 7, 3}, {0, 4, 6, 2}, {1, 3, 7, 5}};
        for (int[] f : faces) {
            made.add(c[f[0]], c[f[1]], c[f[2]]);
            made.add(c[f[0]], c[f[2]], c[f[3]]);
        }
        return made;
    }

    /** A torus round the upright axis: {@code round} quads along the ring, {@code across} round the tube. */
    public static Solids torus(double ring, double tube, int round, int across) {
        Solids made = new Solids();
        for (int i = 0; i < round; i++) {
            for (int j = 0; j < across; j++) {
                double[] a = onTorus(ring, tube, i, j, round, across);
                double[] b = onTorus(ring, tube, i + 1, j, round, across);
                double[] c = onTorus(ring, tube, i + 1, j + 1, round, across);
                double[] d = onTorus(ring, tube, i, j + 1, round, across);
                made.add(a, b, c);
                made.add(a, c, d);
            }
        }
        return made;
    }

    private static double[] onTorus(double ring, double tube, int i, int j, int round, int across) {
        double u = 2 * Math.PI * (i % round) / round;
        double v = 2 * Math.PI * (j % across) / across;
        double r = ring + tube * Math.cos(v);
        return new double[] {r * Math.cos(u), r * Math.sin(u), tube * Math.sin(v)};
    }

    /** An octahedron divided again and again, its corners on the sphere. */
    public static Solids sphere(double radius, int divisions) {
        double[][] p = {{1, 0, 0}, {-1, 0, 0}, {0, 1, 0}, {0, -1, 0}, {0, 0, 1}, {0, 0, -1}};
        int[][] faces = {{0, 2, 4}, {2, 1, 4}, {1, 3, 4}, {3, 0, 4}, {2, 0, 5}, {1, 2, 5}, {3, 1, 5}, {0, 3, 5}};
        Solids made = new Solids();
        for (int[] f : faces) {
            divide(made, p[f[0]], p[f[1]], p[f[2]], divisions);
        }
        return made.scaled(radius);
    }

    private static void divide(Solids to, double[] a, double[] b, double[] c, int more) {
        if (more == 0) {
            to.add(a, b, c);
            return;
        }
        double[] ab = onSphere(a, b);
        double[] bc = onSphere(b, c);
        double[] ca = onSphere(c, a);
        divide(to, a, ab, ca, more - 1);
        divide(to, ab, b, bc, more - 1);
        divide(to, ca, bc, c, more - 1);
        divide(to, ab, bc, ca, more - 1);
    }

    private static double[] onSphere(double[] a, double[] b) {
        double[] m = {a[0] + b[0], a[1] + b[1], a[2] + b[2]};
        double length = Math.sqrt(m[0] * m[0] + m[1] * m[1] + m[2] * m[2]);
        return new double[] {m[0] / length, m[1] / length, m[2] / length};
    }

    public Solids add(double[] a, double[] b, double[] c) {
        triangles.add(new double[][] {a, b, c});
        return this;
    }

    public Solids and(Solids other) {
        triangles.addAll(other.triangles);
        return this;
    }

    public Solids scaled(double f) {
        return changed(p -> new double[] {p[0] * f, p[1] * f, p[2] * f});
    }

    public Solids moved(double x, double y, double z) {
        return changed(p -> new double[] {p[0] + x, p[1] + y, p[2] + z});
    }

    private Solids changed(java.util.function.UnaryOperator<double[]> how) {
        Solids made = new Solids();
        triangles.forEach(t -> made.add(how.apply(t[0]), how.apply(t[1]), how.apply(t[2])));
        return made;
    }

    /** Turns over the triangles from one number to before another. */
    public Solids turnedOver(int from, int to) {
        Solids made = new Solids();
        for (int i = 0; i < triangles.size(); i++) {
            double[][] t = triangles.get(i);
            boolean over = i >= from && i < to;
            made.add(t[0], over ? t[2] : t[1], over ? t[1] : t[2]);
        }
        return made;
    }

    public Solids without(int triangle) {
        triangles.remove(triangle);
        return this;
    }

    public Solids only(int triangle) {
        double[][] t = triangles.get(triangle);
        return new Solids().add(t[0], t[1], t[2]);
    }

    public int count() {
        return triangles.size();
    }

    public byte[] binaryStl() {
        ByteBuffer out = ByteBuffer.allocate(84 + 50 * triangles.size()).order(ByteOrder.LITTLE_ENDIAN);
        out.position(80);
        out.putInt(triangles.size());
        for (double[][] t : triangles) {
            out.putFloat(0).putFloat(0).putFloat(0);
            for (double[] p : t) {
                out.putFloat((float) p[0]).putFloat((float) p[1]).putFloat((float) p[2]);
            }
            out.putShort((short) 0);
        }
        return out.array();
    }

    public byte[] textStl() {
        StringBuilder out = new StringBuilder("solid piece\n");
        for (double[][] t : triangles) {
            out.append(" facet normal 0 0 0\n  outer loop\n");
            for (double[] p : t) {
                out.append(String.format(Locale.ROOT, "   vertex %.7e %.7f %s\n", p[0], p[1], p[2]));
            }
            out.append("  endloop\n endfacet\n");
        }
        return out.append("endsolid piece\n").toString().getBytes(StandardCharsets.US_ASCII);
    }

    public byte[] obj() {
        StringBuilder out = new StringBuilder("# a piece\no piece\n");
        int n = 0;
        for (double[][] t : triangles) {
            for (double[] p : t) {
                out.append("v ")
                        .append(p[0])
                        .append(' ')
                        .append(p[1])
                        .append(' ')
                        .append(p[2])
                        .append('\n');
            }
            out.append("f ")
                    .append(++n)
                    .append("//1 ")
                    .append(++n)
                    .append("//1 ")
                    .append(++n)
                    .append("//1\n");
        }
        return out.toString().getBytes(StandardCharsets.US_ASCII);
    }

    public byte[] threeMf(String unit, String transform) {
        StringBuilder xml = new StringBuilder(
                "<?xml version=\"1.0\"?><model unit=\"" + unit + "\"><resources><object id=\"1\"><mesh><vertices>");
        StringBuilder faces = new StringBuilder();
        int n = 0;
        for (double[][] t : triangles) {
            for (double[] p : t) {
                xml.append("<vertex x=\"" + p[0] + "\" y=\"" + p[1] + "\" z=\"" + p[2] + "\"/>");
            }
            faces.append("<triangle v1=\"" + n++ + "\" v2=\"" + n++ + "\" v3=\"" + n++ + "\"/>");
        }
        xml.append("</vertices><triangles>").append(faces);
        xml.append("</triangles></mesh></object></resources><build><item objectid=\"1\" transform=\"" + transform
                + "\"/></build></model>");
        return zipped("3D/3dmodel.model", xml.toString().getBytes(StandardCharsets.UTF_8));
    }

    public static byte[] zipped(String name, byte[] content) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry(name));
            zip.write(content);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    /** Read as a caster's file would be. */
    public Mesh mesh() {
        return read(binaryStl(), "piece.stl");
    }

    public Solid solid() {
        return Solid.of(mesh(), Watch.NONE);
    }

    public static Mesh read(byte[] file, String name) {
        try {
            return MeshReader.read(new ByteArrayInputStream(file), name, file.length, Watch.NONE);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
