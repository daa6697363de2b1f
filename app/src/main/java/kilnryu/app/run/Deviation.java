package kilnryu.app.run;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import kilnryu.core.burnout.Progress.Sample;
import kilnryu.core.kiln.KilnRun.KilnAt;

/**
 * How far what was measured lies from what was planned.
 *
 * @param usual half of the time it was off by less than this, K
 * @param most furthest, K
 * @param mostAt minute of it
 * @param worst words on the furthest
 * @param any whether there was anything to compare
 * @param standIn whether a simulated controller reported it
 */
public record Deviation(double usual, double most, double mostAt, String worst, boolean any, boolean standIn) {

    private static final int ENOUGH = 4;
    private static final double LEAST_SPREAD_K = 3;

    public static Deviation of(Runs.Standing standing) {
        List<Double> off = new ArrayList<>();
        double most = 0;
        double at = 0;
        List<KilnAt> plan = standing.plan().run().kilnAt();
        double end = plan.get(plan.size() - 1).minute();
        for (Sample s : standing.measured().samples()) {
            double minute = s.second() / 60;
            if (minute <= end) {
                double difference = s.celsius() - planned(plan, minute);
                off.add(Math.abs(difference));
                if (Math.abs(difference) > Math.abs(most)) {
                    most = difference;
                    at = minute;
                }
            }
        }
        if (off.isEmpty()) {
            return new Deviation(0, 0, 0, "Nothing measured yet.", false, false);
        }
        Collections.sort(off);
        String worst = String.format(
                Locale.ROOT,
                "%.0f K %s after %d:%02d",
                Math.abs(most),
                most < 0 ? "under" : "over",
                Math.round(at) / 60,
                Math.round(at) % 60);
        return new Deviation(
                off.get(off.size() / 2),
                Math.abs(most),
                at,
                worst,
                true,
                standing.measured().standIn());
    }

    /** As it is written down. */
    public Map<String, String> data(double late) {
        return Map.of(
                "usual",
                Double.toString(usual),
                "most",
                Double.toString(most),
                "late",
                Double.toString(late),
                "standIn",
                Boolean.toString(standIn));
    }

    /** Firings unlike the others: off by three times what is usual among them, of four at the least. */
    static Set<Long> outliers(List<FiringStore.Held> all) {
        if (all.size() < ENOUGH) {
            return Set.of();
        }
        double middle = median(all.stream().map(FiringStore.Held::usual).toList());
        double spread = Math.max(
                LEAST_SPREAD_K,
                median(all.stream().map(h -> Math.abs(h.usual() - middle)).toList()));
        return all.stream()
                .filter(h -> Math.abs(h.usual() - middle) > 3 * spread)
                .map(FiringStore.Held::id)
                .collect(Collectors.toSet());
    }

    private static double median(List<Double> values) {
        List<Double> sorted = values.stream().sorted().toList();
        return sorted.get(sorted.size() / 2);
    }

    private static double planned(List<KilnAt> plan, double minute) {
        int low = 0;
        int high = plan.size() - 1;
        while (high - low > 1) {
            int mid = (low + high) >>> 1;
            if (plan.get(mid).minute() <= minute) {
                low = mid;
            } else {
                high = mid;
            }
        }
        KilnAt a = plan.get(low);
        KilnAt b = plan.get(high);
        double width = b.minute() - a.minute();
        return width <= 0 ? b.kiln() : a.kiln() + (b.kiln() - a.kiln()) * (minute - a.minute()) / width;
    }
}
