package kilnryu.core.shell;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;

/**
 * When each piece is dipped: every coat as soon as the one beneath it is dry and someone is there, primes before they
 * have stood too long, pieces waiting for a place on the racks. Greedy in time, the most urgent dip first; with 40 pieces
 * some hundred dips, each found by one pass over the pieces.
 *
 * @param dips in order of time
 * @param fire for each piece the earliest time of the fire; absent when it never gets dry
 * @param racks the rack that each piece hangs on
 */
public record DipCalendar(List<Dip> dips, Map<String, Instant> fire, Map<String, String> racks, Findings findings) {
    private static final int MOST_DAYS = 200;
    /** To wrap a piece with wire; own estimate, a large piece takes longer. */
    static final Duration WIRING = Duration.ofMinutes(30);

    /**
     * A coat still to be laid.
     *
     * @param dose what its drying asks of the air, kg/m2
     * @param wired whether the wire goes on before it
     */
    public record Planned(int number, Coat coat, double dose, boolean wired) {
        public Planned(int number, Coat coat, double dose) {
            this(number, coat, dose, false);
        }
    }

    /**
     * A piece.
     *
     * @param ready when its next dip may come, by the coat beneath or by the wish of the caster
     * @param latest for the next dip, empty where nothing hurries
     * @param rack it hangs on already, empty when it still waits for a place
     * @param finalHours from dry of the last coat on, at the least
     */
    public record Job(
            String key,
            List<Planned> coats,
            Instant ready,
            Optional<Instant> latest,
            Optional<String> rack,
            double finalHours) {}

    /** A rack and how many pieces it holds. */
    public record Rack(String name, int places) {}

    /** When someone is there to dip, and how long one dip takes. */
    public record Crew(ZoneId zone, LocalTime opens, LocalTime closes, Set<DayOfWeek> days, Duration perDip) {
        /** @throws IllegalArgumentException for hours in which no dip can be done */
        public Crew {
            if (days.isEmpty()
                    || !opens.plus(perDip).isAfter(opens)
                    || opens.plus(perDip).isAfter(closes)) {
                throw new IllegalArgumentException("no time to dip in");
            }
        }

        /** The first moment from then on at which a dip can begin. */
        public Instant next(Instant from) {
            return next(from, perDip);
        }

        /** The first moment from then on at which so much work can be done before closing. */
        private Instant next(Instant from, Duration work) {
            ZonedDateTime local = from.atZone(zone);
            LocalDate day = local.toLocalDate();
            for (int i = 0; i < 8; i++, day = day.plusDays(1)) {
                if (days.contains(day.getDayOfWeek())) {
                    Instant first = day.atTime(opens).atZone(zone).toInstant();
                    Instant last = day.atTime(closes).atZone(zone).toInstant().minus(work);
                    Instant at = from.isBefore(first) ? first : from;
                    // work that is longer than the day begins when it opens
                    if (!at.isAfter(last) || at.equals(first)) {
                        return at;
                    }
                }
            }
            throw new IllegalStateException("a week without working hours");
        }
    }

    /**
     * A dip in the calendar.
     *
     * @param dry when it may be followed
     * @param latest when it should be followed; empty where nothing hurries
     * @param late whether it comes after the latest time of the coat beneath
     * @param wire when the wire is wrapped before it; empty where there is none
     */
    public record Dip(
            String job,
            int number,
            Coat coat,
            Instant at,
            Instant dry,
            Optional<Instant> latest,
            boolean late,
            Optional<Instant> wire) {}

    /** What the calendar is made from. */
    public record Shop(Crew crew, List<Rack> racks, Climate climate, double primeLatestHours) {}

    public static DipCalendar of(List<Job> jobs, Shop shop, Instant now) {
        return new Maker(jobs, shop, now).make();
    }

    private static final class State {
        final Job job;
        int next;
        Instant ready;
        Optional<Instant> latest;
        boolean over;

