package kilnryu.app.finishing;

import java.util.Arrays;
import java.util.Optional;

/** Stages of finishing in their order (handbook 22), each with what can hurt. */
public enum FinishStage {
    CUT(
            "cut",
            "Cut off",
            "Saw and disc throw hot chips: glasses, clamp it, no gloves at a band saw. Brass and gunmetal dust is breathed in."),
    BLAST("blast", "Blast", "In a closed cabinet, seals whole: shell and investment dust is silica."),
    WELD(
            "weld",
            "Weld or solder",
            "Screen, leather, hood. A trial on a sprue of the same heat first. Fume of zinc and lead: never without extraction."),
    CHASE("chase", "Chase", "Ears, glasses; wrists rest every hour."),
    FIT("fit", "Fit sections", "Two people for a lift; a section that rocks pinches fingers."),
    STRAIGHTEN("straighten", "Straighten", "Warm it evenly; bronze is hot short above 400 °C and snaps."),
    MOUNT("mount", "Pin and mount", "Balance it on its base before it is let go."),
    PATINA("patina", "Patina", "Hood, gloves, goggles. Acids and sulfides never in one bin."),
    WAX("wax", "Wax or lacquer", "Solvent and flame apart; rags in a closed tin."),
    PHOTO("photo", "Photograph", ""),
    PACK("pack", "Pack", "Lift by its strong place, not by a limb.");

    private final String key;
    private final String label;
    private final String hazard;

    FinishStage(String key, String label, String hazard) {
        this.key = key;
        this.label = label;
        this.hazard = hazard;
    }

    public static Optional<FinishStage> named(String key) {
        return Arrays.stream(values()).filter(s -> s.key.equals(key)).findFirst();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    public String hazard() {
        return hazard;
    }
}
