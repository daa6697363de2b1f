package kilnryu.core.gating;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.heat.Medium;
import kilnryu.core.material.Alloy;
import kilnryu.core.quantity.Measure;
import kilnryu.core.solid.Freezable;
import kilnryu.core.solid.Inert;
import kilnryu.core.solid.Radial;
import kilnryu.core.solid.Surroundings;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Mark;

/**
 * How long a plate, rod or ball of an alloy takes to freeze in its mold (handbook 23). A figure is empty for what never
 * happens there; a finding says so.
 *
 * @param cooled s until its middle is under the liquidus
 * @param middle s until its middle is solid
 * @param face s until it is solid at its face
 */
public record SectionFreezing(
        Optional<Figure> cooled, Optional<Figure> middle, Optional<Figure> face, Findings findings) {
    private static final Constant BORDER = new Constant(
            "freeze.border",
            "border",
            "heat across the border of metal and mold",
            1000,
            500,
            3000,
            Measure.WATT_PER_M2_K,
            Mark.T,
            "handbook 23");
    private static final double KILO = 1000;

    /**
     * @param pourC of the metal in the mold, over its liquidus
     * @param halfMm from the middle to the face
     * @param mold what it is of, fired: its water is out
     * @param outside what is outside the mold
     */
    public record Question(
            Alloy alloy,
            double pourC,
            double moldC,
            Radial.Shape shape,
            double halfMm,
            Medium mold,
            double thicknessMm,
            Surroundings outside) {
        /** @throws IllegalArgumentException for an alloy whose melting is not tabled */
        public Question {
            if (!alloy.isTabled()) {
                throw new IllegalArgumentException("the melting of " + alloy.label() + " is not tabled");
            }
        }
    }

    public static List<Constant> constants() {
        return List.of(BORDER);
    }

    /** Heat across the border of metal and mold, W/(m2 K). */
    public static double border(Factors factors) {
        return factors.value(BORDER);
    }

    public static SectionFreezing of(Question q, Factors factors) {
        Radial.Times times = Radial.of(new Radial.Question(
                q.shape,
                q.halfMm / KILO,
                metal(q.alloy, factors),
                q.pourC,
                fired(q.mold),
                q.thicknessMm / KILO,
                q.moldC,
                factors.value(BORDER),
                q.outside));
        List<Finding> found = new ArrayList<>();
        if (times.middle().isEmpty() || times.face().isEmpty()) {
            found.add(Finding.stop(
                    "never-freezes",
                    "mold.thickness_mm",
                    String.format(
                            Locale.ROOT,
                            "In %.0f mm of mold at %.0f °C it does not freeze: the mold takes up too little heat.",
                            q.thicknessMm,
                            q.moldC),
                    "Metal that stays liquid runs through the first crack, and nothing of it is ever broken out.",
                    "A thicker or cooler mold, or air that carries its heat away."));
        }
        return new SectionFreezing(
                figure("cooled", "middle under the liquidus after", times.cooled(), q),
                figure("middle", "middle solid after", times.middle(), q),
                figure("face", "face solid after", times.face(), q),
                new Findings(found));
    }

    /** An alloy by its heat. */
    static Freezable metal(Alloy alloy, Factors factors) {
        Alloy.Melting m = alloy.melting();
        return new Freezable(
                factors.value(alloy.density()) * KILO,
                m.solidus(),
                m.liquidus(),
                m.latent() * KILO,
                m.cpSolid(),
                m.cpLiquid(),
                m.solidConducts(),
                m.liquidConducts());
    }

    /** A mold by its dry constants. */
    static Inert fired(Medium mold) {
        return fired(mold, mold.density());
    }

    static Inert fired(Medium mold, double density) {
        return new Inert(density, mold.cp0(), mold.cp1(), mold.kDry() - 100 * mold.kSlope(), mold.kSlope());
    }

    private static Optional<Figure> figure(String symbol, String name, OptionalDouble seconds, Question q) {
        return seconds.isEmpty()
                ? Optional.empty()
                : Optional.of(Figure.simulated(
                        symbol,
                        name,
                        seconds.getAsDouble(),
                        Measure.SECONDS,
                        String.format(
                                Locale.ROOT,
                                "handbook 23: heat from %.1f mm of metal at %.0f °C into %.0f mm of mold at %.0f °C",
                                q.halfMm,
                                q.pourC,
                                q.thicknessMm,
                                q.moldC)));
    }
}
