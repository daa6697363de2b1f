package kilnryu.app.api;

import io.swagger.v3.oas.annotations.Operation;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kilnryu.core.mesh.Mesh;
import kilnryu.core.mesh.MeshReader;
import kilnryu.core.mesh.MeshUnit;
import kilnryu.core.mesh.Solid;
import kilnryu.core.mesh.UnreadableMesh;
import kilnryu.core.mesh.Walls;
import kilnryu.core.mesh.Watch;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Measures a mesh that is sent, and keeps nothing of it. */
@RestController
@RequestMapping(path = "/api/compute", produces = MediaType.APPLICATION_JSON_VALUE)
class MeshComputeController {

    /** The bounding box, mm: x, y and z. */
    record Box(List<Double> low_mm, List<Double> high_mm, List<Double> size_mm) {}

    /** What was measured; walls are null for a mesh that is not closed. */
    record Answer(Map<String, Object> figures, List<Map<String, String>> sums, List<Map<String, String>> findings) {}

    @Operation(
            summary =
                    "Volume, area, box and walls of a mesh: STL, OBJ or 3MF as multipart field mesh; unit mm unless said")
    @PostMapping(path = "/mesh", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    Answer mesh(@RequestParam MultipartFile mesh, @RequestParam(defaultValue = "") String unit) throws IOException {
        if (!unit.isEmpty() && MeshUnit.named(unit).isEmpty()) {
            throw new Impossible(Map.of("unit", "One of mm, cm, m, in, ft, micron."));
        }
        String name = mesh.getOriginalFilename() == null ? "" : mesh.getOriginalFilename();
        try (InputStream in = mesh.getInputStream()) {
            Mesh read = MeshReader.read(in, name, mesh.getSize(), Watch.NONE);
            MeshUnit used = MeshUnit.named(unit).or(read::statedUnit).orElse(MeshUnit.MILLIMETRE);
            return answer(Solid.of(read, Watch.NONE), used.millimetres());
        } catch (UnreadableMesh e) {
            throw new Impossible(Map.of("mesh", e.getMessage()));
        }
    }

    private static Answer answer(Solid solid, double mm) {
        Map<String, Object> figures = new LinkedHashMap<>();
        boolean closed = solid.isClosed();
        figures.put("volume_cm3", closed ? solid.volume() * mm * mm * mm / 1000 : null);
        figures.put("area_cm2", solid.area() * mm * mm / 100);
        figures.put("box", box(solid, mm));
        figures.put("open_edges", solid.openEdges());
        Walls walls = closed && !solid.overlapping() ? Walls.of(solid, Watch.NONE) : null;
        figures.put("min_wall_mm", walls == null ? null : walls.thinnest() * mm);
        figures.put("max_wall_mm", walls == null ? null : walls.thickest() * mm);
        figures.put("triangles", solid.mesh().triangleCount());
        figures.put("bodies", solid.bodies().size());
        figures.put("flipped", solid.flipped());
        figures.put("crowded_edges", solid.crowdedEdges());
        figures.put("overlapping", solid.overlapping());
        figures.put("apart_cm3", closed ? solid.apart() * mm * mm * mm / 1000 : null);
        List<Map<String, String>> found = findings(solid);
        if (closed && solid.overlapping()) {
            found.add(overlap(solid, mm * mm * mm / 1000));
        }
        return new Answer(figures, List.of(), found);
    }

    private static Box box(Solid solid, double mm) {
        var low = solid.box().low().times(mm);
        var high = solid.box().high().times(mm);
        var size = solid.box().size().times(mm);
        return new Box(
                List.of(low.x(), low.y(), low.z()),
                List.of(high.x(), high.y(), high.z()),
                List.of(size.x(), size.y(), size.z()));
    }

    private static Map<String, String> overlap(Solid solid, double cm3) {
        return Map.of(
                "id",
                solid.doubtful() ? "mesh-doubtful" : "mesh-overlap",
                "severity",
                "warn",
                "message",
                String.format(
                        java.util.Locale.ROOT,
                        solid.doubtful()
                                ? "Its faces do not say what is inside: together %.4g cm³, one by one %.4g cm³."
                                : "Bodies overlap, repeat or overlap: together %.4g cm³, one by one %.4g cm³.",
                        solid.volume() * cm3,
                        solid.apart() * cm3),
                "remedy",
                "Unite the bodies in the program that made the file; turn one inward that is meant as a hollow.");
    }

    private static List<Map<String, String>> findings(Solid solid) {
        List<Map<String, String>> found = new ArrayList<>();
        if (!solid.isClosed()) {
            found.add(Map.of(
                    "id", "mesh-open",
                    "severity", "warn",
                    "message",
                            "The mesh is not closed: " + solid.openEdges()
                                    + " open edges; volume and walls are left out.",
                    "remedy", "Close it in the program that made it."));
        }
        if (solid.flipped() > 0) {
            found.add(Map.of(
                    "id", "mesh-flipped",
                    "severity", "note",
                    "message", solid.flipped() + " faces were turned outward.",
                    "remedy", "Nothing to do; figures are of the mended mesh."));
        }
        return found;
    }
}
