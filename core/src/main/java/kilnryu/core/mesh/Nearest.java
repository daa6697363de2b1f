package kilnryu.core.mesh;

/** The place of a triangle nearest to another place (C. Ericson, Real-Time Collision Detection, 5.1.5). */
final class Nearest {
    private Nearest() {}

    static Vec on(Mesh mesh, int t, Vec p) {
        Vec a = mesh.at(mesh.corner(t, 0));
        Vec b = mesh.at(mesh.corner(t, 1));
        Vec c = mesh.at(mesh.corner(t, 2));
        Vec ab = b.minus(a);
        Vec ac = c.minus(a);
        Vec ap = p.minus(a);
        double d1 = ab.dot(ap);
        double d2 = ac.dot(ap);
        if (d1 <= 0 && d2 <= 0) {
            return a;
        }
        Vec bp = p.minus(b);
        double d3 = ab.dot(bp);
        double d4 = ac.dot(bp);
        if (d3 >= 0 && d4 <= d3) {
            return b;
        }
        double vc = d1 * d4 - d3 * d2;
        if (vc <= 0 && d1 >= 0 && d3 <= 0) {
            return a.plus(ab.times(d1 / (d1 - d3)));
        }
        Vec cp = p.minus(c);
        double d5 = ab.dot(cp);
        double d6 = ac.dot(cp);
        if (d6 >= 0 && d5 <= d6) {
            return c;
        }
        double vb = d5 * d2 - d1 * d6;
        if (vb <= 0 && d2 >= 0 && d6 <= 0) {
            return a.plus(ac.times(d2 / (d2 - d6)));
        }
        double va = d3 * d6 - d5 * d4;
        if (va <= 0 && d4 - d3 >= 0 && d5 - d6 >= 0) {
            return b.plus(c.minus(b).times((d4 - d3) / (d4 - d3 + d5 - d6)));
        }
        double sum = va + vb + vc;
        return sum == 0 ? a : a.plus(ab.times(vb / sum)).plus(ac.times(vc / sum));
    }
}
