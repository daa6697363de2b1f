package kilnryu.core.melt;

import java.util.Arrays;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A lot of metal that a charge may take from.
 *
 * @param name as the caster calls it
 * @param available what is there, g
 * @param pricePerKg money; empty where not known, which counts as nothing
 * @param makeUp empty where it is not known
 * @param piece mass of a piece that cannot be cut, g; empty where any mass can be taken
 * @param fixed mass that is set by hand or already weighed, g; empty where the program chooses
 */
public record Stock(
        String name,
        double available,
        OptionalDouble pricePerKg,
        Optional<MakeUp> makeUp,
        Type type,
        OptionalDouble piece,
        OptionalDouble fixed) {
    public Stock {
        if (!(available >= 0) || piece.orElse(1) <= 0 || pricePerKg.orElse(0) < 0 || fixed.orElse(0) < 0) {
            throw new IllegalArgumentException("no lot is like this");
        }
    }

    public enum Type {
        INGOT("ingot"),
        ELEMENT("element"),
        RETURN("return"),
        UNKNOWN("unknown");

        private final String key;

        Type(String key) {
            this.key = key;
        }

        public String key() {
            return key;
        }

        public static Optional<Type> named(String key) {
            return Arrays.stream(values()).filter(t -> t.key.equals(key)).findFirst();
        }
    }

    /** Metal that was molten in a studio before, or of which that much is not even known. */
    boolean comesBack() {
        return type == Type.RETURN || isUnknown();
    }

    /** No make-up is known. */
    public boolean isUnknown() {
        return makeUp.isEmpty() || type == Type.UNKNOWN;
    }

    /** The same with a mass that is set. */
    public Stock with(OptionalDouble mass) {
        return new Stock(name, available, pricePerKg, makeUp, type, piece, mass);
    }
}
