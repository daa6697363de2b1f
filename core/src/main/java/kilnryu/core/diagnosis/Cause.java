package kilnryu.core.diagnosis;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Why something may have gone wrong: one line of the table.
 *
 * @param id kebab-case, stable
 * @param usual how common it is among castings that failed, against the others of the table
 * @param makes defects with how likely it makes them: 3 often, 1 sometimes; absent never
 * @param prefers places where it shows
 * @param change the one thing to change
 * @param lookAt what to look at to be sure
 */
public record Cause(
        String id,
        String name,
        double usual,
        Map<DefectKind, Integer> makes,
        Set<Place> prefers,
        List<Clue> clues,
        String change,
        String lookAt) {
    public static final int OFTEN = 3;
    public static final int SOMETIMES = 1;
    public static final double MOST_USUAL = 20;

    public Cause {
        if (!(usual > 0 && usual <= MOST_USUAL)) {
            throw new IllegalArgumentException("how common it is: over 0, to " + MOST_USUAL);
        }
        if (makes.isEmpty()) {
            throw new IllegalArgumentException("a cause makes something");
        }
        makes = Map.copyOf(makes);
        prefers = Set.copyOf(prefers);
        clues = List.copyOf(clues);
    }

    /** The same, as common as a studio finds it. */
    public Cause as(double itsUsual) {
        return new Cause(id, name, itsUsual, makes, prefers, clues, change, lookAt);
    }

    static Writing called(String id, String name, double usual) {
        return new Writing(id, name, usual);
    }

    /** A line of the table being written. */
    static final class Writing {
        private final String id;
        private final String name;
        private final double usual;
        private final Map<DefectKind, Integer> makes = new EnumMap<>(DefectKind.class);
        private final Set<Place> prefers = EnumSet.noneOf(Place.class);
        private final List<Clue> clues = new ArrayList<>();

        private Writing(String id, String name, double usual) {
            this.id = id;
            this.name = name;
            this.usual = usual;
        }

        Writing often(DefectKind... kinds) {
            for (DefectKind k : kinds) {
                makes.put(k, OFTEN);
            }
            return this;
        }

        Writing sometimes(DefectKind... kinds) {
            for (DefectKind k : kinds) {
                makes.put(k, SOMETIMES);
            }
            return this;
        }

        Writing prefers(Place... places) {
            prefers.addAll(List.of(places));
            return this;
        }

        Writing speaksFor(double weight, String when) {
            clues.add(Clue.speaksFor(weight, when));
            return this;
        }

        Writing against(double weight, String when) {
            clues.add(Clue.against(weight, when));
            return this;
        }

        Writing rulesOut(String when) {
            clues.add(Clue.rulesOut(when));
            return this;
        }

        Cause change(String change, String lookAt) {
            return new Cause(id, name, usual, makes, prefers, clues, change, lookAt);
        }
    }
}
