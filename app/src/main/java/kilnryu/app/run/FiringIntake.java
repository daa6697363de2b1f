package kilnryu.app.run;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.device.KilnController;
import kilnryu.app.kiln.KilnStore;
import kilnryu.app.kiln.ProgramStore;
import kilnryu.app.load.LoadPlan;
import kilnryu.app.load.LoadReader;
import org.springframework.stereotype.Component;

/** Takes in kilns, programs and firings that were made elsewhere. */
@Component
public class FiringIntake {
    /** The stand-in gives no more than some hours at once. */
    private static final Duration LISTENED = Duration.ofHours(3);

    private final KilnStore kilns;
    private final ProgramStore programs;
    private final FiringStore firings;

    private final LoadReader reader;
    private final KilnController controller;
    private final Runs runs;
    private final Clock clock;

    FiringIntake(
            KilnStore kilns,
            ProgramStore programs,
            FiringStore firings,
            LoadReader reader,
            KilnController controller,
            Runs runs,
            Clock clock) {
        this.runs = runs;
        this.kilns = kilns;
        this.programs = programs;
        this.firings = firings;
        this.reader = reader;
        this.controller = controller;
        this.clock = clock;
    }

    /**
     * Starts a planned firing so long ago, its readings from the stand-in, its duties ticked where they were due before.
     *
     * @param untilMinute duties due later are left open
     */
    public void started(Account owner, long id, Duration ago, double untilMinute) {
        FiringStore.Row row = firings.find(owner.studioId(), id).orElseThrow();
        LoadPlan plan = reader.read(owner, row.fields(), LoadReader.Way.USUAL);
        Frozen frozen = Frozen.of(plan, Map.of());
        Instant at = clock.instant().minus(ago);
        firings.start(row, StartController.record(row.name(), plan, frozen), Hours.started(frozen, at), at);
        controller.start(id, frozen.job(), at);
        firings.event(owner, id, 0, "started", "kiln", Map.of("kiln", frozen.kiln()));
        for (Duration d = LISTENED; d.compareTo(ago) <= 0; d = d.plus(LISTENED)) {
            runs.hear(id, at.plus(d));
        }
        List<Frozen.At> duties = frozen.duties().stream()
                .sorted(Comparator.comparingDouble(Frozen.At::minute))
                .toList();
        for (Frozen.At d : duties) {
            if (d.minute() >= 0 && d.minute() <= untilMinute) {
                String key = d.kind().name().toLowerCase(Locale.ROOT) + "-" + duties.indexOf(d);
                firings.event(owner, id, d.minute() * 60, "duty", key, Map.of());
            }
        }
    }

    /** Minutes of a planned firing by its program. */
    public double minutes(Account owner, long id) {
        FiringStore.Row row = firings.find(owner.studioId(), id).orElseThrow();
        return reader.read(owner, row.fields(), LoadReader.Way.USUAL)
                .program()
                .map(p -> p.minutes())
                .orElse(0.0);
    }

    /** Minute at which a duty of a planned firing is due, by its name; 0 where it has none. */
    public double due(Account owner, long id, String duty) {
        FiringStore.Row row = firings.find(owner.studioId(), id).orElseThrow();
        return reader.read(owner, row.fields(), LoadReader.Way.USUAL).program().stream()
                .flatMap(p -> p.duties().stream())
                .filter(d -> d.kind().name().equals(duty))
                .mapToDouble(d -> d.minute())
                .findFirst()
                .orElse(0);
    }

    /** Ends a firing that runs. */
    public void ended(Account owner, long id, String as) {
        firings.end(firings.find(owner.studioId(), id).orElseThrow(), as);
        controller.stop(id);
    }

    public long kiln(Account owner, Map<String, String> fields) {
        return kilns.create(owner.studioId(), fields);
    }

    public long program(Account owner, Map<String, String> fields) {
        return programs.create(owner.studioId(), fields);
    }

    /** A planned firing of some trees. */
    public long firing(Account owner, long kiln, List<Long> trees, Map<String, String> fields) {
        Map<String, String> all = new LinkedHashMap<>(fields);
        all.put("kiln", Long.toString(kiln));
        trees.forEach(t -> all.put("molds[" + t + "].in", "yes"));
        return firings.create(owner.studioId(), all, Optional.of(kiln), trees);
    }
}
