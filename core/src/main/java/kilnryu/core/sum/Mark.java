package kilnryu.core.sum;

/** How far a figure can be trusted (handbook, head). */
public enum Mark {
    P("physics or arithmetic, exact"),
    T("typical published range; your supplier's sheet wins"),
    M("our own model, to be calibrated by your log");

    private final String meaning;

    Mark(String meaning) {
        this.meaning = meaning;
    }

    public String meaning() {
        return meaning;
    }
}
