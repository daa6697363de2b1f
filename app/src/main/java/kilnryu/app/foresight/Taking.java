package kilnryu.app.foresight;

import java.util.Map;
import java.util.Optional;
import kilnryu.app.plan.Plan;
import kilnryu.app.web.Show;
import kilnryu.core.foresight.Change;
import kilnryu.core.gating.Form;
import kilnryu.core.gating.GatingPlan;
import kilnryu.core.gating.Member;
import kilnryu.core.gating.Use;

/** Writes a change into a tree's typed fields, as a caster would have typed it. */
final class Taking {
    private final Optional<GatingPlan> gating;
    private final Map<String, String> tree;
    private final Map<String, String> firing;

    Taking(Plan plan, Map<String, String> tree, Map<String, String> firing) {
        gating = plan.gating().map(g -> g.plan());
        this.tree = tree;
        this.firing = firing;
    }

    void take(Change change) {
        if (change instanceof Change.Hotter h) {
            firing.put("mold_C", Show.exact(h.celsius()) + " °C");
        } else if (change instanceof Change.Thicker t) {
            thicker(t.key(), t.diameter(), t.feeds());
        } else if (change instanceof Change.Stands s) {
            gating.ifPresent(g -> s.joined(g).ifPresent(j -> stand(g, s, j)));
        }
    }

    private void thicker(String key, double diameter, boolean feeds) {
        Optional<Member> member = gating.flatMap(g -> g.assembly().named(key));
        if (member.isEmpty()) {
            return;
        }
        if (member.get().form() instanceof Form.Round) {
            put(key, "rod.diameter_mm", mm(diameter));
        } else if (member.get().form() instanceof Form.Bar b) {
            put(key, "bar.thickness_mm", mm(Math.max(diameter, b.thickness())));
            put(key, "bar.width_mm", mm(Math.max(diameter, b.width())));
        }
        if (feeds) {
            put(key, "use", Use.FEEDER.key());
            if (member.get().name().equals(member.get().use().label())) {
                put(key, "name", Use.FEEDER.label());
            }
        }
    }

    private void stand(GatingPlan plan, Change.Stands change, Change.Stands.Joined joined) {
        // a rod that stands there already becomes what is wanted
        Optional<Member> there = plan.assembly().fromRoot().stream()
                .filter(m -> m.use() == Use.VENT || m.use() == Use.FEEDER)
                .filter(m -> m.joint()
                        .filter(j -> j.to().equals(change.on())
                                && Math.abs(j.at() - joined.joint().at()) < 5)
                        .isPresent())
                .findFirst();
        if (there.isPresent()) {
            thicker(there.get().key(), change.diameter(), change.kind() == Change.Kind.FEEDER);
            return;
        }
        int number = 1;
        while (tree.containsKey("parts[ahead" + number + "].name")) {
            number++;
        }
        String key = "ahead" + number;
        int count = plan.assembly().named(change.on()).map(Member::count).orElse(1);
        put(key, "name", change.kind().key());
        put(key, "use", change.kind().key());
        put(key, "role", "gating");
        put(key, "material", "sprue-wax");
        put(key, "how", "rod");
        put(key, "count", Integer.toString(count));
        put(key, "rod.diameter_mm", mm(change.diameter()));
        put(key, "rod.length_mm", mm(Math.ceil(joined.length())));
        put(key, "joins", change.on());
        put(key, "at_mm", mm(Math.round(joined.joint().at())));
        put(key, "tilt_deg", Show.exact(joined.joint().tilt()) + "°");
        put(key, "angle_deg", Show.exact(Math.round(joined.joint().angle())) + "°");
        put(key, "fillet_mm", "2 mm");
    }

    private void put(String key, String field, String text) {
        tree.put("parts[" + key + "]." + field, text);
    }

    private static String mm(double value) {
        return Show.exact(value) + " mm";
    }
}
