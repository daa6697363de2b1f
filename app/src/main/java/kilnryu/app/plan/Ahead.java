package kilnryu.app.plan;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import kilnryu.core.burnout.BackPlan;
import kilnryu.core.burnout.Duty;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Severity;
import tools.jackson.databind.json.JsonMapper;

/**
 * What the day asks of a tree by its own plan, kept with each save: hours at which someone has to be there, and the worst that
 * stands against it.
 *
 * @param severity stop or warn, empty where neither stands against it
 * @param message of the worst, in metric units
 * @param page on which it is mended
 */
public record Ahead(List<At> duties, String severity, String message, String page) {
    private static final JsonMapper JSON = kilnryu.app.web.KeptJson.mapper();
    private static final Ahead NOTHING = new Ahead(List.of(), "", "", "");

    public Ahead {
        duties = duties == null ? List.of() : List.copyOf(duties);
    }

    /** A duty at its hour. */
    public record At(Duty.Kind kind, Instant at, String caution) {}

    static Ahead of(Plan plan) {
        List<At> duties = plan.firing().flatMap(f -> f.clock()).map(BackPlan::duties).orElse(List.of()).stream()
                .map(c -> new At(c.duty().kind(), c.at().toInstant(), c.duty().caution()))
                .toList();
        return plan.found().byPage().entrySet().stream()
                .flatMap(e -> e.getValue().all().stream().map(f -> new Worst(e.getKey(), f)))
                .filter(w -> w.finding.severity() != Severity.NOTE)
                .min(Comparator.comparing(w -> w.finding.severity()))
                .map(w -> new Ahead(
                        duties, w.finding.severity() == Severity.STOP ? "stop" : "warn", w.finding.message(), w.page))
                .orElseGet(() -> new Ahead(duties, "", "", ""));
    }

    private record Worst(String page, Finding finding) {}

    /** As kept; nothing for a tree that was saved before this was kept. */
    public static Ahead read(String text) {
        return text == null ? NOTHING : JSON.readValue(text, Ahead.class);
    }

    String written() {
        return JSON.writeValueAsString(this);
    }

    public Optional<At> first(Duty.Kind kind) {
        return duties.stream().filter(d -> d.kind == kind).findFirst();
    }
}
