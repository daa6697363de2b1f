package kilnryu.core.quantity;

import static tech.units.indriya.AbstractUnit.ONE;
import static tech.units.indriya.unit.Units.CELSIUS;
import static tech.units.indriya.unit.Units.CUBIC_METRE;
import static tech.units.indriya.unit.Units.KELVIN;
import static tech.units.indriya.unit.Units.KILOGRAM;
import static tech.units.indriya.unit.Units.METRE;
import static tech.units.indriya.unit.Units.PASCAL;
import static tech.units.indriya.unit.Units.SECOND;
import static tech.units.indriya.unit.Units.SQUARE_METRE;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import javax.measure.Unit;
import javax.measure.UnitConverter;

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

    MINUTE_PER_KELVIN(Kind.COEFFICIENT, "min/K", ONE),
    WATT_PER_M_K(Kind.COEFFICIENT, "W/(m K)", ONE),
    WATT_PER_M2_K(Kind.COEFFICIENT, "W/(m² K)", ONE),
    MEGAJOULE_PER_KG(Kind.COEFFICIENT, "MJ/kg", ONE),
    KILOJOULE(Kind.COEFFICIENT, "kJ", ONE),
    KILOJOULE_PER_KG(Kind.COEFFICIENT, "kJ/kg", ONE),
    JOULE_PER_KG_K(Kind.COEFFICIENT, "J/(kg K)", ONE),
    KG_PER_M3(Kind.COEFFICIENT, "kg/m³", ONE),
    KG_PER_M2(Kind.COEFFICIENT, "kg/m²", ONE),
    MM_PER_ROOT_SECOND(Kind.COEFFICIENT, "mm/√s", ONE),
    SECOND_PER_M2(Kind.COEFFICIENT, "s/m²", ONE),
    CM3_PER_SECOND(Kind.COEFFICIENT, "cm³/s", ONE),
    KG_PER_SECOND(Kind.POUR_RATE, "kg/s", ONE),
    POUND_PER_SECOND(Kind.POUR_RATE, "lb/s", ONE.multiply(0.45359237)),
    KILOWATT(Kind.COEFFICIENT, "kW", ONE),
    KILOWATT_HOUR(Kind.COEFFICIENT, "kWh", ONE),
    WATT_PER_KELVIN(Kind.COEFFICIENT, "W/K", ONE),
    KILOJOULE_PER_KELVIN(Kind.COEFFICIENT, "kJ/K", ONE),
    MEGAPASCAL(Kind.COEFFICIENT, "MPa", ONE);

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
        if (other.kind != kind) {
            throw new IllegalArgumentException("no way from " + this + " to " + other);
        }
        return Converters.between(this, other).convert(value);
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
                    TABLE[from.ordinal()][to.ordinal()] = converter(from.unit, to.unit);
                }
            }
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
