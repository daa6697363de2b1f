package kilnryu.app.web;

import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** How records are kept in the database as documents. */
public final class KeptJson {
    private KeptJson() {}

    /** What an older record does not say counts as nothing: no steel where steel was not yet counted. */
    public static JsonMapper mapper() {
        return JsonMapper.builder()
                .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
                .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
                .build();
    }
}
