package kilnryu.app.mixing;

import java.util.List;

/** A trouble at the bench, and what to look at in order. */
public enum Trouble {
    LUMPY(
            "The mix is lumpy",
            "Press the lumps against the wall of the bowl and stir on",
            "Never add water now",
            "Still lumpy when half the working time is gone: throw it away"),
    LATE(
            "It is getting late",
            "Skip the second vacuum before you skip the pour",
            "Already stiffening: do not pour, it breaks up and fins",
            "The rest of the bowl goes into the bin, not into a mold"),
    NO_VACUUM(
            "The gauge does not rise",
            "Pump switched on, valve shut",
            "Gasket clean, dry and whole",
            "Bell seated all round: press it down",
            "Filter free, oil at its mark",
            "Else tap and vibrate instead, and expect nodules"),
    SPILLED(
            "Something was spilled",
            "Weigh what is left",
            "Bring the other quantity to the same ratio",
            "Wipe it up wet: the dust is silica"),
    INTERRUPTED(
            "I was called away",
            "Powder not in yet: go on where you were",
            "Powder in: look at the clock",
            "Stiffening: throw it away"),
    OTHER("Something else", "Write it down; it belongs to this mold's record");

    private final String label;
    private final List<String> remedies;

    Trouble(String label, String... remedies) {
        this.label = label;
        this.remedies = List.of(remedies);
    }

    public String label() {
        return label;
    }

    /** What to look at, in order. */
    public List<String> remedies() {
        return remedies;
    }
}
