package kilnryu.core.foresight;

import java.util.ArrayList;
import java.util.List;
import kilnryu.core.gating.Use;
import kilnryu.core.mesh.Vec;
import kilnryu.core.solid.Pools;

/** Changes that would help at a place, sized by the simple rules of feeding (handbook 10). */
final class Helps {
    /** A feeder is so many times as thick as the round place that it feeds. */
    private static final double THICKER = 1.2;

    /** Of a feeder this share can be given; it is 1.5 times as high as thick (handbook 4). */
    private static final double GIVES = 0.17;

    private static final double VENT_MM = 4;
    private static final double LEAST_MM = 6;

    private final CastCells cells;

    Helps(CastCells cells) {
        this.cells = cells;
    }

    /** @param half from the pool's deepest place to the nearest face, mm */
    List<Change> feeds(Pools.Pool p, double half, double lacks) {
        List<Change> helps = new ArrayList<>();
        double thick = diameter(half, lacks);
        helps.add(on(p.last(), Change.Kind.FEEDER, thick));
        if (p.neck() >= 0 && cells.part()[p.neck()] >= 0 && cells.of(p.neck()).use() == Use.GATE) {
            CastCells.Part gate = cells.of(p.neck());
            helps.add(new Change.Thicker(gate.key(), gate.name(), Math.ceil(2 * half), false));
        }
        return helps;
    }

    /** What feeds a piece holds more. */
    List<Change> holdsMore(int cell, double lacks) {
        return List.of(on(cell, Change.Kind.FEEDER, diameter(LEAST_MM / 2, 2 * lacks)));
    }

    List<Change> vents(int cell) {
        return List.of(on(cell, Change.Kind.VENT, VENT_MM));
    }

    private static double diameter(double half, double lacks) {
        double byVolume = Math.cbrt(lacks * 1000 / GIVES / (1.5 * Math.PI / 4));
        return Math.ceil(Math.max(LEAST_MM, Math.max(THICKER * 2 * half, byVolume)));
    }

    /** A rod over a place up to the rim. */
    private Change on(int cell, Change.Kind kind, double diameter) {
        Vec at = cells.middle(cell);
        CastCells.Part part = cells.of(cell);
        return new Change.Stands(kind, part.key(), part.name(), part.number(), at.x(), at.y(), at.z(), diameter);
    }
}
