package kilnryu.app.breakout;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import kilnryu.core.diagnosis.Defect;
import kilnryu.core.diagnosis.DefectKind;
import kilnryu.core.diagnosis.Place;

/**
 * Defects that are judged together: kinds that occur on one casting belong together, and a kind in several castings is one.
 *
 * @param castings that show any of it
 */
record Groups(List<Group> all) {
    record Group(String key, Set<DefectKind> kinds, List<Integer> castings, List<Defect> defects) {
        /** As in "misrun in 3 castings". */
        public String title() {
            String what = kinds.stream().map(DefectKind::label).collect(Collectors.joining(" and "));
            return what
                    + (castings.size() == 1
                            ? " in casting " + castings.get(0)
                            : " in " + castings.size() + " castings");
        }
    }

    /** Those in most castings first. */
    static Groups of(BreakOutCourse course) {
        List<Set<DefectKind>> kinds = new ArrayList<>();
        for (BreakOutCourse.Casting c : course.castings()) {
            Set<DefectKind> of = EnumSet.noneOf(DefectKind.class);
            c.pins().forEach(p -> of.add(p.kind()));
            if (!of.isEmpty()) {
                kinds.removeIf(k -> {
                    boolean shared = k.stream().anyMatch(of::contains);
                    if (shared) {
                        of.addAll(k);
                    }
                    return shared;
                });
                kinds.add(of);
            }
        }
        return new Groups(kinds.stream()
                .map(k -> group(course, k))
                .sorted(Comparator.comparingInt((Group g) -> -g.castings.size()).thenComparing(Group::key))
                .toList());
    }

    Optional<Group> named(String key) {
        return all.stream()
                .filter(g -> g.key.equals(key))
                .findFirst()
                .or(() -> all.stream().findFirst());
    }

    private static Group group(BreakOutCourse course, Set<DefectKind> kinds) {
        Map<DefectKind, List<BreakOutCourse.Pin>> pins = new LinkedHashMap<>();
        List<Integer> castings = new ArrayList<>();
        for (BreakOutCourse.Casting c : course.castings()) {
            List<BreakOutCourse.Pin> mine =
                    c.pins().stream().filter(p -> kinds.contains(p.kind())).toList();
            if (!mine.isEmpty()) {
                castings.add(c.tile().number());
                mine.forEach(p ->
                        pins.computeIfAbsent(p.kind(), k -> new ArrayList<>()).add(p));
            }
        }
        List<Defect> defects = pins.entrySet().stream()
                .map(e -> defect(course, e.getKey(), e.getValue()))
                .toList();
        return new Group(
                kinds.stream().map(DefectKind::key).collect(Collectors.joining("+")),
                kinds,
                List.copyOf(castings),
                defects);
    }

    private static Defect defect(BreakOutCourse course, DefectKind kind, List<BreakOutCourse.Pin> pins) {
        Set<Place> places = EnumSet.noneOf(Place.class);
        pins.forEach(p -> places.addAll(p.places()));
        Optional<Defect.Extent> worst =
                pins.stream().flatMap(p -> p.bad().stream()).max(Comparator.naturalOrder());
        return new Defect(kind, places, worst, sameplace(course, kind));
    }

    /** Whether two castings of the tree have it at the same place. */
    private static boolean sameplace(BreakOutCourse course, DefectKind kind) {
        List<Set<Place>> by = course.castings().stream()
                .map(c -> c.pins().stream()
                        .filter(p -> p.kind() == kind)
                        .flatMap(p -> p.places().stream())
                        .collect(Collectors.toSet()))
                .filter(s -> !s.isEmpty())
                .toList();
        for (int i = 0; i < by.size(); i++) {
            for (int j = i + 1; j < by.size(); j++) {
                if (by.get(i).stream().anyMatch(by.get(j)::contains)) {
                    return true;
                }
            }
        }
        return false;
    }
}
