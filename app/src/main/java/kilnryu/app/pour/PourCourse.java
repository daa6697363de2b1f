package kilnryu.app.pour;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import kilnryu.app.record.Poured;
import kilnryu.core.material.Alloy;
import kilnryu.core.melt.PotCooling;

/**
 * How a pour stands, from its plan and what was tapped. Everything follows from the taps: a page that was away, a restart, a
 * second phone all see the same.
 */
final class PourCourse {
    /** A place at the pour that somebody takes. */
    static final List<String> PLACES = List.of("Pot", "Tongs", "Pump", "Sand");

    private final Poured plan;
    private final Set<String> ticked = new LinkedHashSet<>();
    private final Map<String, String> people = new LinkedHashMap<>();
    private final Map<Long, Cast> casts = new LinkedHashMap<>();
    private final List<Metal> readings = new ArrayList<>();
    private Instant zero;
    private Instant left;
    private Instant returned;
    private int rests;
    private OptionalDouble gauge = OptionalDouble.empty();
    private OptionalDouble trial = OptionalDouble.empty();

    /** What a reading of the metal is worth. */
    record Metal(double celsius, String how, Instant at, String by) {}

    /** How far a mold is. */
    enum State {
        WAITS("waits in the kiln"),
        OUT("out, not yet poured"),
        POURS("metal going in"),
        FULL("full"),
        SHORT("short"),
        LEAKED("leaked"),
        LEFT("put back, not poured");

        private final String label;

        State(String label) {
            this.label = label;
        }

        String label() {
            return label;
        }

        boolean ended() {
            return compareTo(FULL) >= 0;
        }
    }

    /** One mold as it went. */
    static final class Cast {
        private final Poured.Mold plan;
        private State state = State.WAITS;
        private Instant out;
        private Instant start;
        private Instant end;
        private boolean clean;
        private boolean leaking;
        private boolean hesitated;
        private String overruled = "";
        private String noVacuum = "";
        private OptionalDouble gauge = OptionalDouble.empty();

        Cast(Poured.Mold plan) {
            this.plan = plan;
        }

        Poured.Mold plan() {
            return plan;
        }

        State state() {
            return state;
        }

        Optional<Instant> out() {
            return Optional.ofNullable(out);
        }

        Optional<Instant> start() {
            return Optional.ofNullable(start);
        }

        Optional<Instant> end() {
            return Optional.ofNullable(end);
        }

        boolean clean() {
            return clean;
        }

        boolean leaking() {
            return leaking;
        }

        /** What a page shows of it, by which a tap says what it saw. */
        String seen() {
            return leaking ? "leaking" : state.name().toLowerCase(Locale.ROOT);
        }

        boolean hesitated() {
            return hesitated;
        }

        String overruled() {
            return overruled;
        }

        String noVacuum() {
            return noVacuum;
        }

        OptionalDouble gauge() {
            return gauge;
        }

        /** Seconds it stood out of the kiln until the metal came; empty before. */
        OptionalDouble stood() {
            return out == null || start == null ? OptionalDouble.empty() : OptionalDouble.of(seconds(out, start));
        }

        OptionalDouble filled() {
            return start == null || end == null ? OptionalDouble.empty() : OptionalDouble.of(seconds(start, end));
        }

        /** Seconds of its window left at a moment; empty where it stands in the kiln, or the window is longer than looked at. */
        OptionalDouble windowLeft(Instant now) {
            if (out == null || plan.windowS() == null) {
                return OptionalDouble.empty();
            }
            Instant until = start == null ? now : start;
            return OptionalDouble.of(plan.windowS() - seconds(out, until));
        }
    }

    private PourCourse(Poured plan) {
        this.plan = plan;
        plan.molds().forEach(m -> casts.put(m.tree(), new Cast(m)));
    }

    static PourCourse of(Poured plan, List<PourStore.Event> events) {
        PourCourse course = new PourCourse(plan);
        events.forEach(course::apply);
        return course;
    }

