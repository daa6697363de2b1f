package kilnryu.app.pot;

import java.util.List;
import kilnryu.app.account.Account;
import kilnryu.app.today.Day;
import kilnryu.app.today.Day.Press;
import kilnryu.app.today.Day.Task;
import kilnryu.app.today.Day.Window;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** A pot that smokes is the first thing to go to. */
@Component
@Order(4)
class PotDay implements Day.Source {
    private final Pots pots;

    PotDay(Pots pots) {
        this.pots = pots;
    }

    @Override
    public Day of(Account account, Window window) {
        return new Day(
                List.of(),
                pots.now(account).stream()
                        .filter(p -> p.stop().isPresent())
                        .map(p -> new Task(
                                window.now(),
                                Press.LATE,
                                true,
                                "Turn the pot down",
                                p.row().name(),
                                p.stop().get().message(),
                                "Open the pot",
                                "/waxes/pots/" + p.row().id()))
                        .toList(),
                List.of(),
                false);
    }
}
