package kilnryu.core.mesh;

/** Bounding box along the file's axes, in the unit of the mesh. */
public record Box(Vec low, Vec high) {
    public Vec size() {
        return high.minus(low);
    }

    public double diagonal() {
        return size().length();
    }

    /** Whether they share any place. */
    boolean meets(Box other) {
        return low.x() <= other.high.x()
                && low.y() <= other.high.y()
                && low.z() <= other.high.z()
                && high.x() >= other.low.x()
                && high.y() >= other.low.y()
                && high.z() >= other.low.z();
    }

    boolean holds(Box other) {
        return low.x() <= other.low.x()
                && low.y() <= other.low.y()
                && low.z() <= other.low.z()
                && high.x() >= other.high.x()
                && high.y() >= other.high.y()
                && high.z() >= other.high.z();
    }
}
