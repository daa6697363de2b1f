package kilnryu.app.breakout;

import java.util.EnumMap;
import java.util.Map;
import kilnryu.core.diagnosis.DefectKind;

/** Signs of the defects, all made from one casting with its gate, in a box of 40 by 36. */
final class Signs {
    private static final String LINE =
            "fill=\"none\" stroke=\"currentColor\" stroke-width=\"1.8\" stroke-linejoin=\"round\"";
    private static final String BODY =
            "<path d=\"M17,4h6v5h7v22h-20v-22h7z\" fill=\"var(--sign-fill,#f2e6cf)\" " + LINE.substring(12) + "/>";
    private static final String OPEN = "<path d=\"M17,4h6v5h7v22h-20v-22h7z\" " + LINE + "/>";
    private static final Map<DefectKind, String> SIGNS = new EnumMap<>(DefectKind.class);

    static {
        put(
                DefectKind.MISRUN,
                "<path d=\"M17,4h6v5h1l-2,5 3,5 -3,5 2,7h-14v-22h7z\" fill=\"var(--sign-fill,#f2e6cf)\" stroke=\"currentColor\" stroke-width=\"1.8\"/><path d=\"M24,9h6v22h-6\" fill=\"none\" stroke=\"currentColor\" stroke-width=\"1.4\" stroke-dasharray=\"2.5 2.5\"/>");
        put(DefectKind.COLD_SHUT, BODY + line("M18,9c4,5 -2,9 1,13s2,6 0,9"));
        put(
                DefectKind.SHORT,
                "<path d=\"M10,17l4,3 4,-3 4,3 4,-3 4,3v11h-20z\" fill=\"var(--sign-fill,#f2e6cf)\" stroke=\"currentColor\" stroke-width=\"1.8\"/><path d=\"M10,17v-8h7v-5h6v5h7v8\" fill=\"none\" stroke=\"currentColor\" stroke-width=\"1.4\" stroke-dasharray=\"2.5 2.5\"/>");
        put(
                DefectKind.SHRINKAGE,
                BODY + "<path d=\"M16,17l3,-2 2,2 4,-1 -1,4 2,3 -4,1 -2,2 -3,-3 -2,0 1,-3z\" fill=\"currentColor\"/>");
        put(
                DefectKind.SUNKEN,
                "<path d=\"M17,4h6v5h7v22h-4c-2,-9 -10,-9 -12,0h-4v-22h7z\" fill=\"var(--sign-fill,#f2e6cf)\" stroke=\"currentColor\" stroke-width=\"1.8\"/>");
        put(DefectKind.GAS_HOLE, BODY + "<circle cx=\"20\" cy=\"19\" r=\"5\" " + LINE + "/>");
        put(DefectKind.FINE_POROSITY, BODY + dots(1.4, 15, 15, 20, 13, 25, 16, 17, 20, 23, 21, 14, 25, 20, 27, 26, 26));
        put(DefectKind.BEADS, BODY + dots(3, 10, 15, 30, 20, 11, 27, 26, 31));
        put(
                DefectKind.FINS,
                BODY
                        + "<path d=\"M3,20h34\" stroke=\"currentColor\" stroke-width=\"2.4\" stroke-dasharray=\"5 1.5\"/>");
        put(
                DefectKind.INCLUSION,
                BODY
                        + "<path d=\"M14,22l2,-3 2,3zM21,27l2,-3 2,3zM22,18l2,-3 2,3zM15,29l1.5,-2 1.5,2z\" fill=\"currentColor\"/>");
        put(
                DefectKind.ROUGH,
                "<path d=\"M17,4h6v5l3,-1 1,3 3,1 -1,3 2,2 -2,3 1,3 -2,2 1,3 -4,2 -2,-1 -2,2 -3,-2 -2,1 -2,-2 -3,0 0,-3 -2,-2 2,-3 -2,-2 2,-3 -1,-3 3,-2 1,-2 3,1z\" fill=\"var(--sign-fill,#f2e6cf)\" stroke=\"currentColor\" stroke-width=\"1.6\"/>");
        put(
                DefectKind.LEATHERY,
                BODY + line("M12,15c3,-3 5,3 8,0s5,3 8,0M12,21c3,-3 5,3 8,0s5,3 8,0M12,27c3,-3 5,3 8,0s5,3 8,0"));
        put(DefectKind.TEAR, BODY + line("M30,14l-5,2 1,3 -4,1 1,3 -4,2"));
        put(DefectKind.CRACK, BODY + line("M10,12l9,6 -2,4 13,7"));
        put(
                DefectKind.RUN_OUT,
                BODY + "<path d=\"M14,31c-1,3 -5,2 -5,4h10c0,-2 -2,-2 -2,-4z\" fill=\"currentColor\"/>");
        put(
                DefectKind.SIZE_OFF,
                OPEN + "<path d=\"M4,34h32M4,34l4,-2.5M4,34l4,2M36,34l-4,-2.5M36,34l-4,2\" " + LINE + "/>");
        put(
                DefectKind.CRUMBLED,
                "<path d=\"M17,4h6v5h7v8l-3,3 3,4v7h-8l-2,-3 -3,3h-7v-9l3,-3 -3,-3v-7h7z\" fill=\"var(--sign-fill,#f2e6cf)\" stroke=\"currentColor\" stroke-width=\"1.8\"/>"
                        + dots(1.6, 4, 22, 35, 20, 33, 30, 6, 31));
        put(
                DefectKind.WALL_UNEVEN,
                BODY
                        + "<path d=\"M15,14h11v14h-11z\" fill=\"var(--sign-hole,#fffdf8)\" stroke=\"currentColor\" stroke-width=\"1.4\"/>");
        put(DefectKind.COLOUR_OFF, BODY + "<path d=\"M10,31l20,-22v22z\" fill=\"currentColor\" opacity=\".55\"/>");
    }

    private Signs() {}

    private static void put(DefectKind kind, String drawing) {
        SIGNS.put(
                kind,
                "<svg viewBox=\"0 0 40 37\" width=\"40\" height=\"37\" aria-hidden=\"true\">" + drawing + "</svg>");
    }

    private static String line(String d) {
        return "<path d=\"" + d + "\" " + LINE + "/>";
    }

    private static String dots(double r, double... at) {
        StringBuilder all = new StringBuilder();
        for (int i = 0; i < at.length; i += 2) {
            all.append("<circle cx=\"")
                    .append(at[i])
                    .append("\" cy=\"")
                    .append(at[i + 1])
                    .append("\" r=\"")
                    .append(r)
                    .append("\" fill=\"currentColor\"/>");
        }
        return all.toString();
    }

    static String of(DefectKind kind) {
        return SIGNS.get(kind);
    }
}
