package kilnryu.app.breakout;

import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Stage;
import kilnryu.core.diagnosis.Cause;
import kilnryu.core.diagnosis.Causes;
import kilnryu.core.diagnosis.DefectKind;

/** What two plans of the same piece differ in, by what a caster calls it, and which causes that acts on. */
record Differences(Map<Thing, Integer> changed) {
    private static final Set<String> BESIDE =
            Set.of("name", "change_note", "weighed_g", "pour_at", "lift_mm", "stick_mm", "gating_school");

    /** Something a caster changes, with the causes that are helped by it. */
    enum Thing {
        METAL_HEAT("temperature of the metal", "metal-too-cold", "too-hot", "dissolved-gas", "section-too-thin"),
        MOLD_HEAT("temperature of the mold", "mold-too-cold", "too-hot", "section-too-thin"),
        BURNOUT("burnout", "pattern-residue", "heated-too-fast", "overfired", "damp", "shell-cracked"),
        MIX("mix and its handling", "bubbles-in-mix", "water-too-much", "overfired", "heated-too-fast"),
        MOLD("size or kind of the mold", "gas-cannot-leave", "vacuum-failed", "head-too-low"),
        SHELL("coats of the shell", "shell-cracked", "shell-too-thin"),
        VACUUM("vacuum", "vacuum-failed", "gas-cannot-leave"),
        VENTS("vents", "gas-cannot-leave"),
        FEEDERS("feeders", "no-feed", "thin-between-heavy", "head-too-low", "mold-restrains"),
        GATING(
                "gating",
                "no-feed",
                "turbulent-fill",
                "gas-cannot-leave",
                "head-too-low",
                "inclusions",
                "section-too-thin"),
        CORE("core and its pins", "core-moved"),
        PIECE(
                "the piece itself",
                "section-too-thin",
                "pattern-wrong",
                "pattern-handling",
                "shrinkage-factor",
                "thin-between-heavy"),
        PATTERN("what the pattern is made of", "pattern-residue", "shell-cracked"),
        ALLOY("alloy", "alloy-off", "dissolved-gas", "metal-too-cold");

        private final String label;
        private final List<String> causes;

        Thing(String label, String... causes) {
            this.label = label;
            this.causes = List.of(causes);
        }

        String label() {
            return label;
        }

        List<String> causes() {
            return causes;
        }

        boolean actsOn(Set<DefectKind> kinds) {
            return causes.stream()
                    .flatMap(id -> Causes.handbook().named(id).stream())
                    .map(Cause::makes)
                    .anyMatch(m -> m.keySet().stream().anyMatch(kinds::contains));
        }
    }

    static Differences between(Plans.Saved one, Plans.Saved other) {
        Map<Thing, Integer> changed = new EnumMap<>(Thing.class);
        for (Stage stage : Stage.values()) {
            Map<String, String> a = one.sheets().get(stage).fields();
            Map<String, String> b = other.sheets().get(stage).fields();
            Set<String> paths = new LinkedHashSet<>(a.keySet());
            paths.addAll(b.keySet());
            for (String path : paths) {
                if (!BESIDE.contains(path) && !a.getOrDefault(path, "").equals(b.getOrDefault(path, ""))) {
                    changed.merge(thing(stage, path, a, b), 1, Integer::sum);
                }
            }
        }
        return new Differences(new LinkedHashMap<>(changed));
    }

    private static Thing thing(Stage stage, String path, Map<String, String> a, Map<String, String> b) {
        return switch (stage) {
            case FIRING ->
                path.equals("pour_C") ? Thing.METAL_HEAT : path.equals("mold_C") ? Thing.MOLD_HEAT : Thing.BURNOUT;
            case MOLD ->
                path.startsWith("water")
                                || path.equals("mix_school")
                                || path.equals("system")
                                || path.startsWith("powder")
                        ? Thing.MIX
                        : path.startsWith("coats") || path.startsWith("recipe") || path.startsWith("shell")
                                ? Thing.SHELL
                                : Thing.MOLD;
            case TREE -> ofTree(path, a, b);
        };
    }

    private static Thing ofTree(String path, Map<String, String> a, Map<String, String> b) {
        if (path.equals("alloy")) {
            return Thing.ALLOY;
        }
        if (path.equals("vacuum_kPa")) {
            return Thing.VACUUM;
        }
        if (path.equals("feeders_insulated")) {
            return Thing.FEEDERS;
        }
        if (!path.startsWith("parts[")) {
            return Thing.GATING;
        }
        if (path.contains("].core")) {
            return Thing.CORE;
        }
        String part = path.substring(0, path.indexOf(']') + 2);
        String use = b.getOrDefault(part + "use", a.getOrDefault(part + "use", ""));
        String role = b.getOrDefault(part + "role", a.getOrDefault(part + "role", ""));
        return switch (use) {
            case "vent", "stub" -> Thing.VENTS;
            case "feeder" -> Thing.FEEDERS;
            default ->
                role.equals("piece") || use.equals("piece")
                        ? path.endsWith(".material") ? Thing.PATTERN : Thing.PIECE
                        : Thing.GATING;
        };
    }

    /** Those that act on any of these defects. */
    List<Thing> actingOn(Set<DefectKind> kinds) {
        return changed.keySet().stream().filter(t -> t.actsOn(kinds)).toList();
    }

    String words() {
        return changed.isEmpty()
                ? "nothing in the plan"
                : changed.keySet().stream().map(Thing::label).collect(Collectors.joining(", "));
    }
}
