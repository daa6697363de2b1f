package kilnryu.app.dipping;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import kilnryu.app.account.Account;
import kilnryu.app.device.Hygrometer;
import kilnryu.app.dipping.DipStore.Logged;
import kilnryu.app.dipping.DipStore.Readings;
import kilnryu.app.dipping.DipStore.Run;
import kilnryu.app.plan.Plan;
import kilnryu.app.plan.PlanRecord;
import kilnryu.app.plan.Plans;
import kilnryu.app.record.Records;
import kilnryu.app.record.WorkRecord;
import kilnryu.app.web.Late;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.shell.Air;
import kilnryu.core.shell.Climate;
import kilnryu.core.shell.Coat;
import kilnryu.core.shell.Recipe;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.server.ResponseStatusException;

/** The shells of a studio that are being built, and what is done to them. */
@Service
class Shells {
    /** Readings older than this say nothing of a coat that still dries. */
    private static final Duration LOOKED_BACK = Duration.ofDays(45);

    private static final int MOST_THAWED = 120;
    private static final Duration THAWED_FOR = Duration.ofMinutes(5);

    /** Reckoned anew for every look at a rack otherwise, of each shell that hangs there. */
    private final Cache<Ice, Thaw> thawed = Caffeine.newBuilder()
            .maximumSize(MOST_THAWED)
            .expireAfterWrite(THAWED_FOR)
            .build();

    private final DipStore dips;
    private final RoomStore rooms;
    private final Plans plans;
    private final Hygrometer hygrometer;
    private final Clock clock;

    Shells(DipStore dips, RoomStore rooms, Plans plans, Hygrometer hygrometer, Clock clock) {
        this.dips = dips;
        this.rooms = rooms;
        this.plans = plans;
        this.hygrometer = hygrometer;
        this.clock = clock;
    }

    Room room(Account account) {
        return Room.saved(rooms.of(account.studioId()).fields(), account.zoneId());
    }

    Climate climate(Account account, Room room) {
        return rooms.climate(account.studioId(), room, clock.instant().minus(LOOKED_BACK), account.zoneId());
    }

    List<ShellState> open(Account account) {
        Climate climate = climate(account, room(account));
        List<Run> runs = dips.open(account.studioId());
        DipStore.Done done = dips.done(runs.stream().map(Run::id).toList());
        return runs.stream()
                .map(run -> state(account, run, done, climate))
                .flatMap(Optional::stream)
                .toList();
    }

