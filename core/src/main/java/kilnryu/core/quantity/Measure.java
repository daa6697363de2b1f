package kilnryu.core.quantity;

import static tech.units.indriya.AbstractUnit.ONE;
import static tech.units.indriya.unit.Units.CELSIUS;
import static tech.units.indriya.unit.Units.CUBIC_METRE;
import static tech.units.indriya.unit.Units.JOULE;
import static tech.units.indriya.unit.Units.KELVIN;
import static tech.units.indriya.unit.Units.KILOGRAM;
import static tech.units.indriya.unit.Units.METRE;
import static tech.units.indriya.unit.Units.PASCAL;
import static tech.units.indriya.unit.Units.SECOND;
import static tech.units.indriya.unit.Units.SQUARE_METRE;
import static tech.units.indriya.unit.Units.WATT;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.measure.Dimension;
import javax.measure.Unit;
import javax.measure.UnitConverter;
import tech.units.indriya.unit.UnitDimension;

/**
 * The units of the shop. Each has a kind, the symbol it is shown with, and the JSR 385 unit that converts it; the
 * avoirdupois, troy and inch factors are the exact international definitions of 1959.
 */
public enum Measure {
    GRAM(Kind.MASS, "g", KILOGRAM.divide(1000)),
    KILO(Kind.MASS, "kg", KILOGRAM),
    MILLIGRAM(Kind.MASS, "mg", KILOGRAM.divide(1_000_000)),
    OUNCE(Kind.MASS, "oz", KILOGRAM.multiply(0.028349523125)),
    POUND(Kind.MASS, "lb", KILOGRAM.multiply(0.45359237)),
    TROY_OUNCE(Kind.MASS, "ozt", KILOGRAM.multiply(0.0311034768)),
    PENNYWEIGHT(Kind.MASS, "dwt", KILOGRAM.multiply(0.00155517384)),
    GRAIN(Kind.MASS, "gr", KILOGRAM.multiply(0.00006479891)),
    CARAT(Kind.MASS, "ct", KILOGRAM.multiply(0.0002)),

    MILLIMETRE(Kind.LENGTH, "mm", METRE.divide(1000)),
    CENTIMETRE(Kind.LENGTH, "cm", METRE.divide(100)),
    METER(Kind.LENGTH, "m", METRE),
    INCH(Kind.LENGTH, "in", METRE.multiply(0.0254)),
    FOOT(Kind.LENGTH, "ft", METRE.multiply(0.3048)),

    CUBIC_CENTIMETRE(Kind.VOLUME, "cm³", CUBIC_METRE.divide(1_000_000)),
    CUBIC_MILLIMETRE(Kind.VOLUME, "mm³", CUBIC_METRE.divide(1_000_000_000)),
    LITER(Kind.VOLUME, "l", CUBIC_METRE.divide(1000)),
    CUBIC_INCH(Kind.VOLUME, "in³", CUBIC_METRE.multiply(0.000016387064)),
    US_FLUID_OUNCE(Kind.VOLUME, "fl oz", CUBIC_METRE.multiply(0.0000295735295625)),

    SQUARE_CENTIMETRE(Kind.AREA, "cm²", SQUARE_METRE.divide(10_000)),
    SQUARE_MILLIMETRE(Kind.AREA, "mm²", SQUARE_METRE.divide(1_000_000)),
    SQUARE_METER(Kind.AREA, "m²", SQUARE_METRE),
    SQUARE_INCH(Kind.AREA, "in²", SQUARE_METRE.multiply(0.00064516)),

    DEGREE_CELSIUS(Kind.TEMPERATURE, "°C", CELSIUS),
    DEGREE_FAHRENHEIT(Kind.TEMPERATURE, "°F", CELSIUS.multiply(5).divide(9).shift(-32)),
    DEGREE_KELVIN(Kind.TEMPERATURE, "K", KELVIN),

    STEP_KELVIN(Kind.TEMPERATURE_STEP, "K", KELVIN),
    STEP_FAHRENHEIT(Kind.TEMPERATURE_STEP, "°F step", KELVIN.multiply(5).divide(9)),

    MINUTE(Kind.DURATION, "min", SECOND.multiply(60)),
    SECONDS(Kind.DURATION, "s", SECOND),
    HOUR(Kind.DURATION, "h", SECOND.multiply(3600)),

    GRAM_PER_CM3(Kind.DENSITY, "g/cm³", KILOGRAM.divide(CUBIC_METRE).multiply(1000)),
    POUND_PER_CUBIC_INCH(Kind.DENSITY, "lb/in³", KILOGRAM.divide(CUBIC_METRE).multiply(0.45359237 / 0.000016387064)),

    PERCENT(Kind.SHARE, "%", ONE.divide(100)),
    FRACTION(Kind.SHARE, "", ONE),
    PER_100(Kind.RATIO, "per 100", ONE.divide(100)),
    KELVIN_PER_HOUR(Kind.RAMP, "K/h", KELVIN.divide(SECOND).divide(3600)),
    FAHRENHEIT_PER_HOUR(
            Kind.RAMP, "°F/h", KELVIN.divide(SECOND).divide(3600).multiply(5).divide(9)),
    BAR(Kind.PRESSURE, "bar", PASCAL.multiply(100_000)),
    KILOPASCAL(Kind.PRESSURE, "kPa", PASCAL.multiply(1000)),
    PSI(Kind.PRESSURE, "psi", PASCAL.multiply(6894.757293168)),
    SCALE(Kind.SCALE, "×", ONE),
    DEGREE(Kind.ANGLE, "°", ONE),
    TIMES(Kind.COUNT, "", ONE),

