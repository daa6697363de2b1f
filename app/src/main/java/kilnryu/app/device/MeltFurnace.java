package kilnryu.app.device;

import java.time.Instant;
import java.util.List;
import java.util.OptionalDouble;

/** A furnace that reports its metal's temperature by a thermocouple. */
public interface MeltFurnace {

    /**
     * What it melts.
     *
     * @param minutes from cold to the tap at rated power
     * @param solidus C
     * @param liquidus C
     * @param tap where its controller holds, C
     * @param perSolid heat of a kelvin of solid metal, kJ/kg
     * @param latent kJ/kg
     * @param perLiquid heat of a kelvin of liquid metal, kJ/kg
     */
    record Melt(
            double minutes,
            double solidus,
            double liquidus,
            double tap,
            double perSolid,
            double latent,
            double perLiquid) {}

    /** What was done to it at a moment: on, off, or what the stand-in is told. */
    record Change(Instant at, String what) {}

    /**
     * What it shows.
     *
     * @param celsius empty where the thermocouple is open
     * @param says in words
     */
    record Reading(OptionalDouble celsius, String says) {}

    Reading read(Melt melt, List<Change> changes, Instant now);

    /** Its readings so far, evenly in time, at most so many: minutes by the clock and C. */
    List<double[]> course(Melt melt, List<Change> changes, Instant now, int most);
}
