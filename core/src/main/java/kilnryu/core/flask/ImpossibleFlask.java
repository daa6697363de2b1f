package kilnryu.core.flask;

/** A flask that cannot be filled as asked: says at which field, for the one who typed it. */
public final class ImpossibleFlask extends RuntimeException {
    private static final long serialVersionUID = 1L;
    private final String field;

    ImpossibleFlask(String field, String message) {
        super(message);
        this.field = field;
    }

    public String field() {
        return field;
    }
}
