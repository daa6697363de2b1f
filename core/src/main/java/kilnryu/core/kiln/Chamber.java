package kilnryu.core.kiln;

import java.util.List;

/**
 * The inside of a kiln, mm.
 *
 * @param round whether its plan is a circle, then width is its diameter
 * @param shelves heights of the floors that molds may stand on, from the bottom up; the lowest is usually 0
 */
public record Chamber(boolean round, double width, double depth, double height, List<Double> shelves) {
    /** Room kept to the wall and its elements; our own figure. */
    public static final double TO_WALL = 25;

    /** Room kept between molds; our own figure. */
    public static final double BETWEEN = 15;

    public Chamber {
        shelves = shelves.isEmpty() ? List.of(0.0) : shelves.stream().sorted().toList();
        if (!(width > 0) || !(depth > 0) || !(height > 0)) {
            throw new IllegalArgumentException("no kiln has this size");
        }
    }

    /** Height free above a floor, mm. */
    public double above(int floor) {
        double top = floor + 1 < shelves.size() ? shelves.get(floor + 1) : height;
        return top - shelves.get(floor);
    }

    /** Least room between a mold's outline and the wall, mm; negative when it stands in the wall. */
    double toWall(Packing.Placed p) {
        if (round) {
            double reach = p.item().round()
                    ? Math.hypot(p.x(), p.y()) + p.item().width() / 2
                    : Math.hypot(Math.abs(p.x()) + p.wide() / 2, Math.abs(p.y()) + p.deep() / 2);
            return width / 2 - reach;
        }
        return Math.min(width / 2 - Math.abs(p.x()) - p.wide() / 2, depth / 2 - Math.abs(p.y()) - p.deep() / 2);
    }
}