    private static double seconds(Instant from, Instant to) {
        return Duration.between(from, to).toMillis() / 1000.0;
    }

    private void apply(PourStore.Event e) {
        Cast cast = e.tree() == null ? null : casts.get(e.tree());
        switch (e.kind()) {
            case "tick" -> ticked.add(e.fields().getOrDefault("step", ""));
            case "untick" -> ticked.remove(e.fields().getOrDefault("step", ""));
            case "place" ->
                people.put(e.fields().getOrDefault("place", ""), e.fields().getOrDefault("who", ""));
            case "gauge" -> gauge(e, cast);
            case "metal" ->
                readings.add(new Metal(
                        Double.parseDouble(e.fields().get("celsius")),
                        e.fields().getOrDefault("how", ""),
                        e.tappedAt(),
                        e.by()));
            case "potout" -> {
                zero = zero == null ? e.tappedAt() : zero;
                left = e.tappedAt();
            }
            case "potback" -> potBack(e.tappedAt());
            case "rest" -> rests++;
            default -> {
                if (cast != null) {
                    apply(e, cast);
                }
            }
        }
    }

    /** Before any metal has flowed it never was out; afterwards it is heated again, and the pour goes on by its first departure. */
    private void potBack(Instant at) {
        zero = casts.values().stream().allMatch(c -> c.start == null) ? null : zero;
        left = null;
        returned = at;
    }

    private void gauge(PourStore.Event e, Cast cast) {
        OptionalDouble kPa = OptionalDouble.of(Double.parseDouble(e.fields().get("kPa")));
        gauge = kPa;
        if (cast == null) {
            trial = kPa;
        } else {
            cast.gauge = kPa;
        }
    }

    private static void apply(PourStore.Event e, Cast cast) {
        switch (e.kind()) {
            case "clean" -> cast.clean = true;
            case "overrule" -> cast.overruled = e.fields().getOrDefault("why", "");
            case "out" -> {
                cast.state = State.OUT;
                cast.out = e.tappedAt();
            }
            case "start" -> {
                cast.state = State.POURS;
                cast.start = e.tappedAt();
            }
            case "hesitated" -> cast.hesitated = true;
            case "full" -> ended(cast, State.FULL, e.tappedAt());
            case "short" -> ended(cast, State.SHORT, e.tappedAt());
            case "leaks" -> cast.leaking = true;
            case "leaked" -> ended(cast, State.LEAKED, e.tappedAt());
            case "novacuum" -> cast.noVacuum = "looked at";
            case "gravity" -> cast.noVacuum = "poured by gravity";
            case "putback" -> ended(cast, State.LEFT, e.tappedAt());
            case "undo" -> undo(cast);
            default -> {
                // a note, a tap that was refused: on record, but the mold stands as it did
            }
        }
    }

    private static void ended(Cast cast, State state, Instant at) {
        cast.state = state;
        cast.end = at;
        cast.leaking = false;
    }

    /** One step back: what was tapped stays on record. */
    private static void undo(Cast cast) {
        if (cast.leaking) {
            cast.leaking = false;
            return;
        }
        switch (cast.state) {
            case FULL, SHORT, LEAKED, LEFT -> {
                cast.state = cast.start != null ? State.POURS : cast.out != null ? State.OUT : State.WAITS;
                cast.end = null;
            }
            case POURS -> {
                cast.state = State.OUT;
                cast.start = null;
            }
            case OUT -> {
                cast.state = State.WAITS;
                cast.out = null;
            }
            default -> {
                // nothing to take back
            }
        }
    }

    Poured plan() {
        return plan;
    }

    Set<String> ticked() {
        return ticked;
    }

    Map<String, String> people() {
        return people;
    }

    List<Cast> casts() {
        return List.copyOf(casts.values());
    }

    Optional<Cast> cast(long tree) {
        return Optional.ofNullable(casts.get(tree));
    }

    /** When the pot left the furnace first: the plan's seconds count from there. */
    Optional<Instant> zero() {
        return Optional.ofNullable(zero);
    }

