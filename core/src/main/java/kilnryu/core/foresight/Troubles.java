package kilnryu.core.foresight;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import kilnryu.core.finding.Severity;
import kilnryu.core.foresight.Foresight.Question;
import kilnryu.core.gating.Use;
import kilnryu.core.solid.Freezing;
import kilnryu.core.solid.Freezing.Frozen;
import kilnryu.core.solid.Inflow;
import kilnryu.core.solid.Pools;

/** What of a filled and frozen tree goes wrong in its castings, in words. */
final class Troubles {
    /** Less is not worth a mark: cm3, or percent of the casting. */
    private static final double LEAST_CM3 = 0.01;

    private static final double LEAST_PERCENT = 0.05;
    private static final int MOST = 40;

    private final Question q;
    private final CastCells cells;
    private final Inflow.Filled filled;
    private final Frozen frozen;
    private final Pools.Found pools;
    private final int[] counts;
    private final List<Trouble> found = new ArrayList<>();

    Troubles(Question q, Inflow.Filled filled, Frozen frozen, Pools.Found pools) {
        this.q = q;
        cells = q.cells();
        this.filled = filled;
        this.frozen = frozen;
        this.pools = pools;
        counts = cells.counts();
    }

    List<Trouble> all() {
        double[] depth = null;
        double[] lacks = new double[counts.length];
        for (Pools.Pool p : pools.pools()) {
            if (!p.fed() && inPiece(p.last())) {
                lacks[cells.part()[p.last()]] += p.shrinks() * 1e6 * cells.volumeShare();
            }
        }
        for (Pools.Pool p : pools.pools()) {
            if (!p.fed() && inPiece(p.last())) {
                depth = depth == null ? Distance.squared(cells.grid(), i -> cells.kind()[i] != Freezing.BODY) : depth;
                pool(p, depth, lacks[cells.part()[p.last()]]);
            }
        }
        sunk();
        filled.pockets().forEach(this::pocket);
        filled.stops().forEach(this::stop);
        return numbered();
    }

    /** The gravest first; castings alike with the like trouble are said once. */
    private List<Trouble> numbered() {
        found.sort(Comparator.comparing(Trouble::severity)
                .thenComparing(Comparator.comparingDouble(Trouble::percent).reversed()));
        Map<String, Integer> alike = new HashMap<>();
        List<Trouble> kept = new ArrayList<>();
        for (Trouble t : found) {
            String like = t.kind() + " " + t.key() + " " + t.severity();
            int at = alike.getOrDefault(like, -1);
            boolean many =
                    cells.parts().stream().filter(p -> p.key().equals(t.key())).count() > 1;
            if (at >= 0 && many) {
                Trouble first = kept.get(at);
                kept.set(
                        at,
                        new Trouble(
                                0,
                                first.kind(),
                                first.severity(),
                                first.at(),
                                first.key(),
                                first.others() + 1,
                                first.volume() + t.volume(),
                                first.percent(),
                                first.title(),
                                first.says(),
                                first.helps()));
            } else if (kept.size() < MOST) {
                alike.put(like, kept.size());
                kept.add(t);
            }
        }
        List<Trouble> numbered = new ArrayList<>();
        for (Trouble t : kept) {
            numbered.add(t.numbered(numbered.size() + 1));
        }
        return numbered;
    }

    private boolean inPiece(int cell) {
        return cells.part()[cell] >= 0 && cells.of(cell).use() == Use.PIECE;
    }

    private double percent(double cm3, int cell) {
        return 100 * cm3 / (counts[cells.part()[cell]] * cells.cell());
    }

    private String name(int cell) {
        CastCells.Part part = cells.of(cell);
        boolean many =
                cells.parts().stream().filter(p -> p.key().equals(part.key())).count() > 1;
        return many ? part.name() + " " + (part.number() + 1) : part.name();
    }

    private void pool(Pools.Pool p, double[] depth, double inAll) {
        double lacks = p.shrinks() * 1e6 * cells.volumeShare();
        double percent = percent(lacks, p.last());
        if (lacks < LEAST_CM3 && percent < LEAST_PERCENT) {
            return;
        }
        boolean through = touchesMold(p);
        double all = percent(inAll, p.last());
        Severity severity = all > q.stopPercent() || through && all > q.warnPercent()
                ? Severity.STOP
                : all > q.warnPercent() ? Severity.WARN : Severity.NOTE;
        String says = String.format(
                Locale.ROOT,
                "%s%.1f cm³ are left alone at %s and liquid till %s. What they shrink by lacks %s, %.0f mm under the rim.",
                neck(p),
                p.liquid() * 1e6 * cells.volumeShare(),
                minutes(p.shut()),
                minutes(frozen.solidAt()[p.last()]),
                through ? "at the face" : "inside",
                -cells.middle(p.last()).z());
        found.add(new Trouble(
                0,
                Trouble.Kind.POOL,
                severity,
                cells.middle(p.last()),
                cells.of(p.last()).key(),
                0,
                lacks,
                percent,
                String.format(Locale.ROOT, "Pool in %s, %s", name(p.last()), volume(lacks)),
                says,
                new Helps(cells).feeds(p, thickest(p, depth), lacks)));
    }

