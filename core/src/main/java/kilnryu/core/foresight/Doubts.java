package kilnryu.core.foresight;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import kilnryu.core.finding.Finding;
import kilnryu.core.gating.Use;
import kilnryu.core.solid.Freezing.Frozen;

/** What of a look ahead could not be judged, or was taken otherwise than drawn. */
final class Doubts {
    private static final int ACROSS = 4;
    /** Of a piece at least this share lies in its cells. */
    private static final double HELD = 0.5;
    /** The plan's volume and the mesh's may differ by so many times. */
    private static final double UNLIKE = 1.25;

    private static final List<String> OPEN =
            List.of("foresight.coarse", "foresight.no-mesh", "foresight.lost", "foresight.unlike", "foresight.no-cup");

    private final Foresight.Question q;
    private final Frozen frozen;
    private final CastCells cells;
    private final List<Finding> found = new ArrayList<>();

    Doubts(Foresight.Question q, Frozen frozen) {
        this.q = q;
        this.frozen = frozen;
        cells = q.cells();
    }

    /** Whether a finding leaves something that matters open. */
    static boolean open(String id) {
        return OPEN.stream().anyMatch(id::startsWith);
    }

    List<Finding> all() {
        never();
        noCup();
        coarse();
        shapes();
        lost();
        gaps();
        return found;
    }

    private void never() {
        if (Double.isInfinite(frozen.seconds()) && frozen.last() >= 0) {
            found.add(Finding.stop(
                    "foresight.never",
                    "gating",
                    "The metal does not freeze in this mold.",
                    "The mold takes up too little heat for so much metal.",
                    "More mold round it, or a cooler one."));
        }
    }

    private void noCup() {
        boolean alone = cells.parts().size() == 1;
        if (!alone && cells.parts().stream().noneMatch(p -> p.use() == Use.CUP)) {
            found.add(Finding.stop(
                    "foresight.no-cup",
                    "gating",
                    "There is no cup to pour into.",
                    "Where the metal comes in is guessed, so nothing is judged.",
                    "Place a cup that the rest hangs on."));
        }
    }

    private void coarse() {
        double across = q.thinnest() / cells.edge();
        if (across >= ACROSS) {
            return;
        }
        String message = Double.isNaN(across)
                ? "How many cells lie across the thinnest wall is not known."
                : String.format(
                        Locale.ROOT,
                        "%.1f cells lie across the thinnest wall of %.1f mm: thin places are not yet judged.",
                        across,
                        q.thinnest());
        found.add(Finding.note(
                "foresight.coarse",
                "gating",
                message,
                "Four are asked for times within a twentieth.",
                "Try it finer, with smaller cells."));
    }

    /** Pieces whose shape is not known, or is not that of what the plan counts. */
    private void shapes() {
        for (CastCells.Part p : cells.parts()) {
            if (p.number() == 0 && !p.shaped()) {
                found.add(Finding.note(
                        "foresight.no-mesh." + p.key(),
                        place(p),
                        p.name()
                                + " has no mesh: it is frozen as an egg of its measures. Its inside is not yet judged.",
                        "Thick and thin places decide where it goes wrong, and they are not known.",
                        "Give the piece its mesh."));
            }
            if (p.number() == 0 && Math.abs(Math.log(p.planned() / p.volume())) > Math.log(UNLIKE)) {
                found.add(Finding.note(
                        "foresight.unlike." + p.key(),
                        place(p),
                        String.format(
                                Locale.ROOT,
                                "%s has %.0f cm³ in the plan and %.0f by its mesh: the mesh is frozen, so it is not yet judged.",
                                p.name(),
                                p.planned(),
                                p.volume()),
                        "One of the two is of another piece, and thick places would be elsewhere.",
                        "Weigh it again, or give it the mesh it was made by."));
            }
        }
    }

    /** Pieces that these cells hold by less than half: thinner than a cell, or inside another. */
    private void lost() {
        int[] counts = cells.counts();
        Set<String> said = new HashSet<>();
        for (int i = 0; i < counts.length; i++) {
            CastCells.Part p = cells.parts().get(i);
            double held = counts[i] * Math.pow(cells.edge(), 3) / 1000;
            if (p.use() == Use.PIECE && held < p.volume() * HELD && said.add(p.key())) {
                found.add(Finding.note(
                        "foresight.lost." + p.key(),
                        place(p),
                        String.format(
                                Locale.ROOT,
                                "%s is not yet judged: of its %.1f cm³ only %.1f lie in these cells.",
                                p.name(),
                                p.volume(),
                                held),
                        "Its walls are thinner than a cell, or it lies inside another piece.",
                        "Try it finer; or move it."));
            }
        }
    }

    private void gaps() {
        for (CastCells.Bridge b : cells.bridged()) {
            CastCells.Part part = cells.parts().stream()
                    .filter(p -> p.key().equals(b.key()))
                    .findFirst()
                    .orElseThrow();
            found.add(Finding.note(
                    "foresight.gap." + b.key(),
                    place(part),
                    String.format(
                            Locale.ROOT,
                            "%s ends %.0f mm short of what it joins; it was taken as joined.",
                            part.name(),
                            b.gap()),
                    "As it is drawn no metal would come through.",
                    "Make it longer, or move where it joins."));
        }
    }

    private static String place(CastCells.Part p) {
        return "member." + p.key();
    }
}