    MINUTE_PER_KELVIN(Kind.COEFFICIENT, "min/K", SECOND.multiply(60).divide(KELVIN)),
    WATT_PER_M_K(Kind.COEFFICIENT, "W/(m K)", WATT.divide(METRE).divide(KELVIN)),
    WATT_PER_M2_K(Kind.COEFFICIENT, "W/(m² K)", WATT.divide(SQUARE_METRE).divide(KELVIN)),
    MEGAJOULE_PER_KG(Kind.COEFFICIENT, "MJ/kg", JOULE.divide(KILOGRAM).multiply(1_000_000)),
    KILOJOULE(Kind.COEFFICIENT, "kJ", JOULE.multiply(1000)),
    KILOJOULE_PER_KG(Kind.COEFFICIENT, "kJ/kg", JOULE.divide(KILOGRAM).multiply(1000)),
    JOULE_PER_KG_K(Kind.COEFFICIENT, "J/(kg K)", JOULE.divide(KILOGRAM).divide(KELVIN)),
    KG_PER_M3(Kind.COEFFICIENT, "kg/m³", KILOGRAM.divide(CUBIC_METRE)),
    KG_PER_M2(Kind.COEFFICIENT, "kg/m²", KILOGRAM.divide(SQUARE_METRE)),
    MM_PER_ROOT_SECOND(Kind.COEFFICIENT, "mm/√s", METRE.divide(1000)),
    SECOND_PER_M2(Kind.COEFFICIENT, "s/m²", SECOND.divide(SQUARE_METRE)),
    CM3_PER_SECOND(Kind.COEFFICIENT, "cm³/s", CUBIC_METRE.divide(1_000_000).divide(SECOND)),
    KG_PER_SECOND(Kind.POUR_RATE, "kg/s", KILOGRAM.divide(SECOND)),
    POUND_PER_SECOND(Kind.POUR_RATE, "lb/s", KILOGRAM.divide(SECOND).multiply(0.45359237)),
    KILOWATT(Kind.COEFFICIENT, "kW", WATT.multiply(1000)),
    KILOWATT_HOUR(Kind.COEFFICIENT, "kWh", JOULE.multiply(3_600_000)),
    WATT_PER_KELVIN(Kind.COEFFICIENT, "W/K", WATT.divide(KELVIN)),
    KILOJOULE_PER_KELVIN(Kind.COEFFICIENT, "kJ/K", JOULE.multiply(1000).divide(KELVIN)),
    MEGAPASCAL(Kind.COEFFICIENT, "MPa", PASCAL.multiply(1_000_000));

    private final Kind kind;
    private final String symbol;
    private final Unit<?> unit;

    Measure(Kind kind, String symbol, Unit<?> unit) {
        this.kind = kind;
        this.symbol = symbol;
        this.unit = unit;
    }

    public Kind kind() {
        return kind;
    }

    /** The symbol shown beside a value; empty for counts and plain fractions. */
    public String symbol() {
        return symbol;
    }

    /**
     * A value of this unit in another of the same kind.
     *
     * @throws IllegalArgumentException when the kinds differ: grams never become millimetres
     */
    public double to(Measure other, double value) {
        if (other == this) {
            return value;
        }
        if (other.kind != kind || Converters.between(this, other) == null) {
            throw new IllegalArgumentException("no way from " + this + " to " + other);
        }
        return Converters.between(this, other).convert(value);
    }

    /**
     * What it is made of: exponents of mass, length, time and temperature, in this order. Angles, shares and counts have
     * none.
     */
    public double[] dimension() {
        double[] exponents = new double[4];
        Map<? extends Dimension, Integer> base = unit.getDimension().getBaseDimensions();
        if (base == null) {
            add(exponents, unit.getDimension(), 1);
        } else {
            base.forEach((dimension, power) -> add(exponents, dimension, power));
        }
        if (this == MM_PER_ROOT_SECOND) {
            exponents[2] -= 0.5;
        }
        return exponents;
    }

    private static void add(double[] exponents, Dimension of, int power) {
        List<Dimension> order =
                List.of(UnitDimension.MASS, UnitDimension.LENGTH, UnitDimension.TIME, UnitDimension.TEMPERATURE);
        if (order.contains(of)) {
            exponents[order.indexOf(of)] += power;
        }
    }

    static Optional<Measure> named(Kind kind, String spelling) {
        return Spellings.named(kind, spelling);
    }

    static List<Measure> of(Kind kind) {
        return Arrays.stream(values()).filter(m -> m.kind == kind).toList();
    }

    /** One converter for each pair, made once. */
    private static final class Converters {
        private static final UnitConverter[][] TABLE = new UnitConverter[values().length][values().length];

        static {
            for (Measure from : values()) {
                for (Measure to : of(from.kind)) {
                    if (from == to || from.unit.isCompatible(wild(to.unit))) {
                        TABLE[from.ordinal()][to.ordinal()] = converter(from.unit, to.unit);
                    }
                }
            }
        }

        private static Unit<?> wild(Unit<?> unit) {
            return unit;
        }

        @SuppressWarnings({"unchecked", "rawtypes"})
        private static UnitConverter converter(Unit from, Unit to) {
            return from.getConverterTo(to);
        }

        static UnitConverter between(Measure from, Measure to) {
            return TABLE[from.ordinal()][to.ordinal()];
        }
    }
}