        State(Job job) {
            this.job = job;
            ready = job.ready;
            latest = job.latest;
            over = job.coats.isEmpty();
        }

        int left() {
            return job.coats.size() - next;
        }
    }

    private static final class Maker {
        private final Shop shop;
        private final List<State> states = new ArrayList<>();
        private final Map<String, Integer> free = new LinkedHashMap<>();
        private final Map<String, String> hangs = new LinkedHashMap<>();
        private final Map<String, Instant> fire = new LinkedHashMap<>();
        private final List<Leaves> leaving = new ArrayList<>();
        private final List<Dip> dips = new ArrayList<>();
        private final List<Finding> found = new ArrayList<>();
        private final Instant horizon;
        private Instant crewFree;

        /** A place that becomes free. */
        private record Leaves(Instant at, String rack) {}

        Maker(List<Job> jobs, Shop shop, Instant now) {
            this.shop = shop;
            crewFree = now;
            horizon = now.plus(Duration.ofDays(MOST_DAYS));
            shop.racks.forEach(r -> free.merge(r.name, r.places, Integer::sum));
            for (Job job : jobs) {
                states.add(new State(job));
                job.rack.ifPresent(r -> {
                    hangs.put(job.key, r);
                    free.computeIfPresent(r, (k, n) -> n - 1);
                });
                if (job.coats.isEmpty()) {
                    leaves(job);
                }
            }
        }

        DipCalendar make() {
            while (true) {
                Optional<State> chosen = choose();
                if (chosen.isEmpty()) {
                    break;
                }
                dip(chosen.get());
            }
            states.stream()
                    .filter(s -> !s.over)
                    .forEach(s -> found.add(Finding.warn(
                            "no-place." + s.job.key,
                            s.job.key,
                            "It finds no place on the racks within " + MOST_DAYS + " days.",
                            "Every place is taken by pieces that do not leave.",
                            "More racks, or fewer pieces at once.")));
            dips.sort(Comparator.comparing(Dip::at));
            return new DipCalendar(List.copyOf(dips), fire, hangs, new Findings(found));
        }

        /** The piece to be dipped next: the earliest, and of several that wait the one that is most urgent. */
        private Optional<State> choose() {
            Optional<Instant> earliest = states.stream()
                    .filter(s -> !s.over)
                    .map(this::start)
                    .flatMap(Optional::stream)
                    .min(Comparator.naturalOrder());
            if (earliest.isEmpty() || earliest.get().isAfter(horizon)) {
                return Optional.empty();
            }
            return states.stream()
                    .filter(s -> !s.over)
                    .filter(s ->
                            start(s).filter(t -> !t.isAfter(earliest.get())).isPresent())
                    .min(Comparator.comparing((State s) -> s.latest.orElse(Instant.MAX))
                            .thenComparing(s -> -s.left())
                            .thenComparing(s -> s.ready));
        }

        private Optional<Instant> start(State s) {
            Instant at = later(s.ready, crewFree);
            if (!hangs.containsKey(s.job.key)) {
                Optional<Instant> place = placeFrom();
                if (place.isEmpty()) {
                    return Optional.empty();
                }
                at = later(at, place.get());
            }
            Duration wiring = wiring(s);
            return Optional.of(shop.crew.next(at, shop.crew.perDip.plus(wiring)).plus(wiring));
        }

        /** What has to be done before its next dip. */
        private static Duration wiring(State s) {
            return s.job.coats.get(s.next).wired ? WIRING : Duration.ZERO;
        }

        private Optional<Instant> placeFrom() {
            if (free.values().stream().anyMatch(n -> n > 0)) {
                return Optional.of(crewFree);
            }
            return leaving.stream().map(Leaves::at).min(Comparator.naturalOrder());
        }

