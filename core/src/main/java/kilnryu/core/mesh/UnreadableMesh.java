package kilnryu.core.mesh;

/** A file that is no mesh that can be used; the message says to its owner what is wrong and where. */
public final class UnreadableMesh extends RuntimeException {
    private static final long serialVersionUID = 1L;

    UnreadableMesh(String message) {
        super(message);
    }

    UnreadableMesh(String message, Throwable cause) {
        super(message, cause);
    }
}
