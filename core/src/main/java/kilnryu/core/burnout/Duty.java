package kilnryu.core.burnout;

/**
 * Something a person has to do during a firing.
 *
 * @param minute from closing the kiln; negative for what comes before
 * @param caution the step's usual caution
 */
public record Duty(Kind kind, double minute, String caution) {
    /** The duties in their usual order. */
    public enum Kind {
        MIX("mix, at the latest"),
        STEAM("steam the wax out, at the latest"),
        CLOSE_KILN("close the kiln, vent open"),
        DRAIN_TRAY("drain tray out"),
        TURN_FLASK("turn the flask, cup up"),
        OPEN_VENT("vent wide open for the char"),
        CLOSE_VENT("close the vent"),
        LOOK("look: smoke, flame, molds"),
        BLOW_ASH("blow the ash out"),
        INSPECT("look for cracks, patch"),
        POUR("pour");

        private final String label;

        Kind(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }
}