        private void dip(State s) {
            Instant at = start(s).orElseThrow();
            Planned coat = s.job.coats.get(s.next);
            Optional<Instant> dry = shop.climate.dry(at, coat.dose);
            if (dry.isEmpty()) {
                s.over = true;
                found.add(Finding.stop(
                        "never-dries." + s.job.key,
                        s.job.key,
                        "Coat " + coat.number + " is not dry within three weeks in this air.",
                        "The next dip would soften it and slide off with it.",
                        "Drier or moving air, a window into the hollow."));
                return;
            }
            Optional<Instant> latest = latest(coat, at);
            if (latest.isPresent() && s.left() > 1 && waits(dry.get(), latest.get()) && delayed(s, at, coat)) {
                return;
            }
            hang(s);
            boolean late = s.latest.filter(at::isAfter).isPresent();
            if (late) {
                found.add(Finding.warn(
                        "late." + s.job.key + "." + coat.number,
                        s.job.key,
                        "Coat " + coat.number + " comes after the latest time of the prime beneath.",
                        "A prime that stands too long cracks off the wax.",
                        "Dip it earlier: an evening or a weekend hour."));
            }
            Optional<Instant> wire = coat.wired ? Optional.of(at.minus(WIRING)) : Optional.empty();
            dips.add(new Dip(s.job.key, coat.number, coat.coat, at, dry.get(), latest, late, wire));
            crewFree = at.plus(shop.crew.perDip);
            s.ready = dry.get();
            s.latest = latest;
            s.next++;
            if (s.left() == 0) {
                s.over = true;
                Instant fired = dry.get().plusSeconds(Math.round(s.job.finalHours * 3600));
                fire.put(s.job.key, fired);
                leaving.add(new Leaves(fired, Objects.requireNonNull(hangs.get(s.job.key))));
            }
        }

        /** A piece with all its coats on keeps its place until the fire. */
        private void leaves(Job job) {
            Instant fired = job.ready.plusSeconds(Math.round(job.finalHours * 3600));
            fire.put(job.key, fired);
            job.rack.ifPresent(rack -> leaving.add(new Leaves(fired, rack)));
        }

        private Optional<Instant> latest(Planned coat, Instant at) {
            return coat.coat.isPrime()
                    ? Optional.of(at.plusSeconds(Math.round(shop.primeLatestHours * 3600)))
                    : Optional.empty();
        }

        /** Whether nobody is there between dry and the latest time. */
        private boolean waits(Instant dry, Instant latest) {
            return shop.crew.next(dry).isAfter(latest);
        }

        /** A prime before a closed weekend is put off to a day from which it can be followed in time, where there is one. */
        private boolean delayed(State s, Instant at, Planned coat) {
            Instant to = at;
            for (int i = 0; i < 7; i++) {
                ZonedDateTime morning =
                        to.atZone(shop.crew.zone).toLocalDate().plusDays(1).atStartOfDay(shop.crew.zone);
                to = shop.crew.next(morning.toInstant());
                Optional<Instant> dry = shop.climate.dry(to, coat.dose);
                if (s.latest.filter(to::isAfter).isPresent()) {
                    return false;
                }
                if (dry.isPresent() && !waits(dry.get(), latest(coat, to).orElseThrow())) {
                    s.ready = to;
                    return true;
                }
            }
            return false;
        }

        private void hang(State s) {
            if (hangs.containsKey(s.job.key)) {
                return;
            }
            Optional<String> rack = free.entrySet().stream()
                    .filter(e -> e.getValue() > 0)
                    .map(Map.Entry::getKey)
                    .findFirst();
            if (rack.isPresent()) {
                free.merge(rack.get(), -1, Integer::sum);
                hangs.put(s.job.key, rack.get());
                return;
            }
            Leaves first =
                    leaving.stream().min(Comparator.comparing(Leaves::at)).orElseThrow();
            leaving.remove(first);
            hangs.put(s.job.key, first.rack);
        }

        private static Instant later(Instant a, Instant b) {
            return a.isAfter(b) ? a : b;
        }
    }
}
