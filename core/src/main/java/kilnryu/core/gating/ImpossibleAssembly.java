package kilnryu.core.gating;

/** A tree whose members do not hang together: says at which field of which member. */
public final class ImpossibleAssembly extends RuntimeException {
    private static final long serialVersionUID = 1L;
    private final String member;
    private final String field;

    ImpossibleAssembly(String member, String field, String message) {
        super(message);
        this.member = member;
        this.field = field;
    }

    public String member() {
        return member;
    }

    public String field() {
        return field;
    }
}
