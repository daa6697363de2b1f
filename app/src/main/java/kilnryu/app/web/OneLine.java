package kilnryu.app.web;

/** A line as it was typed: without breaks and other control characters, and no longer than it may be. */
public final class OneLine {
    private static final int USUAL = 300;

    private OneLine() {}

    /** Cut at 300 letters. */
    public static String of(String typed) {
        String one = typed.replaceAll("\\p{Cntrl}", " ").strip();
        return one.length() > USUAL ? one.substring(0, USUAL) : one;
    }
}
