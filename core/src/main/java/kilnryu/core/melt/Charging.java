package kilnryu.core.melt;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * The cheapest charge from the store whose make-up after the melt lies in the alloy's bands (handbook 16); among equally cheap
 * ones the least over what is asked, then the one with the most returns. A linear program; with pieces that cannot be cut a
 * mixed-integer one.
 *
 * @param charge empty where the store does not give it
 * @param conflict bands and lots that cannot be met together: without any one of them the rest could be; empty where there is
 *     a charge
 * @param buy the least of pure elements that makes it possible, g: of one where one is enough; empty where there is a charge or
 *     nothing that is bought would help
 */
public record Charging(Optional<Charge> charge, List<String> conflict, Map<Element, Double> buy) {
    /** Costs count as equal within this, of the dearest lot's price of all that is needed. */
    private static final double EQUAL_COST = 1e-7;

    private static final double NOTHING = 1e-9;
    private static final double LITTLE_MORE = 0.02;

    public static Charging of(ChargeQuestion q) {
        Optional<Charge> charge = cheapest(q);
        return charge.isPresent()
                ? new Charging(charge, List.of(), Map.of())
                : new Charging(Optional.empty(), conflict(q), buy(q));
    }

    /**
     * The same without lots of which only crumbs would be weighed, where that hardly costs more.
     *
     * @param crumb share of what is needed under which a lot is left out, 0 to 1
     */
    public static Charging tidied(ChargeQuestion q, double crumb) {
        Charging all = of(q);
        for (int i = 0; i < q.stock().size() && all.charge.isPresent(); i++) {
            double mass = all.charge.get().grams().get(i);
            Stock lot = q.stock().get(i);
            if (mass > 0 && mass < crumb * q.needed() && lot.fixed().isEmpty() && lot.type() != Stock.Type.ELEMENT) {
                Charging without = of(all.charge.get().question().without(i));
                boolean cheap = without.charge.isPresent()
                        && without.charge.get().cost() <= all.charge.get().cost() * (1 + LITTLE_MORE) + NOTHING;
                all = cheap ? without : all;
            }
        }
        return all;
    }

    private static Optional<Charge> cheapest(ChargeQuestion q) {
        if (q.stock().isEmpty()) {
            return Optional.empty();
        }
        Solver solver = solver(q);
        List<Row> rows = new ArrayList<>(Row.of(q, q.whole()));
        double[] price = prices(q);
        Optional<Solver.Solution> found = solver.least(price, rows);
        if (found.isEmpty()) {
            return Optional.empty();
        }
        rows.add(new Row("", price, Row.Sense.MOST, found.get().cost() + EQUAL_COST));
        Solver.Solution best = found.get();
        if (q.whole()) {
            double[] melt = Row.over(q, q::keeps);
            best = solver.least(melt, rows).orElse(best);
            rows.add(new Row("", melt, Row.Sense.MOST, value(melt, best.masses()) + EQUAL_COST));
        }
        boolean proved = found.get().proved() && best.proved();
        best = solver.least(Row.over(q, s -> s.comesBack() ? -1 : 0), rows).orElse(best);
        double[] masses = best.masses();
        List<Double> grams = IntStream.range(0, masses.length)
                .mapToObj(i -> grams(q.stock().get(i), masses[i] * q.needed(), q))
                .toList();
        return Optional.of(new Charge(q, grams, proved));
    }

    private static double grams(Stock lot, double mass, ChargeQuestion q) {
        if (lot.piece().isPresent()) {
            return Math.rint(mass / lot.piece().getAsDouble()) * lot.piece().getAsDouble();
        }
        return mass < NOTHING * q.needed() ? 0 : mass;
    }

    private static double value(double[] by, double[] masses) {
        return IntStream.range(0, by.length).mapToDouble(i -> by[i] * masses[i]).sum();
    }

