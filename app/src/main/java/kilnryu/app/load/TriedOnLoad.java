package kilnryu.app.load;

import java.util.List;
import kilnryu.app.simulation.Question;
import kilnryu.core.burnout.HeldProgram;
import kilnryu.core.burnout.Segment;
import kilnryu.core.burnout.Stage;
import kilnryu.core.burnout.Until;
import kilnryu.core.kiln.Watch;

/** A program tried on a load, by all that its answer depends on: a page, its card and a look inside ask for the same again. */
public final class TriedOnLoad implements Question<HeldProgram> {
    private final HeldProgram.Question load;
    private final List<Segment> program;
    private final List<Line> lines;

    public TriedOnLoad(List<Segment> program, HeldProgram.Question load) {
        this.program = List.copyOf(program);
        this.load = load;
        lines = program.stream().map(Line::of).toList();
    }

    /** All of a segment that its hold or its words come from. */
    private record Line(Stage stage, double rate, double target, int hold, Until until, String sum, String ruledBy) {
        static Line of(Segment s) {
            return new Line(
                    s.stage(),
                    s.rate(),
                    s.target(),
                    s.hold(),
                    s.until(),
                    s.holdSum().toString()
                            + s.holdSum().substituted()
                            + s.holdSum().source(),
                    s.ruledBy());
        }
    }

    @Override
    public HeldProgram answer(Watch watch) {
        return HeldProgram.of(program, load, watch);
    }

    @Override
    public int weight() {
        return Math.max(1, load.load().size());
    }

    @Override
    public String words() {
        int molds = load.load().size();
        return molds == 1 ? "the firing of a mold" : "a firing of " + molds + " molds";
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof TriedOnLoad t && load.equals(t.load) && lines.equals(t.lines);
    }

    @Override
    public int hashCode() {
        return 31 * load.hashCode() + lines.hashCode();
    }
}
