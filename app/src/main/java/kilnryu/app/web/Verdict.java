package kilnryu.app.web;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Severity;

/**
 * How something stands, in one line under its title: mark, word, the worst that was found, what mends it.
 *
 * @param mark stop, warn, note or good; note also where something could not be judged
 * @param word as in "Stop" or "Not yet judged"
 * @param more how many others of that kind stand beside it
 */
public record Verdict(String mark, String word, String sentence, int more, List<Remedy> remedies) {
    public static final int MOST_REMEDIES = 2;

    /**
     * A remedy as a button: a form that does it where {@code fields} says with what, else a link to where it is done.
     *
     * @param fields hidden fields of the form, null for a link
     */
    public record Remedy(String label, String address, Map<String, String> fields) {
        public static Remedy link(String label, String address) {
            return new Remedy(label, address, null);
        }
    }

    /**
     * Of a piece, a tree, a load, a shell.
     *
     * @param found of those that weigh the same the first is said
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

    private static String spoken(Finding finding, Units units) {
        Finding said = Spoken.in(finding, units);
        return said.message() + (said.reason().isBlank() ? "" : " " + said.reason());
    }
}
