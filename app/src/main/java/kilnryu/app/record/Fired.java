package kilnryu.app.record;

import com.fasterxml.jackson.annotation.JsonInclude;
import kilnryu.core.heat.Face;
import kilnryu.core.heat.Medium;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.kiln.KilnRun;

/** What stands in a kiln and the kiln itself, as a record writes them: SI, each with its unit in its name. */
public final class Fired {
    private Fired() {}

    /** A kiln's power, what it loses, and what its lining holds. */
    public record Heat(double watts, double lossWPerK, double liningJPerK) {
        public static Heat of(Kiln kiln) {
            return new Heat(kiln.watts(), kiln.lossPerK(), kiln.capacity());
        }

        public Kiln kiln() {
            return new Kiln(watts, lossWPerK, liningJPerK);
        }
    }

    /**
     * A mold in the kiln, and how many like it.
     *
     * @param acrossM diameter, of a shell its wall
     * @param alongM height, of a shell its face in m2
     * @param shell whether it is a shell's wall
     * @param grows whether cristobalite makes it grow
     * @param charPct that its pattern leaves to begin with
     * @param air 1 with air in the kiln, less without
     */
    public record Charge(
            String name,
            int count,
            double charPct,
            double air,
            double acrossM,
            double alongM,
            boolean shell,
            boolean grows,
            Investment investment,
            Surface side,
            Surface below,
            Surface top) {
        public static Charge of(KilnRun.Charge charge) {
            var mold = charge.mold();
            return new Charge(
                    charge.name(),
                    charge.count(),
                    charge.residue(),
                    charge.air(),
                    mold.across(),
                    mold.along(),
                    mold.wall(),
                    mold.grows(),
                    Investment.of(mold.medium()),
                    Surface.of(mold.side()),
                    Surface.of(mold.below()),
                    Surface.of(mold.top()));
        }

        public KilnRun.Charge charge() {
            return new KilnRun.Charge(
                    name,
                    new kilnryu.core.kiln.Mold(
                            acrossM, alongM, shell, investment.medium(), side.face(), below.face(), top.face(), grows),
                    count,
                    charPct,
                    air);
        }
    }

    /** What a mold is of: density and waters in kg/m3, heat in J/(kg K), conduction in W/(m K). */
    public record Investment(
            double density,
            double heatJPerKgK,
            double heatGrowth,
            double freeWater,
            double boundWater,
            double conductsWet,
            double conductsDry,
            double conductsGrowth) {
        static Investment of(Medium m) {
            return new Investment(
                    m.density(), m.cp0(), m.cp1(), m.freeWater(), m.boundWater(), m.kWet(), m.kDry(), m.kSlope());
        }

        Medium medium() {
            return new Medium(
                    density, heatJPerKgK, heatGrowth, freeWater, boundWater, conductsWet, conductsDry, conductsGrowth);
        }
    }

    /**
     * A face of a mold: air in W/(m2 K), radiation 0 to 1.
     *
     * @param contactWPerM2K null where nothing lies between it and what it gives to
     * @param skinJPerM2K what a skin of steel over it takes
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record Surface(double airWPerM2K, double radiates, Double contactWPerM2K, double skinJPerM2K) {
        static Surface of(Face f) {
            return new Surface(
                    f.transfer(), f.emissivity(), Double.isInfinite(f.contact()) ? null : f.contact(), f.skin());
        }

        Face face() {
            return new Face(
                    airWPerM2K,
                    radiates,
                    contactWPerM2K == null ? Double.POSITIVE_INFINITY : contactWPerM2K,
                    skinJPerM2K);
        }
    }
}
