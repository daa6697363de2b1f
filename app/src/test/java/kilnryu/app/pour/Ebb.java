package kilnryu.app.pour;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import kilnryu.app.record.Poured;

/** A pour of two molds and what is tapped at it; seconds count from the moment the pot leaves the furnace. */
final class Ebb {
    static final Instant ZERO = Instant.parse("2026-12-03T08:30:00Z");

    final Poured plan;
    final List<PourStore.Event> events = new ArrayList<>();

    private Ebb(Poured plan) {
        this.plan = plan;
    }

    /** Reed warbler with a window of a minute, Marsh tit with a long one; each cools a kelvin a second from 600 C. */
    static Ebb of(boolean vacuum, Poured.Pot pot, Poured.Step... steps) {
        return of(vacuum, new double[] {20, 55, 58}, pot, steps);
    }

    /** The same, where the pot is brought back to its tap before Marsh tit, in ten minutes; nothing to tick. */
    static Ebb heatedAgain(Poured.Pot pot) {
        return of(false, new double[] {620, 655, 658}, pot);
    }

    private static Ebb of(boolean vacuum, double[] second, Poured.Pot pot, Poured.Step... steps) {
        return new Ebb(new Poured(
                "si-bronze",
                "2026-12-03T08:30:40Z",
                1100,
                1130,
                1200,
                20,
                "furnace",
                "pot",
                List.of(),
                Map.of(),
                new Poured.Crew(20, 15, 12, 40, false),
                pot,
                List.of(
                        mold(1, "Reed warbler", vacuum, new double[] {5, 40, 43}, 60.0),
                        mold(2, "Marsh tit", vacuum, second, null)),
                List.of(steps),
                List.of(),
                List.of()));
    }

    private static Poured.Mold mold(long tree, String name, boolean vacuum, double[] seconds, Double window) {
        return new Poured.Mold(
                tree,
                name,
                vacuum ? "flask" : "shell",
                500,
                seconds[0],
                seconds[1],
                seconds[2],
                1100,
                1070,
                600,
                550,
                window,
                3.0,
                1,
                seconds[0] > 600,
                vacuum,
                1,
                true,
                List.of(List.of(0.0, 600.0), List.of(100.0, 500.0)));
    }

    Ebb tapped(String kind, Long tree, double second, String... fields) {
        Map<String, String> all = new HashMap<>();
        for (int i = 0; i < fields.length; i += 2) {
            all.put(fields[i], fields[i + 1]);
        }
        Instant at = at(second);
        events.add(new PourStore.Event(events.size(), kind + events.size(), tree, kind, all, at, at, "Ana"));
        return this;
    }

    static Instant at(double second) {
        return ZERO.plusMillis(Math.round(second * 1000));
    }

    PourCourse course() {
        return PourCourse.of(plan, events);
    }
}
