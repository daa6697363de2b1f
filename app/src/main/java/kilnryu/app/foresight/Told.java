package kilnryu.app.foresight;

import java.util.List;
import java.util.Locale;
import kilnryu.core.foresight.CastCells;
import kilnryu.core.foresight.Foresight;
import kilnryu.core.foresight.Trouble;
import kilnryu.core.mesh.Vec;

/**
 * What a look ahead told, as it is kept: it stays readable whatever the sums become.
 *
 * @param cells in all
 * @param edge of one, mm
 * @param thinnest wall that matters, mm; not a number where none is known
 * @param judged whether nothing that matters was left out
 * @param last where the last of it is solid, in words
 * @param notes all findings, those that are marks among them
 */
public record Told(
        int cells,
        double edge,
        double thinnest,
        double fill,
        double seconds,
        double pourC,
        double moldC,
        boolean judged,
        String last,
        double lastX,
        double lastY,
        double lastZ,
        List<Mark> marks,
        List<Piece> parts,
        List<Note> notes) {
    private static final List<String> MARKS = List.of("pool", "sunk", "air", "stop");

    /** A numbered mark. */
    public record Mark(
            int number,
            String kind,
            String severity,
            double x,
            double y,
            double z,
            String key,
            int others,
            double volume,
            double percent,
            String title,
            String says,
            List<Help> helps) {
        /** That lacks metal inside, or where a level sank. */
        public boolean lacks() {
            return kind.equals("POOL") || kind.equals("SUNK");
        }

        public boolean grave() {
            return !severity.equals("note");
        }

        /** Its share of the casting, as it is said. */
        public String share() {
            return String.format(
                    Locale.ROOT, percent < 0.1 ? "under 0.1 %% of the piece" : "%.1f %% of the piece", percent);
        }
    }

    /** A change that would help. */
    public record Help(String words, String code) {}

    /** A part as it stands in the cells. */
    public record Piece(String key, String name, String use, int number) {}

    /** A finding as it was told. */
    public record Note(String id, String severity, String place, String message, String reason, String remedy) {
        public Note {
            // what was kept before findings said their place
            place = place == null ? "gating" : place;
        }

        /** Whether it stands as a mark in the cut too. */
        boolean marked() {
            return MARKS.stream().anyMatch(kind -> id.startsWith("foresight." + kind + "."));
        }
    }

    /** What could not be judged, and what was taken otherwise than drawn. */
    public List<Note> besides() {
        return notes.stream().filter(n -> !n.marked()).toList();
    }

    static Told of(Foresight f, Foresight.Question q) {
        Vec last = f.lastPlace().orElse(new Vec(0, 0, 0));
        return new Told(
                f.cells().grid().cells(),
                f.cells().edge(),
                Double.isNaN(f.thinnest()) ? 0 : f.thinnest(),
                f.filled().seconds(),
                f.frozen().seconds(),
                q.pourC(),
                q.moldC(),
                f.judged(),
                f.frozen().last() < 0
                        ? "nothing"
                        : f.cells().of(f.frozen().last()).name(),
                last.x(),
                last.y(),
                last.z(),
                f.troubles().stream().map(Told::mark).toList(),
                f.cells().parts().stream().map(Told::piece).toList(),
                f.findings().all().stream()
                        .map(n -> new Note(
                                n.id(), severity(n.severity()), n.place(), n.message(), n.reason(), n.remedy()))
                        .toList());
    }

    private static String severity(kilnryu.core.finding.Severity severity) {
        return severity.name().toLowerCase(Locale.ROOT);
    }

    private static Mark mark(Trouble t) {
        return new Mark(
                t.number(),
                t.kind().name(),
                severity(t.severity()),
                t.at().x(),
                t.at().y(),
                t.at().z(),
                t.key(),
                t.others(),
                t.volume(),
                t.percent(),
                t.title(),
                t.says(),
                t.helps().stream().map(h -> new Help(h.words(), h.code())).toList());
    }

    private static Piece piece(CastCells.Part part) {
        return new Piece(part.key(), part.name(), part.use().key(), part.number());
    }

    /** cm3 that lack in castings by hollows and sinking. */
    public double lacks() {
        return marks.stream().filter(Mark::lacks).mapToDouble(Mark::volume).sum();
    }

    /** cm3 of shut air, and of what metal does not reach. */
    public double unfilled() {
        return marks.stream().filter(m -> !m.lacks()).mapToDouble(Mark::volume).sum();
    }

    public boolean everSolid() {
        return Double.isFinite(seconds);
    }
}
