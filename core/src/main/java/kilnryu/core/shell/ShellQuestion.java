package kilnryu.core.shell;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.sum.Figure;

/**
 * A shell to be built on a pattern.
 *
 * @param area of the pattern with its gating, cm2
 * @param curvature how the area grows with thickness, cm2 per cm; empty for that of a ball of the same area
 * @param solids of the slurry, % by mass; empty for the usual
 * @param window whether a blind hollow is opened to the air
 * @param load what it has to bear; empty when not known
 * @param body what the pattern weighs and how large it is; empty when not known
 */
public record ShellQuestion(
        Figure area,
        Optional<Figure> curvature,
        Recipe recipe,
        OptionalDouble solids,
        Air air,
        Drying.Openness openness,
        boolean window,
        Optional<Load> load,
        Optional<Body> body) {

    /** Metal and how it presses. */
    public record Load(List<Strength.Place> places, Strength.Held held) {}

    /**
     * The pattern itself.
     *
     * @param wax g
     * @param height of the whole tree, mm
     * @param width mm
     * @param carried what is lifted here at most, kg
     * @param lowMelting whether some of it is plastic that swells before it flows
     */
    public record Body(Figure wax, double height, double width, OptionalDouble carried, boolean lowMelting) {}

    /** The same pattern by another recipe; wire holds only where the recipe has it. */
    public ShellQuestion by(Recipe other) {
        return new ShellQuestion(
                area,
                curvature,
                other,
                solids,
                air,
                openness,
                window,
                load.map(l -> new Load(
                        l.places(),
                        new Strength.Held(
                                l.held().density(),
                                l.held().metal(),
                                other.wired(),
                                l.held().bed()))),
                body);
    }

    /** How open it is with its window. */
    public Drying.Openness aired() {
        return window ? openness.windowed() : openness;
    }
}
