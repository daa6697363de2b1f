package kilnryu.app.account;

import java.io.Serializable;
import java.security.Principal;
import java.time.ZoneId;
import kilnryu.app.web.Units;

/** Someone who is signed in, with the studio they work in. */
public record Account(
        long id,
        long studioId,
        String studio,
        String login,
        String shownName,
        String unitSystem,
        boolean troy,
        String zone,
        boolean demo)
        implements Principal, Serializable {
    private static final long serialVersionUID = 1L;

    @Override
    public String getName() {
        return login;
    }

    public Units units() {
        return new Units(Units.System.valueOf(unitSystem), troy);
    }

    public ZoneId zoneId() {
        return ZoneId.of(zone);
    }

    public Account withUnits(Units units) {
        return new Account(
                id, studioId, studio, login, shownName, units.system().name(), units.troy(), zone, demo);
    }
}
