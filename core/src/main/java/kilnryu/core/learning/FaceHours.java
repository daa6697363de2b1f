package kilnryu.core.learning;

/** Hours of work on the face of a casting grow with the face: with its mass to the power of two thirds [M]. */
public final class FaceHours {
    private static final double FACE = 2.0 / 3;

    private FaceHours() {}

    /** What stands for the face of a casting, in grams to the two thirds. */
    public static double face(double grams) {
        return Math.pow(grams, FACE);
    }

    /** Hours, where a casting of a kilogram takes so many. */
    public static double ofKilo(double hours, double grams) {
        return hours * face(grams / 1000);
    }
}
