package kilnryu.app.pour;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.firing.Incandescence;
import kilnryu.app.record.Poured;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.material.Alloy;
import kilnryu.core.pour.GoNoGo;
import kilnryu.core.quantity.Measure;

/**
 * The pour day as everyone sees it.
 *
 * @param says what is to be done now, in one sentence
 * @param hand the mold in hand; null when all are done
 * @param rests how often a rest was weighed
 */
record DayPage(
        String says,
        String phase,
        List<StepView> steps,
        List<Place> places,
        CastView hand,
        List<CastView> molds,
        String line,
        MetalView metal,
        String gauge,
        List<String> log,
        boolean potOut,
        int rests,
        boolean allEnded,
        String behind,
        long now) {

    /** A step of the countdown. */
    public record StepView(
            String key, String words, String why, String at, boolean done, boolean holds, boolean safety) {}

    /** A place at the pour and who took it. */
    public record Place(String place, String who) {}

    /** The metal, as read or foreseen. */
    public record MetalView(String now, String how, String colour, String word, boolean read) {}

    /**
     * A mold.
     *
     * @param left seconds of its window, as of the page's moment; null where there is none
     * @param share of its window that is left, 0 to 100
     */
    public record CastView(
            long tree,
            String name,
            String kind,
            String state,
            String seen,
            String label,
            String grams,
            String metalAsked,
            String mold,
            Long left,
            long window,
            int share,
            String margin,
            String start,
            String go,
            List<String> lacking,
            boolean overrulable,
            boolean clean,
            boolean fired,
            boolean leaking,
            boolean vacuum,
            String noVacuum,
            String stood,
            String filled,
            String overruled) {}

    /** What a page is made from. */
    record From(Account account, PourStore.Row row, PourCourse course, List<PourStore.Event> events, Instant now) {}

    /** Judges molds and foresees margins. */
    interface Sight {
        GoNoGo judged(PourCourse.Cast cast);

        OptionalDouble margin(PourCourse.Cast cast, double metalC, double moldC);
    }

    static DayPage of(From f, Sight sight) {
        return new Maker(f, sight).made();
    }

    private static final class Maker {
        private static final int LOGGED = 40;
        private static final double EYE_K = 60;

        private final From f;
        private final Sight sight;
        private final PourCourse course;
        private final Units units;
        private final ZoneId zone;

        Maker(From f, Sight sight) {
            this.f = f;
            this.sight = sight;
            course = f.course;
            units = f.account.units();
            zone = f.account.zoneId();
        }

        DayPage made() {
            List<CastView> molds = course.casts().stream().map(this::view).toList();
            CastView hand = course.inHand()
                    .map(h -> molds.get(course.casts().indexOf(h)))
                    .orElse(null);
            Instant zero = course.zero().orElse(f.now);
            return new DayPage(
                    says(),
                    phase(),
                    steps(),
                    PourCourse.PLACES.stream()
                            .map(p -> new Place(p, course.people().getOrDefault(p, "")))
                            .toList(),
                    hand,
                    molds,
                    DayDrawing.of(course, zero, f.now, zone),
                    metal(),
                    course.gauge().isPresent()
                            ? Math.round(course.gauge().getAsDouble()) + " kPa vacuum"
                            : "not read yet",
                    log(),
                    course.potIsOut(),
                    course.rests(),
                    course.allEnded(),
                    behind(),
                    f.now.toEpochMilli());
        }

        private String phase() {
            if (f.row.state().equals("done")) {
                return "done";
            }
            return course.holding().isPresent() ? "ready" : course.allEnded() ? "ended" : "pour";
        }

        private String says() {
            if (course.holding().isPresent()) {
                return "Next: " + course.holding().get().words();
            }
            if (course.allEnded()) {
                return "All molds are done. Rest into the dry ingot mold, then end the pour.";
            }
            PourCourse.Cast hand = course.inHand().orElseThrow();
            String name = hand.plan().name();
            if (hand.state() != PourCourse.State.POURS && sunk()) {
                return "The metal has sunk under its liquidus: pot back into the furnace, then " + name + ".";
            }
            if (hand.windowLeft(f.now).orElse(0) < 0 && hand.state() == PourCourse.State.OUT) {
                return name
                        + " is past its window: back into the kiln with it, or pour it knowing that it may not fill.";
            }
            if (course.goesBackFirst() && hand.state() != PourCourse.State.POURS) {
                return "Pot back into the furnace up to "
                        + celsius(course.plan().tapC()) + ", or the second pot, then " + name + ".";
            }
            String said = switch (hand.state()) {
                case WAITS -> "Take out " + name + at(hand.plan().outS());
                case OUT ->
                    !course.potIsOut()
                            ? "Pot out of the furnace, skim, then " + name
                            : "Start on " + name + at(hand.plan().startS());
                default -> hand.leaking() ? name + " leaks: sand on, stand back" : "Metal goes into " + name;
            };
            return said + "."
                    + course.nextOut()
                            .map(n -> " Then " + n.plan().name() + " comes out"
                                    + at(n.plan().outS()) + ".")
                            .orElse("");
        }

        private String at(double second) {
            return course.expected(second)
                    .map(t -> t.isAfter(f.now.plusSeconds(1)) ? " at " + clock(t) : " now")
                    .orElse("");
        }

        private String clock(Instant at) {
            var t = at.atZone(zone);
            return String.format(Locale.ROOT, "%02d:%02d:%02d", t.getHour(), t.getMinute(), t.getSecond());
        }

        private List<StepView> steps() {
            Optional<Poured.Step> holds = course.holding();
            Optional<java.time.OffsetDateTime> planned =
                    course.plan().plannedAt().isEmpty()
                            ? Optional.empty()
                            : Optional.of(
                                    java.time.OffsetDateTime.parse(course.plan().plannedAt()));
            return course.plan().countdown().stream()
                    .map(s -> new StepView(
                            s.key(),
                            s.words(),
                            s.why(),
                            planned.map(p -> Show.clock(
                                            p.atZoneSameInstant(zone).minusSeconds(Math.round(s.minutes() * 60))))
                                    .orElse(""),
                            course.ticked().contains(s.key()),
                            holds.filter(h -> h == s).isPresent(),
                            s.safety()))
                    .toList();
        }

        private CastView view(PourCourse.Cast c) {
            Poured.Mold plan = c.plan();
            OptionalDouble left = c.windowLeft(f.now);
            double stood = c.out()
                    .map(o -> java.time.Duration.between(o, c.start().orElse(f.now))
                                    .toMillis()
                            / 1000.0)
                    .orElse(0.0);
            double moldC = plan.cavityAt(stood);
            OptionalDouble metal = course.metalAt(f.now);
            OptionalDouble margin = sight.margin(c, metal.orElse(plan.metalC()), moldC);
            GoNoGo go = c.state() == PourCourse.State.WAITS ? sight.judged(c) : null;
            return new CastView(
                    plan.tree(),
                    plan.name(),
                    plan.kind(),
                    c.state().name().toLowerCase(Locale.ROOT),
                    c.seen(),
                    c.state().label(),
                    Show.value(plan.grams(), Measure.GRAM, units, false).toString(),
                    celsius(plan.metalC()),
                    celsius(moldC),
                    left.isPresent() ? Math.round(left.getAsDouble()) : null,
                    plan.windowS() == null ? 0 : Math.round(plan.windowS()),
                    share(plan, left),
                    margin.isPresent()
                            ? margin.getAsDouble() >= 20
                                    ? "fills over 20 times sooner than it freezes"
                                    : String.format(
                                            Locale.ROOT,
                                            "fills %.1f times sooner than it freezes",
                                            margin.getAsDouble())
                            : "filling not judged",
                    course.expected(plan.startS()).map(this::clock).orElse(""),
                    go == null ? "" : word(go),
                    go == null
                            ? List.of()
                            : go.lacking().stream().map(GoNoGo.Fact::words).toList(),
                    go != null && go.word() == GoNoGo.Word.NO_GO,
                    c.clean(),
                    go == null
                            || go.facts().stream()
                                    .anyMatch(x -> x.key().equals("fired") && x.state() == GoNoGo.State.YES),
                    c.leaking(),
                    plan.vacuum(),
                    c.noVacuum(),
                    c.stood().isPresent() ? seconds(c.stood().getAsDouble()) : "",
                    c.filled().isPresent() ? seconds(c.filled().getAsDouble()) : "",
                    c.overruled());
        }

        private static int share(Poured.Mold plan, OptionalDouble left) {
            return left.isEmpty() || plan.windowS() == null || plan.windowS() <= 0
                    ? 100
                    : (int) Math.max(0, Math.min(100, Math.round(left.getAsDouble() / plan.windowS() * 100)));
        }

        private static String word(GoNoGo go) {
            return switch (go.word()) {
                case GO -> "Go";
                case NO_GO -> "No go yet";
                case NO_GO_OF_SAFETY -> "No go, safety";
            };
        }

        private static String seconds(double s) {
            return s < 100 ? Math.round(s) + " s" : String.format(Locale.ROOT, "%d:%02d", (long) s / 60, (long) s % 60);
        }

        private String celsius(double c) {
            return Show.value(c, Measure.DEGREE_CELSIUS, units, false).toString();
        }

        private MetalView metal() {
            OptionalDouble foreseen = course.metalAt(f.now);
            Optional<PourCourse.Metal> read = course.metal();
            double shown = foreseen.orElse(read.map(PourCourse.Metal::celsius).orElse(20.0));
            String how = read.map(r -> (r.how().equals("by eye")
                                    ? "by eye, ± " + Math.round(EYE_K) + " K, "
                                    : r.how() + " read " + celsius(r.celsius()) + ", ")
                            + clock(r.at()) + " " + r.by())
                    .orElse("not read yet");
            return new MetalView(
                    foreseen.isPresent() || read.isPresent() ? celsius(shown) : "–",
                    (course.potIsOut()
                                    ? frozen(shown)
                                            ? "foreseen: under its liquidus, back to the furnace; "
                                            : "foreseen now; "
                                    : "")
                            + how,
                    Incandescence.at(shown),
                    Incandescence.word(shown),
                    read.isPresent());
        }

        /** Foreseen so in the pot outside the furnace. */
        private boolean sunk() {
            OptionalDouble metal = course.metalAt(f.now);
            return course.potIsOut() && metal.isPresent() && frozen(metal.getAsDouble());
        }

        private boolean frozen(double celsius) {
            return Alloy.named(course.plan().alloy())
                    .filter(a -> celsius < a.melting().liquidus())
                    .isPresent();
        }

        private String behind() {
            OptionalDouble behind = course.behind();
            if (behind.isEmpty() || Math.abs(behind.getAsDouble()) < 3) {
                return "";
            }
            return seconds(Math.abs(behind.getAsDouble()))
                    + (behind.getAsDouble() > 0 ? " behind the plan" : " ahead of the plan");
        }

        private List<String> log() {
            List<String> all = new ArrayList<>();
            for (int i = f.events.size() - 1; i >= 0 && all.size() < LOGGED; i--) {
                PourStore.Event e = f.events.get(i);
                if (e.kind().equals("dip") || e.kind().equals("standin")) {
                    continue;
                }
                String of = e.tree() == null
                        ? ""
                        : course.cast(e.tree()).map(c -> c.plan().name() + ": ").orElse("");
                all.add(clock(e.tappedAt()) + " " + of + words(e) + ", " + e.by());
            }
            return all;
        }

        private String words(PourStore.Event e) {
            return switch (e.kind()) {
                case "tick" -> "ready: " + step(e);
                case "untick" -> "not ready after all: " + step(e);
                case "place" ->
                    e.fields().getOrDefault("place", "") + " is " + e.fields().getOrDefault("who", "");
                case "potout" -> "pot out of the furnace";
                case "potback" -> "pot back into the furnace";
                case "undo" -> "taken back: " + e.fields().getOrDefault("saw", "");
                case "gauge" -> "gauge " + e.fields().getOrDefault("kPa", "") + " kPa vacuum";
                case "metal" ->
                    "metal " + celsius(Double.parseDouble(e.fields().get("celsius"))) + ", "
                            + e.fields().getOrDefault("how", "");
                case "rest" -> "rest " + e.fields().getOrDefault("grams", "") + " g into the ingot mold";
                case "note" -> e.fields().getOrDefault("text", "");
                case "clean" -> "cracks patched, ash blown out";
                case "fired" -> "seen: dry and burnt out";
                case "overrule" -> "poured all the same: " + e.fields().getOrDefault("why", "");
                case "novacuum" -> "no vacuum, remedies looked at";
                case "gravity" -> "by gravity";
                case "leaks" -> "leaks, sand on";
                case "leaked" -> "leaked out";
                case "putback" -> "put back, not poured";
                case "refused" ->
                    "not taken (" + e.fields().getOrDefault("what", "") + "): "
                            + e.fields().getOrDefault("word", "");
                default -> e.kind();
            };
        }

        private String step(PourStore.Event e) {
            return course.plan().countdown().stream()
                    .filter(s -> s.key().equals(e.fields().get("step")))
                    .map(Poured.Step::words)
                    .findFirst()
                    .orElse("");
        }
    }
}
