package kilnryu.core.burnout;

import java.util.List;

/** A way to try a program on a load: {@link HeldProgram#of}, or a {@link ResumableSimulation} that remembers the last one. */
@FunctionalInterface
public interface ProgramSimulation {
    HeldProgram tried(List<Segment> program, HeldProgram.Question question);
}
