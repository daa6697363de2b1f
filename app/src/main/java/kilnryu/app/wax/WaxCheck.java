package kilnryu.app.wax;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import kilnryu.core.pattern.Made;

/** What is looked at on a wax before it is gated, and what mends it with its side effect (handbook 27, needs 13, 15). */
public enum WaxCheck {
    SEAM(
            "seam",
            "Seam",
            "Scrape and smooth it with a warm tool.",
            "Too hot a tool leaves a blob that casts as a lump."),
    BUBBLES("bubbles", "Bubbles", "Prick, fill with soft wax, smooth.", "Filling of another wax sinks later."),
    EDGES("edges", "Thin edges and tips", "Paint wax on from inside.", "Painted wax is thicker: heavy in metal there."),
    WALL(
            "wall",
            "Wall, against the light",
            "Paint thin places, scrape thick ones.",
            "Scraped faces lose their texture."),
    DISTORTED(
            "distorted",
            "True to the original",
            "Warm in water at 35 °C, bend back, cool in its mold.",
            "Bent cold it cracks in the wall."),
    WINDOW(
            "window",
            "Window cut and kept",
            "Cut where a patch welds easily; number the piece.",
            "Its own gate, or it is cast with the next tree."),
    CLEAN(
            "clean",
            "Degreased",
            "Wipe with wax cleaner or alcohol, no flame.",
            "Release agent left on lets the shell slide."),
    NUMBER("number", "Number scratched in", "Where it is cut off or stays inside.", ""),
    CRACKS(
            "cracks",
            "Cracks",
            "Open them through, fill with sticky wax.",
            "Closed on the face only they cast as a line."),
    TIPS(
            "tips",
            "Tips and loops",
            "Weld with a hot needle, a wax wire as pin.",
            "The weld is thicker: it freezes last."),
    CURED(
            "cured",
            "Washed and cured through",
            "Wash it again inside and out, dry it, then cure it longer.",
            "Resin that is wet inside bubbles and attacks the mold."),
    INFILL(
            "infill",
            "No infill, drains open",
            "Take the infill out, drill two drains.",
            "What is left has to burn there."),
    SUPPORTS(
            "supports",
            "Supports cut, marks smoothed",
            "Cut, sand wet, fill with wax.",
            "Wax runs out first: a fine line."),
    DRY("dry", "Dry through", "Days in a warm place; weigh it until it stays.", "What is wet steams in the mold.");

    private final String key;
    private final String label;
    private final String remedy;
    private final String sideEffect;

    WaxCheck(String key, String label, String remedy, String sideEffect) {
        this.key = key;
        this.label = label;
        this.remedy = remedy;
        this.sideEffect = sideEffect;
    }

    private static final List<WaxCheck> SLUSHED = List.of(SEAM, BUBBLES, EDGES, WALL, DISTORTED, WINDOW, CLEAN, NUMBER);

    private static final List<WaxCheck> PRINTED =
            List.of(CURED, INFILL, SUPPORTS, SEAM, CRACKS, TIPS, DISTORTED, CLEAN, NUMBER);
    private static final List<WaxCheck> CARVED = List.of(CRACKS, TIPS, WALL, SEAM, CLEAN, NUMBER);
    private static final List<WaxCheck> FOUND = List.of(DRY, CRACKS, TIPS, INFILL, CLEAN, NUMBER);

    /** What is looked at on a pattern that was made so. */
    public static List<WaxCheck> of(Made made) {
        return switch (made) {
            case SLUSHED -> SLUSHED;
            case PRINTED -> PRINTED;
            case CARVED -> CARVED;
            case FOUND -> FOUND;
        };
    }

    public static Optional<WaxCheck> named(String key) {
        return Arrays.stream(values()).filter(c -> c.key.equals(key)).findFirst();
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

    public String sideEffect() {
        return sideEffect;
    }
}
