package kilnryu.core.burnout;

import java.util.List;

/** A way to try a program on a load: {@link HeldProgram#of}, or a {@link Trail} that remembers the last one. */
@FunctionalInterface
public interface Trier {
    HeldProgram tried(List<Segment> program, HeldProgram.Question question);
}
