package kilnryu.core.tree;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import kilnryu.core.sum.Figure;

/**
 * A first picture of a tree, made from its parts alone: cups and cones of the gating at the bottom on the axis, the
 * longest gating rod as central sprue, other rods as stubs, pieces as balls of their own volume in rings round the
 * sprue, or on its end when there is only one. An estimate until a tree is measured or modelled.
 *
 * @param shapes in mm, {@code x} from the axis, {@code y} from the base upward
 * @param width greatest width, mm
 * @param height above the base, mm
 */
public record Outline(List<Shape> shapes, double width, double height) {
    private static final double GAP = 3;
    private static final double SHORTEST_SPRUE = 20;
    private static final double THINNEST_SPRUE = 5;
    private static final int MOST_RINGS = 60;

    /** Kind of a shape in the section. */
    public enum Kind {
        /** Frustum on the axis: width below, top width above. */
        CONE,
        /** Straight bar on the axis. */
        ROD,
        /** Line from the sprue to a piece. */
        STUB,
        /** Ball or ellipse round its centre. */
        PIECE
    }

    /** @param x centre; @param y lower edge; @param width below or at the middle; @param top width above */
    public record Shape(Kind kind, double x, double y, double width, double top, double height) {}

    /** @param volumes of the parts in cm3 with their counts, in the order of the tree's parts */
    public static Outline of(Tree tree, List<Figure> volumes) {
        return new Layout(tree, volumes).draw();
    }

    /** The same outline stretched to a measured width and height; a figure of 0 leaves that side as it is. */
    public Outline stretched(double toWidth, double toHeight) {
        double across = toWidth > 0 && width > 0 ? toWidth / width : 1;
        double up = toHeight > 0 && height > 0 ? toHeight / height : 1;
        List<Shape> stretched = shapes.stream()
                .map(s -> new Shape(s.kind, s.x * across, s.y * up, s.width * across, s.top * across, s.height * up))
                .toList();
        return new Outline(stretched, width * across, height * up);
    }

    private static final class Layout {
        private final Tree tree;
        private final List<Figure> volumes;
        private final List<Shape> shapes = new ArrayList<>();
        private double base;
        private double sprueRadius = THINNEST_SPRUE / 2;

        Layout(Tree tree, List<Figure> volumes) {
            this.tree = tree;
            this.volumes = volumes;
        }

        Outline draw() {
            cones();
            List<Amount.Rod> rods = rods();
            List<Ball> pieces = pieces();
            double sprue = rods.isEmpty() ? 0 : rods.get(0).length().millimetres();
            double stub = rods.size() > 1 ? rods.get(1).length().millimetres() : GAP;
            sprueRadius = rods.isEmpty() ? sprueRadius : rods.get(0).diameter().millimetres() / 2;
            if (count(pieces) <= 1) {
                onTheEnd(pieces, sprue);
            } else {
                inRings(pieces, sprue, stub);
            }
            double width = shapes.stream()
                    .mapToDouble(s -> 2 * (Math.abs(s.x) + Math.max(s.width, s.top) / 2))
                    .max()
                    .orElse(0);
            double height =
                    shapes.stream().mapToDouble(s -> s.y + s.height).max().orElse(0);
            return new Outline(List.copyOf(shapes), width, height);
        }

        private void cones() {
            for (Part part : tree.parts()) {
                if (part.role() == Part.Role.GATING && part.amount() instanceof Amount.Cone cone) {
                    double wide =
                            Math.max(cone.top().millimetres(), cone.bottom().millimetres());
                    double narrow =
                            Math.min(cone.top().millimetres(), cone.bottom().millimetres());
                    double tall = cone.length().millimetres();
                    shapes.add(new Shape(Kind.CONE, 0, base, wide, narrow, tall));
                    base += tall;
                }
            }
        }

        private List<Amount.Rod> rods() {
            return tree.parts().stream()
                    .filter(p -> p.role() == Part.Role.GATING)
                    .map(Part::amount)
                    .filter(Amount.Rod.class::isInstance)
                    .map(Amount.Rod.class::cast)
                    .sorted(Comparator.comparing(Amount.Rod::length).reversed())
                    .toList();
        }

        private List<Ball> pieces() {
            List<Ball> balls = new ArrayList<>();
            for (int i = 0; i < tree.parts().size(); i++) {
                Part part = tree.parts().get(i);
                if (part.role() == Part.Role.PIECE) {
                    double one = volumes.get(i).value() * 1000 / part.count();
                    balls.add(new Ball(Math.cbrt(6 * one / Math.PI), part.count()));
                }
            }
            return balls;
        }

        private void onTheEnd(List<Ball> pieces, double sprue) {
            if (sprue > 0) {
                shapes.add(new Shape(Kind.ROD, 0, base, 2 * sprueRadius, 2 * sprueRadius, sprue));
            }
            for (Ball piece : pieces) {
                shapes.add(new Shape(Kind.PIECE, 0, base + sprue, piece.diameter, piece.diameter, piece.diameter));
            }
        }

        private void inRings(List<Ball> pieces, double sprue, double stub) {
            double up = base + GAP;
            double top = up;
            double spacing = spacing(pieces, sprue, stub);
            for (Ball piece : pieces) {
                double centre = sprueRadius + stub + piece.diameter / 2;
                int round = round(piece, stub);
                int rings = Math.min(MOST_RINGS, (piece.count + round - 1) / round);
                for (int ring = 0; ring < rings; ring++) {
                    int sides = Math.min(2, piece.count - ring * round);
                    for (int side = 0; side < sides; side++) {
                        ball(piece.diameter, side == 0 ? centre : -centre, up, stub);
                    }
                    top = up + piece.diameter + GAP;
                    up += Math.max(piece.diameter + GAP, spacing);
                }
            }
            double length = Math.max(sprue, Math.max(SHORTEST_SPRUE, top - base));
            shapes.add(0, new Shape(Kind.ROD, 0, base, 2 * sprueRadius, 2 * sprueRadius, length));
        }

        /** Rings spread along the sprue when it is longer than they need. */
        private double spacing(List<Ball> pieces, double sprue, double stub) {
            int rings = 0;
            double tallest = 0;
            for (Ball piece : pieces) {
                rings += (piece.count + round(piece, stub) - 1) / round(piece, stub);
                tallest = Math.max(tallest, piece.diameter);
            }
            return rings < 2 ? 0 : (sprue - GAP - tallest) / (rings - 1);
        }

        /** How many of a piece stand side by side round the sprue. */
        private int round(Ball piece, double stub) {
            double centre = sprueRadius + stub + piece.diameter / 2;
            return Math.max(2, (int) Math.floor(2 * Math.PI * centre / (piece.diameter + GAP)));
        }

        private void ball(double diameter, double x, double y, double stub) {
            double inner = Math.signum(x) * (sprueRadius + stub / 2);
            shapes.add(new Shape(Kind.STUB, inner, y + diameter / 2, stub, stub, 0));
            shapes.add(new Shape(Kind.PIECE, x, y, diameter, diameter, diameter));
        }

        private static int count(List<Ball> balls) {
            return balls.stream().mapToInt(Ball::count).sum();
        }
    }

    private record Ball(double diameter, int count) {}
}
