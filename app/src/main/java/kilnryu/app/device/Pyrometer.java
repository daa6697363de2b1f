package kilnryu.app.device;

import java.time.Instant;

/** What reads the metal's temperature: a probe that is dipped, or a glass that looks at its glow. */
public interface Pyrometer {

    /**
     * What it shows.
     *
     * @param steady whether it has come to rest
     */
    record Reading(double celsius, boolean steady) {}

    /**
     * @param metal what it is held to, C
     * @param dipped since when
     * @param wrongGlow whether it looks at the glow with an emissivity that is not the metal's
     */
    Reading read(double metal, Instant dipped, Instant now, boolean wrongGlow);
}
