package kilnryu.core.block;

/** A block that cannot be built as asked: says at which field, for the one who typed it. */
public final class ImpossibleBlock extends RuntimeException {
    private static final long serialVersionUID = 1L;
    private final String field;

    ImpossibleBlock(String field, String message) {
        super(message);
        this.field = field;
    }

    public String field() {
        return field;
    }
}