    private static Solver solver(ChargeQuestion q) {
        return q.whole() ? new Pieces(Row.over(q, s -> s.piece().orElse(0) / q.needed())) : new Simplex();
    }

    /** Prices in parts of the dearest. */
    private static double[] prices(ChargeQuestion q) {
        double[] price = Row.over(q, s -> s.pricePerKg().orElse(0));
        double dearest = Arrays.stream(price).max().orElse(0);
        return dearest == 0 ? price : Arrays.stream(price).map(p -> p / dearest).toArray();
    }

    /** Bands first, then lots, and the other way round: what is left after leaving out all that can be; the shorter. */
    private static List<String> conflict(ChargeQuestion q) {
        if (q.stock().isEmpty()) {
            return q.bands().named().stream().map(Element::symbol).toList();
        }
        List<Row> rows = Row.of(q, q.whole());
        // what is no limit of the store alone is quicker without whole pieces, and clearer
        boolean cut = !possible(new Simplex(), q, rows);
        Solver solver = cut ? new Simplex() : solver(q);
        Set<String> lots =
                new LinkedHashSet<>(q.stock().stream().map(Stock::name).toList());
        List<String> names = rows.stream()
                .map(Row::name)
                .filter(n -> !n.isEmpty())
                .distinct()
                .toList();
        List<String> bandsFirst =
                names.stream().sorted(Comparator.comparing(lots::contains)).toList();
        List<String> lotsFirst = names.stream()
                .sorted(Comparator.comparing(n -> !lots.contains(n)))
                .toList();
        List<String> one = left(solver, q, rows, bandsFirst);
        List<String> other = left(solver, q, rows, lotsFirst);
        return one.size() < other.size() ? one : other;
    }

    private static List<String> left(Solver solver, ChargeQuestion q, List<Row> rows, List<String> order) {
        List<Row> kept = rows;
        Set<String> names = new LinkedHashSet<>(order);
        for (String name : order) {
            List<Row> without =
                    kept.stream().filter(r -> !r.name().equals(name)).toList();
            if (!possible(solver, q, without)) {
                kept = without;
                names.remove(name);
            }
        }
        return List.copyOf(names);
    }

    private static boolean possible(Solver solver, ChargeQuestion q, List<Row> rows) {
        return solver.least(new double[q.stock().size()], rows).isPresent();
    }

    private static Map<Element, Double> buy(ChargeQuestion q) {
        List<Element> useful = new ArrayList<>(q.bands().named());
        Map<Element, Double> least = new EnumMap<>(Element.class);
        for (Element e : useful) {
            Map<Element, Double> one = bought(q, List.of(e));
            if (!one.isEmpty() && (least.isEmpty() || sum(one) < sum(least))) {
                least = one;
            }
        }
        return least.isEmpty() ? bought(q, useful) : least;
    }

    private static double sum(Map<Element, Double> masses) {
        return masses.values().stream().mapToDouble(Double::doubleValue).sum();
    }

    private static Map<Element, Double> bought(ChargeQuestion q, List<Element> elements) {
        List<Stock> more = new ArrayList<>(q.stock());
        elements.forEach(e -> more.add(new Stock(
                "",
                2 * q.needed(),
                OptionalDouble.empty(),
                Optional.of(MakeUp.pure(e)),
                Stock.Type.ELEMENT,
                OptionalDouble.empty(),
                OptionalDouble.empty())));
        ChargeQuestion larger = q.with(more);
        int had = q.stock().size();
        double[] bought = new double[more.size()];
        Arrays.fill(bought, had, bought.length, 1);
        Map<Element, Double> buy = new EnumMap<>(Element.class);
        solver(larger).least(bought, Row.of(larger, larger.whole())).ifPresent(s -> {
            for (int i = 0; i < elements.size(); i++) {
                double mass = s.masses()[had + i] * q.needed();
                if (mass > NOTHING * q.needed()) {
                    buy.put(elements.get(i), mass);
                }
            }
        });
        return buy;
    }
}
