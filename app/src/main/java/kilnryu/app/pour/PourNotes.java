package kilnryu.app.pour;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.plan.PourNote;
import kilnryu.app.record.Poured;
import kilnryu.app.web.Show;
import kilnryu.core.quantity.Measure;
import org.springframework.stereotype.Component;

/** What a pour says of one of its molds: on its card, in its plan document, on its stream. */
@Component
class PourNotes implements PourNote.Source {
    private final PourStore store;

    PourNotes(PourStore store) {
        this.store = store;
    }

    @Override
    public Optional<PourNote> of(Account account, long tree) {
        return store.of(account.studioId(), tree).map(row -> note(account, row, tree));
    }

    private PourNote note(Account account, PourStore.Row row, long tree) {
        List<Long> order = store.molds(row.id());
        List<String> lines = new ArrayList<>();
        String at = row.fields().getOrDefault("pour_at", "");
        lines.add("Pour " + row.name() + ", place " + (order.indexOf(tree) + 1) + " of " + order.size()
                + (at.isEmpty() ? "" : ", first metal " + at.replace('T', ' ')));
        Map<String, Object> record = new LinkedHashMap<>();
        PourTaps.course(row, row.record() == null ? List.of() : store.events(row.id()))
                .ifPresent(course -> course.cast(tree).ifPresent(c -> {
                    Poured.Mold plan = c.plan();
                    lines.add("Out to metal " + seconds(plan.startS() - plan.outS()) + " planned"
                            + (c.stood().isPresent() ? ", " + seconds(c.stood().getAsDouble()) + " actual" : "")
                            + (plan.windowS() == null ? "" : ", window " + seconds(plan.windowS())));
                    lines.add("Metal " + Show.value(plan.metalC(), Measure.DEGREE_CELSIUS, account.units(), false)
                            + " foreseen, at least "
                            + Show.value(plan.leastC(), Measure.DEGREE_CELSIUS, account.units(), false)
                            + "; " + Show.value(plan.grams(), Measure.GRAM, account.units(), false));
                    lines.add("It " + said(c.state())
                            + (c.filled().isPresent()
                                    ? " in " + seconds(c.filled().getAsDouble())
                                    : ""));
                    record(row, course, c, record);
                }));
        return new PourNote(row.id(), row.name(), row.state(), lines, record);
    }

    private static String said(PourCourse.State state) {
        return switch (state) {
            case WAITS -> state.label();
            case FULL, SHORT, LEAKED -> "came " + state.label();
            case LEFT -> "was " + state.label();
            default -> "is " + state.label();
        };
    }

    private static void record(PourStore.Row row, PourCourse course, PourCourse.Cast c, Map<String, Object> record) {
        record.put("pour", row.name());
        record.put("state", c.state().name().toLowerCase(Locale.ROOT));
        c.out().map(Instant::toString).ifPresent(t -> record.put("out_at", t));
        c.start().map(Instant::toString).ifPresent(t -> record.put("start_at", t));
        c.end().map(Instant::toString).ifPresent(t -> record.put("end_at", t));
        c.stood().ifPresent(s -> record.put("stood_s", s));
        c.filled().ifPresent(s -> record.put("filled_s", s));
        c.gauge().ifPresent(k -> record.put("gauge_kPa", k));
        record.put("planned_stood_s", c.plan().startS() - c.plan().outS());
        if (c.plan().windowS() != null) {
            record.put("window_s", c.plan().windowS());
        }
        record.put("metal_planned_C", c.plan().metalC());
        course.metal().ifPresent(m -> {
            record.put("metal_read_C", m.celsius());
            record.put("metal_read_by", m.how());
        });
        if (!c.overruled().isEmpty()) {
            record.put("overruled", c.overruled());
        }
    }

    private static String seconds(double s) {
        return Math.abs(s) < 100
                ? String.format(Locale.ROOT, "%.0f s", s)
                : String.format(Locale.ROOT, "%.1f min", s / 60);
    }
}