    /** @throws ResponseStatusException 404 when the studio has no such shell */
    ShellState find(Account account, long id) {
        Run run = run(account, id);
        return state(account, run, climate(account, room(account)))
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    Run run(Account account, long id) {
        return dips.find(account.studioId(), id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    /**
     * One that is worked on, and nobody else changes until this transaction ends.
     *
     * @throws Late when it was ended meanwhile
     */
    private Run working(Account account, long id) {
        Run run = dips.locked(account.studioId(), id)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        if (run.endedAt() != null) {
            throw new Late(
                    "Nothing was written: this shell is " + run.endedAs() + " since "
                            + Show.dayAndClock(run.endedAt().atZone(account.zoneId())) + ".",
                    "/shells/" + id);
        }
        return run;
    }

    /**
     * The same with so many coats on as the one saw who does something.
     *
     * @param on -1 where it does not matter
     */
    private Run working(Account account, long id, int on) {
        Run run = working(account, id);
        int now = dips.dips(id).size();
        if (on >= 0 && now != on) {
            throw new Late(
                    "Nothing was logged: " + counted(now) + (now == 1 ? " is" : " are") + " on by now, " + counted(on)
                            + (on == 1 ? " was" : " were") + " on when this page was shown."
                            + " Look who logged it, then log what is lacking.",
                    "/shells/" + id);
        }
        return run;
    }

    private static String counted(int coats) {
        return coats == 1 ? "one coat" : (coats == 0 ? "no" : Integer.toString(coats)) + " coats";
    }

    /**
     * A shell that cannot be reckoned anew: it stays on its rack and is shown with what was frozen of it.
     *
     * @param record empty where not even that can be read
     */
    record KeptShell(Run run, Optional<WorkRecord> record, String why) {}

    /** Those that are worked on and cannot be reckoned anew. */
    List<KeptShell> kept(Account account) {
        return dips.open(account.studioId()).stream()
                .flatMap(run -> kept(account, run).stream())
                .toList();
    }

    Optional<KeptShell> kept(Account account, Run run) {
        Thaw thaw = thaw(account, run);
        return thaw.plan.isPresent() ? Optional.empty() : Optional.of(new KeptShell(run, thaw.record, thaw.why));
    }

    private record Thaw(Optional<WorkRecord> record, Optional<Plan> plan, String why) {}

    /** All that a thawed plan depends on; what is frozen does not change, a mesh by which it is drawn hardly ever does. */
    private record Ice(long run, String written, Units units, ZoneId zone) {}

    private Thaw thaw(Account account, Run run) {
        return thawed.get(
                new Ice(run.id(), run.written(), account.units(), account.zoneId()), ice -> melted(account, run));
    }

    private Thaw melted(Account account, Run run) {
        try {
            WorkRecord record = Records.read(Records.SHELL, dips.plan(run.id()));
            Plans.Thawed thawed = record.plan(run.treeId())
                    .map(document -> plans.thawed(account, run.treeId(), document.toString()))
                    .orElse(new Plans.Thawed(Optional.empty(), "It holds no plan."));
            Optional<Plan> shell = thawed.plan().filter(p -> p.shell().isPresent());
            String why = shell.isPresent() || !thawed.why().isEmpty()
                    ? thawed.why()
                    : "Its plan has no shell that can be built any more.";
            return new Thaw(Optional.of(record), shell, why);
        } catch (Records.Unreadable e) {
            return new Thaw(Optional.empty(), Optional.empty(), e.getMessage());
        }
    }

    /** What was frozen of a shell, as it was shown. */
    Optional<WorkRecord> record(Run run) {
        try {
            return Optional.of(Records.read(Records.SHELL, dips.plan(run.id())));
        } catch (Records.Unreadable e) {
            return Optional.empty();
        }
    }

    private Optional<ShellState> state(Account account, Run run, Climate climate) {
        return state(account, run, dips.done(List.of(run.id())), climate);
    }

    private Optional<ShellState> state(Account account, Run run, DipStore.Done done, Climate climate) {
        ShellState.Log log = new ShellState.Log(
                done.dips().getOrDefault(run.id(), List.of()),
                done.weighings().getOrDefault(run.id(), List.of()),
                done.wired().contains(run.id()));
        return thaw(account, run).plan.map(p -> ShellState.of(run, p, log, climate, clock.instant()));
    }

    /** What the hygrometer shows now, with the fan of the room. */
    Air air(Account account) {
        Hygrometer.Reading now = hygrometer.read(account.studioId());
        double speed = room(account).day().get(0).speed();
        return new Air(now.celsius(), now.humidity(), speed);
    }

    /** @return the number of the shell, empty when one of this tree is being built already */
    OptionalLong begin(Account account, Plans.Saved saved, String rack) {
        Plan plan = saved.plan();
        return dips.begin(
                account,
                saved.row().id(),
                saved.row().name(),
                Records.of(
                        Records.SHELL,
                        saved.row().name(),
                        List.of(PlanRecord.of(saved.row().id(), plan)),
                        null),
                rack,
                plan.shell().orElseThrow().plan().recipe().coats());
    }

    /**
     * A dip of the next coat, now. The air of the moment goes with it and into the room's log.
     *
     * @param on how many coats the one who tapped saw
     * @return the name of the shell
     * @throws Late when someone was quicker
     */
    @Transactional
    public String tap(Account account, long id, int on) {
        Run run = working(account, id, on);
        kept(account, run).ifPresent(k -> {
            throw new Late(
                    "Nothing was logged: " + k.why + " Log it on its page, by the name of its coat.", "/shells/" + id);
        });
        ShellState state = find(account, id);
        if (state.wireNow()) {
            throw new Late("Nothing was logged: the wire goes on first; wrap it, then tick it.", "/shells/" + id);
        }
        if (state.next().isEmpty()) {
            throw new Late("Nothing was logged: all its coats are on.", "/shells/" + id);
        }
        Air air = air(account);
        Instant now = clock.instant();
        rooms.keep(
                account.studioId(),
                List.of(new RoomStore.Reading(now, air.celsius(), air.humidity(), OptionalDouble.of(air.speed()))),
                "at a dip");
        OptionalDouble no = OptionalDouble.empty();
        String changed = state.phase() == ShellState.Phase.DRYING ? "before dry, by the estimate" : "";
        dips.dip(account, id, new Logged(state.next().get(), now, air, new Readings(no, no, no, no), changed, ""));
        return state.run().name();
    }

    /** Ticks the wire or takes the tick back, once however often it is tapped. */
    @Transactional
    public void wire(Account account, long id, boolean on) {
        working(account, id);
        if (dips.wired(id) != on) {
            dips.event(account, id, on ? "wire" : "wire off", Map.of());
        }
    }

    /** Takes a dip out of the log or puts it back. */
    @Transactional
    public void removeDip(Account account, long id, long dip, boolean away) {
        working(account, id);
        if (!dips.removeDip(id, dip, away)) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
    }

    @Transactional
    public void weigh(Account account, long id, double grams) {
        Run run = working(account, id);
        dips.weigh(account, id, grams);
        state(account, run, climate(account, room(account)))
                .flatMap(s -> s.dried(dips.weighings(id)))
                .ifPresent(d -> dips.dried(id, d));
    }

    @Transactional
    public void event(Account account, long id, String kind, Map<String, String> fields) {
        working(account, id);
        dips.event(account, id, kind, fields);
    }

    /** @return whether there was room; nothing is moved onto a full rack unless someone is sure */
    @Transactional
    public boolean move(Account account, long id, String rack, boolean sure) {
        Run run = working(account, id);
        if (room(account).racks().stream().noneMatch(r -> r.name().equals(rack))) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        if (!run.rack().equals(rack) && !sure && free(account, rack) < 1) {
            return false;
        }
        dips.move(account.studioId(), id, rack);
        return true;
    }

    @Transactional
    public void end(Account account, long id, String as) {
        working(account, id);
        dips.end(account.studioId(), id, as);
    }

    /** How many places of a rack are free for a shell that does not hang there yet. */
    int free(Account account, String rack) {
        int places = room(account).racks().stream()
                .filter(r -> r.name().equals(rack))
                .mapToInt(r -> r.places())
                .sum();
        long taken = dips.open(account.studioId()).stream()
                .filter(r -> r.rack().equals(rack))
                .count();
        return (int) (places - taken);
    }

    /**
     * A dip with all that was read of it, at any time; another coat than planned takes the planned one's place.
     *
     * @param seen how many coats the one who logs it saw, -1 for whatever is on
     * @throws Late when another dip came between
     */
    @Transactional
    public void log(Account account, long id, int seen, Logged dip) {
        Run run = working(account, id, seen);
        int place = (int) dips.dips(id).stream()
                .filter(d -> d.logged().at().isBefore(dip.at()))
                .count();
        List<Coat> coats = new ArrayList<>(run.coats());
        String changed = dip.changed();
        int on = dips.dips(id).size();
        if (on < coats.size() && coats.get(on) != dip.coat()) {
            changed = join(changed, "planned was " + coats.get(on).label());
            coats.set(on, dip.coat());
            dips.plan(id, coats);
        } else if (on >= coats.size() && coats.size() < Recipe.MOST_COATS) {
            changed = join(changed, "one more than planned");
            coats.add(dip.coat());
            dips.plan(id, coats);
        }
        if (place < on) {
            changed = join(changed, "logged after a later one");
        }
        dips.dip(account, id, new Logged(dip.coat(), dip.at(), dip.air(), dip.readings(), changed, dip.note()));
    }

    private static String join(String a, String b) {
        return a.isEmpty() ? b : a + "; " + b;
    }

    /** The coats to come after those that are on. */
    @Transactional
    public void replan(Account account, long id, int seen, List<Coat> coming, String why) {
        Run run = working(account, id, seen);
        List<Coat> coats = new ArrayList<>();
        dips.dips(id).forEach(d -> coats.add(d.logged().coat()));
        coats.addAll(coming);
        dips.plan(run.id(), coats);
        dips.event(account, id, "coats", Map.of("note", why));
    }
}
