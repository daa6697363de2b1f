package kilnryu.app.pour;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Predicate;
import kilnryu.app.account.Account;
import kilnryu.app.melt.MetalStore;
import kilnryu.app.plan.Berth;
import kilnryu.app.record.Poured;
import kilnryu.app.record.Records;
import kilnryu.app.web.Show;
import kilnryu.core.melt.MakeUp;
import kilnryu.core.melt.Stock;
import kilnryu.core.pour.GoNoGo;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Takes taps in: each once, by what stands when the pour is locked; one that does not fit is kept as such, with a word. */
@Service
class PourTaps {
    private static final double VACUUM_KPA = 80;
    private static final int PEOPLE = 2;
    private static final Duration EARLIEST = Duration.ofHours(24);

    private final PourStore store;
    private final MetalStore metal;
    private final Berth.Source berths;
    private final PourPages pages;
    private final Clock clock;

    PourTaps(PourStore store, MetalStore metal, Berth.Source berths, PourPages pages, Clock clock) {
        this.pages = pages;
        this.store = store;
        this.metal = metal;
        this.berths = berths;
        this.clock = clock;
    }

    /** What came of a tap: a word where it was not taken. */
    record Taken(boolean ok, String word) {
        static final Taken OK = new Taken(true, "");
    }

    /** How it stands; empty where nothing was frozen yet, or what was frozen cannot be read by this version. */
    static Optional<PourCourse> course(PourStore.Row row, List<PourStore.Event> events) {
        return poured(row).map(p -> PourCourse.of(p, events));
    }

    static Optional<Poured> poured(PourStore.Row row) {
        try {
            return row.record() == null
                    ? Optional.empty()
                    : Optional.ofNullable(
                            Records.read(Records.POUR, row.record()).poured());
        } catch (Records.Unreadable e) {
            return Optional.empty();
        }
    }

    /** Why what was frozen cannot be read; empty where it can. */
    static String unreadable(PourStore.Row row) {
        try {
            return Records.read(Records.POUR, row.record()).poured() == null ? "It holds no pour." : "";
        } catch (Records.Unreadable e) {
            return e.getMessage();
        }
    }

    @Transactional
    public Taken take(Account account, PourStore.Row row, PourStore.Tap tap) {
        boolean running = store.lock(row.id());
        List<PourStore.Event> events = store.events(row.id());
        Optional<PourStore.Event> same =
                events.stream().filter(e -> e.tap().equals(tap.key())).findFirst();
        if (same.isPresent()) {
            return same.get().kind().equals("refused")
                    ? new Taken(false, same.get().fields().getOrDefault("word", ""))
                    : Taken.OK;
        }
        Optional<PourCourse> read = course(row, events);
        if (read.isEmpty()) {
            return new Taken(false, "What was frozen of this pour cannot be read here: " + unreadable(row));
        }
        PourCourse course = read.get();
        PourStore.Tap timed = timed(row, tap);
        String word = running ? refuse(account, course, timed, events) : "This pour has ended; it was not written.";
        if (!word.isEmpty()) {
            Map<String, String> kept = new HashMap<>(tap.fields());
            kept.put("what", tap.kind());
            kept.put("word", word);
            store.tap(account, row.id(), new PourStore.Tap(tap.key(), timed.tree(), "refused", kept, timed.at()));
            return new Taken(false, word);
        }
        store.tap(account, row.id(), timed);
        if (tap.kind().equals("rest")) {
            rest(account, row, course.plan(), Double.parseDouble(tap.fields().get("grams")));
        }
        return Taken.OK;
    }

    /** Not before the day, not in the future. */
    private PourStore.Tap timed(PourStore.Row row, PourStore.Tap tap) {
        Instant now = clock.instant();
        Instant first = row.begunAt() == null ? now.minus(EARLIEST) : row.begunAt();
        Instant at = tap.at().isAfter(now) ? now : tap.at().isBefore(first) ? first : tap.at();
        return new PourStore.Tap(tap.key(), tap.tree(), tap.kind(), tap.fields(), at);
    }

    /** The rest that was poured into the ingot mold comes back to the store with the make-up of its heat. */
    private void rest(Account account, PourStore.Row row, Poured plan, double grams) {
        // as it was weighed, also after the day had begun; else as it was planned
        Optional<MakeUp> makeUp = pages.weighed(account, row).or(() -> PouredHeats.makeUp(plan.after()));
        metal.create(
                account,
                new MetalStore.MetalLotDraft(
                        "rest of " + row.name(),
                        makeUp.isPresent() ? Stock.Type.RETURN : Stock.Type.UNKNOWN,
                        makeUp,
                        grams,
                        new HashMap<>(Map.of("of_casting", row.name())),
                        "poured into the ingot mold"));
    }

