package kilnryu.app.run;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.load.LoadPlan;
import kilnryu.app.load.LoadReader;
import kilnryu.core.burnout.BurnoutProgram;
import kilnryu.core.burnout.BurnoutQuestion;
import kilnryu.core.burnout.Duty;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/**
 * Hours of planned loads. They come from a simulation, which takes seconds for a large load; what it gave is kept with the load
 * and holds until the load, one of its trees, its kiln or a factor of the studio is changed.
 */
@Component
class Hours {
    private static final JsonMapper JSON = kilnryu.app.web.KeptJson.mapper();

    private final FiringStore store;
    private final LoadReader reader;

    Hours(FiringStore store, LoadReader reader) {
        this.store = store;
        this.reader = reader;
    }

    /**
     * A load against the clock.
     *
     * @param mark of all it depends on
     * @param pour as an instant with its zone; null where the load has no hour yet
     * @param minutes of the whole program
     * @param points corners of the program, minutes and C
     */
    record KeptHours(String mark, String pour, double minutes, List<Point> points, List<Due> duties) {
        KeptHours {
            points = points == null ? List.of() : List.copyOf(points);
            duties = duties == null ? List.of() : List.copyOf(duties);
        }

        Optional<ZonedDateTime> poured(Account account) {
            return Optional.ofNullable(pour).map(p -> ZonedDateTime.parse(p).withZoneSameInstant(account.zoneId()));
        }

        Optional<ZonedDateTime> closed(Account account) {
            return poured(account).map(p -> p.minus(Duration.ofSeconds(Math.round(last() * 60))));
        }

        /** Minute of the first pour's end: the one the clock is counted back from. */
        private double last() {
            return minutes;
        }
    }

    record Point(double minute, double celsius) {}

    record Due(Duty.Kind kind, double minute, String caution) {}

    /** As kept, if it still holds. */
    Optional<KeptHours> of(FiringStore.Row row) {
        return store.ahead(row.id())
                .map(text -> JSON.readValue(text, KeptHours.class))
                .filter(k -> k.mark.equals(store.dependsOn(row.id())));
    }

    /** As kept, or reckoned now. */
    KeptHours reckoned(Account account, FiringStore.Row row) {
        return of(row).orElseGet(() -> {
            String mark = store.dependsOn(row.id());
            KeptHours kept = kept(mark, reader.read(account, row.fields(), LoadReader.Way.USUAL));
            store.keepAhead(row.id(), JSON.writeValueAsString(kept));
            return kept;
        });
    }

    /** Of a load that was started: its pour by the program that was frozen with it. */
    static String started(Frozen frozen, Instant at) {
        return JSON.writeValueAsString(new KeptHours(
                "started",
                at.plusSeconds(Math.round(frozen.minutes() * 60))
                        .atZone(ZoneOffset.UTC)
                        .toString(),
                frozen.minutes(),
                List.of(),
                List.of()));
    }

    private static KeptHours kept(String mark, LoadPlan plan) {
        Optional<BurnoutProgram> program = plan.clock()
                .map(c -> c.program())
                .or(plan::program)
                .filter(p -> !p.segments().isEmpty());
        List<Point> points = new ArrayList<>(List.of(new Point(0, BurnoutQuestion.START_C)));
        List<Due> duties = new ArrayList<>();
        program.ifPresent(p -> {
            p.timed().forEach(t -> {
                points.add(new Point(t.reached(), t.segment().target()));
                points.add(new Point(t.ends(), t.segment().target()));
            });
            p.duties().forEach(d -> duties.add(new Due(d.kind(), d.minute(), d.caution())));
        });
        return new KeptHours(
                mark,
                plan.clock().map(c -> c.pour().toString()).orElse(null),
                plan.clock().isPresent()
                        ? Duration.between(
                                                plan.clock().get().at(0),
                                                plan.clock().get().pour())
                                        .toSeconds()
                                / 60.0
                        : program.map(BurnoutProgram::minutes).orElse(0.0),
                points,
                duties);
    }
}
