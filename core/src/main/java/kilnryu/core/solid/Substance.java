package kilnryu.core.solid;

/**
 * What a cell is filled with, by its heat content: J/m3 over 0 C. The heat is what is reckoned with, since it says both
 * temperature and phase; a temperature alone does not say how much of a pure metal is frozen.
 */
public sealed interface Substance permits Freezable, Inert {
    /** Heat content at a temperature, J/m3; of one that freezes at one temperature all liquid there. */
    double heat(double celsius);

    /** C at a heat content. */
    double celsius(double heat);

    /** How fast the temperature rises with the heat content, K m3/J; 0 while it freezes at one temperature. */
    double rise(double heat);

    /** W/(m K) at a heat content. */
    double conductivity(double heat);

    /** Share that is liquid, 0 to 1. */
    double liquid(double heat);
}