    /** What stands against a tap, empty where nothing does. */
    private String refuse(Account account, PourCourse course, PourStore.Tap tap, List<PourStore.Event> events) {
        switch (tap.kind()) {
            case "tick", "untick" -> {
                return step(course, tap);
            }
            case "potout" -> {
                if (course.potIsOut()) {
                    return "The pot is out already, tapped by " + by(events, "potout", null) + ".";
                }
                return held(course);
            }
            case "potback" -> {
                return potBack(course, events);
            }
            case "rest" -> {
                return Integer.toString(course.rests()).equals(tap.fields().get("saw"))
                        ? ""
                        : "A rest was weighed meanwhile, by " + by(events, "rest", null)
                                + ": look which, then weigh the next.";
            }
            case "place", "gauge", "metal", "note", "dip", "standin" -> {
                return "";
            }
            default -> {
                Optional<PourCourse.Cast> cast = tap.tree() == null ? Optional.empty() : course.cast(tap.tree());
                return cast.isEmpty()
                        ? "That mold is not in this pour."
                        : cast(account, course, cast.get(), tap, events);
            }
        }
    }

    private static String potBack(PourCourse course, List<PourStore.Event> events) {
        if (!course.potIsOut()) {
            return course.zero().isEmpty()
                    ? "The pot has not left the furnace."
                    : "The pot is back already, tapped by " + by(events, "potback", null) + ".";
        }
        return course.casts().stream()
                .filter(c -> c.state() == PourCourse.State.POURS)
                .findFirst()
                .map(c -> "Metal goes into " + c.plan().name() + ": tap how it came first.")
                .orElse("");
    }

    private static String step(PourCourse course, PourStore.Tap tap) {
        String key = tap.fields().getOrDefault("step", "");
        boolean known = course.plan().countdown().stream().anyMatch(s -> s.key().equals(key));
        if (!known) {
            return "There is no such step.";
        }
        if (tap.kind().equals("untick")) {
            return course.casts().stream().anyMatch(c -> c.state() != PourCourse.State.WAITS)
                    ? "A mold is out of its kiln: what was ready stays as it was."
                    : "";
        }
        if (course.ticked().contains(key)) {
            return "It is ticked already.";
        }
        Poured.Step first = course.holding().orElseThrow();
        return first.key().equals(key) ? "" : "First: " + first.words() + ".";
    }

    private static String held(PourCourse course) {
        if (course.holding().isPresent()) {
            return "Not ticked yet: " + course.holding().get().words() + ". It holds the pour.";
        }
        return people(course) < PEOPLE ? "Nobody pours alone: two people take a place first." : "";
    }

    static int people(PourCourse course) {
        return (int) course.people().values().stream()
                .filter(w -> !w.isBlank())
                .distinct()
                .count();
    }

    private static String by(List<PourStore.Event> events, String kind, Long tree) {
        return by(events, e -> e.kind().equals(kind) && (tree == null || tree.equals(e.tree())));
    }

    /** Who tapped last of these. */
    private static String by(List<PourStore.Event> events, Predicate<PourStore.Event> which) {
        return events.stream()
                .filter(which)
                .reduce((a, b) -> b)
                .map(PourStore.Event::by)
                .orElse("someone");
    }

    private String cast(
            Account account, PourCourse course, PourCourse.Cast cast, PourStore.Tap tap, List<PourStore.Event> events) {
        PourCourse.State state = cast.state();
        String name = cast.plan().name();
        return switch (tap.kind()) {
            case "out" -> out(account, course, cast, events);
            case "start" -> {
                if (!course.potIsOut()) {
                    yield "The pot is still in the furnace: tap it out first.";
                }
                yield state == PourCourse.State.OUT
                        ? ""
                        : state == PourCourse.State.WAITS
                                ? name + " is still in its kiln: tap it out first."
                                : name + " is " + state.label() + " already, tapped by "
                                        + by(events, "start", tap.tree()) + ".";
            }
            case "full", "short", "hesitated", "leaks" ->
                state == PourCourse.State.POURS
                        ? ""
                        : name + " is " + state.label() + (state.ended() ? " already." : ": tap the start first.");
            case "leaked" -> cast.leaking() ? "" : name + " does not leak.";
            case "putback" ->
                state == PourCourse.State.OUT || state == PourCourse.State.WAITS
                        ? ""
                        : name + " is " + state.label() + ": it cannot go back.";
            case "undo" -> {
                if (state == PourCourse.State.WAITS) {
                    yield "There is nothing to take back of " + name + ".";
                }
                yield cast.seen().equals(tap.fields().get("saw"))
                        ? ""
                        : name + " is " + (cast.leaking() ? "leaking" : state.label()) + " by now, tapped by "
                                + by(
                                        events,
                                        e -> tap.tree().equals(e.tree())
                                                && !e.kind().equals("refused")) + ": look, then take it back.";
            }
            case "clean", "fired", "novacuum", "gravity" -> "";
            case "overrule" -> overrule(account, course, cast, tap, events);
            default -> "There is no such tap.";
        };
    }

