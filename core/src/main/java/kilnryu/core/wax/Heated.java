package kilnryu.core.wax;

/**
 * How a material takes up heat.
 *
 * @param k conductivity, W/(m K)
 * @param rho density, kg/m3
 * @param c heat capacity, J/(kg K)
 */
public record Heated(double k, double rho, double c) {
    /** Silicone rubber [T]. */
    public static final Heated SILICONE = new Heated(0.22, 1150, 1300);
    /** Dry plaster [T]. */
    public static final Heated PLASTER = new Heated(0.5, 1100, 1000);
    /** Urethane rubber: as silicone, by its own density [T]. */
    public static final Heated URETHANE = new Heated(0.22, 1050, 1300);

    public Heated {
        if (!(k > 0 && rho > 0 && c > 0) || !Double.isFinite(k * rho * c)) {
            throw new IllegalArgumentException("all are over 0");
        }
    }

    /** How far heat spreads, m2/s. */
    public double spread() {
        return k / (rho * c);
    }

    /** How readily its face gives off heat, W s^0.5/(m2 K). */
    public double giving() {
        return Math.sqrt(k * rho * c);
    }
}
