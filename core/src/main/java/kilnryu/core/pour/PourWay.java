package kilnryu.core.pour;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;

/** How metal gets into a flask (handbook 10, 17). Pressure is named, and refused. */
public enum PourWay {
    VACUUM("vacuum", "vacuum table", true),
    SLEEVE("sleeve", "perforated flask in a vacuum sleeve", true),
    GRAVITY("gravity", "gravity alone", false),
    SPUN("spun", "spun", false),
    PRESSURE("pressure", "under pressure", false);

    private final String key;
    private final String label;
    private final boolean vacuum;

    PourWay(String key, String label, boolean vacuum) {
        this.key = key;
        this.label = label;
        this.vacuum = vacuum;
    }

    public static Optional<PourWay> named(String key) {
        return Arrays.stream(values()).filter(w -> w.key.equals(key)).findFirst();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    /** Whether a pump has to be tried before. */
    public boolean vacuum() {
        return vacuum;
    }

    /** What stands against it. */
    public Findings check() {
        return switch (this) {
            case PRESSURE ->
                new Findings(List.of(Finding.safetyStop(
                        "pressure",
                        "way",
                        "Metal under pressure of steam or gas.",
                        "A lid, pot or flask that is not rated for it bursts and throws metal.",
                        "Vacuum, a taller sprue, or a machine that is made and tested for it; not planned here.")));
            case SPUN ->
                new Findings(List.of(Finding.note(
                        "spun",
                        "way",
                        "A spun flask throws metal where its balance is off.",
                        "It leaves at the height of the face.",
                        "Balanced with flask and metal in it, in its tub, behind its guard; nobody in its plane.")));
            default -> Findings.NONE;
        };
    }
}
