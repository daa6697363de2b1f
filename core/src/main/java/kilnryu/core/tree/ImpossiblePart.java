package kilnryu.core.tree;

/** A tree that cannot be: says at which field of which part, for the one who typed it. */
public final class ImpossiblePart extends RuntimeException {
    private static final long serialVersionUID = 1L;
    private final int part;
    private final String field;

    ImpossiblePart(int part, String field, String message) {
        super(message);
        this.part = part;
        this.field = field;
    }

    /** Index of the part, or -1 when it is the tree's own field. */
    public int part() {
        return part;
    }

    public String field() {
        return field;
    }
}
