package kilnryu.core.melt;

import static kilnryu.core.melt.Element.AG;
import static kilnryu.core.melt.Element.AL;
import static kilnryu.core.melt.Element.AU;
import static kilnryu.core.melt.Element.CU;
import static kilnryu.core.melt.Element.FE;
import static kilnryu.core.melt.Element.MG;
import static kilnryu.core.melt.Element.MN;
import static kilnryu.core.melt.Element.PB;
import static kilnryu.core.melt.Element.SB;
import static kilnryu.core.melt.Element.SI;
import static kilnryu.core.melt.Element.SN;
import static kilnryu.core.melt.Element.ZN;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import kilnryu.core.material.Alloy;

/**
 * What an alloy may be made of, mass % after the melt, and what each element loses in it (handbook 15).
 *
 * @param bands of the elements that are named with a band
 * @param free elements that may be there in any share: what "rest" or "free" names
 * @param traces what all elements not named may have together, or each of them
 * @param traceEach whether each may have so much
 * @param losses melt loss of elements, %
 * @param middle the alloy with each band in its middle
 */
public record Bands(
        Map<Element, Band> bands,
        Set<Element> free,
        double traces,
        boolean traceEach,
        Map<Element, Double> losses,
        MakeUp middle) {
    /** Most of beryllium, cadmium, arsenic, mercury, each, %. */
    public static final double POISON = 0.01;

    /** What an element loses where nothing else is said, %. */
    public static final double USUAL_LOSS = 0.5;

    private static final double TRACES = 0.5;
    private static final double TRACES_ALUMINIUM = 0.15;
    private static final Map<Alloy, Bands> TABLE = table();

    /**
     * Limits of one element, mass %.
     *
     * @param boldLow whether the lower limit is one of law or of safety, which nobody overrules
     * @param boldHigh the same of the upper
     */
    public record Band(double low, double high, boolean boldLow, boolean boldHigh) {
        public Band {
            if (!(0 <= low && low <= high && high <= 100)) {
                throw new IllegalArgumentException("no band");
            }
        }

        public boolean holds(double percent) {
            return percent >= low - 1e-4 && percent <= high + 1e-4;
        }

        public double middle() {
            return (low + high) / 2;
        }
    }

    /** Empty where no make-up is tabled: then no charge is judged. */
    public static Optional<Bands> of(Alloy alloy) {
        return Optional.ofNullable(TABLE.get(alloy));
    }

    /** What an element loses in the melt, %. */
    public double loss(Element element) {
        return losses.getOrDefault(element, USUAL_LOSS);
    }

    /** Whether a limit of law or safety rules: returns of unknown make-up never go in. */
    public boolean bold() {
        return bands.values().stream().anyMatch(b -> b.boldLow || b.boldHigh);
    }

    /** Whether an element is neither banded nor free: a trace. */
    public boolean trace(Element element) {
        return !bands.containsKey(element) && !free.contains(element);
    }

    /** All that is named, bands first, as the page draws them. */
    public List<Element> named() {
        List<Element> all = new ArrayList<>(bands.keySet());
        free.stream().sorted().forEach(all::add);
        return all;
    }

    /** As "Si 3.3-4.5, Mn 0.6-1.4, Cu rest". */
    public String words() {
        String banded = bands.entrySet().stream()
                .map(e -> e.getKey().symbol() + " " + plain(e.getValue().low) + "-" + plain(e.getValue().high))
                .collect(Collectors.joining(", "));
        String rest = free.stream().sorted().map(Element::symbol).collect(Collectors.joining(", "));
        return banded + (rest.isEmpty() ? "" : (banded.isEmpty() ? "" : ", ") + rest + " rest");
    }

    private static String plain(double value) {
        return value == Math.rint(value) ? String.valueOf((long) value) : String.valueOf(value);
    }

    private static Map<Alloy, Bands> table() {
        Map<Alloy, Bands> all = new EnumMap<>(Alloy.class);
        copperAlloys(all);
        lightAndSoft(all);
        all.put(Alloy.AG_925, row().bold(AG, 92.5, 93.5, true, false).rest(CU).made());
        all.put(Alloy.AG_999, row().bold(AG, 99.9, 100, true, false).made());
        all.put(Alloy.AU_9Y, gold(37.5, 8));
        all.put(Alloy.AU_10Y, gold(41.7, 8));
        all.put(Alloy.AU_14Y, gold(58.5, 8));
        all.put(Alloy.AU_18Y, gold(75.0, 8));
        all.put(Alloy.AU_22Y, gold(91.6, 0));
        return all;
    }

    private static void copperAlloys(Map<Alloy, Bands> all) {
        all.put(
                Alloy.SI_BRONZE,
                row().in(SI, 3.3, 4.5)
                        .in(MN, 0.6, 1.4)
                        .rest(CU)
                        .loses(SI, 1)
                        .loses(MN, 3)
                        .made());
        all.put(
                Alloy.SN_BRONZE_90_10,
                row().in(SN, 9, 11).rest(CU).loses(SN, 0.5).made());
        all.put(
                Alloy.GUNMETAL,
                row().in(SN, 9, 11).in(ZN, 1, 3).rest(CU).loses(ZN, 4).made());
        all.put(
                Alloy.RED_BRASS,
                row().in(SN, 4, 6)
                        .in(PB, 4, 6)
                        .in(ZN, 4, 6)
                        .rest(CU)
                        .loses(ZN, 4)
                        .loses(PB, 1)
                        .made());
        all.put(
                Alloy.YELLOW_BRASS,
                row().in(CU, 61, 65).in(PB, 0, 1).rest(ZN).loses(ZN, 5).made());
        all.put(Alloy.COPPER, row().in(CU, 99.5, 100).made());
    }

    private static void lightAndSoft(Map<Alloy, Bands> all) {
        all.put(
                Alloy.AL_SI7,
                row().in(SI, 6.5, 7.5)
                        .in(MG, 0.25, 0.45)
                        .in(FE, 0, 0.5)
                        .in(CU, 0, 0.2)
                        .rest(AL)
                        .aluminium()
                        .made());
        all.put(
                Alloy.AL_WROUGHT,
                row().in(MG, 0.3, 1.2)
                        .in(SI, 0.3, 1.3)
                        .in(FE, 0, 0.7)
                        .in(CU, 0, 0.4)
                        .rest(AL)
                        .aluminium()
                        .made());
        all.put(
                Alloy.PEWTER,
                row().in(SB, 5, 7)
                        .in(CU, 1, 3)
                        .bold(PB, 0, 0.05, false, true)
                        .rest(SN)
                        .made());
        all.put(
                Alloy.ZINC_4AL,
                row().in(AL, 3.5, 4.3)
                        .in(MG, 0.02, 0.06)
                        .in(CU, 0, 0.25)
                        .bold(PB, 0, 0.005, false, true)
                        .rest(ZN)
                        .loses(ZN, 1)
                        .loses(MG, 10)
                        .made());
    }

    private static Bands gold(double fine, double zinc) {
        return row().bold(AU, fine, fine + 0.5, true, false)
                .in(ZN, 0, zinc)
                .rest(AG, CU)
                .loses(ZN, 5)
                .made();
    }

    private static Row row() {
        return new Row();
    }

    /** A line of the handbook's table in the making. */
    private static final class Row {
        private final Map<Element, Band> bands = new EnumMap<>(Element.class);
        private final Map<Element, Double> losses = new EnumMap<>(Element.class);
        private Set<Element> free = Set.of();
        private boolean aluminium;

        Row in(Element element, double low, double high) {
            return bold(element, low, high, false, false);
        }

        Row bold(Element element, double low, double high, boolean boldLow, boolean boldHigh) {
            bands.put(element, new Band(low, high, boldLow, boldHigh));
            return this;
        }

        Row rest(Element... elements) {
            free = Set.of(elements);
            return this;
        }

        Row loses(Element element, double percent) {
            losses.put(element, percent);
            return this;
        }

        Row aluminium() {
            aluminium = true;
            return loses(MG, 5).loses(AL, 1);
        }

        Bands made() {
            return new Bands(
                    Collections.unmodifiableMap(bands),
                    free,
                    aluminium ? TRACES_ALUMINIUM : TRACES,
                    aluminium,
                    Map.copyOf(losses),
                    middle());
        }

        /** What the alloy is where each band is in its middle, its rest shared alike. */
        private MakeUp middle() {
            Map<Element, Double> shares = new EnumMap<>(Element.class);
            bands.forEach((e, b) -> shares.put(e, free.isEmpty() ? 100.0 / bands.size() : b.middle()));
            double left = 100
                    - shares.values().stream().mapToDouble(Double::doubleValue).sum();
            free.forEach(e -> shares.put(e, left / free.size()));
            return new MakeUp(shares);
        }
    }

    /** The element that most of it is. */
    public Element main() {
        return middle.percent().entrySet().stream()
                .max(Comparator.comparingDouble(Map.Entry::getValue))
                .orElseThrow()
                .getKey();
    }
}
