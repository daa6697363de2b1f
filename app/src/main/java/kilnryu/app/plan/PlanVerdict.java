package kilnryu.app.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.web.Verdict;
import kilnryu.app.web.Verdict.Remedy;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Severity;

/** How a tree's plan stands, and what mends it. */
public final class PlanVerdict {
    private static final Map<String, String> PAGES =
            Map.of("tree", "Tree", "gating", "Gating", "mold", "Mold", "firing", "Firing");

    private PlanVerdict() {}

    /** Knows a remedy that can be done at once. */
    public interface Source {
        /** What mends a finding of this plan of a saved tree; empty where it knows nothing. */
        Optional<Remedy> of(Account account, Plans.Saved saved, Plan plan, Finding finding);
    }

    /** A finding and the page on which it is mended. */
    private record At(String page, Finding finding) {}

    /**
     * @param saved null for a tree that is not saved yet
     * @param open page that is shown
     */
    static Verdict of(Account account, Plans.Saved saved, Plan plan, String open, List<Source> sources) {
        List<At> found = found(plan, open);
        List<String> missing = plan.judged().all();
        List<Remedy> remedies =
                found.isEmpty() ? told(missing, plan, saved) : remedies(account, saved, plan, open, found, sources);
        return Verdict.over(found.stream().map(At::finding).toList(), missing, account.units(), remedies);
    }

    /** What stands against a mold by itself, where it goes on with others; empty where nothing does. */
    public static Optional<Finding> own(String name, Plan plan) {
        List<Finding> own = plan.findings().all().stream()
                .filter(f -> f.severity() != Severity.NOTE)
                .toList();
        if (own.isEmpty()) {
            return Optional.empty();
        }
        String kind = own.stream().anyMatch(f -> f.severity() == Severity.STOP) ? "stop" : "warning";
        String many = kind.equals("stop") ? " stops and warnings" : " warnings";
        return Optional.of(Finding.warn(
                "mold-warned",
                "molds",
                name + " has " + (own.size() == 1 ? "one " + kind : own.size() + many) + " of its own.",
                own.get(0).message(),
                "Look at its pages."));
    }

    /** What of a mold by itself was not judged, where it goes on with others; empty where all was. */
    public static Optional<String> unjudged(String name, Plan plan) {
        return plan.judged().whole()
                ? Optional.empty()
                : Optional.of("of " + name + ": " + plan.judged().all().get(0));
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

    /** Where what is missing can be said. */
    private static List<Remedy> told(List<String> missing, Plan plan, Plans.Saved saved) {
        if (missing.isEmpty() || saved == null) {
            return List.of();
        }
        return plan.judged().missing().entrySet().stream()
                .filter(e -> e.getValue().contains(missing.get(0)))
                .findFirst()
                .map(e -> address(missing.get(0), saved.row().id(), e.getKey()))
                .stream()
                .toList();
    }

    /** Where what is missing is written down. */
    private static Remedy address(String missing, long tree, String page) {
        if (missing.contains("Equipment page")) {
            return Remedy.link("Open Equipment", "/equipment");
        }
        return Remedy.link("Open " + PAGES.get(page), "/trees/" + tree + "/" + page);
    }

    private static List<Remedy> remedies(
            Account account, Plans.Saved saved, Plan plan, String open, List<At> found, List<Source> sources) {
        if (saved == null) {
            return List.of();
        }
        Map<String, Remedy> remedies = new LinkedHashMap<>();
        for (At at : found) {
            for (Source source : sources) {
                source.of(account, saved, plan, at.finding).ifPresent(r -> remedies.putIfAbsent(r.label(), r));
            }
            if (!at.page.equals(open)) {
                Remedy there = Remedy.link(
                        "Open " + PAGES.get(at.page), "/trees/" + saved.row().id() + "/" + at.page);
                remedies.putIfAbsent(there.label(), there);
            }
            if (remedies.size() >= Verdict.MOST_REMEDIES) {
                break;
            }
        }
        return List.copyOf(remedies.values());
    }
}
