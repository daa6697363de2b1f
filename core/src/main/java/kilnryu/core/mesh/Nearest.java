package kilnryu.core.mesh;

/** The place of a triangle nearest to another place (C. Ericson, Real-Time Collision Detection, 5.1.5). */
final class Nearest {
    private Nearest() {}

    /** Writes the three coordinates of the nearest place into {@code into}: millions are asked, so none is made anew. */
    static void on(Mesh mesh, int t, double[] p, double[] into) {
        int a = mesh.corner(t, 0);
        int b = mesh.corner(t, 1);
        int c = mesh.corner(t, 2);
        double ax = mesh.x(a);
        double ay = mesh.y(a);
        double az = mesh.z(a);
        double abx = mesh.x(b) - ax;
        double aby = mesh.y(b) - ay;
        double abz = mesh.z(b) - az;
        double acx = mesh.x(c) - ax;
        double acy = mesh.y(c) - ay;
        double acz = mesh.z(c) - az;
        double apx = p[0] - ax;
        double apy = p[1] - ay;
        double apz = p[2] - az;
        double d1 = abx * apx + aby * apy + abz * apz;
        double d2 = acx * apx + acy * apy + acz * apz;
        double ab2 = abx * abx + aby * aby + abz * abz;
        double ac2 = acx * acx + acy * acy + acz * acz;
        double abac = abx * acx + aby * acy + abz * acz;
        double along;
        double across;
        // the place from the corners b and c is that from a less an edge
        double d3 = d1 - ab2;
        double d4 = d2 - abac;
        double d5 = d1 - abac;
        double d6 = d2 - ac2;
        double va = d3 * d6 - d5 * d4;
        double vb = d5 * d2 - d1 * d6;
        double vc = d1 * d4 - d3 * d2;
        if (d1 <= 0 && d2 <= 0) {
            along = 0;
            across = 0;
        } else if (d3 >= 0 && d4 <= d3) {
            along = 1;
            across = 0;
        } else if (vc <= 0 && d1 >= 0 && d3 <= 0) {
            along = d1 / (d1 - d3);
            across = 0;
        } else if (d6 >= 0 && d5 <= d6) {
            along = 0;
            across = 1;
        } else if (vb <= 0 && d2 >= 0 && d6 <= 0) {
            along = 0;
            across = d2 / (d2 - d6);
        } else if (va <= 0 && d4 - d3 >= 0 && d5 - d6 >= 0) {
            across = (d4 - d3) / (d4 - d3 + d5 - d6);
            along = 1 - across;
        } else {
            double sum = va + vb + vc;
            along = sum == 0 ? 0 : vb / sum;
            across = sum == 0 ? 0 : vc / sum;
        }
        into[0] = ax + abx * along + acx * across;
        into[1] = ay + aby * along + acy * across;
        into[2] = az + abz * along + acz * across;
    }
}
