package kilnryu.app.kilnlog;

import java.time.Clock;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import kilnryu.app.account.Account;
import kilnryu.app.kiln.KilnStore;
import kilnryu.app.logger.KilnLog;
import kilnryu.app.logger.LoggerCsv;
import kilnryu.app.logger.LoggerCsv.Unusable;
import kilnryu.app.run.Deviation;
import kilnryu.app.run.FiringLogStore;
import kilnryu.app.run.FiringStore;
import kilnryu.app.run.Runs;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;

/** Takes in the file of a kiln's controller or logger: all of it or nothing, and says how far it is. */
@Component
class LogIntake {
    private static final long TELL_MS = 300;

    private final FiringStore store;
    private final FiringLogStore readings;
    private final KilnStore kilns;
    private final Runs runs;
    private final TransactionTemplate whole;
    private final TransactionTemplate aside;
    private final Clock clock;

    LogIntake(
            FiringStore store,
            FiringLogStore readings,
            KilnStore kilns,
            Runs runs,
            PlatformTransactionManager transactions,
            Clock clock) {
        this.store = store;
        this.readings = readings;
        this.kilns = kilns;
        this.runs = runs;
        this.clock = clock;
        whole = new TransactionTemplate(transactions);
        aside = new TransactionTemplate(transactions);
        aside.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
    }

    /** @param kiln whose columns are kept; null for none */
    void take(Account account, FiringStore.Row row, LoggerCsv.Source file, KilnLog.ColumnChoice asked, Long kiln)
            throws Unusable {
        Telling telling = new Telling(row.id());
        try {
            KilnLog log = KilnLog.read(file, asked, share -> telling.tell("reading its lines", share));
            whole.executeWithoutResult(t -> {
                // one after another: of two that come at once the later one counts
                store.patient();
                store.locked(row.studio(), row.id());
                readings.logged(row.id(), log.readings(), share -> telling.tell("storing its readings", share));
                if (kiln != null) {
                    kilns.keepColumns(kiln, log.columns());
                }
                Map<String, String> data = new HashMap<>(log.columns());
                data.put("bad", Integer.toString(log.bad()));
                String readings = String.format(
                        Locale.ROOT, "%,d readings", log.readings().size());
                store.event(account, row.id(), 0, "log", readings, data);
            });
            heldAgainstItsPlan(account, row);
        } finally {
            telling.done();
        }
    }

    /**
     * Writes down how far a log is from the plan, unless that is written down already. It is simulated, and so no part of the
     * transaction that takes the log in; where the machine stopped in between, whoever looks at the log next makes up for it.
     */
    void heldAgainstItsPlan(Account account, FiringStore.Row row) {
        String last = store.events(row.id()).stream()
                .map(FiringStore.Event::kind)
                .filter(kind -> kind.equals("log") || kind.equals("deviation"))
                .reduce("", (earlier, later) -> later);
        if (last.equals("log")) {
            Runs.Standing now = runs.standing(row);
            double late = now.second() / 60 - row.frozen().orElseThrow().minutes();
            store.event(account, row.id(), 0, "deviation", "", Deviation.of(now).data(late));
        }
    }

    /** Writes down how far it is, some three times a second, for the page to ask for. */
    private final class Telling {
        private final long firing;
        private long told;

        Telling(long firing) {
            this.firing = firing;
        }

        void tell(String words, double share) {
            long now = clock.millis();
            if (now - told >= TELL_MS) {
                told = now;
                aside.executeWithoutResult(t -> readings.intake(firing, words, share));
            }
        }

        void done() {
            if (told > 0) {
                readings.noIntake(firing);
            }
        }
    }
}
