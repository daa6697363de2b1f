package kilnryu.app.api;

import java.util.Map;

/** A question with values that cannot be; by field, what is wrong. */
final class Impossible extends RuntimeException {
    private static final long serialVersionUID = 1L;
    private final transient Map<String, String> errors;

    Impossible(Map<String, String> errors) {
        super("impossible values");
        this.errors = errors;
    }

    Map<String, String> errors() {
        return errors;
    }
}
