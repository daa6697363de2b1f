package kilnryu.app.load;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kilnryu.core.burnout.HeldProgram;
import kilnryu.core.burnout.Segment;
import kilnryu.core.burnout.Stage;
import kilnryu.core.burnout.Trier;
import kilnryu.core.burnout.Until;

/**
 * Programs tried lately, by all they depend on: a page, its card, a what-if and a look inside ask for the same load again, and
 * a large one takes a second.
 */
final class Remembered implements Trier {
    private static final int MOST_MOLDS = 400;

    private final Map<Key, HeldProgram> lately = Collections.synchronizedMap(new LinkedHashMap<>(16, 0.75f, true));

    private record Key(HeldProgram.Question question, List<Line> program) {}

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
    public HeldProgram tried(List<Segment> program, HeldProgram.Question question) {
        Key key = new Key(question, program.stream().map(Line::of).toList());
        HeldProgram known = lately.get(key);
        if (known == null) {
            known = HeldProgram.of(program, question);
            lately.put(key, known);
            forget();
        }
        return known;
    }

    /** The oldest, until what is left is no more than some hundred molds. */
    private void forget() {
        synchronized (lately) {
            int molds = lately.keySet().stream()
                    .mapToInt(k -> k.question.load().size())
                    .sum();
            var oldest = lately.keySet().iterator();
            while (molds > MOST_MOLDS && oldest.hasNext()) {
                molds -= oldest.next().question.load().size();
                oldest.remove();
            }
        }
    }
}
