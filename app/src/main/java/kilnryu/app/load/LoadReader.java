package kilnryu.app.load;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import kilnryu.app.account.Account;
import kilnryu.app.kiln.KilnStore;
import kilnryu.app.kiln.ProgramReader;
import kilnryu.app.plan.Plans;
import kilnryu.app.simulation.Simulations;
import kilnryu.app.web.Units;
import kilnryu.core.burnout.ResumableSimulation;
import kilnryu.core.kiln.KilnRun;
import org.springframework.stereotype.Component;

/** Reads a firing from its fields: kiln, molds and their places, program; and has it tried. */
@Component
public class LoadReader {

    private static final Duration KEPT = Duration.ofMinutes(1);
    private static final Duration JUST_NOW = Duration.ofSeconds(3);
    private static final Duration IN_HAND = Duration.ofMinutes(10);
    private static final int MOST_KEPT = 24;

    private final KilnStore kilns;
    private final Plans plans;

    private final Clock clock;
    private final Simulations simulations;
    private final Cache<List<Object>, List<Plans.Saved>> lately =
            Caffeine.newBuilder().maximumSize(MOST_KEPT).expireAfterWrite(KEPT).build();
    private final Cache<Long, Drawn> drawn =
            Caffeine.newBuilder().maximumSize(MOST_KEPT).expireAfterWrite(KEPT).build();
    private final Cache<Long, ResumableSimulation> trails = Caffeine.newBuilder()
            .maximumSize(MOST_KEPT)
            .expireAfterAccess(IN_HAND)
            .build();

    LoadReader(KilnStore kilns, Plans plans, Simulations simulations, Clock clock) {
        this.simulations = simulations;
        this.kilns = kilns;
        this.plans = plans;
        this.clock = clock;
    }

    /** What someone's curve is drawn from. */
    private record Drawn(Instant at, Units units, Map<String, String> typed, CompletableFuture<LoadPlan> plan) {
        boolean serves(Drawn later) {
            return typed.equals(later.typed)
                    && units.equals(later.units)
                    && at.plus(JUST_NOW).isAfter(later.at);
        }
    }

    /** The trees' plans; while a corner is dragged those of at most a minute ago, and whatever is saved reads them anew. */
    List<Plans.Saved> plans(Account account, Set<Long> ids, boolean dragged) {
        List<Object> key = List.of(account.id(), account.units(), List.copyOf(ids));
        List<Plans.Saved> kept = dragged ? lately.getIfPresent(key) : null;
        if (kept != null) {
            return kept;
        }
        List<Plans.Saved> read = plans.find(account, ids);
        lately.put(key, read);
        return read;
    }

    /** What a plan is read for: how closely, and with what changed for once. */
    public record Way(
            KilnRun.Detail detail, boolean ajar, Optional<Boolean> bare, OptionalInt halved, boolean dragged) {
        public static final Way USUAL = new Way(KilnRun.Detail.QUICK, false, Optional.empty(), OptionalInt.empty());

        /** While a corner is dragged. */
        static final Way DRAGGED = new Way(KilnRun.Detail.QUICK, false, Optional.empty(), OptionalInt.empty(), true);

        public Way(KilnRun.Detail detail, boolean ajar, Optional<Boolean> bare, OptionalInt halved) {
            this(detail, ajar, bare, halved, false);
        }

        public Way pictures(double every) {
            return new Way(detail.pictures(every), ajar, bare, halved, dragged);
        }
    }

    public LoadPlan read(Account account, Map<String, String> typed, Way way) {
        return new LoadReading(this, account, ProgramReader.spoken(typed), way).read();
    }

    /**
     * As read with {@link Way#DRAGGED}. The same may have been asked for a moment ago or be at work still: for the curve
     * while the corner was in the hand, when it was let go, then for all the rest.
     */
    public LoadPlan dragged(Account account, Map<String, String> typed) {
        Drawn fresh = new Drawn(clock.instant(), account.units(), Map.copyOf(typed), new CompletableFuture<>());
        Drawn drawing = drawn.asMap().merge(account.id(), fresh, (last, now) -> last.serves(now) ? last : now);
        if (drawing == fresh) {
            try {
                fresh.plan.complete(read(account, typed, Way.DRAGGED));
            } catch (RuntimeException | Error e) {
                // nobody waits for what does not come
                drawn.asMap().remove(account.id(), fresh);
                fresh.plan.completeExceptionally(e);
                throw e;
            }
        }
        return drawing.plan.join();
    }

    KilnStore kilns() {
        return kilns;
    }

    Simulations simulations() {
        return simulations;
    }

    /** The simulation that someone's dragging goes on with. */
    ResumableSimulation resumable(Account account) {
        return trails.get(account.id(), id -> new ResumableSimulation());
    }
}
