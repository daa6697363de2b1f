package kilnryu.core.melt;

import java.util.Arrays;
import java.util.Optional;

/** What metals are made of, by symbol, with the melting point that decides when it goes in, C (tables of the elements). */
public enum Element {
    CU("Cu", "copper", 1085),
    SN("Sn", "tin", 232),
    ZN("Zn", "zinc", 420),
    PB("Pb", "lead", 327),
    SI("Si", "silicon", 1414),
    MN("Mn", "manganese", 1246),
    AL("Al", "aluminium", 660),
    MG("Mg", "magnesium", 650),
    FE("Fe", "iron", 1538),
    NI("Ni", "nickel", 1455),
    P("P", "phosphorus", 44),
    AG("Ag", "silver", 962),
    AU("Au", "gold", 1064),
    PT("Pt", "platinum", 1768),
    PD("Pd", "palladium", 1555),
    IN("In", "indium", 157),
    GA("Ga", "gallium", 30),
    GE("Ge", "germanium", 938),
    SB("Sb", "antimony", 631),
    BI("Bi", "bismuth", 271),
    CR("Cr", "chromium", 1907),
    TI("Ti", "titanium", 1668),
    BE("Be", "beryllium", 1287),
    CD("Cd", "cadmium", 321),
    AS("As", "arsenic", 817),
    HG("Hg", "mercury", -39);

    private final String symbol;
    private final String label;
    private final double melts;

    Element(String symbol, String label, double melts) {
        this.symbol = symbol;
        this.label = label;
        this.melts = melts;
    }

    /** By its symbol, upper or lower case alike. */
    public static Optional<Element> named(String symbol) {
        return Arrays.stream(values())
                .filter(e -> e.symbol.equalsIgnoreCase(symbol))
                .findFirst();
    }

    public String symbol() {
        return symbol;
    }

    public String label() {
        return label;
    }

    /** C. */
    public double melts() {
        return melts;
    }

    /** Beryllium, cadmium, arsenic, mercury: nothing over 0.01 % of them is melted in a studio (handbook 15). */
    public boolean poison() {
        return this == BE || this == CD || this == AS || this == HG;
    }

    /** Boils or burns off: it goes in last and under the surface (handbook 16). */
    boolean fugitive() {
        return this == ZN || this == MG || this == P;
    }
}
