package kilnryu.core.gating;

import static kilnryu.core.quantity.Measure.MILLIMETRE;

import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/** Cooling modulus, volume over cooled area, mm: what has the larger one freezes later (N. Chvorinov, 1940). */
final class Modulus {
    private static final Formula ROD = Formula.of("d / 4");
    private static final Formula TAPERED = Formula.of("(d1 + d2) / 2 / 4");
    private static final Formula BAR = Formula.of("a * b / (2 * (a + b))");
    private static final Formula FEEDER = Formula.of("d * L / (4 * L + d)");
    private static final Formula WALL = Formula.of("wall / n");
    private static final Formula WHOLE = Formula.of("V / A * 10");
    private static final Formula THICKEST = Formula.of("min(wall / n, 1.5 * V / A * 10)");

    private Modulus() {}

    /** Of a member where it is thickest; rods as endless, feeders with their free end. */
    static Figure of(Member member) {
        String name = "modulus of " + member.name();
        Figure.Computation modulus = Figure.computed("M", name, MILLIMETRE);
        if (member.form() instanceof Form.Round r) {
            double mean = (r.root() + r.tip()) / 2;
            if (member.use() == Use.FEEDER || member.use() == Use.CUP) {
                return modulus.by(FEEDER, mm("d", "mean diameter", mean), mm("L", "length", r.length()));
            }
            return r.root() == r.tip()
                    ? modulus.by(ROD, mm("d", "diameter", r.root()))
                    : modulus.by(TAPERED, mm("d1", "one end", r.root()), mm("d2", "other end", r.tip()));
        }
        if (member.form() instanceof Form.Bar b) {
            return modulus.by(BAR, mm("a", "width", b.width()), mm("b", "thickness", b.thickness()));
        }
        return body(member, (Form.Body) member.form(), modulus);
    }

    /** V/A of the whole, or of its thickest place: the widest ball by its shape, never over 1.5 times V/A. */
    private static Figure body(Member member, Form.Body body, Figure.Computation modulus) {
        Figure volume =
                Figure.given("V", "volume of one", member.oneVolume(), Measure.CUBIC_CENTIMETRE, Known.ESTIMATED, 0);
        Figure area = Figure.given(
                "A",
                body.area().isPresent() ? "its face, by its mesh" : "its face, by its three measures",
                body.surface() / 100,
                Measure.SQUARE_CENTIMETRE,
                body.area().isPresent() ? Known.MEASURED : Known.ESTIMATED,
                0);
        if (body.walls().isEmpty()) {
            return modulus.mark(Mark.P, "handbook 10: volume over face of the whole")
                    .by(WHOLE, volume, area);
        }
        Form.Walls walls = body.walls().get();
        return modulus.mark(
                        Mark.P,
                        "handbook 10: widest ball as " + walls.like().label() + ", at most 1.5 times the whole piece's")
                .by(
                        THICKEST,
                        mm("wall", "thickest wall", walls.thickest()),
                        Figure.given(
                                "n",
                                "divisor of " + walls.like().label(),
                                walls.like().divisor(),
                                Measure.TIMES,
                                Known.CHOSEN,
                                0),
                        volume,
                        area);
    }

    /** Of the thinnest wall, taken as a plate; empty walls have none. */
    static Figure thinnest(Member member, Form.Walls walls) {
        return wall(
                Figure.computed("M", "modulus of the thinnest wall of " + member.name(), MILLIMETRE),
                walls.thinnest(),
                Form.Likeness.PLATE);
    }

    private static Figure wall(Figure.Computation modulus, double thickness, Form.Likeness like) {
        return modulus.mark(Mark.P, "thickness over " + like.divisor() + " for " + like.label())
                .by(
                        WALL,
                        mm("wall", "wall", thickness),
                        Figure.given(
                                "n", "divisor of " + like.label(), like.divisor(), Measure.TIMES, Known.CHOSEN, 0));
    }

    static Figure mm(String symbol, String name, double value) {
        return Figure.given(symbol, name, value, MILLIMETRE, Known.MEASURED, 0);
    }
}
