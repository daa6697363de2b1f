package kilnryu.core.foresight;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import kilnryu.core.gating.Use;
import kilnryu.core.mesh.Box;
import kilnryu.core.mesh.Cells;
import kilnryu.core.mesh.Mesh;
import kilnryu.core.mesh.Vec;
import kilnryu.core.mesh.Watch;
import kilnryu.core.solid.Freezing;
import kilnryu.core.solid.Grid;

/** Cells being filled with what is cast. */
final class Raster {
    private static final int MOST = 16_000_000;
    private static final short NONE = -1;
    /** A cube's faces have so many times the area of a ball's of the same volume, on the mean of all turns of a face. */
    private static final double STAIRS = 1.5;

    /** True area and volume where they are known, mm2 and mm3; NaN where not. */
    record Known(double area, double volume) {
        static final Known NOTHING = new Known(Double.NaN, Double.NaN);
    }

    final Grid grid;
    final double edge;
    final Vec low;
    final byte[] kind;
    final short[] part;
    final List<CastCells.Part> parts = new ArrayList<>();

    private Raster(Grid grid, double edge, Vec low) {
        this.grid = grid;
        this.edge = edge;
        this.low = low;
        kind = new byte[grid.cells()];
        part = new short[grid.cells()];
        Arrays.fill(part, NONE);
    }

    /** The top of the last cells is at the top of the box: a rim stays level. */
    static Raster of(Vec low, Vec high, double edge) {
        Vec span = high.minus(low);
        int nx = (int) Math.ceil(span.x() / edge);
        int ny = (int) Math.ceil(span.y() / edge);
        int nz = (int) Math.ceil(span.z() / edge);
        if ((long) nx * ny * nz > MOST) {
            throw new IllegalArgumentException("too many cells");
        }
        Vec from = new Vec(
                low.x() - (nx * edge - span.x()) / 2, low.y() - (ny * edge - span.y()) / 2, high.z() - nz * edge);
        return new Raster(new Grid(nx, ny, nz, edge / 1000), edge, from);
    }

    Vec middle(int x, int y, int z) {
        return new Vec(low.x() + (x + 0.5) * edge, low.y() + (y + 0.5) * edge, low.z() + (z + 0.5) * edge);
    }

    Vec middle(int cell) {
        return middle(grid.place(0, cell), grid.place(1, cell), grid.place(2, cell));
    }

    private int place(double at, double from, int most) {
        return Math.max(0, Math.min(most - 1, (int) Math.floor((at - from) / edge)));
    }

    int at(Vec v) {
        return grid.at(
                place(v.x(), low.x(), grid.nx()), place(v.y(), low.y(), grid.ny()), place(v.z(), low.z(), grid.nz()));
    }

    /** Tells whether a place is in a shape. */
    interface Holds {
        boolean at(Vec place);
    }

    /** Cells whose middle is in a shape; a piece takes them from the gating, gating does not from a piece. */
    int fill(Vec from, Vec to, Holds shape, short as) {
        int set = 0;
        boolean piece = parts.get(as).use() == Use.PIECE;
        int x1 = place(to.x(), low.x(), grid.nx());
        int y1 = place(to.y(), low.y(), grid.ny());
        int z1 = place(to.z(), low.z(), grid.nz());
        for (int z = place(from.z(), low.z(), grid.nz()); z <= z1; z++) {
            for (int y = place(from.y(), low.y(), grid.ny()); y <= y1; y++) {
                for (int x = place(from.x(), low.x(), grid.nx()); x <= x1; x++) {
                    if (shape.at(middle(x, y, z))) {
                        take(grid.at(x, y, z), as, piece);
                        set++;
                    }
                }
            }
        }
        return set;
    }

    void take(int cell, short as, boolean piece) {
        kind[cell] = Freezing.BODY;
        if (part[cell] == NONE || piece) {
            part[cell] = as;
        }
    }

