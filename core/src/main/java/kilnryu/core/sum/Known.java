package kilnryu.core.sum;

/** How an input is known; computed figures are {@link #COMPUTED}. */
public enum Known {
    MEASURED("measured"),
    ESTIMATED("estimated"),
    CHOSEN("chosen"),
    DEFAULT("default"),
    REPLACED("yours"),
    COMPUTED("computed");

    private final String label;

    Known(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}
