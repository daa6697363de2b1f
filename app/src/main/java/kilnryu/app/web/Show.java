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
    private static final DateTimeFormatter DAY_YEAR_AND_CLOCK =
            DateTimeFormatter.ofPattern("EEE d MMM yyyy, HH:mm", Locale.ENGLISH);
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

    /** A temperature to the whole degree, with its unit. */
    public static String celsius(double c, Units units) {
        return value(Math.round(c), Measure.DEGREE_CELSIUS, units, false).toString();
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
            case TEMPERATURE_STEP ->
                units.imperial(Kind.TEMPERATURE)
                        ? new Shown(rounded(value * 9 / 5, Math.abs(value) < 5 ? 1 : 0), "°F")
                        : new Shown(digits(value), "K");
            case PRESSURE ->
                units.imperial(Kind.PRESSURE)
                        ? new Shown(digits(unit.to(Measure.PSI, value)), "psi")
                        : new Shown(digits(value), unit.symbol());
            case POUR_RATE ->
                units.imperial(Kind.MASS)
                        ? new Shown(digits(unit.to(Measure.POUND_PER_SECOND, value)), "lb/s")
                        : new Shown(digits(value), unit.symbol());
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
        if (Math.abs(grams) >= 100_000) {
            return new Shown(rounded(grams / 1000, 0), "kg");
        }
        return Math.abs(grams) >= 10_000 ? new Shown(rounded(grams / 1000, 2), "kg") : new Shown(digits(grams), "g");
    }

    private static Shown imperialMass(double grams) {
        if (Math.abs(grams) < GRAMS_IN_POUND) {
            return new Shown(rounded(Measure.GRAM.to(Measure.OUNCE, grams), 2), "oz");
        }
        long tenths = Math.round(Measure.GRAM.to(Measure.OUNCE, grams) * 10);
        return new Shown(tenths / 160 + " lb " + rounded(tenths % 160 / 10.0, 1) + " oz", "");
    }

    private static Shown length(double millimetres, Units units) {
        return units.imperial(Kind.LENGTH)
                ? new Shown(rounded(Measure.MILLIMETRE.to(Measure.INCH, millimetres), 3), "in")
                : new Shown(
                        rounded(millimetres, decimals(Math.abs(millimetres)))
                                .replaceAll("(\\.\\d*?)0+$", "$1")
                                .replaceAll("\\.$", ""),
                        "mm");
    }

    /** Tenths of a millimetre; of what is thinner than one, hundredths, and of what is thinner than a tenth, thousandths. */
    private static int decimals(double millimetres) {
        return millimetres < 0.0995 ? 3 : millimetres < 0.995 ? 2 : millimetres < 99.95 ? 1 : 0;
    }

    private static Shown volume(double cm3, Units units) {
        return units.imperial(Kind.VOLUME)
                ? new Shown(digits(Measure.CUBIC_CENTIMETRE.to(Measure.CUBIC_INCH, cm3)), "in³")
                : new Shown(digits(cm3), "cm³");
    }

    /** As people write it: "4.5 s", "6 min 30 s", "25 min", "18 h 35 min". */
    private static Shown duration(double minutes) {
        double seconds = minutes * 60;
        if (!Double.isFinite(seconds)) {
            return new Shown("–", "");
        }
        if (Math.abs(seconds) < 59.5) {
            return new Shown(rounded(seconds, Math.abs(seconds) < 10 ? 1 : 0).replaceAll("\\.0$", ""), "s");
        }
        long whole = Math.round(seconds);
        if (whole < 3600) {
            String rest = whole % 60 == 0 ? "" : " " + whole % 60 + " s";
            return new Shown(whole / 60 + " min" + rest, "");
        }
        long all = Math.round(minutes);
        return new Shown(String.format(Locale.ROOT, "%d h %02d min", all / 60, all % 60), "");
    }

    /** Digits by size: two decimals under 10, one under 100, none over. */
    public static String digits(double value) {
        double size = Math.abs(value);
        if (Double.isFinite(value) && (size >= 1e6 || size > 0 && size < 0.005)) {
            return powers(value);
        }
        return rounded(value, size < 9.995 ? 2 : size < 99.95 ? 1 : 0);
    }

    /** Two digits and a power of ten, as in 2.2·10⁷. */
    private static String powers(double value) {
        BigDecimal two = BigDecimal.valueOf(value).round(new java.math.MathContext(2));
        int power = two.precision() - two.scale() - 1;
        StringBuilder raised = new StringBuilder();
        for (char c : Integer.toString(power).toCharArray()) {
            raised.append(c == '-' ? '⁻' : "⁰¹²³⁴⁵⁶⁷⁸⁹".charAt(c - '0'));
        }
        String digits = two.scaleByPowerOfTen(-power)
                .stripTrailingZeros()
                .toPlainString()
                .replace('-', '−');
        return digits + "·10" + raised;
    }

    /** How far a value may be off, in the unit in which the value is shown, with the digits that such a doubt has. */
    public static String plusMinus(double off, double value, Measure unit, Units units, boolean precious) {
        String shown = value(value, unit, units, precious).unit();
        if (unit.kind() == Kind.DURATION) {
            return "± " + value(off, unit, units, precious);
        }
        double zero = unit.kind() == Kind.TEMPERATURE ? inUnit(0, unit, shown) : 0;
        double there = Math.abs(inUnit(off, unit, shown) - zero);
        return "± " + (there == 0 ? "0" : sensible(there)) + " "
                + (shown.equals("°C") ? "K" : shown.isEmpty() && unit.kind() == Kind.MASS ? "oz" : shown);
    }

    private static double inUnit(double value, Measure unit, String shown) {
        return switch (shown) {
            case "kg" -> unit.to(Measure.GRAM, value) / 1000;
            case "dwt" -> unit.to(Measure.PENNYWEIGHT, value);
            case "ozt" -> unit.to(Measure.TROY_OUNCE, value);
            case "oz" -> unit.to(Measure.OUNCE, value);
            case "" -> unit.kind() == Kind.MASS ? unit.to(Measure.OUNCE, value) : value;
            case "in" -> unit.to(Measure.INCH, value);
            case "in²" -> unit.to(Measure.SQUARE_INCH, value);
            case "in³" -> unit.to(Measure.CUBIC_INCH, value);
            case "°F" -> unit.to(Measure.DEGREE_FAHRENHEIT, value);
            case "°F/h" -> unit.to(Measure.FAHRENHEIT_PER_HOUR, value);
            default -> value;
        };
    }

    /** One digit, two where it begins with 1. */
    private static String sensible(double value) {
        int digits = Double.toString(value).replaceAll("[0.]*", "").startsWith("1") ? 2 : 1;
        BigDecimal rounded = BigDecimal.valueOf(value).round(new java.math.MathContext(digits, RoundingMode.HALF_UP));
        return value >= 1e6 || value < 1e-4
                ? powers(value)
                : rounded.stripTrailingZeros().toPlainString();
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

    /** How far off: "in 2 days", "in 5 h", "now", "18 h ago". */
    public static String away(ZonedDateTime now, ZonedDateTime then) {
        Duration off = Duration.between(now, then);
        Duration far = off.abs();
        if (far.toMinutes() < 1) {
            return "now";
        }
        String words = distance(far);
        return off.isNegative() ? words + " ago" : "in " + words;
    }

    /** A distance in time as people say it: minutes, then hours and minutes, then hours, then days. */
    public static String distance(Duration far) {
        if (far.toMinutes() < 60) {
            return far.toMinutes() + " min";
        }
        if (far.toHours() < 10) {
            return far.toHours() + " h" + (far.toMinutesPart() == 0 ? "" : " " + far.toMinutesPart() + " min");
        }
        if (far.toHours() < 36) {
            return Math.round(far.toMinutes() / 60.0) + " h";
        }
        return Math.round(far.toHours() / 24.0) + " days";
    }

    public static String dayAndClock(ZonedDateTime at) {
        return at.format(DAY_AND_CLOCK);
    }

    /** The same with its year, where that is another than now's: a list may go back ten years. */
    public static String dayAndClock(ZonedDateTime at, ZonedDateTime now) {
        return at.getYear() == now.getYear() ? dayAndClock(at) : at.format(DAY_YEAR_AND_CLOCK);
    }

    /** A length of time in words: "1 h 05 min", "7 min". */
    public static String length(Duration length) {
        long minutes = length.toMinutes();
        return minutes < 60
                ? minutes + " min"
                : String.format(Locale.ROOT, "%d h %02d min", minutes / 60, minutes % 60);
    }
}
