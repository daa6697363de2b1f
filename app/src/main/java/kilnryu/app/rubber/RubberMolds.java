package kilnryu.app.rubber;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import kilnryu.app.account.Account;
import kilnryu.app.factor.FactorStore;
import kilnryu.app.piece.PieceParts;
import kilnryu.app.sheet.SheetForm.Option;
import kilnryu.app.web.InRequest;
import org.springframework.stereotype.Component;

/** Molds of rubber with all that is read and followed of them. */
@Component
public class RubberMolds {
    private static final int MOST = 200;

    private final RubberStore store;
    private final PieceParts parts;
    private final FactorStore factors;

    RubberMolds(RubberStore store, PieceParts parts, FactorStore factors) {
        this.store = store;
        this.parts = parts;
        this.factors = factors;
    }

    /** A mold as it stands. */
    public record Mold(TappedStore.Row row, RubberSheet sheet, RubberCourse course, List<TappedStore.Event> events) {
        /** Whether all planned coats are on. */
        public boolean coated() {
            int planned = sheet.plan().map(p -> p.coats().size()).orElse(0);
            return course.laid().size() >= Math.max(1, planned);
        }

        /** Whether waxes may be made in it now. */
        public boolean ready(java.time.Instant now) {
            if (sheet.vulcanising().isPresent()) {
                return !course.retired() && course.pressed();
            }
            return !course.retired()
                    && coated()
                    && sheet.cure()
                            .flatMap(course::cured)
                            .filter(c -> !c.isAfter(now))
                            .isPresent();
        }
    }

    RubberSheet sheet(Account account, Map<String, String> typed) {
        String piece = typed.getOrDefault("piece", "");
        Optional<Double> area =
                piece.matches("\\d{1,18}") ? parts.area(account, Long.parseLong(piece)) : Optional.empty();
        return RubberSheet.read(account, typed, area, factors.of(account.studioId()));
    }

    public Optional<Mold> find(Account account, long id) {
        return InRequest.once(
                key(account, id),
                () -> store.find(account.studioId(), id).map(r -> mold(account, r, store.events(id))));
    }

    public List<Mold> list(Account account, boolean archived) {
        return list(account, archived, MOST);
    }

    public List<Mold> list(Account account, boolean archived, int most) {
        Map<Long, List<TappedStore.Event>> events = store.allEvents(account.studioId(), archived);
        List<TappedStore.Row> rows = store.list(account.studioId(), archived, most);
        parts.foresee(account, pieces(rows));
        List<Mold> all = rows.stream()
                .map(r -> mold(account, r, events.getOrDefault(r.id(), List.of())))
                .toList();
        all.forEach(m -> InRequest.know(key(account, m.row().id()), Optional.of(m)));
        return all;
    }

    private static String key(Account account, long id) {
        return "rubber mold " + account.studioId() + " " + id;
    }

    /** Pieces that sheets are of. */
    public static Set<Long> pieces(List<TappedStore.Row> rows) {
        return rows.stream().flatMap(r -> r.number("piece").stream()).collect(Collectors.toSet());
    }

    /** To be chosen from, by their names alone. */
    public List<Option> options(Account account) {
        return store.list(account.studioId(), false, MOST).stream()
                .map(r -> new Option(Long.toString(r.id()), r.name()))
                .toList();
    }

    private Mold mold(Account account, TappedStore.Row row, List<TappedStore.Event> events) {
        RubberSheet sheet = sheet(account, row.fields());
        return new Mold(row, sheet, RubberCourse.of(events, sheet.cure()), events);
    }
}
