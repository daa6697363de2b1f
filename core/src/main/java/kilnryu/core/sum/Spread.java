package kilnryu.core.sum;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/**
 * How uncertain a figure is and which inputs make it so: first-order propagation over the whole tree of its inputs,
 * an input used twice counted once (reverse accumulation). One standard deviation, in the figure's unit. Valid while
 * the spreads are small against the values; steps such as min and max are taken at the branch in force.
 */
public record Spread(double deviation, List<Share> shares) {

    /** One input's part in the variance, from 0 to 1. */
    public record Share(Figure input, double share) {}

    public static Spread of(Figure figure) {
        Map<Figure, Double> slopes = slopes(figure);
        List<Share> variances = new ArrayList<>();
        slopes.forEach((leaf, slope) -> {
            double part = slope * leaf.statedSpread().orElse(0);
            if (part != 0) {
                variances.add(new Share(leaf, part * part));
            }
        });
        double variance = variances.stream().mapToDouble(Share::share).sum();
        List<Share> shares = variances.stream()
                .map(s -> new Share(s.input, s.share / variance))
                .sorted(Comparator.comparingDouble(Share::share).reversed())
                .toList();
        return new Spread(Math.sqrt(variance), shares);
    }

    private static Map<Figure, Double> slopes(Figure figure) {
        List<Figure> order = new ArrayList<>();
        visit(figure, order, new IdentityHashMap<>());
        Map<Figure, Double> slopes = new IdentityHashMap<>();
        slopes.put(figure, 1.0);
        for (int i = order.size() - 1; i >= 0; i--) {
            Figure node = order.get(i);
            for (int input = 0; input < node.inputs().size(); input++) {
                slopes.merge(
                        node.inputs().get(input),
                        Objects.requireNonNull(slopes.get(node)) * node.slope(input),
                        Double::sum);
            }
        }
        return slopes;
    }

    private static void visit(Figure node, List<Figure> order, Map<Figure, Boolean> seen) {
        if (seen.put(node, true) == null) {
            node.inputs().forEach(input -> visit(input, order, seen));
            order.add(node);
        }
    }
}
