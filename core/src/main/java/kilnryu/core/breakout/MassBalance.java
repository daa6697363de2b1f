package kilnryu.core.breakout;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;

/**
 * Whether what came out adds up to what went in (handbook 19). All in g.
 *
 * @param missing charged, less what came out and what was poured back; empty where one of them is not weighed
 * @param sawn tree as cast, less castings and gating; empty where one of them is not weighed
 * @param findings what does not add up
 */
public record MassBalance(Optional<Figure> missing, Optional<Figure> sawn, Findings findings) {
    private static final Formula MISSING = Formula.of("charged - as_cast - rest");
    private static final Formula SAWN = Formula.of("as_cast - castings - gating");
    /** Scales differ by this, g, or by this share. */
    private static final double SCALE_G = 1;

    private static final double SCALE_SHARE = 0.005;
    private static final double MUCH = 0.03;

    /**
     * @param charged metal meant for this mold, g
     * @param asCast the tree as it came, clean
     * @param castings cut off, together
     * @param gating what is left of the tree
     * @param rest poured back or into the ingot mold from this mold's share, g
     * @param lossPercent of the charge that the melt is expected to lose
     */
    public record Weighed(
            OptionalDouble charged,
            OptionalDouble asCast,
            OptionalDouble castings,
            OptionalDouble gating,
            OptionalDouble rest,
            double lossPercent) {}

    public static MassBalance of(Weighed w) {
        List<Finding> found = new ArrayList<>();
        Optional<Figure> missing = Optional.empty();
        Optional<Figure> sawn = Optional.empty();
        if (w.charged.isPresent() && w.asCast.isPresent()) {
            missing = Optional.of(Figure.computed("missing", "missing of what was charged", Measure.GRAM)
                    .by(
                            MISSING,
                            grams("charged", "charged for this mold", w.charged.getAsDouble()),
                            grams("as_cast", "tree as cast", w.asCast.getAsDouble()),
                            grams("rest", "poured back", w.rest.orElse(0))));
            judgeMissing(w, missing.get(), found);
        }
        if (w.asCast.isPresent() && w.castings.isPresent() && w.gating.isPresent()) {
            sawn = Optional.of(Figure.computed("sawn", "lost to saw and file", Measure.GRAM)
                    .by(
                            SAWN,
                            grams("as_cast", "tree as cast", w.asCast.getAsDouble()),
                            grams("castings", "castings cut off", w.castings.getAsDouble()),
                            grams("gating", "gating left", w.gating.getAsDouble())));
            judgeSawn(w, sawn.get(), found);
        }
        return new MassBalance(missing, sawn, new Findings(found));
    }

    private static Figure grams(String symbol, String name, double value) {
        return Figure.given(symbol, name, value, Measure.GRAM, Known.MEASURED, 0);
    }

    private static double scale(double of) {
        return Math.max(SCALE_G, SCALE_SHARE * of);
    }

    private static void judgeMissing(Weighed w, Figure missing, List<Finding> found) {
        double charged = w.charged.getAsDouble();
        double loss = charged * w.lossPercent / 100;
        if (missing.value() < -scale(charged)) {
            found.add(Finding.warn(
                            "more-out",
                            "masses",
                            String.format(Locale.ROOT, "%.0f g more came out than was charged.", -missing.value()),
                            "Metal does not grow: a mass is wrong, or investment is still in it.",
                            "Clean it and weigh the tree again, on the same scale as the charge.")
                    .from(missing));
        } else if (missing.value() > loss + MUCH * charged + scale(charged)) {
            found.add(Finding.warn(
                            "metal-missing",
                            "masses",
                            String.format(
                                    Locale.ROOT,
                                    "%.0f g are missing; %.0f g is what a melt loses.",
                                    missing.value(),
                                    loss),
                            "It was spilled, ran out, stayed in the pot, or went into the ingot mold unweighed.",
                            "Weigh the rest and the spill; look for a run-out.")
                    .from(missing));
        }
    }

    private static void judgeSawn(Weighed w, Figure sawn, List<Finding> found) {
        if (sawn.value() < -scale(w.asCast.getAsDouble())) {
            found.add(Finding.warn(
                            "more-cut",
                            "masses",
                            String.format(
                                    Locale.ROOT,
                                    "Castings and gating weigh %.0f g more than the tree did.",
                                    -sawn.value()),
                            "One of the three masses is wrong.",
                            "Weigh castings and gating again, and look at the scale's unit.")
                    .from(sawn));
        } else if (sawn.value() > MUCH * 2 * w.asCast.getAsDouble() + scale(w.asCast.getAsDouble())) {
            found.add(Finding.note(
                            "much-sawn",
                            "masses",
                            String.format(Locale.ROOT, "%.0f g went between the tree and its parts.", sawn.value()),
                            "A saw takes little: something was not weighed.",
                            "A casting, or a piece of gating, is still missing on the scale.")
                    .from(sawn));
        }
    }
}