    private String out(Account account, PourCourse course, PourCourse.Cast cast, List<PourStore.Event> events) {
        if (cast.state() != PourCourse.State.WAITS) {
            return cast.plan().name() + " is " + cast.state().label() + " already, tapped by "
                    + by(events, "out", cast.plan().tree()) + ".";
        }
        String held = held(course);
        if (!held.isEmpty()) {
            return held;
        }
        GoNoGo go = judged(account, course, cast, events);
        boolean overruled = go.word() == GoNoGo.Word.NO_GO && !cast.overruled().isBlank();
        return go.word() == GoNoGo.Word.GO || overruled
                ? ""
                : "No go: "
                        + String.join(
                                "; ",
                                go.lacking().stream().map(GoNoGo.Fact::words).toList())
                        + (go.word() == GoNoGo.Word.NO_GO
                                ? ". Mend it, or write why it is poured all the same."
                                : ". That cannot be overruled.");
    }

    private String overrule(
            Account account, PourCourse course, PourCourse.Cast cast, PourStore.Tap tap, List<PourStore.Event> events) {
        if (judged(account, course, cast, events).word() == GoNoGo.Word.NO_GO_OF_SAFETY) {
            return "What stands against it is a matter of safety: nobody overrules it.";
        }
        return tap.fields().getOrDefault("why", "").strip().length() < 3 ? "Write why, in a few words." : "";
    }

    /** Go or no-go of a mold, from the record. */
    GoNoGo judged(Account account, PourCourse course, PourCourse.Cast cast, List<PourStore.Event> events) {
        Poured.Mold plan = cast.plan();
        boolean dry = course.plan().countdown().stream()
                .filter(s -> s.key().endsWith("-dry") || s.key().equals("tools-warm"))
                .allMatch(s -> course.ticked().contains(s.key()));
        GoNoGo.State clean = cast.clean() ? GoNoGo.State.YES : GoNoGo.State.UNKNOWN;
        return GoNoGo.of(new GoNoGo.Record(
                fired(account, plan.tree(), events),
                dry ? GoNoGo.State.YES : GoNoGo.State.UNKNOWN,
                clean,
                vacuum(course, cast),
                metal(course, plan),
                plan.windowS() == null
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(plan.windowS() - (plan.startS() - plan.outS())),
                people(course),
                Math.max(PEOPLE, plan.people()),
                plan.bears() ? GoNoGo.State.YES : GoNoGo.State.NO));
    }

    private GoNoGo.State fired(Account account, long tree, List<PourStore.Event> events) {
        boolean said = events.stream()
                .anyMatch(e -> e.kind().equals("fired") && Long.valueOf(tree).equals(e.tree()));
        Optional<Berth> berth = berths.of(account, tree, false);
        if (berth.isEmpty()) {
            return said ? GoNoGo.State.YES : GoNoGo.State.UNKNOWN;
        }
        return switch (berth.get().state()) {
            // ended early: only who looked at it knows
            case FIRED, POURED -> berth.get().through() || said ? GoNoGo.State.YES : GoNoGo.State.UNKNOWN;
            case IN_THE_KILN -> berth.get().through() ? GoNoGo.State.YES : GoNoGo.State.NO;
            case WAITING -> said ? GoNoGo.State.YES : GoNoGo.State.NO;
        };
    }

    private static GoNoGo.State vacuum(PourCourse course, PourCourse.Cast cast) {
        if (!cast.plan().vacuum() || cast.noVacuum().equals("poured by gravity")) {
            return GoNoGo.State.YES;
        }
        return course.trial().isEmpty()
                ? GoNoGo.State.UNKNOWN
                : course.trial().getAsDouble() >= VACUUM_KPA ? GoNoGo.State.YES : GoNoGo.State.NO;
    }

    /** As read; with the pot out, as it is foreseen now from that reading. */
    private GoNoGo.State metal(PourCourse course, Poured.Mold plan) {
        Optional<PourCourse.Metal> read = course.metal();
        if (read.isEmpty() || read.get().how().equals("by eye")) {
            return GoNoGo.State.UNKNOWN;
        }
        double celsius = course.potIsOut()
                ? Math.min(
                        read.get().celsius(),
                        course.metalAt(clock.instant()).orElse(read.get().celsius()))
                : read.get().celsius();
        return celsius >= plan.leastC() ? GoNoGo.State.YES : GoNoGo.State.NO;
    }

    /** When something was tapped and who did it, for those who come after. */
    static String told(PourStore.Event e, Account account) {
        return Show.clock(e.tappedAt().atZone(account.zoneId()))
                + String.format(
                        Locale.ROOT,
                        ":%02d",
                        e.tappedAt().atZone(account.zoneId()).getSecond()) + " " + e.by();
    }
}
