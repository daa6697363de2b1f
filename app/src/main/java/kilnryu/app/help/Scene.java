package kilnryu.app.help;

import java.util.LinkedHashMap;
import java.util.Map;
import kilnryu.app.web.Svg;

/** A small picture of which one part is meant: it stands out, the others are pale. */
public enum Scene {
    TREE(
            "sprue", "M42,20 h8 v52 h-8 Z",
            "cup", "M34,6 L58,6 L52,20 L40,20 Z",
            "button", "M34,6 L58,6 L55.5,12 L36.5,12 Z",
            "runner", "M50,64 h26 v8 h-26 Z",
            "gate", "M66,56 h5 v8 h-5 Z",
            "piece", "M68,56 C57,48 59,30 68,24 C77,30 79,48 68,56 Z",
            "feeder", "M75,34 h12 v16 h-12 Z",
            "vent", "M67,6 h2.6 v18 h-2.6 Z",
            "drain", "M58,72 h3 v14 h-3 Z",
            "fillet", "M50,56 Q50,64 58,64 L50,64 Z",
            "tree", "M34,6 L58,6 L52,20 L50,20 L50,64 L76,64 L76,72 L42,72 L42,20 L40,20 Z"),
    FLASK(
            "investment", "M23,16 h46 v64 h-46 Z",
            "flask", "M18,10 h5 v70 h-5 Z M69,10 h5 v70 h-5 Z",
            "base", "M12,80 h68 v6 h-68 Z",
            "wax", "M38,80 L54,80 L49,70 L49,48 C58,42 57,26 46,24 C35,26 34,42 43,48 L43,70 Z",
            "clearance", "M56,34 h12 M68,34 l-4,-3 v6 Z M46,23 v-6",
            "collar", "M18,2 h3 v8 h-3 Z M71,2 h3 v8 h-3 Z",
            "gloss", "M23,14 h46 v4 h-46 Z"),
    BLOCK(
            "block", "M14,10 h64 v74 h-64 Z",
            "backup", "M14,10 h64 v74 h-64 Z",
            "face", "M46,18 C64,20 66,62 46,76 C26,62 28,20 46,18 Z",
            "wall", "M46,24 C59,26 60,58 46,70 C32,58 33,26 46,24 Z",
            "core", "M46,32 C53,33 54,54 46,61 C38,54 39,33 46,32 Z",
            "chaplet", "M32,42 h10 v2.4 h-10 Z M50,42 h10 v2.4 h-10 Z M33,54 h8 v2.4 h-8 Z M51,54 h8 v2.4 h-8 Z"),
    SHELL(
            "coat", "M46,14 a32,32 0 1 0 0.1,0 Z",
            "stucco", "M46,18 a28,28 0 1 0 0.1,0 Z",
            "slurry", "M46,22 a24,24 0 1 0 0.1,0 Z",
            "pattern", "M46,27 a19,19 0 1 0 0.1,0 Z"),
    CURVE(
            "program", "M10,80 L18,64 L34,64 L44,42 L52,42 L62,16 L76,16 L84,36",
            "ramp", "M52,42 L62,16",
            "hold", "M62,16 L76,16",
            "dry", "M18,64 L34,64",
            "char", "M44,42 L52,42",
            "lag", "M10,80 C26,76 32,66 40,58 C52,48 58,24 78,20"),
    POT(
            "crucible", "M26,18 L66,18 L59,78 L33,78 Z",
            "charge", "M28.4,32 L63.6,32 L58,76 L34,76 Z",
            "reserve", "M28.4,32 L63.6,32 L62.4,42 L29.6,42 Z",
            "heel", "M33,66 L59,66 L58,76 L34,76 Z"),
    BOWL(
            "scale", "M16,70 h60 v14 h-60 Z",
            "bowl", "M20,36 Q46,84 72,36 Z",
            "water", "M25,44 Q46,78 67,44 Z",
            "powder", "M30,36 Q46,14 62,36 Z");

    private static final double SIDE = 92;
    private final Map<String, String> parts = new LinkedHashMap<>();

    Scene(String... all) {
        for (int i = 0; i < all.length; i += 2) {
            parts.put(all[i], all[i + 1]);
        }
    }

    String drawn(String part, String word) {
        Svg svg = new Svg(SIDE, SIDE, word);
        boolean lines = this == CURVE;
        if (lines) {
            svg.path("M8,8 V84 H88", "fill=\"none\" stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"1\"");
        }
        // in their order, so that what lies inside the part that is meant stays in sight
        parts.forEach((key, d) -> svg.path(d, key.equals(part) ? meant(lines) : beside(lines)));
        return svg.done();
    }

    private static String meant(boolean line) {
        return line
                ? "fill=\"none\" stroke=\"" + Svg.VERDIGRIS + "\" stroke-width=\"4\" stroke-linejoin=\"round\""
                : "fill=\"" + Svg.VERDIGRIS + "\" stroke=\"" + Svg.INK
                        + "\" stroke-width=\"1\" stroke-linejoin=\"round\"";
    }

    private static String beside(boolean line) {
        return line
                ? "fill=\"none\" stroke=\"#b8a78f\" stroke-width=\"1.4\""
                : "fill=\"#f3ead9\" stroke=\"#8a7a6c\" stroke-width=\"1\" stroke-linejoin=\"round\"";
    }
}