    /** From the deepest place of a pool to the nearest face, mm. */
    private double thickest(Pools.Pool p, double[] depth) {
        double most = 0;
        for (int c : p.cells()) {
            most = Math.max(most, depth[c]);
        }
        return Math.sqrt(most) * cells.edge();
    }

    private String neck(Pools.Pool p) {
        if (p.neck() < 0 || cells.part()[p.neck()] < 0) {
            return "";
        }
        CastCells.Part part = cells.of(p.neck());
        return part.use() == Use.PIECE
                ? "A thin place parts it. "
                : part.name().substring(0, 1).toUpperCase(Locale.ROOT)
                        + part.name().substring(1)
                        + " is shut first. ";
    }

    private boolean touchesMold(Pools.Pool p) {
        for (int c : p.cells()) {
            if (!pools.hollow()[c]) {
                continue;
            }
            for (int d = 0; d < 3; d++) {
                int place = cells.grid().place(d, c);
                int stride = cells.grid().stride(d);
                if (place > 0 && cells.kind()[c - stride] != Freezing.BODY
                        || place + 1 < cells.grid().along(d) && cells.kind()[c + stride] != Freezing.BODY) {
                    return true;
                }
            }
        }
        return false;
    }

    /** Places of castings that ran empty under air. */
    private void sunk() {
        Map<Short, List<Integer>> by = new HashMap<>();
        for (int i = 0; i < pools.sunk().length; i++) {
            if (pools.sunk()[i] && inPiece(i)) {
                by.computeIfAbsent(cells.part()[i], k -> new ArrayList<>()).add(i);
            }
        }
        by.forEach((part, sunk) -> {
            int lowest = sunk.get(0);
            double lacks = sunk.size() * cells.cell();
            double percent = percent(lacks, lowest);
            if (sunk.size() < Pools.LEAST_CELLS || lacks < LEAST_CM3 && percent < LEAST_PERCENT) {
                return;
            }
            found.add(new Trouble(
                    0,
                    Trouble.Kind.SUNK,
                    percent > q.warnPercent() ? Severity.STOP : Severity.WARN,
                    cells.middle(lowest),
                    cells.of(lowest).key(),
                    0,
                    lacks,
                    percent,
                    String.format(Locale.ROOT, "%s runs empty from above, %s", name(lowest), volume(lacks)),
                    "What feeds it holds too little: the level sinks through it into the piece, to an open hollow.",
                    new Helps(cells).holdsMore(lowest, lacks)));
        });
    }

    private void pocket(Inflow.Pocket p) {
        int at = p.cells()[0];
        double air = p.volume() * 1e6 * cells.volumeShare();
        if (!inPiece(at) || air < LEAST_CM3 && percent(air, at) < LEAST_PERCENT) {
            return;
        }
        double percent = percent(air, at);
        found.add(new Trouble(
                0,
                Trouble.Kind.AIR,
                percent > q.stopPercent() ? Severity.STOP : Severity.WARN,
                cells.middle(at),
                cells.of(at).key(),
                0,
                air,
                percent,
                String.format(Locale.ROOT, "Air pocket in %s, %s", name(at), volume(air)),
                String.format(
                        Locale.ROOT,
                        "Metal shuts it off at %s; %.1f kPa of metal press it together, and it has no way out. It stays short %.0f mm under the rim.",
                        minutes(p.shut()),
                        p.pressure() / 1000,
                        -cells.middle(at).z()),
                new Helps(cells).vents(at)));
    }

    private void stop(Inflow.Stop s) {
        double missing = s.missing() * cells.cell();
        if (!inPiece(s.cell()) || missing < LEAST_CM3 && percent(missing, s.cell()) < LEAST_PERCENT) {
            return;
        }
        boolean over = Double.isNaN(s.celsius());
        double percent = percent(missing, s.cell());
        found.add(new Trouble(
                0,
                Trouble.Kind.STOP,
                percent > q.stopPercent() ? Severity.STOP : Severity.WARN,
                cells.middle(s.cell()),
                cells.of(s.cell()).key(),
                0,
                missing,
                percent,
                String.format(Locale.ROOT, "%s stays short, %s", name(s.cell()), volume(missing)),
                over
                        ? "No metal comes there: it stands over the rim, or nothing joins it."
                        : String.format(
                                Locale.ROOT,
                                "The metal is at %.0f °C there and too far solid to run on, %.0f mm under the rim.",
                                s.celsius(),
                                -cells.middle(s.cell()).z()),
                over ? List.of() : List.of(new Change.Hotter(q.moldC() + 50))));
    }

    private static String volume(double cm3) {
        return cm3 >= 0.1
                ? String.format(Locale.ROOT, "%.1f cm³", cm3)
                : String.format(Locale.ROOT, "%.0f mm³", cm3 * 1000);
    }

    static String minutes(double seconds) {
        if (Double.isInfinite(seconds)) {
            return "the end";
        }
        long whole = Math.round(seconds);
        return String.format(Locale.ROOT, "%d:%02d", whole / 60, whole % 60);
    }
}
