package kilnryu.core.mesh;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.jspecify.annotations.Nullable;

/**
 * 3MF: a zip package with a model in XML. Objects, components and the items to build are taken, with their places;
 * colours and settings are passed over. Entities and document types are not read, names that leave the package are
 * refused, and what is unpacked has a limit.
 */
final class ThreeMfReader {
    private static final long MOST_UNPACKED = 1_500_000_000L;
    private static final long MOST_TIMES_LARGER = 400;
    private static final int MOST_ENTRIES = 5_000;
    private static final int DEEPEST = 20;
    private static final int MOST_PLACED = 20_000;
    private static final double[] IN_PLACE = {1, 0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0};

    private final long packed;
    private final Watch watch;
    private final MeshBuilder builder = new MeshBuilder();
    private final Map<String, Body> bodies = new HashMap<>();
    private final List<Use> items = new ArrayList<>();
    private long unpacked;
    private int placed;
    private long held;

    private ThreeMfReader(long packed, Watch watch) {
        this.packed = packed;
        this.watch = watch;
    }

    static Mesh read(InputStream in, long length, Watch watch) throws IOException {
        return new ThreeMfReader(length, watch).read(in);
    }

    private Mesh read(InputStream in) throws IOException {
        ZipInputStream zip = new ZipInputStream(in);
        int entries = 0;
        boolean model = false;
        for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
            if (++entries > MOST_ENTRIES) {
                throw new UnreadableMesh("The package holds more than 5,000 files: this is no 3MF of one piece.");
            }
            String path = path(entry.getName());
            InputStream limited = new Limited(zip);
            if (path.toLowerCase(Locale.ROOT).endsWith(".model")) {
                model = true;
                model(limited, path);
            } else {
                limited.skip(Long.MAX_VALUE);
            }
        }
        if (!model) {
            throw new UnreadableMesh("The zip package holds no 3D model: it is no 3MF.");
        }
        if (items.isEmpty()) {
            throw new UnreadableMesh("The 3MF has no item to build: its plate is empty.");
        }
        for (Use item : items) {
            place(item, IN_PLACE, 0);
        }
        return builder.done();
    }

    private static String path(String name) {
        String path = name.replace('\\', '/');
        if (path.startsWith("/") || path.contains("../") || path.endsWith("..") || path.contains(":")) {
            throw new UnreadableMesh("The package holds a name that leads out of it. It is not opened.");
        }
        return "/" + path;
    }

    /** One object: its own triangles, or others put together. */
    private static final class Body {
        private double[] corners = new double[3 << 8];
        private int cornerCount;
        private int[] triangles = new int[3 << 8];
        private int triangleCount;
        private boolean isSupport;
        private final List<Use> components = new ArrayList<>();

        void corner(double x, double y, double z) {
            if (3 * cornerCount + 3 > corners.length) {
                corners = Arrays.copyOf(corners, corners.length * 2);
            }
            corners[3 * cornerCount] = x;
            corners[3 * cornerCount + 1] = y;
            corners[3 * cornerCount + 2] = z;
            cornerCount++;
        }

        void triangle(int a, int b, int c) {
            if (3 * triangleCount + 3 > triangles.length) {
                triangles = Arrays.copyOf(triangles, triangles.length * 2);
            }
            triangles[3 * triangleCount] = a;
            triangles[3 * triangleCount + 1] = b;
            triangles[3 * triangleCount + 2] = c;
            triangleCount++;
        }
    }

    private record Use(String body, double[] transform) {}

    private void model(InputStream in, String path) {
        XMLInputFactory factory = XMLInputFactory.newInstance();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        try {
            XMLStreamReader xml = factory.createXMLStreamReader(new Unclosed(in));
            @Nullable Body body = null;
            while (xml.hasNext()) {
                int event = xml.next();
                if (event == XMLStreamConstants.DTD || event == XMLStreamConstants.ENTITY_REFERENCE) {
                    throw new UnreadableMesh("The model declares a document type or entities, which 3MF does not have. "
                            + "It is not opened.");
                }
                if (event == XMLStreamConstants.START_ELEMENT) {
                    body = element(xml, path, body);
                }
            }
        } catch (XMLStreamException e) {
            for (Throwable cause = e; cause != null; cause = cause.getCause()) {
                if (cause instanceof UnreadableMesh known) {
                    throw known;
                }
            }
            throw new UnreadableMesh(
                    "The model in the package is damaged at line "
                            + (e.getLocation() == null ? "?" : e.getLocation().getLineNumber()) + ".",
                    e);
        }
    }

    private @Nullable Body element(XMLStreamReader xml, String path, @Nullable Body body) {
        switch (xml.getLocalName()) {
            case "model" -> unit(xml.getAttributeValue(null, "unit"));
            case "object" -> {
                Body made = new Body();
                made.isSupport = "support".equals(xml.getAttributeValue(null, "type"));
                bodies.put(path + "#" + wanted(xml, "id"), made);
                return made;
            }
            case "vertex" -> held(inside(xml, body)).corner(number(xml, "x"), number(xml, "y"), number(xml, "z"));
            case "triangle" -> held(inside(xml, body)).triangle(whole(xml, "v1"), whole(xml, "v2"), whole(xml, "v3"));
            case "component" -> inside(xml, body).components.add(use(xml, path));
            case "item" -> items.add(use(xml, path));
            default -> {
                // colours, settings and whatever else a package carries
            }
        }
        return body;
    }

    private void unit(String stated) {
        String name = stated == null ? "millimeter" : stated;
        MeshUnit unit = switch (name) {
            case "micron" -> MeshUnit.MICRON;
            case "millimeter" -> MeshUnit.MILLIMETRE;
            case "centimeter" -> MeshUnit.CENTIMETRE;
            case "inch" -> MeshUnit.INCH;
            case "foot" -> MeshUnit.FOOT;
            case "meter" -> MeshUnit.METRE;
            default -> throw new UnreadableMesh("The 3MF is in a unit that is not known here.");
        };
        builder.unit(unit);
    }

    /** Bounds what all objects hold together, whether they are built or not. */
    private Body held(Body body) {
        if (++held > 2L * MeshBuilder.MOST_TRIANGLES) {
            throw new UnreadableMesh("More than 5,000,000 triangles: reduce the mesh first, then try again.");
        }
        return body;
    }

    private static Body inside(XMLStreamReader xml, @Nullable Body body) {
        if (body == null) {
            throw new UnreadableMesh(line(xml) + "a " + xml.getLocalName() + " outside of any object.");
        }
        return body;
    }

    private static Use use(XMLStreamReader xml, String path) {
        String other = null;
        for (int i = 0; i < xml.getAttributeCount(); i++) {
            if (xml.getAttributeLocalName(i).equals("path")) {
                other = xml.getAttributeValue(i);
            }
        }
        String transform = xml.getAttributeValue(null, "transform");
        return new Use(
                (other == null ? path : path(other.replaceFirst("^/", ""))) + "#" + wanted(xml, "objectid"),
                transform == null ? IN_PLACE : transform(xml, transform));
    }

    private static double[] transform(XMLStreamReader xml, String text) {
        String[] words = text.strip().split("\\s+");
        if (words.length != 12) {
            throw new UnreadableMesh(line(xml) + "a transform has twelve numbers.");
        }
        return Arrays.stream(words).mapToDouble(w -> parsed(xml, w)).toArray();
    }

    private static double number(XMLStreamReader xml, String name) {
        return parsed(xml, wanted(xml, name));
    }

    private static double parsed(XMLStreamReader xml, String text) {
        try {
            double value = Double.parseDouble(text);
            if (Double.isFinite(value)) {
                return value;
            }
        } catch (NumberFormatException e) {
            throw new UnreadableMesh(line(xml) + "\"" + shortened(text) + "\" is not a number.", e);
        }
        throw new UnreadableMesh(line(xml) + "a coordinate is not a number.");
    }

    private static int whole(XMLStreamReader xml, String name) {
        try {
            return Integer.parseInt(wanted(xml, name));
        } catch (NumberFormatException e) {
            throw new UnreadableMesh(line(xml) + "a corner's number is not a whole number.", e);
        }
    }

    private static String wanted(XMLStreamReader xml, String name) {
        String value = xml.getAttributeValue(null, name);
        if (value == null) {
            throw new UnreadableMesh(line(xml) + xml.getLocalName() + " lacks its " + name + ".");
        }
        return value;
    }

    private static String line(XMLStreamReader xml) {
        return "Line " + xml.getLocation().getLineNumber() + " of the model: ";
    }

    private static String shortened(String text) {
        return text.length() > 40 ? text.substring(0, 40) + "…" : text;
    }

    private void place(Use use, double[] outer, int depth) {
        Body body = bodies.get(use.body);
        if (body == null) {
            throw new UnreadableMesh("The 3MF builds an object that is not in it.");
        }
        if (depth > DEEPEST || ++placed > MOST_PLACED) {
            throw new UnreadableMesh("The 3MF's objects contain each other without end, or far too often.");
        }
        if (body.isSupport) {
            return;
        }
        double[] to = times(use.transform, outer);
        int[] corners = new int[body.cornerCount];
        for (int i = 0; i < corners.length; i++) {
            corners[i] = joined(body.corners, 3 * i, to);
        }
        boolean mirrored = mirrored(to);
        for (int t = 0; t < body.triangleCount; t++) {
            int a = known(body.triangles[3 * t], corners);
            int b = known(body.triangles[3 * t + 1], corners);
            int c = known(body.triangles[3 * t + 2], corners);
            builder.triangle(a, mirrored ? c : b, mirrored ? b : c);
        }
        for (Use component : body.components) {
            place(component, to, depth + 1);
        }
    }

    private static int known(int corner, int[] corners) {
        if (corner < 0 || corner >= corners.length) {
            throw new UnreadableMesh("A triangle names corner " + corner + ", but only " + corners.length
                    + " are there: the file is damaged.");
        }
        return corners[corner];
    }

    private int joined(double[] from, int at, double[] m) {
        double x = from[at];
        double y = from[at + 1];
        double z = from[at + 2];
        return builder.joined(
                (float) (x * m[0] + y * m[3] + z * m[6] + m[9]),
                (float) (x * m[1] + y * m[4] + z * m[7] + m[10]),
                (float) (x * m[2] + y * m[5] + z * m[8] + m[11]));
    }

    /** First a, then b; rows as 3MF writes them. */
    private static double[] times(double[] a, double[] b) {
        double[] m = new double[12];
        for (int row = 0; row < 4; row++) {
            for (int column = 0; column < 3; column++) {
                double sum = row == 3 ? b[9 + column] : 0;
                for (int k = 0; k < 3; k++) {
                    sum += a[3 * row + k] * b[3 * k + column];
                }
                m[3 * row + column] = sum;
            }
        }
        return m;
    }

    private static boolean mirrored(double[] m) {
        return new Vec(m[0], m[1], m[2]).dot(new Vec(m[3], m[4], m[5]).cross(new Vec(m[6], m[7], m[8]))) < 0;
    }

    /** Keeps the XML reader from closing the package. */
    private static final class Unclosed extends java.io.FilterInputStream {
        Unclosed(InputStream in) {
            super(in);
        }

        @Override
        public void close() {
            // the package goes on
        }
    }

    /** Counts what comes out of the package, all files together, and reports how far it has come. */
    private final class Limited extends InputStream {
        private final InputStream in;
        private long reported;

        Limited(InputStream in) {
            this.in = in;
        }

        @Override
        public int read() throws IOException {
            int next = in.read();
            count(next < 0 ? 0 : 1);
            return next;
        }

        @Override
        public int read(byte[] into, int from, int most) throws IOException {
            int got = in.read(into, from, most);
            count(Math.max(got, 0));
            return got;
        }

        @Override
        public long skip(long most) throws IOException {
            byte[] block = new byte[1 << 13];
            long skipped = 0;
            for (int got = read(block, 0, block.length); got >= 0; got = read(block, 0, block.length)) {
                skipped += got;
            }
            return skipped;
        }

        private void count(int more) {
            unpacked += more;
            boolean bomb = packed > 0 && unpacked > 50_000_000 && unpacked / packed > MOST_TIMES_LARGER;
            if (bomb || unpacked > MOST_UNPACKED) {
                throw new UnreadableMesh("The package unpacks to far more than a mesh needs. It is not opened.");
            }
            if (unpacked - reported > 1 << 20) {
                reported = unpacked;
                watch.report(Watch.Step.READ, Double.NaN);
            }
        }
    }
}
