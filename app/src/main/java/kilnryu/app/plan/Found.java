package kilnryu.app.plan;

import java.util.LinkedHashMap;
import java.util.Map;
import kilnryu.core.finding.Findings;

/** What the checks of a plan found, by the page on which each is mended. */
public record Found(Findings tree, Findings gating, Findings mold, Findings firing) {

    /** By the keys of the pages, in the order of the work. */
    public Map<String, Findings> byPage() {
        Map<String, Findings> pages = new LinkedHashMap<>();
        pages.put("tree", tree);
        pages.put("gating", gating);
        pages.put("mold", mold);
        pages.put("firing", firing);
        return pages;
    }

    public Findings all() {
        return gating.and(tree).and(mold).and(firing);
    }
}
