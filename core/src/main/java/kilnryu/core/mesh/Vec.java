package kilnryu.core.mesh;

/** A place or direction; places in the unit of the mesh. */
public record Vec(double x, double y, double z) {
    public static final Vec UP = new Vec(0, 0, 1);

    public Vec plus(Vec o) {
        return new Vec(x + o.x, y + o.y, z + o.z);
    }

    public Vec minus(Vec o) {
        return new Vec(x - o.x, y - o.y, z - o.z);
    }

    public Vec times(double f) {
        return new Vec(x * f, y * f, z * f);
    }

    public double dot(Vec o) {
        return x * o.x + y * o.y + z * o.z;
    }

    public Vec cross(Vec o) {
        return new Vec(y * o.z - z * o.y, z * o.x - x * o.z, x * o.y - y * o.x);
    }

    public double length() {
        return Math.sqrt(dot(this));
    }

    /** The same direction, length 1. @throws IllegalArgumentException for a direction without length */
    public Vec unit() {
        double length = length();
        if (!(length > 0) || !Double.isFinite(length)) {
            throw new IllegalArgumentException("a direction needs a length");
        }
        return times(1 / length);
    }
}
