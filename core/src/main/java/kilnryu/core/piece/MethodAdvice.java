package kilnryu.core.piece;

import static java.util.Locale.ROOT;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.PatternMaterial.Family;
import kilnryu.core.piece.Commission.Finish;
import kilnryu.core.piece.Shrinkage.MoldKind;

/**
 * Flask, block or shell: the reasons for and against each, and what forbids it, so that the caster decides. The order
 * is by what forbids and by the count of reasons; it is not a verdict.
 */
public record MethodAdvice(MoldKind kind, List<String> forbids, List<String> speaksFor, List<String> speaksAgainst) {
    private static final double WALL_ROOM = 30;
    private static final double END_ROOM = 60;

    public static List<MethodAdvice> of(Commission piece, Equipment equipment) {
        return List.of(flask(piece, equipment), block(piece, equipment), shell(piece, equipment)).stream()
                .sorted(Comparator.comparingInt((MethodAdvice a) -> a.forbids.isEmpty() ? 0 : 1)
                        .thenComparingInt(a -> a.speaksAgainst.size() - a.speaksFor.size()))
                .toList();
    }

    private static MethodAdvice flask(Commission p, Equipment e) {
        Pen pen = new Pen();
        gypsum(p, pen);
        over(p.middle() + WALL_ROOM, e.flaskDiameter(), "across, with its walls, than the largest flask is wide", pen);
        over(p.longest() + END_ROOM, e.flaskHeight(), "with gating than the largest flask is high", pen);
        pen.when(p.longest() <= 120, "Small enough to be mixed, vacuumed and fired in two days.");
        pen.when(p.count() >= 6, "Many alike go on one tree and are poured at once.");
        pen.when(p.finish().filter(f -> f == Finish.FINE).isPresent(), "Takes the finest detail under vacuum.");
        pen.when(thin(p, 1.5), "Stays hot at the pour: walls down to about half a millimetre fill.");
        pen.when(p.days().orElse(99) <= 4, "The quickest of the three: two days are enough.");
        pen.not(p.longest() > 200, "Heavy when filled; the middle dries slowly.");
        pen.not(
                p.material().family() == Family.FILAMENT,
                "A plastic print swells as it warms and may crack the mold; drains and slow heat.");
        pen.not(p.hollow() && p.longest() > 120, "A large core dries and burns out badly in a closed flask.");
        return pen.advice(MoldKind.FLASK);
    }

    private static MethodAdvice block(Commission p, Equipment e) {
        Pen pen = new Pen();
        gypsum(p, pen);
        over(
                p.middle() + 2 * Math.max(40, 0.15 * p.longest()),
                e.kilnWidth(),
                "with its walls than the kiln is wide",
                pen);
        over(
                p.longest() + 2 * Math.max(40, 0.15 * p.longest()),
                e.kilnHeight(),
                "with its walls than the kiln is high",
                pen);
        double kilos = blockKilos(p);
        pen.not(
                e.lift().isPresent() && kilos > e.lift().getAsDouble(),
                String.format(ROOT, "About %.0f kg wet: more than is lifted here by hand.", kilos));
        pen.when(p.longest() > 150, "Any size and shape, without flask or slurry tank.");
        pen.when(p.hollow(), "A core is invested together with the outside and pinned.");
        pen.when(p.count() == 1, "A single piece needs no tree.");
        pen.when(e.tankDepth().isEmpty(), "Needs nothing but plaster, sand and a kiln.");
        pen.not(
                p.finish().filter(f -> f == Finish.FINE).isPresent(),
                "Mixed by hand, without vacuum: bubbles on fine faces.");
        pen.not(p.count() > 4, "Every piece is its own block: much plaster and kiln room.");
        pen.not(p.days().orElse(99) < 6, "Cure and a long burnout take most of a week.");
        pen.not(thin(p, 3), "Poured cooler than a flask: thin walls may not fill.");
        return pen.advice(MoldKind.BLOCK);
    }

    private static MethodAdvice shell(Commission p, Equipment e) {
        Pen pen = new Pen();
        over(p.longest() + 80, e.tankDepth(), "with its sprue than the slurry tank is deep", pen);
        over(p.middle() + 40, e.tankDiameter(), "than the slurry tank is wide", pen);
        if (e.tankDepth().isEmpty()) {
            pen.forbids.add("No slurry tank is named among the equipment.");
        }
        if (e.kilnHeight().isPresent()) {
            over(p.longest() + 60, e.kilnHeight(), "with its cup than the kiln is high", pen);
        }
        pen.when(p.longest() > 120, "Strong for its weight: a large piece stays liftable.");
        pen.when(!p.alloy().isTabled(), "The only one of the three that bears this metal.");
        pen.when(
                p.finish().filter(f -> f != Finish.ROUGH).isPresent(), "Fine prime coats take detail without bubbles.");
        pen.when(p.hollow(), "Coats grow inside and outside through a window, no core to pin.");
        pen.when(thin(p, 3) && p.longest() > 80, "Poured into a glowing shell, thin walls fill.");
        pen.not(p.days().orElse(99) < 9, "Coats dry for a week or more before the fire.");
        pen.not(p.longest() < 50 && p.count() > 6, "For many small pieces a tree in a flask is less work.");
        pen.not(
                p.material().family() == Family.FILAMENT,
                "A plastic print swells before it flows: wire, drains and a wax coating.");
        return pen.advice(MoldKind.SHELL);
    }

    /** Mass of a wet block by the wall rule of handbook 5, kg; a close box round the piece. */
    private static double blockKilos(Commission p) {
        double wall = Math.max(40, 0.15 * p.longest());
        double box = (p.longest() + 2 * wall) * (p.middle() + 2 * wall) * (p.shortest() + 2 * wall) / 1e6;
        return box * 1.75;
    }

    private static void gypsum(Commission p, Pen pen) {
        if (!p.alloy().isTabled()) {
            pen.forbids.add("Gypsum and plaster break down under " + p.alloy().label()
                    + ": sulphur gas and a burst mold. Never.");
        }
    }

    private static boolean thin(Commission p, double mm) {
        return p.thinnest().isPresent() && p.thinnest().getAsDouble() < mm;
    }

    private static void over(double needs, OptionalDouble has, String than, Pen pen) {
        if (has.isPresent() && needs > has.getAsDouble()) {
            pen.forbids.add(String.format(ROOT, "%.0f mm larger %s.", needs - has.getAsDouble(), than));
        }
    }

    /** Whether the pair of metal and mold must not be run at all. */
    public static boolean isRefused(Alloy alloy, MoldKind kind) {
        return !alloy.isTabled() && kind != MoldKind.SHELL;
    }

    private static final class Pen {
        private final List<String> forbids = new ArrayList<>();
        private final List<String> speaksFor = new ArrayList<>();
        private final List<String> speaksAgainst = new ArrayList<>();

        void when(boolean so, String why) {
            if (so) {
                speaksFor.add(why);
            }
        }

        void not(boolean so, String why) {
            if (so) {
                speaksAgainst.add(why);
            }
        }

        MethodAdvice advice(MoldKind kind) {
            return new MethodAdvice(kind, List.copyOf(forbids), List.copyOf(speaksFor), List.copyOf(speaksAgainst));
        }
    }
}
