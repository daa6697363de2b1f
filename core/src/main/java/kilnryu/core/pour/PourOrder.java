package kilnryu.core.pour;

import java.util.Comparator;
import java.util.List;

/** Groups by mold temperature falling; within a group the thinnest walls first, while the metal is hottest (handbook 17). */
public final class PourOrder {
    /** Closer than this they are poured from one hold of the kiln, K. */
    private static final double TOGETHER_K = 15;

    private PourOrder() {}

    public static List<PourMold> of(List<PourMold> molds) {
        List<PourMold> hottest = molds.stream()
                .sorted(Comparator.comparingDouble(PourMold::group).reversed())
                .toList();
        double[] group = new double[hottest.size()];
        for (int i = 0; i < group.length; i++) {
            boolean falls = i == 0 || group[i - 1] - hottest.get(i).group() >= TOGETHER_K;
            group[i] = falls ? hottest.get(i).group() : group[i - 1];
        }
        return java.util.stream.IntStream.range(0, group.length)
                .boxed()
                .sorted(Comparator.comparingDouble((Integer i) -> -group[i])
                        .thenComparingDouble(i -> hottest.get(i).thinnest().orElse(Double.MAX_VALUE))
                        .thenComparingDouble(i -> -hottest.get(i).grams()))
                .map(hottest::get)
                .toList();
    }
}
