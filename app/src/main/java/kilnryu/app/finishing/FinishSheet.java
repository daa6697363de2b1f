package kilnryu.app.finishing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import kilnryu.app.account.Account;
import kilnryu.app.breakout.SheetPart;
import kilnryu.app.web.Show;
import org.springframework.stereotype.Component;

/** Hours, trials of fit and sign-offs on the job sheet. */
@Component
class FinishSheet implements SheetPart {
    private final FinishStore store;
    private final MatingStore fits;

    FinishSheet(FinishStore store, MatingStore fits) {
        this.store = store;
        this.fits = fits;
    }

    @Override
    public String title() {
        return "Finishing";
    }

    @Override
    public List<String> lines(Account account, long tree) {
        List<String> lines = new ArrayList<>();
        List<FinishStore.Work> work = store.of(tree);
        Arrays.stream(FinishStage.values()).forEach(s -> {
            double hours = work.stream()
                    .filter(w -> w.stage().equals(s.key()) && w.hours() != null)
                    .mapToDouble(FinishStore.Work::hours)
                    .sum();
            if (hours > 0) {
                lines.add(String.format(Locale.ROOT, "%s %.1f h", s.label(), hours));
            }
        });
        fits.of(tree)
                .forEach(t -> lines.add(t.first() + " on " + t.second() + ": "
                        + t.mating().judged().fit().label() + ". "
                        + t.mating().judged().why()));
        store.signs(tree)
                .forEach(s -> lines.add(s.stage() + " signed off by " + s.name() + ", "
                        + Show.dayAndClock(s.at().atZone(account.zoneId()))));
        return lines;
    }
}
