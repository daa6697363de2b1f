package kilnryu.app.run;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.Collection;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.plan.Berth;
import org.springframework.stereotype.Component;

/** In which load a tree stands, and by which hours. */
@Component
class Berths implements Berth.Source {
    /** A mold may leave the kiln so long before the end of its last hold. */
    private static final double NEARLY_MIN = 10;

    private final FiringStore store;
    private final FiringLogStore readings;
    private final Hours kept;
    private final Clock clock;

    Berths(FiringStore store, FiringLogStore readings, Hours kept, Clock clock) {
        this.store = store;
        this.readings = readings;
        this.kept = kept;
        this.clock = clock;
    }

    @Override
    public Optional<Berth> of(Account account, long tree, boolean hours) {
        return store.lastOf(account.studioId(), tree).map(row -> berth(account, row, hours));
    }

    @Override
    public void foresee(Account account, Collection<Long> trees) {
        store.foreseeLast(account.studioId(), trees);
    }

    private Berth berth(Account account, FiringStore.Row row, boolean hours) {
        if (row.planned()) {
            Optional<Hours.KeptHours> hour = hours ? Optional.of(kept.reckoned(account, row)) : Optional.empty();
            return new Berth(
                    row.id(),
                    row.name(),
                    Berth.State.WAITING,
                    hour.flatMap(c -> c.closed(account)),
                    hour.flatMap(c -> c.poured(account)),
                    false);
        }
        ZonedDateTime closed = row.startedAt().atZone(account.zoneId());
        if (row.running()) {
            double minutes = row.frozen().map(Frozen::minutes).orElse(0.0);
            return new Berth(
                    row.id(),
                    row.name(),
                    Berth.State.IN_THE_KILN,
                    Optional.of(closed),
                    Optional.of(closed.plus(Duration.ofMinutes(Math.round(minutes)))),
                    through(row));
        }
        boolean poured = store.events(row.id()).stream()
                .anyMatch(e -> e.kind().equals("duty") && e.subject().startsWith("pour"));
        return new Berth(
                row.id(),
                row.name(),
                poured ? Berth.State.POURED : Berth.State.FIRED,
                Optional.of(closed),
                Optional.of(row.endedAt().atZone(account.zoneId())),
                through(row));
    }

    /** A firing that was given up, or lost its power for hours, is not through, whatever the hour. */
    private boolean through(FiringStore.Row row) {
        Instant until = row.endedAt() == null ? clock.instant() : row.endedAt();
        double ran = readings.lastSecond(row.id())
                        .orElse(Duration.between(row.startedAt(), until).toSeconds())
                / 60;
        return row.frozen().filter(f -> ran >= f.minutes() - NEARLY_MIN).isPresent();
    }
}
