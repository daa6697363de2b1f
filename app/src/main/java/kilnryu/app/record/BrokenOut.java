package kilnryu.app.record;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;

/**
 * What came out of a mold, as it was seen when the break-out was closed.
 *
 * @param opened when it was begun, with its zone
 * @param poured when metal stood in it; empty where no pour was on record
 * @param verdict in a sentence, as it stood over the page
 * @param masses as they were shown
 * @param why causes as they were ranked
 */
public record BrokenOut(
        String opened,
        String poured,
        String verdict,
        List<Casting> castings,
        List<Line> masses,
        List<Size> sizes,
        List<Why> why,
        List<Foreseen> foreseen,
        List<WorkRecord.Said> said) {
    public BrokenOut {
        castings = List.copyOf(castings);
        masses = List.copyOf(masses);
        sizes = List.copyOf(sizes);
        why = List.copyOf(why);
        foreseen = List.copyOf(foreseen);
        said = List.copyOf(said);
    }

    /**
     * @param first as it came out; after as it was last looked at
     * @param grams null where it was not weighed
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record Casting(
            int number, String name, String path, String first, String after, Double grams, List<Defect> defects) {
        public Casting {
            defects = List.copyOf(defects);
        }
    }

    /** @param x share of its box from the left; y from the top */
    public record Defect(String kind, double x, double y, List<String> places, String extent, String stage, String by) {
        public Defect {
            places = List.copyOf(places);
        }
    }

    /** A figure as it was shown. */
    public record Line(String name, String value, String sum) {}

    public record Size(
            String place, String way, String pattern, String print, String casting, String wanted, String judged) {}

    /** A cause in its place. */
    public record Why(
            String of, String cause, String word, List<String> speaksFor, List<String> against, boolean confirmed) {
        public Why {
            speaksFor = List.copyOf(speaksFor);
            against = List.copyOf(against);
        }
    }

    public record Foreseen(String by, int good, int made, String because) {}
}
