package kilnryu.app.piece;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.FindingView;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.mesh.Pockets;
import kilnryu.core.mesh.Vec;
import kilnryu.core.mesh.Walls;
import kilnryu.core.piece.MethodAdvice;
import kilnryu.core.piece.Split;
import kilnryu.core.quantity.Measure;

/**
 * A piece as its page shows it.
 *
 * @param marks places on the mesh, for the view and as a list
 * @param sides what each side up would trap
 */
public record PiecePage(
        List<FigureView> figures,
        List<FindingView> findings,
        List<MethodAdvice> advice,
        List<Way> splits,
        MaterialCard material,
        MeshStore.Row mesh,
        MeshView shape,
        List<Mark> marks,
        List<Side> sides,
        double unit,
        String silhouette) {

    /** What the handbook says of the pattern material; null when none is chosen. */
    public record MaterialCard(String name, String leaves, String residue, String caution, boolean unknown) {}

    /** Figures of a mesh in words. */
    public record MeshView(
            String triangles, String size, String bodies, String closed, String thin, String thick, String method) {}

    /** A place on the mesh: thin, thick, high or low; coordinates in the file's unit. */
    public record Mark(String kind, String words, double x, double y, double z) {}

    /** One side up: how many pockets, with which volumes. */
    public record Side(String up, String label, boolean chosen, int high, String gas, int low, String wax) {}

    /** Whole or in sections; what one is too large for, in a few words. */
    public record Way(String sections, String each, String melt, FigureView seam, FigureView hours, String over) {
        public boolean isWhole() {
            return sections.equals("whole");
        }

        public boolean isFits() {
            return over.isEmpty();
        }
    }

    private static Way way(Split split, FigureView.Maker views, Units units) {
        return new Way(
                split.sections() == 1 ? "whole" : "in " + split.sections(),
                mm(split.each(), units),
                split.melt() == 0 ? "–" : cm3(split.melt() * 1000, 1, units),
                views.of(split.seam()),
                views.of(split.hours()),
                String.join(" ", split.over()));
    }

    static PiecePage of(PieceReader.Piece piece, Optional<MeshStore.Row> mesh, Units units) {
        FigureView.Maker views =
                new FigureView.Maker(units, piece.alloy().map(Alloy::isPrecious).orElse(false));
        List<FindingView> findings = new ArrayList<>();
        piece.findings().all().forEach(f -> findings.add(FindingView.of(f, views, 0)));
        Optional<MeshStore.Row> measured = mesh.filter(m -> m.summary() != null);
        return new PiecePage(
                piece.figures().stream().map(views::of).toList(),
                findings,
                piece.advice(),
                piece.splits().stream().map(s -> way(s, views, units)).toList(),
                piece.material().map(PiecePage::card).orElse(null),
                mesh.orElse(null),
                measured.map(m -> shape(m.summary(), piece.unit(), units)).orElse(null),
                measured.map(m -> marks(m, piece.unit(), units)).orElse(List.of()),
                measured.map(m -> sides(m, piece.unit(), units)).orElse(List.of()),
                piece.unit(),
                "");
    }

    /** What nothing is said of for want of a mesh or of figures. */
    public List<String> unjudged() {
        List<String> missing = new ArrayList<>();
        if (figures.isEmpty()) {
            missing.add("volume and mass");
        }
        if (shape == null) {
            missing.add("walls, thick places and pockets (they need a mesh)");
        }
        if (material == null) {
            missing.add("how the pattern leaves the mold (its material)");
        }
        return missing;
    }

    PiecePage withSilhouette(String drawn) {
        return new PiecePage(figures, findings, advice, splits, material, mesh, shape, marks, sides, unit, drawn);
    }

    private static MaterialCard card(PatternMaterial m) {
        return new MaterialCard(m.label(), m.leaves(), m.residue(), m.caution(), m == PatternMaterial.UNKNOWN_PLASTIC);
    }

    private static MeshView shape(MeshSummary m, double unit, Units units) {
        Vec size = m.box().size();
        Optional<Walls> walls = Optional.ofNullable(m.walls());
        return new MeshView(
                String.format(Locale.ROOT, "%,d triangles", m.triangles()),
                mm(size.x() * unit, units) + " × " + mm(size.y() * unit, units) + " × " + mm(size.z() * unit, units),
                (m.bodies() == 1 ? "one body" : m.bodies() + " bodies")
                        + (m.voids() == 0
                                ? ""
                                : m.voids() == 1 ? ", one closed hollow" : ", " + m.voids() + " closed hollows"),
                m.closed() ? "closed" : m.openEdges() + " open edges",
                walls.map(w -> mm(w.thinnest() * unit, units)).orElse("–"),
                walls.map(w -> mm(w.thickest() * unit, units)).orElse("–"),
                walls.map(w -> String.format(
                                Locale.ROOT,
                                "by %,d lines straight inward, about %s apart, and by the widest ball that fits; a smaller spot between them can be missed",
                                w.samples(),
                                mm(w.spacing() * unit, units)))
                        .orElse("not measured: the mesh has no inside"));
    }

    private static List<Mark> marks(MeshStore.Row row, double unit, Units units) {
        List<Mark> marks = new ArrayList<>();
        Walls walls = row.summary().walls();
        if (walls != null && walls.isEven() && !walls.thin().isEmpty()) {
            // the same all over: said once
            marks.add(mark(
                    "thin",
                    mm(walls.thinnest() * unit, units) + " all over",
                    walls.thin().get(0).at()));
        } else if (walls != null) {
            walls.thin().forEach(s -> marks.add(mark("thin", mm(s.wall() * unit, units), s.at())));
            walls.thick().forEach(s -> marks.add(mark("thick", mm(s.wall() * unit, units), s.at())));
        }
        Pockets pockets = row.summary().sides().get(row.up());
        if (pockets != null) {
            pockets.high()
                    .forEach(p ->
                            marks.add(mark("high", pocket(p, "gas", "top: vent or feeder here", unit, units), p.at())));
            pockets.low()
                    .forEach(p -> marks.add(
                            mark("low", pocket(p, "wax", "bottom: drain or gate here", unit, units), p.at())));
        }
        return marks;
    }

    private static String pocket(Pockets.Pocket p, String what, String outermost, double unit, Units units) {
        return p.outermost() ? outermost : "holds " + cm3(p.volume(), unit, units) + " of " + what;
    }

    private static Mark mark(String kind, String words, Vec at) {
        return new Mark(kind, words, at.x(), at.y(), at.z());
    }

    private static List<Side> sides(MeshStore.Row row, double unit, Units units) {
        List<Side> sides = new ArrayList<>();
        Map<String, String> names = Map.of(
                "0 0 1",
                "as in the file",
                "0 0 -1",
                "upside down",
                "1 0 0",
                "+x up",
                "-1 0 0",
                "−x up",
                "0 1 0",
                "+y up",
                "0 -1 0",
                "−y up");
        row.summary()
                .sides()
                .forEach((up, pockets) -> sides.add(new Side(
                        up,
                        names.getOrDefault(up, "as turned"),
                        up.equals(row.up()),
                        pockets.high().size(),
                        cm3(trapped(pockets.high()), unit, units),
                        pockets.low().size(),
                        cm3(trapped(pockets.low()), unit, units))));
        return sides;
    }

    private static double trapped(List<Pockets.Pocket> pockets) {
        return pockets.stream()
                .filter(p -> !p.outermost())
                .mapToDouble(Pockets.Pocket::volume)
                .sum();
    }

    private static String mm(double value, Units units) {
        return Show.value(value, Measure.MILLIMETRE, units, false).toString();
    }

    private static String cm3(double volume, double unit, Units units) {
        return Show.value(volume * unit * unit * unit / 1000, Measure.CUBIC_CENTIMETRE, units, false)
                .toString();
    }
}
