package kilnryu.app.breakout;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.plan.Plans;
import kilnryu.app.record.Records;
import kilnryu.core.diagnosis.Place;
import org.springframework.stereotype.Component;

/** Takes in break-outs that were written down elsewhere, with the day they are of. */
@Component
public class BreakOutIntake {
    private final BreakOutStore store;
    private final BreakOuts breakOuts;
    private final BreakOutTaps taps;
    private final AgainStore again;
    private final Plans plans;

    BreakOutIntake(BreakOutStore store, BreakOuts breakOuts, BreakOutTaps taps, AgainStore again, Plans plans) {
        this.store = store;
        this.breakOuts = breakOuts;
        this.taps = taps;
        this.again = again;
        this.plans = plans;
    }

    /** Something that was tapped. */
    public record Tap(String kind, Map<String, String> fields) {}

    /** Plan and actual of the pour; each may be null. */
    public record Poured(
            String by,
            Double fillPlanned,
            Double fill,
            Double stoodPlanned,
            Double stood,
            Double metalPlanned,
            Double metal) {}

    /** What somebody foresaw. */
    public record Foreseen(int good, String why) {}

    /** @param closed whether it is frozen at the end */
    public void past(
            Account account,
            long tree,
            Instant at,
            Poured poured,
            Optional<Foreseen> foreseen,
            List<Tap> all,
            boolean closed) {
        Plans.Saved saved = plans.find(account, tree);
        List<Tile> tiles = Tile.of(saved.plan());
        foreseen.ifPresent(f -> store.forecast(account, tree, f.good(), tiles.size(), f.why()));
        BreakOutStore.Began plan = breakOuts.began(saved, Optional.empty());
        store.begin(
                account,
                tree,
                new BreakOutStore.Began(
                        null,
                        plan.alloy(),
                        plan.kind(),
                        plan.school(),
                        poured.by,
                        at,
                        plan.planned(),
                        new BreakOutStore.Both(poured.fillPlanned, poured.fill),
                        new BreakOutStore.Both(poured.stoodPlanned, poured.stood),
                        new BreakOutStore.Both(poured.metalPlanned, poured.metal)),
                tiles);
        BreakOutStore.Row row = store.of(account.studioId(), tree).orElseThrow();
        int n = 0;
        for (Tap tap : all) {
            Map<String, String> fields = new HashMap<>(tap.fields);
            BreakOutTaps.Taken taken = taps.take(
                    account, row, saved.row().name(), new BreakOutTaps.TapRequest("past-" + n++, tap.kind, fields, 0));
            if (!taken.ok()) {
                throw new IllegalStateException(tap + ": " + taken.word());
            }
        }
        if (closed) {
            store.close(row.id(), Records.write(breakOuts.record(account, saved, row)));
        }
        store.backdate(tree, at);
    }

    /** A tree that is the next try of another. */
    public void again(Account account, long tree, long from, String cause, String change, String reason, Instant at) {
        again.keep(account, tree, from, cause, change, reason);
        store.backdate(tree, at);
    }

    /** Where a defect of a casting sits, as the page would send it. @param at shares of its box, as in "0.2 0.6" */
    public static Tap pin(int casting, String defect, String extent, String bad, String at, Place... places) {
        Map<String, String> fields = new HashMap<>(Map.of(
                "casting",
                Integer.toString(casting),
                "defect",
                defect,
                "x",
                at.split(" ")[0],
                "y",
                at.split(" ")[1],
                "extent",
                extent,
                "bad",
                bad));
        for (Place p : places) {
            fields.put("place-" + p.key(), "yes");
        }
        return new Tap("pin", fields);
    }
}
