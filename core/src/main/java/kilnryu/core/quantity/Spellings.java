package kilnryu.core.quantity;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The ways a unit may be typed, in lower case without blanks or full stops. */
final class Spellings {
    private static final Map<Measure, Set<String>> ALL = new EnumMap<>(Measure.class);

    static {
        put(Measure.GRAM, "gm", "gms", "gram", "grams", "gramme", "grammes");
        put(Measure.KILO, "kgs", "kilo", "kilos", "kilogram", "kilograms");
        put(Measure.MILLIGRAM, "milligram", "milligrams");
        put(Measure.OUNCE, "ounce", "ounces", "ozs", "ozav");
        put(Measure.POUND, "lbs", "pound", "pounds", "#");
        put(Measure.TROY_OUNCE, "toz", "troyoz", "oztroy", "troyounce", "troyounces");
        put(Measure.PENNYWEIGHT, "pwt", "pennyweight", "pennyweights");
        put(Measure.GRAIN, "grain", "grains");
        put(Measure.CARAT, "carat", "carats");
        put(Measure.MILLIMETRE, "millimetre", "millimetres", "millimeter", "millimeters");
        put(Measure.CENTIMETRE, "centimetre", "centimetres", "centimeter", "centimeters");
        put(Measure.METER, "metre", "metres", "meter", "meters");
        put(Measure.INCH, "inch", "inches", "\"", "″", "''");
        put(Measure.FOOT, "foot", "feet", "'", "′");
        put(Measure.CUBIC_CENTIMETRE, "cm3", "cm^3", "cc", "ccm", "ml", "millilitre", "millilitres", "milliliter");
        put(Measure.CUBIC_MILLIMETRE, "mm3", "mm^3");
        put(Measure.LITER, "litre", "litres", "liter", "liters");
        put(Measure.CUBIC_INCH, "in3", "in^3", "cuin");
        put(Measure.US_FLUID_OUNCE, "floz", "fluidounce", "fluidounces");
        put(Measure.SQUARE_CENTIMETRE, "cm2", "cm^2", "sqcm");
        put(Measure.SQUARE_MILLIMETRE, "mm2", "mm^2", "sqmm");
        put(Measure.SQUARE_METER, "m2", "m^2", "sqm");
        put(Measure.SQUARE_INCH, "in2", "in^2", "sqin");
        put(Measure.DEGREE_CELSIUS, "c", "°", "deg", "celsius", "degc", "centigrade");
        put(Measure.DEGREE_FAHRENHEIT, "f", "fahrenheit", "degf");
        put(Measure.DEGREE_KELVIN, "kelvin");
        put(Measure.STEP_KELVIN, "c", "°c", "kelvin");
        put(Measure.STEP_FAHRENHEIT, "f", "°f");
        put(Measure.MINUTE, "m", "mins", "minute", "minutes", "'");
        put(Measure.SECONDS, "sec", "secs", "second", "seconds");
        put(Measure.HOUR, "hr", "hrs", "hour", "hours");
        put(Measure.GRAM_PER_CM3, "g/cm3", "g/cc", "g/ml", "g/cm^3", "sg");
        put(Measure.POUND_PER_CUBIC_INCH, "lb/in3");
        put(Measure.PERCENT, "percent", "pct");
        put(Measure.PER_100, "per100", "perhundred");
        put(Measure.KELVIN_PER_HOUR, "k/h", "c/h", "°c/h", "c/hr", "k/hr");
        put(Measure.FAHRENHEIT_PER_HOUR, "f/h", "°f/h", "f/hr");
        put(Measure.DEGREE, "deg", "degree", "degrees");
        put(Measure.TIMES, "x", "×", "times", "pcs", "pieces", "piece");
    }

    private static final Map<Kind, Map<String, Measure>> BY_KIND = new EnumMap<>(Kind.class);

    static {
        for (Measure measure : Measure.values()) {
            Map<String, Measure> spelled = BY_KIND.computeIfAbsent(measure.kind(), k -> new HashMap<>());
            of(measure).forEach(spelling -> spelled.putIfAbsent(spelling, measure));
        }
    }

    private Spellings() {}

    static Optional<Measure> named(Kind kind, String spelling) {
        return Optional.ofNullable(BY_KIND.getOrDefault(kind, Map.of()).get(spelling));
    }

    private static void put(Measure measure, String... spellings) {
        ALL.put(measure, Set.of(spellings));
    }

    private static Set<String> of(Measure measure) {
        Set<String> all = new HashSet<>(ALL.getOrDefault(measure, Set.of()));
        all.add(normal(measure.symbol()));
        all.remove("");
        return all;
    }

    static String normal(String unit) {
        return unit.toLowerCase(Locale.ROOT).replace(" ", "").replace(".", "").replace("\u00a0", "");
    }
}
