package kilnryu.core.breakout;

import kilnryu.core.heat.Lump;
import kilnryu.core.kiln.Mold;
import kilnryu.core.material.Alloy;
import kilnryu.core.pour.Outside;

/**
 * A mold full of hot metal [M]. In a flask or block the metal counts as one cylinder of its volume on the axis, as high as the
 * mold; in a shell as one ball or bar of its thickest place. The button is a cylinder of its own whose upper face is bare.
 *
 * @param body of the mold; a wall for shells
 * @param grams metal in it
 * @param metalC of the metal as it came
 * @param moldC of the mold as it was poured
 * @param modulus volume over area of its thickest place, m; used for shells
 * @param outside what it stands in
 */
public record FullMold(
        Alloy alloy,
        Mold body,
        double grams,
        double metalC,
        double moldC,
        double modulus,
        Button button,
        Outside outside) {
    /** Metal is never taken to reach nearer to the outside than this, m. */
    private static final double LEAST_WALL = 0.004;

    /** @param radius of it, m, and how deep it is, m */
    public record Button(double radius, double depth) {
        /** A cup of 30 mm that is full 20 mm deep: what is taken where nothing is drawn. */
        public static final Button USUAL = new Button(0.015, 0.020);
    }

    public FullMold {
        if (!(grams > 0) || !alloy.isTabled()) {
            throw new IllegalArgumentException("an empty mold, or metal that is not tabled, is not followed");
        }
    }

    Lump.Melt melt() {
        Alloy.Melting m = alloy.melting();
        return new Lump.Melt(
                alloy.density().value() * 1000,
                m.solidus(),
                m.liquidus(),
                m.latent() * 1000,
                m.cpSolid(),
                m.cpLiquid());
    }

    private double volume() {
        return grams / alloy.density().value() / 1e6;
    }

    Lump metal() {
        if (body.wall()) {
            return new Lump(1, 2 * modulus, body.across());
        }
        double outer = body.across() / 2;
        double half = Math.min(Math.sqrt(volume() / (Math.PI * body.along())), outer - LEAST_WALL);
        return new Lump(1, half, outer - half);
    }

    Lump cup() {
        double half = body.wall() ? button.radius : Math.min(button.radius, body.across() / 2 - LEAST_WALL);
        return new Lump(1, half, body.wall() ? body.across() : body.across() / 2 - half);
    }

    Lump.Around around(double bare) {
        double ends = body.wall() ? 1 : 1 + body.across() / 2 / body.along();
        return new Lump.Around(outside.face(), outside.celsius(), ends, bare);
    }
}
