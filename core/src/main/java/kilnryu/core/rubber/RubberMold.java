package kilnryu.core.rubber;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * What a mold of rubber takes (handbook 27).
 *
 * @param rubber all of it with its loss, g
 * @param base of it, g; empty for rubber that is not mixed
 * @param hardener g; empty likewise
 * @param coats one for each, in order
 * @param jacket g; empty without one
 * @param findings what to mind
 */
public record RubberMold(
        Figure rubber,
        Optional<Figure> base,
        Optional<Figure> hardener,
        List<Coat> coats,
        Optional<Figure> jacket,
        Findings findings) {
    /** Rubber that stays in the cup and on the brush, % (handbook 27). */
    public static final Constant LOSS = new Constant(
                    "rubber.loss",
                    "loss",
                    "rubber lost in cup and brush",
                    10,
                    5,
                    25,
                    Measure.PERCENT,
                    Mark.M,
                    "handbook 27")
            .asChoice();
    /** Plaster with fibre as it is wet, g/cm3 (contract of the API). */
    public static final Constant PLASTER = new Constant(
            "jacket.plaster",
            "jacket_density",
            "plaster jacket, wet",
            1.7,
            1.5,
            1.9,
            Measure.GRAM_PER_CM3,
            Mark.T,
            "handbook 27, the block's sums");
    /** Resin with glass, g/cm3; our own middle of usual lay-ups. */
    public static final Constant RESIN = new Constant(
            "jacket.resin",
            "jacket_density",
            "resin and glass jacket",
            1.4,
            1.2,
            1.7,
            Measure.GRAM_PER_CM3,
            Mark.M,
            "own estimate");

    private static final Formula BY_AREA = Formula.of("area * thick / 10 * density * (1 + loss / 100)");
    private static final Formula BY_VOLUME = Formula.of("(box - model) * density * (1 + loss / 100)");
    private static final Formula BASE = Formula.of("rubber * 100 / (100 + hardener_per_100)");
    private static final Formula HARDENER = Formula.of("rubber * hardener_per_100 / (100 + hardener_per_100)");
    private static final Formula JACKET = Formula.of("area * thick / 10 * jacket_density");
    private static final Formula THICKENER = Formula.of("rubber * percent / 100");
    private static final double THIN = 4.5;
    private static final double LARGE_CM2 = 3000;
    private static final double LARGE_THIN = 7;
    private static final double PRINT = 0.6;
    private static final double THICKEST_COAT = 2.5;

    /** How a mold is made. */
    public enum Kind {
        BRUSHED("brushed", "brushed, with a jacket"),
        GLOVE("glove", "poured under a jacket"),
        BLOCK("block", "poured block"),
        VULCANISED("vulcanised", "vulcanised");

        private final String key;
        private final String label;

        Kind(String key, String label) {
            this.key = key;
            this.label = label;
        }

        public static Optional<Kind> named(String key) {
            return Arrays.stream(values()).filter(k -> k.key.equals(key)).findFirst();
        }

        public String key() {
            return key;
        }

        public String label() {
            return label;
        }

        /** Whether its rubber follows the face of the original. */
        public boolean byArea() {
            return this == BRUSHED || this == GLOVE;
        }

        public boolean jacketed() {
            return byArea();
        }
    }

    /** @param base empty for rubber that is not mixed */
    public record Coat(double mm, Figure rubber, Optional<Figure> base, Optional<Figure> hardener) {}

    /** A box with its model in it. */
    public record Box(double boxCm3, double modelCm3) {
        public Box {
            if (!(boxCm3 > modelCm3) || modelCm3 < 0) {
                throw new IllegalArgumentException("the model is in the box");
            }
        }
    }

    /** @param plaster else resin and glass */
    public record Jacket(boolean plaster, double mm) {
        public Jacket {
            if (!(mm > 0)) {
                throw new IllegalArgumentException("a jacket is thick");
            }
        }
    }

    /**
     * @param areaCm2 of the original; empty where not known
     * @param coats thickness of each, mm
     * @param density of the rubber, g/cm3; empty for the material's
     * @param lossPercent empty for the usual
     * @param hardenerPer100 parts of hardener to 100 of base by mass; empty for rubber that is not mixed
     * @param box what it is poured into: a box, or the inside of a jacket
     */
    public record Question(
            Kind kind,
            Material material,
            OptionalDouble areaCm2,
            List<Double> coats,
            OptionalDouble density,
            OptionalDouble lossPercent,
            OptionalDouble hardenerPer100,
            Optional<Box> box,
            Optional<Jacket> jacket) {
        public Question {
            coats = List.copyOf(coats);
            if (coats.stream().anyMatch(c -> !(c > 0))) {
                throw new IllegalArgumentException("a coat is thick");
            }
            boolean byArea = byArea(kind, box);
            if (byArea && (areaCm2.isEmpty() || coats.isEmpty()) || !byArea && box.isEmpty()) {
                throw new IllegalArgumentException("nothing says how much rubber it takes");
            }
            if (hardenerPer100.isPresent() && !(hardenerPer100.getAsDouble() > 0)) {
                throw new IllegalArgumentException("without hardener it stays liquid");
            }
        }

        /** Whether it is reckoned by its coats: brushed, or poured under a jacket of which nobody knows what it holds. */
        public boolean byArea() {
            return byArea(kind, box);
        }

        private static boolean byArea(Kind kind, Optional<Box> box) {
            return kind.byArea() && (kind != Kind.GLOVE || box.isEmpty());
        }

        double thick() {
            return coats.stream().mapToDouble(c -> c).sum();
        }
    }

    public static RubberMold of(Question q, Factors factors) {
        List<Coat> coats =
                q.byArea() ? q.coats.stream().map(mm -> coat(q, mm, factors)).toList() : List.of();
        Figure rubber = q.byArea() ? byArea(q, q.thick(), factors) : byVolume(q, factors);
        List<Finding> found = new ArrayList<>();
        thickness(q, found);
        ratio(q, found);
        if (!q.material.poisons().isEmpty()) {
            found.add(Finding.note(
                    "cure-poisoned", "material", "Something may stop its cure.", q.material.poisons(), "Try a spot."));
        }
        return new RubberMold(
                rubber,
                part(q, rubber, "base", "base", BASE),
                part(q, rubber, "hardener", "hardener", HARDENER),
                coats,
                q.jacket.filter(j -> q.areaCm2.isPresent()).map(j -> jacket(q, j, factors)),
                new Findings(found));
    }

    private static Coat coat(Question q, double mm, Factors factors) {
        Figure rubber = byArea(q, mm, factors);
        return new Coat(
                mm,
                rubber,
                part(q, rubber, "base", "base of the coat", BASE),
                part(q, rubber, "hardener", "hardener of the coat", HARDENER));
    }

    /** Thickener that goes into a coat, g: so much of base and hardener together (handbook 27). */
    public static Figure thickener(Coat coat, double percent) {
        return Figure.computed("thickener", "thickener", Measure.GRAM)
                .mark(Mark.P, "by mass, as its sheet says")
                .by(
                        THICKENER,
                        coat.rubber.as("rubber"),
                        Figure.given("percent", "thickener", percent, Measure.PERCENT, Known.CHOSEN, 0));
    }

    private static Figure density(Question q, Factors factors) {
        return q.density.isPresent()
                ? Figure.given(
                        "density",
                        "density of the rubber",
                        q.density.getAsDouble(),
                        Measure.GRAM_PER_CM3,
                        Known.CHOSEN,
                        0)
                : factors.of(q.material.density());
    }

    private static Figure loss(Question q, Factors factors) {
        return q.lossPercent.isPresent()
                ? Figure.given(
                        "loss", "lost in cup and brush", q.lossPercent.getAsDouble(), Measure.PERCENT, Known.CHOSEN, 0)
                : factors.of(LOSS);
    }

    private static Figure area(Question q) {
        return Figure.given(
                "area", "area of the original", q.areaCm2.orElse(0), Measure.SQUARE_CENTIMETRE, Known.COMPUTED, 0);
    }

    private static Figure byArea(Question q, double mm, Factors factors) {
        return Figure.computed("rubber", "rubber", Measure.GRAM)
                .mark(Mark.P, "handbook 27: area by thickness")
                .by(
                        BY_AREA,
                        area(q),
                        Figure.given("thick", "thickness", mm, Measure.MILLIMETRE, Known.CHOSEN, 0),
                        density(q, factors),
                        loss(q, factors));
    }

    private static Figure byVolume(Question q, Factors factors) {
        Box box = q.box.orElseThrow();
        return Figure.computed("rubber", "rubber", Measure.GRAM)
                .mark(Mark.P, "handbook 27: box less model")
                .by(
                        BY_VOLUME,
                        Figure.given("box", "box inside", box.boxCm3, Measure.CUBIC_CENTIMETRE, Known.CHOSEN, 0),
                        Figure.given("model", "model", box.modelCm3, Measure.CUBIC_CENTIMETRE, Known.CHOSEN, 0),
                        density(q, factors),
                        loss(q, factors));
    }

    private static Optional<Figure> part(Question q, Figure rubber, String symbol, String name, Formula formula) {
        return q.hardenerPer100.isEmpty() || !q.material.mixed()
                ? Optional.empty()
                : Optional.of(Figure.computed(symbol, name, Measure.GRAM)
                        .mark(Mark.P, "by mass, as the sheet says")
                        .by(
                                formula,
                                rubber.as("rubber"),
                                Figure.given(
                                        "hardener_per_100",
                                        "hardener to 100 of base",
                                        q.hardenerPer100.getAsDouble(),
                                        Measure.PER_100,
                                        Known.CHOSEN,
                                        0)));
    }

    private static Figure jacket(Question q, Jacket jacket, Factors factors) {
        return Figure.computed("jacket", "jacket", Measure.GRAM)
                .mark(Mark.T, "handbook 27: area by thickness")
                .by(
                        JACKET,
                        area(q),
                        Figure.given("thick", "jacket, thick", jacket.mm, Measure.MILLIMETRE, Known.CHOSEN, 0),
                        factors.of(jacket.plaster ? PLASTER : RESIN));
    }

    private static void thickness(Question q, List<Finding> found) {
        if (!q.byArea()) {
            return;
        }
        boolean large = q.areaCm2.getAsDouble() > LARGE_CM2;
        double least = large ? LARGE_THIN : THIN;
        if (q.thick() < least) {
            found.add(Finding.warn(
                    "rubber-thin",
                    "coats",
                    say(
                            "All coats come to %.1f mm; %s.",
                            q.thick(), large ? "8 to 10 for so large a piece" : "5 to 6 are usual"),
                    "Thin rubber tears at undercuts and folds in its jacket.",
                    "One more coat; seams and edges one more than the rest."));
        }
        if (q.kind == Kind.BRUSHED && q.coats.get(0) > 2 * PRINT) {
            found.add(Finding.note(
                    "print-coat-thick",
                    "coats",
                    say("The first coat is %.1f mm.", q.coats.get(0)),
                    "A thick first coat holds bubbles at the face.",
                    "0.6 mm thin for the first, brushed and blown into every line."));
        }
        if (q.kind == Kind.BRUSHED && q.coats.stream().anyMatch(c -> c > THICKEST_COAT)) {
            found.add(Finding.note(
                    "coat-runs",
                    "coats",
                    say(
                            "A coat of %.1f mm is thicker than stays on.",
                            q.coats.stream().mapToDouble(c -> c).max().orElse(0)),
                    "It runs off high places and pools in low ones.",
                    "Coats of 1.5 to 2 mm, thickened."));
        }
    }

    private static void ratio(Question q, List<Finding> found) {
        if (q.hardenerPer100.isEmpty() || !q.material.mixed()) {
            return;
        }
        double per100 = q.hardenerPer100.getAsDouble();
        if (per100 > 100) {
            found.add(Finding.stop(
                    "hardener-over-base",
                    "hardener_per_100",
                    say("%.0f parts of hardener to 100 of base.", per100),
                    "No sheet asks more hardener than base: the two are mixed up, and it will not cure.",
                    "Read the sheet: 100 to 10, 100 to 5, 100 to 2 and 1 to 1 occur."));
        } else if (q.material == Material.TIN_SILICONE && per100 > 15) {
            found.add(Finding.warn(
                    "hardener-much",
                    "hardener_per_100",
                    say("%.0f parts of hardener to 100 are much for tin silicone.", per100),
                    "It cures in the cup, and turns brittle and shrinks within months.",
                    "As its sheet says, mostly 2 to 10; a cold room asks time and no more hardener."));
        }
    }

    private static String say(String words, Object... values) {
        return String.format(Locale.ROOT, words, values);
    }

    /** What a weighed cup of base and hardener is off its ratio, %: over 5 it is not spread, our own limit. */
    public static double off(double baseG, double hardenerG, double hardenerPer100) {
        return (hardenerG / baseG * 100 / hardenerPer100 - 1) * 100;
    }

    public static List<Constant> constants() {
        return List.of(LOSS, PLASTER, RESIN);
    }
}
