package kilnryu.core.diagnosis;

import java.util.Arrays;
import java.util.Optional;

/** What is seen on a casting (handbook 13). */
public enum DefectKind {
    MISRUN("misrun", "misrun", "it ends before its edge"),
    COLD_SHUT("cold-shut", "cold shut", "a line where two streams met and did not join"),
    SHORT("short", "short", "the top or a far part is missing"),
    SHRINKAGE("shrinkage", "shrinkage cavity", "a rough hollow inside"),
    SUNKEN("sunken", "sunken face", "the face is drawn in"),
    GAS_HOLE("gas-hole", "gas hole", "a smooth round hollow"),
    FINE_POROSITY("fine-porosity", "fine pores", "many small round pores"),
    BEADS("beads", "beads", "balls of metal on the face"),
    FINS("fins", "fins", "thin sheets along a crack of the mold"),
    INCLUSION("inclusion", "inclusion", "pits with sand, ash or dross in them"),
    ROUGH("rough", "rough face", "grainy all over a place"),
    LEATHERY("leathery", "leathery face", "wrinkled like leather"),
    TEAR("tear", "hot tear", "a ragged crack, dark inside"),
    CRACK("crack", "crack", "a clean crack"),
    RUN_OUT("run-out", "run-out", "metal left the mold"),
    SIZE_OFF("size-off", "size off", "larger or smaller than asked"),
    CRUMBLED("crumbled", "mold crumbled", "the mold fell in or swelled"),
    WALL_UNEVEN("wall-uneven", "uneven wall", "thin here, thick there, or a hole through"),
    COLOUR_OFF("colour-off", "colour off", "another colour, brittle or dull");

    private final String key;
    private final String label;
    private final String seen;

    DefectKind(String key, String label, String seen) {
        this.key = key;
        this.label = label;
        this.seen = seen;
    }

    public static Optional<DefectKind> named(String key) {
        return Arrays.stream(values()).filter(k -> k.key.equals(key)).findFirst();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    /** How it looks, in a few words. */
    public String seen() {
        return seen;
    }
}
