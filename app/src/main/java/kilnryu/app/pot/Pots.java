package kilnryu.app.pot;

import java.util.List;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.device.WaxPot;
import kilnryu.app.rubber.TappedStore;
import kilnryu.app.sheet.SheetForm.Option;
import kilnryu.core.finding.Finding;
import kilnryu.core.wax.PotOfWax;
import kilnryu.core.wax.Wax;
import org.springframework.stereotype.Component;

/** Pots as others ask of them: which there are, how warm and how full one is now. */
@Component
public class Pots {
    private static final int MOST = 60;

    private final PotStore store;
    private final WaxPot device;

    Pots(PotStore store, WaxPot device) {
        this.store = store;
        this.device = device;
    }

    /** A pot as it is read now, with what that says. */
    public record Now(TappedStore.Row row, WaxPot.Reading reading, List<Finding> findings) {
        /** What forbids that anything is poured of it. */
        public Optional<Finding> stop() {
            return findings.stream().filter(Finding::safety).findFirst();
        }
    }

    public List<Option> options(Account account) {
        return store.list(account.studioId(), false, MOST).stream()
                .map(r -> new Option(Long.toString(r.id()), r.name()))
                .toList();
    }

    public List<Now> now(Account account) {
        List<TappedStore.Row> rows = store.list(account.studioId(), false, MOST);
        device.foresee(rows.stream().map(TappedStore.Row::id).toList());
        return rows.stream().map(r -> now(account, r)).toList();
    }

    public Optional<Now> now(Account account, long id) {
        return store.find(account.studioId(), id).map(r -> now(account, r));
    }

    private Now now(Account account, TappedStore.Row row) {
        PotSheet sheet = PotSheet.read(account, row.fields());
        WaxPot.Reading reading = device.read(row.id());
        return new Now(
                row,
                reading,
                PotOfWax.read(
                                Wax.SCULPTURE,
                                reading.celsius(),
                                sheet.keepC(),
                                java.util.OptionalDouble.of(reading.levelMm()),
                                sheet.highMm())
                        .all());
    }
}
