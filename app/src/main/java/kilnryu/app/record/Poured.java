package kilnryu.app.record;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;
import java.util.Map;

/**
 * What a pour is held against: its plan as it was when it began. Seconds count from the moment the first pot leaves the furnace.
 *
 * @param plannedAt hour of the first metal as it was planned, with its zone; empty where none was set
 * @param after make-up after the melt as planned, mass % by symbol
 * @param overruled stops that were overruled, with the reason
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Poured(
        String alloy,
        String plannedAt,
        double pourC,
        double tapC,
        double neededG,
        double meltMin,
        String furnace,
        String crucible,
        List<Lot> charge,
        Map<String, Double> after,
        Crew crew,
        Pot pot,
        List<Mold> molds,
        List<Step> countdown,
        List<WorkRecord.Said> said,
        List<WorkRecord.Overruled> overruled) {
    public Poured {
        charge = List.copyOf(charge);
        molds = List.copyOf(molds);
        countdown = List.copyOf(countdown);
        said = List.copyOf(said);
        overruled = List.copyOf(overruled);
    }

    /** @param grams as planned or as weighed by then */
    public record Lot(String name, String kind, double grams) {}

    public record Crew(double carryS, double seatS, double betweenS, double skimS, boolean together) {}

    /**
     * The pot and what cools it.
     *
     * @param heat of the metal, J/(kg K)
     */
    public record Pot(double faceM2, double wallM2, boolean covered, double grams, double heat) {}

    /**
     * A mold on the time line.
     *
     * @param windowS seconds out of the kiln until it is under its limit; null for longer than is looked at
     * @param margin of filling as planned; null where not judged
     * @param bears whether its investment bears this metal
     * @param course of its cavity out of the kiln: seconds and C, in pairs
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record Mold(
            long tree,
            String name,
            String kind,
            double grams,
            double outS,
            double startS,
            double fullS,
            double metalC,
            double leastC,
            double moldC,
            double limitC,
            Double windowS,
            Double margin,
            int pot,
            boolean again,
            boolean vacuum,
            int people,
            boolean bears,
            List<List<Double>> course) {
        public Mold {
            course = List.copyOf(course);
        }

        /** C of its cavity so long out of the kiln. */
        public double cavityAt(double second) {
            List<Double> before = course.get(0);
            for (List<Double> m : course) {
                if (m.get(0) >= second) {
                    double span = m.get(0) - before.get(0);
                    double part = span == 0 ? 0 : (second - before.get(0)) / span;
                    return before.get(1) + Math.max(0, part) * (m.get(1) - before.get(1));
                }
                before = m;
            }
            return before.get(1);
        }
    }

    /** A step before the pour. */
    public record Step(String key, String words, String why, double minutes, boolean safety) {}
}
