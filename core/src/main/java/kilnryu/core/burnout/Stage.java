package kilnryu.core.burnout;

/** Stages of a burnout in their order (handbook 7), and those of a shell's fire (handbook 6). */
public enum Stage {
    DRY_OUT("dry out"),
    DRAIN("drain"),
    INVERSION("inversion"),
    CARBON("carbon"),
    BURN_OUT("burn out"),
    DESCEND("come down"),
    ASH_OUT("cool, blow ash out"),
    REHEAT("heat again"),
    FIRE("fire"),
    COOL("cool, look"),
    PATCH("patch, dry"),
    PREHEAT("preheat");

    private final String label;

    Stage(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}