    /** Whether the pot stands outside the furnace. */
    boolean potIsOut() {
        return left != null;
    }

    /** Whether the pot goes back before the mold in hand: as planned, and metal has flowed since it left. */
    boolean goesBackFirst() {
        return potIsOut()
                && inHand().filter(h -> h.plan.again()).isPresent()
                && casts.values().stream().anyMatch(c -> c.start != null && c.start.isAfter(left));
    }

    /** How often a rest was weighed back into the store. */
    int rests() {
        return rests;
    }

    OptionalDouble gauge() {
        return gauge;
    }

    /** What the gauge read when it was tried cold. */
    OptionalDouble trial() {
        return trial;
    }

    /** The last reading since the pot was put back. */
    Optional<Metal> metal() {
        return readings.stream().filter(this::fresh).reduce((a, b) -> b);
    }

    /** Read since the pot was last put back. */
    private boolean fresh(Metal m) {
        return returned == null || m.at().isAfter(returned);
    }

    List<Metal> readings() {
        return List.copyOf(readings);
    }

    /** The step that holds all after it; empty where all are ticked. */
    Optional<Poured.Step> holding() {
        return plan.countdown().stream().filter(s -> !ticked.contains(s.key())).findFirst();
    }

    /** The first that is not ended: the one in hand. */
    Optional<Cast> inHand() {
        return casts.values().stream().filter(c -> !c.state.ended()).findFirst();
    }

    /** The mold after the one in hand that still waits in its kiln. */
    Optional<Cast> nextOut() {
        Optional<Cast> hand = inHand();
        return casts.values().stream()
                .filter(c -> c.state == State.WAITS && hand.filter(h -> h == c).isEmpty())
                .findFirst();
    }

    boolean allEnded() {
        return casts.values().stream().allMatch(c -> c.state.ended());
    }

    /**
     * How much later than planned it runs, s: by the last thing that was tapped of a mold, else by the pot. Empty before the
     * first.
     */
    OptionalDouble behind() {
        if (zero == null) {
            return OptionalDouble.empty();
        }
        double behind = 0;
        for (Cast c : casts.values()) {
            if (c.end != null && c.state != State.LEFT) {
                behind = seconds(zero, c.end) - c.plan.fullS();
            } else if (c.start != null) {
                behind = seconds(zero, c.start) - c.plan.startS();
            }
        }
        return OptionalDouble.of(Math.max(behind, -600));
    }

    /** When something planned for a second is expected, by how it goes. */
    Optional<Instant> expected(double second) {
        return behind().isPresent()
                ? Optional.of(zero.plusMillis(Math.round((second + behind().getAsDouble()) * 1000)))
                : Optional.empty();
    }

    /**
     * Metal temperature foreseen at a moment: its last reading, or its tap, less what the pot loses meanwhile. A reading from
     * before the pot was heated again counts no more.
     */
    OptionalDouble metalAt(Instant now) {
        Optional<Metal> last = readings.stream()
                .filter(m -> !m.how().equals("by eye") && fresh(m))
                .reduce((a, b) -> b);
        if (last.isEmpty() && left == null) {
            return OptionalDouble.empty();
        }
        double celsius = last.map(Metal::celsius).orElse(plan.tapC());
        if (left == null || left.isAfter(now)) {
            return OptionalDouble.of(celsius);
        }
        Instant since = last.map(Metal::at).filter(at -> at.isAfter(left)).orElse(left);
        double held = plan.pot().grams();
        for (Cast c : casts.values()) {
            held -= c.end != null && c.state != State.LEFT ? c.plan.grams() : 0;
        }
        PotCooling cooling = new PotCooling(
                plan.pot().faceM2(), plan.pot().wallM2(), plan.pot().covered(), 20);
        return OptionalDouble.of(cooling.after(
                celsius,
                Math.max(held, 0.1 * plan.pot().grams()),
                Alloy.named(plan.alloy()).orElseThrow(),
                Math.max(0, seconds(since, now))));
    }
}
