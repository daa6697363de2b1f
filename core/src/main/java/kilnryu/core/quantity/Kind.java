package kilnryu.core.quantity;

/** What a quantity measures; only units of one kind convert into each other. */
public enum Kind {
    MASS("mass"),
    LENGTH("length"),
    VOLUME("volume"),
    AREA("area"),
    TEMPERATURE("temperature"),
    TEMPERATURE_STEP("temperature difference"),
    DURATION("time"),
    DENSITY("density"),
    SHARE("share"),
    RATIO("ratio"),
    RAMP("ramp"),
    ANGLE("angle"),
    SCALE("scale"),
    PRESSURE("pressure"),
    POUR_RATE("pour rate"),
    COUNT("count"),
    /** Any constant of a model that nobody types at the bench, in the unit written beside it. */
    COEFFICIENT("coefficient");

    private final String label;

    Kind(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}
