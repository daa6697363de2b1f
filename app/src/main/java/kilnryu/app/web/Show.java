package kilnryu.app.web;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Duration;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import kilnryu.core.quantity.Kind;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;

/** How values are written: one way for each kind, in the units of the one who reads. */
public final class Show {
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm");
    private static final DateTimeFormatter WEEKDAY_AND_CLOCK = DateTimeFormatter.ofPattern("EEE HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter DAY_AND_CLOCK =
            DateTimeFormatter.ofPattern("EEE d MMM, HH:mm", Locale.ENGLISH);
    private static final double GRAMS_IN_POUND = Measure.POUND.to(Measure.GRAM, 1);

    private Show() {}

    /** A value as it is written: digits and unit apart, so that digits can be set large. */
    public record Shown(String digits, String unit) {
        @Override
        public String toString() {
            return unit.isEmpty() ? digits : digits + (unit.equals("%") ? " %" : " " + unit);
        }
    }

    public static Shown figure(Figure figure, Units units) {
        return value(figure.value(), figure.unit(), units, false);
    }

    /** A value given in a working unit, in the reader's units; metal that is precious in troy where they chose so. */
    public static Shown value(double value, Measure unit, Units units, boolean precious) {
        return switch (unit.kind()) {
            case MASS -> mass(unit.to(Measure.GRAM, value), units, precious);
            case LENGTH -> length(unit.to(Measure.MILLIMETRE, value), units);
            case VOLUME -> volume(unit.to(Measure.CUBIC_CENTIMETRE, value), units);
            case AREA ->
                units.imperial(Kind.AREA)
                        ? new Shown(digits(unit.to(Measure.SQUARE_INCH, value)), "in²")
                        : new Shown(digits(unit.to(Measure.SQUARE_CENTIMETRE, value)), "cm²");
            case TEMPERATURE ->
                units.imperial(Kind.TEMPERATURE)
                        ? new Shown(rounded(unit.to(Measure.DEGREE_FAHRENHEIT, value), 0), "°F")
                        : new Shown(rounded(unit.to(Measure.DEGREE_CELSIUS, value), 0), "°C");
            case DURATION -> duration(unit.to(Measure.MINUTE, value));
            case RAMP ->
                units.imperial(Kind.RAMP)
                        ? new Shown(rounded(unit.to(Measure.FAHRENHEIT_PER_HOUR, value), 0), "°F/h")
                        : new Shown(rounded(value, 0), "K/h");
            case SCALE -> new Shown(rounded(value, 4), unit.symbol());
            default -> new Shown(digits(value), unit.symbol());
        };
    }

    private static Shown mass(double grams, Units units, boolean precious) {
        if (precious && units.troy()) {
            double ounces = Measure.GRAM.to(Measure.TROY_OUNCE, grams);
            return ounces < 1
                    ? new Shown(rounded(Measure.GRAM.to(Measure.PENNYWEIGHT, grams), 2), "dwt")
                    : new Shown(rounded(ounces, 3), "ozt");
        }
        if (units.imperial(Kind.MASS)) {
            return imperialMass(grams);
        }
        return Math.abs(grams) >= 10_000 ? new Shown(rounded(grams / 1000, 2), "kg") : new Shown(digits(grams), "g");
    }

    private static Shown imperialMass(double grams) {
        if (Math.abs(grams) < GRAMS_IN_POUND) {
            return new Shown(rounded(Measure.GRAM.to(Measure.OUNCE, grams), 2), "oz");
        }
        long tenths = Math.round(Measure.GRAM.to(Measure.OUNCE, grams) * 10);
        return new Shown(tenths / 160 + " lb " + rounded(tenths % 160 / 10.0, 1), "oz");
    }

    private static Shown length(double millimetres, Units units) {
        return units.imperial(Kind.LENGTH)
                ? new Shown(rounded(Measure.MILLIMETRE.to(Measure.INCH, millimetres), 3), "in")
                : new Shown(
                        rounded(millimetres, Math.abs(millimetres) < 99.95 ? 1 : 0)
                                .replaceAll("\\.0$", ""),
                        "mm");
    }

    private static Shown volume(double cm3, Units units) {
        return units.imperial(Kind.VOLUME)
                ? new Shown(digits(Measure.CUBIC_CENTIMETRE.to(Measure.CUBIC_INCH, cm3)), "in³")
                : new Shown(digits(cm3), "cm³");
    }

    /** Under an hour as minutes and seconds, over it as hours and minutes. */
    private static Shown duration(double minutes) {
        long seconds = Math.round(minutes * 60);
        if (minutes * 60 < 10) {
            return new Shown(digits(minutes * 60), "s");
        }
        if (seconds < 3600) {
            return new Shown(String.format(Locale.ROOT, "%d:%02d", seconds / 60, seconds % 60), "min");
        }
        long whole = Math.round(minutes);
        return new Shown(String.format(Locale.ROOT, "%d h %02d", whole / 60, whole % 60), "min");
    }

    /** Digits by size: two decimals under 10, one under 100, none over. */
    public static String digits(double value) {
        double size = Math.abs(value);
        return rounded(value, size < 9.995 ? 2 : size < 99.95 ? 1 : 0);
    }

    private static String rounded(double value, int decimals) {
        if (!Double.isFinite(value)) {
            return "–";
        }
        String text = BigDecimal.valueOf(value)
                .setScale(decimals, RoundingMode.HALF_UP)
                .toPlainString();
        return text.startsWith("-") ? "−" + text.substring(1) : text;
    }

    /** All digits that matter, for an echo of something typed. */
    public static String exact(double value) {
        BigDecimal rounded = BigDecimal.valueOf(value).round(new java.math.MathContext(6));
        return rounded.stripTrailingZeros().toPlainString();
    }

    public static String clock(ZonedDateTime at) {
        return at.format(CLOCK);
    }

    /** Day of the week and hour, as in "Tue 21:05", for hours that lie within some days. */
    public static String weekday(ZonedDateTime at) {
        return at.format(WEEKDAY_AND_CLOCK);
    }

    public static String dayAndClock(ZonedDateTime at) {
        return at.format(DAY_AND_CLOCK);
    }

    /** A length of time in words: "1 h 05 min", "7 min". */
    public static String length(Duration length) {
        long minutes = length.toMinutes();
        return minutes < 60
                ? minutes + " min"
                : String.format(Locale.ROOT, "%d h %02d min", minutes / 60, minutes % 60);
    }
}
