package kilnryu.app.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What of a plan could be judged: a page with nothing missing is judged whole. Silence of the checks means "no problems
 * found" only there.
 *
 * @param missing what is not known, in a caster's words, by the key of the page
 */
public record Judged(Map<String, List<String>> missing) {

    static Judged of(Plan plan) {
        Map<String, List<String>> missing = new LinkedHashMap<>();
        missing.put("tree", tree(plan));
        missing.put("gating", gating(plan));
        missing.put("mold", mold(plan));
        missing.put("firing", firing(plan));
        return new Judged(missing);
    }

    /** Whether nothing is missing on this page. */
    public boolean whole(String page) {
        return missing.getOrDefault(page, List.of()).isEmpty();
    }

    /** Whether nothing is missing anywhere. */
    public boolean whole() {
        return missing.values().stream().allMatch(List::isEmpty);
    }

    /** All that is missing, in the order of the work. */
    public List<String> all() {
        return missing.values().stream().flatMap(List::stream).distinct().toList();
    }

    private static List<String> tree(Plan plan) {
        List<String> missing = new ArrayList<>();
        if (plan.tree().isEmpty()) {
            missing.add("alloy and parts of the tree");
            return missing;
        }
        if (!plan.reading().hands().crucible().known()) {
            missing.add("crucible (on the Equipment page)");
        }
        if (plan.reading().hands().lift().isEmpty()) {
            missing.add("what one person lifts (on the Equipment page)");
        }
        return missing;
    }

    private static List<String> gating(Plan plan) {
        List<String> missing = new ArrayList<>();
        if (plan.gating().isEmpty()) {
            missing.add("how the parts stand on each other: filling, feeding and vents (Gating page)");
        } else if (plan.pour().isEmpty()) {
            missing.add("temperature of the metal: filling and freezing (Firing page)");
        }
        return missing;
    }

    private static List<String> mold(Plan plan) {
        List<String> missing = new ArrayList<>();
        if (plan.flask().isEmpty() && plan.block().isEmpty() && plan.shell().isEmpty()) {
            missing.add("the mold");
            return missing;
        }
        boolean sized = plan.gating().isPresent()
                || plan.moldExtras().treeWidth().isPresent()
                        && plan.moldExtras().treeHeight().isPresent();
        if (!sized) {
            missing.add("width and height of the tree, only estimated from its parts (Mold page)");
        }
        return missing;
    }

    private static List<String> firing(Plan plan) {
        List<String> missing = new ArrayList<>();
        boolean programmed =
                plan.firing().map(f -> !f.program().segments().isEmpty()).orElse(false);
        if (!programmed) {
            missing.add("the program of the kiln");
        }
        if (plan.fields()
                .get(Stage.FIRING)
                .written()
                .getOrDefault("section", "")
                .isBlank()) {
            missing.add("sections of the casting, medium until chosen (Firing page)");
        }
        if (programmed && plan.firing().flatMap(f -> f.clock()).isEmpty()) {
            missing.add("the hour of the pour (Firing page)");
        }
        return missing;
    }
}
