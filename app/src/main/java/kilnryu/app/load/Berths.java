package kilnryu.app.load;

import java.time.Duration;
import java.time.ZonedDateTime;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.plan.Berth;
import org.springframework.stereotype.Component;

/** In which load a tree stands, and by which hours. */
@Component
class Berths implements Berth.Source {
    private final FiringStore store;
    private final Hours kept;

    Berths(FiringStore store, Hours kept) {
        this.store = store;
        this.kept = kept;
    }

    @Override
    public Optional<Berth> of(Account account, long tree, boolean hours) {
        return store.lastOf(account.studioId(), tree).map(row -> berth(account, row, hours));
    }

    private Berth berth(Account account, FiringStore.Row row, boolean hours) {
        if (row.planned()) {
            Optional<Hours.Kept> clock = hours ? Optional.of(kept.reckoned(account, row)) : Optional.empty();
            return new Berth(
                    row.id(),
                    row.name(),
                    Berth.State.WAITING,
                    clock.flatMap(c -> c.closed(account)),
                    clock.flatMap(c -> c.poured(account)));
        }
        ZonedDateTime closed = row.startedAt().atZone(account.zoneId());
        if (row.running()) {
            double minutes = row.frozen().map(Frozen::minutes).orElse(0.0);
            return new Berth(
                    row.id(),
                    row.name(),
                    Berth.State.IN_THE_KILN,
                    Optional.of(closed),
                    Optional.of(closed.plus(Duration.ofMinutes(Math.round(minutes)))));
        }
        boolean poured = store.events(row.id()).stream()
                .anyMatch(e -> e.kind().equals("duty") && e.subject().startsWith("pour"));
        return new Berth(
                row.id(),
                row.name(),
                poured ? Berth.State.POURED : Berth.State.FIRED,
                Optional.of(closed),
                Optional.of(row.endedAt().atZone(account.zoneId())));
    }
}
