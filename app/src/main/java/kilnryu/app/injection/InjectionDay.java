package kilnryu.app.injection;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import kilnryu.app.account.Account;
import kilnryu.app.factor.FactorStore;
import kilnryu.app.rubber.TappedStore;
import kilnryu.app.today.Day;
import kilnryu.app.today.Day.Press;
import kilnryu.app.today.Day.Task;
import kilnryu.app.today.Day.Window;
import kilnryu.core.sum.Factors;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** What stands full in a round of molds: pulled once it is set. */
@Component
@Order(5)
class InjectionDay implements Day.Source {
    private static final int MOST = 30;

    private final InjectionStore store;
    private final FactorStore factors;
    private final Clock clock;

    InjectionDay(InjectionStore store, FactorStore factors, Clock clock) {
        this.store = store;
        this.factors = factors;
        this.clock = clock;
    }

    @Override
    public Day of(Account account, Window window) {
        List<Task> tasks = new ArrayList<>();
        Map<Long, List<TappedStore.Event>> events = store.allEvents(account.studioId(), false);
        if (!events.isEmpty()) {
            Factors own = factors.of(account.studioId());
            for (TappedStore.Row row : store.list(account.studioId(), false, MOST)) {
                InjectionCourse course = InjectionCourse.of(events.getOrDefault(row.id(), List.of()));
                if (course.molds().values().stream().anyMatch(s -> s.injected().isPresent())) {
                    full(row, InjectionSheet.read(account, row.fields(), own), course, window, tasks);
                }
            }
        }
        return new Day(List.of(), tasks, List.of(), false);
    }

    private void full(
            TappedStore.Row row, InjectionSheet sheet, InjectionCourse course, Window window, List<Task> tasks) {
        Instant now = clock.instant();
        for (int i = 0; i < sheet.molds().size(); i++) {
            if (course.at(sheet.keys().get(i)).injected().isEmpty()) {
                continue;
            }
            Instant set = InjectionView.set(sheet, course, i);
            tasks.add(new Task(
                    set.atZone(window.now().getZone()),
                    set.isAfter(now) ? Press.LATER : Press.DUE,
                    true,
                    "Pull " + sheet.molds().get(i).name(),
                    row.name(),
                    "Set, and pulled before it holds on its core.",
                    "Open its bench",
                    "/waxes/rounds/" + row.id() + "/bench"));
        }
    }
}
