package kilnryu.core.shell;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;

/**
 * The air of the drying room through time: what was read of it, and for every hour without a reading the usual day of
 * the room.
 */
public final class Climate {
    /** A reading holds this long before and after, where there is no nearer one. */
    private static final Duration NEAR = Duration.ofMinutes(90);

    private static final int LONGEST_H = 21 * 24;

    private final List<Air> day;
    private final NavigableMap<Instant, Air> readings;
    private final ZoneId zone;
    private final Map<Instant, Double> fluxes = new HashMap<>();

    private Climate(List<Air> day, NavigableMap<Instant, Air> readings, ZoneId zone) {
        this.day = day;
        this.readings = readings;
        this.zone = zone;
    }

    /**
     * @param day the room's usual air at each of the 24 hours of the local day
     * @param readings what was measured, by time; may be empty
     * @throws IllegalArgumentException for a day that has not 24 hours
     */
    public static Climate of(List<Air> day, Map<Instant, Air> readings, ZoneId zone) {
        if (day.size() != 24) {
            throw new IllegalArgumentException("a day has 24 hours");
        }
        return new Climate(List.copyOf(day), new TreeMap<>(readings), zone);
    }

    /** A room that stays as it is. */
    public static Climate steady(Air air, ZoneId zone) {
        return of(new ArrayList<>(java.util.Collections.nCopies(24, air)), Map.of(), zone);
    }

    public Air at(Instant when) {
        Map.Entry<Instant, Air> before = readings.floorEntry(when);
        Map.Entry<Instant, Air> after = readings.ceilingEntry(when);
        Optional<Air> read = nearest(when, before, after);
        return read.orElseGet(() -> day.get(when.atZone(zone).getHour()));
    }

    private static Optional<Air> nearest(Instant when, Map.Entry<Instant, Air> before, Map.Entry<Instant, Air> after) {
        Duration back = before == null ? Duration.ofDays(9999) : Duration.between(before.getKey(), when);
        Duration on = after == null ? Duration.ofDays(9999) : Duration.between(when, after.getKey());
        if (back.compareTo(NEAR) > 0 && on.compareTo(NEAR) > 0) {
            return Optional.empty();
        }
        return Optional.of(back.compareTo(on) <= 0 ? before.getValue() : after.getValue());
    }

    /**
     * When a coat is dry.
     *
     * @param dose what it asks of the air, kg/m2, by {@link Drying#dose}
     * @return empty when it is not dry within three weeks
     */
    public Optional<Instant> dry(Instant from, double dose) {
        double left = dose;
        Instant now = from;
        for (int h = 0; h <= LONGEST_H; h++) {
            Instant next = now.truncatedTo(ChronoUnit.HOURS).plus(1, ChronoUnit.HOURS);
            double hours = Duration.between(now, next).toMillis() / 3.6e6;
            double flux = flux(now);
            if (flux * hours >= left) {
                return Optional.of(now.plusMillis(Math.round(left / flux * 3.6e6)));
            }
            left -= flux * hours;
            now = next;
        }
        return Optional.empty();
    }

    /** Share of its drying that a coat has behind it, 0 to 1. */
    public double progress(Instant from, Instant now, double dose) {
        double done = 0;
        Instant at = from;
        while (at.isBefore(now) && done < dose) {
            Instant next = at.truncatedTo(ChronoUnit.HOURS).plus(1, ChronoUnit.HOURS);
            Instant until = next.isBefore(now) ? next : now;
            done += flux(at) * Duration.between(at, until).toMillis() / 3.6e6;
            at = until;
        }
        return Math.min(1, done / dose);
    }

    private double flux(Instant within) {
        return fluxes.computeIfAbsent(
                within.truncatedTo(ChronoUnit.HOURS),
                hour -> at(hour.plus(30, ChronoUnit.MINUTES)).flux());
    }

    /** Largest swing of the room's temperature over a day, K; empty without a day of readings to judge by. */
    public OptionalDouble swing(Instant from, Instant to) {
        List<Double> all = readings.subMap(from, true, to, true).values().stream()
                .map(Air::celsius)
                .toList();
        if (all.size() < 2) {
            return OptionalDouble.empty();
        }
        return OptionalDouble.of(all.stream().mapToDouble(d -> d).max().orElse(0)
                - all.stream().mapToDouble(d -> d).min().orElse(0));
    }
}
