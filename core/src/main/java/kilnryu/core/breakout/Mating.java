package kilnryu.core.breakout;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * Two parts tried together before they are joined (handbook 19, 22; needs 117, 123). All in mm.
 *
 * @param joint what they are to one another
 * @param gap widest between them; empty where not measured
 * @param step how far one face stands over the other; empty where not measured
 * @param inner pin or tongue that goes in; empty where not measured
 * @param outer bore or slot that it goes into; empty where not measured
 * @param rocks whether one moves on the other; empty where nobody tried
 * @param hot tried before both were cold
 */
public record Mating(
        Joint joint,
        OptionalDouble gap,
        OptionalDouble step,
        OptionalDouble inner,
        OptionalDouble outer,
        Optional<Boolean> rocks,
        boolean hot) {
    private static final Formula PLAY = Formula.of("outer - inner");
    /** Limits of a hand-made joint, mm; our own. */
    private static final double CLOSED = 0.5;

    private static final double WELDED_OVER = 2.5;
    private static final double CHASED = 1;
    private static final double BENT = 3;
    private static final double LEAST_PLAY = 0.05;
    private static final double MOST_PLAY = 0.3;

    /** What two parts are to one another. */
    public enum Joint {
        SEAM("seam", "seam to be welded"),
        SLIDE("slide", "one goes into the other"),
        SEAT("seat", "one stands on the other");

        private final String key;
        private final String label;

        Joint(String key, String label) {
            this.key = key;
            this.label = label;
        }

        public static Optional<Joint> named(String key) {
            return Arrays.stream(values()).filter(j -> j.key.equals(key)).findFirst();
        }

        public String key() {
            return key;
        }

        public String label() {
            return label;
        }
    }

    /** How well they go together. */
    public enum Fit {
        FITS("fits"),
        WORK("work on it"),
        NOT("does not fit"),
        NOT_YET("not yet judged");

        private final String label;

        Fit(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** @param why what was found; @param remedy what to do about it, empty where nothing is to be done */
    public record Judged(Fit fit, String why, String remedy) {}

    /** Bore less pin; empty where one of them is not measured. */
    public Optional<Figure> play() {
        return inner.isEmpty() || outer.isEmpty()
                ? Optional.empty()
                : Optional.of(Figure.computed("play", "play", Measure.MILLIMETRE)
                        .mark(Mark.P, "bore less pin")
                        .by(PLAY, given("outer", "bore or slot", outer), given("inner", "pin or tongue", inner)));
    }

    private static Figure given(String symbol, String name, OptionalDouble value) {
        return Figure.given(symbol, name, value.getAsDouble(), Measure.MILLIMETRE, Known.MEASURED, 0);
    }

    public Judged judged() {
        if (hot) {
            return new Judged(Fit.NOT_YET, "It was tried hot.", "Try it again when both are cold: metal shrinks on.");
        }
        return switch (joint) {
            case SEAM -> seam();
            case SLIDE -> slide();
            case SEAT -> seat();
        };
    }

    private Judged seam() {
        if (gap.isEmpty()) {
            return new Judged(Fit.NOT_YET, "Its gap was not measured.", "A feeler or a strip of card, at the widest.");
        }
        double wide = gap.getAsDouble();
        double stands = step.orElse(0);
        if (wide > WELDED_OVER) {
            return new Judged(
                    Fit.NOT,
                    say("It gapes %.1f mm; a weld bridges %.1f.", wide, WELDED_OVER),
                    "A strip of the same heat let in, or cut back and meet anew; filler alone sinks and cracks.");
        }
        if (stands > BENT) {
            return new Judged(
                    Fit.NOT,
                    say("One face stands %.1f mm over the other.", stands),
                    "Look which part moved in its mold; warmed evenly it is straightened, or it is cast again.");
        }
        if (stands > CHASED) {
            return new Judged(
                    Fit.WORK,
                    say("One face stands %.1f mm over the other.", stands),
                    "Clamp it flush and tack it from the middle outward, then chase.");
        }
        if (wide > CLOSED) {
            return new Judged(
                    Fit.WORK, say("It gapes %.1f mm.", wide), "File the high places, or weld its root first.");
        }
        return step.isEmpty()
                ? new Judged(
                        Fit.NOT_YET, "It closes; whether its faces are flush was not said.", "A straight edge over it.")
                : new Judged(Fit.FITS, "It closes and is flush.", "");
    }

    private Judged slide() {
        Optional<Figure> play = play();
        if (play.isEmpty()) {
            return new Judged(
                    Fit.NOT_YET, "Pin and bore were not both measured.", "Caliper both, cold and without burr.");
        }
        double loose = play.get().value();
        if (loose < 0) {
            return new Judged(
                    Fit.WORK,
                    say("The pin is %.2f mm too thick.", -loose),
                    "Metal can be taken off a pin and out of a bore: file or ream, then try again. Never drive it.");
        }
        if (loose < LEAST_PLAY) {
            return new Judged(
                    Fit.WORK, say("It has %.2f mm of play: it binds.", loose), "Stone the burr away, polish the pin.");
        }
        return loose > MOST_PLAY
                ? new Judged(
                        Fit.NOT,
                        say("It has %.2f mm of play: it rattles.", loose),
                        "A sleeve or a thicker pin; on the next print make the bore smaller by as much.")
                : new Judged(Fit.FITS, say("It has %.2f mm of play.", loose), "");
    }

    private Judged seat() {
        if (rocks.isEmpty()) {
            return new Judged(Fit.NOT_YET, "Whether it rocks was not tried.", "Press on each corner in turn.");
        }
        if (rocks.get()) {
            return new Judged(
                    Fit.WORK, "It rocks.", "Blacken the base with a flame, set it on, file where it comes off black.");
        }
        return gap.orElse(0) > CLOSED
                ? new Judged(
                        Fit.WORK,
                        say("It stands, but gapes %.1f mm.", gap.getAsDouble()),
                        "File the seat, or bed it in a thin joint.")
                : new Judged(Fit.FITS, "It stands.", "");
    }

    private static String say(String words, Object... values) {
        return String.format(Locale.ROOT, words, values);
    }
}
