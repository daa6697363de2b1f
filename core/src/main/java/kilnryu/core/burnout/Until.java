package kilnryu.core.burnout;

/** What a hold waits for at the worst point of the load (handbook 8), beside its own least length. */
public enum Until {
    NOTHING("its own length", ""),
    DRAINED("the pattern at the middle has melted", "a pattern that has not run out boils, soaks in and leaves char"),
    DRY("the last mold is dry at the middle", "water left in the middle turns to steam on the way up: a cracked mold"),
    FLOWS(
            "the plastic at the middle flows, 200 °C",
            "plastic that has not run out swells and burns inside: cracks, and char"),
    EVEN("the middle is within 40 K of the kiln", "the hot face grows away from the cold middle and cracks"),
    CHARS("the middle is over 370 °C", "char that saw no air stays in the cavity: gas holes"),
    BURNT(
            "the middle was over 680 °C long enough and under 0.02 % of char is left",
            "char in the cavity: gas holes and a rough face"),
    WITHIN(
            "the middle is within 15 K of the pour",
            "a middle too hot or too cold: shrinkage, coarse grain, or thin parts that do not fill"),
    COLD("the middle is cool enough for the hand", "a hot mold opened: burns, and a cracked mold"),
    THROUGH("the inside of the wall is at heat", "an unfired inside: weak, and gas in the wall");

    private final String label;
    private final String risk;

    Until(String label, String risk) {
        this.label = label;
        this.risk = risk;
    }

    public String label() {
        return label;
    }

    /** What a shorter hold would risk; empty where nothing is waited for. */
    public String risk() {
        return risk;
    }
}