    void mesh(Mesh mesh, short as, Watch watch) {
        Box box = mesh.box();
        int x0 = place(box.low().x(), low.x(), grid.nx());
        int y0 = place(box.low().y(), low.y(), grid.ny());
        int z0 = place(box.low().z(), low.z(), grid.nz());
        int[] along = {
            place(box.high().x(), low.x(), grid.nx()) - x0 + 1,
            place(box.high().y(), low.y(), grid.ny()) - y0 + 1,
            place(box.high().z(), low.z(), grid.nz()) - z0 + 1
        };
        Vec corner = new Vec(low.x() + x0 * edge, low.y() + y0 * edge, low.z() + z0 * edge);
        Cells cells = Cells.of(mesh, edge, corner, along, watch);
        boolean piece = parts.get(as).use() == Use.PIECE;
        for (int z = 0; z < along[2]; z++) {
            for (int y = 0; y < along[1]; y++) {
                for (int x = 0; x < along[0]; x++) {
                    if (cells.inside(x, y, z)) {
                        take(grid.at(x0 + x, y0 + y, z0 + z), as, piece);
                    }
                }
            }
        }
    }

    /** The highest level with metal. */
    int top() {
        int layer = grid.nx() * grid.ny();
        for (int i = kind.length - 1; i >= 0; i--) {
            if (kind[i] == Freezing.BODY) {
                return i / layer;
            }
        }
        return -1;
    }

    List<Integer> layer(int z) {
        List<Integer> cells = new ArrayList<>();
        int layer = grid.nx() * grid.ny();
        for (int i = Math.max(0, z) * layer; z >= 0 && i < (z + 1) * layer; i++) {
            if (kind[i] == Freezing.BODY) {
                cells.add(i);
            }
        }
        return cells;
    }

    /** Cells of metal near a place; the nearest one where none is so near. */
    List<Integer> near(Vec at, double mm) {
        List<Integer> near = new ArrayList<>();
        int nearest = -1;
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i < kind.length; i++) {
            if (kind[i] == Freezing.BODY) {
                double away = middle(i).minus(at).length();
                if (away <= mm) {
                    near.add(i);
                }
                if (away < least) {
                    least = away;
                    nearest = i;
                }
            }
        }
        if (near.isEmpty() && nearest >= 0 && least < 4 * mm) {
            near.add(nearest);
        }
        return near;
    }

    /** The band of mold round the metal; over what is open nothing stands. */
    void mold(double band, boolean[] open) {
        double[] away = Distance.squared(grid, i -> kind[i] == Freezing.BODY);
        double within = Math.pow(Math.max(1, band / edge), 2);
        for (int i = 0; i < kind.length; i++) {
            if (kind[i] != Freezing.BODY && away[i] <= within) {
                kind[i] = Freezing.MOLD;
            }
        }
        int layer = grid.nx() * grid.ny();
        for (int i = 0; i < kind.length; i++) {
            for (int above = i + layer;
                    open[i] && above < kind.length && kind[above] == Freezing.MOLD;
                    above += layer) {
                kind[above] = Freezing.OUTSIDE;
            }
        }
    }

    CastCells done(int[] entry, boolean[] open, Known known, List<CastCells.Bridge> bridged) {
        int body = 0;
        long faces = 0;
        for (int i = 0; i < kind.length; i++) {
            if (kind[i] == Freezing.BODY) {
                body++;
                for (int d = 0; d < 3; d++) {
                    int place = grid.place(d, i);
                    faces += place > 0 && kind[i - grid.stride(d)] != Freezing.BODY ? 1 : 0;
                    faces += place + 1 < grid.along(d) && kind[i + grid.stride(d)] != Freezing.BODY ? 1 : 0;
                }
            }
        }
        double area = known.area / Math.max(1, faces * edge * edge);
        double volume = known.volume / Math.max(1, body * Math.pow(edge, 3));
        return new CastCells(
                grid,
                edge,
                low,
                kind,
                part,
                List.copyOf(parts),
                entry,
                open,
                Double.isNaN(area) ? 1 / STAIRS : Math.max(0.55, Math.min(1, area)),
                Double.isNaN(volume) ? 1 : Math.max(0.7, Math.min(1.4, volume)),
                bridged);
    }
}
