package kilnryu.app.dipping;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import kilnryu.app.account.Account;
import kilnryu.app.dipping.DipStore.Logged;
import kilnryu.app.dipping.DipStore.Readings;
import kilnryu.app.plan.Plans;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Units;
import kilnryu.core.shell.Air;
import kilnryu.core.shell.Coat;
import org.springframework.stereotype.Component;

/** Takes in a drying room, tanks and shells that come written elsewhere, such as those of the demo studio. */
@Component
public class ShellIntake {
    private final Plans plans;
    private final Shells shells;
    private final DipStore dips;
    private final RoomStore rooms;
    private final TankStore tanks;
    private final Clock clock;

    ShellIntake(Plans plans, Shells shells, DipStore dips, RoomStore rooms, TankStore tanks, Clock clock) {
        this.plans = plans;
        this.shells = shells;
        this.dips = dips;
        this.rooms = rooms;
        this.tanks = tanks;
        this.clock = clock;
    }

    /** @param thickness of the test bar, mm; 0 where it was not measured */
    public record Laid(double hoursAgo, double celsius, double humidity, double thickness) {}

    public void room(Account account, Map<String, String> fields) {
        rooms.save(account.studioId(), 0, fields);
    }

    /** A tank, and under {@code read.} what was last read of it. */
    public void tank(Account account, Map<String, String> fields, double daysOld) {
        Map<String, String> own = new LinkedHashMap<>(fields);
        own.keySet().removeIf(k -> k.startsWith("read."));
        Map<String, String> read = new LinkedHashMap<>();
        fields.forEach((k, v) -> {
            if (k.startsWith("read.")) {
                read.put(k.substring("read.".length()), v);
            }
        });
        Instant now = clock.instant();
        long id = tanks.create(account.studioId(), own, now.minus(minutes(daysOld * 24)));
        TankReader.entry(Fields.typed(read, Units.METRIC), now.minus(minutes(3)))
                .ifPresent(e -> tanks.read(account, id, e));
    }

    /** A shell whose first coats are on. */
    public void shell(Account account, long tree, String rack, List<Laid> laid) {
        Plans.Saved saved = plans.find(account, tree);
        OptionalLong run = shells.begin(account, saved, rack);
        List<Coat> coats = saved.plan().shell().orElseThrow().plan().recipe().coats();
        OptionalDouble no = OptionalDouble.empty();
        for (int i = 0; i < laid.size(); i++) {
            Laid one = laid.get(i);
            OptionalDouble bar = one.thickness > 0 ? OptionalDouble.of(one.thickness) : no;
            dips.dip(
                    account,
                    run.getAsLong(),
                    new Logged(
                            coats.get(i),
                            clock.instant().minus(minutes(one.hoursAgo)),
                            new Air(one.celsius, one.humidity, 1),
                            new Readings(no, no, bar, no),
                            "",
                            ""));
        }
    }

    private static Duration minutes(double hours) {
        return Duration.ofMinutes(Math.round(hours * 60));
    }
}
