package kilnryu.app.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.web.Spoken;
import kilnryu.app.web.Units;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Severity;

/**
 * How a plan stands, in one line under its title: mark, word, the worst that was found, what mends it.
 *
 * @param mark stop, warn, note or good; note also where something could not be judged
 * @param word as in "Stop" or "Not yet judged"
 * @param more how many others of that kind stand beside it
 */
public record Verdict(String mark, String word, String sentence, int more, List<Remedy> remedies) {
    private static final int MOST_REMEDIES = 2;
    private static final Map<String, String> PAGES =
            Map.of("tree", "Tree", "gating", "Gating", "mold", "Mold", "firing", "Firing");

    /**
     * A remedy as a button: a form that does it where {@code fields} says with what, else a link to where it is done.
     *
     * @param fields hidden fields of the form, null for a link
     */
    public record Remedy(String label, String address, Map<String, String> fields) {
        public static Remedy link(String label, String address) {
            return new Remedy(label, address, null);
        }

        /** Knows a remedy that can be done at once. */
        public interface Source {
            /** What mends a finding of this plan of a saved tree; empty where it knows nothing. */
            Optional<Remedy> of(Account account, Plans.Saved saved, Plan plan, Finding finding);
        }
    }

    /** A finding and the page on which it is mended. */
    private record At(String page, Finding finding) {}

    /**
     * @param saved null for a tree that is not saved yet
     * @param open page that is shown
     */
    static Verdict of(Account account, Plans.Saved saved, Plan plan, String open, List<Remedy.Source> sources) {
        List<At> found = found(plan, open);
        if (found.isEmpty()) {
            return quiet(plan, saved);
        }
        At worst = found.get(0);
        int alike = (int) found.stream()
                .filter(f -> f.finding.severity() == worst.finding.severity())
                .count();
        boolean stop = worst.finding.severity() == Severity.STOP;
        return new Verdict(
                stop ? "stop" : "warn",
                stop ? (worst.finding.safety() ? "Safety stop" : "Stop") : "Warning",
                spoken(worst.finding, account.units()),
                alike - 1,
                remedies(account, saved, plan, open, found, sources));
    }

    /**
     * How something else than a tree stands: a piece, a load, a shell.
     *
     * @param missing what of it could not be judged
     * @param remedies what can be done at once, the best first
     */
    public static Verdict over(List<Finding> found, List<String> missing, Units units, List<Remedy> remedies) {
        List<Remedy> best = remedies.stream().limit(MOST_REMEDIES).toList();
        Optional<Finding> worst =
                found.stream().filter(f -> f.severity() != Severity.NOTE).min(Comparator.comparing(Finding::severity));
        if (worst.isPresent()) {
            Finding f = worst.get();
            boolean stop = f.severity() == Severity.STOP;
            int alike = (int)
                    found.stream().filter(o -> o.severity() == f.severity()).count();
            return new Verdict(
                    stop ? "stop" : "warn",
                    stop ? (f.safety() ? "Safety stop" : "Stop") : "Warning",
                    spoken(f, units),
                    alike - 1,
                    best);
        }
        return missing.isEmpty()
                ? new Verdict("good", "No problems found", "All that matters is known and was judged.", 0, best)
                : new Verdict("note", "Not yet judged", first(missing), 0, best);
    }

    private static String first(List<String> missing) {
        String others = missing.size() == 1
                ? ""
                : " and " + (missing.size() - 1) + (missing.size() == 2 ? " thing" : " things") + " more";
        return missing.get(0) + others + ".";
    }

    /** The mark alone, as lists show it. */
    static String mark(Plan plan) {
        if (plan.findings().all().stream().anyMatch(f -> f.severity() == Severity.STOP)) {
            return "stop";
        }
        if (plan.findings().all().stream().anyMatch(f -> f.severity() == Severity.WARN)) {
            return "warn";
        }
        return plan.judged().whole() ? "good" : "note";
    }

    /** Stops before warnings, what is mended on the open page before the rest. */
    private static List<At> found(Plan plan, String open) {
        List<At> found = new ArrayList<>();
        plan.found()
                .byPage()
                .forEach((page, findings) -> findings.all().stream()
                        .filter(f -> f.severity() != Severity.NOTE)
                        .forEach(f -> found.add(new At(page, f))));
        found.sort(Comparator.comparing((At a) -> a.finding.severity()).thenComparing(a -> !a.page.equals(open)));
        return found;
    }

    private static String spoken(Finding finding, Units units) {
        Finding said = Spoken.in(finding, units);
        return said.message() + (said.reason().isBlank() ? "" : " " + said.reason());
    }

    private static Verdict quiet(Plan plan, Plans.Saved saved) {
        List<String> missing = plan.judged().all();
        if (missing.isEmpty()) {
            return new Verdict("good", "No problems found", "All that matters is known and was judged.", 0, List.of());
        }
        List<Remedy> remedies = new ArrayList<>();
        if (saved != null) {
            plan.judged().missing().entrySet().stream()
                    .filter(e -> e.getValue().contains(missing.get(0)))
                    .findFirst()
                    .map(e -> address(missing.get(0), saved.row().id(), e.getKey()))
                    .ifPresent(remedies::add);
        }
        return new Verdict("note", "Not yet judged", first(missing), 0, remedies);
    }

    /** Where what is missing is written down. */
    private static Remedy address(String missing, long tree, String page) {
        if (missing.contains("Equipment page")) {
            return Remedy.link("Open Equipment", "/equipment");
        }
        return Remedy.link("Open " + PAGES.get(page), "/trees/" + tree + "/" + page);
    }

    private static List<Remedy> remedies(
            Account account, Plans.Saved saved, Plan plan, String open, List<At> found, List<Remedy.Source> sources) {
        if (saved == null) {
            return List.of();
        }
        Map<String, Remedy> remedies = new LinkedHashMap<>();
        for (At at : found) {
            for (Remedy.Source source : sources) {
                source.of(account, saved, plan, at.finding).ifPresent(r -> remedies.putIfAbsent(r.label(), r));
            }
            if (!at.page.equals(open)) {
                Remedy there = Remedy.link(
                        "Open " + PAGES.get(at.page), "/trees/" + saved.row().id() + "/" + at.page);
                remedies.putIfAbsent(there.label(), there);
            }
            if (remedies.size() >= MOST_REMEDIES) {
                break;
            }
        }
        return remedies.values().stream().limit(MOST_REMEDIES).toList();
    }
}
