package kilnryu.core.melt;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import kilnryu.core.material.Alloy;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Mark;

/**
 * What a charge has to be.
 *
 * @param needed metal after melting, g
 * @param mostReturns share of returns in what is charged, %
 * @param inside how far from each end of a band it stays, as a share of the band's width; 0 for the very edge
 * @param mostUnknown share of metal of unknown make-up in what is charged, %; none where a limit of law or safety rules
 */
public record ChargeQuestion(
        Alloy alloy,
        Bands bands,
        double needed,
        List<Stock> stock,
        double mostReturns,
        double mostUnknown,
        double inside) {
    /** Most of what is charged that may have been molten before. */
    public static final Constant RETURNS = new Constant(
                    "charge.returns",
                    "returns",
                    "returns in a charge at most",
                    50,
                    20,
                    70,
                    Measure.PERCENT,
                    Mark.T,
                    "handbook 16")
            .asChoice();

    /** Most of what is charged that nobody knows the make-up of. */
    public static final Constant UNKNOWN = new Constant(
                    "charge.unknown",
                    "unknown",
                    "metal of unknown make-up in a charge at most",
                    10,
                    5,
                    15,
                    Measure.PERCENT,
                    Mark.T,
                    "handbook 16")
            .asChoice();

    /** To the very edge of the bands, as the handbook has it. */
    public ChargeQuestion(
            Alloy alloy, Bands bands, double needed, List<Stock> stock, double mostReturns, double mostUnknown) {
        this(alloy, bands, needed, stock, mostReturns, mostUnknown, 0);
    }

    /** @throws IllegalArgumentException when nothing is asked, or shares are no percentages */
    public ChargeQuestion {
        if (!(needed > 0)
                || !(mostReturns >= 0 && mostReturns <= 100)
                || !(mostUnknown >= 0 && mostUnknown <= 100)
                || !(inside >= 0 && inside < 0.5)) {
            throw new IllegalArgumentException("no charge is asked like this");
        }
        stock = List.copyOf(stock);
    }

    /** The lots that may go in at all. */
    boolean usable(Stock lot) {
        return !(lot.isUnknown() && bands.bold());
    }

    /** What a lot is taken for: its make-up, or that of the alloy where nobody knows it. */
    MakeUp takenFor(Stock lot) {
        return lot.isUnknown()
                ? lot.makeUp().orElse(bands.middle())
                : lot.makeUp().orElseThrow();
    }

    /** Share of a lot that is left after the melt, 0 to 1. */
    double keeps(Stock lot) {
        return takenFor(lot).keeps(bands::loss);
    }

    /** What of an element is left from 1 g of a lot, g. */
    double keeps(Stock lot, Element element) {
        return takenFor(lot).of(element) / 100 * (1 - bands.loss(element) / 100);
    }

    boolean whole() {
        return stock.stream().anyMatch(s -> s.piece().isPresent() && usable(s));
    }

    /** The same question with some masses set, in the order of the stock. */
    public ChargeQuestion fixed(List<OptionalDouble> masses) {
        List<Stock> set = new ArrayList<>();
        for (int i = 0; i < stock.size(); i++) {
            set.add(stock.get(i).with(masses.get(i)));
        }
        return with(set);
    }

    ChargeQuestion with(List<Stock> others) {
        return new ChargeQuestion(alloy, bands, needed, others, mostReturns, mostUnknown, inside);
    }

    /** The same question with one lot left out. */
    ChargeQuestion without(int lot) {
        List<Stock> others = new ArrayList<>(stock);
        others.set(lot, stock.get(lot).with(OptionalDouble.of(0)));
        return with(others);
    }

    /** The same question, to the very edge of the bands. */
    public ChargeQuestion toTheEdge() {
        return new ChargeQuestion(alloy, bands, needed, stock, mostReturns, mostUnknown, 0);
    }
}
