package kilnryu.app.piece;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import kilnryu.core.finding.Finding;

/** What stands against a mesh itself. */
final class MeshFindings {
    private MeshFindings() {}

    static void of(Optional<MeshSummary> mesh, double unit, boolean unitKnown, List<Finding> found) {
        if (mesh.isEmpty()) {
            return;
        }
        MeshSummary m = mesh.get();
        if (!m.closed()) {
            open(m, found);
        }
        if (m.flipped() > 0) {
            found.add(Finding.note(
                    "mesh-flipped",
                    "mesh",
                    m.flipped() == m.triangles()
                            ? "All faces looked inward; they were turned."
                            : m.flipped() + " faces looked inward; they were turned.",
                    "Volume counts only where faces look outward.",
                    "Nothing to do; figures are of the mended mesh. The file itself is unchanged."));
        }
        if (m.overlapping()) {
            found.add(overlap(m, unit));
        } else if (m.crowdedEdges() > 0) {
            found.add(Finding.note(
                    "mesh-crowded",
                    "mesh",
                    m.crowdedEdges() + " edges belong to more than two faces.",
                    "Bodies share faces there; together they enclose what they hold one by one.",
                    "Nothing to do for the volume."));
        }
        double longest = mesh.map(x -> x.box().size())
                        .map(s -> Math.max(s.x(), Math.max(s.y(), s.z())))
                        .orElse(0.0)
                * unit;
        if (!unitKnown && (longest < 8 || longest > 1500)) {
            found.add(Finding.warn(
                    "mesh-unit",
                    "mesh_unit",
                    String.format(Locale.ROOT, "In millimetres the piece would be %.4g mm long.", longest),
                    "The file does not say its unit; STL and OBJ cannot.",
                    longest < 8
                            ? "Is it in inches or centimetres? Say so below the mesh."
                            : "Is it in micron? Say so below the mesh."));
        }
    }

    private static Finding overlap(MeshSummary m, double unit) {
        double cm3 = unit * unit * unit / 1000;
        String both =
                String.format(Locale.ROOT, "together %.4g cm³, one by one %.4g cm³", m.volume() * cm3, m.apart() * cm3);
        return Finding.warn(
                m.doubtful() ? "mesh-doubtful" : "mesh-overlap",
                "mesh",
                m.doubtful()
                        ? "Its faces do not say what is inside: " + both + "."
                        : "Bodies overlap, repeat or overlap: " + both + ".",
                m.doubtful()
                        ? "The metal may be off by the difference; walls are not judged."
                        : "What they share is counted once, as metal is; walls are not judged across them.",
                m.doubtful()
                        ? "Unite the bodies in the program that made the file, or measure the water it lifts."
                        : "If one is meant as a hollow, turn its faces inward there; else nothing to do.");
    }

    private static void open(MeshSummary m, List<Finding> found) {
        String where = m.gaps().stream()
                .limit(3)
                .map(g -> String.format(
                        Locale.ROOT,
                        "%d edges near %.1f, %.1f, %.1f",
                        g.edges(),
                        g.middle().x(),
                        g.middle().y(),
                        g.middle().z()))
                .collect(Collectors.joining("; "));
        found.add(Finding.warn(
                "mesh-open",
                "mesh",
                m.twisted()
                        ? "The surface is twisted into itself: it has no inside."
                        : "The mesh is not closed: " + m.openEdges() + " open edges (" + where + ").",
                "Without an inside there is no volume, no wall and no pocket to be measured.",
                "Close it in the program that made it, or measure the volume by the water it lifts."));
    }
}
