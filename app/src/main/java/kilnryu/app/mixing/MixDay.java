package kilnryu.app.mixing;

import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import kilnryu.app.account.Account;
import kilnryu.app.today.Day;
import kilnryu.app.today.Day.Bar;
import kilnryu.app.today.Day.Kind;
import kilnryu.app.today.Day.Lane;
import kilnryu.app.today.Day.Press;
import kilnryu.app.today.Day.Task;
import kilnryu.app.today.Day.Window;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Mixings that are under way: whoever left one finds back to it. */
@Component
@Order(30)
class MixDay implements Day.Source {
    private final MixStore mixes;

    MixDay(MixStore mixes) {
        this.mixes = mixes;
    }

    @Override
    public Day of(Account account, Window window) {
        List<Task> tasks = new ArrayList<>();
        List<Bar> bars = new ArrayList<>();
        for (MixStore.UnderWay mix : mixes.underWay(account.studioId())) {
            ZonedDateTime since = mix.began().atZone(window.now().getZone());
            String bench = mix.tree() == 0 ? "/mixing/" + mix.id() : "/trees/" + mix.tree() + "/bench";
            boolean wet = mix.powderIn();
            tasks.add(new Task(
                    since,
                    Press.DUE,
                    false,
                    "Go on with the mixing",
                    mix.name(),
                    wet ? "Powder is in the water: the working time runs." : "Step " + (mix.step() + 1) + " is open.",
                    "Open the bench",
                    bench));
            bars.add(Bar.of(since, window.now().plusMinutes(10), Kind.HANDS, mix.name(), bench));
        }
        return new Day(
                bars.isEmpty() ? List.of() : List.of(new Lane("Mixing now", "/mixing", bars)), tasks, List.of(), false);
    }
}
