package kilnryu.app.firing;

import java.util.Locale;

/** The colour of a glowing body by its temperature; used for heat and nothing else. */
public final class Incandescence {
    private static final double[] CELSIUS = {20, 450, 550, 650, 750, 850, 950, 1050, 1150, 1250};
    private static final int[] COLOUR = {
        0x4a4440, 0x46302b, 0x5a1f17, 0x8a2412, 0xb63a10, 0xd75a14, 0xea7f21, 0xf4a63a, 0xf9c964, 0xfde7a6
    };

    private static final double[] WORDS_FROM = {-273, 500, 580, 650, 750, 850, 950, 1050, 1150};
    private static final String[] WORDS = {
        "no glow yet",
        "first glow, in the dark only",
        "dark red",
        "dull red",
        "cherry red",
        "bright red",
        "orange",
        "light orange",
        "yellow"
    };

    private Incandescence() {}

    public static String at(double celsius) {
        if (celsius <= CELSIUS[0]) {
            return hex(COLOUR[0]);
        }
        for (int i = 1; i < CELSIUS.length; i++) {
            if (celsius <= CELSIUS[i]) {
                double share = (celsius - CELSIUS[i - 1]) / (CELSIUS[i] - CELSIUS[i - 1]);
                return hex(between(COLOUR[i - 1], COLOUR[i], share));
            }
        }
        return hex(COLOUR[COLOUR.length - 1]);
    }

    /** What the eye calls it in a dim room; daylight hides a shade or two. */
    public static String word(double celsius) {
        int i = 0;
        while (i < WORDS_FROM.length - 1 && celsius >= WORDS_FROM[i + 1]) {
            i++;
        }
        return WORDS[i];
    }

    private static int between(int a, int b, double share) {
        int mixed = 0;
        for (int shift = 0; shift <= 16; shift += 8) {
            int from = a >> shift & 0xff;
            int to = b >> shift & 0xff;
            mixed |= (int) Math.round(from + share * (to - from)) << shift;
        }
        return mixed;
    }

    private static String hex(int colour) {
        return String.format(Locale.ROOT, "#%06x", colour);
    }
}
