package kilnryu.app.api;

import java.util.Map;

/** A question with values that cannot be; by field, what is wrong. */
final class Impossible extends RuntimeException {
    private static final long serialVersionUID = 1L;
    private final transient Map<String, String> errors;
    private final transient Map<String, Object> besides;

    Impossible(Map<String, String> errors) {
        this(errors, Map.of());
    }

    /** @param besides what else is said of it, as what to buy */
    Impossible(Map<String, String> errors, Map<String, Object> besides) {
        super("impossible values");
        this.errors = errors;
        this.besides = besides;
    }

    Map<String, Object> besides() {
        return besides;
    }

    Map<String, String> errors() {
        return errors;
    }
}
