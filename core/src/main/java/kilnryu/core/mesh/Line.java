package kilnryu.core.mesh;

/** Where a line meets a triangle (T. Moeller and B. Trumbore, 1997). */
final class Line {
    private Line() {}

    /** Distance along the direction to the triangle, NaN when it is missed or behind. */
    static double meets(Mesh mesh, int t, Vec from, Vec along) {
        int a = mesh.corner(t, 0);
        int b = mesh.corner(t, 1);
        int c = mesh.corner(t, 2);
        double e1x = mesh.x(b) - mesh.x(a);
        double e1y = mesh.y(b) - mesh.y(a);
        double e1z = mesh.z(b) - mesh.z(a);
        double e2x = mesh.x(c) - mesh.x(a);
        double e2y = mesh.y(c) - mesh.y(a);
        double e2z = mesh.z(c) - mesh.z(a);
        double px = along.y() * e2z - along.z() * e2y;
        double py = along.z() * e2x - along.x() * e2z;
        double pz = along.x() * e2y - along.y() * e2x;
        double det = e1x * px + e1y * py + e1z * pz;
        if (det == 0) {
            return Double.NaN;
        }
        double sx = from.x() - mesh.x(a);
        double sy = from.y() - mesh.y(a);
        double sz = from.z() - mesh.z(a);
        double u = (sx * px + sy * py + sz * pz) / det;
        if (u < -1e-9 || u > 1 + 1e-9) {
            return Double.NaN;
        }
        double qx = sy * e1z - sz * e1y;
        double qy = sz * e1x - sx * e1z;
        double qz = sx * e1y - sy * e1x;
        double v = (along.x() * qx + along.y() * qy + along.z() * qz) / det;
        if (v < -1e-9 || u + v > 1 + 2e-9) {
            return Double.NaN;
        }
        return (e2x * qx + e2y * qy + e2z * qz) / det;
    }

    static boolean crosses(Mesh mesh, int t, Vec from, Vec along) {
        return meets(mesh, t, from, along) > 0;
    }
}
