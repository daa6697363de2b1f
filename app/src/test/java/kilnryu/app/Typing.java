package kilnryu.app;

import java.util.LinkedHashMap;
import java.util.Map;

/** Fields as somebody typed them. */
public final class Typing {
    private Typing() {}

    /** Path, text, path, text. */
    public static Map<String, String> typed(String... pairs) {
        Map<String, String> fields = new LinkedHashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            fields.put(pairs[i], pairs[i + 1]);
        }
        return fields;
    }

    /** The same with others over it; a blank takes a field out. */
    public static Map<String, String> over(Map<String, String> base, String... pairs) {
        Map<String, String> fields = new LinkedHashMap<>(base);
        typed(pairs).forEach((path, text) -> {
            if (text.isEmpty()) {
                fields.remove(path);
            } else {
                fields.put(path, text);
            }
        });
        return fields;
    }
}
