package kilnryu.core.gating;

import kilnryu.core.mesh.Vec;

/**
 * Room between two members, mm, each taken as a line along its middle with its own thickness round it; a body is
 * rounded at its ends. Negative when they overlap. An estimate by outline: good for rods, a little short for
 * flat bodies that turn their corners to each other.
 */
final class Gap {
    private Gap() {}

    static double between(Placing.Single a, Placing.Single b) {
        Vec[] sa = line(a);
        Vec[] sb = line(b);
        Vec between = shortest(sa[0], sa[1], sb[0], sb[1]);
        double distance = between.length();
        if (distance < 1e-9) {
            return -Math.min(
                            Placing.thickest(a.member().form()),
                            Placing.thickest(b.member().form()))
                    / 2;
        }
        Vec to = between.times(1 / distance);
        return distance - half(a, to) - half(b, to);
    }

    private static Vec[] line(Placing.Single s) {
        double shorter = s.member().form() instanceof Form.Body b
                ? Math.min(b.length(), Math.min(b.width(), b.thickness())) / 2
                : 0;
        return new Vec[] {
            s.root().plus(s.way().times(shorter)), s.tip().minus(s.way().times(shorter))
        };
    }

    private static double half(Placing.Single s, Vec to) {
        Form form = s.member().form();
        Vec across = Placing.across(s.way());
        Vec up = across.cross(s.way());
        if (form instanceof Form.Body b) {
            double round = Math.min(b.length(), Math.min(b.width(), b.thickness())) / 2;
            return Math.max(
                    Math.hypot(b.width() / 2 * across.dot(to), b.thickness() / 2 * up.dot(to)),
                    round * Math.abs(s.way().dot(to)));
        }
        double side = Math.sqrt(Math.max(0, 1 - s.way().dot(to) * s.way().dot(to)));
        if (form instanceof Form.Bar b) {
            return Math.abs(b.width() / 2 * across.dot(to)) + Math.abs(b.thickness() / 2 * up.dot(to));
        }
        Form.Round r = (Form.Round) form;
        return (r.root() + r.tip()) / 4 * side;
    }

    /** From the nearest place of one line to the nearest of another (C. Ericson, Real-Time Collision Detection, 5.1.9). */
    private static Vec shortest(Vec p1, Vec q1, Vec p2, Vec q2) {
        Vec d1 = q1.minus(p1);
        Vec d2 = q2.minus(p2);
        Vec r = p1.minus(p2);
        double a = d1.dot(d1);
        double e = d2.dot(d2);
        double f = d2.dot(r);
        double c = d1.dot(r);
        double b = d1.dot(d2);
        double denominator = a * e - b * b;
        double s = denominator > 1e-12 * a * e ? clamped((b * f - c * e) / denominator) : 0.5;
        double t = e > 0 ? (b * s + f) / e : 0;
        if (t < 0 || t > 1 || e == 0) {
            t = clamped(t);
            s = a > 0 ? clamped((b * t - c) / a) : 0;
        }
        return p2.plus(d2.times(t)).minus(p1.plus(d1.times(s)));
    }

    private static double clamped(double share) {
        return Math.max(0, Math.min(1, share));
    }
}
