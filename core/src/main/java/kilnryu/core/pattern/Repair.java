package kilnryu.core.pattern;

import java.util.Arrays;
import java.util.Optional;

/** What is mended on a pattern, how, what the mending leaves behind, and when a new one is less work. */
public enum Repair {
    BLOB(
            "blob",
            "blob or drop of wax",
            "Chill it, slice it off with a sharp blade, rub with a cloth and a little solvent.",
            "The face is smooth there: its texture is lost.",
            "it lies over fine relief"),
    BROKEN_LOOP(
            "broken-loop",
            "broken loop or tip",
            "Set a wax wire as a pin, weld with a hot needle from both sides, shape cold.",
            "The weld is thicker than the rest: it freezes last and may shrink.",
            "the loop is thinner than 1.5 mm, or broke twice"),
    CRACK(
            "crack",
            "crack",
            "Open it with a hot blade through the whole wall, fill with sticky wax, smooth.",
            "Closed on the face only it comes back as a cold line.",
            "it runs round a neck that carries weight"),
    SEAM(
            "seam",
            "seam",
            "Scrape along it, never across, then smooth with a warm tool.",
            "A flat band shows where the face was round.",
            "the halves stand off by over 0.5 mm"),
    BUBBLE(
            "bubble",
            "bubble",
            "Prick it open, fill with softer wax, smooth.",
            "Wax of another kind sinks there later.",
            "they lie close together over a face"),
    THIN(
            "thin",
            "thin place",
            "Paint wax on from inside, in coats.",
            "It is thicker than wanted around the patch: heavy in metal.",
            "you see light through much of it"),
    BENT(
            "bent",
            "bent",
            "Warm it whole in water at 35 °C, bend it back, cool it in its mold.",
            "Bent cold it cracks in the wall where nobody sees it.",
            "it has to fit another part and is off by more than that leaves"),
    SUPPORT(
            "support",
            "marks of supports",
            "Cut, sand wet, fill with wax.",
            "Wax on resin runs out first: its edge prints as a fine line.",
            "they stand on lettering or a seen face"),
    OTHER("other", "other", "As the place asks.", "", "the mending takes longer than a new one");

    private final String key;
    private final String label;
    private final String remedy;
    private final String leaves;
    private final String anew;

    Repair(String key, String label, String remedy, String leaves, String anew) {
        this.key = key;
        this.label = label;
        this.remedy = remedy;
        this.leaves = leaves;
        this.anew = anew;
    }

    public static Optional<Repair> named(String key) {
        return Arrays.stream(values()).filter(r -> r.key.equals(key)).findFirst();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    public String remedy() {
        return remedy;
    }

    /** Its side effect, in words; empty where it has none of its own. */
    public String leaves() {
        return leaves;
    }

    /** When a new pattern is the better way. */
    public String anew() {
        return anew;
    }
}
