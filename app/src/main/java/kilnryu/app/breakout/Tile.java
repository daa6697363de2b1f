package kilnryu.app.breakout;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import kilnryu.app.plan.Plan;
import kilnryu.app.tree.TreeDrawing;
import kilnryu.core.gating.GatingPlan;
import kilnryu.core.gating.Placing.Single;
import kilnryu.core.gating.Use;
import kilnryu.core.tree.Outline;
import kilnryu.core.tree.Part;

/**
 * A casting on the drawing of its tree, as it is kept with the break-out: whatever becomes of the plan, it is drawn as it hung.
 *
 * @param number from 1, the highest at the pour first
 * @param path its outline in a box of {@value #WIDE} by {@value #HIGH}, cup up
 * @param gate where its gate joins, in the box: shares of width and height
 * @param reach how far it reaches from the middle of the box, shares of width and height
 * @param height of its middle over the lowest place of the tree, mm; null where it is not known
 * @param guessed drawn as a ball of its volume
 */
public record Tile(int number, String name, String path, Point gate, Point reach, Double height, boolean guessed) {
    public static final double WIDE = 120;
    public static final double HIGH = 84;
    static final int MOST = 240;
    private static final double EDGE = 8;
    private static final double FINGER = 0.06;

    /** @param x from the left, 0 to 1; @param y from the top, 0 to 1 */
    public record Point(double x, double y) {}

    /** Whether it hangs left of the sprue. */
    boolean left() {
        return number % 2 == 1;
    }

    /** Whether a point lies on it, or as near as a finger can say. */
    boolean holds(Point at) {
        return Math.abs(at.x - 0.5) <= reach.x + FINGER && Math.abs(at.y - 0.5) <= reach.y + FINGER;
    }

    /** All castings of a tree; empty where it has no piece. */
    static List<Tile> of(Plan plan) {
        return plan.gating().map(g -> built(g.plan())).filter(t -> !t.isEmpty()).orElseGet(() -> listed(plan));
    }

    private static List<Tile> built(GatingPlan plan) {
        List<Single> pieces = plan.placing().singles().stream()
                .filter(s -> s.member().use() == Use.PIECE)
                .sorted(Comparator.comparingDouble((Single s) -> -s.middle().z())
                        .thenComparingInt(Single::number))
                .toList();
        double lowest = plan.placing().singles().stream()
                .mapToDouble(Single::bottom)
                .min()
                .orElse(0);
        List<Tile> tiles = new ArrayList<>();
        for (Single s : pieces.stream().limit(MOST + 1L).toList()) {
            Single shown = plan.placing().of(s.member()).get(0);
            int number = tiles.size() + 1;
            boolean mirrored = number % 2 == 1;
            TreeDrawing.Boxed boxed = TreeDrawing.boxed(shown, WIDE, HIGH, EDGE, mirrored);
            tiles.add(new Tile(
                    number,
                    s.member().name(),
                    boxed.path(),
                    new Point(boxed.rootX() / WIDE, boxed.rootY() / HIGH),
                    new Point(boxed.reachX() / WIDE, boxed.reachY() / HIGH),
                    s.middle().z() - lowest,
                    false));
        }
        return tiles;
    }

    private static List<Tile> listed(Plan plan) {
        List<Tile> tiles = new ArrayList<>();
        if (plan.tree().isEmpty()) {
            return tiles;
        }
        List<Double> heights = heights(plan);
        for (Part part : plan.tree().get().tree().parts()) {
            for (int i = 0; part.role() == Part.Role.PIECE && i < part.count() && tiles.size() <= MOST; i++) {
                int number = tiles.size() + 1;
                boolean left = number % 2 == 1;
                tiles.add(new Tile(
                        number,
                        part.name(),
                        ball(),
                        new Point(left ? 0.85 : 0.15, 0.5),
                        new Point((HIGH / 2 - EDGE) * 1.2 / WIDE, (HIGH / 2 - EDGE) / HIGH),
                        tiles.size() < heights.size() ? heights.get(tiles.size()) : null,
                        true));
            }
        }
        return tiles;
    }

    /** As the outline hangs them, the highest at the pour first: it is drawn cup down. */
    private static List<Double> heights(Plan plan) {
        return plan.outline().stream()
                .flatMap(o -> o.shapes().stream()
                        .filter(s -> s.kind() == Outline.Kind.PIECE)
                        .map(s -> o.height() - s.y() - s.height() / 2))
                .sorted(Comparator.reverseOrder())
                .toList();
    }

    private static String ball() {
        double r = HIGH / 2 - EDGE;
        return String.format(
                Locale.ROOT,
                "M%.1f,%.1f a%.1f,%.1f 0 1 0 %.1f,0 a%.1f,%.1f 0 1 0 %.1f,0 Z",
                WIDE / 2 - r * 1.2,
                HIGH / 2,
                r * 1.2,
                r,
                2.4 * r,
                r * 1.2,
                r,
                -2.4 * r);
    }
}
